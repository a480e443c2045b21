package orbispace.files.sound;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Random;
import orbispace.core.audio.Audio;
import orbispace.files.AtomicFile;
import orbispace.files.FileProblem;
import orbispace.files.sound.WavWriter.Depth;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class WavTest {
    @TempDir Path folder;

    private static Audio noise(int channels, int frames, double rate) {
        Random random = new Random(3);
        float[][] x = new float[channels][frames];
        for (float[] c : x) {
            for (int i = 0; i < frames; i++) {
                c[i] = (float) Math.clamp(0.3 * random.nextGaussian(), -0.99, 0.99);
            }
        }
        return Audio.of(rate, x);
    }

    @ParameterizedTest
    @EnumSource(Depth.class)
    void whatIsWrittenIsReadAgainToTheDepthOfItsBits(Depth depth) throws IOException {
        double step =
                switch (depth) {
                    case BITS_16 -> 1.0 / 32768;
                    case BITS_24 -> 1.0 / 8388608;
                    case FLOAT_32 -> 0;
                };
        for (int channels : new int[] {1, 2}) {
            Audio audio = noise(channels, 4801, 44100);
            Path file = folder.resolve(depth + "-" + channels + ".wav");
            WavWriter.write(file, audio, depth, "test");
            Audio read = SoundReader.read(file);
            assertThat(read.channelCount()).isEqualTo(channels);
            assertThat(read.sampleRateHz()).isEqualTo(44100);
            assertThat(read.frames()).isEqualTo(4801);
            for (int i = 0; i < 4801; i += 13) {
                assertThat((double) read.channel(channels - 1)[i])
                        .isCloseTo(audio.channel(channels - 1)[i], within(step * 0.51));
            }
        }
    }

    @Test
    void beyondFullScaleIntegersAreCutAndFloatsKept() throws IOException {
        Audio hot = Audio.of(48000, new float[] {1.5f, -1.5f});
        Path integer = folder.resolve("i.wav");
        Path real = folder.resolve("f.wav");
        WavWriter.write(integer, hot, Depth.BITS_24, "");
        WavWriter.write(real, hot, Depth.FLOAT_32, "");
        assertThat(SoundReader.read(integer).channel(0)[0]).isCloseTo(1f, within(1e-6f));
        assertThat(SoundReader.read(integer).channel(0)[1]).isEqualTo(-1f);
        assertThat(SoundReader.read(real).channel(0)).containsExactly(1.5f, -1.5f);
    }

    @Test
    void theTimeStampIsInTheBroadcastChunk() throws IOException {
        Path file = folder.resolve("stamped.wav");
        WavWriter.print(file, noise(1, 10, 48000), Depth.BITS_16, "words", 123456789L);
        ByteBuffer b = ByteBuffer.wrap(Files.readAllBytes(file)).order(ByteOrder.LITTLE_ENDIAN);
        byte[] id = new byte[4];
        b.get(12, id);
        assertThat(new String(id, StandardCharsets.US_ASCII)).isEqualTo("bext");
        assertThat(b.getLong(20 + 338)).isEqualTo(123456789L);
        byte[] words = new byte[5];
        b.get(20, words);
        assertThat(new String(words, StandardCharsets.US_ASCII)).isEqualTo("words");
    }

    /** A WAV file by hand: format fields, chunks before the data, and the data. */
    private Path raw(
            String name, int coding, int channels, int rate, int bits, byte[] data, int promised)
            throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ByteBuffer b =
                ByteBuffer.allocate(12 + 8 + 3 + 1 + 8 + 16 + 8).order(ByteOrder.LITTLE_ENDIAN);
        b.put(ascii("RIFF")).putInt(36 + data.length).put(ascii("WAVE"));
        b.put(ascii("odd ")).putInt(3).put(new byte[] {1, 2, 3, 0});
        b.put(ascii("fmt ")).putInt(16).putShort((short) coding).putShort((short) channels);
        b.putInt(rate)
                .putInt(rate * channels * bits / 8)
                .putShort((short) (channels * bits / 8))
                .putShort((short) bits);
        b.put(ascii("data")).putInt(promised);
        out.writeBytes(b.array());
        out.writeBytes(data);
        Path file = folder.resolve(name);
        Files.write(file, out.toByteArray());
        return file;
    }

    private static byte[] ascii(String text) {
        return text.getBytes(StandardCharsets.US_ASCII);
    }

    @Test
    void readsEightBitAndDoubleAndChunksOfOddLength() throws IOException {
        Path eight = raw("8.wav", 1, 1, 8000, 8, new byte[] {(byte) 128, (byte) 255, 0}, 3);
        assertThat(SoundReader.read(eight).channel(0)).containsExactly(0f, 127 / 128f, -1f);
        ByteBuffer doubles =
                ByteBuffer.allocate(16)
                        .order(ByteOrder.LITTLE_ENDIAN)
                        .putDouble(0.25)
                        .putDouble(-0.5);
        Path real = raw("64.wav", 3, 1, 96000, 64, doubles.array(), 16);
        assertThat(SoundReader.read(real).channel(0)).containsExactly(0.25f, -0.5f);
        ByteBuffer ints = ByteBuffer.allocate(4).order(ByteOrder.LITTLE_ENDIAN).putInt(1 << 30);
        assertThat(SoundReader.read(raw("32.wav", 1, 1, 48000, 32, ints.array(), 4)).channel(0))
                .containsExactly(0.5f);
    }

    @Test
    void aPromiseOfMoreThanThereIsIsRefusedWithWhatIsUsable() throws IOException {
        Path file = raw("short.wav", 1, 1, 8000, 16, new byte[8000], 32000);
        assertThatThrownBy(() -> SoundReader.read(file))
                .isInstanceOf(FileProblem.class)
                .hasMessageContaining("short.wav")
                .hasMessageContaining("promises 2.000 s")
                .hasMessageContaining("0.500 s are usable")
                .hasMessageNotContaining("\n");
        ReadSound salvaged = SoundReader.read(file, true);
        assertThat(salvaged.audio().seconds()).isCloseTo(0.5, within(1e-9));
        assertThat(salvaged.usedPart()).contains("using 0.500 s");
    }

    @Test
    void samplesThatAreNotNumbersAreRefusedAndSalvagedUpToThem() throws IOException {
        ByteBuffer b = ByteBuffer.allocate(4 * 8000).order(ByteOrder.LITTLE_ENDIAN);
        for (int i = 0; i < 8000; i++) {
            b.putFloat(i == 2000 ? Float.NaN : 0.1f);
        }
        Path file = raw("nan.wav", 3, 1, 8000, 32, b.array(), 32000);
        assertThatThrownBy(() -> SoundReader.read(file))
                .hasMessageContaining("not a number at 0.250 s");
        assertThat(SoundReader.read(file, true).audio().frames()).isEqualTo(2000);
    }

    @Test
    void everyForeignOrBrokenFileIsRefusedInOneLineThatNamesIt() throws IOException {
        Path text = folder.resolve("text.wav");
        Files.writeString(text, "these are only words, no sound at all");
        Path empty = Files.createFile(folder.resolve("empty.wav"));
        Path cut = folder.resolve("cut.wav");
        Files.write(cut, ascii("RIFF\0\0\0\0WAVEfmt "));
        Path many = raw("many.wav", 1, 65535, 48000, 16, new byte[0], 0);
        Path zeroRate = raw("rate.wav", 1, 1, 0, 16, new byte[4], 4);
        Path strange = raw("strange.wav", 85, 1, 48000, 16, new byte[4], 4);
        Path silent = raw("none.wav", 1, 1, 48000, 16, new byte[0], 0);
        Path missing = folder.resolve("missing.wav");
        for (Path file :
                new Path[] {text, empty, cut, many, zeroRate, strange, silent, missing, folder}) {
            assertThatThrownBy(() -> SoundReader.read(file))
                    .as(file.toString())
                    .isInstanceOf(FileProblem.class)
                    .hasMessageContaining(String.valueOf(file.getFileName()))
                    .hasMessageNotContaining("\n");
        }
    }

    @Test
    void mutatedFilesAreReadOrRefusedButNeverBreak() throws IOException {
        Path good = folder.resolve("good.wav");
        WavWriter.write(good, noise(2, 500, 48000), Depth.BITS_24, "seed");
        byte[] bytes = Files.readAllBytes(good);
        Random random = new Random(42);
        Path file = folder.resolve("mutant.wav");
        int refused = 0;
        for (int round = 0; round < 400; round++) {
            byte[] mutant =
                    java.util.Arrays.copyOf(
                            bytes, round % 3 == 0 ? random.nextInt(bytes.length) : bytes.length);
            for (int k = 0; k < 1 + random.nextInt(6) && mutant.length > 0; k++) {
                int header = Math.min(mutant.length, 700);
                mutant[random.nextInt(header)] = (byte) random.nextInt();
            }
            Files.write(file, mutant);
            try {
                assertThat(SoundReader.read(file).frames()).isPositive();
            } catch (FileProblem e) {
                refused++;
                assertThat(e.getMessage()).contains("mutant.wav").doesNotContain("\n");
            }
        }
        assertThat(refused).isPositive();
    }

    @Test
    void aFailedWriteLeavesWhatStoodThere() throws IOException {
        Path target = folder.resolve("kept.txt");
        Files.writeString(target, "before");
        assertThatThrownBy(() ->
                        AtomicFile.write(
                                target,
                                temporary -> {
                                    Files.writeString(temporary, "half");
                                    throw new IOException("No space left on device");
                                }))
                .isInstanceOf(FileProblem.class)
                .hasMessageContaining("No space left")
                .hasMessageContaining("free some space");
        assertThat(Files.readString(target)).isEqualTo("before");
        try (var list = Files.list(folder)) {
            assertThat(list.filter(p -> String.valueOf(p.getFileName()).endsWith(".part")))
                    .isEmpty();
        }
    }

    @Test
    void writingWhereThereIsNoFolderSaysSo() {
        Path file = folder.resolve("nowhere").resolve("x.wav");
        assertThatThrownBy(() -> WavWriter.write(file, noise(1, 4, 48000), Depth.BITS_16, ""))
                .hasMessageContaining("folder does not exist");
        assertThatThrownBy(() -> AtomicFile.writeText(folder, "x"))
                .hasMessageContaining("is a folder");
    }

    @Test
    void aPrintIsDitheredSoThatItsErrorIsNoiseAndSilenceStaysSilent() throws FileProblem {
        float[] x = new float[48000];
        for (int i = 0; i < 40000; i++) {
            // A third of a step of 16 bits: without dither nothing of it would be left.
            x[i] = (float) (0.4 / 32768 * Math.sin(2 * Math.PI * 1000 * i / 48000.0));
        }
        Audio quiet = Audio.of(48000, x);
        Path plain = folder.resolve("plain.wav");
        Path dithered = folder.resolve("dithered.wav");
        WavWriter.write(plain, quiet, WavWriter.Depth.BITS_16, "");
        WavWriter.print(dithered, quiet, WavWriter.Depth.BITS_16, "", 0);
        assertThat(SoundReader.read(plain).peak()).isZero();
        float[] y = SoundReader.read(dithered).channel(0);
        double sine = 0;
        double error = 0;
        for (int i = 0; i < 40000; i++) {
            sine += y[i] * Math.sin(2 * Math.PI * 1000 * i / 48000.0) / 20000;
            error += Math.pow(y[i] - x[i], 2) / 40000;
        }
        assertThat(32768 * sine).isCloseTo(0.4, within(0.03));
        // Rounding is a twelfth of a step squared, triangular noise two more.
        assertThat(32768.0 * 32768 * error).isCloseTo(0.25, within(0.02));
        for (int i = 40000; i < 48000; i++) {
            assertThat(y[i]).isZero();
        }
        Path again = folder.resolve("again.wav");
        WavWriter.print(again, quiet, WavWriter.Depth.BITS_16, "", 0);
        assertThat(again).hasSameBinaryContentAs(dithered);
    }
}
