package orbispace.app.song;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.IntStream;
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
import orbispace.files.project.ProjectFolder;

/** Measures stems as they lie in a song, one by one and against each other. */
public final class StemSurvey {
    private StemSurvey() {}

    /** Everything that is wrong or worth knowing about a song's stems, measured here and now. */
    public static List<Finding> findings(Design design, ProjectFolder.Stems stems, Job job) {
        SongMaterial material = stems.material(design);
        List<Source> sources =
                design.sources().stream()
                        .filter(s -> material.audio().containsKey(s.id()))
                        .toList();
        Map<String, StemFindings.Stem> known = new ConcurrentHashMap<>();
        IntStream.range(0, sources.size())
                .parallel()
                .forEach(i -> {
                    job.check();
                    Source source = sources.get(i);
                    Audio audio = audio(material, source);
                    StemFacts facts = facts(design, source, material, Silhouette.of(audio));
                    double own =
                            java.util.Objects.requireNonNull(stems.stems().get(source.id()))
                                    .ownRateHz();
                    known.put(source.id(), new StemFindings.Stem(facts, audio.seconds(), own));
                });
        return StemFindings.of(
                design,
                new TreeMap<>(known),
                pairs(sources, material, job),
                kit(sources, material));
    }

    /** Measures one stem as its role asks for; a layered part is searched for phrases as one. */
    public static StemFacts facts(
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
        return facts.withPhrases(PhraseFinder.find(renderer.dry(layers)));
    }

    /** Pairs of sources that share sound. */
    public static List<SharedSound> pairs(List<Source> sources, SongMaterial material, Job job) {
        List<Audio> audio = new ArrayList<>();
        sources.forEach(s -> audio.add(audio(material, s)));
        List<LineUpSearch.Pair> found = LineUpSearch.pairs(audio, job::cancelled);
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
    public static Optional<KitFound> kit(List<Source> sources, SongMaterial material) {
        List<Source> drums =
                sources.stream()
                        .filter(s -> s.role() == Role.HITS && s.kind() != StemKind.EFFECT)
                        .toList();
        if (drums.size() < 2) {
            return Optional.empty();
        }
        Kit kit =
                KitFinder.find(
                        drums.stream().map(s -> audio(material, s)).toList(),
                        drums.stream().map(s -> StemName.of(s.name()).drum()).toList());
        return kit.sharing().isEmpty()
                ? Optional.empty()
                : Optional.of(new KitFound(drums.stream().map(Source::id).toList(), kit));
    }

    private static Audio audio(SongMaterial material, Source source) {
        return java.util.Objects.requireNonNull(material.audio().get(source.id()));
    }
}
