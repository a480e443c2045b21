package orbispace.app.view.chain;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.scene.control.Button;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.layout.FlowPane;
import orbispace.app.view.control.Plate;
import orbispace.core.design.Filter;
import org.jspecify.annotations.Nullable;

/** What the bands of a filter are, and another one. */
final class BandMenus extends FlowPane {
    private static final double USUAL_HZ = 400;
    private static final double USUAL_DB = -3;

    private final String place;
    private final Supplier<Filter> filter;
    private final Consumer<Filter> set;

    /**
     * Menus for the bands that a filter has.
     *
     * @param place which filter it is, in words
     * @param filter it as it stands
     * @param set changes it
     */
    BandMenus(String place, Supplier<Filter> filter, Consumer<Filter> set) {
        super(4, 3);
        this.place = place;
        this.filter = filter;
        this.set = set;
        Filter now = filter.get();
        for (int i = 0; i < now.bands().size(); i++) {
            getChildren().add(menu(i, now.bands().get(i)));
        }
        if (now.bands().size() < Filter.MOST_BANDS) {
            Button add = Plate.small("Add a band", this::add);
            add.setAccessibleText("add a band to the filter " + place);
            getChildren().add(add);
        }
    }

    private MenuButton menu(int index, Filter.Band band) {
        MenuButton menu = new MenuButton((index + 1) + " " + band.kind().label());
        menu.getStyleClass().add("kind-menu");
        menu.setAccessibleText("kind of band " + (index + 1) + " of the filter " + place);
        for (Filter.Kind kind : Filter.Kind.values()) {
            MenuItem item = new MenuItem(kind.label());
            item.setOnAction(e -> change(index, kind));
            menu.getItems().add(item);
        }
        MenuItem out = new MenuItem("Take it out");
        out.setOnAction(e -> change(index, null));
        menu.getItems().addAll(new SeparatorMenuItem(), out);
        return menu;
    }

    private void add() {
        List<Filter.Band> bands = new ArrayList<>(filter.get().bands());
        bands.add(new Filter.Band(Filter.Kind.BELL, USUAL_HZ, USUAL_DB, 1));
        set.accept(filter.get().withBands(bands));
    }

    private void change(int index, Filter.@Nullable Kind kind) {
        Filter.Band now = filter.get().bands().get(index);
        Filter.Band then =
                kind == null ? null : new Filter.Band(kind, now.hz(), now.gainDb(), now.octaves());
        set.accept(filter.get().withBand(index, then));
    }
}
