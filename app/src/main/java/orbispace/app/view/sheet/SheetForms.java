package orbispace.app.view.sheet;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.control.CheckBox;
import javafx.scene.control.CheckMenuItem;
import javafx.scene.control.MenuButton;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import orbispace.app.desk.SheetModel;
import orbispace.files.sheet.SheetPart;

/** In which forms the recall sheet is written, and what it holds. */
final class SheetForms extends VBox {
    private final SheetModel model;
    private final CheckBox pdf = SheetInspector.box("Print on A4", ".pdf");
    private final CheckBox letter = SheetInspector.box("on Letter instead", "");
    private final CheckBox html = SheetInspector.box("Page for a browser", ".html");
    private final CheckBox markdown = SheetInspector.box("Text", ".md");
    private final CheckBox csv = SheetInspector.box("Table", ".csv");
    private final MenuButton holds = new MenuButton();

    SheetForms(SheetModel model) {
        super(8);
        this.model = model;
        for (CheckBox box : List.of(pdf, html, markdown, csv)) {
            box.setSelected(true);
        }
        letter.visibleProperty().bind(pdf.selectedProperty());
        holds.getStyleClass().add("kind-menu");
        for (SheetPart part : SheetPart.values()) {
            holds.getItems().add(part(part));
        }
        tellParts();
        getChildren().addAll(new HBox(10, pdf, letter), new HBox(10, markdown, csv), html, holds);
    }

    /** The endings of the forms that are chosen. */
    List<String> endings() {
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
        return endings;
    }

    private CheckMenuItem part(SheetPart part) {
        CheckMenuItem item = new CheckMenuItem(part.label());
        item.setSelected(model.handingOver().parts().contains(part));
        item.setOnAction(e -> {
            if (item.isSelected()) {
                model.handingOver().parts().add(part);
            } else {
                model.handingOver().parts().remove(part);
            }
            tellParts();
        });
        return item;
    }

    private void tellParts() {
        int all = SheetPart.values().length;
        int held = model.handingOver().parts().size();
        holds.setText(
                held == all ? "It holds everything" : "It holds " + held + " of " + all + " parts");
        holds.setAccessibleText("what the sheet holds");
    }
}
