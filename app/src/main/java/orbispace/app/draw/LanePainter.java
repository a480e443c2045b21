package orbispace.app.draw;

import java.util.List;
import java.util.Optional;
import javafx.scene.paint.Color;
import javafx.scene.text.TextAlignment;
import orbispace.app.song.Material;
import orbispace.core.design.Role;
import orbispace.core.design.Source;
import orbispace.core.material.Hits;
import orbispace.core.material.Phrases;
import orbispace.core.material.Spectrum;
import orbispace.core.prove.Finding;
import orbispace.core.prove.Severity;
import orbispace.core.time.Span;
import orbispace.core.words.Wording;
import org.jspecify.annotations.Nullable;

/**
 * Draws one stem along time: its silhouette or strokes, its phrases, and flags where something is
 * wrong with it; left of it its name, role, level and spectrum, as far as they fit.
 */
public final class LanePainter {
    private static final double LABEL_LEFT = 18;
    private static final double FLAG_ROOM = 96;

    private final Pen pen;
    private final TimeAxis axis;

    /** A painter along an axis. */
    public LanePainter(Pen pen, TimeAxis axis) {
        this.pen = pen;
        this.axis = axis;
    }

    /**
     * What a lane shows.
     *
     * @param source the stem
     * @param name what is written on it
     * @param material what was measured, or null while that is not known
     * @param missing why its file could not be read; empty if it could
     * @param findings what is wrong with it
     * @param chosen whether it is selected
     * @param fold a triangle before the name: 0 none, 1 open, -1 folded
     */
    public record Lane(
            Source source,
            String name,
            @Nullable Material material,
            String missing,
            List<Finding> findings,
            boolean chosen,
            int fold) {
        /** Keeps its own list. */
        public Lane {
            findings = List.copyOf(findings);
        }
    }

    /** Draws a lane between two heights. */
    public void paint(Lane lane, double top, double height) {
        double labels = axis.left() - 14;
        if (lane.chosen()) {
            pen.clipped(
                    8.5,
                    Math.floor(top) + 1.5,
                    labels - 6,
                    height - 3,
                    Math.min(5, height / 4),
                    pen.palette.card,
                    pen.palette.ink);
        }
        pen.across(16, axis.right(), top, pen.palette.hair);
        labels(lane, top, height);
        Material m = lane.material();
        if (!lane.missing().isEmpty()) {
            missing(lane, top, height);
        } else if (m == null) {
            double y = top + height / 2 + 4;
            pen.text("listening", axis.left() + 8, y, Type.italic(11.5), pen.palette.ink3);
        } else {
            sound(lane.source(), m, top, height);
        }
        flags(lane, top, height);
    }

    private void labels(Lane lane, double top, double height) {
        boolean small = height < 20;
        double x = LABEL_LEFT;
        double y = small ? top + height / 2 + 4 : top + Math.min(15, height / 2 + 4);
        if (lane.fold() != 0) {
            triangle(x + 3, y - 4, lane.fold() < 0);
            x += 11;
        }
        double room = axis.left() - 14 - x - (lane.findings().isEmpty() ? 0 : 12);
        pen.text(
                Pen.cut(lane.name(), room, Type.strong(small ? 11.5 : 13)),
                x,
                y,
                Type.strong(small ? 11.5 : 13),
                pen.palette.ink);
        if (height > 36) {
            pen.text(
                    lane.source().role().label(),
                    LABEL_LEFT,
                    y + 15,
                    Type.regular(11.5),
                    pen.palette.ink3);
        }
        Material m = lane.material();
        if (m == null || height <= 50) {
            return;
        }
        String lufs =
                m.integratedLufs().isPresent()
                        ? Wording.number(m.integratedLufs().getAsDouble(), 1)
                        : "silent";
        pen.text(lufs, LABEL_LEFT, y + 31, Type.strong(11.5), pen.palette.ink2);
        if (m.integratedLufs().isPresent()) {
            double w = Pen.width(lufs, Type.strong(11.5));
            pen.text("LUFS", LABEL_LEFT + w + 3, y + 31, Type.regular(11), pen.palette.ink3);
            spectrum(m.facts().spectrum(), axis.left() - 42, y + 31, 26, 12);
        }
    }

    private void triangle(double x, double y, boolean folded) {
        pen.g.setFill(pen.palette.ink2);
        if (folded) {
            pen.g.fillPolygon(
                    new double[] {x - 2, x + 4, x - 2}, new double[] {y - 4, y, y + 4}, 3);
        } else {
            pen.g.fillPolygon(
                    new double[] {x - 3, x + 5, x + 1}, new double[] {y - 3, y - 3, y + 3}, 3);
        }
    }

    /** Third octaves as uprights, the loudest at full height, 40 dB to the ground. */
    private void spectrum(Spectrum s, double left, double base, double width, double height) {
        double loudest = s.levelsDb().stream().mapToDouble(Double::doubleValue).max().orElse(0);
        double step = width / Spectrum.BANDS;
        for (int b = 0; b < Spectrum.BANDS; b++) {
            double share = Math.clamp(1 + (s.levelsDb().get(b) - loudest) / 40, 0, 1);
            double x = left + b * step;
            pen.line(x, base, x, base - height * share, pen.palette.ink2, 0.8);
        }
        pen.line(left - 1, base, left + width, base, pen.palette.ink3, 0.8);
    }

    private void missing(Lane lane, double top, double height) {
        Hatch.cross(
                pen.g,
                pen.palette.warn,
                Hatch.Area.rectangle(axis.left(), top + 2, axis.width(), height - 4));
        pen.haloed(
                Pen.shortened(lane.missing(), axis.width() - 20, Type.regular(11.5)),
                axis.left() + 8,
                top + height / 2 + 4,
                Type.regular(11.5),
                pen.palette.ink,
                pen.palette.paper,
                TextAlignment.LEFT);
    }

    private void sound(Source source, Material m, double top, double height) {
        double base = top + height - Math.min(4, height / 6);
        // Phrases of a bed would say nothing that its level does not.
        Optional<Phrases> sung = m.phrases().filter(p -> Material.isSung(source));
        boolean numbered = height > 58 && sung.isPresent();
        sung.ifPresent(p -> phrases(p, top, height, numbered));
        double air = height > 30 ? 6 : 2;
        double reach = base - top - (numbered ? 22 : air);
        Optional<Hits> hits = m.hits().filter(h -> source.role() == Role.HITS);
        if (hits.isPresent()) {
            ticks(hits.get(), base, reach);
        } else {
            double full = m.silhouette().peak(0, m.silhouette().seconds());
            SilhouettePainter.paint(pen, m.silhouette(), axis, base, reach, full);
        }
    }

    private void phrases(Phrases found, double top, double height, boolean numbered) {
        pen.g.setGlobalAlpha(0.09);
        pen.g.setFill(pen.palette.ink);
        for (Span span : found.spans()) {
            double left = Math.max(axis.left(), axis.x(span.startSeconds()));
            double right = Math.min(axis.right(), axis.x(span.endSeconds()));
            if (right > axis.left() && left < axis.right()) {
                pen.g.fillRect(left, top + 1, Math.max(1, right - left), height - 2);
            }
        }
        pen.g.setGlobalAlpha(1);
        for (Span gap : numbered ? found.gaps() : List.<Span>of()) {
            double x = axis.x((gap.startSeconds() + gap.endSeconds()) / 2);
            String label = Wording.number(gap.seconds(), 1);
            double room = axis.x(gap.endSeconds()) - axis.x(gap.startSeconds()) + 14;
            if (room > Pen.width(label, Type.regular(11)) && inside(x)) {
                pen.text(
                        label,
                        x,
                        top + 12,
                        Type.regular(11),
                        pen.palette.ink2,
                        TextAlignment.CENTER);
            }
        }
    }

    private boolean inside(double x) {
        return x >= axis.left() && x <= axis.right();
    }

    private void ticks(Hits hits, double base, double height) {
        double loudest = hits.hits().stream().mapToDouble(Hits.Hit::peakDb).max().orElse(0);
        ticks(hits.bleed(), loudest, base, height, pen.palette.ink3, 1);
        ticks(hits.hits(), loudest, base, height, pen.palette.ink, 1.8);
        pen.across(axis.left(), axis.right(), base, pen.palette.ink);
    }

    private void ticks(
            List<Hits.Hit> hits,
            double loudest,
            double base,
            double height,
            Color ink,
            double width) {
        for (Hits.Hit hit : hits) {
            double x = axis.x(hit.seconds());
            if (inside(x)) {
                double tall = Math.max(2, height * (1 + (hit.peakDb() - loudest) / 36));
                pen.line(x, base, x, base - tall, ink, width);
            }
        }
    }

    /** Flags where the lane has room for them, else a mark beside the name. */
    private void flags(Lane lane, double top, double height) {
        if (lane.findings().isEmpty()) {
            return;
        }
        boolean act = lane.findings().stream().anyMatch(f -> f.severity() == Severity.ACT);
        double y = height < 20 ? top + height / 2 : top + Math.min(11, height / 2);
        mark(axis.left() - 18, y, act);
        if (height < 34) {
            return;
        }
        double x = axis.left() + 6;
        double from = x;
        for (Finding f : lane.findings()) {
            if (f.severity() == Severity.KNOW && !lane.chosen()) {
                continue;
            }
            double at = f.seconds().isPresent() ? axis.x(f.seconds().getAsDouble()) : from;
            if (at < axis.left() || at > axis.right() - FLAG_ROOM) {
                at = from;
            }
            double right = flag(Math.max(at, from), top, height, f);
            from = Math.max(from, right + 10);
        }
    }

    /** A pole with a cloth; answers its right edge. */
    private double flag(double x, double top, double height, Finding f) {
        boolean act = f.severity() == Severity.ACT;
        Color ink = act ? pen.palette.warn : pen.palette.ink2;
        double w = Pen.width(f.flag(), Type.strong(11)) + 12;
        double y = top + 3;
        pen.line(x, y, x, top + height - 3, ink, 1.2);
        pen.circle(x, top + height - 4, 2.5, pen.palette.paper, ink, 1.2);
        pen.g.setFill(pen.palette.card);
        double[] xs = {x, x + w, x + w - 5, x + w, x};
        double[] ys = {y, y, y + 7, y + 14, y + 14};
        pen.g.fillPolygon(xs, ys, 5);
        pen.g.setStroke(ink);
        pen.g.setLineWidth(1);
        pen.g.strokePolygon(xs, ys, 5);
        pen.text(f.flag(), x + 5, y + 11, Type.strong(11), ink);
        return x + w;
    }

    private void mark(double x, double y, boolean act) {
        double[] xs = {x - 4.5, x, x + 4.5};
        double[] ys = {y + 4, y - 4, y + 4};
        if (act) {
            pen.g.setFill(pen.palette.warn);
            pen.g.fillPolygon(xs, ys, 3);
        } else {
            pen.g.setStroke(pen.palette.ink2);
            pen.g.setLineWidth(1);
            pen.g.strokePolygon(xs, ys, 3);
        }
    }
}
