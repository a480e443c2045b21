package orbispace.core.design;

import java.util.Optional;

/** The numbers of tails: reverbs, gated ones and pairs of them. */
@SuppressWarnings("ImmutableEnumChecker") // Functions that keep nothing.
public enum TailKnob implements SpaceKnob {
    /** T60 of the middle band. */
    DECAY(
            SpaceKnob.Own.of(
                    Space.Reverb.class,
                    "decay",
                    Setting.DECAY,
                    Scale.seconds("decay", 0.1, 20).accepting("a time like 2.1 or 800 ms"),
                    Space.Reverb::decaySeconds,
                    (r, s, v) -> new ReturnEdit.Decay(r.id(), v))),
    /** T60 of the lows relative to it. */
    LOWS(
            SpaceKnob.Own.of(
                    Space.Reverb.class,
                    "lows",
                    Setting.SPACE,
                    Scale.factor("low decay ratio", 0.25, 2),
                    Space.Reverb::lowRatio,
                    (r, s, v) -> new ReturnEdit.DecayRatios(r.id(), v, s.highRatio()))),
    /** T60 of the highs relative to it. */
    HIGHS(
            SpaceKnob.Own.of(
                    Space.Reverb.class,
                    "highs",
                    Setting.SPACE,
                    Scale.factor("high decay ratio", 0.1, 2),
                    Space.Reverb::highRatio,
                    (r, s, v) -> new ReturnEdit.DecayRatios(r.id(), s.lowRatio(), v))),
    /** How far its walls are. */
    SIZE(
            SpaceKnob.Own.of(
                    Space.Reverb.class,
                    "size",
                    Setting.SPACE,
                    Scale.factor("size", 0.5, 2),
                    Space.Reverb::size,
                    (r, s, v) -> SpaceKnob.space(r, s.withSize(v), "size"))),
    /** How much sooner its echoes are dense than the kind's own. */
    DENSITY(
            SpaceKnob.Own.of(
                    Space.Reverb.class,
                    "density",
                    Setting.SPACE,
                    Scale.factor("density", 0.25, 4),
                    s -> s.character().density(),
                    (r, s, v) ->
                            SpaceKnob.space(
                                    r, s.withCharacter(s.character().withDensity(v)), "density"))),
    /** Over how long it comes to its level. */
    BUILD_UP(
            SpaceKnob.Own.of(
                    Space.Reverb.class,
                    "build-up",
                    Setting.SPACE,
                    Scale.millis("build-up", 0, 200, 1, 0),
                    s -> 1000 * s.character().buildUpSeconds(),
                    (r, s, v) ->
                            SpaceKnob.space(
                                    r,
                                    s.withCharacter(s.character().withBuildUp(v / 1000)),
                                    "build-up"))),
    /** How far its sides sway in time. */
    MOVEMENT(
            SpaceKnob.Own.of(
                    Space.Reverb.class,
                    "movement",
                    Setting.SPACE,
                    Scale.millis("movement", 0, 0.3, 0.05, 2),
                    s -> 1000 * s.character().movementSeconds(),
                    (r, s, v) ->
                            SpaceKnob.space(
                                    r,
                                    s.withCharacter(s.character().withMovement(v / 1000)),
                                    "movement"))),
    /** How far its senders stand in it. */
    DISTANCE(
            SpaceKnob.Own.of(
                    Space.Reverb.class,
                    "distance",
                    Setting.SPACE,
                    Scale.factor("distance", 0.25, 2),
                    s -> s.character().distance(),
                    (r, s, v) ->
                            SpaceKnob.space(
                                    r,
                                    s.withCharacter(s.character().withDistance(v)),
                                    "distance"))),
    /** From the sound to the wall. */
    GATED_LENGTH(
            SpaceKnob.Own.of(
                    "gated: length",
                    new Turn.Time(
                            r -> r.space() instanceof Space.Gated,
                            r -> ((Space.Gated) r.space()).length(),
                            "",
                            (at, r, t) ->
                                    Optional.of(
                                            SpaceKnob.space(
                                                    r,
                                                    ((Space.Gated) r.space()).withLength(t),
                                                    "length"))),
                    Setting.SPACE)),
    /** How long the last 40 dB take. */
    GATED_FALL(
            SpaceKnob.Own.of(
                    Space.Gated.class,
                    "gated: fall",
                    Setting.SPACE,
                    Scale.millis("fall", 2, 500, 1, 0),
                    Space.Gated::fallMillis,
                    (r, s, v) -> SpaceKnob.space(r, s.withFall(v), "fall"))),
    /** Highs removed above it. */
    GATED_BRIGHT(
            SpaceKnob.Own.of(
                    Space.Gated.class,
                    "gated: bright",
                    Setting.SPACE,
                    Scale.hertz("brightness", 1000, 20000, 250),
                    Space.Gated::brightHz,
                    (r, s, v) ->
                            SpaceKnob.space(
                                    r,
                                    new Space.Gated(s.envelope(), s.length(), s.fallMillis(), v),
                                    "brightness"))),
    /** T60 of the space on the left. */
    PAIR_LEFT(
            SpaceKnob.Own.of(
                    SplitPair.class,
                    "pair: left",
                    Setting.SPACE,
                    Scale.seconds("left decay", 0.1, 20),
                    s -> s.left().decaySeconds(),
                    (r, s, v) ->
                            SpaceKnob.space(
                                    r,
                                    s.withSpaces(s.left().withDecay(v), s.right()),
                                    "left decay"))),
    /** T60 of the space on the right. */
    PAIR_RIGHT(
            SpaceKnob.Own.of(
                    SplitPair.class,
                    "pair: right",
                    Setting.SPACE,
                    Scale.seconds("right decay", 0.1, 20),
                    s -> s.right().decaySeconds(),
                    (r, s, v) ->
                            SpaceKnob.space(
                                    r,
                                    s.withSpaces(s.left(), s.right().withDecay(v)),
                                    "right decay"))),
    /** How far apart the two are. */
    PAIR_SIDES(
            SpaceKnob.Own.of(
                    SplitPair.class,
                    "pair: sides",
                    Setting.SPACE,
                    Scale.share("width", 0, 1, 0.05),
                    SplitPair::width,
                    (r, s, v) -> SpaceKnob.space(r, s.withWidth(v), "width")));

    private final Own own;

    TailKnob(Own own) {
        this.own = own;
    }

    @Override
    public Own own() {
        return own;
    }
}
