package orbispace.core.design;

import orbispace.core.audio.Audio;

/**
 * How a stem is laid into the song: what was wrong with the file is put right here, the file itself
 * stays as it is.
 *
 * @param shiftFrames how much later it plays, in frames at the song's rate; negative for earlier
 * @param inverted whether its polarity is turned
 * @param constantOffset a constant that is taken away from every sample, full scale 1
 * @param keepFrames how much of the stem is used from its start; 0 for all
 */
public record Placement(int shiftFrames, boolean inverted, double constantOffset, int keepFrames) {
    /** A stem as it lies in its file. */
    public static final Placement AS_IS = new Placement(0, false, 0, 0);

    /** The farthest shift and the longest stem, in frames: 34 minutes at 48 kHz. */
    public static final int MOST_FRAMES = 100_000_000;

    /** Checks the ranges. */
    public Placement {
        Ranges.require("shift", shiftFrames, -MOST_FRAMES, MOST_FRAMES);
        Ranges.require("constant offset", constantOffset, -1, 1);
        Ranges.require("length", keepFrames, 0, MOST_FRAMES);
    }

    /** The same, later by some frames. */
    public Placement shifted(int frames) {
        return new Placement(shiftFrames + frames, inverted, constantOffset, keepFrames);
    }

    /** The same with the other polarity. */
    public Placement turned() {
        return new Placement(shiftFrames, !inverted, constantOffset, keepFrames);
    }

    /** The same with a constant taken away. */
    public Placement without(double constant) {
        return new Placement(shiftFrames, inverted, constant, keepFrames);
    }

    /** The same, ending earlier. */
    public Placement keeping(int frames) {
        return new Placement(shiftFrames, inverted, constantOffset, frames);
    }

    /** The stem as it is laid into the song; the very same object if nothing is changed. */
    public Audio of(Audio stem) {
        if (equals(AS_IS)) {
            return stem;
        }
        int kept = keepFrames == 0 ? stem.frames() : Math.min(keepFrames, stem.frames());
        int frames = Math.max(0, Math.addExact(kept, shiftFrames));
        if (stem.samples().isPresent() && frames > 0) {
            PlacedSamples placed = new PlacedSamples(stem.samples().get(), this, frames);
            return Audio.stored(stem.sampleRateHz(), placed);
        }
        float[][] out = new float[stem.channelCount()][frames];
        int first = Math.clamp(shiftFrames, 0, frames);
        for (int c = 0; c < out.length; c++) {
            float[] x = stem.channel(c);
            if (frames > 0) {
                System.arraycopy(x, first - shiftFrames, out[c], first, frames - first);
            }
            put(out[c], first, frames);
        }
        return Audio.of(stem.sampleRateHz(), out);
    }

    /** Puts right the frames from one to before another. */
    void put(float[] sound, int from, int to) {
        float sign = inverted ? -1 : 1;
        for (int i = from; i < to; i++) {
            sound[i] = sign * (float) (sound[i] - constantOffset);
        }
    }
}
