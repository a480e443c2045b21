package orbispace.app.song;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import orbispace.core.clear.CoverAnalysis;
import orbispace.core.design.Design;
import orbispace.core.material.Silhouette;
import orbispace.core.material.StemFacts;
import orbispace.core.plan.ThrowConflict;
import orbispace.core.plan.Words;
import orbispace.core.prove.Finding;
import orbispace.core.prove.FindingLine;
import orbispace.core.prove.rule.FieldFacts;
import orbispace.core.prove.rule.FieldFindings;
import orbispace.core.prove.rule.FieldSurvey;
import orbispace.core.prove.stem.SharedSound;
import orbispace.core.prove.stem.StemFindings;
import orbispace.core.render.Job;
import orbispace.core.render.Renderer;
import orbispace.core.render.SongMaterial;
import orbispace.core.render.StageCache;
import orbispace.files.project.FactsCache;
import orbispace.files.project.ProjectFolder;
import orbispace.files.sound.SoundShelf;

/** Findings about a whole song, measured without a window. */
public final class CheckSong {
    private CheckSong() {}

    /** Everything that is found about the stems and the design, what brings most first. */
    public static List<Finding> of(
            Design design, ProjectFolder.Stems stems, FactsCache cache, Job job) {
        SongMaterial material = stems.material(design);
        StemSurvey survey = new StemSurvey(cache);
        Map<String, StemFacts> facts = new HashMap<>();
        Map<String, Words> words = new HashMap<>();
        survey.materials(design, stems, material, job)
                .forEach((id, m) -> {
                    facts.put(id, m.facts());
                    words.put(id, words(design, material, m.facts(), m.silhouette()));
                });
        Shared shared = survey.shared(design, stems.content(), material, job);
        shared.kit().ifPresent(k -> facts.replaceAll(k::facts));
        List<Finding> found =
                new ArrayList<>(ofField(design, material, facts, shared.pairs(), words, job));
        Map<String, StemFindings.Stem> whole = new HashMap<>();
        facts.forEach((id, f) -> whole.put(id, stems.measured(id, f)));
        found.addAll(StemFindings.of(design, whole, List.of(), shared.kit()));
        return FindingLine.ranked(found);
    }

    private static Words words(
            Design design, SongMaterial material, StemFacts facts, Silhouette silhouette) {
        return facts.phrases()
                .map(p -> Words.of(p, silhouette))
                .or(() -> facts.hits().map(Words::of))
                .filter(w -> !w.phrases().isEmpty())
                .orElseGet(() -> Words.of(design.song().clock(), seconds(material)));
    }

    private static double seconds(SongMaterial material) {
        return material.frames() / material.sampleRateHz();
    }

    private static List<Finding> ofField(
            Design design,
            SongMaterial material,
            Map<String, StemFacts> facts,
            List<SharedSound> pairs,
            Map<String, Words> words,
            Job job) {
        Renderer renderer =
                new Renderer(
                        material,
                        material.frames(),
                        StageCache.beside(material.bytes(), SoundShelf::lay));
        CoverAnalysis analysis = ClearSong.heard(design, renderer, job);
        return FieldFindings.of(
                new FieldFacts(
                        design,
                        facts,
                        new FieldSurvey(analysis, renderer).measure(design, facts, job),
                        pairs,
                        ThrowConflict.of(design, material.responses(), words, seconds(material))));
    }
}
