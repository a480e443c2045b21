package orbispace.app.view;

import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.DoubleFunction;
import orbispace.app.session.Session;
import orbispace.core.design.Duck;
import orbispace.core.design.Edit;
import orbispace.core.design.Filter;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Return;
import orbispace.core.design.Space;
import org.jspecify.annotations.Nullable;

/**
 * Edits of a return's numbers by name: from what was typed, and by steps. Shared by handles and
 * cards.
 */
final class ReturnEdits {
    private static final double OFF_HIGH_PASS_HZ = 20;
    private static final double OFF_LOW_PASS_HZ = 20000;
    private static final int DEFAULT_POLES = 2;

    private ReturnEdits() {}

    /** The edit that a typed text means; empty if it is not understood. */
    static Optional<Edit> typed(Session session, Return r, String name, String text) {
        String id = r.id();
        return switch (name) {
            case "predelay" ->
                    MusicalTime.parse(text)
                            .map(t -> new Edit.Predelay(id, t, barFor(session, r, t)));
            case "echo time" ->
                    MusicalTime.parse(text)
                            .map(t -> new Edit.EchoTime(id, t, barFor(session, r, t)));
            case "decay" -> of(Entries.seconds(text), v -> new Edit.Decay(id, v));
            case "lows" ->
                    hall(r).flatMap(h ->
                            of(
                                    Entries.factor(text),
                                    v -> new Edit.DecayRatios(id, v, h.highRatio())));
            case "highs" ->
                    hall(r).flatMap(h ->
                            of(
                                    Entries.factor(text),
                                    v -> new Edit.DecayRatios(id, h.lowRatio(), v)));
            case "feedback" -> of(Entries.percent(text), v -> new Edit.Feedback(id, v));
            case "sides" -> of(Entries.percent(text), v -> new Edit.EchoWidth(id, v));
            case "return" -> of(Entries.db(text), v -> new Edit.Level(id, v));
            case "high-pass before" ->
                    of(Entries.hertz(text), v -> new Edit.FilterIn(id, highPass(r.filterIn(), v)));
            case "low-pass before" ->
                    of(Entries.hertz(text), v -> new Edit.FilterIn(id, lowPass(r.filterIn(), v)));
            case "high-pass" ->
                    of(
                            Entries.hertz(text),
                            v -> new Edit.FilterOut(id, highPass(r.filterOut(), v)));
            case "low-pass" ->
                    of(Entries.hertz(text), v -> new Edit.FilterOut(id, lowPass(r.filterOut(), v)));
            case "depth" ->
                    duck(session, r)
                            .flatMap(d ->
                                    of(
                                            Entries.db(text),
                                            v -> ducking(id, d.withRange(Math.abs(v)))));
            case "hold" ->
                    duck(session, r)
                            .flatMap(d ->
                                    of(
                                            Entries.millis(text),
                                            v -> ducking(id, times(d, v, d.releaseMillis()))));
            case "release" ->
                    duck(session, r)
                            .flatMap(d ->
                                    of(
                                            Entries.millis(text),
                                            v -> ducking(id, times(d, d.holdMillis(), v))));
            default -> Optional.empty();
        };
    }

    /** The edit of one step up or down. */
    static Edit step(Session session, Return r, String name, int direction, NumberField.Step size) {
        double times =
                direction
                        * switch (size) {
                            case FINE -> 0.1;
                            case PLAIN -> 1.0;
                            case COARSE -> 10.0;
                        };
        String id = r.id();
        return switch (name) {
            case "predelay" ->
                    new Edit.Predelay(id, shifted(session, r, r.predelay(), times), r.timedAtBar());
            case "echo time" ->
                    new Edit.EchoTime(
                            id,
                            shifted(session, r, echo(r).orElseThrow().time(), times),
                            r.timedAtBar());
            case "decay" ->
                    new Edit.Decay(
                            id,
                            rounded(hall(r).orElseThrow().decaySeconds() + 0.05 * times, 0.1, 20));
            case "lows" -> {
                Space.Hall h = hall(r).orElseThrow();
                yield new Edit.DecayRatios(
                        id, rounded(h.lowRatio() + 0.05 * times, 0.25, 2), h.highRatio());
            }
            case "highs" -> {
                Space.Hall h = hall(r).orElseThrow();
                yield new Edit.DecayRatios(
                        id, h.lowRatio(), rounded(h.highRatio() + 0.05 * times, 0.1, 1.5));
            }
            case "feedback" ->
                    new Edit.Feedback(
                            id, rounded(echo(r).orElseThrow().feedback() + 0.01 * times, 0, 0.95));
            case "sides" ->
                    new Edit.EchoWidth(
                            id, rounded(echo(r).orElseThrow().width() + 0.05 * times, 0, 1));
            case "return" -> new Edit.Level(id, rounded(r.levelDb() + times * 0.5, -90, 24));
            case "high-pass before" ->
                    new Edit.FilterIn(
                            id,
                            highPass(
                                    r.filterIn(),
                                    turned(r.filterIn().highPass(), OFF_HIGH_PASS_HZ, times)));
            case "low-pass before" ->
                    new Edit.FilterIn(
                            id,
                            lowPass(
                                    r.filterIn(),
                                    turned(r.filterIn().lowPass(), OFF_LOW_PASS_HZ, times)));
            case "high-pass" ->
                    new Edit.FilterOut(
                            id,
                            highPass(
                                    r.filterOut(),
                                    turned(r.filterOut().highPass(), OFF_HIGH_PASS_HZ, times)));
            case "low-pass" ->
                    new Edit.FilterOut(
                            id,
                            lowPass(
                                    r.filterOut(),
                                    turned(r.filterOut().lowPass(), OFF_LOW_PASS_HZ, times)));
            case "depth" -> {
                Duck d = duck(session, r).orElseThrow();
                double range = r.duck() == null ? 0 : d.rangeDb();
                yield ducking(id, d.withRange(rounded(range + 0.5 * times, 0, 60)));
            }
            case "hold" -> {
                Duck d = duck(session, r).orElseThrow();
                yield ducking(
                        id,
                        times(d, rounded(d.holdMillis() + 10 * times, 0, 2000), d.releaseMillis()));
            }
            case "release" -> {
                Duck d = duck(session, r).orElseThrow();
                yield ducking(
                        id,
                        times(d, d.holdMillis(), rounded(d.releaseMillis() + 10 * times, 5, 5000)));
            }
            default -> throw new IllegalArgumentException("there is no number called " + name);
        };
    }

    private static Optional<Edit> of(OptionalDouble value, DoubleFunction<Edit> edit) {
        return value.isPresent() ? Optional.of(edit.apply(value.getAsDouble())) : Optional.empty();
    }

    private static Edit ducking(String id, Duck duck) {
        return new Edit.Ducking(id, duck.rangeDb() == 0 ? null : duck);
    }

    private static int barFor(Session session, Return r, MusicalTime time) {
        return time instanceof MusicalTime.Note ? session.bar() : r.timedAtBar();
    }

    private static MusicalTime shifted(Session session, Return r, MusicalTime time, double millis) {
        return switch (time) {
            case MusicalTime.Millis(double value) ->
                    new MusicalTime.Millis(rounded(value + millis, 0, 8000));
            case MusicalTime.Note(var note, double offset) -> {
                double least =
                        -1000
                                * new MusicalTime.Note(note, 0)
                                        .seconds(
                                                session.design().get().song().clock(),
                                                r.timedAtBar());
                yield new MusicalTime.Note(
                        note, rounded(offset + millis, Math.max(-1000, least), 1000));
            }
        };
    }

    private static double rounded(double value, double low, double high) {
        return Math.clamp(Math.rint(value * 1000) / 1000, low, high);
    }

    private static Optional<Space.Hall> hall(Return r) {
        return r.space() instanceof Space.Hall h ? Optional.of(h) : Optional.empty();
    }

    private static Optional<Space.PingPong> echo(Return r) {
        return r.space() instanceof Space.PingPong p ? Optional.of(p) : Optional.empty();
    }

    private static double turned(Filter.@Nullable Corner corner, double off, double times) {
        double hz = corner == null ? off : corner.hz();
        return Math.rint(
                Math.clamp(hz * Math.pow(2, times / 12), OFF_HIGH_PASS_HZ, OFF_LOW_PASS_HZ));
    }

    /** A high-pass at or under 20 Hz is none. */
    private static Filter highPass(Filter filter, double hz) {
        return filter.withHighPass(hz <= OFF_HIGH_PASS_HZ ? null : corner(filter.highPass(), hz));
    }

    /** A low-pass at or over 20 kHz is none. */
    private static Filter lowPass(Filter filter, double hz) {
        return filter.withLowPass(hz >= OFF_LOW_PASS_HZ ? null : corner(filter.lowPass(), hz));
    }

    private static Filter.Corner corner(Filter.@Nullable Corner old, double hz) {
        return new Filter.Corner(hz, old == null ? DEFAULT_POLES : old.poles());
    }

    /** The ducker as it is, or one keyed by the first lead that does nothing yet. */
    private static Optional<Duck> duck(Session session, Return r) {
        if (r.duck() != null) {
            return Optional.of(r.duck());
        }
        return session.design().get().sourcesOf(orbispace.core.design.Role.LEAD).stream()
                .findFirst()
                .map(s -> new Duck(s.id(), 0, -40, 8, 6, 5, 100, 240));
    }

    private static Duck times(Duck d, double hold, double release) {
        return new Duck(
                d.keySource(),
                d.rangeDb(),
                d.thresholdDb(),
                d.ratio(),
                d.kneeDb(),
                d.attackMillis(),
                hold,
                release);
    }
}
