package orbispace.app.view.prove;

import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.scene.text.TextAlignment;
import orbispace.app.desk.ProveModel;
import orbispace.app.desk.Proving;
import orbispace.app.draw.Palette;
import orbispace.app.draw.Pen;
import orbispace.app.draw.Type;
import orbispace.app.view.control.Choice;
import orbispace.app.view.control.Plate;
import orbispace.app.view.control.ScalingCanvas;
import orbispace.core.prove.compare.BlindTrial;

/** A blind trial, run by keys without looking; nothing of it is told before its end. */
final class TrialPanel extends StackPane {
    private static final List<Integer> ROUNDS = List.of(8, 10, 16, 24);

    private final ProveModel model;
    private final Proving proving;
    private final Coins coins = new Coins();
    private final Label question = new Label();
    private final Label hint = new Label();
    private final HBox answers = new HBox(10);
    private final FlowPane start = new FlowPane(8, 6);
    private final Button end = Plate.small("End it", this::end);
    private final Choice<Integer> rounds;
    private int wanted = 16;

    TrialPanel(ProveModel model) {
        this.model = model;
        proving = model.proving();
        getStyleClass().addAll("chain-card", "resting");
        question.getStyleClass().add("screen-title");
        hint.getStyleClass().add("caption");
        hint.setWrapText(true);
        hint.setTextAlignment(TextAlignment.CENTER);
        rounds = new Choice<>("rounds of a trial", ROUNDS, n -> n + " rounds", this::choose);
        rounds.show(wanted);
        start.getChildren()
                .addAll(
                        Plate.button("Which is X?", () -> begin(BlindTrial.Kind.WHICH)),
                        Plate.button("Which is better?", () -> begin(BlindTrial.Kind.PREFERENCE)),
                        rounds);
        answers.getChildren()
                .addAll(
                        Plate.button("1", () -> proving.answer(true)),
                        Plate.button("2", () -> proving.answer(false)),
                        end);
        start.setAlignment(Pos.CENTER);
        answers.setAlignment(Pos.CENTER);
        coins.setPrefHeight(30);
        coins.setMinHeight(30);
        VBox all = new VBox(7, question, answers, start, coins, hint);
        all.setAlignment(Pos.CENTER);
        getChildren().add(all);
        setFocusTraversable(true);
        setAccessibleText("blind trial");
        addEventFilter(KeyEvent.KEY_PRESSED, this::key);
    }

    private void choose(int n) {
        wanted = n;
        rounds.show(n);
    }

    private void begin(BlindTrial.Kind kind) {
        proving.beginTrial(kind, wanted);
        requestFocus();
    }

    private void end() {
        proving.endTrial();
    }

    private void key(KeyEvent e) {
        BlindTrial now = proving.trial().get();
        if (now == null) {
            return;
        }
        if (now.finished()) {
            swallowAnswer(e);
            return;
        }
        switch (e.getCode()) {
            case DIGIT1, NUMPAD1 -> proving.answer(true);
            case DIGIT2, NUMPAD2 -> proving.answer(false);
            case LEFT -> proving.hear(true);
            case RIGHT -> proving.hear(false);
            case UP, X -> proving.hearX();
            case ESCAPE -> end();
            case SPACE -> model.transport().togglePlaying();
            default -> {
                if (!e.getText().matches("[0-9bB]")) {
                    return;
                }
            }
        }
        e.consume();
    }

    /** An answer too many, after the last round, leaves the screen where it is. */
    static void swallowAnswer(KeyEvent e) {
        if (e.getText().matches("[12]") && !(e.getTarget() instanceof TextInputControl)) {
            e.consume();
        }
    }

    void setPalette(Palette palette) {
        coins.setPalette(palette);
    }

    void refresh() {
        BlindTrial now = proving.trial().get();
        boolean runs = now != null && !now.finished();
        boolean same = model.pair().same();
        answers.setVisible(runs);
        answers.setManaged(runs);
        start.setVisible(!runs);
        start.setManaged(!runs);
        start.setDisable(same);
        coins.setVisible(now != null);
        coins.setManaged(now != null);
        coins.repaint();
        if (now == null) {
            question.setText("Blind trial");
            hint.setText(
                    same
                            ? "Before and now are the same field: change something, or compare with"
                                    + " a snapshot."
                            : "Before against now, equally loud, in a hidden order. Nothing is told"
                                    + " before the last answer.");
        } else if (runs) {
            boolean which = now.kind() == BlindTrial.Kind.WHICH;
            question.setText(which ? "Which one is X?" : "Which one is better?");
            hint.setText(
                    "Round "
                            + (now.answered() + 1)
                            + " of "
                            + now.rounds()
                            + ". "
                            + (which
                                    ? "Up: X. Left: 1, before. Right: 2, now. 1 and 2 answer."
                                    : "Left: the first. Right: the second. 1 and 2 answer.")
                            + " Escape ends it. The keys answer here and do not open steps.");
        } else {
            question.setText("Result");
            hint.setText(now.result().map(BlindTrial.Result::words).orElse(""));
        }
    }

    /** A coin for each round; all look alike until the end. */
    private final class Coins extends ScalingCanvas {
        @Override
        protected void paint(Pen pen, double w, double h) {
            BlindTrial now = proving.trial().get();
            if (now == null) {
                return;
            }
            double step = Math.min(26, w / now.rounds());
            double left = (w - step * now.rounds()) / 2;
            for (int i = 0; i < now.rounds(); i++) {
                double x = left + (i + 0.5) * step;
                boolean answered = i < now.answered();
                boolean wrong =
                        now.result().isPresent()
                                && now.kind() == BlindTrial.Kind.WHICH
                                && !now.result().get().answers().get(i).right();
                var fill = answered && !wrong ? pen.palette.ink : null;
                pen.circle(x, h / 2, Math.min(9, step / 2 - 2), fill, pen.palette.ink, 1.2);
                if (!answered && i == now.answered()) {
                    pen.text(
                            "X",
                            x,
                            h / 2 + 4,
                            Type.strong(11),
                            pen.palette.ink,
                            TextAlignment.CENTER);
                }
            }
        }
    }
}
