package orbispace.app.knob;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.function.ToDoubleFunction;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Space;
import orbispace.core.space.DoublerSettings;
import orbispace.core.space.EchoSettings;

/**
 * The numbers that only some kinds of space have, by name. A name before a colon says whose number
 * it is; fields show what follows it.
 */
final class SpaceNumbers {
    private static final String MILLIS = "milliseconds like 12";
    private static final String FACTOR = "a factor like 1.2";
    private static final String HERTZ = "a frequency like 310 or 3.1k";
    private static final String PERCENT = "percent like 31";
    private static final String DECIBELS = "decibels like \u221218";

    private static final Map<String, ReturnNumber> ALL = all();

    private SpaceNumbers() {}

    /** All of them. */
    static Map<String, ReturnNumber> table() {
        return ALL;
    }

    private static Map<String, ReturnNumber> all() {
        Map<String, ReturnNumber> all = new LinkedHashMap<>();
        reverb(all);
        gated(all);
        convolution(all);
        echo(all);
        for (int v = 0; v < 4; v++) {
            copy(all, v);
        }
        doubler(all);
        split(all);
        parallel(all);
        return all;
    }

    /** How a number of one kind of space is read and set. */
    private record Field<S extends Space>(
            Class<S> kind, String accepted, Function<String, OptionalDouble> read) {
        ReturnNumber of(
                String what,
                ToDoubleFunction<S> now,
                double step,
                double low,
                double high,
                BiFunction<S, Double, Space> with) {
            return new ReturnNumber.Scalar(
                    accepted,
                    read,
                    r -> kind.isInstance(r.space()),
                    r -> now.applyAsDouble(kind.cast(r.space())),
                    step,
                    low,
                    high,
                    (s, r, v) -> {
                        Space space = with.apply(kind.cast(r.space()), v);
                        return Optional.of(new ReturnEdit.Spatial(r.id(), space, what));
                    });
        }
    }

    private static <S extends Space> ReturnNumber time(
            Class<S> kind,
            String what,
            Function<S, MusicalTime> now,
            BiFunction<S, MusicalTime, Space> with) {
        return new ReturnNumber.Time(
                r -> kind.isInstance(r.space()),
                r -> now.apply(kind.cast(r.space())),
                (s, r, t) -> {
                    Space space = with.apply(kind.cast(r.space()), t);
                    return Optional.of(new ReturnEdit.Spatial(r.id(), space, what));
                });
    }

    private static void reverb(Map<String, ReturnNumber> all) {
        var factor = new Field<>(Space.Reverb.class, FACTOR, Entries::factor);
        all.put(
                "size",
                factor.of(
                        "size",
                        Space.Reverb::size,
                        0.05,
                        0.5,
                        2,
                        (s, v) ->
                                new Space.Reverb(
                                        s.kind(),
                                        s.decaySeconds(),
                                        s.lowRatio(),
                                        s.highRatio(),
                                        v)));
    }

    private static void gated(Map<String, ReturnNumber> all) {
        all.put(
                "gated: length",
                time(Space.Gated.class, "length", Space.Gated::length, Space.Gated::withLength));
        all.put(
                "gated: fall",
                new Field<>(Space.Gated.class, MILLIS, Entries::millis)
                        .of(
                                "fall",
                                Space.Gated::fallMillis,
                                1,
                                2,
                                500,
                                (s, v) ->
                                        new Space.Gated(
                                                s.envelope(), s.length(), v, s.brightHz())));
        all.put(
                "gated: bright",
                new Field<>(Space.Gated.class, HERTZ, Entries::hertz)
                        .of(
                                "brightness",
                                Space.Gated::brightHz,
                                250,
                                1000,
                                20000,
                                (s, v) ->
                                        new Space.Gated(
                                                s.envelope(), s.length(), s.fallMillis(), v)));
    }

    /**
     * One of several bare numbers of a kind of space: all are read into an array, one is changed,
     * and the space is made of them anew.
     */
    private record Row<S extends Space>(
            Class<S> kind, Function<S, double[]> values, BiFunction<S, double[], Space> made) {
        ReturnNumber at(int index, Unit unit, double step, double low, double high) {
            return new Field<>(kind, unit.accepted, unit.read)
                    .of(
                            unit.what,
                            s -> values.apply(s)[index],
                            step,
                            low,
                            high,
                            (s, v) -> {
                                double[] all = values.apply(s);
                                all[index] = v;
                                return made.apply(s, all);
                            });
        }
    }

    /** How a bare number is written, and what it is called in the history. */
    private record Unit(String what, String accepted, Function<String, OptionalDouble> read) {
        static Unit millis(String what) {
            return new Unit(what, MILLIS, Entries::millis);
        }

        static Unit factor(String what) {
            return new Unit(what, FACTOR, Entries::factor);
        }

        static Unit hertz(String what) {
            return new Unit(what, HERTZ, Entries::hertz);
        }

        static Unit db(String what) {
            return new Unit(what, DECIBELS, Entries::db);
        }

        static Unit percent(String what) {
            return new Unit(what, PERCENT, Entries::percent);
        }
    }

    private static void convolution(Map<String, ReturnNumber> all) {
        Row<Space.Convolution> row =
                new Row<>(
                        Space.Convolution.class,
                        c ->
                                new double[] {
                                    c.startMillis(),
                                    c.keepMillis(),
                                    c.lowScale(),
                                    c.midScale(),
                                    c.highScale()
                                },
                        (c, v) -> new Space.Convolution(c.file(), v[0], v[1], v[2], v[3], v[4]));
        all.put("response: start", row.at(0, Unit.millis("start"), 1, 0, 10000));
        all.put("response: keep", row.at(1, Unit.millis("length"), 50, 0, 60000));
        all.put("response: lows", row.at(2, Unit.factor("lows"), 0.05, 0.25, 2));
        all.put("response: decay", row.at(3, Unit.factor("decay"), 0.05, 0.25, 2));
        all.put("response: highs", row.at(4, Unit.factor("highs"), 0.05, 0.25, 2));
    }

    private static void echo(Map<String, ReturnNumber> all) {
        all.put(
                "right time",
                time(
                        Space.Echo.class,
                        "right time",
                        Space.Echo::rightTime,
                        Space.Echo::withRightTime));
        Row<Space.Echo> row =
                new Row<>(
                        Space.Echo.class,
                        e ->
                                new double[] {
                                    e.loop().highPassHz(),
                                    e.loop().lowPassHz(),
                                    e.loop().saturation(),
                                    e.loop().wowMillis(),
                                    e.loop().wowHz(),
                                    e.loop().glideMillis()
                                },
                        (e, v) ->
                                e.withLoop(
                                        new EchoSettings.Loop(
                                                v[0], v[1], v[2], v[3], v[4], glide(v[5]))));
        all.put("loop: high-pass", row.at(0, Unit.hertz("loop"), 10, 20, 2000));
        all.put("loop: low-pass", row.at(1, Unit.hertz("loop"), 250, 500, 20000));
        all.put("loop: bend", row.at(2, Unit.percent("loop"), 0.05, 0, 1));
        all.put("loop: wow", row.at(3, Unit.millis("loop"), 0.1, 0, 5));
        all.put("new time: glide", row.at(5, Unit.millis("glide"), 20, 0, 5000));
    }

    /** A glide is none or long enough to be one. */
    private static double glide(double millis) {
        return millis < 10 ? 0 : Math.max(20, millis);
    }

    private static void copy(Map<String, ReturnNumber> all, int index) {
        String name = "copy " + (index + 1) + ": ";
        all.put(
                name + "later",
                voice(
                        MILLIS,
                        Entries::millis,
                        index,
                        v -> 1000 * v.seconds(),
                        0.5,
                        5,
                        100,
                        (v, x) -> new DoublerSettings.Voice(x / 1000, v.cents(), v.side())));
        all.put(
                name + "cents",
                voice(
                        "cents like \u22128",
                        t -> Entries.number(t, "cents"),
                        index,
                        v -> v.cents(),
                        1,
                        -50,
                        50,
                        (v, x) -> new DoublerSettings.Voice(v.seconds(), x, v.side())));
        all.put(
                name + "side",
                voice(
                        "percent of right like 80, left like \u221280",
                        Entries::percent,
                        index,
                        v -> v.side(),
                        0.05,
                        -1,
                        1,
                        (v, x) -> new DoublerSettings.Voice(v.seconds(), v.cents(), x)));
    }

    private static ReturnNumber voice(
            String accepted,
            Function<String, OptionalDouble> read,
            int index,
            ToDoubleFunction<DoublerSettings.Voice> now,
            double step,
            double low,
            double high,
            BiFunction<DoublerSettings.Voice, Double, DoublerSettings.Voice> with) {
        return new ReturnNumber.Scalar(
                accepted,
                read,
                r -> r.space() instanceof Space.Doubler d && d.copies().size() > index,
                r -> now.applyAsDouble(doubler(r).copies().get(index)),
                step,
                low,
                high,
                (s, r, v) -> {
                    Space.Doubler d = doubler(r);
                    List<DoublerSettings.Voice> copies = new ArrayList<>(d.copies());
                    copies.set(index, with.apply(copies.get(index), v));
                    return Optional.of(
                            new ReturnEdit.Spatial(
                                    r.id(),
                                    new Space.Doubler(copies, d.highPassHz(), d.centre()),
                                    "copy " + (index + 1)));
                });
    }

    private static Space.Doubler doubler(Return r) {
        if (r.space() instanceof Space.Doubler d) {
            return d;
        }
        throw new IllegalArgumentException(r.name() + " is no doubler");
    }

    private static void doubler(Map<String, ReturnNumber> all) {
        all.put(
                "copies: no lows under",
                new Field<>(Space.Doubler.class, HERTZ, Entries::hertz)
                        .of(
                                "high-pass of the copies",
                                d -> d.highPassHz(),
                                10,
                                20,
                                1000,
                                (d, v) -> new Space.Doubler(d.copies(), v, d.centre())));
    }

    private static void split(Map<String, ReturnNumber> all) {
        var seconds = new Field<>(Space.Split.class, "a time like 1.2 or 800 ms", Entries::seconds);
        all.put(
                "pair: left",
                seconds.of(
                        "left decay",
                        s -> s.left().decaySeconds(),
                        0.05,
                        0.1,
                        20,
                        (s, v) -> new Space.Split(s.left().withDecay(v), s.right(), s.width())));
        all.put(
                "pair: right",
                seconds.of(
                        "right decay",
                        s -> s.right().decaySeconds(),
                        0.05,
                        0.1,
                        20,
                        (s, v) -> new Space.Split(s.left(), s.right().withDecay(v), s.width())));
        all.put(
                "pair: sides",
                new Field<>(Space.Split.class, PERCENT, Entries::percent)
                        .of(
                                "width",
                                s -> s.width(),
                                0.05,
                                0,
                                1,
                                (s, v) -> new Space.Split(s.left(), s.right(), v)));
    }

    private static void parallel(Map<String, ReturnNumber> all) {
        Row<Space.Parallel> row =
                new Row<>(
                        Space.Parallel.class,
                        p ->
                                new double[] {
                                    p.thresholdDb(),
                                    p.ratio(),
                                    p.kneeDb(),
                                    p.attackMillis(),
                                    p.releaseMillis(),
                                    p.makeUpDb()
                                },
                        (p, v) -> new Space.Parallel(v[0], v[1], v[2], v[3], v[4], v[5]));
        all.put("press: over", row.at(0, Unit.db("threshold"), 1, -90, 0));
        all.put("press: ratio", row.at(1, Unit.factor("ratio"), 0.5, 1, 100));
        all.put("press: attack", row.at(3, Unit.millis("attack"), 1, 0.5, 1000));
        all.put("press: release", row.at(4, Unit.millis("release"), 10, 5, 5000));
        all.put("press: make-up", row.at(5, Unit.db("make-up"), 0.5, 0, 24));
    }
}
