package orbispace.app.view.plan;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import javafx.scene.control.Button;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import orbispace.app.desk.PlanModel;
import orbispace.app.desk.Throwing;
import orbispace.app.view.control.Choice;
import orbispace.app.view.control.KeptFocus;
import orbispace.app.view.control.NumberField;
import orbispace.app.view.control.Plate;
import orbispace.core.design.Filter;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Return;
import orbispace.core.design.Space;
import orbispace.core.design.Throw;
import orbispace.core.design.Trail;
import orbispace.core.plan.ThrowCourse;
import orbispace.core.words.Entries;
import orbispace.core.words.Wording;
import org.jspecify.annotations.Nullable;

/**
 * The numbers of the chosen throw: its level and fades, how it repeats, what it feeds, its ride.
 */
final class ThrowNumbers extends VBox {
    private static final int POLES = 2;
    private static final double OPEN_LOW_HZ = 20;
    private static final double OPEN_HIGH_HZ = 20000;

    private final PlanModel model;
    private final Throwing throwing;
    private final Map<String, NumberField> fields = new LinkedHashMap<>();
    private final Choice<Trail.Sides> sides;
    private final ToggleButton shut = Plate.toggle("Shut at the next phrase", "shut the trail");
    private final ToggleButton feeds = Plate.toggle("In its spaces", "feed the source's spaces");
    private final HBox echoOnes = new HBox(12);
    private final HBox echoChoices = new HBox(6);
    private final RideNumbers ride;

    ThrowNumbers(PlanModel model) {
        this.model = model;
        throwing = model.throwing();
        ride = new RideNumbers(model);
        sides =
                new Choice<>(
                        "sides of its repeats",
                        List.of(Trail.Sides.values()),
                        s -> s == Trail.Sides.AS_RETURN ? "sides as set" : "repeats " + s.label(),
                        s -> throwing.trail(t -> t.withSides(s)));
        levels();
        trail();
        build();
        setSpacing(8);
    }

    private void levels() {
        number("send", "decibels like \u22124", Entries::db, Throw::levelDb, Throw::withLevel, 0.5);
        number(
                "opens in",
                "milliseconds like 5",
                Entries::millis,
                Throw::fadeInMillis,
                (t, v) -> t.withFades(v, t.fadeOutMillis()),
                1);
        number(
                "shuts in",
                "milliseconds like 10",
                Entries::millis,
                Throw::fadeOutMillis,
                (t, v) -> t.withFades(t.fadeInMillis(), v),
                5);
    }

    private void trail() {
        number(
                "high-pass",
                "hertz like 250",
                Entries::hertz,
                t -> low(t.trail()),
                (t, v) -> t.withTrail(filtered(t.trail(), v, high(t.trail()))),
                25);
        number(
                "low-pass",
                "hertz like 4.5k",
                Entries::hertz,
                t -> high(t.trail()),
                (t, v) -> t.withTrail(filtered(t.trail(), low(t.trail()), v)),
                250);
        number(
                "into its spaces",
                "decibels over its own send, like \u22126",
                Entries::db,
                t -> feed(t.trail()),
                (t, v) -> t.withTrail(t.trail().withFeed(v)),
                1);
        number(
                "feedback",
                "a share like 0.4",
                Entries::factor,
                this::feedback,
                (t, v) -> t.withTrail(t.trail().withFeedback(v)),
                0.05);
        fields.put("time", time());
    }

    private void build() {
        shut.setOnAction(e -> throwing.shutAtNext(shut.isSelected()));
        feeds.setOnAction(e ->
                throwing.trail(t -> t.withFeed(feeds.isSelected() ? Double.valueOf(0) : null)));
        Button fit = Plate.small("Fit to the gap", throwing::fit);
        Button single =
                Plate.small("Single repeat", () -> throwing.trail(t -> t.withFeedback(0.0)));
        Button asReturn = Plate.small("As its return", () -> throwing.trail(t -> Trail.AS_RETURN));
        Button over = Plate.small("Over what is picked", throwing::overPicked);
        Button words = Plate.small("Ride word by word", throwing::rideOverWords);
        Button level = Plate.small("One level", () -> throwing.change(t -> t.withRide(List.of())));
        echoOnes.getChildren().addAll(field("time"), field("feedback"));
        echoChoices.getChildren().addAll(fit, single);
        getChildren()
                .addAll(
                        new HBox(12, field("send"), field("opens in"), field("shuts in")),
                        flow(over, words, level),
                        ride,
                        echoOnes,
                        echoChoices,
                        new HBox(6, sides),
                        new HBox(
                                12,
                                field("high-pass"),
                                field("low-pass"),
                                field("into its spaces")),
                        flow(feeds, shut),
                        new HBox(6, asReturn));
    }

    /** Buttons side by side, and below one another where there is no room. */
    private static FlowPane flow(javafx.scene.Node... nodes) {
        FlowPane flow = new FlowPane(6, 6, nodes);
        flow.setPrefWrapLength(200);
        return flow;
    }

    private NumberField field(String name) {
        return java.util.Objects.requireNonNull(fields.get(name));
    }

    private static double low(Trail t) {
        Filter f = t.filter();
        Filter.Corner c = f == null ? null : f.highPass();
        return c == null ? OPEN_LOW_HZ : c.hz();
    }

    private static double high(Trail t) {
        Filter f = t.filter();
        Filter.Corner c = f == null ? null : f.lowPass();
        return c == null ? OPEN_HIGH_HZ : c.hz();
    }

    private static Trail filtered(Trail t, double low, double high) {
        Filter f =
                new Filter(
                        low <= OPEN_LOW_HZ ? null : new Filter.Corner(low, POLES),
                        high >= OPEN_HIGH_HZ ? null : new Filter.Corner(high, POLES));
        return t.withFilter(f);
    }

    private static double feed(Trail t) {
        Double db = t.feedDb();
        return db == null ? 0 : db;
    }

    private double feedback(Throw t) {
        Double own = t.trail().feedback();
        return own != null ? own : throwing.courses().of(t).map(ThrowCourse::feedback).orElse(0.0);
    }

    private void number(
            String name,
            String accepted,
            Function<String, OptionalDouble> read,
            java.util.function.ToDoubleFunction<Throw> now,
            java.util.function.BiFunction<Throw, Double, Throw> with,
            double step) {
        fields.put(
                name,
                new NumberField(
                        name,
                        accepted,
                        text -> {
                            OptionalDouble typed = read.apply(text);
                            typed.ifPresent(v -> throwing.change(t -> with.apply(t, v)));
                            return typed.isPresent();
                        },
                        (direction, size) -> {
                            double by =
                                    switch (size) {
                                        case FINE -> step / 5;
                                        case PLAIN -> step;
                                        case COARSE -> 4 * step;
                                    };
                            throwing.change(t ->
                                    with.apply(
                                            t,
                                            Math.rint(
                                                            1000
                                                                    * (now.applyAsDouble(t)
                                                                            + direction * by))
                                                    / 1000));
                        },
                        model.problem()::set));
    }

    private NumberField time() {
        return new NumberField(
                "every",
                MusicalTime.ACCEPTED,
                text -> {
                    Optional<MusicalTime> typed = MusicalTime.parse(text);
                    typed.ifPresent(v -> throwing.trail(t -> t.withTime(v)));
                    return typed.isPresent();
                },
                (direction, size) -> {
                    List<orbispace.core.time.NoteValue> all = orbispace.core.time.NoteValue.all();
                    MusicalTime now = throwing.chosen().map(this::timeOf).orElse(null);
                    int at = now instanceof MusicalTime.Note n ? all.indexOf(n.value()) : 0;
                    int next = Math.clamp(at + direction, 0, all.size() - 1);
                    throwing.trail(t -> t.withTime(new MusicalTime.Note(all.get(next), 0)));
                },
                model.problem()::set);
    }

    private @Nullable MusicalTime timeOf(Throw t) {
        MusicalTime own = t.trail().time();
        return own != null
                ? own
                : model.design()
                        .get()
                        .findReturn(t.returnId())
                        .map(Return::space)
                        .filter(Space.Echo.class::isInstance)
                        .map(s -> ((Space.Echo) s).time())
                        .orElse(null);
    }

    /** Shows a throw as it is. */
    void show(Throw t) {
        Trail trail = t.trail();
        field("send").show(Wording.number(t.levelDb(), 1), "dB");
        field("opens in").show(Wording.number(t.fadeInMillis(), 0), "ms");
        field("shuts in").show(Wording.number(t.fadeOutMillis(), 0), "ms");
        boolean own = trail.filter() != null;
        field("high-pass").show(own ? Wording.number(low(trail), 0) : "as set", own ? "Hz" : "");
        field("low-pass").show(own ? Wording.number(high(trail), 0) : "as set", own ? "Hz" : "");
        boolean fed = trail.feedDb() != null;
        field("into its spaces")
                .show(fed ? Wording.number(feed(trail), 1) : "as set", fed ? "dB" : "");
        MusicalTime time = timeOf(t);
        boolean echo = time != null;
        for (HBox row : List.of(echoOnes, echoChoices)) {
            row.setVisible(echo);
            row.setManaged(echo);
        }
        sides.setVisible(echo);
        sides.setManaged(echo);
        field("time").show(time == null ? "" : time.label(), "");
        field("feedback").show(Wording.number(feedback(t), 2), "");
        sides.show(trail.sides());
        shut.setSelected(trail.untilBeat() != null);
        feeds.setSelected(fed);
        KeptFocus.through(ride, () -> ride.show(t));
    }
}
