package orbispace.core.prove.compare;

import java.util.OptionalDouble;
import orbispace.core.audio.Audio;
import orbispace.core.words.Wording;

/**
 * Two renderings of the same song subtracted: how far what is left lies under the sound itself.
 *
 * @param residualDb energy of the difference re that of the first; empty if there is nothing to
 *     compare or no difference at all
 * @param words what that means
 */
public record Settlement(OptionalDouble residualDb, String words) {
    private static final double SAME_DB = -60;
    private static final double CLOSE_DB = -25;

    /** Subtracts two wet sounds of one rate, channel by channel. */
    public static Settlement of(Audio first, Audio second) {
        return of(first, second, first);
    }

    /** Subtracts two mixes; what is left is told against the wet of the first. */
    public static Settlement of(Audio first, Audio second, Audio wet) {
        double difference = 0;
        double power = 0;
        int frames = Math.max(first.frames(), second.frames());
        for (int c = 0; c < 2; c++) {
            float[] a = first.channel(c);
            float[] b = second.channel(c);
            float[] heard = wet.channel(c);
            for (int i = 0; i < frames; i++) {
                double x = i < a.length ? a[i] : 0;
                double y = i < b.length ? b[i] : 0;
                difference += (x - y) * (x - y);
                double w = i < heard.length ? heard[i] : 0;
                power += w * w;
            }
        }
        if (power == 0 && difference > 0) {
            return new Settlement(OptionalDouble.empty(), "Only the other one sounds.");
        }
        if (power == 0) {
            return new Settlement(OptionalDouble.empty(), "There is no wet sound to compare.");
        }
        if (difference == 0) {
            return new Settlement(OptionalDouble.empty(), "The same sound, to the last bit.");
        }
        double db = 10 * Math.log10(difference / power);
        return new Settlement(OptionalDouble.of(db), words(db));
    }

    private static String words(double db) {
        String level =
                Wording.format("%.0f dB", Math.abs(db))
                        + (db < 0 ? " under the wet" : " over the wet");
        if (db < SAME_DB) {
            return "The same sound: what differs lies " + level + ".";
        }
        if (db < CLOSE_DB) {
            return "Close: what differs lies " + level + "; listen where it is quiet.";
        }
        return "Different sounds: what differs lies " + level + ".";
    }
}
