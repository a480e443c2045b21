package orbispace.app.view.orbit;

import java.io.File;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;
import javafx.stage.FileChooser;
import orbispace.app.desk.OrbitModel;
import orbispace.core.bank.BankEntry;
import orbispace.files.project.BankFile;

/** The bank: keeping what stands, and laying what was kept, elsewhere, or usually done. */
final class BankMenu extends MenuButton {
    private final OrbitModel model;

    BankMenu(OrbitModel model) {
        super("Bank");
        this.model = model;
        getStyleClass().add("kind-menu");
        setAccessibleText("keep in the bank, or lay from it");
        getItems().add(new MenuItem(""));
        setOnShowing(e -> fill());
    }

    private void fill() {
        getItems().clear();
        model.design()
                .get()
                .findReturn(model.selection().returnId().get())
                .ifPresent(r -> add("Keep " + r.name(), () -> model.bank().keep(Optional.of(r))));
        add("Keep the whole field", () -> model.bank().keep(Optional.empty()));
        if (!model.bank().said().get().isEmpty()) {
            MenuItem said = new MenuItem(model.bank().said().get());
            said.setDisable(true);
            getItems().add(said);
        }
        getItems().add(new SeparatorMenuItem());
        entries("Lay from my bank", model.bank().own());
        entries("Lay a starting point", BankFile.startingPoints());
        add("Lay another project's field\u2026", this::another);
        add("Lay in my manner, from finished projects\u2026", this::manner);
        getItems().add(new SeparatorMenuItem());
        add("Use another bank\u2026", this::use);
    }

    private void add(String text, Runnable press) {
        MenuItem item = new MenuItem(text);
        item.setOnAction(e -> press.run());
        getItems().add(item);
    }

    private void entries(String title, List<BankEntry> entries) {
        Menu menu = new Menu(title);
        for (BankEntry e : entries) {
            MenuItem item = new MenuItem(name(e));
            item.setOnAction(a -> model.bank().lay(e));
            menu.getItems().add(item);
        }
        menu.setDisable(entries.isEmpty());
        getItems().add(menu);
    }

    /** An entry by its name and what it is for. */
    static String name(BankEntry e) {
        return e.isField()
                ? e.name() + ", " + e.returns().size() + " returns"
                : e.name()
                        + e.returns().stream()
                                .findFirst()
                                .map(r -> ", " + r.purpose().label().toLowerCase(Locale.ROOT))
                                .orElse("");
    }

    private FileChooser chooser(String title, String kind, String pattern) {
        FileChooser chooser = new FileChooser();
        chooser.setTitle(title);
        chooser.getExtensionFilters().add(new FileChooser.ExtensionFilter(kind, pattern));
        return chooser;
    }

    private void another() {
        File file =
                chooser("Project whose field is laid", "Projects", "*.orbispace.json")
                        .showOpenDialog(getScene().getWindow());
        if (file != null) {
            model.bank().layFrom(file.toPath());
        }
    }

    private void manner() {
        List<File> files =
                chooser("Finished projects", "Projects", "*.orbispace.json")
                        .showOpenMultipleDialog(getScene().getWindow());
        if (files != null && !files.isEmpty()) {
            model.bank().layManner(files.stream().map(File::toPath).toList());
        }
    }

    private void use() {
        FileChooser chooser = chooser("Bank", "Banks", "*" + BankFile.SUFFIX);
        chooser.setInitialFileName("own" + BankFile.SUFFIX);
        File file = chooser.showSaveDialog(getScene().getWindow());
        if (file != null) {
            model.bank().use(file.toPath());
        }
    }
}
