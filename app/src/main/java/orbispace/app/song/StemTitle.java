package orbispace.app.song;

import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import orbispace.core.design.Source;

/** What stems are called after their files. */
final class StemTitle {
    private static final String NONE = "Stem";

    private StemTitle() {}

    /** The name of a file without its ending and without signs that are not seen or turn a line. */
    static String plain(Path file) {
        return String.valueOf(file.getFileName())
                .replaceFirst("\\.[^.]*$", "")
                .replaceAll("[\\p{Cc}\\p{Cf}]", "")
                .replaceAll("[-_]+", " ")
                .strip();
    }

    /** A title that no other source has: with the folder's name, or counted, where it is taken. */
    static String among(Path file, List<Source> before) {
        String name = plain(file);
        String title =
                name.isEmpty()
                        ? NONE
                        : name.substring(0, 1).toUpperCase(Locale.ROOT) + name.substring(1);
        if (isFree(title, before)) {
            return title;
        }
        Path folder = file.toAbsolutePath().normalize().getParent();
        if (folder != null && folder.getFileName() != null) {
            String told = title + " (" + plain(folder) + ")";
            if (isFree(told, before)) {
                return told;
            }
        }
        int n = 2;
        while (!isFree(title + " " + n, before)) {
            n++;
        }
        return title + " " + n;
    }

    private static boolean isFree(String title, List<Source> before) {
        return before.stream().noneMatch(s -> s.name().equals(title));
    }
}
