package orbispace.app.view.frame;

/** The steps of the work that the rail names, with the number key of each. */
public enum Step {
    /** The materials. */
    SONG("Song", 1),
    /** Time. */
    ORBIT("Orbit", 2),
    /** Room for the dry. */
    CLEAR("Clear", 3),
    /** The song. */
    PLAN("Plan", 4),
    /** What the work changed, and whether one hears it. */
    PROVE("Prove", 5),
    /** Hand-over. */
    SHEET("Sheet", 6);

    public final String label;
    public final int digit;

    Step(String label, int digit) {
        this.label = label;
        this.digit = digit;
    }
}
