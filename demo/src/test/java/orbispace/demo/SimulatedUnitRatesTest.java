package orbispace.demo;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import orbispace.core.audio.Audio;
import orbispace.core.measure.Sweep;
import orbispace.core.measure.UnitMeter;
import orbispace.core.measure.UnitReport;
import orbispace.core.prove.compare.ReverbFit;
import orbispace.core.render.Job;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Units are measured at any rate. */
class SimulatedUnitRatesTest {
    @ParameterizedTest
    @CsvSource({"44100, true", "88200, false", "96000, true"})
    void latencyDriftAndFitHoldAtOtherRates(double rate, boolean fits) {
        Audio sweep = new Sweep(rate, 4).audio();
        UnitReport report = UnitMeter.measure(sweep, SimulatedUnit.record(sweep));
        assertThat(report.latencySamples()).isEqualTo(SimulatedUnit.LATENCY_SAMPLES);
        assertThat(report.driftPpm().orElseThrow())
                .isCloseTo(SimulatedUnit.DRIFT_PPM, within(0.01));
        if (fits) {
            assertThat(ReverbFit.of(report.response(), 0, Job.QUIET).orElseThrow().worst())
                    .isLessThan(0.135);
        }
    }
}
