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
 * The chunks of AIFF files (8 to 32-bit integer) and of AIFC files without compression (integer of
 * either byte order, 32 and 64-bit float).
 */
final class AiffReader {
    private AiffReader() {}

    private record Common(PcmFormat format, long frames) {}

    static ReadSound parse(Path file, FileChannel channel, Taking taking) throws IOException {
        ByteBuffer form = Chunks.bytes(channel, 0, 12);
        String kind = form.remaining() < 12 ? "" : Chunks.id(form.position(8));
        if (!kind.equals("AIFF") && !kind.equals("AIFC")) {
            throw new FileProblem(file + ": is not an AIFF file; export the stem as WAV or AIFF");
        }
        @Nullable Common common = null;
        long soundAt = -1;
        long soundBytes = 0;
        long at = 12;
        while (at + 8 <= channel.size()) {
            ByteBuffer head = Chunks.bytes(channel, at, 8).order(ByteOrder.BIG_ENDIAN);
            String id = Chunks.id(head);
            long size = head.getInt() & 0xFFFFFFFFL;
            if (id.equals("COMM")) {
                common = common(file, Chunks.bytes(channel, at + 8, (int) Math.min(size, 22)));
            } else if (id.equals("SSND")) {
                ByteBuffer offset = Chunks.bytes(channel, at + 8, 4).order(ByteOrder.BIG_ENDIAN);
                long skip = offset.getInt() & 0xFFFFFFFFL;
                soundAt = at + 16 + skip;
                soundBytes = size - 8 - skip;
            }
            at += 8 + size + (size & 1);
        }
        if (common == null || soundAt < 0) {
            throw new FileProblem(file + ": holds no sound; export it again");
        }
        PcmFormat format = common.format();
        long promised = Math.max(soundBytes, common.frames() * format.frameBytes());
        return PcmData.read(file, channel, soundAt, promised, format, taking, OptionalLong.empty());
    }

    private static Common common(Path file, ByteBuffer b) throws FileProblem {
        b.order(ByteOrder.BIG_ENDIAN);
        int channels = b.getShort() & 0xFFFF;
        long frames = b.getInt() & 0xFFFFFFFFL;
        int bits = b.getShort() & 0xFFFF;
        double rate = extended(b);
        String coded = b.remaining() >= 4 ? Chunks.id(b) : "NONE";
        boolean integer = bits >= 1 && bits <= 32;
        boolean known =
                switch (coded) {
                    case "NONE", "twos", "sowt" -> integer;
                    case "in24" -> bits == 24;
                    case "in32" -> bits == 32;
                    case "raw " -> bits == 8;
                    case "fl32", "FL32" -> bits == 32;
                    case "fl64", "FL64" -> bits == 64;
                    default -> false;
                };
        PcmFormat.require(
                file,
                channels,
                rate,
                "type \"" + coded.strip() + "\" with " + bits + " bits",
                known);
        PcmFormat.Coding samples =
                switch (coded) {
                    case "fl32", "FL32", "fl64", "FL64" -> PcmFormat.Coding.FLOAT;
                    case "raw " -> PcmFormat.Coding.UNSIGNED;
                    default -> PcmFormat.Coding.SIGNED;
                };
        ByteOrder order = coded.equals("sowt") ? ByteOrder.LITTLE_ENDIAN : ByteOrder.BIG_ENDIAN;
        return new Common(
                new PcmFormat(samples, channels, (int) Math.round(rate), bits, order), frames);
    }

    /** A number of 80 bits: sign and exponent of 16, then 64 with the leading one written out. */
    private static double extended(ByteBuffer b) {
        int exponent = b.getShort() & 0x7FFF;
        long mantissa = b.getLong();
        double high = (mantissa >>> 32) * 4294967296.0;
        return Math.scalb(high + (mantissa & 0xFFFFFFFFL), exponent - 16383 - 63);
    }
}
