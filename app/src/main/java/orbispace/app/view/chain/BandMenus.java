package orbispace.app.view.chain;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.layout.FlowPane;
import orbispace.app.desk.ChainModel;
import orbispace.app.view.control.Plate;
import orbispace.core.design.BandKnob;
import orbispace.core.design.Filter;
import org.jspecify.annotations.Nullable;

/** What the bands of a filter are, and another one. */
final class BandMenus extends FlowPane {
    private static final double USUAL_HZ = 400;
    private static final double USUAL_DB = -3;

    private final ChainModel model;
    private final boolean before;

    BandMenus(ChainModel model, boolean before, Filter filter) {
        super(4, 3);
        this.model = model;
        this.before = before;
        for (int i = 0; i < filter.bands().size(); i++) {
            getChildren().add(menu(i, filter.bands().get(i)));
        }
        if (filter.bands().size() < Filter.MOST_BANDS) {
            Button add = Plate.small("Add a band", this::add);
            add.setAccessibleText("add a band to the filter " + place());
            getChildren().add(add);
        }
    }

    private String place() {
        return before ? "before" : "after";
    }

    private MenuButton menu(int index, Filter.Band band) {
        MenuButton menu = new MenuButton((index + 1) + " " + band.kind().label());
        menu.getStyleClass().add("kind-menu");
        menu.setAccessibleText("kind of band " + (index + 1) + " of the filter " + place());
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
        model.chosenReturn()
                .ifPresent(r -> {
                    Filter f = before ? r.filterIn() : r.filterOut();
                    List<Filter.Band> bands = new ArrayList<>(f.bands());
                    bands.add(new Filter.Band(Filter.Kind.BELL, USUAL_HZ, USUAL_DB, 1));
                    model.edit(BandKnob.set(r, before, f.withBands(bands)));
                });
    }

    private void change(int index, Filter.@Nullable Kind kind) {
        model.chosenReturn()
                .ifPresent(r -> {
                    Filter f = before ? r.filterIn() : r.filterOut();
                    Filter.Band now = f.bands().get(index);
                    Filter.Band then =
                            kind == null
                                    ? null
                                    : new Filter.Band(kind, now.hz(), now.gainDb(), now.octaves());
                    model.edit(BandKnob.set(r, before, f.withBand(index, then)));
                });
    }
}
