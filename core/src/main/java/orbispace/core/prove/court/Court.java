package orbispace.core.prove.court;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import orbispace.core.audio.Audio;
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
 * Hearing}). It hears every second frame only, and of a long song the stretch in which most is
 * sung; who looks at a draft closely measures it again.
 */
public final class Court {
    /** How long tails may ring that were there before a stretch begins. */
    private static final double RUN_UP_SECONDS = 4;

    private final Design song;
    private final CoverAnalysis analysis;
    private final Map<String, Audio> audio;
    private final JudgedStretch judged;
    private final Map<String, StemFacts> stems;
    private final Job job;

    /**
     * A court for a song.
     *
     * @param song of which fields are made
     * @param analysis of the whole song
     * @param renderer of the same
     * @param stems what is known of its stems, by source id
     */
    public Court(
            Design song,
            CoverAnalysis analysis,
            Renderer renderer,
            Map<String, StemFacts> stems,
            Job job) {
        this.song = song;
        this.stems = Map.copyOf(stems);
        audio = renderer.material().audio();
        judged =
                JudgedStretch.of(
                        song, this.stems, renderer.frames() / renderer.material().sampleRateHz());
        CoverAnalysis heard =
                judged.isAll() ? analysis : analysis.window(judged.span(), RUN_UP_SECONDS);
        this.analysis = heard.coarse();
        this.job = job;
    }

    /**
     * Drafts a field of every school and brings each as far as it goes.
     *
     * @param bar whose tempo note values take
     */
    public List<Passed> all(int bar) {
        SongFacts facts = facts(bar);
        List<Passed> passed = new ArrayList<>();
        for (School school : School.values()) {
            job.check();
            passed.add(pass(Drafter.draft(song, facts, school)));
            job.report(passed.size() / (double) School.values().length);
        }
        return passed;
    }

    /** The same for one school. */
    public Passed one(School school, int bar) {
        return pass(Drafter.draft(song, facts(bar), school));
    }

    private SongFacts facts(int bar) {
        return SongFacts.of(song, stems, bar).listening(song, stems, audio);
    }

    /**
     * Brings a field that was kept elsewhere to the states that are asked of it, and says what is
     * found about it. Nothing else of it is changed.
     */
    public Passed laid(FieldDraft field) {
        Design plain = song.unplanned();
        FieldInHand hand =
                new FieldInHand(analysis, stems, judged.span(), field.laidOn(plain), job);
        return new Hearing(hand, plain, judged.said(field)).leveled();
    }

    /** Brings a draft as far as it goes. */
    public Passed pass(FieldDraft draft) {
        Design plain = song.unplanned();
        FieldInHand field =
                new FieldInHand(analysis, stems, judged.span(), draft.laidOn(plain), job);
        return new Hearing(field, plain, judged.said(draft)).held();
    }
}
