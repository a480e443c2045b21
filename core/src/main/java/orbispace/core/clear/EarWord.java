package orbispace.core.clear;

/**
 * What an engineer may hear, in the words engineers use; {@link EarTable} tells for each its
 * measure, where it lives and what helps.
 */
public enum EarWord {
    /** Too much low end. */
    TOO_THICK("too thick"),
    /** A box around the sound. */
    BOXY("boxy"),
    /** Highs that ring. */
    SIZZLY("sizzly"),
    /** Hiss on s and t. */
    SHARP("sharp on consonants"),
    /** A tail that does not end in time. */
    TOO_LONG("too long"),
    /** The words swim. */
    WASHED_OUT("washed out"),
    /** Too much space around it. */
    TOO_FAR("too far"),
    /** No space around it. */
    TOO_NEAR("too near"),
    /** The effect is noticed. */
    TOO_OBVIOUS("too obvious"),
    /** The effect is not heard. */
    LOST("lost in the mix"),
    /** The space moves with the words. */
    PUMPING("pumping"),
    /** Hollow, thin in mono. */
    PHASEY("phasey"),
    /** A rattle of repeats. */
    FLUTTERY("fluttery"),
    /** The next words begin in the last ones' tail. */
    CROWDING("crowding the next phrase"),
    /** The tail breaks off. */
    STOPS_DEAD("stops dead"),
    /** No highs in the space. */
    DULL("dull"),
    /** No body in the space. */
    THIN("thin"),
    /** Both sides alike. */
    NARROW("narrow"),
    /** Not in one room with the others. */
    APART("apart"),
    /** The tail is gone before anything comes. */
    TOO_SHORT("too short"),
    /** Phrases end in nothing. */
    UNFINISHED("unfinished");

    private final String label;

    EarWord(String label) {
        this.label = label;
    }

    /** The word. */
    public String label() {
        return label;
    }
}
