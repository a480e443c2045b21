package orbispace.app.session;

import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import orbispace.app.song.MixMeasure;
import orbispace.core.design.Design;
import orbispace.core.prove.log.LogEntry;
import orbispace.core.prove.log.LogMeasures;
import orbispace.core.prove.log.Logbook;
import orbispace.core.prove.log.Snapshot;
import orbispace.files.sheet.SheetDifferences;
import org.jspecify.annotations.Nullable;

/** Keeps the log of the open song: changes that stay, with their reasons, notes, and snapshots. */
public final class LogKeeping implements OfSong {
    private static final long STAYED_MILLIS = 10_000;
    private static final int MOST_LINES = 20;

    private final Editor editor;
    private final Jobs jobs;
    private final ReadOnlyObjectProperty<@Nullable MixMeasure> mix;
    private final ComparedPair pair;
    private final Function<String, Optional<String>> judgedLate;
    private final KeptProject kept;
    private final Clock clock;
    private final ObjectProperty<Logbook> logbook = new SimpleObjectProperty<>(Logbook.EMPTY);
    private @Nullable Design logged;
    private LogMeasures loggedMeasures = LogMeasures.NONE;
    private String reason = "";
    private long changes;

    /**
     * The log of a song.
     *
     * @param mix the mix as it was measured last
     * @param judgedLate told what is judged by ear; answers with a remark if that was late
     */
    public LogKeeping(
            Editor editor,
            Jobs jobs,
            KeptProject kept,
            ComparedPair pair,
            ReadOnlyObjectProperty<@Nullable MixMeasure> mix,
            Function<String, Optional<String>> judgedLate,
            Clock clock) {
        this.editor = editor;
        this.jobs = jobs;
        this.kept = kept;
        this.pair = pair;
        this.mix = mix;
        this.judgedLate = judgedLate;
        this.clock = clock;
    }

    /** Snapshots and log of the open song. */
    public ReadOnlyObjectProperty<Logbook> book() {
        return logbook;
    }

    @Override
    public void begin(Design given) {
        logbook.set(kept.logbook());
        logged = given;
        loggedMeasures = LogMeasures.NONE;
        reason = "";
        changes++;
    }

    private Design design() {
        return editor.now();
    }

    private Instant now() {
        return clock.instant().truncatedTo(ChronoUnit.SECONDS);
    }

    /** Notes a change once it has stayed for a while; call after each change. */
    public void changed() {
        long change = ++changes;
        jobs.quietly(
                STAYED_MILLIS,
                () -> {
                    if (change == changes) {
                        log();
                    }
                });
    }

    /** Notes what has changed since the last time. */
    public void log() {
        Design was = logged;
        Design is = design();
        logged = is;
        if (was == null || was.equals(is)) {
            reason = "";
            return;
        }
        List<SheetDifferences.Difference> all = SheetDifferences.of(was, is);
        Logbook log = logbook.get();
        for (SheetDifferences.Difference d : all.subList(0, Math.min(MOST_LINES, all.size()))) {
            log =
                    log.with(
                            new LogEntry(
                                    now(),
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

    /** Why the change that was just made was made; it is noted apart from what follows. */
    public void because(String why) {
        reason = why;
    }

    /** Notes a change that has a reason of its own before another is made. */
    public void tellReason() {
        if (!reason.isEmpty()) {
            log();
        }
    }

    /** Why a finding was accepted; empty if it was not. */
    public Optional<String> accepted(String finding) {
        return logbook.get().entries().reversed().stream()
                .filter(e -> e.accepted().equals(Optional.of(finding)))
                .map(LogEntry::why)
                .findFirst();
    }

    /** Notes that a finding is accepted, and why. */
    public void accept(String finding, String evidence, String why) {
        String said = why.isBlank() ? "no reason given" : why.strip();
        LogEntry entry =
                new LogEntry(
                        now(),
                        LogEntry.ACCEPTED + finding,
                        evidence,
                        "",
                        said,
                        measures(),
                        LogMeasures.NONE);
        keep(logbook.get().with(entry));
    }

    /** Writes a note into the log. */
    public void note(String text) {
        if (!text.isBlank()) {
            keep(logbook.get().with(LogEntry.note(now(), text.strip())));
        }
    }

    private LogMeasures measures() {
        MixMeasure known = mix.get();
        return known == null || !known.design().equals(design())
                ? LogMeasures.NONE
                : new LogMeasures(
                        known.after().integratedLufs(),
                        known.after().truePeakDbtp(),
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
                                            judgedLate.apply("snapshot " + name).orElse(""),
                                            now(),
                                            design(),
                                            measures())));
            editor.problem().set("");
        } catch (IllegalArgumentException e) {
            editor.problem().set(String.valueOf(e.getMessage()));
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
        pair.first(new ComparedPair.Named(snapshot.name(), snapshot.design()));
    }

    /** What differs between a snapshot and the design. */
    public List<SheetDifferences.Difference> differences(Snapshot snapshot) {
        return SheetDifferences.of(snapshot.design(), design());
    }

    /** Brings a snapshot back, as a step that can be undone. */
    public void restore(Snapshot snapshot) {
        editor.replace(snapshot.design(), "snapshot \"" + snapshot.name() + "\"");
    }

    /**
     * Gives a snapshot another name or note.
     *
     * @return false if it was refused; the session's problem then says why
     */
    public boolean rename(Snapshot snapshot, String name, String note) {
        try {
            Snapshot other =
                    new Snapshot(
                            name, note, snapshot.made(), snapshot.design(), snapshot.measures());
            keep(logbook.get().replacing(snapshot, other));
            editor.problem().set("");
            return true;
        } catch (IllegalArgumentException e) {
            editor.problem().set(String.valueOf(e.getMessage()));
            return false;
        }
    }

    /** Adds a word to the reason of a change. */
    public void because(LogEntry entry, String word) {
        if (!word.isBlank()) {
            keep(logbook.get().replacing(entry, entry.because(word.strip())));
        }
    }

    /** Takes a snapshot away for good. */
    public void forget(Snapshot snapshot) {
        keep(logbook.get().without(snapshot.name()));
    }

    private void keep(Logbook log) {
        logbook.set(log);
        kept.keepLog(log);
    }

    /** Snapshots whose name or note holds a text, the newest first. */
    public List<Snapshot> snapshots(String text) {
        String wanted = text.strip().toLowerCase(Locale.ROOT);
        return logbook.get().snapshots().reversed().stream()
                .filter(s -> (s.name() + '\n' + s.note()).toLowerCase(Locale.ROOT).contains(wanted))
                .toList();
    }

    /** Entries of the log that hold a text, the newest first. */
    public List<LogEntry> search(String text) {
        return logbook.get().search(text);
    }
}
