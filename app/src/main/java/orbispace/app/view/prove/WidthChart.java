package orbispace.app.view.prove;

import java.util.List;
import java.util.OptionalDouble;
import javafx.scene.text.TextAlignment;
import orbispace.app.desk.Proving;
import orbispace.app.desk.Widths;
import orbispace.app.draw.Hatch;
import orbispace.app.draw.Pen;
import orbispace.app.draw.Type;
import orbispace.app.view.control.ScalingCanvas;
import orbispace.core.measure.Widening;
import orbispace.core.measure.WidthCurve;
import orbispace.core.measure.WidthReport;
import orbispace.core.words.Wording;
import org.jspecify.annotations.Nullable;

/**
 * The angle of each octave as a fan that opens to the right, without and with what makes it wide;
 * beside it, for a return, what it opens over its level.
 */
final class WidthChart extends ScalingCanvas {
    private static final double LEFT = 34;
    private static final double FOOT = 18;
    private static final double LEAST_SCALE = 30;
    private static final double CURVE_SHARE = 0.44;
    private static final double GAP = 44;
    private static final double NARROW = 26;

    private Widths.@Nullable Known known;

    void show(Widths.@Nullable Known given) {
        known = given;
        repaint();
    }

    @Override
    protected void paint(Pen pen, double w, double h) {
        Widths.Known now = known;
        if (now == null) {
            pen.text("is being measured", LEFT, 24, Type.regular(12.5), pen.palette.ink3);
            return;
        }
        double right = now.curve().isPresent() ? w * (1 - CURVE_SHARE) - GAP : w;
        octaves(pen, now, right, h - FOOT);
        now.curve().ifPresent(c -> curve(pen, now, c, right + GAP, w, h - FOOT));
    }

    private static double top(Widths.Known now) {
        double most = LEAST_SCALE;
        for (WidthReport report : List.of(now.width().without(), now.width().with())) {
            for (WidthReport.Band b : report.bands()) {
                most = Math.max(most, b.degrees().orElse(0));
            }
        }
        return 10 * Math.ceil(most / 10);
    }

    /** A step of the scale that leaves three to five lines. */
    private static double step(double top) {
        return top > 100 ? 40 : top > 50 ? 20 : 10;
    }

    private static void octaves(Pen pen, Widths.Known now, double right, double floor) {
        double top = top(now);
        ground(pen, LEFT, right, floor, top);
        List<WidthReport.Band> without = now.width().without().bands();
        List<WidthReport.Band> with = now.width().with().bands();
        double column = (right - LEFT) / Math.max(1, with.size());
        String id = now.curve().isPresent() ? now.of() : "";
        for (int i = 0; i < with.size(); i++) {
            double x = LEFT + i * column + column * 0.18;
            double wide = column * 0.64;
            double is = height(with.get(i).degrees(), top, floor);
            double was = height(without.get(i).degrees(), top, floor);
            if (is > 0) {
                bar(pen, id, x, floor - is, wide, is);
            }
            pen.line(x - 3, floor - was, x + wide + 3, floor - was, pen.palette.ink, 1.8);
            if (column < NARROW && i % 2 == 0) {
                continue;
            }
            pen.text(
                    label(with.get(i).centreHz()),
                    x + wide / 2,
                    floor + 14,
                    Type.regular(10.5),
                    pen.palette.ink2,
                    TextAlignment.CENTER);
        }
        String line =
                now.of().equals(Proving.MIX)
                        ? "line: before"
                        : now.curve().isPresent() ? "line: without it" : "line: dry";
        pen.haloed(
                line,
                right - 4,
                12,
                Type.regular(11),
                pen.palette.ink2,
                pen.palette.disc,
                TextAlignment.RIGHT);
    }

    private static String label(double hz) {
        return hz < 1000 ? Wording.number(Math.ceil(hz), 0) : Wording.number(hz / 1000, 0) + "k";
    }

    private static double height(OptionalDouble degrees, double top, double floor) {
        return Math.max(0, degrees.orElse(0) / top * (floor - 4));
    }

    private static void bar(Pen pen, String id, double x, double y, double w, double h) {
        if (id.isEmpty()) {
            pen.g.setGlobalAlpha(0.55);
            pen.g.setFill(pen.palette.ink);
            pen.g.fillRect(x, y, w, h);
            pen.g.setGlobalAlpha(1);
        } else {
            Hatch.ofReturn(pen.g, id, pen.palette.ofReturn(id), Hatch.Area.rectangle(x, y, w, h));
        }
    }

    private static void ground(Pen pen, double left, double right, double floor, double top) {
        pen.g.setFill(pen.palette.disc);
        pen.g.fillRect(left, 0, right - left, floor);
        for (double d = 0; d <= top; d += step(top)) {
            double y = floor - d / top * (floor - 4);
            pen.across(left, right, y, d == 0 ? pen.palette.ink : pen.palette.hair);
            pen.text(
                    Wording.number(d, 0) + "°",
                    left - 5,
                    Math.max(11, y + 4),
                    Type.regular(11),
                    pen.palette.ink2,
                    TextAlignment.RIGHT);
        }
    }

    private static void curve(
            Pen pen, Widths.Known now, WidthCurve c, double left, double right, double floor) {
        List<WidthCurve.Point> points = c.points();
        double most = points.stream().mapToDouble(p -> p.opens().degrees()).max().orElse(0);
        double top = 10 * Math.ceil(Math.max(LEAST_SCALE, most) / 10);
        ground(pen, left, right, floor, top);
        double from = points.getFirst().db();
        double per = (right - left) / (points.getLast().db() - from);
        for (int i = 0; i + 1 < points.size(); i++) {
            WidthCurve.Point p = points.get(i);
            WidthCurve.Point next = points.get(i + 1);
            double x = left + (p.db() - from) * per;
            double to = left + (next.db() - from) * per;
            if (!next.borne()) {
                Hatch.cross(pen.g, pen.palette.hair, Hatch.Area.rectangle(x, 0, to - x, floor));
            }
            pen.line(
                    x,
                    y(p.opens(), top, floor),
                    to,
                    y(next.opens(), top, floor),
                    pen.palette.ofReturn(now.of()),
                    2);
        }
        double here = left - from * per;
        pen.g.setLineDashes(2, 3);
        pen.upright(here, 0, floor, pen.palette.ink2);
        pen.g.setLineDashes();
        for (double db : new double[] {from, 0, points.getLast().db()}) {
            pen.text(
                    Wording.number(now.levelDb() + db, 0) + (db == 0 ? " dB now" : ""),
                    left + (db - from) * per,
                    floor + 14,
                    Type.regular(10.5),
                    pen.palette.ink2,
                    db == from
                            ? TextAlignment.LEFT
                            : db == 0 ? TextAlignment.CENTER : TextAlignment.RIGHT);
        }
        c.best()
                .filter(p -> now.isWidener())
                .ifPresent(p -> {
                    double x = left + (p.db() - from) * per;
                    pen.circle(
                            Math.min(x, right - 6),
                            y(p.opens(), top, floor),
                            5,
                            pen.palette.card,
                            pen.palette.ink,
                            2);
                    pen.haloed(
                            "best",
                            Math.min(x, right - 16),
                            Math.max(24, y(p.opens(), top, floor) - 10),
                            Type.strong(11.5),
                            pen.palette.ink,
                            pen.palette.disc,
                            TextAlignment.CENTER);
                });
        pen.haloed(
                "hatched: too dear",
                right - 4,
                12,
                Type.regular(11),
                pen.palette.ink2,
                pen.palette.disc,
                TextAlignment.RIGHT);
    }

    private static double y(Widening opens, double top, double floor) {
        return floor - opens.degrees() / top * (floor - 4);
    }
}
