package orbispace.core.space;

/** The kinds of reverb: how they begin. All decay alike. */
public enum ReverbKind {
    /** A few clear walls, and between them a field that is soon dense. */
    ROOM("room", new Start(49, 0.0, 0.0).dense(0.029, 1.4).walls(0.018).alike(0.26)),
    /** Hard and bright: dense within a few milliseconds, loudest at once. */
    CHAMBER("chamber", new Start(154, 0.0, 0.0).dense(0.004, 1.2).burst(9).alike(0.52)),
    /** A sheet of metal: dense from the first moment, highs before lows, no walls. */
    PLATE("plate", new Start(46, 0.007, 0.5).dense(0, 1).disperses(0.26)),
    /** Builds up over some tens of milliseconds. */
    HALL("hall", new Start(96, 0.04, 0.2).dense(0.033, 1.7).alike(0.24)),
    /** Opens slowly, with far walls. */
    VAST("vast", new Start(102, 0.095, 0.05).dense(0.039, 1.15));

    private final String label;

    @SuppressWarnings("ImmutableEnumChecker") // A record of numbers.
    private final Start start;

    ReverbKind(String label, Start start) {
        this.label = label;
        this.start = start;
    }

    /** Its name in words and in projects. */
    public String label() {
        return label;
    }

    /** The build-up of the kind itself at size 1, in seconds; 0 for loudest at once. */
    public double buildUpSeconds() {
        return start.buildUp;
    }

    /** Whether single walls are heard in it. */
    public boolean hasWalls() {
        return start.walls > 0;
    }

    Start start() {
        return start;
    }

    /**
     * How a kind begins at size 1.
     *
     * @param buildUp over how many seconds it comes to its level
     * @param first its power in the first moment, re that level
     * @param denseSeconds when the density of its echoes is 0.63
     * @param denseGrowth the power of time that the density grows with
     * @param walls energy of its clear walls, as that of so many seconds of the field at its start
     * @param burst how much louder than its field it is in the first milliseconds, as a power
     * @param dispersion how much later lows are: seconds times the root of a hertz
     * @param alike how much its sides have in common
     * @param seed of its noise, chosen so that every octave falls as straight as can be
     */
    record Start(
            double buildUp,
            double first,
            double denseSeconds,
            double denseGrowth,
            double walls,
            double burst,
            double dispersion,
            double alike,
            long seed) {
        private Start(long seed, double buildUp, double first) {
            this(buildUp, first, 0, 1, 0, 0, 0, 0, seed);
        }

        private Start dense(double seconds, double growth) {
            return new Start(
                    buildUp, first, seconds, growth, walls, burst, dispersion, alike, seed);
        }

        private Start walls(double seconds) {
            return new Start(
                    buildUp,
                    first,
                    denseSeconds,
                    denseGrowth,
                    seconds,
                    burst,
                    dispersion,
                    alike,
                    seed);
        }

        private Start burst(double power) {
            return new Start(
                    buildUp,
                    first,
                    denseSeconds,
                    denseGrowth,
                    walls,
                    power,
                    dispersion,
                    alike,
                    seed);
        }

        private Start disperses(double by) {
            return new Start(
                    buildUp, first, denseSeconds, denseGrowth, walls, burst, by, alike, seed);
        }

        private Start alike(double share) {
            return new Start(
                    buildUp,
                    first,
                    denseSeconds,
                    denseGrowth,
                    walls,
                    burst,
                    dispersion,
                    share,
                    seed);
        }
    }
}
