package orbispace.core.design;

/** The engine of a return as it is designed, with musical times. */
public sealed interface Space {

    /**
     * A hall.
     *
     * @param decaySeconds T60 of the middle band, 0.1 to 20
     * @param lowRatio T60 of the lows relative to it, 0.25 to 2
     * @param highRatio T60 of the highs relative to it, 0.1 to 1.5
     */
    record Hall(double decaySeconds, double lowRatio, double highRatio) implements Space {
        /** Checks the ranges. */
        public Hall {
            Ranges.require("decay", decaySeconds, 0.1, 20);
            Ranges.require("low decay ratio", lowRatio, 0.25, 2);
            Ranges.require("high decay ratio", highRatio, 0.1, 1.5);
        }
    }

    /**
     * An echo that alternates between the sides.
     *
     * @param time to the first arrival and between arrivals
     * @param feedback level of each arrival relative to the one before, 0 to 0.95
     * @param loopHighPassHz 20 to 2,000
     * @param loopLowPassHz 500 to 20,000
     * @param width how far apart the sides are, 0 to 1
     */
    record PingPong(
            MusicalTime time,
            double feedback,
            double loopHighPassHz,
            double loopLowPassHz,
            double width)
            implements Space {
        /** Checks the ranges. */
        public PingPong {
            if (feedback >= 1) {
                throw new IllegalArgumentException(
                        "feedback " + feedback + " would grow without end; it must stay under 1");
            }
            Ranges.require("feedback", feedback, 0, 0.95);
            Ranges.require("loop high-pass", loopHighPassHz, 20, 2000);
            Ranges.require("loop low-pass", loopLowPassHz, 500, 20000);
            Ranges.require("width", width, 0, 1);
        }

        /** The same echo at another time. */
        public PingPong withTime(MusicalTime other) {
            return new PingPong(other, feedback, loopHighPassHz, loopLowPassHz, width);
        }

        /** The same echo with another feedback. */
        public PingPong withFeedback(double other) {
            return new PingPong(time, other, loopHighPassHz, loopLowPassHz, width);
        }

        /** The same echo with its sides further apart or closer. */
        public PingPong withWidth(double other) {
            return new PingPong(time, feedback, loopHighPassHz, loopLowPassHz, other);
        }
    }

    /** The kind in words. */
    default String kind() {
        return switch (this) {
            case Hall h -> "hall";
            case PingPong p -> "ping-pong echo";
        };
    }
}
