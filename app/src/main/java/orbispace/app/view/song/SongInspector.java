package orbispace.app.view.song;

import javafx.scene.control.ScrollPane;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import orbispace.app.desk.SongModel;
import orbispace.app.draw.Palette;
import orbispace.app.view.control.OneOf;
import orbispace.app.view.control.Plate;
import orbispace.app.view.frame.FileMenu;

/** Of the Song screen: the chosen stem, or the chosen section with tempo and bar 1. */
final class SongInspector extends VBox {
    private final StemPanel stem;
    private final ManyPanel many;
    private final SongModel model;
    private final FormPanel form;
    private final ScrollPane scroll = new ScrollPane();
    private final ToggleButton stemTab = Plate.toggle("Stem", "show the chosen stem");
    private final ToggleButton formTab = Plate.toggle("Tempo and form", "show tempo and sections");

    SongInspector(SongModel model, FileMenu files) {
        this.model = model;
        getStyleClass().add("inspector");
        many = new ManyPanel(model);
        stem = new StemPanel(model, files);
        form = new FormPanel(model);
        OneOf tabs = new OneOf();
        tabs.add(stemTab, this::show);
        tabs.add(formTab, this::show);
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        setSpacing(10);
        getChildren().addAll(new HBox(6, stemTab, formTab), scroll);
        stemTab.setSelected(true);
        model.selection()
                .picked()
                .addListener((o, was, is) -> {
                    stemTab.setSelected(true);
                    show();
                });
        model.selection()
                .form()
                .addListener((o, was, is) -> {
                    if (is != null) {
                        formTab.setSelected(true);
                    }
                });
    }

    /** What is chosen: the form, one stem, or many. */
    private void show() {
        boolean several = model.selection().picked().get().size() > 1;
        many.setVisible(several);
        stemTab.setText(several ? "Stems" : "Stem");
        scroll.setContent(formTab.isSelected() ? form : several ? many : stem);
        form.shown(formTab.isSelected());
    }

    /** Brings the name of the chosen section under the hand. */
    void rename() {
        formTab.setSelected(true);
        form.rename();
    }

    void setPalette(Palette palette) {
        stem.setPalette(palette);
    }
}
