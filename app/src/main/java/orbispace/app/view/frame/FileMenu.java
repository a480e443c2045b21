package orbispace.app.view.frame;

import java.io.File;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.function.Supplier;
import javafx.scene.Scene;
import javafx.scene.control.Alert;
import javafx.scene.control.ButtonBar;
import javafx.scene.control.ButtonType;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.input.DragEvent;
import javafx.scene.input.TransferMode;
import javafx.stage.DirectoryChooser;
import javafx.stage.FileChooser;
import orbispace.app.desk.FrameModel;
import orbispace.app.session.ErrorReport;
import orbispace.app.song.CacheFolder;
import orbispace.app.song.NewSong;
import orbispace.core.design.Source;
import orbispace.files.project.ProjectFile;

/** New, open, save: the menu under the song's title. Nothing unsaved is left without asking. */
public final class FileMenu {
    private final FrameModel model;
    private final Supplier<Scene> scene;
    private final ContextMenu menu = new ContextMenu();
    private final Menu recent = new Menu("Open recent");
    private static final String PROGRAM = "Orbispace 0.1.0";

    private final MenuItem undo = new MenuItem("Undo");
    private final MenuItem redo = new MenuItem("Redo");

    public FileMenu(FrameModel model, Supplier<Scene> scene) {
        this.model = model;
        this.scene = scene;
        menu.getItems()
                .addAll(
                        item("New from stems\u2026   Ctrl+N", this::newFromStems),
                        item("Bring stems or MIDI\u2026   Ctrl+B", this::bring),
                        item("Open\u2026   Ctrl+O", this::open),
                        recent,
                        item("Demo song", this::openDemo),
                        new SeparatorMenuItem(),
                        item("Save   Ctrl+S", this::save),
                        item("Save as\u2026   Ctrl+Shift+S", this::saveAs),
                        new SeparatorMenuItem(),
                        undo,
                        redo,
                        item(
                                "Compare with the field as it is now   Shift+B",
                                model.pair()::keepAsBefore),
                        new SeparatorMenuItem(),
                        item("Write an error report\u2026", this::writeReport));
        undo.setOnAction(e -> model.editor().undo());
        redo.setOnAction(e -> model.editor().redo());
        menu.setOnShowing(e -> refresh());
    }

    private static MenuItem item(String text, Runnable action) {
        MenuItem item = new MenuItem(text);
        item.setOnAction(e -> action.run());
        return item;
    }

    public ContextMenu menu() {
        return menu;
    }

    private void refresh() {
        name(undo, "Undo", model.editor().undoLabel().get(), "Ctrl+Z");
        name(redo, "Redo", model.editor().redoLabel().get(), "Ctrl+Shift+Z");
        recent.getItems().clear();
        for (Path path : recent()) {
            recent.getItems().add(item(String.valueOf(path.getFileName()), () -> open(path)));
        }
        recent.setDisable(recent.getItems().isEmpty());
    }

    private static void name(MenuItem item, String verb, String what, String keys) {
        item.setText(what.isEmpty() ? verb : verb + " " + what + "   " + keys);
        item.setDisable(what.isEmpty());
    }

    public void newFromStems() {
        if (!mayLeave()) {
            return;
        }
        FileChooser chooser =
                chooser(
                        "Bring stems, and the MIDI file with the tempo",
                        "Sound and MIDI",
                        "*.wav",
                        "*.WAV",
                        "*.aif",
                        "*.aiff",
                        "*.aifc",
                        "*.flac",
                        "*.FLAC",
                        "*.mid",
                        "*.midi");
        List<File> files = chooser.showOpenMultipleDialog(scene.get().getWindow());
        if (files != null && !files.isEmpty()) {
            model.bringing()
                    .newSong(NewSong.Material.of(files.stream().map(File::toPath).toList()));
        }
    }

    /** Takes files and folders that are dragged over the window. */
    public void offered(DragEvent e) {
        if (e.getDragboard().hasFiles()) {
            e.acceptTransferModes(TransferMode.COPY);
        }
        e.consume();
    }

    /** Brings what was dropped. */
    public void dropped(DragEvent e) {
        List<Path> paths = e.getDragboard().getFiles().stream().map(File::toPath).toList();
        e.setDropCompleted(!paths.isEmpty());
        e.consume();
        boolean project =
                paths.stream().anyMatch(p -> String.valueOf(p.getFileName()).endsWith(".json"));
        if (!paths.isEmpty() && (!project || mayLeave())) {
            model.bringing().bring(paths);
        }
    }

    /** Adds stems to the open song, or a MIDI file with its tempo and form. */
    public void bring() {
        FileChooser chooser =
                chooser("Bring more stems, or a MIDI file with the tempo", "Sound and MIDI", "*.*");
        List<File> files = chooser.showOpenMultipleDialog(scene.get().getWindow());
        if (files != null && !files.isEmpty()) {
            model.bringing().bring(files.stream().map(File::toPath).toList());
        }
    }

    /** Asks for the file of a stem that is missing. */
    public void relink(Source source) {
        File file =
                chooser("Find " + source.file(), "Sound", "*.*")
                        .showOpenDialog(scene.get().getWindow());
        if (file != null) {
            model.bringing().relink(source, file.toPath());
        }
    }

    /** Asks for a folder and looks for all missing stems in it. */
    public void relinkFolder() {
        DirectoryChooser chooser = new DirectoryChooser();
        chooser.setTitle("Search a folder for the missing stems");
        File folder = chooser.showDialog(scene.get().getWindow());
        if (folder != null && model.bringing().relinkFrom(folder.toPath()) == 0) {
            model.problem().set(folder + ": none of the missing stems is in it by its name.");
        }
    }

    public void open() {
        if (!mayLeave()) {
            return;
        }
        File file =
                chooser("Open", "Orbispace projects", "*" + ProjectFile.SUFFIX)
                        .showOpenDialog(scene.get().getWindow());
        if (file != null) {
            model.opening().open(file.toPath());
        }
    }

    /** The projects opened last, newest first. */
    List<Path> recent() {
        return model.kept().recent().list();
    }

    void open(Path path) {
        if (mayLeave()) {
            model.opening().open(path);
        }
    }

    public void openDemo() {
        if (mayLeave()) {
            model.opening().openDemo();
        }
    }

    /** Saves where the project is kept, or asks where; answers whether it was written. */
    public boolean save() {
        Path file = model.kept().file().get();
        return file == null ? saveAs() : model.opening().save(file);
    }

    public boolean saveAs() {
        FileChooser chooser = chooser("Save as", "Orbispace projects", "*" + ProjectFile.SUFFIX);
        chooser.setInitialFileName(
                model.design()
                                .get()
                                .song()
                                .title()
                                .toLowerCase(java.util.Locale.ROOT)
                                .replaceAll("[^a-z0-9]+", "-")
                        + ProjectFile.SUFFIX);
        File file = chooser.showSaveDialog(scene.get().getWindow());
        return file != null && model.opening().save(withSuffix(file.toPath()));
    }

    /** Writes versions and the end of the log where it is chosen. */
    public void writeReport() {
        FileChooser chooser = chooser("Write an error report", "Text", "*.txt");
        chooser.setInitialFileName("orbispace-report.txt");
        File file = chooser.showSaveDialog(scene.get().getWindow());
        if (file == null) {
            return;
        }
        try {
            ErrorReport.write(file.toPath(), PROGRAM, CacheFolder.log());
        } catch (IOException e) {
            model.problem().set("The report was not written: " + e.getMessage());
        }
    }

    private static Path withSuffix(Path path) {
        String name = String.valueOf(path.getFileName());
        return name.endsWith(ProjectFile.SUFFIX)
                ? path
                : path.resolveSibling(name.replaceFirst("\\.json$", "") + ProjectFile.SUFFIX);
    }

    private FileChooser chooser(String title, String kind, String... patterns) {
        FileChooser chooser = new FileChooser();
        chooser.setTitle(title);
        chooser.getExtensionFilters().add(new FileChooser.ExtensionFilter(kind, patterns));
        model.kept()
                .folder()
                .map(Path::toFile)
                .filter(File::isDirectory)
                .ifPresent(chooser::setInitialDirectory);
        return chooser;
    }

    /** Asks what to do with unsaved changes; answers whether what is open may be left. */
    public boolean mayLeave() {
        if (!model.editor().dirty().get()) {
            return true;
        }
        ButtonType save = new ButtonType("Save", ButtonBar.ButtonData.YES);
        ButtonType leave = new ButtonType("Leave without saving", ButtonBar.ButtonData.NO);
        ButtonType stay = new ButtonType("Stay", ButtonBar.ButtonData.CANCEL_CLOSE);
        Alert alert =
                new Alert(
                        Alert.AlertType.CONFIRMATION,
                        model.design().get().song().title() + " has changes that are not saved.",
                        save,
                        leave,
                        stay);
        alert.initOwner(scene.get().getWindow());
        alert.setGraphic(null);
        alert.setHeaderText(null);
        alert.setTitle("Unsaved changes");
        ButtonType answer = alert.showAndWait().orElse(stay);
        if (answer == leave) {
            model.giveUp();
        }
        return answer == leave || (answer == save && save());
    }
}
