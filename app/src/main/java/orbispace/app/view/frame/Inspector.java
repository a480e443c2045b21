package orbispace.app.view.frame;

import javafx.scene.layout.VBox;
import orbispace.app.draw.Palette;

/** What stands at the side of a screen and is about what is chosen on it. */
public abstract class Inspector extends VBox {
    /** Takes other colours. */
    public abstract void setPalette(Palette palette);
}
