package orbispace.core.render;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import orbispace.core.audio.Audio;

/**
 * A rendered song.
 *
 * @param wets each return by its letter, in order
 * @param dry all sources
 * @param mix both together
 */
public record Rendering(Map<String, Audio> wets, Audio dry, Audio mix) {
    /** Keeps its own map. */
    public Rendering {
        wets = Collections.unmodifiableMap(new LinkedHashMap<>(wets));
    }

    /** All returns together. */
    public Audio wet() {
        return Mixdown.sum(
                Audio.silence(dry.sampleRateHz(), 2, dry.frames()), List.copyOf(wets.values()));
    }
}
