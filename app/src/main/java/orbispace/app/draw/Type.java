package orbispace.app.draw;

import java.io.InputStream;
import java.util.HashMap;
import java.util.Map;
import javafx.scene.text.Font;

/** The typeface in its few sizes. */
public final class Type {
    /** Family name of the typeface. */
    public static final String FAMILY = "IBM Plex Sans";

    private static final Map<String, String> NAMES = new HashMap<>();
    private static final Map<String, Font> FONTS = new HashMap<>();

    private Type() {}

    /** Loads the files that ship with the program; call once on the interface thread. */
    public static void load() {
        for (String name : new String[] {"400-normal", "600-normal", "400-italic"}) {
            String file = "/orbispace/files/fonts/ibm-plex-sans-latin-" + name + ".ttf";
            try (InputStream in = Type.class.getResourceAsStream(file)) {
                Font font = in == null ? null : Font.loadFont(in, 12);
                if (font != null) {
                    NAMES.put(name, font.getName());
                }
            } catch (java.io.IOException e) {
                throw new java.io.UncheckedIOException(e);
            }
        }
    }

    private static Font font(String face, double size) {
        return FONTS.computeIfAbsent(
                face + size, k -> new Font(NAMES.getOrDefault(face, FAMILY), size));
    }

    /** Regular. */
    public static Font regular(double size) {
        return font("400-normal", size);
    }

    /** Semi-bold, for numbers and names. */
    public static Font strong(double size) {
        return font("600-normal", size);
    }

    /** Italic, for reasons and words that are sung. */
    public static Font italic(double size) {
        return font("400-italic", size);
    }
}
