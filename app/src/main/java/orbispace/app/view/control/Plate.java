package orbispace.app.view.control;

import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.shape.Polygon;

/** Controls and cards whose corners are clipped instead of rounded. */
public final class Plate {
    private static final double CUT = 5;

    private Plate() {}

    /** Clips the corners of a region, whatever its size becomes. */
    public static <T extends Region> T clip(T region) {
        region.setScaleShape(false);
        region.setCenterShape(false);
        Runnable shape =
                () -> {
                    double w = region.getWidth();
                    double h = region.getHeight();
                    region.setShape(
                            new Polygon(
                                    CUT, 0, w - CUT, 0, w, CUT, w, h - CUT, w - CUT, h, CUT, h, 0,
                                    h - CUT, 0, CUT));
                };
        region.widthProperty().addListener((o, was, is) -> shape.run());
        region.heightProperty().addListener((o, was, is) -> shape.run());
        return region;
    }

    /** A button that does something. */
    public static Button button(String text, Runnable action) {
        Button button = clip(new Button(text));
        button.getStyleClass().add("plate");
        button.setMinWidth(Region.USE_PREF_SIZE);
        button.setOnAction(e -> action.run());
        return button;
    }

    /** A small button that does something. */
    public static Button small(String text, Runnable action) {
        Button button = button(text, action);
        button.getStyleClass().add("small");
        return button;
    }

    /** A button that stays pressed. */
    public static ToggleButton toggle(String text, String accessible) {
        ToggleButton toggle = clip(new ToggleButton(text));
        toggle.getStyleClass().add("plate");
        toggle.setMinWidth(Region.USE_PREF_SIZE);
        toggle.setAccessibleText(accessible);
        return toggle;
    }

    /** A small heading in capitals. */
    public static Label caps(String text) {
        Label label = new Label(text);
        label.getStyleClass().add("caps");
        return label;
    }

    /** Empty space that takes what is left of a row. */
    public static Region spring() {
        Region spring = new Region();
        HBox.setHgrow(spring, Priority.ALWAYS);
        return spring;
    }

    /** Puts a node at a place of a pane with a size. */
    public static <T extends Node> T place(T node, double x, double y, double w, double h) {
        node.setLayoutX(x);
        node.setLayoutY(y);
        if (node instanceof Region region) {
            region.setPrefSize(w, h);
            region.setMinSize(w, h);
            region.setMaxSize(w, h);
            if (region instanceof Button || region instanceof ToggleButton) {
                region.setPadding(Insets.EMPTY);
            }
        }
        return node;
    }
}
