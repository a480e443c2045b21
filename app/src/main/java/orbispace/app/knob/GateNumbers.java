package orbispace.app.knob;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.function.ToDoubleFunction;
import orbispace.core.design.Edit;
import orbispace.core.design.Filter;
import orbispace.core.design.Gate;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Send;
import org.jspecify.annotations.Nullable;

/** The numbers of a gate, of a return or of one of its sends, by name. */
public final class GateNumbers {
    /** What the numbers of a return's own gate begin with. */
    static final String OWN = "gate: ";

    private static final String DECIBELS = "decibels like \u221218";
    private static final String MILLIS = "milliseconds like 12";
    private static final String OF_SEND = "gate of ";

    private final Function<Return, @Nullable Gate> gate;
    private final BiFunction<Return, Gate, Edit> edit;

    private GateNumbers(
            Function<Return, @Nullable Gate> gate, BiFunction<Return, Gate, Edit> edit) {
        this.gate = gate;
        this.edit = edit;
    }

    /** What the numbers of a send's gate begin with. */
    public static String ofSend(String source) {
        return OF_SEND + source + ": ";
    }

    /** The numbers of a return's own gate. */
    static Map<String, ReturnNumber> own() {
        GateNumbers numbers =
                new GateNumbers(Return::gate, (r, g) -> new ReturnEdit.Gating(r.id(), g));
        Map<String, ReturnNumber> all = numbers.table(OWN);
        all.put(OWN + "length", numbers.length());
        return all;
    }

    /** The number of a send's gate that has this name. */
    static Optional<ReturnNumber> ofSendNamed(String name) {
        int end = name.indexOf(": ");
        if (!name.startsWith(OF_SEND) || end < 0) {
            return Optional.empty();
        }
        String source = name.substring(OF_SEND.length(), end);
        GateNumbers numbers =
                new GateNumbers(
                        r -> {
                            Send send = r.sends().get(source);
                            return send == null ? null : send.gate();
                        },
                        (r, g) ->
                                new ReturnEdit.Sending(
                                        r.id(),
                                        source,
                                        java.util.Objects.requireNonNull(r.sends().get(source))
                                                .withGate(g)));
        return Optional.ofNullable(numbers.table(ofSend(source)).get(name));
    }

    private Map<String, ReturnNumber> table(String prefix) {
        Map<String, ReturnNumber> all = new LinkedHashMap<>();
        all.put(
                prefix + "opens at",
                level(
                        Gate::thresholdDb,
                        1,
                        -90,
                        0,
                        (g, v) -> g.withThreshold(v, g.hysteresisDb())));
        all.put(
                prefix + "hysteresis",
                level(
                        Gate::hysteresisDb,
                        0.5,
                        0,
                        40,
                        (g, v) -> g.withThreshold(g.thresholdDb(), v)));
        all.put(prefix + "closes by", level(Gate::rangeDb, 3, 0, 120, Gate::withRange));
        all.put(
                prefix + "attack",
                time(
                        Gate::attackMillis,
                        0.5,
                        0.1,
                        500,
                        (g, v) -> g.withTimes(v, g.holdMillis(), g.releaseMillis())));
        all.put(
                prefix + "hold",
                time(
                        Gate::holdMillis,
                        5,
                        0,
                        5000,
                        (g, v) -> g.withTimes(g.attackMillis(), v, g.releaseMillis())));
        all.put(
                prefix + "release",
                time(
                        Gate::releaseMillis,
                        5,
                        1,
                        5000,
                        (g, v) -> g.withTimes(g.attackMillis(), g.holdMillis(), v)));
        all.put(prefix + "key from", key(true));
        all.put(prefix + "key to", key(false));
        return all;
    }

    private ReturnNumber.Corner key(boolean high) {
        return new ReturnNumber.Corner(
                r -> found(r).map(Gate::keyFilter).orElse(Filter.OPEN),
                high,
                (s, r, f) -> found(r).map(g -> edit.apply(r, g.withKeyFilter(f))));
    }

    private Optional<Gate> found(Return r) {
        return Optional.ofNullable(gate.apply(r));
    }

    private ReturnNumber length() {
        return new ReturnNumber.Time(
                r -> found(r).isPresent(),
                r ->
                        found(r).flatMap(g -> Optional.ofNullable(g.length()))
                                .orElse(new MusicalTime.Millis(0)),
                (s, r, t) -> found(r).map(g -> edit.apply(r, g.withLength(t))));
    }

    private ReturnNumber level(
            ToDoubleFunction<Gate> now,
            double step,
            double low,
            double high,
            BiFunction<Gate, Double, Gate> with) {
        return number(DECIBELS, Entries::db, now, step, low, high, with);
    }

    private ReturnNumber time(
            ToDoubleFunction<Gate> now,
            double step,
            double low,
            double high,
            BiFunction<Gate, Double, Gate> with) {
        return number(MILLIS, Entries::millis, now, step, low, high, with);
    }

    private ReturnNumber number(
            String accepted,
            Function<String, OptionalDouble> read,
            ToDoubleFunction<Gate> now,
            double step,
            double low,
            double high,
            BiFunction<Gate, Double, Gate> with) {
        return new ReturnNumber.Scalar(
                accepted,
                read,
                r -> found(r).isPresent(),
                r -> found(r).map(now::applyAsDouble).orElse(0.0),
                step,
                low,
                high,
                (s, r, v) -> found(r).map(g -> edit.apply(r, with.apply(g, v))));
    }
}
