package orbispace.app.desk;

import java.util.List;

/** What the Plan shows and does: the field over sections, and thrown words. */
public final class PlanModel extends ScreenModel {
    private final Planning planning;
    private final Throwing throwing;
    private final Clearing clearing;

    PlanModel(Common common, Planning planning, Throwing throwing, Clearing clearing) {
        super(common);
        this.planning = planning;
        this.throwing = throwing;
        this.clearing = clearing;
    }

    /** The field over the sections. */
    public Planning planning() {
        return planning;
    }

    /** Throwing words. */
    public Throwing throwing() {
        return throwing;
    }

    /** Keeping a source clear. */
    public Clearing clearing() {
        return clearing;
    }

    @Override
    public String next() {
        PlanMeasured known = planning.measured().get();
        return NextStep.plan(
                design().get(),
                known == null || !planning.isCurrent(known) ? List.of() : known.clashes());
    }
}
