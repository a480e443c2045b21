package orbispace.files.sound;

import java.io.BufferedInputStream;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.EOFException;
import java.io.IOException;
import java.io.InputStream;
import java.io.SequenceInputStream;
import java.nio.file.Files;
import java.nio.file.Path;

/**
 * A FLAC file without what is not its sound: the block that describes the stream, and the frames.
 * Comments, pictures and tables are passed over by their lengths, never held: a damaged length in
 * them would ask for more memory than there is.
 *
 * @param sound what a decoder reads
 * @param checksum of all samples, as the describing block has it
 */
@SuppressWarnings("ArrayRecordComponent") // Never compared, and read once.
record FlacStream(InputStream sound, byte[] checksum) {
    private static final int MARK_BYTES = 4;
    private static final int HEADER_BYTES = 4;
    private static final int DESCRIPTION_BYTES = 34;
    private static final int CHECKSUM_AT = 18;
    private static final int MOST_BLOCKS = 10_000;
    private static final int TAG_BYTES = 10;

    /**
     * Opens a file.
     *
     * @throws IOException if it ends inside its header, or is no FLAC file
     */
    static FlacStream open(Path file) throws IOException {
        InputStream in = new BufferedInputStream(Files.newInputStream(file), 1 << 16);
        try {
            return open(in);
        } catch (IOException | RuntimeException e) {
            in.close();
            throw e;
        }
    }

    private static FlacStream open(InputStream in) throws IOException {
        byte[] mark = exactly(in, MARK_BYTES);
        while (mark[0] == 'I' && mark[1] == 'D' && mark[2] == '3') {
            byte[] tag = exactly(in, TAG_BYTES - MARK_BYTES);
            in.skipNBytes(
                    (tag[2] & 127) << 21
                            | (tag[3] & 127) << 14
                            | (tag[4] & 127) << 7
                            | (tag[5] & 127));
            mark = exactly(in, MARK_BYTES);
        }
        if (mark[0] != 'f' || mark[1] != 'L' || mark[2] != 'a' || mark[3] != 'C') {
            throw new IOException("no FLAC file");
        }
        byte[] description = null;
        boolean last = false;
        for (int block = 0; !last; block++) {
            byte[] header = exactly(in, HEADER_BYTES);
            int length = (header[1] & 255) << 16 | (header[2] & 255) << 8 | (header[3] & 255);
            last = header[0] < 0;
            if ((header[0] & 127) == 0 && length == DESCRIPTION_BYTES && description == null) {
                description = exactly(in, length);
            } else {
                in.skipNBytes(length);
            }
            if (block > MOST_BLOCKS) {
                throw new IOException("too many blocks before the sound");
            }
        }
        if (description == null) {
            throw new EOFException("nothing describes the stream");
        }
        ByteArrayOutputStream front = new ByteArrayOutputStream();
        front.write(mark);
        front.write(new byte[] {(byte) 128, 0, 0, DESCRIPTION_BYTES});
        front.write(description);
        return new FlacStream(
                new SequenceInputStream(new ByteArrayInputStream(front.toByteArray()), in),
                java.util.Arrays.copyOfRange(description, CHECKSUM_AT, DESCRIPTION_BYTES));
    }

    private static byte[] exactly(InputStream in, int count) throws IOException {
        byte[] bytes = in.readNBytes(count);
        if (bytes.length < count) {
            throw new EOFException("the file ends inside its header");
        }
        return bytes;
    }
}
