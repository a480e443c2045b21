package orbispace.app.song;

import java.nio.file.Path;
import java.util.Optional;
import orbispace.files.project.FactsCache;

/** The folder where the program keeps what it can make again. */
public final class CacheFolder {
    /** Names the folder with what was measured of the demo song before it was installed. */
    private static final String SHIPPED = "orbispace.shipped";

    private CacheFolder() {}

    /** The facts of stems, so that a stem is only measured once. */
    public static FactsCache facts() {
        Optional<Path> shipped = Optional.ofNullable(System.getProperty(SHIPPED)).map(Path::of);
        return new FactsCache(path().resolve("facts"), shipped.map(p -> p.resolve("facts")));
    }

    /** What went wrong inside the program, for who has to find out why. */
    public static Path log() {
        return path().resolve("orbispace.log");
    }

    /** Sounds that are too many for the memory, while the program runs. */
    public static Path shelf() {
        return path().resolve("shelf");
    }

    /** What files that were read before hold. */
    public static Path contents() {
        return path().resolve("contents");
    }

    static Path path() {
        String cache = System.getenv("XDG_CACHE_HOME");
        Path base =
                cache == null || cache.isBlank()
                        ? Path.of(System.getProperty("user.home", "."), ".cache")
                        : Path.of(cache);
        return base.resolve("orbispace");
    }
}
