package orbispace.app.view.chain;

import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;
import javafx.scene.control.Button;
import javafx.scene.layout.HBox;
import orbispace.app.desk.ChainModel;
import orbispace.app.view.control.Plate;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Space;
import orbispace.core.space.CopiesSettings.Voice;

/** More or fewer copies. */
final class CopiesLine extends HBox {
    private static final double STEP_SECONDS = 0.006;
    private static final double MOST_SECONDS = 0.1;

    private final ChainModel model;

    CopiesLine(ChainModel model, int count) {
        super(4);
        this.model = model;
        if (count < Space.Copies.MOST_COPIES) {
            getChildren().add(Plate.small("Another copy", () -> change(CopiesLine::more)));
        }
        if (count > 1) {
            Button fewer =
                    Plate.small("One less", () -> change(all -> all.subList(0, all.size() - 1)));
            fewer.setAccessibleText("take the last copy out");
            getChildren().add(fewer);
        }
    }

    /** One later than the last, on the other side, turned the other way. */
    private static List<Voice> more(List<Voice> copies) {
        List<Voice> all = new ArrayList<>(copies);
        Voice last = copies.getLast();
        double later = Math.min(MOST_SECONDS, last.seconds() + STEP_SECONDS);
        all.add(new Voice(later, -last.cents(), -last.side(), last.swaySeconds(), last.swayHz()));
        return all;
    }

    private void change(UnaryOperator<List<Voice>> how) {
        model.chosenReturn()
                .ifPresent(r -> {
                    if (r.space() instanceof Space.Copies space) {
                        Space other = space.withCopies(how.apply(space.copies()));
                        model.edit(new ReturnEdit.Spatial(r.id(), other, "copies"));
                    }
                });
    }
}
