package orbispace.app.view.prove;

import java.util.OptionalDouble;
import javafx.collections.ListChangeListener;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import orbispace.app.desk.ProveModel;
import orbispace.app.listen.Ears;
import orbispace.app.view.control.Plate;
import orbispace.core.words.Entries;

/** One line about what was listened to; it can be put away. */
final class EarsLine extends HBox {
    private final ProveModel model;
    private final Ears ears;
    private final Label words = new Label();
    private final TextField meter = new TextField();
    private final Button done;

    EarsLine(ProveModel model) {
        super(8);
        this.model = model;
        ears = model.ears();
        words.getStyleClass().add("caption");
        words.setWrapText(true);
        HBox.setHgrow(words, Priority.ALWAYS);
        words.setMaxWidth(Double.MAX_VALUE);
        meter.setPromptText("meter, dB(A)");
        meter.setAccessibleText("reading of a sound-level meter");
        meter.setPrefColumnCount(8);
        meter.setMinWidth(96);
        meter.setOnAction(e -> read());
        done = Plate.small("Judged again", ears::judgedAgain);
        Button rested = Plate.small("I have rested", ears::rested);
        Button away = Plate.small("Put away", () -> ears.told().set(false));
        for (Button b : new Button[] {done, rested, away}) {
            b.setMinWidth(USE_PREF_SIZE);
        }
        getChildren().addAll(words, done, meter, rested, away);
        ears.late().addListener((ListChangeListener<Object>) c -> refresh());
        setAlignment(Pos.CENTER_LEFT);
        visibleProperty().bind(ears.told());
        ears.exposure().addListener((o, was, is) -> refresh());
        refresh();
    }

    private void read() {
        OptionalDouble typed = Entries.db(meter.getText());
        try {
            if (typed.isEmpty()) {
                throw new IllegalArgumentException("a meter reads a level like 79");
            }
            ears.read(typed.getAsDouble());
            meter.clear();
            model.problem().set("");
        } catch (IllegalArgumentException e) {
            model.problem().set(String.valueOf(e.getMessage()));
        }
    }

    void refresh() {
        boolean again = !ears.late().isEmpty();
        boolean rested = !ears.exposure().get().restDue();
        done.setVisible(again && rested);
        done.setManaged(again && rested);
        words.setText(
                again && rested
                        ? "Rested: judge again " + String.join(", ", ears.late()) + "."
                        : "Ears: "
                                + ears.exposure().get().words(ears.lufs())
                                + (again ? " What you judge now is to be judged again rested." : "")
                                + " Local rules and a hearing professional come first.");
    }
}
