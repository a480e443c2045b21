package orbispace.app.measuring;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
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
import orbispace.app.song.StemSurvey;
import orbispace.core.audio.Audio;
import orbispace.core.design.Design;
import orbispace.core.design.Source;
import orbispace.core.intake.StemName;
import orbispace.core.material.Silhouette;
import orbispace.core.material.StemFacts;
import orbispace.core.prove.Finding;
import orbispace.core.prove.stem.KitFound;
import orbispace.core.prove.stem.SharedSound;
import orbispace.core.prove.stem.StemFindings;
import orbispace.core.render.Job;
import orbispace.core.render.SongMaterial;
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
    private final FactsCache cache;
    private final Consumer<String> problem;
    private final ObservableMap<String, Material> materials =
            FXCollections.observableMap(new LinkedHashMap<>());
    private final ObjectProperty<List<Finding>> findings = new SimpleObjectProperty<>(List.of());
    private final Map<String, String> keys = new HashMap<>();
    private Heard heard = nothing();
    private List<SharedSound> pairs = List.of();
    private Optional<KitFound> kit = Optional.empty();
    private List<String> paired = List.of();

    /**
     * A survey of no stems.
     *
     * @param cache keeps what was measured
     * @param problem told what failed
     */
    public Survey(Jobs jobs, FactsCache cache, Consumer<String> problem) {
        this.jobs = jobs;
        this.cache = cache;
        this.problem = problem;
    }

    /** Stems that share sound, as far as that was looked for. */
    public List<SharedSound> pairs() {
        return pairs;
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

    /** What the stems have in common. */
    private record Shared(Optional<KitFound> kit, List<SharedSound> pairs) {}

    private record Task(Source source, Audio audio, String key) {}

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
        pairs = List.of();
        kit = Optional.empty();
        paired = List.of();
        findings.set(List.of());
    }

    /** Measures what has changed, then calls back on the interface thread. */
    public void update(Design design, SongStems stems, Runnable measured) {
        SongMaterial material = stems.material();
        List<Task> tasks = new ArrayList<>();
        for (Source source : design.sources()) {
            Audio audio = material.audio().get(source.id());
            if (audio != null) {
                String key = key(design, source, stems);
                if (!key.equals(keys.get(source.id()))) {
                    tasks.add(new Task(source, audio, key));
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
                (job, d) -> measureAll(tasks, design, material, job),
                (done, d) -> {
                    measured.run();
                    comparePairs();
                },
                e -> problem.accept(String.valueOf(e.getMessage())));
    }

    private static String key(Design design, Source source, SongStems stems) {
        StringBuilder key = new StringBuilder();
        boolean sings = Material.wanted(source.role()).phrases();
        for (Source layer : sings ? design.layersOf(source) : List.of(source)) {
            key.append(stems.of(layer).map(s -> s.content()).orElse("?"))
                    .append(layer.placement())
                    .append(layer.dips());
            if (sings && design.layersOf(source).size() > 1) {
                key.append(layer.gainDb()).append(layer.pan());
            }
        }
        return key.append(stems.of(source).map(s -> s.content()).orElse("?"))
                .append(Material.wanted(source.role()))
                .toString();
    }

    private boolean measureAll(List<Task> tasks, Design design, SongMaterial material, Job job) {
        AtomicInteger done = new AtomicInteger();
        tasks.parallelStream()
                .forEach(task -> {
                    job.check();
                    Material found = measure(task, design, material);
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

    private Material measure(Task task, Design design, SongMaterial material) {
        Silhouette silhouette = Silhouette.of(task.audio());
        Optional<StemFacts> kept = cache.find(task.key());
        if (kept.isPresent()) {
            return new Material(silhouette, kept.get());
        }
        StemFacts facts = StemSurvey.facts(design, task.source(), material, silhouette);
        cache.keep(task.key(), facts);
        return new Material(silhouette, facts);
    }

    private void comparePairs() {
        Heard now = heard;
        List<String> contents =
                now.design().sources().stream()
                        .map(s ->
                                now.stems().of(s).map(StemFiles.Stem::content).orElse("")
                                        + s.placement()
                                        + s.dips()
                                        + s.role()
                                        + s.kind()
                                        + StemName.of(s.name()).drum())
                        .toList();
        judge();
        if (contents.equals(paired)) {
            return;
        }
        List<Source> sources =
                now.design().sources().stream()
                        .filter(s -> now.material().audio().containsKey(s.id()))
                        .toList();
        jobs.start(
                PAIRS_JOB,
                "Comparing the stems",
                (job, d) ->
                        new Shared(
                                StemSurvey.kit(sources, now.material()),
                                StemSurvey.pairs(sources, now.material(), job)),
                (found, d) -> {
                    kit = found.kit();
                    kit.ifPresent(this::tellStrokes);
                    pairs = kit.map(k -> k.without(found.pairs())).orElse(found.pairs());
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
        findings.set(StemFindings.of(heard.design(), known, pairs, kit));
    }
}
