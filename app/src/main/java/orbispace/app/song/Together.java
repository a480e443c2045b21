package orbispace.app.song;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import orbispace.core.audio.Audio;
import orbispace.core.design.Source;
import orbispace.core.intake.GroupProposal;
import orbispace.core.intake.StemName;
import orbispace.core.prove.stem.KitFound;
import orbispace.core.render.SongMaterial;
import orbispace.files.project.ContentOf;
import orbispace.files.project.FactsCache;
import orbispace.files.sound.StemFiles;

/** What stems that are brought together have to do with each other: kits, sides and groups. */
final class Together {
    private Together() {}

    /** Stems of drums that hear each other. */
    static Set<String> kit(
            List<Source> sources,
            Map<String, StemFiles.Stem> stems,
            double rate,
            FactsCache facts) {
        Map<String, Audio> audio = new LinkedHashMap<>();
        stems.forEach((id, stem) -> audio.put(id, stem.audio()));
        ContentOf content = s -> Objects.requireNonNull(stems.get(s.id())).content();
        return new StemSurvey(facts)
                .kit(sources, content, new SongMaterial(audio, rate))
                .map(KitFound::members)
                .orElse(Set.of());
    }

    /** The same sources; both sides of one take, each a stem of one channel, at their sides. */
    static List<Source> paired(List<Source> sources, Map<String, StemFiles.Stem> stems) {
        Map<String, Set<StemName.Side>> sides =
                sources.stream()
                        .map(s -> StemName.of(s.name()))
                        .filter(n -> n.side().isPresent())
                        .collect(
                                Collectors.groupingBy(
                                        StemName::withoutSide,
                                        Collectors.mapping(
                                                n -> n.side().orElseThrow(), Collectors.toSet())));
        return sources.stream()
                .map(s -> {
                    StemName name = StemName.of(s.name());
                    boolean mono =
                            Objects.requireNonNull(stems.get(s.id())).audio().channelCount() == 1;
                    boolean pair = sides.getOrDefault(name.withoutSide(), Set.of()).size() == 2;
                    return !mono || !pair || name.side().isEmpty()
                            ? s
                            : s.withPan(name.side().get() == StemName.Side.LEFT ? -1 : 1);
                })
                .toList();
    }

    /** What a first field takes: nothing that is a space already, hears a whole kit or is empty. */
    static List<Source> sent(List<Source> sources, Map<String, StemFiles.Stem> stems) {
        return sources.parallelStream()
                .filter(s -> s.kind().isSent())
                .filter(s -> Objects.requireNonNull(stems.get(s.id())).audio().peak() > 0)
                .toList();
    }

    /** The same sources in the groups that are proposed for them. */
    static List<Source> grouped(List<Source> sources, Set<String> kit) {
        Map<String, String> groups = GroupProposal.of(sources, kit);
        return sources.stream().map(s -> s.withGroup(groups.getOrDefault(s.id(), ""))).toList();
    }
}
