package orbispace.core.material;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import orbispace.core.audio.Audio;
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
            return gate(plain, 0, 0);
        }
        GateKey best = null;
        for (double high : HIGH_PASS_HZ) {
            for (double low : LOW_PASS_HZ) {
                boolean sensible = low == 0 ? high > 0 : low > 1.9 * high;
                if (sensible && low < audio.sampleRateHz() / 2 && high < audio.sampleRateHz() / 4) {
                    Hits keyed = HitFinder.among(filtered(audio, high, low), plain.seconds());
                    Optional<GateKey> key = gate(keyed, high, low);
                    if (key.isPresent()
                            && (best == null || key.get().separationDb() > best.separationDb())) {
                        best = key.get();
                    }
                }
            }
        }
        return Optional.ofNullable(best).filter(k -> k.separationDb() >= ENOUGH_DB);
    }

    private static Optional<GateKey> gate(Hits hits, double high, double low) {
        OptionalDouble separation = hits.separationDb();
        if (separation.isEmpty()) {
            return Optional.empty();
        }
        double weakest = hits.hits().stream().mapToDouble(Hits.Hit::peakDb).min().orElse(0);
        double apart = separation.getAsDouble();
        return Optional.of(new GateKey(weakest - apart / 2, apart / 3, high, low, apart));
    }

    private static Audio filtered(Audio audio, double high, double low) {
        List<Biquad> sections = new ArrayList<>();
        if (high > 0) {
            sections.addAll(FilterDesign.highPass(high, POLES, audio.sampleRateHz()));
        }
        if (low > 0) {
            sections.addAll(FilterDesign.lowPass(low, POLES, audio.sampleRateHz()));
        }
        float[] mono = new float[audio.frames()];
        for (int i = 0; i < mono.length; i++) {
            mono[i] = (audio.channel(0)[i] + audio.channel(1)[i]) / 2;
        }
        new Cascade(sections).process(mono, mono.clone(), 0, mono.length);
        return Audio.of(audio.sampleRateHz(), mono);
    }
}
