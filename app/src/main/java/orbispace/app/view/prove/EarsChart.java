package orbispace.app.view.prove;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.scene.text.TextAlignment;
import orbispace.app.draw.Pen;
import orbispace.app.draw.Type;
import orbispace.app.view.control.ScalingCanvas;
import orbispace.core.ears.Outcome;
import orbispace.core.ears.TakenLesson;
import orbispace.core.hearing.Borders;
import orbispace.core.words.Wording;
import org.jspecify.annotations.Nullable;

/**
 * What lessons found over the days: of one kind and return in its unit, with whiskers, beside what
 * the hearing model expects; or of all of them how far they lie over the model's border.
 */
final class EarsChart extends ScalingCanvas {
    private static final double LEFT = 44;
    private static final double FOOT = 18;
    private static final double TOP = 8;
    private static final double[] STEPS = {1, 2, 5};
    private static final double LEAST_DB = 6;

    private List<TakenLesson> lessons = List.of();
    private boolean all;
    private @Nullable Borders borders;

    /** One that lies on the chart: a value and its ends, and what is expected. */
    private record Dot(LocalDate day, double low, double value, double high, OptionalDouble by) {}

    /** How values lie between floor and top. */
    private record Scale(double least, double most, boolean log) {
        double y(double value, double floor) {
            double at =
                    log
                            ? Math.log(value / least) / Math.log(most / least)
                            : (value - least) / (most - least);
            return floor - Math.clamp(at, 0, 1) * (floor - TOP);
        }
    }

    /**
     * Shows lessons in the order in which they were taken.
     *
     * @param against whether all kinds are shown, against the model
     * @param own borders that follow from them, if enough are known
     */
    void show(List<TakenLesson> given, boolean against, Optional<Borders> own) {
        lessons = given;
        all = against;
        borders = own.orElse(null);
        repaint();
    }

    private List<Dot> dots() {
        return lessons.stream().map(this::dot).flatMap(Optional::stream).toList();
    }

    private Optional<Dot> dot(TakenLesson l) {
        if (!(l.outcome() instanceof Outcome.Heard h)) {
            return Optional.empty();
        }
        if (!all) {
            return Optional.of(
                    new Dot(
                            l.day(),
                            h.low(),
                            h.difference(),
                            h.high(),
                            l.predicted().map(p -> p.difference()).orElse(OptionalDouble.empty())));
        }
        return l.predicted()
                .map(p ->
                        new Dot(
                                l.day(),
                                p.offsetDb(),
                                p.offsetDb(),
                                p.offsetDb(),
                                OptionalDouble.empty()));
    }

    @Override
    protected void paint(Pen pen, double w, double h) {
        double floor = h - FOOT;
        List<Dot> dots = dots();
        pen.g.setFill(pen.palette.disc);
        pen.g.fillRect(LEFT, 0, w - LEFT, floor);
        if (dots.isEmpty()) {
            pen.text(
                    "Nothing was found yet: take a lesson, or a walk.",
                    LEFT + 12,
                    floor / 2,
                    Type.regular(12.5),
                    pen.palette.ink2);
            return;
        }
        Scale scale = all ? decibels(dots) : decades(dots);
        ground(pen, scale, w, floor);
        Borders own = borders;
        if (all && own != null) {
            double top = scale.y(own.highDb(), floor);
            pen.g.setGlobalAlpha(0.14);
            pen.g.setFill(pen.palette.ink);
            pen.g.fillRect(LEFT, top, w - LEFT, Math.max(2, scale.y(own.lowDb(), floor) - top));
            pen.g.setGlobalAlpha(1);
            double middle = scale.y(own.offsetDb(), floor);
            pen.line(LEFT, middle, w, middle, pen.palette.ink, 1.6);
        }
        draw(pen, dots, scale, w, floor);
        days(pen, dots, w, h);
    }

    private static Scale decibels(List<Dot> dots) {
        double most = LEAST_DB;
        for (Dot d : dots) {
            most = Math.max(most, Math.abs(d.value));
        }
        double end = 6 * Math.ceil(most / 6);
        return new Scale(-end, end, false);
    }

    private static Scale decades(List<Dot> dots) {
        double least = Double.POSITIVE_INFINITY;
        double most = 0;
        for (Dot d : dots) {
            least = Math.min(least, Math.min(d.low, d.by.orElse(d.low)));
            most = Math.max(most, Math.max(d.high, d.by.orElse(d.high)));
        }
        return new Scale(least / 1.3, most * 1.3, true);
    }

    private static void ground(Pen pen, Scale scale, double w, double floor) {
        if (!scale.log) {
            double step = scale.most > 12 ? 12 : scale.most / 2;
            for (double db = -scale.most; db <= scale.most + 1e-9; db += step) {
                line(pen, scale.y(db, floor), w, tick(db) + " dB", Math.abs(db) < 1e-9);
            }
            return;
        }
        for (int e = (int) Math.floor(Math.log10(scale.least)); e < 5; e++) {
            for (double s : STEPS) {
                double value = s * Math.pow(10, e);
                if (value > scale.least && value < scale.most) {
                    String text = Wording.number(value, Math.max(0, -e));
                    line(pen, scale.y(value, floor), w, text, false);
                }
            }
        }
    }

    private static String tick(double db) {
        return (db > 0 ? "+" : "") + Wording.number(db, 0);
    }

    private static void line(Pen pen, double y, double w, String text, boolean strong) {
        pen.across(LEFT, w, y, strong ? pen.palette.ink2 : pen.palette.hair);
        pen.text(
                text,
                LEFT - 5,
                Math.max(11, y + 4),
                Type.regular(11),
                pen.palette.ink2,
                TextAlignment.RIGHT);
    }

    private void draw(Pen pen, List<Dot> dots, Scale scale, double w, double floor) {
        for (int i = 0; i < dots.size(); i++) {
            Dot d = dots.get(i);
            double x = x(dots, i, w);
            double y = scale.y(d.value, floor);
            d.by.ifPresent(by -> {
                double at = scale.y(by, floor);
                pen.line(x - 7, at, x + 7, at, pen.palette.ink2, 1.6);
            });
            if (!all) {
                double low = scale.y(d.low, floor);
                double high = scale.y(d.high, floor);
                pen.upright(x, high, low, pen.palette.ink);
                pen.line(x - 3, high, x + 3, high, pen.palette.ink, 1);
                pen.line(x - 3, low, x + 3, low, pen.palette.ink, 1);
            }
            pen.circle(x, y, 4, pen.palette.card, pen.palette.ink, 2);
        }
        pen.haloed(
                all ? "line: the model's border" : "dash: what the model expects",
                w - 4,
                13,
                Type.regular(11),
                pen.palette.ink2,
                pen.palette.disc,
                TextAlignment.RIGHT);
    }

    /** By day; those of one day side by side. */
    private static double x(List<Dot> dots, int i, double w) {
        LocalDate from = dots.getFirst().day;
        double days = Math.max(1, ChronoUnit.DAYS.between(from, dots.getLast().day) + 1);
        LocalDate day = dots.get(i).day;
        long same = dots.stream().filter(d -> d.day.equals(day)).count();
        long before = dots.stream().limit(i).filter(d -> d.day.equals(day)).count();
        double at = ChronoUnit.DAYS.between(from, day) + (before + 0.5) / same;
        return LEFT + 10 + at / days * (w - LEFT - 20);
    }

    private static void days(Pen pen, List<Dot> dots, double w, double h) {
        LocalDate from = dots.getFirst().day;
        LocalDate to = dots.getLast().day;
        pen.text(from.toString(), LEFT, h - 4, Type.regular(11), pen.palette.ink2);
        if (!to.equals(from)) {
            pen.text(
                    to.toString(),
                    w,
                    h - 4,
                    Type.regular(11),
                    pen.palette.ink2,
                    TextAlignment.RIGHT);
        }
    }
}
