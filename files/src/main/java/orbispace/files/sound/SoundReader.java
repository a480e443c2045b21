package orbispace.files.sound;

import java.io.IOException;
import java.nio.BufferUnderflowException;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import orbispace.core.audio.Audio;
import orbispace.files.FileProblem;

/**
 * Reads a sound file of any kind that is known, told by its content and not by its name: WAV, RF64
 * and BWF, AIFF and AIFC, FLAC; mono or stereo, 8 to 192 kHz.
 *
 * <p>A file that promises more than it holds, or holds samples that are not numbers, is refused
 * with how much is usable; salvage takes the usable part. Memory stays within a small multiple of
 * the sound that the file really holds.
 */
public final class SoundReader {
    private static final List<String> SUFFIXES =
            List.of(".wav", ".wave", ".bwf", ".rf64", ".aif", ".aiff", ".aifc", ".flac");

    private SoundReader() {}

    /** Whether a file's name is that of a sound file, upper or lower case. */
    public static boolean isSoundName(Path file) {
        String name = String.valueOf(file.getFileName()).toLowerCase(Locale.ROOT);
        return !name.startsWith(".") && SUFFIXES.stream().anyMatch(name::endsWith);
    }

    /**
     * Reads a whole file.
     *
     * @throws FileProblem in one line, if it is no sound file that can be used
     */
    public static Audio read(Path file) throws FileProblem {
        return read(file, false).audio();
    }

    /** Reads a file, and what is usable of a damaged one if {@code salvage}. */
    public static ReadSound read(Path file, boolean salvage) throws FileProblem {
        return stem(file, open(file, salvage ? Taking.SALVAGED : Taking.WHOLE));
    }

    /**
     * Opens a whole file; samples that lie in it plainly stay there and are read when they are
     * wanted, any others are read now.
     *
     * @throws FileProblem in one line, if it is no sound file that can be used
     */
    public static ReadSound inPlace(Path file) throws FileProblem {
        return stem(file, open(file, Taking.IN_PLACE));
    }

    private static ReadSound stem(Path file, ReadSound sound) throws FileProblem {
        if (sound.second() != null) {
            throw PcmFormat.tooMany(file, PcmFormat.MOST_CHANNELS);
        }
        return sound;
    }

    /**
     * Reads an impulse response: mono, stereo, or the four paths of true stereo (left to left, left
     * to right, right to left, right to right).
     *
     * @throws FileProblem in one line, if it is no sound file that can be used
     */
    public static ReadSound readResponse(Path file) throws FileProblem {
        return open(file, Taking.WHOLE);
    }

    private static ReadSound open(Path file, Taking taking) throws FileProblem {
        if (!Files.isRegularFile(file)) {
            throw FileProblem.reading(file, new IOException("not a regular file"));
        }
        try (FileChannel channel = FileChannel.open(file)) {
            byte[] start = new byte[4];
            Chunks.bytes(channel, 0, 4).get(start, 0, (int) Math.min(4, channel.size()));
            return switch (new String(start, StandardCharsets.ISO_8859_1)) {
                case "RIFF", "RF64", "BW64" -> WavReader.parse(file, channel, taking);
                case "FORM" -> AiffReader.parse(file, channel, taking);
                case "fLaC" -> FlacReader.parse(file, taking == Taking.SALVAGED);
                case "ID3\2", "ID3\3", "ID3\4" ->
                        throw new FileProblem(
                                file + ": is compressed with loss; export WAV, AIFF or FLAC");
                default ->
                        throw new FileProblem(
                                file
                                        + (channel.size() == 0
                                                ? ": is empty; export it again"
                                                : ": is no sound file that is known; export WAV,"
                                                        + " AIFF or FLAC"));
            };
        } catch (BufferUnderflowException
                | IndexOutOfBoundsException
                | IllegalArgumentException e) {
            throw new FileProblem(file + ": ends inside its header; export it again", e);
        } catch (IOException e) {
            throw FileProblem.reading(file, e);
        }
    }
}
