package orbispace.core.prove;

/** How much a finding matters. */
public enum Severity {
    /** Should be put right before going on. */
    ACT("act"),
    /** A choice that the engineer should make knowingly. */
    WEIGH("weigh"),
    /** Good to know. */
    KNOW("know");

    private final String label;

    Severity(String label) {
        this.label = label;
    }

    /** The severity in words. */
    public String label() {
        return label;
    }
}
