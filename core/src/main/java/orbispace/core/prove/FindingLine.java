package orbispace.core.prove;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import orbispace.core.design.EditsTogether;

/**
 * Findings of one kind as one line, which unfolds; all that is only worth knowing is one line at
 * the end. Lines are ranked by severity, then by what a press brings, then by how many it settles.
 *
 * @param findings at least one, what brings most first
 */
public record FindingLine(List<Finding> findings) {
    /** What stands before the line of what is only worth knowing. */
    public static final String STOP =
            "From here on nothing would be heard; this is only good to know.";

    private static final int MOST_NAMES = 4;

    /** Keeps its own list. */
    public FindingLine {
        findings = List.copyOf(findings);
    }

    /** All findings in lines, the next to press first. */
    public static List<FindingLine> of(List<Finding> all) {
        Map<String, List<Finding>> kinds = new LinkedHashMap<>();
        for (Finding f : all) {
            String kind = f.severity() == Severity.KNOW ? "" : f.rule();
            kinds.computeIfAbsent(kind, k -> new ArrayList<>()).add(f);
        }
        List<FindingLine> lines = new ArrayList<>();
        kinds.values()
                .forEach(same ->
                        lines.add(
                                new FindingLine(
                                        same.stream()
                                                .sorted(
                                                        Comparator.comparing(Finding::severity)
                                                                .thenComparingDouble(
                                                                        f -> -steps(f)))
                                                .toList())));
        lines.sort(
                Comparator.comparing(FindingLine::severity)
                        .thenComparingDouble(l -> -l.steps())
                        .thenComparingInt(l -> -l.findings.size()));
        return List.copyOf(lines);
    }

    /** All findings in the order of their lines. */
    public static List<Finding> ranked(List<Finding> all) {
        return of(all).stream().flatMap(l -> l.findings.stream()).toList();
    }

    private static double steps(Finding f) {
        return f.brings().map(Brings::steps).orElse(0.0);
    }

    /** That of the worst of them. */
    public Severity severity() {
        return findings.getFirst().severity();
    }

    /** The one that stands for all. */
    public Finding first() {
        return findings.getFirst();
    }

    /** Whether it holds several. */
    public boolean isFolded() {
        return findings.size() > 1;
    }

    private double steps() {
        return findings.stream().mapToDouble(FindingLine::steps).max().orElse(0);
    }

    /**
     * What it is about, in words.
     *
     * @param name what people call a source or return, by its id
     */
    public String title(UnaryOperator<String> name) {
        Finding f = first();
        if (!isFolded()) {
            return (f.subject().isEmpty() ? "" : name.apply(f.subject()) + ": ") + f.flag();
        }
        if (severity() == Severity.KNOW) {
            return findings.size() + " to know";
        }
        boolean same = findings.stream().allMatch(o -> o.flag().equals(f.flag()));
        String what = same ? f.flag() : f.rule().replace('-', ' ');
        return what + ", " + findings.size() + " times";
    }

    /** The subjects of several, as many as stand in a line. */
    public String subjects(UnaryOperator<String> name) {
        Set<String> ids =
                findings.stream()
                        .map(Finding::subject)
                        .filter(id -> !id.isEmpty())
                        .collect(Collectors.toCollection(LinkedHashSet::new));
        String some = ids.stream().limit(MOST_NAMES).map(name).collect(Collectors.joining(", "));
        return ids.size() > MOST_NAMES
                ? some + " and " + (ids.size() - MOST_NAMES) + " more"
                : some;
    }

    /** What pressing it brings at most, where that was measured. */
    public Optional<Brings> brings() {
        return findings.stream()
                .flatMap(f -> f.brings().stream())
                .filter(b -> b.amount() > 0)
                .max(Comparator.comparingDouble(Brings::steps));
    }

    /** How many can be settled by one press; none of unlike things that are only worth knowing. */
    public int settled() {
        boolean unlike = findings.stream().anyMatch(f -> !f.rule().equals(first().rule()));
        return unlike ? 0 : (int) findings.stream().filter(f -> !f.remedies().isEmpty()).count();
    }

    /** One change with the first remedy of each. */
    public EditsTogether edit(String words) {
        return new EditsTogether(
                findings.stream()
                        .filter(f -> !f.remedies().isEmpty())
                        .map(f -> f.remedies().getFirst().edit())
                        .toList(),
                words);
    }
}
