package orbispace.app.draw;

import javafx.scene.paint.Color;

/** Engraves a fan of the Orbit, denser where the measured response has more energy. */
final class FanPainter {
    private static final double DASHED_BELOW = 0.24;
    private static final double RAY_DEGREES = 0.9;

    /** While a hand moves it, a fan has one line of so many, and that stronger. */
    private static final int SKETCHED = 3;

    private static final double SKETCH_WEIGHT = 1.7;

    /** How a kind of space is engraved. */
    enum Engraving {
        /** Swelling lines along the rings. */
        LINES,
        /** The same, close and even. */
        FINE_LINES,
        /** The same, far apart and strong. */
        WIDE_LINES,
        /** Rays, more of them with each octave of time. */
        RAYS,
        /** Rays in short pieces, like courses of stone. */
        BROKEN_RAYS,
        /** Spirals that end at a wall. */
        SPIRALS,
        /** Dots. */
        STIPPLE
    }

    private final Pen pen;
    private final PolarAxis axis;
    private final Color color;
    private final ReturnGeometry geometry;
    private final FanShape shape;
    private final double middle;
    private final double half;
    private final double inner;
    private final double outer;
    private final boolean leans;
    private final int every;
    private final double[] strengths;
    private final double[] centres;

    /**
     * A painter of a fan.
     *
     * @param leans whether it swells where its energy is
     * @param sketched whether a hand is moving it
     */
    FanPainter(
            Pen pen,
            PolarAxis axis,
            FanShape shape,
            ReturnGeometry geometry,
            boolean leans,
            boolean sketched) {
        every = sketched ? SKETCHED : 1;
        this.pen = pen;
        this.axis = axis;
        this.shape = shape;
        this.geometry = geometry;
        this.leans = leans;
        color = shape.color();
        middle = shape.middle;
        half = shape.half;
        inner = shape.inner;
        outer = shape.outer;
        strengths = new double[(int) outer + 2];
        centres = new double[strengths.length];
    }

    double inner() {
        return inner;
    }

    double outer() {
        return outer;
    }

    /** Draws the fan; only its outline over a breath of colour if others are in the way. */
    void paint(boolean chosen, boolean crowded, Engraving engraving) {
        if (crowded && !chosen) {
            shape.tint();
            pen.g.setGlobalAlpha(0.75);
            shape.outline(false);
            if (geometry.hasWall()) {
                shape.wall();
            }
            return;
        }
        if (chosen) {
            shape.knockOut();
        }
        lookUp();
        switch (engraving) {
            case LINES -> lines(3.4, 1);
            case FINE_LINES -> lines(2.3, 0.55);
            case WIDE_LINES -> lines(5.2, 1.45);
            case RAYS -> rays(false);
            case BROKEN_RAYS -> rays(true);
            case SPIRALS -> spirals();
            case STIPPLE -> stipple();
        }
        shape.outline(chosen);
        if (chosen && leans) {
            shape.spine();
        }
        if (geometry.hasWall()) {
            shape.wall();
        }
    }

    /** Looks up strength and bearing once for each pixel of the radius, not for each stroke. */
    private void lookUp() {
        for (int r = (int) inner; r < strengths.length; r++) {
            double seconds = axis.seconds(r);
            strengths[r] = Math.pow(Math.max(0, 1 + geometry.ringDb(seconds) / 60), 1.55);
            double bearing = leans ? geometry.bearingDegrees(seconds) : middle;
            centres[r] = Math.clamp((bearing - middle) / half, -0.9, 0.9);
        }
    }

    private double strength(double r) {
        return strengths[(int) Math.rint(r)];
    }

    /** How far a place of a ring, from -1 to 1, is from where its energy is: 1 at either edge. */
    private double off(double r, double place) {
        double centre = centres[(int) Math.rint(r)];
        return place < centre ? (centre - place) / (1 + centre) : (place - centre) / (1 - centre);
    }

    private void lines(double step, double weight) {
        double inked = every == 1 ? weight : SKETCH_WEIGHT * weight;
        for (double r = inner + 1.5; r <= outer; r += every * step) {
            engrave(r, inked * strength(r), (int) (r / step));
        }
    }

    private void rays(boolean broken) {
        pen.g.setStroke(color);
        int index = 0;
        for (double u = -1; u <= 1.0001; u += every * RAY_DEGREES / half) {
            double bearing = middle + half * u;
            // Every eighth ray begins at the inner edge; the others enter by octaves of time.
            int octave = 3 - Math.min(3, Integer.numberOfTrailingZeros(index));
            double from = inner + (outer - inner) * octave * 0.16;
            double piece = broken ? 7 : 4;

            int course = 0;
            for (double r = from; r < outer - 1; r += piece) {
                double edge = 1 - 0.5 * Math.pow(off(r, u), 2.2);
                double q = strength(r) * edge * (0.8 + 0.4 * noise(index, course));
                boolean gap = broken && (course + index) % 2 == 0;
                if (q > 0.05 && !gap && !(q < DASHED_BELOW && noise(index, course + 9) > 4 * q)) {
                    ray(bearing, r, Math.min(outer, r + piece - (broken ? 1.4 : 0)), q);
                }
                course++;
            }
            index += every;
        }
    }

    private void ray(double bearing, double from, double to, double q) {
        pen.g.setLineWidth(0.4 + 1.5 * q);
        pen.g.strokeLine(
                axis.x(from, bearing),
                axis.y(from, bearing),
                axis.x(to, bearing),
                axis.y(to, bearing));
    }

    private void spirals() {
        pen.g.setStroke(color);
        int arms = (int) Math.max(5, half / 3);
        for (int a = -arms; a <= 2 * arms; a += every) {
            double lastX = 0;
            double lastY = 0;
            boolean drawn = false;
            for (int i = 0; i <= 40; i++) {
                double share = i / 40.0;
                double r = inner + share * (outer - inner);
                double bearing = middle - half + half * (a / (double) arms + 0.55 * share) * 1.0;
                boolean inside = Math.abs(bearing - middle) <= half;
                double x = axis.x(r, bearing);
                double y = axis.y(r, bearing);
                if (drawn && inside) {
                    pen.g.setLineWidth(0.4 + 1.7 * strength(r));
                    pen.g.strokeLine(lastX, lastY, x, y);
                }
                drawn = inside;
                lastX = x;
                lastY = y;
            }
        }
    }

    private void stipple() {
        pen.g.setFill(color);
        int ring = 0;
        for (double r = inner + 2; r <= outer; r += every * 3.6) {
            double q = strength(r);
            double step = Math.toDegrees(4.2 / Math.max(8, r));
            int i = 0;
            for (double b = -half + step * (ring % 2) / 2; b <= half; b += step) {
                double u = off(r, b / half);
                double size = q * (1 - 0.6 * u * u) * (0.7 + 0.6 * noise(ring, i));
                if (size > 0.06) {
                    double d = 0.6 + 2.3 * size;
                    pen.g.fillOval(
                            axis.x(r, middle + b) - d / 2, axis.y(r, middle + b) - d / 2, d, d);
                }
                i++;
            }
            ring++;
        }
    }

    /** One swelling line along a ring: a filled strip, or dashes where little is left. */
    private void engrave(double r, double strength, int seed) {
        int steps = Math.max(24, (int) (half * r / 230));
        double[] xs = new double[2 * steps + 2];
        double[] ys = new double[2 * steps + 2];
        int n = 0;
        double[] widths = new double[steps + 1];
        for (int i = 0; i <= steps; i++) {
            double u = 2.0 * i / steps - 1;
            double q =
                    strength
                            * (1 - 0.62 * Math.pow(off(r, u), 2.2))
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
                n = strip(xs, ys, widths, from, i - 1, r, steps);
                pen.g.fillPolygon(xs, ys, n);
                from = -1;
            }
        }
    }

    private int strip(
            double[] xs, double[] ys, double[] widths, int from, int to, double r, int steps) {
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
}
