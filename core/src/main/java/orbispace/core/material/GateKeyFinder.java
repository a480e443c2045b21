package orbispace.core.material;

import static java.util.stream.Collectors.toSet;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import orbispace.core.audio.Audio;
import orbispace.core.audio.Decibels;
import orbispace.core.signal.Biquad;
import orbispace.core.signal.Cascade;
import orbispace.core.signal.FilterDesign;
import org.jspecify.annotations.Nullable;

/**
 * Finds the gate threshold between hits and bleed, and where the plain sound does not part them by
 * 6 dB the key filter that parts them best.
 */
public final class GateKeyFinder {
    /** The separation in dB from which a gate can be trusted. */
    public static final double ENOUGH_DB = 6;

    private static final double[] HIGH_PASS_HZ = {0, 80, 160, 315, 630, 1250, 2500, 5000};
    private static final double[] LOW_PASS_HZ = {0, 160, 315, 630, 1250, 2500, 5000, 10000};
    private static final int POLES = 4;
    private static final int SEARCHED_EVENTS = 64;
    private static final double GOLDEN = 0.618033988749895;

    private static final double BEFORE_SECONDS = 0.06;
    private static final double AFTER_SECONDS = 0.06;
    private static final double FADE_SECONDS = 0.02;

    private GateKeyFinder() {}

    /**
     * Looks for a gate.
     *
     * @param audio the stem
     * @param plain its hits and bleed as found in the plain sound
     * @return empty if there is no bleed to part, or nothing parts it
     */
    public static Optional<GateKey> find(Audio audio, Hits plain) {
        OptionalDouble separation = plain.separationDb();
        if (separation.isPresent() && separation.getAsDouble() >= ENOUGH_DB) {
            return gate(plain, plain, 0, 0);
        }
        List<Double> seconds = plain.seconds();
        if (seconds.size() < 2) {
            return Optional.empty();
        }
        List<float[]> windows = seconds.stream().flatMap(s -> windows(audio, s)).toList();
        double rate = audio.sampleRateHz();
        // The corners are sought among some of the events, and then tried on all.
        double share = SEARCHED_EVENTS / (double) seconds.size();
        List<float[]> few = some(windows, windows.size() / seconds.size(), share);
        List<Double> fewSeconds = some(seconds, 1, share);
        GateKey best = null;
        for (double high : HIGH_PASS_HZ) {
            List<float[]> passed = high < rate / 4 ? highPassed(few, rate, high) : List.of();
            for (double low : LOW_PASS_HZ) {
                boolean sensible = low == 0 ? high > 0 : low > 1.9 * high;
                if (sensible && low < rate / 2 && !passed.isEmpty()) {
                    Hits keyed =
                            events(lowPassed(passed, rate, low), fewSeconds, rate, labels(plain));
                    Optional<GateKey> key = gate(keyed, plain, high, low);
                    if (key.filter(GateKeyFinder::opensForTheStronger).isPresent()
                            && (best == null || key.get().separationDb() > best.separationDb())) {
                        best = key.get();
                    }
                }
            }
        }
        return Optional.ofNullable(best)
                .flatMap(k -> onAll(k, windows, plain, rate))
                .filter(k -> k.separationDb() >= ENOUGH_DB);
    }

    private static Optional<GateKey> onAll(
            GateKey key, List<float[]> windows, Hits plain, double rate) {
        double high = key.keyHighPassHz();
        double low = key.keyLowPassHz();
        List<float[]> passed = lowPassed(highPassed(windows, rate, high), rate, low);
        return gate(events(passed, plain.seconds(), rate, labels(plain)), plain, high, low);
    }

    /** A share of all, spread evenly but in no rhythm, as hits and bleed may alternate. */
    private static <T> List<T> some(List<T> all, int each, double share) {
        return IntStream.range(0, all.size())
                .filter(i -> Math.floorDiv(i, each) * GOLDEN % 1 < share)
                .mapToObj(all::get)
                .toList();
    }

    private static Optional<GateKey> gate(Hits keyed, Hits plain, double high, double low) {
        OptionalDouble separation = keyed.separationDb();
        if (separation.isEmpty()) {
            return Optional.empty();
        }
        double weakest = keyed.hits().stream().mapToDouble(Hits.Hit::peakDb).min().orElse(0);
        double apart = separation.getAsDouble();
        Set<Double> hits = keyed.hits().stream().map(Hits.Hit::seconds).collect(toSet());
        return Optional.of(
                new GateKey(weakest - apart / 2, apart / 3, high, low, apart, plain.parted(hits)));
    }

    /** A key that opens for what is the weaker in the plain sound would open for the bleed. */
    private static boolean opensForTheStronger(GateKey key) {
        return meanEnergyDb(key.events().hits()) > meanEnergyDb(key.events().bleed());
    }

    private static double meanEnergyDb(List<Hits.Hit> events) {
        return events.stream().mapToDouble(Hits.Hit::energyDb).average().orElse(0);
    }

    /** Middle and side around an event, as keys have them; a mono sound has no side. */
    private static Stream<float[]> windows(Audio audio, double seconds) {
        double rate = audio.sampleRateHz();
        int from = (int) Math.round((seconds - BEFORE_SECONDS) * rate);
        float[] left = new float[(int) ((BEFORE_SECONDS + AFTER_SECONDS) * rate)];
        float[] right = new float[left.length];
        audio.read(from, left.length, left, right);
        float[] middle = window(left, right, 1, rate);
        return Arrays.equals(left, right)
                ? Stream.of(middle)
                : Stream.of(middle, window(left, right, -1, rate));
    }

    /** Faded in so that the filters do not ring. */
    private static float[] window(float[] left, float[] right, int sign, double rate) {
        int fade = Math.max(1, (int) (FADE_SECONDS * rate));
        float[] mono = new float[left.length];
        for (int i = 0; i < mono.length; i++) {
            float x = (left[i] + sign * right[i]) / 2;
            mono[i] = i < fade ? x * i / fade : x;
        }
        return mono;
    }

    private static List<float[]> highPassed(List<float[]> windows, double rate, double corner) {
        return corner == 0
                ? windows
                : filtered(windows, FilterDesign.highPass(corner, POLES, rate));
    }

    private static List<float[]> lowPassed(List<float[]> windows, double rate, double corner) {
        return corner == 0 ? windows : filtered(windows, FilterDesign.lowPass(corner, POLES, rate));
    }

    /** Filters two windows at a time, as the channels of one sound, which costs little over one. */
    private static List<float[]> filtered(List<float[]> windows, List<Biquad> sections) {
        List<float[]> out = windows.stream().map(float[]::clone).toList();
        for (int n = 0; n < out.size(); n += 2) {
            float[] one = out.get(n);
            new Cascade(sections)
                    .process(one, out.get(Math.min(n + 1, out.size() - 1)), 0, one.length);
        }
        return out;
    }

    /** The strokes, if they are told from bleed already; a key must then part the same. */
    private static @Nullable Set<Double> labels(Hits plain) {
        return plain.bleed().isEmpty()
                ? null
                : plain.hits().stream().map(Hits.Hit::seconds).collect(toSet());
    }

    private static Hits events(
            List<float[]> windows,
            List<Double> seconds,
            double rate,
            @Nullable Set<Double> labels) {
        int at = (int) Math.round(BEFORE_SECONDS * rate);
        int before = at - (int) (0.01 * rate);
        int each = windows.size() / Math.max(1, seconds.size());
        List<Hits.Hit> events = new ArrayList<>();
        for (int n = 0; n < seconds.size(); n++) {
            double peak = 0;
            double most = 0;
            for (float[] x : windows.subList(each * n, each * (n + 1))) {
                double energy = 0;
                for (int i = before; i < x.length; i++) {
                    peak = Math.max(peak, Math.abs(x[i]));
                    energy += i < at ? 0 : (double) x[i] * x[i];
                }
                most = Math.max(most, energy / (x.length - at));
            }
            events.add(
                    new Hits.Hit(
                            seconds.get(n), Decibels.ofAmplitude(peak), Decibels.ofPower(most)));
        }
        return labels == null
                ? HitFinder.split(events)
                : new Hits(events, List.of()).parted(labels);
    }
}
