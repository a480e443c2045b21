package orbispace.app.draw;

import java.util.List;
import javafx.scene.paint.Color;
import javafx.scene.text.TextAlignment;
import orbispace.app.session.ReturnPicture;
import orbispace.core.design.Return;
import orbispace.core.design.Space;
import orbispace.files.Wording;

/** Engraves one return into the Orbit from its measured response. */
final class ReturnPainter {
    private static final double LINE_STEP = 3.4;
    private static final double DASHED_BELOW = 0.24;
    private static final double[] BEAD_RADII = {12, 9, 6.6, 4.8, 3.4, 2.6};

    private final Pen pen;
    private final PolarAxis axis;
    private final Return ret;
    private final ReturnGeometry geometry;
    private final Color color;

    ReturnPainter(Pen pen, PolarAxis axis, Return ret, ReturnGeometry geometry) {
        this.pen = pen;
        this.axis = axis;
        this.ret = ret;
        this.geometry = geometry;
        this.color = pen.palette.ofReturn(ret.id());
    }

    void paint(boolean chosen) {
        pen.g.save();
        pen.g.setGlobalAlpha(chosen ? 1 : 0.55);
        switch (ret.space()) {
            case Space.Hall hall -> paintFan(chosen);
            case Space.PingPong echo -> paintBeads(chosen);
        }
        pen.g.restore();
    }

    private void paintFan(boolean chosen) {
        double[] edges = geometry.edgesDegrees();
        double middle = (edges[0] + edges[1]) / 2;
        double half = Math.max(4, (edges[1] - edges[0]) / 2);
        double inner = axis.r(geometry.predelaySeconds());
        double outer = Math.min(axis.radius(), axis.r(geometry.endSeconds()));
        if (chosen) {
            knockOut(inner, outer, middle, half);
        }
        for (double r = inner + 1.5; r <= outer; r += LINE_STEP) {
            double db = geometry.ringDb(axis.seconds(r));
            engrave(
                    r,
                    middle,
                    half,
                    Math.pow(Math.max(0, 1 + db / 60), 1.55),
                    (int) (r / LINE_STEP));
        }
        outline(inner, outer, middle, half, chosen);
        double sealAt = middle - half * (chosen ? 0.82 : 0.6);
        double sealR = chosen ? Math.min(axis.radius() - 16, outer + 2) : (inner + outer) / 2;
        pen.g.setGlobalAlpha(1);
        pen.seal(ret.id(), axis.x(sealR, sealAt), axis.y(sealR, sealAt), 11, chosen);
    }

    private void knockOut(double inner, double outer, double middle, double half) {
        pen.g.setGlobalAlpha(0.72);
        pen.g.setFill(pen.palette.disc);
        sector(inner, outer, middle, half);
        pen.g.fill();
        pen.g.setGlobalAlpha(1);
    }

    private void sector(double inner, double outer, double middle, double half) {
        pen.g.beginPath();
        double start = 90 - (middle + half);
        double length = 2 * half;
        pen.g.moveTo(axis.x(inner, middle + half), axis.y(inner, middle + half));
        pen.g.arc(axis.centreX(), axis.centreY(), outer, outer, start, length);
        pen.g.arc(axis.centreX(), axis.centreY(), inner, inner, start + length, -length);
        pen.g.closePath();
    }

    /** One swelling line along a ring: a filled strip, or dashes where little is left. */
    private void engrave(double r, double middle, double half, double strength, int seed) {
        int steps = Math.max(24, (int) (half * r / 230));
        double[] xs = new double[2 * steps + 2];
        double[] ys = new double[2 * steps + 2];
        int n = 0;
        double[] widths = new double[steps + 1];
        for (int i = 0; i <= steps; i++) {
            double u = 2.0 * i / steps - 1;
            double q =
                    strength
                            * (1 - 0.62 * Math.pow(Math.abs(u), 2.2))
                            * (0.72 + 0.46 * noise(seed, i * 40 / steps));
            boolean gap = q < DASHED_BELOW && noise(seed * 7 + 3, i) > 0.25 + 3 * q;
            widths[i] = q < 0.02 || gap ? 0 : 0.42 + 2.1 * q;
        }
        pen.g.setFill(color);
        int from = -1;
        for (int i = 0; i <= steps + 1; i++) {
            boolean ink = i <= steps && widths[i] > 0;
            if (ink && from < 0) {
                from = i;
            } else if (!ink && from >= 0) {
                n = strip(xs, ys, widths, from, i - 1, r, middle, half, steps);
                pen.g.fillPolygon(xs, ys, n);
                from = -1;
            }
        }
    }

    private int strip(
            double[] xs,
            double[] ys,
            double[] widths,
            int from,
            int to,
            double r,
            double middle,
            double half,
            int steps) {
        int last = Math.min(steps, to == from ? to + 1 : to);
        int first = last == from ? from - 1 : from;
        int count = last - first + 1;
        for (int k = 0; k < count; k++) {
            double bearing = middle + half * (2.0 * (first + k) / steps - 1);
            double w = Math.max(0.5, widths[first + k]) / 2;
            xs[k] = axis.x(r + w, bearing);
            ys[k] = axis.y(r + w, bearing);
            xs[2 * count - 1 - k] = axis.x(r - w, bearing);
            ys[2 * count - 1 - k] = axis.y(r - w, bearing);
        }
        return 2 * count;
    }

    /** Even noise from 0 to 1 that stays the same for the same place. */
    private static double noise(int a, int b) {
        long h = a * 0x9E3779B97F4A7C15L + b * 0xC2B2AE3D27D4EB4FL;
        h ^= h >>> 29;
        h *= 0xBF58476D1CE4E5B9L;
        h ^= h >>> 32;
        return (h & 0xFFFF) / 65535.0;
    }

    private void outline(double inner, double outer, double middle, double half, boolean chosen) {
        pen.g.setStroke(color);
        pen.g.setLineWidth(1.2);
        pen.g.setLineDashes(chosen ? new double[] {9, 5} : new double[] {4, 3});
        sector(inner, outer, middle, half);
        pen.g.stroke();
        pen.g.setLineDashes();
    }

    private void paintBeads(boolean chosen) {
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
            if (k + 1 < arrivals.size()) {
                path(a, arrivals.get(k + 1));
            }
            bead(x, y, BEAD_RADII[Math.min(k, BEAD_RADII.length - 1)]);
            label(a, k, x, y);
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
