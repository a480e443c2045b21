package orbispace.app.view.chain;

import java.util.function.UnaryOperator;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.layout.HBox;
import orbispace.app.desk.ChainModel;
import orbispace.app.view.control.Plate;
import orbispace.core.design.Drive;
import orbispace.core.design.ReturnEdit;
import orbispace.core.dynamics.DriveCurve;

/** How a drive bends, and on which side of the space. */
final class DriveLine extends HBox {
    private final ChainModel model;

    DriveLine(ChainModel model, Drive drive) {
        super(4);
        this.model = model;
        MenuButton curve = new MenuButton(drive.curve().label());
        curve.getStyleClass().add("kind-menu");
        curve.setAccessibleText("curve of the drive");
        for (DriveCurve c : DriveCurve.values()) {
            MenuItem item = new MenuItem(c.label());
            item.setOnAction(e -> change(d -> d.along(c)));
            curve.getItems().add(item);
        }
        String text = drive.afterSpace() ? "Before the space" : "After the space";
        getChildren().addAll(curve, Plate.small(text, () -> change(Drive::moved)));
    }

    private void change(UnaryOperator<Drive> how) {
        model.chosenReturn()
                .ifPresent(r -> {
                    Drive now = r.chain().drive();
                    if (now != null) {
                        model.edit(new ReturnEdit.Driving(r.id(), how.apply(now)));
                    }
                });
    }
}
