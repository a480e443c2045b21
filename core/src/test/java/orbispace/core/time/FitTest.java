package orbispace.core.time;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

class FitTest {
    @Test
    void decayThatClearsIsExactlyThatFarDownWhenTheNextEventComes() {
        double decay = Fit.decayThatClears(1.09, 0.045, 30);
        assertThat(decay).isCloseTo(2.09, within(1e-9));
        assertThat(Fit.tailLevelDb(1.09, 0.045, decay)).isCloseTo(-30, within(1e-9));
    }

    @Test
    void repeatsThatFitAGapEndInsideIt() {
        double feedback = Fit.feedbackThatFits(1.0714, 3.66, 30);
        assertThat(20 * Math.log10(feedback) * 3.66 / 1.0714).isCloseTo(-30, within(1e-9));
        assertThat(Fit.arrivalsAbove(0.31, 30)).isEqualTo(3);
        assertThat(Fit.repeatsEndSeconds(1.0714, 0.31, 30)).isCloseTo(3.2142, within(1e-9));
        assertThat(Fit.arrivalsAbove(0, 30)).isEqualTo(1);
    }

    @Test
    void refusesATailThatStartsAfterTheEvent() {
        assertThatThrownBy(() -> Fit.decayThatClears(0.1, 0.2, 30))
                .hasMessageContaining("before the tail starts");
        assertThatThrownBy(() -> Fit.decayThatClears(1, 0, 0))
                .hasMessageContaining("more than 0 dB");
    }

    @Test
    void onlyWholeRepeatsCountForAGap() {
        // Two repeats of 0.5 s fall into 1.2 s; the second must be 30 dB down.
        double feedback = Fit.feedbackOfWholeRepeats(0.5, 1.2, 30);
        assertThat(Fit.repeatsEndSeconds(0.5, feedback, 30)).isLessThanOrEqualTo(1.2);
        assertThat(Fit.repeatsEndSeconds(0.5, feedback + 0.02, 30)).isGreaterThan(1.2);
        // A gap shorter than one repeat still lets one be.
        assertThat(Fit.feedbackOfWholeRepeats(0.5, 0.3, 30)).isPositive();
    }

    @Test
    void aTailHasSpokenWhenItHasFallenSoFar() {
        double spoken = Fit.spokenSeconds(0.02, 1.2, 10);
        assertThat(Fit.tailLevelDb(spoken, 0.02, 1.2))
                .isCloseTo(-10, org.assertj.core.api.Assertions.within(1e-9));
    }
}
