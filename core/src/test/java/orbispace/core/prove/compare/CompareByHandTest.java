package orbispace.core.prove.compare;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.SplittableRandom;
import orbispace.core.audio.Audio;
import orbispace.core.material.Ambience;
import orbispace.core.measure.Loudness;
import orbispace.core.measure.MonoFold;
import orbispace.core.measure.StereoReport;
import orbispace.core.render.Rendering;
import org.junit.jupiter.api.Test;

/** Comparisons of things so small that the answer follows on paper. */
class CompareByHandTest {
    private static final OptionalDouble NONE = OptionalDouble.empty();

    private static Loudness loud(double lufs, double peak, double range) {
        return new Loudness(
                OptionalDouble.of(lufs),
                NONE,
                NONE,
                OptionalDouble.of(range),
                OptionalDouble.of(peak),
                OptionalDouble.of(peak));
    }

    private static void matches(Loudness a, Loudness b, double gainA, double gainB) {
        MatchedPair pair = MatchedPair.of(a, b);
        assertThat(pair.gainADb()).isCloseTo(gainA, within(1e-9));
        assertThat(pair.gainBDb()).isCloseTo(gainB, within(1e-9));
        assertThat(pair.gainDb()).isCloseTo(gainB - gainA, within(1e-9));
    }

    @Test
    void theSofterIsRaisedToItsRoomAndTheRestTakenFromTheLouder() {
        matches(loud(-20, -6, 5), loud(-23, -8, 5), 0, 3);
        matches(loud(-23, -8, 5), loud(-20, -6, 5), 3, 0);
        // Peaks at -2.5 leave 1.5 dB up to -1.
        matches(loud(-20, -6, 5), loud(-23, -2.5, 5), -1.5, 1.5);
        matches(loud(-23, -2.5, 5), loud(-20, -6, 5), 1.5, -1.5);
        matches(loud(-20, -6, 5), loud(-23, 0.5, 5), -3, 0);
        matches(loud(-20, -6, 5), loud(-20, -6, 5), 0, 0);
    }

    private static Audio audio(float... left) {
        return Audio.of(48000, left, left.clone());
    }

    @Test
    void whatDiffersIsToldUnderOrOverTheWet() {
        Audio wet = audio(0.5f, 0.5f);
        assertThat(Settlement.of(wet, audio(0.45f, 0.5f)).words())
                .isEqualTo("Different sounds: what differs lies 23 dB under the wet.");
        assertThat(Settlement.of(wet, audio(0.47f, 0.5f)).words())
                .isEqualTo(
                        "Close: what differs lies 27 dB under the wet; listen where it is quiet.");
        assertThat(Settlement.of(wet, audio(0.4995f, 0.5f)).words())
                .isEqualTo("The same sound: what differs lies 63 dB under the wet.");
        assertThat(Settlement.of(wet, audio(0.5f, 0.5f)).words())
                .isEqualTo("The same sound, to the last bit.");
        assertThat(Settlement.of(audio(0.5f), audio(-0.5f), audio(0.25f)).words())
                .isEqualTo("Different sounds: what differs lies 12 dB over the wet.");
        // One that is longer differs by what the other lacks; 0.5^2 of 2 x 0.5^2 is 3 dB under.
        assertThat(Settlement.of(wet, audio(0.5f)).residualDb().orElseThrow())
                .isCloseTo(-3.01, within(0.01));
        assertThat(Settlement.of(audio(0, 0), audio(0.5f, 0)).words())
                .isEqualTo("Only the other one sounds.");
        Audio left = Audio.of(48000, new float[] {0.5f}, new float[] {0});
        assertThat(Settlement.of(left, audio(0.5f)).residualDb().orElseThrow()).isZero();
    }

    @Test
    void theWetOfAFieldIsTheSumOfItsReturns() {
        Map<String, Audio> wets = new LinkedHashMap<>();
        wets.put("A", Audio.of(48000, new float[] {0.3f, 0.1f}, new float[] {0.2f, 0}));
        wets.put("B", Audio.of(48000, new float[] {0.1f, 0.1f}, new float[] {0, 0.2f}));
        Map<String, Audio> other = new LinkedHashMap<>();
        other.put("A", Audio.of(48000, new float[] {0.1f, 0.1f}, new float[] {0, 0.2f}));
        other.put("B", Audio.of(48000, new float[] {0.3f, 0.1f}, new float[] {0.2f, 0}));
        Audio dry = Audio.silence(48000, 2, 2);
        FieldSettlement s =
                FieldSettlement.of(new Rendering(wets, dry, dry), new Rendering(other, dry, dry));
        assertThat(s.wet().words()).isEqualTo("The same sound, to the last bit.");
        assertThat(Objects.requireNonNull(s.returns().get("A")).residualDb()).isPresent();
        assertThat(s.returns()).containsOnlyKeys("A", "B");
        // Sums of 0.4, 0.2 left and 0.2, 0.2 right; one of them 0.1 higher in the other field.
        other.put("B", Audio.of(48000, new float[] {0.3f, 0.1f}, new float[] {0.3f, 0}));
        FieldSettlement off =
                FieldSettlement.of(new Rendering(wets, dry, dry), new Rendering(other, dry, dry));
        assertThat(off.wet().residualDb().orElseThrow())
                .isCloseTo(10 * Math.log10(0.01 / 0.28), within(1e-4));
    }

    private static FinishedTrack track(
            Loudness loudness, Map<Double, Double> thirds, double hz, double wide, double stop) {
        List<FinishedTrack.Third> all = new ArrayList<>();
        thirds.forEach((c, db) -> all.add(new FinishedTrack.Third(c, OptionalDouble.of(db))));
        StereoReport.Band band =
                new StereoReport.Band(hz, NONE, NONE, NONE, OptionalDouble.of(wide));
        return new FinishedTrack(
                loudness,
                all,
                new StereoReport(NONE, NONE, List.of(band)),
                stop == 0 ? Optional.empty() : Optional.of(new Ambience(stop, 20, 3)));
    }

    private static List<String> words(FinishedTrack mix, FinishedTrack other) {
        return TrackDifference.of(mix, other).words();
    }

    @Test
    void regionsEndWhereTheNextBegins() {
        double[] edges = {20, 56, 180, 560, 1800, 5600, 20000};
        String[] names = {
            "The sub", "The bass", "The low middle", "The middle", "The presence", "The air"
        };
        Loudness even = loud(-20, -6, 5);
        for (int r = 0; r < names.length; r++) {
            for (double hz : new double[] {edges[r], edges[r + 1] - 1}) {
                FinishedTrack mix = track(even, Map.of(hz, -20.0), hz, 40, 0);
                FinishedTrack less = track(even, Map.of(hz, -22.1), hz, 27.9, 0);
                assertThat(words(mix, less))
                        .containsExactly(
                                names[r] + " is 2.1 dB stronger",
                                names[r] + " is 12 degrees wider");
                assertThat(words(less, mix))
                        .containsExactly(
                                names[r] + " is 2.1 dB weaker",
                                names[r] + " is 12 degrees narrower");
            }
        }
        FinishedTrack mix = track(even, Map.of(100.0, -20.0), 100, 40, 0);
        assertThat(words(mix, track(even, Map.of(100.0, -21.9), 100, 28.1, 0))).isEmpty();
        FinishedTrack beyond = track(even, Map.of(20000.0, -20.0), 20000, 40, 0);
        assertThat(words(beyond, track(even, Map.of(20000.0, -40.0), 20000, 0, 0))).isEmpty();
    }

    @Test
    void ringAndRangeAreSaidFromAFifthAndTwoUnitsOn() {
        Map<Double, Double> thirds = Map.of(100.0, -20.0);
        FinishedTrack mix = track(loud(-20, -6, 7), thirds, 100, 40, 1.21);
        FinishedTrack other = track(loud(-20, -6, 5), thirds, 100, 40, 1);
        assertThat(words(mix, other))
                .containsExactly(
                        "Its loudness ranges 2.0 LU more",
                        "Where it stops it rings longer: 1.21 against 1.00 s");
        assertThat(words(other, mix)).containsExactly("Its loudness ranges 2.0 LU less");
        FinishedTrack near = track(loud(-20, -6, 6.9), thirds, 100, 40, 1.19);
        assertThat(words(near, other)).isEmpty();
        FinishedTrack far = track(loud(-20, -6, 5), thirds, 100, 40, 1.6);
        assertThat(words(other, far))
                .containsExactly("Where it stops it rings shorter: 1.00 against 1.60 s");
    }

    @Test
    void aTrackIsRaisedOnlyToMinusOne() {
        Map<Double, Double> thirds = Map.of(100.0, -20.0);
        FinishedTrack mix = track(loud(-14, -2, 5), thirds, 100, 40, 0);
        TrackDifference d = TrackDifference.of(mix, track(loud(-20, -4, 5), thirds, 100, 40, 0));
        assertThat(d.trackGainDb()).isCloseTo(3, within(1e-9));
        assertThat(d.mixGainDb()).isCloseTo(-3, within(1e-9));
        TrackDifference down = TrackDifference.of(mix, track(loud(-10, 0, 5), thirds, 100, 40, 0));
        assertThat(down.trackGainDb()).isCloseTo(-4, within(1e-9));
        assertThat(down.mixGainDb()).isZero();
    }

    @Test
    void aNotchMattersWhereWordsAreUnderstood() {
        for (double hz : new double[] {199, 200, 4500, 4501}) {
            assertThat(new MonoFold.Notch(hz, 6).inVoice()).isEqualTo(hz >= 200 && hz <= 4500);
        }
    }

    @Test
    void aTrialTellsItsChanceInWords() {
        BlindTrial trial = new BlindTrial(BlindTrial.Kind.WHICH, 5, new SplittableRandom(1));
        for (int i = 0; i < 5; i++) {
            assertThat(trial.result()).isEmpty();
            trial.answer(trial.hiddenIsA(), 2);
        }
        // Guessing gets five of five once in 32.
        assertThat(trial.result().orElseThrow().words())
                .isEqualTo(
                        "5 of 5 right; guessing does as well in 3.1 % of trials. The difference was"
                                + " heard.");
        assertThat(trial.result().orElseThrow().significant()).isTrue();
        assertThat(new BlindTrial.Result(BlindTrial.Kind.WHICH, List.of(), 0, 0.05).significant())
                .isFalse();
        trial.answer(true, 1);
        assertThat(trial.answered()).isEqualTo(5);
        assertThat(new BlindTrial(BlindTrial.Kind.WHICH, 500, new SplittableRandom(1)).rounds())
                .isEqualTo(500);
        assertThat(BlindTrial.chanceOfAtLeast(0, 7)).isCloseTo(1, within(1e-12));
        assertThat(BlindTrial.chanceOfAtLeast(6, 7)).isCloseTo(8 / 128.0, within(1e-12));
    }
}
