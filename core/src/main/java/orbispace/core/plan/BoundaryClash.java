package orbispace.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import orbispace.core.clear.CoverAnalysis;
import orbispace.core.design.Design;
import orbispace.core.design.PlanCell;
import orbispace.core.design.Return;
import orbispace.core.design.Section;
import orbispace.core.design.SectionPlan;
import orbispace.core.design.Source;
import orbispace.core.render.Job;
import orbispace.core.time.Span;

/**
 * A tail that is carried from a wetter section into a drier one and covers what is sung there.
 *
 * @param section the drier section
 * @param returnId letter of the return
 * @param kept share of the source's loudness that is left beside that return at the beginning of
 *     the section
 * @param keptIfCut the same if the tail were cut there
 */
public record BoundaryClash(Section section, String returnId, double kept, double keptIfCut) {
    private static final double LOOK_SECONDS = 2;
    private static final double RUN_UP_SECONDS = 6;
    private static final double LEAST_PHRASE_SECONDS = 0.2;
    private static final double MATTERS = 0.02;

    /**
     * All of a song, in order.
     *
     * @param analysis of the whole song
     * @param source that must stay clear
     * @param phrases of it, in seconds of the song
     */
    public static List<BoundaryClash> of(
            CoverAnalysis analysis, Design design, Source source, List<Span> phrases, Job job) {
        List<BoundaryClash> clashes = new ArrayList<>();
        List<Section> sections = design.song().sections();
        for (int i = 1; i < sections.size(); i++) {
            Section here = sections.get(i);
            boolean follows = sections.get(i - 1).endBar() == here.firstBar();
            double from = design.song().span(here).startSeconds();
            Span span =
                    new Span(
                            from,
                            Math.min(design.song().span(here).endSeconds(), from + LOOK_SECONDS));
            List<Span> sung = phrases.stream().filter(p -> sungFor(p, span)).toList();
            List<Return> drier = follows ? drier(design, sections.get(i - 1), here) : List.of();
            if (sung.isEmpty() || drier.isEmpty()) {
                continue;
            }
            CoverAnalysis near = analysis.window(span, RUN_UP_SECONDS);
            for (Return r : drier) {
                job.check();
                OptionalDouble kept = kept(near, design, source, r, sung, span, job);
                OptionalDouble cut = kept(near, cut(design, i, r.id()), source, r, sung, span, job);
                if (kept.isPresent()
                        && cut.isPresent()
                        && cut.getAsDouble() - kept.getAsDouble() >= MATTERS) {
                    clashes.add(
                            new BoundaryClash(here, r.id(), kept.getAsDouble(), cut.getAsDouble()));
                }
            }
        }
        return List.copyOf(clashes);
    }

    private static boolean sungFor(Span phrase, Span span) {
        double from = Math.max(phrase.startSeconds(), span.startSeconds());
        return Math.min(phrase.endSeconds(), span.endSeconds()) - from >= LEAST_PHRASE_SECONDS;
    }

    /** Returns that become softer, shorter or mute, and carry their tail. */
    private static List<Return> drier(Design design, Section before, Section here) {
        return design.returns().stream()
                .filter(r -> {
                    PlanCell was = before.plan().cell(r.id());
                    PlanCell is = here.plan().cell(r.id());
                    boolean less =
                            !was.muted()
                                    && (is.muted()
                                            || is.levelDb() < was.levelDb()
                                            || is.decayScale() < was.decayScale());
                    return less && is.edge() == PlanCell.Edge.CARRIED;
                })
                .toList();
    }

    private static OptionalDouble kept(
            CoverAnalysis near,
            Design design,
            Source source,
            Return r,
            List<Span> sung,
            Span span,
            Job job) {
        return near.pair(design, source, r, sung, span, job).cover().presenceKept();
    }

    /** The design with the tail of a return cut at the beginning of a section. */
    private static Design cut(Design design, int index, String returnId) {
        List<Section> sections = new ArrayList<>(design.song().sections());
        SectionPlan plan = sections.get(index).plan();
        PlanCell cell = plan.cell(returnId).withEdge(PlanCell.Edge.CUT);
        sections.set(index, sections.get(index).withPlan(plan.withCell(returnId, cell)));
        return design.withSong(design.song().withSections(sections));
    }
}
