package orbispace.core.clear;

import java.util.Optional;
import orbispace.core.audio.Audio;
import orbispace.core.audio.Decibels;
import orbispace.core.design.Design;
import orbispace.core.design.Return;
import orbispace.core.design.Source;
import orbispace.core.render.ImpulseResponse;
import orbispace.core.render.Responses;

/**
 * A return that is a short copy of its source: nearly all of its energy comes within 35 ms. Such a
 * copy combs with the dry sound at levels that the hearing model, which adds powers, calls hidden;
 * so its notches are told instead of its state.
 *
 * @param millis when the copy comes
 * @param rippleDb from the peaks to the notches of the sum with the dry, dB
 */
public record ShortCopy(double millis, double rippleDb) {
    private static final double LONGEST_SECONDS = 0.035;
    private static final double NEARLY_ALL = 0.9;
    private static final double MOST_GAIN = 0.999;

    /** The first frequency at which copy and dry cancel: 1 / (2 D). */
    public double firstNotchHz() {
        return 500 / millis;
    }

    /** The copy that a return makes of a source; empty if it is no short copy, or not sent. */
    public static Optional<ShortCopy> of(
            Design design, Source source, Return r, Responses responses) {
        if (r.sendDb(source.id()).isEmpty()) {
            return Optional.empty();
        }
        Audio response = ImpulseResponse.of(design, r, responses);
        double rate = response.sampleRateHz();
        double early = 0;
        double all = 0;
        double peak = 0;
        int at = 0;
        for (int i = 0; i < response.frames(); i++) {
            double left = response.channel(0)[i];
            double right = response.channel(1)[i];
            double power = left * left + right * right;
            all += power;
            early += i < LONGEST_SECONDS * rate ? power : 0;
            // What combs is the middle, where the dry sound is.
            double middle = Math.abs(left + right) / 2;
            if (middle > peak) {
                peak = middle;
                at = i;
            }
        }
        if (all <= 0 || early < NEARLY_ALL * all || at == 0) {
            return Optional.empty();
        }
        double send = r.sendDb(source.id()).getAsDouble() + r.levelDb();
        double gain = Math.min(MOST_GAIN, peak * Math.sqrt(2) * Decibels.toAmplitude(send));
        double ripple = 20 * Math.log10((1 + gain) / (1 - gain));
        return Optional.of(new ShortCopy(1000 * at / rate, ripple));
    }
}
