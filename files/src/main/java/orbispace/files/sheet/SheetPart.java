package orbispace.files.sheet;

/** What a recall sheet may hold, to be chosen. */
public enum SheetPart {
    /** Tempo, metre, sections and note values. */
    TEMPO("tempo and note values"),
    /** The field and the plan as pictures. */
    PICTURES("pictures"),
    /** The stems and how they are laid. */
    SOURCES("sources"),
    /** Every return's chain and sends. */
    RETURNS("returns"),
    /** Decay per octave as measured. */
    MEASURED("measured decay"),
    /** What each section changes. */
    PLAN("plan"),
    /** Words that are thrown. */
    THROWS("throws"),
    /** Findings that were accepted, with why. */
    FINDINGS("accepted findings");

    private final String label;

    SheetPart(String label) {
        this.label = label;
    }

    /** In words. */
    public String label() {
        return label;
    }
}
