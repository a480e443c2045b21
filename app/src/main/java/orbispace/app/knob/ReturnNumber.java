package orbispace.app.knob;

import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.function.ToDoubleFunction;
import orbispace.core.design.Design;
import orbispace.core.design.Edit;
import orbispace.core.design.Filter;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Return;

/** A number of a return that can be typed or stepped: how it is read, changed and bounded. */
public sealed interface ReturnNumber {
    /**
     * Where a number is turned.
     *
     * @param design the design as it stands
     * @param bar the bar that note values are taken at
     */
    record At(Design design, int bar) {}

    /** What may be typed, in words. */
    String accepted();

    /** The edit that a typed text means; empty if it is not understood or not of this return. */
    Optional<Edit> typed(At at, Return r, String text);

    /** The edit of so many steps up; empty if it is not of this return. */
    Optional<Edit> stepped(At at, Return r, double steps);

    /**
     * The edit to a plain value, in the number's own unit; empty if it has none or not this return.
     */
    default Optional<Edit> valued(At at, Return r, double value) {
        return Optional.empty();
    }

    /** The edit to a time; empty if it is no time or not of this return. */
    default Optional<Edit> timed(At at, Return r, MusicalTime time) {
        return Optional.empty();
    }

    /** Makes the edit that sets a value; empty if this return has no such number. */
    @FunctionalInterface
    interface Change<V> {
        Optional<Edit> to(At at, Return r, V value);
    }

    /**
     * A plain number.
     *
     * @param read understands what was typed
     * @param has whether a return has it
     * @param now its present value
     * @param step one step
     * @param low the least that steps reach
     * @param high the most that steps reach
     */
    record Scalar(
            String accepted,
            Function<String, OptionalDouble> read,
            Predicate<Return> has,
            ToDoubleFunction<Return> now,
            double step,
            double low,
            double high,
            Change<Double> change)
            implements ReturnNumber {
        @Override
        public Optional<Edit> typed(At at, Return r, String text) {
            OptionalDouble value = read.apply(text);
            return value.isPresent() && has.test(r)
                    ? change.to(at, r, value.getAsDouble())
                    : Optional.empty();
        }

        @Override
        public Optional<Edit> valued(At at, Return r, double value) {
            return has.test(r) ? change.to(at, r, Math.clamp(value, low, high)) : Optional.empty();
        }

        @Override
        public Optional<Edit> stepped(At at, Return r, double steps) {
            return has.test(r)
                    ? change.to(at, r, rounded(now.applyAsDouble(r) + step * steps, low, high))
                    : Optional.empty();
        }
    }

    /** A corner of a filter; a step is a semitone, and the end of the range is off. */
    record Corner(Function<Return, Filter> filter, boolean high, Change<Filter> change)
            implements ReturnNumber {
        private static final double LEAST_HZ = 20;
        private static final double MOST_HZ = 20000;
        private static final int DEFAULT_POLES = 2;

        @Override
        public String accepted() {
            return "a frequency like 310 or 3.1k; 20 and 20k mean off";
        }

        @Override
        public Optional<Edit> typed(At at, Return r, String text) {
            OptionalDouble hz = Entries.hertz(text);
            return hz.isPresent() ? edit(at, r, hz.getAsDouble()) : Optional.empty();
        }

        @Override
        public Optional<Edit> stepped(At at, Return r, double steps) {
            Filter f = filter.apply(r);
            Filter.Corner corner = high ? f.highPass() : f.lowPass();
            double hz = corner != null ? corner.hz() : high ? LEAST_HZ : MOST_HZ;
            double turned = Math.clamp(hz * Math.pow(2, steps / 12), LEAST_HZ, MOST_HZ);
            return edit(at, r, Math.rint(turned));
        }

        private Optional<Edit> edit(At at, Return r, double hz) {
            Filter f = filter.apply(r);
            Filter.Corner old = high ? f.highPass() : f.lowPass();
            Filter.Corner corner = new Filter.Corner(hz, old == null ? DEFAULT_POLES : old.poles());
            return change.to(
                    at,
                    r,
                    high
                            ? f.withHighPass(hz <= LEAST_HZ ? null : corner)
                            : f.withLowPass(hz >= MOST_HZ ? null : corner));
        }
    }

    /** A time, plain or as a note value; a step is a millisecond. */
    record Time(
            Predicate<Return> has, Function<Return, MusicalTime> now, Change<MusicalTime> change)
            implements ReturnNumber {
        private static final double LONGEST_MILLIS = 8000;
        private static final double MOST_OFFSET_MILLIS = 1000;

        @Override
        public String accepted() {
            return MusicalTime.ACCEPTED;
        }

        @Override
        public Optional<Edit> typed(At at, Return r, String text) {
            return has.test(r)
                    ? MusicalTime.parse(text).flatMap(t -> change.to(at, r, t))
                    : Optional.empty();
        }

        @Override
        public Optional<Edit> timed(At at, Return r, MusicalTime time) {
            return has.test(r) ? change.to(at, r, time) : Optional.empty();
        }

        @Override
        public Optional<Edit> stepped(At at, Return r, double steps) {
            return has.test(r)
                    ? change.to(at, r, shifted(at, r, now.apply(r), steps))
                    : Optional.empty();
        }

        private static MusicalTime shifted(At s, Return r, MusicalTime time, double millis) {
            return switch (time) {
                case MusicalTime.Millis(double value) ->
                        new MusicalTime.Millis(rounded(value + millis, 0, LONGEST_MILLIS));
                case MusicalTime.Note(var note, double offset) -> {
                    var clock = s.design().song().clock();
                    double length =
                            1000 * new MusicalTime.Note(note, 0).seconds(clock, r.timedAtBar());
                    yield new MusicalTime.Note(
                            note,
                            rounded(
                                    offset + millis,
                                    Math.max(-MOST_OFFSET_MILLIS, -length),
                                    MOST_OFFSET_MILLIS));
                }
            };
        }
    }

    private static double rounded(double value, double low, double high) {
        return Math.clamp(Math.rint(value * 1000) / 1000, low, high);
    }
}
