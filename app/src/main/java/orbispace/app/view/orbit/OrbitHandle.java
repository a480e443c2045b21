package orbispace.app.view.orbit;

import javafx.scene.Cursor;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import orbispace.app.draw.Pen;
import orbispace.app.draw.Type;
import orbispace.app.view.control.Plate;
import orbispace.app.view.control.ScalingCanvas;
import orbispace.app.view.control.StepSize;
import orbispace.core.design.Knob;

/** A diamond that is dragged, stepped or typed over, with its reading beside it. */
final class OrbitHandle extends ScalingCanvas {
    private final OrbitHandles owner;
    private Knob number;
    final Label reading = new Label();
    final TextField entry = new TextField();
    private Object gesture = new Object();

    OrbitHandle(OrbitHandles owner, Knob number) {
        this.owner = owner;
        this.number = number;
        setMouseTransparent(false);
        setPickOnBounds(true);
        setFocusTraversable(true);
        setCursor(Cursor.HAND);
        getStyleClass().add("handle");
        reading.getStyleClass().add("handle-reading");
        reading.setMouseTransparent(true);
        entry.setVisible(false);
        entry.getStyleClass().add("entry");
        entry.setOnAction(e -> commit());
        entry.focusedProperty().addListener((o, was, is) -> entry.setVisible(is));
        addEventHandler(MouseEvent.MOUSE_PRESSED, this::pressed);
        addEventHandler(MouseEvent.MOUSE_DRAGGED, this::dragged);
        addEventHandler(MouseEvent.MOUSE_RELEASED, e -> owner.settle());
        addEventHandler(KeyEvent.KEY_PRESSED, this::key);
        addEventHandler(KeyEvent.KEY_TYPED, this::keyTyped);
        focusedProperty()
                .addListener((o, was, is) -> {
                    owner.explain(this);
                    repaint();
                });
    }

    /** Holds another number from now on. */
    void hold(Knob other) {
        number = other;
    }

    /** The number that it holds. */
    Knob number() {
        return number;
    }

    void show(boolean on) {
        setVisible(on);
        reading.setVisible(on);
    }

    void place(double r, double bearing, String words) {
        double x = owner.axis().x(r, bearing);
        double y = owner.axis().y(r, bearing);
        Plate.place(this, x - 10, y - 10, 20, 20);
        reading.setText(number.label() + "  " + words);
        setAccessibleText(number.label() + " " + words);
        // A label does not measure itself anew while its pane is laid out.
        double w = Pen.width(reading.getText(), Type.strong(12)) + 16;
        double side = bearing < -20 ? -w - 18 : 16;
        Plate.place(reading, Math.rint(x + side), Math.rint(y - 11), Math.ceil(w), 22);
        Plate.place(entry, Math.rint(x + side), Math.rint(y - 13), Math.max(120, w), 26);
    }

    private void pressed(MouseEvent e) {
        requestFocus();
        gesture = new Object();
        if (e.getClickCount() == 2) {
            beginEntry("");
        }
    }

    private void dragged(MouseEvent e) {
        var at = owner.sceneToLocal(e.getSceneX(), e.getSceneY());
        owner.drag(
                this,
                owner.axis().seconds(owner.axis().distance(at.getX(), at.getY())),
                owner.axis().bearing(at.getX(), at.getY()),
                e.isAltDown(),
                gesture);
    }

    private void key(KeyEvent e) {
        int direction =
                switch (e.getCode()) {
                    case UP, RIGHT -> 1;
                    case DOWN, LEFT -> -1;
                    default -> 0;
                };
        if (direction != 0) {
            owner.step(this, direction, StepSize.of(e));
            e.consume();
        } else if (e.getCode() == KeyCode.ENTER) {
            beginEntry("");
            e.consume();
        }
    }

    private void keyTyped(KeyEvent e) {
        String c = e.getCharacter();
        if (c.length() == 1 && Character.isDigit(c.charAt(0))) {
            beginEntry(c);
            e.consume();
        }
    }

    private void beginEntry(String text) {
        entry.setText(text);
        entry.setVisible(true);
        entry.requestFocus();
        entry.positionCaret(text.length());
    }

    private void commit() {
        String text = entry.getText();
        requestFocus();
        owner.typed(this, text);
    }

    @Override
    protected void paint(Pen pen, double w, double h) {
        var color = owner.chosen().map(r -> pen.palette.ofReturn(r.id())).orElse(pen.palette.ink);
        double m = 10;
        double s = 6.5;
        pen.g.setFill(isFocused() ? color : pen.palette.card);
        pen.g.fillPolygon(new double[] {m, m + s, m, m - s}, new double[] {m - s, m, m + s, m}, 4);
        pen.g.setStroke(color);
        pen.g.setLineWidth(1.5);
        pen.g.strokePolygon(
                new double[] {m, m + s, m, m - s}, new double[] {m - s, m, m + s, m}, 4);
        if (isFocused()) {
            pen.circle(m, m, 9.2, null, pen.palette.ink, 1);
        }
    }
}
