package orbispace.core.design;

import java.util.Optional;
import orbispace.core.space.EchoSettings;

/** The numbers of an echo, and of copies as a whole. */
@SuppressWarnings("ImmutableEnumChecker") // Functions that keep nothing.
public enum EchoKnob implements SpaceKnob {
    /** Time to the first arrival and between arrivals. */
    ECHO_TIME(
            SpaceKnob.Own.of(
                    "echo time",
                    new Turn.Time(
                            r -> r.space() instanceof Space.Echo,
                            r -> ((Space.Echo) r.space()).time(),
                            "",
                            (at, r, t) ->
                                    Optional.of(
                                            new ReturnEdit.EchoTime(
                                                    r.id(), t, ChainKnob.barFor(at, r, t)))),
                    Setting.ECHO_TIME)),
    /** The same of the right side, for a stereo pair. */
    RIGHT_TIME(
            SpaceKnob.Own.of(
                    "right time",
                    new Turn.Time(
                            r -> r.space() instanceof Space.Echo,
                            r -> ((Space.Echo) r.space()).rightTime(),
                            "",
                            (at, r, t) ->
                                    Optional.of(
                                            SpaceKnob.space(
                                                    r,
                                                    ((Space.Echo) r.space()).withRightTime(t),
                                                    "right time"))),
                    Setting.SPACE)),
    /** Level of each arrival relative to the one before. */
    FEEDBACK(
            SpaceKnob.Own.of(
                    Space.Echo.class,
                    "feedback",
                    Setting.FEEDBACK,
                    Scale.share("feedback", 0, 0.95, 0.01),
                    Space.Echo::feedback,
                    (r, s, v) -> new ReturnEdit.Feedback(r.id(), v))),
    /** How far apart the sides of an echo are. */
    SIDES(
            SpaceKnob.Own.of(
                    Space.Echo.class,
                    "sides",
                    Setting.SPACE,
                    Scale.share("width", 0, 1, 0.05),
                    Space.Echo::width,
                    (r, s, v) -> new ReturnEdit.EchoWidth(r.id(), v))),
    /** Lows removed at each turn of the loop. */
    LOOP_HIGH_PASS(
            SpaceKnob.Own.of(
                    Space.Echo.class,
                    "loop: high-pass",
                    Setting.SPACE,
                    Scale.hertz("loop high-pass", 20, 2000, 10),
                    s -> s.loop().highPassHz(),
                    (r, s, v) -> loop(r, s, s.loop().withHighPass(v)))),
    /** Highs removed at each turn of the loop. */
    LOOP_LOW_PASS(
            SpaceKnob.Own.of(
                    Space.Echo.class,
                    "loop: low-pass",
                    Setting.SPACE,
                    Scale.hertz("loop low-pass", 500, 20000, 250),
                    s -> s.loop().lowPassHz(),
                    (r, s, v) -> loop(r, s, s.loop().withLowPass(v)))),
    /** How hard the curve of the loop bends. */
    LOOP_BEND(
            SpaceKnob.Own.of(
                    Space.Echo.class,
                    "loop: bend",
                    Setting.SPACE,
                    Scale.share("loop saturation", 0, 1, 0.05),
                    s -> s.loop().saturation(),
                    (r, s, v) -> loop(r, s, s.loop().withSaturation(v)))),
    /** How far the time sways to each side. */
    LOOP_WOW(
            SpaceKnob.Own.of(
                    Space.Echo.class,
                    "loop: wow",
                    Setting.SPACE,
                    Scale.millis("wow", 0, 5, 0.1, 1),
                    s -> s.loop().wowMillis(),
                    (r, s, v) -> loop(r, s, s.loop().withWow(v)))),
    /** How long a new time is glided to. */
    GLIDE(
            SpaceKnob.Own.of(
                    Space.Echo.class,
                    "new time: glide",
                    Setting.SPACE,
                    Scale.millis("glide", 0, 5000, 20, 0),
                    s -> s.loop().glideMillis(),
                    s -> s.loop().glideMillis() == 0 ? "none" : "",
                    (r, s, v) ->
                            SpaceKnob.space(
                                    r,
                                    s.withLoop(
                                            new EchoSettings.Loop(
                                                    s.loop().highPassHz(),
                                                    s.loop().lowPassHz(),
                                                    s.loop().saturation(),
                                                    s.loop().wowMillis(),
                                                    s.loop().wowHz(),
                                                    glide(v))),
                                    "glide"))),
    /** Lows removed from copies. */
    COPIES_HIGH_PASS(
            SpaceKnob.Own.of(
                    Space.Copies.class,
                    "copies: no lows under",
                    Setting.SPACE,
                    Scale.hertz("high-pass of the copies", 20, 1000, 10),
                    Space.Copies::highPassHz,
                    (r, s, v) ->
                            SpaceKnob.space(
                                    r,
                                    new Space.Copies(s.copies(), v, s.centre()),
                                    "high-pass of the copies")));

    private final Own own;

    EchoKnob(Own own) {
        this.own = own;
    }

    /** A glide is none or long enough to be one. */
    private static double glide(double millis) {
        return millis < 10 ? 0 : Math.max(20, millis);
    }

    @Override
    public Own own() {
        return own;
    }

    private static Edit loop(Return r, Space.Echo echo, EchoSettings.Loop loop) {
        return SpaceKnob.space(r, echo.withLoop(loop), "loop");
    }
}
