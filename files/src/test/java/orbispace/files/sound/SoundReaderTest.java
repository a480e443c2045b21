package orbispace.files.sound;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Random;
import orbispace.core.audio.Audio;
import orbispace.core.render.Job;
import orbispace.files.FileProblem;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class SoundReaderTest {
    @TempDir Path folder;

    private Path file(String name, byte[] bytes) throws IOException {
        return Files.write(folder.resolve(name), bytes);
    }

    private static short[] ramp(int frames, int step) {
        short[] x = new short[frames];
        for (int i = 0; i < frames; i++) {
            x[i] = (short) (i * step);
        }
        return x;
    }

    /** 0.5 and -0.25 in each coding. */
    @ParameterizedTest
    @CsvSource({
        "8, '', 40 E0",
        "16, '', 4000 E000",
        "24, NONE, 400000 E00000",
        "32, twos, 40000000 E0000000",
        "16, sowt, 0040 00E0",
        "24, sowt, 000040 0000E0",
        "24, in24, 400000 E00000",
        "32, in32, 40000000 E0000000",
        "8, 'raw ', C0 60",
        "32, fl32, 3F000000 BE800000",
        "64, FL64, 3FE0000000000000 BFD0000000000000",
        "12, '', 4000 E000",
    })
    void everyPlainCodingOfAiffIsRead(int bits, String type, String hex) throws IOException {
        byte[] samples = java.util.HexFormat.of().parseHex(hex.replace(" ", ""));
        Path aiff = file("x.aif", SoundFiles.aiff(1, bits, 44100, type, samples));
        Audio read = SoundReader.read(aiff);
        assertThat(read.sampleRateHz()).isEqualTo(44100);
        assertThat(read.channel(0)).containsExactly(0.5f, -0.25f);
    }

    @Test
    void compressedAndManyChannelledAiffIsRefusedInWords() throws IOException {
        Path packed = file("a.aifc", SoundFiles.aiff(1, 16, 44100, "ima4", new byte[8]));
        assertThatThrownBy(() -> SoundReader.read(packed)).hasMessageContaining("ima4");
        Path wide = file("b.aif", SoundFiles.aiff(6, 16, 44100, "", new byte[24]));
        assertThatThrownBy(() -> SoundReader.read(wide))
                .hasMessageContaining("6 channels")
                .hasMessageContaining("mono or stereo");
        byte[] whole = SoundFiles.aiff(1, 16, 48000, "", new byte[4800]);
        Path cut = file("c.aif", Arrays.copyOf(whole, whole.length - 2400));
        assertThatThrownBy(() -> SoundReader.read(cut))
                .hasMessageContaining("promises 0.050 s")
                .hasMessageContaining("0.025 s are usable");
        assertThat(SoundReader.read(cut, true).audio().frames()).isEqualTo(1200);
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 2})
    void flacIsReadToTheSample(int channels) throws IOException {
        short[][] sound = new short[channels][];
        for (int c = 0; c < channels; c++) {
            sound[c] = ramp(1000, 31 * (c + 1));
        }
        Audio read = SoundReader.read(file("x.flac", SoundFiles.flac(sound, 1000)));
        assertThat(read.sampleRateHz()).isEqualTo(48000);
        assertThat(read.frames()).isEqualTo(1000);
        for (int c = 0; c < channels; c++) {
            for (int i = 0; i < 1000; i += 7) {
                assertThat(read.channel(c)[i]).isEqualTo(sound[c][i] / 32768f);
            }
        }
    }

    @Test
    void damagedFlacIsRefusedWithWhatIsUsable() throws IOException {
        byte[] whole = SoundFiles.flac(new short[][] {ramp(1024, 20)}, 1024);
        byte[] flipped = whole.clone();
        // Inside the third of four frames.
        flipped[42 + 2 * (whole.length - 42) / 4 + 100] ^= 0x40;
        Path bad = file("bad.flac", flipped);
        assertThatThrownBy(() -> SoundReader.read(bad))
                .isInstanceOf(FileProblem.class)
                .hasMessageContaining("bad.flac")
                .hasMessageContaining("checksum");
        assertThat(SoundReader.read(bad, true).usedPart()).contains("as it is");
        Path cut = file("cut.flac", Arrays.copyOf(whole, whole.length / 2));
        assertThatThrownBy(() -> SoundReader.read(cut)).hasMessageContaining("promises");
        Path lies = file("lies.flac", SoundFiles.flac(new short[][] {ramp(256, 1)}, 1L << 35));
        assertThatThrownBy(() -> SoundReader.read(lies)).hasMessageContaining("0.005 s are usable");
    }

    @Test
    void rf64TellsItsSizeInItsOwnChunk() throws IOException {
        Path good = file("x.wav", SoundFiles.rf64(48000, ramp(500, 9), 1000));
        assertThat(SoundReader.read(good).frames()).isEqualTo(500);
        Path lies = file("y.wav", SoundFiles.rf64(48000, ramp(500, 9), 1L << 40));
        assertThatThrownBy(() -> SoundReader.read(lies)).hasMessageContaining("promises");
    }

    @Test
    void aTimeStampIsReadAndWritten() throws IOException {
        Path plain = folder.resolve("plain.wav");
        WavWriter.write(plain, Audio.silence(48000, 1, 10), WavWriter.Depth.BITS_16, "x");
        assertThat(SoundReader.read(plain, false).timeReferenceFrames()).hasValue(0);
        assertThat(SoundReader.read(file("n.wav", SoundFiles.rf64(48000, ramp(9, 1), 18)), false))
                .matches(r -> r.timeReferenceFrames().isEmpty());
    }

    @Test
    void theContentTellsTheKindAndNotTheName() throws IOException {
        byte[] flac = SoundFiles.flac(new short[][] {ramp(300, 5)}, 300);
        assertThat(SoundReader.read(file("really-flac.wav", flac)).frames()).isEqualTo(300);
        assertThat(SoundReader.isSoundName(Path.of("a/B.AIFF"))).isTrue();
        assertThat(SoundReader.isSoundName(Path.of("a/.hidden.wav"))).isFalse();
        assertThat(SoundReader.isSoundName(Path.of("notes.txt"))).isFalse();
        Path lossy = file("x.wav", new byte[] {'I', 'D', '3', 4, 0, 0, 0, 0, 0, 0, 0, 0});
        assertThatThrownBy(() -> SoundReader.read(lossy)).hasMessageContaining("with loss");
    }

    @ParameterizedTest
    @ValueSource(strings = {"aiff", "flac", "rf64"})
    void mutatedFilesAreReadOrRefusedButNeverBreak(String kind) throws IOException {
        byte[] good =
                switch (kind) {
                    case "aiff" -> SoundFiles.aiff(2, 24, 48000, "NONE", new byte[1200]);
                    case "flac" -> SoundFiles.flac(new short[][] {ramp(600, 50)}, 600);
                    default -> SoundFiles.rf64(48000, ramp(600, 50), 1200);
                };
        Random random = new Random(42);
        int refused = 0;
        for (int round = 0; round < 400; round++) {
            boolean cut = round % 3 == 0;
            byte[] mutant = Arrays.copyOf(good, cut ? random.nextInt(good.length) : good.length);
            int reach = Math.min(mutant.length, round % 2 == 0 ? 90 : mutant.length);
            for (int k = 0; k < 1 + random.nextInt(6) && reach > 0; k++) {
                mutant[random.nextInt(reach)] = (byte) random.nextInt();
            }
            Path file = file("mutant.bin", mutant);
            try {
                assertThat(SoundReader.read(file).frames()).isPositive();
            } catch (FileProblem e) {
                refused++;
                assertThat(e.getMessage()).contains("mutant.bin").doesNotContain("\n");
            }
        }
        assertThat(refused).isPositive();
    }

    @Test
    void manyFilesAreReadAtOnceAndBroughtToTheRateOfMost() throws IOException {
        float[] tone = new float[4410];
        for (int i = 0; i < tone.length; i++) {
            tone[i] = (float) (0.5 * Math.sin(2 * Math.PI * 441 * i / 44100));
        }
        Path low = folder.resolve("low.wav");
        WavWriter.write(low, Audio.of(44100, tone), WavWriter.Depth.FLOAT_32, "");
        Path a = file("a.flac", SoundFiles.flac(new short[][] {ramp(300, 5)}, 300));
        Path b = file("b.wav", SoundFiles.rf64(48000, ramp(500, 9), 1000));
        Path bad = file("bad.wav", SoundFiles.ascii("words"));
        Files.createDirectories(folder.resolve("in/deeper"));
        Files.write(folder.resolve("in/deeper/c.wav"), Files.readAllBytes(b));
        List<Path> all = StemFiles.gather(List.of(low, a, b, bad, folder.resolve("in")));
        assertThat(all).hasSize(5);
        StemFiles.Result read = StemFiles.read(all, Job.QUIET);
        assertThat(read.sampleRateHz()).isEqualTo(48000);
        assertThat(read.stems()).hasSize(4);
        assertThat(read.problems()).containsOnlyKeys(bad);
        StemFiles.Stem converted = read.of(low).orElseThrow();
        assertThat(converted.ownRateHz()).isEqualTo(44100);
        assertThat(converted.audio().sampleRateHz()).isEqualTo(48000);
        assertThat(converted.audio().channel(0)[2400])
                .isCloseTo((float) (0.5 * Math.sin(2 * Math.PI * 441 * 0.05)), within(1e-3f));
        assertThat(read.of(b).orElseThrow().content())
                .as("equal content has one key")
                .isEqualTo(read.of(folder.resolve("in/deeper/c.wav")).orElseThrow().content())
                .isNotEqualTo(read.of(a).orElseThrow().content());
        Job stopped =
                new Job() {
                    @Override
                    public void report(double share) {}

                    @Override
                    public boolean cancelled() {
                        return true;
                    }
                };
        assertThatThrownBy(() -> StemFiles.read(all, stopped))
                .isInstanceOf(java.util.concurrent.CancellationException.class);
        assertThat(Map.copyOf(read.problems()).get(bad)).contains("bad.wav");
    }
}
