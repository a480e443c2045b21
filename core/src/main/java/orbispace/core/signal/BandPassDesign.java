package orbispace.core.signal;

import java.util.ArrayList;
import java.util.List;

/** Butterworth band-pass by the low-pass to band-pass transform and the bilinear transform. */
final class BandPassDesign {
    private BandPassDesign() {}

    static List<Biquad> design(double lowHz, double highHz, int order, double sampleRateHz) {
        if (!(lowHz > 0 && lowHz < highHz)) {
            throw new IllegalArgumentException("band " + lowHz + " to " + highHz + " Hz is empty");
        }
        double high = Math.min(highHz, 0.49 * sampleRateHz);
        double w1 = 2 * Math.tan(Math.PI * lowHz / sampleRateHz);
        double w2 = 2 * Math.tan(Math.PI * high / sampleRateHz);
        double centre = Math.sqrt(w1 * w2);
        double width = w2 - w1;
        List<Biquad> sections = new ArrayList<>();
        for (int i = 0; i < order; i++) {
            double theta = Math.PI * (2 * i + 1 + order) / (2.0 * order);
            if (Math.sin(theta) < -1e-12) {
                continue;
            }
            addPoles(sections, Math.cos(theta), Math.sin(theta), centre, width);
        }
        double middleHz = sampleRateHz / Math.PI * Math.atan(centre / 2);
        double gainDb =
                FilterDesign.magnitudeDb(sections, middleHz, sampleRateHz) / sections.size();
        return sections.stream().map(s -> s.scaled(Math.pow(10, -gainDb / 20))).toList();
    }

    /** The two band-pass poles of a prototype pole p: roots of s^2 - p width s + centre^2. */
    private static void addPoles(
            List<Biquad> sections, double pr, double pi, double centre, double width) {
        double hr = pr * width / 2;
        double hi = pi * width / 2;
        double dr = hr * hr - hi * hi - centre * centre;
        double di = 2 * hr * hi;
        double m = Math.hypot(dr, di);
        double sr = Math.sqrt((m + dr) / 2);
        double si = Math.copySign(Math.sqrt((m - dr) / 2), di == 0 ? 1 : di);
        if (Math.abs(pi) > 1e-12) {
            sections.add(section(hr + sr, hi + si, hr + sr, -(hi + si)));
            sections.add(section(hr - sr, hi - si, hr - sr, -(hi - si)));
        } else {
            sections.add(section(hr + sr, hi + si, hr - sr, hi - si));
        }
    }

    /**
     * A section from two analogue poles (both real, or conjugate), with zeros at 0 Hz and Nyquist.
     */
    private static Biquad section(double ar, double ai, double br, double bi) {
        double[] p = bilinear(ar, ai);
        double[] q = bilinear(br, bi);
        return new Biquad(1, 0, -1, -(p[0] + q[0]), p[0] * q[0] - p[1] * q[1]);
    }

    private static double[] bilinear(double re, double im) {
        double nr = 2 + re;
        double dr = 2 - re;
        double d = dr * dr + im * im;
        return new double[] {(nr * dr - im * im) / d, (im * dr + nr * im) / d};
    }
}
