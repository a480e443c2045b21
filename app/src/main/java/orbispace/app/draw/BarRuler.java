package orbispace.app.draw;

import javafx.scene.text.TextAlignment;
import orbispace.core.time.SongClock;

/** Bars along a time axis: a boxed ruler, and hairlines down through what lies below. */
public final class BarRuler {
    private static final double BEATS_FROM = 60;

    /** How high a tick may be under the number of the bar before it. */
    private static final double UNDER_NUMBERS = 4;

    private BarRuler() {}

    private static String metre(SongClock clock, int bar) {
        var m = clock.metre().at(bar);
        return m.beatsPerBar() + "/" + m.beatUnit();
    }

    /** Small ticks on the beats of a bar. */
    private static void beats(Pen pen, SongClock clock, TimeAxis axis, int bar, double base) {
        double quarters = 4.0 / clock.metre().at(bar).beatUnit();
        for (int k = 1; k < clock.metre().at(bar).beatsPerBar(); k++) {
            double at = axis.x(clock.secondsAt(clock.metre().beatOfBar(bar) + k * quarters));
            if (at > axis.left() && at < axis.right()) {
                pen.upright(at, base - 5, base, pen.palette.ink2);
            }
        }
    }

    /** Draws the ruler from {@code top} and hairlines down to {@code bottom}. */
    public static void paint(
            Pen pen, SongClock clock, TimeAxis axis, double top, double height, double bottom) {
        int first = clock.barAtSeconds(axis.fromSeconds() + 1e-6);
        int last = clock.barAtSeconds(axis.toSeconds() - 1e-6);
        double perBar = axis.width() / Math.max(1, last - first + 1);
        int every = labelledEach(perBar);
        double labelled = Double.NEGATIVE_INFINITY;
        for (int bar = first; bar <= last; bar++) {
            double x = axis.x(clock.secondsOfBar(bar));
            if (x < axis.left() - 0.5) {
                continue;
            }
            pen.upright(x, top + height, bottom, pen.palette.hair);
            if (perBar > BEATS_FROM) {
                beats(pen, clock, axis, bar, top + height);
            }
            boolean changes = bar > 1 && !metre(clock, bar).equals(metre(clock, bar - 1));
            boolean named = changes || ((bar - first) % every == 0 && x > labelled);
            double tick = x > labelled ? height / 2 : height - UNDER_NUMBERS;
            pen.upright(x, top + (named ? 0 : tick), top + height, pen.palette.ink);
            String label = changes ? bar + "  " + metre(clock, bar) : Integer.toString(bar);
            if (named && x + 18 < axis.right()) {
                labelled = x + 6 + Pen.width(label, Type.strong(11.5));
                pen.text(label, x + 5, top + height - 6, Type.strong(11.5), pen.palette.ink);
            }
        }
        pen.upright(axis.right() - 1, top, top + height, pen.palette.ink);
        pen.across(axis.left(), axis.right(), top + height, pen.palette.ink);
        pen.text(
                "bar",
                axis.left() - 8,
                top + height - 6,
                Type.regular(11),
                pen.palette.ink3,
                TextAlignment.RIGHT);
    }

    /** Of how many bars one has its number, if each has so many pixels. */
    private static int labelledEach(double perBar) {
        if (perBar < 14) {
            return 8;
        }
        if (perBar < 28) {
            return 4;
        }
        return perBar < 44 ? 2 : 1;
    }
}
