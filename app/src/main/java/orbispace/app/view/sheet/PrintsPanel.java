package orbispace.app.view.sheet;

import java.util.List;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import orbispace.app.song.HandOver;
import orbispace.app.view.control.OneOf;
import orbispace.app.view.control.Plate;
import orbispace.files.sound.WavWriter;

/** Whether returns and mix are printed, sections too, and how. */
final class PrintsPanel extends VBox {
    private static final List<WavWriter.Depth> DEPTHS = List.of(WavWriter.Depth.values());

    private final CheckBox prints = SheetInspector.box("Printed returns and mix", "");
    private final CheckBox sections = SheetInspector.box("each section as well", "");
    private final OneOf depths = new OneOf();

    PrintsPanel() {
        super(8);
        prints.setSelected(true);
        sections.visibleProperty().bind(prints.selectedProperty());
        getChildren().addAll(prints, sections, depthRow());
    }

    /** What is chosen. */
    HandOver.Printing order() {
        return new HandOver.Printing(
                prints.isSelected(), sections.isSelected(), DEPTHS.get(depths.chosen()));
    }

    private HBox depthRow() {
        HBox row = new HBox(6);
        for (WavWriter.Depth depth : DEPTHS) {
            String words =
                    depth == WavWriter.Depth.FLOAT_32 ? "32-bit float" : depth.label() + "-bit";
            ToggleButton button = Plate.toggle(words, "print as " + words);
            button.setSelected(depth == WavWriter.Depth.BITS_24);
            depths.add(button, () -> {});
            row.getChildren().add(button);
        }
        return row;
    }
}
