package orbispace.core.design;

import orbispace.core.space.EchoSettings;
import org.jspecify.annotations.Nullable;

/**
 * How a thrown word repeats, where it does so otherwise than its return does. Everything is left as
 * the return has it unless it is set.
 *
 * @param time spacing of its repeats, at the tempo where it is thrown; for returns that echo
 * @param feedback level of each repeat over the one before, 0 (a single repeat) to 0.95
 * @param sides where its repeats go
 * @param filter what enters its space, in place of the return's own filter before the space
 * @param feedDb how much of what it makes enters the spaces that its source is sent to, over that
 *     send, -60 to 24; null for no more than the return itself feeds
 * @param untilBeat where what it makes is shut, in quarter notes from bar 1; null to ring out
 */
public record Trail(
        @Nullable MusicalTime time,
        @Nullable Double feedback,
        Sides sides,
        @Nullable Filter filter,
        @Nullable Double feedDb,
        @Nullable Double untilBeat) {
    /** As the return does. */
    public static final Trail AS_RETURN = new Trail(null, null, Sides.AS_RETURN, null, null, null);

    /** Where repeats go. */
    public enum Sides {
        /** Where the return puts them. */
        AS_RETURN("as the return"),
        /** Where the word was. */
        STAY("stay"),
        /** Left, right, left. */
        ALTERNATE("alternate");

        private final String label;

        Sides(String label) {
            this.label = label;
        }

        /** It in words. */
        public String label() {
            return label;
        }
    }

    /** Checks the ranges. */
    public Trail {
        if (feedback != null) {
            Ranges.require("feedback of a throw", feedback, 0, 0.95);
        }
        if (feedDb != null) {
            Ranges.require("feed of a throw", feedDb, -60, 24);
        }
        if (untilBeat != null) {
            Ranges.require("end of a throw's trail", untilBeat, -1e5, 1e6);
        }
    }

    /** Whether it is all as the return has it. */
    public boolean isPlain() {
        return equals(AS_RETURN);
    }

    /** The same at another spacing; null for the return's. */
    public Trail withTime(@Nullable MusicalTime other) {
        return new Trail(other, feedback, sides, filter, feedDb, untilBeat);
    }

    /** The same with another feedback; null for the return's. */
    public Trail withFeedback(@Nullable Double other) {
        return new Trail(time, other, sides, filter, feedDb, untilBeat);
    }

    /** The same on other sides. */
    public Trail withSides(Sides other) {
        return new Trail(time, feedback, other, filter, feedDb, untilBeat);
    }

    /** The same through another filter; null for the return's. */
    public Trail withFilter(@Nullable Filter other) {
        return new Trail(time, feedback, sides, other, feedDb, untilBeat);
    }

    /** The same feeding its source's spaces at another level; null not to. */
    public Trail withFeed(@Nullable Double db) {
        return new Trail(time, feedback, sides, filter, db, untilBeat);
    }

    /** The same shut at another beat; null to ring out. */
    public Trail until(@Nullable Double beat) {
        return new Trail(time, feedback, sides, filter, feedDb, beat);
    }

    /** A space as this trail has it: an echo with its own time, feedback and sides. */
    public Space over(Space space) {
        if (!(space instanceof Space.Echo e)) {
            return space;
        }
        Space.Echo own = time == null ? e : e.withTime(time);
        own = feedback == null ? own : own.withFeedback(feedback);
        return switch (sides) {
            case AS_RETURN -> own;
            case STAY -> own.withKind(EchoSettings.Kind.SINGLE);
            case ALTERNATE -> own.withKind(EchoSettings.Kind.PING_PONG);
        };
    }
}
