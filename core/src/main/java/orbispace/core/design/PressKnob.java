package orbispace.core.design;

/** The numbers of a compressor in place of a space. */
@SuppressWarnings("ImmutableEnumChecker") // Functions that keep nothing.
public enum PressKnob implements SpaceKnob {
    /** Level over which a compressor turns down. */
    OVER(
            SpaceKnob.Own.of(
                    Space.Parallel.class,
                    "press: over",
                    Setting.SPACE,
                    Scale.decibels("threshold", -90, 0, 1, 0),
                    Space.Parallel::thresholdDb,
                    (r, s, v) ->
                            SpaceKnob.space(
                                    r,
                                    new Space.Parallel(
                                            v,
                                            s.ratio(),
                                            s.kneeDb(),
                                            s.attackMillis(),
                                            s.releaseMillis(),
                                            s.makeUpDb()),
                                    "threshold"))),
    /** How far it turns down. */
    RATIO(
            SpaceKnob.Own.of(
                    Space.Parallel.class,
                    "press: ratio",
                    Setting.SPACE,
                    new Scale("ratio", Unit.RATIO, "a factor like 1.2", 1, 100, 0.5, 1),
                    Space.Parallel::ratio,
                    (r, s, v) ->
                            SpaceKnob.space(
                                    r,
                                    new Space.Parallel(
                                            s.thresholdDb(),
                                            v,
                                            s.kneeDb(),
                                            s.attackMillis(),
                                            s.releaseMillis(),
                                            s.makeUpDb()),
                                    "ratio"))),
    /** How fast it turns down. */
    ATTACK(
            SpaceKnob.Own.of(
                    Space.Parallel.class,
                    "press: attack",
                    Setting.SPACE,
                    Scale.millis("attack", 0.5, 1000, 1, 1),
                    Space.Parallel::attackMillis,
                    (r, s, v) ->
                            SpaceKnob.space(
                                    r,
                                    new Space.Parallel(
                                            s.thresholdDb(),
                                            s.ratio(),
                                            s.kneeDb(),
                                            v,
                                            s.releaseMillis(),
                                            s.makeUpDb()),
                                    "attack"))),
    /** How fast it comes up again. */
    RELEASE(
            SpaceKnob.Own.of(
                    Space.Parallel.class,
                    "press: release",
                    Setting.SPACE,
                    Scale.millis("release", 5, 5000, 10, 0),
                    Space.Parallel::releaseMillis,
                    (r, s, v) ->
                            SpaceKnob.space(
                                    r,
                                    new Space.Parallel(
                                            s.thresholdDb(),
                                            s.ratio(),
                                            s.kneeDb(),
                                            s.attackMillis(),
                                            v,
                                            s.makeUpDb()),
                                    "release"))),
    /** Level given back. */
    MAKE_UP(
            SpaceKnob.Own.of(
                    Space.Parallel.class,
                    "press: make-up",
                    Setting.SPACE,
                    Scale.decibels("make-up", 0, 24, 0.5, 1),
                    Space.Parallel::makeUpDb,
                    (r, s, v) ->
                            SpaceKnob.space(
                                    r,
                                    new Space.Parallel(
                                            s.thresholdDb(),
                                            s.ratio(),
                                            s.kneeDb(),
                                            s.attackMillis(),
                                            s.releaseMillis(),
                                            v),
                                    "make-up")));

    private final Own own;

    PressKnob(Own own) {
        this.own = own;
    }

    @Override
    public Own own() {
        return own;
    }
}
