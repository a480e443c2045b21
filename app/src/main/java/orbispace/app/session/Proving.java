package orbispace.app.session;

import java.time.Clock;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import orbispace.core.clear.CoverAnalysis;
import orbispace.core.design.Design;
import orbispace.core.material.StemFacts;
import orbispace.core.prove.BlindTrial;
import orbispace.core.prove.FieldFacts;
import orbispace.core.prove.FieldFindings;
import orbispace.core.prove.FieldSurvey;
import orbispace.core.prove.Finding;
import orbispace.core.prove.LogEntry;
import orbispace.core.prove.LogMeasures;
import orbispace.core.prove.Logbook;
import orbispace.core.prove.MonoFold;
import orbispace.core.prove.Remedy;
import orbispace.core.prove.ReturnFacts;
import orbispace.core.prove.Snapshot;
import orbispace.core.prove.Variant;
import orbispace.core.render.Job;
import orbispace.core.render.Renderer;
import orbispace.core.render.Rendering;
import orbispace.files.SheetDifferences;
import org.jspecify.annotations.Nullable;

/** Findings about the design, its snapshots and log, and blind trials. */
public final class Proving {
    /** Stands for the mix among the returns. */
    public static final String MIX = "";

    private static final String JOB = "prove";
    private static final long PAUSE_MILLIS = 400;
    private static final long STAYED_MILLIS = 10_000;
    private static final int MOST_LINES = 20;
    private static final String ACCEPTED = "accepted: ";

    private final Session session;
    private final KeptProject kept;
    private final Clock clock;
    private final ObjectProperty<Logbook> logbook = new SimpleObjectProperty<>(Logbook.EMPTY);
    private final ObjectProperty<@Nullable Proven> proven = new SimpleObjectProperty<>();
    private final ObjectProperty<@Nullable BlindTrial> trial = new SimpleObjectProperty<>();
    private long roundBegan;
    private @Nullable Design logged;
    private LogMeasures loggedMeasures = LogMeasures.NONE;
    private String reason = "";
    private long changes;

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

    Proving(Session session, KeptProject kept, Clock clock) {
        this.session = session;
        this.kept = kept;
        this.clock = clock;
    }

    /** Snapshots and log of the open song. */
    public ReadOnlyObjectProperty<Logbook> logbook() {
        return logbook;
    }

    /** What was found last; null for nothing. */
    public ReadOnlyObjectProperty<@Nullable Proven> proven() {
        return proven;
    }

    /** The trial that runs or has just ended; null for none. */
    public ReadOnlyObjectProperty<@Nullable BlindTrial> trial() {
        return trial;
    }

    /** Another song is open. */
    void begin(Design given) {
        logbook.set(kept.logbook());
        proven.set(null);
        logged = given;
        loggedMeasures = LogMeasures.NONE;
        reason = "";
        endTrial();
    }

    private Design design() {
        return session.design().get();
    }

    /** Notes a change once it has stayed for a while; call after each change. */
    void changed() {
        long change = ++changes;
        session.jobs()
                .quietly(
                        STAYED_MILLIS,
                        () -> {
                            if (change == changes) {
                                log();
                            }
                        });
    }

    /** Notes what has changed since the last time. */
    void log() {
        Design was = logged;
        Design is = design();
        logged = is;
        if (was == null || was.equals(is)) {
            return;
        }
        List<SheetDifferences.Difference> all = SheetDifferences.of(was, is);
        Logbook log = logbook.get();
        for (SheetDifferences.Difference d : all.subList(0, Math.min(MOST_LINES, all.size()))) {
            log =
                    log.with(
                            new LogEntry(
                                    clock.instant().truncatedTo(ChronoUnit.SECONDS),
                                    (d.subject() + " " + d.label()).strip(),
                                    d.from(),
                                    d.to(),
                                    reason,
                                    loggedMeasures,
                                    measures()));
        }
        reason = "";
        loggedMeasures = measures();
        if (!all.isEmpty()) {
            keep(log);
        }
    }

    /** Looks for findings in the background, if the design is not the one last looked at. */
    public void measure() {
        Proven known = proven.get();
        boolean current = known != null && known.design().equals(design());
        if (current || session.jobs().awaits(JOB) || session.measured().analysis().isEmpty()) {
            return;
        }
        session.jobs().after(JOB, PAUSE_MILLIS, this::start);
    }

    private void start() {
        Design now = design();
        Optional<CoverAnalysis> analysis = session.measured().analysis();
        Optional<Renderer> renderer = session.measured().renderer();
        if (analysis.isEmpty() || renderer.isEmpty()) {
            return;
        }
        Map<String, StemFacts> stems = new HashMap<>();
        session.measured().materials().forEach((id, m) -> stems.put(id, m.facts()));
        var conflicts = session.throwing().conflicts();
        var pairs = session.measured().survey().pairs();
        session.jobs()
                .start(
                        JOB,
                        "Looking for findings",
                        job -> {
                            Map<String, ReturnFacts> returns =
                                    new FieldSurvey(analysis.get(), renderer.get())
                                            .measure(now, stems, job);
                            FieldFacts facts =
                                    new FieldFacts(now, stems, returns, pairs, conflicts);
                            return new Proven(
                                    now,
                                    FieldFindings.of(facts),
                                    returns,
                                    folds(renderer.get().render(now, job), job));
                        },
                        proven::set,
                        session::failed);
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
        logbook.get()
                .snapshots()
                .forEach(s -> all.add(new ComparedPair.Named(s.name(), s.design())));
        List<Variant> variants = new ArrayList<>(Variant.without(design()));
        variants.addAll(Variant.with(design(), open()));
        variants.forEach(v -> all.add(new ComparedPair.Named(v.label(), v.design())));
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

    private static String mark(Finding f) {
        return ACCEPTED + f.rule() + (f.subject().isEmpty() ? "" : " of " + f.subject());
    }

    /** Why a finding was accepted; empty if it was not. */
    public Optional<String> reason(Finding f) {
        String mark = mark(f);
        return logbook.get().entries().reversed().stream()
                .filter(e -> e.what().equals(mark))
                .map(LogEntry::why)
                .findFirst();
    }

    /** Accepts a finding and keeps the reason in the log. */
    public void accept(Finding f, String why) {
        keep(
                logbook.get()
                        .with(
                                new LogEntry(
                                        clock.instant().truncatedTo(ChronoUnit.SECONDS),
                                        mark(f),
                                        f.evidence(),
                                        "",
                                        why.isBlank() ? "no reason given" : why.strip(),
                                        measures(),
                                        LogMeasures.NONE)));
    }

    /** Presses a remedy; the finding goes to the log as its reason. */
    public void apply(Finding f, Remedy remedy) {
        if (session.edit(remedy.edit())) {
            reason = remedy.label() + ": " + f.evidence();
        }
    }

    /** Writes a note into the log. */
    public void note(String text) {
        if (!text.isBlank()) {
            keep(
                    logbook.get()
                            .with(
                                    LogEntry.note(
                                            clock.instant().truncatedTo(ChronoUnit.SECONDS),
                                            text.strip())));
        }
    }

    private LogMeasures measures() {
        MixMeasure mix = session.measured().mix().get();
        return mix == null
                ? LogMeasures.NONE
                : new LogMeasures(
                        mix.after().integratedLufs(),
                        mix.after().truePeakDbtp(),
                        OptionalDouble.empty());
    }

    /** Freezes the design under a name. */
    public void snapshot(String name) {
        try {
            keep(
                    logbook.get()
                            .with(
                                    new Snapshot(
                                            name,
                                            "",
                                            clock.instant().truncatedTo(ChronoUnit.SECONDS),
                                            design(),
                                            measures())));
            session.problem().set("");
        } catch (IllegalArgumentException e) {
            session.problem().set(String.valueOf(e.getMessage()));
        }
    }

    /** A name that no snapshot has. */
    public String freshName() {
        int n = logbook.get().snapshots().size() + 1;
        while (logbook.get().find("Snapshot " + n).isPresent()) {
            n++;
        }
        return "Snapshot " + n;
    }

    /** Compares the design with a snapshot from now on. */
    public void compareWith(Snapshot snapshot) {
        session.pair().first(new ComparedPair.Named(snapshot.name(), snapshot.design()));
    }

    /** What differs between a snapshot and the design. */
    public List<SheetDifferences.Difference> differences(Snapshot snapshot) {
        return SheetDifferences.of(snapshot.design(), design());
    }

    /** Brings a snapshot back, as a step that can be undone. */
    public void restore(Snapshot snapshot) {
        session.replace(snapshot.design(), "snapshot \"" + snapshot.name() + "\"");
    }

    /** Takes a snapshot away for good. */
    public void forget(Snapshot snapshot) {
        keep(logbook.get().without(snapshot.name()));
    }

    private void keep(Logbook log) {
        logbook.set(log);
        kept.keepLog(log);
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
            session.transport().blind().set(now.hiddenIsA());
        }
    }

    /** Lets A, the field before, or B be heard in the open. */
    public void hear(boolean a) {
        BlindTrial now = trial.get();
        if (now != null && !now.finished()) {
            boolean first = now.kind() == BlindTrial.Kind.WHICH ? a : a == now.hiddenIsA();
            session.transport().blind().set(first);
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
                            session.transport().blind().set(null);
                            note("Blind trial, " + now.kind().label() + ": " + r.words());
                        },
                        this::hearX);
        trial.set(null);
        trial.set(now);
    }

    /** Ends a trial; one that is not finished tells nothing. */
    public void endTrial() {
        trial.set(null);
        session.transport().blind().set(null);
    }

    /** Entries of the log that hold a text, the newest first. */
    public List<LogEntry> search(String text) {
        return new ArrayList<>(logbook.get().search(text));
    }
}
