package orbispace.core.ears;

import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import orbispace.core.design.Design;
import orbispace.core.design.Duck;
import orbispace.core.design.FieldEdit;
import orbispace.core.design.Filter;
import orbispace.core.design.Leads;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Send;
import orbispace.core.design.Space;
import orbispace.core.design.SpaceTraits;
import orbispace.core.prove.compare.BlindTrial;
import orbispace.core.prove.compare.BlindTrial.Kind;
import orbispace.core.words.Wording;

/** What many hold for true of returns, put on trial on one's own song: two fields, heard blind. */
public enum Belief {
    /** Two decibels of a return. */
    STEP("a step of less than 3 dB is not heard", Kind.WHICH),
    /** Where the filter stands. */
    FILTER_ORDER("a filter sounds the same before and after the space", Kind.WHICH),
    /** An echo that is a little late. */
    ON_THE_GRID("an echo on the grid is better than one 3 % off", Kind.PREFERENCE),
    /** One space for all. */
    ONE_SPACE("one space for all is better than layers", Kind.PREFERENCE),
    /** When the space begins. */
    PREDELAY("a predelay of 40 ms sounds other than one of 20 ms", Kind.WHICH),
    /** More than what a space is by itself. */
    WIDER("wider than 100 % is better", Kind.PREFERENCE),
    /** A return that gives way a little. */
    DUCKING("ducking by 3 dB is not heard", Kind.WHICH),
    /** The lows of a return in the middle. */
    MONO_LOWS("the lows of a return have to be mono", Kind.PREFERENCE),
    /** A tail that is a tenth longer. */
    LONGER("a tail a tenth longer is not heard", Kind.WHICH),
    /** A tail without its highs. */
    HIGHS("what a return has above 8 kHz is not missed", Kind.WHICH);

    /** So many rounds take some two minutes. */
    public static final int ROUNDS = 12;

    private static final double STEP_DB = 2;
    private static final double OFF_GRID = 1.03;
    private static final double SHORT_MILLIS = 20;
    private static final double LONG_MILLIS = 40;
    private static final double WIDE = 1.4;
    private static final double DUCK_DB = 3;
    private static final double LOWS_HZ = 150;
    private static final double LONGER_BY = 1.1;
    private static final double HIGHS_HZ = 8000;
    private static final int POLES = 2;
    private static final Filter USUAL =
            new Filter(new Filter.Corner(300, POLES), new Filter.Corner(7000, POLES));

    private final String label;
    private final Kind asks;

    Belief(String label, Kind asks) {
        this.label = label;
        this.asks = asks;
    }

    /** It as people say it. */
    public String label() {
        return label;
    }

    /** Whether the two are to be told apart, or one is to be liked better. */
    public Kind asks() {
        return asks;
    }

    /**
     * The two fields.
     *
     * @param first what the first is called
     * @param a the first
     * @param second what the second is called
     * @param b the second
     */
    public record Two(String first, Design a, String second, Design b) {}

    /** The two fields in which a return differs; empty if it has nothing of the kind. */
    public Optional<Two> two(Design design, Return r) {
        return switch (this) {
            case STEP ->
                    r.levelDb() + STEP_DB > 24
                            ? Optional.empty()
                            : Optional.of(
                                    two(
                                            "as it is",
                                            design,
                                            "2 dB louder",
                                            design.withReturn(r.withLevel(r.levelDb() + STEP_DB))));
            case FILTER_ORDER -> Optional.of(order(design, r));
            case ON_THE_GRID -> late(design, r);
            case ONE_SPACE -> one(design);
            case PREDELAY ->
                    Optional.of(
                            two(
                                    "20 ms",
                                    design.withReturn(begins(r, SHORT_MILLIS)),
                                    "40 ms",
                                    design.withReturn(begins(r, LONG_MILLIS))));
            case WIDER ->
                    Optional.of(
                            two(
                                    "140 % wide",
                                    wide(design, r, WIDE), "100 % wide", wide(design, r, 1)));
            case DUCKING -> ducked(design, r);
            case MONO_LOWS ->
                    Optional.of(
                            two(
                                    "lows mono",
                                    lows(design, r, LOWS_HZ),
                                    "lows as they are",
                                    lows(design, r, 0)));
            case LONGER ->
                    r.space().traits().decaySeconds().isEmpty()
                            ? Optional.empty()
                            : Optional.of(
                                    two(
                                            "as it is",
                                            design,
                                            "a tenth longer",
                                            design.withReturn(
                                                    r.withSpace(
                                                            SpaceTraits.ringing(
                                                                    r.space(), LONGER_BY)))));
            case HIGHS -> Optional.of(highs(design, r));
        };
    }

    private static Two two(String first, Design a, String second, Design b) {
        return new Two(first, a, second, b);
    }

    private static Return begins(Return r, double millis) {
        return r.withPredelay(new MusicalTime.Millis(millis));
    }

    /** The corners that it has, or usual ones, before the space and after it. */
    private static Two order(Design design, Return r) {
        Filter in = r.filterIn();
        Filter out = r.filterOut();
        Filter all =
                in.equals(Filter.OPEN)
                        ? out.equals(Filter.OPEN) ? USUAL : out
                        : out.equals(Filter.OPEN) ? in : USUAL;
        return two(
                "filtered before the space",
                design.withReturn(r.withFilterIn(all).withFilterOut(Filter.OPEN)),
                "filtered after it",
                design.withReturn(r.withFilterIn(Filter.OPEN).withFilterOut(all)));
    }

    private static Optional<Two> late(Design design, Return r) {
        if (!(r.space() instanceof Space.Echo e) || !(e.time() instanceof MusicalTime.Note)) {
            return Optional.empty();
        }
        double now = e.time().seconds(design.song().clock(), r.timedAtBar());
        var late = new MusicalTime.Millis(1000 * now * OFF_GRID);
        return Optional.of(
                two(
                        "on the grid",
                        design,
                        "3 % late",
                        new ReturnEdit.EchoTime(r.id(), late, r.timedAtBar()).applyTo(design)));
    }

    /** All that goes into any tail goes into the longest. */
    private static Optional<Two> one(Design design) {
        var tails =
                design.returns().stream()
                        .filter(r -> r.space().traits().nature() == SpaceTraits.Nature.TAIL)
                        .toList();
        if (tails.size() < 2) {
            return Optional.empty();
        }
        Return longest =
                tails.stream()
                        .max(
                                java.util.Comparator.comparingDouble(
                                        r -> r.space().traits().decaySeconds().orElse(0)))
                        .orElseThrow();
        Map<String, Send> sends = new TreeMap<>(longest.sends());
        Design one = design;
        for (Return other : tails) {
            if (!other.id().equals(longest.id())) {
                other.sends().forEach(sends::putIfAbsent);
                one = new FieldEdit.Remove(other.id()).applyTo(one);
            }
        }
        Return all = one.requireReturn(longest.id()).withSends(sends);
        return Optional.of(two("one space", one.withReturn(all), "layers", design));
    }

    private static Design wide(Design design, Return r, double factor) {
        return new ReturnEdit.Widening(r.id(), r.chain().width().withFactor(factor))
                .applyTo(design);
    }

    private static Design lows(Design design, Return r, double hz) {
        return new ReturnEdit.Widening(r.id(), r.chain().width().withMonoBelow(hz)).applyTo(design);
    }

    private static Optional<Two> ducked(Design design, Return r) {
        Duck set = r.duck();
        if (set == null && Leads.main(design).isEmpty()) {
            return Optional.empty();
        }
        Duck duck =
                set == null
                        ? new Duck(Leads.KEY, DUCK_DB, -40, 8, 6, 5, 100, 240)
                        : set.withRange(DUCK_DB);
        return Optional.of(
                two(
                        "not ducked",
                        design.withReturn(r.withDuck(null)),
                        "ducked by 3 dB",
                        design.withReturn(r.withDuck(duck))));
    }

    private static Two highs(Design design, Return r) {
        Filter out = r.filterOut();
        Filter.Corner corner = new Filter.Corner(HIGHS_HZ, POLES);
        return two(
                "up to 8 kHz",
                design.withReturn(r.withFilterOut(out.withLowPass(corner))),
                "with all highs",
                design.withReturn(r.withFilterOut(out.withLowPass(null))));
    }

    /** Told before the first round: how long it takes, and what guessing does. */
    public String before() {
        int needed = needed();
        return asks == Kind.WHICH
                ? Wording.text(
                        "%d rounds, some two minutes. Guessing is right in %d; from %d right on"
                                + " it is heard: guessing does that in %.1f %% of trials.",
                        ROUNDS,
                        ROUNDS / 2,
                        needed,
                        100 * BlindTrial.chanceOfAtLeast(needed, ROUNDS))
                : Wording.text(
                        "%d rounds, some two minutes. Who minds neither takes each in %d; from"
                                + " %d for one it is liked better: without liking that comes in"
                                + " %.1f %% of trials.",
                        ROUNDS,
                        ROUNDS / 2,
                        needed,
                        200 * BlindTrial.chanceOfAtLeast(needed, ROUNDS));
    }

    /** The least count that guessing reaches in under 5 of 100 trials. */
    private int needed() {
        double sides = asks == Kind.WHICH ? 1 : 2;
        int k = ROUNDS / 2;
        while (sides * BlindTrial.chanceOfAtLeast(k, ROUNDS) >= BlindTrial.SIGNIFICANT) {
            k++;
        }
        return k;
    }

    /** What came out of its trial, with the two by their names. */
    public String words(Two two, BlindTrial.Result result) {
        return "\u201c" + label + "\u201d: " + result.words(two.first(), two.second());
    }
}
