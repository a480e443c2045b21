package orbispace.app.view.prove;

import java.util.List;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.scene.text.TextAlignment;
import orbispace.app.listen.Transport;
import orbispace.app.view.control.Plate;

/**
 * A card in which two sounds are heard blind and answered by keys without looking: left and right
 * hear, up does a third thing, 1 and 2 answer, Escape ends it.
 */
abstract class BlindCard extends StackPane {
    private static final double TABS = 16;

    private final Transport transport;
    private final Label question = new Label();
    private final Label hint = new Label();
    private final FlowPane setting = new FlowPane(8, 6);
    private final HBox answers = new HBox(10);
    private final HBox hearing = new HBox(6);
    private final ToggleButton hearFirst = hear("1");
    private final ToggleButton hearSecond = hear("2");
    private final Button third;
    private final Button first = Plate.button("1", () -> answer(true));
    private final Button second = Plate.button("2", () -> answer(false));

    BlindCard(String accessible, String third, Transport transport) {
        this.transport = transport;
        getStyleClass().addAll("chain-card", "resting");
        question.getStyleClass().add("screen-title");
        hint.getStyleClass().add("caption");
        hint.setWrapText(true);
        hint.setTextAlignment(TextAlignment.CENTER);
        setting.setAlignment(Pos.CENTER);
        hearFirst.setOnAction(e -> hear(true));
        hearSecond.setOnAction(e -> hear(false));
        this.third = Plate.small(third, this::third);
        hearing.getChildren().addAll(hearFirst, hearSecond, this.third);
        hearing.setAlignment(Pos.CENTER);
        answers.getChildren().addAll(first, second, Plate.small("End it", this::end));
        answers.setAlignment(Pos.CENTER);
        VBox all = new VBox(7, question, hearing, answers, setting, hint);
        all.setAlignment(Pos.CENTER);
        // The tabs lie over the card's top.
        all.setPadding(new Insets(TABS, 0, 0, 0));
        getChildren().add(all);
        setFocusTraversable(true);
        setAccessibleText(accessible);
        addEventFilter(KeyEvent.KEY_PRESSED, this::key);
    }

    private static ToggleButton hear(String which) {
        ToggleButton toggle = Plate.toggle("Hear " + which, "hear sound " + which);
        toggle.getStyleClass().add("small");
        return toggle;
    }

    /** Where in its course it is. */
    enum Phase {
        /** Nothing was begun. */
        IDLE,
        /** It runs. */
        RUNS,
        /** It has ended with a result. */
        DONE
    }

    abstract Phase phase();

    /** Lets the first or the second be heard. */
    abstract void hear(boolean isFirst);

    /** Does what stands beside hearing the two. */
    abstract void third();

    /** Answers for the first or the second. */
    abstract void answer(boolean isFirst);

    /** Ends it without a result. */
    abstract void end();

    /** What is set before it begins. */
    final void settings(List<Node> nodes) {
        setting.getChildren().setAll(nodes);
    }

    final void settable(boolean is) {
        setting.setDisable(!is);
    }

    private void key(KeyEvent e) {
        switch (phase()) {
            case IDLE -> {}
            case DONE -> TrialPanel.swallowAnswer(e);
            case RUNS -> running(e);
        }
    }

    private void running(KeyEvent e) {
        switch (e.getCode()) {
            case DIGIT1, NUMPAD1 -> answer(true);
            case DIGIT2, NUMPAD2 -> answer(false);
            case LEFT -> hear(true);
            case RIGHT -> hear(false);
            case UP, X -> third();
            case ESCAPE -> end();
            case SPACE -> transport.togglePlaying();
            default -> {
                if (!e.getText().matches("[0-9bB]")) {
                    return;
                }
            }
        }
        e.consume();
    }

    /** Shows what is asked and what can be done. */
    final void say(String asked, String told) {
        boolean runs = phase() == Phase.RUNS;
        for (HBox row : List.of(hearing, answers)) {
            row.setVisible(runs);
            row.setManaged(runs);
        }
        setting.setVisible(!runs);
        setting.setManaged(!runs);
        question.setText(asked);
        hint.setText(told);
    }

    /** Shows what is heard and how it can be answered; null for neither of the two. */
    final void hears(@org.jspecify.annotations.Nullable Boolean isFirst, boolean ready) {
        hearFirst.setSelected(Boolean.TRUE.equals(isFirst));
        hearSecond.setSelected(Boolean.FALSE.equals(isFirst));
        hearing.setDisable(!ready);
        answers.setDisable(!ready);
    }

    /** Whether there is a third thing to do. */
    final void offersThird(boolean is) {
        third.setVisible(is);
        third.setManaged(is);
    }

    /** What an answer for the first, and for the second, says. */
    final void answersSay(String one, String other) {
        first.setText(one);
        second.setText(other);
    }
}
