package orbispace.files.sound;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.OptionalLong;
import orbispace.core.audio.Audio;
import orbispace.core.words.Wording;
import orbispace.files.FileProblem;
import org.jspecify.annotations.Nullable;

/** Plain samples of a file, and what is usable of them. */
final class PcmData {
    private static final int PART_BYTES = 1 << 20;

    private PcmData() {}

    /**
     * Decodes the samples of a file.
     *
     * @param start where they begin
     * @param promised how many bytes the file says they are
     */
    static ReadSound read(
            Path file,
            FileChannel channel,
            long start,
            long promised,
            PcmFormat format,
            Taking taking,
            OptionalLong timeReference)
            throws IOException {
        long held = Math.max(0, Math.min(promised, channel.size() - start));
        int frames = (int) Math.min(Integer.MAX_VALUE - 16, held / format.frameBytes());
        double wanted = promised / (double) format.frameBytes();
        if (taking == Taking.IN_PLACE && format.channels() <= 2 && frames > 0) {
            int usable = usable(channel, start, format, frames);
            String fault = fault(frames, usable, wanted, format.rate());
            if (fault != null) {
                throw unusable(file, fault, usable / (double) format.rate());
            }
            StoredPcm stored = new StoredPcm(file, start, format, frames);
            return new ReadSound(Audio.stored(format.rate(), stored), null, null, timeReference);
        }
        float[][] out = new float[format.channels()][frames];
        int usable = decode(channel, start, format, frames, out);
        boolean salvage = taking == Taking.SALVAGED;
        return usable(file, out, usable, wanted, format.rate(), salvage, timeReference);
    }

    /** How many frames come before the first that is not a number; only floats can be none. */
    private static int usable(FileChannel channel, long start, PcmFormat format, int frames)
            throws IOException {
        if (format.coding() != PcmFormat.Coding.FLOAT) {
            return frames;
        }
        int perPart = PART_BYTES / format.frameBytes();
        float[][] part = new float[format.channels()][perPart];
        for (int done = 0; done < frames; done += perPart) {
            int n = Math.min(perPart, frames - done);
            long at = start + (long) done * format.frameBytes();
            int fine = decode(channel, at, format, n, part);
            if (fine < n) {
                return done + fine;
            }
        }
        return frames;
    }

    /** What is wrong with samples; nothing if all that is promised is there. */
    private static @Nullable String fault(int frames, int usable, double promised, int rate) {
        if (usable < frames) {
            return Wording.format(
                    "holds a sample that is not a number at %.3f s", usable / (double) rate);
        }
        return frames < Math.floor(promised)
                ? Wording.format(
                        "promises %.3f s of sound but holds %.3f s",
                        promised / rate, frames / (double) rate)
                : null;
    }

    private static FileProblem unusable(Path file, String fault, double seconds) {
        return new FileProblem(
                Wording.format(
                        "%s: %s; %.3f s are usable (--salvage takes them), or export it again",
                        file, fault, seconds));
    }

    /**
     * Makes a sound of decoded channels, or says what is wrong with them.
     *
     * @param out the channels
     * @param usable how many frames are before the first that is not a number
     * @param promised how many frames the file says it holds
     */
    static ReadSound usable(
            Path file,
            float[][] out,
            int usable,
            double promised,
            int rate,
            boolean salvage,
            OptionalLong timeReference)
            throws FileProblem {
        int frames = out[0].length;
        String fault = fault(frames, usable, promised, rate);
        if (fault != null && (!salvage || usable == 0)) {
            throw unusable(file, fault, usable / (double) rate);
        }
        if (frames == 0) {
            throw new FileProblem(file + ": holds no sound; export it again");
        }
        Audio first = Audio.of(rate, shared(out.length > 2 ? Arrays.copyOf(out, 2) : out));
        Audio second = out.length > 2 ? Audio.of(rate, out[2], out[3]) : null;
        return new ReadSound(
                usable < frames ? first.slice(0, usable) : first,
                second != null && usable < frames ? second.slice(0, usable) : second,
                words(file, fault, usable / (double) rate),
                timeReference);
    }

    private static @Nullable String words(Path file, @Nullable String fault, double seconds) {
        return fault == null ? null : Wording.format("%s: %s; using %.3f s", file, fault, seconds);
    }

    /** Two channels that are the same share their memory. */
    private static float[][] shared(float[][] channels) {
        return channels.length == 2 && Arrays.equals(channels[0], channels[1])
                ? new float[][] {channels[0], channels[0]}
                : channels;
    }

    /** Decodes frames; returns how many came before the first that is not a number. */
    private static int decode(
            FileChannel channel, long start, PcmFormat format, int frames, float[][] out)
            throws IOException {
        int perPart = PART_BYTES / format.frameBytes();
        for (int done = 0; done < frames; done += perPart) {
            int n = Math.min(perPart, frames - done);
            ByteBuffer b =
                    Chunks.bytes(
                                    channel,
                                    start + (long) done * format.frameBytes(),
                                    n * format.frameBytes())
                            .order(format.order());
            for (int i = 0; i < n; i++) {
                for (float[] c : out) {
                    float x = format.sample(b);
                    if (!Float.isFinite(x)) {
                        return done + i;
                    }
                    c[done + i] = x;
                }
            }
        }
        return frames;
    }
}
