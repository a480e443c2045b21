package orbispace.app.desk;

import orbispace.app.listen.Ears;
import orbispace.app.listen.KeptSets;
import orbispace.app.measuring.Referencing;
import orbispace.app.session.Bringing;
import orbispace.app.session.ComparedPair;
import orbispace.app.session.Editor;
import orbispace.app.session.Jobs;
import orbispace.app.session.KeptProject;
import orbispace.app.session.Opening;

/** What the ribbon, the rail and the menus show and do. */
public final class FrameModel extends ScreenModel {
    private final Jobs jobs;
    private final Opening opening;
    private final Bringing bringing;
    private final KeptProject kept;
    private final ComparedPair pair;
    private final Referencing references;
    private final Ears ears;
    private final KeptSets sets;
    private final PartMatching matching;
    private final Benching bench;
    private final Runnable giveUp;

    FrameModel(
            Common common,
            Jobs jobs,
            Opening opening,
            Bringing bringing,
            KeptProject kept,
            ComparedPair pair,
            Referencing references,
            Ears ears,
            KeptSets sets,
            PartMatching matching,
            Benching bench,
            Runnable giveUp) {
        super(common);
        this.jobs = jobs;
        this.opening = opening;
        this.bringing = bringing;
        this.kept = kept;
        this.pair = pair;
        this.references = references;
        this.ears = ears;
        this.sets = sets;
        this.matching = matching;
        this.bench = bench;
        this.giveUp = giveUp;
    }

    /** Work in the background. */
    public Jobs jobs() {
        return jobs;
    }

    /** Opening and saving. */
    public Opening opening() {
        return opening;
    }

    /** Bringing stems, finding missing ones, taking up what a crash left. */
    public Bringing bringing() {
        return bringing;
    }

    /** Where the project is kept. */
    public KeptProject kept() {
        return kept;
    }

    /** The two fields that are heard against each other. */
    public ComparedPair pair() {
        return pair;
    }

    /** Finished tracks that the mix is held against. */
    public Referencing references() {
        return references;
    }

    /** What was listened to, for the ears' sake. */
    public Ears ears() {
        return ears;
    }

    /** Solos and mutes that were kept under numbers. */
    public KeptSets sets() {
        return sets;
    }

    /** By what before and after are matched. */
    public PartMatching matching() {
        return matching;
    }

    /** Candidates for one return, which number keys flip while the bench is open. */
    public Benching bench() {
        return bench;
    }

    /** Undo, redo, and whether there are changes that are not saved. */
    public Editor editor() {
        return editor;
    }

    /** Nobody will miss the changes that were made so far. */
    public void giveUp() {
        giveUp.run();
    }

    @Override
    public String next() {
        return "";
    }
}
