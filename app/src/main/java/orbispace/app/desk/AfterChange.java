package orbispace.app.desk;

import orbispace.app.session.Editor;
import orbispace.app.session.Jobs;
import orbispace.app.session.LogKeeping;

/** What follows a change of the design: the log, what follows at once, and what is measured. */
final class AfterChange implements Editor.Following {
    /** The pause until the hand rests. */
    static final String REST = "rest";

    private static final long REST_MILLIS = 200;

    private final Jobs jobs;
    private final LogKeeping log;
    private final Runnable changed;
    private final Runnable measure;

    AfterChange(Jobs jobs, LogKeeping log, Runnable changed, Runnable measure) {
        this.jobs = jobs;
        this.log = log;
        this.changed = changed;
        this.measure = measure;
    }

    @Override
    public void beforeChange() {
        log.tellReason();
    }

    @Override
    public void changed() {
        changed.run();
    }

    @Override
    public void stays() {
        jobs.cancel(REST);
        measure.run();
    }

    @Override
    public void inHand() {
        jobs.after(REST, REST_MILLIS, measure);
    }

    @Override
    public void beforeProposal() {
        log.log();
    }

    @Override
    public void because(String why) {
        log.because(why);
    }
}
