package orbispace.app.desk;

import java.util.Optional;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.StringProperty;
import orbispace.app.listen.Transport;
import orbispace.app.measuring.Measurements;
import orbispace.app.session.Editor;
import orbispace.app.session.Selection;
import orbispace.app.session.Stretch;
import orbispace.app.song.Reasons;
import orbispace.core.design.Design;
import orbispace.core.design.Edit;
import orbispace.core.design.Knob;
import orbispace.core.design.Return;
import orbispace.core.time.Span;

/**
 * What every screen looks at: the design and how it is changed, what of the song is chosen, what
 * was measured of it, and where it plays.
 */
public abstract class ScreenModel {
    final Editor editor;
    private final Selection selection;
    private final Stretch stretch;
    private final Transport transport;
    private final Measurements measured;

    ScreenModel(Common common) {
        editor = common.editor();
        selection = common.selection();
        stretch = common.stretch();
        transport = common.transport();
        measured = common.measured();
    }

    /** What all screens share. */
    record Common(
            Editor editor,
            Selection selection,
            Stretch stretch,
            Transport transport,
            Measurements measured) {}

    /** The design as it stands. */
    public final ReadOnlyObjectProperty<Design> design() {
        return editor.design();
    }

    /** What is chosen. */
    public final Selection selection() {
        return selection;
    }

    /** Where a number of a return is turned: in the design as it stands, at the chosen bar. */
    public final Knob.At at() {
        return new Knob.At(editor.now(), selection.bar());
    }

    /** The chosen return. */
    public final Optional<Return> chosenReturn() {
        return editor.now().findReturn(selection.returnId().get());
    }

    /** Why the numbers of the chosen return are what they are. */
    public final Reasons reasons() {
        return new Reasons(editor.now(), chosenReturn(), measured.materials(), measured.pictures());
    }

    /** The chosen stretch of the song. */
    public final Span span() {
        return stretch.span();
    }

    /** Length of the song in seconds. */
    public final double songSeconds() {
        return stretch.songSeconds();
    }

    /** What is to be done next here, in one line; empty for nothing. */
    public abstract String next();

    /** Listening. */
    public final Transport transport() {
        return transport;
    }

    /** What was measured. */
    public final Measurements measured() {
        return measured;
    }

    /** One line about what went wrong last; empty for nothing. */
    public final StringProperty problem() {
        return editor.problem();
    }

    /** As {@link Editor#edit(Edit)}. */
    public final boolean edit(Edit edit) {
        return editor.edit(edit);
    }

    /** As {@link Editor#edit(Edit, String)}. */
    public final boolean edit(Edit edit, String why) {
        return editor.edit(edit, why);
    }

    /** As {@link Editor#drag}. */
    public final boolean drag(Edit edit, Object gesture) {
        return editor.drag(edit, gesture);
    }

    /** As {@link Editor#settle}. */
    public final void settle() {
        editor.settle();
    }
}
