package orbispace.app.draw;

import java.util.List;
import javafx.geometry.Point2D;
import javafx.scene.paint.Color;
import orbispace.core.design.Return;
import orbispace.core.design.Space;
import orbispace.core.design.SplitPair;
import orbispace.core.space.ReverbKind;

/** Engraves one return into the Orbit from its measured response, each kind in its own way. */
final class ReturnPainter {
    private static final double SPLIT_DEGREES = 5;
    private static final double ASIDE = 21;

    private final Pen pen;
    private final PolarAxis axis;
    private final Return ret;
    private final ReturnGeometry geometry;
    private final Color color;
    private final boolean crowded;
    private boolean small;
    private boolean sketched;

    /** A painter of a return; in a crowd only the chosen fan is engraved. */
    ReturnPainter(Pen pen, PolarAxis axis, Return ret, ReturnGeometry geometry, boolean crowded) {
        this.crowded = crowded;
        this.pen = pen;
        this.axis = axis;
        this.ret = ret;
        this.geometry = geometry;
        this.color = pen.palette.ofReturn(ret.id());
    }

    /** Draws the return without seals and words, for a picture in small. */
    void paintSmall() {
        small = true;
        paint(false);
    }

    /** Draws the return as it is chosen; with few lines while a hand moves it. */
    void paintChosen(boolean moving) {
        sketched = moving;
        paint(true);
    }

    void paint(boolean chosen) {
        pen.g.save();
        pen.g.setGlobalAlpha(chosen ? 1 : 0.55);
        switch (ret.space()) {
            case Space.Reverb r -> paintFan(chosen, engraving(r.kind()));
            case Space.Gated g -> paintFan(chosen, FanPainter.Engraving.SPIRALS);
            case Space.Convolution c -> paintFan(chosen, FanPainter.Engraving.STIPPLE);
            case SplitPair s -> paintSplit(chosen, s);
            case Space.Echo e -> beads().paint(chosen, true);
            case Space.Copies d -> beads().paint(chosen, false);
            case Space.Parallel p -> paintBand(chosen);
        }
        pen.g.restore();
    }

    private BeadPainter beads() {
        return new BeadPainter(pen, axis, ret, geometry, small);
    }

    private static FanPainter.Engraving engraving(ReverbKind kind) {
        return switch (kind) {
            case ROOM -> FanPainter.Engraving.RAYS;
            case CHAMBER -> FanPainter.Engraving.BROKEN_RAYS;
            case PLATE -> FanPainter.Engraving.FINE_LINES;
            case HALL -> FanPainter.Engraving.LINES;
            case VAST -> FanPainter.Engraving.WIDE_LINES;
        };
    }

    private void paintFan(boolean chosen, FanPainter.Engraving engraving) {
        double[] edges = geometry.edgesDegrees();
        double middle = (edges[0] + edges[1]) / 2;
        double half = Math.max(4, (edges[1] - edges[0]) / 2);
        FanPainter fan = fan(middle, half, true);
        fan.paint(chosen, crowded, engraving);
        seal(fan, middle - half * (chosen ? 0.82 : 0.6), chosen);
    }

    /**
     * In a crowd the seals lie over all fans, each where its own ends; aside of those that lie
     * there already.
     *
     * @param taken places of seals, to which this one's is added
     */
    void sealAside(List<Point2D> taken) {
        if (ret.space() instanceof Space.Echo
                || ret.space() instanceof Space.Copies
                || ret.space() instanceof Space.Parallel) {
            return;
        }
        double[] edges = geometry.edgesDegrees();
        double middle = (edges[0] + edges[1]) / 2;
        double half = Math.max(4, (edges[1] - edges[0]) / 2);
        double r = Math.min(axis.radius() - 16, fan(middle, half, false).outer());
        for (double bearing = middle - 0.6 * half; bearing < 80; bearing += 5) {
            Point2D place = new Point2D(axis.x(r, bearing), axis.y(r, bearing));
            if (taken.stream().allMatch(t -> t.distance(place) > ASIDE)) {
                taken.add(place);
                pen.seal(ret.id(), place.getX(), place.getY(), 9, false);
                return;
            }
        }
    }

    private void paintSplit(boolean chosen, SplitPair split) {
        double[] edges = geometry.edgesDegrees();
        double left = Math.min(-2 * SPLIT_DEGREES, edges[0]);
        double right = Math.max(2 * SPLIT_DEGREES, edges[1]);
        FanPainter first = fan((left - SPLIT_DEGREES) / 2, -(left + SPLIT_DEGREES) / 2, false);
        first.paint(chosen, crowded, engraving(split.left().kind()));
        fan((right + SPLIT_DEGREES) / 2, (right - SPLIT_DEGREES) / 2, false)
                .paint(chosen, crowded, engraving(split.right().kind()));
        seal(first, left * 0.8, chosen);
    }

    private FanPainter fan(double middle, double half, boolean leans) {
        FanShape shape = new FanShape(pen, axis, color, geometry, middle, half);
        return new FanPainter(pen, axis, shape, geometry, leans, sketched);
    }

    private void seal(FanPainter fan, double bearing, boolean chosen) {
        if (small || (crowded && !chosen)) {
            return;
        }
        double r =
                chosen
                        ? Math.min(axis.radius() - 16, fan.outer() + 2)
                        : (fan.inner() + fan.outer()) / 2;
        pen.g.setGlobalAlpha(1);
        pen.seal(ret.id(), axis.x(r, bearing), axis.y(r, bearing), 11, chosen);
    }

    /** A return without any time: a band where the dry sound is. */
    private void paintBand(boolean chosen) {
        for (double r = 9; r <= 18; r += 3) {
            pen.g.setStroke(color);
            pen.g.setLineWidth(chosen ? 1.6 : 1);
            pen.g.strokeArc(
                    axis.centreX() - r,
                    axis.centreY() - r,
                    2 * r,
                    2 * r,
                    0,
                    180,
                    javafx.scene.shape.ArcType.OPEN);
        }
        pen.g.setGlobalAlpha(1);
        pen.seal(ret.id(), axis.x(34, -62), axis.y(34, -62), 10, chosen);
    }
}
