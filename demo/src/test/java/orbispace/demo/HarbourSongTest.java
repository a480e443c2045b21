package orbispace.demo;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import orbispace.core.audio.Audio;
import orbispace.core.design.Design;
import orbispace.core.design.Section;
import orbispace.core.material.HitFinder;
import orbispace.core.material.Hits;
import orbispace.core.material.PhraseFinder;
import orbispace.core.material.Phrases;
import orbispace.core.measure.Loudness;
import orbispace.core.measure.LoudnessMeter;
import orbispace.core.render.Renderer;
import orbispace.core.render.SongMaterial;
import orbispace.core.render.StageCache;
import orbispace.core.signal.Fft;
import orbispace.core.time.Span;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The song meets the facts that it was composed to. */
class HarbourSongTest {
    private static final double RATE = 48000;
    private static final double[][] PHRASES = {
        {5.63, 10.01},
        {11.34, 15.72},
        {17.07, 18.94},
        {19.21, 21.44},
        {22.85, 27.15},
        {28.48, 31.30},
        {32.61, 34.89},
        {36.01, 38.97},
        {42.63, 44.81},
        {45.79, 48.57},
        {49.28, 51.30},
        {51.91, 54.73},
        {56.02, 58.31},
        {59.42, 62.07},
        {63.53, 67.18},
        {69.00, 73.75}
    };

    private static Map<String, Audio> stems = Map.of();

    @BeforeAll
    static void play() {
        try (ExecutorService executor = Executors.newFixedThreadPool(2)) {
            stems = HarbourSong.stems(executor, share -> {});
        }
    }

    private static Audio stem(String id) {
        return Objects.requireNonNull(stems.get(id));
    }

    private static Audio dryMix(Set<String> kept) {
        Map<String, Audio> heard = new HashMap<>(stems);
        heard.replaceAll((id, a) -> kept.contains(id) ? a : Audio.silence(RATE, 1, a.frames()));
        return new Renderer(
                        new SongMaterial(heard, RATE), stem("voice").frames(), new StageCache(0))
                .dryMix(HarbourSong.design());
    }

    private static Audio cut(Audio audio, Span span) {
        return audio.slice((int) (span.startSeconds() * RATE), (int) (span.endSeconds() * RATE));
    }

    @ParameterizedTest
    @CsvSource({
        "voice, -21.4",
        "concertina, -28.6",
        "marimba, -28.4",
        "bass, -27.5",
        "drum, -29.5",
        "shaker, -38.2"
    })
    void stemsAreAsLoudAsTheScoreAsks(String id, double lufs) {
        assertThat(LoudnessMeter.integratedLufs(stem(id)).orElseThrow())
                .isCloseTo(lufs, within(1.0));
        assertThat(stem(id).seconds()).isEqualTo(77.5);
        assertThat(stem(id).channelCount()).isEqualTo(1);
    }

    @Test
    void theDryMixAtUnityIsAtMinus20() {
        Loudness mix = LoudnessMeter.measure(dryMix(stems.keySet()));
        assertThat(mix.integratedLufs().orElseThrow()).isCloseTo(-20, within(0.7));
        assertThat(mix.rangeLu().orElseThrow()).isBetween(6.5, 10.0);
        assertThat(mix.truePeakDbtp().orElseThrow()).isBetween(-6.0, -1.0);
    }

    @ParameterizedTest
    @CsvSource({"Verse 1, 1.7", "Chorus 1, 1.3", "Bridge, 2.2", "Chorus 2, 1.5", "Outro, 3.8"})
    void theVoiceStandsOverTheRestInEverySection(String name, double expectedLu) {
        Design design = HarbourSong.design();
        Section section =
                design.song().sections().stream()
                        .filter(s -> s.name().equals(name))
                        .findFirst()
                        .orElseThrow();
        Span span = design.song().span(section);
        List<Span> sung =
                Arrays.stream(PHRASES)
                        .filter(p -> span.contains(p[0] + 0.2))
                        .map(p -> new Span(p[0], p[1]))
                        .toList();
        double voice = lufs(dryMix(Set.of("voice")), sung);
        double rest = lufs(dryMix(Set.of("concertina", "marimba", "bass", "drum", "shaker")), sung);
        assertThat(voice - rest).isCloseTo(expectedLu, within(0.7));
    }

    /** Loudness of stretches put one after the other. */
    private static double lufs(Audio audio, List<Span> spans) {
        List<Audio> parts = spans.stream().map(s -> cut(audio, s)).toList();
        float[][] joined = new float[2][parts.stream().mapToInt(Audio::frames).sum()];
        int at = 0;
        for (Audio part : parts) {
            for (int c = 0; c < 2; c++) {
                System.arraycopy(part.channel(c), 0, joined[c], at, part.frames());
            }
            at += part.frames();
        }
        return LoudnessMeter.integratedLufs(Audio.of(RATE, joined)).orElseThrow();
    }

    @Test
    void sixteenPhrasesAndNoneExtraAreFoundWhereTheyAreSung() {
        Phrases found = PhraseFinder.find(stem("voice"));
        assertThat(found.spans()).hasSize(16);
        for (int i = 0; i < PHRASES.length; i++) {
            // A closure before a last consonant may move an edge by as much again.
            assertThat(found.spans().get(i).startSeconds())
                    .as("start %d", i)
                    .isCloseTo(PHRASES[i][0], within(0.06));
            assertThat(found.spans().get(i).endSeconds())
                    .as("end %d", i)
                    .isCloseTo(PHRASES[i][1], within(0.05));
        }
        assertThat(found.gapSeconds(0.5)).isCloseTo(1.31, within(0.06));
        assertThat(found.levels().orElseThrow().speakingDb()).isCloseTo(-22.6, within(2.0));
    }

    @Test
    void theDrumHasItsHitsAndHearsTheShaker() {
        Hits hits = HitFinder.find(stem("drum"));
        assertThat(hits.hits()).hasSize(104);
        assertThat(hits.bleed()).hasSize(126);
        assertThat(hits.separationDb().orElseThrow()).isCloseTo(12.4, within(1.5));
        assertThat(hits.intervalSeconds(0.5)).isCloseTo(0.362, within(0.01));
    }

    @Test
    void theShakerHasItsStrokes() {
        assertThat(HitFinder.find(stem("shaker")).hits()).hasSize(221);
    }

    @Test
    void theBleedIsInvertedAndLateByExactly154Samples() {
        float[] drum = stem("drum").channel(0);
        float[] shaker = stem("shaker").channel(0);
        int best = 0;
        double most = 0;
        for (int lag = 0; lag <= 400; lag++) {
            double sum = 0;
            for (int i = 29 * (int) RATE; i < 38 * (int) RATE; i++) {
                sum += drum[i + lag] * shaker[i];
            }
            if (Math.abs(sum) > Math.abs(most)) {
                most = sum;
                best = lag;
            }
        }
        assertThat(best).isEqualTo(154);
        assertThat(most).isNegative();
    }

    @Test
    void theBassIsOffsetAlsoBeforeItsFirstNote() {
        Audio bass = stem("bass");
        double sum = 0;
        for (float x : bass.channel(0)) {
            sum += x;
        }
        assertThat(sum / bass.frames()).isCloseTo(0.0100, within(0.0005));
    }

    @ParameterizedTest
    @CsvSource({"16.25", "27.50", "38.46"})
    void theConcertinaRingsOnAfterItsStopsAsInASmallRoom(double stop) {
        double early = levelDb(stop + 0.12, stop + 0.22);
        double late = levelDb(stop + 0.42, stop + 0.52);
        double t60 = 60 * 0.3 / (early - late);
        assertThat(t60).isCloseTo(0.9, within(0.25));
    }

    private static double levelDb(double from, double to) {
        return 10 * Math.log10(cut(stem("concertina"), new Span(from, to)).meanSquare());
    }

    @Test
    void marimbaAndShakerRestInDigitalSilence() {
        assertThat(cut(stem("shaker"), new Span(42, 47)).peak()).isZero();
        assertThat(cut(stem("marimba"), new Span(76.5, 77.4)).peak()).isLessThan(1e-3);
    }

    @ParameterizedTest
    @CsvSource({"concertina, -80", "bass, -80"})
    void noClicksStandAboveFifteenKilohertz(String id, double limitDb) {
        Audio audio = stem(id);
        Fft fft = new Fft(1024);
        double[] window = Fft.hann(1024);
        double[] buffer = new double[1024];
        double worst = 0;
        for (int start = 4800; start + 1024 < audio.frames(); start += 512) {
            for (int i = 0; i < 1024; i++) {
                buffer[i] = audio.channel(0)[start + i] * window[i];
            }
            fft.forward(buffer);
            double power = 0;
            for (int k = 320; k < 512; k++) {
                power += buffer[2 * k] * buffer[2 * k] + buffer[2 * k + 1] * buffer[2 * k + 1];
            }
            worst = Math.max(worst, power / (512.0 * 384));
        }
        assertThat(10 * Math.log10(worst)).isLessThan(limitDb);
    }

    @Test
    void twoPerformancesAreTheSameToTheSample() {
        assertThat(new Shaker().play()).isEqualTo(stem("shaker").channel(0));
        assertThat(new Marimba().play()).isEqualTo(stem("marimba").channel(0));
    }

    @Test
    void theFieldToBeginWithHasARoomAHallAnEchoAndAGatedDrum() {
        Design design = HarbourSong.design();
        assertThat(design.returns().stream().map(r -> r.id() + " " + r.name()).toList())
                .isEqualTo(List.of("A Net loft", "B Long pier", "C Bell buoy", "D Slack water"));
        assertThat(design.song().sections()).hasSize(6);
        assertThat(HarbourSong.clock().secondsOfBar(27)).isCloseTo(75.377, within(0.001));
    }

    @Test
    void everyWordOfTheSongIsMadeOfSoundsTheVoiceKnows() {
        int notes = 0;
        for (Lyrics.Phrase phrase : Lyrics.phrases()) {
            for (Lyrics.Note note : phrase.notes()) {
                notes++;
                for (char c : (note.onset() + note.coda()).toCharArray()) {
                    assertThat(Phone.of(c).seconds()).isPositive();
                }
                assertThat(Phone.vowel(note.vowel())[0]).hasSize(4);
                assertThat(Pitch.hz(note.pitch())).isBetween(200.0, 700.0);
            }
        }
        assertThat(notes).isEqualTo(78);
    }
}
