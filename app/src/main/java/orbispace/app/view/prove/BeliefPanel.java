package orbispace.app.view.prove;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import orbispace.app.desk.BeliefState;
import orbispace.app.desk.Beliefs;
import orbispace.app.desk.ProveModel;
import orbispace.app.view.control.Choice;
import orbispace.app.view.control.Plate;
import orbispace.core.design.Return;
import orbispace.core.ears.Belief;
import orbispace.core.prove.compare.BlindTrial;
import org.jspecify.annotations.Nullable;

/** A belief on trial, run by keys without looking. */
final class BeliefPanel extends BlindCard {
    private final ProveModel model;
    private final Beliefs beliefs;
    private Belief wanted = Belief.STEP;
    private @Nullable Offer offered;

    /** What can be put on trial, and what is chosen. */
    private record Offer(
            List<Return> returns, Optional<Return> of, List<Belief> all, Belief chosen) {}

    BeliefPanel(ProveModel model) {
        super("belief on trial", "Hear X", model.transport());
        this.model = model;
        beliefs = model.ownEars().beliefs();
    }

    private Optional<Return> ret() {
        return model.design().get().findReturn(model.selection().returnId().get());
    }

    @Override
    Phase phase() {
        BeliefState now = beliefs.state().get();
        return now == null ? Phase.IDLE : now.result().isPresent() ? Phase.DONE : Phase.RUNS;
    }

    @Override
    void hear(boolean isFirst) {
        beliefs.hear(isFirst);
    }

    @Override
    void third() {
        beliefs.hearX();
    }

    @Override
    void answer(boolean isFirst) {
        beliefs.answer(isFirst);
    }

    @Override
    void end() {
        beliefs.end();
    }

    private void begin() {
        ret().ifPresent(r -> beliefs.begin(wanted, r));
        requestFocus();
    }

    void refresh() {
        BeliefState now = beliefs.state().get();
        offer();
        if (now == null) {
            say("Is it true?", idle());
        } else if (now.result().isPresent()) {
            say("Verdict", now.words());
        } else {
            boolean which = now.belief().asks() == BlindTrial.Kind.WHICH;
            say(which ? "Which one is X?" : "Which one is better?", round(now, which));
            answersSay(
                    which ? "X is " + now.two().first() : "1 is better",
                    which ? "X is " + now.two().second() : "2 is better");
            hears(now.hears(), now.ready());
            offersThird(which);
        }
    }

    /** What the chosen return allows. */
    private void offer() {
        List<Belief> all =
                Arrays.stream(Belief.values())
                        .filter(b -> ret().flatMap(r -> b.two(model.design().get(), r)).isPresent())
                        .toList();
        if (!all.contains(wanted) && !all.isEmpty()) {
            wanted = all.getFirst();
        }
        Offer now = new Offer(model.design().get().returns(), ret(), all, wanted);
        if (now.equals(offered)) {
            return;
        }
        offered = now;
        List<Node> nodes = new ArrayList<>();
        ret().ifPresent(r -> {
            Choice<Belief> belief =
                    new Choice<>("belief", all, b -> "\u201c" + b.label() + "\u201d", this::want);
            belief.show(wanted);
            nodes.addAll(List.of(belief, ReturnChoice.of(model, r)));
        });
        nodes.add(Plate.button("Put on trial", this::begin));
        settings(nodes);
        settable(!all.isEmpty());
    }

    private void want(Belief chosen) {
        wanted = chosen;
        refresh();
        requestFocus();
    }

    private String idle() {
        return ret().map(r -> wanted.before())
                .orElse("Choose a return on the Orbit; a belief is tried on one.");
    }

    private static String round(BeliefState now, boolean which) {
        if (!now.ready()) {
            return "Making the two equally loud\u2026";
        }
        return "Round "
                + (now.answered() + 1)
                + " of "
                + Belief.ROUNDS
                + ". "
                + (which
                        ? "Left: 1, "
                                + now.two().first()
                                + ". Right: 2, "
                                + now.two().second()
                                + ". Up: X."
                        : "Left: the first. Right: the second.")
                + " 1 and 2 answer, Esc ends.";
    }
}
