package orbispace.app.view.plan;

import javafx.scene.text.TextAlignment;
import orbispace.app.draw.Hatch;
import orbispace.app.draw.Pen;
import orbispace.app.draw.TimeAxis;
import orbispace.app.draw.Type;
import orbispace.app.song.Material;
import orbispace.core.design.Design;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Return;
import orbispace.core.design.Space;
import orbispace.core.design.Throw;
import orbispace.core.material.Silhouette;
import orbispace.core.plan.ThrowCourse;
import orbispace.core.time.Fit;
import orbispace.core.words.Wording;
import org.jspecify.annotations.Nullable;

/** Paints what follows a thrown word: its repeats one by one, or its tail. */
final class TrailPainter {
    private static final double REPEAT_FLOOR_DB = 36;

    private final Pen pen;
    private final TimeAxis axis;
    private final Design design;
    private final @Nullable Material material;

    /**
     * A painter of trails.
     *
     * @param material what was found in the thrown source; null for nothing
     */
    TrailPainter(Pen pen, TimeAxis axis, Design design, @Nullable Material material) {
        this.pen = pen;
        this.axis = axis;
        this.design = design;
        this.material = material;
    }

    /** Paints the row of a throw. */
    void paint(Throw t, ThrowCourse course, boolean chosen, double y, double row) {
        double base = y + row - 14;
        pen.seal(t.returnId(), 28, base - 8, 10, chosen);
        Return r = design.requireReturn(t.returnId());
        pen.text(
                Pen.cut(r.name(), axis.left() - 52, Type.strong(12)),
                44,
                base - 4,
                chosen ? Type.strong(12) : Type.regular(12),
                pen.palette.ink);
        pen.across(axis.left(), axis.right(), base, pen.palette.hair);
        pen.g.setGlobalAlpha(chosen ? 1 : 0.6);
        if (course.spacingSeconds() > 0) {
            repeats(t, course, base, row - 20);
            dimension(t, r, course, base - (row - 20) / 2);
        } else {
            tail(t, r, course, base, row - 20);
        }
        pen.g.setGlobalAlpha(1);
    }

    /** Each repeat as the word that it repeats, as high as its level. */
    private void repeats(Throw t, ThrowCourse course, double base, double height) {
        for (ThrowCourse.Arrival a : course.arrivals()) {
            double share = Math.max(0.08, 1 + a.levelDb() / REPEAT_FLOOR_DB);
            Hatch.Area area = word(course, a, base, share * height);
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
            ThrowCourse course, ThrowCourse.Arrival a, double base, double height) {
        int left = (int) Math.round(Math.max(axis.left(), axis.x(a.span().startSeconds())));
        int right = (int) Math.round(Math.min(axis.right(), axis.x(a.span().endSeconds())));
        if (right <= left) {
            return null;
        }
        double[] upper = new double[right - left];
        double[] lower = new double[right - left];
        double late = a.span().startSeconds() - course.word().startSeconds();
        Silhouette s = material == null ? null : material.silhouette();
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
    private void dimension(Throw t, Return r, ThrowCourse course, double y) {
        double from = axis.x(course.word().startSeconds());
        double to = Math.min(axis.right(), from + axis.x(course.spacingSeconds()) - axis.x(0));
        MusicalTime own = t.trail().time();
        MusicalTime usual = r.space() instanceof Space.Echo e ? e.time() : null;
        MusicalTime time = own != null ? own : usual;
        String millis = Wording.number(1000 * course.spacingSeconds(), 0) + " ms";
        String words = time == null ? millis : time.words(millis);
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

    private void tail(Throw t, Return r, ThrowCourse course, double base, double height) {
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
        String words = words(r, course);
        pen.haloed(
                words,
                Math.min(falls + 10, axis.right() - Pen.width(words, Type.regular(11)) - 4),
                base + 11,
                Type.regular(11),
                pen.palette.ink2,
                pen.palette.disc,
                TextAlignment.LEFT);
    }

    private static String words(Return r, ThrowCourse course) {
        if (r.space() instanceof Space.Reverb reverb && course.next().isPresent()) {
            double until = course.gap().seconds();
            double down = -Fit.tailLevelDb(until, 0, reverb.decaySeconds());
            return Wording.number(reverb.decaySeconds(), 2)
                    + " s, "
                    + Wording.number(down, 0)
                    + " dB down when the next phrase begins";
        }
        double ends = course.arrivals().getFirst().span().endSeconds();
        return "30 dB down at " + Wording.number(ends, 2) + " s";
    }
}
