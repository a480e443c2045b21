package orbispace.core.render;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import orbispace.core.audio.Audio;

/**
 * Keeps the sound after each stage, by everything that made it, up to a number of bytes; the
 * longest unused goes first. Safe for use by several threads.
 */
public final class StageCache {
    private final long mostBytes;
    private final Map<Object, Audio> kept = new LinkedHashMap<>(16, 0.75f, true);
    private long bytes;

    /** A cache of at most this many bytes of sound. */
    public StageCache(long mostBytes) {
        this.mostBytes = mostBytes;
    }

    /** A cache of a third of what the program may use beside some bytes that it needs itself. */
    public static StageCache beside(long usedBytes) {
        return new StageCache(Math.max(0, (Runtime.getRuntime().maxMemory() - usedBytes) / 3));
    }

    synchronized Optional<Audio> find(Object key) {
        return Optional.ofNullable(kept.get(key));
    }

    synchronized void keep(Object key, Audio audio) {
        Audio before = kept.put(key, audio);
        bytes += size(audio) - (before == null ? 0 : size(before));
        var oldest = kept.entrySet().iterator();
        while (bytes > mostBytes && oldest.hasNext()) {
            Audio dropped = oldest.next().getValue();
            if (dropped != audio) {
                bytes -= size(dropped);
                oldest.remove();
            }
        }
    }

    private static long size(Audio audio) {
        return 4L * audio.frames() * audio.channelCount();
    }
}
