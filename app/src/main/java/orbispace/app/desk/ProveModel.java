package orbispace.app.desk;

import orbispace.app.listen.Ears;
import orbispace.app.measuring.Referencing;
import orbispace.app.session.ComparedPair;
import orbispace.app.session.LogKeeping;
import orbispace.app.session.SongStems;
import orbispace.core.design.Targets;

/** What the Prove screen shows and does: findings and comparisons. */
public final class ProveModel extends ScreenModel {
    private final Proving proving;
    private final ComparedPair pair;
    private final Heard heard;
    private final Wide wide;
    private final LogKeeping log;
    private final Referencing references;
    private final Ears ears;
    private final SongStems stems;

    /** What is measured of width, and of other places. */
    record Wide(Widths widths, Elsewhere elsewhere) {}

    /** By what a pair is matched, and what ears learn. */
    record Heard(PartMatching matching, OwnEars own) {}

    ProveModel(
            Common common,
            OpenSong song,
            Proving proving,
            Heard heard,
            Wide wide,
            Referencing references) {
        super(common);
        this.proving = proving;
        this.heard = heard;
        this.wide = wide;
        this.references = references;
        pair = song.pair();
        log = song.log();
        ears = song.ears();
        stems = song.stems();
    }

    /** Findings and blind trials. */
    public Proving proving() {
        return proving;
    }

    /** The two fields that are heard against each other. */
    public ComparedPair pair() {
        return pair;
    }

    /** By what the two are matched. */
    public PartMatching matching() {
        return heard.matching;
    }

    /** Lessons of the ear, beliefs, and what is kept of them. */
    public OwnEars ownEars() {
        return heard.own;
    }

    /** How wide what is heard is, and what became wider. */
    public Widths widths() {
        return wide.widths;
    }

    /** What each return costs where the mix will be heard. */
    public Elsewhere elsewhere() {
        return wide.elsewhere;
    }

    /** How much of the judged source should be kept against a return, 0 to less than 1. */
    public double presenceAsked(String returnId) {
        return Math.min(0.98, wide.elsewhere.targets(returnId).orElse(Targets.LEAD).presence());
    }

    /** The log and the snapshots. */
    public LogKeeping log() {
        return log;
    }

    /** Finished tracks that the mix is held against. */
    public Referencing references() {
        return references;
    }

    /** What was listened to, for the ears' sake. */
    public Ears ears() {
        return ears;
    }

    /** The stems of the song. */
    public SongStems stems() {
        return stems;
    }

    @Override
    public String next() {
        return NextStep.prove(
                design().get(), proving.open(), pair.same(), proving.proven().get() != null);
    }
}
