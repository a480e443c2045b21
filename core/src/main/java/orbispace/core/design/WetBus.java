package orbispace.core.design;

import java.util.List;
import java.util.Map;
import orbispace.core.space.ReverbKind;

/**
 * What several returns pass together on their way to the mix. What they feed into each other does
 * not.
 *
 * @param trimDb level, -60 to 12
 * @param filter what of them is let through
 * @param width factor on the difference of both channels, 0 (mono) to 2
 */
public record WetBus(double trimDb, Filter filter, double width) {
    private static final String STANDING = "wet";

    /** As it is. */
    public static final WetBus PLAIN = new WetBus(0, Filter.OPEN, 1);

    /** Checks the ranges; a trim of minus nothing is none. */
    public WetBus {
        trimDb += 0.0;
        Ranges.require("trim of wet", trimDb, -60, 12);
        Ranges.require("width of wet", width, 0, 2);
    }

    /**
     * A return that has the same level, filter and width and nothing else, so that every number of
     * a return that holds for it can be turned there.
     */
    public Return standing() {
        Return plain =
                Return.of(
                        STANDING,
                        "wet",
                        Map.of(),
                        Filter.OPEN,
                        new MusicalTime.Millis(0),
                        new Space.Reverb(ReverbKind.ROOM, 1, 1, 1, 1),
                        filter,
                        null,
                        trimDb,
                        1);
        return plain.withChain(plain.chain().withWidth(Width.PLAIN.withFactor(width)));
    }

    /**
     * What such a return has by now.
     *
     * @throws IllegalArgumentException if that is out of range
     */
    public static WetBus of(Return standing) {
        return new WetBus(
                standing.levelDb(), standing.filterOut(), standing.chain().width().factor());
    }

    /** The same with an edit of {@link #standing}. */
    public WetBus with(Song song, Edit edit) {
        Design alone = new Design(song, List.of(), List.of(standing()));
        return of(edit.applyTo(alone).requireReturn(STANDING));
    }

    /** Whether it changes nothing. */
    public boolean isPlain() {
        return equals(PLAIN);
    }

    /** The same at another level. */
    public WetBus withTrim(double other) {
        return new WetBus(other, filter, width);
    }

    /** The same with another filter. */
    public WetBus withFilter(Filter other) {
        return new WetBus(trimDb, other, width);
    }

    /** The same with another width. */
    public WetBus withWidth(double other) {
        return new WetBus(trimDb, filter, other);
    }
}
