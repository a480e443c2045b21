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
}
