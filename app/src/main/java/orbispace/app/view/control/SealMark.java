package orbispace.app.view.control;

import java.util.function.BooleanSupplier;
import java.util.function.Supplier;
import orbispace.app.draw.Pen;

/** The seal of a return as a node. */
public final class SealMark extends ScalingCanvas {
    private final Supplier<String> letter;
    private final double radius;
    private final BooleanSupplier filled;

    public SealMark(Supplier<String> letter, double radius, boolean filled) {
        this(letter, radius, () -> filled);
    }

    public SealMark(Supplier<String> letter, double radius, BooleanSupplier filled) {
        this.letter = letter;
        this.radius = radius;
        this.filled = filled;
        double size = 2 * radius + 4;
        setPrefSize(size, size);
        setMinSize(size, size);
        setMaxSize(size, size);
    }

    @Override
    protected void paint(Pen pen, double w, double h) {
        if (!letter.get().isEmpty()) {
            pen.seal(letter.get(), radius + 2, radius + 2, radius, filled.getAsBoolean());
        }
    }
}
