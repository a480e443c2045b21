package orbispace.core.clear.room;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import orbispace.core.design.Source;
import orbispace.core.design.Tone;
import orbispace.core.hearing.HearingModel;

/**
 * Cuts of at most 3 dB in what covers a part, where it loses most, and where it pays a lift of at
 * most 3 dB of the part at the same place. Both sides of a pair are cut alike.
 */
final class BellPairs {
    private static final double CUT_DB = 3;
    private static final double[] LIFTS_DB = {0, 1.5, 3};
    private static final double OCTAVES = 1;
    private static final double LOWEST_HZ = 150;
    private static final int MOST_FOES = 3;
    private static final int MOST_BELLS = 4;
    private static final double LEAST_LOSS = 0.02;
    private static final double LEAST_GAIN = 0.01;

    /** What who is cut loses may not be more than this for each point gained. */
    private static final double MOST_LOSS = 1;

    /** A dB of lift has to gain as much, since it changes what the part sounds like. */
    private static final double COST_PER_DB = 0.004;

    private final ChangedSound sound;
    private final double roomPower;
    private final TwoEars always;
    private final BitSet all;
    private final List<List<Source>> seats;
    private List<Source> part;

    /**
     * Looks for bells.
     *
     * @param seats all but the part, as they would be
     * @param part the layers of what is to come through
     * @param always what sounds beside
     * @param all the frames of what is heard
     */
    BellPairs(
            ChangedSound sound,
            double roomPower,
            List<List<Source>> seats,
            List<Source> part,
            TwoEars always,
            BitSet all) {
        this.sound = sound;
        this.roomPower = roomPower;
        this.seats = new ArrayList<>(seats);
        this.part = part;
        this.always = always;
        this.all = all;
    }

    /** A foe and how much of the part it takes. */
    private record Foe(int seat, double takes) {}

    /** A cut, a lift, and what both together win. */
    private record Pair(List<Source> foe, List<Source> part, double score) {}

    /** Everything but the part as it would be, after the part itself. */
    List<List<Source>> find() {
        double alone = heard(sound.ears(part), sound.ears(part).times(0, 0));
        if (alone > 0) {
            double kept = heard(sound.ears(part), others(-1)) / alone;
            List<Foe> foes = new ArrayList<>();
            for (int i = 0; i < seats.size(); i++) {
                foes.add(new Foe(i, heard(sound.ears(part), others(i)) / alone - kept));
            }
            foes.stream()
                    .filter(f -> f.takes > LEAST_LOSS)
                    .sorted(Comparator.comparingDouble(Foe::takes).reversed())
                    .limit(MOST_FOES)
                    .forEach(f -> part(f.seat, alone));
        }
        List<List<Source>> found = new ArrayList<>(seats);
        found.addFirst(part);
        return found;
    }

    private double heard(TwoEars who, TwoEars beside) {
        return who.heard(beside, roomPower, all);
    }

    private TwoEars others(int but) {
        TwoEars sum = always;
        for (int i = 0; i < seats.size(); i++) {
            if (i != but) {
                sum = sum.plus(sound.ears(seats.get(i)));
            }
        }
        return sum;
    }

    /** Cuts a foe, with or without a lift of the part, if that pays. */
    private void part(int seat, double alone) {
        List<Source> foe = seats.get(seat);
        TwoEars beside = others(seat);
        Optional<Double> place = worst(foe, beside);
        if (place.isEmpty() || foe.stream().anyMatch(s -> isFull(s, place.get()))) {
            return;
        }
        double hz = place.get();
        List<Source> cut = with(foe, hz, -CUT_DB);
        Optional<Pair> best = Optional.empty();
        for (double lift : LIFTS_DB) {
            boolean full = lift > 0 && part.stream().anyMatch(s -> isFull(s, hz));
            List<Source> as = lift == 0 || full ? part : with(part, hz, lift);
            Pair pair = new Pair(cut, as, score(foe, cut, as, beside, alone, lift));
            if (pair.score > best.map(Pair::score).orElse(0.0) && isBalanced(seat, pair)) {
                best = Optional.of(pair);
            }
        }
        best.ifPresent(b -> {
            seats.set(seat, b.foe);
            part = b.part;
        });
    }

    /** Whether no third of an octave is out of balance, or further out of it than without. */
    private boolean isBalanced(int seat, Pair pair) {
        SidePowers was = sound.apart(part);
        SidePowers is = sound.apart(pair.part);
        for (int i = 0; i < seats.size(); i++) {
            was = was.plus(sound.apart(seats.get(i)));
            is = is.plus(sound.apart(i == seat ? pair.foe : seats.get(i)));
        }
        return is.isWithin(RoomPlan.BALANCED_DB, was);
    }

    /** What a cut and a lift win; 0 if they do not pay. */
    private double score(
            List<Source> foe,
            List<Source> cut,
            List<Source> as,
            TwoEars beside,
            double alone,
            double lift) {
        TwoEars own = sound.ears(part);
        TwoEars then = sound.ears(as);
        TwoEars his = sound.ears(foe);
        TwoEars less = sound.ears(cut);
        double gain = (heard(then, beside.plus(less)) - heard(own, beside.plus(his))) / alone;
        double foeAlone = heard(his, his.times(0, 0));
        double loss =
                foeAlone <= 0
                        ? 0
                        : (heard(his, beside.plus(own)) - heard(less, beside.plus(then)))
                                / foeAlone;
        return gain > LEAST_GAIN && loss <= MOST_LOSS * gain ? gain - COST_PER_DB * lift : 0;
    }

    private static List<Source> with(List<Source> sources, double hz, double gainDb) {
        return sources.stream()
                .map(s -> {
                    List<Tone.Bell> bells = new ArrayList<>(s.tone().bells());
                    bells.add(new Tone.Bell(hz, gainDb, OCTAVES));
                    return s.withTone(s.tone().withBells(bells));
                })
                .toList();
    }

    private static boolean isFull(Source s, double hz) {
        return s.tone().bells().size() >= MOST_BELLS
                || s.tone().bells().stream()
                        .anyMatch(b -> Math.abs(Math.log(b.hz() / hz)) < Math.log(2) * OCTAVES);
    }

    /** Where the part loses more to a foe than half of what the foe is heard there itself. */
    private Optional<Double> worst(List<Source> foe, TwoEars beside) {
        TwoEars own = sound.ears(part);
        TwoEars his = sound.ears(foe);
        double[] loss = own.lossPerBand(beside, his, roomPower, all);
        double[] has = his.heardPerBand(beside.plus(own), roomPower, all);
        int worst = -1;
        double most = 0;
        for (int b = 1; b < loss.length - 1; b++) {
            double here = 0;
            for (int k = b - 1; k <= b + 1; k++) {
                here += loss[k] - has[k] / 2;
            }
            if (here > most && HearingModel.centreHz(b) >= LOWEST_HZ) {
                most = here;
                worst = b;
            }
        }
        return worst < 0 ? Optional.empty() : Optional.of(rounded(HearingModel.centreHz(worst)));
    }

    private static double rounded(double hz) {
        double step = Math.pow(10, Math.floor(Math.log10(hz)) - 1);
        return Math.rint(hz / step) * step;
    }
}
