package orbispace.app.view.plan;

import javafx.scene.text.TextAlignment;
import orbispace.app.draw.Pen;
import orbispace.app.draw.TimeAxis;
import orbispace.app.draw.Type;
import orbispace.core.design.PlanCell;
import orbispace.core.design.Return;
import orbispace.core.design.Section;
import orbispace.core.design.Song;
import orbispace.core.design.Space;
import orbispace.core.time.Span;
import orbispace.core.words.Wording;

/** One return in one section: what differs there, and what follows a sound, to scale. */
final class CellPainter {
    private static final int MOST_BEADS = 8;

    private final Pen pen;
    private final TimeAxis axis;
    private final Song song;

    CellPainter(Pen pen, TimeAxis axis, Song song) {
        this.pen = pen;
        this.axis = axis;
        this.song = song;
    }

    /** Paints what a return does in a section. */
    void paint(Return r, Section s, double top, double base) {
        Span span = song.span(s);
        double x = axis.x(span.startSeconds());
        double end = axis.x(span.endSeconds());
        PlanCell cell = s.plan().cell(r.id());
        String words = fitting(cell, end - x - 8);
        if (!words.isEmpty()) {
            pen.haloed(
                    words,
                    x + 5,
                    top + 13,
                    Type.strong(11),
                    pen.palette.ink,
                    pen.palette.paper,
                    TextAlignment.LEFT);
        }
        if (cell.muted()) {
            return;
        }
        follows(r, s, cell, words, top, base);
    }

    /** What follows a sound there, to scale: a tail or beads. */
    private void follows(
            Return r, Section s, PlanCell cell, String words, double top, double base) {
        Span span = song.span(s);
        double x = axis.x(span.startSeconds());
        double end = axis.x(span.endSeconds());
        if (r.space() instanceof Space.Reverb reverb) {
            double tail = axis.x(span.startSeconds() + cell.decayScale() * reverb.decaySeconds());
            double[] xs = {x + 1, Math.min(end, tail), x + 1};
            double[] ys = {base - 14, base, base};
            pen.g.setFill(pen.palette.paper);
            pen.g.fillPolygon(xs, ys, 3);
            pen.g.setStroke(pen.palette.ink);
            pen.g.setLineWidth(1.2);
            pen.g.strokePolygon(xs, ys, 3);
            String decay = Wording.number(cell.decayScale() * reverb.decaySeconds(), 2) + " s";
            if (xs[1] + 6 + Pen.width(decay, Type.regular(11)) < end) {
                pen.haloed(
                        decay,
                        xs[1] + 4,
                        base - 3,
                        Type.regular(11),
                        pen.palette.ink,
                        pen.palette.paper,
                        TextAlignment.LEFT);
            }
            return;
        }
        if (r.space() instanceof Space.Echo echo) {
            beads(r, s, cell, echo, words, top, base);
        }
    }

    private void beads(
            Return r,
            Section s,
            PlanCell cell,
            Space.Echo echo,
            String words,
            double top,
            double base) {
        Span span = song.span(s);
        double end = axis.x(span.endSeconds());
        double step = echo.time().seconds(song.clock(), bar(r, s, cell));
        for (int k = 1; k <= MOST_BEADS; k++) {
            double at = axis.x(span.startSeconds() + k * step);
            double size = 4 * Math.pow(Math.max(0.1, echo.feedback()), (k - 1) / 2.0);
            if (at < end && size > 0.8) {
                pen.circle(at, base - 8, size, pen.palette.ink, null, 0);
            }
        }
        String millis = Wording.number(1000 * step, 0) + " ms";
        double taken = words.isEmpty() ? 0 : Pen.width(words, Type.strong(11)) + 8;
        double room = end - axis.x(span.startSeconds()) - 12;
        if (Pen.width(millis, Type.regular(11)) + taken < room) {
            pen.haloed(
                    millis,
                    end - 5,
                    top + 13,
                    Type.regular(11),
                    pen.palette.time,
                    pen.palette.paper,
                    TextAlignment.RIGHT);
        }
    }

    /** The bar whose tempo a return takes in a section. */
    static int bar(Return r, Section s, PlanCell cell) {
        boolean follows =
                cell.tempo() == PlanCell.Tempo.FOLLOWS
                        || (cell.tempo() == PlanCell.Tempo.AS_RETURN
                                && r.timing().followsSections());
        return follows ? s.firstBar() : r.timedAtBar();
    }

    /** What differs, or of that the level alone, or nothing where there is no room. */
    private static String fitting(PlanCell cell, double room) {
        String words = words(cell);
        if (Pen.width(words, Type.strong(11)) <= room) {
            return words;
        }
        String level =
                cell.muted()
                        ? "\u00d7"
                        : (cell.levelDb() > 0 ? "+" : "") + Wording.number(cell.levelDb(), 0);
        boolean says = cell.muted() || Math.abs(cell.levelDb()) >= 0.5;
        return says && Pen.width(level, Type.strong(11)) <= room ? level : "";
    }

    /** What differs in a cell, in a few signs. */
    static String words(PlanCell cell) {
        if (cell.muted()) {
            return "muted";
        }
        StringBuilder words = new StringBuilder();
        if (cell.levelDb() != 0) {
            words.append(cell.levelDb() > 0 ? "+" : "")
                    .append(Wording.number(cell.levelDb(), 1))
                    .append(" dB ");
        }
        if (cell.decayScale() != 1) {
            words.append("decay \u00d7").append(Wording.number(cell.decayScale(), 2)).append(' ');
        }
        if (cell.widthScale() != 1) {
            words.append("width \u00d7").append(Wording.number(cell.widthScale(), 2));
        }
        return words.toString().strip();
    }
}
