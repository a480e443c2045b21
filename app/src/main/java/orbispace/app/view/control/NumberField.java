package orbispace.app.view.control;

import java.util.function.BiConsumer;
import java.util.function.Consumer;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/**
 * A number with its unit and its name: click, Enter or a digit types it, arrow keys step it (Shift
 * fine, Ctrl coarse). A wrong entry says what is accepted and keeps the old value.
 */
public final class NumberField extends StackPane {
    private final Label number = new Label();
    private final Label unit = new Label();
    private final Label name;
    private final TextField entry = new TextField();
    private final VBox reading;
    private final String accepted;
    private final BiConsumer<Integer, StepSize> stepping;
    private final java.util.function.Predicate<String> typed;
    private final Consumer<String> complain;

    /**
     * A field.
     *
     * @param name what the number is
     * @param accepted what may be typed, in words
     * @param typed takes what was typed; answers whether it was understood
     * @param stepping takes a direction and a step size
     * @param complain takes one line about a wrong entry
     */
    public NumberField(
            String name,
            String accepted,
            java.util.function.Predicate<String> typed,
            BiConsumer<Integer, StepSize> stepping,
            Consumer<String> complain) {
        this.name = new Label(name);
        this.accepted = accepted;
        this.typed = typed;
        this.stepping = stepping;
        this.complain = complain;
        getStyleClass().add("number-field");
        number.getStyleClass().add("number");
        unit.getStyleClass().add("unit");
        this.name.getStyleClass().add("name");
        // What a number is must be read whole; its name may be cut.
        number.setMinWidth(Region.USE_PREF_SIZE);
        unit.setMinWidth(Region.USE_PREF_SIZE);
        HBox line = new HBox(3, number, unit);
        line.setAlignment(Pos.BASELINE_LEFT);
        reading = new VBox(-1, line, this.name);
        entry.getStyleClass().add("entry");
        entry.setVisible(false);
        entry.setManaged(false);
        setAlignment(Pos.CENTER_LEFT);
        getChildren().addAll(reading, entry);
        setFocusTraversable(true);
        setOnMouseClicked(e -> beginEntry(""));
        addEventHandler(KeyEvent.KEY_PRESSED, this::pressed);
        addEventHandler(KeyEvent.KEY_TYPED, this::keyTyped);
        entry.setOnAction(e -> commit());
        entry.focusedProperty().addListener((o, was, is) -> leave(is));
    }

    /** Leaves the name to what stands beside it. */
    public void withoutName() {
        name.setVisible(false);
        name.setManaged(false);
    }

    public void show(String value, String valueUnit) {
        number.setText(value);
        unit.setText(valueUnit);
        unit.setManaged(!valueUnit.isEmpty());
        setAccessibleText(name.getText() + " " + value + " " + valueUnit);
    }

    private void pressed(KeyEvent e) {
        if (entry.isVisible()) {
            if (e.getCode() == KeyCode.ESCAPE) {
                endEntry();
                e.consume();
            }
            return;
        }
        switch (e.getCode()) {
            case UP -> stepping.accept(1, StepSize.of(e));
            case DOWN -> stepping.accept(-1, StepSize.of(e));
            case ENTER -> beginEntry("");
            default -> {
                return;
            }
        }
        e.consume();
    }

    private void keyTyped(KeyEvent e) {
        String c = e.getCharacter();
        if (!entry.isVisible()
                && c.length() == 1
                && (Character.isDigit(c.charAt(0)) || "+-.".contains(c))) {
            beginEntry(c);
            e.consume();
        }
    }

    private void beginEntry(String text) {
        if (entry.isVisible()) {
            return;
        }
        entry.setText(text.isEmpty() ? number.getText().replace('\u2212', '-') : text);
        entry.setVisible(true);
        entry.setManaged(true);
        reading.setVisible(false);
        entry.requestFocus();
        if (text.isEmpty()) {
            entry.selectAll();
        } else {
            entry.positionCaret(text.length());
        }
    }

    private void commit() {
        String text = entry.getText().strip().replace('\u2212', '-');
        endEntry();
        requestFocus();
        if (!typed.test(text)) {
            complain.accept(
                    "\u201c"
                            + text
                            + "\u201d does not fit "
                            + name.getText()
                            + "; write "
                            + accepted);
        }
    }

    private void leave(boolean focused) {
        if (!focused && entry.isVisible()) {
            endEntry();
        }
    }

    private void endEntry() {
        entry.setVisible(false);
        entry.setManaged(false);
        reading.setVisible(true);
    }
}
