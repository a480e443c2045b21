package orbispace.core.design;

import java.util.Map;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

/** A change of one number of a return, with its words. */
public sealed interface ReturnEdit extends Edit {

    /** The return that changes. */
    String returnId();

    /** T60 of a reverb. */
    record Decay(String returnId, double seconds) implements ReturnEdit {}

    /** T60 of a reverb, with the level at which its beginning is as loud as before. */
    record Shorten(String returnId, double seconds, double levelDb) implements ReturnEdit {
        /** Another decay of a return, its level moved so that its beginning stays as loud. */
        public static Shorten of(Return r, double seconds) {
            double louder = 10 * Math.log10(reverb(r).decaySeconds() / seconds);
            return new Shorten(r.id(), seconds, Math.clamp(r.levelDb() - louder, -90, 24));
        }
    }

    /** T60 of a reverb's lows and highs, relative to the middle. */
    record DecayRatios(String returnId, double low, double high) implements ReturnEdit {}

    /** Predelay, with the bar whose tempo it takes. */
    record Predelay(String returnId, MusicalTime time, int bar) implements ReturnEdit {}

    /** Time of an echo, with the bar whose tempo it takes. */
    record EchoTime(String returnId, MusicalTime time, int bar) implements ReturnEdit {}

    /** Feedback of an echo. */
    record Feedback(String returnId, double value) implements ReturnEdit {}

    /** How far apart the sides of an echo are. */
    record EchoWidth(String returnId, double value) implements ReturnEdit {}

    /** Another space, or other numbers of it; {@code what} says which in words. */
    record Spatial(String returnId, Space space, String what) implements ReturnEdit {}

    /** The drive; null takes it out. */
    record Driving(String returnId, @Nullable Drive drive) implements ReturnEdit {}

    /** The gate behind the space; null takes it out. */
    record Gating(String returnId, @Nullable Gate gate) implements ReturnEdit {}

    /** The width. */
    record Widening(String returnId, Width width) implements ReturnEdit {}

    /** The tempo that note values take. */
    record Timed(String returnId, Return.Timing timing) implements ReturnEdit {}

    /** A feed from another return; null takes it out. */
    record Feed(String returnId, String fromId, @Nullable Double levelDb) implements ReturnEdit {}

    /** All of a send: level, tap and gate; null takes it out. */
    record Sending(String returnId, String sourceId, @Nullable Send send) implements ReturnEdit {}

    /** Its name. */
    record Named(String returnId, String name) implements ReturnEdit {}

    /** The filter before the space. */
    record FilterIn(String returnId, Filter filter) implements ReturnEdit {}

    /** The filter after the space. */
    record FilterOut(String returnId, Filter filter) implements ReturnEdit {}

    /** The ducker; null takes it out. */
    record Ducking(String returnId, @Nullable Duck duck) implements ReturnEdit {}

    /** The return's level. */
    record Level(String returnId, double levelDb) implements ReturnEdit {}

    /** The level of a send; null takes it out. */
    record SendLevel(String returnId, String sourceId, @Nullable Double levelDb)
            implements ReturnEdit {}

    @Override
    default Design applyTo(Design design) {
        Return r = design.requireReturn(returnId());
        return design.withReturn(
                switch (this) {
                    case Decay e -> r.withSpace(reverb(r).withDecay(e.seconds));
                    case Shorten e ->
                            r.withSpace(reverb(r).withDecay(e.seconds)).withLevel(e.levelDb);
                    case DecayRatios e -> r.withSpace(reverb(r).withRatios(e.low, e.high));
                    case Predelay e -> r.withPredelay(e.time).timedAt(e.bar);
                    case EchoTime e -> r.withSpace(echo(r).withTime(e.time)).timedAt(e.bar);
                    case Feedback e -> r.withSpace(echo(r).withFeedback(e.value));
                    case EchoWidth e -> r.withSpace(echo(r).withWidth(e.value));
                    case FilterIn e -> r.withFilterIn(e.filter);
                    case FilterOut e -> r.withFilterOut(e.filter);
                    case Ducking e -> r.withDuck(e.duck);
                    case Level e -> r.withLevel(e.levelDb);
                    case SendLevel e -> r.withSends(changed(r.sends(), e.sourceId, leveled(r, e)));
                    case Sending e -> r.withSends(changed(r.sends(), e.sourceId, e.send));
                    case Feed e -> r.withFeeds(changed(r.feeds(), e.fromId, e.levelDb));
                    case Spatial e -> r.withSpace(e.space);
                    case Driving e -> r.withChain(r.chain().withDrive(e.drive));
                    case Gating e -> r.withChain(r.chain().withGate(e.gate));
                    case Widening e -> r.withChain(r.chain().withWidth(e.width));
                    case Timed e -> r.withTiming(e.timing);
                    case Named e -> r.called(r.id(), e.name);
                });
    }

    /** The edit that takes this one back in a design in which it is about to be made. */
    default ReturnEdit inverse(Design before) {
        Return r = before.requireReturn(returnId());
        return switch (this) {
            case Decay e -> new Decay(e.returnId, reverb(r).decaySeconds());
            case Shorten e -> new Shorten(e.returnId, reverb(r).decaySeconds(), r.levelDb());
            case DecayRatios e ->
                    new DecayRatios(e.returnId, reverb(r).lowRatio(), reverb(r).highRatio());
            case Predelay e -> new Predelay(e.returnId, r.predelay(), r.timedAtBar());
            case EchoTime e -> new EchoTime(e.returnId, echo(r).time(), r.timedAtBar());
            case Feedback e -> new Feedback(e.returnId, echo(r).feedback());
            case EchoWidth e -> new EchoWidth(e.returnId, echo(r).width());
            case FilterIn e -> new FilterIn(e.returnId, r.filterIn());
            case FilterOut e -> new FilterOut(e.returnId, r.filterOut());
            case Ducking e -> new Ducking(e.returnId, r.duck());
            case Level e -> new Level(e.returnId, r.levelDb());
            case SendLevel e -> new Sending(e.returnId, e.sourceId, r.sends().get(e.sourceId));
            case Sending e -> new Sending(e.returnId, e.sourceId, r.sends().get(e.sourceId));
            case Feed e -> new Feed(e.returnId, e.fromId, r.feeds().get(e.fromId));
            case Spatial e -> new Spatial(e.returnId, r.space(), e.what);
            case Driving e -> new Driving(e.returnId, r.chain().drive());
            case Gating e -> new Gating(e.returnId, r.gate());
            case Widening e -> new Widening(e.returnId, r.chain().width());
            case Timed e -> new Timed(e.returnId, r.timing());
            case Named e -> new Named(e.returnId, r.name());
        };
    }

    @Override
    default String subject() {
        return switch (this) {
            case Decay e -> "decay of " + e.returnId;
            case Shorten e -> "decay of " + e.returnId;
            case DecayRatios e -> "decay of lows and highs of " + e.returnId;
            case Predelay e -> "predelay of " + e.returnId;
            case EchoTime e -> "echo time of " + e.returnId;
            case Feedback e -> "feedback of " + e.returnId;
            case EchoWidth e -> "width of " + e.returnId;
            case FilterIn e -> "filter before " + e.returnId;
            case FilterOut e -> "filter after " + e.returnId;
            case Ducking e -> "ducker of " + e.returnId;
            case Level e -> "level of " + e.returnId;
            case SendLevel e -> "send of " + e.sourceId + " into " + e.returnId;
            case Sending e -> "send of " + e.sourceId + " into " + e.returnId;
            case Feed e -> "feed of " + e.fromId + " into " + e.returnId;
            case Spatial e -> e.what + " of " + e.returnId;
            case Driving e -> "drive of " + e.returnId;
            case Gating e -> "gate of " + e.returnId;
            case Widening e -> "width of " + e.returnId;
            case Timed e -> "tempo of " + e.returnId;
            case Named e -> "name of " + e.returnId;
        };
    }

    private static Space.Reverb reverb(Return r) {
        if (r.space() instanceof Space.Reverb reverb) {
            return reverb;
        }
        throw new IllegalArgumentException("return " + r.id() + " is no reverb and has no decay");
    }

    private static Space.Echo echo(Return r) {
        if (r.space() instanceof Space.Echo echo) {
            return echo;
        }
        throw new IllegalArgumentException("return " + r.id() + " is no echo");
    }

    private static @Nullable Send leveled(Return r, SendLevel e) {
        if (e.levelDb == null) {
            return null;
        }
        Send there = r.sends().get(e.sourceId);
        return there == null ? Send.of(e.levelDb) : there.withLevel(e.levelDb);
    }

    private static <T> Map<String, T> changed(Map<String, T> map, String key, @Nullable T value) {
        Map<String, T> changed = new TreeMap<>(map);
        if (value == null) {
            changed.remove(key);
        } else {
            changed.put(key, value);
        }
        return changed;
    }
}
