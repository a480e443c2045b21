package orbispace.app.command;

import orbispace.app.command.OrbispaceCommand.WrongUsage;
import picocli.CommandLine;
import picocli.CommandLine.Command;

/** Measures of single files. */
@Command(name = "measure", mixinStandardHelpOptions = true, description = "measures sound files")
final class MeasureCommand implements Runnable {
    @Override
    public void run() {
        throw new WrongUsage("measure what: loudness, decay, cover or loudness-sones");
    }

    /** With a command for each measure. */
    static CommandLine all(Output output) {
        return new CommandLine(new MeasureCommand())
                .addSubcommand(new MeasureLoudness(output))
                .addSubcommand(new MeasureDecay(output))
                .addSubcommand(new MeasureCover(output))
                .addSubcommand(new MeasureSones(output));
    }
}
