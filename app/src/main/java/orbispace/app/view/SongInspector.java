package orbispace.app.view;

import java.util.Optional;
import javafx.collections.MapChangeListener;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import orbispace.app.session.Material;
import orbispace.app.session.Session;
import orbispace.app.session.Transport;
import orbispace.core.design.Source;
import orbispace.core.material.Hits;
import orbispace.core.material.Phrases;
import orbispace.files.Wording;

/** What was measured of the chosen stem. */
final class SongInspector extends VBox {
    private final Session session;
    private final Label name = new Label();
    private final Label file = new Label();
    private final VBox facts = new VBox(8);
    private final ToggleButton solo;

    SongInspector(Session session) {
        this.session = session;
        getStyleClass().add("inspector");
        name.getStyleClass().add("inspector-title");
        file.getStyleClass().add("caption");
        solo =
                Plate.toggle(
                        "solo, the rest " + Wording.number(Transport.DIM_DB, 0) + " dB",
                        "hear this stem with the rest dimmed");
        solo.setOnAction(e ->
                session.transport()
                        .soloSource()
                        .set(solo.isSelected() ? session.selection().sourceId().get() : ""));
        VBox head = new VBox(-2, name, file);
        head.getStyleClass().add("inspector-head");
        setSpacing(12);
        getChildren().addAll(head, facts, solo);
        session.selection().sourceId().addListener((o, was, is) -> refresh());
        session.design().addListener((o, was, is) -> refresh());
        session.measured()
                .materials()
                .addListener((MapChangeListener<Object, Object>) c -> refresh());
        session.transport().soloSource().addListener((o, was, is) -> refresh());
        refresh();
    }

    private void refresh() {
        facts.getChildren().clear();
        Optional<Source> source =
                session.design().get().findSource(session.selection().sourceId().get());
        solo.setVisible(source.isPresent());
        if (source.isEmpty()) {
            name.setText("No stem chosen");
            file.setText("");
            return;
        }
        solo.setSelected(source.get().id().equals(session.transport().soloSource().get()));
        name.setText(source.get().name());
        file.setText(source.get().file());
        fact("ROLE", source.get().role().label(), "");
        fact("FADER, PAN", Wording.db(source.get().gainDb()), panWords(source.get().pan()));
        Material m = session.measured().materials().get(source.get().id());
        if (m == null) {
            fact("MEASURED", "not yet", "");
            return;
        }
        fact(
                "LEVEL",
                m.integratedLufs().isPresent()
                        ? Wording.number(m.integratedLufs().getAsDouble(), 1) + " LUFS"
                        : "silent",
                "peak " + Wording.number(m.facts().peakDbfs(), 1) + " dBFS");
        m.phrases().ifPresent(this::phraseFacts);
        m.hits().ifPresent(this::hitFacts);
    }

    private static String panWords(double pan) {
        if (Math.abs(pan) < 0.005) {
            return "middle";
        }
        return (pan < 0 ? "left " : "right ") + Wording.number(100 * Math.abs(pan), 0) + " %";
    }

    private void phraseFacts(Phrases p) {
        fact(
                "PHRASES",
                Integer.toString(p.spans().size()),
                "level over " + Wording.number(p.splitDb(), 0) + " dBFS");
        if (!p.gaps().isEmpty()) {
            fact(
                    "GAPS",
                    Wording.seconds(p.gapSeconds(0.5)),
                    "half from "
                            + Wording.number(p.gapSeconds(0.25), 2)
                            + " to "
                            + Wording.number(p.gapSeconds(0.75), 2)
                            + " s");
        }
        fact(
                "SINGING, RESTING",
                Wording.number(p.speakingDb(), 0) + " dBFS",
                "rests at " + Wording.number(p.floorDb(), 0) + " dBFS");
    }

    private void hitFacts(Hits h) {
        fact(
                "HITS",
                Integer.toString(h.hits().size()),
                h.bleed().isEmpty()
                        ? "no bleed found"
                        : h.bleed().size() + " fainter events, bleed");
        if (h.separationDb().isPresent()) {
            fact(
                    "SEPARATION",
                    Wording.number(h.separationDb().getAsDouble(), 1) + " dB",
                    "weakest hit over strongest bleed");
        }
        if (h.hits().size() > 2) {
            fact(
                    "FROM HIT TO HIT",
                    Wording.time(h.intervalSeconds(0.5)),
                    "half from "
                            + Wording.time(h.intervalSeconds(0.25))
                            + " to "
                            + Wording.time(h.intervalSeconds(0.75)));
        }
    }

    private void fact(String head, String value, String words) {
        Label h = new Label(head);
        h.getStyleClass().add("caps");
        Label v = new Label(value);
        v.getStyleClass().add("fact");
        Label w = new Label(words);
        w.getStyleClass().add("caption");
        HBox line = new HBox(8, v, w);
        line.setAlignment(javafx.geometry.Pos.BASELINE_LEFT);
        VBox fact = new VBox(0, h, line);
        fact.getStyleClass().add("fact-row");
        facts.getChildren().add(fact);
    }
}
