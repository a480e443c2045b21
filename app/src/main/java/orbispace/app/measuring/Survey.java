package orbispace.app.measuring;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Consumer;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.collections.FXCollections;
import javafx.collections.ObservableMap;
import orbispace.app.session.Editor;
import orbispace.app.session.Jobs;
import orbispace.app.session.SongStems;
import orbispace.app.song.Material;
import orbispace.app.song.Shared;
import orbispace.app.song.StemSurvey;
import orbispace.core.audio.Audio;
import orbispace.core.design.Design;
import orbispace.core.design.Source;
import orbispace.core.prove.Finding;
import orbispace.core.prove.stem.KitFound;
import orbispace.core.prove.stem.SharedSound;
import orbispace.core.prove.stem.StemFindings;
import orbispace.core.render.Job;
import orbispace.core.render.SongMaterial;
import orbispace.files.project.ContentOf;
import orbispace.files.project.FactsCache;
import orbispace.files.sound.StemFiles;

/**
 * What is known of the stems: measured in the background, shown as it arrives, kept by content. A
 * stem is measured again only if its sound, its place or what is asked of its role has changed.
 */
public final class Survey {
    private static final String JOB = "material";
    private static final String PAIRS_JOB = "pairs";

    private final Jobs jobs;
    private final StemSurvey survey;
    private final Consumer<String> problem;
    private final ObservableMap<String, Material> materials =
            FXCollections.observableMap(new LinkedHashMap<>());
    private final ObjectProperty<List<Finding>> findings = new SimpleObjectProperty<>(List.of());
    private final Map<String, String> keys = new HashMap<>();
    private Heard heard = nothing();
    private Shared shared = Shared.NOTHING;
    private String paired = "";

    /**
     * A survey of no stems.
     *
     * @param cache keeps what was measured
     * @param problem told what failed
     */
    public Survey(Jobs jobs, FactsCache cache, Consumer<String> problem) {
        this.jobs = jobs;
        survey = new StemSurvey(cache);
        this.problem = problem;
    }

    /** Stems that share sound, as far as that was looked for. */
    public List<SharedSound> pairs() {
        return shared.pairs();
    }

    /** The song as it was given last. */
    private record Heard(Design design, SongStems stems) {
        SongMaterial material() {
            return stems.material();
        }
    }

    private static Heard nothing() {
        return new Heard(Editor.blank(), new SongStems());
    }

    private record Task(Source source, String key) {}

    /** What was found in each stem, by source. */
    public ObservableMap<String, Material> materials() {
        return materials;
    }

    /** What is wrong or worth knowing about the stems. */
    public ReadOnlyObjectProperty<List<Finding>> findings() {
        return findings;
    }

    /** Forgets the stems of a song. */
    public void clear() {
        jobs.cancel(JOB);
        jobs.cancel(PAIRS_JOB);
        materials.clear();
        keys.clear();
        heard = nothing();
        shared = Shared.NOTHING;
        paired = "";
        findings.set(List.of());
    }

    /** Measures what has changed, then calls back on the interface thread. */
    public void update(Design design, SongStems stems, Runnable measured) {
        SongMaterial material = stems.material();
        ContentOf content = stems.content();
        List<Task> tasks = new ArrayList<>();
        for (Source source : design.sources()) {
            if (material.audio().containsKey(source.id())) {
                String key = StemSurvey.key(design, source, content);
                if (!key.equals(keys.get(source.id()))) {
                    tasks.add(new Task(source, key));
                }
            }
        }
        materials.keySet().removeIf(id -> !material.audio().containsKey(id));
        keys.keySet().retainAll(materials.keySet());
        heard = new Heard(design, stems);
        judge();
        if (tasks.isEmpty()) {
            jobs.cancel(JOB);
            comparePairs();
            return;
        }
        jobs.start(
                JOB,
                "Listening to the stems",
                (job, d) -> measureAll(tasks, design, content, material, job),
                (done, d) -> {
                    measured.run();
                    comparePairs();
                },
                e -> problem.accept(String.valueOf(e.getMessage())));
    }

    private boolean measureAll(
            List<Task> tasks, Design design, ContentOf content, SongMaterial material, Job job) {
        AtomicInteger done = new AtomicInteger();
        tasks.parallelStream()
                .forEach(task -> {
                    job.check();
                    Material found = survey.material(design, task.source(), content, material);
                    job.report(done.incrementAndGet() / (double) tasks.size());
                    jobs.later(
                            job,
                            () -> {
                                keys.put(task.source().id(), task.key());
                                materials.put(task.source().id(), found);
                            });
                });
        return true;
    }

    private void comparePairs() {
        Heard now = heard;
        ContentOf content = now.stems().content();
        String contents = StemSurvey.sharedKey(now.design(), content);
        judge();
        if (contents.equals(paired)) {
            return;
        }
        jobs.start(
                PAIRS_JOB,
                "Comparing the stems",
                (job, d) -> survey.shared(now.design(), content, now.material(), job),
                (found, d) -> {
                    shared = found;
                    found.kit().ifPresent(this::tellStrokes);
                    paired = contents;
                    judge();
                },
                e -> problem.accept(String.valueOf(e.getMessage())));
    }

    /** Gives the stems of a kit the strokes that all of them together tell. */
    private void tellStrokes(KitFound found) {
        for (String id : found.members()) {
            Material m = materials.get(id);
            if (m != null) {
                materials.put(id, new Material(m.silhouette(), found.facts(id, m.facts())));
            }
        }
    }

    /**
     * Applies the rules to what is known. Remedies are changes of the design as it is now; those of
     * an older one would take its later steps back.
     */
    private void judge() {
        Map<String, StemFindings.Stem> known = new HashMap<>();
        for (Source source : heard.design().sources()) {
            Material m = materials.get(source.id());
            Audio audio = heard.material().audio().get(source.id());
            if (m != null && audio != null) {
                double own =
                        heard.stems()
                                .of(source)
                                .map(StemFiles.Stem::ownRateHz)
                                .orElse(audio.sampleRateHz());
                known.put(source.id(), new StemFindings.Stem(m.facts(), audio.seconds(), own));
            }
        }
        findings.set(StemFindings.of(heard.design(), known, shared.pairs(), shared.kit()));
    }
}
