package orbispace.core.clear;

/** The kinds of remedy, any of which can be barred. */
public enum RemedyKind {
    /** A high-pass behind the space. */
    HIGH_PASS("high-pass"),
    /** A low-pass behind the space. */
    LOW_PASS("low-pass"),
    /** A dip behind the space, where the clash is narrow. */
    DIP("dip"),
    /** A ducker keyed by the source. */
    DUCK("duck"),
    /** A shorter decay. */
    DECAY("decay"),
    /** A longer predelay. */
    PREDELAY("predelay"),
    /** A lower return. */
    LEVEL("level");

    private final String label;

    RemedyKind(String label) {
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
