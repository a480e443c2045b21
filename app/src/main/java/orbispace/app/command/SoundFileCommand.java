package orbispace.app.command;

import java.nio.file.Path;
import java.util.concurrent.Callable;
import orbispace.app.command.OrbispaceCommand.WrongUsage;
import orbispace.core.audio.Audio;
import orbispace.files.FileProblem;
import orbispace.files.sound.ReadSound;
import orbispace.files.sound.SoundReader;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** A command that reads one sound file. */
abstract class SoundFileCommand implements Callable<Integer> {
    @Parameters(paramLabel = "FILE", description = "WAV file, mono or stereo")
    private @Nullable Path file;

    @Option(names = "--salvage", description = "take the usable part of a damaged file")
    private boolean salvage;

    final Output output;

    SoundFileCommand(Output output) {
        this.output = output;
    }

    Audio read() throws FileProblem {
        if (file == null) {
            throw new WrongUsage("name a file");
        }
        return read(file, salvage, output);
    }

    /** Reads a file; says so if only a part of it was usable. */
    static Audio read(Path file, boolean salvage, Output output) throws FileProblem {
        ReadSound result = SoundReader.read(file, salvage);
        if (result.usedPart() != null) {
            output.note(result.usedPart());
        }
        return result.audio();
    }
}
