package orbispace.files.sound;

import java.util.OptionalLong;
import orbispace.core.audio.Audio;
import org.jspecify.annotations.Nullable;

/**
 * A sound file that was read.
 *
 * @param audio the sound at the file's own rate
 * @param second the third and fourth channel of a true stereo impulse response; null otherwise
 * @param usedPart words about what was left out, or null if all was taken
 * @param timeReferenceFrames where the file says that it begins, in frames from midnight
 */
public record ReadSound(
        Audio audio,
        @Nullable Audio second,
        @Nullable String usedPart,
        OptionalLong timeReferenceFrames) {}
