package orbispace.app.view.clear;

import java.util.Optional;
import java.util.OptionalDouble;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import orbispace.app.desk.ClearModel;
import orbispace.app.draw.Palette;
import orbispace.app.song.Clearance;
import orbispace.app.view.control.Measure;
import orbispace.app.view.control.Plate;
import orbispace.core.clear.PairView;
import orbispace.core.clear.ReturnCost;
import orbispace.core.clear.ShortCopy;
import orbispace.core.design.Targets;
import orbispace.core.hearing.Cover;
import orbispace.core.hearing.WetState;
import orbispace.core.words.Wording;
import org.jspecify.annotations.Nullable;

/** How a source stands against a return: presence, bloom, state, and what supports them. */
final class StandingPanel extends VBox {
    private static final String ESTIMATED =
            "The loudness of the whole mix is an estimate until it is rendered. ";

    private final ClearModel model;
    private final AskedMenu asking;
    private final AskedNumber askedPresence;
    private final AskedNumber askedBloom;
    private final Measure presence;
    private final Measure bloom;
    private final Label state = new Label();
    private final StateRow states = new StateRow();
    private final Label low = new Label();

    StandingPanel(ClearModel model) {
        super(7);
        this.model = model;
        asking = new AskedMenu(model);
        askedPresence = AskedNumber.presence(model);
        askedBloom = AskedNumber.bloom(model);
        presence = new Measure("PRESENCE KEPT", "%", askedPresence.field());
        bloom = new Measure("BLOOM IN GAPS", "dB", askedBloom.field());
        low.getStyleClass().add("caption");
        low.setWrapText(true);
        low.setMinHeight(Region.USE_PREF_SIZE);
        getChildren().addAll(presence, bloom, stateBox(), low);
    }

    private VBox stateBox() {
        state.getStyleClass().add("fact");
        state.setMinWidth(Region.USE_PREF_SIZE);
        states.setPrefSize(172, 40);
        states.setMinSize(172, 40);
        Button balance = Plate.small("Ear line", () -> model.clearing().balance());
        balance.setAccessibleText("raise it until it is just obvious, then back to felt");
        HBox stateLine = new HBox(10, state, Plate.spring(), states);
        stateLine.setAlignment(Pos.BOTTOM_LEFT);
        Label stateHead = new Label("STATE");
        stateHead.getStyleClass().add("caps");
        return new VBox(2, new HBox(6, stateHead, Plate.spring(), asking, balance), stateLine);
    }

    void setPalette(Palette given) {
        states.setPalette(given);
        presence.setPalette(given);
        bloom.setPalette(given);
    }

    /**
     * Shows how a pair stands.
     *
     * @param c what was measured; null for nothing
     * @param id letter of the return
     * @param was how the pair stood before the last remedy
     */
    void show(@Nullable Clearance c, String id, Optional<Cover> was) {
        Targets asked = model.clearing().asking().targets(id).orElse(Targets.LEAD);
        Optional<Clearance> measured = Optional.ofNullable(c);
        Optional<Cover> cover = measured.flatMap(x -> x.pair(id)).map(PairView::cover);
        asking.refresh();
        askedPresence.refresh();
        askedBloom.refresh();
        showMeasures(id, cover, was, asked);
        Optional<WetState> noticed = measured.flatMap(x -> x.state(id));
        Optional<ShortCopy> copy = measured.flatMap(x -> Optional.ofNullable(x.copies().get(id)));
        state.setText(copy.isPresent() ? "combs" : noticed.map(WetState::label).orElse("\u2013"));
        states.show(copy.isPresent() ? Optional.empty() : noticed, id);
        low.setText(
                (measured.filter(Clearance::estimated).isPresent() ? ESTIMATED : "")
                        + copy.map(StandingPanel::comb).orElse("")
                        + measured.map(x -> opens(x, id)).orElse("")
                        + cover.map(StandingPanel::supporting).orElse("")
                        + measured.flatMap(x -> x.cost(id)).map(StandingPanel::costs).orElse(""));
    }

    private void showMeasures(
            String id, Optional<Cover> cover, Optional<Cover> was, Targets asked) {
        presence.show(
                cover.map(Cover::presenceKept).orElse(OptionalDouble.empty()),
                was.map(Cover::presenceKept).orElse(OptionalDouble.empty()),
                v -> Wording.number(100 * v, 0),
                v -> v,
                asked.presence(),
                id);
        bloom.show(
                cover.map(Cover::bloomDb).orElse(OptionalDouble.empty()),
                was.map(Cover::bloomDb).orElse(OptionalDouble.empty()),
                v -> Wording.number(v, 1),
                v -> Math.clamp((v + 60) / 60, 0, 1),
                asked.bloomDb() <= Targets.ANY_BLOOM ? -1 : (asked.bloomDb() + 60) / 60,
                id);
    }

    private static String comb(ShortCopy copy) {
        return "A copy "
                + Wording.number(copy.millis(), 1)
                + " ms behind the dry combs with it: notches from "
                + Wording.hertz(copy.firstNotchHz())
                + " on, "
                + Wording.number(copy.rippleDb(), 1)
                + " dB deep. How much it is noticed is not judged. ";
    }

    /** What its width says, where that is felt; and by which of the two it has its state. */
    private static String opens(Clearance c, String id) {
        Optional<WetState> loud = c.pair(id).map(p -> p.cover().state());
        String words = c.opens(id).words();
        if (words.isEmpty() || loud.isEmpty()) {
            return "";
        }
        boolean wider = c.opens(id).state().compareTo(loud.get()) > 0;
        return "Opens the mix: "
                + words
                + (wider ? "; by its loudness alone " + loud.get().label() : "")
                + ". ";
    }

    private static String supporting(Cover c) {
        return "Clashes in "
                + Wording.percent(c.clashArea(), 0)
                + " of its cells; heard in phrases "
                + Wording.percent(c.wetShareInPhrases(), 1)
                + ", in gaps "
                + Wording.percent(c.wetShareInGaps(), 1)
                + ". ";
    }

    private static String costs(ReturnCost c) {
        return "Under 250 Hz "
                + Wording.percent(c.bandShares().get(0) + c.bandShares().get(1), 0)
                + "; makes the mix "
                + Wording.number(c.loudnessLu(), 1)
                + " LU louder, its peak "
                + Wording.number(c.truePeakDb(), 1)
                + " dB higher.";
    }
}
