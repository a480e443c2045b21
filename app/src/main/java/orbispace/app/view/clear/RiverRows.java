package orbispace.app.view.clear;

import java.util.List;
import java.util.Optional;
import orbispace.app.draw.Pen;
import orbispace.app.draw.RiverPainter;
import orbispace.app.draw.TimeAxis;
import orbispace.app.draw.Type;
import orbispace.app.song.Clearance;
import orbispace.core.clear.DuckCourse;
import orbispace.core.clear.PairView;
import orbispace.core.design.Return;
import orbispace.core.time.Span;
import orbispace.core.words.Wording;
import org.jspecify.annotations.Nullable;

/** The rows of the Clear screen: each return as a river under or over the judged source. */
final class RiverRows {
    /** Rows that are lower hold their two lines with nothing to spare. */
    private static final double LOW = 40;

    private static final double MOST_DUCK_DB = 15;

    private final Pen pen;
    private final TimeAxis axis;
    private final @Nullable Clearance clearance;
    private final Span span;
    private final String chosenId;

    /**
     * Rows over a stretch.
     *
     * @param clearance what was measured; null for nothing
     * @param span the stretch that is shown
     * @param chosenId letter of the chosen return
     */
    RiverRows(Pen pen, TimeAxis axis, @Nullable Clearance clearance, Span span, String chosenId) {
        this.pen = pen;
        this.axis = axis;
        this.clearance = clearance;
        this.span = span;
        this.chosenId = chosenId;
    }

    /**
     * Paints the rows that are seen, and beside them where they lie among all.
     *
     * @param first index of the first that is seen
     * @param last one past the last
     * @param barX where the bar stands that says it
     * @return where the rows end
     */
    double paintAll(List<Return> all, int first, int last, double top, double height, double barX) {
        double y = top;
        for (Return r : all.subList(first, last)) {
            paint(r, y, height);
            y += height;
        }
        if (last - first < all.size()) {
            double share = (y - top) / all.size();
            pen.line(barX, top + share * first, barX, top + share * last, pen.palette.ink3, 3);
        }
        return y;
    }

    /** Paints the row of a return. */
    void paint(Return r, double top, double height) {
        boolean chosen = r.id().equals(chosenId);
        double middle = top + height / 2;
        double pad = height < LOW ? 1.5 : 4.5;
        if (chosen) {
            pen.clipped(
                    8.5,
                    Math.floor(top) + pad,
                    axis.left() - 14,
                    height - 2 * pad,
                    5,
                    pen.palette.card,
                    pen.palette.ofReturn(r.id()));
        }
        pen.across(16, axis.right(), top, pen.palette.rule);
        pen.seal(r.id(), 28, middle, 12, chosen);
        pen.named(r.name(), 46, middle - (height < LOW ? 3 : 1), axis.left() - 56);
        Optional<PairView> pair = pair(r.id());
        String kept =
                pair.flatMap(p ->
                                p.cover().presenceKept().isPresent()
                                        ? Optional.of(p.cover().presenceKept().getAsDouble())
                                        : Optional.empty())
                        .map(v -> "kept " + Wording.percent(v, 0))
                        .orElse("measuring");
        pen.text(kept, 46, middle + (height < LOW ? 11 : 14), Type.regular(11.5), pen.palette.ink3);
        pair.ifPresent(p -> painter(r, p, middle, height).paint());
        before(r.id()).ifPresent(p -> painter(r, p, middle, height).outline());
        ducked(r.id(), top, height);
    }

    private RiverPainter painter(Return r, PairView pair, double middle, double height) {
        return new RiverPainter(
                pen, pair.river(), axis, r.id(), middle, height - 12, span.startSeconds());
    }

    /** The pair of a return as it was, if that was another. */
    Optional<PairView> before(String id) {
        return Optional.ofNullable(clearance)
                .filter((Clearance c) -> c.span().equals(span))
                .flatMap(c -> Optional.ofNullable(c.before().get(id)));
    }

    /** The ducker's gain over the river: a line that hangs from its top, 3 dB to a fifth of it. */
    private void ducked(String id, double top, double height) {
        Clearance c = clearance;
        DuckCourse course = c == null || !c.span().equals(span) ? null : c.ducks().get(id);
        if (course == null || course.frames() == 0) {
            return;
        }
        int columns = (int) axis.width() / 2;
        double[] xs = new double[columns];
        double[] ys = new double[columns];
        for (int i = 0; i < columns; i++) {
            xs[i] = axis.left() + 2 * i;
            double seconds = axis.seconds(xs[i]) - span.startSeconds();
            int frame = (int) Math.min(course.frames() - 1.0, seconds * course.framesPerSecond());
            double down = Math.min(MOST_DUCK_DB, -course.gainDb(Math.max(0, frame)));
            ys[i] = top + 3 + down / MOST_DUCK_DB * (height - 6);
        }
        pen.g.setStroke(pen.palette.ink);
        pen.g.setLineWidth(1.2);
        pen.g.strokePolyline(xs, ys, columns);
        if (!course.fault().isEmpty()) {
            double x = axis.right() - 90;
            pen.flag(x, top + height - 6, x, top + 16, course.fault(), pen.palette.warn);
        }
    }

    /** The pair as it was measured over this very stretch; nothing while another is still shown. */
    Optional<PairView> pair(String id) {
        return Optional.ofNullable(clearance)
                .filter((Clearance c) -> c.span().equals(span))
                .flatMap(c -> c.pair(id));
    }
}
