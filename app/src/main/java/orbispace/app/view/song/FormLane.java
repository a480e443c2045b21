package orbispace.app.view.song;

import java.util.List;
import java.util.Optional;
import javafx.scene.Cursor;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import orbispace.app.desk.FormEditing;
import orbispace.app.desk.SongModel;
import orbispace.app.draw.BarRuler;
import orbispace.app.draw.Pen;
import orbispace.app.draw.TempoPainter;
import orbispace.app.draw.TimeAxis;
import orbispace.app.draw.TimeWindow;
import orbispace.app.song.FormItem;
import orbispace.app.view.control.ScalingCanvas;
import orbispace.app.view.control.StepSize;
import orbispace.app.view.frame.Screen;
import orbispace.core.design.Form;
import orbispace.core.design.Section;
import orbispace.core.design.Song;
import orbispace.core.time.TempoMap;
import org.jspecify.annotations.Nullable;

/**
 * The ruler of tempo and form: the whole song with its sections and tempo, the stretch that is seen
 * below as a box, and that stretch's bars. Edges are dragged by bars, tempi up and down.
 */
final class FormLane extends ScalingCanvas {
    static final double TOP = 6;
    static final double HEIGHT = 76;
    static final double RULER_TOP = 106;
    static final double RULER_HEIGHT = 20;
    private static final double REACH = 9;
    private static final double BPM_PER_PIXEL = 0.25;

    private final SongModel model;
    private final Runnable renames;
    private @Nullable Song began;
    private Object gesture = new Object();
    private double pressedY;

    /**
     * A lane.
     *
     * @param renames is called when a section's name is double-clicked
     */
    FormLane(SongModel model, Runnable renames) {
        this.model = model;
        this.renames = renames;
        setMouseTransparent(false);
        setFocusTraversable(true);
        setAccessibleText("tempo and sections; page up and down choose, arrows move");
        addEventHandler(MouseEvent.MOUSE_PRESSED, this::pressed);
        addEventHandler(MouseEvent.MOUSE_DRAGGED, this::dragged);
        addEventHandler(MouseEvent.MOUSE_RELEASED, e -> released());
        addEventHandler(MouseEvent.MOUSE_MOVED, this::moved);
        addEventHandler(KeyEvent.KEY_PRESSED, this::key);
        model.selection().form().addListener((o, was, is) -> repaint());
        model.selection().section().addListener((o, was, is) -> repaint());
        model.selection().window().addListener((o, was, is) -> repaint());
        model.design().addListener((o, was, is) -> repaint());
        focusedProperty().addListener((o, was, is) -> repaint());
    }

    private Song song() {
        return model.design().get().song();
    }

    private TimeAxis whole() {
        return Screen.axis(0, model.songSeconds(), getWidth());
    }

    private TempoPainter painter(Pen pen) {
        return new TempoPainter(pen, song(), whole(), TOP, HEIGHT);
    }

    private Optional<FormItem> at(double x, double y) {
        TempoPainter.Places places = new TempoPainter.Places(song(), whole(), TOP, HEIGHT);
        FormItem best = null;
        double nearest = REACH;
        for (FormItem item : FormEditing.items(song())) {
            double[] place =
                    switch (item) {
                        case FormItem.Edge e -> places.edge(FormEditing.barOf(song(), e));
                        case FormItem.Tempo t ->
                                FormEditing.tempoOf(song(), t)
                                        .map(places::tempo)
                                        .orElse(new double[] {-99, -99});
                    };
            double far = Math.hypot(place[0] - x, place[1] - y);
            if (far < nearest) {
                nearest = far;
                best = item;
            }
        }
        return Optional.ofNullable(best);
    }

    private void moved(MouseEvent e) {
        Optional<FormItem> under = at(e.getX(), e.getY());
        setCursor(
                under.map(i -> i instanceof FormItem.Edge ? Cursor.H_RESIZE : Cursor.V_RESIZE)
                        .orElse(Cursor.DEFAULT));
    }

    private void pressed(MouseEvent e) {
        requestFocus();
        Optional<FormItem> hit = at(e.getX(), e.getY());
        choose(hit.orElse(null));
        began = hit.isPresent() ? song() : null;
        gesture = new Object();
        pressedY = e.getY();
        if (hit.isPresent() || e.getX() < whole().left()) {
            return;
        }
        double seconds = whole().seconds(e.getX());
        if (e.getY() > TOP + HEIGHT) {
            model.transport().seek(axis().seconds(e.getX()));
            return;
        }
        Section section = sectionAt(seconds);
        if (e.getClickCount() == 2 && e.getY() > TOP + HEIGHT / 2) {
            model.selection().form().set(model.form().tempoAt(seconds));
        } else if (e.getClickCount() == 2 && section != null) {
            renames.run();
        } else {
            model.selection().section().set(section);
            model.transport().seek(seconds);
        }
    }

    private @Nullable Section sectionAt(double seconds) {
        return song().sections().stream()
                .filter(s -> song().span(s).contains(seconds))
                .findFirst()
                .orElse(null);
    }

    private void dragged(MouseEvent e) {
        Song from = began;
        FormItem item = model.selection().form().get();
        if (from == null || item == null) {
            return;
        }
        switch (item) {
            case FormItem.Edge edge -> {
                int bar = model.form().nearestBar(whole().seconds(e.getX()));
                model.form()
                        .drag(
                                "edge of sections",
                                from,
                                s -> Form.edge(s, edge.index(), bar),
                                gesture);
            }
            case FormItem.Tempo tempo -> {
                double moved = (pressedY - e.getY()) * BPM_PER_PIXEL;
                double step = e.isShiftDown() ? 0.1 : 1;
                FormEditing.tempoOf(from, tempo)
                        .ifPresent(c ->
                                model.form()
                                        .drag(
                                                "tempo",
                                                from,
                                                s -> withTempo(s, c, moved, step),
                                                gesture));
            }
        }
    }

    /** A tempo moved by an amount, to whole steps; a glide keeps where it goes. */
    private static Song withTempo(Song song, TempoMap.Change c, double moved, double step) {
        double bpm = Math.clamp(Math.round((c.bpm() + moved) / step) * step, 5, 1000);
        return Form.tempo(song, c.beat(), bpm);
    }

    private void released() {
        if (began != null && !began.equals(song())) {
            model.settle();
        }
        began = null;
    }

    private void remove(@Nullable FormItem chosen) {
        if (chosen != null) {
            model.form().remove(chosen);
            model.selection().form().set(null);
        }
    }

    private void key(KeyEvent e) {
        FormItem chosen = model.selection().form().get();
        double size = StepSize.of(e).steps();
        boolean known = true;
        switch (e.getCode()) {
            case PAGE_UP -> choose(-1);
            case PAGE_DOWN -> choose(1);
            case LEFT, RIGHT -> {
                double way = e.getCode() == javafx.scene.input.KeyCode.RIGHT ? 1 : -1;
                if (chosen instanceof FormItem.Edge edge) {
                    model.form().step(edge, way * (e.isShortcutDown() ? 4 : 1));
                } else {
                    choose((int) way);
                }
            }
            case UP, DOWN -> {
                double way = e.getCode() == javafx.scene.input.KeyCode.UP ? 1 : -1;
                if (chosen instanceof FormItem.Tempo tempo) {
                    model.form().step(tempo, way * size);
                } else {
                    known = false;
                }
            }
            case DELETE, BACK_SPACE -> remove(chosen);
            case X -> model.form().splitAt(model.transport().position().get());
            case T ->
                    model.selection()
                            .form()
                            .set(model.form().tempoAt(model.transport().position().get()));
            case ENTER, F2 -> renames.run();
            default -> known = false;
        }
        if (known) {
            e.consume();
        }
    }

    private void choose(int way) {
        List<FormItem> items = FormEditing.items(song());
        FormItem chosen = model.selection().form().get();
        int at = chosen == null ? (way > 0 ? -1 : items.size()) : items.indexOf(chosen);
        if (!items.isEmpty()) {
            choose(items.get(Math.clamp(at + way, 0, items.size() - 1)));
        }
    }

    /** Chooses an item and the section that begins there or holds it. */
    private void choose(@Nullable FormItem item) {
        model.selection().form().set(item);
        if (item instanceof FormItem.Edge edge && edge.index() < song().sections().size()) {
            model.selection().section().set(song().sections().get(edge.index()));
        } else if (item instanceof FormItem.Tempo tempo) {
            Section holding = sectionAt(song().clock().secondsAt(tempo.beat()) + 1e-6);
            if (holding != null) {
                model.selection().section().set(holding);
            }
        }
    }

    /** The axis of what is seen. */
    TimeAxis axis() {
        TimeWindow seen = TimeWindow.of(model.selection().window().get(), model.songSeconds());
        TimeAxis all = whole();
        return new TimeAxis(seen.fromSeconds(), seen.toSeconds(), all.left(), all.width());
    }

    @Override
    protected void paint(Pen pen, double w, double h) {
        if (model.design().get().sources().isEmpty()) {
            return;
        }
        painter(pen).paint(model.selection().section().get(), model.selection().form().get());
        if (isFocused()) {
            pen.g.setStroke(pen.palette.ink3);
            pen.g.setLineWidth(1);
            pen.g.strokeRect(8.5, TOP - 3.5, w - 20, HEIGHT + 6);
        }
        if (model.selection().window().get() != null) {
            funnel(pen);
        }
        BarRuler.paint(pen, song().clock(), axis(), RULER_TOP, RULER_HEIGHT, h);
    }

    /** The box of what is seen, opening into the ruler. */
    private void funnel(Pen pen) {
        TimeAxis seen = axis();
        double left = whole().x(seen.fromSeconds());
        double right = whole().x(seen.toSeconds());
        double base = TOP + HEIGHT;
        pen.g.setGlobalAlpha(0.1);
        pen.g.setFill(pen.palette.ink);
        pen.g.fillRect(left, TOP, right - left, HEIGHT);
        pen.g.setGlobalAlpha(1);
        pen.g.setStroke(pen.palette.ink);
        pen.g.setLineWidth(1.2);
        pen.g.strokeRect(
                Math.floor(left) + 0.5, TOP + 0.5, Math.max(2, Math.floor(right - left)), HEIGHT);
        pen.line(left, base, seen.left(), RULER_TOP, pen.palette.ink2, 0.8);
        pen.line(right, base, seen.right(), RULER_TOP, pen.palette.ink2, 0.8);
    }
}
