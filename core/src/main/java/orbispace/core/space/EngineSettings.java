package orbispace.core.space;

/** The settings of an engine, in seconds and hertz. */
public sealed interface EngineSettings {

    /** How long the engine may still sound after its input ends, in seconds, down to -100 dB. */
    double ringSeconds();

    /**
     * A hall that builds up and decays exponentially.
     *
     * @param decaySeconds T60 of the middle band, 0.1 to 20
     * @param lowRatio T60 of the lows relative to the middle, 0.25 to 2
     * @param highRatio T60 of the highs relative to the middle, 0.1 to 1.5
     */
    record Hall(double decaySeconds, double lowRatio, double highRatio) implements EngineSettings {
        /** Checks the ranges. */
        public Hall {
            require("decay", decaySeconds, 0.1, 20);
            require("low decay ratio", lowRatio, 0.25, 2);
            require("high decay ratio", highRatio, 0.1, 1.5);
        }

        @Override
        public double ringSeconds() {
            return decaySeconds * Math.max(1, lowRatio) * 100 / 60 + 0.2;
        }
    }

    /**
     * An echo that alternates between left and right.
     *
     * @param spacingSeconds time to the first arrival and between arrivals, 0.001 to 8
     * @param feedback level of each arrival relative to the one before, 0 to 0.95
     * @param loopHighPassHz corner in the feedback loop, 20 to 2,000
     * @param loopLowPassHz corner in the feedback loop, 500 to 20,000
     * @param width how far apart the sides are, 0 (middle) to 1 (hard left and right)
     */
    record PingPong(
            double spacingSeconds,
            double feedback,
            double loopHighPassHz,
            double loopLowPassHz,
            double width)
            implements EngineSettings {
        /** The longest spacing. */
        public static final double MAX_SECONDS = 8;

        /** Checks the ranges. */
        public PingPong {
            require("echo time", spacingSeconds, 0.001, MAX_SECONDS);
            require("feedback", feedback, 0, 0.95);
            require("loop high-pass", loopHighPassHz, 20, 2000);
            require("loop low-pass", loopLowPassHz, 500, 20000);
            require("width", width, 0, 1);
        }

        @Override
        public double ringSeconds() {
            double arrivals = feedback < 1e-4 ? 1 : 1 + 100 / (-20 * Math.log10(feedback));
            return spacingSeconds * arrivals + 0.1;
        }
    }

    private static void require(String what, double value, double low, double high) {
        if (!(value >= low && value <= high)) {
            throw new IllegalArgumentException(
                    what + " " + value + " is outside " + low + " to " + high);
        }
    }
}
