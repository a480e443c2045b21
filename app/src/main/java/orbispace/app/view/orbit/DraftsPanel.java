package orbispace.app.view.orbit;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import orbispace.app.desk.OrbitModel;
import orbispace.app.draw.OrbitScene;
import orbispace.app.draw.OrbitThumbnail;
import orbispace.app.draw.Palette;
import orbispace.app.draw.Pen;
import orbispace.app.measuring.Drafting;
import orbispace.app.song.FieldEvents;
import orbispace.app.view.control.Plate;
import orbispace.app.view.control.ScalingCanvas;
import orbispace.app.view.control.SealMark;
import orbispace.core.design.Design;
import orbispace.core.design.Return;
import orbispace.core.prove.Severity;
import orbispace.core.prove.court.Passed;
import orbispace.core.prove.court.Verdict;
import orbispace.core.words.Wording;
import orbispace.files.sheet.SpaceWording;

/** Four drafted fields side by side, each with a small Orbit; one can be adopted. */
final class DraftsPanel extends VBox {
    private final OrbitModel model;
    private final Label title = new Label();
    private final HBox cards = new HBox(12);
    private final List<ScalingCanvas> marks = new ArrayList<>();
    private Palette palette = Palette.DAY;

    DraftsPanel(OrbitModel model) {
        this.model = model;
        getStyleClass().add("drafts");
        title.getStyleClass().add("screen-title");
        Button close = Plate.button("Keep the field as it is", model.drafting()::close);
        HBox head = new HBox(title, Plate.spring(), close);
        head.setAlignment(Pos.CENTER_LEFT);
        VBox.setVgrow(cards, Priority.ALWAYS);
        getChildren().addAll(head, cards);
        setSpacing(10);
        model.drafting().drafts().addListener((o, was, is) -> show(is));
        show(List.of());
    }

    void setPalette(Palette given) {
        palette = given;
        marks.forEach(m -> m.setPalette(given));
    }

    private void show(List<Drafting.Drafted> drafts) {
        setVisible(!drafts.isEmpty());
        setManaged(!drafts.isEmpty());
        title.setText(drafts.size() == 1 ? "Laid on this song" : "Four drafts for this song");
        cards.getChildren().clear();
        marks.clear();
        drafts.forEach(d -> cards.getChildren().add(card(d)));
        setPalette(palette);
        if (!drafts.isEmpty()) {
            cards.getChildren().getFirst().requestFocus();
        }
    }

    private VBox card(Drafting.Drafted drafted) {
        Label name = new Label(drafted.draft().name());
        name.getStyleClass().add("inspector-title");
        Label idea = new Label(drafted.draft().idea());
        idea.getStyleClass().add("caption");
        idea.setWrapText(true);
        idea.setMinHeight(Region.USE_PREF_SIZE);
        SmallOrbit orbit = new SmallOrbit(drafted);
        marks.add(orbit);
        VBox list = new VBox(7);
        drafted.passed().verdicts().forEach(v -> list.getChildren().add(row(drafted, v)));
        ScrollPane scroll = new ScrollPane(list);
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        scroll.getStyleClass().add("cards");
        VBox.setVgrow(scroll, Priority.ALWAYS);
        Button adopt = Plate.button("Adopt", () -> model.drafting().adopt(drafted));
        adopt.setAccessibleText("adopt the draft " + drafted.draft().name());
        VBox card = Plate.clip(new VBox(6, name, orbit, court(drafted.passed()), idea));
        best(drafted).ifPresent(b -> card.getChildren().add(3, b));
        card.getChildren().addAll(scroll, adopt);
        card.getStyleClass().add("draft-card");
        HBox.setHgrow(card, Priority.ALWAYS);
        card.setPrefWidth(100);
        return card;
    }

    /** What the program's own findings say of a draft. */
    private static Label court(Passed passed) {
        long act = passed.left(Severity.ACT);
        long weigh = passed.left(Severity.WEIGH);
        String left =
                act + weigh == 0
                        ? "nothing found to act on or weigh"
                        : Wording.format("%d to act on, %d to weigh", act, weigh);
        Label words =
                new Label(
                        Wording.format(
                                "lead keeps %.0f %%, %.0f %% in its worst phrase; %s",
                                100 * passed.presence(), 100 * passed.worstPhrase(), left));
        words.getStyleClass().add("draft-court");
        words.setWrapText(true);
        words.setMinHeight(Region.USE_PREF_SIZE);
        return words;
    }

    private Optional<Label> best(Drafting.Drafted drafted) {
        return model.drafting()
                .best()
                .filter(b -> model.drafting().drafts().get().size() > 1)
                .filter(b -> b.passed().school().equals(drafted.passed().school()))
                .map(b -> {
                    Label words = new Label("Best for this song: " + b.rule());
                    words.getStyleClass().add("draft-best");
                    words.setWrapText(true);
                    words.setMinHeight(Region.USE_PREF_SIZE);
                    return words;
                });
    }

    private HBox row(Drafting.Drafted drafted, Verdict verdict) {
        Return r = verdict.ret();
        SealMark seal = new SealMark(r::id, 10, true);
        marks.add(seal);
        Design design = drafted.design();
        Label words = new Label(r.name());
        words.getStyleClass().add("row-name");
        Label size =
                new Label(
                        new SpaceWording(design, r).size()
                                + ", "
                                + Wording.number(r.levelDb(), 1)
                                + " dB");
        size.getStyleClass().add("caption");
        Label purpose =
                new Label(
                        verdict.purpose().label()
                                + (verdict.met()
                                        ? ", " + verdict.reached().label() + " as asked"
                                        : ", "
                                                + verdict.reached().label()
                                                + " where "
                                                + verdict.asked().label()
                                                + " is asked"));
        purpose.getStyleClass().add("caption");
        purpose.setWrapText(true);
        Label why = new Label(verdict.why());
        why.getStyleClass().add("why");
        why.setWrapText(true);
        VBox text = new VBox(words, size, purpose, why);
        HBox.setHgrow(text, Priority.ALWAYS);
        return new HBox(6, seal, text);
    }

    /** A draft in small. */
    private final class SmallOrbit extends ScalingCanvas {
        private final Drafting.Drafted drafted;

        SmallOrbit(Drafting.Drafted drafted) {
            this.drafted = drafted;
            setPrefSize(260, 142);
            setMinSize(120, 142);
            setMaxHeight(142);
        }

        @Override
        protected void paint(Pen pen, double w, double h) {
            OrbitScene scene =
                    new OrbitScene(
                            drafted.design(),
                            drafted.pictures(),
                            FieldEvents.of(drafted.design(), model.measured().materials()),
                            "",
                            model.selection().bar());
            OrbitThumbnail.paint(pen, scene, w, h);
        }
    }
}
