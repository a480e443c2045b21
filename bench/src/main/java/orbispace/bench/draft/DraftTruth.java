package orbispace.bench.draft;

import java.io.PrintStream;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import orbispace.bench.truth.Sounds;
import orbispace.core.audio.Audio;
import orbispace.core.clear.CoverAnalysis;
import orbispace.core.clear.ListeningLevel;
import orbispace.core.design.Design;
import orbispace.core.design.Leads;
import orbispace.core.design.Role;
import orbispace.core.design.Source;
import orbispace.core.draft.School;
import orbispace.core.hearing.Cover;
import orbispace.core.hearing.Ear;
import orbispace.core.hearing.WetState;
import orbispace.core.intake.StemName;
import orbispace.core.material.Silhouette;
import orbispace.core.material.StemFacts;
import orbispace.core.material.kit.KitFinder;
import orbispace.core.prove.Finding;
import orbispace.core.prove.Severity;
import orbispace.core.prove.court.BestDraft;
import orbispace.core.prove.court.Court;
import orbispace.core.prove.court.Passed;
import orbispace.core.prove.court.Verdict;
import orbispace.core.prove.rule.FieldFacts;
import orbispace.core.prove.rule.FieldFindings;
import orbispace.core.prove.rule.FieldSurvey;
import orbispace.core.prove.rule.ReturnFacts;
import orbispace.core.prove.stem.KitFound;
import orbispace.core.render.Job;
import orbispace.core.render.Renderer;
import orbispace.core.render.SongMaterial;
import orbispace.core.render.StageCache;
import orbispace.core.time.Span;

/**
 * Drafts made songs in every school and counts what is left to be said of the drafts: findings,
 * states that were asked and not reached, how much of the lead is kept, how the wet lies between
 * the sides, and how many presses of remedies would still change something.
 */
public final class DraftTruth {
    private static final long CACHE_BYTES = 1L << 29;

    private DraftTruth() {}

    /**
     * Prints the table.
     *
     * @param arguments how many seeds per arrangement, such as {@code 10}, and then words of which
     *     a song's arrangement has to hold one; none for all
     */
    public static void main(String[] arguments) {
        int seeds = arguments.length > 0 ? Integer.parseInt(arguments[0]) : 10;
        boolean tells = arguments.length > 1;
        Map<School, Count> schools = new EnumMap<>(School.class);
        Map<String, Integer> best = new TreeMap<>();
        for (MadeSong.Arrangement arrangement : MadeSong.Arrangement.values()) {
            if (tells && !arrangement.title().contains(arguments[1])) {
                continue;
            }
            for (int seed = 0; seed < seeds; seed++) {
                List<Judged> drafts = drafts(MadeSong.of(arrangement, seed));
                for (Judged p : drafts) {
                    schools.computeIfAbsent(p.passed.school().orElseThrow(), s -> new Count())
                            .add(p);
                    if (tells) {
                        tell(arrangement, seed, p, System.out);
                    }
                }
                BestDraft.of(drafts.stream().map(Judged::passed).toList())
                        .ifPresent(b ->
                                best.merge(
                                        arrangement.title() + ": " + b.passed().draft().name(),
                                        1,
                                        Integer::sum));
            }
        }
        print(schools, best, System.out);
    }

    /** A draft, and what is measured of it anew by the ear at its full rate. */
    private record Judged(
            Passed passed,
            List<Finding> left,
            Map<String, WetState> states,
            double presence,
            double worst) {}

    private static List<Judged> drafts(MadeSong song) {
        Design design = song.design();
        Map<String, Audio> audio = song.audio();
        Map<String, StemFacts> stems = facts(design, audio);
        Renderer renderer = renderer(new SongMaterial(audio, Sounds.RATE));
        double lufs = ListeningLevel.estimate(renderer, design, Job.QUIET).orElse(-20);
        CoverAnalysis analysis = new CoverAnalysis(renderer, lufs, Ear.QUIET_ROOM_POWER);
        List<Judged> judged = new ArrayList<>();
        for (Passed p : new Court(design, analysis, renderer, stems, Job.QUIET).all(1)) {
            judged.add(judged(p, analysis, renderer, stems));
        }
        return judged;
    }

    private static Judged judged(
            Passed p, CoverAnalysis analysis, Renderer renderer, Map<String, StemFacts> stems) {
        Design design = p.design();
        Map<String, ReturnFacts> facts =
                new FieldSurvey(analysis, renderer).measure(design, stems, Job.QUIET);
        List<Finding> left =
                FieldFindings.of(new FieldFacts(design, stems, facts, List.of(), List.of()))
                        .stream()
                        .filter(f -> design.findReturn(f.subject()).isPresent())
                        .toList();
        Map<String, WetState> states = new TreeMap<>();
        facts.forEach((id, f) -> states.put(id, WetState.of(f.wetShare().orElse(0))));
        double presence = 1;
        double worst = 1;
        Span whole = new Span(0, renderer.frames() / Sounds.RATE);
        for (Leads.Led led : Leads.all(design)) {
            List<Span> sung =
                    Optional.ofNullable(stems.get(led.source().id()))
                            .flatMap(StemFacts::phrases)
                            .map(f -> led.within(f.spans()))
                            .orElse(List.of());
            Cover cover = analysis.field(design, led.source(), sung, whole, Job.QUIET).cover();
            presence = Math.min(presence, cover.presenceKept().orElse(1));
            worst = Math.min(worst, cover.worstPhrase().orElse(1));
        }
        return new Judged(p, left, states, presence, worst);
    }

    private static Renderer renderer(SongMaterial material) {
        return new Renderer(material, material.frames(), new StageCache(CACHE_BYTES));
    }

    private static Map<String, StemFacts> facts(Design design, Map<String, Audio> audio) {
        Map<String, StemFacts> stems = new HashMap<>();
        design.sources().parallelStream()
                .forEach(s -> {
                    Audio sound = java.util.Objects.requireNonNull(audio.get(s.id()));
                    boolean hits = s.role() == Role.HITS;
                    StemFacts found =
                            StemFacts.measure(
                                    sound,
                                    Silhouette.of(sound),
                                    new StemFacts.Wanted(!hits && s.role() != Role.BASS, hits));
                    synchronized (stems) {
                        stems.put(s.id(), found);
                    }
                });
        List<Source> kit = design.sources().stream().filter(s -> s.group().equals("Kit")).toList();
        if (kit.size() > 1) {
            KitFound found =
                    new KitFound(
                            kit.stream().map(Source::id).toList(),
                            KitFinder.find(
                                    kit.stream()
                                            .map(s ->
                                                    java.util.Objects.requireNonNull(
                                                            audio.get(s.id())))
                                            .toList(),
                                    kit.stream().map(s -> StemName.of(s.name()).drum()).toList()));
            stems.replaceAll(found::facts);
        }
        return stems;
    }

    /** What came of the drafts of a school. */
    private static final class Count {
        private int drafts;
        private int act;
        private int weigh;
        private int returns;
        private int reached;
        private int unsaid;
        private double worst = 1;
        private int covered;
        private int presses;
        private double lean;
        private double presence = 1;
        private int leftOut;
        private final Map<String, Integer> rules = new TreeMap<>();

        void add(Judged j) {
            drafts++;
            for (Finding f : j.left) {
                if (f.severity() != Severity.KNOW) {
                    act += f.severity() == Severity.ACT ? 1 : 0;
                    weigh += f.severity() == Severity.WEIGH ? 1 : 0;
                    rules.merge(f.rule(), 1, Integer::sum);
                    presses += f.remedies().isEmpty() ? 0 : 1;
                }
            }
            leftOut += j.passed.leftOut();
            for (Verdict v : j.passed.verdicts()) {
                returns++;
                boolean as = j.states.get(v.ret().id()) == v.asked();
                reached += as ? 1 : 0;
                unsaid += as || v.why().contains(", not ") ? 0 : 1;
            }
            worst = Math.min(worst, j.worst);
            presence = Math.min(presence, j.presence);
            covered += j.presence >= 0.85 && j.worst >= 0.80 ? 0 : 1;
            lean = Math.max(lean, j.passed.leanDb());
        }
    }

    private static void tell(
            MadeSong.Arrangement arrangement, int seed, Judged j, PrintStream out) {
        Passed p = j.passed;
        out.printf(
                Locale.ROOT,
                "%s %d %s: presence %.1f worst %.1f%n",
                arrangement.title(),
                seed,
                p.draft().name(),
                100 * j.presence,
                100 * j.worst);
        out.println("   " + p.draft().idea());
        p.verdicts()
                .forEach(v ->
                        out.println("   " + v.ret().id() + " " + v.ret().name() + " " + v.why()));
        j.left.forEach(f ->
                out.println(
                        "   "
                                + f.severity()
                                + " "
                                + f.rule()
                                + " "
                                + f.subject()
                                + ": "
                                + f.evidence()));
    }

    private static void print(
            Map<School, Count> schools, Map<String, Integer> best, PrintStream out) {
        out.println(
                "| School | Drafts | Act | Weigh | States reached | Not reached, reason not said |"
                        + " Left out, reason said | Least presence | Worst phrase | Lead covered |"
                        + " Leans by at most | Presses left |");
        out.println("| --- | --- | --- | --- | --- | --- | --- | --- | --- | --- | --- | --- |");
        schools.forEach((school, c) ->
                out.printf(
                        Locale.ROOT,
                        "| %s | %d | %d | %d | %d of %d | %d | %d | %.1f %% | %.1f %% | %d | %.1f"
                                + " dB | %d |%n",
                        school.title(),
                        c.drafts,
                        c.act,
                        c.weigh,
                        c.reached,
                        c.returns,
                        c.unsaid,
                        c.leftOut,
                        100 * c.presence,
                        100 * c.worst,
                        c.covered,
                        c.lean,
                        c.presses));
        schools.forEach((school, c) -> out.println(school.label() + ": " + c.rules));
        best.forEach((what, count) -> out.println("Best for " + what + ", " + count));
    }
}
