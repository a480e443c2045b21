package orbispace.app.knob;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.function.ToDoubleFunction;
import orbispace.core.design.Drive;
import orbispace.core.design.Filter;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Width;
import org.jspecify.annotations.Nullable;

/** The numbers of drive, dip and width, by name. */
final class StageNumbers {
    private static final Filter.Dip USUAL_DIP = new Filter.Dip(400, 3, 1);

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
        all.put(
                "dip at",
                dip(
                        "a frequency like 420; 0 means none",
                        Entries::hertz,
                        10,
                        20,
                        20000,
                        Filter.Dip::hz,
                        (d, v) -> new Filter.Dip(v, d.depthDb(), d.octaves())));
        all.put(
                "dip by",
                dip(
                        "decibels like 3; 0 means none",
                        Entries::db,
                        0.5,
                        0.5,
                        24,
                        Filter.Dip::depthDb,
                        (d, v) -> new Filter.Dip(d.hz(), Math.abs(v), d.octaves())));
        all.putAll(GateNumbers.own());
        return all;
    }

    /** A number of the dip behind the space; the first one typed puts in a usual dip. */
    private static ReturnNumber dip(
            String accepted,
            Function<String, OptionalDouble> read,
            double step,
            double low,
            double high,
            ToDoubleFunction<Filter.Dip> now,
            BiFunction<Filter.Dip, Double, Filter.Dip> with) {
        return new ReturnNumber.Scalar(
                accepted,
                read,
                r -> true,
                r -> now.applyAsDouble(dipOf(r)),
                step,
                low,
                high,
                (s, r, v) ->
                        Optional.of(
                                new ReturnEdit.FilterOut(
                                        r.id(),
                                        r.filterOut()
                                                .withDip(
                                                        v == 0 ? null : with.apply(dipOf(r), v)))));
    }

    private static Filter.Dip dipOf(Return r) {
        Filter.Dip dip = r.filterOut().dip();
        return dip == null ? USUAL_DIP : dip;
    }

    private static @Nullable Drive drive(Return r, double db) {
        Drive now = r.chain().drive();
        return db == 0 ? null : new Drive(db, now != null && now.afterSpace());
    }
}
