package orbispace.core.design;

import orbispace.core.audio.Samples;

/**
 * A stored stem as it is laid into the song.
 *
 * @param of the stem
 * @param placement how it is laid
 * @param frames its length in the song
 */
record PlacedSamples(Samples of, Placement placement, int frames) implements Samples {
    @Override
    public int channels() {
        return of.channels();
    }

    @Override
    public void read(int from, int count, float[] left, float[] right, int at) {
        int before = Math.clamp((long) placement.shiftFrames() - from, 0, count);
        for (int i = at; i < at + before; i++) {
            left[i] = 0;
            right[i] = 0;
        }
        int first = at + before;
        of.read(from + before - placement.shiftFrames(), count - before, left, right, first);
        placement.put(left, first, at + count);
        if (channels() == 2) {
            placement.put(right, first, at + count);
        }
    }
}
