package orbispace.app.view.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import orbispace.app.desk.Throwing;
import orbispace.app.draw.Pen;
import orbispace.app.draw.TimeAxis;
import orbispace.app.draw.Type;
import orbispace.core.design.Design;
import orbispace.core.design.Throw;
import orbispace.core.plan.ThrowConflict;

/** Paints the pins of throws over the whole song, and the box that opens into the lens. */
final class PinPainter {
    /** Half the height of a pin's seal. */
    static final double PIN = 8;

    private static final int MOST_IDEAS = 3;
    private static final double CLUSTER = 11;

    private final Pen pen;
    private final TimeAxis axis;
    private final Throwing throwing;
    private final Design design;

    PinPainter(Pen pen, TimeAxis axis, Throwing throwing, Design design) {
        this.pen = pen;
        this.axis = axis;
        this.throwing = throwing;
        this.design = design;
    }

    /** Hollow marks over the words that suggest themselves. */
    void ideas() {
        throwing.courses().ideas().stream()
                .limit(MOST_IDEAS)
                .forEach(idea -> {
                    double x = axis.x(idea.word().startSeconds());
                    pen.g.setLineDashes(2, 3);
                    pen.line(x, ThrowChart.VOICE - 2, x, PIN + 8, pen.palette.ink3, 1);
                    pen.g.setLineDashes();
                    pen.circle(x, PIN + 4, 3.5, null, pen.palette.ink3, 1.2);
                });
    }

    /** Pins of all throws; those that are close are counted. */
    void pins(List<ThrowConflict> conflicts) {
        List<Throw> all = new ArrayList<>(design.thrown());
        all.sort(Comparator.comparingDouble(Throw::fromBeat));
        double last = Double.NEGATIVE_INFINITY;
        int count = 1;
        for (Throw t : all) {
            double x = axis.x(throwing.courses().span(t).startSeconds());
            if (x - last < CLUSTER) {
                count++;
                pen.text(
                        "\u00d7" + count,
                        last + PIN + 2,
                        PIN + 12,
                        Type.strong(11),
                        pen.palette.ink2);
                continue;
            }
            count = 1;
            last = x;
            boolean wrong = conflicts.stream().anyMatch(c -> c.thrown().id().equals(t.id()));
            boolean heard = !design.lostThrows().contains(t);
            var color = heard ? pen.palette.ofReturn(t.returnId()) : pen.palette.warn;
            pen.line(x, ThrowChart.VOICE - 2, x, 2 * PIN + 2, color, 1.4);
            pen.seal(t.returnId(), x, PIN + 2, PIN, t.id().equals(throwing.throwId().get()));
            if (wrong) {
                warning(pen, x + PIN + 5, PIN + 2);
            }
        }
    }

    /** A small triangle that warns. */
    static void warning(Pen pen, double x, double y) {
        pen.g.setStroke(pen.palette.warn);
        pen.g.setLineWidth(1.3);
        pen.g.strokePolygon(
                new double[] {x - 4.5, x, x + 4.5}, new double[] {y + 4, y - 4.5, y + 4}, 3);
        pen.line(x, y - 1.5, x, y + 2.5, pen.palette.warn, 1.2);
    }

    /** A box on the whole song that opens into the lens. */
    void funnel(TimeAxis lens) {
        double from = axis.x(lens.fromSeconds());
        double to = axis.x(Math.min(lens.toSeconds(), axis.toSeconds()));
        pen.g.setGlobalAlpha(0.12);
        pen.g.setFill(pen.palette.time);
        pen.g.fillPolygon(
                new double[] {from, to, lens.right(), lens.left()},
                new double[] {
                    ThrowChart.VOICE, ThrowChart.VOICE, ThrowChart.LENS_TOP, ThrowChart.LENS_TOP
                },
                4);
        pen.g.setGlobalAlpha(1);
        pen.g.setStroke(pen.palette.time);
        pen.g.setLineWidth(1);
        pen.g.strokeRect(
                Math.floor(from) + 0.5,
                22.5,
                Math.max(2, Math.floor(to - from)),
                ThrowChart.VOICE - 22);
        pen.line(from, ThrowChart.VOICE, lens.left(), ThrowChart.LENS_TOP, pen.palette.time, 0.6);
        pen.line(to, ThrowChart.VOICE, lens.right(), ThrowChart.LENS_TOP, pen.palette.time, 0.6);
    }
}
