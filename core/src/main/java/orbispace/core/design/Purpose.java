package orbispace.core.design;

import orbispace.core.hearing.WetState;

/**
 * What a return is for. It decides by which sources the return is judged, how much of it should be
 * noticed, and which remedies may be proposed for it.
 */
public enum Purpose {
    /** A short space that sets a source down somewhere. */
    NEAR("near space", WetState.FELT),
    /** A long space behind everything. */
    FAR("far space", WetState.FELT),
    /** What strokes ring in. */
    DRUMS("drum space", WetState.HEARD),
    /** Repeats in the gaps of what is sent. */
    ECHO("echo", WetState.FELT),
    /** Opens a source to the sides. */
    WIDTH("width", WetState.FELT),
    /** Stands behind a dry sound and makes it denser. */
    THICKENING("thickening", WetState.FELT),
    /** Something to be noticed in its own right. */
    EFFECT("effect", WetState.OBVIOUS);

    private final String label;
    private final WetState asked;

    Purpose(String label, WetState asked) {
        this.label = label;
        this.asked = asked;
    }

    /** It in words, as files and screens have it. */
    public String label() {
        return label;
    }

    /** How much of it should be noticed. */
    public WetState asked() {
        return asked;
    }

    /**
     * Whether its loudness alone says whether it is heard; a widener opens at levels that do not.
     */
    public boolean isHeardByLoudness() {
        return this != WIDTH;
    }

    /** Whether one that nobody notices does what it is for. */
    public boolean mayBeHidden() {
        return this == THICKENING || this == WIDTH;
    }

    /** Whether it is left as it is but for levels and headroom, unless something is asked of it. */
    public boolean isLeftAlone() {
        return this == EFFECT;
    }

    /** Whether it is held against strokes and not against the words of who leads. */
    public boolean isOfStrokes() {
        return this == DRUMS;
    }

    /** Whether a remedy of a kind may be proposed for it at all. */
    public boolean allows(Setting remedy) {
        // A drum space without its top is no drum space: consonants are kept clear by other means.
        return this != DRUMS || remedy != Setting.LOW_PASS;
    }
}
