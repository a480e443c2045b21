package orbispace.app.desk;

import java.time.Clock;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Stream;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import orbispace.app.listen.Ears;
import orbispace.app.listen.Transport;
import orbispace.app.measuring.Measurements;
import orbispace.app.session.ComparedPair;
import orbispace.app.session.Editor;
import orbispace.app.session.Jobs;
import orbispace.app.session.LogKeeping;
import orbispace.app.session.OfSong;
import orbispace.app.song.MixMeasure;
import orbispace.core.clear.CoverAnalysis;
import orbispace.core.design.Design;
import orbispace.core.material.StemFacts;
import orbispace.core.measure.MonoFold;
import orbispace.core.prove.Finding;
import orbispace.core.prove.FindingLine;
import orbispace.core.prove.Remedy;
import orbispace.core.prove.compare.BlindTrial;
import orbispace.core.prove.compare.Variant;
import orbispace.core.prove.log.Snapshot;
import orbispace.core.prove.rule.FieldFacts;
import orbispace.core.prove.rule.FieldFindings;
import orbispace.core.prove.rule.FieldSurvey;
import orbispace.core.prove.rule.ReturnFacts;
import orbispace.core.render.Job;
import orbispace.core.render.Renderer;
import orbispace.core.render.Rendering;
import org.jspecify.annotations.Nullable;

/** Findings about the design, and blind trials. */
public final class Proving implements OfSong {
    /** Stands for the mix among the returns. */
    public static final String MIX = "";

    private static final String JOB = "prove";
    private static final long PAUSE_MILLIS = 400;

    private final Editor editor;
    private final Jobs jobs;
    private final Measurements measured;
    private final Throwing throwing;
    private final ComparedPair pair;
    private final Transport transport;
    private final LogKeeping log;
    private final Ears ears;
    private final Clock clock;
    private final ObjectProperty<@Nullable Proven> proven = new SimpleObjectProperty<>();
    private final ObjectProperty<@Nullable BlindTrial> trial = new SimpleObjectProperty<>();
    private long roundBegan;

    /**
     * What was found in a design.
     *
     * @param design the design
     * @param findings all of them
     * @param returns what was measured of each return
     * @param folds what folding to mono costs each return by its letter, and the mix as {@link
     *     #MIX}
     */
    public record Proven(
            Design design,
            List<Finding> findings,
            Map<String, ReturnFacts> returns,
            Map<String, MonoFold> folds) {}

    /** Proves the field of a song. */
    Proving(OpenSong song, Throwing throwing, Clock clock) {
        editor = song.editor();
        jobs = song.jobs();
        measured = song.measured();
        pair = song.pair();
        transport = song.transport();
        log = song.log();
        ears = song.ears();
        this.throwing = throwing;
        this.clock = clock;
    }

    /** What was found last; null for nothing. */
    public ReadOnlyObjectProperty<@Nullable Proven> proven() {
        return proven;
    }

    /** The trial that runs or has just ended; null for none. */
    public ReadOnlyObjectProperty<@Nullable BlindTrial> trial() {
        return trial;
    }

    @Override
    public void begin(Design given) {
        proven.set(null);
        endTrial();
    }

    private Design design() {
        return editor.now();
    }

    /** Looks for findings in the background, if the design is not the one last looked at. */
    public void measure() {
        Proven known = proven.get();
        boolean current = known != null && known.design().equals(design());
        if (current || jobs.awaits(JOB) || measured.analysis().isEmpty()) {
            return;
        }
        jobs.after(JOB, PAUSE_MILLIS, this::start);
    }

    private void start() {
        Optional<CoverAnalysis> analysis = measured.analysis();
        Optional<Renderer> renderer = measured.renderer();
        if (analysis.isEmpty() || renderer.isEmpty()) {
            return;
        }
        Map<String, StemFacts> stems = new HashMap<>();
        measured.materials().forEach((id, m) -> stems.put(id, m.facts()));
        var conflicts = throwing.courses().conflicts();
        var pairs = measured.survey().pairs();
        jobs.start(
                JOB,
                "Looking for findings",
                (job, now) -> {
                    Map<String, ReturnFacts> returns =
                            new FieldSurvey(analysis.get(), renderer.get())
                                    .measure(now, stems, job);
                    FieldFacts facts = new FieldFacts(now, stems, returns, pairs, conflicts);
                    return new Proven(
                            now,
                            FieldFindings.of(facts),
                            returns,
                            folds(renderer.get().render(now, job), job));
                },
                (found, now) -> proven.set(found));
    }

    private static Map<String, MonoFold> folds(Rendering rendering, Job job) {
        Map<String, MonoFold> folds = new HashMap<>();
        folds.put(MIX, MonoFold.of(rendering.mix()));
        rendering
                .wets()
                .forEach((id, wet) -> {
                    job.check();
                    folds.put(id, MonoFold.of(wet));
                });
        return folds;
    }

    /** What can be heard against the field: snapshots, what it is without, and with remedies. */
    public List<ComparedPair.Named> comparable() {
        List<ComparedPair.Named> all = new ArrayList<>();
        all.add(new ComparedPair.Named("Dry alone", MixMeasure.dry(design())));
        for (Snapshot s : log.book().get().snapshots()) {
            all.add(new ComparedPair.Named(s.name(), s.design()));
        }
        Stream.of(Variant.without(design()), Variant.with(design(), open()))
                .flatMap(List::stream)
                .forEach(v -> all.add(new ComparedPair.Named(v.label(), v.design())));
        return all;
    }

    /** Findings of the design that were not accepted. */
    public List<Finding> open() {
        Proven known = proven.get();
        return known == null
                ? List.of()
                : known.findings().stream().filter(f -> reason(f).isEmpty()).toList();
    }

    /** Findings that were accepted. */
    public List<Finding> accepted() {
        Proven known = proven.get();
        return known == null
                ? List.of()
                : known.findings().stream().filter(f -> reason(f).isPresent()).toList();
    }

    /** Presses the first remedy of all findings of a line. */
    public void settle(FindingLine line, String title) {
        editor.edit(line.edit(title), title);
    }

    private static String mark(Finding f) {
        return f.rule() + (f.subject().isEmpty() ? "" : " of " + f.subject());
    }

    /** Why a finding was accepted; empty if it was not. */
    public Optional<String> reason(Finding f) {
        return log.accepted(mark(f));
    }

    /** Accepts a finding and keeps the reason in the log. */
    public void accept(Finding f, String why) {
        log.accept(mark(f), f.evidence(), why + remark("what was accepted of " + mark(f)));
    }

    /** Presses a remedy; the finding goes to the log as its reason. */
    public void apply(Finding f, Remedy remedy) {
        editor.edit(remedy.edit(), remedy.label() + ": " + f.evidence());
    }

    /** Begins a trial between the field before and now, and lets X be heard. */
    public void beginTrial(BlindTrial.Kind kind, int rounds) {
        trial.set(new BlindTrial(kind, rounds, new Random()));
        roundBegan = clock.millis();
        hearX();
    }

    /** Lets X be heard: A is the field before, B the field now. */
    public void hearX() {
        BlindTrial now = trial.get();
        if (now != null && !now.finished()) {
            transport.blind().set(now.hiddenIsA());
        }
    }

    /** Lets A, the field before, or B be heard in the open. */
    public void hear(boolean a) {
        BlindTrial now = trial.get();
        if (now != null && !now.finished()) {
            boolean first = now.kind() == BlindTrial.Kind.WHICH ? a : a == now.hiddenIsA();
            transport.blind().set(first);
        }
    }

    /**
     * Answers the round at hand; after the last one the result goes to the log.
     *
     * @param first whether A, or for a preference the first of the two, was answered
     */
    public void answer(boolean first) {
        BlindTrial now = trial.get();
        if (now == null || now.finished()) {
            return;
        }
        boolean saidA = now.kind() == BlindTrial.Kind.WHICH ? first : first == now.hiddenIsA();
        now.answer(saidA, (clock.millis() - roundBegan) / 1000.0);
        roundBegan = clock.millis();
        now.result()
                .ifPresentOrElse(
                        r -> {
                            transport.blind().set(null);
                            String said =
                                    "Blind trial, "
                                            + now.kind().label()
                                            + ", A "
                                            + pair.firstName()
                                            + ", B "
                                            + pair.otherName()
                                            + ": "
                                            + r.words();
                            log.note(
                                    said
                                            + " Hidden/said and seconds: "
                                            + r.course()
                                            + remark("the blind trial"));
                        },
                        this::hearX);
        trial.set(null);
        trial.set(now);
    }

    /** What is to be said of something judged now: that it was late, if it was. */
    private String remark(String what) {
        return ears.judged(what).map(r -> " (" + r + ")").orElse("");
    }

    /** What is compared has changed: a trial that is not finished would prove nothing. */
    void pairChanged() {
        BlindTrial now = trial.get();
        if (now != null && !now.finished()) {
            endTrial();
            editor.problem().set("The blind trial has ended: one of the two fields was changed.");
        }
    }

    /** Ends a trial; one that is not finished tells nothing. */
    public void endTrial() {
        trial.set(null);
        transport.blind().set(null);
    }
}
