package orbispace.files;

import java.io.IOException;
import java.nio.BufferUnderflowException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import orbispace.core.audio.Audio;
import org.jspecify.annotations.Nullable;

/**
 * Reads WAV files: 8, 16, 24 and 32-bit integer, 32 and 64-bit float, plain or extensible, mono or
 * stereo.
 *
 * <p>A file that promises more than it holds, or holds samples that are not numbers, is refused
 * with how much is usable; salvage takes the usable part.
 */
public final class WavReader {
    private static final int PCM = 1;
    private static final int FLOAT = 3;
    private static final int EXTENSIBLE = 0xFFFE;
    private static final int PART_BYTES = 1 << 20;

    /**
     * What was read.
     *
     * @param audio the sound
     * @param usedPart words about what was left out, or null if all was taken
     */
    public record Result(Audio audio, @Nullable String usedPart) {}

    private record Format(int coding, int channels, int rate, int bits) {
        int frameBytes() {
            return channels * bits / 8;
        }
    }

    private WavReader() {}

    /**
     * Reads a whole file.
     *
     * @throws FileProblem in one line, if it is no WAV file that can be used
     */
    public static Audio read(Path file) throws FileProblem {
        return read(file, false).audio();
    }

    /** Reads a file, and what is usable of a damaged one if {@code salvage}. */
    public static Result read(Path file, boolean salvage) throws FileProblem {
        if (!Files.isRegularFile(file)) {
            throw FileProblem.reading(file, new IOException("not a regular file"));
        }
        try (FileChannel channel = FileChannel.open(file)) {
            return parse(file, channel, salvage);
        } catch (BufferUnderflowException e) {
            throw new FileProblem(file + ": ends inside its header; export it again", e);
        } catch (IOException e) {
            throw FileProblem.reading(file, e);
        }
    }

    private static Result parse(Path file, FileChannel channel, boolean salvage)
            throws IOException {
        ByteBuffer riff = bytes(channel, 0, 12);
        if (!id(riff).equals("RIFF")
                || riff.remaining() < 8
                || !id(riff.position(8)).equals("WAVE")) {
            throw new FileProblem(file + ": is not a WAV file; export the stem as WAV");
        }
        @Nullable Format format = null;
        long at = 12;
        while (at + 8 <= channel.size()) {
            ByteBuffer head = bytes(channel, at, 8);
            String id = id(head);
            long size = head.getInt() & 0xFFFFFFFFL;
            if (id.equals("fmt ")) {
                format = format(file, bytes(channel, at + 8, (int) Math.min(size, 40)));
            } else if (id.equals("data")) {
                if (format == null) {
                    throw new FileProblem(file + ": has sound before its format; export it again");
                }
                return samples(file, channel, at + 8, size, format, salvage);
            }
            at += 8 + size + (size & 1);
        }
        throw new FileProblem(file + ": holds no sound; export it again");
    }

    private static Format format(Path file, ByteBuffer b) throws FileProblem {
        int coding = b.getShort() & 0xFFFF;
        int channels = b.getShort() & 0xFFFF;
        int rate = b.getInt();
        b.position(14);
        int bits = b.getShort() & 0xFFFF;
        if (coding == EXTENSIBLE && b.limit() >= 26) {
            coding = b.getShort(24) & 0xFFFF;
        }
        if (channels < 1 || channels > 2) {
            throw new FileProblem(
                    file + ": has " + channels + " channels; bring mono or stereo stems");
        }
        if (rate < 8000 || rate > 192000) {
            throw new FileProblem(
                    file + ": has a sample rate of " + rate + " Hz; 8000 to 192000 are read");
        }
        boolean known =
                (coding == PCM && (bits == 8 || bits == 16 || bits == 24 || bits == 32))
                        || (coding == FLOAT && (bits == 32 || bits == 64));
        if (!known) {
            throw new FileProblem(
                    file
                            + ": is coded as type "
                            + coding
                            + " with "
                            + bits
                            + " bits; export plain PCM or float");
        }
        return new Format(coding, channels, rate, bits);
    }

    private static Result samples(
            Path file,
            FileChannel channel,
            long start,
            long promised,
            Format format,
            boolean salvage)
            throws IOException {
        long held = Math.max(0, Math.min(promised, channel.size() - start));
        int frames = (int) Math.min(Integer.MAX_VALUE - 16, held / format.frameBytes());
        String fault = null;
        if (held < promised && promised != 0xFFFFFFFFL) {
            fault =
                    String.format(
                            Locale.ROOT,
                            "promises %.3f s of sound but holds %.3f s",
                            promised / (double) format.frameBytes() / format.rate(),
                            frames / (double) format.rate());
        }
        float[][] out = new float[format.channels()][frames];
        int usable = decode(channel, start, format, frames, out);
        if (usable < frames) {
            fault =
                    String.format(
                            Locale.ROOT,
                            "holds a sample that is not a number at %.3f s",
                            usable / (double) format.rate());
        }
        if (fault != null && (!salvage || usable == 0)) {
            throw new FileProblem(
                    String.format(
                            Locale.ROOT,
                            "%s: %s; %.3f s are usable (--salvage takes them), or export it again",
                            file,
                            fault,
                            usable / (double) format.rate()));
        }
        if (frames == 0) {
            throw new FileProblem(file + ": holds no sound; export it again");
        }
        Audio audio = Audio.of(format.rate(), out);
        return new Result(
                usable < frames ? audio.slice(0, usable) : audio,
                fault == null
                        ? null
                        : String.format(
                                Locale.ROOT,
                                "%s: %s; using %.3f s",
                                file,
                                fault,
                                usable / (double) format.rate()));
    }

    /** Decodes frames; returns how many came before the first that is not a number. */
    private static int decode(
            FileChannel channel, long start, Format format, int frames, float[][] out)
            throws IOException {
        int perPart = PART_BYTES / format.frameBytes();
        for (int done = 0; done < frames; done += perPart) {
            int n = Math.min(perPart, frames - done);
            ByteBuffer b =
                    bytes(
                            channel,
                            start + (long) done * format.frameBytes(),
                            n * format.frameBytes());
            for (int i = 0; i < n; i++) {
                for (float[] c : out) {
                    float x = sample(b, format);
                    if (!Float.isFinite(x)) {
                        return done + i;
                    }
                    c[done + i] = x;
                }
            }
        }
        return frames;
    }

    private static float sample(ByteBuffer b, Format format) {
        if (format.coding() == FLOAT) {
            return format.bits() == 32 ? b.getFloat() : (float) b.getDouble();
        }
        return switch (format.bits()) {
            case 8 -> ((b.get() & 0xFF) - 128) / 128f;
            case 16 -> b.getShort() / 32768f;
            case 24 -> ((b.get() & 0xFF) | ((b.get() & 0xFF) << 8) | (b.get() << 16)) / 8388608f;
            default -> (float) (b.getInt() / 2147483648.0);
        };
    }

    private static ByteBuffer bytes(FileChannel channel, long at, int count) throws IOException {
        ByteBuffer b = ByteBuffer.allocate(count).order(ByteOrder.LITTLE_ENDIAN);
        int got = 0;
        while (b.hasRemaining() && got >= 0) {
            got = channel.read(b, at + b.position());
        }
        return b.flip();
    }

    private static String id(ByteBuffer b) {
        byte[] four = new byte[Math.min(4, b.remaining())];
        b.get(four);
        return new String(four, StandardCharsets.ISO_8859_1);
    }
}
