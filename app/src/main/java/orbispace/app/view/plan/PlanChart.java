package orbispace.app.view.plan;

import java.util.List;
import java.util.Optional;
import javafx.scene.Cursor;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.text.TextAlignment;
import orbispace.app.desk.PlanMeasured;
import orbispace.app.desk.PlanModel;
import orbispace.app.desk.Planning;
import orbispace.app.draw.BarRuler;
import orbispace.app.draw.Pen;
import orbispace.app.draw.TimeAxis;
import orbispace.app.draw.Type;
import orbispace.app.view.control.ScalingCanvas;
import orbispace.app.view.frame.Screen;
import orbispace.core.design.PlanCell;
import orbispace.core.design.Return;
import orbispace.core.design.Section;
import orbispace.core.plan.BoundaryClash;
import orbispace.core.time.Span;
import org.jspecify.annotations.Nullable;

/**
 * Sections across, returns down: a tide line for each level. Cells are chosen, and their levels
 * drawn up and down, by hand or by keys.
 */
final class PlanChart extends ScalingCanvas {
    private static final double TOP = 76;
    private static final double ARRANGEMENT = 30;
    private static final double LEAST_DRAG = 3;
    private static final double STEP_DB = 0.5;
    private static final double FINE_DB = 0.1;

    private final PlanModel model;
    private final Planning planning;
    private static final double MOST_ROW = 140;

    private @Nullable Grip grip;
    private boolean moved;

    /** A level that a hand has taken hold of. */
    private record Grip(double y, double levelDb, @Nullable Section alone) {}

    PlanChart(PlanModel model) {
        this.model = model;
        planning = model.planning();
        setMouseTransparent(false);
        setCursor(Cursor.HAND);
        setFocusTraversable(true);
        setAccessibleText("sections and returns");
        addEventHandler(MouseEvent.MOUSE_PRESSED, this::pressed);
        addEventHandler(MouseEvent.MOUSE_DRAGGED, this::dragged);
        addEventHandler(MouseEvent.MOUSE_RELEASED, e -> released());
        addEventHandler(KeyEvent.KEY_PRESSED, this::key);
        focusedProperty().addListener((o, was, is) -> repaint());
    }

    /** How high the chart is for so many returns where there is so much room. */
    static double height(double room, int returns) {
        double rows = Math.clamp((room - TOP - ARRANGEMENT) / Math.max(1, returns), 34, MOST_ROW);
        return TOP + ARRANGEMENT + rows * returns;
    }

    /** The axis of the whole song for a width. */
    static TimeAxis axis(PlanModel model, double w) {
        return Screen.axis(0, model.songSeconds(), w);
    }

    private List<Return> returns() {
        return model.design().get().returns();
    }

    private List<Section> sections() {
        return model.design().get().song().sections();
    }

    private double rowHeight() {
        return (getHeight() - TOP - ARRANGEMENT) / Math.max(1, returns().size());
    }

    private void pressed(MouseEvent e) {
        requestFocus();
        model.throwing().picking().pick(null);
        TimeAxis axis = axis(model, getWidth());
        int row = (int) Math.floor((e.getY() - TOP) / rowHeight());
        boolean inLanes = row >= 0 && row < returns().size();
        if (inLanes) {
            model.selection().returnId().set(returns().get(row).id());
        }
        if (e.getX() > axis.left()) {
            double seconds = axis.seconds(e.getX());
            model.transport().seek(seconds);
            sections().stream()
                    .filter(s -> model.design().get().song().span(s).contains(seconds))
                    .findFirst()
                    .ifPresent(s -> take(s, e, inLanes));
        }
        repaint();
    }

    /** Chooses a section, along with others if asked; a level is only taken hold of in a lane. */
    private void take(Section s, MouseEvent e, boolean inLanes) {
        boolean along = e.isShiftDown() || e.isShortcutDown();
        boolean among = planning.isChosen(s) && !planning.along().get().isEmpty();
        if (along) {
            planning.toggle(s);
        } else if (!among) {
            planning.choose(s);
        }
        grip = inLanes ? new Grip(e.getY(), planning.cell().levelDb(), among ? s : null) : null;
    }

    private void dragged(MouseEvent e) {
        Grip held = grip;
        if (held == null || Math.abs(e.getY() - held.y()) < LEAST_DRAG) {
            return;
        }
        double by = (held.y() - e.getY()) * PlanLanes.dbPerPixel(rowHeight());
        double step = e.isAltDown() ? FINE_DB : STEP_DB;
        double db = Math.clamp(step * Math.rint((held.levelDb() + by) / step), -60, 24);
        moved = true;
        planning.drag(c -> c.withLevel(Math.rint(10 * db) / 10), held);
    }

    private void released() {
        Grip held = grip;
        if (held != null && moved) {
            model.settle();
        } else if (held != null && held.alone() != null) {
            planning.choose(held.alone());
        }
        grip = null;
        moved = false;
    }

    private void key(KeyEvent e) {
        if (e.isShortcutDown() ? shortcut(e.getCode()) : plain(e)) {
            e.consume();
        }
    }

    private boolean shortcut(KeyCode code) {
        switch (code) {
            case C -> planning.copy();
            case V -> planning.paste();
            case A -> planning.chooseAll();
            default -> {
                return false;
            }
        }
        repaint();
        return true;
    }

    private boolean plain(KeyEvent e) {
        double step = e.isShiftDown() ? FINE_DB : STEP_DB;
        switch (e.getCode()) {
            case UP -> row(-1);
            case DOWN -> row(1);
            case LEFT -> column(-1, e.isShiftDown());
            case RIGHT -> column(1, e.isShiftDown());
            case PLUS, ADD, EQUALS -> level(step);
            case MINUS, SUBTRACT -> level(-step);
            case M -> planning.change(c -> c.withMuted(!planning.cell().muted()), "mute");
            case DELETE, BACK_SPACE -> planning.change(c -> PlanCell.PLAIN, "plan");
            default -> {
                return false;
            }
        }
        return true;
    }

    private void level(double by) {
        planning.change(c -> c.withLevel(Math.rint(10 * (c.levelDb() + by)) / 10), "level");
    }

    private void row(int by) {
        List<String> ids = returns().stream().map(Return::id).toList();
        int next = ids.indexOf(model.selection().returnId().get()) + by;
        if (next >= 0 && next < ids.size()) {
            model.selection().returnId().set(ids.get(next));
        }
    }

    /** Goes to the next section; with Shift it is chosen along with those that were. */
    private void column(int by, boolean along) {
        int now = planning.section().map(this::index).orElse(0);
        if (now + by < 0 || now + by >= sections().size()) {
            return;
        }
        var kept = new java.util.TreeSet<>(planning.along().get());
        kept.add(sections().get(now).firstBar());
        planning.choose(sections().get(now + by));
        if (along) {
            planning.chooseAlong(kept);
        }
    }

    private int index(Section s) {
        for (int i = 0; i < sections().size(); i++) {
            if (sections().get(i).firstBar() == s.firstBar()) {
                return i;
            }
        }
        return 0;
    }

    @Override
    protected void paint(Pen pen, double w, double h) {
        TimeAxis axis = axis(model, w);
        if (sections().isEmpty() || returns().isEmpty()) {
            pen.text(
                    sections().isEmpty()
                            ? "Lay out sections on Song, and plan the field over them here."
                            : "Draft or add a return on Orbit, and plan it over the sections here.",
                    w / 2,
                    h / 2 + 30,
                    Type.regular(14),
                    pen.palette.ink2,
                    TextAlignment.CENTER);
            return;
        }
        BarRuler.paint(pen, model.design().get().song().clock(), axis, 48, 12, h - ARRANGEMENT);
        PlanLanes lanes = new PlanLanes(pen, axis, model);
        PlanMeasured known = planning.measured().get();
        boolean current = known != null && planning.isCurrent(known);
        List<BoundaryClash> clashes = known == null || !current ? List.of() : known.clashes();
        double y = TOP;
        for (Return r : returns()) {
            lanes.lane(r, y, rowHeight());
            lanes.clashes(clashes, r, y, y + rowHeight() - 6);
            y += rowHeight();
        }
        pen.across(16, w - 16, y, pen.palette.rule);
        lanes.columns(h);
        lanes.arrangement(known, y, ARRANGEMENT);
        pen.across(16, w - 16, h - 0.5, pen.palette.rule);
        chosen(pen, axis);
    }

    private void chosen(Pen pen, TimeAxis axis) {
        List<String> ids = returns().stream().map(Return::id).toList();
        int row = ids.indexOf(model.selection().returnId().get());
        Optional<Section> section = planning.section();
        if (row < 0 || section.isEmpty()) {
            return;
        }
        pen.g.setStroke(pen.palette.ink);
        for (Section s : sections()) {
            if (planning.isChosen(s)) {
                boolean first = s.firstBar() == section.get().firstBar();
                Span span = model.design().get().song().span(s);
                double x = axis.x(span.startSeconds());
                double strong = isFocused() ? 2.4 : 1.6;
                pen.g.setLineWidth(first ? strong : 1);
                pen.g.strokeRect(
                        x,
                        TOP + row * rowHeight() + 1,
                        axis.x(span.endSeconds()) - x,
                        rowHeight() - 2);
            }
        }
    }
}
