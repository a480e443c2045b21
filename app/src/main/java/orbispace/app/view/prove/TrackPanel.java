package orbispace.app.view.prove;

import java.io.File;
import java.nio.file.Path;
import java.util.List;
import java.util.OptionalDouble;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;
import orbispace.app.desk.ProveModel;
import orbispace.app.draw.Palette;
import orbispace.app.measuring.Referencing;
import orbispace.app.view.control.Plate;
import orbispace.core.prove.compare.FinishedTrack;
import orbispace.core.words.Entries;
import orbispace.core.words.Wording;

/** The mix against a finished track of the engineer's own, at one loudness. */
final class TrackPanel extends VBox {
    private static final int MOST_WORDS = 3;

    private final ProveModel model;
    private final Referencing references;
    private final TrackChart chart = new TrackChart();
    private final MenuButton tracks = new MenuButton("Choose a track");
    private final TextField from = new TextField();
    private final ToggleButton hear =
            Plate.toggle("hear the track", "hear the reference instead of the mix, key R");
    private final Label words = new Label();
    private final Button bring = Plate.button("Bring a track\u2026", this::bring);

    TrackPanel(ProveModel model) {
        super(5);
        this.model = model;
        references = model.references();
        Label title = new Label("Reference");
        title.getStyleClass().add("row-name");
        tracks.getStyleClass().add("kind-menu");
        tracks.setAccessibleText("reference track");
        tracks.setMaxWidth(170);
        tracks.setOnShowing(e -> fill());
        tracks.getItems().add(new MenuItem(""));
        from.setPromptText("from, s");
        from.setAccessibleText("where the reference begins");
        from.setPrefColumnCount(5);
        from.setMinWidth(64);
        from.setMaxWidth(64);
        from.setOnAction(e -> begin());
        hear.getStyleClass().add("small");
        hear.setOnAction(e -> references.hearing().set(hear.isSelected()));
        references.hearing().addListener((o, was, is) -> hear.setSelected(is));
        HBox head = new HBox(6, title, tracks, Plate.spring(), from, hear);
        head.setAlignment(Pos.CENTER_LEFT);
        words.getStyleClass().add("caption");
        words.setWrapText(true);
        words.setMinHeight(48);
        words.setAlignment(Pos.TOP_LEFT);
        VBox.setVgrow(chart, Priority.ALWAYS);
        chart.managedProperty().bind(chart.visibleProperty());
        bring.managedProperty().bind(bring.visibleProperty());
        getChildren().addAll(head, chart, words, bring);
    }

    private void fill() {
        tracks.getItems().clear();
        for (Path file : references.files()) {
            add("Against " + Referencing.nameOf(file), () -> references.add(file));
        }
        add("Bring a track\u2026", this::bring);
        for (Path file : references.files()) {
            add("Let " + Referencing.nameOf(file) + " go", () -> references.forget(file));
        }
    }

    private void add(String text, Runnable action) {
        MenuItem item = new MenuItem(text);
        item.setOnAction(e -> action.run());
        tracks.getItems().add(item);
    }

    private void bring() {
        FileChooser chooser = new FileChooser();
        chooser.setTitle("A finished track of your own");
        chooser.getExtensionFilters()
                .add(
                        new FileChooser.ExtensionFilter(
                                "Sound files", "*.wav", "*.aif", "*.aiff", "*.flac"));
        File file = chooser.showOpenDialog(getScene().getWindow());
        if (file != null) {
            references.add(file.toPath());
        }
    }

    private void begin() {
        OptionalDouble typed = Entries.seconds(from.getText());
        if (typed.isEmpty()) {
            model.problem().set("The track begins at a time such as 42 or 42.5 s.");
            return;
        }
        references.from(typed.getAsDouble());
    }

    void setPalette(Palette palette) {
        chart.setPalette(palette);
    }

    void refresh() {
        references.update();
        Referencing.Held now = references.held().get();
        boolean held = now != null;
        from.setVisible(held);
        hear.setVisible(held);
        chart.setVisible(held);
        bring.setVisible(!held && references.files().isEmpty());
        chart.show(now);
        if (now == null) {
            tracks.setText(references.files().isEmpty() ? "None yet" : "Choose a track");
            words.setText(
                    "Bring a finished track of your own: its spectrum, width and free decay are"
                            + " held against this section of the mix, both equally loud, and R"
                            + " flips between the two.");
            return;
        }
        tracks.setText(now.name());
        if (!from.isFocused()) {
            from.setText(Wording.number(now.startSeconds(), 1) + " s");
        }
        words.setText(said(now));
    }

    private static String said(Referencing.Held now) {
        List<String> all = now.difference().words();
        String text =
                all.isEmpty()
                        ? "Nothing differs enough to be heard"
                        : String.join(". ", all.subList(0, Math.min(MOST_WORDS, all.size())));
        double gain = now.difference().trackGainDb();
        return text
                + ". Free decay: mix "
                + stop(now.mix())
                + ", track "
                + stop(now.track())
                + ". The track is turned "
                + (gain > 0 ? "up " : "down ")
                + Wording.db(Math.abs(gain))
                + ". Uprights: the mix; lines: the track.";
    }

    private static String stop(FinishedTrack track) {
        return track.stop().map(a -> Wording.seconds(a.decaySeconds())).orElse("never stops");
    }
}
