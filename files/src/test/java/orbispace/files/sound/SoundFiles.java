package orbispace.files.sound;

import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;

/** Sound files made byte by byte after their specifications, for tests. */
public final class SoundFiles {
    private SoundFiles() {}

    static byte[] ascii(String text) {
        return text.getBytes(StandardCharsets.US_ASCII);
    }

    /** AIFF or, with a type of coding, AIFC; sample bytes as given. */
    public static byte[] aiff(int channels, int bits, int rate, String type, byte[] samples) {
        int frames = samples.length / channels / ((bits + 7) / 8);
        boolean plain = type.isEmpty();
        ByteBuffer b = ByteBuffer.allocate(200 + samples.length).order(ByteOrder.BIG_ENDIAN);
        b.put(ascii("FORM")).putInt(0).put(ascii(plain ? "AIFF" : "AIFC"));
        b.put(ascii("odd!")).putInt(3).put(new byte[] {1, 2, 3, 0});
        b.put(ascii("COMM")).putInt(plain ? 18 : 24).putShort((short) channels).putInt(frames);
        b.putShort((short) bits);
        // 80-bit extended: the exponent counts from 16383, the leading one is written.
        int exponent = 31 - Integer.numberOfLeadingZeros(rate);
        b.putShort((short) (16383 + exponent)).putLong((long) rate << (63 - exponent));
        if (!plain) {
            b.put(ascii(type)).put(new byte[] {0, 0});
        }
        b.put(ascii("SSND")).putInt(8 + samples.length).putInt(0).putInt(0).put(samples);
        return java.util.Arrays.copyOf(b.array(), b.position());
    }

    /** An RF64 file of 16-bit samples whose sizes stand in its ds64 chunk. */
    public static byte[] rf64(int rate, short[] samples, long promisedBytes) {
        ByteBuffer b = ByteBuffer.allocate(200 + 2 * samples.length).order(ByteOrder.LITTLE_ENDIAN);
        b.put(ascii("RF64")).putInt(-1).put(ascii("WAVE"));
        b.put(ascii("ds64")).putInt(28).putLong(0).putLong(promisedBytes).putLong(0).putInt(0);
        b.put(ascii("fmt ")).putInt(16).putShort((short) 1).putShort((short) 1);
        b.putInt(rate).putInt(2 * rate).putShort((short) 2).putShort((short) 16);
        b.put(ascii("data")).putInt(-1);
        for (short s : samples) {
            b.putShort(s);
        }
        return java.util.Arrays.copyOf(b.array(), b.position());
    }

    /** A FLAC stream of verbatim subframes, 48 kHz and 16 bits, blocks of 256 frames. */
    public static byte[] flac(short[][] channels, long promisedFrames) {
        Bits out = new Bits();
        out.bytes.writeBytes(ascii("fLaC"));
        out.put(0x80, 8).put(34, 24).put(256, 16).put(256, 16).put(0, 24).put(0, 24);
        out.put(48000, 20).put(channels.length - 1, 3).put(15, 5).put(promisedFrames, 36);
        out.bytes.writeBytes(md5(channels));
        for (int block = 0; block * 256 < channels[0].length; block++) {
            frame(out, channels, block);
        }
        return out.bytes.toByteArray();
    }

    private static byte[] md5(short[][] channels) {
        ByteBuffer b =
                ByteBuffer.allocate(2 * channels.length * channels[0].length)
                        .order(ByteOrder.LITTLE_ENDIAN);
        for (int i = 0; i < channels[0].length; i++) {
            for (short[] channel : channels) {
                b.putShort(channel[i]);
            }
        }
        try {
            return java.security.MessageDigest.getInstance("MD5").digest(b.array());
        } catch (java.security.NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    private static void frame(Bits out, short[][] channels, int block) {
        int frames = Math.min(256, channels[0].length - block * 256);
        int start = out.bytes.size();
        // Sync, fixed blocks; block size in 16 bits after the number, rate from the header.
        out.put(0b11111111111110, 14).put(0, 2).put(7, 4).put(0, 4);
        out.put(channels.length - 1, 4).put(4, 3).put(0, 1).put(block, 8).put(frames - 1, 16);
        out.put(crc(out.bytes.toByteArray(), start, 8, 0x07), 8);
        for (short[] channel : channels) {
            out.put(0b00000010, 8);
            for (int i = 0; i < frames; i++) {
                out.put(channel[block * 256 + i] & 0xFFFF, 16);
            }
        }
        out.put(crc(out.bytes.toByteArray(), start, 16, 0x8005), 16);
    }

    private static int crc(byte[] bytes, int from, int width, int polynomial) {
        int crc = 0;
        for (int i = from; i < bytes.length; i++) {
            crc ^= (bytes[i] & 0xFF) << (width - 8);
            for (int k = 0; k < 8; k++) {
                boolean top = (crc >> (width - 1) & 1) == 1;
                crc = (crc << 1 ^ (top ? polynomial : 0)) & ((1 << width) - 1);
            }
        }
        return crc;
    }

    /** Bits, the most significant first. */
    private static final class Bits {
        final ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        private int held;
        private int count;

        Bits put(long value, int width) {
            for (int i = width - 1; i >= 0; i--) {
                held = held << 1 | (int) (value >> i & 1);
                if (++count == 8) {
                    bytes.write(held);
                    held = 0;
                    count = 0;
                }
            }
            return this;
        }
    }
}
