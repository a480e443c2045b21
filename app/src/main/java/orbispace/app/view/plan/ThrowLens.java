package orbispace.app.view.plan;

import java.util.List;
import java.util.Optional;
import javafx.scene.text.TextAlignment;
import orbispace.app.desk.PlanModel;
import orbispace.app.desk.Throwing;
import orbispace.app.draw.BarRuler;
import orbispace.app.draw.Hatch;
import orbispace.app.draw.Pen;
import orbispace.app.draw.SilhouettePainter;
import orbispace.app.draw.TimeAxis;
import orbispace.app.draw.Type;
import orbispace.app.song.Material;
import orbispace.app.view.frame.Screen;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Return;
import orbispace.core.design.Source;
import orbispace.core.design.Space;
import orbispace.core.design.Throw;
import orbispace.core.material.Silhouette;
import orbispace.core.plan.ThrowConflict;
import orbispace.core.plan.ThrowCourse;
import orbispace.core.time.Fit;
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
    private static final double REPEAT_FLOOR_DB = 36;

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
        for (Throw t : shown) {
            Optional<ThrowCourse> course = throwing.course(t);
            boolean chosen = t.id().equals(throwing.throwId().get());
            if (course.isPresent() && y + row <= bottom) {
                follows(pen, t, course.get(), chosen, y, row);
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

    private void silhouette(Pen pen, @Nullable Span picked) {
        Material m =
                throwing.picking()
                        .source()
                        .map(s -> model.measured().materials().get(s.id()))
                        .orElse(null);
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

    private void follows(
            Pen pen, Throw t, ThrowCourse course, boolean chosen, double y, double row) {
        double base = y + row - 14;
        pen.seal(t.returnId(), 28, base - 8, 10, chosen);
        Return r = model.design().get().requireReturn(t.returnId());
        pen.text(
                Pen.cut(r.name(), Screen.LABELS - 36, Type.strong(12)),
                44,
                base - 4,
                chosen ? Type.strong(12) : Type.regular(12),
                pen.palette.ink);
        pen.across(axis.left(), axis.right(), base, pen.palette.hair);
        pen.g.setGlobalAlpha(chosen ? 1 : 0.6);
        if (course.spacingSeconds() > 0) {
            repeats(pen, t, course, base, row - 20);
            dimension(pen, t, r, course, base - (row - 20) / 2);
        } else {
            tail(pen, t, r, course, base, row - 20);
        }
        pen.g.setGlobalAlpha(1);
    }

    /** Each repeat as the word that it repeats, as high as its level. */
    private void repeats(Pen pen, Throw t, ThrowCourse course, double base, double height) {
        Material m =
                throwing.picking()
                        .source()
                        .map(Source::id)
                        .map(id -> model.measured().materials().get(id))
                        .orElse(null);
        for (ThrowCourse.Arrival a : course.arrivals()) {
            double share = Math.max(0.08, 1 + a.levelDb() / REPEAT_FLOOR_DB);
            Hatch.Area area = word(m, course, a, base, share * height);
            if (area == null) {
                continue;
            }
            if (a.runsOn()) {
                Hatch.cross(pen.g, pen.palette.warn, area);
            } else {
                Hatch.ofReturn(pen.g, t.returnId(), pen.palette.ofReturn(t.returnId()), area);
            }
            double middle = axis.x((a.span().startSeconds() + a.span().endSeconds()) / 2);
            if (middle < axis.right() - 12) {
                pen.text(
                        Wording.number(a.levelDb(), 0),
                        middle,
                        base + 11,
                        Type.regular(11),
                        a.runsOn() ? pen.palette.warn : pen.palette.ink2,
                        TextAlignment.CENTER);
            }
        }
    }

    private Hatch.@Nullable Area word(
            @Nullable Material m,
            ThrowCourse course,
            ThrowCourse.Arrival a,
            double base,
            double height) {
        int left = (int) Math.round(Math.max(axis.left(), axis.x(a.span().startSeconds())));
        int right = (int) Math.round(Math.min(axis.right(), axis.x(a.span().endSeconds())));
        if (right <= left) {
            return null;
        }
        double[] upper = new double[right - left];
        double[] lower = new double[right - left];
        double late = a.span().startSeconds() - course.word().startSeconds();
        Silhouette s = m == null ? null : m.silhouette();
        double full =
                s == null ? 1 : s.mean(course.word().startSeconds(), course.word().endSeconds());
        for (int i = 0; i < upper.length; i++) {
            double at = axis.seconds(left + i) - late;
            double level = s == null || full <= 0 ? 1 : s.mean(at, at + 0.01) / full;
            upper[i] = base - height * Math.pow(Math.clamp(level, 0, 1), 0.8);
            lower[i] = base;
        }
        return new Hatch.Area(left, upper, lower);
    }

    /** The note value between the word and its first repeat. */
    private void dimension(Pen pen, Throw t, Return r, ThrowCourse course, double y) {
        double from = axis.x(course.word().startSeconds());
        double to = Math.min(axis.right(), from + axis.x(course.spacingSeconds()) - axis.x(0));
        MusicalTime own = t.trail().time();
        MusicalTime time = own != null ? own : r.space() instanceof Space.Echo e ? e.time() : null;
        String millis = Wording.number(1000 * course.spacingSeconds(), 0) + " ms";
        String words = time instanceof MusicalTime.Note n ? n.label() + "  " + millis : millis;
        pen.line(from, y, to, y, pen.palette.time, 1);
        pen.line(from, y - 4, from, y + 4, pen.palette.time, 1);
        pen.line(to, y - 4, to, y + 4, pen.palette.time, 1);
        if (Pen.width(words, Type.strong(11)) < to - from) {
            pen.haloed(
                    words,
                    (from + to) / 2,
                    y + 4,
                    Type.strong(11),
                    pen.palette.time,
                    pen.palette.disc,
                    TextAlignment.CENTER);
        }
    }

    private void tail(Pen pen, Throw t, Return r, ThrowCourse course, double base, double height) {
        ThrowCourse.Arrival a = course.arrivals().getFirst();
        double from = axis.x(a.span().startSeconds());
        double falls = axis.x(course.word().endSeconds());
        double to = axis.x(a.span().endSeconds());
        int left = (int) Math.round(Math.max(axis.left(), from));
        int n = Math.max(0, (int) Math.round(Math.min(axis.right(), to)) - left);
        double[] upper = new double[n];
        double[] lower = new double[n];
        for (int i = 0; i < n; i++) {
            double x = left + i;
            double share = x < falls ? 1 : 1 - (x - falls) / Math.max(1, to - falls);
            upper[i] = base - height * share;
            lower[i] = base;
        }
        if (n > 0) {
            Hatch.ofReturn(
                    pen.g,
                    t.returnId(),
                    pen.palette.ofReturn(t.returnId()),
                    new Hatch.Area(left, upper, lower));
        }
        String words = "30 dB down at " + Wording.number(a.span().endSeconds(), 2) + " s";
        if (r.space() instanceof Space.Reverb reverb && course.next().isPresent()) {
            double until = course.gap().seconds();
            double down = -Fit.tailLevelDb(until, 0, reverb.decaySeconds());
            words =
                    Wording.number(reverb.decaySeconds(), 2)
                            + " s, "
                            + Wording.number(down, 0)
                            + " dB down when the next phrase begins";
        }
        pen.haloed(
                words,
                Math.min(falls + 10, axis.right() - Pen.width(words, Type.regular(11)) - 4),
                base + 11,
                Type.regular(11),
                pen.palette.ink2,
                pen.palette.disc,
                TextAlignment.LEFT);
    }

    /** What is wrong with the chosen throw, on a flag where the next phrase begins. */
    private void flag(Pen pen, List<ThrowConflict> conflicts) {
        String id = throwing.throwId().get();
        Optional<ThrowConflict> wrong =
                conflicts.stream().filter(c -> c.thrown().id().equals(id)).findFirst();
        Optional<ThrowCourse> course = throwing.chosen().flatMap(throwing::course);
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
