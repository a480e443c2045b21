package orbispace.core.material;

import static java.util.stream.Collectors.toSet;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.IntStream;
import orbispace.core.audio.Audio;
import orbispace.core.audio.Decibels;
import orbispace.core.signal.Biquad;
import orbispace.core.signal.Cascade;
import orbispace.core.signal.FilterDesign;

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
        List<float[]> windows = seconds.stream().map(s -> window(audio, s)).toList();
        double rate = audio.sampleRateHz();
        // The corners are sought among some of the events, and then tried on all.
        double share = SEARCHED_EVENTS / (double) seconds.size();
        List<float[]> few = some(windows, share);
        List<Double> fewSeconds = some(seconds, share);
        GateKey best = null;
        for (double high : HIGH_PASS_HZ) {
            for (double low : LOW_PASS_HZ) {
                boolean sensible = low == 0 ? high > 0 : low > 1.9 * high;
                if (sensible && low < rate / 2 && high < rate / 4) {
                    Hits keyed = keyed(few, fewSeconds, rate, high, low);
                    Optional<GateKey> key = gate(keyed, plain, high, low);
                    if (key.filter(GateKeyFinder::opensForTheStronger).isPresent()
                            && (best == null || key.get().separationDb() > best.separationDb())) {
                        best = key.get();
                    }
                }
            }
        }
        return Optional.ofNullable(best)
                .flatMap(k ->
                        gate(
                                keyed(windows, seconds, rate, k.keyHighPassHz(), k.keyLowPassHz()),
                                plain,
                                k.keyHighPassHz(),
                                k.keyLowPassHz()))
                .filter(k -> k.separationDb() >= ENOUGH_DB);
    }

    /** A share of all, spread evenly but in no rhythm, as hits and bleed may alternate. */
    private static <T> List<T> some(List<T> all, double share) {
        return IntStream.range(0, all.size())
                .filter(i -> i * GOLDEN % 1 < share)
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

    /** Both channels' mean around an event, faded in so that the filters do not ring. */
    private static float[] window(Audio audio, double seconds) {
        double rate = audio.sampleRateHz();
        int from = (int) Math.round((seconds - BEFORE_SECONDS) * rate);
        int fade = Math.max(1, (int) (FADE_SECONDS * rate));
        float[] mono = new float[(int) ((BEFORE_SECONDS + AFTER_SECONDS) * rate)];
        for (int i = 0; i < mono.length; i++) {
            int at = from + i;
            if (at >= 0 && at < audio.frames()) {
                float x = (audio.channel(0)[at] + audio.channel(1)[at]) / 2;
                mono[i] = i < fade ? x * i / fade : x;
            }
        }
        return mono;
    }

    private static Hits keyed(
            List<float[]> windows, List<Double> seconds, double rate, double high, double low) {
        List<Biquad> sections = new ArrayList<>();
        if (high > 0) {
            sections.addAll(FilterDesign.highPass(high, POLES, rate));
        }
        if (low > 0) {
            sections.addAll(FilterDesign.lowPass(low, POLES, rate));
        }
        List<Hits.Hit> events = new ArrayList<>();
        for (int n = 0; n < windows.size(); n++) {
            float[] x = windows.get(n);
            float[] y = x.clone();
            new Cascade(sections).process(y, y, 0, y.length);
            Audio sound = Audio.of(rate, y);
            int at = (int) Math.round(BEFORE_SECONDS * rate);
            double peak = sound.slice(at - (int) (0.01 * rate), y.length).peak();
            double energy = sound.slice(at, y.length).meanSquare();
            events.add(
                    new Hits.Hit(
                            seconds.get(n), Decibels.ofAmplitude(peak), Decibels.ofPower(energy)));
        }
        return HitFinder.split(events);
    }
}
