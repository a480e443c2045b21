package orbispace.core.audio;

/**
 * A stretch of a stored sound.
 *
 * @param of the whole
 * @param start its first frame there
 * @param frames its length
 */
record SamplesPart(Samples of, int start, int frames) implements Samples {
    @Override
    public int channels() {
        return of.channels();
    }

    @Override
    public void read(int from, int count, float[] left, float[] right, int at) {
        of.read(start + from, count, left, right, at);
    }
}
