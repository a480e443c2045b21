package orbispace.core.render;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;

/** What is heard elsewhere, by the definitions of the models. */
class EarPlaceTest {
    private static final double RATE = 48000;
    private static final int FRAMES = 48000;
    private static final int BLOCK = 512;

    private static final class Sound {
        private final float[] left;
        private final float[] right;

        Sound(float[] left, float[] right) {
            this.left = left;
            this.right = right;
        }
    }

    private static Sound through(HeardThrough through, HeardBand band, Sound in) {
        EarPlace place = new EarPlace(RATE, BLOCK);
        place.set(through, band);
        float[] settle = new float[BLOCK];
        for (int i = 0; i < 10; i++) {
            place.process(settle, settle.clone(), BLOCK);
        }
        return run(place, in);
    }

    private static Sound run(EarPlace place, Sound in) {
        Sound out = new Sound(new float[FRAMES], new float[FRAMES]);
        float[] l = new float[BLOCK];
        float[] r = new float[BLOCK];
        for (int at = 0; at < FRAMES; at += BLOCK) {
            int n = Math.min(BLOCK, FRAMES - at);
            System.arraycopy(in.left, at, l, 0, n);
            System.arraycopy(in.right, at, r, 0, n);
            place.process(l, r, n);
            System.arraycopy(l, 0, out.left, at, n);
            System.arraycopy(r, 0, out.right, at, n);
        }
        return out;
    }

    private static float[] tone(double hz) {
        float[] x = new float[FRAMES];
        for (int i = 0; i < FRAMES; i++) {
            x[i] = (float) Math.sin(2 * Math.PI * hz * i / RATE);
        }
        return x;
    }

    private static float[] impulse() {
        float[] x = new float[FRAMES];
        x[0] = 1;
        return x;
    }

    private static double db(float[] x) {
        double sum = 0;
        for (int i = FRAMES / 2; i < FRAMES; i++) {
            sum += 2.0 * x[i] * x[i] / (FRAMES / 2);
        }
        return 10 * Math.log10(sum + 1e-30);
    }

    private static double gainDb(HeardThrough through, HeardBand band, double hz) {
        return db(through(through, band, new Sound(tone(hz), tone(hz))).left);
    }

    @Test
    void headphonesChangeNothing() {
        Sound in = new Sound(tone(440), tone(1000));
        Sound out = through(HeardThrough.HEADPHONES, HeardBand.ALL, in);
        assertThat(out.left).isEqualTo(in.left);
        assertThat(out.right).isEqualTo(in.right);
    }

    @Test
    void aSmallLoudspeakerIsOneAndHasNeitherLowsNorHighs() {
        assertThat(gainDb(HeardThrough.SMALL_SPEAKER, HeardBand.ALL, 250))
                .isCloseTo(-3.01, within(0.1));
        assertThat(gainDb(HeardThrough.SMALL_SPEAKER, HeardBand.ALL, 6000))
                .isCloseTo(-3.01, within(0.1));
        assertThat(gainDb(HeardThrough.SMALL_SPEAKER, HeardBand.ALL, 60)).isLessThan(-23);
        assertThat(gainDb(HeardThrough.SMALL_SPEAKER, HeardBand.ALL, 1200))
                .isCloseTo(0, within(0.1));
        float[] x = tone(1000);
        float[] against = x.clone();
        for (int i = 0; i < x.length; i++) {
            against[i] = -x[i];
        }
        Sound none = through(HeardThrough.SMALL_SPEAKER, HeardBand.ALL, new Sound(x, against));
        assertThat(db(none.left)).isLessThan(-100);
    }

    @Test
    void fromTheSideTheFarLoudspeakerIsSofterAndLater() {
        Sound out = through(HeardThrough.SIDE_SEAT, HeardBand.ALL, new Sound(impulse(), impulse()));
        assertThat(out.left[0]).isEqualTo(1);
        int late = (int) Math.round(0.0006 * RATE);
        assertThat(out.right[late]).isCloseTo(0.5f, within(1e-6f));
        assertThat(out.right[0]).isZero();
    }

    @Test
    void loudspeakersReachBothEarsTheFarOneLaterAndDuller() {
        Sound out =
                through(
                        HeardThrough.LOUDSPEAKERS,
                        HeardBand.ALL,
                        new Sound(impulse(), new float[FRAMES]));
        int apart = (int) Math.round(0.0875 / 343 * (Math.PI / 6 + 0.5) * RATE);
        int first = 0;
        while (Math.abs(out.right[first]) < 1e-6) {
            first++;
        }
        assertThat(first).isEqualTo(apart);
        assertThat(Math.abs(out.left[0])).isGreaterThan(2 * Math.abs(out.right[apart]));
        // The low end of what stands in the middle stays, within what the room adds.
        assertThat(gainDb(HeardThrough.LOUDSPEAKERS, HeardBand.ALL, 40)).isCloseTo(0, within(4.5));
        // One side alone: the near ear's rise and the far ear's fall of the model, at 8 kHz.
        Sound high =
                through(
                        HeardThrough.LOUDSPEAKERS,
                        HeardBand.ALL,
                        new Sound(tone(8000), new float[FRAMES]));
        assertThat(db(high.left)).isCloseTo(headDb(60, 8000), within(1.0));
        assertThat(db(high.right)).isCloseTo(headDb(120, 8000), within(1.6));
    }

    /** Half of the response of the model of the head, by its definition. */
    private static double headDb(double degrees, double hz) {
        double alpha = 1.05 + 0.95 * Math.cos(Math.toRadians(degrees / 150 * 180));
        double x = 2 * Math.PI * hz * 0.0875 / 343 / 2;
        double power = (1 + alpha * alpha * x * x) / (1 + x * x);
        return 10 * Math.log10(power) - 20 * Math.log10(2);
    }

    @Test
    void aBandIsHeardAloneBetweenItsCorners() {
        for (HeardBand band : HeardBand.values()) {
            for (double hz : new double[] {75, 300, 1350, 6000}) {
                double db = gainDb(HeardThrough.HEADPHONES, band, hz);
                boolean inside =
                        switch (band) {
                            case ALL -> true;
                            case LOW -> hz < 100;
                            case LOW_MID -> hz > 200 && hz < 400;
                            case HIGH_MID -> hz > 1000 && hz < 2000;
                            case HIGH -> hz > 4000;
                        };
                if (inside) {
                    assertThat(db).as("%s at %.0f", band, hz).isBetween(-0.4, 0.1);
                } else {
                    assertThat(db).as("%s at %.0f", band, hz).isLessThan(-20);
                }
            }
        }
        assertThat(gainDb(HeardThrough.HEADPHONES, HeardBand.HIGH, 3000))
                .isCloseTo(-3.01, within(0.1));
    }

    @Test
    void aChangeIsFadedAndTheEndIsThatOfTheOtherPlace() {
        EarPlace place = new EarPlace(RATE, BLOCK);
        float[] x = tone(220);
        float[] l = new float[BLOCK];
        float[] r = new float[BLOCK];
        float last = 0;
        double steepest = 0;
        List<HeardThrough> all = List.of(HeardThrough.values());
        List<HeardBand> bands = List.of(HeardBand.values());
        for (int at = 0; at + BLOCK <= FRAMES; at += BLOCK) {
            place.set(
                    all.get(at / BLOCK / 7 % all.size()),
                    bands.get(at / BLOCK / 11 % bands.size()));
            System.arraycopy(x, at, l, 0, BLOCK);
            System.arraycopy(x, at, r, 0, BLOCK);
            place.process(l, r, BLOCK);
            for (float s : l) {
                steepest = Math.max(steepest, Math.abs(s - last));
                last = s;
            }
        }
        double own = 2 * Math.PI * 220 / RATE;
        assertThat(steepest).isLessThan(2 * own);
    }
}
