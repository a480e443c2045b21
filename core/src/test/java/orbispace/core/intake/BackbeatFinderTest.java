package orbispace.core.intake;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import orbispace.core.audio.Audio;
import orbispace.core.design.Design;
import orbispace.core.design.Role;
import orbispace.core.design.Section;
import orbispace.core.design.Song;
import orbispace.core.design.Source;
import orbispace.core.design.StemKind;
import orbispace.core.material.Hits;
import orbispace.core.time.SongClock;
import org.junit.jupiter.api.Test;

/** Drums at 120 bpm, half a second to the beat, each stroke a short tone. */
class BackbeatFinderTest {
    private static final double RATE = 24000;
    private static final double SECONDS = 9;

    private final Map<String, Audio> audio = new LinkedHashMap<>();
    private final Map<String, Hits> strokes = new LinkedHashMap<>();
    private final List<Source> sources = new ArrayList<>();
    private double beatSeconds = 0.5;
    private int beatsPerBar = 4;
    private int beatUnit = 4;

    /** A stem that is struck on some beats of each bar, from 0, with a tone of a frequency. */
    private void drum(String name, double hz, double level, double... beats) {
        float[] x = new float[(int) (SECONDS * RATE)];
        List<Hits.Hit> hits = new ArrayList<>();
        double bar = beatsPerBar * beatSeconds;
        for (double from = 0; from < SECONDS - bar; from += bar) {
            for (double b : beats) {
                double at = from + b * beatSeconds;
                hits.add(new Hits.Hit(at, -6, -20));
                for (int i = 0; i < 0.05 * RATE; i++) {
                    x[(int) (at * RATE) + i] +=
                            (float) (level * Math.sin(2 * Math.PI * hz * i / RATE));
                }
            }
        }
        audio.put(name, Audio.of(RATE, x));
        strokes.put(name, new Hits(hits, List.of()));
        sources.add(new Source(name.replace(' ', '-'), name, name + ".wav", Role.HITS, 0, 0));
    }

    private Optional<Backbeat> found() {
        Song song =
                new Song(
                        "Tide",
                        RATE,
                        SongClock.constant(240 / (beatUnit * beatSeconds), beatsPerBar, beatUnit),
                        List.of(new Section("All", 1, 4)));
        return BackbeatFinder.find(
                new Design(song, sources, List.of()),
                s -> true,
                s -> Optional.ofNullable(strokes.get(s.name())),
                s -> Optional.ofNullable(audio.get(s.name())));
    }

    @Test
    void aKickOnEveryBeatIsLouderAndCarriesNone() {
        drum("Kick", 300, 0.9, 0, 1, 2, 3);
        drum("Clap", 1500, 0.3, 1, 3);
        Backbeat b = found().orElseThrow();
        assertThat(b.sources()).containsExactly("Clap");
        assertThat(b.onBeats()).isTrue();
        assertThat(b.strokes()).isEqualTo(2 * 4);
    }

    @Test
    void whatRumblesUnderOneHundredAndFiftyHertzCountsLittle() {
        drum("Floor tom", 60, 0.9, 1, 3);
        drum("Clap", 1500, 0.3, 1, 3);
        assertThat(found().orElseThrow().sources()).containsExactly("Clap");
    }

    @Test
    void microphonesOfOneDrumCountTogetherTheLoudestFirst() {
        drum("Snr bot", 900, 0.25, 1, 3);
        drum("Snr top", 900, 0.4, 1, 3);
        drum("Clap", 900, 0.42, 1, 3);
        Backbeat b = found().orElseThrow();
        assertThat(b.drum()).isEqualTo("snare");
        assertThat(b.sources()).containsExactly("Snr-top", "Snr-bot");
    }

    @Test
    void whatHearsAllOrIsNotSentIsNoDrum() {
        drum("OH", 900, 0.9, 1, 3);
        sources.set(0, sources.getFirst().withKind(StemKind.OVERHEAD));
        drum("Snr", 900, 0.2, 1, 3);
        assertThat(found().orElseThrow().sources()).containsExactly("Snr");
    }

    @Test
    void whereNothingStrikesThereWhatStrikesHardestIsTakenAndSaid() {
        drum("Low drum", 400, 0.3, 0, 2);
        drum("High drum", 800, 0.5, 0.5, 2.5);
        Backbeat b = found().orElseThrow();
        assertThat(b.sources()).containsExactly("High-drum");
        assertThat(b.onBeats()).isFalse();
    }

    @Test
    void inSixEighthsTheFourthCarriesIt() {
        beatSeconds = 0.25;
        beatsPerBar = 6;
        beatUnit = 8;
        drum("Low drum", 400, 0.8, 0, 1, 5);
        drum("High drum", 800, 0.2, 3);
        assertThat(found().orElseThrow().sources()).containsExactly("High-drum");
    }

    @Test
    void whereNothingStrikesThereIsNone() {
        assertThat(found()).isEmpty();
    }
}
