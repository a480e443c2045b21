package orbispace.files.project;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import orbispace.core.audio.Audio;
import orbispace.core.audio.Polarity;
import orbispace.core.material.LineUp;
import orbispace.core.material.Silhouette;
import orbispace.core.material.StemFacts;
import orbispace.core.material.kit.Kit;
import orbispace.core.material.kit.KitFinder;
import orbispace.core.prove.stem.KitFound;
import orbispace.core.prove.stem.SharedSound;
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

    private static StemFacts never() {
        throw new AssertionError("it is known already");
    }

    @Test
    void whatIsKeptComesBackWholeAndOnlyUnderItsKey() {
        FactsCache cache = new FactsCache(folder.resolve("facts"));
        StemFacts facts = facts(1);
        assertThat(cache.of("a", StemFacts.class, () -> facts)).isSameAs(facts);
        assertThat(cache.of("a", StemFacts.class, FactsCacheTest::never)).isEqualTo(facts);
        StemFacts other = facts(2);
        assertThat(cache.of("b", StemFacts.class, () -> other)).isSameAs(other);
        Audio none = Audio.silence(48000, 1, 48000);
        StemFacts silent =
                StemFacts.measure(none, Silhouette.of(none), new StemFacts.Wanted(true, true));
        cache.of("silent", StemFacts.class, () -> silent);
        assertThat(cache.of("silent", StemFacts.class, FactsCacheTest::never)).isEqualTo(silent);
        assertThat(FactsCache.NONE.of("a", StemFacts.class, () -> other)).isSameAs(other);
    }

    @Test
    void whatIsNotKeptIsNotKnown() {
        FactsCache cache = new FactsCache(folder.resolve("facts"));
        assertThat(cache.known("a", StemFacts.class)).isEmpty();
        StemFacts facts = facts(1);
        cache.keep("a", facts);
        assertThat(cache.known("a", StemFacts.class)).contains(facts);
        assertThat(cache.known("a", Whole.class)).isEmpty();
        FactsCache.NONE.keep("a", facts);
        assertThat(FactsCache.NONE.known("a", StemFacts.class)).isEmpty();
    }

    @Test
    void whatWasShippedIsKnownAndNeverWrittenTo() throws IOException {
        Path shipped = folder.resolve("shipped");
        new FactsCache(shipped).keep("a", facts(1));
        Set<Path> before = files(shipped);
        FactsCache cache = new FactsCache(folder.resolve("own"), Optional.of(shipped));
        assertThat(cache.of("a", StemFacts.class, FactsCacheTest::never)).isEqualTo(facts(1));
        cache.keep("b", facts(2));
        assertThat(files(shipped)).isEqualTo(before).hasSize(1);
        assertThat(files(folder.resolve("own"))).hasSize(1);
        cache.keep("a", facts(3));
        assertThat(cache.known("a", StemFacts.class)).contains(facts(3));
    }

    private static Set<Path> files(Path in) throws IOException {
        try (Stream<Path> all = Files.list(in)) {
            return all.collect(Collectors.toSet());
        }
    }

    /** What the program keeps of a whole song. */
    record Whole(Optional<KitFound> kit, List<SharedSound> pairs, String silhouette) {}

    @Test
    void whatAKitAndPairsHoldComesBackWhole() {
        float[] kick = new float[480_000];
        float[] snare = new float[480_000];
        Random random = new Random(5);
        for (int i = 0; i < kick.length; i++) {
            int beat = i / 24_000;
            float stroke = (float) (random.nextGaussian() * Math.exp(-(i % 24_000) / 1500.0));
            kick[i] = (beat % 2 == 0 ? 0.2f : 0.03f) * stroke;
            snare[i] = (beat % 2 == 1 ? 0.2f : 0.02f) * stroke;
        }
        Audio one = Audio.of(48000, kick);
        Kit kit = KitFinder.find(List.of(one, Audio.of(48000, snare)), List.of("kick", "snare"));
        assertThat(kit.sharing()).containsExactly(0, 1);
        Silhouette silhouette = Silhouette.of(one);
        Whole whole =
                new Whole(
                        Optional.of(new KitFound(List.of("k", "s"), kit)),
                        List.of(
                                new SharedSound(
                                        "k", "s", new LineUp(-3, Polarity.INVERTED, 0.9, 0.5))),
                        silhouette.packed());
        FactsCache cache = new FactsCache(folder.resolve("facts"));
        cache.of("a", Whole.class, () -> whole);
        Whole back =
                cache.of(
                        "a",
                        Whole.class,
                        () -> {
                            throw new AssertionError("it is known already");
                        });
        assertThat(back).isEqualTo(whole);
        Silhouette unpacked = Silhouette.unpacked(back.silhouette());
        assertThat(unpacked.seconds()).isEqualTo(silhouette.seconds());
        assertThat(unpacked.peak(1, 1.02)).isEqualTo(silhouette.peak(1, 1.02)).isPositive();
        assertThat(unpacked.power(0, 3)).isEqualTo(silhouette.power(0, 3));
    }

    @Test
    void aDamagedOrForbiddenCacheIsNone() throws IOException {
        FactsCache cache = new FactsCache(folder.resolve("facts"));
        StemFacts facts = facts(1);
        cache.of("a", StemFacts.class, () -> facts);
        try (Stream<Path> files = Files.list(folder.resolve("facts"))) {
            Files.writeString(files.findFirst().orElseThrow(), "{\"check\": 7}");
        }
        assertThat(cache.of("a", StemFacts.class, () -> facts)).isSameAs(facts);
        Path file = Files.createFile(folder.resolve("file"));
        FactsCache nowhere = new FactsCache(file.resolve("below"));
        assertThat(nowhere.of("a", StemFacts.class, () -> facts)).isSameAs(facts);
        assertThat(nowhere.of("a", StemFacts.class, () -> facts)).isSameAs(facts);
    }
}
