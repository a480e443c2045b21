package orbispace.app.listen;

import java.io.IOException;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.locks.LockSupport;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioSystem;
import javax.sound.sampled.LineUnavailableException;
import javax.sound.sampled.SourceDataLine;
import org.slf4j.LoggerFactory;

/** Where blocks go: each write returns when there is room for the next. */
interface Output extends AutoCloseable {

    /** In words, for the ribbon. */
    String name();

    /** Takes interleaved 16-bit stereo. */
    void write(byte[] block, int bytes);

    @Override
    void close();

    /** Names a file that what is played is written to, instead of being heard. */
    String TAPE = "orbispace.tape";

    /**
     * The sound card, or the silent output where there is none; if the system property {@link
     * #TAPE} or the variable ORBISPACE_TAPE names a file, a silent output that writes it there.
     */
    static Output open(double sampleRateHz, int blockFrames) {
        String tape = System.getProperty(TAPE, System.getenv("ORBISPACE_TAPE"));
        if (tape != null && !tape.isBlank()) {
            try {
                return new Tape(Path.of(tape), new Silent(sampleRateHz), sampleRateHz);
            } catch (IOException | InvalidPathException e) {
                LoggerFactory.getLogger(Output.class).warn("no tape: {}", e.toString());
            }
        }
        AudioFormat format = new AudioFormat((float) sampleRateHz, 16, 2, true, false);
        try {
            SourceDataLine line = AudioSystem.getSourceDataLine(format);
            line.open(format, blockFrames * 4 * 4);
            line.start();
            return new Card(line);
        } catch (LineUnavailableException | IllegalArgumentException noCard) {
            return new Silent(sampleRateHz);
        }
    }

    /** A real output. */
    record Card(SourceDataLine line) implements Output {
        @Override
        public String name() {
            return "sound card";
        }

        @Override
        public void write(byte[] block, int bytes) {
            line.write(block, 0, bytes);
        }

        @Override
        public void close() {
            line.flush();
            line.close();
        }
    }

    /** Keeps time and makes no sound. */
    final class Silent implements Output {
        private final double sampleRateHz;
        private long due;

        Silent(double sampleRateHz) {
            this.sampleRateHz = sampleRateHz;
        }

        @Override
        public String name() {
            return "silent output";
        }

        @Override
        public void write(byte[] block, int bytes) {
            long now = System.nanoTime();
            due =
                    Math.max(now, due)
                            + (long) (bytes / (4 * sampleRateHz) * TimeUnit.SECONDS.toNanos(1));
            while (System.nanoTime() < due - TimeUnit.MILLISECONDS.toNanos(20)) {
                LockSupport.parkNanos(TimeUnit.MILLISECONDS.toNanos(2));
            }
        }

        @Override
        public void close() {}
    }
}
