package orbispace.app.measuring;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Queue;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Consumer;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import orbispace.app.session.Editor;
import orbispace.app.session.Jobs;
import orbispace.app.session.SongStems;
import orbispace.app.song.KnownMixes;
import orbispace.app.song.Material;
import orbispace.app.song.Shared;
import orbispace.app.song.StemSurvey;
import orbispace.core.audio.Audio;
import orbispace.core.design.Design;
import orbispace.core.design.Role;
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
    private final FactsCache cache;
    private final StemSurvey survey;
    private final Consumer<String> problem;
    private final ObjectProperty<Map<String, Material>> found =
            new SimpleObjectProperty<>(Map.of());
    private final ObjectProperty<List<Finding>> findings = new SimpleObjectProperty<>(List.of());
    private final Map<String, String> keys = new HashMap<>();
    private Heard heard = nothing();
    private Shared shared = Shared.NOTHING;
    private String paired = "";
    private boolean known;
    private Runnable whenLeadsAreKnown = () -> {};

    /**
     * A survey of no stems.
     *
     * @param cache keeps what was measured
     * @param problem told what failed
     */
    public Survey(Jobs jobs, FactsCache cache, Consumer<String> problem) {
        this.jobs = jobs;
        this.cache = cache;
        survey = new StemSurvey(cache);
        this.problem = problem;
    }

    /** Stems that share sound, as far as that was looked for. */
    public List<SharedSound> pairs() {
        return shared.pairs();
    }

    /** The song as it was given, with its stems as they lay then. */
    private record Heard(Design design, SongStems stems, SongMaterial material) {
        Heard(Design design, SongStems stems) {
            this(design, stems, stems.material());
        }

        /** Whether nothing differs that a stem is measured or judged by. */
        @SuppressWarnings("ReferenceEquality") // Stems that are laid anew are another material.
        boolean isOfTheSameStems(Heard other) {
            return material == other.material
                    && design.song().equals(other.design.song())
                    && design.sources().equals(other.design.sources())
                    && design.groups().equals(other.design.groups());
        }
    }

    private static Heard nothing() {
        return new Heard(Editor.blank(), new SongStems());
    }

    /** A stem that was measured and is not shown yet. */
    private record Arrived(Task task, Material material) {}

    private record Task(Source source, String key) {}

    /** What was found in each stem, by source. */
    public Map<String, Material> materials() {
        return found.get();
    }

    /** The same as a whole that changes, many stems at a time. */
    public ReadOnlyObjectProperty<Map<String, Material>> found() {
        return found;
    }

    /** What is wrong or worth knowing about the stems. */
    public ReadOnlyObjectProperty<List<Finding>> findings() {
        return findings;
    }

    /** How loud the mixes of these stems were found before. */
    KnownMixes mixes() {
        return new KnownMixes(cache, heard.design(), heard.material(), heard.stems().content());
    }

    /** Forgets the stems of a song. */
    public void clear() {
        jobs.cancel(JOB);
        jobs.cancel(PAIRS_JOB);
        found.set(Map.of());
        keys.clear();
        heard = nothing();
        shared = Shared.NOTHING;
        paired = "";
        known = false;
        findings.set(List.of());
    }

    /** Measures what has changed, then calls back on the interface thread. */
    public void update(Design design, SongStems stems, Runnable measured) {
        Heard now = new Heard(design, stems);
        boolean asked = known || jobs.awaits(JOB) || jobs.awaits(PAIRS_JOB);
        boolean same = now.isOfTheSameStems(heard);
        heard = now;
        if (same && asked) {
            // A return was changed: while it is dragged this comes with every picture.
            return;
        }
        known = false;
        SongMaterial material = now.material();
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
        if (!material.audio().keySet().containsAll(materials().keySet())) {
            Map<String, Material> left = new LinkedHashMap<>(materials());
            left.keySet().retainAll(material.audio().keySet());
            found.set(Map.copyOf(left));
        }
        keys.keySet().retainAll(materials().keySet());
        judge();
        if (tasks.isEmpty()) {
            jobs.cancel(JOB);
            comparePairs();
            return;
        }
        // What is judged is asked for first.
        tasks.sort(Comparator.comparing((Task t) -> t.source().role() != Role.LEAD));
        whenLeadsAreKnown = measured;
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
        Queue<Arrived> arrived = new ConcurrentLinkedQueue<>();
        tasks.parallelStream()
                .forEach(task -> {
                    job.check();
                    Material of = survey.material(design, task.source(), content, material);
                    job.report(done.incrementAndGet() / (double) tasks.size());
                    arrived.add(new Arrived(task, of));
                    jobs.later(job, () -> take(arrived));
                });
        return true;
    }

    /** Shows all that has come by now at once. */
    private void take(Queue<Arrived> arrived) {
        Arrived next = arrived.poll();
        if (next == null) {
            return;
        }
        Map<String, Material> now = new LinkedHashMap<>(materials());
        while (next != null) {
            keys.put(next.task.source().id(), next.task.key());
            now.put(next.task.source().id(), next.material);
            next = arrived.poll();
        }
        boolean knew = knowsLeads();
        found.set(Map.copyOf(now));
        if (!knew && knowsLeads()) {
            whenLeadsAreKnown.run();
        }
    }

    private boolean knowsLeads() {
        return materials()
                .keySet()
                .containsAll(heard.design().sourcesOf(Role.LEAD).stream().map(Source::id).toList());
    }

    private void comparePairs() {
        Heard now = heard;
        ContentOf content = now.stems().content();
        String contents = StemSurvey.sharedKey(now.design(), content);
        judge();
        if (contents.equals(paired)) {
            known = true;
            return;
        }
        jobs.start(
                PAIRS_JOB,
                "Comparing the stems",
                (job, d) -> survey.shared(now.design(), content, now.material(), job),
                (has, d) -> {
                    shared = has;
                    has.kit().ifPresent(this::tellStrokes);
                    paired = contents;
                    known = true;
                    judge();
                },
                e -> problem.accept(String.valueOf(e.getMessage())));
    }

    /** Gives the stems of a kit the strokes that all of them together tell. */
    private void tellStrokes(KitFound kit) {
        Map<String, Material> told = new LinkedHashMap<>(materials());
        told.replaceAll((id, m) -> new Material(m.silhouette(), kit.facts(id, m.facts())));
        found.set(Map.copyOf(told));
    }

    /**
     * Applies the rules to what is known. Remedies are changes of the design as it is now; those of
     * an older one would take its later steps back.
     */
    private void judge() {
        Map<String, StemFindings.Stem> known = new HashMap<>();
        for (Source source : heard.design().sources()) {
            Material m = materials().get(source.id());
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
