package orbispace.app;

import java.io.PrintStream;
import orbispace.app.command.OrbispaceCommand;
import orbispace.app.song.CacheFolder;
import orbispace.files.sound.SoundShelf;

/** Starts the program. */
public final class Main {
    private Main() {}

    /** Runs the command line and exits with its status. */
    public static void main(String[] arguments) {
        PrintStream out = System.out;
        System.setProperty("orbispace.log", CacheFolder.log().toString());
        System.setProperty("orbispace.shelf", CacheFolder.shelf().toString());
        System.setProperty("orbispace.contents", CacheFolder.contents().toString());
        SoundShelf.sweep();
        // Standard output is the command's alone: a decoder that chatters about damage is logged.
        System.setOut(LoggedPrints.stream());
        System.exit(OrbispaceCommand.run(arguments, out, System.err, new WindowLauncher()));
    }
}
