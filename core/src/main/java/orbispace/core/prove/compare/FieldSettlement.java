package orbispace.core.prove.compare;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import orbispace.core.audio.Audio;
import orbispace.core.render.Rendering;

/**
 * Two fields of one song rendered and subtracted: each return that either has, and all of the wet
 * together.
 *
 * @param returns by letter, those of the first field first
 * @param wet everything but the dry sources
 */
public record FieldSettlement(Map<String, Settlement> returns, Settlement wet) {
    /** Keeps its own map. */
    public FieldSettlement {
        returns = Collections.unmodifiableMap(new LinkedHashMap<>(returns));
    }

    /** Subtracts the second field from the first; a return that one lacks is silent there. */
    public static FieldSettlement of(Rendering first, Rendering second) {
        Audio silence = Audio.silence(first.dry().sampleRateHz(), 2, first.dry().frames());
        Map<String, Settlement> returns = new LinkedHashMap<>();
        for (Map<String, Audio> wets : List.of(first.wets(), second.wets())) {
            for (String id : wets.keySet()) {
                returns.computeIfAbsent(
                        id,
                        any ->
                                Settlement.of(
                                        first.wets().getOrDefault(id, silence),
                                        second.wets().getOrDefault(id, silence)));
            }
        }
        return new FieldSettlement(returns, Settlement.of(wet(first), wet(second)));
    }

    private static Audio wet(Rendering rendering) {
        float[] left = new float[rendering.dry().frames()];
        float[] right = new float[left.length];
        for (Audio wet : rendering.wets().values()) {
            float[] l = wet.channel(0);
            float[] r = wet.channel(1);
            for (int i = 0; i < left.length; i++) {
                left[i] += l[i];
                right[i] += r[i];
            }
        }
        return Audio.of(rendering.dry().sampleRateHz(), left, right);
    }
}
