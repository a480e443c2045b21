package orbispace.core.space;

import orbispace.core.audio.Audio;

/**
 * An impulse response ready for convolution: brought to unit energy, so that it is as loud as the
 * other spaces. Two are equal only if they are the same one.
 */
public final class SpaceResponse {
    private final float[][] paths;
    private final Taps taps;
    private final double sampleRateHz;

    private SpaceResponse(double sampleRateHz, float[]... channels) {
        this.sampleRateHz = sampleRateHz;
        paths = new float[channels.length][];
        double energy = 0;
        for (int p = 0; p < paths.length; p++) {
            paths[p] = channels[p].clone();
            for (float x : paths[p]) {
                energy += (double) x * x;
            }
        }
        if (!(energy > 0)) {
            throw new IllegalArgumentException("the impulse response is silent");
        }
        float gain = (float) Math.sqrt(2 / energy);
        for (float[] path : paths) {
            for (int i = 0; i < path.length; i++) {
                path[i] *= gain;
            }
        }
        taps = new Taps(paths);
    }

    /**
     * A mono or stereo response, each side for itself.
     *
     * @throws IllegalArgumentException if it is silent
     */
    public static SpaceResponse of(Audio response) {
        return new SpaceResponse(response.sampleRateHz(), response.channel(0), response.channel(1));
    }

    /** A single click at any rate, which leaves the sound as it is. */
    public static SpaceResponse click() {
        return new SpaceResponse(Double.NaN, new float[] {1}, new float[] {1});
    }

    /**
     * A true stereo response.
     *
     * @param fromLeft what both sides answer to a sound on the left
     * @param fromRight what they answer to one on the right, of the same rate and length
     * @throws IllegalArgumentException if it is silent or the two do not fit
     */
    public static SpaceResponse trueStereo(Audio fromLeft, Audio fromRight) {
        if (fromLeft.sampleRateHz() != fromRight.sampleRateHz()
                || fromLeft.frames() != fromRight.frames()) {
            throw new IllegalArgumentException("the two halves of the response do not fit");
        }
        return new SpaceResponse(
                fromLeft.sampleRateHz(),
                fromLeft.channel(0),
                fromLeft.channel(1),
                fromRight.channel(0),
                fromRight.channel(1));
    }

    /** Two for mono and stereo, four for true stereo. */
    public int pathCount() {
        return paths.length;
    }

    /** Its length. */
    public double seconds() {
        return Double.isNaN(sampleRateHz) ? 0 : paths[0].length / sampleRateHz;
    }

    Taps taps(double rate) {
        if (!Double.isNaN(sampleRateHz) && rate != sampleRateHz) {
            throw new IllegalArgumentException(
                    "the impulse response is at " + sampleRateHz + " Hz, the song at " + rate);
        }
        return taps;
    }
}
