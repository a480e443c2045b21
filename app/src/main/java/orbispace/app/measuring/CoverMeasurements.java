package orbispace.app.measuring;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.concurrent.CancellationException;
import java.util.function.Consumer;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import orbispace.app.session.Jobs;
import orbispace.app.song.Clearance;
import orbispace.core.clear.CoverAnalysis;
import orbispace.core.clear.DuckCourse;
import orbispace.core.clear.PairView;
import orbispace.core.clear.Proposal;
import orbispace.core.clear.Question;
import orbispace.core.clear.RemedyFinder;
import orbispace.core.clear.ReturnCost;
import orbispace.core.clear.ShortCopy;
import orbispace.core.clear.SongCourse;
import orbispace.core.design.Design;
import orbispace.core.design.HearingLevel;
import orbispace.core.design.Return;
import orbispace.core.design.Setting;
import orbispace.core.design.Source;
import orbispace.core.design.Targets;
import orbispace.core.measure.Widening;
import orbispace.core.render.Job;
import orbispace.core.render.Renderer;
import orbispace.core.time.Span;
import org.jspecify.annotations.Nullable;

/**
 * What the returns cover, as it is measured in the background: first the section that is looked at,
 * rendered alone, then remedies for it, then the whole song bar by bar.
 */
final class CoverMeasurements {
    private final Jobs jobs;
    private final Consumer<Exception> failed;
    private final ObjectProperty<@Nullable Clearance> clearance = new SimpleObjectProperty<>();
    private @Nullable CoverAnalysis whole;
    private @Nullable SectionWindow window;
    private HearingLevel heardAt = HearingLevel.USUAL;
    private OptionalDouble listeningLufs = OptionalDouble.empty();
    private boolean estimated;

    /** What is to be measured. */
    private record Task(
            Question question,
            Design before,
            double songSeconds,
            Optional<Set<Setting>> barred,
            Map<String, Targets> asked) {}

    CoverMeasurements(Jobs jobs, Consumer<Exception> failed) {
        this.jobs = jobs;
        this.failed = failed;
    }

    ReadOnlyObjectProperty<@Nullable Clearance> clearance() {
        return clearance;
    }

    /** Forgets a song. */
    void begin() {
        listeningLufs = OptionalDouble.empty();
        estimated = false;
        renew();
    }

    /** Forgets what was measured of the same song's sound. */
    synchronized void renew() {
        clearance.set(null);
        whole = null;
        window = null;
    }

    /** The analysis of the whole song, once the first mix is measured. */
    Optional<CoverAnalysis> analysis() {
        return Optional.ofNullable(whole);
    }

    /** Makes the analysis of a song whose mix is not measured yet. */
    synchronized void estimate(Renderer renderer, Design design, OptionalDouble lufs) {
        estimated = true;
        heardAt(renderer, design, lufs);
    }

    /**
     * Makes the analysis of a song whose mix was measured, if there is none. The listening level is
     * frozen with the first mix, so that a fader does not shift the scale; until then it is an
     * estimate.
     *
     * @return whether what was measured at an estimate has to be measured again
     */
    synchronized boolean open(Renderer renderer, Design design, OptionalDouble mixLufs) {
        boolean again = estimated;
        if (estimated) {
            estimated = false;
            listeningLufs = OptionalDouble.empty();
            whole = null;
        }
        heardAt(renderer, design, mixLufs);
        return again;
    }

    private void heardAt(Renderer renderer, Design design, OptionalDouble mixLufs) {
        HearingLevel wanted = design.aims().hearing();
        if (whole == null || !wanted.equals(heardAt)) {
            double lufs = listeningLufs.orElse(mixLufs.orElse(-20));
            listeningLufs = OptionalDouble.of(lufs);
            heardAt = wanted;
            whole = new CoverAnalysis(renderer, lufs, wanted);
            window = null;
        }
    }

    /** Whether the section can be measured before the mix is. */
    boolean isOpen(Design design) {
        return whole != null && design.aims().hearing().equals(heardAt);
    }

    /** Whether the whole mix is known that is heard at the listening level. */
    private synchronized boolean isEstimated() {
        return estimated;
    }

    /**
     * The analysis for a stretch: of a window around it, if that saves anything. Making a window
     * copies sound, so this is asked in the background.
     */
    private synchronized Optional<CoverAnalysis> analysis(
            Renderer renderer, Design design, Span span) {
        CoverAnalysis all = whole;
        if (all == null) {
            return Optional.empty();
        }
        SectionWindow now = SectionWindow.of(window, all, renderer, design, span);
        window = now;
        return Optional.of(now.analysis());
    }

    /** The same for a job, which ends if the song's sound was forgotten meanwhile. */
    CoverAnalysis wanted(Renderer renderer, Design design, Span span) {
        return analysis(renderer, design, span)
                .orElseThrow(() -> new CancellationException("no longer wanted"));
    }

    /** Measures the section, and then goes on with something. */
    void measureSection(
            Renderer renderer,
            Design design,
            Span span,
            Optional<Set<Setting>> barred,
            Judged judging,
            Runnable then) {
        Optional<Source> judged = judging.source();
        if (judged.isEmpty() || whole == null || !judging.isMeasured(judged.get())) {
            then.run();
            return;
        }
        Task task = task(renderer, design, judged.get(), span, barred, judging);
        jobs.start(
                "clear",
                "Measuring the section",
                (job, d) -> section(wanted(renderer, design, span), task, job),
                (found, d) -> {
                    clearance.set(found);
                    then.run();
                },
                failed);
    }

    private Task task(
            Renderer renderer,
            Design design,
            Source judged,
            Span span,
            Optional<Set<Setting>> barred,
            Judged judging) {
        Map<String, Targets> asked = new HashMap<>();
        design.returns().forEach(r -> judging.targets(r.id()).ifPresent(t -> asked.put(r.id(), t)));
        return new Task(
                new Question(design, judged, "", judging.phrases(), span, false),
                judging.before(),
                renderer.frames() / design.song().sampleRateHz(),
                barred,
                asked);
    }

    private Clearance section(CoverAnalysis cover, Task task, Job job) {
        Question q = task.question;
        Design design = q.design();
        Map<String, PairView> pairs = new LinkedHashMap<>();
        Map<String, Widening> opens = new LinkedHashMap<>();
        Map<String, DuckCourse> ducks = new LinkedHashMap<>();
        Map<String, ShortCopy> copies = new LinkedHashMap<>();
        for (Return r : design.returns()) {
            pairs.put(
                    r.id(), cover.pair(design, q.source(), r, q.phrases().spans(), q.span(), job));
            opens.put(r.id(), cover.opens(design, r, q.span(), job));
            DuckCourse.of(cover, q.about(r.id())).ifPresent(x -> ducks.put(r.id(), x));
            cover.shortCopy(design, q.source(), r).ifPresent(x -> copies.put(r.id(), x));
            job.report(pairs.size() / (double) design.returns().size());
        }
        return new Clearance(
                design,
                q.source(),
                q.span(),
                pairs,
                opens,
                before(cover, task, pairs, job),
                Map.of(),
                SongCourse.NONE,
                List.of(),
                copies,
                ducks,
                isEstimated());
    }

    /** Pairs of the field before that were others; what is heard less or more is seen beside it. */
    private static Map<String, PairView> before(
            CoverAnalysis cover, Task task, Map<String, PairView> now, Job job) {
        Map<String, PairView> before = new LinkedHashMap<>();
        Question q = task.question;
        Design was = task.before;
        if (was.equals(q.design()) || was.findSource(q.source().id()).isEmpty()) {
            return before;
        }
        for (Return r : was.returns()) {
            boolean same = q.design().findReturn(r.id()).equals(Optional.of(r));
            if (!same && now.containsKey(r.id())) {
                before.put(
                        r.id(), cover.pair(was, q.source(), r, q.phrases().spans(), q.span(), job));
            }
        }
        return before;
    }

    /** Looks for remedies and measures the whole song, if remedies are wanted. */
    void measureRemedies(
            Renderer renderer,
            Design design,
            Span span,
            Optional<Set<Setting>> barred,
            Judged judging) {
        Clearance found = clearance.get();
        CoverAnalysis all = whole;
        if (found == null || all == null || barred.isEmpty() || !found.isOf(design, span)) {
            return;
        }
        Task task = task(renderer, design, found.source(), span, barred, judging);
        jobs.start(
                "remedies",
                "Looking for remedies",
                (job, d) -> {
                    Clearance with =
                            found.withProposals(
                                    proposals(wanted(renderer, design, span), task, job));
                    jobs.later(job, () -> clearance.set(with));
                    Question q = task.question;
                    SongCourse course =
                            all.course(
                                    design, q.source(), q.phrases().spans(), task.songSeconds, job);
                    List<ReturnCost> costs = all.costs(design, job);
                    return with.withSong(course, costs);
                },
                (with, d) -> clearance.set(with),
                failed);
    }

    private static Map<String, List<Proposal>> proposals(CoverAnalysis cover, Task task, Job job) {
        Map<String, List<Proposal>> proposals = new LinkedHashMap<>();
        List<Return> returns = task.question.design().returns();
        for (Return r : returns) {
            RemedyFinder finder =
                    new RemedyFinder(
                            cover,
                            task.asked.getOrDefault(r.id(), Targets.LEAD),
                            task.barred.orElse(Set.of()));
            proposals.put(r.id(), finder.propose(task.question.about(r.id()), job));
            job.report(proposals.size() / (double) (returns.size() + 1));
        }
        return proposals;
    }
}
