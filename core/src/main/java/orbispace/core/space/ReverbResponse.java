package orbispace.core.space;

import java.lang.ref.SoftReference;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import orbispace.core.signal.DcBlock;

/**
 * The impulse response of a reverb, grown from noise: echoes that become dense, then noise, each
 * band of which falls by its own decay time. So the tail has by construction the lines, the
 * smoothness and the decay of noise that falls.
 *
 * <p>What comes from the left is louder on the left at first, and the mirror image of what comes
 * from the right. The energy is 1 for a click in the middle. Where every band is 100 dB down it
 * fades to its end, and it holds no constant.
 */
final class ReverbResponse {
    private static final int BLOCK = 64;

    /** How much farther the walls of the second of two spaces are. */
    private static final double APART = 0.1;

    private static final double END_DB = 110;
    private static final double BURST_SECONDS = 0.008;
    private static final double BUILD_OF_DECAY = 8;
    private static final double BUILD_GROWTH = 1.5;
    private static final double FADE_FROM = 0.6;
    private static final double END_FADE_SHARE = 1 / 11.0;

    /**
     * The last ones, since the same is asked for by play, print and measures; they never change.
     */
    private static final Map<Key, SoftReference<Taps>> MADE = new LinkedHashMap<>(16, 0.75f, true);

    private static final int MOST_KEPT = 8;

    private record Key(ReverbSettings settings, double rate, int variant) {}

    private final ReverbSettings settings;
    private final ReverbKind.Start kind;
    private final double rate;
    private final ReverbStart start;
    private final ReverbNoise noise;
    private final float[][] paths;
    private final int variant;

    /** A band, or several that follow each other and decay alike. */
    private record Band(int first, int last, double decaySeconds) {
        /** By how much the amplitude falls with each frame, as a natural logarithm. */
        double fall(double rate) {
            return 3 * Math.log(10) / (decaySeconds * rate);
        }
    }

    private ReverbResponse(ReverbSettings s, double rate, int variant) {
        settings = s;
        kind = s.kind().start();
        this.rate = rate;
        this.variant = variant;
        start = new ReverbStart(s, rate);
        noise = ReverbNoise.of(s.kind(), rate);
        paths = new float[4][(int) Math.ceil(seconds(s) * rate)];
    }

    /** How long the response of a reverb is. */
    static double seconds(ReverbSettings s) {
        double longest = s.decaySeconds() * Math.max(1, Math.max(s.lowRatio(), s.highRatio()));
        return longest * END_DB / 60 + s.character().buildUpSeconds() * s.size() + 0.03;
    }

    /**
     * The four paths of a reverb at a rate.
     *
     * @param variant 0, or 1 for another space of the same kind, of which no sound is the same
     */
    static Taps of(ReverbSettings s, double rate, int variant) {
        ReverbSettings still =
                new ReverbSettings(
                        s.kind(),
                        s.decaySeconds(),
                        s.lowRatio(),
                        s.highRatio(),
                        s.size(),
                        s.character().withMovement(0));
        Key key = new Key(still, rate, variant);
        synchronized (MADE) {
            SoftReference<Taps> kept = MADE.get(key);
            Taps taps = kept == null ? null : kept.get();
            if (taps != null) {
                return taps;
            }
        }
        Taps taps = new Taps(new ReverbResponse(still, rate, variant).grow());
        synchronized (MADE) {
            MADE.put(key, new SoftReference<>(taps));
            if (MADE.size() > MOST_KEPT) {
                MADE.remove(MADE.keySet().iterator().next());
            }
        }
        return taps;
    }

    private float[][] grow() {
        List<Band> bands = bands();
        for (int p = 0; p < paths.length; p++) {
            begin(p, bands);
            goOn(p, bands);
        }
        ReverbSides sides = new ReverbSides(paths, rate);
        sides.share(kind.alike());
        sides.lean();
        for (ReverbWalls.Tap wall : ReverbWalls.of(settings, 1 + variant * APART)) {
            wall.add(paths, rate);
        }
        sides.mirror();
        finish();
        return paths;
    }

    private List<Band> bands() {
        List<Band> bands = new ArrayList<>();
        for (int b = 0; b < ReverbBands.COUNT; b++) {
            double decay = ReverbBands.decaySeconds(settings, b);
            Band last = bands.isEmpty() ? null : bands.getLast();
            if (last != null && last.decaySeconds == decay) {
                bands.set(bands.size() - 1, new Band(last.first, b, decay));
            } else {
                bands.add(new Band(b, b, decay));
            }
        }
        return bands;
    }

    /** Power of a band at a moment re its level, the fall left out. */
    private double power(Band band, double t) {
        double set = settings.character().buildUpSeconds() * settings.size();
        // A decay that is over soon leaves no time to build up.
        double build = set / (1 + BUILD_OF_DECAY * set / band.decaySeconds);
        double own = settings.kind().buildUpSeconds();
        double later = settings.character().buildUpSeconds();
        double first = kind.first() * Math.min(1, own / Math.max(1e-6, later));
        double built =
                build <= 0 ? 1 : 1 - (1 - first) * Math.exp(-Math.pow(t / build, BUILD_GROWTH));
        double burst = BURST_SECONDS * Math.sqrt(settings.size());
        return built * (1 + kind.burst() * Math.exp(-t / burst));
    }

    private void begin(int path, List<Band> bands) {
        start.echoes(31 * kind.seed() + 4L * variant + path, variant == 0);
        start.transform(kind.dispersion() * Math.sqrt(settings.size()));
        int end = Math.min(paths[path].length, (int) (start.seconds * rate));
        for (Band band : bands) {
            double[] echoes = start.bands(band.first, band.last);
            double fall = band.fall(rate);
            float[] envelope = new float[BLOCK];
            for (int at = 0; at < end; at += BLOCK) {
                int n = Math.min(BLOCK, end - at);
                envelope(band, false, at, n, envelope);
                for (int k = 0; k < n; k++) {
                    double fallen = Math.exp(-fall * (at + k));
                    paths[path][at + k] += (float) (echoes[at + k] * fallen * envelope[k]);
                }
            }
        }
    }

    private void goOn(int path, List<Band> bands) {
        // A source on the right begins half of the noise later, another variant a quarter.
        int from = path / 2 * (noise.frames() / 2) + variant * (noise.frames() / 4);
        int first = (int) (FADE_FROM * start.seconds * rate) / BLOCK * BLOCK;
        float[] factors = new float[BLOCK];
        float[] envelope = new float[BLOCK];
        for (Band band : bands) {
            double fall = band.fall(rate);
            int end = paths[path].length;
            double[] fallen = new double[BLOCK];
            for (int k = 0; k < BLOCK; k++) {
                fallen[k] = Math.exp(-fall * k);
            }
            for (int at = first; at < end; at += BLOCK) {
                int n = Math.min(BLOCK, end - at);
                envelope(band, true, at, n, envelope);
                double level = Math.exp(-fall * at);
                for (int k = 0; k < n; k++) {
                    factors[k] = (float) (level * fallen[k]) * envelope[k];
                }
                for (int b = band.first; b <= band.last; b++) {
                    noise.add(path % 2, b, from + at, factors, paths[path], at, n);
                }
            }
        }
    }

    /** Amplitude of the noise or of the echoes re their fall, in straight lines over each block. */
    private void envelope(Band band, boolean ofNoise, int at, int n, float[] into) {
        double from = amplitude(band, ofNoise, at / rate);
        double to = amplitude(band, ofNoise, (at + BLOCK) / rate);
        for (int k = 0; k < n; k++) {
            into[k] = (float) (from + (to - from) * k / BLOCK);
        }
    }

    private double amplitude(Band band, boolean ofNoise, double t) {
        double place = (t / start.seconds - FADE_FROM) / (1 - FADE_FROM);
        double turn = Math.PI / 2 * Math.clamp(place, 0, 1);
        return Math.sqrt(power(band, t)) * (ofNoise ? Math.sin(turn) : Math.cos(turn));
    }

    private void finish() {
        for (float[] path : paths) {
            new DcBlock(rate).process(path, path, 0, path.length);
        }
        double energy = 0;
        for (int i = 0; i < paths[0].length; i++) {
            double l = paths[0][i] + paths[2][i];
            double r = paths[1][i] + paths[3][i];
            energy += (l * l + r * r) / 2;
        }
        float gain = (float) Math.sqrt(ReverbBands.heard(rate) / energy);
        // A short fade of mids and highs would be a thud where lows are gone already.
        double fade = END_FADE_SHARE * paths[0].length;
        for (float[] path : paths) {
            int whole = Math.max(0, (int) (path.length - 1 - fade));
            for (int i = 0; i < whole; i++) {
                path[i] *= gain;
            }
            for (int i = whole; i < path.length; i++) {
                double left = Math.min(1, (path.length - 1 - i) / fade);
                path[i] *= (float) (gain * (0.5 - 0.5 * Math.cos(Math.PI * left)));
            }
        }
    }
}
