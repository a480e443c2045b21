package orbispace.app.listen;

/**
 * What sound goes to.
 *
 * @param device a name of {@link Player#devices()}; empty for whatever the system prefers
 * @param frames how many frames it holds ahead: fewer answer sooner, more never stumble
 * @param rateHz its sample rate; 0 for that of the song
 */
public record OutputChoice(String device, int frames, int rateHz) {
    /** Whatever the system prefers. */
    public static final OutputChoice USUAL = new OutputChoice(Devices.USUAL, 2048, 0);

    /** The same to another device. */
    public OutputChoice withDevice(String other) {
        return new OutputChoice(other, frames, rateHz);
    }

    /** The same held otherwise ahead. */
    public OutputChoice withFrames(int other) {
        return new OutputChoice(device, other, rateHz);
    }

    /** The same at another rate. */
    public OutputChoice withRate(int otherHz) {
        return new OutputChoice(device, frames, otherHz);
    }
}
