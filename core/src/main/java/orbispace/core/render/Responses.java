package orbispace.core.render;

import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import orbispace.core.audio.Audio;
import orbispace.core.design.Space;
import orbispace.core.measure.DecayScaling;
import orbispace.core.space.SpaceResponse;

/**
 * The impulse responses of a song, by the file that a design names, at the song's rate. Trimmed and
 * scaled ones are made once. Safe for use by several threads.
 */
public final class Responses {
    /** No responses at all. */
    public static final Responses NONE = new Responses(Map.of());

    /**
     * A response as it was read.
     *
     * @param fromLeft what both sides answer to the left, or to each its own side
     * @param fromRight what they answer to the right, if it is true stereo; otherwise the same
     */
    public record Recorded(Audio fromLeft, Audio fromRight) {
        /** A mono or stereo response. */
        public static Recorded of(Audio audio) {
            return new Recorded(audio, audio);
        }

        @SuppressWarnings("ReferenceEquality") // One and the same means that there is no second.
        boolean trueStereo() {
            return fromLeft != fromRight;
        }
    }

    private final Map<String, Recorded> recorded;
    private final Map<Space.Convolution, SpaceResponse> made = new ConcurrentHashMap<>();

    /** Responses by the file that a design names. */
    public Responses(Map<String, Recorded> recorded) {
        this.recorded = Map.copyOf(recorded);
    }

    /** The files that are there. */
    public java.util.Set<String> files() {
        return recorded.keySet();
    }

    /**
     * A response trimmed and scaled; a single click if the file is not there, so that all else
     * stays usable.
     */
    SpaceResponse of(Space.Convolution c) {
        return made.computeIfAbsent(c, this::make);
    }

    private SpaceResponse make(Space.Convolution c) {
        Recorded r = recorded.get(c.file());
        if (r == null) {
            return SpaceResponse.click();
        }
        Audio left = shaped(r.fromLeft(), c);
        return r.trueStereo()
                ? SpaceResponse.trueStereo(left, shaped(r.fromRight(), c))
                : SpaceResponse.of(left);
    }

    /** What is cut short fades out over its last fifth, at most 50 ms, instead of with a click. */
    private static Audio faded(Audio part) {
        int fade = (int) Math.min(part.frames() / 5.0, 0.05 * part.sampleRateHz());
        float[][] channels = new float[part.channelCount()][];
        for (int c = 0; c < channels.length; c++) {
            channels[c] = part.channel(c).clone();
            for (int i = 0; i < fade; i++) {
                double share = 0.5 - 0.5 * Math.cos(Math.PI * i / fade);
                channels[c][part.frames() - 1 - i] *= (float) share;
            }
        }
        return Audio.of(part.sampleRateHz(), channels);
    }

    private static Audio shaped(Audio response, Space.Convolution c) {
        double rate = response.sampleRateHz();
        int from = (int) Math.min(response.frames() - 1, c.startMillis() / 1000 * rate);
        int keep = c.keepMillis() == 0 ? response.frames() : (int) (c.keepMillis() / 1000 * rate);
        int to = Math.min(response.frames(), from + Math.max(1, keep));
        Audio part = response.slice(from, to);
        part = to < response.frames() ? faded(part) : part;
        return DecayScaling.of(part, c.lowScale(), c.midScale(), c.highScale());
    }
}
