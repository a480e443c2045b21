package orbispace.core.space;

import orbispace.core.dynamics.DuckerSettings;

/**
 * No time at all: a compressor, for thickening or brightening under the dry.
 *
 * @param compressor keyed by its own input
 * @param makeUpDb level given back, 0 to 24
 */
public record ParallelSettings(DuckerSettings compressor, double makeUpDb)
        implements EngineSettings {
    /** Checks the range. */
    public ParallelSettings {
        EngineSettings.require("make-up", makeUpDb, 0, 24);
    }

    @Override
    public double ringSeconds() {
        return 0.05;
    }

    @Override
    public boolean linear() {
        return false;
    }

    @Override
    public EngineTuning tuning(double sampleRateHz) {
        return new Parallel.Tuning(this);
    }

    @Override
    public Object shape() {
        return "parallel";
    }
}
