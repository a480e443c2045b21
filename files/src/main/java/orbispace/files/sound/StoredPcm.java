package orbispace.files.sound;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.channels.ClosedByInterruptException;
import java.nio.channels.ClosedChannelException;
import java.nio.channels.FileChannel;
import java.nio.file.Path;
import java.util.concurrent.CancellationException;
import orbispace.core.audio.Samples;
import orbispace.files.FileProblem;

/**
 * Plain samples that are read from their file when they are wanted. The file stays open; if it
 * becomes shorter than it was, reading it is refused.
 */
final class StoredPcm implements Samples {
    private static final int PART_BYTES = 1 << 16;

    private static final ThreadLocal<ByteBuffer> PART =
            ThreadLocal.withInitial(() -> ByteBuffer.allocateDirect(PART_BYTES));

    private static final ThreadLocal<byte[]> NEAR =
            ThreadLocal.withInitial(() -> new byte[PcmFormat.MOST_NEAR_BYTES]);

    private final Path file;
    private final long start;
    private final PcmFormat format;
    private final int frames;
    private volatile FileChannel channel;

    /**
     * The samples of a file of one or two channels.
     *
     * @param start where its samples begin
     */
    StoredPcm(Path file, long start, PcmFormat format, int frames) throws IOException {
        this.file = file;
        this.start = start;
        this.format = format;
        this.frames = frames;
        channel = FileChannel.open(file);
    }

    @Override
    public int channels() {
        return format.channels();
    }

    @Override
    public int frames() {
        return frames;
    }

    @Override
    public void read(int from, int count, float[] left, float[] right, int at) {
        int frameBytes = format.frameBytes();
        int most = PART_BYTES / frameBytes;
        ByteBuffer part = PART.get();
        byte[] near = NEAR.get();
        for (int done = 0; done < count; done += most) {
            int n = Math.min(most, count - done);
            part.clear().limit(n * frameBytes).order(format.order());
            fill(part, start + (long) (from + done) * frameBytes);
            format.decode(part, near, left, right, at + done, n);
        }
    }

    private void fill(ByteBuffer part, long place) {
        boolean reopened = false;
        while (part.hasRemaining()) {
            try {
                if (channel.read(part, place + part.position()) < 0) {
                    throw lost(
                            new FileProblem(
                                    file
                                            + ": has become shorter than it was; open the song"
                                            + " again"));
                }
            } catch (ClosedByInterruptException e) {
                reopen();
                throw new CancellationException("interrupted");
            } catch (ClosedChannelException e) {
                if (reopened) {
                    throw lost(FileProblem.reading(file, e));
                }
                reopen();
                reopened = true;
            } catch (IOException e) {
                throw lost(FileProblem.reading(file, e));
            }
        }
    }

    private static UncheckedIOException lost(FileProblem problem) {
        return new UncheckedIOException(problem.getMessage(), problem);
    }

    private synchronized void reopen() {
        if (!channel.isOpen()) {
            try {
                channel = FileChannel.open(file);
            } catch (IOException e) {
                throw lost(FileProblem.reading(file, e));
            }
        }
    }
}
