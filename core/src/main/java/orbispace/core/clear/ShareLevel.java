package orbispace.core.clear;

import java.util.List;
import java.util.OptionalDouble;
import orbispace.core.design.Design;
import orbispace.core.design.Return;
import orbispace.core.design.Source;
import orbispace.core.hearing.WetState;
import orbispace.core.render.Job;
import orbispace.core.time.Span;

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
     * The highest level at which a return's share is under a wanted one, within 0.1 dB.
     *
     * @param phrases where the source speaks, in seconds of the song
     * @param span the stretch that is listened to
     * @param share wanted, 0 to 1
     * @param leastDb where the search begins
     * @param mostDb where it ends; the answer where even that is too quiet
     */
    public static double of(
            CoverAnalysis analysis,
            Design design,
            Source source,
            Return r,
            List<Span> phrases,
            Span span,
            double share,
            double leastDb,
            double mostDb,
            Job job) {
        double low = leastDb;
        double high = mostDb;
        while (high - low > ACCURACY_DB) {
            job.check();
            double middle = (low + high) / 2;
            double reached =
                    analysis.atLevel(design, source, r, middle, phrases, span, job)
                            .cover()
                            .wetShare();
            if (reached < share) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return low;
    }

    /** The level that aims at a state, to the half decibel; empty if no level has that state. */
    public static OptionalDouble aiming(
            CoverAnalysis analysis,
            Design design,
            Source source,
            Return r,
            List<Span> phrases,
            Span span,
            WetState state,
            Job job) {
        double db =
                of(
                        analysis,
                        design,
                        source,
                        r,
                        phrases,
                        span,
                        state.aimShare(),
                        LEAST_DB,
                        MOST_DB,
                        job);
        double level = Math.rint(2 * db) / 2;
        double share =
                analysis.atLevel(design, source, r, level, phrases, span, job).cover().wetShare();
        return WetState.of(share) == state ? OptionalDouble.of(level) : OptionalDouble.empty();
    }
}
