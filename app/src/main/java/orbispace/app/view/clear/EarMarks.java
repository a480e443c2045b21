package orbispace.app.view.clear;

import java.util.List;
import javafx.scene.text.TextAlignment;
import orbispace.app.draw.ClashPainter;
import orbispace.app.draw.Pen;
import orbispace.app.draw.TimeAxis;
import orbispace.app.draw.Type;
import orbispace.core.clear.Diagnosis;
import orbispace.core.clear.HeardCells;
import orbispace.core.hearing.HearingModel;
import orbispace.core.time.Span;

/** Where an ear word lives: brackets around its moments, and the cells that are heard most. */
final class EarMarks {
    private static final double COLUMN = 4;

    private final Pen pen;
    private final TimeAxis axis;
    private final ClashPainter chart;
    private final double top;
    private final double height;

    EarMarks(Pen pen, TimeAxis axis, double top, double height) {
        this.pen = pen;
        this.axis = axis;
        this.top = top;
        this.height = height;
        chart = new ClashPainter(pen, axis, top, height, 0);
    }

    /** Draws a diagnosis of a section. */
    void paint(Diagnosis d, Span section) {
        double t = d.highHz() > 0 ? chart.y(Math.min(14000, d.highHz())) : top;
        double b = d.highHz() > 0 ? chart.y(Math.max(55, d.lowHz())) : top + height;
        List<Span> moments = d.moments().isEmpty() ? List.of(section) : d.moments();
        for (Span m : moments) {
            double from = Math.max(axis.left() + 1, axis.x(m.startSeconds()));
            double to = Math.min(axis.right() - 1, axis.x(m.endSeconds()));
            if (to > from + 2) {
                brackets(from, to, t, b);
                cells(d, section, from, to);
            }
        }
        double at = Math.max(axis.left() + 4, axis.x(moments.getFirst().startSeconds()) + 4);
        pen.haloed(
                d.word().label(),
                Math.min(at, axis.right() - 90),
                Math.max(top + 12, t + 12),
                Type.strong(11.5),
                pen.palette.ink,
                pen.palette.disc,
                TextAlignment.LEFT);
    }

    private void brackets(double l, double r, double t, double b) {
        double reach = Math.min(8, (r - l) / 3);
        for (double x : new double[] {l, r}) {
            double in = x == l ? reach : -reach;
            pen.line(x, t, x, b, pen.palette.ink, 1.6);
            pen.line(x, t, x + in, t, pen.palette.ink, 1.6);
            pen.line(x, b, x + in, b, pen.palette.ink, 1.6);
        }
    }

    /** A tick in each cell in which the return stands out beside everything else. */
    private void cells(Diagnosis d, Span section, double from, double to) {
        HeardCells heard = d.cells();
        double least = heard.standsOut(d.lowHz(), d.highHz());
        double band = height / (HearingModel.BANDS - 1);
        for (double x = from; x < to; x += COLUMN) {
            double seconds = axis.seconds(x + COLUMN / 2) - section.startSeconds();
            int frame = (int) (seconds * heard.framesPerSecond());
            for (int b = 0; b < HearingModel.BANDS && frame >= 0 && frame < heard.frames(); b++) {
                if (heard.at(frame, b) >= least && HeardCells.isIn(b, d.lowHz(), d.highHz())) {
                    double y = chart.y(HearingModel.centreHz(b));
                    pen.line(x, y - band / 2, x, y + band / 2, pen.palette.ink, 1.2);
                }
            }
        }
    }
}
