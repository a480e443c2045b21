package orbispace.app.view;

import java.io.File;
import java.nio.file.Path;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Consumer;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;
import orbispace.app.draw.Palette;
import orbispace.app.session.Session;
import orbispace.app.session.Unit;
import orbispace.app.session.UnitMeasuring;
import orbispace.core.design.Return;
import orbispace.core.prove.ReverbFit;
import orbispace.demo.SimulatedUnit;
import orbispace.files.Wording;
import org.jspecify.annotations.Nullable;

/** Measures a real unit: the sweep out, its recording in, label against truth, into the field. */
final class UnitPanel extends VBox {
    private static final double STEPS = 340;
    private static final String SIMULATED = "Simulated unit";

    private final Session session;
    private final UnitMeasuring units;
    private final TextField sweep = field("sweep to play", "sweep.wav");
    private final TextField recording = field("recording of the sweep", "what came back");
    private final TextField label = field("decay that the unit's panel says", "2.0 s");
    private final UnitPlot plot = new UnitPlot();
    private final Label name = new Label();
    private final FlowPane facts = new FlowPane(18, 4);
    private final FlowPane uses = new FlowPane(6, 6);
    private final Label fit = words("why");
    private final Label trouble = words("caption");

    UnitPanel(Session session) {
        super(10);
        this.session = session;
        units = session.units();
        getStyleClass().add("drafts");
        Label title = new Label("Measure a unit");
        title.getStyleClass().add("screen-title");
        Button close = Plate.button("Back to the field", () -> units.open().set(false));
        HBox head = new HBox(title, Plate.spring(), close);
        head.setAlignment(Pos.CENTER_LEFT);
        HBox body = new HBox(12, steps(), result());
        VBox.setVgrow(body, Priority.ALWAYS);
        getChildren().addAll(head, body);
        visibleProperty().bind(units.open());
        managedProperty().bind(units.open());
        label.textProperty().addListener((o, was, is) -> refresh());
        units.measured().addListener((o, was, is) -> measured(is));
        units.open().addListener((o, was, is) -> begin(is));
        session.selection().returnId().addListener((o, was, is) -> refresh());
        session.problem().addListener((o, was, is) -> refresh());
        session.jobs().busyWith().addListener((o, was, is) -> refresh());
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
        Button write =
                Plate.small(
                        "Write it", () -> path(sweep, file -> units.writeSweep(file, () -> {})));
        write.setAccessibleText("write the sweep");
        Button chooseSweep = Plate.small("Choose", () -> choose(sweep));
        chooseSweep.setAccessibleText("choose the sweep that was played");
        Button choose = Plate.small("Choose", () -> choose(recording));
        choose.setAccessibleText("choose the recording");
        Button measure = Plate.button("Measure it", this::measure);
        Button simulated =
                Plate.button(
                        "Try a simulated unit",
                        () ->
                                path(
                                        sweep,
                                        file -> units.measure(SIMULATED, file, Unit.simulated())));
        recording.setOnAction(e -> measure());
        VBox steps =
                new VBox(
                        8,
                        Plate.caps("1  WRITE THE SWEEP"),
                        new HBox(6, sweep, chooseSweep, write),
                        Plate.caps("2  PLAY IT THROUGH THE UNIT"),
                        words(
                                "caption",
                                "Set the unit to wet alone and record what comes back, with the"
                                    + " silence after the sweep. The sweep passes through every"
                                    + " pitch at \u22126 dBFS: turn monitors and headphones down"
                                    + " first, and do not listen close."),
                        Plate.caps("3  WHAT CAME BACK"),
                        new HBox(6, recording, choose),
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
        return card(steps, STEPS);
    }

    private static VBox card(VBox box, double width) {
        Plate.clip(box).getStyleClass().add("draft-card");
        if (width > 0) {
            box.setMinWidth(width);
            box.setMaxWidth(width);
        }
        return box;
    }

    private VBox result() {
        name.getStyleClass().add("inspector-title");
        VBox.setVgrow(plot, Priority.ALWAYS);
        plot.setMinHeight(150);
        fit.setMinHeight(USE_PREF_SIZE);
        VBox box = card(new VBox(8, name, facts, plot, fit, uses), 0);
        HBox.setHgrow(box, Priority.ALWAYS);
        return box;
    }

    void setPalette(Palette palette) {
        plot.setPalette(palette);
    }

    private void begin(boolean open) {
        if (open && sweep.getText().isBlank()) {
            units.usualSweep().ifPresent(p -> sweep.setText(HomePath.shown(p)));
        }
        if (open) {
            sweep.requestFocus();
        }
        refresh();
    }

    private void path(TextField field, Consumer<Path> then) {
        HomePath.parse(field.getText())
                .ifPresentOrElse(
                        then,
                        () ->
                                session.problem()
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

    private Optional<Return> chosen() {
        return session.design().get().findReturn(session.selection().returnId().get());
    }

    /** What a unit that is not there says on its panel need not be typed. */
    private void measured(UnitMeasuring.@Nullable Measured now) {
        if (now != null && now.name().equals(SIMULATED) && label.getText().isBlank()) {
            label.setText(Wording.seconds(SimulatedUnit.LABEL_SECONDS));
        }
        refresh();
    }

    private void refresh() {
        UnitMeasuring.Measured now = units.measured().get();
        trouble.setText(
                session.jobs().busyWith().get().isEmpty()
                        ? session.problem().get()
                        : "Working\u2026");
        facts.getChildren().clear();
        uses.getChildren().clear();
        OptionalDouble said = Entries.seconds(label.getText());
        plot.show(now == null ? Optional.empty() : Optional.of(now.report()), said);
        if (now == null) {
            name.setText("Nothing is measured yet");
            fit.setText(
                    "Its latency to the sample, polarity, noise, harmonics and decay per octave"
                            + " will stand here, the panel's word beside the truth.");
            return;
        }
        name.setText(now.name());
        facts(now, said);
        fit.setText(now.fit().map(UnitPanel::fitted).orElse(""));
        chosen().ifPresent(r -> uses(now, r));
    }

    private void uses(UnitMeasuring.Measured now, Return r) {
        uses.getChildren().add(Plate.button("Use its response in " + r.id(), () -> units.use(r)));
        uses.getChildren()
                .add(
                        now.fit().isEmpty()
                                ? Plate.button("Set our reverb like it", units::fit)
                                : Plate.button(
                                        "Use that reverb in " + r.id(), () -> units.useFit(r)));
    }

    private static String fitted(ReverbFit f) {
        return "Nearest is our "
                + f.space().kind().label()
                + ": decay "
                + Wording.seconds(f.space().decaySeconds())
                + ", lows \u00d7"
                + Wording.number(f.space().lowRatio(), 2)
                + ", highs \u00d7"
                + Wording.number(f.space().highRatio(), 2)
                + ", width \u00d7"
                + Wording.number(f.width(), 2)
                + ". Its T30 is off by "
                + Wording.percent(f.residual(), 1)
                + " on the mean and "
                + Wording.percent(f.worst(), 1)
                + " at most, its early energy by "
                + Wording.signed(f.clarityOffDb())
                + " dB.";
    }

    private void facts(UnitMeasuring.Measured now, OptionalDouble said) {
        var report = now.report();
        OptionalDouble truth = report.trueSeconds();
        String decay = truth.isPresent() ? Wording.seconds(truth.getAsDouble()) : "not measurable";
        fact("decay, 500 Hz to 1 kHz", decay);
        if (said.isPresent()) {
            String off =
                    truth.isPresent()
                            ? ", "
                                    + Wording.percent(
                                            said.getAsDouble() / truth.getAsDouble() - 1, 0)
                                    + " off"
                            : "";
            fact("its panel says", Wording.seconds(said.getAsDouble()) + off);
        }
        double rate = report.response().sampleRateHz();
        fact(
                "latency",
                report.latencySamples()
                        + " samples, "
                        + Wording.number(1000 * report.latencySamples() / rate, 2)
                        + " ms");
        fact("polarity", report.inverted() ? "upside down" : "upright");
        fact("noise", Wording.number(report.noiseDbfs(), 1) + " dBFS");
        fact(
                "clocks",
                Wording.number(report.driftPpm(), 1)
                        + " ppm apart"
                        + (report.drifts() ? ", undone; let one clock serve both" : ""));
        report.harmonics().forEach(h -> fact("harmonic " + h.order(), Wording.db(h.levelDb())));
    }

    private void fact(String what, String value) {
        Label head = words("caption", what);
        Label number = words("row-name", value);
        Node both = new VBox(-2, head, number);
        facts.getChildren().add(both);
    }
}
