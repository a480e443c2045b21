package orbispace.core.render;

import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.TreeMap;
import orbispace.core.design.Design;
import orbispace.core.design.Return;
import orbispace.core.design.Send;

/**
 * How far back a source stands: its direct energy over the energy it makes in all returns. Measured
 * by {@link DepthMeter}.
 *
 * @param directToReverberantDb direct over wet energy; empty if nothing is sent or it is silent
 * @param earliestSeconds the shortest predelay on its way; empty without sends
 * @param centroidHz spectral centre of its wet energy; empty without sends
 * @param wetByReturn energy that it makes in each return, band by band of the ear, in any unit that
 *     all sources share
 */
public record Depth(
        OptionalDouble directToReverberantDb,
        OptionalDouble earliestSeconds,
        OptionalDouble centroidHz,
        Map<String, List<Double>> wetByReturn) {
    /** Keeps its own map. */
    public Depth {
        wetByReturn = Map.copyOf(wetByReturn);
    }

    /** Distance in units of the critical distance, at which direct and wet are equal. */
    public OptionalDouble criticalDistances() {
        return directToReverberantDb.isPresent()
                ? OptionalDouble.of(Math.pow(10, -directToReverberantDb.getAsDouble() / 20))
                : OptionalDouble.empty();
    }

    /**
     * The sends that put a source at a distance: all of its sends move by as many decibels.
     *
     * @param now its depth in the design
     * @param criticalDistances wanted
     * @return by return, levels within -90 and 24 dB; empty if nothing is sent
     */
    public static Map<String, Double> sendsFor(
            Design design, String source, Depth now, double criticalDistances) {
        OptionalDouble distance = now.criticalDistances();
        if (distance.isEmpty()) {
            return Map.of();
        }
        return sendsMoved(
                design, source, 20 * Math.log10(criticalDistances / distance.getAsDouble()));
    }

    /** The sends of a source by so many decibels louder, by return, within -90 and 24 dB. */
    public static Map<String, Double> sendsMoved(Design design, String source, double more) {
        Map<String, Double> levels = new TreeMap<>();
        for (Return r : design.returns()) {
            Send send = r.sends().get(source);
            if (send != null) {
                double level = Math.clamp(send.levelDb() + more, -90, 24);
                levels.put(r.id(), Math.rint(10 * level) / 10);
            }
        }
        return levels;
    }
}
