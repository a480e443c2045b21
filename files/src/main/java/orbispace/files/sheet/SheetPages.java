package orbispace.files.sheet;

import java.io.IOException;

/** Pages, one below the other, that a sheet is laid onto. */
public interface SheetPages extends Ink {
    /** Margin on all sides, in points. */
    float MARGIN = 48;

    /** Width between the margins. */
    float width();

    /** How far down the page the next line begins. */
    float y();

    /** Moves that place down. */
    void down(float points);

    /** Makes sure that so much has room below; if not, a new page begins. */
    void need(float points) throws IOException;
}
