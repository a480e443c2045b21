package orbispace.core.design;

/** How a stem was taken: what its microphone stood at, or that there was none. */
public enum StemKind {
    /** A microphone at the instrument or the mouth. */
    CLOSE("close"),
    /** Microphones over a whole kit. */
    OVERHEAD("overhead"),
    /** Microphones in the room. */
    ROOM("room"),
    /** Without a microphone. */
    DIRECT("direct"),
    /** An effect that was printed. */
    EFFECT("effect");

    private final String label;

    StemKind(String label) {
        this.label = label;
    }

    /** The kind in words and in projects. */
    public String label() {
        return label;
    }

    /** Whether a draft sends it anywhere: what is a space already, or hears a whole kit, is not. */
    public boolean isSent() {
        return switch (this) {
            case CLOSE, DIRECT -> true;
            case OVERHEAD, ROOM, EFFECT -> false;
        };
    }
}
