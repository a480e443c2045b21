package orbispace.app.view.plan;

import java.util.List;
import java.util.Optional;
import javafx.scene.text.TextAlignment;
import orbispace.app.desk.PlanModel;
import orbispace.app.desk.Throwing;
import orbispace.app.draw.BarRuler;
import orbispace.app.draw.Pen;
import orbispace.app.draw.SilhouettePainter;
import orbispace.app.draw.TimeAxis;
import orbispace.app.draw.Type;
import orbispace.app.song.Material;
import orbispace.core.design.Throw;
import orbispace.core.plan.ThrowConflict;
import orbispace.core.plan.ThrowCourse;
import orbispace.core.time.Span;
import orbispace.core.words.Wording;
import org.jspecify.annotations.Nullable;

/**
 * Draws a stretch of the source through a lens: what is picked, the level it is thrown at, and what
 * follows it to scale in the gap.
 */
final class ThrowLens {
    private static final double RULER = 18;
    private static final double HIGHEST_DB = 6;
    private static final double LOWEST_DB = -30;
    private static final double VOICE_SHARE = 0.42;
    private static final double MOST_ROW = 58;

    private final PlanModel model;
    private final Throwing throwing;
    private final TimeAxis axis;
    private final double top;
    private final double bottom;

    ThrowLens(PlanModel model, TimeAxis axis, double top, double bottom) {
        this.model = model;
        throwing = model.throwing();
        this.axis = axis;
        this.top = top;
        this.bottom = bottom;
    }

    private double voiceTop() {
        return top + RULER + 8;
    }

    private double voiceBase() {
        return top + RULER + Math.max(44, VOICE_SHARE * (bottom - top - RULER));
    }

    /** Where a beat lies. */
    double x(double beat) {
        return axis.x(model.design().get().song().clock().secondsAt(beat));
    }

    /** Where a level of a send lies. */
    double y(double db) {
        double share = Math.clamp((db - LOWEST_DB) / (HIGHEST_DB - LOWEST_DB), 0, 1);
        return voiceBase() - share * (voiceBase() - voiceTop());
    }

    /** The level at a height, in half decibels. */
    double levelDb(double y) {
        double share = (voiceBase() - y) / (voiceBase() - voiceTop());
        double db = LOWEST_DB + share * (HIGHEST_DB - LOWEST_DB);
        return Math.clamp(Math.rint(2 * db) / 2, -60, 24);
    }

    void paint(Pen pen, List<Throw> shown, List<ThrowConflict> conflicts) {
        pen.g.setFill(pen.palette.disc);
        pen.g.fillRect(axis.left(), top, axis.width(), bottom - top - 2);
        Span picked = throwing.picking().picked().get();
        next(pen, picked);
        BarRuler.paint(
                pen, model.design().get().song().clock(), axis, top + RULER - 12, 12, bottom - 2);
        pen.text("Throws", 16, top + RULER + 14, Type.strong(13), pen.palette.ink);
        silhouette(pen, picked);
        throwing.chosen().ifPresent(t -> ride(pen, t));
        double row = Math.min(MOST_ROW, (bottom - voiceBase() - 14) / Math.max(1, shown.size()));
        double y = voiceBase() + 8;
        TrailPainter trails = new TrailPainter(pen, axis, model.design().get(), material());
        for (Throw t : shown) {
            Optional<ThrowCourse> course = throwing.courses().of(t);
            boolean chosen = t.id().equals(throwing.throwId().get());
            if (course.isPresent() && y + row <= bottom) {
                trails.paint(t, course.get(), chosen, y, row);
            }
            y += row;
        }
        if (shown.isEmpty() && picked != null) {
            gap(pen, picked);
        }
        flag(pen, conflicts);
    }

    private static void clip(Pen pen, TimeAxis axis, double from, double to, double top, double h) {
        double x = Math.max(axis.left(), from);
        pen.g.fillRect(x, top, Math.max(0, Math.min(axis.right(), to) - x), h);
    }

    /** Where the source sounds after what is picked: there nothing should run on. */
    private void next(Pen pen, @Nullable Span picked) {
        pen.g.setFill(pen.palette.panel);
        for (Span p : throwing.picking().words().phrases()) {
            if (picked != null && p.startSeconds() > picked.endSeconds() - 1e-3) {
                clip(
                        pen,
                        axis,
                        axis.x(p.startSeconds()),
                        axis.x(p.endSeconds()),
                        top + RULER,
                        bottom - top - RULER - 2);
            }
        }
    }

    private @Nullable Material material() {
        return throwing.picking()
                .source()
                .map(s -> model.measured().materials().get(s.id()))
                .orElse(null);
    }

    private void silhouette(Pen pen, @Nullable Span picked) {
        Material m = material();
        if (picked != null) {
            pen.g.setFill(pen.palette.time);
            pen.g.setGlobalAlpha(0.14);
            double x = axis.x(picked.startSeconds());
            clip(
                    pen,
                    axis,
                    x,
                    axis.x(picked.endSeconds()),
                    voiceTop() - 6,
                    voiceBase() - voiceTop() + 6);
            pen.g.setGlobalAlpha(1);
        }
        if (m != null) {
            double full = m.silhouette().peak(axis.fromSeconds(), axis.toSeconds());
            SilhouettePainter.paint(
                    pen, m.silhouette(), axis, voiceBase(), voiceBase() - voiceTop(), full);
        }
        for (Span w : throwing.picking().words().words()) {
            double x = axis.x(w.startSeconds());
            if (x >= axis.left() && x <= axis.right()) {
                pen.line(x, voiceBase(), x, voiceBase() + 4, pen.palette.ink2, 1);
            }
        }
        if (picked != null) {
            for (double at : new double[] {picked.startSeconds(), picked.endSeconds()}) {
                pen.upright(axis.x(at), voiceTop() - 6, voiceBase(), pen.palette.time);
            }
        }
    }

    /** The level of the send over the word, with the points that it rides through. */
    private void ride(Pen pen, Throw t) {
        if (model.design().get().findReturn(t.returnId()).isEmpty()) {
            return;
        }
        var color = pen.palette.ofReturn(t.returnId());
        if (t.ride().isEmpty()) {
            pen.line(x(t.fromBeat()), y(t.levelDb()), x(t.toBeat()), y(t.levelDb()), color, 2);
            label(pen, Wording.db(t.levelDb()), x(t.toBeat()) + 5, y(t.levelDb()) + 4);
            return;
        }
        for (int i = 0; i < t.ride().size(); i++) {
            Throw.RidePoint p = t.ride().get(i);
            if (i > 0) {
                Throw.RidePoint was = t.ride().get(i - 1);
                pen.line(x(was.beat()), y(was.levelDb()), x(p.beat()), y(p.levelDb()), color, 2);
            }
            pen.circle(x(p.beat()), y(p.levelDb()), 4, pen.palette.disc, color, 1.6);
        }
        Throw.RidePoint last = t.ride().getLast();
        label(pen, Wording.db(last.levelDb()), x(last.beat()) + 8, y(last.levelDb()) + 4);
    }

    private static void label(Pen pen, String text, double x, double y) {
        pen.haloed(
                text, x, y, Type.strong(11), pen.palette.ink, pen.palette.disc, TextAlignment.LEFT);
    }

    /** The room that a throw of what is picked would have. */
    private void gap(Pen pen, Span picked) {
        double from = picked.endSeconds();
        double to =
                throwing.picking().words().phrases().stream()
                        .map(Span::startSeconds)
                        .filter(s -> s > from - 1e-3)
                        .findFirst()
                        .orElse(model.songSeconds());
        if (to - from < 0.05) {
            return;
        }
        double y = voiceBase() + 22;
        double left = axis.x(from);
        double right = Math.min(axis.right(), axis.x(to));
        pen.line(left, y, right, y, pen.palette.ink2, 1);
        pen.line(left, y - 4, left, y + 4, pen.palette.ink2, 1);
        pen.line(right, y - 4, right, y + 4, pen.palette.ink2, 1);
        pen.text(
                "gap " + Wording.number(to - from, 2) + " s. Enter throws to the chosen return.",
                left + 4,
                y + 16,
                Type.regular(11.5),
                pen.palette.ink2);
    }

    /** What is wrong with the chosen throw, on a flag where the next phrase begins. */
    private void flag(Pen pen, List<ThrowConflict> conflicts) {
        String id = throwing.throwId().get();
        Optional<ThrowConflict> wrong =
                conflicts.stream().filter(c -> c.thrown().id().equals(id)).findFirst();
        Optional<ThrowCourse> course = throwing.chosen().flatMap(throwing.courses()::of);
        if (wrong.isEmpty() || course.isEmpty()) {
            return;
        }
        double at = axis.x(course.get().gap().endSeconds());
        String words = wrong.get().kind().label();
        double room = Pen.width(words, Type.strong(11.5)) + 26;
        double x = Math.clamp(at, axis.left() + 4, axis.right() - room);
        pen.flag(x, voiceBase() - 4, x, voiceTop() + 8, words, pen.palette.warn);
    }
}
