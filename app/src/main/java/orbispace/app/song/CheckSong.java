package orbispace.app.song;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import orbispace.core.clear.CoverAnalysis;
import orbispace.core.design.Design;
import orbispace.core.plan.ThrowConflict;
import orbispace.core.prove.Finding;
import orbispace.core.prove.FindingLine;
import orbispace.core.prove.rule.FieldFacts;
import orbispace.core.prove.rule.FieldFindings;
import orbispace.core.prove.rule.FieldSurvey;
import orbispace.core.prove.stem.StemFindings;
import orbispace.core.render.Job;
import orbispace.core.render.Renderer;
import orbispace.files.project.FactsCache;
import orbispace.files.project.ProjectFolder;

/** Findings about a whole song, measured without a window. */
public final class CheckSong {
    private CheckSong() {}

    /** Everything that is found about the stems and the design, what brings most first. */
    public static List<Finding> of(
            Design design, ProjectFolder.Stems stems, FactsCache cache, Job job) {
        MeasuredSong song = MeasuredSong.of(design, stems, cache, job);
        List<Finding> found = new ArrayList<>(ofField(design, song, job));
        Map<String, StemFindings.Stem> whole = new HashMap<>();
        song.facts().forEach((id, f) -> whole.put(id, stems.measured(id, f)));
        found.addAll(StemFindings.of(design, whole, List.of(), song.shared().kit()));
        return FindingLine.ranked(found);
    }

    private static List<Finding> ofField(Design design, MeasuredSong song, Job job) {
        Renderer renderer = song.renderer();
        CoverAnalysis analysis = ClearSong.heard(design, renderer, job);
        return FieldFindings.of(
                new FieldFacts(
                        design,
                        song.facts(),
                        new FieldSurvey(analysis, renderer).measure(design, song.facts(), job),
                        song.shared().pairs(),
                        ThrowConflict.of(
                                design,
                                song.material().responses(),
                                song.words(),
                                song.seconds())));
    }
}
