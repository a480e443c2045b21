package orbispace.core.draft;

import orbispace.core.time.Fit;
import orbispace.core.words.Wording;

/** Decays that are far enough down when the song's next event comes. */
final class ClearingDecay {
    private ClearingDecay() {}

    /** The decay that is so far down when the next event comes, rounded down, within limits. */
    static double of(double event, double predelay, double downDb, double most) {
        double allowed = Fit.decayThatClears(Math.max(event, predelay + 0.05), predelay, downDb);
        double wanted = Math.min(allowed, most);
        return Math.max(0.1, Math.floor(20 * wanted + 1e-6) / 20);
    }

    /** The formula with a song's values in it. */
    static String why(double event, String what, double predelay, double downDb, double decay) {
        return Wording.format(
                "60 \u00d7 (%.2f s %s \u2212 %.0f ms) / %.0f dB allows %.2f s; set %.2f s",
                event,
                what,
                1000 * predelay,
                downDb,
                Fit.decayThatClears(Math.max(event, predelay + 0.05), predelay, downDb),
                decay);
    }
}
