package orbispace.app.draw;

import java.util.List;
import javafx.scene.paint.Color;
import javafx.scene.text.TextAlignment;
import orbispace.app.song.ReturnPicture;
import orbispace.core.design.Return;
import orbispace.core.words.Wording;

/** Draws single arrivals of the Orbit as beads at their time and side. */
final class BeadPainter {
    private static final double[] BEAD_RADII = {12, 9, 6.6, 4.8, 3.4, 2.6};

    private final Pen pen;
    private final PolarAxis axis;
    private final Return ret;
    private final ReturnGeometry geometry;
    private final Color color;
    private final boolean small;

    /** A painter of beads; in small without seals and words. */
    BeadPainter(Pen pen, PolarAxis axis, Return ret, ReturnGeometry geometry, boolean small) {
        this.small = small;
        this.pen = pen;
        this.axis = axis;
        this.ret = ret;
        this.geometry = geometry;
        this.color = pen.palette.ofReturn(ret.id());
    }

    /** Draws the arrivals, joined in their order if each comes of the one before. */
    void paint(boolean chosen, boolean joined) {
        List<ReturnPicture.Arrival> arrivals = geometry.arrivals();
        for (int k = 0; k < arrivals.size(); k++) {
            ReturnPicture.Arrival a = arrivals.get(k);
            double r = axis.r(a.seconds());
            double x = axis.x(r, a.bearingDegrees());
            double y = axis.y(r, a.bearingDegrees());
            if (r > axis.radius()) {
                return;
            }
            pen.g.setGlobalAlpha(chosen ? 1 : 0.75);
            if (joined && !small && k + 1 < arrivals.size()) {
                path(a, arrivals.get(k + 1));
            }
            double size = joined ? BEAD_RADII[Math.min(k, BEAD_RADII.length - 1)] : 6.6;
            bead(x, y, small ? size / 2 : size);
            if (!small && (joined || k == 0)) {
                label(a, k, x, y);
            }
        }
    }

    private void bead(double x, double y, double radius) {
        pen.circle(x, y, radius, pen.palette.disc, color, 1.2);
        for (double ring = radius - 2.6; ring > 1; ring -= 2.6) {
            pen.circle(x, y, ring, null, color, 1);
        }
        pen.circle(x, y, Math.min(1.6, radius / 2), color, null, 0);
    }

    private void label(ReturnPicture.Arrival a, int k, double x, double y) {
        boolean left = a.bearingDegrees() < 0;
        double side = left ? -1 : 1;
        double radius = BEAD_RADII[Math.min(k, BEAD_RADII.length - 1)];
        if (k == 0) {
            pen.seal(ret.id(), x + side * (radius + 15), y + 3, 10, true);
        } else {
            pen.haloed(
                    Wording.number(a.levelDb(), 0),
                    x - side * (radius + 4),
                    y + 4,
                    Type.regular(11.5),
                    color,
                    pen.palette.disc,
                    left ? TextAlignment.LEFT : TextAlignment.RIGHT);
        }
    }

    /** A short stub with an arrow towards the next side. */
    private void path(ReturnPicture.Arrival a, ReturnPicture.Arrival b) {
        double turn = Math.signum(b.bearingDegrees() - a.bearingDegrees());
        double r1 = axis.r(a.seconds());
        double r2 = axis.r(b.seconds());
        int steps = 14;
        double lastX = axis.x(r1, a.bearingDegrees());
        double lastY = axis.y(r1, a.bearingDegrees());
        pen.g.setLineDashes(4, 3);
        for (int i = 1; i <= steps; i++) {
            double share = 0.18 * i / steps;
            double bearing = a.bearingDegrees() + share * (b.bearingDegrees() - a.bearingDegrees());
            double r = r1 + share * (r2 - r1);
            double x = axis.x(r, bearing);
            double y = axis.y(r, bearing);
            if (i > 6) {
                pen.line(lastX, lastY, x, y, color, 1);
            }
            lastX = x;
            lastY = y;
        }
        pen.g.setLineDashes();
        double bearing = a.bearingDegrees() + 0.18 * (b.bearingDegrees() - a.bearingDegrees());
        pen.g.save();
        pen.g.translate(lastX, lastY);
        pen.g.rotate(bearing);
        pen.line(-4 * turn, -3, 0, 0, color, 1);
        pen.line(-4 * turn, 3, 0, 0, color, 1);
        pen.g.restore();
    }
}
