package orbispace.files.sheet;

import java.io.ByteArrayOutputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.util.zip.DataFormatException;
import java.util.zip.Inflater;

/**
 * Unpacks a font of the Web Open Font Format 1.0 (W3C Recommendation, 2012) into the TrueType file
 * that it wraps, for programs that read no other.
 */
final class WoffFont {
    private static final int SIGNATURE = 0x774F4646;
    private static final int HEADER = 44;
    private static final int ENTRY = 20;
    private static final int OUT_HEADER = 12;
    private static final int OUT_ENTRY = 16;

    private WoffFont() {}

    /**
     * The wrapped font.
     *
     * @throws IOException if it is not such a font, or damaged
     */
    static byte[] toTrueType(byte[] woff) throws IOException {
        ByteBuffer in = ByteBuffer.wrap(woff);
        if (woff.length < HEADER || in.getInt(0) != SIGNATURE) {
            throw new IOException("not a WOFF font");
        }
        int tables = in.getShort(12);
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        DataOutputStream out = new DataOutputStream(bytes);
        out.writeInt(in.getInt(4));
        int largest = Integer.highestOneBit(tables);
        out.writeShort(tables);
        out.writeShort(16 * largest);
        out.writeShort(Integer.numberOfTrailingZeros(largest));
        out.writeShort(16 * (tables - largest));
        int at = OUT_HEADER + OUT_ENTRY * tables;
        for (int t = 0; t < tables; t++) {
            int entry = HEADER + ENTRY * t;
            int length = in.getInt(entry + 12);
            out.writeInt(in.getInt(entry));
            out.writeInt(in.getInt(entry + 16));
            out.writeInt(at);
            out.writeInt(length);
            at += padded(length);
        }
        for (int t = 0; t < tables; t++) {
            int entry = HEADER + ENTRY * t;
            byte[] table =
                    table(woff, in.getInt(entry + 4), in.getInt(entry + 8), in.getInt(entry + 12));
            out.write(table);
            out.write(new byte[padded(table.length) - table.length]);
        }
        return bytes.toByteArray();
    }

    private static int padded(int length) {
        return (length + 3) / 4 * 4;
    }

    private static byte[] table(byte[] woff, int offset, int packed, int length)
            throws IOException {
        if (offset < 0 || packed < 0 || length < packed || (long) offset + packed > woff.length) {
            throw new IOException("a table of the font lies outside it");
        }
        byte[] table = new byte[length];
        if (packed == length) {
            System.arraycopy(woff, offset, table, 0, length);
            return table;
        }
        Inflater inflater = new Inflater();
        try {
            inflater.setInput(woff, offset, packed);
            if (inflater.inflate(table) != length) {
                throw new IOException("a table of the font is cut");
            }
            return table;
        } catch (DataFormatException e) {
            throw new IOException("a table of the font is damaged", e);
        } finally {
            inflater.end();
        }
    }
}
