package orbispace.core.space;

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
    public Object shape() {
        return "convolution" + response.pathCount();
    }
}
