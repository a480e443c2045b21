package orbispace.core.design;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import orbispace.core.time.Span;

/**
 * Who stands in front, section by section: the source that a section names, and else the first
 * whose role is to lead. What lies between sections goes with the song's own lead.
 */
public final class Leads {
    /**
     * As a key of a ducker or gate: whoever leads, each where they do, with the layers of their
     * parts.
     */
    public static final String KEY = "the lead";

    private Leads() {}

    /** The sources that the key of this name means. */
    static List<Source> key(Design design) {
        return all(design).stream()
                .flatMap(l -> design.layersOf(l.source()).stream())
                .distinct()
                .toList();
    }

    /** Where the sources of that key are meant; empty where one leads throughout. */
    static Map<String, List<Span>> spans(Design design) {
        if (isOne(design)) {
            return Map.of();
        }
        Map<String, List<Span>> spans = new TreeMap<>();
        for (Led led : all(design)) {
            for (Source layer : design.layersOf(led.source())) {
                spans.computeIfAbsent(layer.id(), id -> new ArrayList<>()).addAll(led.spans());
            }
        }
        spans.replaceAll((id, all) -> joined(all));
        return spans;
    }

    /** Stretches in order, those that touch as one. */
    private static List<Span> joined(List<Span> spans) {
        List<Span> sorted = new ArrayList<>(spans);
        sorted.sort(Comparator.comparingDouble(Span::startSeconds));
        List<Span> joined = new ArrayList<>();
        for (Span s : sorted) {
            Span last = joined.isEmpty() ? null : joined.getLast();
            if (last != null && s.startSeconds() <= last.endSeconds() + 1e-6) {
                double end = Math.max(last.endSeconds(), s.endSeconds());
                joined.set(joined.size() - 1, new Span(last.startSeconds(), end));
            } else {
                joined.add(s);
            }
        }
        return joined;
    }

    /**
     * A source and where it leads.
     *
     * @param source who
     * @param spans in seconds of the song, in order
     */
    public record Led(Source source, List<Span> spans) {
        /** Keeps its own list. */
        public Led {
            spans = List.copyOf(spans);
        }

        /** How long it leads. */
        public double seconds() {
            return spans.stream().mapToDouble(Span::seconds).sum();
        }

        /** The parts of some stretches in which it leads. */
        public List<Span> within(List<Span> stretches) {
            List<Span> inside = new ArrayList<>();
            for (Span led : spans) {
                for (Span s : stretches) {
                    double from = Math.max(led.startSeconds(), s.startSeconds());
                    double to = Math.min(led.endSeconds(), s.endSeconds());
                    if (to > from) {
                        inside.add(new Span(from, to));
                    }
                }
            }
            return inside;
        }
    }

    /** Who leads a section; empty if nothing does. */
    public static Optional<Source> of(Design design, Section section) {
        return section.lead().isEmpty() ? usual(design) : design.findSource(section.lead());
    }

    /** Who leads a stretch of the song: whoever does for most of it. */
    public static Optional<Source> at(Design design, Span span) {
        return all(design).stream()
                .filter(led -> !led.within(List.of(span)).isEmpty())
                .max(
                        Comparator.comparingDouble(led ->
                                led.within(List.of(span)).stream()
                                        .mapToDouble(Span::seconds)
                                        .sum()))
                .map(Led::source)
                .or(() -> main(design));
    }

    /** Who leads where no section says anything else. */
    private static Optional<Source> usual(Design design) {
        return design.sourcesOf(Role.LEAD).stream().findFirst();
    }

    /** Who leads the song: the one that does for longest. */
    public static Optional<Source> main(Design design) {
        return isOne(design)
                ? usual(design)
                : all(design).stream()
                        .max(Comparator.comparingDouble(Led::seconds))
                        .map(Led::source);
    }

    /** Whether no section has a lead of its own. */
    private static boolean isOne(Design design) {
        return design.song().sections().stream().allMatch(s -> s.lead().isEmpty());
    }

    /** Everyone that leads anywhere, and where, in the order of the song. */
    public static List<Led> all(Design design) {
        if (isOne(design)) {
            return usual(design).stream()
                    .map(s -> new Led(s, List.of(new Span(0, Section.FOREVER_SECONDS))))
                    .toList();
        }
        Map<String, List<Span>> spans = new LinkedHashMap<>();
        for (Section section : design.song().sections()) {
            of(design, section)
                    .ifPresent(s ->
                            spans.computeIfAbsent(s.id(), id -> new ArrayList<>())
                                    .add(design.song().span(section)));
        }
        return spans.entrySet().stream()
                .map(e -> new Led(design.findSource(e.getKey()).orElseThrow(), e.getValue()))
                .toList();
    }

    /** A song whose sections name only sources that are there. */
    static Song known(Song song, Set<String> sourceIds) {
        if (song.sections().stream().allMatch(s -> isKnown(s, sourceIds))) {
            return song;
        }
        return song.withSections(
                song.sections().stream()
                        .map(s -> isKnown(s, sourceIds) ? s : s.ledBy(""))
                        .toList());
    }

    private static boolean isKnown(Section s, Set<String> sourceIds) {
        return s.lead().isEmpty() || sourceIds.contains(s.lead());
    }
}
