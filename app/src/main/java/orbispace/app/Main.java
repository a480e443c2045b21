package orbispace.app;

import orbispace.app.command.OrbispaceCommand;

/** Starts the program. */
public final class Main {
    private Main() {}

    /** Runs the command line and exits with its status. */
    public static void main(String[] arguments) {
        System.exit(OrbispaceCommand.run(arguments, System.out, System.err, new WindowLauncher()));
    }
}
