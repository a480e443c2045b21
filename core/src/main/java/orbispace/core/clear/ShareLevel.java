package orbispace.core.clear;

import java.util.List;
import java.util.OptionalDouble;
import java.util.function.DoubleUnaryOperator;
import orbispace.core.audio.Decibels;
import orbispace.core.design.Source;
import orbispace.core.hearing.Excitation;
import orbispace.core.hearing.WetShare;
import orbispace.core.hearing.WetState;
import orbispace.core.render.Job;

/**
 * The level at which a return is noticed as much as asked: bisection on its wet share, which rises
 * with its level. Excitations are scaled, nothing is rendered anew.
 */
public final class ShareLevel {
    private static final double LEAST_DB = -90;
    private static final double MOST_DB = 24;
    private static final double ACCURACY_DB = 0.1;

    private ShareLevel() {}

    /**
     * The wet share of a question's return alone by its level in dB: its excitation is scaled
     * instead of rendered anew.
     */
    public static DoubleUnaryOperator byLevel(CoverAnalysis analysis, Question q, Job job) {
        List<Source> layers = q.design().layersOf(q.source());
        Excitation others =
                analysis.others(q, job).plus(analysis.song().sourcesBut(q.design(), layers));
        Excitation rest = analysis.slice(others, q.span());
        Excitation dry = analysis.slice(analysis.song().part(q.design(), layers), q.span());
        Excitation wet = analysis.slice(analysis.wet(q.design(), q.ret(), job), q.span());
        double now = q.ret().levelDb();
        double room = analysis.roomPower();
        return db -> WetShare.of(dry, wet.times(Decibels.toPower(db - now)), rest, room);
    }

    /**
     * The highest level at which a return's share is under a wanted one, within 0.1 dB.
     *
     * @param q who is judged against which return, and where
     * @param share wanted, 0 to 1
     * @param leastDb where the search begins
     * @param mostDb where it ends; the answer where even that is too quiet
     */
    public static double of(
            CoverAnalysis analysis,
            Question q,
            double share,
            double leastDb,
            double mostDb,
            Job job) {
        return of(byLevel(analysis, q, job), share, leastDb, mostDb, job);
    }

    private static double of(
            DoubleUnaryOperator shareByLevel,
            double share,
            double leastDb,
            double mostDb,
            Job job) {
        double low = leastDb;
        double high = mostDb;
        while (high - low > ACCURACY_DB) {
            job.check();
            double middle = (low + high) / 2;
            if (shareByLevel.applyAsDouble(middle) < share) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return low;
    }

    /** The level that aims at a state, to the half decibel; empty if no level has that state. */
    public static OptionalDouble aiming(
            CoverAnalysis analysis, Question q, WetState state, Job job) {
        DoubleUnaryOperator shareByLevel = byLevel(analysis, q, job);
        double db = of(shareByLevel, analysis.borders().aim(state), LEAST_DB, MOST_DB, job);
        double level = Math.rint(2 * db) / 2;
        double share = shareByLevel.applyAsDouble(level);
        return analysis.borders().of(share) == state
                ? OptionalDouble.of(level)
                : OptionalDouble.empty();
    }
}
