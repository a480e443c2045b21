package orbispace.app.view;

import java.util.Optional;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.SimpleStringProperty;
import javafx.beans.property.StringProperty;
import javafx.scene.Cursor;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Pane;
import orbispace.app.draw.Palette;
import orbispace.app.draw.Pen;
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
    private final Handle predelay = new Handle("predelay");
    private final Handle decay = new Handle("decay");
    private final Handle echo = new Handle("echo time");
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

    void setPalette(Palette palette) {
        predelay.setPalette(palette);
        decay.setPalette(palette);
        echo.setPalette(palette);
    }

    private Optional<Return> chosen() {
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

    private void drag(Handle handle, double seconds, boolean free, Object gesture) {
        Return r = chosen().orElse(null);
        if (r == null) {
            return;
        }
        Optional<NoteValue> note = free ? Optional.empty() : snapped(seconds);
        session.drag(edit(handle, r, seconds, note), gesture);
        explain(handle);
    }

    private Edit edit(Handle handle, Return r, double seconds, Optional<NoteValue> note) {
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

    private void explain(Handle handle) {
        why.set(
                handle == decay
                        ? Reasons.decay(session)
                        : handle == echo ? Reasons.echo(session) : Reasons.predelay(session));
    }

    private void step(Handle handle, int direction, NumberField.Step size) {
        chosen().ifPresent(r ->
                ReturnEdits.step(session, r, handle.name, direction, size)
                        .ifPresent(session::edit));
        explain(handle);
    }

    private boolean typed(Handle handle, String text) {
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

    /** A diamond that is dragged, stepped or typed over, with its reading beside it. */
    private final class Handle extends ScalingCanvas {
        private final String name;
        private final Label reading = new Label();
        private final TextField entry = new TextField();
        private Object gesture = new Object();

        Handle(String name) {
            this.name = name;
            setMouseTransparent(false);
            setPickOnBounds(true);
            setFocusTraversable(true);
            setCursor(Cursor.HAND);
            getStyleClass().add("handle");
            reading.getStyleClass().add("handle-reading");
            reading.setMouseTransparent(true);
            entry.setVisible(false);
            entry.getStyleClass().add("entry");
            entry.setOnAction(e -> commit());
            entry.focusedProperty().addListener((o, was, is) -> entry.setVisible(is));
            addEventHandler(MouseEvent.MOUSE_PRESSED, this::pressed);
            addEventHandler(MouseEvent.MOUSE_DRAGGED, this::dragged);
            addEventHandler(MouseEvent.MOUSE_RELEASED, e -> session.settle());
            addEventHandler(KeyEvent.KEY_PRESSED, this::key);
            addEventHandler(KeyEvent.KEY_TYPED, this::keyTyped);
            focusedProperty()
                    .addListener((o, was, is) -> {
                        explain(this);
                        repaint();
                    });
        }

        void show(boolean on) {
            setVisible(on);
            reading.setVisible(on);
        }

        void place(double r, double bearing, String words) {
            double x = axis.x(r, bearing);
            double y = axis.y(r, bearing);
            Plate.place(this, x - 10, y - 10, 20, 20);
            reading.setText(name + "  " + words);
            setAccessibleText(name + " " + words);
            double w = reading.prefWidth(-1);
            double side = bearing < -20 ? -w - 18 : 16;
            Plate.place(reading, Math.rint(x + side), Math.rint(y - 11), Math.ceil(w), 22);
            Plate.place(entry, Math.rint(x + side), Math.rint(y - 13), Math.max(120, w), 26);
        }

        private void pressed(MouseEvent e) {
            requestFocus();
            gesture = new Object();
            if (e.getClickCount() == 2) {
                beginEntry("");
            }
        }

        private void dragged(MouseEvent e) {
            var at = OrbitHandles.this.sceneToLocal(e.getSceneX(), e.getSceneY());
            drag(this, axis.seconds(axis.distance(at.getX(), at.getY())), e.isAltDown(), gesture);
        }

        private void key(KeyEvent e) {
            int direction =
                    switch (e.getCode()) {
                        case UP, RIGHT -> 1;
                        case DOWN, LEFT -> -1;
                        default -> 0;
                    };
            if (direction != 0) {
                step(
                        this,
                        direction,
                        e.isShiftDown()
                                ? NumberField.Step.FINE
                                : e.isShortcutDown()
                                        ? NumberField.Step.COARSE
                                        : NumberField.Step.PLAIN);
                e.consume();
            } else if (e.getCode() == KeyCode.ENTER) {
                beginEntry("");
                e.consume();
            }
        }

        private void keyTyped(KeyEvent e) {
            String c = e.getCharacter();
            if (c.length() == 1 && Character.isDigit(c.charAt(0))) {
                beginEntry(c);
                e.consume();
            }
        }

        private void beginEntry(String text) {
            entry.setText(text);
            entry.setVisible(true);
            entry.requestFocus();
            entry.positionCaret(text.length());
        }

        private void commit() {
            String text = entry.getText();
            requestFocus();
            typed(this, text);
        }

        @Override
        void paint(Pen pen, double w, double h) {
            var color = chosen().map(r -> pen.palette.ofReturn(r.id())).orElse(pen.palette.ink);
            double m = 10;
            double s = 6.5;
            pen.g.setFill(isFocused() ? color : pen.palette.card);
            pen.g.fillPolygon(
                    new double[] {m, m + s, m, m - s}, new double[] {m - s, m, m + s, m}, 4);
            pen.g.setStroke(color);
            pen.g.setLineWidth(1.5);
            pen.g.strokePolygon(
                    new double[] {m, m + s, m, m - s}, new double[] {m - s, m, m + s, m}, 4);
            if (isFocused()) {
                pen.circle(m, m, 9.2, null, pen.palette.ink, 1);
            }
        }
    }
}
