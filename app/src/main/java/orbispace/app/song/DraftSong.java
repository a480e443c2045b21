package orbispace.app.song;

import java.util.Optional;
import orbispace.core.clear.CoverAnalysis;
import orbispace.core.design.Design;
import orbispace.core.draft.School;
import orbispace.core.prove.court.BestDraft;
import orbispace.core.prove.court.Court;
import orbispace.core.prove.court.Passed;
import orbispace.core.render.Job;
import orbispace.core.render.Renderer;
import orbispace.files.project.FactsCache;
import orbispace.files.project.ProjectFolder;

/** Fields drafted for a whole song, measured without a window. */
public final class DraftSong {
    /** A draft takes the tempo of the first bar. */
    private static final int BAR = 1;

    private DraftSong() {}

    /**
     * The draft of a school, or the best of all for the material, with the rule by which it was
     * taken; empty if nothing can be sent anywhere.
     */
    public static Optional<BestDraft> of(
            Design design,
            ProjectFolder.Stems stems,
            Optional<School> school,
            FactsCache cache,
            Job job) {
        MeasuredSong song = MeasuredSong.of(design, stems, cache, job);
        Renderer renderer = song.renderer();
        CoverAnalysis analysis = ClearSong.heardDry(design, renderer, job);
        Court court = new Court(design, analysis, renderer, song.facts(), job);
        if (school.isEmpty()) {
            return BestDraft.of(court.all(BAR));
        }
        Passed one = court.one(school.get(), BAR);
        return one.verdicts().isEmpty()
                ? Optional.empty()
                : Optional.of(new BestDraft(one, "the school that was asked for"));
    }
}
