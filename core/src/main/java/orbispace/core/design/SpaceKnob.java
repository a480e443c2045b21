package orbispace.core.design;

import java.util.Optional;
import java.util.function.Function;
import java.util.function.ToDoubleFunction;
import orbispace.core.space.EchoSettings;
import org.jspecify.annotations.Nullable;

/**
 * The numbers that only some kinds of space have. Before a colon of its title stands whose number
 * it is.
 */
@SuppressWarnings("ImmutableEnumChecker") // Functions that keep nothing.
public enum SpaceKnob implements Knob {
    /** T60 of the middle band. */
    DECAY(
            Space.Reverb.class,
            "decay",
            Setting.DECAY,
            Scale.seconds("decay", 0.1, 20).accepting("a time like 2.1 or 800 ms"),
            Space.Reverb::decaySeconds,
            (r, s, v) -> new ReturnEdit.Decay(r.id(), v)),
    /** T60 of the lows relative to it. */
    LOWS(
            Space.Reverb.class,
            "lows",
            Setting.SPACE,
            Scale.factor("low decay ratio", 0.25, 2),
            Space.Reverb::lowRatio,
            (r, s, v) -> new ReturnEdit.DecayRatios(r.id(), v, s.highRatio())),
    /** T60 of the highs relative to it. */
    HIGHS(
            Space.Reverb.class,
            "highs",
            Setting.SPACE,
            Scale.factor("high decay ratio", 0.1, 1.5),
            Space.Reverb::highRatio,
            (r, s, v) -> new ReturnEdit.DecayRatios(r.id(), s.lowRatio(), v)),
    /** How far its walls are. */
    SIZE(
            Space.Reverb.class,
            "size",
            Setting.SPACE,
            Scale.factor("size", 0.5, 2),
            Space.Reverb::size,
            (r, s, v) -> space(r, s.withSize(v), "size")),
    /** From the sound to the wall. */
    GATED_LENGTH(
            "gated: length",
            new Turn.Time(
                    r -> r.space() instanceof Space.Gated,
                    r -> ((Space.Gated) r.space()).length(),
                    "",
                    (at, r, t) ->
                            Optional.of(
                                    space(r, ((Space.Gated) r.space()).withLength(t), "length"))),
            Setting.SPACE),
    /** How long the last 40 dB take. */
    GATED_FALL(
            Space.Gated.class,
            "gated: fall",
            Setting.SPACE,
            Scale.millis("fall", 2, 500, 1, 0),
            Space.Gated::fallMillis,
            (r, s, v) -> space(r, s.withFall(v), "fall")),
    /** Highs removed above it. */
    GATED_BRIGHT(
            Space.Gated.class,
            "gated: bright",
            Setting.SPACE,
            Scale.hertz("brightness", 1000, 20000, 250),
            Space.Gated::brightHz,
            (r, s, v) ->
                    space(
                            r,
                            new Space.Gated(s.envelope(), s.length(), s.fallMillis(), v),
                            "brightness")),
    /** Taken away at the start of a response. */
    RESPONSE_START(
            Space.Convolution.class,
            "response: start",
            Setting.SPACE,
            Scale.millis("start of the response", 0, 10000, 1, 0),
            Space.Convolution::startMillis,
            (r, s, v) ->
                    space(
                            r,
                            new Space.Convolution(
                                    s.file(),
                                    v,
                                    s.keepMillis(),
                                    s.lowScale(),
                                    s.midScale(),
                                    s.highScale()),
                            "start")),
    /** How much of a response is kept. */
    RESPONSE_KEEP(
            Space.Convolution.class,
            "response: keep",
            Setting.SPACE,
            Scale.millis("length of the response", 0, 60000, 50, 0),
            Space.Convolution::keepMillis,
            s -> s.keepMillis() == 0 ? "all" : "",
            (r, s, v) ->
                    space(
                            r,
                            new Space.Convolution(
                                    s.file(),
                                    s.startMillis(),
                                    v,
                                    s.lowScale(),
                                    s.midScale(),
                                    s.highScale()),
                            "length")),
    /** Decay of the lows of a response relative to its own. */
    RESPONSE_LOWS(
            Space.Convolution.class,
            "response: lows",
            Setting.SPACE,
            Scale.factor("low decay scale", 0.25, 2),
            Space.Convolution::lowScale,
            (r, s, v) -> space(r, s.withScales(v, s.midScale(), s.highScale()), "lows")),
    /** Decay of the middle of a response relative to its own. */
    RESPONSE_DECAY(
            Space.Convolution.class,
            "response: decay",
            Setting.SPACE,
            Scale.factor("decay scale", 0.25, 2),
            Space.Convolution::midScale,
            (r, s, v) -> space(r, s.withScales(s.lowScale(), v, s.highScale()), "decay")),
    /** Decay of the highs of a response relative to its own. */
    RESPONSE_HIGHS(
            Space.Convolution.class,
            "response: highs",
            Setting.SPACE,
            Scale.factor("high decay scale", 0.25, 2),
            Space.Convolution::highScale,
            (r, s, v) -> space(r, s.withScales(s.lowScale(), s.midScale(), v), "highs")),
    /** Time to the first arrival and between arrivals. */
    ECHO_TIME(
            "echo time",
            new Turn.Time(
                    r -> r.space() instanceof Space.Echo,
                    r -> ((Space.Echo) r.space()).time(),
                    "",
                    (at, r, t) ->
                            Optional.of(
                                    new ReturnEdit.EchoTime(
                                            r.id(), t, ChainKnob.barFor(at, r, t)))),
            Setting.ECHO_TIME),
    /** The same of the right side, for a stereo pair. */
    RIGHT_TIME(
            "right time",
            new Turn.Time(
                    r -> r.space() instanceof Space.Echo,
                    r -> ((Space.Echo) r.space()).rightTime(),
                    "",
                    (at, r, t) ->
                            Optional.of(
                                    space(
                                            r,
                                            ((Space.Echo) r.space()).withRightTime(t),
                                            "right time"))),
            Setting.SPACE),
    /** Level of each arrival relative to the one before. */
    FEEDBACK(
            Space.Echo.class,
            "feedback",
            Setting.FEEDBACK,
            Scale.share("feedback", 0, 0.95, 0.01),
            Space.Echo::feedback,
            (r, s, v) -> new ReturnEdit.Feedback(r.id(), v)),
    /** How far apart the sides of an echo are. */
    SIDES(
            Space.Echo.class,
            "sides",
            Setting.SPACE,
            Scale.share("width", 0, 1, 0.05),
            Space.Echo::width,
            (r, s, v) -> new ReturnEdit.EchoWidth(r.id(), v)),
    /** Lows removed at each turn of the loop. */
    LOOP_HIGH_PASS(
            Space.Echo.class,
            "loop: high-pass",
            Setting.SPACE,
            Scale.hertz("loop high-pass", 20, 2000, 10),
            s -> s.loop().highPassHz(),
            (r, s, v) ->
                    space(
                            r,
                            s.withLoop(
                                    new EchoSettings.Loop(
                                            v,
                                            s.loop().lowPassHz(),
                                            s.loop().saturation(),
                                            s.loop().wowMillis(),
                                            s.loop().wowHz(),
                                            s.loop().glideMillis())),
                            "loop")),
    /** Highs removed at each turn of the loop. */
    LOOP_LOW_PASS(
            Space.Echo.class,
            "loop: low-pass",
            Setting.SPACE,
            Scale.hertz("loop low-pass", 500, 20000, 250),
            s -> s.loop().lowPassHz(),
            (r, s, v) ->
                    space(
                            r,
                            s.withLoop(
                                    new EchoSettings.Loop(
                                            s.loop().highPassHz(),
                                            v,
                                            s.loop().saturation(),
                                            s.loop().wowMillis(),
                                            s.loop().wowHz(),
                                            s.loop().glideMillis())),
                            "loop")),
    /** How hard the curve of the loop bends. */
    LOOP_BEND(
            Space.Echo.class,
            "loop: bend",
            Setting.SPACE,
            Scale.share("loop saturation", 0, 1, 0.05),
            s -> s.loop().saturation(),
            (r, s, v) ->
                    space(
                            r,
                            s.withLoop(
                                    new EchoSettings.Loop(
                                            s.loop().highPassHz(),
                                            s.loop().lowPassHz(),
                                            v,
                                            s.loop().wowMillis(),
                                            s.loop().wowHz(),
                                            s.loop().glideMillis())),
                            "loop")),
    /** How far the time sways to each side. */
    LOOP_WOW(
            Space.Echo.class,
            "loop: wow",
            Setting.SPACE,
            Scale.millis("wow", 0, 5, 0.1, 1),
            s -> s.loop().wowMillis(),
            (r, s, v) ->
                    space(
                            r,
                            s.withLoop(
                                    new EchoSettings.Loop(
                                            s.loop().highPassHz(),
                                            s.loop().lowPassHz(),
                                            s.loop().saturation(),
                                            v,
                                            s.loop().wowHz(),
                                            s.loop().glideMillis())),
                            "loop")),
    /** How long a new time is glided to. */
    GLIDE(
            Space.Echo.class,
            "new time: glide",
            Setting.SPACE,
            Scale.millis("glide", 0, 5000, 20, 0),
            s -> s.loop().glideMillis(),
            s -> s.loop().glideMillis() == 0 ? "none" : "",
            (r, s, v) ->
                    space(
                            r,
                            s.withLoop(
                                    new EchoSettings.Loop(
                                            s.loop().highPassHz(),
                                            s.loop().lowPassHz(),
                                            s.loop().saturation(),
                                            s.loop().wowMillis(),
                                            s.loop().wowHz(),
                                            glide(v))),
                            "glide")),
    /** Lows removed from copies. */
    COPIES_HIGH_PASS(
            Space.Doubler.class,
            "copies: no lows under",
            Setting.SPACE,
            Scale.hertz("doubler high-pass", 20, 1000, 10),
            Space.Doubler::highPassHz,
            (r, s, v) ->
                    space(
                            r,
                            new Space.Doubler(s.copies(), v, s.centre()),
                            "high-pass of the copies")),
    /** T60 of the space on the left. */
    PAIR_LEFT(
            Space.Split.class,
            "pair: left",
            Setting.SPACE,
            Scale.seconds("left decay", 0.1, 20),
            s -> s.left().decaySeconds(),
            (r, s, v) ->
                    space(
                            r,
                            new Space.Split(s.left().withDecay(v), s.right(), s.width()),
                            "left decay")),
    /** T60 of the space on the right. */
    PAIR_RIGHT(
            Space.Split.class,
            "pair: right",
            Setting.SPACE,
            Scale.seconds("right decay", 0.1, 20),
            s -> s.right().decaySeconds(),
            (r, s, v) ->
                    space(
                            r,
                            new Space.Split(s.left(), s.right().withDecay(v), s.width()),
                            "right decay")),
    /** How far apart the two are. */
    PAIR_SIDES(
            Space.Split.class,
            "pair: sides",
            Setting.SPACE,
            Scale.share("width", 0, 1, 0.05),
            Space.Split::width,
            (r, s, v) -> space(r, new Space.Split(s.left(), s.right(), v), "width")),
    /** Level over which a compressor turns down. */
    PRESS_OVER(
            Space.Parallel.class,
            "press: over",
            Setting.SPACE,
            Scale.decibels("threshold", -90, 0, 1, 0),
            Space.Parallel::thresholdDb,
            (r, s, v) ->
                    space(
                            r,
                            new Space.Parallel(
                                    v,
                                    s.ratio(),
                                    s.kneeDb(),
                                    s.attackMillis(),
                                    s.releaseMillis(),
                                    s.makeUpDb()),
                            "threshold")),
    /** How far it turns down. */
    PRESS_RATIO(
            Space.Parallel.class,
            "press: ratio",
            Setting.SPACE,
            new Scale("ratio", Unit.RATIO, "a factor like 1.2", 1, 100, 0.5, 1),
            Space.Parallel::ratio,
            (r, s, v) ->
                    space(
                            r,
                            new Space.Parallel(
                                    s.thresholdDb(),
                                    v,
                                    s.kneeDb(),
                                    s.attackMillis(),
                                    s.releaseMillis(),
                                    s.makeUpDb()),
                            "ratio")),
    /** How fast it turns down. */
    PRESS_ATTACK(
            Space.Parallel.class,
            "press: attack",
            Setting.SPACE,
            Scale.millis("attack", 0.5, 1000, 1, 1),
            Space.Parallel::attackMillis,
            (r, s, v) ->
                    space(
                            r,
                            new Space.Parallel(
                                    s.thresholdDb(),
                                    s.ratio(),
                                    s.kneeDb(),
                                    v,
                                    s.releaseMillis(),
                                    s.makeUpDb()),
                            "attack")),
    /** How fast it comes up again. */
    PRESS_RELEASE(
            Space.Parallel.class,
            "press: release",
            Setting.SPACE,
            Scale.millis("release", 5, 5000, 10, 0),
            Space.Parallel::releaseMillis,
            (r, s, v) ->
                    space(
                            r,
                            new Space.Parallel(
                                    s.thresholdDb(),
                                    s.ratio(),
                                    s.kneeDb(),
                                    s.attackMillis(),
                                    v,
                                    s.makeUpDb()),
                            "release")),
    /** Level given back. */
    PRESS_MAKE_UP(
            Space.Parallel.class,
            "press: make-up",
            Setting.SPACE,
            Scale.decibels("make-up", 0, 24, 0.5, 1),
            Space.Parallel::makeUpDb,
            (r, s, v) ->
                    space(
                            r,
                            new Space.Parallel(
                                    s.thresholdDb(),
                                    s.ratio(),
                                    s.kneeDb(),
                                    s.attackMillis(),
                                    s.releaseMillis(),
                                    v),
                            "make-up"));

    private final String title;
    private final Setting setting;
    private final Turn turn;
    private final @Nullable Scale scale;

    SpaceKnob(String title, Turn turn, Setting setting) {
        this.title = title;
        this.setting = setting;
        this.turn = turn;
        scale = null;
    }

    <S extends Space> SpaceKnob(
            Class<S> kind,
            String title,
            Setting setting,
            Scale scale,
            ToDoubleFunction<S> now,
            Set<S> set) {
        this(kind, title, setting, scale, now, s -> "", set);
    }

    <S extends Space> SpaceKnob(
            Class<S> kind,
            String title,
            Setting setting,
            Scale scale,
            ToDoubleFunction<S> now,
            Function<S, String> instead,
            Set<S> set) {
        this.title = title;
        this.setting = setting;
        this.scale = scale;
        turn =
                new Turn.Plain(
                        scale,
                        r -> kind.isInstance(r.space()),
                        r -> now.applyAsDouble(kind.cast(r.space())),
                        r -> kind.isInstance(r.space()) ? instead.apply(kind.cast(r.space())) : "",
                        (at, r, v) -> Optional.of(set.to(r, kind.cast(r.space()), v)));
    }

    /** Makes the edit that sets a number of a kind of space. */
    @FunctionalInterface
    private interface Set<S> {
        Edit to(Return r, S space, double value);
    }

    private static Edit space(Return r, Space space, String what) {
        return new ReturnEdit.Spatial(r.id(), space, what);
    }

    /** A glide is none or long enough to be one. */
    private static double glide(double millis) {
        return millis < 10 ? 0 : Math.max(20, millis);
    }

    /** What a space may not be. */
    void require(double value) {
        if (scale != null) {
            scale.require(value);
        }
    }

    @Override
    public String title() {
        return title;
    }

    @Override
    public String label() {
        return title.substring(title.indexOf(':') + 1).strip();
    }

    @Override
    public Setting setting() {
        return setting;
    }

    @Override
    public Turn turn() {
        return turn;
    }
}
