package orbispace.core.measure;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import orbispace.core.audio.Audio;

/** Width and mono by a second way: a transform of its own, cells that are sorted, plain sums. */
public final class SortedCells {
    private static final int LENGTH = 4096;

    private final List<Cell> cells = new ArrayList<>();

    /** A bin of a frame: powers left, right and of both in one. */
    private record Cell(double hz, double left, double right, double mono) {
        double power() {
            return left + right;
        }

        /** Constant power: left is the cosine, right the sine of an angle from 0 to 90 degrees. */
        double bearing() {
            return 2 * Math.toDegrees(Math.atan2(Math.sqrt(right), Math.sqrt(left))) - 90;
        }
    }

    /** Takes all of a sound of two channels. */
    public static SortedCells of(Audio audio) {
        SortedCells all = new SortedCells();
        for (int start = 0; start < audio.frames(); start += LENGTH / 2) {
            double[][] l = spectrum(audio.channel(0), start);
            double[][] r = spectrum(audio.channel(1), start);
            for (int k = 1; k < LENGTH / 2; k++) {
                double re = l[0][k] + r[0][k];
                double im = l[1][k] + r[1][k];
                all.cells.add(
                        new Cell(
                                k * audio.sampleRateHz() / LENGTH,
                                l[0][k] * l[0][k] + l[1][k] * l[1][k],
                                r[0][k] * r[0][k] + r[1][k] * r[1][k],
                                (re * re + im * im) / 2));
            }
        }
        return all;
    }

    private static double[][] spectrum(float[] x, int start) {
        double[] re = new double[LENGTH];
        double[] im = new double[LENGTH];
        for (int i = 0; i < LENGTH && start + i < x.length; i++) {
            re[i] = (0.5 - 0.5 * Math.cos(2 * Math.PI * i / LENGTH)) * x[start + i];
        }
        transform(re, im);
        return new double[][] {re, im};
    }

    /** Halving by even and odd samples. */
    private static void transform(double[] re, double[] im) {
        int n = re.length;
        if (n == 1) {
            return;
        }
        double[][] part = new double[4][n / 2];
        for (int i = 0; i < n / 2; i++) {
            part[0][i] = re[2 * i];
            part[1][i] = im[2 * i];
            part[2][i] = re[2 * i + 1];
            part[3][i] = im[2 * i + 1];
        }
        transform(part[0], part[1]);
        transform(part[2], part[3]);
        for (int k = 0; k < n / 2; k++) {
            double c = Math.cos(2 * Math.PI * k / n);
            double s = -Math.sin(2 * Math.PI * k / n);
            double a = c * part[2][k] - s * part[3][k];
            double b = s * part[2][k] + c * part[3][k];
            re[k] = part[0][k] + a;
            im[k] = part[1][k] + b;
            re[k + n / 2] = part[0][k] - a;
            im[k + n / 2] = part[1][k] - b;
        }
    }

    private List<Cell> between(double low, double high) {
        return cells.stream().filter(c -> c.hz >= low && c.hz < high).toList();
    }

    private List<Cell> octave(double centre) {
        return between(centre / Math.sqrt(2), centre * Math.sqrt(2));
    }

    double power(double centre) {
        return octave(centre).stream().mapToDouble(Cell::power).sum();
    }

    /** The angle within which the middle three quarters of the energy lie. */
    public double degrees(double centre) {
        List<Cell> sorted = new ArrayList<>(octave(centre));
        sorted.sort(Comparator.comparingDouble(Cell::bearing));
        double sum = power(centre);
        double passed = 0;
        double low = Double.NaN;
        double high = Double.NaN;
        for (Cell c : sorted) {
            passed += c.power();
            low = Double.isNaN(low) && passed >= 0.125 * sum ? c.bearing() : low;
            high = Double.isNaN(high) && passed >= 0.875 * sum ? c.bearing() : high;
        }
        return high - low;
    }

    double lossDb(double centre) {
        return loss(octave(centre));
    }

    private static double loss(List<Cell> of) {
        double power = of.stream().mapToDouble(Cell::power).sum();
        double mono = of.stream().mapToDouble(Cell::mono).sum();
        return 10 * Math.log10(power / mono);
    }

    /** The deepest loss of a twelfth of an octave whose middle lies in an octave. */
    double notchDb(double centre) {
        double deepest = 0;
        double step = Math.pow(2, 1 / 24.0);
        double perBin = cells.get(1).hz - cells.getFirst().hz;
        for (int b = 0; 50 * Math.pow(2, b / 12.0) <= 16000; b++) {
            double middle = 50 * Math.pow(2, b / 12.0);
            if (middle >= centre / Math.sqrt(2) && middle < centre * Math.sqrt(2)) {
                double from = Math.rint(middle / step / perBin) - 0.5;
                double to = Math.max(from + 1, Math.rint(middle * step / perBin) - 0.5);
                deepest = Math.max(deepest, loss(between(from * perBin, to * perBin)));
            }
        }
        return deepest;
    }
}
