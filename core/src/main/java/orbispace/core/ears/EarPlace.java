package orbispace.core.ears;

/** Where somebody listens. */
public enum EarPlace {
    /** On headphones. */
    HEADPHONES("headphones"),
    /** In a room. */
    LOUDSPEAKERS("loudspeakers");

    private final String label;

    EarPlace(String label) {
        this.label = label;
    }

    /** It in words. */
    public String label() {
        return label;
    }
}
