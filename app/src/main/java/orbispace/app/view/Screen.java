package orbispace.app.view;

import javafx.scene.layout.Region;
import orbispace.app.draw.Palette;

/** One step of the work: what fills the main area, and its inspector. */
interface Screen {
    /** The main area. */
    Region main();

    /** The inspector. */
    Region inspector();

    /** Takes other colours. */
    void setPalette(Palette palette);

    /** Comes to the front; what takes long to measure may begin. */
    default void shown(boolean front) {}

    /** Lines about the keys of this screen. */
    String keys();
}
