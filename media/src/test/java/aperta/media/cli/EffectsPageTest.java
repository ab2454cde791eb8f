package aperta.media.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;

class EffectsPageTest {
    private static final Path DOCS = Path.of("../docs");

    @Test
    void thePageInDocsIsTheOneInForce() throws IOException {
        Path page = DOCS.resolve("effects.md");
        Path pictures = DOCS.resolve("effects");
        if (Boolean.getBoolean("aperta.docs")) {
            Files.createDirectories(pictures);
            Files.writeString(page, EffectsPage.text());
            EffectsPage.draw(pictures, Path.of("../.run/plates"));
        }
        assertThat(Files.readString(page)).isEqualTo(EffectsPage.text());
        for (String kind : EffectsPage.pictures()) {
            assertThat(pictures.resolve(kind + ".jpg")).isNotEmptyFile();
        }
    }
}
