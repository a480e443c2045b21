package orbispace.demo;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import orbispace.core.audio.Audio;
import orbispace.core.audio.Polarity;
import orbispace.core.measure.BandDecay;
import orbispace.core.measure.DecayMeter;
import orbispace.core.measure.Sweep;
import orbispace.core.measure.UnitMeter;
import orbispace.core.measure.UnitReport;
import orbispace.core.prove.compare.ReverbFit;
import orbispace.core.render.Job;
import org.junit.jupiter.api.Test;

/** A unit that is not there is measured as a real one would be, and its truth found. */
class SimulatedUnitTest {
    private static final Audio SWEEP = new Sweep(48000, 10).audio();
    private static final UnitReport REPORT = UnitMeter.measure(SWEEP, SimulatedUnit.record(SWEEP));

    private static double t30(Audio response, double hz) {
        return DecayMeter.measure(response).bands().stream()
                .filter(b -> Math.abs(b.centreHz() - hz) < 0.2 * hz)
                .map(BandDecay::t30)
                .map(t -> t.fitted().orElse(0))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void latencyPolarityNoiseAndClockAreFound() {
        assertThat(REPORT.latencySamples()).isEqualTo(SimulatedUnit.LATENCY_SAMPLES);
        assertThat(REPORT.polarity()).isEqualTo(Polarity.INVERTED);
        assertThat(REPORT.noiseDbfs()).isCloseTo(SimulatedUnit.NOISE_DBFS, within(0.5));
        assertThat(REPORT.driftPpm().orElseThrow())
                .isCloseTo(SimulatedUnit.DRIFT_PPM, within(0.01));
        assertThat(REPORT.harmonics().getFirst().levelDb()).isBetween(-65.0, -55.0);
    }

    @Test
    void itsDecayIsTheTrueOneAndNotThatOfItsLabel() {
        assertThat(t30(REPORT.response(), 1000))
                .isCloseTo(SimulatedUnit.DECAY_SECONDS, within(0.03 * SimulatedUnit.DECAY_SECONDS));
        assertThat(t30(REPORT.response(), 8000))
                .isCloseTo(SimulatedUnit.HIGH_SECONDS, within(0.05 * SimulatedUnit.HIGH_SECONDS));
        assertThat(Math.abs(SimulatedUnit.LABEL_SECONDS / SimulatedUnit.DECAY_SECONDS - 1))
                .isGreaterThan(0.1);
        Audio truth = SimulatedUnit.response(48000);
        for (double hz : new double[] {125, 500, 1000, 2000, 4000}) {
            assertThat(t30(REPORT.response(), hz))
                    .as(hz + " Hz")
                    .isCloseTo(t30(truth, hz), within(0.03 * t30(truth, hz)));
        }
    }

    @Test
    void ourReverbIsSetToDecayLikeItWithinASeventh() {
        ReverbFit fit = ReverbFit.of(REPORT.response(), 0, Job.QUIET).orElseThrow();
        assertThat(fit.worst()).isLessThan(0.135);
        assertThat(fit.residual()).isLessThanOrEqualTo(fit.worst());
        assertThat(fit.space().lowRatio()).isGreaterThan(1);
        assertThat(fit.space().highRatio()).isLessThan(0.9);
    }
}
