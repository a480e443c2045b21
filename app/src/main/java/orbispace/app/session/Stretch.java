package orbispace.app.session;

import java.util.List;
import java.util.function.DoubleSupplier;
import orbispace.core.design.Section;
import orbispace.core.time.Span;

/** How long the open song is, and which stretch of it is chosen. */
public final class Stretch {
    private final Editor editor;
    private final Selection selection;
    private final DoubleSupplier stemSeconds;

    /**
     * The stretch of a song.
     *
     * @param stemSeconds how long its stems are as they are laid
     */
    public Stretch(Editor editor, Selection selection, DoubleSupplier stemSeconds) {
        this.editor = editor;
        this.selection = selection;
        this.stemSeconds = stemSeconds;
    }

    /** The chosen section, or the whole song. */
    public Span span() {
        Section chosen = selection.section().get();
        return chosen == null ? new Span(0, songSeconds()) : editor.now().song().span(chosen);
    }

    /** Length of the song in seconds: its stems, or its sections where they are longer. */
    public double songSeconds() {
        List<Section> sections = editor.now().song().sections();
        double form =
                sections.isEmpty() ? 0 : editor.now().song().span(sections.getLast()).endSeconds();
        return Math.max(1, Math.max(form, stemSeconds.getAsDouble()));
    }
}
