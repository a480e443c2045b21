package orbispace.core.design;

import java.util.Map;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

/** A change of one number of a return, with its words. */
public sealed interface ReturnEdit extends Edit {

    /** The return that changes. */
    String returnId();

    /** T60 of a hall. */
    record Decay(String returnId, double seconds) implements ReturnEdit {}

    /** T60 of a hall's lows and highs, relative to the middle. */
    record DecayRatios(String returnId, double low, double high) implements ReturnEdit {}

    /** Predelay, with the bar whose tempo it takes. */
    record Predelay(String returnId, MusicalTime time, int bar) implements ReturnEdit {}

    /** Time of an echo, with the bar whose tempo it takes. */
    record EchoTime(String returnId, MusicalTime time, int bar) implements ReturnEdit {}

    /** Feedback of an echo. */
    record Feedback(String returnId, double value) implements ReturnEdit {}

    /** How far apart the sides of an echo are. */
    record EchoWidth(String returnId, double value) implements ReturnEdit {}

    /** The filter before the space. */
    record FilterIn(String returnId, Filter filter) implements ReturnEdit {}

    /** The filter after the space. */
    record FilterOut(String returnId, Filter filter) implements ReturnEdit {}

    /** The ducker; null takes it out. */
    record Ducking(String returnId, @Nullable Duck duck) implements ReturnEdit {}

    /** The return's level. */
    record Level(String returnId, double levelDb) implements ReturnEdit {}

    /** A send; null takes it out. */
    record Send(String returnId, String sourceId, @Nullable Double levelDb) implements ReturnEdit {}

    @Override
    default Design applyTo(Design design) {
        Return r = design.requireReturn(returnId());
        return design.withReturn(
                switch (this) {
                    case Decay e -> {
                        Space.Hall hall = hall(r);
                        yield r.withSpace(
                                new Space.Hall(e.seconds, hall.lowRatio(), hall.highRatio()));
                    }
                    case DecayRatios e ->
                            r.withSpace(new Space.Hall(hall(r).decaySeconds(), e.low, e.high));
                    case Predelay e -> r.withPredelay(e.time).timedAt(e.bar);
                    case EchoTime e -> r.withSpace(echo(r).withTime(e.time)).timedAt(e.bar);
                    case Feedback e -> r.withSpace(echo(r).withFeedback(e.value));
                    case EchoWidth e -> r.withSpace(echo(r).withWidth(e.value));
                    case FilterIn e -> r.withFilterIn(e.filter);
                    case FilterOut e -> r.withFilterOut(e.filter);
                    case Ducking e -> r.withDuck(e.duck);
                    case Level e -> r.withLevel(e.levelDb);
                    case Send e -> r.withSends(changedSends(r, e));
                });
    }

    /** The edit that takes this one back in a design in which it is about to be made. */
    default ReturnEdit inverse(Design before) {
        Return r = before.requireReturn(returnId());
        return switch (this) {
            case Decay e -> new Decay(e.returnId, hall(r).decaySeconds());
            case DecayRatios e ->
                    new DecayRatios(e.returnId, hall(r).lowRatio(), hall(r).highRatio());
            case Predelay e -> new Predelay(e.returnId, r.predelay(), r.timedAtBar());
            case EchoTime e -> new EchoTime(e.returnId, echo(r).time(), r.timedAtBar());
            case Feedback e -> new Feedback(e.returnId, echo(r).feedback());
            case EchoWidth e -> new EchoWidth(e.returnId, echo(r).width());
            case FilterIn e -> new FilterIn(e.returnId, r.filterIn());
            case FilterOut e -> new FilterOut(e.returnId, r.filterOut());
            case Ducking e -> new Ducking(e.returnId, r.duck());
            case Level e -> new Level(e.returnId, r.levelDb());
            case Send e -> new Send(e.returnId, e.sourceId, r.sends().get(e.sourceId));
        };
    }

    @Override
    default String subject() {
        return switch (this) {
            case Decay e -> "decay of " + e.returnId;
            case DecayRatios e -> "decay of lows and highs of " + e.returnId;
            case Predelay e -> "predelay of " + e.returnId;
            case EchoTime e -> "echo time of " + e.returnId;
            case Feedback e -> "feedback of " + e.returnId;
            case EchoWidth e -> "width of " + e.returnId;
            case FilterIn e -> "filter before " + e.returnId;
            case FilterOut e -> "filter after " + e.returnId;
            case Ducking e -> "ducker of " + e.returnId;
            case Level e -> "level of " + e.returnId;
            case Send e -> "send of " + e.sourceId + " into " + e.returnId;
        };
    }

    private static Space.Hall hall(Return r) {
        if (r.space() instanceof Space.Hall hall) {
            return hall;
        }
        throw new IllegalArgumentException("return " + r.id() + " is no reverb and has no decay");
    }

    private static Space.PingPong echo(Return r) {
        if (r.space() instanceof Space.PingPong echo) {
            return echo;
        }
        throw new IllegalArgumentException("return " + r.id() + " is no echo");
    }

    private static Map<String, Double> changedSends(Return r, Send e) {
        Map<String, Double> sends = new TreeMap<>(r.sends());
        if (e.levelDb == null) {
            sends.remove(e.sourceId);
        } else {
            sends.put(e.sourceId, e.levelDb);
        }
        return sends;
    }
}
