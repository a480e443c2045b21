package orbispace.core.prove.compare;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.LinkedHashMap;
import java.util.Map;
import orbispace.core.Signals;
import orbispace.core.audio.Audio;
import orbispace.core.render.Rendering;
import org.junit.jupiter.api.Test;

class FieldSettlementTest {
    private static final double RATE = 48000;

    private static Audio stereo(double level) {
        float[] x = Signals.sine(440, level, 1, RATE);
        return Audio.of(RATE, x, x.clone());
    }

    private static Rendering rendering(Map<String, Audio> wets) {
        return new Rendering(new LinkedHashMap<>(wets), stereo(0.5), stereo(0.5));
    }

    @Test
    void theSameFieldIsTheSameToTheLastBit() {
        Rendering one = rendering(Map.of("A", stereo(0.1)));
        FieldSettlement s = FieldSettlement.of(one, rendering(Map.of("A", stereo(0.1))));
        assertThat(s.wet().words()).isEqualTo("The same sound, to the last bit.");
        assertThat(s.returns()).containsOnlyKeys("A");
    }

    @Test
    void aReturnAtHalfItsLevelDiffersBySixDecibels() {
        FieldSettlement s =
                FieldSettlement.of(
                        rendering(Map.of("A", stereo(0.1))), rendering(Map.of("A", stereo(0.05))));
        Settlement a = java.util.Objects.requireNonNull(s.returns().get("A"));
        assertThat(a.residualDb().orElseThrow()).isCloseTo(-6.02, within(0.01));
        assertThat(s.wet().residualDb().orElseThrow()).isCloseTo(-6.02, within(0.01));
    }

    @Test
    void aReturnThatOnlyOneHasIsToldApart() {
        Map<String, Audio> two = new LinkedHashMap<>();
        two.put("A", stereo(0.1));
        two.put("B", stereo(0.1));
        FieldSettlement more =
                FieldSettlement.of(rendering(Map.of("A", stereo(0.1))), rendering(two));
        assertThat(java.util.Objects.requireNonNull(more.returns().get("B")).words())
                .isEqualTo("Only the other one sounds.");
        FieldSettlement less =
                FieldSettlement.of(rendering(two), rendering(Map.of("A", stereo(0.1))));
        assertThat(
                        java.util.Objects.requireNonNull(less.returns().get("B"))
                                .residualDb()
                                .orElseThrow())
                .isCloseTo(0, within(1e-6));
    }

    @Test
    void fieldsWithoutReturnsHaveNoWetToCompare() {
        FieldSettlement s = FieldSettlement.of(rendering(Map.of()), rendering(Map.of()));
        assertThat(s.returns()).isEmpty();
        assertThat(s.wet().words()).contains("no wet sound");
    }
}
