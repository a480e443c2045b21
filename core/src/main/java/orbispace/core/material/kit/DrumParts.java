package orbispace.core.material.kit;

import java.util.List;
import java.util.Set;

/**
 * What the stems of a kit stand at.
 *
 * @param words one for each stem, empty if not known; stems of one word hear one drum
 */
record DrumParts(List<String> words) {
    private static final Set<String> HEAR_ALL = Set.of("overhead", "room");

    DrumParts {
        words = List.copyOf(words);
    }

    /** Whether two stems hear one drum. */
    boolean isKin(int one, int other) {
        return !words.get(one).isEmpty() && words.get(one).equals(words.get(other));
    }

    /** What hangs over the kit or stands in its room has hardly a stroke of its own. */
    boolean hearsAll(int stem) {
        return HEAR_ALL.contains(words.get(stem));
    }
}
