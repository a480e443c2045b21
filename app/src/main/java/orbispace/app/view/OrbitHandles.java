package orbispace.app.view;

import java.util.Optional;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.SimpleStringProperty;
import javafx.beans.property.StringProperty;
import javafx.scene.layout.Pane;
import orbispace.app.draw.Palette;
import orbispace.app.draw.PolarAxis;
import orbispace.app.session.Reasons;
import orbispace.app.session.Session;
import orbispace.core.design.Edit;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Space;
import orbispace.core.time.NoteValue;
import orbispace.files.Wording;

/**
 * The handles of the chosen return: predelay, decay, echo time. They snap to note values; Alt frees
 * them.
 */
final class OrbitHandles extends Pane {
    private static final double SNAP_PIXELS = 6;

    private final Session session;
    private final OrbitHandle predelay = new OrbitHandle(this, "predelay");
    private final OrbitHandle decay = new OrbitHandle(this, "decay");
    private final OrbitHandle echo = new OrbitHandle(this, "echo time");
    private final StringProperty why = new SimpleStringProperty("");
    private PolarAxis axis = new PolarAxis(0, 0, 1);

    OrbitHandles(Session session) {
        this.session = session;
        setPickOnBounds(false);
        getChildren().addAll(predelay.reading, decay.reading, echo.reading, predelay, decay, echo);
        getChildren().addAll(predelay.entry, decay.entry, echo.entry);
    }

    /** Why the value under the hand is what it is. */
    ReadOnlyStringProperty why() {
        return why;
    }

    PolarAxis axis() {
        return axis;
    }

    void settle() {
        session.settle();
    }

    void setPalette(Palette palette) {
        predelay.setPalette(palette);
        decay.setPalette(palette);
        echo.setPalette(palette);
    }

    Optional<Return> chosen() {
        return session.design().get().findReturn(session.selection().returnId().get());
    }

    void layoutOn(PolarAxis given) {
        axis = given;
        Optional<Return> chosen = chosen();
        boolean hall = chosen.isPresent() && chosen.get().space() instanceof Space.Hall;
        boolean isEcho = chosen.isPresent() && chosen.get().space() instanceof Space.PingPong;
        predelay.show(hall);
        decay.show(hall);
        echo.show(isEcho);
        chosen.ifPresent(this::place);
        if (chosen.isPresent()
                && !predelay.isFocused()
                && !decay.isFocused()
                && !echo.isFocused()) {
            why.set(hall ? Reasons.decay(session) : Reasons.echo(session));
        }
    }

    private double predelaySeconds(Return r) {
        return r.predelay().seconds(session.design().get().song().clock(), r.timedAtBar());
    }

    private void place(Return r) {
        double pre = predelaySeconds(r);
        switch (r.space()) {
            case Space.Hall hall -> {
                predelay.place(axis.r(pre), 0, reading(r.predelay(), pre));
                decay.place(
                        Math.min(axis.radius() - 8, axis.r(pre + hall.decaySeconds())),
                        0,
                        Wording.seconds(hall.decaySeconds()));
            }
            case Space.PingPong p -> {
                double spacing =
                        p.time().seconds(session.design().get().song().clock(), r.timedAtBar());
                echo.place(
                        axis.r(pre + spacing), -63.0 * p.width() / 0.7, reading(p.time(), spacing));
            }
        }
    }

    private static String reading(MusicalTime time, double seconds) {
        String millis = Wording.time(seconds);
        return time instanceof MusicalTime.Note ? time.label() + "  " + millis : millis;
    }

    /** The straight or dotted note value whose ring is under the hand, if one is near. */
    private Optional<NoteValue> snapped(double seconds) {
        var clock = session.design().get().song().clock();
        double r = axis.r(seconds);
        return NoteValue.all().stream()
                .filter(n -> n.flavour() != NoteValue.Flavour.TRIPLET)
                .filter(n ->
                        Math.abs(
                                        axis.r(
                                                        ring(
                                                                clock.length(
                                                                                n,
                                                                                session.selection()
                                                                                        .bar())
                                                                        .nominalMillis()))
                                                - r)
                                < SNAP_PIXELS)
                .min(
                        java.util.Comparator.comparingDouble(n ->
                                Math.abs(
                                        axis.r(
                                                        ring(
                                                                clock.length(
                                                                                n,
                                                                                session.selection()
                                                                                        .bar())
                                                                        .nominalMillis()))
                                                - r)));
    }

    private static double ring(double millis) {
        return millis / 1000;
    }

    void drag(OrbitHandle handle, double seconds, boolean free, Object gesture) {
        Return r = chosen().orElse(null);
        if (r == null) {
            return;
        }
        Optional<NoteValue> note = free ? Optional.empty() : snapped(seconds);
        session.drag(edit(handle, r, seconds, note), gesture);
        explain(handle);
    }

    private Edit edit(OrbitHandle handle, Return r, double seconds, Optional<NoteValue> note) {
        var clock = session.design().get().song().clock();
        if (handle == decay) {
            double end =
                    note.map(n -> clock.length(n, session.selection().bar()).nominalMillis() / 1000)
                            .orElse(seconds);
            double wanted = Math.clamp(end - predelaySeconds(r), 0.1, 20);
            return new ReturnEdit.Decay(
                    r.id(), note.isPresent() ? wanted : Math.rint(100 * wanted) / 100);
        }
        double at = handle == echo ? seconds - predelaySeconds(r) : seconds;
        MusicalTime time =
                note.<MusicalTime>map(n -> new MusicalTime.Note(n, 0))
                        .orElseGet(() ->
                                new MusicalTime.Millis(
                                        Math.clamp(Math.rint(10_000 * at) / 10, 0, 2000)));
        return handle == echo
                ? new ReturnEdit.EchoTime(
                        r.id(), time, note.isPresent() ? session.selection().bar() : r.timedAtBar())
                : new ReturnEdit.Predelay(
                        r.id(),
                        time,
                        note.isPresent() ? session.selection().bar() : r.timedAtBar());
    }

    void explain(OrbitHandle handle) {
        why.set(
                handle == decay
                        ? Reasons.decay(session)
                        : handle == echo ? Reasons.echo(session) : Reasons.predelay(session));
    }

    void step(OrbitHandle handle, int direction, NumberField.Step size) {
        chosen().ifPresent(r ->
                ReturnEdits.step(session, r, handle.name, direction, size)
                        .ifPresent(session::edit));
        explain(handle);
    }

    boolean typed(OrbitHandle handle, String text) {
        Optional<Edit> edit =
                chosen().flatMap(r -> ReturnEdits.typed(session, r, handle.name, text));
        edit.ifPresent(session::edit);
        if (edit.isEmpty()) {
            session.problem()
                    .set(
                            "\u201c"
                                    + text
                                    + "\u201d is not understood; write "
                                    + MusicalTime.ACCEPTED);
        }
        return edit.isPresent();
    }
}
