package orbispace.app.song;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.concurrent.ConcurrentHashMap;
import orbispace.core.audio.Audio;
import orbispace.core.design.Design;
import orbispace.core.design.Role;
import orbispace.core.design.Source;
import orbispace.core.design.StemKind;
import orbispace.core.intake.StemName;
import orbispace.core.material.LineUpSearch;
import orbispace.core.material.PhraseFinder;
import orbispace.core.material.Silhouette;
import orbispace.core.material.StemFacts;
import orbispace.core.material.kit.Kit;
import orbispace.core.material.kit.KitFinder;
import orbispace.core.prove.Finding;
import orbispace.core.prove.stem.KitFound;
import orbispace.core.prove.stem.SharedSound;
import orbispace.core.prove.stem.StemFindings;
import orbispace.core.render.Job;
import orbispace.core.render.Renderer;
import orbispace.core.render.SongMaterial;
import orbispace.core.render.StageCache;
import orbispace.files.project.ContentOf;
import orbispace.files.project.FactsCache;
import orbispace.files.project.ProjectFolder;

/**
 * Measures stems as they lie in a song, one by one and against each other. What was measured is
 * kept by the content of the stems and all that was asked of them.
 */
public final class StemSurvey {
    private static final String PERCUSSION = "percussion";
    private static final int WHOLE_KIT = 3;

    private final FactsCache cache;

    /** A survey that keeps what it finds. */
    public StemSurvey(FactsCache cache) {
        this.cache = cache;
    }

    /** A kit that was looked for. */
    private record Looked(Optional<KitFound> kit) {}

    /** Pairs that were looked for. */
    private record Compared(List<SharedSound> pairs) {}

    /** Level and facts of a stem as they are kept. */
    private record Kept(String silhouette, StemFacts facts) {}

    /** What was found in each source that has a stem, the strokes of a kit told by all of it. */
    public Map<String, Material> materials(
            Design design, ProjectFolder.Stems stems, SongMaterial material, Job job) {
        Map<String, Material> found = new ConcurrentHashMap<>();
        heard(design, material).parallelStream()
                .forEach(source -> {
                    job.check();
                    found.put(source.id(), material(design, source, stems.content(), material));
                });
        return found;
    }

    /** Everything that is wrong or worth knowing about a song's stems. */
    public List<Finding> findings(Design design, ProjectFolder.Stems stems, Job job) {
        SongMaterial material = stems.material(design);
        Map<String, StemFindings.Stem> known = new TreeMap<>();
        Shared shared = shared(design, stems.content(), material, job);
        materials(design, stems, material, job)
                .forEach((id, m) -> {
                    StemFacts told =
                            shared.kit().map(k -> k.facts(id, m.facts())).orElse(m.facts());
                    known.put(id, stems.measured(id, told));
                });
        return StemFindings.of(design, known, shared.pairs(), shared.kit());
    }

    /** Sources that have a stem. */
    private static List<Source> heard(Design design, SongMaterial material) {
        return design.sources().stream().filter(s -> material.audio().containsKey(s.id())).toList();
    }

    /**
     * Measures one stem as its role asks for; a layered part is searched for phrases as one.
     *
     * @param content tells what each source's file holds
     */
    public Material material(
            Design design, Source source, ContentOf content, SongMaterial material) {
        Kept kept =
                cache.of(
                        key(design, source, content),
                        Kept.class,
                        () -> {
                            Silhouette silhouette = Silhouette.of(audio(material, source));
                            return new Kept(
                                    silhouette.packed(),
                                    facts(design, source, material, silhouette));
                        });
        return new Material(Silhouette.unpacked(kept.silhouette()), kept.facts());
    }

    /** Tells everything apart that changes what is found in a source's stem. */
    public static String key(Design design, Source source, ContentOf content) {
        StringBuilder key = new StringBuilder();
        boolean sings = Material.wanted(source.role()).phrases();
        for (Source layer : sings ? design.layersOf(source) : List.of(source)) {
            key.append(content.of(layer)).append(layer.placement()).append(layer.tone());
            if (sings && design.layersOf(source).size() > 1) {
                key.append(layer.gainDb()).append(layer.pan());
            }
        }
        return key.append(content.of(source)).append(Material.wanted(source.role())).toString();
    }

    private static StemFacts facts(
            Design design, Source source, SongMaterial material, Silhouette silhouette) {
        StemFacts.Wanted wanted = Material.wanted(source.role());
        List<Source> layers = design.layersOf(source);
        boolean layered = wanted.phrases() && layers.size() > 1;
        StemFacts facts =
                StemFacts.measure(
                        audio(material, source),
                        silhouette,
                        new StemFacts.Wanted(wanted.phrases() && !layered, wanted.hits()));
        if (!layered) {
            return facts;
        }
        Renderer renderer = new Renderer(material, material.frames(), new StageCache(0));
        return facts.withPhrases(PhraseFinder.find(renderer.dry(design.unplanned(), layers)));
    }

    /** What the stems of a song have in common. */
    public Shared shared(Design design, ContentOf content, SongMaterial material, Job job) {
        List<Source> sources = heard(design, material);
        Optional<KitFound> kit = kit(sources, content, material);
        Set<String> members = kit.map(KitFound::members).orElse(Set.of());
        String key =
                lies(sources, content)
                        + sources.stream().map(Source::id).toList()
                        + new TreeSet<>(members);
        Compared compared =
                cache.of(
                        key,
                        Compared.class,
                        () -> new Compared(pairs(sources, members, material, job)));
        return new Shared(kit, compared.pairs());
    }

    /** Tells everything apart that changes what stems have in common. */
    public static String sharedKey(Design design, ContentOf content) {
        List<Object> drums = new ArrayList<>();
        design.sources()
                .forEach(s -> drums.add(List.of(s.role(), s.kind(), StemName.of(s.name()).drum())));
        return lies(design.sources(), content) + drums;
    }

    private static String lies(List<Source> sources, ContentOf content) {
        StringBuilder key = new StringBuilder();
        sources.forEach(s -> key.append(content.of(s)).append(s.placement()).append(s.tone()));
        return key.toString();
    }

    private static List<SharedSound> pairs(
            List<Source> sources, Set<String> kit, SongMaterial material, Job job) {
        List<Audio> audio = new ArrayList<>();
        Set<Integer> together = new HashSet<>();
        for (Source s : sources) {
            if (kit.contains(s.id())) {
                together.add(audio.size());
            }
            audio.add(audio(material, s));
        }
        List<LineUpSearch.Pair> found = LineUpSearch.pairs(audio, together, job::cancelled);
        job.check();
        return found.stream()
                .map(p ->
                        new SharedSound(
                                sources.get(p.first()).id(),
                                sources.get(p.second()).id(),
                                p.lineUp()))
                .toList();
    }

    /** The kit among sources that strike; empty if no two of them share strokes. */
    Optional<KitFound> kit(List<Source> sources, ContentOf content, SongMaterial material) {
        List<Source> striking =
                sources.stream()
                        .filter(s -> s.role() == Role.HITS && s.kind() != StemKind.EFFECT)
                        .toList();
        List<Source> named =
                striking.stream()
                        .filter(s -> !StemName.of(s.name()).part().equals(PERCUSSION))
                        .toList();
        // Beside a drum kit what is called percussion plays with it and is no part of it.
        List<Source> drums = named.size() >= WHOLE_KIT ? named : striking;
        if (drums.size() < 2) {
            return Optional.empty();
        }
        List<String> ids = drums.stream().map(Source::id).toList();
        List<String> names = drums.stream().map(s -> StemName.of(s.name()).drum()).toList();
        return cache.of(
                        lies(drums, content) + ids + names,
                        Looked.class,
                        () -> {
                            List<Audio> audio =
                                    drums.stream().map(s -> audio(material, s)).toList();
                            Kit kit = KitFinder.find(audio, names);
                            return new Looked(
                                    kit.sharing().isEmpty()
                                            ? Optional.empty()
                                            : Optional.of(new KitFound(ids, kit)));
                        })
                .kit();
    }

    private static Audio audio(SongMaterial material, Source source) {
        return java.util.Objects.requireNonNull(material.audio().get(source.id()));
    }
}
