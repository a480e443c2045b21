package orbispace.core.draft;

import java.util.Map;
import java.util.TreeMap;
import orbispace.core.clear.CoverAnalysis;
import orbispace.core.clear.ShareBoard;
import orbispace.core.design.Design;
import orbispace.core.design.Leads;
import orbispace.core.design.Purposes;
import orbispace.core.design.Return;
import orbispace.core.design.Send;
import orbispace.core.design.Targets;
import orbispace.core.hearing.Borders;
import orbispace.core.render.Job;
import orbispace.core.time.Span;

/**
 * Sets return levels so that each is noticed as much as asked: bisection on its wet share over a
 * stretch of the song, with all other returns sounding. A share that no level reaches ends at the
 * end of the range.
 */
public final class StateLevels {
    private static final double LEAST_DB = -60;

    /** The most that a level and its sends together may bring. */
    private static final double MOST_DB = 24;

    private static final double MOST_SEND_DB = 12;
    private static final double STEP_DB = 0.5;
    private static final int ROUNDS = 3;

    private final CoverAnalysis analysis;
    private final Span span;
    private final Job job;

    /**
     * Levels in a song.
     *
     * @param span the stretch that is listened to
     */
    public StateLevels(CoverAnalysis analysis, Span span, Job job) {
        this.analysis = analysis;
        this.span = span;
        this.job = job;
    }

    /** The share that each return should have by what is asked of it, by letter. */
    public static Map<String, Double> aims(Design design) {
        Map<String, Double> aims = new TreeMap<>();
        Borders borders = design.aims().hearing().borders();
        for (Return r : design.returns()) {
            Purposes.judge(design, r, Leads.main(design))
                    .ifPresent(s ->
                            aims.put(r.id(), borders.aim(Targets.asked(design, s, r).state())));
        }
        return aims;
    }

    /**
     * The design with its returns at the levels that give them their shares.
     *
     * @param shares wanted, by letter; what is not named stays as it is
     */
    public Design leveled(Design design, Map<String, Double> shares) {
        ShareBoard board = new ShareBoard(analysis, design, span, job);
        Map<String, Double> levels = new TreeMap<>();
        for (int round = 0; round < ROUNDS; round++) {
            Map<String, Double> before = Map.copyOf(levels);
            // Each is heard beside the others, so that one round is not enough.
            for (Return r : design.returns()) {
                Double share = shares.get(r.id());
                if (share != null) {
                    job.check();
                    double level = board.levelFor(r.id(), share, LEAST_DB, MOST_DB);
                    double step = Math.rint(level / STEP_DB) * STEP_DB + 0.0;
                    board.set(r.id(), step);
                    levels.put(r.id(), step);
                }
            }
            if (levels.equals(before)) {
                break;
            }
        }
        Design set = design;
        for (Map.Entry<String, Double> e : levels.entrySet()) {
            Return r = set.requireReturn(e.getKey());
            set = set.withReturn(r.withLevel(e.getValue()));
        }
        return set;
    }

    /** The design with one return at the level that gives it its share, the others as they are. */
    public Design leveled(Design design, String id, double share) {
        return leveled(design, Map.of(id, share));
    }

    /** The same sound with levels of at most 0 dB, as far as sends can be louder instead. */
    public static Design underFull(Design design) {
        return design.withReturns(design.returns().stream().map(StateLevels::underFull).toList());
    }

    private static Return underFull(Return r) {
        double most = r.sends().values().stream().mapToDouble(Send::levelDb).max().orElse(0);
        double by = Math.min(Math.ceil(r.levelDb()), Math.floor(MOST_SEND_DB - most));
        boolean hears = r.space().traits().hearsLevel() || r.chain().drive() != null;
        if (r.levelDb() <= 0 || by <= 0 || hears || !r.feeds().isEmpty()) {
            return r;
        }
        Map<String, Send> sends = new TreeMap<>(r.sends());
        sends.replaceAll((id, send) -> send.withLevel(send.levelDb() + by));
        return r.withSends(sends).withLevel(r.levelDb() - by + 0.0);
    }
}
