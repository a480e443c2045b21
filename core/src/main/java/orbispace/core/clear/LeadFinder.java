package orbispace.core.clear;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import orbispace.core.design.Design;
import orbispace.core.design.Role;
import orbispace.core.design.Section;
import orbispace.core.design.Source;
import orbispace.core.hearing.Excitation;
import orbispace.core.hearing.Passages;
import orbispace.core.hearing.WetShare;
import orbispace.core.intake.StemName;
import orbispace.core.material.Phrases;
import orbispace.core.render.Job;
import orbispace.core.time.Span;
import orbispace.core.words.Wording;

/**
 * Proposes who stands in front in each section, by how much of it a source sounds and how much of
 * its loudness it has beside all else: a leading voice first, then other voices, then winds, then
 * whatever has most of the loudness, colours before beds. Layers of a part count as one. Drums,
 * bass, rooms and printed effects never lead. Argued from practice, not tested on listeners.
 */
public final class LeadFinder {
    /** What sounds in less of a section does not lead it; a leading voice may rest longer. */
    private static final double LEAST_ACTIVE = 0.25;

    private static final double LEAST_SUNG = 0.1;

    /** A lead is at least heard. */
    private static final double LEAST_SHARE = 0.03;

    private LeadFinder() {}

    /**
     * Who should lead a section, and why.
     *
     * @param section index of the section
     * @param lead who
     * @param active the share of the section in which it sounds, 0 to 1
     * @param share its share of the loudness there, 0 to 1
     */
    public record Proposed(int section, Source lead, double active, double share) {
        /** The evidence in words. */
        public String why() {
            return Wording.format(
                    "%s sounds in %.0f %% of it and has %.0f %% of the loudness",
                    lead.name(), 100 * active, 100 * share);
        }
    }

    /**
     * Proposals for all sections in which anything may lead.
     *
     * @param phrases where sources sound, by id; what is not named sounds where it is loud
     */
    public static List<Proposed> find(
            CoverAnalysis analysis, Design design, Map<String, Phrases> phrases, Job job) {
        List<Source> may =
                design.sources().stream()
                        .filter(s -> s.role() != Role.HITS && s.role() != Role.BASS)
                        .filter(s -> s.kind().isSent())
                        .filter(s -> design.layersOf(s).getFirst().equals(s))
                        .toList();
        List<Proposed> all = new ArrayList<>();
        List<Section> sections = design.song().sections();
        for (int i = 0; i < sections.size(); i++) {
            job.check();
            Span span = design.song().span(sections.get(i));
            int index = i;
            may.stream()
                    .map(s ->
                            new Proposed(
                                    index,
                                    s,
                                    active(analysis, design, s, phrases, span),
                                    share(analysis, design, s, span)))
                    .filter(LeadFinder::mayLead)
                    .min(
                            Comparator.comparingInt(LeadFinder::rank)
                                    .thenComparing(
                                            Comparator.comparingDouble(
                                                            (Proposed p) -> p.active * p.share)
                                                    .reversed()))
                    .ifPresent(all::add);
            job.report((i + 1) / (double) sections.size());
        }
        return all;
    }

    private static boolean mayLead(Proposed p) {
        double least = p.lead.role() == Role.LEAD ? LEAST_SUNG : LEAST_ACTIVE;
        return p.active >= least && p.share >= LEAST_SHARE;
    }

    private static int rank(Proposed p) {
        String part = StemName.of(p.lead.name()).part();
        boolean leads = p.lead.role() == Role.LEAD;
        if (part.equals("voice")) {
            return leads ? 0 : 1;
        }
        if (leads) {
            return 1;
        }
        if (part.equals("winds")) {
            return 2;
        }
        return p.lead.role() == Role.HARMONY_BED ? 4 : 3;
    }

    /** The share of the loudness of all that is dry that a part has, 0 to 1. */
    private static double share(CoverAnalysis analysis, Design design, Source s, Span span) {
        Excitation part = analysis.slice(analysis.song().part(design, design.layersOf(s)), span);
        Excitation besides =
                analysis.slice(analysis.song().sourcesBut(design, design.layersOf(s)), span);
        return WetShare.of(part.times(0), part, besides, analysis.roomPower());
    }

    private static double active(
            CoverAnalysis analysis,
            Design design,
            Source s,
            Map<String, Phrases> phrases,
            Span span) {
        Optional<Phrases> known = Optional.ofNullable(phrases.get(s.id()));
        if (known.isEmpty()) {
            Excitation part =
                    analysis.slice(analysis.song().part(design, design.layersOf(s)), span);
            int loud = Passages.ofLoudness(part).speaking().cardinality();
            return loud / (double) Math.max(1, part.frames());
        }
        double sung = 0;
        for (Span p : known.get().spans()) {
            double from = Math.max(p.startSeconds(), span.startSeconds());
            sung += Math.max(0, Math.min(p.endSeconds(), span.endSeconds()) - from);
        }
        return span.seconds() <= 0 ? 0 : sung / span.seconds();
    }
}
