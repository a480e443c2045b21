package orbispace.core.space;

import java.util.Optional;

/**
 * A gated reverb: dense noise that ends like a wall.
 *
 * @param envelope how its level runs until the wall
 * @param lengthSeconds from the sound to where it is 40 dB down, 0.03 to 4
 * @param fallSeconds how long the last 40 dB take, 0.002 to half the length
 * @param brightHz highs removed above it, 1,000 to 20,000
 */
public record GatedSettings(
        Envelope envelope, double lengthSeconds, double fallSeconds, double brightHz)
        implements EngineSettings {
    /** How the level runs. */
    public enum Envelope {
        /** The same throughout. */
        FLAT("flat"),
        /** Falls by 12 dB. */
        FALLING("falling"),
        /** Rises by 12 dB. */
        RISING("rising");

        private final String label;

        Envelope(String label) {
            this.label = label;
        }

        /** Its name in words and in projects. */
        public String label() {
            return label;
        }
    }

    /** Checks the ranges. */
    public GatedSettings {
        EngineSettings.require("gated length", lengthSeconds, 0.03, 4);
        EngineSettings.require("fall", fallSeconds, 0.002, lengthSeconds / 2);
        EngineSettings.require("brightness", brightHz, 1000, 20000);
    }

    @Override
    public double ringSeconds() {
        return lengthSeconds + 2 * fallSeconds + 0.02;
    }

    @Override
    public EngineTuning tuning(double sampleRateHz) {
        return ConvolutionEngine.Tuning.of(this, VelvetNoise.response(this, sampleRateHz));
    }

    @Override
    public Optional<Taps> fixedResponse(double sampleRateHz) {
        return Optional.of(VelvetNoise.response(this, sampleRateHz));
    }

    @Override
    public boolean isFixed() {
        return true;
    }

    @Override
    public Object shape() {
        return "gated";
    }
}
