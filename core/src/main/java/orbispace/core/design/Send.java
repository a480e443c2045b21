package orbispace.core.design;

import org.jspecify.annotations.Nullable;

/**
 * One source into one return.
 *
 * @param levelDb -90 to 24
 * @param preFader true to take the source before its own gain
 * @param gate lets only a part of the source pass, keyed by that source; null for all of it
 */
public record Send(double levelDb, boolean preFader, @Nullable Gate gate) {
    /** Checks the range. */
    public Send {
        Ranges.require("send level", levelDb, -90, 24);
    }

    /** A plain send after the fader. */
    public static Send of(double levelDb) {
        return new Send(levelDb, false, null);
    }

    /** The same send at another level. */
    public Send withLevel(double other) {
        return new Send(other, preFader, gate);
    }

    /** The same send with another gate. */
    public Send withGate(@Nullable Gate other) {
        return new Send(levelDb, preFader, other);
    }

    /** The same send taken before or after the source's gain. */
    public Send withPreFader(boolean other) {
        return new Send(levelDb, other, gate);
    }
}
