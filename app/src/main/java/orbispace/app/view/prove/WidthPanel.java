package orbispace.app.view.prove;

import java.util.LinkedHashMap;
import java.util.Map;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import orbispace.app.desk.PartMatching;
import orbispace.app.desk.ProveModel;
import orbispace.app.desk.Proving;
import orbispace.app.desk.Widths;
import orbispace.app.draw.Palette;
import orbispace.app.view.control.Plate;
import orbispace.core.design.Design;
import orbispace.core.measure.WidthCurve;
import orbispace.core.words.Wording;

/** How wide the mix, a part with its returns, or the mix with a return is, and at what price. */
final class WidthPanel extends VBox {
    private static final String ANGLE = "The angle that holds 75 % of the energy, per octave.";
    private static final String NO_LEVEL =
            "No level opens by 3\u00b0 without costing mono "
                    + Wording.number(WidthCurve.MONO_DB, 1)
                    + " dB or a notch of "
                    + Wording.number(WidthCurve.NOTCH_DB, 0)
                    + " dB, or the mix more than "
                    + Wording.number(WidthCurve.LOUDER_DB, 0)
                    + " dB.";

    private final ProveModel model;
    private final WidthChart chart = new WidthChart();
    private final Label words = new Label();
    private final MenuButton of = new MenuButton("the mix, before and now");
    private final Button take = Plate.small("", () -> {});

    WidthPanel(ProveModel model) {
        super(5);
        this.model = model;
        of.getStyleClass().add("kind-menu");
        of.setAccessibleText("whose width");
        of.getItems().add(new MenuItem(""));
        of.setOnShowing(e -> fill());
        of.setMaxWidth(230);
        words.getStyleClass().add("caption");
        words.setWrapText(true);
        words.setMinHeight(32);
        take.setOnAction(e -> model.widths().takeBest());
        take.setAccessibleText("bring the return to the best level of the curve");
        HBox head = new HBox(6, of, Plate.spring(), take);
        head.setAlignment(Pos.CENTER_LEFT);
        VBox.setVgrow(chart, Priority.ALWAYS);
        getChildren().addAll(head, chart, words);
        model.widths().known().addListener((o, was, is) -> refresh());
        model.widths().of().addListener((o, was, is) -> refresh());
    }

    void setPalette(Palette palette) {
        chart.setPalette(palette);
    }

    private void fill() {
        of.getItems().clear();
        choices()
                .forEach((id, name) -> {
                    MenuItem item = new MenuItem(name);
                    item.setOnAction(e -> model.widths().of().set(id));
                    of.getItems().add(item);
                });
    }

    private Map<String, String> choices() {
        Map<String, String> choices = new LinkedHashMap<>();
        choices.put(Proving.MIX, "the mix, before and now");
        Design design = model.design().get();
        design.returns()
                .forEach(r -> choices.put(r.id(), "the mix with " + r.id() + " " + r.name()));
        PartMatching.choices(design).forEach((id, n) -> choices.put(id, n + " with its returns"));
        return choices;
    }

    void refresh() {
        of.setText(
                choices()
                        .getOrDefault(
                                model.widths().of().get(), choices().values().iterator().next()));
        Widths.Known known = model.widths().known().get();
        chart.show(known);
        boolean best = known != null && known.bestDb().isPresent();
        take.setVisible(best);
        take.setManaged(best);
        words.setText(known == null ? "" : said(known));
        if (known != null) {
            known.bestDb().ifPresent(db -> take.setText("Take " + Wording.number(db, 1) + " dB"));
        }
    }

    private static String said(Widths.Known known) {
        return opened(known) + known.curve().map(c -> price(known, c)).orElse(ANGLE);
    }

    private static String opened(Widths.Known known) {
        String wider = known.wider().words();
        if (known.of().equals(Proving.MIX)) {
            return wider.isEmpty() ? "Nothing became wider that is felt. " : capital(wider) + ". ";
        }
        return wider.isEmpty()
                ? "It opens nothing that is felt. "
                : capital(wider) + ": " + known.wider().state().label() + ". ";
    }

    /** The best place of a widener; of any other return, where mono begins to pay. */
    private static String price(Widths.Known known, WidthCurve c) {
        if (known.isWidener()) {
            return c.best().map(WidthPanel::best).orElse(NO_LEVEL);
        }
        return c.points().stream()
                .filter(p -> !p.borne())
                .findFirst()
                .map(p ->
                        "Mono or the balance pays from "
                                + Wording.number(known.levelDb() + p.db(), 1)
                                + " dB on.")
                .orElse("It is borne at any level up to 12 dB more.");
    }

    private static String best(WidthCurve.Point p) {
        return "Best: "
                + Wording.number(p.opens().degrees(), 0)
                + "\u00b0 for "
                + Wording.number(p.monoDb(), 1)
                + " dB in mono, deepest notch "
                + Wording.number(p.notchDb(), 1)
                + " dB.";
    }

    private static String capital(String words) {
        return Character.toUpperCase(words.charAt(0)) + words.substring(1);
    }
}
