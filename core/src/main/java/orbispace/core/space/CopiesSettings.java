package orbispace.core.space;

import java.util.List;

/**
 * Short detuned copies.
 *
 * @param voices one to four of them
 * @param highPassHz lows removed from the copies, so that the low end stays single, 20 to 1,000
 * @param centre false to take away what the copies have in the middle, so that they only widen and
 *     vanish in mono
 */
public record CopiesSettings(List<Voice> voices, double highPassHz, boolean centre)
        implements EngineSettings {
    /**
     * One copy.
     *
     * @param seconds how much later, 0.005 to 0.1
     * @param cents detuned by, -50 to 50
     * @param side where, -1 (left) to 1
     * @param swaySeconds how far its time sways to each side, 0 to 0.003
     * @param swayHz how fast it sways, 0.05 to 5
     */
    public record Voice(
            double seconds, double cents, double side, double swaySeconds, double swayHz) {
        private static final double USUAL_HZ = 0.5;

        /** A copy that stands still. */
        public Voice(double seconds, double cents, double side) {
            this(seconds, cents, side, 0, USUAL_HZ);
        }

        /** Checks the ranges. */
        public Voice {
            EngineSettings.require("copy", seconds, 0.005, 0.1);
            EngineSettings.require("detune", cents, -50, 50);
            EngineSettings.require("side", side, -1, 1);
            EngineSettings.require("sway", swaySeconds, 0, 0.003);
            EngineSettings.require("sway rate", swayHz, 0.05, 5);
        }
    }

    /** Checks the ranges. */
    public CopiesSettings {
        voices = List.copyOf(voices);
        EngineSettings.require("number of copies", voices.size(), 1, 4);
        EngineSettings.require("high-pass of the copies", highPassHz, 20, 1000);
    }

    @Override
    public double ringSeconds() {
        return 0.2;
    }

    @Override
    public boolean linear() {
        return voices.stream().allMatch(v -> v.cents() == 0 && v.swaySeconds() == 0);
    }

    @Override
    public EngineTuning tuning(double sampleRateHz) {
        return Copies.Tuning.of(this, sampleRateHz);
    }

    @Override
    public Object shape() {
        return "copies" + voices.size();
    }
}
