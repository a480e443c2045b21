package orbispace.app.listen;

import java.io.IOException;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.DoubleStream;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioSystem;
import javax.sound.sampled.DataLine;
import javax.sound.sampled.LineUnavailableException;
import javax.sound.sampled.Mixer;
import javax.sound.sampled.SourceDataLine;
import org.slf4j.LoggerFactory;

/** What sound can go to. */
interface Devices {
    /** Stands for whatever the system prefers. */
    String USUAL = "";

    /** Words for what keeps time without a card. */
    String SILENT = "silent output";

    /** The names of what there is. */
    List<String> names();

    /**
     * Opens one of them.
     *
     * @param name one of the names, or {@link #USUAL}
     * @param sampleRateHz the rate that is wanted; a device that does not have it takes another
     * @param frames how many frames it holds ahead
     * @return an output that keeps time and says why it is silent, if the device cannot be opened
     */
    Output open(String name, double sampleRateHz, int frames);

    /** Names a file that what is played is written to, instead of being heard. */
    String TAPE = "orbispace.tape";

    /**
     * The sound cards of this machine; if the system property {@link #TAPE} or the variable
     * ORBISPACE_TAPE names a file, a silent output that writes it there.
     */
    static Devices ofMachine() {
        return new Cards();
    }

    /** Sound cards. */
    final class Cards implements Devices {
        private static final int[] BITS = {24, 16};

        /** Taken where the wanted rate is not to be had, the usual ones first. */
        private static final double[] OTHER_HZ = {48000, 44100, 96000, 88200, 192000, 32000};

        @Override
        public List<String> names() {
            List<String> names = new ArrayList<>();
            DataLine.Info playing =
                    new DataLine.Info(SourceDataLine.class, format(AudioSystem.NOT_SPECIFIED, 16));
            for (Mixer.Info info : AudioSystem.getMixerInfo()) {
                if (AudioSystem.getMixer(info).isLineSupported(playing)) {
                    names.add(info.getName());
                }
            }
            return names;
        }

        private static AudioFormat format(double rate, int bits) {
            return new AudioFormat((float) rate, bits, 2, true, false);
        }

        @Override
        public Output open(String name, double rate, int frames) {
            String tape = System.getProperty(TAPE, System.getenv("ORBISPACE_TAPE"));
            if (tape != null && !tape.isBlank()) {
                try {
                    return new Tape(Path.of(tape), new Output.Silent(rate, SILENT), rate);
                } catch (IOException | InvalidPathException e) {
                    LoggerFactory.getLogger(Devices.class).warn("no tape: {}", e.toString());
                }
            }
            return DoubleStream.concat(DoubleStream.of(rate), Arrays.stream(OTHER_HZ))
                    .mapToObj(hz -> card(name, hz, frames))
                    .flatMap(Optional::stream)
                    .findFirst()
                    .orElseGet(() ->
                            new Output.Silent(
                                    rate,
                                    name.isEmpty() ? SILENT : name + " is not there: " + SILENT));
        }

        private static Optional<Output> card(String name, double rate, int frames) {
            for (int bits : BITS) {
                try {
                    SourceDataLine line = line(name, format(rate, bits));
                    line.open(line.getFormat(), frames * line.getFormat().getFrameSize());
                    line.start();
                    return Optional.of(new Card(line, name.isEmpty() ? "sound card" : name));
                } catch (LineUnavailableException | IllegalArgumentException notSo) {
                    LoggerFactory.getLogger(Devices.class)
                            .info("no {} bits at {} Hz: {}", bits, rate, notSo.toString());
                }
            }
            return Optional.empty();
        }

        private static SourceDataLine line(String name, AudioFormat format)
                throws LineUnavailableException {
            if (name.isEmpty()) {
                return AudioSystem.getSourceDataLine(format);
            }
            Mixer.Info info =
                    Arrays.stream(AudioSystem.getMixerInfo())
                            .filter(m -> m.getName().equals(name))
                            .findFirst()
                            .orElseThrow(() -> new IllegalArgumentException("no " + name));
            return AudioSystem.getSourceDataLine(format, info);
        }
    }

    /** A real output. */
    record Card(SourceDataLine line, String name) implements Output {
        @Override
        public double sampleRateHz() {
            return line.getFormat().getSampleRate();
        }

        @Override
        public int sampleBytes() {
            return line.getFormat().getSampleSizeInBits() / Byte.SIZE;
        }

        @Override
        public boolean write(byte[] block, int bytes) {
            return line.write(block, 0, bytes) == bytes && line.isOpen();
        }

        @Override
        public void close() {
            line.flush();
            line.close();
        }
    }
}
