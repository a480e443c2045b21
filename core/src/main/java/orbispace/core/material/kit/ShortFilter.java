package orbispace.core.material.kit;

import java.util.Arrays;
import orbispace.core.signal.Fft;

/**
 * How one microphone hears what another hears, learnt from stretches of both: the filter of 13.5 ms
 * about the loudest delay that leaves the least of what is heard (least squares, Levinson 1947).
 */
final class ShortFilter {
    private static final double BEFORE_SECONDS = 0.0015;
    private static final double SECONDS = 0.0135;
    private static final double MOST_DELAY_SECONDS = 0.03;

    /** Bins so far under the loudest say nothing about the delay. */
    private static final double LEAST_SHARE = 1e-4;

    /** Noise that is added to the known sound, so that what it hardly holds stays untold. */
    private static final double LOADING = 1e-4;

    private final double rate;
    private final Fft fft;
    private final int length;
    private final double[] cross;
    private final double[] power;

    /** Knows nothing yet of sounds that are given as so many samples. */
    ShortFilter(double rate, Fft fft) {
        this.rate = rate;
        this.fft = fft;
        length = fft.length();
        cross = new double[length];
        power = new double[length / 2];
    }

    /** Takes the spectra of a stretch as it is heard and as it is known. */
    void add(double[] heard, double[] known) {
        for (int k = 1; k < length / 2; k++) {
            int re = 2 * k;
            int im = re + 1;
            cross[re] += known[re] * heard[re] + known[im] * heard[im];
            cross[im] += known[re] * heard[im] - known[im] * heard[re];
            power[k] += known[re] * known[re] + known[im] * known[im];
        }
    }

    /** The spectrum of the filter. */
    double[] spectrum() {
        int first = loudestDelay() - (int) (BEFORE_SECONDS * rate);
        double[] auto = new double[length];
        for (int k = 1; k < length / 2; k++) {
            auto[2 * k] = power[k];
        }
        fft.inverse(auto);
        double[] common = cross.clone();
        fft.inverse(common);
        int taps = (int) (SECONDS * rate);
        double[] row = Arrays.copyOf(auto, taps);
        row[0] *= 1 + LOADING;
        double[] wanted = new double[taps];
        for (int i = 0; i < taps; i++) {
            wanted[i] = common[Math.floorMod(first + i, length)];
        }
        double[] solved = levinson(row, wanted);
        double[] filter = new double[length];
        for (int i = 0; i < taps; i++) {
            filter[Math.floorMod(first + i, length)] = solved[i];
        }
        fft.forward(filter);
        return filter;
    }

    private int loudestDelay() {
        double most = 0;
        for (double p : power) {
            most = Math.max(most, p);
        }
        double[] answer = cross.clone();
        for (int k = 1; k < length / 2; k++) {
            double scale = 1 / (power[k] + LEAST_SHARE * most);
            answer[2 * k] *= scale;
            answer[2 * k + 1] *= scale;
        }
        fft.inverse(answer);
        int reach = (int) (MOST_DELAY_SECONDS * rate);
        int peak = 0;
        for (int d = -reach; d <= reach; d++) {
            if (Math.abs(answer[Math.floorMod(d, length)])
                    > Math.abs(answer[Math.floorMod(peak, length)])) {
                peak = d;
            }
        }
        return peak;
    }

    /** Solves a symmetric Toeplitz system by its first row (Levinson 1947). */
    static double[] levinson(double[] row, double[] wanted) {
        int n = row.length;
        double[] solution = new double[n];
        double[] ahead = new double[n];
        double[] back = new double[n];
        ahead[0] = 1;
        double error = row[0];
        solution[0] = error == 0 ? 0 : wanted[0] / error;
        for (int m = 1; m < n && error > 0; m++) {
            double miss = 0;
            for (int i = 0; i < m; i++) {
                miss += ahead[i] * row[m - i];
            }
            double reflection = -miss / error;
            for (int i = 0; i <= m; i++) {
                back[i] = ahead[m - i];
            }
            for (int i = 0; i <= m; i++) {
                ahead[i] += reflection * back[i];
            }
            error *= 1 - reflection * reflection;
            double lacks = wanted[m];
            for (int i = 0; i < m; i++) {
                lacks -= solution[i] * row[m - i];
            }
            double step = error > 0 ? lacks / error : 0;
            for (int i = 0; i <= m; i++) {
                solution[i] += step * ahead[m - i];
            }
        }
        return solution;
    }
}
