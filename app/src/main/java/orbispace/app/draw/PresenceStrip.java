package orbispace.app.draw;

import java.util.Comparator;
import java.util.List;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.stream.IntStream;
import orbispace.core.time.SongClock;

/** What is left of a source in each bar of the song, so that the worst bar is seen at once. */
public final class PresenceStrip {
    /** The presence at the bottom of the strip. */
    public static final double LEAST = 0.4;

    private static final double LEAST_SCALE = 0.1;
    private static final double USUAL_BARS = 0.95;

    private final Pen pen;
    private final TimeAxis axis;
    private final SongClock clock;

    /** A strip on an axis over the whole song. */
    public PresenceStrip(Pen pen, TimeAxis axis, SongClock clock) {
        this.pen = pen;
        this.axis = axis;
        this.clock = clock;
    }

    /** Draws a bar of ink for what is kept in each bar, crossed where it is less than asked. */
    public void paint(List<OptionalDouble> bars, double asked, double top, double height) {
        pen.g.setFill(pen.palette.disc);
        pen.g.fillRect(axis.left(), top, axis.width(), height);
        double line = top + height * (1 - scaled(asked));
        for (int i = 0; i < bars.size(); i++) {
            double from = Math.max(axis.left(), axis.x(clock.secondsOfBar(i + 1)));
            double to = Math.min(axis.right(), axis.x(clock.secondsOfBar(i + 2))) - 1;
            if (bars.get(i).isEmpty() || to <= from) {
                continue;
            }
            double kept = bars.get(i).getAsDouble();
            double y = top + height * (1 - scaled(kept));
            if (kept < asked) {
                Hatch.cross(
                        pen.g,
                        pen.palette.warn,
                        Hatch.Area.rectangle(from, y, to - from, top + height - y));
            } else {
                pen.g.setFill(pen.palette.ink2);
                pen.g.fillRect(from, y, to - from, top + height - y);
            }
        }
        pen.g.setLineDashes(2, 3);
        pen.across(axis.left(), axis.right(), line, pen.palette.ink3);
        pen.g.setLineDashes();
        pen.g.setStroke(pen.palette.rule);
        pen.g.setLineWidth(1);
        pen.g.strokeRect(axis.left() + 0.5, top + 0.5, axis.width() - 1, height - 1);
    }

    /**
     * Draws how dense the field is in each bar, as a flat line at its height; the densest twentieth
     * of the bars may reach over the top.
     *
     * @return what the top of the strip stands for
     */
    public double paintDensity(List<Double> bars, double top, double height) {
        double dense = orbispace.core.audio.Quantile.of(bars, USUAL_BARS);
        double most = Math.max(LEAST_SCALE, Math.ceil(20 * dense) / 20);
        pen.g.setFill(pen.palette.disc);
        pen.g.fillRect(axis.left(), top, axis.width(), height);
        for (int i = 0; i < bars.size(); i++) {
            double from = Math.max(axis.left(), axis.x(clock.secondsOfBar(i + 1)));
            double to = Math.min(axis.right(), axis.x(clock.secondsOfBar(i + 2))) - 1;
            double y = top + height * (1 - Math.min(1, bars.get(i) / most));
            if (to > from) {
                Hatch.diagonal(
                        pen.g,
                        pen.palette.ink3,
                        Hatch.Area.rectangle(from, y, to - from, top + height - y));
                pen.line(from, y, to, y, pen.palette.ink, 1.2);
            }
        }
        pen.g.setStroke(pen.palette.rule);
        pen.g.setLineWidth(1);
        pen.g.strokeRect(axis.left() + 0.5, top + 0.5, axis.width() - 1, height - 1);
        return most;
    }

    private static double scaled(double kept) {
        return Math.clamp((kept - LEAST) / (1 - LEAST), 0.05, 1);
    }

    /**
     * The bar that keeps least.
     *
     * @param after only of those that keep more than this; empty for all
     * @return its number, from 1 on; empty if there is none
     */
    public static OptionalInt worst(List<OptionalDouble> bars, OptionalDouble after) {
        double more = after.orElse(Double.NEGATIVE_INFINITY);
        return IntStream.rangeClosed(1, bars.size())
                .filter(b -> bars.get(b - 1).isPresent())
                .filter(b -> bars.get(b - 1).getAsDouble() > more)
                .boxed()
                .min(Comparator.comparingDouble(b -> bars.get(b - 1).orElseThrow()))
                .map(OptionalInt::of)
                .orElse(OptionalInt.empty());
    }
}
