package orbispace.app.view.clear;

import java.util.List;
import java.util.OptionalDouble;
import javafx.scene.text.TextAlignment;
import orbispace.app.draw.Pen;
import orbispace.app.draw.Type;
import orbispace.app.view.control.ScalingCanvas;
import orbispace.core.clear.room.RoomPlan;
import orbispace.core.words.Wording;

/**
 * Where sources go, each on a line from left to right, a ring where it stands and a dot where it
 * would; and under it left against right in thirds of an octave, grey as it stands, ink as it would
 * be, with the strip within which both count as balanced.
 */
final class SeatChart extends ScalingCanvas {
    private static final double ROW = 19;
    private static final double NAMES = 104;
    private static final double BALANCE = 92;
    private static final double SCALE_DB = 6;
    private static final double GAP = 22;

    private final RoomPlan plan;
    private final List<RoomPlan.Change> moved;

    SeatChart(RoomPlan plan) {
        this.plan = plan;
        moved = plan.changes().stream().filter(c -> c.was().pan() != c.is().pan()).toList();
        double height = ROW * moved.size() + GAP + BALANCE + 16;
        setMinHeight(height);
        setPrefHeight(height);
        setAccessibleText(
                Wording.format(
                        "left against right: %.1f dB apart at most, %.1f dB before",
                        plan.apartDb(), plan.apartBeforeDb()));
    }

    @Override
    protected void paint(Pen pen, double w, double h) {
        double y = ROW / 2;
        for (RoomPlan.Change c : moved) {
            seat(pen, c, y, w);
            y += ROW;
        }
        balance(pen, y - ROW / 2 + GAP, w);
    }

    private static double across(double pan, double w) {
        double half = (w - NAMES - 12) / 2;
        return NAMES + 6 + half * (1 + pan);
    }

    private static void seat(Pen pen, RoomPlan.Change c, double y, double w) {
        pen.text(
                Pen.shortened(c.was().name(), NAMES - 8, Type.regular(11)),
                0,
                y + 4,
                Type.regular(11),
                pen.palette.ink2);
        pen.across(across(-1, w), across(1, w), y, pen.palette.hair);
        pen.line(across(0, w), y - 4, across(0, w), y + 4, pen.palette.hair, 1);
        double from = across(c.was().pan(), w);
        double to = across(c.is().pan(), w);
        pen.line(from, y, to, y, pen.palette.time, 1.6);
        pen.circle(from, y, 3.5, pen.palette.card, pen.palette.ink3, 1.4);
        pen.circle(to, y, 4, pen.palette.time, null, 1);
    }

    private void balance(Pen pen, double top, double w) {
        double middle = top + BALANCE / 2;
        double perDb = BALANCE / 2 / SCALE_DB;
        double left = 34;
        pen.g.setFill(pen.palette.disc);
        pen.g.fillRect(left, top, w - left, BALANCE);
        pen.g.setGlobalAlpha(0.1);
        pen.g.setFill(pen.palette.ink);
        double strip = RoomPlan.BALANCED_DB * perDb;
        pen.g.fillRect(left, middle - strip, w - left, 2 * strip);
        pen.g.setGlobalAlpha(1);
        pen.across(left, w, middle, pen.palette.ink3);
        label(pen, "R +6", top + 9);
        label(pen, "0", middle + 4);
        label(pen, "L +6", top + BALANCE);
        double step = (w - left) / plan.thirds().size();
        for (int i = 0; i < plan.thirds().size(); i++) {
            RoomPlan.Third t = plan.thirds().get(i);
            double x = left + step * (i + 0.5);
            bar(pen, t.beforeDb(), x - 1.5, middle, perDb, false);
            bar(pen, t.afterDb(), x + 1.5, middle, perDb, true);
            if (i % 5 == 3) {
                pen.text(
                        Wording.hertz(Math.rint(t.hz() / 10) * 10),
                        x,
                        top + BALANCE + 13,
                        Type.regular(10.5),
                        pen.palette.ink3,
                        TextAlignment.CENTER);
            }
        }
    }

    private static void label(Pen pen, String words, double y) {
        pen.text(words, 29, y, Type.regular(10.5), pen.palette.ink3, TextAlignment.RIGHT);
    }

    private static void bar(
            Pen pen, OptionalDouble db, double x, double middle, double perDb, boolean after) {
        if (db.isPresent()) {
            double y = middle - Math.clamp(db.getAsDouble(), -SCALE_DB, SCALE_DB) * perDb;
            pen.line(
                    x, middle, x, y, after ? pen.palette.ink : pen.palette.ink3, after ? 2.2 : 1.4);
        }
    }
}
