package orbispace.files.sheet;

import java.io.IOException;

/**
 * Draws vectors somewhere: on paper, on a page for a browser, on the screen. Places are in points
 * from the upper left corner; grey is 0 for the full ink and 1 for none.
 */
public interface Ink {
    /** Writes on a line. */
    void text(String text, float x, float base, float points, boolean bold, float grey)
            throws IOException;

    /** Width of a text in points. */
    float width(String text, float points, boolean bold) throws IOException;

    /** A straight line. */
    void line(float x1, float y1, float x2, float y2, float thick, float grey) throws IOException;

    /** An outline through points, closed or not. */
    void path(float[] xs, float[] ys, boolean closed, float thick, float grey) throws IOException;

    /** Lines are broken in this pattern from now on; empty for whole ones. */
    void dash(float[] pattern) throws IOException;

    /** A circle, filled or as an outline. */
    void circle(float x, float y, float r, boolean filled, float grey) throws IOException;

    /** The ink of what follows, as red, green and blue of 8 bits each; 0 for black. */
    void tint(int rgb);

    /** Share of a colour channel that a grey leaves of a tint, 0 to 1. */
    static float mixed(int rgb, int shift, float grey) {
        float channel = ((rgb >> shift) & 0xff) / 255f;
        return 1 - (1 - channel) * (1 - grey);
    }
}
