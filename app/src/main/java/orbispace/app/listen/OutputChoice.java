package orbispace.app.listen;

/**
 * What sound goes to.
 *
 * @param device a name of {@link Player#devices()}; empty for whatever the system prefers
 * @param frames how many frames it holds ahead: fewer answer sooner, more never stumble
 */
public record OutputChoice(String device, int frames) {
    /** Whatever the system prefers. */
    public static final OutputChoice USUAL = new OutputChoice(Devices.USUAL, 2048);
}
