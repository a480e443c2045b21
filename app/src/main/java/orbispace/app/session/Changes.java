package orbispace.app.session;

import javafx.beans.property.StringProperty;
import orbispace.core.design.Design;
import orbispace.core.design.Edit;
import orbispace.core.design.Rebase;
import org.jspecify.annotations.Nullable;

/** Every way in which the design of the open song is changed, each with what has to follow it. */
final class Changes {
    /** The pause until the hand rests. */
    static final String REST = "rest";

    private static final long REST_MILLIS = 200;

    private final Editing editing;
    private final LogKeeping log;
    private final Jobs jobs;
    private final StringProperty problem;
    private final Runnable changed;
    private final Runnable measure;

    /**
     * Ways to change a design.
     *
     * @param changed what follows every change at once
     * @param measure what follows it when it stays
     */
    Changes(
            Editing editing,
            LogKeeping log,
            Jobs jobs,
            StringProperty problem,
            Runnable changed,
            Runnable measure) {
        this.editing = editing;
        this.log = log;
        this.jobs = jobs;
        this.problem = problem;
        this.changed = changed;
        this.measure = measure;
    }

    /** A change that is one step; false if it was refused. */
    boolean edit(Edit edit) {
        boolean taken = apply(edit, null);
        if (taken) {
            measure.run();
        }
        return taken;
    }

    /** A change that was proposed, with its reason. */
    boolean edit(Edit edit, String why) {
        log.log();
        boolean taken = edit(edit);
        if (taken) {
            log.because(why);
        }
        return taken;
    }

    /** A change that belongs to a gesture; it is measured when the hand rests. */
    boolean drag(Edit edit, Object gesture) {
        boolean taken = apply(edit, gesture);
        if (taken) {
            jobs.after(REST, REST_MILLIS, measure);
        }
        return taken;
    }

    /** Ends a gesture. */
    void settle() {
        jobs.cancel(REST);
        measure.run();
    }

    private boolean apply(Edit edit, @Nullable Object gesture) {
        log.tellReason();
        try {
            editing.apply(edit, gesture);
            problem.set("");
            changed.run();
            return true;
        } catch (IllegalArgumentException e) {
            problem.set(String.valueOf(e.getMessage()));
            return false;
        }
    }

    void undo() {
        editing.undo();
        follow();
    }

    void redo() {
        editing.redo();
        follow();
    }

    /** Takes another design as a step of its own. */
    void replace(Design other, String label) {
        log.tellReason();
        editing.replace(other, label);
        follow();
    }

    /**
     * Takes what was worked out in the background for a design as one step: laid over the design as
     * it stands, so that what was done meanwhile stays.
     *
     * @param base the design that it was worked out for
     * @param why the log will say it
     * @return false if both changed the same number; the problem then says which
     */
    boolean adopt(Design base, Design made, String label, String why) {
        try {
            Design result = Rebase.onto(editing.design().get(), base, made);
            log.log();
            replace(result, label);
            log.because(why);
            return true;
        } catch (IllegalArgumentException e) {
            problem.set("Not taken over (" + label + "): " + e.getMessage() + "; ask again.");
            return false;
        }
    }

    private void follow() {
        changed.run();
        measure.run();
    }
}
