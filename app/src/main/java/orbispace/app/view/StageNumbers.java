package orbispace.app.view;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import orbispace.core.design.Drive;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Width;
import org.jspecify.annotations.Nullable;

/** The numbers of drive and width, by name. */
final class StageNumbers {
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
        all.putAll(GateNumbers.own());
        return all;
    }

    private static @Nullable Drive drive(Return r, double db) {
        Drive now = r.chain().drive();
        return db == 0 ? null : new Drive(db, now != null && now.afterSpace());
    }
}
