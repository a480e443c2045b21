package orbispace.app.view.prove;

import java.util.List;
import java.util.OptionalDouble;
import javafx.scene.text.TextAlignment;
import orbispace.app.draw.Pen;
import orbispace.app.draw.Type;
import orbispace.app.measuring.Referencing;
import orbispace.app.view.control.ScalingCanvas;
import orbispace.core.measure.StereoReport;
import orbispace.core.prove.compare.FinishedTrack;
import orbispace.core.words.Wording;
import org.jspecify.annotations.Nullable;

/** The mix less a finished track in thirds of an octave, and the width of both per octave. */
final class TrackChart extends ScalingCanvas {
    private static final double LEFT = 38;
    private static final double FOOT = 17;
    private static final double GAP = 10;
    private static final double FROM_HZ = 31.5 / 1.122;
    private static final double TO_HZ = 16000 * 1.122;
    private static final double THIRD = Math.pow(2, 1.0 / 6);
    private static final double OCTAVE = Math.sqrt(2);
    private static final double LEAST_DB = 4;
    private static final double MOST_DB = 18;
    private static final double MOST_DEGREES = 90;

    private Referencing.@Nullable Held held;

    void show(Referencing.@Nullable Held given) {
        held = given;
        repaint();
    }

    @Override
    protected void paint(Pen pen, double w, double h) {
        Referencing.Held now = held;
        if (now == null) {
            return;
        }
        double upper = (h - FOOT - GAP) * 0.58;
        spectrum(pen, now, w, upper);
        double top = upper + GAP;
        widths(pen, now, w, top, h - FOOT);
        for (double hz : new double[] {100, 1000, 10000}) {
            pen.text(
                    Wording.hertz(hz),
                    x(hz, w),
                    h - 4,
                    Type.regular(11),
                    pen.palette.ink2,
                    TextAlignment.CENTER);
        }
    }

    private static double x(double hz, double w) {
        return LEFT + (w - LEFT) * Math.log(hz / FROM_HZ) / Math.log(TO_HZ / FROM_HZ);
    }

    private static void spectrum(Pen pen, Referencing.Held now, double w, double h) {
        List<OptionalDouble> less = now.difference().thirds();
        double most = LEAST_DB;
        for (OptionalDouble d : less) {
            most = Math.max(most, Math.abs(d.orElse(0)));
        }
        most = Math.min(MOST_DB, 2 * Math.ceil(most / 2));
        pen.g.setFill(pen.palette.disc);
        pen.g.fillRect(LEFT, 0, w - LEFT, h);
        double middle = h / 2;
        double perDb = (h / 2 - 4) / most;
        for (double db : new double[] {-most, 0, most}) {
            double y = middle - db * perDb;
            pen.across(LEFT, w, y, db == 0 ? pen.palette.ink : pen.palette.hair);
            pen.text(
                    db == 0 ? "0 dB" : Wording.signed(db).replace(".0", ""),
                    LEFT - 5,
                    y + 4,
                    Type.regular(11),
                    pen.palette.ink2,
                    TextAlignment.RIGHT);
        }
        outline(pen, now, w, middle, perDb);
    }

    private static void outline(
            Pen pen, Referencing.Held now, double w, double middle, double perDb) {
        List<FinishedTrack.Third> thirds = now.mix().thirds();
        List<OptionalDouble> less = now.difference().thirds();
        double last = middle;
        for (int i = 0; i < less.size(); i++) {
            if (less.get(i).isEmpty()) {
                continue;
            }
            double hz = thirds.get(i).centreHz();
            double db = Math.clamp(less.get(i).getAsDouble(), -MOST_DB, MOST_DB);
            double y = middle - db * perDb;
            double from = x(hz / THIRD, w);
            double to = Math.min(w, x(hz * THIRD, w));
            for (double at = from; at < to; at += 3) {
                pen.upright(at, Math.min(y, middle), Math.max(y, middle), pen.palette.ink3);
            }
            pen.line(from, last, from, y, pen.palette.ink, 1.4);
            pen.line(from, y, to, y, pen.palette.ink, 2);
            last = y;
        }
    }

    private static void widths(Pen pen, Referencing.Held now, double w, double top, double floor) {
        double middle = (top + floor) / 2;
        double half = (floor - top) / 2;
        pen.g.setFill(pen.palette.disc);
        pen.g.fillRect(LEFT, top, w - LEFT, floor - top);
        pen.across(LEFT, w, middle, pen.palette.hair);
        pen.text(
                "width",
                LEFT - 5,
                middle + 4,
                Type.regular(11),
                pen.palette.ink2,
                TextAlignment.RIGHT);
        List<StereoReport.Band> mine = now.mix().stereo().bands();
        List<StereoReport.Band> theirs = now.track().stereo().bands();
        for (int i = 0; i < Math.min(mine.size(), theirs.size()); i++) {
            double hz = mine.get(i).centreHz();
            double from = Math.max(LEFT, x(hz / OCTAVE, w)) + 3;
            double to = Math.min(w, x(hz * OCTAVE, w)) - 3;
            double own = half * share(mine.get(i));
            for (double at = from; at <= to; at += 4) {
                pen.upright(at, middle - own, middle + own, pen.palette.ink2);
            }
            double other = half * share(theirs.get(i));
            pen.line(from, middle - other, to, middle - other, pen.palette.ink, 2.2);
            pen.line(from, middle + other, to, middle + other, pen.palette.ink, 2.2);
        }
    }

    private static double share(StereoReport.Band band) {
        return Math.clamp(band.widthDegrees().orElse(0) / MOST_DEGREES, 0, 1);
    }
}
