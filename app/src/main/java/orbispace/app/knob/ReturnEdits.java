package orbispace.app.knob;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.ToDoubleFunction;
import orbispace.core.design.Edit;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Space;

/**
 * Edits of a return's numbers by name: from what was typed, and by steps. Shared by handles and
 * cards.
 */
public final class ReturnEdits {
    private static final String LEVEL = "decibels like \u22128";
    private static final String FACTOR = "a factor like 1.2";
    private static final String SHARE = "percent like 31";

    private static final Map<String, ReturnNumber> NUMBERS = numbers();

    private static Map<String, ReturnNumber> numbers() {
        Map<String, ReturnNumber> all = new HashMap<>();
        all.put("predelay", predelay());
        all.put("echo time", echoTime());
        all.put("decay", decay());
        all.put("lows", lows());
        all.put("highs", highs());
        all.put("feedback", feedback());
        all.put("sides", sides());
        all.put("return", level());
        all.put("high-pass before", before(true));
        all.put("low-pass before", before(false));
        all.put("high-pass", after(true));
        all.put("low-pass", after(false));
        all.putAll(DuckNumbers.table());
        all.putAll(SpaceNumbers.table());
        all.putAll(StageNumbers.table());
        return Map.copyOf(all);
    }

    private ReturnEdits() {}

    private static Optional<ReturnNumber> number(String name) {
        return Optional.ofNullable(NUMBERS.get(name)).or(() -> GateNumbers.ofSendNamed(name));
    }

    /** What may be typed for a number, in words. */
    public static String accepted(String name) {
        return number(name).map(ReturnNumber::accepted).orElse("nothing");
    }

    /** The edit that a typed text means; empty if it is not understood. */
    public static Optional<Edit> typed(ReturnNumber.At at, Return r, String name, String text) {
        return number(name).flatMap(n -> n.typed(at, r, text));
    }

    /** The edit that a hand makes of a number that is a plain value. */
    public static Optional<Edit> valued(ReturnNumber.At at, Return r, String name, double value) {
        return number(name).flatMap(n -> n.valued(at, r, value));
    }

    /** The edit that a hand makes of a number that is a time. */
    public static Optional<Edit> timed(
            ReturnNumber.At at, Return r, String name, MusicalTime time) {
        return number(name).flatMap(n -> n.timed(at, r, time));
    }

    /** The edit of one step up or down; empty if this return has no such number. */
    public static Optional<Edit> step(
            ReturnNumber.At at, Return r, String name, int direction, StepSize size) {
        double steps = direction * size.steps();
        return number(name).flatMap(n -> n.stepped(at, r, steps));
    }

    private static ReturnNumber predelay() {
        return new ReturnNumber.Time(
                r -> true,
                Return::predelay,
                (s, r, t) -> Optional.of(new ReturnEdit.Predelay(r.id(), t, barFor(s, r, t))));
    }

    private static ReturnNumber echoTime() {
        return new ReturnNumber.Time(
                r -> r.space() instanceof Space.Echo,
                r -> echo(r).time(),
                (s, r, t) -> Optional.of(new ReturnEdit.EchoTime(r.id(), t, barFor(s, r, t))));
    }

    private static int barFor(ReturnNumber.At at, Return r, MusicalTime time) {
        return time instanceof MusicalTime.Note ? at.bar() : r.timedAtBar();
    }

    private static ReturnNumber decay() {
        return new ReturnNumber.Scalar(
                "a time like 2.1 or 800 ms",
                Entries::seconds,
                r -> r.space() instanceof Space.Reverb,
                r -> hall(r).decaySeconds(),
                0.05,
                0.1,
                20,
                (s, r, v) -> Optional.of(new ReturnEdit.Decay(r.id(), v)));
    }

    private static ReturnNumber lows() {
        return ratio(
                r -> hall(r).lowRatio(),
                0.25,
                2,
                (r, v) -> new ReturnEdit.DecayRatios(r.id(), v, hall(r).highRatio()));
    }

    private static ReturnNumber highs() {
        return ratio(
                r -> hall(r).highRatio(),
                0.1,
                1.5,
                (r, v) -> new ReturnEdit.DecayRatios(r.id(), hall(r).lowRatio(), v));
    }

    private static ReturnNumber ratio(
            ToDoubleFunction<Return> now,
            double least,
            double most,
            BiFunction<Return, Double, Edit> edit) {
        return new ReturnNumber.Scalar(
                FACTOR,
                Entries::factor,
                r -> r.space() instanceof Space.Reverb,
                now,
                0.05,
                least,
                most,
                (s, r, v) -> Optional.of(edit.apply(r, v)));
    }

    private static ReturnNumber feedback() {
        return new ReturnNumber.Scalar(
                SHARE,
                Entries::percent,
                r -> r.space() instanceof Space.Echo,
                r -> echo(r).feedback(),
                0.01,
                0,
                0.95,
                (s, r, v) -> Optional.of(new ReturnEdit.Feedback(r.id(), v)));
    }

    private static ReturnNumber sides() {
        return new ReturnNumber.Scalar(
                SHARE,
                Entries::percent,
                r -> r.space() instanceof Space.Echo,
                r -> echo(r).width(),
                0.05,
                0,
                1,
                (s, r, v) -> Optional.of(new ReturnEdit.EchoWidth(r.id(), v)));
    }

    private static ReturnNumber level() {
        return new ReturnNumber.Scalar(
                LEVEL,
                Entries::db,
                r -> true,
                Return::levelDb,
                0.5,
                -90,
                24,
                (s, r, v) -> Optional.of(new ReturnEdit.Level(r.id(), v)));
    }

    private static ReturnNumber before(boolean high) {
        return new ReturnNumber.Corner(
                Return::filterIn,
                high,
                (s, r, f) -> Optional.of(new ReturnEdit.FilterIn(r.id(), f)));
    }

    private static ReturnNumber after(boolean high) {
        return new ReturnNumber.Corner(
                Return::filterOut,
                high,
                (s, r, f) -> Optional.of(new ReturnEdit.FilterOut(r.id(), f)));
    }

    private static Space.Reverb hall(Return r) {
        if (r.space() instanceof Space.Reverb hall) {
            return hall;
        }
        throw new IllegalArgumentException(r.name() + " is no reverb");
    }

    private static Space.Echo echo(Return r) {
        if (r.space() instanceof Space.Echo echo) {
            return echo;
        }
        throw new IllegalArgumentException(r.name() + " is no echo");
    }
}
