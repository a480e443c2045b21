package orbispace.core.clear.room;

import java.util.Arrays;
import java.util.BitSet;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import orbispace.core.design.Source;
import orbispace.core.render.Job;

/**
 * Puts all seats so that one part comes through: step by step the move of one seat, or of two at
 * once, that gains most for what it costs where left and right come apart; and then back towards
 * where they were, as far as nothing is lost by it.
 */
final class RoomSearch {
    /** What the part that comes through gains counts once, what those gain that move by this. */
    private static final double OTHERS_COUNT = 0.2;

    /**
     * What a full way from the middle to a side has to gain, so that nothing moves for nothing; of
     * a pair, the way of each.
     */
    private static final double COST_OF_WAY = 0.02;

    /** What a full way counts by which all together lean further to one side than they did. */
    private static final double COST_OF_LEAN = 0.02;

    /** What a dB beyond the limit, in one third of an octave, counts. */
    private static final double COST_PER_DB = 0.05;

    /** What lies further beyond it than it did counts so many times more. */
    private static final double WORSE = 4;

    private static final double LEAST_GAIN = 0.004;

    /** What is left to be won by going back to where a seat was. */
    private static final double LEAST_GAIN_BACK = 0.0005;

    private static final int MOST_STEPS = 12;

    /** No more seats than these move, those that take most first. */
    private static final int MOST_FREE = 10;

    private final List<Seat> seats;
    private final List<List<Place>> places;
    private final TwoEars part;
    private final SidePowers own;
    private final double roomPower;
    private final BitSet all;
    private final double limitDb;
    private final double alone;
    private final double[] aloneOf;
    private final int[] free;
    private final int[] at;
    private TwoEars sum;
    private SidePowers powers;
    private final SidePowers once;

    /** A seat in one of its places. */
    private record Place(TwoEars ears, SidePowers powers, double way, double right) {}

    /** What a move would come to. */
    private static final class Step {
        private final int[] at;
        private final double gain;

        Step(int[] at, double gain) {
            this.at = at;
            this.gain = gain;
        }
    }

    /**
     * A search.
     *
     * @param seats everything but the part, some of them free
     * @param heard how a seat is heard in a place
     * @param part the layers of what is to come through
     * @param always what sounds beside, such as the returns
     * @param limitDb how far left and right may lie apart in any third of an octave
     */
    RoomSearch(
            List<Seat> seats,
            Heard heard,
            List<Source> part,
            TwoEars always,
            double roomPower,
            double limitDb) {
        this.seats = seats;
        this.part = heard.ears(part);
        own = heard.powers(part);
        this.roomPower = roomPower;
        this.limitDb = limitDb;
        places =
                seats.stream()
                        .map(s -> s.choices().stream().map(c -> place(s, c, heard)).toList())
                        .toList();
        at = new int[seats.size()];
        all = new BitSet();
        all.set(0, always.left().frames());
        TwoEars ears = always;
        for (List<Place> p : places) {
            ears = ears.plus(p.getFirst().ears);
        }
        sum = ears;
        powers = moved(at);
        once = powers;
        alone = this.part.heard(sum.times(0, 0), roomPower, all);
        aloneOf = new double[seats.size()];
        for (int i = 0; i < aloneOf.length; i++) {
            TwoEars here = places.get(i).getFirst().ears;
            aloneOf[i] = here.heard(here.times(0, 0), roomPower, all);
        }
        free = free();
    }

    /** The seats that may move, of which those that take most of the part's loudness. */
    private int[] free() {
        double[] without = new double[at.length];
        for (int i = 0; i < without.length; i++) {
            if (seats.get(i).isFree()) {
                without[i] = kept(sum.minus(places.get(i).getFirst().ears));
            }
        }
        return IntStream.range(0, at.length)
                .filter(i -> seats.get(i).isFree())
                .boxed()
                .sorted(Comparator.comparingDouble((Integer i) -> without[i]).reversed())
                .limit(MOST_FREE)
                .mapToInt(Integer::intValue)
                .sorted()
                .toArray();
    }

    /** How sources are heard in a place. */
    interface Heard {
        /** As two ears have them. */
        TwoEars ears(List<Source> as);

        /** Their powers. */
        SidePowers powers(List<Source> as);
    }

    private static Place place(Seat seat, List<Source> choice, Heard heard) {
        double way = 0;
        double right = 0;
        for (int i = 0; i < choice.size(); i++) {
            right += choice.get(i).pan() - seat.sources().get(i).pan();
            way += Math.abs(choice.get(i).pan() - seat.sources().get(i).pan());
            way += Math.abs(choice.get(i).tone().width() - seat.sources().get(i).tone().width());
        }
        return new Place(heard.ears(choice), heard.powers(choice), way / choice.size(), right);
    }

    /** The sources of all seats where they come through best, in the order of the seats. */
    List<List<Source>> solve(Job job) {
        steps(false, LEAST_GAIN, job);
        steps(true, LEAST_GAIN_BACK, job);
        return IntStream.range(0, at.length)
                .mapToObj(i -> seats.get(i).choices().get(at[i]))
                .toList();
    }

    private void steps(boolean back, double leastGain, Job job) {
        for (int step = 0; step < MOST_STEPS; step++) {
            Step best = best(back, job);
            if (best.gain < leastGain) {
                return;
            }
            take(best.at);
        }
    }

    private Step best(boolean back, Job job) {
        double beyond = powers.beyond(limitDb, once, WORSE);
        Step best = new Step(at.clone(), 0);
        for (int a = 0; a < free.length; a++) {
            for (int b = a; b < free.length; b++) {
                job.check();
                int one = free[a];
                int two = free[b];
                Step here =
                        IntStream.range(0, places.get(one).size() * places.get(two).size())
                                .parallel()
                                .mapToObj(k -> tried(one, two, k, beyond, back))
                                .reduce(best, (x, y) -> y.gain > x.gain ? y : x);
                best = here.gain > best.gain ? here : best;
            }
        }
        return best;
    }

    /** Two seats in a pair of their places, or one alone if both are the same. */
    private Step tried(int one, int two, int combination, double beyond, boolean back) {
        int count = places.get(two).size();
        int[] to = at.clone();
        to[one] = combination / count;
        to[two] = one == two ? to[one] : combination % count;
        boolean again = one == two && combination % count != 0;
        boolean alreadyTried = one != two && (to[one] == at[one] || to[two] == at[two]);
        if (again || alreadyTried || Arrays.equals(to, at) || (back && way(to) >= way(at))) {
            return new Step(to, 0);
        }
        double rid = beyond - moved(to).beyond(limitDb, once, WORSE);
        return back && rid < 0 ? new Step(to, 0) : new Step(to, gain(to) + COST_PER_DB * rid);
    }

    private double way(int[] to) {
        double way = 0;
        for (int i = 0; i < to.length; i++) {
            way += places.get(i).get(to[i]).way;
        }
        return way;
    }

    /** How far all together lean to a side, from where they were. */
    private double lean(int[] to) {
        double right = 0;
        for (int i = 0; i < to.length; i++) {
            right += places.get(i).get(to[i]).right;
        }
        return Math.abs(right);
    }

    private SidePowers moved(int[] to) {
        SidePowers together = own;
        for (int i = 0; i < to.length; i++) {
            together = together.plus(places.get(i).get(to[i]).powers);
        }
        return together;
    }

    private TwoEars heard(int[] to) {
        TwoEars all = sum;
        for (int i = 0; i < to.length; i++) {
            if (to[i] != at[i]) {
                all = all.minus(places.get(i).get(at[i]).ears).plus(places.get(i).get(to[i]).ears);
            }
        }
        return all;
    }

    private double gain(int[] to) {
        TwoEars then = heard(to);
        double gain = kept(then) - kept(sum);
        for (int i = 0; i < to.length; i++) {
            if (to[i] != at[i]) {
                gain += OTHERS_COUNT * (keptOf(i, to[i], then) - keptOf(i, at[i], sum));
            }
        }
        return gain - COST_OF_WAY * (way(to) - way(at)) - COST_OF_LEAN * (lean(to) - lean(at));
    }

    private double kept(TwoEars masker) {
        return alone <= 0 ? 1 : part.heard(masker, roomPower, all) / alone;
    }

    private double keptOf(int seat, int place, TwoEars together) {
        TwoEars here = places.get(seat).get(place).ears;
        return aloneOf[seat] <= 0
                ? 1
                : here.heard(together.minus(here).plus(part), roomPower, all) / aloneOf[seat];
    }

    private void take(int[] to) {
        sum = heard(to);
        powers = moved(to);
        System.arraycopy(to, 0, at, 0, at.length);
    }
}
