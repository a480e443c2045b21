package orbispace.app.view;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.function.ToDoubleFunction;
import orbispace.core.design.Drive;
import orbispace.core.design.Gate;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Width;
import org.jspecify.annotations.Nullable;

/** The numbers of drive, gate and width, by name. */
final class StageNumbers {
    private static final String DECIBELS = "decibels like \u221218";
    private static final String MILLIS = "milliseconds like 12";

    private StageNumbers() {}

    /** All of them. */
    static Map<String, ReturnNumber> table() {
        Map<String, ReturnNumber> all = new LinkedHashMap<>();
        all.put(
                "drive",
                new ReturnNumber.Scalar(
                        "decibels like 6; 0 means off",
                        Entries::db,
                        r -> true,
                        r -> r.chain().drive() == null ? 0 : r.chain().drive().driveDb(),
                        1,
                        0,
                        40,
                        (s, r, v) -> Optional.of(new ReturnEdit.Driving(r.id(), drive(r, v)))));
        all.put(
                "width",
                new ReturnNumber.Scalar(
                        "percent like 120",
                        Entries::percent,
                        r -> true,
                        r -> r.chain().width().factor(),
                        0.05,
                        0,
                        2,
                        (s, r, v) ->
                                Optional.of(
                                        new ReturnEdit.Widening(
                                                r.id(),
                                                new Width(v, r.chain().width().monoBelowHz())))));
        all.put(
                "mono below",
                new ReturnNumber.Scalar(
                        "a frequency like 120; 0 means off",
                        Entries::hertz,
                        r -> true,
                        r -> r.chain().width().monoBelowHz(),
                        10,
                        0,
                        500,
                        (s, r, v) ->
                                Optional.of(
                                        new ReturnEdit.Widening(
                                                r.id(),
                                                new Width(
                                                        r.chain().width().factor(),
                                                        v < 20 ? 0 : v)))));
        gate(all);
        return all;
    }

    private static void gate(Map<String, ReturnNumber> all) {
        all.put(
                "gate: opens at",
                number(
                        DECIBELS,
                        Entries::db,
                        g -> g.thresholdDb(),
                        1,
                        -90,
                        0,
                        (g, v) -> g.withThreshold(v, g.hysteresisDb())));
        all.put(
                "gate: hysteresis",
                number(
                        DECIBELS,
                        Entries::db,
                        g -> g.hysteresisDb(),
                        0.5,
                        0,
                        40,
                        (g, v) -> g.withThreshold(g.thresholdDb(), v)));
        all.put(
                "gate: attack",
                number(
                        MILLIS,
                        Entries::millis,
                        g -> g.attackMillis(),
                        0.5,
                        0.1,
                        500,
                        (g, v) -> g.withTimes(v, g.holdMillis(), g.releaseMillis())));
        all.put(
                "gate: release",
                number(
                        MILLIS,
                        Entries::millis,
                        g -> g.releaseMillis(),
                        5,
                        1,
                        5000,
                        (g, v) -> g.withTimes(g.attackMillis(), g.holdMillis(), v)));
        all.put(
                "gate: length",
                new ReturnNumber.Time(
                        r -> r.gate() != null,
                        r -> {
                            MusicalTime length = r.gate() == null ? null : r.gate().length();
                            return length == null ? new MusicalTime.Millis(0) : length;
                        },
                        (s, r, t) ->
                                Optional.ofNullable(r.gate())
                                        .map(g -> new ReturnEdit.Gating(r.id(), g.withLength(t)))));
    }

    private static ReturnNumber number(
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
                r -> r.gate() != null,
                r -> r.gate() == null ? 0 : now.applyAsDouble(r.gate()),
                step,
                low,
                high,
                (s, r, v) ->
                        Optional.ofNullable(r.gate())
                                .map(g -> new ReturnEdit.Gating(r.id(), with.apply(g, v))));
    }

    private static @Nullable Drive drive(Return r, double db) {
        Drive now = r.chain().drive();
        return db == 0 ? null : new Drive(db, now != null && now.afterSpace());
    }
}
