package orbispace.core.design;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * A return that was partly wet taken as such and made fully wet, so that its space sounds the same.
 *
 * @param returnId letter of the return
 * @param blend how much of it is wet
 * @param keepsSources whether the faders of its sources take over what the leaked dry had added;
 *     their sends and throws behind the fader then go down by as much, so that nothing else changes
 */
public record BlendEdit(String returnId, Blend blend, boolean keepsSources) implements Edit {
    @Override
    public Design applyTo(Design design) {
        Return r = design.requireReturn(returnId);
        Map<String, Double> raised = blend.raisedDb(design, r);
        Design wet = design.withReturn(r.withLevel(blend.levelDb(r)));
        if (!keepsSources) {
            return wet;
        }
        List<Source> sources =
                wet.sources().stream()
                        .map(s -> s.withGain(s.gainDb() + raised.getOrDefault(s.id(), 0.0)))
                        .toList();
        List<Throw> thrown = new ArrayList<>();
        for (Throw t : wet.thrown()) {
            thrown.add(lowered(wet, t, raised.getOrDefault(t.sourceId(), 0.0)));
        }
        List<Return> returns = wet.returns().stream().map(x -> lowered(x, raised)).toList();
        return wet.withSources(sources).withReturns(returns).withThrown(thrown);
    }

    private static Return lowered(Return r, Map<String, Double> raised) {
        Map<String, Send> sends = new TreeMap<>(r.sends());
        sends.replaceAll((id, s) ->
                s.preFader() ? s : s.withLevel(s.levelDb() - raised.getOrDefault(id, 0.0)));
        return r.withSends(sends);
    }

    private static Throw lowered(Design design, Throw t, double db) {
        boolean before =
                design.findReturn(t.returnId())
                        .map(r -> r.sends().get(t.sourceId()))
                        .map(Send::preFader)
                        .orElse(false);
        if (before) {
            return t;
        }
        List<Throw.RidePoint> ride =
                t.ride().stream()
                        .map(p -> new Throw.RidePoint(p.beat(), p.levelDb() - db))
                        .toList();
        return t.withLevel(t.levelDb() - db).withRide(ride);
    }

    @Override
    public String subject() {
        return "blend of " + returnId;
    }
}
