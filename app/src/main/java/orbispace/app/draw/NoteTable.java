package orbispace.app.draw;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.paint.Color;
import javafx.scene.text.Font;
import javafx.scene.text.TextAlignment;
import orbispace.core.design.Section;
import orbispace.core.design.Song;
import orbispace.core.time.NoteValue;
import orbispace.core.words.Wording;
import org.jspecify.annotations.Nullable;

/**
 * A table of note values in milliseconds, a row for each section; the chosen one is always seen.
 */
public final class NoteTable {
    private static final List<NoteValue> NOTES =
            List.of("1/16", "1/8", "1/4", "1/4.", "1/2", "1 bar").stream()
                    .map(n -> NoteValue.parse(n).orElseThrow())
                    .toList();
    private static final double NAMES = 130;

    /** What a column of numbers needs, and what is left to names where it is narrow. */
    private static final double LEAST_COLUMN = 32;

    private static final double LEAST_NAMES = 62;

    /** Which note values stay where not all have room, in the order in which they go. */
    private static final List<Integer> FIRST_OUT = List.of(0, 3, 5, 4, 1);

    private static final double ROW = 20;

    private final Pen pen;
    private final double left;
    private final double width;
    private final double names;
    private final List<NoteValue> notes;

    /** A table from a left edge over a width. */
    public NoteTable(Pen pen, double left, double width) {
        this.pen = pen;
        this.left = left;
        this.width = width;
        int room = (int) ((width - LEAST_NAMES) / LEAST_COLUMN) - 1;
        List<NoteValue> kept = new ArrayList<>(NOTES);
        FIRST_OUT.stream()
                .limit(Math.clamp((long) NOTES.size() - room, 0, FIRST_OUT.size()))
                .map(NOTES::get)
                .forEach(kept::remove);
        notes = List.copyOf(kept);
        names = Math.clamp(width - LEAST_COLUMN * (notes.size() + 1), LEAST_NAMES, NAMES);
    }

    /** Draws the head at a baseline, and as many rows under it as fit into a height. */
    public void paint(Song song, @Nullable Section chosen, double top, double height) {
        pen.text("NOTE VALUES, MS", left, top, Type.strong(10.5), pen.palette.ink2);
        for (int i = 0; i < notes.size(); i++) {
            cell(i + 1, notes.get(i).label(), top, Type.strong(11.5), pen.palette.time);
        }
        pen.across(left, left + width, top + 6, pen.palette.ink);
        List<Section> sections = song.sections();
        int rows = Math.max(1, (int) ((height - 12) / ROW));
        int from = Math.clamp(sections.indexOf(chosen) - rows + 1, 0, sections.size());
        double y = top + 22;
        for (Section s : sections.subList(from, Math.min(sections.size(), from + rows))) {
            row(song, s, s.equals(chosen), y);
            y += ROW;
        }
    }

    private void row(Song song, Section s, boolean chosen, double y) {
        if (chosen) {
            pen.clipped(
                    left - 6.5,
                    Math.floor(y) - 14.5,
                    width + 10,
                    19,
                    4,
                    pen.palette.card,
                    pen.palette.ink);
        }
        Font font = chosen ? Type.strong(11.5) : Type.regular(11.5);
        pen.text(Pen.cut(s.name(), names - 10, font), left, y, font, pen.palette.ink2);
        String bpm = Wording.number(song.clock().bpmOfBar(s.firstBar()), 0);
        cell(0, bpm, y, Type.strong(11.5), pen.palette.time);
        for (int i = 0; i < notes.size(); i++) {
            double millis = song.clock().length(notes.get(i), s.firstBar()).nominalMillis();
            cell(i + 1, Wording.number(millis, 0), y, font, pen.palette.ink);
        }
    }

    private void cell(int column, String text, double y, Font font, Color ink) {
        double step = (width - names) / (notes.size() + 1);
        pen.text(text, left + names + step * (column + 1) - 4, y, font, ink, TextAlignment.RIGHT);
    }
}
