package orbispace.core.render;

import orbispace.core.audio.Audio;

/** A source at its place between the loudspeakers, for listening: what changes goes over. */
final class LiveStand {
    private final Ride spread;
    private final Ride left;
    private final Ride right;
    private final float[] side;

    /**
     * How a source moves over the song.
     *
     * @param spread factor on the difference of its channels
     * @param left gain on top of its steady one
     * @param right gain on top of its steady one
     */
    record Course(GainCurve spread, GainCurve left, GainCurve right) {
        /** As it is heard dry. */
        static Course dry(Audio audio, SourceCurves.Course of) {
            return new Course(of.stand().spread(), of.left(audio), of.right(audio));
        }

        /** As it is sent, whose level is another's business. */
        static Course sent(Audio audio, Stand stand) {
            return new Course(stand.spread(), stand.left(audio), stand.right(audio));
        }
    }

    LiveStand(Course course, int maxFrames) {
        spread = new Ride(course.spread());
        left = new Ride(course.left());
        right = new Ride(course.right());
        side = new float[maxFrames];
    }

    /** Lays frames of the song; the steady gains glide to wanted ones. */
    void process(
            float[] l, float[] r, int n, int frame, Course course, float[] gains, float[] wanted) {
        spread.apply(course.spread());
        left.apply(course.left());
        right.apply(course.right());
        if (!spread.rests(frame, n)) {
            widen(l, r, n, frame);
        }
        LiveReturn.glide(l, r, n, gains, wanted);
        left.process(l, 0, n, frame);
        right.process(r, 0, n, frame);
    }

    private void widen(float[] l, float[] r, int n, int frame) {
        for (int i = 0; i < n; i++) {
            side[i] = (l[i] - r[i]) / 2;
            l[i] = (l[i] + r[i]) / 2;
        }
        spread.process(side, 0, n, frame);
        for (int i = 0; i < n; i++) {
            r[i] = l[i] - side[i];
            l[i] += side[i];
        }
    }

    /** Begins anew. */
    void reset() {
        spread.reset();
        left.reset();
        right.reset();
    }
}
