package orbispace.app.view.sheet;

import javafx.scene.control.CheckBox;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import orbispace.app.song.HandOver;
import orbispace.app.view.control.Plate;
import orbispace.files.sound.WavWriter;

/** Whether returns and mix are printed, sections too, and how. */
final class PrintsPanel extends VBox {
    private final CheckBox prints = SheetInspector.box("Printed returns and mix", "");
    private final CheckBox sections = SheetInspector.box("each section as well", "");
    private final ToggleGroup depths = new ToggleGroup();

    PrintsPanel() {
        super(8);
        prints.setSelected(true);
        sections.visibleProperty().bind(prints.selectedProperty());
        getChildren().addAll(prints, sections, depthRow());
    }

    /** What is chosen. */
    HandOver.Printing order() {
        var chosen = depths.getSelectedToggle();
        WavWriter.Depth depth =
                chosen == null ? WavWriter.Depth.BITS_24 : (WavWriter.Depth) chosen.getUserData();
        return new HandOver.Printing(prints.isSelected(), sections.isSelected(), depth);
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
}
