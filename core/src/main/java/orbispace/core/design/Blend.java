package orbispace.core.design;

import java.util.LinkedHashMap;
import java.util.Map;
import orbispace.core.audio.Decibels;

/**
 * How much of a return is wet where the dry sound leaks through it: set on the unit as a share, by
 * one of the laws that units have. What leaks is in step with the source itself and adds to it in
 * amplitude; filters around the space are left out of account.
 *
 * @param share 0.01 to 1; 1 is fully wet
 * @param law how the unit understands it
 */
public record Blend(double share, Law law) {

    /** How a unit goes over from dry to wet. */
    public enum Law {
        /** The dry goes as the wet comes, in amplitude. */
        STRAIGHT("straight") {
            @Override
            double wet(double share) {
                return share;
            }
        },
        /** Dry and wet have the same power together throughout. */
        EVEN_POWER("even power") {
            @Override
            double wet(double share) {
                return Math.sin(share * Math.PI / 2);
            }
        },
        /** Both are whole in the middle. */
        WHOLE_IN_THE_MIDDLE("both whole at 50 %") {
            @Override
            double wet(double share) {
                return Math.min(1, 2 * share);
            }
        };

        private final String label;

        Law(String label) {
            this.label = label;
        }

        /** It in words. */
        public String label() {
            return label;
        }

        /** Amplitude factor of the wet; that of the dry is the wet's of what is left. */
        abstract double wet(double share);
    }

    /** Checks the range. */
    public Blend {
        Ranges.require("blend", share, 0.01, 1);
    }

    /** Amplitude factor of the wet. */
    public double wetGain() {
        return law.wet(share);
    }

    /** Amplitude factor of the dry that leaks. */
    public double dryGain() {
        return law.wet(1 - share);
    }

    /** The level at which a return that was blended so sounds the same fully wet, in dB. */
    public double levelDb(Return r) {
        return r.levelDb() + Decibels.ofAmplitude(wetGain());
    }

    /** By how many dB what leaks through a return raises each source that is sent into it. */
    public Map<String, Double> raisedDb(Design design, Return r) {
        Map<String, Double> raised = new LinkedHashMap<>();
        for (Source s : design.sources()) {
            Send send = r.sends().get(s.id());
            if (send != null) {
                double fader = send.preFader() ? s.gainDb() : 0;
                double leak =
                        dryGain() * Decibels.toAmplitude(send.levelDb() + r.levelDb() - fader);
                raised.put(s.id(), Decibels.ofAmplitude(1 + leak));
            }
        }
        return raised;
    }
}
