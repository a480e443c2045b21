package orbispace.core.bank;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeMap;
import java.util.function.Function;
import orbispace.core.audio.Quantile;
import orbispace.core.design.Purpose;
import orbispace.core.design.Space;
import orbispace.core.hearing.WetState;
import orbispace.core.words.Wording;

/**
 * What an engineer usually does, learnt from finished songs: by purpose the median of each relation
 * and its spread, the half of the songs around it. A purpose that fewer than half of the songs have
 * is no habit.
 */
public final class Manner {
    private static final double HABIT = 0.5;

    /** How long highs last, of the middle of a tail: a relation that is its own number. */
    static final String HIGHS = "highs";

    private final List<Relations> all;
    private final Relations typical;
    private final Map<String, String> usually = new LinkedHashMap<>();

    private Manner(List<Relations> all) {
        this.all = all;
        typical = typical(all);
    }

    /** The habits in some fields, as a field of its own; one return for each purpose. */
    public static BankEntry of(List<BankEntry> songs) {
        Map<Purpose, List<Relations>> byPurpose = new TreeMap<>();
        Map<Purpose, Integer> inSongs = new TreeMap<>();
        for (BankEntry song : songs) {
            Map<Purpose, List<Relations>> here = new TreeMap<>();
            song.returns()
                    .forEach(r -> here.computeIfAbsent(r.purpose(), p -> new ArrayList<>()).add(r));
            here.forEach((p, rs) -> {
                byPurpose.computeIfAbsent(p, x -> new ArrayList<>()).addAll(rs);
                inSongs.merge(p, 1, Integer::sum);
            });
        }
        List<Relations> habits = new ArrayList<>();
        byPurpose.forEach((p, rs) -> {
            if (inSongs.getOrDefault(p, 0) >= HABIT * songs.size()) {
                habits.add(new Manner(rs).habit());
            }
        });
        return new BankEntry(
                "In my manner", Wording.format("%d finished songs", songs.size()), habits);
    }

    /** The return whose engine most of them have, and of those the one in the middle. */
    private static Relations typical(List<Relations> all) {
        Map<String, List<Relations>> byEngine = new LinkedHashMap<>();
        all.forEach(r ->
                byEngine.computeIfAbsent(r.chain().space().kindLabel(), k -> new ArrayList<>())
                        .add(r));
        List<Relations> most =
                byEngine.values().stream()
                        .max(java.util.Comparator.comparingInt(List::size))
                        .orElseThrow();
        return most.stream()
                .sorted(java.util.Comparator.comparingDouble(Manner::length))
                .toList()
                .get((most.size() - 1) / 2);
    }

    private static double length(Relations r) {
        return r.chain().space().traits().decaySeconds().orElse(0);
    }

    private Relations habit() {
        OptionalDouble down = median(r -> r.decay().map(Relations.Down::db));
        down.ifPresent(db ->
                usually(
                        "decay",
                        "let it fall by",
                        "dB there",
                        db,
                        r -> r.decay().map(Relations.Down::db)));
        Relations.Predelay predelay = predelay();
        OptionalDouble repeats = median(r -> boxed(r.repeatsDownDb()));
        repeats.ifPresent(db ->
                usually(
                        "repeats",
                        "let the last one fall by",
                        "dB",
                        db,
                        r -> boxed(r.repeatsDownDb())));
        OptionalDouble gate = median(r -> boxed(r.gateBeats()));
        gate.ifPresent(
                b -> usually("gate", "leave it open for", "beats", b, r -> boxed(r.gateBeats())));
        OptionalDouble high = median(r -> boxed(r.highPass()));
        high.ifPresent(
                x -> usually("high-pass", "cut at", "times that", x, r -> boxed(r.highPass())));
        OptionalDouble low = median(r -> boxed(r.lowPass()));
        low.ifPresent(x -> usually("low-pass", "cut at", "times that", x, r -> boxed(r.lowPass())));
        OptionalDouble duck = median(r -> boxed(r.duckDb()));
        return new Relations(
                typical.name(),
                typical.purpose(),
                typical.chain().withSpace(space()),
                typical.senders(),
                down.isPresent()
                        ? typical.decay()
                                .map(d -> new Relations.Down(d.event(), down.getAsDouble()))
                        : typical.decay(),
                predelay,
                repeats,
                gate,
                high,
                low,
                asked(),
                typical.duckDb().isEmpty() ? typical.duckDb() : duck,
                typical.duckedBy(),
                usually);
    }

    /** The typical engine with highs that decay as they usually do. */
    private Space space() {
        Function<Relations, Optional<Double>> ratio =
                r ->
                        r.chain().space() instanceof Space.Reverb v
                                ? Optional.of(v.highRatio())
                                : Optional.empty();
        OptionalDouble highs = median(ratio);
        if (!(typical.chain().space() instanceof Space.Reverb v) || highs.isEmpty()) {
            return typical.chain().space();
        }
        usually(HIGHS, "let highs last", "times as long", highs.getAsDouble(), ratio);
        return v.withRatios(v.lowRatio(), highs.getAsDouble());
    }

    private Relations.Predelay predelay() {
        List<String> notes = all.stream().map(r -> r.predelay().note()).toList();
        long asNote = notes.stream().filter(n -> !n.isEmpty()).count();
        if (2 * asNote > all.size()) {
            usually.put(
                    "predelay",
                    Wording.format("set %s", typical.predelay().note())
                            + Wording.format(", %d of %d as a note value", asNote, all.size()));
            return typical.predelay();
        }
        Function<Relations, Optional<Double>> after =
                r ->
                        r.predelay().note().isEmpty()
                                ? Optional.of(r.predelay().afterConsonantMillis())
                                : Optional.empty();
        double median = median(after).orElse(0);
        usually("predelay", "begin", "ms after the consonant", median, after);
        return new Relations.Predelay("", 0, median);
    }

    private WetState asked() {
        return Arrays.stream(WetState.values())
                .max(
                        java.util.Comparator.comparingLong(
                                s -> all.stream().filter(r -> r.asked() == s).count()))
                .orElseThrow();
    }

    private static Optional<Double> boxed(OptionalDouble x) {
        return x.isPresent() ? Optional.of(x.getAsDouble()) : Optional.empty();
    }

    private List<Double> known(Function<Relations, Optional<Double>> of) {
        return all.stream().map(of).flatMap(Optional::stream).toList();
    }

    private OptionalDouble median(Function<Relations, Optional<Double>> of) {
        List<Double> known = known(of);
        return known.isEmpty()
                ? OptionalDouble.empty()
                : OptionalDouble.of(Quantile.of(known, 0.5));
    }

    private void usually(
            String relation,
            String does,
            String unit,
            double median,
            Function<Relations, Optional<Double>> of) {
        List<Double> known = known(of);
        int digits = relation.equals(HIGHS) ? 2 : 1;
        usually.put(
                relation,
                Wording.format(
                        "%s %s %s, mostly %s to %s, in %d returns",
                        does,
                        Wording.number(median, digits),
                        unit,
                        Wording.number(Quantile.of(known, 0.25), digits),
                        Wording.number(Quantile.of(known, 0.75), digits),
                        known.size()));
    }
}
