package orbispace.app.view.frame;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class OutputWordsTest {
    @Test
    void whatIsTheMatterStandsUnderTheDevice() {
        assertThat(OutputWords.of("sound card")).isEqualTo(new OutputWords("sound card", ""));
        assertThat(OutputWords.of("desk, out 1-2, 12 late"))
                .isEqualTo(new OutputWords("desk, out 1-2", "12 late"));
        assertThat(OutputWords.of("desk is gone: silent output, 3 late"))
                .isEqualTo(new OutputWords("desk", "gone: silent"));
        assertThat(OutputWords.of("desk is not there: silent output"))
                .isEqualTo(new OutputWords("desk", "not there"));
    }
}
