package orbispace.core.hearing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import orbispace.core.Signals;
import orbispace.core.time.Span;
import org.junit.jupiter.api.Test;

class PassagesTest {
    private static final double RATE = 48000;

    @Test
    void gapsAreTrimmedSoThatNoPhraseLeaksIntoThem() {
        Passages p = Passages.ofPhrases(List.of(new Span(0, 1), new Span(2, 3)), 400, 100);
        assertThat(p.phrases()).hasSize(2);
        assertThat(p.speaking().cardinality()).isEqualTo(200);
        assertThat(p.resting().nextSetBit(0)).isEqualTo(106);
        assertThat(p.resting().previousSetBit(399)).isEqualTo(196);
        assertThat(p.resting().intersects(p.speaking())).isFalse();
    }

    @Test
    void aShortGapIsNoRest() {
        Passages p = Passages.ofPhrases(List.of(new Span(0, 1), new Span(1.2, 2)), 300, 100);
        assertThat(p.resting().isEmpty()).isTrue();
    }

    @Test
    void phrasesOutsideTheSoundAreLeftOut() {
        Passages p = Passages.ofPhrases(List.of(new Span(0.5, 1), new Span(7, 8)), 100, 100);
        assertThat(p.phrases()).hasSize(1);
        assertThat(p.speaking().length()).isLessThanOrEqualTo(100);
    }

    @Test
    void loudnessAlonePartsSpeechFromRest() {
        float[] tone = Signals.sine(800, 0.1, 3, RATE);
        java.util.Arrays.fill(tone, (int) RATE, (int) (2 * RATE), 0f);
        Excitation e = new Ear(RATE, 100).hear(Signals.mono(RATE, tone));
        Passages p = Passages.ofLoudness(e);
        assertThat(p.phrases()).hasSize(2);
        double rested = p.resting().cardinality() / e.framesPerSecond();
        // The ear's forward masking makes the first tone ring on for up to 0.2 s.
        assertThat(rested).isBetween(0.75, 1.02);
    }

    @Test
    void gapsFoundByLoudnessAreTrimmedToo() {
        float[] tone = Signals.sine(800, 0.1, 3, RATE);
        java.util.Arrays.fill(tone, (int) RATE, (int) (2 * RATE), 0f);
        Passages p = Passages.ofLoudness(new Ear(RATE, 100).hear(Signals.mono(RATE, tone)));
        int end = p.speaking().nextClearBit(p.speaking().nextSetBit(0));
        int next = p.speaking().nextSetBit(end);
        assertThat(p.resting().nextSetBit(0) - end).isBetween(5, 7);
        assertThat(next - p.resting().previousSetBit(next)).isBetween(3, 4);
    }

    @Test
    void silenceNeverSpeaks() {
        Passages p = Passages.ofLoudness(Excitation.none(50, 100));
        assertThat(p.speaking().isEmpty()).isTrue();
        assertThat(p.phrases()).isEmpty();
        assertThat(p.resting().isEmpty()).as("a rest lies between two phrases").isTrue();
    }

    @Test
    void excitationsAddAndScaleAsPowers() {
        Excitation a = Excitation.even(10, 100, 4);
        Excitation b = Excitation.even(10, 100, 1);
        assertThat(a.plus(b).at(3, 7)).isEqualTo(5);
        assertThat(b.minus(a).at(3, 7)).isZero();
        assertThat(a.times(0.25).at(9, 39)).isEqualTo(1);
        float[] gains = new float[10];
        gains[4] = 2;
        assertThat(a.times(gains).at(4, 0)).isEqualTo(8);
        assertThat(a.times(gains).at(5, 0)).isZero();
        assertThat(a.slice(-5, 3).frames()).isEqualTo(3);
        assertThat(a.slice(8, 99).frames()).isEqualTo(2);
        assertThatThrownBy(() -> a.plus(Excitation.none(9, 100))).hasMessageContaining("9 frames");
    }

    @Test
    void loudnessOfAloneSoundGrowsWithItsPower() {
        double quiet = Excitation.even(1, 100, 1e4).sones()[0];
        double loud = Excitation.even(1, 100, 1e5).sones()[0];
        // Ten decibels well above threshold about double the loudness.
        assertThat(loud / quiet).isCloseTo(2, within(0.4));
    }
}
