package orbispace.app.view.clear;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import orbispace.core.time.Span;
import org.junit.jupiter.api.Test;

class ClearWindowTest {
    private static final Span SECTION = new Span(10, 30);

    private final ClearWindow window = new ClearWindow();

    private boolean press(KeyCode code, String text, double playhead) {
        return window.key(
                new KeyEvent(KeyEvent.KEY_PRESSED, text, text, code, false, false, false, false),
                playhead);
    }

    @Test
    void plusLooksNearerAroundThePlayheadAndMinusBackAgain() {
        assertThat(window.of(SECTION)).isEqualTo(SECTION);
        assertThat(press(KeyCode.PLUS, "+", 15)).isTrue();
        Span near = window.of(SECTION);
        assertThat(near.seconds()).isCloseTo(20 / 1.5, within(1e-9));
        assertThat((15 - near.startSeconds()) / near.seconds()).isCloseTo(0.25, within(1e-9));
        assertThat(window.isAll()).isFalse();
        press(KeyCode.MINUS, "-", 15);
        assertThat(window.isAll()).isTrue();
    }

    @Test
    void itMovesAlongWithinTheSectionAndShowsAllOfAnother() {
        window.of(SECTION);
        press(KeyCode.PLUS, "+", 99);
        Span middle = window.of(SECTION);
        assertThat((middle.startSeconds() + middle.endSeconds()) / 2).isCloseTo(20, within(1e-9));
        for (int i = 0; i < 20; i++) {
            press(KeyCode.RIGHT, "", 99);
        }
        assertThat(window.of(SECTION).endSeconds()).isCloseTo(30, within(1e-9));
        for (int i = 0; i < 20; i++) {
            press(KeyCode.LEFT, "", 99);
        }
        assertThat(window.of(SECTION).startSeconds()).isCloseTo(10, within(1e-9));
        assertThat(press(KeyCode.A, "a", 99)).isFalse();
        press(KeyCode.HOME, "", 99);
        assertThat(window.of(SECTION)).isEqualTo(SECTION);
        press(KeyCode.PLUS, "+", 99);
        Span other = new Span(0, 5);
        assertThat(window.of(other)).isEqualTo(other);
    }
}
