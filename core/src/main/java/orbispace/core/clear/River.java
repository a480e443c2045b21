package orbispace.core.clear;

/** A return's sound over time beside a dry source, frame by frame. */
public final class River {

    /** What a wet does in a frame. */
    public enum Course {
        /** It sounds while the dry rests. */
        BLOOMS,
        /** It sounds under the dry and leaves it alone. */
        UNDER,
        /** It takes more than a fifth of the dry's loudness. */
        COVERS
    }

    private final double framesPerSecond;
    private final float[] levelDb;
    private final Course[] course;

    River(double framesPerSecond, float[] levelDb, Course[] course) {
        this.framesPerSecond = framesPerSecond;
        this.levelDb = levelDb;
        this.course = course;
    }

    /** Number of frames. */
    public int frames() {
        return levelDb.length;
    }

    /** Frames per second. */
    public double framesPerSecond() {
        return framesPerSecond;
    }

    /** Level re the dry's mean in its phrases, in dB; negative infinity for silence. */
    public double levelDb(int frame) {
        return levelDb[frame];
    }

    /** What the wet does in a frame. */
    public Course course(int frame) {
        return course[frame];
    }
}
