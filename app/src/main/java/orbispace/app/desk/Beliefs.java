package orbispace.app.desk;

import java.time.Clock;
import java.util.Objects;
import java.util.Optional;
import java.util.Random;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import orbispace.app.listen.Ears;
import orbispace.app.listen.Transport;
import orbispace.app.measuring.Measurements;
import orbispace.app.session.Editor;
import orbispace.app.session.Jobs;
import orbispace.app.session.LogKeeping;
import orbispace.app.session.OfSong;
import orbispace.app.session.Selection;
import orbispace.app.session.Stretch;
import orbispace.core.design.Design;
import orbispace.core.design.Return;
import orbispace.core.ears.Belief;
import orbispace.core.ears.EarPair;
import orbispace.core.prove.compare.BlindTrial;
import org.jspecify.annotations.Nullable;

/**
 * Beliefs on trial on the open song: two fields, equally loud over the chosen section, in a hidden
 * order. Nothing of the song is changed and nothing is told before the last answer.
 */
public final class Beliefs implements OfSong {
    private static final String JOB = "belief";

    private final Editor editor;
    private final Stretch stretch;
    private final Jobs jobs;
    private final Measurements measured;
    private final Transport transport;
    private final LogKeeping log;
    private final Ears ears;
    private final Clock clock;
    private final ObjectProperty<@Nullable BeliefState> state = new SimpleObjectProperty<>();
    private @Nullable BlindTrial trial;
    private Evening.@Nullable Even even;
    private boolean hearsFirst;
    private boolean hearsX = true;
    private long roundBegan;

    /** Beliefs about the returns of a song. */
    Beliefs(OpenSong song, Clock clock) {
        editor = song.editor();
        stretch = song.stretch();
        jobs = song.jobs();
        measured = song.measured();
        transport = song.transport();
        log = song.log();
        ears = song.ears();
        this.clock = clock;
        Selection selection = song.selection();
        selection.section().addListener((o, was, is) -> broken("another section was chosen"));
    }

    /** The belief that is on trial or has just been; null for none. */
    public ReadOnlyObjectProperty<@Nullable BeliefState> state() {
        return state;
    }

    boolean runs() {
        return trial != null;
    }

    @Override
    public void begin(Design given) {
        end();
    }

    /** Puts a belief on trial over the chosen section; says why if it cannot. */
    public void begin(Belief belief, Return r) {
        end();
        Design now = editor.now();
        Optional<Belief.Two> two = belief.two(now, r);
        if (two.isEmpty() || measured.renderer().isEmpty()) {
            editor.problem()
                    .set(
                            two.isEmpty()
                                    ? r.name() + " has nothing for this trial: " + belief.label()
                                    : "A trial needs the song's stems; they are not read yet.");
            return;
        }
        BlindTrial begun = new BlindTrial(belief.asks(), Belief.ROUNDS, new Random());
        trial = begun;
        hearsFirst = true;
        state.set(new BeliefState(belief, two.get(), 0, null, false, Optional.empty()));
        EarPair pair =
                new EarPair(measured.renderer().orElseThrow(), two.get().a(), stretch.span());
        jobs.start(
                JOB,
                "Making the two sounds of the trial equally loud",
                (job, d) -> new Evening(pair).of(two.get().b(), job),
                (found, d) -> {
                    if (begun.equals(trial)) {
                        ready(found);
                    }
                });
    }

    private void ready(Evening.Even found) {
        even = found;
        transport.looping().set(true);
        if (!transport.playing().get()) {
            transport.togglePlaying();
        }
        roundBegan = clock.millis();
        show(true);
    }

    private void show(boolean ready) {
        BeliefState now = state.get();
        BlindTrial on = trial;
        if (now != null && on != null) {
            // Never equal to the last, so that whoever plays it is told.
            state.set(null);
            state.set(
                    new BeliefState(
                            now.belief(),
                            now.two(),
                            on.answered(),
                            hears(on),
                            ready,
                            Optional.empty()));
        }
    }

    private @Nullable Boolean hears(BlindTrial on) {
        boolean isX = on.kind() == BlindTrial.Kind.WHICH && hearsX;
        return isX ? null : Boolean.valueOf(hearsFirst);
    }

    /** What is heard; empty if nothing is on trial, or not yet matched. */
    Optional<BlindSound> heard() {
        Evening.Even now = even;
        BlindTrial on = trial;
        if (now == null || on == null) {
            return Optional.empty();
        }
        return Optional.of(hearsA(on) ? now.base() : now.other());
    }

    /** Where two are to be told apart, X is heard until one of them is asked for. */
    private boolean hearsA(BlindTrial on) {
        if (on.kind() == BlindTrial.Kind.PREFERENCE) {
            return hearsFirst == on.hiddenIsA();
        }
        return hearsX ? on.hiddenIsA() : hearsFirst;
    }

    /** Lets X be heard, where there is one. */
    public void hearX() {
        if (even != null) {
            hearsX = true;
            show(true);
        }
    }

    /** Lets the first of the two be heard, or the second. */
    public void hear(boolean first) {
        if (even != null) {
            hearsX = false;
            hearsFirst = first;
            show(true);
        }
    }

    /** Answers the round at hand; after the last one the result goes to the log. */
    public void answer(boolean first) {
        BlindTrial on = trial;
        BeliefState now = state.get();
        if (on == null || now == null || even == null) {
            return;
        }
        boolean saidA = on.kind() == BlindTrial.Kind.WHICH ? first : first == on.hiddenIsA();
        on.answer(saidA, (clock.millis() - roundBegan) / 1000.0);
        roundBegan = clock.millis();
        hearsX = true;
        hearsFirst = true;
        Optional<BlindTrial.Result> result = on.result();
        if (result.isEmpty()) {
            show(true);
            return;
        }
        trial = null;
        even = null;
        BeliefState ended =
                new BeliefState(now.belief(), now.two(), on.answered(), null, false, result);
        state.set(ended);
        log.note(
                "Belief on trial, "
                        + ended.words()
                        + " Hidden/said and seconds, A "
                        + now.two().first()
                        + ": "
                        + result.get().course()
                        + ears.judged("a belief").map(r -> " (" + r + ")").orElse(""));
    }

    /** Ends a trial without a result. */
    public void end() {
        trial = null;
        even = null;
        hearsX = true;
        jobs.cancel(JOB);
        state.set(null);
    }

    /** The song was changed: a trial that runs would be about another one. */
    void changed() {
        broken("the song was changed");
    }

    private void broken(String why) {
        if (runs()) {
            end();
            editor.problem().set("The trial has ended: " + why + ".");
        }
    }

    /** Whether X, or the first of the two, is the first field; must not be shown. */
    boolean hiddenIsA() {
        return Objects.requireNonNull(trial).hiddenIsA();
    }
}
