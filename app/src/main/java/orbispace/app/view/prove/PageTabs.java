package orbispace.app.view.prove;

import java.util.List;
import java.util.function.IntConsumer;
import javafx.geometry.Pos;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.HBox;
import orbispace.app.view.control.OneOf;
import orbispace.app.view.control.Plate;

/** Pages that lie in one place, one of which is shown. */
final class PageTabs extends HBox {
    private final OneOf pages = new OneOf();

    /**
     * Tabs.
     *
     * @param names what the pages are called, the first shown
     * @param chosen told which is to be shown
     */
    PageTabs(List<String> names, IntConsumer chosen) {
        super(3);
        setAlignment(Pos.CENTER_LEFT);
        for (int i = 0; i < names.size(); i++) {
            int page = i;
            ToggleButton tab = Plate.toggle(names.get(i), "page " + names.get(i));
            tab.getStyleClass().add("small");
            tab.setSelected(i == 0);
            pages.add(tab, () -> chosen.accept(page));
            getChildren().add(tab);
        }
    }

    /** Turns to a page, by its place. */
    void turn(int page) {
        pages.choose(page);
    }
}
