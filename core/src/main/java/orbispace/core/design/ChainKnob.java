package orbispace.core.design;

import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.function.ToDoubleFunction;
import org.jspecify.annotations.Nullable;

/** The numbers that every return has: predelay, filters, drive, width and level. */
@SuppressWarnings("ImmutableEnumChecker") // Functions that keep nothing.
public enum ChainKnob implements Knob {
    /** Time before the space. */
    PREDELAY(
            "predelay",
            Setting.PREDELAY,
            new Turn.Time(
                    r -> true,
                    Return::predelay,
                    "",
                    (at, r, t) ->
                            Optional.of(new ReturnEdit.Predelay(r.id(), t, barFor(at, r, t))))),
    /** Lows removed before the space. */
    HIGH_PASS_BEFORE("high-pass before", Setting.HIGH_PASS, before(true)),
    /** Highs removed before the space. */
    LOW_PASS_BEFORE("low-pass before", Setting.LOW_PASS, before(false)),
    /** How steeply lows are removed before the space. */
    HIGH_SLOPE_BEFORE(
            "high-pass slope before", Setting.HIGH_PASS, slope(Return::filterIn, true, true)),
    /** How steeply highs are removed before the space. */
    LOW_SLOPE_BEFORE(
            "low-pass slope before", Setting.LOW_PASS, slope(Return::filterIn, true, false)),
    /** Lows removed behind the space. */
    HIGH_PASS("high-pass", Setting.HIGH_PASS, after(true)),
    /** Highs removed behind the space. */
    LOW_PASS("low-pass", Setting.LOW_PASS, after(false)),
    /** How steeply lows are removed behind the space. */
    HIGH_SLOPE("high-pass slope", Setting.HIGH_PASS, slope(Return::filterOut, false, true)),
    /** How steeply highs are removed behind the space. */
    LOW_SLOPE("low-pass slope", Setting.LOW_PASS, slope(Return::filterOut, false, false)),
    /** How far the sound is driven into a soft curve. */
    DRIVE(
            "drive",
            null,
            new Turn.Plain(
                    Scale.decibels("drive", 0, 40, 1, 0).accepting("decibels like 6; 0 means off"),
                    r -> true,
                    r -> r.chain().drive() == null ? 0 : r.chain().drive().driveDb(),
                    r -> r.chain().drive() == null ? "off" : "",
                    (at, r, v) -> Optional.of(new ReturnEdit.Driving(r.id(), drive(r, v))))),
    /** How far apart the sides are. */
    WIDTH(
            "width",
            Setting.WIDTH,
            widened(
                    Scale.share("width", 0, 2, 0.05).accepting("percent like 120"),
                    Width::factor,
                    Width::withFactor,
                    w -> "")),
    /** Lows kept in the middle. */
    MONO_BELOW(
            "mono below",
            Setting.WIDTH,
            widened(
                    Scale.hertz("mono below", 0, 500, 10)
                            .accepting("a frequency like 120; 0 means off"),
                    Width::monoBelowHz,
                    (w, v) -> w.withMonoBelow(v < 20 ? 0 : v),
                    w -> w.monoBelowHz() == 0 ? "off" : "")),
    /** Where all of it stands. */
    PAN(
            "pan",
            Setting.WIDTH,
            widened(
                    Scale.share("pan of a return", -1, 1, 0.05)
                            .accepting("percent of right like 30, left like \u221230"),
                    Width::pan,
                    Width::withPan,
                    w -> w.pan() == 0 ? "middle" : "")),
    /** Level of the return. */
    LEVEL(
            "return",
            Setting.LEVEL,
            new Turn.Plain(
                    Scale.decibels("return level", -90, 24, 0.5, 1)
                            .accepting("decibels like \u22128"),
                    r -> true,
                    Return::levelDb,
                    (at, r, v) -> Optional.of(new ReturnEdit.Level(r.id(), v))));

    private final String title;
    private final @Nullable Setting setting;
    private final Turn turn;

    ChainKnob(String title, @Nullable Setting setting, Turn turn) {
        this.title = title;
        this.setting = setting;
        this.turn = turn;
    }

    /** A note value is taken at the chosen bar; a plain time leaves the bar as it is. */
    static int barFor(At at, Return r, MusicalTime time) {
        return time instanceof MusicalTime.Note ? at.bar() : r.timedAtBar();
    }

    private static Turn before(boolean high) {
        return new Turn.Corner(
                Return::filterIn,
                high,
                (at, r, f) -> Optional.of(new ReturnEdit.FilterIn(r.id(), f)));
    }

    private static Turn after(boolean high) {
        return new Turn.Corner(
                Return::filterOut,
                high,
                (at, r, f) -> Optional.of(new ReturnEdit.FilterOut(r.id(), f)));
    }

    /** How steep a corner is, where there is one. */
    private static Turn slope(Function<Return, Filter> filter, boolean before, boolean high) {
        Function<Return, Filter.@Nullable Corner> corner =
                r -> high ? filter.apply(r).highPass() : filter.apply(r).lowPass();
        return new Turn.Plain(
                new Scale("slope", Unit.SLOPE, "6, 12, 18 or 24 dB/oct", 6, 48, 6, 0),
                r -> corner.apply(r) != null,
                r -> corner.apply(r) == null ? 0 : corner.apply(r).slopeDb(),
                (at, r, v) -> {
                    Filter.Corner now = corner.apply(r);
                    if (now == null || v % 6 != 0) {
                        return Optional.empty();
                    }
                    Filter.Corner set = new Filter.Corner(now.hz(), (int) (v / 6));
                    Filter f = filter.apply(r);
                    return Optional.of(
                            BandKnob.set(
                                    r, before, high ? f.withHighPass(set) : f.withLowPass(set)));
                });
    }

    private static Turn widened(
            Scale scale,
            ToDoubleFunction<Width> now,
            BiFunction<Width, Double, Width> with,
            Function<Width, String> instead) {
        return new Turn.Plain(
                scale,
                r -> true,
                r -> now.applyAsDouble(r.chain().width()),
                r -> instead.apply(r.chain().width()),
                (at, r, v) ->
                        Optional.of(
                                new ReturnEdit.Widening(r.id(), with.apply(r.chain().width(), v))));
    }

    private static @Nullable Drive drive(Return r, double db) {
        Drive now = r.chain().drive();
        if (db == 0) {
            return null;
        }
        return now == null ? new Drive(db, false) : now.withDrive(db);
    }

    /** What a return may not be. */
    void require(double value) {
        if (turn instanceof Turn.Plain plain) {
            plain.scale().require(value);
        }
    }

    @Override
    public String title() {
        return title;
    }

    @Override
    public String label() {
        return title.replace(" before", "").replaceFirst("^.*-pass slope", "slope");
    }

    @Override
    public @Nullable Setting setting() {
        return setting;
    }

    @Override
    public Turn turn() {
        return turn;
    }
}
