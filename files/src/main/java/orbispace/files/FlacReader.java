package orbispace.files;

import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalLong;
import org.jflac.FLACDecoder;
import org.jflac.frame.Frame;
import org.jflac.metadata.StreamInfo;
import org.jspecify.annotations.Nullable;

/** FLAC files of 4 to 24 bits; what follows a damaged frame is not used. */
final class FlacReader {
    private static final int MOST_FRAMES = 1 << 28;

    private FlacReader() {}

    static ReadSound parse(Path file, boolean salvage) throws IOException {
        try (InputStream in = new BufferedInputStream(Files.newInputStream(file), 1 << 16)) {
            return decode(file, new FLACDecoder(in), salvage);
        } catch (FileProblem e) {
            throw e;
        } catch (IOException | RuntimeException e) {
            // The decoder meets damage with whatever exception it runs into.
            throw new FileProblem(file + ": is not a whole FLAC file; export it again", e);
        }
    }

    private static ReadSound decode(Path file, FLACDecoder decoder, boolean salvage)
            throws IOException {
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
        List<List<float[]>> blocks = new ArrayList<>();
        for (int c = 0; c < channels; c++) {
            blocks.add(new ArrayList<>());
        }
        long promised = info.getTotalSamples();
        long frames = decode(file, decoder, channels, (float) Math.scalb(1.0, 1 - bits), blocks);
        float[][] out = new float[channels][];
        for (int c = 0; c < channels; c++) {
            out[c] = joined(blocks.get(c), (int) frames);
        }
        // A stream of unknown length promises nothing, but a damaged frame tells that more came.
        long expected = decoder.getBadFrames() > 0 ? Math.max(promised, frames + 1) : promised;
        return PcmData.usable(
                file,
                out,
                (int) frames,
                (double) expected,
                info.getSampleRate(),
                salvage,
                OptionalLong.empty());
    }

    private static long decode(
            Path file, FLACDecoder decoder, int channels, float scale, List<List<float[]>> blocks)
            throws IOException {
        long frames = 0;
        @Nullable Frame frame = next(decoder);
        while (frame != null && decoder.getBadFrames() == 0) {
            int size = frame.header.blockSize;
            if (frame.header.channels != channels || frames + size > MOST_FRAMES) {
                throw new FileProblem(
                        file + ": is longer than can be held, or changes its channels");
            }
            for (int c = 0; c < channels; c++) {
                int[] samples = decoder.getChannelData()[c].getOutput();
                float[] block = new float[size];
                for (int i = 0; i < size; i++) {
                    block[i] = samples[i] * scale;
                }
                blocks.get(c).add(block);
            }
            frames += size;
            frame = next(decoder);
        }
        return frames;
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
