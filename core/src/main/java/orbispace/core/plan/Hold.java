package orbispace.core.plan;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import orbispace.core.audio.Quantile;
import orbispace.core.clear.CoverAnalysis;
import orbispace.core.clear.Question;
import orbispace.core.design.Design;
import orbispace.core.design.PlanCell;
import orbispace.core.design.Purpose;
import orbispace.core.design.Purposes;
import orbispace.core.design.Return;
import orbispace.core.design.Section;
import orbispace.core.design.Song;
import orbispace.core.design.Source;
import orbispace.core.hearing.WetState;
import orbispace.core.material.Phrases;
import orbispace.core.render.Job;
import orbispace.core.time.Span;

/**
 * Keeps each return as audible in every section, while the arrangement thickens and thins: level
 * offsets that bring its wet share to the median of its shares at fixed levels. Found by bisection
 * on kept excitations; a return that a section never hears is left alone there, and one that would
 * be hidden at that median altogether.
 */
public final class Hold {
    private static final double MOST_DB = 18;
    private static final double STEP_DB = 0.05;
    private static final double HEARD = 1e-4;
    private static final double RAMP_BEATS = 0.5;
    private static final int ROUNDS = 3;

    private final CoverAnalysis analysis;
    private final Source any;
    private final Job job;

    private Hold(CoverAnalysis analysis, Source any, Job job) {
        this.analysis = analysis;
        this.any = any;
        this.job = job;
    }

    /**
     * The wet share of each return in each section.
     *
     * @param analysis of the song
     * @param design with at least one source
     */
    public static Map<String, List<Double>> shares(CoverAnalysis analysis, Design design, Job job) {
        Hold hold = new Hold(analysis, design.sources().getFirst(), job);
        Map<String, List<Double>> all = new LinkedHashMap<>();
        for (Return r : design.returns()) {
            List<Double> shares = new ArrayList<>();
            for (Section s : design.song().sections()) {
                shares.add(hold.share(design, r, 0, design.song().span(s)));
            }
            all.put(r.id(), shares);
        }
        return all;
    }

    /**
     * How much each return is noticed in each section; of what its loudness hides, the width is
     * asked.
     *
     * @param shares its wet share in each section
     */
    public static Map<String, List<WetState>> states(
            CoverAnalysis analysis, Design design, Map<String, List<Double>> shares, Job job) {
        Map<String, List<WetState>> all = new LinkedHashMap<>();
        for (Return r : design.returns()) {
            List<WetState> states = new ArrayList<>();
            for (double share : shares.getOrDefault(r.id(), List.of())) {
                Span span = design.song().span(design.song().sections().get(states.size()));
                WetState loud = analysis.borders().of(share);
                states.add(
                        loud == WetState.HIDDEN
                                ? analysis.opens(design, r, span, job).state()
                                : loud);
            }
            all.put(r.id(), states);
        }
        return all;
    }

    /** Returns that no section hears, by their states in each. */
    public static Set<String> hidden(Map<String, List<WetState>> states) {
        return states.entrySet().stream()
                .filter(e -> e.getValue().stream().allMatch(s -> s == WetState.HIDDEN))
                .map(Map.Entry::getKey)
                .collect(Collectors.toSet());
    }

    /** How dense the arrangement of each section is: mean loudness of all that is dry, in sones. */
    public static List<Double> density(CoverAnalysis analysis, Design design) {
        return design.song().sections().stream()
                .map(s -> analysis.drySones(design, design.song().span(s)))
                .toList();
    }

    /** The song with the offsets that hold its field, in place of the levels that it has. */
    public static Song of(CoverAnalysis analysis, Design design, Job job) {
        return new Hold(analysis, design.sources().getFirst(), job).solve(design);
    }

    private Song solve(Design given) {
        Design flat = given.withSong(leveled(given.song(), Map.of()));
        Map<String, List<Double>> fixed = shares(analysis, flat, job);
        Map<String, List<Double>> offsets = new LinkedHashMap<>();
        Design now = flat;
        for (int round = 0; round < ROUNDS; round++) {
            for (Return r : flat.returns()) {
                List<Double> shares = fixed.getOrDefault(r.id(), List.of());
                List<Double> heard = shares.stream().filter(x -> x > HEARD).toList();
                double wanted = heard.isEmpty() ? 0 : Quantile.of(heard, 0.5);
                if (heard.size() > 1 && isHeld(flat, r, wanted)) {
                    offsets.put(r.id(), offsets(now, r, shares, wanted));
                    now = given.withSong(leveled(given.song(), offsets));
                }
            }
            job.report((round + 1) / (double) ROUNDS);
        }
        return now.song();
    }

    /**
     * What nobody hears before and after is left alone, and so is what its loudness says nothing
     * of.
     */
    private boolean isHeld(Design design, Return r, double wanted) {
        Purpose purpose = Purposes.of(design, r);
        return analysis.borders().of(wanted) != WetState.HIDDEN
                && purpose.isHeardByLoudness()
                && !purpose.isLeftAlone();
    }

    private List<Double> offsets(Design now, Return r, List<Double> fixed, double wanted) {
        List<Double> offsets = new ArrayList<>();
        List<Section> sections = now.song().sections();
        for (int i = 0; i < sections.size(); i++) {
            double there = sections.get(i).plan().cell(r.id()).levelDb();
            offsets.add(
                    fixed.get(i) <= HEARD
                            ? 0.0
                            : offset(now, r, there, now.song().span(sections.get(i)), wanted));
        }
        return offsets;
    }

    /** The offset that brings a return to a share; {@code there} is the one that it has already. */
    private double offset(Design now, Return r, double there, Span span, double wanted) {
        double low = -MOST_DB;
        double high = MOST_DB;
        while (high - low > STEP_DB) {
            job.check();
            double middle = (low + high) / 2;
            if (share(now, r, middle - there, span) < wanted) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return Math.rint(10 * (low + high) / 2) / 10;
    }

    private double share(Design design, Return r, double db, Span span) {
        return analysis.louder(
                        new Question(design, any, r.id(), Phrases.at(List.of()), span, false),
                        db,
                        job)
                .cover()
                .wetShare();
    }

    private static Song leveled(Song song, Map<String, List<Double>> offsets) {
        List<Section> sections = new ArrayList<>();
        for (int i = 0; i < song.sections().size(); i++) {
            Section s = song.sections().get(i);
            var plan = s.plan();
            for (var e : offsets.entrySet()) {
                PlanCell cell = plan.cell(e.getKey());
                plan =
                        plan.withCell(
                                e.getKey(),
                                cell.withLevel(e.getValue().get(i))
                                        .withEdge(PlanCell.Edge.FADED)
                                        .withRamp(RAMP_BEATS));
            }
            if (offsets.isEmpty()) {
                for (String id : List.copyOf(plan.cells().keySet())) {
                    plan = plan.withCell(id, plan.cell(id).withLevel(0));
                }
            }
            sections.add(s.withPlan(plan));
        }
        return song.withSections(sections);
    }
}
