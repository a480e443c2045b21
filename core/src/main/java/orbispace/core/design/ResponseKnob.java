package orbispace.core.design;

/** The numbers of a convolution. */
@SuppressWarnings("ImmutableEnumChecker") // Functions that keep nothing.
public enum ResponseKnob implements SpaceKnob {
    /** Taken away at the start of a response. */
    START(
            SpaceKnob.Own.of(
                    Space.Convolution.class,
                    "response: start",
                    Setting.SPACE,
                    Scale.millis("start of the response", 0, 10000, 1, 0),
                    Space.Convolution::startMillis,
                    (r, s, v) ->
                            SpaceKnob.space(
                                    r,
                                    new Space.Convolution(
                                            s.file(),
                                            v,
                                            s.keepMillis(),
                                            s.lowScale(),
                                            s.midScale(),
                                            s.highScale()),
                                    "start"))),
    /** How much of a response is kept. */
    KEEP(
            SpaceKnob.Own.of(
                    Space.Convolution.class,
                    "response: keep",
                    Setting.SPACE,
                    Scale.millis("length of the response", 0, 60000, 50, 0),
                    Space.Convolution::keepMillis,
                    s -> s.keepMillis() == 0 ? "all" : "",
                    (r, s, v) ->
                            SpaceKnob.space(
                                    r,
                                    new Space.Convolution(
                                            s.file(),
                                            s.startMillis(),
                                            v,
                                            s.lowScale(),
                                            s.midScale(),
                                            s.highScale()),
                                    "length"))),
    /** Decay of the lows of a response relative to its own. */
    LOWS(
            SpaceKnob.Own.of(
                    Space.Convolution.class,
                    "response: lows",
                    Setting.SPACE,
                    Scale.factor("low decay scale", 0.25, 2),
                    Space.Convolution::lowScale,
                    (r, s, v) ->
                            SpaceKnob.space(
                                    r, s.withScales(v, s.midScale(), s.highScale()), "lows"))),
    /** Decay of the middle of a response relative to its own. */
    DECAY(
            SpaceKnob.Own.of(
                    Space.Convolution.class,
                    "response: decay",
                    Setting.SPACE,
                    Scale.factor("decay scale", 0.25, 2),
                    Space.Convolution::midScale,
                    (r, s, v) ->
                            SpaceKnob.space(
                                    r, s.withScales(s.lowScale(), v, s.highScale()), "decay"))),
    /** Decay of the highs of a response relative to its own. */
    HIGHS(
            SpaceKnob.Own.of(
                    Space.Convolution.class,
                    "response: highs",
                    Setting.SPACE,
                    Scale.factor("high decay scale", 0.25, 2),
                    Space.Convolution::highScale,
                    (r, s, v) ->
                            SpaceKnob.space(
                                    r, s.withScales(s.lowScale(), s.midScale(), v), "highs")));

    private final Own own;

    ResponseKnob(Own own) {
        this.own = own;
    }

    @Override
    public Own own() {
        return own;
    }
}
