package orbispace.app.draw;

import java.io.InputStream;
import java.util.HashMap;
import java.util.Map;
import javafx.scene.text.Font;
import javafx.scene.text.FontPosture;
import javafx.scene.text.FontWeight;

/** The typeface in its few sizes. */
public final class Type {
    /** Family name of the typeface. */
    public static final String FAMILY = "IBM Plex Sans";

    private static final Map<String, Font> FONTS = new HashMap<>();

    private Type() {}

    /** Loads the files that ship with the program; call once on the interface thread. */
    public static void load() {
        for (String name : new String[] {"400-normal", "600-normal", "400-italic"}) {
            String file = "/orbispace/app/fonts/ibm-plex-sans-latin-" + name + ".woff";
            try (InputStream in = Type.class.getResourceAsStream(file)) {
                if (in != null) {
                    Font.loadFont(in, 12);
                }
            } catch (java.io.IOException e) {
                throw new java.io.UncheckedIOException(e);
            }
        }
    }

    /** Regular. */
    public static Font regular(double size) {
        return FONTS.computeIfAbsent(
                "r" + size, k -> Font.font(FAMILY, FontWeight.NORMAL, FontPosture.REGULAR, size));
    }

    /** Semi-bold, for numbers and names. */
    public static Font strong(double size) {
        return FONTS.computeIfAbsent(
                "s" + size, k -> Font.font(FAMILY, FontWeight.SEMI_BOLD, FontPosture.REGULAR, size));
    }

    /** Italic, for reasons and words that are sung. */
    public static Font italic(double size) {
        return FONTS.computeIfAbsent(
                "i" + size, k -> Font.font(FAMILY, FontWeight.NORMAL, FontPosture.ITALIC, size));
    }
}
