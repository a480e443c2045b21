package orbispace.app.listen;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.RandomAccessFile;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** Keeps time like the silent output and writes what it would have played to a WAV file. */
final class Tape implements Output {
    private static final Logger LOG = LoggerFactory.getLogger(Tape.class);
    private static final int HEADER = 44;

    private final Path file;
    private final Output clock;
    private final double sampleRateHz;
    private final OutputStream out;
    private long bytes;
    private boolean broken;

    Tape(Path file, Output clock, double sampleRateHz) throws IOException {
        this.file = file;
        this.clock = clock;
        this.sampleRateHz = sampleRateHz;
        out = new BufferedOutputStream(Files.newOutputStream(file), 1 << 16);
        out.write(header(0));
    }

    private byte[] header(long data) {
        int rate = (int) sampleRateHz;
        ByteBuffer b = ByteBuffer.allocate(HEADER).order(ByteOrder.LITTLE_ENDIAN);
        b.put(ascii("RIFF")).putInt((int) (HEADER - 8 + data)).put(ascii("WAVEfmt ")).putInt(16);
        b.putShort((short) 1).putShort((short) 2).putInt(rate).putInt(4 * rate);
        b.putShort((short) 4).putShort((short) 16).put(ascii("data")).putInt((int) data);
        return b.array();
    }

    private static byte[] ascii(String text) {
        return text.getBytes(StandardCharsets.US_ASCII);
    }

    @Override
    public String name() {
        return "tape";
    }

    @Override
    public double sampleRateHz() {
        return sampleRateHz;
    }

    @Override
    public boolean write(byte[] block, int count) {
        clock.write(block, count);
        if (broken) {
            return true;
        }
        try {
            out.write(block, 0, count);
            bytes += count;
        } catch (IOException e) {
            broken = true;
            LOG.warn("the tape {} broke: {}", file, e.toString());
        }
        return true;
    }

    @Override
    public void close() {
        clock.close();
        try {
            out.close();
            try (RandomAccessFile whole = new RandomAccessFile(file.toFile(), "rw")) {
                whole.write(header(bytes));
            }
        } catch (IOException e) {
            LOG.warn("the tape {} is not whole: {}", file, e.toString());
        }
    }
}
