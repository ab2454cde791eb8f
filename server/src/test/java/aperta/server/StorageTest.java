package aperta.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class StorageTest {
    @TempDir
    Path folder;

    /** A server that is started on the wrong database must not take everybody's files for nobody's. */
    @Test
    void theFolderKnowsItsDatabase() {
        Storage storage = new Storage(folder);
        assertThat(storage.belongsTo("a")).isTrue();
        assertThat(storage.belongsTo("a")).isTrue();
        assertThat(storage.belongsTo("b")).isFalse();
    }

    @Test
    void onlyWhatNobodyOwnsIsSwept() throws IOException {
        Storage storage = new Storage(folder);
        Path owned = Files.writeString(storage.original("aa.mp4"), "x");
        Path proxy = Files.writeString(storage.proxy("aa"), "x");
        Path lost = Files.writeString(storage.original("bb.mp4"), "x");
        Path found = Files.writeString(storage.finding("f0"), "x");
        Path foundOnce = Files.writeString(storage.finding("f1"), "x");
        storage.sweep(Set.of("aa"), Set.of("f0"), Set.of(), Instant.now().minusSeconds(60));
        assertThat(lost).as("just written").exists();
        storage.sweep(Set.of("aa"), Set.of("f0"), Set.of(), Instant.now().plusSeconds(60));
        assertThat(lost).doesNotExist();
        assertThat(owned).exists();
        assertThat(proxy).exists();
        assertThat(found).exists();
        assertThat(foundOnce).doesNotExist();
    }

    @Test
    void filesAreNamedAsTheyLieInTheFolder() {
        Path file = new Storage(folder).original("aa.mp4");
        String name = new Storage(folder).name(file);
        assertThat(name).isEqualTo("media/aa.mp4");
        Path elsewhere = folder.resolve("moved");
        assertThat(new Storage(elsewhere).named(name)).isEqualTo(elsewhere.resolve("media/aa.mp4"));
    }

    /** What an end of the process leaves: uploads on their way, files in the making. */
    @Test
    void whatIsUnfinishedIsCleared() throws IOException {
        Storage storage = new Storage(folder);
        Path upload = Files.createDirectories(storage.incoming().resolve("sequence1"));
        Files.writeString(upload.resolve("picture"), "x");
        Path part = Files.writeString(storage.proxy("aa").resolveSibling("aa.half.part"), "x");
        Path whole = Files.writeString(storage.proxy("aa"), "x");
        storage.clearUnfinished();
        assertThat(upload).doesNotExist();
        assertThat(part).doesNotExist();
        assertThat(whole).exists();
        assertThat(storage.bytes("proxies")).isEqualTo(1);
    }
}
