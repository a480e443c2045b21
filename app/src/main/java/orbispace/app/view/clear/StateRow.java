package orbispace.app.view.clear;

import java.util.Locale;
import java.util.Optional;
import javafx.scene.text.TextAlignment;
import orbispace.app.draw.Pen;
import orbispace.app.draw.Type;
import orbispace.app.view.control.ScalingCanvas;
import orbispace.core.hearing.WetState;

/** The four states as steps, the present one filled. */
final class StateRow extends ScalingCanvas {
    private Optional<WetState> state = Optional.empty();
    private String id = "A";

    void show(Optional<WetState> given, String returnId) {
        state = given;
        id = returnId.isEmpty() ? "A" : returnId;
        repaint();
    }

    @Override
    protected void paint(Pen pen, double w, double h) {
        WetState[] all = WetState.values();
        for (int i = 0; i < all.length; i++) {
            double x = 8 + i * 41;
            double height = 5 + 5 * i;
            boolean on = state.isPresent() && state.get() == all[i];
            if (on) {
                pen.g.setFill(pen.palette.ofReturn(id));
                pen.g.fillRect(x, 24 - height, 26, height);
            } else {
                pen.g.setStroke(pen.palette.rule);
                pen.g.setLineWidth(1);
                pen.g.strokeRect(x + 0.5, 24 - height + 0.5, 25, height - 1);
            }
            pen.text(
                    all[i].name().toLowerCase(Locale.ROOT),
                    x + 13,
                    37,
                    on ? Type.strong(10.5) : Type.regular(10.5),
                    on ? pen.palette.ink : pen.palette.ink3,
                    TextAlignment.CENTER);
        }
    }
}
