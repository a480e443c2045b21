package orbispace.app.view.chain;

import java.io.File;
import java.util.List;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;
import orbispace.app.desk.ChainModel;
import orbispace.app.draw.Palette;
import orbispace.app.song.SpaceKinds;
import orbispace.app.view.control.NameField;
import orbispace.app.view.control.Plate;
import orbispace.app.view.control.SealMark;
import orbispace.core.design.Design;
import orbispace.core.design.Purpose;
import orbispace.core.design.Purposes;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;

/** Name, kind and order of the chosen return. */
final class ReturnHead extends VBox {
    private static final List<SpaceKinds> KINDS = List.of(SpaceKinds.values());

    private final ChainModel model;
    private final SealMark seal;
    private final NameField name;
    private final MenuButton kind = new MenuButton();
    private final MenuButton purpose = new MenuButton();
    private final HBox actions;
    private final ToggleButton follow;

    ReturnHead(ChainModel model) {
        this.model = model;
        getStyleClass().add("return-head");
        seal = new SealMark(model.selection().returnId()::get, 15, true);
        name =
                new NameField(
                        "name of the return",
                        text ->
                                !text.isEmpty()
                                        && chosen().map(r ->
                                                        model.edit(
                                                                new ReturnEdit.Named(r.id(), text)))
                                                .orElse(false));
        name.getStyleClass().add("return-name");
        fillKinds();
        fillPurposes();
        HBox.setHgrow(name, Priority.ALWAYS);
        follow = follow();
        HBox first = new HBox(10, seal, new VBox(1, name, new HBox(6, kind, follow), purpose));
        actions =
                new HBox(
                        4,
                        action("Bench", r -> model.bench().open(r)),
                        action("Copy", r -> model.field().duplicate(r)),
                        action("Up", r -> model.field().move(r, -1)),
                        action("Down", r -> model.field().move(r, 1)),
                        action("Remove", r -> model.field().remove(r)));
        getChildren().addAll(first, actions);
        setSpacing(5);
        setMinHeight(USE_PREF_SIZE);
    }

    private void fillKinds() {
        for (SpaceKinds k : KINDS) {
            MenuItem item = new MenuItem(k.label());
            item.setOnAction(e -> chosen().ifPresent(r -> model.field().become(r, k)));
            kind.getItems().add(item);
        }
        MenuItem file = new MenuItem("Impulse response\u2026");
        file.setOnAction(e -> chooseResponse());
        MenuItem unit = new MenuItem("Measure a unit\u2026");
        unit.setOnAction(e -> model.units().open().set(true));
        kind.getItems().addAll(file, unit);
        kind.getStyleClass().add("kind-menu");
    }

    private void fillPurposes() {
        MenuItem guessed = new MenuItem("as it seems");
        guessed.setOnAction(e -> chosen().ifPresent(r -> model.field().purpose(r, null)));
        purpose.getItems().add(guessed);
        for (Purpose p : Purpose.values()) {
            MenuItem item = new MenuItem(p.label() + ": " + p.asked().label());
            item.setOnAction(e -> chosen().ifPresent(r -> model.field().purpose(r, p)));
            purpose.getItems().add(item);
        }
        purpose.getStyleClass().add("kind-menu");
    }

    private ToggleButton follow() {
        ToggleButton follow =
                Plate.toggle("by section", "take note values at the tempo of each section");
        follow.getStyleClass().add("small");
        follow.setOnAction(e ->
                chosen().ifPresent(r ->
                        model.edit(
                                new ReturnEdit.Timed(
                                        r.id(),
                                        new Return.Timing(r.timedAtBar(), follow.isSelected())))));
        return follow;
    }

    private Button action(String text, java.util.function.Consumer<Return> act) {
        Button button = Plate.small(text, () -> chosen().ifPresent(act));
        button.setAccessibleText(text.toLowerCase(java.util.Locale.ROOT) + " this return");
        return button;
    }

    private void chooseResponse() {
        FileChooser chooser = new FileChooser();
        chooser.setTitle("Impulse response");
        chooser.getExtensionFilters()
                .add(
                        new FileChooser.ExtensionFilter(
                                "Sound files", "*.wav", "*.aif", "*.aiff", "*.flac"));
        File file = chooser.showOpenDialog(getScene().getWindow());
        if (file != null) {
            chosen().ifPresent(r -> model.field().convolve(r, file.toPath()));
        }
    }

    private Optional<Return> chosen() {
        return model.design().get().findReturn(model.selection().returnId().get());
    }

    void setPalette(Palette palette) {
        seal.setPalette(palette);
    }

    void refresh() {
        Optional<Return> r = chosen();
        actions.setVisible(r.isPresent());
        actions.setManaged(r.isPresent());
        seal.setVisible(r.isPresent());
        kind.setVisible(r.isPresent());
        purpose.setVisible(r.isPresent());
        name.setDisable(r.isEmpty());
        name.show(r.map(Return::name).orElse("No return chosen"));
        r.ifPresent(chosen -> {
            follow.setSelected(chosen.timing().followsSections());
            kind.setText(chosen.space().kindLabel());
            kind.setAccessibleText("kind of space: " + chosen.space().kindLabel());
            Design design = model.design().get();
            Purpose is = Purposes.of(design, chosen);
            boolean set = Purposes.set(design, chosen).isPresent();
            purpose.setText(
                    is.label()
                            + (set ? "" : ", guessed")
                            + ": "
                            + is.asked().label()
                            + " is asked");
            purpose.setAccessibleText("what the return is for: " + is.label());
        });
        seal.repaint();
    }
}
