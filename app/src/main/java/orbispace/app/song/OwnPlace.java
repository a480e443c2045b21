package orbispace.app.song;

import java.nio.file.Path;
import orbispace.files.project.BankFile;
import orbispace.files.project.EarsFile;

/** Where what belongs to the engineer and not to one song lies; nothing need be there yet. */
public final class OwnPlace {
    private OwnPlace() {}

    /** The engineer's own bank. */
    public static Path bank() {
        return folder().resolve("own" + BankFile.SUFFIX);
    }

    /** The lessons that were taken on this machine. */
    public static Path ears() {
        return folder().resolve("own" + EarsFile.SUFFIX);
    }

    private static Path folder() {
        String data = System.getenv("XDG_DATA_HOME");
        Path base =
                data == null || data.isBlank()
                        ? Path.of(System.getProperty("user.home", "."), ".local", "share")
                        : Path.of(data);
        return base.resolve("orbispace");
    }
}
