package orbispace.core.audio;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.Map;

/**
 * The whole channels of stored sounds that were asked for last, up to a number of bytes; the
 * longest unused goes first. What somebody still works with stays his until he lets go of it. Safe
 * for use by several threads.
 */
final class LoadedSound {
    /** The share of the program's memory that it may fill. */
    private static final int SHARE = 8;

    static final LoadedSound SHARED = new LoadedSound(Runtime.getRuntime().maxMemory() / SHARE);

    private final long mostBytes;
    private final Map<Samples, float[][]> loaded = new LinkedHashMap<>(16, 0.75f, true);
    private long bytes;

    LoadedSound(long mostBytes) {
        this.mostBytes = mostBytes;
    }

    /** All channels of a sound; those that are the same are one array. */
    float[][] of(Samples samples) {
        synchronized (this) {
            float[][] known = loaded.get(samples);
            if (known != null) {
                return known;
            }
        }
        float[] left = new float[samples.frames()];
        float[] right = samples.channels() == 1 ? left : new float[samples.frames()];
        samples.read(0, left.length, left, right, 0);
        float[][] read =
                samples.channels() == 1
                        ? new float[][] {left}
                        : new float[][] {left, Arrays.equals(left, right) ? left : right};
        keep(samples, read);
        return read;
    }

    /** Bytes that are kept now. */
    synchronized long bytes() {
        return bytes;
    }

    private synchronized void keep(Samples samples, float[][] read) {
        float[][] before = loaded.put(samples, read);
        bytes += size(read) - (before == null ? 0 : size(before));
        var oldest = loaded.entrySet().iterator();
        while (bytes > mostBytes && oldest.hasNext()) {
            bytes -= size(oldest.next().getValue());
            oldest.remove();
        }
    }

    @SuppressWarnings("ReferenceEquality") // One and the same array is held once.
    private static long size(float[][] channels) {
        boolean shared = channels.length == 2 && channels[0] == channels[1];
        return 4L * channels[0].length * (shared ? 1 : channels.length);
    }
}
