package orbispace.core.time;

/** Arithmetic of tails and repeats that have to end in time. */
public final class Fit {
    private Fit() {}

    /**
     * The decay time T60 of a tail that is {@code downDb} below its start when the next event
     * comes: {@code 60 (within - predelay) / down}.
     *
     * @param withinSeconds time to the next event
     * @param predelaySeconds time before the tail starts, less than {@code withinSeconds}
     * @param downDb how far it must have fallen, above 0
     */
    public static double decayThatClears(
            double withinSeconds, double predelaySeconds, double downDb) {
        if (!(downDb > 0)) {
            throw new IllegalArgumentException("a tail must fall by more than 0 dB, not " + downDb);
        }
        if (!(predelaySeconds >= 0)) {
            throw new IllegalArgumentException("predelay " + predelaySeconds + " s is below 0");
        }
        if (!(withinSeconds > predelaySeconds)) {
            throw new IllegalArgumentException(
                    "the next event after "
                            + withinSeconds
                            + " s comes before the tail starts at "
                            + predelaySeconds
                            + " s");
        }
        return 60 * (withinSeconds - predelaySeconds) / downDb;
    }

    /**
     * Level in dB, re the tail's start, of an exponential tail at a time after the dry sound; 0
     * before it starts.
     */
    public static double tailLevelDb(double seconds, double predelaySeconds, double decaySeconds) {
        return seconds <= predelaySeconds ? 0 : -60 * (seconds - predelaySeconds) / decaySeconds;
    }

    /**
     * How many arrivals of an echo stay above {@code -downDb}, the first included; feedback 0 to
     * below 1.
     */
    public static int arrivalsAbove(double feedback, double downDb) {
        return feedback <= 0 ? 1 : (int) Math.ceil(downDb / (-20 * Math.log10(feedback)));
    }

    /** When the last arrival above {@code -downDb} comes: spacing times {@link #arrivalsAbove}. */
    public static double repeatsEndSeconds(double spacingSeconds, double feedback, double downDb) {
        return spacingSeconds * arrivalsAbove(feedback, downDb);
    }

    /**
     * The largest feedback whose repeats are {@code downDb} down within a gap: {@code 10^(-L d /
     * (20 t))}.
     */
    public static double feedbackThatFits(double spacingSeconds, double gapSeconds, double downDb) {
        return Math.pow(10, -downDb * spacingSeconds / (20 * gapSeconds));
    }

    /**
     * The same, counting whole repeats only: the last that still falls into the gap must be far
     * enough down. At least one repeat is let be. Rounded down to a hundredth.
     */
    public static double feedbackOfWholeRepeats(
            double spacingSeconds, double gapSeconds, double downDb) {
        double repeats = Math.max(1, Math.floor(gapSeconds / spacingSeconds));
        double fits = feedbackThatFits(spacingSeconds, repeats * spacingSeconds, downDb);
        return Math.floor(100 * fits) / 100;
    }

    /** When a tail has fallen by {@code downDb}: {@code predelay + T60 down / 60}. */
    public static double spokenSeconds(double predelaySeconds, double decaySeconds, double downDb) {
        return predelaySeconds + decaySeconds * downDb / 60;
    }
}
