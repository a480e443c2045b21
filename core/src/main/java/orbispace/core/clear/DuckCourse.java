package orbispace.core.clear;

import java.util.List;
import java.util.Optional;
import orbispace.core.audio.Decibels;
import orbispace.core.design.Duck;
import orbispace.core.time.Span;

/** What a return's ducker does over a stretch, against the phrases and rests of a source. */
public final class DuckCourse {
    private static final double SWING_DB = 3;
    private static final double OPEN_DB = -3;
    private static final double LEAST_REST_SECONDS = 0.25;

    /** So often in a second of phrases a ducker is heard to chatter. */
    public static final double CHATTER_PER_SECOND = 0.8;

    private final float[] gainDb;
    private final double framesPerSecond;
    private final double swingsPerSecond;
    private final boolean opens;

    private DuckCourse(
            float[] gainDb, double framesPerSecond, double swingsPerSecond, boolean opens) {
        this.gainDb = gainDb;
        this.framesPerSecond = framesPerSecond;
        this.swingsPerSecond = swingsPerSecond;
        this.opens = opens;
    }

    /** The ducker of a question's return over its stretch; empty if it has none. */
    public static Optional<DuckCourse> of(CoverAnalysis analysis, Question q) {
        Duck duck = q.ret().duck();
        if (duck == null) {
            return Optional.empty();
        }
        double rate = analysis.framesPerSecond();
        int first = analysis.frameAt(q.span().startSeconds());
        int last = analysis.frameAt(q.span().endSeconds());
        float[] power = DuckGains.of(analysis, q.design(), q.returnId(), duck, last);
        float[] db = new float[Math.max(0, last - first)];
        for (int f = 0; f < db.length; f++) {
            db[f] = (float) Math.max(-120, Decibels.ofPower(power[first + f]));
        }
        List<Span> phrases =
                q.phrases().spans().stream().filter(p -> p.overlaps(q.span())).toList();
        double speaking = phrases.stream().mapToDouble(Span::seconds).sum();
        double start = q.span().startSeconds();
        int swings = phrases.stream().mapToInt(p -> swings(db, p, start, rate)).sum();
        return Optional.of(
                new DuckCourse(
                        db,
                        rate,
                        speaking <= 0 ? 0 : swings / speaking,
                        opens(db, q.phrases().gaps(), q.span(), rate)));
    }

    static int swings(float[] db, Span phrase, double start, double rate) {
        int from = (int) Math.max(0, (phrase.startSeconds() - start) * rate);
        int to = (int) Math.min(db.length, (phrase.endSeconds() - start) * rate);
        int swings = 0;
        double low = 0;
        boolean up = false;
        for (int f = from + 1; f < to; f++) {
            low = f == from + 1 ? db[f] : Math.min(low, db[f]);
            if (!up && db[f] > low + SWING_DB) {
                up = true;
                swings++;
            } else if (up && db[f] < low + SWING_DB / 3) {
                up = false;
                low = db[f];
            }
        }
        return swings;
    }

    /** Whether it comes back in any rest; true where there is none to come back in. */
    static boolean opens(float[] db, List<Span> rests, Span span, double rate) {
        boolean any = false;
        for (Span rest : rests) {
            if (rest.seconds() < LEAST_REST_SECONDS || !rest.overlaps(span)) {
                continue;
            }
            any = true;
            int from = (int) Math.max(0, (rest.startSeconds() - span.startSeconds()) * rate);
            int to = (int) Math.min(db.length, (rest.endSeconds() - span.startSeconds()) * rate);
            for (int f = from; f < to; f++) {
                if (db[f] > OPEN_DB) {
                    return true;
                }
            }
        }
        return !any;
    }

    /** Gain in a frame from the beginning of the stretch, dB, 0 or less. */
    public double gainDb(int frame) {
        return gainDb[frame];
    }

    /** How many frames. */
    public int frames() {
        return gainDb.length;
    }

    /** Frames per second. */
    public double framesPerSecond() {
        return framesPerSecond;
    }

    /** How often in a second of phrases it lets go and takes back by 3 dB or more. */
    public double swingsPerSecond() {
        return swingsPerSecond;
    }

    /** Whether it is back within 3 dB in any rest. */
    public boolean opens() {
        return opens;
    }

    /** What is wrong with it, in a word or two; empty for nothing. */
    public String fault() {
        if (!opens) {
            return "never opens";
        }
        return swingsPerSecond > CHATTER_PER_SECOND ? "chatters" : "";
    }
}
