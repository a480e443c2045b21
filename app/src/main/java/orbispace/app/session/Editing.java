package orbispace.app.session;

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
import org.jspecify.annotations.Nullable;

/** The design as it stands, the steps that led there, and whether they are saved. */
final class Editing {
    private final ObjectProperty<Design> design;
    private final StringProperty undoLabel = new SimpleStringProperty("");
    private final StringProperty redoLabel = new SimpleStringProperty("");
    private final BooleanProperty dirty = new SimpleBooleanProperty(false);
    private History history;
    private @Nullable Design saved;

    Editing(Design first) {
        design = new SimpleObjectProperty<>(first);
        history = new History(first);
        saved = first;
    }

    ReadOnlyObjectProperty<Design> design() {
        return design;
    }

    /** What undo takes back; empty for nothing. */
    ReadOnlyStringProperty undoLabel() {
        return undoLabel;
    }

    /** What redo brings back; empty for nothing. */
    ReadOnlyStringProperty redoLabel() {
        return redoLabel;
    }

    ReadOnlyBooleanProperty dirty() {
        return dirty;
    }

    /** Starts over with a design that is kept in a file, or is not yet. */
    void begin(Design given, boolean kept) {
        history = new History(given);
        saved = kept ? given : null;
        show();
    }

    /**
     * Takes a change into the history.
     *
     * @throws IllegalArgumentException if the design refuses it; nothing is changed then
     */
    void apply(Edit edit, @Nullable Object gesture) {
        history.push(edit.applyTo(design.get()), edit.subject(), gesture);
        show();
    }

    /** Takes another design into the history as one step. */
    void replace(Design other, String label) {
        history.push(other, label, null);
        show();
    }

    void undo() {
        history.undo();
        show();
    }

    void redo() {
        history.redo();
        show();
    }

    /** The design as it stands is now in a file. */
    void markSaved() {
        saved = design.get();
        dirty.set(false);
    }

    private void show() {
        design.set(history.current());
        undoLabel.set(history.undoLabel().orElse(""));
        redoLabel.set(history.redoLabel().orElse(""));
        dirty.set(!history.current().equals(saved));
    }
}
