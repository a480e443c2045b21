package orbispace.core.space;

/**
 * An echo.
 *
 * @param kind how its arrivals go between the sides
 * @param leftSeconds time to the first arrival and between arrivals, 0.001 to 8
 * @param rightSeconds the same on the right, for a stereo pair; otherwise as the left
 * @param feedback level of each arrival relative to the one before, 0 to 0.95
 * @param loop what happens in the feedback loop
 * @param width how far apart the sides are, 0 (middle) to 1 (hard left and right); of one that
 *     walks how far each arrival goes of the way that is left, 1 for 60 percent
 */
public record EchoSettings(
        Kind kind,
        double leftSeconds,
        double rightSeconds,
        double feedback,
        Loop loop,
        double width)
        implements EngineSettings {
    /** The longest spacing. */
    public static final double MAX_SECONDS = 8;

    /** So much of a time, a sixth of a cent, may be rounded. */
    private static final double UNHEARD = 1e-4;

    /** How arrivals go between the sides. */
    public enum Kind {
        /** Each arrival where the send was. */
        SINGLE("echo"),
        /** Left and right with times of their own. */
        PAIR("stereo echo"),
        /** Left, right, left. */
        PING_PONG("ping-pong echo"),
        /** From the middle further to the left each time. */
        WALK_LEFT("echo walking left"),
        /** From the middle further to the right each time. */
        WALK_RIGHT("echo walking right");

        private final String label;

        Kind(String label) {
            this.label = label;
        }

        /** Whether its arrivals go from the middle to a side. */
        public boolean walks() {
            return this == WALK_LEFT || this == WALK_RIGHT;
        }

        /** Its name in words. */
        public String label() {
            return label;
        }
    }

    /**
     * The feedback loop.
     *
     * @param highPassHz corner, 20 to 2,000
     * @param lowPassHz corner, 500 to 20,000
     * @param saturation how hard the soft curve bends, 0 (not at all) to 1
     * @param wowMillis how far the time sways to each side, 0 to 5
     * @param wowHz how fast it sways, 0.05 to 5
     * @param glideMillis how long a new time is glided to, which bends the pitch meanwhile, 20 to
     *     5,000; 0 to fade to it without
     */
    public record Loop(
            double highPassHz,
            double lowPassHz,
            double saturation,
            double wowMillis,
            double wowHz,
            double glideMillis) {
        /** A loop that fades to a new time. */
        public Loop(
                double highPassHz,
                double lowPassHz,
                double saturation,
                double wowMillis,
                double wowHz) {
            this(highPassHz, lowPassHz, saturation, wowMillis, wowHz, 0);
        }

        /** Checks the ranges. */
        public Loop {
            EngineSettings.require("loop high-pass", highPassHz, 20, 2000);
            EngineSettings.require("loop low-pass", lowPassHz, 500, 20000);
            EngineSettings.require("loop saturation", saturation, 0, 1);
            EngineSettings.require("wow", wowMillis, 0, 5);
            EngineSettings.require("wow rate", wowHz, 0.05, 5);
            if (glideMillis != 0) {
                EngineSettings.require("glide", glideMillis, 20, 5000);
            }
        }

        /** A loop of two filters that neither bends nor sways. */
        public static Loop filters(double highPassHz, double lowPassHz) {
            return new Loop(highPassHz, lowPassHz, 0, 0, 0.5);
        }

        /** The same loop with another high-pass. */
        public Loop withHighPass(double other) {
            return new Loop(other, lowPassHz, saturation, wowMillis, wowHz, glideMillis);
        }

        /** The same loop with another low-pass. */
        public Loop withLowPass(double other) {
            return new Loop(highPassHz, other, saturation, wowMillis, wowHz, glideMillis);
        }

        /** The same loop with another saturation. */
        public Loop withSaturation(double other) {
            return new Loop(highPassHz, lowPassHz, other, wowMillis, wowHz, glideMillis);
        }

        /** The same loop with another sway. */
        public Loop withWow(double other) {
            return new Loop(highPassHz, lowPassHz, saturation, other, wowHz, glideMillis);
        }
    }

    /** Checks the ranges. */
    public EchoSettings {
        EngineSettings.require("echo time", leftSeconds, 0.001, MAX_SECONDS);
        EngineSettings.require("right echo time", rightSeconds, 0.001, MAX_SECONDS);
        EngineSettings.require("feedback", feedback, 0, 0.95);
        EngineSettings.require("width", width, 0, 1);
    }

    @Override
    public double ringSeconds() {
        double arrivals = feedback < 1e-4 ? 1 : 1 + 100 / (-20 * Math.log10(feedback));
        return Math.max(leftSeconds, rightSeconds) * arrivals + 0.1;
    }

    @Override
    public boolean linear() {
        return loop.saturation() == 0 && loop.wowMillis() == 0;
    }

    @Override
    public EngineTuning tuning(double sampleRateHz) {
        return EchoTuning.of(this, sampleRateHz);
    }

    @Override
    public Object shape() {
        return kind + (loop.saturation() > 0 ? " bent" : "");
    }

    /**
     * A time in frames: whole ones where it stands still and nobody can tell, since reading between
     * frames costs highs with every repeat.
     */
    double frames(double seconds, double sampleRateHz) {
        double exact = Math.max(Echo.LEAST_FRAMES, seconds * sampleRateHz);
        double whole = Math.rint(exact);
        boolean steady = loop.wowMillis() == 0;
        return steady && Math.abs(whole - exact) <= UNHEARD * exact ? whole : exact;
    }
}
