package orbispace.core.time;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class MetreAndNotesTest {
    private static MetreMap.Change metre(int bar, int beats, int unit) {
        return new MetreMap.Change(bar, beats, unit);
    }

    @Test
    void barsAreCountedThroughChangesOfMetre() {
        MetreMap map = MetreMap.of(List.of(metre(5, 7, 8), metre(1, 4, 4), metre(3, 3, 4)));
        assertThat(map.beatOfBar(1)).isZero();
        assertThat(map.beatOfBar(3)).isEqualTo(8);
        assertThat(map.beatOfBar(5)).isEqualTo(14);
        assertThat(map.beatOfBar(6)).isEqualTo(17.5);
        assertThat(map.barAt(13.99)).isEqualTo(4);
        assertThat(map.barAt(17.5)).isEqualTo(6);
        assertThat(map.at(4).beatsPerBar()).isEqualTo(3);
    }

    @Test
    void theBarOfABarsFirstBeatIsThatBarInAnyMap() {
        SplittableRandom random = new SplittableRandom(4);
        for (int round = 0; round < 50; round++) {
            List<MetreMap.Change> changes = new java.util.ArrayList<>(List.of(metre(1, 4, 4)));
            int bar = 1;
            for (int i = 0; i < 6; i++) {
                bar += 1 + random.nextInt(5);
                changes.add(metre(bar, 1 + random.nextInt(12), 1 << random.nextInt(5)));
            }
            MetreMap map = MetreMap.of(changes);
            for (int b = 1; b < bar + 5; b++) {
                assertThat(map.barAt(map.beatOfBar(b))).isEqualTo(b);
                assertThat(map.barAt(map.beatOfBar(b + 1) - 0.01)).isEqualTo(b);
            }
        }
    }

    @Test
    void beforeTheSongIsBarOne() {
        assertThat(MetreMap.constant(4, 4).barAt(-3)).isEqualTo(1);
    }

    @Test
    void metresThatCannotBeAreRefusedWithTheValue() {
        assertThatThrownBy(() -> metre(0, 4, 4)).hasMessageContaining("bar 0");
        assertThatThrownBy(() -> metre(1, 65, 4)).hasMessageContaining("65");
        assertThatThrownBy(() -> metre(1, 4, 3)).hasMessageContaining("3 is not");
        assertThatThrownBy(() -> MetreMap.of(List.of(metre(2, 4, 4))))
                .hasMessageContaining("bar 1");
        assertThatThrownBy(() -> MetreMap.of(List.of())).hasMessageContaining("bar 1");
    }

    @ParameterizedTest
    @CsvSource({
        "1/8., 0.75",
        "1/4t, 0.6667",
        "1/4 triplet, 0.6667",
        "1/2 dotted, 3",
        "1/64, 0.0625",
        "1 / 16, 0.25",
        "1/8d, 0.75",
        "1 bar, 3.5",
        "2 bars, 7",
        "4 BARS, 14",
        "1 bar., 5.25",
        "2 bars t, 4.6667",
        "4 bars triplet, 9.3333"
    })
    void noteValuesReadAsPeopleWriteThem(String text, double quarters) {
        NoteValue value = NoteValue.parse(text).orElseThrow();
        assertThat(value.quarters(3.5)).isCloseTo(quarters, within(1e-4));
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "1/5", "3/4", "1/8..", "8 bars", "quarter", "1/4 x", "1/1"})
    void whatIsNoNoteValueIsNotTakenForOne(String text) {
        assertThat(NoteValue.parse(text)).isEmpty();
    }

    @Test
    void everyNoteValueIsReadBackFromItsLabel() {
        assertThat(NoteValue.all()).hasSize(27);
        for (NoteValue value : NoteValue.all()) {
            assertThat(NoteValue.parse(value.label())).contains(value);
        }
    }

    @Test
    void lengthsFollowTheTempo() {
        NoteValue eighth = NoteValue.parse("1/8").orElseThrow();
        assertThat(eighth.seconds(120, 4)).isCloseTo(0.25, within(1e-12));
        NoteValue bar = NoteValue.parse("1 bar").orElseThrow();
        assertThat(bar.seconds(60, 3)).isCloseTo(3, within(1e-12));
    }

    @Test
    void spansHoldTheirStartAndNotTheirEnd() {
        Span span = new Span(1, 2);
        assertThat(span.contains(1)).isTrue();
        assertThat(span.contains(2)).isFalse();
        assertThat(span.overlaps(new Span(1.9, 5))).isTrue();
        assertThat(span.overlaps(new Span(2, 5))).isFalse();
        assertThat(span.seconds()).isEqualTo(1);
        assertThatThrownBy(() -> new Span(2, 1)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Span(Double.NaN, 1))
                .isInstanceOf(IllegalArgumentException.class);
    }
}
