package orbispace.app.view.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import javafx.scene.Cursor;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.text.TextAlignment;
import orbispace.app.desk.PlanModel;
import orbispace.app.desk.Throwing;
import orbispace.app.draw.Pen;
import orbispace.app.draw.SilhouettePainter;
import orbispace.app.draw.TimeAxis;
import orbispace.app.draw.Type;
import orbispace.app.song.Material;
import orbispace.app.view.control.ScalingCanvas;
import orbispace.core.design.Source;
import orbispace.core.design.Throw;
import orbispace.core.plan.ThrowConflict;
import orbispace.core.plan.ThrowCourse;
import orbispace.core.time.Span;
import org.jspecify.annotations.Nullable;

/**
 * The source whose words are thrown: over the whole song with pins, and below it a stretch through
 * a lens, where words are picked and the levels of a ride drawn.
 */
final class ThrowChart extends ScalingCanvas {
    static final double VOICE = 66;
    private static final double FUNNEL = 14;

    /** Where the lens begins. */
    static final double LENS_TOP = VOICE + FUNNEL;

    private static final double NEAR = 9;
    private static final double BEFORE_SECONDS = 0.8;
    private static final double AFTER_SECONDS = 1.2;
    private static final double LEAST_LENS_SECONDS = 4;

    private final PlanModel model;
    private final Throwing throwing;
    private @Nullable RideGrip grip;

    /** A point of a ride, or a whole level, that a hand has taken hold of. */
    private record RideGrip(int point) {
        static final int LEVEL = -1;
    }

    ThrowChart(PlanModel model) {
        this.model = model;
        throwing = model.throwing();
        setMouseTransparent(false);
        setCursor(Cursor.HAND);
        setFocusTraversable(true);
        setAccessibleText("words and throws");
        addEventHandler(MouseEvent.MOUSE_PRESSED, this::pressed);
        addEventHandler(MouseEvent.MOUSE_DRAGGED, this::dragged);
        addEventHandler(MouseEvent.MOUSE_RELEASED, e -> released());
        addEventHandler(KeyEvent.KEY_PRESSED, this::key);
        focusedProperty().addListener((o, was, is) -> repaint());
    }

    /** The axis of the lens: what is picked with what follows it; empty if nothing is picked. */
    private Optional<TimeAxis> lens() {
        Span picked = throwing.picking().picked().get();
        if (picked == null) {
            return Optional.empty();
        }
        double end = picked.endSeconds();
        for (Throw t : shown()) {
            end = Math.max(end, throwing.courses().of(t).map(ThrowCourse::endSeconds).orElse(end));
        }
        double last = picked.endSeconds();
        double next =
                throwing.picking().words().phrases().stream()
                        .map(Span::startSeconds)
                        .filter(s -> s > last - 1e-3)
                        .findFirst()
                        .orElse(end);
        double from = Math.max(0, picked.startSeconds() - BEFORE_SECONDS);
        double to = Math.max(end, next) + AFTER_SECONDS;
        TimeAxis whole = axis();
        return Optional.of(
                new TimeAxis(
                        from,
                        Math.max(from + LEAST_LENS_SECONDS, to),
                        whole.left(),
                        whole.width()));
    }

    private TimeAxis axis() {
        return PlanChart.axis(model, getWidth());
    }

    /** The throws of the source that begin where something is picked, the chosen one first. */
    private List<Throw> shown() {
        Span picked = throwing.picking().picked().get();
        String id = throwing.picking().source().map(Source::id).orElse("");
        List<Throw> all = new ArrayList<>();
        for (Throw t : model.design().get().thrown()) {
            if (picked != null
                    && t.sourceId().equals(id)
                    && throwing.courses().span(t).overlaps(picked)) {
                all.add(t);
            }
        }
        all.sort(Comparator.comparing(t -> !t.id().equals(throwing.throwId().get())));
        return all;
    }

    private void pressed(MouseEvent e) {
        requestFocus();
        Optional<TimeAxis> lens = lens();
        boolean inLens = e.getY() > LENS_TOP && lens.isPresent();
        TimeAxis axis = inLens ? lens.get() : axis();
        if (e.getX() < axis.left()) {
            return;
        }
        Optional<Throw> pin = inLens ? Optional.empty() : pinAt(e.getX(), e.getY());
        if (pin.isPresent()) {
            throwing.choose(pin.get());
        } else if (!inLens || !takesHold(e, axis)) {
            pick(axis.seconds(e.getX()), e.getClickCount() > 1);
        }
        repaint();
    }

    private void pick(double seconds, boolean phrase) {
        if (phrase) {
            throwing.picking().pickPhrase(seconds);
        } else {
            throwing.picking().pickWord(seconds);
        }
    }

    private Optional<Throw> pinAt(double x, double y) {
        if (y > 2 * PinPainter.PIN + 8) {
            return Optional.empty();
        }
        return model.design().get().thrown().stream()
                .filter(t ->
                        Math.abs(axis().x(throwing.courses().span(t).startSeconds()) - x) <= NEAR)
                .min(
                        Comparator.comparingDouble(t ->
                                Math.abs(axis().x(throwing.courses().span(t).startSeconds()) - x)));
    }

    /** Takes hold of the level of the chosen throw, or of a point of its ride, near the hand. */
    private boolean takesHold(MouseEvent e, TimeAxis lens) {
        Optional<Throw> chosen = throwing.chosen();
        if (chosen.isEmpty()) {
            return false;
        }
        Throw t = chosen.get();
        ThrowLens drawn = new ThrowLens(model, lens, LENS_TOP, getHeight());
        if (e.isShiftDown() && throwing.courses().span(t).contains(lens.seconds(e.getX()))) {
            add(t, throwing.snapped(t, lens.seconds(e.getX())), drawn.levelDb(e.getY()));
            return true;
        }
        for (int i = 0; i < t.ride().size(); i++) {
            if (Math.hypot(
                            drawn.x(t.ride().get(i).beat()) - e.getX(),
                            drawn.y(t.ride().get(i).levelDb()) - e.getY())
                    <= NEAR) {
                grip = new RideGrip(i);
                return true;
            }
        }
        boolean onLine =
                t.ride().isEmpty()
                        && throwing.courses().span(t).contains(lens.seconds(e.getX()))
                        && Math.abs(drawn.y(t.levelDb()) - e.getY()) <= NEAR / 2;
        grip = onLine ? new RideGrip(RideGrip.LEVEL) : null;
        return onLine;
    }

    /** Another point of a ride, at the edge of a word. */
    private void add(Throw t, double beat, double db) {
        List<Throw.RidePoint> points = new ArrayList<>(t.ride());
        if (points.isEmpty()) {
            points.add(new Throw.RidePoint(t.fromBeat(), t.levelDb()));
            points.add(new Throw.RidePoint(t.toBeat(), t.levelDb()));
        }
        points.removeIf(p -> Math.abs(p.beat() - beat) < 1e-6);
        points.add(new Throw.RidePoint(beat, db));
        points.sort(Comparator.comparingDouble(Throw.RidePoint::beat));
        throwing.change(x -> x.withRide(points));
    }

    private void dragged(MouseEvent e) {
        RideGrip held = grip;
        Optional<TimeAxis> lens = lens();
        if (held == null || lens.isEmpty()) {
            return;
        }
        double db = new ThrowLens(model, lens.get(), LENS_TOP, getHeight()).levelDb(e.getY());
        throwing.drag(
                t ->
                        held.point() == RideGrip.LEVEL
                                ? t.withLevel(db)
                                : t.withRide(moved(t.ride(), held.point(), db)),
                held);
    }

    private static List<Throw.RidePoint> moved(List<Throw.RidePoint> ride, int point, double db) {
        List<Throw.RidePoint> points = new ArrayList<>(ride);
        points.set(point, new Throw.RidePoint(points.get(point).beat(), db));
        return points;
    }

    private void released() {
        if (grip != null) {
            grip = null;
            model.settle();
        }
    }

    private void key(KeyEvent e) {
        switch (e.getCode()) {
            case LEFT -> throwing.picking().step(-1);
            case RIGHT -> throwing.picking().step(1);
            case UP -> throwing.picking().grow();
            case DOWN -> throwing.picking().shrink();
            case P -> throwing.picking().wholePhrase();
            case W -> throwing.picking().lastWord();
            case ENTER -> throwing.throwPicked();
            case DELETE, BACK_SPACE -> throwing.remove();
            default -> {
                return;
            }
        }
        e.consume();
    }

    @Override
    protected void paint(Pen pen, double w, double h) {
        Optional<Source> source = throwing.picking().source();
        if (source.isEmpty() || model.design().get().returns().isEmpty()) {
            return;
        }
        TimeAxis axis = axis();
        List<ThrowConflict> conflicts = throwing.courses().conflicts();
        pen.text(
                Pen.cut(source.get().name(), axis.left() - 24, Type.strong(13)),
                16,
                VOICE - 22,
                Type.strong(13),
                pen.palette.ink);
        pen.text("throws on it", 16, VOICE - 7, Type.regular(11.5), pen.palette.ink3);
        Material m = model.measured().materials().get(source.get().id());
        if (m != null) {
            double full = m.silhouette().peak(0, m.silhouette().seconds());
            SilhouettePainter.paint(pen, m.silhouette(), axis, VOICE - 2, VOICE - 28, full);
        }
        PinPainter pins = new PinPainter(pen, axis, throwing, model.design().get());
        pins.ideas();
        pins.pins(conflicts);
        Optional<TimeAxis> lens = lens();
        if (isFocused()) {
            pen.g.setStroke(pen.palette.ink);
            pen.g.setLineWidth(1.6);
            pen.g.strokeRect(axis.left() - 3, 2, axis.width() + 6, h - 4);
        }
        if (lens.isEmpty()) {
            empty(pen, axis, h);
            return;
        }
        pins.funnel(lens.get());
        new ThrowLens(model, lens.get(), LENS_TOP, h).paint(pen, shown(), conflicts);
    }

    private static void empty(Pen pen, TimeAxis axis, double h) {
        double middle = VOICE + (h - VOICE) / 2;
        List<String> lines =
                List.of(
                        "Click a word on the silhouette, twice for its phrase,",
                        "and throw it to the chosen return with Enter.",
                        "Rings mark words that could be thrown.");
        for (int i = 0; i < lines.size(); i++) {
            pen.text(
                    lines.get(i),
                    axis.left() + axis.width() / 2,
                    middle + 18 * i,
                    Type.regular(13),
                    pen.palette.ink2,
                    TextAlignment.CENTER);
        }
    }
}
