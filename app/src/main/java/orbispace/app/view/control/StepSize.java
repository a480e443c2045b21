package orbispace.app.view.control;

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

    /** So many steps of the number. */
    public double steps() {
        return steps;
    }
}
