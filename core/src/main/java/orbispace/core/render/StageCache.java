package orbispace.core.render;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;
import orbispace.core.audio.Audio;
import org.jspecify.annotations.Nullable;

/**
 * Keeps the sound after each stage, by everything that made it, up to a number of bytes; the
 * longest unused goes first. What memory has no room for may be laid aside, such as on a disk. Safe
 * for use by several threads.
 */
public final class StageCache {
    private static final long GIGABYTE = 1L << 30;

    /** What may lie aside: a song's returns some times over. */
    private static final long MOST_ASIDE = 8 * GIGABYTE;

    private final long mostBytes;
    private final long mostInAll;
    private final UnaryOperator<Audio> aside;
    private final Map<Object, Audio> kept = new LinkedHashMap<>(16, 0.75f, true);
    private long held;
    private long inAll;

    /** A cache of at most this many bytes of sound. */
    public StageCache(long mostBytes) {
        this(mostBytes, mostBytes, UnaryOperator.identity());
    }

    /**
     * A cache that lays aside what it has no room for.
     *
     * @param mostBytes of sound in memory
     * @param mostInAll bytes of sound in memory and aside
     * @param aside gives the same sound stored elsewhere, or the very same if that cannot be
     */
    StageCache(long mostBytes, long mostInAll, UnaryOperator<Audio> aside) {
        this.mostBytes = mostBytes;
        this.mostInAll = mostInAll;
        this.aside = aside;
    }

    /**
     * A cache of a share of what the program may use beside some bytes that it needs itself.
     *
     * @param aside gives the same sound stored elsewhere, or the very same if that cannot be
     */
    public static StageCache beside(long usedBytes, UnaryOperator<Audio> aside) {
        long share = Math.max(0, (Runtime.getRuntime().maxMemory() - usedBytes) / 5);
        return new StageCache(share, share + MOST_ASIDE, aside);
    }

    synchronized Optional<Audio> find(Object key) {
        return Optional.ofNullable(kept.get(key));
    }

    /** Keeps a sound; answers with it as it is kept, which is what is to be used from now on. */
    Audio keep(Object key, Audio audio) {
        Audio laid = hasRoom(audio) ? audio : aside.apply(audio);
        put(key, laid);
        return laid;
    }

    private synchronized boolean hasRoom(Audio audio) {
        return held + size(audio) <= mostBytes;
    }

    private synchronized void put(Object key, Audio audio) {
        forget(kept.put(key, audio));
        held += audio.samples().isPresent() ? 0 : size(audio);
        inAll += size(audio);
        var oldest = kept.entrySet().iterator();
        while ((held > mostBytes || inAll > mostInAll) && oldest.hasNext()) {
            Audio dropped = oldest.next().getValue();
            boolean helps = inAll > mostInAll || dropped.samples().isEmpty();
            if (dropped != audio && helps) {
                forget(dropped);
                oldest.remove();
            }
        }
    }

    private void forget(@Nullable Audio dropped) {
        if (dropped != null) {
            held -= dropped.samples().isPresent() ? 0 : size(dropped);
            inAll -= size(dropped);
        }
    }

    private static long size(Audio audio) {
        return 4L * audio.frames() * audio.channelCount();
    }
}
