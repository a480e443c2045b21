package orbispace.files.sound;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;

/** Bytes of files that are made of chunks. */
public final class Chunks {
    private Chunks() {}

    /** Up to {@code count} bytes from a place, little-endian; fewer where the file ends. */
    public static ByteBuffer bytes(FileChannel channel, long at, int count) throws IOException {
        ByteBuffer b = ByteBuffer.allocate(count).order(ByteOrder.LITTLE_ENDIAN);
        int got = 0;
        while (b.hasRemaining() && got >= 0) {
            got = channel.read(b, at + b.position());
        }
        return b.flip();
    }

    /** The next four bytes as letters. */
    public static String id(ByteBuffer b) {
        byte[] four = new byte[Math.min(4, b.remaining())];
        b.get(four);
        return new String(four, StandardCharsets.ISO_8859_1);
    }
}
