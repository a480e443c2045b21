package orbispace.core.space;

/**
 * A slow sine by the song's own time, which goes on through a jump or another rate as {@link Sway}
 * says.
 */
final class SlowTurn {
    private final Sway sway;
    private final double offset;
    private double perFrame;
    private int nextFrame;
    private boolean begun;

    /**
     * A turn at rest.
     *
     * @param offset where it stands when the song begins
     */
    SlowTurn(double perFrame, double offset, double sampleRateHz) {
        this.perFrame = perFrame;
        this.offset = offset;
        sway = new Sway(sampleRateHz);
    }

    /** Turns at another rate from here on. */
    void rate(double other) {
        sway.jump(perFrame * nextFrame, other * nextFrame);
        perFrame = other;
    }

    /** Says which frame of the song comes next. */
    void at(int frame) {
        if (begun && frame != nextFrame) {
            sway.jump(perFrame * nextFrame, perFrame * frame);
        }
        begun = true;
        nextFrame = frame;
    }

    /** Where it stands now, -1 to 1. */
    double sine() {
        return Math.sin(perFrame * nextFrame + offset + sway.off());
    }

    /** Goes on by some frames. */
    void goOn(int frames) {
        begun = true;
        nextFrame += frames;
        sway.goOn(frames);
    }

    void reset() {
        sway.reset();
        begun = false;
        nextFrame = 0;
    }
}
