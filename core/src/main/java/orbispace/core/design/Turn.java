package orbispace.core.design;

import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.function.ToDoubleFunction;
import orbispace.core.words.Entries;
import orbispace.core.words.Wording;
import org.jspecify.annotations.Nullable;

/** How a number of a return is read, typed, stepped and set. */
sealed interface Turn {
    /** What may be typed, in words. */
    String accepted();

    /** What it is set to, to be compared; null if this return has none such. */
    @Nullable Object state(Return r);

    /** The number as it stands; empty if this return has none such. */
    Optional<Knob.Reading> read(Design design, Return r);

    /** The edit that a typed text means. */
    Optional<Edit> typed(Knob.At at, Return r, String text);

    /** The edit of so many steps up. */
    Optional<Edit> stepped(Knob.At at, Return r, double steps);

    /** The edit to a plain value. */
    default Optional<Edit> valued(Knob.At at, Return r, double value) {
        return Optional.empty();
    }

    /** The edit to a time. */
    default Optional<Edit> timed(Knob.At at, Return r, MusicalTime time) {
        return Optional.empty();
    }

    /** Makes the edit that sets a value; empty if this return has no such number. */
    @FunctionalInterface
    interface Change<V> {
        Optional<Edit> to(Knob.At at, Return r, V value);
    }

    /**
     * A plain number.
     *
     * @param scale what it may be
     * @param has whether a return has it
     * @param now its present value, or what it is turned from
     * @param instead words that stand in place of the number; empty for none
     */
    record Plain(
            Scale scale,
            Predicate<Return> has,
            ToDoubleFunction<Return> now,
            Function<Return, String> instead,
            Change<Double> change)
            implements Turn {
        /** A number that is always read as such. */
        Plain(
                Scale scale,
                Predicate<Return> has,
                ToDoubleFunction<Return> now,
                Change<Double> change) {
            this(scale, has, now, r -> "", change);
        }

        @Override
        public String accepted() {
            return scale.accepted() + ", " + scale.range();
        }

        @Override
        public @Nullable Object state(Return r) {
            return has.test(r) ? now.applyAsDouble(r) : null;
        }

        @Override
        public Optional<Knob.Reading> read(Design design, Return r) {
            String words = instead.apply(r);
            if (!words.isEmpty()) {
                return Optional.of(new Knob.Reading(words, ""));
            }
            return has.test(r)
                    ? Optional.of(scale.unit().read(now.applyAsDouble(r), scale.decimals()))
                    : Optional.empty();
        }

        @Override
        public Optional<Edit> typed(Knob.At at, Return r, String text) {
            OptionalDouble value = scale.unit().parse(text);
            return value.isPresent() && scale.holds(value.getAsDouble()) && has.test(r)
                    ? change.to(at, r, value.getAsDouble())
                    : Optional.empty();
        }

        @Override
        public Optional<Edit> valued(Knob.At at, Return r, double value) {
            return has.test(r) ? change.to(at, r, scale.clamp(value)) : Optional.empty();
        }

        @Override
        public Optional<Edit> stepped(Knob.At at, Return r, double steps) {
            return has.test(r)
                    ? change.to(at, r, scale.stepped(now.applyAsDouble(r), steps))
                    : Optional.empty();
        }
    }

    /**
     * A corner of a filter; a step is a semitone, and the end of the range is off.
     *
     * @param filter the filter; null if this return has none such
     * @param high whether it is the high-pass
     */
    record Corner(Function<Return, @Nullable Filter> filter, boolean high, Change<Filter> change)
            implements Turn {
        private static final double LEAST_HZ = 20;
        private static final double MOST_HZ = 20000;
        private static final int DEFAULT_POLES = 2;

        @Override
        public String accepted() {
            return "a frequency like 310 or 3.1k; 20 and 20k mean off";
        }

        private Filter.@Nullable Corner corner(@Nullable Filter f) {
            if (f == null) {
                return null;
            }
            return high ? f.highPass() : f.lowPass();
        }

        @Override
        public @Nullable Object state(Return r) {
            return corner(filter.apply(r));
        }

        @Override
        public Optional<Knob.Reading> read(Design design, Return r) {
            Filter f = filter.apply(r);
            Filter.Corner corner = corner(f);
            if (f == null) {
                return Optional.empty();
            }
            return Optional.of(
                    corner == null ? new Knob.Reading("off", "") : Unit.HERTZ.read(corner.hz(), 0));
        }

        @Override
        public Optional<Edit> typed(Knob.At at, Return r, String text) {
            OptionalDouble hz = Entries.hertz(text);
            return hz.isPresent() ? edit(at, r, hz.getAsDouble()) : Optional.empty();
        }

        @Override
        public Optional<Edit> stepped(Knob.At at, Return r, double steps) {
            Filter.Corner corner = corner(filter.apply(r));
            double end = high ? LEAST_HZ : MOST_HZ;
            double hz = corner != null ? corner.hz() : end;
            double turned = Math.clamp(hz * Math.pow(2, steps / 12), LEAST_HZ, MOST_HZ);
            return edit(at, r, Math.rint(turned));
        }

        private Optional<Edit> edit(Knob.At at, Return r, double hz) {
            Filter f = filter.apply(r);
            boolean off = high ? hz <= LEAST_HZ : hz >= MOST_HZ;
            if (f == null || hz < 0 || (!off && (hz < LEAST_HZ || hz > MOST_HZ))) {
                return Optional.empty();
            }
            Filter.Corner old = corner(f);
            Filter.Corner corner =
                    off ? null : new Filter.Corner(hz, old == null ? DEFAULT_POLES : old.poles());
            return change.to(at, r, high ? f.withHighPass(corner) : f.withLowPass(corner));
        }
    }

    /**
     * A time, plain or as a note value; a step is a millisecond.
     *
     * @param has whether a return has it
     * @param now its present value; null if it is not set
     * @param instead words that stand in place of a time that is not set
     */
    record Time(
            Predicate<Return> has,
            Function<Return, @Nullable MusicalTime> now,
            String instead,
            Change<MusicalTime> change)
            implements Turn {
        private static final double LONGEST_MILLIS = 8000;
        private static final double MOST_OFFSET_MILLIS = 1000;

        @Override
        public String accepted() {
            return MusicalTime.ACCEPTED;
        }

        @Override
        public @Nullable Object state(Return r) {
            return has.test(r) ? now.apply(r) : null;
        }

        @Override
        public Optional<Knob.Reading> read(Design design, Return r) {
            if (!has.test(r)) {
                return Optional.empty();
            }
            return Optional.of(
                    switch (now.apply(r)) {
                        case null -> new Knob.Reading(instead, "");
                        case MusicalTime.Note note ->
                                new Knob.Reading(
                                        note.label(),
                                        Wording.time(
                                                note.seconds(
                                                        design.song().clock(), r.timedAtBar())));
                        case MusicalTime.Millis(double v) ->
                                new Knob.Reading(Wording.number(v, v % 1 == 0 ? 0 : 1), "ms");
                    });
        }

        @Override
        public Optional<Edit> typed(Knob.At at, Return r, String text) {
            return has.test(r)
                    ? MusicalTime.parse(text).flatMap(t -> change.to(at, r, t))
                    : Optional.empty();
        }

        @Override
        public Optional<Edit> timed(Knob.At at, Return r, MusicalTime time) {
            return has.test(r) ? change.to(at, r, time) : Optional.empty();
        }

        @Override
        public Optional<Edit> stepped(Knob.At at, Return r, double steps) {
            if (!has.test(r)) {
                return Optional.empty();
            }
            MusicalTime set = now.apply(r);
            MusicalTime from = set == null ? new MusicalTime.Millis(0) : set;
            return change.to(at, r, shifted(at, r, from, steps));
        }

        private static MusicalTime shifted(Knob.At at, Return r, MusicalTime time, double millis) {
            return switch (time) {
                case MusicalTime.Millis(double value) ->
                        new MusicalTime.Millis(rounded(value + millis, 0, LONGEST_MILLIS));
                case MusicalTime.Note(var note, double offset) -> {
                    var clock = at.design().song().clock();
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

        private static double rounded(double value, double low, double high) {
            return Math.clamp(Math.rint(value * 1000) / 1000, low, high);
        }
    }
}
