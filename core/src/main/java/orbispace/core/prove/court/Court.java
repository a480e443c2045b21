package orbispace.core.prove.court;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import orbispace.core.clear.CoverAnalysis;
import orbispace.core.design.Design;
import orbispace.core.draft.Drafter;
import orbispace.core.draft.FieldDraft;
import orbispace.core.draft.School;
import orbispace.core.draft.SongFacts;
import orbispace.core.material.StemFacts;
import orbispace.core.render.Job;
import orbispace.core.render.Renderer;

/**
 * Brings drafts to where the program's own findings have nothing to say about them ({@link
 * Hearing}). It hears every second frame only; who looks at a draft closely measures it again.
 */
public final class Court {
    private final CoverAnalysis analysis;
    private final Renderer renderer;
    private final Map<String, StemFacts> stems;
    private final Job job;

    /**
     * A court for a song.
     *
     * @param analysis of the whole song
     * @param renderer of the same
     * @param stems what is known of its stems, by source id
     */
    public Court(CoverAnalysis analysis, Renderer renderer, Map<String, StemFacts> stems, Job job) {
        this.analysis = analysis.coarse();
        this.renderer = renderer;
        this.stems = Map.copyOf(stems);
        this.job = job;
    }

    /**
     * Drafts a field of every school and brings each as far as it goes.
     *
     * @param bar whose tempo note values take
     */
    public List<Passed> all(Design song, int bar) {
        SongFacts facts = facts(song, bar);
        List<Passed> passed = new ArrayList<>();
        for (School school : School.values()) {
            job.check();
            passed.add(pass(song, Drafter.draft(song, facts, school)));
            job.report(passed.size() / (double) School.values().length);
        }
        return passed;
    }

    /** The same for one school. */
    public Passed one(Design song, School school, int bar) {
        return pass(song, Drafter.draft(song, facts(song, bar), school));
    }

    private SongFacts facts(Design song, int bar) {
        return SongFacts.of(song, stems, bar).listening(song, stems, renderer.material().audio());
    }

    /**
     * Brings a field that was kept elsewhere to the states that are asked of it, and says what is
     * found about it. Nothing else of it is changed.
     */
    public Passed laid(Design song, FieldDraft field) {
        Design plain = song.unplanned();
        FieldInHand hand = new FieldInHand(analysis, renderer, stems, field.laidOn(plain), job);
        return new Hearing(hand, plain, field).leveled();
    }

    /** Brings a draft as far as it goes. */
    public Passed pass(Design song, FieldDraft draft) {
        Design plain = song.unplanned();
        FieldInHand field = new FieldInHand(analysis, renderer, stems, draft.laidOn(plain), job);
        return new Hearing(field, plain, draft).held();
    }
}
