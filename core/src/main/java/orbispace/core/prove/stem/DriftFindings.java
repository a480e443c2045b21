package orbispace.core.prove.stem;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import orbispace.core.design.Design;
import orbispace.core.design.Source;
import orbispace.core.material.Hits;
import orbispace.core.prove.Finding;
import orbispace.core.prove.Severity;
import orbispace.core.words.Wording;
import org.jspecify.annotations.Nullable;

/** Sections whose strokes stand elsewhere against the grid than those of the others. */
final class DriftFindings {
    /** From here on a shift against the rest of the song is worth knowing, ms. */
    private static final double TOLD_MILLIS = 10;

    /** From here on it is worth weighing: early and late are heard apart, ms. */
    private static final double HEARD_MILLIS = 20;

    private DriftFindings() {}

    /** Looks at all that strikes; of a kit only at the stem with most strokes of its own. */
    static List<Finding> of(
            Design design, Map<String, StemFindings.Stem> stems, Set<String> inKit) {
        Optional<String> busiest =
                inKit.stream()
                        .filter(id -> strokes(stems.get(id)) > 0)
                        .max(Comparator.comparingInt(id -> strokes(stems.get(id))));
        return design.sources().stream()
                .filter(s -> !inKit.contains(s.id()) || busiest.equals(Optional.of(s.id())))
                .flatMap(s -> of(design, s, stems.get(s.id())).stream())
                .toList();
    }

    private static int strokes(StemFindings.@Nullable Stem stem) {
        return stem == null ? 0 : stem.facts().hits().map(h -> h.hits().size()).orElse(0);
    }

    private static Optional<Finding> of(
            Design design, Source source, StemFindings.@Nullable Stem stem) {
        Optional<Hits> hits = stem == null ? Optional.empty() : stem.facts().hits();
        return hits.map(h -> SectionDrift.of(design.song(), h))
                .flatMap(all ->
                        SectionDrift.farthest(all)
                                .filter(d -> Math.abs(d.against(all)) > TOLD_MILLIS)
                                .map(d -> finding(design, source, d, d.against(all))));
    }

    private static Finding finding(
            Design design, Source source, SectionDrift drift, double againstMillis) {
        String late = againstMillis > 0 ? "later" : "earlier";
        return new Finding(
                "drift",
                Math.abs(againstMillis) > HEARD_MILLIS ? Severity.WEIGH : Severity.KNOW,
                source.id(),
                Wording.text("%.0f ms %s", Math.abs(againstMillis), late),
                Wording.text(
                        "In %s the strokes of %s lie %.0f ms %s than in the other sections:"
                                + " %+.0f ms against the grid, half of them within %.0f ms.",
                        drift.section().name(),
                        source.name(),
                        Math.abs(againstMillis),
                        late,
                        drift.medianMillis(),
                        drift.spreadMillis()),
                "Times that are reckoned from the grid miss strokes that drift from it; strokes"
                        + " that are played along lie about it evenly.",
                OptionalDouble.of(design.song().span(drift.section()).startSeconds()),
                List.of());
    }
}
