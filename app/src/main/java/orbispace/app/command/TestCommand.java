package orbispace.app.command;

import picocli.CommandLine.Command;

/** Named here for the help; the script that starts the program runs the tests itself. */
@Command(name = "test", mixinStandardHelpOptions = true, description = "builds and runs all tests")
final class TestCommand implements Runnable {
    @Override
    public void run() {
        throw new OrbispaceCommand.WrongUsage("the tests are run by the script ./orbispace test");
    }
}
