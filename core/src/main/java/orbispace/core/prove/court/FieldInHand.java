package orbispace.core.prove.court;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import orbispace.core.clear.CoverAnalysis;
import orbispace.core.clear.Question;
import orbispace.core.clear.Standing;
import orbispace.core.design.Design;
import orbispace.core.design.Leads;
import orbispace.core.design.Return;
import orbispace.core.design.Source;
import orbispace.core.draft.FieldDraft;
import orbispace.core.draft.StateLevels;
import orbispace.core.hearing.Borders;
import orbispace.core.material.Phrases;
import orbispace.core.material.StemFacts;
import orbispace.core.prove.Finding;
import orbispace.core.prove.rule.FieldFacts;
import orbispace.core.prove.rule.FieldFindings;
import orbispace.core.prove.rule.FieldSurvey;
import orbispace.core.prove.rule.ReturnFacts;
import orbispace.core.render.Job;
import orbispace.core.render.Renderer;
import orbispace.core.time.Span;

/**
 * A field while a court works on it: its design, the share that each return aims at, why one has to
 * aim lower than asked, and what is measured of it.
 */
final class FieldInHand {
    private final CoverAnalysis analysis;
    private final Renderer renderer;
    private final Map<String, StemFacts> stems;
    private final Job job;
    private final Span whole;
    private final StateLevels levels;
    private final Map<String, Double> shares;
    private final Map<String, String> reasons = new HashMap<>();
    private Design design;

    FieldInHand(
            CoverAnalysis analysis,
            Map<String, StemFacts> stems,
            Span judged,
            Design design,
            Job job) {
        this.analysis = analysis;
        this.renderer = analysis.renderer();
        this.stems = stems;
        this.design = design;
        this.job = job;
        whole = judged;
        levels = new StateLevels(analysis, whole, job);
        shares = new TreeMap<>(StateLevels.aims(design));
    }

    Design design() {
        return design;
    }

    void set(Design changed) {
        design = changed;
        shares.keySet().retainAll(design.returns().stream().map(Return::id).toList());
    }

    Renderer renderer() {
        return renderer;
    }

    /** By which borders the states of wets are told. */
    Borders borders() {
        return analysis.borders();
    }

    Job job() {
        return job;
    }

    Span whole() {
        return whole;
    }

    /** The share that a return aims at. */
    double share(String id) {
        return shares.getOrDefault(id, 0.0);
    }

    /** Lets a return aim at another share. */
    void aim(String id, double share) {
        shares.put(id, share);
    }

    /** Why returns aim lower than asked, by letter. */
    Map<String, String> reasons() {
        return reasons;
    }

    /** Brings all returns to their shares. */
    void level() {
        design = levels.leveled(design, shares);
    }

    /** Brings one return to its share, the others as they are. */
    void level(String id) {
        design = levels.leveled(design, id, share(id));
    }

    /** Where a source speaks, if that is known. */
    Optional<Phrases> phrases(Source s) {
        return Optional.ofNullable(stems.get(s.id()))
                .flatMap(StemFacts::phrases)
                .filter(p -> !p.spans().isEmpty());
    }

    /** How a lead stands where it leads, beside one return or all. */
    Standing standing(Leads.Led lead, String returnId, boolean together) {
        List<Span> sung = phrases(lead.source()).map(p -> lead.within(p.spans())).orElse(List.of());
        return analysis.standing(
                new Question(design, lead.source(), returnId, Phrases.at(sung), whole, together),
                job);
    }

    /** What is found about its returns. */
    List<Finding> findings() {
        Map<String, ReturnFacts> facts =
                new FieldSurvey(analysis, renderer).measure(design, stems, job);
        return FieldFindings.of(new FieldFacts(design, stems, facts, List.of(), List.of())).stream()
                .filter(f -> design.findReturn(f.subject()).isPresent())
                .toList();
    }

    /**
     * What became of each return.
     *
     * @param written the same sound as it is written down, with other levels and sends
     */
    List<Verdict> verdicts(Design written, FieldDraft draft) {
        return Verdicts.of(analysis, design, written, draft, reasons, whole, job);
    }
}
