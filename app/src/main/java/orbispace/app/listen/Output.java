package orbispace.app.listen;

import java.util.concurrent.TimeUnit;
import java.util.concurrent.locks.LockSupport;

/** Where blocks go: each write returns when there is room for the next. */
interface Output extends AutoCloseable {

    /** In words, for the ribbon. */
    String name();

    /** Frames that it takes in a second, which need not be those of the song. */
    double sampleRateHz();

    /** Bytes of each of both samples of a frame, 2 or 3, the lowest first. */
    default int sampleBytes() {
        return 2;
    }

    /**
     * Takes interleaved stereo.
     *
     * @return false if it is gone, such as a card that was pulled out
     */
    boolean write(byte[] block, int bytes);

    @Override
    void close();

    /** Keeps time and makes no sound. */
    final class Silent implements Output {
        private static final long AHEAD_NANOS = TimeUnit.MILLISECONDS.toNanos(20);
        private static final long SPARE_NANOS = TimeUnit.MILLISECONDS.toNanos(2);

        private final double sampleRateHz;
        private final String name;
        private long due;

        Silent(double sampleRateHz, String name) {
            this.sampleRateHz = sampleRateHz;
            this.name = name;
        }

        @Override
        public String name() {
            return name;
        }

        @Override
        public double sampleRateHz() {
            return sampleRateHz;
        }

        @Override
        public boolean write(byte[] block, int bytes) {
            long now = System.nanoTime();
            due =
                    Math.max(now, due)
                            + (long) (bytes / (4 * sampleRateHz) * TimeUnit.SECONDS.toNanos(1));
            boolean full = due - now > AHEAD_NANOS;
            // It is woken seldom: once nearly all that it holds has been played.
            for (long left = due - now;
                    full && left > SPARE_NANOS;
                    left = due - System.nanoTime()) {
                LockSupport.parkNanos(left - SPARE_NANOS);
            }
            return true;
        }

        @Override
        public void close() {}
    }
}
