package orbispace.core.render;

/** Where a mix is heard. */
public enum HeardThrough {
    /** As it is. */
    HEADPHONES("headphones, as it is", ""),
    /** A pair of loudspeakers at 30 degrees in a plain room, over headphones. */
    LOUDSPEAKERS("a pair of loudspeakers", "speakers"),
    /** Both sides as one, from 250 Hz to 6 kHz. */
    SMALL_SPEAKER("one small loudspeaker", "small"),
    /** The right loudspeaker 6 dB softer and 0.6 ms later. */
    SIDE_SEAT("the seat at the side", "side");

    private final String words;
    private final String brief;

    HeardThrough(String words, String brief) {
        this.words = words;
        this.brief = brief;
    }

    /** What it is called where there is little room; empty for as it is. */
    public String brief() {
        return brief;
    }

    /** What it is called. */
    public String words() {
        return words;
    }
}
