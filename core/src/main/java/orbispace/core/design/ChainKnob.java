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
    /** Lows removed behind the space. */
    HIGH_PASS("high-pass", Setting.HIGH_PASS, after(true)),
    /** Highs removed behind the space. */
    LOW_PASS("low-pass", Setting.LOW_PASS, after(false)),
    /** Where a bell turns down behind the space; the first one typed puts in a usual bell. */
    DIP_AT(
            "dip at",
            Setting.DIP,
            dip(
                    Scale.hertz("dip", 20, 20000, 10)
                            .accepting("a frequency like 420; 0 means none"),
                    "none",
                    Filter.Dip::hz,
                    (d, v) -> new Filter.Dip(v, d.depthDb(), d.octaves()))),
    /** How far it turns down. */
    DIP_BY(
            "dip by",
            Setting.DIP,
            dip(
                    Scale.decibels("dip depth", 0.5, 24, 0.5, 1)
                            .accepting("decibels like 3; 0 means none"),
                    "\u2013",
                    Filter.Dip::depthDb,
                    (d, v) -> new Filter.Dip(d.hz(), Math.abs(v), d.octaves()))),
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
            new Turn.Plain(
                    Scale.share("width", 0, 2, 0.05).accepting("percent like 120"),
                    r -> true,
                    r -> r.chain().width().factor(),
                    (at, r, v) ->
                            Optional.of(
                                    new ReturnEdit.Widening(
                                            r.id(),
                                            new Width(v, r.chain().width().monoBelowHz()))))),
    /** Lows kept in the middle. */
    MONO_BELOW(
            "mono below",
            Setting.WIDTH,
            new Turn.Plain(
                    Scale.hertz("mono below", 0, 500, 10)
                            .accepting("a frequency like 120; 0 means off"),
                    r -> true,
                    r -> r.chain().width().monoBelowHz(),
                    r -> r.chain().width().monoBelowHz() == 0 ? "off" : "",
                    (at, r, v) ->
                            Optional.of(
                                    new ReturnEdit.Widening(
                                            r.id(),
                                            new Width(
                                                    r.chain().width().factor(), v < 20 ? 0 : v))))),
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

    private static final double USUAL_DIP_HZ = 400;

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

    private static Turn dip(
            Scale scale,
            String none,
            ToDoubleFunction<Filter.Dip> now,
            BiFunction<Filter.Dip, Double, Filter.Dip> with) {
        Function<Return, Filter.Dip> dip =
                r -> {
                    Filter.Dip set = r.filterOut().dip();
                    return set == null ? new Filter.Dip(USUAL_DIP_HZ, 3, 1) : set;
                };
        return new Turn.Plain(
                scale,
                r -> true,
                r -> now.applyAsDouble(dip.apply(r)),
                r -> r.filterOut().dip() == null ? none : "",
                (at, r, v) ->
                        Optional.of(
                                new ReturnEdit.FilterOut(
                                        r.id(),
                                        r.filterOut()
                                                .withDip(
                                                        v == 0
                                                                ? null
                                                                : with.apply(dip.apply(r), v)))));
    }

    private static @Nullable Drive drive(Return r, double db) {
        Drive now = r.chain().drive();
        return db == 0 ? null : new Drive(db, now != null && now.afterSpace());
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
        return title.replace(" before", "");
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
