package orbispace.core.design;

import java.util.Collections;
import java.util.Map;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

/**
 * One space: the sends into it, its chain and its level. Fully wet.
 *
 * @param id its letter
 * @param name what people call it
 * @param sends level in dB of each source that is sent, after its fader
 * @param filterIn before the space
 * @param predelay before the space
 * @param space what makes the wet sound
 * @param filterOut after the space
 * @param duck after the filter, or null for none
 * @param levelDb return level, -90 to 24
 * @param timedAtBar the bar whose tempo its note values take
 */
public record Return(
        String id,
        String name,
        Map<String, Double> sends,
        Filter filterIn,
        MusicalTime predelay,
        Space space,
        Filter filterOut,
        @Nullable Duck duck,
        double levelDb,
        int timedAtBar) {
    /** Checks the ranges. */
    public Return {
        Ranges.requireId("return", id);
        Ranges.require("return level", levelDb, -90, 24);
        Ranges.require("bar", timedAtBar, 1, 1e6);
        sends.values().forEach(db -> Ranges.require("send level", db, -90, 24));
        sends = Collections.unmodifiableMap(new TreeMap<>(sends));
    }

    /** The same return with other sends. */
    public Return withSends(Map<String, Double> other) {
        return new Return(
                id, name, other, filterIn, predelay, space, filterOut, duck, levelDb, timedAtBar);
    }

    /** The same return with another filter before the space. */
    public Return withFilterIn(Filter other) {
        return new Return(
                id, name, sends, other, predelay, space, filterOut, duck, levelDb, timedAtBar);
    }

    /** The same return with another predelay. */
    public Return withPredelay(MusicalTime other) {
        return new Return(
                id, name, sends, filterIn, other, space, filterOut, duck, levelDb, timedAtBar);
    }

    /** The same return with another space. */
    public Return withSpace(Space other) {
        return new Return(
                id, name, sends, filterIn, predelay, other, filterOut, duck, levelDb, timedAtBar);
    }

    /** The same return with another filter after the space. */
    public Return withFilterOut(Filter other) {
        return new Return(
                id, name, sends, filterIn, predelay, space, other, duck, levelDb, timedAtBar);
    }

    /** The same return with another ducker. */
    public Return withDuck(@Nullable Duck other) {
        return new Return(
                id, name, sends, filterIn, predelay, space, filterOut, other, levelDb, timedAtBar);
    }

    /** The same return at another level. */
    public Return withLevel(double other) {
        return new Return(
                id, name, sends, filterIn, predelay, space, filterOut, duck, other, timedAtBar);
    }

    /** The same return timed at another bar. */
    public Return timedAt(int bar) {
        return new Return(
                id, name, sends, filterIn, predelay, space, filterOut, duck, levelDb, bar);
    }
}
