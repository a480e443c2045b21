package orbispace.core.audio;

/** Which way up a sound is against another. */
public enum Polarity {
    /** They add up. */
    SAME("as it is"),
    /** They take from each other. */
    INVERTED("upside down"),
    /** Filters, a tone or a crowd of arrivals leave it open. */
    NOT_SURE("polarity not sure");

    private final String label;

    Polarity(String label) {
        this.label = label;
    }

    /** In words. */
    public String label() {
        return label;
    }
}
