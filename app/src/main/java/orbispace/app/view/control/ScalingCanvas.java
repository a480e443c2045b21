package orbispace.app.view.control;

import javafx.scene.canvas.Canvas;
import javafx.scene.layout.Region;
import orbispace.app.draw.Palette;
import orbispace.app.draw.Pen;

/** A canvas that fills its place and is painted anew once per change, on the next layout. */
public abstract class ScalingCanvas extends Region {
    private final Canvas canvas = new Canvas();
    private Palette palette = Palette.DAY;

    public ScalingCanvas() {
        getChildren().add(canvas);
        setMouseTransparent(true);
    }

    /** Paints everything; the canvas is empty. */
    protected abstract void paint(Pen pen, double width, double height);

    public final void setPalette(Palette given) {
        palette = given;
        repaint();
    }

    protected final Palette palette() {
        return palette;
    }

    public final void repaint() {
        requestLayout();
    }

    @Override
    protected void layoutChildren() {
        double w = Math.floor(getWidth());
        double h = Math.floor(getHeight());
        if (w < 1 || h < 1) {
            return;
        }
        canvas.setWidth(w);
        canvas.setHeight(h);
        canvas.getGraphicsContext2D().clearRect(0, 0, w, h);
        paint(new Pen(canvas.getGraphicsContext2D(), palette), w, h);
    }
}
