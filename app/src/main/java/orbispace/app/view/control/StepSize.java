package orbispace.app.view.control;

import javafx.scene.input.KeyEvent;

/** How far one key turns a number. */
public enum StepSize {
    /** With Shift. */
    FINE(0.1),
    /** Alone. */
    PLAIN(1),
    /** With Ctrl. */
    COARSE(10);

    private final double steps;

    StepSize(double steps) {
        this.steps = steps;
    }

    /** What the keys that are held down ask for. */
    public static StepSize of(KeyEvent e) {
        if (e.isShiftDown()) {
            return FINE;
        }
        return e.isShortcutDown() ? COARSE : PLAIN;
    }

    /** So many steps of the number. */
    public double steps() {
        return steps;
    }
}
