package orbispace.app.view.chain;

import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.layout.HBox;
import orbispace.app.desk.ChainModel;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Space;
import orbispace.core.design.SplitPair;
import orbispace.core.space.ReverbCharacter;
import orbispace.core.space.ReverbKind;

/** What kinds of space the two of a pair are. */
final class PairLine extends HBox {
    PairLine(ChainModel model, SplitPair pair) {
        super(4, side(model, pair, true), side(model, pair, false));
    }

    private static MenuButton side(ChainModel model, SplitPair pair, boolean left) {
        String where = left ? "left" : "right";
        MenuButton menu = new MenuButton(where + ": " + pair.space(left).kind().label());
        menu.getStyleClass().add("kind-menu");
        menu.setAccessibleText("kind of the space on the " + where);
        for (ReverbKind kind : ReverbKind.values()) {
            MenuItem item = new MenuItem(kind.label());
            item.setOnAction(e -> become(model, left, kind));
            menu.getItems().add(item);
        }
        return menu;
    }

    private static void become(ChainModel model, boolean left, ReverbKind kind) {
        model.chosenReturn()
                .ifPresent(r -> {
                    if (r.space() instanceof SplitPair pair) {
                        Space.Reverb now = pair.space(left);
                        Space.Reverb other =
                                new Space.Reverb(
                                        kind,
                                        now.decaySeconds(),
                                        now.lowRatio(),
                                        now.highRatio(),
                                        now.size(),
                                        ReverbCharacter.of(kind)
                                                .withDensity(now.character().density()));
                        model.edit(
                                new ReturnEdit.Spatial(
                                        r.id(),
                                        pair.withSpace(left, other),
                                        (left ? "left" : "right") + " space"));
                    }
                });
    }
}
