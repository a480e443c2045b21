package orbispace.app.command;

import orbispace.app.command.OrbispaceCommand.WrongUsage;
import picocli.CommandLine;
import picocli.CommandLine.Command;

/** Measures of single files. */
@Command(name = "measure", mixinStandardHelpOptions = true, description = "measures sound files")
final class MeasureCommand implements Runnable {
    @Override
    public void run() {
        throw new WrongUsage(
                "measure what: loudness, decay, phrases, hits, stereo, lineup, cover, spaces"
                        + " or loudness-sones");
    }

    /** With a command for each measure. */
    static CommandLine all(Output output) {
        return new CommandLine(new MeasureCommand())
                .addSubcommand(new MeasureLoudness(output))
                .addSubcommand(new MeasureDecay(output))
                .addSubcommand(new MeasurePhrases(output))
                .addSubcommand(new MeasureHits(output))
                .addSubcommand(new MeasureKit(output))
                .addSubcommand(new MeasureStereo(output))
                .addSubcommand(new MeasureWidth(output))
                .addSubcommand(new MeasureLineUp(output))
                .addSubcommand(new MeasureCover(output))
                .addSubcommand(new MeasureSones(output))
                .addSubcommand(new MeasureSpaces(output));
    }
}
