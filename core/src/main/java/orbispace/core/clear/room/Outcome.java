package orbispace.core.clear.room;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import orbispace.core.design.Source;
import orbispace.core.design.Tone;
import orbispace.core.words.Wording;

/** What changes of dry sources come to, all of them rendered and heard together. */
final class Outcome {
    private static final double TELLING = 0.005;

    private final ChangedSound sound;
    private final Source source;
    private final List<Source> all;
    private final List<List<Source>> was;
    private final TwoEars always;
    private final double roomPower;
    private final BitSet frames;
    private final SidePowers before;

    /**
     * An outcome against how a song stands.
     *
     * @param source who is to come through
     * @param all all sources
     * @param was the layers of its part, and then every seat
     * @param always what sounds beside
     */
    Outcome(
            ChangedSound sound,
            Source source,
            List<Source> all,
            List<List<Source>> was,
            TwoEars always,
            double roomPower) {
        this.sound = sound;
        this.source = source;
        this.all = all;
        this.was = List.copyOf(was);
        this.always = always;
        this.roomPower = roomPower;
        frames = new BitSet();
        frames.set(0, always.left().frames());
        before = sound.powers(all);
    }

    /** The plan that puts everything as {@code is}, in the order of what was. */
    RoomPlan of(List<List<Source>> is) {
        List<RoomPlan.Kept> kept = new ArrayList<>();
        List<RoomPlan.Change> changes = new ArrayList<>();
        Map<String, Source> changed = new HashMap<>();
        for (int i = 0; i < was.size(); i++) {
            boolean same = was.get(i).equals(is.get(i));
            if (i > 0 && same) {
                continue;
            }
            double keptBefore = kept(was, i);
            double keptAfter = same && was.equals(is) ? keptBefore : kept(is, i);
            for (int k = 0; k < was.get(i).size(); k++) {
                Source s = was.get(i).get(k);
                Source as = is.get(i).get(k);
                if (!s.equals(as)) {
                    changes.add(new RoomPlan.Change(s, as, words(s, as), why(i, is, s, as)));
                    changed.put(as.id(), as);
                }
                if (i > 0) {
                    kept.add(new RoomPlan.Kept(s, keptBefore, keptAfter));
                }
            }
            if (i == 0) {
                kept.add(new RoomPlan.Kept(source, keptBefore, keptAfter));
            }
        }
        SidePowers after =
                changes.isEmpty()
                        ? before
                        : sound.powers(
                                all.stream().map(s -> changed.getOrDefault(s.id(), s)).toList());
        return new RoomPlan(source, lastly(changes), kept, thirds(after));
    }

    /** The part's own change after those that make room for it. */
    private List<RoomPlan.Change> lastly(List<RoomPlan.Change> changes) {
        return changes.stream()
                .sorted(Comparator.comparing(c -> was.getFirst().contains(c.was())))
                .toList();
    }

    private List<RoomPlan.Third> thirds(SidePowers after) {
        return IntStream.range(0, SidePowers.BANDS)
                .mapToObj(b ->
                        new RoomPlan.Third(
                                SidePowers.centreHz(b), before.balanceDb(b), after.balanceDb(b)))
                .toList();
    }

    private double kept(List<List<Source>> as, int who) {
        return kept(as, who, -1);
    }

    /** What is kept of someone, without one of the others. */
    private double kept(List<List<Source>> as, int who, int without) {
        TwoEars beside = always;
        for (int i = 0; i < as.size(); i++) {
            if (i != who && i != without) {
                beside = beside.plus(sound.ears(as.get(i)));
            }
        }
        TwoEars alone = sound.ears(was.get(who));
        double by = alone.heard(alone.times(0, 0), roomPower, frames);
        return by <= 0 ? 1 : sound.ears(as.get(who)).heard(beside, roomPower, frames) / by;
    }

    private double takes(List<List<Source>> as, int who) {
        return kept(as, 0, who) - kept(as, 0);
    }

    private String why(int who, List<List<Source>> is, Source s, Source as) {
        if (who == 0) {
            return "where what covers it is cut";
        }
        double took = takes(was, who);
        double takes = takes(is, who);
        List<String> words = new ArrayList<>();
        if (took - takes >= TELLING) {
            words.add(
                    Wording.format(
                            "takes %.1f points of %s as it stands, %.1f so",
                            100 * took, source.name(), 100 * takes));
        } else if (as.pan() != s.pan() || as.tone().width() != s.tone().width()) {
            words.add(whyAside(kept(was, who), kept(is, who)));
        }
        for (Tone.Bell b : more(s, as)) {
            words.add(
                    Wording.format(
                            "covers %s most around %s", source.name(), Wording.hertz(b.hz())));
        }
        return String.join("; ", words);
    }

    /** Why someone moves who takes no less of the part than before. */
    private static String whyAside(double keptBefore, double keptAfter) {
        return keptAfter - keptBefore >= TELLING
                ? Wording.format(
                        "%.0f %% of it is heard itself, not %.0f",
                        100 * keptAfter, 100 * keptBefore)
                : "so that left and right are in balance";
    }

    private static List<Tone.Bell> more(Source was, Source is) {
        List<Tone.Bell> more = new ArrayList<>(is.tone().bells());
        more.removeAll(was.tone().bells());
        return more;
    }

    private static String words(Source was, Source is) {
        List<String> words = new ArrayList<>();
        if (was.pan() != is.pan()) {
            words.add(Wording.format("from %s to %s", place(was.pan()), place(is.pan())));
        }
        if (was.tone().width() != is.tone().width()) {
            words.add(
                    Wording.format(
                            "width %.0f %% to %.0f %%",
                            100 * was.tone().width(), 100 * is.tone().width()));
        }
        for (Tone.Bell b : more(was, is)) {
            words.add(
                    Wording.format(
                            "%.1f dB %s at %s",
                            Math.abs(b.gainDb()),
                            b.gainDb() < 0 ? "less" : "more",
                            Wording.hertz(b.hz())));
        }
        return is.name() + " " + String.join(", ", words);
    }

    private static String place(double pan) {
        return pan == 0
                ? "the middle"
                : Wording.format("%.0f %% %s", 100 * Math.abs(pan), pan < 0 ? "left" : "right");
    }
}
