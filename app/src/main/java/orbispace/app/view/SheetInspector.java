package orbispace.app.view;

import java.io.File;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.CheckMenuItem;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.ProgressBar;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.stage.DirectoryChooser;
import orbispace.app.draw.Palette;
import orbispace.app.session.HandOver;
import orbispace.app.session.Session;
import orbispace.files.SheetPart;
import orbispace.files.WavWriter;

/** What to hand over, in which form, and where to. */
final class SheetInspector extends VBox {
    private final Session session;
    private final CheckBox pdf = box("Print on A4", ".pdf");
    private final CheckBox letter = box("on Letter instead", "");
    private final CheckBox html = box("Page for a browser", ".html");
    private final CheckBox markdown = box("Text", ".md");
    private final CheckBox csv = box("Table", ".csv");
    private final CheckBox prints = box("Printed returns and mix", "");
    private final CheckBox sections = box("each section as well", "");
    private final MenuButton holds = new MenuButton();
    private final ToggleGroup depths = new ToggleGroup();
    private final LanesPanel lanes;
    private final LogPanel log;
    private final TextField folder = new TextField();
    private final Button go = Plate.button("Hand over", this::handOver);
    private final Button cancel = Plate.button("Cancel", this::cancel);
    private final ProgressBar progress = new ProgressBar(0);
    private final Label result = new Label();

    SheetInspector(Session session) {
        this.session = session;
        lanes = new LanesPanel(session);
        getStyleClass().add("inspector");
        Label title = new Label("Hand over");
        title.getStyleClass().add("inspector-title");
        Label sub = new Label("numbers and prints, in open formats");
        sub.getStyleClass().add("caption");
        VBox head = new VBox(-2, title, sub);
        head.getStyleClass().add("inspector-head");
        pdf.setSelected(true);
        letter.visibleProperty().bind(pdf.selectedProperty());
        html.setSelected(true);
        markdown.setSelected(true);
        csv.setSelected(true);
        prints.setSelected(true);
        sections.visibleProperty().bind(prints.selectedProperty());
        holds.getStyleClass().add("kind-menu");
        for (SheetPart part : SheetPart.values()) {
            holds.getItems().add(part(part));
        }
        tellParts();
        folder.setAccessibleText("folder to hand over to");
        folder.setPromptText("folder");
        Button choose = Plate.button("Choose", this::chooseFolder);
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
        log = new LogPanel(session);
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
                        head,
                        Plate.caps("RECALL SHEET"),
                        new HBox(10, pdf, letter),
                        new HBox(10, markdown, csv),
                        new HBox(10, html),
                        holds,
                        Plate.caps("PRINTS"),
                        prints,
                        sections,
                        depthRow(),
                        Plate.caps("AUTOMATION"),
                        lanes,
                        Plate.caps("TO"),
                        new HBox(6, folder, choose),
                        new HBox(6, go, cancel),
                        progress,
                        result);
        session.jobs()
                .progress()
                .addListener((o, was, is) -> progress.setProgress(is.doubleValue()));
        session.file().addListener((o, was, is) -> suggest());
        session.design()
                .addListener((o, was, is) -> {
                    go.setDisable(session.design().get().sources().isEmpty());
                    lanes.refresh();
                });
        suggest();
    }

    private CheckMenuItem part(SheetPart part) {
        CheckMenuItem item = new CheckMenuItem(part.label());
        item.setSelected(session.handingOver().parts().contains(part));
        item.setOnAction(e -> {
            if (item.isSelected()) {
                session.handingOver().parts().add(part);
            } else {
                session.handingOver().parts().remove(part);
            }
            tellParts();
        });
        return item;
    }

    private void tellParts() {
        int all = SheetPart.values().length;
        int held = session.handingOver().parts().size();
        holds.setText(
                held == all ? "It holds everything" : "It holds " + held + " of " + all + " parts");
        holds.setAccessibleText("what the sheet holds");
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

    private HBox depthRow() {
        HBox row = new HBox(6);
        for (WavWriter.Depth depth : WavWriter.Depth.values()) {
            String words =
                    depth == WavWriter.Depth.FLOAT_32 ? "32-bit float" : depth.label() + "-bit";
            ToggleButton button = Plate.toggle(words, "print as " + words);
            button.setToggleGroup(depths);
            button.setUserData(depth);
            button.setSelected(depth == WavWriter.Depth.BITS_24);
            row.getChildren().add(button);
        }
        return row;
    }

    private void suggest() {
        Path file = session.file().get();
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
        List<String> endings = new ArrayList<>();
        if (pdf.isSelected()) {
            endings.add(letter.isSelected() ? ".letter.pdf" : ".pdf");
        }
        if (html.isSelected()) {
            endings.add(".html");
        }
        if (markdown.isSelected()) {
            endings.add(".md");
        }
        if (csv.isSelected()) {
            endings.add(".csv");
        }
        var chosen = depths.getSelectedToggle();
        WavWriter.Depth depth =
                chosen == null ? WavWriter.Depth.BITS_24 : (WavWriter.Depth) chosen.getUserData();
        HandOver.Order order =
                new HandOver.Order(
                        target.get(),
                        session.handingOver().sheet(endings),
                        new HandOver.Printing(prints.isSelected(), sections.isSelected(), depth),
                        lanes.order());
        busy(true);
        result.setText("");
        session.handingOver()
                .start(
                        order,
                        files -> {
                            busy(false);
                            result.setText(
                                    files.size()
                                            + " files written:\n"
                                            + String.join(
                                                    "\n",
                                                    files.stream()
                                                            .map(f ->
                                                                    String.valueOf(f.getFileName()))
                                                            .toList()));
                        },
                        message -> {
                            busy(false);
                            result.setText(message);
                        });
    }

    private void cancel() {
        session.jobs().cancel(HandOver.JOB);
        busy(false);
        result.setText("Cancelled; what was written whole is left.");
    }

    private void busy(boolean on) {
        go.setDisable(on);
        cancel.setVisible(on);
        progress.setVisible(on);
    }
}
