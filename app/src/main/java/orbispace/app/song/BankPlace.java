package orbispace.app.song;

import java.nio.file.Path;
import orbispace.files.project.BankFile;

/** Where the engineer's own bank lies: with what belongs to them, not to one song. */
public final class BankPlace {
    private BankPlace() {}

    /** Its file, which need not be there yet. */
    public static Path own() {
        String data = System.getenv("XDG_DATA_HOME");
        Path base =
                data == null || data.isBlank()
                        ? Path.of(System.getProperty("user.home", "."), ".local", "share")
                        : Path.of(data);
        return base.resolve("orbispace").resolve("own" + BankFile.SUFFIX);
    }
}
