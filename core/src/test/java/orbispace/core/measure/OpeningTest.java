package orbispace.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.OptionalDouble;
import orbispace.core.Signals;
import orbispace.core.audio.Audio;
import orbispace.core.audio.Decibels;
import orbispace.core.signal.Uneven;
import org.junit.jupiter.api.Test;

class OpeningTest {
    private static final double RATE = 48000;
    private static final double SECONDS = 12;

    private static final float[] MIDDLE = Signals.noise(0.02, 60, 15000, SECONDS, RATE, 1);
    private static final Audio BESIDE = Audio.of(RATE, MIDDLE, MIDDLE.clone());

    private static float[] later(float[] x, double millis) {
        float[] y = new float[x.length];
        int by = (int) (millis * RATE / 1000);
        System.arraycopy(x, 0, y, by, x.length - by);
        return y;
    }

    private static final Audio COPIES = Audio.of(RATE, later(MIDDLE, 17), later(MIDDLE, 26));

    private static Audio opener(double db) {
        return COPIES.scaled(Decibels.toAmplitude(db));
    }

    private static Opening opening(double db) {
        return Opening.of(BESIDE.plus(opener(db), 1), opener(db), 0, BESIDE.frames());
    }

    @Test
    void whatAFewCellsSayIsWhatAllSayAtAnyLevel() {
        for (double db : new double[] {-20, -12, -6}) {
            Widening all = WidthReport.of(BESIDE.plus(opener(db), 1)).over(WidthReport.of(BESIDE));
            Widening few = opening(-12).at(db + 12);
            assertThat(few.gains()).hasSameSizeAs(all.gains());
            // The highest octave holds but the skirts of this noise.
            for (int b = 1; b < all.gains().size() - 1; b++) {
                double degrees = all.gains().get(b).degrees().orElseThrow();
                assertThat(few.gains().get(b).degrees().orElseThrow())
                        .as("octave %d at %.0f dB", b, db)
                        .isCloseTo(degrees, within(Math.max(0.7, 0.08 * degrees)));
            }
            assertThat(few.degrees()).isCloseTo(all.degrees(), within(1.0));
        }
    }

    @Test
    void aStretchIsTakenByItself() {
        Audio late = Audio.of(RATE, new float[MIDDLE.length], new float[MIDDLE.length]);
        int half = MIDDLE.length / 2;
        System.arraycopy(COPIES.channel(0), half, late.channel(0), half, half);
        System.arraycopy(COPIES.channel(1), half, late.channel(1), half, half);
        Audio mix = BESIDE.plus(late, 1);
        assertThat(Opening.of(mix, late, 0, half - 4096).at(0).degrees()).isLessThan(0.1);
        assertThat(Opening.of(mix, late, half, 2 * half).at(0).degrees()).isGreaterThan(20);
    }

    @Test
    void itSaysWhereItIsWiderOrNarrower() {
        assertThat(widening(1, 9, 12, 2).words()).isEqualTo("9° wider, 125 Hz to 250 Hz");
        assertThat(widening(-4, -9, 0, 1).words()).isEqualTo("4° narrower, 63 Hz to 125 Hz");
        assertThat(widening(2.9, 2.9, 9).words()).isEmpty();
        assertThat(widening(9, -9, -8, 8).degrees()).isEqualTo(8);
        assertThat(Widening.NONE.degrees()).isZero();
    }

    private static Widening widening(double... degrees) {
        List<Widening.Gain> gains = new java.util.ArrayList<>();
        for (double d : degrees) {
            double hz = 62.5 * Math.pow(2, gains.size());
            gains.add(new Widening.Gain(hz, OptionalDouble.of(d)));
        }
        return new Widening(gains);
    }

    /** The price over level, against folding each level anew. */
    @Test
    void theCurveIsWhatEachLevelWouldMeasure() {
        WidthCurve curve = WidthCurve.of(BESIDE.plus(opener(-12), 1), opener(-12));
        MonoFold before = MonoFold.of(BESIDE);
        for (WidthCurve.Point p : curve.points()) {
            MonoFold then = MonoFold.of(BESIDE.plus(opener(p.db() - 12), 1));
            double more = then.wholeLossDb().orElseThrow() - before.wholeLossDb().orElseThrow();
            assertThat(p.monoDb()).isCloseTo(more, within(0.01));
            double deepest = 0;
            for (int b = 0; b < then.bands().size(); b++) {
                double was = before.bands().get(b).lossDb().orElse(0);
                deepest = Math.max(deepest, then.bands().get(b).lossDb().orElse(0) - was);
            }
            assertThat(p.notchDb()).isCloseTo(deepest, within(0.05));
            double louder = BESIDE.plus(opener(p.db() - 12), 1).meanSquare() / BESIDE.meanSquare();
            assertThat(p.louderDb()).isCloseTo(Decibels.ofPower(louder), within(0.05));
        }
        assertThat(curve.points().getFirst().db()).isEqualTo(-24);
        assertThat(curve.points().getLast().db()).isEqualTo(12);
    }

    @Test
    void theBestPlaceIsTheSoftestThatOpensAsFarAsMonoBears() {
        WidthCurve curve = WidthCurve.of(BESIDE.plus(opener(-12), 1), opener(-12));
        WidthCurve.Point best = curve.best().orElseThrow();
        assertThat(best.borne()).isTrue();
        assertThat(best.monoDb()).isLessThanOrEqualTo(0.5);
        assertThat(best.notchDb()).isLessThanOrEqualTo(3);
        assertThat(best.louderDb()).isLessThanOrEqualTo(1);
        for (WidthCurve.Point p : curve.points()) {
            if (p.monoDb() <= 0.5 && p.notchDb() <= 3 && p.louderDb() <= 1) {
                assertThat(p.opens().degrees()).isLessThan(best.opens().degrees() + 1.01);
            }
        }
        // The same on both sides opens nothing.
        Audio middle = Audio.of(RATE, later(MIDDLE, 17), later(MIDDLE, 17));
        assertThat(WidthCurve.of(BESIDE.plus(middle, 1), middle).best()).isEmpty();
    }

    @Test
    void whatMonoBearsAtAnyLevelEndsWhereItMakesTheWholeLouder() {
        float[] common = Signals.noise(0.02, 60, 15000, SECONDS, RATE, 5);
        float[] side = Signals.noise(0.006, 60, 15000, SECONDS, RATE, 6);
        Audio wide =
                Audio.of(
                        RATE,
                        Signals.sum(common, side),
                        Signals.sum(common, Signals.scaled(side, -1)));
        WidthCurve curve = WidthCurve.of(BESIDE.plus(wide, 1), wide);
        WidthCurve.Point best = curve.best().orElseThrow();
        assertThat(best.louderDb()).isLessThanOrEqualTo(1);
        assertThat(curve.points())
                .anyMatch(p ->
                        p.monoDb() <= 0.5
                                && p.notchDb() <= 3
                                && p.opens().degrees() > best.opens().degrees() + 1);
    }

    @Test
    void placesLieAllOverAndOffAnyGrid() {
        int[] places = Uneven.places(10000, 128);
        assertThat(places).hasSize(128).isSorted().doesNotHaveDuplicates();
        assertThat(places[0]).isLessThan(80);
        assertThat(places[127]).isBetween(9900, 9999);
        for (int beat : new int[] {7, 24, 48, 100}) {
            long on = java.util.Arrays.stream(places).filter(p -> p % beat < beat / 4.0).count();
            assertThat(on).as("every %d", beat).isBetween(16L, 50L);
        }
        assertThat(Uneven.places(3, 128)).containsExactly(0, 1, 2);
        assertThat(Uneven.places(0, 128)).isEmpty();
    }
}
