package orbispace.core.dynamics;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import orbispace.core.Signals;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class DriveCurveTest {
    private static final double RATE = 48000;

    private static double level(float[] x, double hz) {
        double re = 0;
        double im = 0;
        for (int i = 0; i < 9600; i++) {
            double w = 0.5 - 0.5 * Math.cos(2 * Math.PI * i / 9600);
            re += w * x[12000 + i] * Math.cos(2 * Math.PI * hz * i / RATE);
            im += w * x[12000 + i] * Math.sin(2 * Math.PI * hz * i / RATE);
        }
        return 20 * Math.log10(Math.hypot(re, im) + 1e-12);
    }

    private static float[] driven(double hz, double amplitude, double db, DriveCurve curve) {
        float[] x = Signals.sine(hz, amplitude, 0.6, RATE);
        new Drive(db, curve, RATE).process(x, x.clone(), 0, x.length);
        return x;
    }

    @ParameterizedTest
    @EnumSource(DriveCurve.class)
    void harmonicsAreThoseThatAreTold(DriveCurve curve) {
        double amplitude = Math.pow(10, -15 / 20.0);
        for (double db : new double[] {6, 18, 30}) {
            float[] x = driven(1000, amplitude, db, curve);
            List<Double> told = curve.harmonicsDb(db, 8);
            for (int h = 2; h < 10; h++) {
                double is = level(x, 1000.0 * h) - level(x, 1000);
                if (told.get(h - 2) > -70) {
                    assertThat(is)
                            .as("%s %.0f dB, %d", curve, db, h)
                            .isCloseTo(told.get(h - 2), within(0.3));
                } else {
                    assertThat(is).isLessThan(-65);
                }
            }
            // As loud as it was, and nothing that does not move.
            double in = 0;
            double out = 0;
            double mean = 0;
            for (int i = 12000; i < 21600; i++) {
                double s = amplitude * Math.sin(2 * Math.PI * 1000 * i / RATE);
                in += s * s;
                out += x[i] * (double) x[i];
                mean += x[i] / 9600.0;
            }
            assertThat(10 * Math.log10(out / in)).isCloseTo(0, within(0.25));
            assertThat(Math.abs(mean)).isLessThan(1e-3);
        }
    }

    @Test
    void evenHarmonicsComeOfAsymmetryAndHighOnesOfHardness() {
        assertThat(DriveCurve.SOFT.harmonicsDb(18, 2).getFirst()).isLessThan(-100);
        assertThat(DriveCurve.HARD.harmonicsDb(18, 2).getFirst()).isLessThan(-100);
        assertThat(DriveCurve.ASYMMETRIC.harmonicsDb(18, 2).getFirst()).isGreaterThan(-25);
        assertThat(DriveCurve.HARD.harmonicsDb(24, 8).get(7))
                .isLessThan(DriveCurve.HARD.harmonicsDb(24, 8).get(1));
        double softNinth = DriveCurve.SOFT.harmonicsDb(18, 8).get(7);
        double hardNinth = DriveCurve.HARD.harmonicsDb(18, 8).get(7);
        assertThat(hardNinth).isGreaterThan(softNinth + 6);
        // Under its knee a hard curve does nothing at all.
        assertThat(DriveCurve.HARD.harmonicsDb(6, 8)).allMatch(h -> h < -100);
    }

    @ParameterizedTest
    @EnumSource(DriveCurve.class)
    void aLoudTreblePushedHardFoldsLittleBack(DriveCurve curve) {
        float[] x = driven(15000, 1, 24, curve);
        for (double hz = 300; hz < 14500; hz += 300) {
            assertThat(level(x, hz)).as("%.0f Hz", hz).isLessThan(level(x, 15000) - 60);
        }
    }

    @Test
    void anotherCurveIsGoneOverToWithoutAStep() {
        float[] x = Signals.sine(200, 0.2, 0.6, RATE);
        Drive drive = new Drive(18, DriveCurve.SOFT, RATE);
        drive.process(x, x.clone(), 0, 14400);
        drive.apply(18, DriveCurve.HARD);
        drive.process(x, x.clone(), 14400, x.length);
        float[] hard = driven(200, 0.2, 18, DriveCurve.HARD);
        double most = 0;
        for (int i = 14000; i < 17000; i++) {
            most = Math.max(most, Math.abs(x[i] - 2.0 * x[i - 1] + x[i - 2]));
        }
        double usual = 0;
        for (int i = 20000; i < 24000; i++) {
            usual = Math.max(usual, Math.abs(hard[i] - 2.0 * hard[i - 1] + hard[i - 2]));
        }
        assertThat(most).isLessThan(2 * usual);
        for (int i = 24000; i < 28000; i++) {
            assertThat((double) x[i]).isCloseTo(hard[i], within(2e-3));
        }
    }
}
