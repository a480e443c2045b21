package orbispace.app.command;

import java.nio.file.Path;
import java.util.concurrent.Callable;
import orbispace.core.audio.Audio;
import orbispace.core.design.Design;
import orbispace.core.design.Return;
import orbispace.core.render.ImpulseResponse;
import orbispace.core.render.Responses;
import orbispace.files.FileProblem;
import orbispace.files.sound.ResponseFiles;
import orbispace.files.sound.WavWriter;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.node.ObjectNode;

/** Writes the impulse response of a return. */
@Command(
        name = "response",
        mixinStandardHelpOptions = true,
        description =
                "writes a return's impulse response: filters, predelay and space, without sends,"
                        + " ducker and level")
final class ResponseCommand implements Callable<Integer> {
    @Parameters(paramLabel = "PROJECT", description = "project file")
    private @Nullable Path project;

    @Option(
            names = "--return",
            required = true,
            paramLabel = "ID",
            description = "letter of the return")
    private @Nullable String returnId;

    @Option(
            names = "--out",
            required = true,
            paramLabel = "FILE",
            description = "WAV file, 32-bit float")
    private @Nullable Path out;

    private final Output output;

    ResponseCommand(Output output) {
        this.output = output;
    }

    @Override
    public Integer call() throws FileProblem {
        Design design = ProjectArguments.design(project);
        Path file = java.util.Objects.requireNonNull(out);
        Path from = java.util.Objects.requireNonNull(project);
        Return ret = ProjectArguments.ret(from, design, java.util.Objects.requireNonNull(returnId));
        Responses responses = ResponseFiles.readAll(ProjectArguments.folder(from), design);
        Audio response = ImpulseResponse.of(design, ret, responses);
        WavWriter.write(
                file, response, WavWriter.Depth.FLOAT_32, "impulse response of return " + returnId);
        ObjectNode document = Output.object();
        document.put("file", file.toString()).put("seconds", response.seconds());
        output.print(document, () -> output.line("%s, %.2f s", file, response.seconds()));
        return 0;
    }
}
