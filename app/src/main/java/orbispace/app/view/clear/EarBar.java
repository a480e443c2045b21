package orbispace.app.view.clear;

import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import orbispace.app.desk.ClearModel;
import orbispace.app.view.control.Plate;
import orbispace.app.view.control.WhenSeen;
import orbispace.core.clear.Diagnosis;
import orbispace.core.clear.EarWord;
import orbispace.core.clear.PairView;
import orbispace.core.design.Kept;
import orbispace.core.hearing.Cover;
import orbispace.core.words.Wording;

/** The ear words: pressing one asks the measures, and says what they answer. */
final class EarBar extends VBox {
    private final ClearModel model;
    private final Map<EarWord, ToggleButton> words = new EnumMap<>(EarWord.class);
    private final Label evidence = new Label();
    private final HBox line;
    private final ToggleButton keep =
            Plate.toggle("keep this", "keep this: no remedy may lose what is heard of the return");

    EarBar(ClearModel model) {
        super(4);
        this.model = model;
        Label head = new Label("What do you hear?");
        head.getStyleClass().add("section-head");
        evidence.getStyleClass().add("why");
        evidence.setWrapText(false);
        FlowPane flow = new FlowPane(4, 4);
        for (EarWord word : EarWord.values()) {
            ToggleButton button = Plate.toggle(word.label(), "I hear: " + word.label());
            button.getStyleClass().add("small");
            button.setOnAction(e -> press(word, button));
            words.put(word, button);
            flow.getChildren().add(button);
        }
        keep.getStyleClass().add("small");
        keep.setOnAction(e -> keep());
        flow.getChildren().add(keep);
        head.setMinWidth(javafx.scene.layout.Region.USE_PREF_SIZE);
        line = new HBox(12, head, evidence);
        line.setAlignment(javafx.geometry.Pos.BASELINE_LEFT);
        getChildren().addAll(line, flow);
        model.clearing().diagnosis().addListener((o, was, is) -> refresh());
        model.selection()
                .returnId()
                .addListener((o, was, is) -> {
                    model.clearing().unhear();
                    refresh();
                });
        WhenSeen seen = new WhenSeen(this, this::refresh);
        model.design().addListener((o, was, is) -> seen.run());
        refresh();
    }

    /** Leaves room at the right of its first line. */
    void leave(double room) {
        line.setMaxWidth(Math.max(120, getWidth() - room));
    }

    private void press(EarWord word, ToggleButton button) {
        if (button.isSelected()) {
            model.clearing().hear(word);
        } else {
            model.clearing().unhear();
        }
    }

    /** Marks what is heard of the chosen return in this section, or marks it no more. */
    private void keep() {
        String id = model.selection().returnId().get();
        Optional<Cover> heard =
                Optional.ofNullable(model.measured().clearance().get())
                        .filter(c -> c.design().equals(model.design().get()))
                        .flatMap(c -> c.pair(id))
                        .map(PairView::cover);
        boolean marks = !model.design().get().aims().kept().containsKey(id);
        if (!marks) {
            model.clearing().asking().keep(id, null);
        } else {
            heard.ifPresent(c ->
                    model.clearing()
                            .asking()
                            .keep(id, new Kept(model.span(), c.wetShare(), c.wetShareInGaps())));
        }
        refresh();
    }

    private static String guarded(Kept k) {
        return Wording.format(
                "Kept: %.1f %% of the loudness, %.1f %% in the rests; no remedy takes more than"
                        + " %.0f %% of that.",
                100 * k.wetShare(), 100 * k.wetShareInGaps(), 100 * Kept.MOST_LOST);
    }

    private void refresh() {
        Kept kept = model.design().get().aims().kept().get(model.selection().returnId().get());
        keep.setSelected(kept != null);
        Diagnosis d = model.clearing().diagnosis().get();
        words.forEach((word, button) -> button.setSelected(d != null && d.word() == word));
        if (d == null && kept != null) {
            evidence.setText(guarded(kept));
        } else if (d == null) {
            evidence.setText(
                    "Press a word: the chart marks where it may live, and its remedies come"
                            + " first.");
        } else {
            evidence.setText(
                    (d.supported() ? "Yes: " : "Nothing measured supports it: ")
                            + d.evidence()
                            + ".");
        }
    }
}
