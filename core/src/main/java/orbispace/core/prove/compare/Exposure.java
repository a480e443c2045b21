package orbispace.core.prove.compare;

import java.util.OptionalDouble;
import orbispace.core.words.Wording;

/**
 * How long and how loud was listened, against published guidance: 85 dB(A) for 8 hours a day with
 * an exchange rate of 3 dB (NIOSH 1998, publication 98-126). Guidance, not a limit: local rules and
 * a hearing professional come first. Levels are only counted once a sound-level meter was read;
 * before that, time alone is.
 *
 * @param seconds listened in all
 * @param sinceRestSeconds listened since the last rest
 * @param dose share of a day's guidance, 1 for all of it; only what was listened at a known level
 * @param offsetDb what turns the loudness of the mix in LUFS into dB(A) at the seat; empty without
 *     a reading
 */
public record Exposure(
        double seconds, double sinceRestSeconds, double dose, OptionalDouble offsetDb) {
    /** Nothing was listened to yet. */
    public static final Exposure NONE = new Exposure(0, 0, 0, OptionalDouble.empty());

    /** A rest is due after so long. */
    public static final double REST_DUE_SECONDS = 3600;

    /** A break of this length counts as a rest. */
    public static final double REST_SECONDS = 600;

    private static final double GUIDANCE_DB = 85;
    private static final double GUIDANCE_SECONDS = 8 * 3600;
    private static final double EXCHANGE_DB = 3;
    private static final double LEAST_READING = 30;
    private static final double MOST_READING = 120;

    /**
     * So much more was listened.
     *
     * @param forSeconds for how long
     * @param lufs loudness of what played
     */
    public Exposure heard(double forSeconds, double lufs) {
        double more =
                offsetDb.isEmpty() ? 0 : forSeconds / allowedSeconds(lufs + offsetDb.getAsDouble());
        return new Exposure(
                seconds + forSeconds, sinceRestSeconds + forSeconds, dose + more, offsetDb);
    }

    /** How long a level may be listened to in a day by the guidance. */
    public static double allowedSeconds(double levelDb) {
        return GUIDANCE_SECONDS / Math.pow(2, (levelDb - GUIDANCE_DB) / EXCHANGE_DB);
    }

    /**
     * A sound-level meter was read while a loudness played.
     *
     * @param readingDb in dB(A), 30 to 120
     */
    public Exposure calibrated(double readingDb, double lufs) {
        if (!(readingDb >= LEAST_READING && readingDb <= MOST_READING)) {
            throw new IllegalArgumentException(
                    "a sound-level meter reads 30 to 120 dB here, not " + readingDb);
        }
        return new Exposure(seconds, sinceRestSeconds, dose, OptionalDouble.of(readingDb - lufs));
    }

    /** A rest was taken. */
    public Exposure rested() {
        return new Exposure(seconds, 0, dose, offsetDb);
    }

    /** Whether a rest is due: an hour without one, or a day's guidance used up. */
    public boolean restDue() {
        return sinceRestSeconds >= REST_DUE_SECONDS || dose >= 1;
    }

    /** It in one line. */
    public String words(double lufs) {
        String time =
                (int) (seconds / 3600) + " h " + (int) (seconds % 3600 / 60) + " min listened";
        String level =
                offsetDb.isEmpty()
                        ? "; level not known, enter what a sound-level meter reads"
                        : Wording.format(
                                " at about %.0f dB: %.0f %% of a day by the guidance of 85 dB for"
                                        + " 8 h",
                                lufs + offsetDb.getAsDouble(), 100 * dose);
        return time + level + (restDue() ? ". A rest is due." : ".");
    }
}
