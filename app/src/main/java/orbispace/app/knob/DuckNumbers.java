package orbispace.app.knob;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import orbispace.core.design.Duck;
import orbispace.core.design.Edit;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Role;
import orbispace.core.dynamics.DuckBand;
import org.jspecify.annotations.Nullable;

/** The numbers of a return's ducker, by name. */
final class DuckNumbers {
    private static final String LEVEL = "decibels like \u22126";
    private static final String MILLIS = "a time like 240 or 0.24 s";
    private static final String EDGE = "a frequency like 310 or 3.1k; 0 means everywhere";
    private static final DuckBand USUAL = new DuckBand(300, 4000);

    private DuckNumbers() {}

    /** All of them. */
    static Map<String, ReturnNumber> table() {
        Map<String, ReturnNumber> all = new LinkedHashMap<>();
        all.put(
                "depth",
                new ReturnNumber.Scalar(
                        LEVEL,
                        Entries::db,
                        r -> true,
                        r -> r.duck() == null ? 0 : r.duck().rangeDb(),
                        0.5,
                        0,
                        60,
                        (s, r, v) -> edit(s, r, d -> d.withRange(Math.abs(v)))));
        all.put(
                "hold",
                time(Duck::holdMillis, 0, 2000, (d, v) -> d.withTimes(v, d.releaseMillis())));
        all.put(
                "release",
                time(Duck::releaseMillis, 5, 5000, (d, v) -> d.withTimes(d.holdMillis(), v)));
        all.put(
                "duck over",
                number(
                        LEVEL,
                        Entries::db,
                        Duck::thresholdDb,
                        1,
                        -90,
                        0,
                        (d, v) -> d.keyedBy(d.keySource(), v)));
        all.put("duck from", edge(true));
        all.put("duck to", edge(false));
        return all;
    }

    private static ReturnNumber edge(boolean low) {
        return number(
                EDGE,
                Entries::hertz,
                d -> {
                    DuckBand band = d.band();
                    return band == null ? 0.0 : low ? band.lowHz() : band.highHz();
                },
                low ? 10 : 100,
                0,
                20000,
                (d, v) -> d.withBand(moved(d.band(), low, v)));
    }

    /** The band with one edge moved; the other edge gives way, and 0 means everywhere. */
    private static @Nullable DuckBand moved(@Nullable DuckBand band, boolean low, double hz) {
        if (hz < 20) {
            return null;
        }
        DuckBand from = band == null ? USUAL : band;
        double least = DuckBand.LEAST_RATIO;
        return low
                ? new DuckBand(
                        Math.min(hz, 10000), Math.max(from.highHz(), least * Math.min(hz, 10000)))
                : new DuckBand(
                        Math.clamp(Math.min(from.lowHz(), hz / least), 20, 10000),
                        Math.max(hz, 20 * least));
    }

    private static ReturnNumber time(
            Function<Duck, Double> now,
            double low,
            double high,
            BiFunction<Duck, Double, Duck> to) {
        return number(MILLIS, Entries::millis, now, 10, low, high, to);
    }

    private static ReturnNumber number(
            String accepted,
            Function<String, OptionalDouble> read,
            Function<Duck, Double> now,
            double step,
            double low,
            double high,
            BiFunction<Duck, Double, Duck> to) {
        return new ReturnNumber.Scalar(
                accepted,
                read,
                r -> r.duck() != null,
                r -> r.duck() == null ? 0 : now.apply(r.duck()),
                step,
                low,
                high,
                (s, r, v) -> edit(s, r, d -> to.apply(d, v)));
    }

    /** Changes the ducker as it is, or one keyed by the first lead; a depth of 0 is none. */
    private static Optional<Edit> edit(ReturnNumber.At at, Return r, UnaryOperator<Duck> change) {
        Optional<Duck> duck =
                Optional.ofNullable(r.duck())
                        .or(() ->
                                at.design().sourcesOf(Role.LEAD).stream()
                                        .findFirst()
                                        .map(s -> new Duck(s.id(), 0, -40, 8, 6, 5, 100, 240)));
        return duck.map(change)
                .map(d -> new ReturnEdit.Ducking(r.id(), d.rangeDb() == 0 ? null : d));
    }
}
