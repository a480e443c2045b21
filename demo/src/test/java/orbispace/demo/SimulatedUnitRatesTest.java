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
import org.junit.jupiter.params.provider.ValueSource;

/** Units are measured at any rate. */
class SimulatedUnitRatesTest {
    private static UnitReport measured(double rate) {
        Audio sweep = new Sweep(rate, 10).audio();
        return UnitMeter.measure(sweep, SimulatedUnit.record(sweep));
    }

    @ParameterizedTest
    @ValueSource(doubles = {44100, 88200, 96000})
    void latencyAndDriftAreFoundAtOtherRates(double rate) {
        UnitReport report = measured(rate);
        assertThat(report.latencySamples()).isEqualTo(SimulatedUnit.LATENCY_SAMPLES);
        assertThat(report.driftPpm()).isCloseTo(SimulatedUnit.DRIFT_PPM, within(1.5));
    }

    @ParameterizedTest
    @ValueSource(doubles = {44100, 96000})
    void ourReverbIsSetLikeItAtOtherRates(double rate) {
        assertThat(ReverbFit.of(measured(rate).response(), 0, Job.QUIET).orElseThrow().worst())
                .isLessThan(0.08);
    }
}
