package orbispace.app.view.control;

import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.Optional;

/** Paths as people write them: their own folder is {@code ~}. */
public final class HomePath {
    private HomePath() {}

    /** A path in words. */
    public static String shown(Path path) {
        Path home = home();
        return path.startsWith(home) && !path.equals(home)
                ? Path.of("~").resolve(home.relativize(path)).toString()
                : path.toString();
    }

    /** The path that was written; empty if it is none. */
    public static Optional<Path> parse(String text) {
        if (text.isBlank()) {
            return Optional.empty();
        }
        try {
            Path path = Path.of(text.strip());
            Path own = Path.of("~");
            return Optional.of(path.startsWith(own) ? home().resolve(own.relativize(path)) : path);
        } catch (InvalidPathException e) {
            return Optional.empty();
        }
    }

    private static Path home() {
        return Path.of(System.getProperty("user.home"));
    }
}
