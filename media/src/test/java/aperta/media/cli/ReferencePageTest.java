package aperta.media.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;

class ReferencePageTest {
    private static final Path PAGE = Path.of("../docs/reference.md");

    @Test
    void thePageInDocsIsTheOneInForce() throws IOException {
        if (Boolean.getBoolean("aperta.docs")) {
            Files.writeString(PAGE, ReferencePage.text());
        }
        assertThat(Files.readString(PAGE)).isEqualTo(ReferencePage.text());
    }

    @Test
    void eachHasItsParametersWithRangeAndStandard() {
        assertThat(ReferencePage.text())
                .contains("### Wipe\n`wipe`: An edge travels over it and uncovers it.\n")
                .contains("| Feather | `feather` | 0 to 2000 px | 0 px |")
                .contains("| Overlap | `overlap` | 0 to 100 % | 70 % |")
                .contains("| Fades | `fade` | yes or no | yes |");
    }
}
