package orbispace.app.view.prove;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import orbispace.app.desk.ProveModel;
import orbispace.app.desk.Proving;
import orbispace.app.draw.Palette;
import orbispace.app.view.control.OneOf;
import orbispace.app.view.control.Plate;
import orbispace.core.design.Return;
import orbispace.core.measure.MonoFold;
import orbispace.core.words.Wording;

/** What folding to mono costs the mix or one return, over frequency and in words. */
final class MonoPanel extends VBox {
    private final ProveModel model;
    private final MonoComb comb = new MonoComb();
    private final Label loss = new Label();
    private final Label words = new Label();
    private final HBox of = new HBox(3);
    private final OneOf folds = new OneOf();
    private final ToggleButton hear = Plate.toggle("hear it folded", "hear the mix folded to mono");
    private List<String> listed = List.of();
    private String chosen = Proving.MIX;

    MonoPanel(ProveModel model) {
        super(5);
        this.model = model;
        loss.getStyleClass().add("reading");
        words.getStyleClass().add("caption");
        words.setWrapText(true);
        words.setMinHeight(32);
        hear.getStyleClass().add("small");
        hear.setOnAction(e -> model.transport().mono().set(hear.isSelected()));
        model.transport().mono().addListener((o, was, is) -> hear.setSelected(is));
        HBox head = new HBox(8, loss, Plate.spring(), hear);
        head.setAlignment(Pos.CENTER_LEFT);
        VBox.setVgrow(comb, Priority.ALWAYS);
        getChildren().addAll(new HBox(8, of, Plate.spring(), head), comb, words);
    }

    void setPalette(Palette palette) {
        comb.setPalette(palette);
    }

    void refresh() {
        List<String> ids = new ArrayList<>(List.of(Proving.MIX));
        model.design().get().returns().stream().map(Return::id).forEach(ids::add);
        if (!ids.equals(listed)) {
            list(ids);
        }
        Proving.Proven known = model.proving().proven().get();
        Optional<MonoFold> fold =
                known == null ? Optional.empty() : Optional.ofNullable(known.folds().get(chosen));
        comb.show(fold);
        loss.setText(fold.map(MonoPanel::whole).orElse(""));
        words.setText(fold.map(MonoPanel::said).orElse(""));
    }

    private void list(List<String> ids) {
        listed = List.copyOf(ids);
        if (!ids.contains(chosen)) {
            chosen = Proving.MIX;
        }
        of.getChildren().clear();
        folds.clear();
        for (String id : ids) {
            boolean mix = id.equals(Proving.MIX);
            ToggleButton button =
                    Plate.toggle(
                            mix ? "mix" : id, mix ? "fold of the mix" : "fold of return " + id);
            button.getStyleClass().add("small");
            button.setSelected(id.equals(chosen));
            folds.add(
                    button,
                    () -> {
                        chosen = id;
                        refresh();
                    });
            of.getChildren().add(button);
        }
    }

    private static String whole(MonoFold fold) {
        if (fold.wholeLossDb().isPresent()) {
            return Wording.number(-fold.wholeLossDb().getAsDouble(), 1) + " dB";
        }
        return fold.opposed() ? "nothing left" : "";
    }

    private static String said(MonoFold fold) {
        if (fold.opposed()) {
            return "Its sides work against each other: turn the polarity of one of them.";
        }
        List<MonoFold.Notch> notches = fold.notches();
        if (notches.isEmpty()) {
            return "No notch stands out. Unrelated sides lose 3 dB, equal ones nothing.";
        }
        long voice = notches.stream().filter(MonoFold.Notch::inVoice).count();
        double apart = 500 / notches.getFirst().hz();
        return (notches.size() == 1 ? "One notch" : notches.size() + " notches")
                + (voice > 0 ? ", " + voice + " in the voice's band" : ", none in the voice's band")
                + ". Two copies "
                + Wording.number(apart, 2)
                + " ms apart would leave the first there.";
    }
}
