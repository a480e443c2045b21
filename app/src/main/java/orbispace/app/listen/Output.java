package orbispace.app.listen;

import java.util.concurrent.TimeUnit;
import java.util.concurrent.locks.LockSupport;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioSystem;
import javax.sound.sampled.LineUnavailableException;
import javax.sound.sampled.SourceDataLine;

/** Where blocks go: each write returns when there is room for the next. */
interface Output extends AutoCloseable {

    /** In words, for the ribbon. */
    String name();

    /** Takes interleaved 16-bit stereo. */
    void write(byte[] block, int bytes);

    @Override
    void close();

    /** The sound card, or the silent output where there is none. */
    static Output open(double sampleRateHz, int blockFrames) {
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
