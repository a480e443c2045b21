package orbispace.app.view.sheet;

import java.io.File;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressBar;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.stage.DirectoryChooser;
import orbispace.app.desk.SheetModel;
import orbispace.app.draw.Palette;
import orbispace.app.song.HandOver;
import orbispace.app.view.control.HomePath;
import orbispace.app.view.control.Plate;
import orbispace.app.view.control.WhenSeen;

/** What to hand over, in which form, and where to. */
final class SheetInspector extends VBox {
    private final SheetModel model;
    private final SheetForms forms;
    private final PrintsPanel prints = new PrintsPanel();
    private final LanesPanel lanes;
    private final LogPanel log;
    private final TextField folder = new TextField();
    private final Button go = Plate.button("Hand over", this::handOver);
    private final Button cancel = Plate.button("Cancel", this::cancel);
    private final ProgressBar progress = new ProgressBar(0);
    private final Label result = new Label();

    SheetInspector(SheetModel model) {
        this.model = model;
        forms = new SheetForms(model);
        lanes = new LanesPanel(model);
        getStyleClass().add("inspector");
        dress();
        log = new LogPanel(model);
        ToggleButton out = Plate.toggle("Files", "what is handed over");
        ToggleButton book = Plate.toggle("Log", "the log");
        VBox all = new VBox(8);
        out.setOnAction(e -> turn(out, book, all, log, true));
        book.setOnAction(e -> turn(out, book, all, log, false));
        VBox.setVgrow(log, Priority.ALWAYS);
        setSpacing(10);
        getChildren().addAll(new HBox(6, out, book), all, log);
        turn(out, book, all, log, true);
        all.getChildren()
                .addAll(
                        head(),
                        Plate.caps("RECALL SHEET"),
                        forms,
                        Plate.caps("PRINTS"),
                        prints,
                        Plate.caps("AUTOMATION"),
                        lanes,
                        Plate.caps("TO"),
                        new HBox(6, folder, Plate.button("Choose", this::chooseFolder)),
                        new HBox(6, go, cancel),
                        progress,
                        result);
        model.jobs().progress().addListener((o, was, is) -> progress.setProgress(is.doubleValue()));
        model.kept().file().addListener((o, was, is) -> suggest());
        WhenSeen seen = new WhenSeen(lanes, lanes::refresh);
        model.design()
                .addListener((o, was, is) -> {
                    go.setDisable(model.design().get().sources().isEmpty());
                    seen.run();
                });
        suggest();
    }

    private static VBox head() {
        Label title = new Label("Hand over");
        title.getStyleClass().add("inspector-title");
        Label sub = new Label("numbers and prints, in open formats");
        sub.getStyleClass().add("caption");
        VBox head = new VBox(-2, title, sub);
        head.getStyleClass().add("inspector-head");
        return head;
    }

    private void dress() {
        folder.setAccessibleText("folder to hand over to");
        folder.setPromptText("folder");
        HBox.setHgrow(folder, Priority.ALWAYS);
        result.getStyleClass().add("why");
        result.setWrapText(true);
        go.getStyleClass().add("strong");
        go.setMaxWidth(Double.MAX_VALUE);
        HBox.setHgrow(go, Priority.ALWAYS);
        cancel.setVisible(false);
        progress.setMaxWidth(Double.MAX_VALUE);
        progress.setVisible(false);
        progress.managedProperty().bind(progress.visibleProperty());
        cancel.managedProperty().bind(cancel.visibleProperty());
    }

    void setPalette(Palette palette) {
        log.setPalette(palette);
    }

    private static void turn(
            ToggleButton out, ToggleButton book, VBox all, LogPanel log, boolean toOut) {
        out.setSelected(toOut);
        book.setSelected(!toOut);
        all.setVisible(toOut);
        all.setManaged(toOut);
        log.setVisible(!toOut);
        log.setManaged(!toOut);
    }

    static CheckBox box(String text, String ending) {
        CheckBox box = new CheckBox(ending.isEmpty() ? text : text + "  " + ending);
        box.setAccessibleText(text);
        return box;
    }

    private void suggest() {
        Path file = model.kept().file().get();
        Path base = file == null ? null : file.getParent();
        folder.setText(base == null ? "" : HomePath.shown(base.resolve("handover")));
    }

    private void chooseFolder() {
        DirectoryChooser chooser = new DirectoryChooser();
        chooser.setTitle("Hand over to");
        File chosen = chooser.showDialog(getScene().getWindow());
        if (chosen != null) {
            folder.setText(HomePath.shown(chosen.toPath()));
        }
    }

    private void handOver() {
        Optional<Path> target = HomePath.parse(folder.getText());
        if (target.isEmpty()) {
            result.setText("Name a folder to hand over to.");
            return;
        }
        HandOver.Order order =
                new HandOver.Order(
                        target.get(),
                        model.handingOver().sheet(forms.endings()),
                        prints.order(),
                        lanes.order());
        busy(true);
        result.setText("");
        model.handingOver()
                .start(
                        order,
                        files -> ended(files.size() + " files written:\n" + names(files)),
                        this::ended);
    }

    private static String names(List<Path> files) {
        return String.join("\n", files.stream().map(f -> String.valueOf(f.getFileName())).toList());
    }

    private void ended(String words) {
        busy(false);
        result.setText(words);
    }

    private void cancel() {
        model.jobs().cancel(HandOver.JOB);
        busy(false);
        result.setText("Cancelled; what was written whole is left.");
    }

    private void busy(boolean on) {
        go.setDisable(on);
        cancel.setVisible(on);
        progress.setVisible(on);
    }
}
