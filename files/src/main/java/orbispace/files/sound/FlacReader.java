package orbispace.files.sound;

import java.io.BufferedInputStream;
import java.io.EOFException;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.OptionalLong;
import orbispace.files.FileProblem;
import org.jflac.ChannelData;
import org.jflac.FLACDecoder;
import org.jflac.frame.Frame;
import org.jflac.metadata.StreamInfo;
import org.jspecify.annotations.Nullable;

/**
 * FLAC files of 4 to 24 bits; what follows a frame that cannot be read is not used, and a sound
 * that is not what its checksum says is refused.
 */
final class FlacReader {
    private static final int MOST_FRAMES = 1 << 28;

    private FlacReader() {}

    static ReadSound parse(Path file, boolean salvage) throws IOException {
        FlacStream stream = opened(file);
        try (InputStream in = new Ending(stream.sound())) {
            return decode(file, new FLACDecoder(in), stream.checksum(), salvage);
        } catch (FileProblem e) {
            throw e;
        } catch (IOException | RuntimeException e) {
            // The decoder meets damage with whatever exception it runs into.
            throw new FileProblem(file + ": is not a whole FLAC file; export it again", e);
        }
    }

    private static FlacStream opened(Path file) throws FileProblem {
        try {
            return FlacStream.open(file);
        } catch (EOFException e) {
            throw new FileProblem(file + ": ends inside its header; export it again", e);
        } catch (IOException e) {
            throw new FileProblem(file + ": is not a whole FLAC file; export it again", e);
        }
    }

    /** A stream whose end cannot be read over and over: the decoder would seek a frame for ever. */
    private static final class Ending extends BufferedInputStream {
        private static final int PATIENCE = 1000;
        private int readsPastEnd;

        Ending(InputStream in) {
            super(in, 1 << 16);
        }

        @Override
        public synchronized int read() throws IOException {
            return checked(super.read());
        }

        @Override
        public synchronized int read(byte[] into, int from, int count) throws IOException {
            return checked(super.read(into, from, count));
        }

        private int checked(int got) {
            if (got < 0 && ++readsPastEnd > PATIENCE) {
                throw new UncheckedIOException(new EOFException("nothing follows"));
            }
            return got;
        }
    }

    private static ReadSound decode(
            Path file, FLACDecoder decoder, byte[] checksum, boolean salvage) throws IOException {
        decoder.readMetadata();
        StreamInfo info = decoder.getStreamInfo();
        if (info == null) {
            throw new FileProblem(file + ": ends inside its header; export it again");
        }
        int channels = info.getChannels();
        int bits = info.getBitsPerSample();
        PcmFormat.require(
                file,
                channels,
                info.getSampleRate(),
                "FLAC with " + bits + " bits",
                bits >= 4 && bits <= 24);
        Sound sound = new Sound(channels, bits);
        decode(file, decoder, channels, sound);
        // A stream of unknown length promises nothing, but a damaged frame tells that more came.
        long promised = info.getTotalSamples();
        long frames = sound.frames;
        long expected = decoder.getBadFrames() > 0 ? Math.max(promised, frames + 1) : promised;
        ReadSound read =
                PcmData.usable(
                        file,
                        sound.channels(),
                        (int) frames,
                        (double) expected,
                        info.getSampleRate(),
                        salvage,
                        OptionalLong.empty());
        boolean whole = frames < expected || sound.matches(checksum);
        if (!whole && !salvage) {
            throw new FileProblem(
                    file
                            + ": is damaged, its sound is not what its checksum says; export it"
                            + " again (--salvage takes it as it is)");
        }
        return whole
                ? read
                : new ReadSound(
                        read.audio(),
                        read.second(),
                        file + ": is damaged; using it as it is",
                        read.timeReferenceFrames());
    }

    /** The sound as it is decoded, and the checksum of it (MD5 of interleaved samples). */
    private static final class Sound {
        final List<List<float[]>> blocks = new ArrayList<>();
        final int bytesPerSample;
        final float scale;
        final MessageDigest digest;
        long frames;

        Sound(int channels, int bits) {
            for (int c = 0; c < channels; c++) {
                blocks.add(new ArrayList<>());
            }
            bytesPerSample = (bits + 7) / 8;
            scale = (float) Math.scalb(1.0, 1 - bits);
            try {
                digest = MessageDigest.getInstance("MD5");
            } catch (NoSuchAlgorithmException e) {
                throw new IllegalStateException("every Java knows MD5", e);
            }
        }

        void add(ChannelData[] data, int size) {
            byte[] bytes = new byte[size * blocks.size() * bytesPerSample];
            for (int c = 0; c < blocks.size(); c++) {
                int[] samples = data[c].getOutput();
                float[] block = new float[size];
                for (int i = 0; i < size; i++) {
                    block[i] = samples[i] * scale;
                    int at = (i * blocks.size() + c) * bytesPerSample;
                    for (int k = 0; k < bytesPerSample; k++) {
                        bytes[at + k] = (byte) (samples[i] >> (8 * k));
                    }
                }
                blocks.get(c).add(block);
            }
            digest.update(bytes);
            frames += size;
        }

        float[][] channels() {
            return blocks.stream().map(b -> joined(b, (int) frames)).toArray(float[][]::new);
        }

        /** Whether the sound has a checksum; one of zeros stands for none. */
        boolean matches(byte[] checksum) {
            return Arrays.equals(checksum, new byte[checksum.length])
                    || Arrays.equals(checksum, digest.digest());
        }
    }

    private static void decode(Path file, FLACDecoder decoder, int channels, Sound sound)
            throws IOException {
        long promised = decoder.getStreamInfo().getTotalSamples();
        @Nullable Frame frame = next(decoder);
        while (frame != null && decoder.getBadFrames() == 0) {
            int size = frame.header.blockSize;
            if (frame.header.channels != channels || sound.frames + size > MOST_FRAMES) {
                throw new FileProblem(
                        file + ": is longer than can be held, or changes its channels");
            }
            sound.add(decoder.getChannelData(), size);
            // Beyond what the header promises the decoder would look at the same bytes for ever.
            frame = promised > 0 && sound.frames >= promised ? null : next(decoder);
        }
    }

    /** The next frame; none where the file ends or is damaged. */
    private static @Nullable Frame next(FLACDecoder decoder) {
        try {
            return decoder.readNextFrame();
        } catch (IOException | RuntimeException e) {
            return null;
        }
    }

    private static float[] joined(List<float[]> blocks, int frames) {
        float[] all = new float[frames];
        int at = 0;
        for (float[] block : blocks) {
            System.arraycopy(block, 0, all, at, block.length);
            at += block.length;
        }
        return all;
    }
}
