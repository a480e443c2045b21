package orbispace.files.sound;

import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.Map;
import orbispace.core.audio.Audio;
import orbispace.core.design.Design;
import orbispace.core.design.Return;
import orbispace.core.design.Space;
import orbispace.core.render.Responses;
import orbispace.core.signal.Resampler;
import orbispace.files.FileProblem;

/** The impulse responses that a design names, read beside its project. */
public final class ResponseFiles {
    private static final double LONGEST_SECONDS = 60;

    private ResponseFiles() {}

    /**
     * What could be read.
     *
     * @param responses by the file that the design names, at the song's rate
     * @param problems a line for each that could not be read, by that file
     */
    public record Result(Map<String, Responses.Recorded> responses, Map<String, String> problems) {
        /** Keeps its own maps. */
        public Result {
            responses = Map.copyOf(responses);
            problems = Map.copyOf(problems);
        }
    }

    /** Reads all of them, as many as can be read. */
    public static Result read(Path folder, Design design) {
        Map<String, Responses.Recorded> read = new LinkedHashMap<>();
        Map<String, String> problems = new LinkedHashMap<>();
        for (Return r : design.returns()) {
            if (r.space() instanceof Space.Convolution c && !read.containsKey(c.file())) {
                try {
                    read.put(
                            c.file(), read(folder.resolve(c.file()), design.song().sampleRateHz()));
                } catch (FileProblem e) {
                    problems.put(c.file(), String.valueOf(e.getMessage()));
                }
            }
        }
        return new Result(read, problems);
    }

    /**
     * Reads all of them or none.
     *
     * @throws FileProblem with the first that cannot be read
     */
    public static Responses readAll(Path folder, Design design) throws FileProblem {
        Result result = read(folder, design);
        if (!result.problems().isEmpty()) {
            throw new FileProblem(result.problems().values().iterator().next());
        }
        return new Responses(result.responses());
    }

    /**
     * Reads one at a song's rate.
     *
     * @throws FileProblem in one line, if it is none that can be used
     */
    public static Responses.Recorded read(Path file, double sampleRateHz) throws FileProblem {
        ReadSound sound = SoundReader.readResponse(file);
        if (sound.audio().seconds() > LONGEST_SECONDS) {
            throw new FileProblem(
                    file + ": is longer than 60 s; cut the impulse response before bringing it");
        }
        Audio second = sound.second();
        if (sound.audio().peak() == 0 && (second == null || second.peak() == 0)) {
            throw new FileProblem(file + ": is silent; bring another impulse response");
        }
        Audio first = Resampler.convert(sound.audio(), sampleRateHz);
        return second == null
                ? Responses.Recorded.of(first)
                : new Responses.Recorded(first, Resampler.convert(second, sampleRateHz));
    }
}
