package orbispace.app.view.prove;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.layout.HBox;
import orbispace.app.desk.EarKeeping;
import orbispace.app.desk.LessonState;
import orbispace.app.desk.Lessons;
import orbispace.app.desk.ProveModel;
import orbispace.app.view.control.Choice;
import orbispace.app.view.control.KeptFocus;
import orbispace.app.view.control.NameField;
import orbispace.app.view.control.Plate;
import orbispace.core.design.Return;
import orbispace.core.ears.DailyWalk;
import orbispace.core.ears.EarPlace;
import orbispace.core.ears.LessonKind;
import orbispace.core.ears.Staircase;
import org.jspecify.annotations.Nullable;

/** A lesson of the ear, run by keys without looking. */
final class LessonPanel extends BlindCard {
    private final ProveModel model;
    private final Lessons lessons;
    private final EarKeeping keeping;
    private final HBox subject = new HBox(8);
    private final Choice<EarPlace> place;
    private final Choice<Boolean> matched;
    private LessonKind wanted = LessonKind.LEVEL;
    private @Nullable Offer offered;

    /** What can be chosen, and what is. */
    private record Offer(
            List<Return> returns, List<LessonKind> kinds, Optional<Return> of, LessonKind kind) {}

    LessonPanel(ProveModel model) {
        super("lesson of the ear", "From the beginning", model.transport());
        this.model = model;
        lessons = model.ownEars().lessons();
        keeping = model.ownEars().keeping();
        place =
                new Choice<>(
                        "where you listen", List.of(EarPlace.values()), EarPlace::label, this::at);
        place.show(keeping.place());
        matched =
                new Choice<>(
                        "by what both sounds are as loud",
                        List.of(false, true),
                        is -> is ? "by its senders" : "by the mix",
                        this::match);
        matched.show(lessons.byPart());
        NameField engineer = new NameField("who listens", keeping::listens);
        engineer.setPrefColumnCount(7);
        engineer.show(keeping.engineer());
        Button begin = Plate.button("Begin", this::begin);
        settings(List.of(subject, matched, place, engineer, begin));
    }

    private void at(EarPlace chosen) {
        keeping.listensAt(chosen);
        place.show(chosen);
    }

    private void match(boolean byPart) {
        lessons.byPart(byPart);
        matched.show(byPart);
    }

    private void begin() {
        ret().ifPresent(r -> lessons.begin(wanted, r));
        requestFocus();
    }

    private Optional<Return> ret() {
        return model.design().get().findReturn(model.selection().returnId().get());
    }

    @Override
    Phase phase() {
        LessonState now = lessons.state().get();
        return now == null ? Phase.IDLE : now.taken().isPresent() ? Phase.DONE : Phase.RUNS;
    }

    @Override
    void hear(boolean isFirst) {
        lessons.hear(isFirst);
    }

    @Override
    void third() {
        lessons.again();
    }

    @Override
    void answer(boolean isFirst) {
        lessons.answer(isFirst);
    }

    @Override
    void end() {
        lessons.end();
    }

    void refresh() {
        LessonState now = lessons.state().get();
        offer();
        if (now == null) {
            say("What do you hear?", idle());
        } else if (now.taken().isPresent()) {
            say(
                    now.stop() > 0 ? "Walk done" : "Lesson done",
                    now.taken().get().words()
                            + "."
                            + (now.stop() > 0 ? " All of it stands under My ears." : ""));
        } else {
            say("In which is " + now.returnName() + " " + now.kind().more() + "?", round(now));
            answersSay("1 is " + now.kind().more(), "2 is " + now.kind().more());
            hears(now.hearsFirst(), now.ready());
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
            Choice<LessonKind> kind =
                    new Choice<>("what differs", kinds, LessonKind::label, this::want);
            kind.show(wanted);
            subject.getChildren().addAll(ReturnChoice.of(model, r), kind);
        });
        settable(!kinds.isEmpty());
    }

    private void want(LessonKind kind) {
        wanted = kind;
        KeptFocus.through(subject, this::offer);
    }

    private String idle() {
        return ret().map(r ->
                        "Of two sounds, as loud "
                                + (lessons.byPart() ? "by the senders" : "by the mix")
                                + ", one has more of it in "
                                + r.name()
                                + ". It shrinks until you no longer tell which: at most "
                                + Staircase.MOST_ANSWERS
                                + " answers, five minutes. It begins quietly; keep it no louder"
                                + " than you work.")
                .orElse("Choose a return on the Orbit; a lesson is about one.");
    }

    private static String round(LessonState now) {
        String walk =
                now.stop() > 0 ? "Walk, " + now.stop() + " of " + DailyWalk.LESSONS + ". " : "";
        if (!now.ready()) {
            return walk + "Making the two sounds\u2026";
        }
        return walk
                + "Round "
                + now.round()
                + " of at most "
                + now.most()
                + ". Left and right hear, up begins again, 1 and 2 answer, Esc ends.";
    }
}
