package orbispace.app.view.control;

import java.util.List;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.geometry.Side;
import javafx.scene.control.Button;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.MenuItem;
import javafx.scene.shape.Polyline;

/** A button that shows one of several values and offers the others. */
public final class Choice<T> extends Button {
    private final ContextMenu menu = new ContextMenu();
    private final Function<T, String> words;
    private final String name;

    public Choice(String name, List<T> values, Function<T, String> words, Consumer<T> chosen) {
        this.words = words;
        this.name = name;
        Plate.clip(this);
        getStyleClass().addAll("plate", "choice");
        Polyline arrow = new Polyline(0, 0, 4, 4, 8, 0);
        arrow.getStyleClass().add("choice-arrow");
        setGraphic(arrow);
        setContentDisplay(javafx.scene.control.ContentDisplay.RIGHT);
        for (T value : values) {
            MenuItem item = new MenuItem(words.apply(value));
            item.setOnAction(e -> chosen.accept(value));
            menu.getItems().add(item);
        }
        setOnAction(e -> menu.show(this, Side.BOTTOM, 0, 2));
    }

    public void show(T value) {
        setText(words.apply(value));
        setAccessibleText(name + ": " + words.apply(value));
    }
}
