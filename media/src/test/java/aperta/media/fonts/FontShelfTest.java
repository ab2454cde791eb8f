package aperta.media.fonts;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Optional;
import org.junit.jupiter.api.Test;

class FontShelfTest {
    private final FontShelf shelf =
            new FontShelf(id -> id.equals("mine") ? Optional.of(new byte[] {1, 2, 3}) : Optional.empty());

    @Test
    void everyShippedFontCanSetTheDemosWordsAndHasItsLicence() {
        assertThat(FontShelf.SHIPPED).hasSizeGreaterThanOrEqualTo(6);
        for (FontShelf.Shipped font : FontShelf.SHIPPED) {
            assertThat(shelf.face(font.id()).canShow("LAST TRAM TO ORRIN HILL 9 see you at the last stop"))
                    .as(font.name())
                    .isTrue();
            assertThat(shelf.face(font.id()).capHeight()).as(font.name()).isBetween(0.4, 1.0);
            assertThat(FontShelf.class.getResource("/fonts/" + font.id() + ".LICENSE.txt"))
                    .as(font.name())
                    .isNotNull();
        }
        assertThat(FontShelf.SHIPPED).anyMatch(f -> f.manner().equals("heavy display"));
        assertThat(FontShelf.SHIPPED).anyMatch(f -> f.manner().equals("script"));
    }

    @Test
    void facesAreReadOnce() {
        assertThat(shelf.face("anton")).isSameAs(shelf.face("anton"));
    }

    @Test
    void whatIsMissingOrNoFontIsSaid() {
        assertThatThrownBy(() -> shelf.face("gone")).hasMessage("The font 'gone' isn't there.");
        assertThatThrownBy(() -> shelf.face("mine")).hasMessageContaining("not a TrueType or OpenType font");
    }
}
