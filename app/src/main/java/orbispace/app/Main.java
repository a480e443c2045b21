package orbispace.app;

import static java.nio.charset.StandardCharsets.UTF_8;

import java.io.OutputStream;
import java.io.PrintStream;
import orbispace.app.command.OrbispaceCommand;

/** Starts the program. */
public final class Main {
    private Main() {}

    /** Runs the command line and exits with its status. */
    public static void main(String[] arguments) {
        PrintStream out = System.out;
        // Standard output is the command's alone: a decoder that chatters about damage is silenced.
        System.setOut(new PrintStream(OutputStream.nullOutputStream(), false, UTF_8));
        System.exit(OrbispaceCommand.run(arguments, out, System.err, new WindowLauncher()));
    }
}
