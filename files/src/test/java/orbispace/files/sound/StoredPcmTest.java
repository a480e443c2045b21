package orbispace.files.sound;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.Random;
import java.util.concurrent.CancellationException;
import java.util.stream.Stream;
import orbispace.core.audio.Audio;
import orbispace.files.FileProblem;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class StoredPcmTest {
    private static final int FRAMES = 70_000;

    @TempDir Path folder;

    private static Audio noise(int channels, int frames) {
        Random random = new Random(4);
        float[][] x = new float[channels][frames];
        for (float[] c : x) {
            for (int i = 0; i < frames; i++) {
                c[i] = random.nextFloat() - 0.5f;
            }
        }
        return Audio.of(44100, x);
    }

    @ParameterizedTest
    @CsvSource({
        "1, BITS_16",
        "2, BITS_16",
        "1, BITS_24",
        "2, BITS_24",
        "1, FLOAT_32",
        "2, FLOAT_32"
    })
    void whatStaysInItsFileIsReadAsWhatIsTakenWhole(int channels, WavWriter.Depth depth)
            throws IOException {
        Path file = folder.resolve("x.wav");
        WavWriter.print(file, noise(channels, FRAMES), depth, "x", 0);
        assertStoredAsWhole(file);
    }

    @ParameterizedTest
    @CsvSource({"8, ''", "16, sowt", "24, ''", "24, sowt", "32, fl32", "64, FL64"})
    void alsoOfAiff(int bits, String type) throws IOException {
        byte[] samples = new byte[40 * bits / 8 * 2];
        ByteBuffer b = ByteBuffer.wrap(samples).order(ByteOrder.BIG_ENDIAN);
        for (int i = 0; i < 80; i++) {
            switch (type) {
                case "fl32" -> b.putFloat(i / 100f);
                case "FL64" -> b.putDouble(i / 100.0);
                default ->
                        b.put(i * bits / 8, (byte) (i * 37))
                                .put(i * bits / 8 + bits / 16, (byte) i);
            }
        }
        Path file = folder.resolve("x.aif");
        Files.write(file, SoundFiles.aiff(2, bits, 48000, type, samples));
        assertStoredAsWhole(file);
    }

    private static void assertStoredAsWhole(Path file) throws IOException {
        Audio whole = SoundReader.read(file);
        Audio stored = SoundReader.inPlace(file).audio();
        assertThat(stored.samples()).isPresent();
        assertThat(stored.bytes()).isZero();
        assertThat(stored.channelCount()).isEqualTo(whole.channelCount());
        for (int c = 0; c < 2; c++) {
            assertThat(stored.channel(c)).isEqualTo(whole.channel(c));
        }
        float[][] part = new float[2][3000];
        stored.read(whole.frames() - 2000, 3000, part[0], part[1]);
        assertThat(part[1][1999]).isEqualTo(whole.channel(1)[whole.frames() - 1]);
        assertThat(part[1][2000]).isZero();
    }

    @Test
    void aThreadThatIsStoppedDoesNotTakeTheFileFromOthers() throws Exception {
        Path file = folder.resolve("x.wav");
        WavWriter.print(file, noise(2, FRAMES), WavWriter.Depth.BITS_24, "x", 0);
        Audio stored = SoundReader.inPlace(file).audio();
        float[][] part = new float[2][10];
        Thread.currentThread().interrupt();
        assertThatThrownBy(() -> stored.read(0, 10, part[0], part[1]))
                .isInstanceOf(CancellationException.class);
        assertThat(Thread.interrupted()).isTrue();
        stored.read(0, 10, part[0], part[1]);
        assertThat(part[0][3]).isEqualTo(SoundReader.read(file).channel(0)[3]);
    }

    @Test
    void aFileThatHasBecomeShorterIsRefusedInOneLine() throws IOException {
        Path file = folder.resolve("x.wav");
        WavWriter.print(file, noise(2, FRAMES), WavWriter.Depth.BITS_24, "x", 0);
        Audio stored = SoundReader.inPlace(file).audio();
        try (FileChannel cut = FileChannel.open(file, StandardOpenOption.WRITE)) {
            cut.truncate(3000);
        }
        assertThatThrownBy(() -> stored.channel(0))
                .hasMessageContaining("x.wav: has become shorter than it was");
    }

    @Test
    void aFloatThatIsNoNumberIsFoundWhereTheFileStays() throws IOException {
        float[] x = noise(1, FRAMES).channel(0).clone();
        x[60_000] = Float.NaN;
        Path file = folder.resolve("x.wav");
        WavWriter.print(file, Audio.of(44100, x), WavWriter.Depth.FLOAT_32, "x", 0);
        assertThatThrownBy(() -> SoundReader.inPlace(file))
                .isInstanceOf(FileProblem.class)
                .hasMessageContaining("not a number at 1.361 s; 1.361 s are usable");
    }

    @Test
    void theShelfGivesBackWhatWasLaidThere() {
        Audio longer = noise(2, 600_000);
        Audio laid = SoundShelf.lay(longer);
        assertThat(laid.samples()).isPresent();
        assertThat(laid.channel(1)).isEqualTo(longer.channel(1));
        assertThat(SoundShelf.lay(laid)).isSameAs(laid);
        Audio brief = noise(1, 1000);
        assertThat(SoundShelf.lay(brief)).isSameAs(brief);
    }

    @Test
    void contentIsTheSameForTheSameBytesAndReadAgainOnlyWhereAFileWasWritten() throws IOException {
        Path kept = folder.resolve("contents");
        Path one = Files.writeString(folder.resolve("one"), "tide in");
        Path same = Files.writeString(folder.resolve("same"), "tide in");
        Path other = Files.writeString(folder.resolve("other"), "tide on");
        System.setProperty("orbispace.contents", kept.toString());
        try {
            String content = StemContent.of(one);
            assertThat(StemContent.of(same)).isEqualTo(content);
            assertThat(StemContent.of(other)).isNotEqualTo(content);
            try (Stream<Path> files = Files.list(kept)) {
                for (Path file : files.toList()) {
                    Files.writeString(file, "known");
                }
            }
            assertThat(StemContent.of(one)).isEqualTo("known");
            Files.writeString(one, "tide out");
            assertThat(StemContent.of(one)).isNotEqualTo("known").isNotEqualTo(content);
        } finally {
            System.clearProperty("orbispace.contents");
        }
    }

    @Test
    void whatAProgramLeftThatIsGoneIsSweptAway() throws IOException {
        Path orphan = Files.writeString(folder.resolve("999999999-1.sound"), "left");
        Path stranger = Files.writeString(folder.resolve("notes.txt"), "mine");
        long alive = ProcessHandle.current().pid();
        Path used = Files.writeString(folder.resolve(alive + "-1.sound"), "used");
        SoundShelf.sweep(folder);
        assertThat(orphan).doesNotExist();
        assertThat(stranger).exists();
        assertThat(used).exists();
    }
}
