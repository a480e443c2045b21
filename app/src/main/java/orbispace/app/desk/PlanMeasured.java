package orbispace.app.desk;

import java.util.List;
import java.util.Map;
import orbispace.core.design.Design;
import orbispace.core.hearing.WetState;
import orbispace.core.plan.BoundaryClash;

/**
 * How the planned field stands.
 *
 * @param design the design that was measured
 * @param sourceId whose phrases were judged; empty for nobody's
 * @param shares wet share of each return in each section
 * @param states how much each return is noticed in each section
 * @param sones loudness of all that is dry in each section
 * @param clashes tails that cover what is sung in a drier section
 */
public record PlanMeasured(
        Design design,
        String sourceId,
        Map<String, List<Double>> shares,
        Map<String, List<WetState>> states,
        List<Double> sones,
        List<BoundaryClash> clashes) {}
