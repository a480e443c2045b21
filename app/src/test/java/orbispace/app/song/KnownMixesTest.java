package orbispace.app.song;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.concurrent.atomic.AtomicInteger;
import orbispace.core.audio.Audio;
import orbispace.core.design.Design;
import orbispace.core.design.Song;
import orbispace.core.measure.LoudnessMeter;
import orbispace.core.render.Responses;
import orbispace.core.render.SongMaterial;
import orbispace.core.time.SongClock;
import orbispace.core.time.Span;
import orbispace.files.project.FactsCache;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class KnownMixesTest {
    private static final Audio SOUND = Audio.of(48000, new float[96000]);
    private static final Span FIRST = new Span(0, 1);

    @TempDir Path folder;

    private final AtomicInteger measured = new AtomicInteger();

    private static Design named(String name) {
        Song song = new Song(name, 48000, SongClock.constant(120, 4, 4), List.of());
        return new Design(song, List.of(), List.of());
    }

    private KnownMixes mixes(Responses responses) {
        SongMaterial material = new SongMaterial(Map.of("voice", SOUND), 48000, responses);
        FactsCache cache = new FactsCache(folder.resolve("facts"));
        return new KnownMixes(cache, named("Quay"), material, s -> "content");
    }

    private void measure(KnownMixes mixes, Design design, Span span) {
        mixes.of(
                design,
                span,
                () -> {
                    measured.incrementAndGet();
                    return new KnownMixes.Measured(
                            LoudnessMeter.measure(SOUND), OptionalDouble.of(-20));
                });
    }

    @Test
    void aMixThatWasMeasuredOnceIsKnownUntilTheDesignChanges() {
        assertThat(mixes(Responses.NONE).loudness(named("Quay"))).isEmpty();
        measure(mixes(Responses.NONE), named("Quay"), FIRST);
        measure(mixes(Responses.NONE), named("Quay"), FIRST);
        assertThat(measured).hasValue(1);
        assertThat(mixes(Responses.NONE).loudness(named("Quay")))
                .contains(LoudnessMeter.measure(SOUND));
        assertThat(mixes(Responses.NONE).loudness(named("Pier"))).isEmpty();
        measure(mixes(Responses.NONE), named("Quay"), new Span(1, 2));
        assertThat(measured).hasValue(2);
    }

    @Test
    void withAResponseFromAFileNothingIsKeptSinceItsNameDoesNotTellWhatItHolds() {
        Responses file = new Responses(Map.of("room.wav", Responses.Recorded.of(SOUND)));
        measure(mixes(file), named("Quay"), FIRST);
        measure(mixes(file), named("Quay"), FIRST);
        assertThat(measured).hasValue(2);
        assertThat(mixes(file).loudness(named("Quay"))).isEmpty();
    }
}
