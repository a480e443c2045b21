package orbispace.app.draw;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Point2D;
import javafx.scene.shape.ArcType;
import javafx.scene.shape.StrokeLineCap;
import javafx.scene.text.TextAlignment;
import orbispace.app.song.FieldEvents;
import orbispace.core.design.Return;
import orbispace.core.time.NoteValue;
import orbispace.core.words.Wording;

/** Draws the Orbit: the disc, its rulers, the song's events and every return. */
public final class OrbitPainter {
    private static final double[] CLOCK_SECONDS = {0.01, 0.02, 0.05, 0.1, 0.2, 0.5, 1, 2, 5};
    private static final List<String> RINGED_NOTES =
            List.of("1/16", "1/8", "1/4", "1/4.", "1/2", "1 bar");
    private static final double GAP_FLAG_DB = -20;

    private static final int ROOMY = 4;

    private final Pen pen;
    private final PolarAxis axis;
    private final OrbitScene scene;
    private final Palette p;
    private final DiscPen disc;

    /** A painter of one picture. */
    public OrbitPainter(Pen pen, PolarAxis axis, OrbitScene scene) {
        this.pen = pen;
        this.axis = axis;
        this.scene = scene;
        this.p = pen.palette;
        disc = new DiscPen(pen, axis);
        pen.g.setLineCap(StrokeLineCap.BUTT);
    }

    /** Draws what a change of the chosen return leaves as it is: disc and other returns. */
    public void paintBehind() {
        paintGround();
        for (FieldEvents.Ring ring : scene.rings()) {
            paintEvent(ring, 0.10);
        }
        for (Return r : scene.design().returns()) {
            if (!r.id().equals(scene.chosen())) {
                painter(r).ifPresent(p -> p.paint(false));
            }
        }
    }

    /**
     * Draws the chosen return over the others, then rings, rulers and words.
     *
     * @param moving whether a hand moves it: it is then drawn with few lines, to keep up with it
     */
    public void paintChosen(boolean moving) {
        scene.design()
                .findReturn(scene.chosen())
                .flatMap(this::painter)
                .ifPresent(p -> p.paintChosen(moving));
        sealOthers();
        for (FieldEvents.Ring ring : scene.rings()) {
            paintEvent(ring, 0.05);
        }
        paintNotes();
        for (int i = 0; i < scene.rings().size(); i++) {
            paintEventName(scene.rings().get(i), i);
        }
        new RimPainter(pen, axis, scene.design().sources()).paint();
        paintBaseline();
        paintFlags();
    }

    private void sealOthers() {
        if (scene.design().returns().size() > ROOMY) {
            List<Point2D> taken = new ArrayList<>();
            for (Return r : scene.design().returns()) {
                if (!r.id().equals(scene.chosen())) {
                    painter(r).ifPresent(p -> p.sealAside(taken));
                }
            }
        }
    }

    private void paintGround() {
        double r = axis.radius();
        pen.g.setFill(p.disc);
        pen.g.fillArc(axis.centreX() - r, axis.centreY() - r, 2 * r, 2 * r, 0, 180, ArcType.CHORD);
        for (double s : CLOCK_SECONDS) {
            disc.arc(axis.r(s), p.hair, 1);
        }
        for (int degrees = -75; degrees <= 75; degrees += 15) {
            double inner = degrees % 30 == 0 ? 46 : 90;
            pen.line(
                    axis.x(inner, degrees),
                    axis.y(inner, degrees),
                    axis.x(r, degrees),
                    axis.y(r, degrees),
                    p.hair,
                    1);
        }
    }

    private void paintEvent(FieldEvents.Ring ring, double alpha) {
        double inner = axis.r(ring.lowSeconds());
        double outer = Math.min(axis.radius(), Math.max(inner + 2, axis.r(ring.highSeconds())));
        pen.g.setGlobalAlpha(alpha);
        pen.g.setStroke(p.ink);
        pen.g.setLineWidth(outer - inner);
        double middle = (inner + outer) / 2;
        pen.g.strokeArc(
                axis.centreX() - middle,
                axis.centreY() - middle,
                2 * middle,
                2 * middle,
                0,
                180,
                ArcType.OPEN);
        pen.g.setGlobalAlpha(1);
        pen.g.setLineDashes(1, 3);
        disc.arc(inner, p.ink3, 1);
        disc.arc(outer, p.ink3, 1);
        pen.g.setLineDashes();
    }

    /** The name runs up along its ring from the left end of the baseline. */
    private void paintEventName(FieldEvents.Ring ring, int index) {
        double r = (axis.r(ring.lowSeconds()) + axis.r(ring.highSeconds())) / 2 - 4;
        String words = ring.name() + "  " + Wording.time(ring.middleSeconds());
        // Alternate ends, so that rings that lie close do not meet.
        disc.along(words, r, -86 + 3.0 * index, Type.strong(11.5), p.ink);
    }

    /** A painter of a return that was measured. */
    private Optional<ReturnPainter> painter(Return r) {
        return Optional.ofNullable(scene.pictures().get(r.id()))
                .map(picture ->
                        new ReturnPainter(
                                pen,
                                axis,
                                r,
                                ReturnGeometry.of(scene.design(), r, picture),
                                scene.design().returns().size() > ROOMY));
    }

    private void paintNotes() {
        double lastX = Double.NaN;
        for (String name : RINGED_NOTES) {
            NoteValue note = NoteValue.parse(name).orElseThrow();
            double r = axis.r(scene.clock().length(note, scene.bar()).nominalMillis() / 1000);
            if (r > axis.radius()) {
                continue;
            }
            pen.g.setLineDashes(5, 4);
            disc.arc(r, p.time.deriveColor(0, 1, 1, 0.75), 1);
            pen.g.setLineDashes();
            double x = axis.centreX() - r;
            pen.upright(x, axis.centreY(), axis.centreY() + 6, p.time);
            double w = Pen.width(name, Type.strong(11.5));
            if (Double.isNaN(lastX) || lastX - x > w + 4) {
                pen.text(
                        name,
                        x,
                        axis.centreY() + 19,
                        Type.strong(11.5),
                        p.time,
                        TextAlignment.CENTER);
                lastX = x;
            }
        }
    }

    private void paintBaseline() {
        double r = axis.radius() + 10;
        pen.across(axis.centreX() - r, axis.centreX() + r, axis.centreY(), p.ink);
        double lastRight = axis.centreX() + 14;
        for (double s : CLOCK_SECONDS) {
            double x = axis.centreX() + axis.r(s);
            pen.upright(x, axis.centreY(), axis.centreY() + 5, p.ink);
            String label =
                    s < 1
                            ? Wording.number(1000 * s, 0) + (s == 0.5 ? " ms" : "")
                            : Wording.number(s, 0) + " s";
            double w = Pen.width(label, Type.regular(11.5));
            if (x - w / 2 > lastRight + 3) {
                pen.text(
                        label,
                        x,
                        axis.centreY() + 19,
                        Type.regular(11.5),
                        p.ink2,
                        TextAlignment.CENTER);
                lastRight = x + w / 2;
            }
        }
        String caption =
                "note values at " + Wording.number(scene.clock().bpmOfBar(scene.bar()), 0) + " bpm";
        pen.text(
                caption,
                axis.centreX() - 14,
                axis.centreY() + 33,
                Type.regular(11),
                p.time,
                TextAlignment.RIGHT);
        pen.circle(axis.centreX(), axis.centreY(), 9, p.disc, p.ink, 1);
        pen.circle(axis.centreX(), axis.centreY(), 4.5, p.ink, null, 0);
    }

    /** Where the chosen tail crosses an event, a flag carries its level there. */
    private void paintFlags() {
        var chosen = scene.design().findReturn(scene.chosen());
        if (chosen.isEmpty() || scene.pictures().get(scene.chosen()) == null) {
            return;
        }
        ReturnGeometry geometry =
                ReturnGeometry.of(
                        scene.design(),
                        chosen.get(),
                        java.util.Objects.requireNonNull(scene.pictures().get(scene.chosen())));
        double bearing = 34;
        for (FieldEvents.Ring ring : scene.rings()) {
            double db = geometry.tailDb(ring.middleSeconds());
            if (!Double.isFinite(db) || db > -0.5) {
                continue;
            }
            double r = axis.r(ring.middleSeconds());
            boolean loud = db > GAP_FLAG_DB;
            double x = axis.x(r, bearing);
            double y = axis.y(r, bearing);
            String level = Wording.number(db, 0) + " dB";
            pen.flag(x, y, x, y - 18, level, loud ? p.warn : p.ofReturn(chosen.get().id()));
            bearing -= 66;
        }
    }
}
