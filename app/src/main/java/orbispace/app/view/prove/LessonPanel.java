package orbispace.app.view.prove;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.scene.text.TextAlignment;
import orbispace.app.desk.LessonState;
import orbispace.app.desk.Lessons;
import orbispace.app.desk.ProveModel;
import orbispace.app.view.control.Choice;
import orbispace.app.view.control.KeptFocus;
import orbispace.app.view.control.NameField;
import orbispace.app.view.control.Plate;
import orbispace.core.design.Return;
import orbispace.core.ears.EarPlace;
import orbispace.core.ears.LessonKind;
import orbispace.core.ears.Staircase;
import org.jspecify.annotations.Nullable;

/** A lesson of the ear, run by keys without looking. */
final class LessonPanel extends StackPane {
    private final ProveModel model;
    private final Lessons lessons;
    private final Label question = new Label();
    private final Label hint = new Label();
    private final FlowPane setting = new FlowPane(8, 6);
    private final HBox answers = new HBox(10);
    private final HBox hearing = new HBox(6);
    private final ToggleButton hearFirst = hear("1");
    private final ToggleButton hearSecond = hear("2");
    private final Button first;
    private final Button second;
    private final HBox subject = new HBox(8);
    private final Choice<EarPlace> place;
    private final NameField engineer;
    private LessonKind wanted = LessonKind.LEVEL;
    private @Nullable Offer offered;

    /** What can be chosen, and what is. */
    private record Offer(
            List<Return> returns, List<LessonKind> kinds, Optional<Return> of, LessonKind kind) {}

    LessonPanel(ProveModel model) {
        this.model = model;
        lessons = model.lessons();
        getStyleClass().addAll("chain-card", "resting");
        question.getStyleClass().add("screen-title");
        hint.getStyleClass().add("caption");
        hint.setWrapText(true);
        hint.setTextAlignment(TextAlignment.CENTER);
        place =
                new Choice<>(
                        "where you listen", List.of(EarPlace.values()), EarPlace::label, this::at);
        place.show(lessons.place());
        engineer = new NameField("who listens", lessons::listens);
        engineer.setPrefColumnCount(7);
        engineer.show(lessons.engineer());
        setting.getChildren().addAll(subject, place, engineer, Plate.button("Begin", this::begin));
        setting.setAlignment(Pos.CENTER);
        hearing.getChildren()
                .addAll(hearFirst, hearSecond, Plate.small("From the beginning", lessons::again));
        hearing.setAlignment(Pos.CENTER);
        hearFirst.setOnAction(e -> lessons.hear(true));
        hearSecond.setOnAction(e -> lessons.hear(false));
        first = Plate.button("1", () -> lessons.answer(true));
        second = Plate.button("2", () -> lessons.answer(false));
        answers.getChildren().addAll(first, second, Plate.small("End it", lessons::end));
        answers.setAlignment(Pos.CENTER);
        VBox all = new VBox(7, question, hearing, answers, setting, hint);
        all.setAlignment(Pos.CENTER);
        getChildren().add(all);
        setFocusTraversable(true);
        setAccessibleText("lesson of the ear");
        addEventFilter(KeyEvent.KEY_PRESSED, this::key);
    }

    private static ToggleButton hear(String which) {
        ToggleButton toggle = Plate.toggle("Hear " + which, "hear sound " + which);
        toggle.getStyleClass().add("small");
        return toggle;
    }

    private void at(EarPlace chosen) {
        lessons.listensAt(chosen);
        place.show(chosen);
    }

    private void begin() {
        ret().ifPresent(r -> lessons.begin(wanted, r));
        requestFocus();
    }

    private Optional<Return> ret() {
        return model.design().get().findReturn(model.selection().returnId().get());
    }

    private void key(KeyEvent e) {
        LessonState now = lessons.state().get();
        if (now == null) {
            return;
        }
        if (now.taken().isPresent()) {
            TrialPanel.swallowAnswer(e);
            return;
        }
        switch (e.getCode()) {
            case DIGIT1, NUMPAD1 -> lessons.answer(true);
            case DIGIT2, NUMPAD2 -> lessons.answer(false);
            case LEFT -> lessons.hear(true);
            case RIGHT -> lessons.hear(false);
            case UP -> lessons.again();
            case ESCAPE -> lessons.end();
            case SPACE -> model.transport().togglePlaying();
            default -> {
                if (!e.getText().matches("[0-9bB]")) {
                    return;
                }
            }
        }
        e.consume();
    }

    void refresh() {
        LessonState now = lessons.state().get();
        boolean runs = now != null && now.taken().isEmpty();
        for (HBox row : List.of(hearing, answers)) {
            row.setVisible(runs);
            row.setManaged(runs);
        }
        setting.setVisible(!runs);
        setting.setManaged(!runs);
        offer();
        if (runs) {
            question.setText("In which is " + now.returnName() + " " + now.kind().more() + "?");
            first.setText("1 is " + now.kind().more());
            second.setText("2 is " + now.kind().more());
            hearFirst.setSelected(now.hearsFirst());
            hearSecond.setSelected(!now.hearsFirst());
            answers.setDisable(!now.ready());
            hint.setText(round(now));
        } else if (now == null) {
            question.setText("What do you hear?");
            hint.setText(idle());
        } else {
            question.setText("Lesson done");
            hint.setText(now.taken().map(t -> t.words()).orElse("") + ".");
        }
    }

    /** The returns, and the kinds that the chosen one has. */
    private void offer() {
        List<Return> returns = model.design().get().returns();
        List<LessonKind> kinds =
                Arrays.stream(LessonKind.values())
                        .filter(k -> ret().filter(r -> k.greatest(r).isPresent()).isPresent())
                        .toList();
        if (!kinds.contains(wanted) && !kinds.isEmpty()) {
            wanted = kinds.getFirst();
        }
        Offer now = new Offer(returns, kinds, ret(), wanted);
        if (now.equals(offered)) {
            return;
        }
        offered = now;
        subject.getChildren().clear();
        ret().ifPresent(r -> {
            Choice<Return> of =
                    new Choice<>(
                            "which return",
                            returns,
                            Return::name,
                            chosen -> model.selection().returnId().set(chosen.id()));
            of.show(r);
            Choice<LessonKind> kind =
                    new Choice<>("what differs", kinds, LessonKind::label, this::want);
            kind.show(wanted);
            subject.getChildren().addAll(of, kind);
        });
        setting.setDisable(kinds.isEmpty());
    }

    private void want(LessonKind kind) {
        wanted = kind;
        KeptFocus.through(subject, this::offer);
    }

    private String idle() {
        return ret().map(r ->
                        "Of two sounds one has more of it in "
                                + r.name()
                                + "; say which. The difference shrinks until you no longer tell it:"
                                + " at most "
                                + Staircase.MOST_ANSWERS
                                + " answers, some five minutes. It begins quietly; keep it no"
                                + " louder than you work.")
                .orElse("Choose a return on the Orbit; a lesson is about one.");
    }

    private static String round(LessonState now) {
        if (!now.ready()) {
            return "Making the two equally loud\u2026";
        }
        return "Round "
                + now.round()
                + " of at most "
                + Staircase.MOST_ANSWERS
                + ". Left and right hear, up begins again, 1 and 2 answer, Esc ends.";
    }
}
