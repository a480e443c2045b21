package orbispace.core.material;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import orbispace.core.Signals;
import orbispace.core.audio.Audio;
import orbispace.core.time.Span;
import org.junit.jupiter.api.Test;

/** What is found in a stem, worked out by hand sample by sample or frame by frame. */
class MaterialByHandTest {
    private static final double RATE = 8000;

    @Test
    void aRunThatIsCutFlatIsCountedWhereItBegins() {
        float[] x = new float[400];
        for (int i = 0; i < x.length; i++) {
            x[i] = (float) (0.5 * Math.sin(2 * Math.PI * i / 100));
        }
        assertThat(StemCheck.of(Signals.mono(RATE, x.clone())))
                .isEqualTo(new StemCheck(0, 0, 0, false));
        Arrays.fill(x, 120, 123, 0.9f);
        Arrays.fill(x, 220, 224, 0.9f);
        StemCheck check = StemCheck.of(Audio.of(RATE, x));
        assertThat(check.clippedRuns()).isEqualTo(2);
        assertThat(check.firstClipSeconds()).isEqualTo(120 / RATE);
        Arrays.fill(x, 120, 123, 0.1f);
        Arrays.fill(x, 220, 222, 0.9f);
        Arrays.fill(x, 222, 224, 0.1f);
        assertThat(StemCheck.of(Audio.of(RATE, x)).clippedRuns()).isZero();
    }

    @Test
    void aRoundTopThatTheEndCutsIsACut() {
        float[] x = new float[200];
        for (int i = 0; i < 195; i++) {
            x[i] = (float) (0.8 - 0.8 * Math.pow(1 - i / 195.0, 4));
        }
        Arrays.fill(x, 195, 200, 0.8f);
        assertThat(StemCheck.of(Audio.of(RATE, x)).clippedRuns()).isEqualTo(1);
        float[] on = Arrays.copyOf(x, 400);
        for (int i = 200; i < 400; i++) {
            on[i] = x[399 - i];
        }
        assertThat(StemCheck.of(Audio.of(RATE, on)).clippedRuns()).isZero();
    }

    @Test
    void whatBeginsInAStretchBelongsToIt() {
        Phrases all =
                Phrases.found(
                        List.of(new Span(0, 1), new Span(2, 3), new Span(4, 5)),
                        List.of(new Span(0.5, 0.6), new Span(4, 4.1)),
                        new Phrases.Levels(-80, -50, -20));
        Phrases some = all.within(new Span(2, 4));
        assertThat(some.spans()).containsExactly(new Span(2, 3));
        assertThat(some.innerGaps()).isEmpty();
        assertThat(all.within(new Span(0.5, 4.5)).innerGaps()).hasSize(2);
        assertThat(all.within(new Span(0.5, 4.5)).sure()).isTrue();
        assertThat(all.inRoom().within(new Span(0.5, 4.5)).sure()).isFalse();
        assertThat(Phrases.at(all.spans()).sure()).isTrue();
    }

    /** A level of so many hundredths of a second, as amplitudes. */
    private static Silhouette silhouette(double... amplitudes) {
        float[] x = new float[amplitudes.length * 80];
        for (int i = 0; i < x.length; i++) {
            x[i] = (float) (i % 2 == 0 ? amplitudes[i / 80] : -amplitudes[i / 80]);
        }
        return Silhouette.of(Audio.of(RATE, x));
    }

    @Test
    void powerIsThatOfTheStepsItTouches() {
        Silhouette s = silhouette(0.5, 0.1, 0.1, 0);
        assertThat(s.power(0, 0.01)).isCloseTo(0.25, within(1e-6));
        assertThat(s.power(0.005, 0.015)).isCloseTo((0.25 + 0.01) / 2, within(1e-6));
        assertThat(s.power(0, 0.04)).isCloseTo((0.25 + 0.02) / 4, within(1e-6));
        assertThat(s.power(0.02, 0.02)).isZero();
        assertThat(s.power(1, 2)).isZero();
    }

    private static List<Double> dips(int... at) {
        double[] amplitudes = new double[101];
        Arrays.fill(amplitudes, 0.3);
        for (int i : at) {
            Arrays.fill(amplitudes, i - 1, i + 2, 0.01);
        }
        return Syllables.dips(silhouette(amplitudes), new Span(0, 1));
    }

    @Test
    void aPhraseDipsWhereItIsLeastAndNotAtItsEdges() {
        assertThat(dips(50)).hasSize(1);
        assertThat(dips(50).getFirst()).isCloseTo(0.505, within(1e-9));
        assertThat(dips(30, 60)).hasSize(2);
        assertThat(dips(60, 30).getFirst()).isCloseTo(0.305, within(1e-9));
        assertThat(dips(8)).hasSize(1);
        assertThat(dips(7)).isEmpty();
        assertThat(dips(92)).hasSize(1);
        assertThat(dips(93)).isEmpty();
        // Two that follow within 80 ms are one.
        assertThat(dips(50, 55)).hasSize(1);
        assertThat(dips(50, 55).getFirst()).isCloseTo(0.505, within(1e-9));
    }

    /** A voice at -20 dB for 0.6 s that drops and rings on, one level for each hundredth. */
    private static boolean[] rung(double dropDb, double perFrame, int frames, double overLimit) {
        double[] levels = new double[120];
        double[] limits = new double[120];
        boolean[] sounds = new boolean[120];
        Arrays.fill(levels, -90);
        Arrays.fill(levels, 0, 60, -20);
        Arrays.fill(sounds, 0, 60 + frames, true);
        for (int i = 0; i < frames; i++) {
            levels[60 + i] = -20 - dropDb - perFrame * i;
        }
        Arrays.fill(limits, levels[60 + frames - 1] - overLimit);
        RoomTails.silence(levels, limits, -85, sounds, 0.01);
        return sounds;
    }

    private static int lasts(boolean[] sounds) {
        int last = 0;
        while (last < sounds.length && sounds[last]) {
            last++;
        }
        return last;
    }

    @Test
    void aVoiceEndsWhereItDropsAndOnlyFalls() {
        assertThat(lasts(rung(10, 1, 20, 1))).isBetween(60, 61);
        // A drop of less than 3.5 dB is the voice's own.
        assertThat(lasts(rung(2, 0.2, 20, 1))).isEqualTo(80);
        // What stops in the middle, 4 dB over where it would not be heard, has no tail.
        assertThat(lasts(rung(10, 1, 20, 3.9))).isBetween(60, 61);
        assertThat(lasts(rung(10, 1, 20, 4.1))).isEqualTo(80);
    }

    @Test
    void whatBeginsAnewWithinATailEndsIt() {
        double[] levels = new double[160];
        double[] limits = new double[160];
        boolean[] sounds = new boolean[160];
        Arrays.fill(levels, -20);
        Arrays.fill(limits, -70);
        Arrays.fill(sounds, true);
        for (int i = 60; i < 100; i++) {
            levels[i] = -30 - 0.5 * (i - 60);
        }
        RoomTails.silence(levels, limits, -85, sounds, 0.01);
        for (int i = 0; i < 160; i++) {
            assertThat(sounds[i]).as("frame %d", i).isEqualTo(i < 60 || i >= 100);
        }
        // Of 0.2 s it could be a soft word.
        Arrays.fill(sounds, true);
        Arrays.fill(levels, 60, 80, -20);
        RoomTails.silence(levels, limits, -85, sounds, 0.01);
        assertThat(lasts(sounds)).isEqualTo(160);
    }

    private static List<Hits.Hit> events(double... peaks) {
        List<Hits.Hit> events = new ArrayList<>();
        for (int i = 0; i < peaks.length; i++) {
            events.add(new Hits.Hit(i, peaks[i], peaks[i] - 10));
        }
        return events;
    }

    @Test
    void hitsArePartedFromBleedByAValleyOfSixDecibels() {
        Hits parted = HitFinder.split(events(-40, -10, -38, -12, -11));
        assertThat(parted.hits().stream().map(Hits.Hit::peakDb))
                .containsExactly(-10.0, -12.0, -11.0);
        assertThat(parted.bleed().stream().map(Hits.Hit::peakDb)).containsExactly(-40.0, -38.0);
        assertThat(HitFinder.split(events(-18, -12, -12)).bleed()).hasSize(1);
        assertThat(HitFinder.split(events(-17.9, -12, -12)).bleed()).isEmpty();
        // Three levels: the wider of the two steps parts two of them from the third.
        assertThat(HitFinder.split(events(-60, -30, -28, -20, -19)).hits()).hasSize(4);
        assertThat(HitFinder.split(events()).hits()).isEmpty();
    }

    @Test
    void aStrokeIsAsStrongAsItsFirstTwentiethOfASecond() {
        float[] x = new float[48000];
        for (int i = 24000; i < 48000; i++) {
            double t = (i - 24000) / 48000.0;
            x[i] = (float) (i % 2 == 0 ? Math.exp(-t / 0.05) : -Math.exp(-t / 0.05)) * 0.5f;
        }
        Hits.Hit hit = HitFinder.find(Signals.mono(48000, x)).hits().getFirst();
        assertThat(hit.seconds()).isCloseTo(0.5, within(0.002));
        assertThat(hit.peakDb()).isCloseTo(20 * Math.log10(0.5), within(0.01));
        // The mean of 0.25 e^(-2t/0.05) over 50 ms, in both channels.
        double mean = 0.25 * 0.025 / 0.05 * (1 - Math.exp(-2));
        double both = Signals.mono(48000, x).channelCount() * mean;
        assertThat(hit.energyDb()).isCloseTo(10 * Math.log10(both), within(0.4));
    }

    @Test
    void anEventHasTheShapeOfTheBandsThatRise() {
        // Frames of 512 at 48 kHz have lines 93.75 Hz apart; by steps of 1.3 these edges follow.
        int[] edges = {
            1, 2, 3, 4, 5, 7, 9, 11, 14, 18, 24, 31, 40, 52, 67, 87, 113, 147, 191, 248, 256
        };
        for (int line : new int[] {1, 6, 20, 45, 100, 200, 252}) {
            float[] x = new float[48000];
            for (int i = 24000; i < x.length; i++) {
                x[i] = (float) (0.1 * Math.sin(2 * Math.PI * line * i / 512));
            }
            double[] risen = OnsetBands.of(Signals.mono(48000, x)).shape(0.5);
            assertThat(risen).hasSize(edges.length - 1);
            int loudest = 0;
            for (int b = 1; b < risen.length; b++) {
                loudest = risen[b] > risen[loudest] ? b : loudest;
            }
            assertThat(line).isBetween(edges[loudest], edges[loudest + 1] - 1);
            assertThat(risen[loudest]).isGreaterThan(-3);
        }
    }

    @Test
    void aRiseIsTheMeanOverAllBands() {
        float[] x = new float[48000];
        SplittableRandom random = new SplittableRandom(4);
        for (int i = 0; i < x.length; i++) {
            x[i] = (float) ((i < 24000 ? 0.01 : 0.1) * random.nextGaussian());
        }
        double[] rises = OnsetBands.of(Signals.mono(48000, x)).rises();
        double most = Arrays.stream(rises, 150, 250).max().orElse(0);
        // Twenty decibels, less what chance had raised before.
        assertThat(most).isBetween(12.0, 20.0);
        assertThat(rises.length).isEqualTo(400);
        double still = 0;
        for (int f = 20; f < 180; f++) {
            still = Math.max(still, rises[f]);
        }
        assertThat(still).isLessThan(3);
    }

    @Test
    void whatIsSharedIsCountedInBothChannels() {
        SplittableRandom random = new SplittableRandom(7);
        float[] left = new float[96000];
        float[] right = new float[96000];
        for (int i = 0; i < left.length; i++) {
            left[i] = (float) (0.1 * random.nextGaussian());
            right[i] = (float) (0.1 * random.nextGaussian());
        }
        Audio both = Audio.of(48000, left, right);
        Audio other = Audio.of(48000, left, new float[left.length]);
        assertThat(LineUp.of(both, both).orElseThrow().sharedShare()).isCloseTo(1, within(1e-6));
        // Folded, left is half of left plus right in power.
        assertThat(LineUp.of(both, other).orElseThrow().sharedShare()).isCloseTo(0.5, within(0.02));
    }

    /** A tail that flickers under its limit before it ends is one tail. */
    @Test
    void breaksInATailDoNotPartIt() {
        double[] levels = new double[160];
        double[] limits = new double[160];
        boolean[] sounds = new boolean[160];
        Arrays.fill(levels, 0, 60, -20);
        Arrays.fill(limits, -50);
        for (int i = 60; i < 160; i++) {
            levels[i] = -30 - 0.4 * (i - 60);
        }
        Arrays.fill(sounds, 0, 114, true);
        Arrays.fill(sounds, 101, 106, false);
        boolean[] rings = RoomTails.silence(levels, limits, -90, sounds, 0.01);
        assertThat(lasts(sounds)).isBetween(60, 61);
        for (int i = 61; i < 160; i++) {
            assertThat(sounds[i]).as("frame %d", i).isFalse();
            assertThat(rings[i]).as("frame %d", i).isTrue();
        }
        assertThat(rings[59]).isFalse();
    }
}
