package orbispace.app.view.orbit;

import java.util.List;
import java.util.Optional;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.SimpleStringProperty;
import javafx.beans.property.StringProperty;
import javafx.scene.layout.Pane;
import orbispace.app.desk.OrbitModel;
import orbispace.app.draw.Palette;
import orbispace.app.draw.PolarAxis;
import orbispace.app.draw.ReturnGeometry;
import orbispace.app.song.ReturnPicture;
import orbispace.app.view.control.StepSize;
import orbispace.core.design.ChainKnob;
import orbispace.core.design.CopyKnob;
import orbispace.core.design.EchoKnob;
import orbispace.core.design.Edit;
import orbispace.core.design.GateKnob;
import orbispace.core.design.Knob;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.ResponseKnob;
import orbispace.core.design.Return;
import orbispace.core.design.Space;
import orbispace.core.design.SplitPair;
import orbispace.core.design.TailKnob;
import orbispace.core.space.EchoSettings;
import orbispace.core.time.NoteValue;
import orbispace.core.words.Wording;
import org.jspecify.annotations.Nullable;

/**
 * The handles of the chosen return: when it begins and ends, when its arrivals come, how wide it
 * is. They snap to the rings of note values unless Alt is held.
 */
final class OrbitHandles extends Pane {
    private static final double ECHO_DEGREES = 90;

    private final OrbitModel model;
    private final OrbitHandle predelay = new OrbitHandle(this, ChainKnob.PREDELAY);
    private final OrbitHandle end = new OrbitHandle(this, TailKnob.DECAY);
    private final OrbitHandle echo = new OrbitHandle(this, EchoKnob.ECHO_TIME);
    private final OrbitHandle right = new OrbitHandle(this, EchoKnob.RIGHT_TIME);
    private final OrbitHandle wall = new OrbitHandle(this, GateKnob.LENGTH.own());
    private final OrbitHandle width = new OrbitHandle(this, ChainKnob.WIDTH);
    private final List<OrbitHandle> all = List.of(predelay, end, wall, echo, right, width);
    private final StringProperty why = new SimpleStringProperty("");
    private final ReadOnlyBooleanWrapper held = new ReadOnlyBooleanWrapper();
    private PolarAxis axis = new PolarAxis(0, 0, 1);

    OrbitHandles(OrbitModel model) {
        this.model = model;
        setPickOnBounds(false);
        all.forEach(h -> getChildren().add(h.reading));
        getChildren().addAll(all);
        all.forEach(h -> getChildren().add(h.entry));
    }

    /** Why the value under the hand is what it is. */
    ReadOnlyStringProperty why() {
        return why;
    }

    PolarAxis axis() {
        return axis;
    }

    /** Whether a hand moves one of them. */
    ReadOnlyBooleanProperty held() {
        return held.getReadOnlyProperty();
    }

    void settle() {
        held.set(false);
        model.settle();
    }

    void setPalette(Palette palette) {
        all.forEach(h -> h.setPalette(palette));
    }

    Optional<Return> chosen() {
        return model.design().get().findReturn(model.selection().returnId().get());
    }

    void layoutOn(PolarAxis given) {
        axis = given;
        Optional<Return> chosen = chosen();
        all.forEach(h -> h.show(false));
        chosen.ifPresent(this::place);
        chosen.ifPresent(this::wall);
        if (chosen.isPresent() && all.stream().noneMatch(OrbitHandle::isFocused)) {
            why.set(model.reasons().space());
        }
    }

    private double predelaySeconds(Return r) {
        return seconds(r, r.predelay());
    }

    private double seconds(Return r, MusicalTime time) {
        return time.seconds(model.design().get().song().clock(), r.timedAtBar());
    }

    private void place(Return r) {
        double pre = predelaySeconds(r);
        ReturnPicture picture = model.measured().pictures().get(r.id());
        double[] edges = picture == null ? new double[] {-60, 60} : picture.polar().edgesDegrees();
        switch (r.space()) {
            case Space.Reverb reverb -> {
                begin(r, pre);
                end(
                        TailKnob.DECAY,
                        pre + reverb.decaySeconds(),
                        Wording.seconds(reverb.decaySeconds()));
                side(r, edges[1], pre + reverb.decaySeconds());
            }
            case Space.Gated g -> {
                begin(r, pre);
                double length = seconds(r, g.length());
                end(TailKnob.GATED_LENGTH, pre + length, reading(g.length(), length));
                side(r, edges[1], pre + length);
            }
            case SplitPair s -> {
                begin(r, pre);
                double decay = s.left().decaySeconds();
                end(TailKnob.PAIR_LEFT, pre + decay, Wording.seconds(decay));
            }
            case Space.Convolution c -> {
                begin(r, pre);
                double decay = recorded(r, picture, pre);
                end(ResponseKnob.DECAY, pre + decay, Wording.seconds(decay));
                side(r, edges[1], pre + decay);
            }
            case Space.Echo e -> placeEcho(r, e, pre);
            case Space.Copies d ->
                    echo(
                            new CopyKnob(0, CopyKnob.Trait.LATER),
                            pre + d.copies().getFirst().seconds(),
                            d.copies().getFirst().side(),
                            Wording.millis(1000 * d.copies().getFirst().seconds()));
            case Space.Parallel p -> {}
        }
    }

    /** How long a response rings as it is set now. */
    private double recorded(Return r, @Nullable ReturnPicture picture, double pre) {
        return picture == null
                ? 1
                : ReturnGeometry.of(model.design().get(), r, picture).endSeconds() - pre;
    }

    /** The wall of a gate behind the space. */
    private void wall(Return r) {
        MusicalTime length = r.gate() == null ? null : r.gate().length();
        if (length != null) {
            double at = seconds(r, length);
            wall.show(true);
            wall.place(axis.r(at), 0, reading(length, at));
        }
    }

    private void begin(Return r, double pre) {
        predelay.show(true);
        predelay.place(axis.r(pre), 0, reading(r.predelay(), pre));
    }

    private void end(Knob number, double seconds, String words) {
        end.hold(number);
        end.show(true);
        end.place(Math.min(axis.radius() - 8, axis.r(seconds)), 0, words);
    }

    private void side(Return r, double edge, double endSeconds) {
        width.hold(ChainKnob.WIDTH);
        width.show(true);
        double middle = (predelaySeconds(r) + endSeconds) / 2;
        width.place(
                axis.r(middle),
                Math.clamp(edge, 4, 88),
                Wording.percent(r.chain().width().factor(), 0));
    }

    private void placeEcho(Return r, Space.Echo e, double pre) {
        double spacing = seconds(r, e.time());
        double side = e.kind() == EchoSettings.Kind.SINGLE ? 0 : -e.width();
        echo(EchoKnob.ECHO_TIME, pre + spacing, side, reading(e.time(), spacing));
        if (e.kind() == EchoSettings.Kind.PAIR) {
            double other = seconds(r, e.rightTime());
            right.show(true);
            right.place(
                    axis.r(pre + other), ECHO_DEGREES * e.width(), reading(e.rightTime(), other));
        }
        if (e.kind() == EchoSettings.Kind.PING_PONG) {
            width.hold(EchoKnob.SIDES);
            width.show(true);
            width.place(
                    axis.r(pre + 2 * spacing),
                    ECHO_DEGREES * e.width(),
                    Wording.percent(e.width(), 0));
        }
    }

    private void echo(Knob number, double seconds, double side, String words) {
        echo.hold(number);
        echo.show(true);
        echo.place(axis.r(seconds), ECHO_DEGREES * side, words);
    }

    private static String reading(MusicalTime time, double seconds) {
        return time.words(Wording.time(seconds));
    }

    void drag(OrbitHandle handle, double seconds, double bearing, boolean free, Object gesture) {
        Optional<Return> r = chosen();
        if (r.isEmpty()) {
            return;
        }
        Optional<Edit> edit =
                handle == width
                        ? widened(r.get(), Math.abs(bearing))
                        : edit(handle, r.get(), seconds, free);
        held.set(true);
        edit.ifPresent(e -> model.drag(e, gesture));
        explain(handle);
    }

    private Optional<Edit> widened(Return r, double bearing) {
        if (r.space() instanceof Space.Echo) {
            return EchoKnob.SIDES.valued(model.at(), r, hundredth(bearing / ECHO_DEGREES));
        }
        ReturnPicture picture = model.measured().pictures().get(r.id());
        double edge = picture == null ? 60 : Math.max(4, picture.polar().edgesDegrees()[1]);
        double now = Math.max(0.05, r.chain().width().factor());
        return ChainKnob.WIDTH.valued(model.at(), r, hundredth(now * bearing / edge));
    }

    private static double hundredth(double value) {
        return Math.rint(100 * value) / 100;
    }

    private Optional<Edit> edit(OrbitHandle handle, Return r, double seconds, boolean free) {
        NoteRings rings = new NoteRings(model, axis);
        Optional<NoteValue> note = free ? Optional.empty() : rings.near(seconds);
        double at = handle == predelay || handle == wall ? seconds : seconds - predelaySeconds(r);
        if (handle == end && !(r.space() instanceof Space.Gated)) {
            double wanted =
                    note.map(n -> rings.seconds(n) - predelaySeconds(r)).orElse(hundredth(at));
            return handle.number().valued(model.at(), r, scaled(r, wanted));
        }
        if (r.space() instanceof Space.Copies && handle == echo) {
            return handle.number().valued(model.at(), r, Math.rint(10_000 * at) / 10);
        }
        MusicalTime plain =
                new MusicalTime.Millis(Math.clamp(Math.rint(10_000 * at) / 10, 0, 8000));
        MusicalTime time = note.<MusicalTime>map(n -> new MusicalTime.Note(n, 0)).orElse(plain);
        return handle.number().timed(model.at(), r, time);
    }

    /** A convolution has a factor on its own decay instead of a decay. */
    private double scaled(Return r, double seconds) {
        ReturnPicture picture = model.measured().pictures().get(r.id());
        if (r.space() instanceof Space.Convolution c && picture != null) {
            return hundredth(c.midScale() * seconds / Math.max(0.05, picture.decaySeconds()));
        }
        return seconds;
    }

    void explain(OrbitHandle handle) {
        why.set(handle == predelay ? model.reasons().predelay() : model.reasons().space());
    }

    void step(OrbitHandle handle, int direction, StepSize size) {
        chosen().ifPresent(r ->
                handle.number()
                        .stepped(model.at(), r, direction * size.steps())
                        .ifPresent(model::edit));
        explain(handle);
    }

    boolean typed(OrbitHandle handle, String text) {
        Optional<Edit> edit = chosen().flatMap(r -> handle.number().typed(model.at(), r, text));
        edit.ifPresent(model::edit);
        if (edit.isEmpty()) {
            model.problem()
                    .set(
                            "\u201c"
                                    + text
                                    + "\u201d does not fit; write "
                                    + handle.number().accepted());
        }
        return edit.isPresent();
    }
}
