package orbispace.core.render;

import orbispace.core.audio.Audio;

/** A source at its place between the loudspeakers, read for print. */
final class PrintedStand {
    private final Audio audio;
    private final GainCurve spread;
    private final GainCurve left;
    private final GainCurve right;
    private final float leftGain;
    private final float rightGain;

    /** A source as it is heard dry. */
    PrintedStand(Audio audio, double gain, SourceCurves.Course course) {
        this(audio, gain, course.stand(), course.left(audio), course.right(audio));
    }

    /** A source as it is sent, whose level is another's business. */
    PrintedStand(Audio audio, double gain, Stand stand) {
        this(audio, gain, stand, stand.left(audio), stand.right(audio));
    }

    private PrintedStand(Audio audio, double gain, Stand stand, GainCurve left, GainCurve right) {
        this.audio = audio;
        this.left = left;
        this.right = right;
        spread = audio.channelCount() == 1 ? GainCurve.EVEN : stand.spread();
        leftGain = (float) (gain * stand.leftGain(audio));
        rightGain = (float) (gain * stand.rightGain(audio));
    }

    int frames() {
        return audio.frames();
    }

    /** What is still to be laid on the left of what is read. */
    float leftGain() {
        return leftGain;
    }

    /** What is still to be laid on the right of what is read. */
    float rightGain() {
        return rightGain;
    }

    /**
     * Reads frames, moved as the sections say.
     *
     * @param gains is written over
     * @param firstFrame where in the song the sound begins
     */
    void read(int at, int n, Block into, float[] gains, int firstFrame) {
        audio.read(at, n, into.left, into.right);
        if (!spread.isEven()) {
            spread.fill(gains, firstFrame + at, n);
            spread(into.left, into.right, gains, n);
        }
        multiply(into.left, left, gains, firstFrame + at, n);
        multiply(into.right, right, gains, firstFrame + at, n);
    }

    private static void multiply(float[] sound, GainCurve curve, float[] gains, int frame, int n) {
        if (!curve.isEven()) {
            curve.fill(gains, frame, n);
            Mixdown.multiply(sound, 0, n, gains);
        }
    }

    /** Lays factors on the difference of two channels. */
    static void spread(float[] left, float[] right, float[] gains, int n) {
        for (int i = 0; i < n; i++) {
            float middle = (left[i] + right[i]) / 2;
            float side = gains[i] * (left[i] - right[i]) / 2;
            left[i] = middle + side;
            right[i] = middle - side;
        }
    }
}
