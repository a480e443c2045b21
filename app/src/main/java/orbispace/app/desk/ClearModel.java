package orbispace.app.desk;

import java.util.Optional;
import javafx.beans.property.BooleanProperty;
import orbispace.app.session.Jobs;

/** What the Clear screen shows and does: room for a source. */
public final class ClearModel extends ScreenModel {
    private final Clearing clearing;
    private final Jobs jobs;
    private final BooleanProperty wantsRemedies;

    ClearModel(Common common, Clearing clearing, Jobs jobs, BooleanProperty wantsRemedies) {
        super(common);
        this.clearing = clearing;
        this.jobs = jobs;
        this.wantsRemedies = wantsRemedies;
    }

    /** Keeping a source clear. */
    public Clearing clearing() {
        return clearing;
    }

    /** Work in the background. */
    public Jobs jobs() {
        return jobs;
    }

    /** Whether remedies should be found; they take longer than measuring. */
    public BooleanProperty wantsRemedies() {
        return wantsRemedies;
    }

    @Override
    public String next() {
        return NextStep.clear(
                clearing.name(),
                design().get(),
                Optional.ofNullable(measured().clearance().get()),
                clearing::targets);
    }
}
