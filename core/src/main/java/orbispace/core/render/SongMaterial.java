package orbispace.core.render;

import java.util.Map;
import java.util.TreeMap;
import orbispace.core.audio.Audio;

/**
 * The dry sound of a song.
 *
 * @param audio the stem of each source by its id, all at one rate
 * @param sampleRateHz that rate
 * @param responses the impulse responses that the design names, at the same rate
 */
public record SongMaterial(Map<String, Audio> audio, double sampleRateHz, Responses responses) {
    /** Stems without impulse responses. */
    public SongMaterial(Map<String, Audio> audio, double sampleRateHz) {
        this(audio, sampleRateHz, Responses.NONE);
    }

    /** Checks the rates. */
    public SongMaterial {
        audio = Map.copyOf(audio);
        audio.forEach((id, a) -> {
            if (a.sampleRateHz() != sampleRateHz) {
                throw new IllegalArgumentException(
                        "source "
                                + id
                                + " is at "
                                + a.sampleRateHz()
                                + " Hz, the song at "
                                + sampleRateHz);
            }
        });
    }

    /** The same from one frame to before another. */
    SongMaterial cut(int from, int to) {
        Map<String, Audio> parts = new TreeMap<>();
        audio.forEach((id, a) -> parts.put(id, a.slice(from, to)));
        return new SongMaterial(parts, sampleRateHz, responses);
    }

    /** Bytes of memory that its samples take. */
    public long bytes() {
        return audio.values().stream().mapToLong(Audio::bytes).sum();
    }

    /** Length of the longest stem in frames. */
    public int frames() {
        return audio.values().stream().mapToInt(Audio::frames).max().orElse(0);
    }
}
