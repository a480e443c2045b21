package orbispace.files.project;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Random;
import java.util.stream.Stream;
import orbispace.core.audio.Audio;
import orbispace.core.material.Silhouette;
import orbispace.core.material.StemFacts;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class FactsCacheTest {
    @TempDir Path folder;

    private static StemFacts facts(int seed) {
        Random random = new Random(seed);
        float[] x = new float[96000];
        for (int i = 0; i < x.length; i++) {
            x[i] = i % 12000 < 3000 ? (float) (0.3 * random.nextGaussian()) : 0;
        }
        Audio audio = Audio.of(48000, x);
        return StemFacts.measure(audio, Silhouette.of(audio), new StemFacts.Wanted(true, true));
    }

    @Test
    void whatIsKeptComesBackWholeAndOnlyUnderItsKey() {
        FactsCache cache = new FactsCache(folder.resolve("facts"));
        StemFacts facts = facts(1);
        assertThat(cache.find("a")).isEmpty();
        cache.keep("a", facts);
        assertThat(cache.find("a")).hasValue(facts);
        assertThat(cache.find("b")).isEmpty();
        Audio none = Audio.silence(48000, 1, 48000);
        StemFacts silent =
                StemFacts.measure(none, Silhouette.of(none), new StemFacts.Wanted(true, true));
        cache.keep("silent", silent);
        assertThat(cache.find("silent")).isPresent();
    }

    @Test
    void aDamagedOrForbiddenCacheIsNone() throws IOException {
        FactsCache cache = new FactsCache(folder.resolve("facts"));
        cache.keep("a", facts(1));
        try (Stream<Path> files = Files.list(folder.resolve("facts"))) {
            Files.writeString(files.findFirst().orElseThrow(), "{\"check\": 7}");
        }
        assertThat(cache.find("a")).isEmpty();
        Path file = Files.createFile(folder.resolve("file"));
        FactsCache nowhere = new FactsCache(file.resolve("below"));
        nowhere.keep("a", facts(1));
        assertThat(nowhere.find("a")).isEmpty();
    }
}
