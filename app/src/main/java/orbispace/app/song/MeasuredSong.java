package orbispace.app.song;

import java.util.HashMap;
import java.util.Map;
import orbispace.core.design.Design;
import orbispace.core.material.StemFacts;
import orbispace.core.plan.Words;
import orbispace.core.render.Job;
import orbispace.core.render.Renderer;
import orbispace.core.render.SongMaterial;
import orbispace.core.render.StageCache;
import orbispace.files.project.FactsCache;
import orbispace.files.project.ProjectFolder;
import orbispace.files.sound.SoundShelf;

/**
 * What is known of all stems of a song, measured without a window.
 *
 * @param material the stems as they lie in the song
 * @param facts by source id, strokes and rooms as a whole kit tells them
 * @param words what can be thrown, by source id
 * @param shared what stems have in common
 */
record MeasuredSong(
        SongMaterial material,
        Map<String, StemFacts> facts,
        Map<String, Words> words,
        Shared shared) {

    /** Measures what is not known yet. */
    static MeasuredSong of(Design design, ProjectFolder.Stems stems, FactsCache cache, Job job) {
        SongMaterial material = stems.material(design);
        StemSurvey survey = new StemSurvey(cache);
        Map<String, StemFacts> facts = new HashMap<>();
        Map<String, Words> words = new HashMap<>();
        survey.materials(design, stems, material, job)
                .forEach((id, m) -> {
                    facts.put(id, m.facts());
                    words.put(id, words(design, id, material, m));
                });
        Shared shared = survey.shared(design, stems.content(), material, job);
        shared.kit().ifPresent(k -> facts.replaceAll(k::facts));
        return new MeasuredSong(material, facts, words, shared);
    }

    private static Words words(Design design, String id, SongMaterial material, Material m) {
        boolean sung = design.findSource(id).map(Material::isSung).orElse(false);
        return m.phrases()
                .filter(p -> sung)
                .map(p -> Words.of(p, m.silhouette()))
                .or(() -> m.hits().map(Words::of))
                .filter(w -> !w.phrases().isEmpty())
                .orElseGet(() -> Words.of(design.song().clock(), seconds(material)));
    }

    /** Renders it, with a cache that fits beside its stems. */
    Renderer renderer() {
        return new Renderer(
                material, material.frames(), StageCache.beside(material.bytes(), SoundShelf::lay));
    }

    /** How long the song is. */
    double seconds() {
        return seconds(material);
    }

    private static double seconds(SongMaterial material) {
        return material.frames() / material.sampleRateHz();
    }
}
