package orbispace.app.session;

import java.nio.file.Path;

/** The folder where the program keeps what it can make again. */
final class CacheFolder {
    private CacheFolder() {}

    static Path path() {
        String cache = System.getenv("XDG_CACHE_HOME");
        Path base =
                cache == null || cache.isBlank()
                        ? Path.of(System.getProperty("user.home", "."), ".cache")
                        : Path.of(cache);
        return base.resolve("orbispace");
    }
}
