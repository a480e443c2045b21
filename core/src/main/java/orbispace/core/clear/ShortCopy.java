package orbispace.core.clear;

import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import orbispace.core.audio.Audio;
import orbispace.core.audio.Decibels;
import orbispace.core.design.Design;
import orbispace.core.design.Return;
import orbispace.core.design.Source;
import orbispace.core.design.Space;
import orbispace.core.design.SpaceTraits;
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

    /** 90 % of an exponential decay of 0.21 s lie in its first 35 ms. */
    private static final double SHORT_DECAY_SECONDS = 0.4;

    private static final double MOST_GAIN = 0.999;

    /** The first frequency at which copy and dry cancel: 1 / (2 D). */
    public double firstNotchHz() {
        return 500 / millis;
    }

    /** Whether a space surely has more than a tenth of its energy later than that. */
    private static boolean rings(Space space) {
        SpaceTraits traits = space.traits();
        return traits.nature() == SpaceTraits.Nature.COLOUR
                || traits.decaySeconds().orElse(0) > SHORT_DECAY_SECONDS;
    }

    /** The copy that a return makes of a source; empty if it is no short copy, or not sent. */
    public static Optional<ShortCopy> of(
            Design design, Source source, Return r, Responses responses) {
        return r.sendDb(source.id()).isEmpty()
                ? Optional.empty()
                : shape(design, r, responses).map(s -> s.sent(r.sendDb(source.id()).getAsDouble()));
    }

    /** The copies that a return makes of all that is sent into it, by source. */
    public static Map<String, ShortCopy> ofAll(Design design, Return r, Responses responses) {
        Map<String, ShortCopy> copies = new TreeMap<>();
        shape(design, r, responses)
                .ifPresent(s ->
                        r.sends().forEach((id, send) -> copies.put(id, s.sent(send.levelDb()))));
        return copies;
    }

    /** When a copy comes, and how loud it is in its louder channel beside the dry sound. */
    private record Shape(double millis, double levelDb) {
        ShortCopy sent(double sendDb) {
            double gain = Math.min(MOST_GAIN, Decibels.toAmplitude(levelDb + sendDb));
            return new ShortCopy(millis, 20 * Math.log10((1 + gain) / (1 - gain)));
        }
    }

    private static Optional<Shape> shape(Design design, Return r, Responses responses) {
        if (r.sends().isEmpty() || rings(r.space())) {
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
            // It combs in each channel, with what the dry sound has there.
            double louder = Math.max(Math.abs(left), Math.abs(right));
            if (louder > peak) {
                peak = louder;
                at = i;
            }
        }
        return all <= 0 || early < NEARLY_ALL * all || at == 0
                ? Optional.empty()
                : Optional.of(
                        new Shape(
                                1000 * at / rate,
                                Decibels.ofAmplitude(peak * Math.sqrt(2)) + r.levelDb()));
    }
}
