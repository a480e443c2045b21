package orbispace.app.desk;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import javafx.beans.property.IntegerProperty;
import javafx.beans.property.ReadOnlyIntegerProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.SimpleIntegerProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.beans.property.SimpleStringProperty;
import javafx.beans.property.StringProperty;
import orbispace.app.measuring.Measurements;
import orbispace.app.session.Editor;
import orbispace.app.session.Jobs;
import orbispace.app.session.LogKeeping;
import orbispace.app.session.OfSong;
import orbispace.app.session.Stretch;
import orbispace.core.candidate.Candidate;
import orbispace.core.candidate.CandidateIdeas;
import orbispace.core.candidate.EqualShare;
import orbispace.core.clear.CoverAnalysis;
import orbispace.core.design.Design;
import orbispace.core.design.Return;
import orbispace.core.render.Job;

/**
 * The bench: candidates for one return, all at the wet share that it has. One of them is heard in
 * its place; one is kept, or they are dropped with a word, and the log remembers those that lost.
 */
public final class Benching implements OfSong {
    /** As many as there are number keys. */
    public static final int MOST = 9;

    private static final int NONE = -1;

    private final Editor editor;
    private final Stretch stretch;
    private final Jobs jobs;
    private final Measurements measured;
    private final LogKeeping log;
    private final StringProperty returnId = new SimpleStringProperty("");
    private final SimpleObjectProperty<List<Candidate>> candidates =
            new SimpleObjectProperty<>(List.of());
    private final IntegerProperty heard = new SimpleIntegerProperty(NONE);
    private final List<String> lost = new ArrayList<>();
    private double wanted;

    /** A bench for the returns of a song. */
    public Benching(
            Editor editor, Stretch stretch, Jobs jobs, Measurements measured, LogKeeping log) {
        this.editor = editor;
        this.stretch = stretch;
        this.jobs = jobs;
        this.measured = measured;
        this.log = log;
    }

    /** The return that is on the bench; empty while the bench is closed. */
    public ReadOnlyStringProperty returnId() {
        return returnId;
    }

    /** The candidates, the return as it stood first; empty while they are being set. */
    public ReadOnlyObjectProperty<List<Candidate>> candidates() {
        return candidates;
    }

    /** Which candidate is heard; -1 for none. */
    public ReadOnlyIntegerProperty heard() {
        return heard;
    }

    /** Whether the bench is open. */
    public boolean isOpen() {
        return !returnId.get().isEmpty();
    }

    @Override
    public void begin(Design given) {
        shut();
    }

    /** Opens the bench for a return, with what may be tried in its place. */
    public void open(Return r) {
        shut();
        returnId.set(r.id());
        set(d -> CandidateIdeas.of(d, d.requireReturn(r.id())), true);
    }

    /** Puts the return as it stands by now, or anything else for its place, on the bench. */
    public void put(String name, Return other) {
        if (isOpen() && candidates.get().size() < MOST) {
            set(
                    d ->
                            List.of(
                                    new Candidate.Tried(
                                            name, other.called(returnId.get(), other.name()))),
                    false);
        }
    }

    /** What is tried for a field. */
    private interface Ideas {
        List<Candidate.Tried> of(Design design);
    }

    private void set(Ideas ideas, boolean anew) {
        Design now = editor.now();
        String id = returnId.get();
        Optional<Supplier<CoverAnalysis>> analysis = measured.analysis(now, stretch.span());
        if (analysis.isEmpty() || now.findReturn(id).isEmpty()) {
            editor.problem().set("The bench needs the song's stems; they are not read yet.");
            shut();
            return;
        }
        List<Candidate> there = anew ? List.of() : candidates.get();
        jobs.start(
                "bench",
                "Setting candidates to one wet share",
                (job, d) ->
                        made(
                                new EqualShare(analysis.get().get(), d, id, stretch.span()),
                                ideas.of(d),
                                there,
                                anew ? Optional.empty() : Optional.of(wanted),
                                job),
                (made, d) -> {
                    if (returnId.get().equals(id)) {
                        wanted = anew ? made.getFirst().share() : wanted;
                        candidates.set(made);
                    }
                });
    }

    private static List<Candidate> made(
            EqualShare share,
            List<Candidate.Tried> tried,
            List<Candidate> there,
            Optional<Double> known,
            Job job) {
        List<Candidate> all = new ArrayList<>(there);
        if (known.isEmpty()) {
            all.add(share.asItStands(job));
        }
        double wanted = known.orElseGet(() -> all.getFirst().share());
        for (Candidate.Tried t : tried) {
            if (all.size() < MOST) {
                job.report(all.size() / (double) (tried.size() + 1));
                all.add(share.at(t, wanted, job));
            }
        }
        return List.copyOf(all);
    }

    /** Hears a candidate in the return's place. */
    public void hear(int index) {
        if (index >= 0 && index < candidates.get().size()) {
            heard.set(index);
        }
    }

    /** The field with the candidate that is heard; empty if none is. */
    Optional<Design> field() {
        int index = heard.get();
        Design now = editor.now();
        return index < 0 || now.findReturn(returnId.get()).isEmpty()
                ? Optional.empty()
                : Optional.of(now.withReturn(candidates.get().get(index).ret()));
    }

    /** Keeps a candidate as the return, in one step; the log says over which others. */
    public void keep(int index) {
        Candidate kept = candidates.get().get(index);
        for (int i = 0; i < candidates.get().size(); i++) {
            if (i != index) {
                lost.add(told(candidates.get().get(i), ""));
            }
        }
        Design now = editor.now();
        String why = "bench: " + kept.name() + ", " + kept.words() + "; over " + over();
        boolean same = now.findReturn(returnId.get()).equals(Optional.of(kept.ret()));
        if (same) {
            log.note("Bench of " + label() + ": left as it stands; over " + over());
            shut();
        } else if (editor.adopt(now, now.withReturn(kept.ret()), "bench: " + kept.name(), why)) {
            shut();
        }
    }

    private String over() {
        return lost.isEmpty() ? "nothing else" : String.join("; ", lost);
    }

    private static String told(Candidate c, String word) {
        return c.name() + " at " + c.words() + (word.isBlank() ? "" : ": " + word.strip());
    }

    /** The letter and name of its return. */
    public String label() {
        String id = returnId.get();
        return id + editor.now().findReturn(id).map(r -> " " + r.name()).orElse("");
    }

    /** Drops a candidate; the log remembers it, and the word. */
    public void drop(int index, String word) {
        List<Candidate> left = new ArrayList<>(candidates.get());
        Candidate gone = left.remove(index);
        lost.add(told(gone, word));
        log.note("Bench of " + label() + ": dropped " + told(gone, word));
        int now = heard.get();
        heard.set(now == index ? NONE : now > index ? now - 1 : now);
        candidates.set(List.copyOf(left));
        if (left.isEmpty()) {
            shut();
        }
    }

    /** Closes the bench and leaves the return as it stands. */
    public void close() {
        shut();
    }

    private void shut() {
        jobs.cancel("bench");
        heard.set(NONE);
        returnId.set("");
        candidates.set(List.of());
        lost.clear();
    }
}
