package orbispace.app.view.control;

import java.util.function.Predicate;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;

/** A line of text that is taken with Enter or when it is left; Escape brings the old one back. */
public final class NameField extends TextField {
    private final Predicate<String> typed;
    private String shown = "";

    public NameField(String name, Predicate<String> typed) {
        this.typed = typed;
        setAccessibleText(name);
        setOnAction(e -> take());
        focusedProperty()
                .addListener((o, was, is) -> {
                    if (!is) {
                        take();
                    }
                });
        addEventFilter(
                KeyEvent.KEY_PRESSED,
                e -> {
                    if (e.getCode() == KeyCode.ESCAPE) {
                        setText(shown);
                        e.consume();
                    }
                });
    }

    public void show(String text) {
        shown = text;
        if (!isFocused() && !text.equals(getText())) {
            setText(text);
        }
    }

    private void take() {
        String text = getText().strip();
        if (text.equals(shown)) {
            return;
        }
        String before = shown;
        shown = text;
        if (!typed.test(text)) {
            shown = before;
            setText(before);
        }
    }
}
