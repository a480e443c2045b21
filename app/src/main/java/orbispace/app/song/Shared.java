package orbispace.app.song;

import java.util.List;
import java.util.Optional;
import orbispace.core.prove.stem.KitFound;
import orbispace.core.prove.stem.SharedSound;

/**
 * What the stems of a song have in common.
 *
 * @param kit the kit among them
 * @param pairs those that share sound, of a kit only with others
 */
public record Shared(Optional<KitFound> kit, List<SharedSound> pairs) {
    /** Nothing, as far as that was looked for. */
    public static final Shared NOTHING = new Shared(Optional.empty(), List.of());

    /** Keeps its own list. */
    public Shared {
        pairs = List.copyOf(pairs);
    }
}
