package orbispace.core.design;

/** What of a return a remedy may change. Any can be barred, or locked on one return. */
public enum Setting {
    /** The high-pass behind the space. */
    HIGH_PASS("high-pass"),
    /** The low-pass behind the space. */
    LOW_PASS("low-pass"),
    /** The dip behind the space. */
    DIP("dip"),
    /** The gate behind the space. */
    GATE("gate"),
    /** The ducker. */
    DUCK("duck"),
    /** The decay. */
    DECAY("decay"),
    /** The predelay, or the time of an echo. */
    PREDELAY("predelay"),
    /** The return's level, or the feedback of an echo. */
    LEVEL("level");

    private final String label;

    Setting(String label) {
        this.label = label;
    }

    /** Whether the space itself has to be rendered again. */
    public boolean rendersSpace() {
        return this == DECAY || this == PREDELAY;
    }

    /** Its name in words. */
    public String label() {
        return label;
    }
}
