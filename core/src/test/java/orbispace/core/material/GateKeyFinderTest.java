package orbispace.core.material;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import orbispace.core.Signals;
import orbispace.core.audio.Audio;
import orbispace.core.audio.Decibels;
import orbispace.core.signal.Cascade;
import orbispace.core.signal.FilterDesign;
import org.junit.jupiter.api.Test;

/** Low hits and high bleed, as loud as each other in the plain sound. */
class GateKeyFinderTest {
    private static final double RATE = 24000;
    private static final int EVENTS = 12;

    private static double at(int event) {
        return 0.3 + 0.25 * event;
    }

    private static float[] bursts(double lowHz, double highHz, double bleedDb) {
        float[] x = new float[(int) (3.6 * RATE)];
        for (int n = 0; n < EVENTS; n++) {
            boolean hit = n % 2 == 0;
            double level = hit ? 0.5 + 0.005 * n : 0.5 * Math.pow(10, bleedDb / 20);
            int from = (int) Math.round(at(n) * RATE);
            for (int i = 0; i < 0.08 * RATE; i++) {
                double t = i / RATE;
                x[from + i] =
                        (float)
                                (level
                                        * Math.min(1, t / 0.004)
                                        * Math.exp(-t / 0.03)
                                        * Math.sin(2 * Math.PI * (hit ? lowHz : highHz) * t));
            }
        }
        return x;
    }

    /** All events as they would be found without a filter, hits and bleed of one peak. */
    private static Hits plain() {
        List<Hits.Hit> hits = new ArrayList<>();
        for (int n = 0; n < EVENTS; n++) {
            hits.add(new Hits.Hit(at(n), -7, n % 2 == 0 ? -20 : -22));
        }
        return new Hits(hits, List.of());
    }

    /** The peak of each event behind the key's filter, from 10 ms before it to 60 ms after. */
    private static double[] peaks(float[] stem, GateKey key) {
        float[] x = stem.clone();
        if (key.keyHighPassHz() > 0) {
            new Cascade(FilterDesign.highPass(key.keyHighPassHz(), 4, RATE))
                    .process(x, x.clone(), 0, x.length);
        }
        if (key.keyLowPassHz() > 0) {
            new Cascade(FilterDesign.lowPass(key.keyLowPassHz(), 4, RATE))
                    .process(x, x.clone(), 0, x.length);
        }
        double[] peaks = new double[EVENTS];
        for (int n = 0; n < EVENTS; n++) {
            int from = (int) ((at(n) - 0.01) * RATE);
            for (int i = from; i < from + 0.07 * RATE; i++) {
                peaks[n] = Math.max(peaks[n], Math.abs(x[i]));
            }
        }
        return peaks;
    }

    private static void isInTheMiddle(float[] stem, GateKey key) {
        double[] peaks = peaks(stem, key);
        double weakest = 1;
        double strongest = 0;
        for (int n = 0; n < EVENTS; n++) {
            weakest = n % 2 == 0 ? Math.min(weakest, peaks[n]) : weakest;
            strongest = n % 2 == 1 ? Math.max(strongest, peaks[n]) : strongest;
        }
        double apart = Decibels.ofAmplitude(weakest) - Decibels.ofAmplitude(strongest);
        assertThat(key.separationDb()).isCloseTo(apart, within(0.1));
        assertThat(key.hysteresisDb()).isCloseTo(apart / 3, within(0.05));
        assertThat(key.thresholdDb())
                .isCloseTo(Decibels.ofAmplitude(weakest) - apart / 2, within(0.05));
        assertThat(key.events().hits()).hasSize(EVENTS / 2);
        assertThat(key.events().bleed()).hasSize(EVENTS / 2);
        assertThat(key.events().bleed().getFirst().seconds()).isEqualTo(at(1));
        assertThat(key.events().sure()).isTrue();
        assertThat(key.events().hits().getFirst().seconds()).isEqualTo(at(0));
        assertThat(key.events().hits().getFirst().peakDb()).isEqualTo(-7);
        assertThat(key.isPlain()).isFalse();
    }

    @Test
    void aLowKeyPartsLowHitsAndLiesInTheMiddleBetweenThemAndTheBleed() {
        float[] stem = bursts(150, 4000, 0);
        GateKey key = GateKeyFinder.find(Signals.mono(RATE, stem), plain()).orElseThrow();
        assertThat(key.keyLowPassHz()).isBetween(160.0, 630.0);
        isInTheMiddle(stem, key);
    }

    @Test
    void aHighKeyPartsHighHits() {
        float[] stem = bursts(4000, 150, -1);
        GateKey key = GateKeyFinder.find(Signals.mono(RATE, stem), plain()).orElseThrow();
        assertThat(key.keyHighPassHz()).isBetween(1250.0, 2500.0);
        isInTheMiddle(stem, key);
    }

    @Test
    void anOctaveBetweenLowAndHighBleedIsAKeyOfItsOwn() {
        float[] stem = bursts(3500, 900, 0);
        float[] high = bursts(3500, 9000, 0);
        for (int n = 1; n < EVENTS; n += 2) {
            int from = (int) (at(n) * RATE);
            for (int i = from; i < from + 0.1 * RATE; i++) {
                stem[i] += high[i];
            }
        }
        GateKey key = GateKeyFinder.find(Signals.mono(RATE, stem), plain()).orElseThrow();
        assertThat(key.keyHighPassHz()).isEqualTo(2500);
        assertThat(key.keyLowPassHz()).isEqualTo(5000);
        isInTheMiddle(stem, key);
    }

    @Test
    void hitsOnOneSideOrAgainstEachOtherAreKeyedByTheirSide() {
        float[] stem = bursts(150, 4000, 0);
        float[] inverted = stem.clone();
        for (int i = 0; i < inverted.length; i++) {
            inverted[i] = -inverted[i];
        }
        GateKey middle = GateKeyFinder.find(Signals.mono(RATE, stem), plain()).orElseThrow();
        GateKey side = GateKeyFinder.find(Audio.of(RATE, stem, inverted), plain()).orElseThrow();
        assertThat(side.thresholdDb()).isCloseTo(middle.thresholdDb(), within(1e-6));
        GateKey left =
                GateKeyFinder.find(Audio.of(RATE, stem, new float[stem.length]), plain())
                        .orElseThrow();
        assertThat(left.thresholdDb()).isCloseTo(middle.thresholdDb() - 6.02, within(0.01));
        assertThat(left.keyLowPassHz()).isEqualTo(middle.keyLowPassHz());
    }

    @Test
    void whatNoFilterPartsAndWhatIsAloneHasNoGate() {
        assertThat(GateKeyFinder.find(Signals.mono(RATE, bursts(300, 300, 0)), plain())).isEmpty();
        Hits one = new Hits(List.of(new Hits.Hit(at(0), -7, -20)), List.of());
        assertThat(GateKeyFinder.find(Signals.mono(RATE, bursts(150, 4000, 0)), one)).isEmpty();
    }

    @Test
    void bleedSixDecibelsUnderNeedsNoFilter() {
        Hits.Hit hit = new Hits.Hit(1, -10, -20);
        assertThat(keyOf(hit, -16).isPlain()).isTrue();
        assertThat(keyOf(hit, -16).thresholdDb()).isEqualTo(-13);
        assertThat(keyOf(hit, -16).hysteresisDb()).isEqualTo(2);
        assertThat(keyOf(hit, -30).separationDb()).isEqualTo(20);
    }

    private static GateKey keyOf(Hits.Hit hit, double bleedDb) {
        Hits hits = new Hits(List.of(hit), List.of(new Hits.Hit(2, bleedDb, -40)));
        return GateKeyFinder.find(Audio.silence(RATE, 1, 72000), hits).orElseThrow();
    }
}
