package orbispace.core.clear;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import orbispace.core.audio.Audio;
import orbispace.core.measure.Loudness;
import orbispace.core.measure.LoudnessMeter;
import orbispace.core.render.Rendering;

/**
 * What one return takes of a mix.
 *
 * @param returnId its letter
 * @param bandShares share of its energy from 20 to 80 Hz, to 250, to 800, to 4,000, to 16,000
 * @param loudnessLu how much louder the mix is with it
 * @param truePeakDb how much higher its true peak is with it
 */
public record ReturnCost(
        String returnId, List<Double> bandShares, double loudnessLu, double truePeakDb) {
    private static final double[] EDGES_HZ = {20, 80, 250, 800, 4000, 16000};

    /** Keeps its own list. */
    public ReturnCost {
        bandShares = List.copyOf(bandShares);
    }

    /** The cost of each return of a rendered song, in order. */
    public static List<ReturnCost> of(Rendering rendering) {
        Loudness with = LoudnessMeter.measure(rendering.mix());
        return rendering.wets().entrySet().parallelStream()
                .map(e -> of(rendering, e, with))
                .toList();
    }

    private static ReturnCost of(Rendering rendering, Map.Entry<String, Audio> wet, Loudness with) {
        Loudness without = LoudnessMeter.measure(rendering.mix().plus(wet.getValue(), -1));
        LowShare spectrum = new LowShare(wet.getValue());
        List<Double> shares = new ArrayList<>();
        for (int i = 0; i + 1 < EDGES_HZ.length; i++) {
            shares.add(spectrum.shareBetween(EDGES_HZ[i], EDGES_HZ[i + 1]));
        }
        return new ReturnCost(
                wet.getKey(),
                shares,
                with.integratedLufs().orElse(0) - without.integratedLufs().orElse(0),
                with.truePeakDbtp().orElse(0) - without.truePeakDbtp().orElse(0));
    }
}
