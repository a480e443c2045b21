package orbispace.core.space;

/**
 * The turn of a slow movement by the song's own time: {@code turn = start + frame x rate}. After a
 * jump in the song, or with another rate, it goes on from where it was and gets to where it belongs
 * within half a second.
 */
final class Sway {
    private static final double CATCH_UP_SECONDS = 0.5;

    private final double mostPerFrame;
    private double off;

    Sway(double sampleRateHz) {
        mostPerFrame = Math.PI / (CATCH_UP_SECONDS * sampleRateHz);
    }

    /** What is still added to the turn that the song's time says. */
    double off() {
        return off;
    }

    /** The song's time says another turn than before; what stands goes on. */
    void jump(double turnBefore, double turnNow) {
        off = Math.IEEEremainder(off + turnBefore - turnNow, 2 * Math.PI);
    }

    /** Goes on by some frames. */
    void goOn(int frames) {
        if (off != 0) {
            double step = mostPerFrame * frames;
            off = Math.abs(off) <= step ? 0 : off - Math.signum(off) * step;
        }
    }

    void reset() {
        off = 0;
    }
}
