package orbispace.core.space;

import java.util.Optional;

/**
 * Convolution with an impulse response.
 *
 * @param response what it is convolved with, prepared
 */
public record ConvolutionSettings(SpaceResponse response) implements EngineSettings {
    @Override
    public double ringSeconds() {
        return response.seconds() + 0.01;
    }

    @Override
    public EngineTuning tuning(double sampleRateHz) {
        return ConvolutionEngine.Tuning.of(this, response.taps(sampleRateHz));
    }

    @Override
    public Optional<Taps> fixedResponse(double sampleRateHz) {
        return Optional.of(response.taps(sampleRateHz));
    }

    @Override
    public boolean isFixed() {
        return true;
    }

    @Override
    public Object shape() {
        return "convolution" + response.pathCount();
    }
}
