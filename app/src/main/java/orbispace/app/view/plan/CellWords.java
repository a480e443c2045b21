package orbispace.app.view.plan;

import java.util.List;
import orbispace.app.desk.PlanMeasured;
import orbispace.app.desk.PlanModel;
import orbispace.app.desk.Planning;
import orbispace.core.design.Section;
import orbispace.core.hearing.WetState;
import orbispace.core.words.Wording;
import org.jspecify.annotations.Nullable;

/** What was measured of a return in the chosen section, in words. */
final class CellWords {
    private final PlanModel model;
    private final Planning planning;

    CellWords(PlanModel model) {
        this.model = model;
        planning = model.planning();
    }

    /** What was measured of the cell, and of the tail that runs into it. */
    String of(String id) {
        PlanMeasured known = planning.measured().get();
        List<Section> sections = model.design().get().song().sections();
        int index = planning.section().map(sections::indexOf).orElse(-1);
        List<Double> shares = known == null ? null : known.shares().get(id);
        if (known == null || shares == null || index < 0 || index >= shares.size()) {
            return "";
        }
        double least = shares.stream().mapToDouble(x -> x).min().orElse(0);
        double most = shares.stream().mapToDouble(x -> x).max().orElse(0);
        String clash =
                known.clashes().stream()
                        .filter(c ->
                                c.returnId().equals(id) && c.section().equals(sections.get(index)))
                        .findFirst()
                        .map(c ->
                                " The tail carried into it leaves "
                                        + Wording.percent(c.kept(), 0)
                                        + " of what is sung, cut it would be "
                                        + Wording.percent(c.keptIfCut(), 0)
                                        + ".")
                        .orElse("");
        return " Wet share "
                + share(shares.get(index))
                + ", "
                + state(known.states().get(id), index, shares.get(index))
                + "; over the song "
                + share(least)
                + " to "
                + share(most)
                + "."
                + clash;
    }

    private String state(@Nullable List<WetState> states, int index, double share) {
        WetState loud = model.design().get().aims().hearing().borders().of(share);
        WetState state = states == null || index >= states.size() ? loud : states.get(index);
        return state.label() + (state.equals(loud) ? "" : " by its width");
    }

    private static String share(double share) {
        return share < 5e-4 ? "under 0.1 %" : Wording.percent(share, 1);
    }
}
