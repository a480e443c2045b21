package orbispace.app.desk;

import orbispace.app.session.Jobs;
import orbispace.app.session.KeptProject;
import orbispace.app.session.LogKeeping;
import orbispace.app.session.SongStems;

/** What the Sheet shows and does: hand-over and log. */
public final class SheetModel extends ScreenModel {
    private final HandingOver handingOver;
    private final LogKeeping log;
    private final Proving proving;
    private final Jobs jobs;
    private final KeptProject kept;
    private final SongStems stems;

    SheetModel(
            Common common,
            HandingOver handingOver,
            LogKeeping log,
            Proving proving,
            Jobs jobs,
            KeptProject kept,
            SongStems stems) {
        super(common);
        this.handingOver = handingOver;
        this.log = log;
        this.proving = proving;
        this.jobs = jobs;
        this.kept = kept;
        this.stems = stems;
    }

    /** The recall sheet and the hand-over. */
    public HandingOver handingOver() {
        return handingOver;
    }

    /** The log and the snapshots. */
    public LogKeeping log() {
        return log;
    }

    /** Findings and blind trials. */
    public Proving proving() {
        return proving;
    }

    /** Work in the background. */
    public Jobs jobs() {
        return jobs;
    }

    /** Where the project is kept. */
    public KeptProject kept() {
        return kept;
    }

    /** The stems of the song. */
    public SongStems stems() {
        return stems;
    }

    @Override
    public String next() {
        return NextStep.sheet(proving.open());
    }
}
