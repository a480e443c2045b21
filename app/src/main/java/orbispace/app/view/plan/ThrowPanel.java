package orbispace.app.view.plan;

import java.util.List;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import orbispace.app.desk.PlanModel;
import orbispace.app.desk.Throwing;
import orbispace.app.view.control.KeptFocus;
import orbispace.app.view.control.Plate;
import orbispace.core.design.Return;
import orbispace.core.design.Source;
import orbispace.core.design.Throw;
import orbispace.core.plan.ThrowConflict;
import orbispace.core.plan.ThrowIdea;
import orbispace.core.plan.ThrowRemedy;
import orbispace.core.time.SongClock;
import orbispace.core.time.Span;
import orbispace.core.words.Wording;
import orbispace.files.sheet.PlanWording;

/** What is picked of the source, the chosen throw with its numbers, conflicts, ideas, the list. */
final class ThrowPanel extends VBox {
    private static final int MOST_IDEAS = 5;

    private final PlanModel model;
    private final Throwing throwing;
    private final MenuButton source = new MenuButton();
    private final Label picked = new Label();
    private final Button throwIt;
    private final ThrowNumbers numbers;
    private final VBox said = new VBox(6);
    private final VBox list = new VBox(6);

    ThrowPanel(PlanModel model) {
        this.model = model;
        throwing = model.throwing();
        numbers = new ThrowNumbers(model);
        throwIt = Plate.small("Throw it", throwing::throwPicked);
        source.getStyleClass().add("kind-menu");
        source.setAccessibleText("source whose words are thrown");
        source.setOnShowing(e -> fillSources());
        source.getItems().add(new MenuItem(""));
        picked.getStyleClass().add("row-name");
        picked.setWrapText(true);
        HBox steps =
                new HBox(
                        4,
                        step("\u2039", "the one before", () -> throwing.picking().step(-1)),
                        step("\u203a", "the next", () -> throwing.picking().step(1)),
                        step("+ word", "a word more", throwing.picking()::grow),
                        step("\u2212 word", "a word fewer", throwing.picking()::shrink),
                        step("Phrase", "pick the phrase", throwing.picking()::wholePhrase),
                        step("Word", "pick the last word", throwing.picking()::lastWord));
        VBox all = new VBox(8, numbers, said, list);
        ScrollPane scroll = new ScrollPane(all);
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        scroll.getStyleClass().add("cards");
        VBox.setVgrow(scroll, Priority.ALWAYS);
        HBox head = new HBox(6, source, Plate.spring(), throwIt);
        head.setAlignment(Pos.CENTER_LEFT);
        getChildren().addAll(head, picked, steps, scroll);
        setSpacing(8);
        throwing.measured().addListener((o, was, is) -> refresh());
    }

    private static Button step(String text, String accessible, Runnable action) {
        Button b = Plate.small(text, action);
        b.setAccessibleText(accessible);
        return b;
    }

    private void fillSources() {
        source.getItems().clear();
        for (Source s : model.design().get().sources()) {
            MenuItem item = new MenuItem(s.name());
            item.setOnAction(e -> {
                model.clearing().judge(s.id());
                throwing.picking().pick(null);
                throwing.picking().pickPhrase(model.transport().position().get());
            });
            source.getItems().add(item);
        }
    }

    void refresh() {
        source.setText(throwing.picking().source().map(Source::name).orElse("no source"));
        Span span = throwing.picking().picked().get();
        picked.setText(span == null ? "Nothing is picked." : place(span));
        Optional<Throw> chosen = throwing.chosen();
        String to = model.selection().returnId().get();
        throwIt.setText("Throw to " + to);
        throwIt.setDisable(span == null || model.design().get().findReturn(to).isEmpty());
        numbers.setVisible(chosen.isPresent());
        numbers.setManaged(chosen.isPresent());
        chosen.ifPresent(numbers::show);
        List<ThrowConflict> conflicts = throwing.courses().conflicts();
        KeptFocus.through(
                said,
                () -> {
                    said.getChildren().clear();
                    chosen.ifPresent(t -> say(t, conflicts));
                });
        KeptFocus.through(list, () -> lists(chosen.isEmpty(), conflicts));
        throwing.measure();
    }

    private void lists(boolean withIdeas, List<ThrowConflict> conflicts) {
        list.getChildren().clear();
        if (withIdeas) {
            ideas();
        }
        throwsOfAll(conflicts);
    }

    private String place(Span span) {
        SongClock clock = model.design().get().song().clock();
        return sentence(PlanWording.place(clock, clock.beatAt(span.startSeconds())))
                + ", "
                + Wording.number(span.seconds(), 2)
                + " s";
    }

    /** What is wrong with a throw, what the next phrase keeps, and what would help. */
    private void say(Throw t, List<ThrowConflict> conflicts) {
        for (ThrowConflict c : conflicts) {
            if (c.thrown().id().equals(t.id())) {
                said.getChildren().add(card(sentence(c.kind().label()), c.evidence(), "warned"));
            }
        }
        Throwing.Measured m = throwing.measured().get();
        if (m == null || !m.throwId().equals(t.id()) || m.standing().kept().isEmpty()) {
            return;
        }
        double kept = m.standing().kept().getAsDouble();
        boolean current = m.design().equals(model.design().get());
        Label keeps =
                new Label(
                        current
                                ? "The next phrase keeps "
                                        + Wording.percent(kept, 0)
                                        + "; without this throw "
                                        + Wording.percent(m.standing().without().orElse(1), 0)
                                        + "."
                                : "Measuring the next phrase.");
        keeps.setWrapText(true);
        keeps.getStyleClass().add("why");
        said.getChildren().add(keeps);
        if (current) {
            m.standing().remedies().forEach(r -> said.getChildren().add(remedy(kept, r, m)));
        }
    }

    private Node remedy(double kept, ThrowRemedy r, Throwing.Measured m) {
        int before = m.standing().course().arrivals().size();
        String repeats =
                m.standing().course().spacingSeconds() > 0
                        ? ", repeats " + before + " to " + r.repeats()
                        : "";
        Label words = new Label(r.words());
        words.getStyleClass().add("row-name");
        words.setWrapText(true);
        Label gains =
                new Label(
                        Wording.percent(kept, 0)
                                + " to "
                                + Wording.percent(r.kept(), 0)
                                + " kept"
                                + repeats);
        gains.getStyleClass().add("caption");
        Button apply = Plate.small("Apply", () -> throwing.apply(r));
        apply.setAccessibleText("apply: " + r.words());
        HBox row = new HBox(6, gains, Plate.spring(), apply);
        row.setAlignment(Pos.CENTER_LEFT);
        VBox box = new VBox(3, words, row);
        box.getStyleClass().addAll("chain-card");
        return Plate.clip(box);
    }

    private void ideas() {
        List<ThrowIdea> ideas = throwing.courses().ideas();
        if (ideas.isEmpty()) {
            return;
        }
        list.getChildren().add(Plate.caps("WORDS THAT COULD BE THROWN"));
        for (ThrowIdea idea : ideas.subList(0, Math.min(MOST_IDEAS, ideas.size()))) {
            String emptier =
                    (idea.quieterDb() >= 0 ? "emptier by " : "fuller by ")
                            + Wording.number(Math.abs(idea.quieterDb()), 0)
                            + " dB";
            Label words =
                    new Label(
                            place(idea.word())
                                    + ": then a gap of "
                                    + Wording.number(idea.gap().seconds(), 2)
                                    + " s, "
                                    + emptier
                                    + " than its like.");
            words.setWrapText(true);
            words.getStyleClass().add("caption");
            Button look = Plate.small("Look", () -> throwing.picking().pick(idea.word()));
            look.setAccessibleText("look at the word at " + place(idea.word()));
            Button take = Plate.small("Throw", () -> throwing.take(idea));
            take.setAccessibleText("throw the word at " + place(idea.word()));
            VBox box = new VBox(3, words, new HBox(6, Plate.spring(), look, take));
            box.getStyleClass().addAll("chain-card", "resting");
            list.getChildren().add(Plate.clip(box));
        }
    }

    private void throwsOfAll(List<ThrowConflict> conflicts) {
        if (model.design().get().thrown().isEmpty()) {
            return;
        }
        list.getChildren().add(Plate.caps("ALL THROWS"));
        for (Throw t : model.design().get().thrown()) {
            list.getChildren().add(entry(t, conflicts));
        }
    }

    private Node entry(Throw t, List<ThrowConflict> conflicts) {
        String wrong =
                conflicts.stream()
                        .filter(c -> c.thrown().id().equals(t.id()))
                        .map(c -> ". " + sentence(c.kind().label()))
                        .findFirst()
                        .orElse("");
        Label words =
                new Label(
                        t.returnId() + ": " + PlanWording.thrown(model.design().get(), t) + wrong);
        words.setWrapText(true);
        words.getStyleClass().add("why");
        Button choose = Plate.small("Choose", () -> throwing.choose(t));
        choose.setAccessibleText("choose throw " + t.id());
        Button remove = Plate.small("Remove", () -> remove(t));
        remove.setAccessibleText("remove throw " + t.id());
        HBox row = new HBox(6, choose, sendElsewhere(t), Plate.spring(), remove);
        VBox box = new VBox(4, words, row);
        box.getStyleClass().addAll("chain-card", "resting");
        return Plate.clip(box);
    }

    private void remove(Throw t) {
        throwing.choose(t);
        throwing.remove();
    }

    /** Sends a throw to another return, such as when its own is gone. */
    private MenuButton sendElsewhere(Throw t) {
        MenuButton to = new MenuButton("To " + t.returnId());
        to.getStyleClass().add("kind-menu");
        to.setAccessibleText("return of throw " + t.id());
        for (Return r : model.design().get().returns()) {
            MenuItem item = new MenuItem(r.id() + " " + r.name());
            item.setOnAction(e -> {
                throwing.choose(t);
                throwing.change(x -> x.to(r.id()));
            });
            to.getItems().add(item);
        }
        return to;
    }

    private static Node card(String title, String evidence, String style) {
        Label head = new Label(title);
        head.getStyleClass().addAll("row-name", style);
        Label words = new Label(evidence);
        words.setWrapText(true);
        words.getStyleClass().add("caption");
        VBox box = new VBox(3, head, words);
        box.getStyleClass().addAll("chain-card", style);
        return Plate.clip(box);
    }

    private static String sentence(String words) {
        return words.substring(0, 1).toUpperCase(java.util.Locale.ROOT) + words.substring(1);
    }
}
