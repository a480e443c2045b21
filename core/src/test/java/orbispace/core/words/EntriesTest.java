package orbispace.core.words;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class EntriesTest {
    @ParameterizedTest
    @CsvSource({"310, 310", "3.1k, 3100", "3.1 kHz, 3100", "310 Hz, 310", "12K, 12000"})
    void frequencies(String text, double hertz) {
        assertThat(Entries.hertz(text).orElseThrow()).isCloseTo(hertz, within(1e-9));
    }

    @ParameterizedTest
    @CsvSource({"-8, -8", "-8.5 dB, -8.5", "+3, 3", "0, 0", ".5, 0.5"})
    void levels(String text, double db) {
        assertThat(Entries.db(text).orElseThrow()).isCloseTo(db, within(1e-9));
    }

    @ParameterizedTest
    @CsvSource({"2.1, 2.1", "2.1 s, 2.1", "800 ms, 0.8", "800ms, 0.8"})
    void seconds(String text, double value) {
        assertThat(Entries.seconds(text).orElseThrow()).isCloseTo(value, within(1e-9));
    }

    @ParameterizedTest
    @CsvSource({"240, 240", "240 ms, 240", "0.24 s, 240"})
    void millis(String text, double value) {
        assertThat(Entries.millis(text).orElseThrow()).isCloseTo(value, within(1e-9));
    }

    @Test
    void percentsAndFactorsAndCommas() {
        assertThat(Entries.percent("31").orElseThrow()).isCloseTo(0.31, within(1e-9));
        assertThat(Entries.percent("31 %").orElseThrow()).isCloseTo(0.31, within(1e-9));
        assertThat(Entries.factor("x1.2").orElseThrow()).isCloseTo(1.2, within(1e-9));
        assertThat(Entries.factor("\u00d71.2").orElseThrow()).isCloseTo(1.2, within(1e-9));
        assertThat(Entries.db("-3,5").orElseThrow()).isCloseTo(-3.5, within(1e-9));
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "loud", "5 dB Hz", "--3", "1e400", "NaN", "3 k dB"})
    void nonsenseIsNoNumber(String text) {
        assertThat(Entries.hertz(text)).isEmpty();
        assertThat(Entries.percent(text)).isEmpty();
        assertThat(Entries.seconds(text)).isEmpty();
    }

    @Test
    void aUnitOfAnotherKindIsRefused() {
        assertThat(Entries.hertz("3 dB")).isEmpty();
        assertThat(Entries.db("3 s")).isEmpty();
        assertThat(Entries.millis("3 Hz")).isEmpty();
        assertThat(Entries.factor("3 dB")).isEmpty();
    }
}
