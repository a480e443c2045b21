package orbispace.core.design;

/** What a source is in the song. */
public enum Role {
    /** The voice or line that everything stands behind. */
    LEAD("lead"),
    /** Voices that answer or carry it. */
    BACKING("backing"),
    /** Percussive strokes. */
    HITS("hits"),
    /** Chords that lie under it. */
    HARMONY_BED("harmony bed"),
    /** The low line. */
    BASS("bass"),
    /** Everything that comes and goes. */
    COLOUR("colour");

    private final String label;

    Role(String label) {
        this.label = label;
    }

    /** The role in words. */
    public String label() {
        return label;
    }
}
