package orbispace.app.draw;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import javafx.scene.shape.ArcType;
import orbispace.app.song.FieldEvents;
import orbispace.app.song.ReturnPicture;
import orbispace.core.design.Return;

/** An Orbit in small: its disc, the song's events and all returns, without any words. */
public final class OrbitThumbnail {
    private static final double[] SECONDS = {0.02, 0.1, 0.5, 2};

    private OrbitThumbnail() {}

    /** Draws a scene into a frame. */
    public static void paint(Pen pen, OrbitScene scene, double w, double h) {
        PolarAxis axis = new PolarAxis(w / 2, h - 6, Math.min(w / 2 - 6, h - 12));
        Palette p = pen.palette;
        double r = axis.radius();
        pen.g.setFill(p.disc);
        pen.g.fillArc(w / 2 - r, h - 6 - r, 2 * r, 2 * r, 0, 180, ArcType.OPEN);
        for (double s : SECONDS) {
            ring(pen, axis, axis.r(s), 1);
        }
        for (FieldEvents.Ring event : scene.rings()) {
            double middle = axis.r(Math.min(5.5, event.middleSeconds()));
            pen.g.setGlobalAlpha(0.12);
            pen.g.setStroke(p.ink);
            arc(
                    pen,
                    axis,
                    middle,
                    Math.max(3, axis.r(event.highSeconds()) - axis.r(event.lowSeconds())));
            pen.g.setGlobalAlpha(1);
        }
        List<Return> longestFirst = new ArrayList<>(scene.design().returns());
        longestFirst.sort(Comparator.comparingDouble(ret -> -end(scene, ret)));
        for (Return ret : longestFirst) {
            ReturnPicture picture = scene.pictures().get(ret.id());
            if (picture != null) {
                boolean first = ret.equals(longestFirst.getFirst());
                ReturnGeometry geometry = ReturnGeometry.of(scene.design(), ret, picture);
                new ReturnPainter(pen, axis, ret, geometry, !first).paintSmall();
            }
        }
        pen.g.setStroke(p.ink);
        arc(pen, axis, r, 1.2);
        pen.across(w / 2 - r, w / 2 + r, h - 6, p.ink);
    }

    /** How far a fan reaches; single arrivals are drawn over all fans. */
    private static double end(OrbitScene scene, Return ret) {
        ReturnPicture picture = scene.pictures().get(ret.id());
        return picture == null || !picture.arrivals().isEmpty()
                ? 0
                : ReturnGeometry.of(scene.design(), ret, picture).endSeconds();
    }

    private static void ring(Pen pen, PolarAxis axis, double r, double width) {
        pen.g.setStroke(pen.palette.hair);
        arc(pen, axis, r, width);
    }

    private static void arc(Pen pen, PolarAxis axis, double r, double width) {
        pen.g.setLineWidth(width);
        pen.g.strokeArc(axis.centreX() - r, axis.centreY() - r, 2 * r, 2 * r, 0, 180, ArcType.OPEN);
    }
}
