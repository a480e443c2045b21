package orbispace.app.draw;

import javafx.scene.paint.Color;
import javafx.scene.text.TextAlignment;
import orbispace.core.clear.PairView;
import orbispace.core.clear.River;
import orbispace.core.design.Filter;
import orbispace.core.hearing.HearingModel;
import orbispace.core.words.Wording;

/** Draws where a return takes more than a fifth of the voice: ear bands over time. */
public final class ClashPainter {
    private static final double[] LABELS_HZ = {100, 200, 400, 800, 1600, 3150, 6300};
    private static final double COLUMN = 6;
    private static final double HALF_CROSSED = 0.25;

    private final Pen pen;
    private final TimeAxis axis;
    private final double top;
    private final double height;
    private final double start;

    /**
     * A painter of a chart in a frame.
     *
     * @param startSeconds the moment of a pair's first frame
     */
    public ClashPainter(Pen pen, TimeAxis axis, double top, double height, double startSeconds) {
        this.start = startSeconds;
        this.pen = pen;
        this.axis = axis;
        this.top = top;
        this.height = height;
    }

    /** Height of a frequency on the ear's own scale. */
    public double y(double hz) {
        double low = HearingModel.erbNumber(HearingModel.centreHz(0));
        double high = HearingModel.erbNumber(HearingModel.centreHz(HearingModel.BANDS - 1));
        return top + height * (1 - (HearingModel.erbNumber(hz) - low) / (high - low));
    }

    /** The ear band at a height of the chart. */
    public static int bandAt(double y, double top, double height) {
        double share = 1 - (y - top) / height;
        return Math.clamp(Math.round(share * (HearingModel.BANDS - 1)), 0, HearingModel.BANDS - 1);
    }

    /** Draws the frame and, if there is a pair, its clashes. */
    public void paint(java.util.Optional<PairView> pair) {
        pen.g.setFill(pen.palette.disc);
        pen.g.fillRect(axis.left(), top, axis.width(), height);
        for (double hz : LABELS_HZ) {
            pen.across(axis.left(), axis.right(), y(hz), pen.palette.hair);
            String label =
                    hz < 1000
                            ? Wording.number(hz, 0)
                            : Wording.number(hz / 1000, hz == 3150 ? 2 : 1) + "k";
            pen.text(
                    label,
                    axis.left() - 8,
                    y(hz) + 4,
                    Type.regular(11),
                    pen.palette.ink3,
                    TextAlignment.RIGHT);
        }
        pair.ifPresent(this::cells);
        pen.g.setStroke(pen.palette.rule);
        pen.g.setLineWidth(1);
        pen.g.strokeRect(axis.left() + 0.5, top + 0.5, axis.width() - 1, height - 1);
    }

    /**
     * Cells of a few pixels: hatched where a third of their frames clash, crossed where most do.
     */
    private void cells(PairView pair) {
        Color warn = pen.palette.warn;
        double perSecond = pair.river().framesPerSecond();
        double band = height / (HearingModel.BANDS - 1);
        int columns = (int) (axis.width() / COLUMN);
        for (int c = 0; c < columns; c++) {
            int from = frame(axis.left() + c * COLUMN, perSecond);
            int to =
                    Math.min(
                            pair.river().frames(),
                            Math.max(from + 1, frame(axis.left() + (c + 1) * COLUMN, perSecond)));
            for (int b = 0; b < HearingModel.BANDS; b++) {
                double share = share(pair, from, to, b);
                double x = axis.left() + c * COLUMN;
                double y = y(HearingModel.centreHz(b)) - band / 2;
                if (share >= 0.6) {
                    Hatch.cross(pen.g, warn, Hatch.Area.rectangle(x, y, COLUMN, band));
                } else if (share >= HALF_CROSSED) {
                    Hatch.diagonal(pen.g, warn, Hatch.Area.rectangle(x, y, COLUMN, band));
                }
            }
        }
    }

    /**
     * Marks with a dot each cell in which a pair clashed and does not now, so that what was won is
     * seen.
     */
    public void paintWon(PairView before, PairView now) {
        double perSecond = now.river().framesPerSecond();
        int columns = (int) (axis.width() / COLUMN);
        for (int c = 0; c < columns; c++) {
            int from = frame(axis.left() + c * COLUMN, perSecond);
            int to =
                    Math.min(
                            Math.min(now.river().frames(), before.river().frames()),
                            Math.max(from + 1, frame(axis.left() + (c + 1) * COLUMN, perSecond)));
            for (int b = 0; b < HearingModel.BANDS; b++) {
                if (share(before, from, to, b) >= HALF_CROSSED
                        && share(now, from, to, b) < HALF_CROSSED) {
                    pen.g.setFill(pen.palette.ink2);
                    pen.g.fillOval(
                            axis.left() + c * COLUMN + COLUMN / 2 - 1,
                            y(HearingModel.centreHz(b)) - 1,
                            2,
                            2);
                }
            }
        }
    }

    private int frame(double x, double perSecond) {
        return (int) ((axis.seconds(x) - start) * perSecond);
    }

    private static double share(PairView pair, int from, int to, int band) {
        int count = 0;
        for (int f = from; f < to; f++) {
            boolean speaking = pair.river().course(f) != River.Course.BLOOMS;
            count += speaking && pair.meter().clashAt(f, band) ? 1 : 0;
        }
        return to > from ? count / (double) (to - from) : 0;
    }

    /** Marks the corner of a high-pass, with its frequency. */
    public void paintHighPass(Filter.Corner corner) {
        double y = y(Math.max(50, corner.hz()));
        pen.g.setLineDashes(6, 4);
        pen.across(axis.left(), axis.right(), y, pen.palette.ink2);
        pen.g.setLineDashes();
        pen.haloed(
                "high-pass " + Wording.hertz(corner.hz()),
                axis.right() - 6,
                y - 4,
                Type.regular(11.5),
                pen.palette.ink2,
                pen.palette.disc,
                TextAlignment.RIGHT);
    }
}
