package orbispace.core.render;

import java.util.HashMap;
import java.util.Map;
import orbispace.core.audio.Decibels;
import orbispace.core.design.Design;
import orbispace.core.design.Source;
import org.jspecify.annotations.Nullable;

/**
 * How it is listened to: what becomes of the rest while something is soloed.
 *
 * @param set who is soloed and muted
 * @param wetOnly whether no dry sound is heard
 * @param returnAlone whether a soloed return is heard without the dry sources
 * @param soloWet what is heard of the returns while a source is soloed
 * @param dimDb how far the rest is turned down, dB; from {@link #SILENT_DB} on it is silent
 */
public record Listen(
        ListeningSet set, boolean wetOnly, boolean returnAlone, SoloWet soloWet, double dimDb) {
    /** From here on, what is turned down is silent. */
    public static final double SILENT_DB = -100;

    /** What is heard of the returns while a source is soloed. */
    public enum SoloWet {
        /** What the soloed make there; what others send is turned down with them. */
        OWN("with its own wet only"),
        /** Nothing. */
        DRY("dry"),
        /** All of them as they are. */
        ALL("with all wet");

        private final String words;

        SoloWet(String words) {
            this.words = words;
        }

        /** How it is called. */
        public String words() {
            return words;
        }
    }

    /**
     * What is heard of a design.
     *
     * @param parts further factors on sources and what they send, by id; missing ones are 1
     * @param outputGain factor on everything
     */
    public LiveSettings.Hearing hearing(
            Design design,
            Map<String, Double> parts,
            boolean mono,
            double outputGain,
            @Nullable ClickTrack click) {
        boolean dry = !wetOnly && !(returnAlone && !set.soloedReturns().isEmpty());
        boolean alone = !set.soloed().isEmpty();
        Map<String, Double> dimmed = new HashMap<>();
        Map<String, Double> sent = new HashMap<>();
        for (Source s : design.sources()) {
            double part = parts.getOrDefault(s.id(), 1.0);
            double own = set.muted().contains(s.id()) ? 0 : part;
            double seen = alone && !set.soloed().contains(s.id()) ? rest() : 1;
            dimmed.put(s.id(), dry ? own * seen : 0);
            sent.put(s.id(), soloWet == SoloWet.OWN ? own * seen : own);
        }
        Map<String, Double> returns = new HashMap<>();
        design.returns().forEach(r -> returns.put(r.id(), gain(r.id(), alone)));
        return new LiveSettings.Hearing(dimmed, sent, returns, mono, outputGain, click);
    }

    private double gain(String returnId, boolean sourceAlone) {
        boolean dried = sourceAlone && soloWet == SoloWet.DRY;
        if (dried || set.mutedReturns().contains(returnId)) {
            return 0;
        }
        return set.soloedReturns().isEmpty() || set.soloedReturns().contains(returnId) ? 1 : rest();
    }

    private double rest() {
        return dimDb <= SILENT_DB ? 0 : Decibels.toAmplitude(dimDb);
    }
}
