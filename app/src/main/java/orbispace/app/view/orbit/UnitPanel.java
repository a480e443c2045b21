package orbispace.app.view.orbit;

import java.io.File;
import java.nio.file.Path;
import java.util.function.Consumer;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;
import orbispace.app.desk.OrbitModel;
import orbispace.app.desk.UnitMeasuring;
import orbispace.app.draw.Palette;
import orbispace.app.song.Unit;
import orbispace.app.view.control.HomePath;
import orbispace.app.view.control.Plate;
import orbispace.core.words.Entries;
import orbispace.core.words.Wording;
import orbispace.demo.SimulatedUnit;
import org.jspecify.annotations.Nullable;

/** Measures a real unit: the sweep out, its recording in, label against truth, into the field. */
final class UnitPanel extends VBox {
    private static final double STEPS = 340;
    private static final String SIMULATED = "Simulated unit";

    private final OrbitModel model;
    private final UnitMeasuring units;
    private final TextField sweep = field("sweep to play", "sweep.wav");
    private final TextField recording = field("recording of the sweep", "what came back");
    private final TextField label = field("decay that the unit's panel says", "2.0 s");
    private final UnitResult result;
    private final Label trouble = words("caption");
    private String proposed = "";

    UnitPanel(OrbitModel model) {
        super(10);
        this.model = model;
        units = model.units();
        getStyleClass().add("drafts");
        Label title = new Label("Measure a unit");
        title.getStyleClass().add("screen-title");
        Button close = Plate.button("Back to the field", () -> units.open().set(false));
        HBox head = new HBox(title, Plate.spring(), close);
        head.setAlignment(Pos.CENTER_LEFT);
        result = new UnitResult(model);
        HBox.setHgrow(result, Priority.ALWAYS);
        HBox body = new HBox(12, steps(), result);
        VBox.setVgrow(body, Priority.ALWAYS);
        getChildren().addAll(head, body);
        visibleProperty().bind(units.open());
        managedProperty().bind(units.open());
        label.textProperty().addListener((o, was, is) -> refresh());
        units.measured().addListener((o, was, is) -> measured(is));
        units.open().addListener((o, was, is) -> begin(is));
        model.selection().returnId().addListener((o, was, is) -> refresh());
        model.problem().addListener((o, was, is) -> refresh());
        model.jobs().busyWith().addListener((o, was, is) -> refresh());
        refresh();
    }

    private static TextField field(String accessible, String prompt) {
        TextField field = new TextField();
        field.setAccessibleText(accessible);
        field.setPromptText(prompt);
        HBox.setHgrow(field, Priority.ALWAYS);
        return field;
    }

    private static Label words(String style) {
        Label label = new Label();
        label.getStyleClass().add(style);
        label.setWrapText(true);
        return label;
    }

    private static Label words(String style, String text) {
        Label label = words(style);
        label.setText(text);
        return label;
    }

    private VBox steps() {
        Button measure = Plate.button("Measure it", this::measure);
        Button simulated = Plate.button("Try a simulated unit", this::simulate);
        recording.setOnAction(e -> measure());
        VBox steps =
                new VBox(
                        8,
                        Plate.caps("1  WRITE THE SWEEP"),
                        sweepRow(),
                        Plate.caps("2  PLAY IT THROUGH THE UNIT"),
                        words(
                                "caption",
                                "Set the unit to wet alone and record all that comes back. The"
                                    + " sweep comes twice, so that clocks which run apart are told,"
                                    + " and passes through every pitch at \u22126 dBFS: turn"
                                    + " monitors and headphones down first, and do not listen"
                                    + " close."),
                        Plate.caps("3  WHAT CAME BACK"),
                        new HBox(6, recording, chooser("choose the recording", recording)),
                        Plate.caps("4  WHAT ITS PANEL SAYS OF ITS DECAY"),
                        label,
                        measure,
                        words(
                                "caption",
                                "Nothing at hand? A simulated unit has a latency, noise and a decay"
                                        + " of its own, and a panel that says "
                                        + Wording.seconds(SimulatedUnit.LABEL_SECONDS)
                                        + "."),
                        simulated,
                        trouble);
        Plate.clip(steps).getStyleClass().add("draft-card");
        steps.setMinWidth(STEPS);
        steps.setMaxWidth(STEPS);
        return steps;
    }

    private HBox sweepRow() {
        Button write =
                Plate.small(
                        "Write it", () -> path(sweep, file -> units.writeSweep(file, () -> {})));
        write.setAccessibleText("write the sweep");
        return new HBox(6, sweep, chooser("choose the sweep that was played", sweep), write);
    }

    private Button chooser(String accessible, TextField field) {
        Button button = Plate.small("Choose", () -> choose(field));
        button.setAccessibleText(accessible);
        return button;
    }

    private void simulate() {
        path(sweep, file -> units.measure(SIMULATED, file, Unit.simulated()));
    }

    void setPalette(Palette palette) {
        result.setPalette(palette);
    }

    private void begin(boolean open) {
        if (open) {
            proposeSweep();
            sweep.requestFocus();
        }
        refresh();
    }

    /** Proposes the place of this song's sweep; what was typed for another song goes. */
    private void proposeSweep() {
        String usual = units.usualSweep().map(HomePath::shown).orElse("");
        if (!usual.equals(proposed)) {
            proposed = usual;
            sweep.setText(usual);
            recording.clear();
            label.clear();
        }
    }

    private void path(TextField field, Consumer<Path> then) {
        HomePath.parse(field.getText())
                .ifPresentOrElse(
                        then,
                        () ->
                                model.problem()
                                        .set("Say where the file is, such as units/sweep.wav."));
    }

    private void choose(TextField field) {
        FileChooser chooser = new FileChooser();
        chooser.setTitle(field.getAccessibleText());
        File chosen = chooser.showOpenDialog(getScene().getWindow());
        if (chosen != null) {
            field.setText(HomePath.shown(chosen.toPath()));
        }
    }

    private void measure() {
        path(
                recording,
                came ->
                        path(
                                sweep,
                                file -> units.measure(nameOf(came), file, Unit.recording(came))));
    }

    private static String nameOf(Path file) {
        return String.valueOf(file.getFileName()).replaceFirst("\\.[^.]+$", "");
    }

    /** What a unit that is not there says on its panel need not be typed. */
    private void measured(UnitMeasuring.@Nullable Measured now) {
        if (now != null && now.name().equals(SIMULATED) && label.getText().isBlank()) {
            label.setText(Wording.seconds(SimulatedUnit.LABEL_SECONDS));
        }
        refresh();
    }

    private void refresh() {
        trouble.setText(
                model.jobs().busyWith().get().isEmpty() ? model.problem().get() : "Working\u2026");
        result.show(units.measured().get(), Entries.seconds(label.getText()));
    }
}
