package orbispace.core.design;

import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.ToDoubleFunction;
import java.util.function.UnaryOperator;
import orbispace.core.dynamics.DuckBand;
import org.jspecify.annotations.Nullable;

/** The numbers of a return's ducker; a depth that is turned up puts one in. */
@SuppressWarnings("ImmutableEnumChecker") // Functions that keep nothing.
public enum DuckKnob implements Knob {
    /** The most it turns down. */
    DEPTH(
            "depth",
            Scale.decibels("duck range", 0, 60, 0.5, 1).in(Unit.REDUCTION),
            Duck::rangeDb,
            (d, v) -> d.withRange(v)),
    /** How long it stays down. */
    HOLD(
            "hold",
            Scale.millis("duck hold", 0, 2000, 10, 0),
            Duck::holdMillis,
            (d, v) -> d.withTimes(v, d.releaseMillis())),
    /** How it comes up again. */
    RELEASE(
            "release",
            Scale.millis("duck release", 5, 5000, 10, 0),
            Duck::releaseMillis,
            (d, v) -> d.withTimes(d.holdMillis(), v)),
    /** Level of the key at which it begins. */
    OVER(
            "duck over",
            Scale.decibels("duck threshold", -90, 0, 1, 0).in(Unit.FULL_SCALE),
            Duck::thresholdDb,
            (d, v) -> d.keyedBy(d.keySource(), v)),
    /** How many decibels of the key over that bring one less of the return. */
    RATIO(
            "duck ratio",
            new Scale("duck ratio", Unit.RATIO, "", 1, 100, 0.5, 1),
            Duck::ratio,
            (d, v) -> d.withCurve(v, d.kneeDb())),
    /** Over how much of the key it begins. */
    KNEE(
            "duck knee",
            Scale.decibels("duck knee", 0, 24, 1, 0),
            Duck::kneeDb,
            (d, v) -> d.withCurve(d.ratio(), v)),
    /** How fast it goes down. */
    ATTACK(
            "duck attack",
            Scale.millis("duck attack", 0.5, 1000, 1, 1),
            Duck::attackMillis,
            (d, v) -> d.withAttack(v)),
    /** Where it begins to turn down. */
    FROM(
            "duck from",
            Scale.hertz("duck from", 0, 20000, 10),
            d -> edge(d, true),
            (d, v) -> d.withBand(moved(d.band(), true, v))),
    /** Where it ends to turn down. */
    TO(
            "duck to",
            Scale.hertz("duck to", 0, 20000, 100),
            d -> edge(d, false),
            (d, v) -> d.withBand(moved(d.band(), false, v)));

    private final String title;
    private final Scale scale;
    private final Turn turn;

    DuckKnob(
            String title,
            Scale given,
            ToDoubleFunction<Duck> now,
            BiFunction<Duck, Double, Duck> with) {
        this.title = title;
        scale = given.accepting(accepted(given.unit()));
        turn =
                new Turn.Plain(
                        scale,
                        r -> isDepth() || r.duck() != null,
                        r -> r.duck() == null ? 0 : now.applyAsDouble(r.duck()),
                        this::instead,
                        (at, r, v) -> edit(at, r, d -> with.apply(d, v)));
    }

    private static String accepted(Unit unit) {
        return switch (unit) {
            case MILLIS -> "a time like 240 or 0.24 s";
            case HERTZ -> "a frequency like 310 or 3.1k; 0 means everywhere";
            case RATIO -> "how much to one, like 4";
            case DECIBELS,
                    REDUCTION,
                    FULL_SCALE,
                    SECONDS,
                    SHARE,
                    FACTOR,
                    CENTS,
                    OCTAVES,
                    SLOPE,
                    TURNS ->
                    "decibels like \u22126";
        };
    }

    private boolean isDepth() {
        return this == DEPTH;
    }

    private String instead(Return r) {
        Duck duck = r.duck();
        if (duck == null) {
            return isDepth() ? "off" : "\u2013";
        }
        return switch (this) {
            case FROM -> duck.band() == null ? "lowest" : "";
            case TO -> duck.band() == null ? "highest" : "";
            case DEPTH, HOLD, RELEASE, OVER, RATIO, KNEE, ATTACK -> "";
        };
    }

    /** What a ducker may not be. */
    void require(double value) {
        scale.require(value);
    }

    private static double edge(Duck duck, boolean low) {
        DuckBand band = duck.band();
        if (band == null) {
            return 0;
        }
        return low ? band.lowHz() : band.highHz();
    }

    /** The band with one edge moved; the other edge gives way, and 0 means everywhere. */
    private static @Nullable DuckBand moved(@Nullable DuckBand band, boolean low, double hz) {
        if (hz < 20) {
            return null;
        }
        DuckBand from = band == null ? new DuckBand(300, 4000) : band;
        double least = DuckBand.LEAST_RATIO;
        return low
                ? new DuckBand(
                        Math.min(hz, 10000), Math.max(from.highHz(), least * Math.min(hz, 10000)))
                : new DuckBand(
                        Math.clamp(Math.min(from.lowHz(), hz / least), 20, 10000),
                        Math.max(hz, 20 * least));
    }

    /** Changes the ducker as it is, or one keyed by the first lead; a depth of 0 is none. */
    private static Optional<Edit> edit(At at, Return r, UnaryOperator<Duck> change) {
        Optional<Duck> duck =
                Optional.ofNullable(r.duck())
                        .or(() ->
                                Leads.main(at.design())
                                        .map(s -> new Duck(s.id(), 0, -40, 8, 6, 5, 100, 240)));
        return duck.map(change)
                .map(d -> new ReturnEdit.Ducking(r.id(), d.rangeDb() == 0 ? null : d));
    }

    @Override
    public String title() {
        return title;
    }

    @Override
    public String label() {
        return title.replace("duck ", "");
    }

    @Override
    public Setting setting() {
        return Setting.DUCK;
    }

    @Override
    public Turn turn() {
        return turn;
    }
}
