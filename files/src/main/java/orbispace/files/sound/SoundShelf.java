package orbispace.files.sound;

import java.io.IOException;
import java.lang.ref.Cleaner;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.concurrent.atomic.AtomicLong;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import orbispace.core.audio.Audio;

/**
 * Puts sounds on the disk that would fill the memory: resampled or unpacked stems, and prints. What
 * lies there is gone when the program ends, or when nobody holds it any more.
 */
public final class SoundShelf {
    private static final int PART_FRAMES = 1 << 14;

    /** What is shorter stays in memory: 4 MB of stereo. */
    private static final int LEAST_FRAMES = 1 << 19;

    private static final AtomicLong NAMES = new AtomicLong();
    private static final Pattern NAME = Pattern.compile("(\\d{1,18})-\\d+\\.sound");
    private static final Cleaner CLEANER = Cleaner.create();

    private SoundShelf() {}

    /**
     * The same sound, stored; the very same if it is short, stored already, or if the disk does not
     * take it.
     */
    public static Audio lay(Audio audio) {
        if (audio.samples().isPresent() || audio.frames() < LEAST_FRAMES) {
            return audio;
        }
        try {
            Path folder = folder();
            Files.createDirectories(folder);
            Path file =
                    folder.resolve(
                            ProcessHandle.current().pid()
                                    + "-"
                                    + NAMES.incrementAndGet()
                                    + ".sound");
            PcmFormat format =
                    new PcmFormat(
                            PcmFormat.Coding.FLOAT,
                            audio.channelCount(),
                            (int) Math.round(audio.sampleRateHz()),
                            32,
                            ByteOrder.nativeOrder());
            file.toFile().deleteOnExit();
            try (FileChannel channel =
                    FileChannel.open(
                            file, StandardOpenOption.CREATE_NEW, StandardOpenOption.WRITE)) {
                write(channel, audio);
            }
            StoredPcm stored = new StoredPcm(file, 0, format, audio.frames());
            CLEANER.register(stored, () -> delete(file));
            return Audio.stored(audio.sampleRateHz(), stored);
        } catch (IOException e) {
            return audio;
        }
    }

    /** Deletes what a program that was stopped hard has left lying. */
    public static void sweep() {
        sweep(folder());
    }

    static void sweep(Path folder) {
        try (Stream<Path> left = Files.list(folder)) {
            left.filter(SoundShelf::isOrphan).forEach(SoundShelf::delete);
        } catch (IOException | java.io.UncheckedIOException e) {
            // There is no shelf yet.
        }
    }

    private static boolean isOrphan(Path file) {
        Matcher name = NAME.matcher(String.valueOf(file.getFileName()));
        return name.matches() && ProcessHandle.of(Long.parseLong(name.group(1))).isEmpty();
    }

    private static void delete(Path file) {
        try {
            Files.deleteIfExists(file);
        } catch (IOException e) {
            // Swept away by the next program that starts.
        }
    }

    private static Path folder() {
        String temporary = System.getProperty("java.io.tmpdir", ".");
        return Path.of(System.getProperty("orbispace.shelf", temporary));
    }

    private static void write(FileChannel channel, Audio audio) throws IOException {
        int channels = audio.channelCount();
        float[] left = new float[PART_FRAMES];
        float[] right = new float[PART_FRAMES];
        float[] frames = new float[channels * PART_FRAMES];
        ByteBuffer part =
                ByteBuffer.allocateDirect(4 * channels * PART_FRAMES)
                        .order(ByteOrder.nativeOrder());
        for (int at = 0; at < audio.frames(); at += PART_FRAMES) {
            int n = Math.min(PART_FRAMES, audio.frames() - at);
            audio.read(at, n, left, right);
            for (int i = 0; i < n; i++) {
                frames[channels * i] = left[i];
                if (channels == 2) {
                    frames[2 * i + 1] = right[i];
                }
            }
            part.clear();
            part.asFloatBuffer().put(frames, 0, channels * n);
            part.limit(4 * channels * n);
            while (part.hasRemaining()) {
                channel.write(part);
            }
        }
    }
}
