package orbispace.app.session;

import java.util.List;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.beans.property.SimpleStringProperty;
import javafx.beans.property.StringProperty;
import orbispace.core.design.Design;
import orbispace.core.design.Edit;
import orbispace.core.design.History;
import orbispace.core.design.Rebase;
import orbispace.core.design.Song;
import orbispace.core.time.SongClock;
import org.jspecify.annotations.Nullable;

/**
 * The design of the open song as it stands, the steps that led there, and every way in which it is
 * changed. Who works on the design gets this, and nobody else's state. Used on the interface thread
 * only.
 */
public final class Editor {
    private final ObjectProperty<Design> design = new SimpleObjectProperty<>(blank());
    private final StringProperty undoLabel = new SimpleStringProperty("");
    private final StringProperty redoLabel = new SimpleStringProperty("");
    private final BooleanProperty dirty = new SimpleBooleanProperty(false);
    private final StringProperty problem = new OneLine();
    private History history = new History(blank());
    private @Nullable Design saved = blank();
    private Following following = new Following() {};

    /** What has to happen around every change of the design. */
    public interface Following {
        /** A change is about to be made. */
        default void beforeChange() {}

        /** The design is another: what follows at once. */
        default void changed() {}

        /** A change stays: what may take its time. */
        default void stays() {}

        /** A change belongs to a gesture; whether it stays is seen when the hand rests. */
        default void inHand() {}

        /** A change that was proposed is about to be made. */
        default void beforeProposal() {}

        /** The change that was just made was made for a reason. */
        default void because(String why) {}
    }

    /** The design before any song is open. */
    public static Design blank() {
        Song song = new Song("Untitled", 48000, SongClock.constant(120, 4, 4), List.of());
        return new Design(song, List.of(), List.of());
    }

    /** Says what follows every change from now on. */
    public void follow(Following all) {
        following = all;
    }

    /** The design as it stands. */
    public ReadOnlyObjectProperty<Design> design() {
        return design;
    }

    /** The same at this moment. */
    public Design now() {
        return design.get();
    }

    /** What undo takes back; empty for nothing. */
    public ReadOnlyStringProperty undoLabel() {
        return undoLabel;
    }

    /** What redo brings back; empty for nothing. */
    public ReadOnlyStringProperty redoLabel() {
        return redoLabel;
    }

    /** Whether there are changes that are not saved. */
    public ReadOnlyBooleanProperty dirty() {
        return dirty;
    }

    /** One line about what went wrong last; empty for nothing. */
    public StringProperty problem() {
        return problem;
    }

    /** Says what went wrong. */
    public void failed(Exception e) {
        problem.set(String.valueOf(e.getMessage()));
    }

    /**
     * Starts over with the design of another song.
     *
     * @param kept whether it is as a file has it
     */
    public void begin(Design given, boolean kept) {
        history = new History(given);
        saved = kept ? given : null;
        show();
    }

    /** The design as it stands is now in a file. */
    public void markSaved() {
        saved = design.get();
        dirty.set(false);
    }

    /**
     * Makes a change that is one step, and lets be measured what it does.
     *
     * @return false if it was refused; {@link #problem} then says why
     */
    public boolean edit(Edit edit) {
        boolean taken = apply(edit, null);
        if (taken) {
            following.stays();
        }
        return taken;
    }

    /**
     * Makes a change that was proposed; the log will say why.
     *
     * @return false if it was refused
     */
    public boolean edit(Edit edit, String why) {
        following.beforeProposal();
        boolean taken = edit(edit);
        if (taken) {
            following.because(why);
        }
        return taken;
    }

    /**
     * Makes a change that belongs to a gesture; it is heard at once and measured when the hand
     * rests, or by {@link #settle}.
     */
    public boolean drag(Edit edit, Object gesture) {
        boolean taken = apply(edit, gesture);
        if (taken) {
            following.inHand();
        }
        return taken;
    }

    /** Makes a change that belongs to a gesture, or is one step if there is none. */
    public boolean change(Edit edit, @Nullable Object gesture) {
        return gesture == null ? edit(edit) : drag(edit, gesture);
    }

    /** Ends a gesture: what it changed is measured at once. */
    public void settle() {
        following.stays();
    }

    private boolean apply(Edit edit, @Nullable Object gesture) {
        following.beforeChange();
        try {
            history.push(edit.applyTo(design.get()), edit.subject(), gesture);
            show();
            problem.set("");
            following.changed();
            return true;
        } catch (IllegalArgumentException e) {
            failed(e);
            return false;
        }
    }

    /** Takes the last step back. */
    public void undo() {
        history.undo();
        follow();
    }

    /** Brings the last undone step back. */
    public void redo() {
        history.redo();
        follow();
    }

    /** Takes another design as a step of its own. */
    public void replace(Design other, String label) {
        following.beforeChange();
        history.push(other, label, null);
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
    public boolean adopt(Design base, Design made, String label, String why) {
        try {
            Design result = Rebase.onto(design.get(), base, made);
            following.beforeProposal();
            replace(result, label);
            following.because(why);
            return true;
        } catch (IllegalArgumentException e) {
            problem.set("Not taken over (" + label + "): " + e.getMessage() + "; ask again.");
            return false;
        }
    }

    private void follow() {
        show();
        following.changed();
        following.stays();
    }

    private void show() {
        design.set(history.current());
        undoLabel.set(history.undoLabel().orElse(""));
        redoLabel.set(history.redoLabel().orElse(""));
        dirty.set(!history.current().equals(saved));
    }
}
