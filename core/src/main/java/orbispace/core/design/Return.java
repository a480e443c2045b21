package orbispace.core.design;

import java.util.Collections;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;

/**
 * One space: the sends and feeds into it, its chain and its level. Fully wet.
 *
 * @param id its letter
 * @param name what people call it
 * @param sends each source that is sent
 * @param feeds level in dB, -90 to 24, of each other return that is fed into this one
 * @param chain what they pass
 * @param levelDb return level, -90 to 24
 * @param timing the tempo that its note values take
 */
public record Return(
        String id,
        String name,
        Map<String, Send> sends,
        Map<String, Double> feeds,
        Chain chain,
        double levelDb,
        Timing timing) {
    /**
     * The tempo that note values take.
     *
     * @param bar the bar whose tempo it is
     * @param followsSections true to take the tempo at the start of each section instead
     */
    public record Timing(int bar, boolean followsSections) {
        /** Checks the range. */
        public Timing {
            Ranges.require("bar", bar, 1, 1e6);
        }
    }

    /** Checks the ranges. */
    public Return {
        Ranges.requireId("return", id);
        ChainKnob.LEVEL.require(levelDb);
        feeds.values().forEach(db -> Ranges.require("feed level", db, -90, 24));
        sends = Collections.unmodifiableMap(new TreeMap<>(sends));
        feeds = Collections.unmodifiableMap(new TreeMap<>(feeds));
    }

    /** A return of plain sends with filters and a ducker, without drive, gate and feeds. */
    public static Return of(
            String id,
            String name,
            Map<String, Double> sendsDb,
            Filter filterIn,
            MusicalTime predelay,
            Space space,
            Filter filterOut,
            @Nullable Duck duck,
            double levelDb,
            int timedAtBar) {
        Map<String, Send> sends = new TreeMap<>();
        sendsDb.forEach((source, db) -> sends.put(source, Send.of(db)));
        Chain chain =
                Chain.of(space)
                        .withFilterIn(filterIn)
                        .withPredelay(predelay)
                        .withFilterOut(filterOut)
                        .withDuck(duck);
        return new Return(id, name, sends, Map.of(), chain, levelDb, new Timing(timedAtBar, false));
    }

    /** The filter before the space. */
    public Filter filterIn() {
        return chain.filterIn();
    }

    /** The predelay. */
    public MusicalTime predelay() {
        return chain.predelay();
    }

    /** What makes the wet sound. */
    public Space space() {
        return chain.space();
    }

    /** The filter after the space. */
    public Filter filterOut() {
        return chain.filterOut();
    }

    /** The ducker, or null for none. */
    public @Nullable Duck duck() {
        return chain.duck();
    }

    /** The gate behind the space, or null for none. */
    public @Nullable Gate gate() {
        return chain.gate();
    }

    /** The bar whose tempo its note values take. */
    public int timedAtBar() {
        return timing.bar();
    }

    /** The level of a source's send; empty if it is not sent. */
    public java.util.OptionalDouble sendDb(String source) {
        Send send = sends.get(source);
        return send == null
                ? java.util.OptionalDouble.empty()
                : java.util.OptionalDouble.of(send.levelDb());
    }

    /** The same return with other names for what keys its ducker and gates. */
    Return keyedBy(UnaryOperator<String> key) {
        Map<String, Send> keyed = new TreeMap<>();
        sends.forEach((id, send) ->
                keyed.put(
                        id, send.gate() == null ? send : send.withGate(send.gate().keyedBy(key))));
        Duck duck = chain.duck();
        Gate gate = chain.gate();
        return withSends(keyed)
                .withChain(
                        chain.withDuck(duck == null ? null : duck.keyedBy(key))
                                .withGate(gate == null ? null : gate.keyedBy(key)));
    }

    /** The same return with other sends. */
    public Return withSends(Map<String, Send> other) {
        return new Return(id, name, other, feeds, chain, levelDb, timing);
    }

    /** The same return with other feeds. */
    public Return withFeeds(Map<String, Double> other) {
        return new Return(id, name, sends, other, chain, levelDb, timing);
    }

    /** The same return with another chain. */
    public Return withChain(Chain other) {
        return new Return(id, name, sends, feeds, other, levelDb, timing);
    }

    /** The same return with another space. */
    public Return withSpace(Space other) {
        return withChain(chain.withSpace(other));
    }

    /** The same return with another filter before the space. */
    public Return withFilterIn(Filter other) {
        return withChain(chain.withFilterIn(other));
    }

    /** The same return with another predelay. */
    public Return withPredelay(MusicalTime other) {
        return withChain(chain.withPredelay(other));
    }

    /** The same return with another filter after the space. */
    public Return withFilterOut(Filter other) {
        return withChain(chain.withFilterOut(other));
    }

    /** The same return with another ducker. */
    public Return withDuck(@Nullable Duck other) {
        return withChain(chain.withDuck(other));
    }

    /** The same return at another level. */
    public Return withLevel(double other) {
        return new Return(id, name, sends, feeds, chain, other, timing);
    }

    /** The same return with another letter and name. */
    public Return called(String otherId, String otherName) {
        return new Return(otherId, otherName, sends, feeds, chain, levelDb, timing);
    }

    /** The same return timed at another bar. */
    public Return timedAt(int bar) {
        return withTiming(new Timing(bar, timing.followsSections()));
    }

    /** The same return timed otherwise. */
    public Return withTiming(Timing other) {
        return new Return(id, name, sends, feeds, chain, levelDb, other);
    }
}
