package orbispace.app.view.song;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.input.ScrollEvent;
import orbispace.app.desk.SongModel;
import orbispace.app.draw.LanePainter;
import orbispace.app.draw.Pen;
import orbispace.app.draw.TimeAxis;
import orbispace.app.draw.TimeWindow;
import orbispace.app.session.Selection;
import orbispace.app.song.Material;
import orbispace.app.view.control.ScalingCanvas;
import orbispace.app.view.song.LaneStack.Lane;
import orbispace.core.design.Source;
import orbispace.core.material.Phrases;
import orbispace.core.material.Silhouette;
import orbispace.core.prove.Finding;
import orbispace.core.time.Span;
import org.jspecify.annotations.Nullable;

/**
 * The stems over time, one lane each; layers of one part fold into one lane. The wheel zooms and
 * scrolls in time, over the names it scrolls the lanes.
 */
final class SongLanes extends ScalingCanvas {
    private static final double FOLD_WIDTH = 32;
    private static final double ZOOM = 1.25;

    private final SongModel model;
    private final Supplier<TimeAxis> axis;
    private final Map<List<String>, Material> together = new HashMap<>();
    private Map<String, Material> drawnOf = Map.of();
    private double scrolled;
    private double draggedFrom = Double.NaN;

    SongLanes(SongModel model, Supplier<TimeAxis> axis) {
        this.model = model;
        this.axis = axis;
        setMouseTransparent(false);
        setFocusTraversable(true);
        setAccessibleText("stems over time; up and down choose a stem");
        addEventHandler(MouseEvent.MOUSE_PRESSED, this::pressed);
        addEventHandler(MouseEvent.MOUSE_DRAGGED, this::dragged);
        addEventHandler(ScrollEvent.SCROLL, this::wheel);
        addEventHandler(KeyEvent.KEY_PRESSED, this::key);
    }

    private List<Lane> lanes() {
        return LaneStack.lanes(
                model.design().get(),
                model.selection().picked().get(),
                model.selection().folded().get(),
                getHeight());
    }

    /** Where the lowest lane ends. */
    double bottom() {
        return Math.min(getHeight(), LaneStack.height(lanes()) - scrolled);
    }

    private void pressed(MouseEvent e) {
        requestFocus();
        draggedFrom = e.getX();
        double seconds = axis.get().seconds(e.getX());
        LaneStack.at(lanes(), e.getY() + scrolled)
                .ifPresent(lane -> {
                    if (!lane.folds().isEmpty() && e.getX() < FOLD_WIDTH) {
                        toggle(lane);
                    }
                    pick(lane, e.isShiftDown(), e.isShortcutDown());
                    if (e.getX() > axis.get().left()) {
                        loopPhrase(lane.source(), seconds);
                    }
                });
        if (e.getX() > axis.get().left()) {
            model.transport().seek(seconds);
        }
    }

    /** A drag over the lanes moves what is seen, as a hand moves paper. */
    private void dragged(MouseEvent e) {
        TimeWindow seen = window();
        if (!seen.isAll() && e.getX() > axis.get().left()) {
            show(seen.scrolled((draggedFrom - e.getX()) * seen.seconds() / axis.get().width()));
        }
        draggedFrom = e.getX();
    }

    private void loopPhrase(Source source, double seconds) {
        Optional.ofNullable(model.measured().materials().get(source.id()))
                .flatMap(Material::phrases)
                .map(Phrases::spans)
                .flatMap(p -> p.stream().filter(s -> s.contains(seconds)).findFirst())
                .ifPresent(model.transport()::loopOver);
    }

    /** Picks a lane: alone, with all from the chosen one to it, or beside those that are. */
    private void pick(Lane lane, boolean upTo, boolean beside) {
        Selection selection = model.selection();
        if (beside) {
            selection.pickAlso(lane.ids());
            return;
        }
        if (!upTo) {
            selection.pick(lane.ids());
            selection.sourceId().set(lane.source().id());
            return;
        }
        List<Lane> lanes = lanes();
        String chosen = selection.sourceId().get();
        int from = 0;
        while (from < lanes.size() - 1 && !lanes.get(from).ids().contains(chosen)) {
            from++;
        }
        int to = lanes.indexOf(lane);
        selection.pick(
                lanes.subList(Math.min(from, to), Math.max(from, to) + 1).stream()
                        .flatMap(l -> l.ids().stream())
                        .toList());
    }

    private void toggle(Lane lane) {
        model.selection().toggleFolded(lane.folds());
    }

    private TimeWindow window() {
        return TimeWindow.of(model.selection().window().get(), model.songSeconds());
    }

    private void show(TimeWindow window) {
        model.selection().window().set(window.isAll() ? null : window.span());
    }

    private void wheel(ScrollEvent e) {
        if (e.getX() < axis.get().left()) {
            scrolled -= e.getDeltaY();
            repaint();
        } else if (e.isShiftDown() || Math.abs(e.getDeltaX()) > Math.abs(e.getDeltaY())) {
            double by = e.getDeltaX() == 0 ? e.getDeltaY() : e.getDeltaX();
            show(window().scrolled(-by / 400 * window().seconds()));
        } else if (e.getDeltaY() != 0) {
            double at = axis.get().seconds(e.getX());
            show(window().zoomed(at, e.getDeltaY() > 0 ? ZOOM : 1 / ZOOM));
        }
        e.consume();
    }

    private void key(KeyEvent e) {
        boolean known = true;
        switch (e.getCode()) {
            case UP -> choose(-1, e.isShiftDown());
            case DOWN -> choose(1, e.isShiftDown());
            case ENTER ->
                    lanes().stream()
                            .filter(l -> l.chosen() && !l.folds().isEmpty())
                            .findFirst()
                            .ifPresent(this::toggle);
            case LEFT -> show(window().scrolled(-window().seconds() / 8));
            case RIGHT -> show(window().scrolled(window().seconds() / 8));
            case HOME -> model.selection().window().set(null);
            default -> known = zoomKey(e);
        }
        if (known) {
            e.consume();
        }
    }

    private boolean zoomKey(KeyEvent e) {
        double at = model.transport().position().get();
        TimeWindow seen = window();
        double kept = at >= seen.fromSeconds() && at <= seen.toSeconds() ? at : middle(seen);
        if (e.getText().equals("+") || e.getCode() == KeyCode.PLUS || e.getText().equals("=")) {
            show(seen.zoomed(kept, ZOOM));
        } else if (e.getText().equals("-") || e.getCode() == KeyCode.MINUS) {
            show(seen.zoomed(kept, 1 / ZOOM));
        } else if (e.getCode() == KeyCode.Z && !e.isShortcutDown()) {
            Span loop = model.transport().loop().get();
            Span to = loop == null ? model.span() : loop;
            show(TimeWindow.of(to, model.songSeconds()));
        } else {
            return false;
        }
        return true;
    }

    private static double middle(TimeWindow seen) {
        return (seen.fromSeconds() + seen.toSeconds()) / 2;
    }

    /** The next lane up or down, alone or beside those that are picked on that side. */
    private void choose(int step, boolean beside) {
        List<Lane> lanes = lanes();
        int at = -1;
        for (int i = 0; i < lanes.size(); i++) {
            at = lanes.get(i).chosen() && (at < 0 || step > 0) ? i : at;
        }
        int next = at + step;
        if (next >= 0 && next < lanes.size()) {
            if (beside) {
                model.selection().pickAlso(lanes.get(next).ids());
            } else {
                pick(lanes.get(next), false, false);
            }
            Lane seen = lanes().get(next);
            scrolled =
                    Math.min(
                            seen.top(),
                            Math.max(scrolled, seen.top() + seen.height() - getHeight()));
        }
    }

    @Override
    protected void paint(Pen pen, double w, double h) {
        List<Lane> lanes = lanes();
        if (lanes.isEmpty()) {
            return;
        }
        double all = LaneStack.height(lanes);
        scrolled = Math.clamp(scrolled, 0, Math.max(0, all - h));
        LanePainter painter = new LanePainter(pen, axis.get());
        for (Lane lane : lanes) {
            double top = lane.top() - scrolled;
            if (top + lane.height() > 0 && top < h) {
                painter.paint(painted(lane), top, lane.height());
            }
        }
        pen.across(16, axis.get().right(), Math.min(h - 1, all - scrolled), pen.palette.rule);
        if (all > h + 1) {
            double share = h / all;
            pen.line(w - 8, scrolled * share, w - 8, (scrolled + h) * share, pen.palette.ink3, 3);
        }
    }

    /** What is known of a stem, or of all that are folded into its lane. */
    @SuppressWarnings("ReferenceEquality") // What was measured anew is another map.
    private @Nullable Material material(List<Source> sources) {
        Map<String, Material> known = model.measured().materials();
        List<Material> all =
                sources.stream()
                        .flatMap(s -> Optional.ofNullable(known.get(s.id())).stream())
                        .toList();
        if (all.size() < 2) {
            return all.isEmpty() ? null : all.getFirst();
        }
        if (known != drawnOf) {
            together.clear();
            drawnOf = known;
        }
        return together.computeIfAbsent(
                sources.stream().map(Source::id).toList(),
                ids ->
                        new Material(
                                Silhouette.together(
                                        all.stream().map(Material::silhouette).toList()),
                                all.getFirst().facts()));
    }

    private LanePainter.Lane painted(Lane lane) {
        Source source = lane.source();
        List<Source> covered = lane.sources();
        List<Finding> findings =
                model.measured().survey().findings().get().stream()
                        .filter(f -> covered.stream().anyMatch(s -> s.id().equals(f.subject())))
                        .toList();
        return new LanePainter.Lane(
                source,
                lane.name(),
                material(lane.sources()),
                model.stems().missing().getOrDefault(source.id(), ""),
                findings,
                lane.chosen(),
                lane.folds().isEmpty() ? 0 : lane.closed() ? -1 : 1);
    }
}
