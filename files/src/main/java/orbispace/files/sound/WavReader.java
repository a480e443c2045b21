package orbispace.files.sound;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.channels.FileChannel;
import java.nio.file.Path;
import java.util.OptionalLong;
import orbispace.files.FileProblem;
import org.jspecify.annotations.Nullable;

/**
 * The chunks of WAV files: 8, 16, 24 and 32-bit integer, 32 and 64-bit float, plain or extensible,
 * RIFF or RF64 (EBU Tech 3306), with the time stamp of a BWF (EBU Tech 3285).
 */
final class WavReader {
    private static final int PCM = 1;
    private static final int FLOAT = 3;
    private static final int EXTENSIBLE = 0xFFFE;
    private static final long UNKNOWN_SIZE = 0xFFFFFFFFL;
    private static final int TIME_REFERENCE_AT = 338;

    private WavReader() {}

    static ReadSound parse(Path file, FileChannel channel, Taking taking) throws IOException {
        ByteBuffer riff = Chunks.bytes(channel, 0, 12);
        if (riff.remaining() < 12 || !Chunks.id(riff.position(8)).equals("WAVE")) {
            throw new FileProblem(file + ": is not a WAV file; export the stem as WAV");
        }
        @Nullable PcmFormat format = null;
        OptionalLong timeReference = OptionalLong.empty();
        long dataBytes = UNKNOWN_SIZE;
        long at = 12;
        while (at + 8 <= channel.size()) {
            ByteBuffer head = Chunks.bytes(channel, at, 8);
            String id = Chunks.id(head);
            long size = head.getInt() & 0xFFFFFFFFL;
            switch (id) {
                case "ds64" -> dataBytes = Chunks.bytes(channel, at + 8, 16).getLong(8);
                case "bext" -> timeReference = timeReference(channel, at + 8, size);
                case "fmt " ->
                        format =
                                format(
                                        file,
                                        Chunks.bytes(channel, at + 8, (int) Math.min(size, 40)));
                case "data" -> {
                    if (format == null) {
                        throw new FileProblem(
                                file + ": has sound before its format; export it again");
                    }
                    return PcmData.read(
                            file,
                            channel,
                            at + 8,
                            promised(size, dataBytes, channel.size() - at - 8),
                            format,
                            taking,
                            timeReference);
                }
                default -> {}
            }
            at += 8 + size + (size & 1);
        }
        throw new FileProblem(file + ": holds no sound; export it again");
    }

    /**
     * A size of all ones stands for that in the ds64 chunk, or where there is none for the rest.
     */
    private static long promised(long size, long dataBytes, long rest) {
        if (size != UNKNOWN_SIZE) {
            return size;
        }
        return dataBytes == UNKNOWN_SIZE || dataBytes < 0 ? rest : dataBytes;
    }

    private static OptionalLong timeReference(FileChannel channel, long at, long size)
            throws IOException {
        if (size < TIME_REFERENCE_AT + 8) {
            return OptionalLong.empty();
        }
        ByteBuffer b = Chunks.bytes(channel, at + TIME_REFERENCE_AT, 8);
        return b.remaining() < 8 ? OptionalLong.empty() : OptionalLong.of(b.getLong());
    }

    private static PcmFormat format(Path file, ByteBuffer b) throws FileProblem {
        int coding = b.getShort() & 0xFFFF;
        int channels = b.getShort() & 0xFFFF;
        int rate = b.getInt();
        b.position(14);
        int bits = b.getShort() & 0xFFFF;
        if (coding == EXTENSIBLE && b.limit() >= 26) {
            coding = b.getShort(24) & 0xFFFF;
        }
        boolean known =
                (coding == PCM && (bits == 8 || bits == 16 || bits == 24 || bits == 32))
                        || (coding == FLOAT && (bits == 32 || bits == 64));
        PcmFormat.require(
                file, channels, rate, "type " + coding + " with " + bits + " bits", known);
        PcmFormat.Coding whole = bits == 8 ? PcmFormat.Coding.UNSIGNED : PcmFormat.Coding.SIGNED;
        PcmFormat.Coding samples = coding == FLOAT ? PcmFormat.Coding.FLOAT : whole;
        return new PcmFormat(samples, channels, rate, bits, ByteOrder.LITTLE_ENDIAN);
    }
}
