package orbispace.core.design;

import java.util.Collections;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/**
 * What returns pass on their way to the mix: first those of one purpose together, then all.
 *
 * @param all what all wet passes
 * @param purposes what the returns of a purpose pass before it
 */
public record WetBuses(WetBus all, Map<Purpose, WetBus> purposes) {
    /** Nothing is done to anything. */
    public static final WetBuses PLAIN = new WetBuses(WetBus.PLAIN, Map.of());

    /** Keeps its own map; what changes nothing is left out. */
    public WetBuses {
        Map<Purpose, WetBus> kept = new TreeMap<>(purposes);
        kept.values().removeIf(WetBus::isPlain);
        purposes = Collections.unmodifiableMap(kept);
    }

    /** Whether nothing is done to anything. */
    public boolean isPlain() {
        return equals(PLAIN);
    }

    /** What the returns of a purpose pass; of none: what all do. */
    public WetBus of(Optional<Purpose> purpose) {
        return purpose.map(p -> purposes.getOrDefault(p, WetBus.PLAIN)).orElse(all);
    }

    /** The same with another bus of a purpose; of none: of all. */
    public WetBuses with(Optional<Purpose> purpose, WetBus bus) {
        if (purpose.isEmpty()) {
            return new WetBuses(bus, purposes);
        }
        Map<Purpose, WetBus> other = new TreeMap<>(purposes);
        other.put(purpose.get(), bus);
        return new WetBuses(all, other);
    }
}
