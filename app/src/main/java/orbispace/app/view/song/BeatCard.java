package orbispace.app.view.song;

import java.util.OptionalDouble;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import orbispace.app.desk.SongModel;
import orbispace.app.view.control.NumberField;
import orbispace.app.view.control.Plate;
import orbispace.app.view.control.WhenSeen;
import orbispace.core.design.Form;
import orbispace.core.material.BarOneFinder;
import orbispace.core.time.TapTempo;
import orbispace.core.words.Wording;

/** Where the beat lies: tapping the tempo, bar 1 by hand or by the hits, and the click. */
final class BeatCard extends VBox {
    private final SongModel model;
    private final TapTempo taps = new TapTempo();
    private final NumberField barOne;
    private final Button tap;
    private final Button takeTap;
    private final Label proposal = new Label();
    private static final String NOTHING =
            "The hits agree with the beats, are too few, or leave open where the beat is.";

    private final Button takeProposal;
    private boolean front;

    /**
     * A card.
     *
     * @param takesTempo takes the tempo that was tapped
     */
    BeatCard(SongModel model, FormPanel.Taken takesTempo) {
        super(10);
        this.model = model;
        barOne =
                new NumberField(
                        "bar 1 after the stems' start",
                        "milliseconds, such as 12.5 or \u2212310",
                        text -> FormPanel.number(text, "ms", v -> setBarOne(v / 1000)),
                        (way, size) ->
                                setBarOne(origin() + way * FormPanel.step(size, 0.1, 1, 10) / 1000),
                        model.problem()::set);
        tap = Plate.button("Tap the beat", this::tap);
        takeTap = Plate.button("", () -> taps.bpm().ifPresent(takesTempo::take));
        takeProposal = Plate.button("Move bar 1 there", this::takeProposal);
        ToggleButton click = Plate.toggle("Click on the beats", "hear a click on every beat");
        click.selectedProperty().bindBidirectional(model.transport().clicking());
        proposal.setWrapText(true);
        proposal.getStyleClass().add("why");
        getChildren()
                .addAll(
                        FormPanel.head("TAP"),
                        FormPanel.caption("Tap with the song playing, at least four times."),
                        new HBox(6, tap, takeTap));
        getChildren().addAll(FormPanel.head("BAR 1"), barOne, proposal, takeProposal, click);
        WhenSeen seen = new WhenSeen(this, this::refresh);
        model.design().addListener((o, was, is) -> seen.run());
        model.form().proposal().addListener((o, was, is) -> refresh());
        refresh();
    }

    private double origin() {
        return model.design().get().song().clock().originSeconds();
    }

    private boolean setBarOne(double seconds) {
        boolean taken = model.form().change("bar 1", s -> Form.barOneAt(s, seconds));
        if (taken && front) {
            model.form().proposeBarOne();
        }
        return taken;
    }

    private void tap() {
        taps.tap(System.nanoTime() / 1e9);
        refresh();
    }

    private void takeProposal() {
        BarOneFinder.BarOne found = model.form().proposal().get();
        if (found == null) {
            return;
        }
        if (found.fittingBpm().isPresent()) {
            double bpm = Math.rint(100 * found.fittingBpm().getAsDouble()) / 100;
            double factor = bpm / model.design().get().song().clock().bpmOfBar(1);
            if (model.form().change("tempo", s -> Form.faster(s, factor))) {
                model.form().proposeBarOne();
            }
        } else {
            setBarOne(found.originSeconds());
        }
    }

    void shown(boolean inFront) {
        front = inFront;
        if (inFront) {
            model.form().proposeBarOne();
        }
    }

    private void refresh() {
        barOne.show(Wording.number(1000 * origin(), 1), "ms");
        OptionalDouble tapped = taps.bpm();
        tap.setText(taps.count() == 0 ? "Tap the beat" : "Tap the beat: " + taps.count());
        takeTap.setVisible(tapped.isPresent());
        tapped.ifPresent(b -> takeTap.setText("Set " + Wording.number(b, 1) + " bpm"));
        BarOneFinder.BarOne found = model.form().proposal().get();
        proposal.setText(found == null ? NOTHING : words(found));
        takeProposal.setText(
                found == null || found.fittingBpm().isEmpty()
                        ? "Move bar 1 there"
                        : "Set " + bpm(found) + " bpm");
        takeProposal.setVisible(found != null);
        takeProposal.setManaged(found != null);
    }

    private static String bpm(BarOneFinder.BarOne found) {
        return Wording.number(found.fittingBpm().orElseThrow(), 2);
    }

    private static String words(BarOneFinder.BarOne found) {
        String agree =
                "they would agree with the beats to "
                        + Wording.number(100 * found.agreement(), 0)
                        + " %, now "
                        + Wording.number(100 * found.before(), 0)
                        + " %.";
        if (found.fittingBpm().isPresent()) {
            return "The hits keep another tempo. At " + bpm(found) + " bpm " + agree;
        }
        return "By the hits bar 1 begins at "
                + Wording.number(1000 * found.originSeconds(), 1)
                + " ms: "
                + agree
                + (found.beatsAlone()
                        ? " Nothing strikes between them: if these are off-beats, half a beat from"
                                + " there."
                        : "");
    }
}
