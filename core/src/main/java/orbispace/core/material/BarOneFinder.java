package orbispace.core.material;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import orbispace.core.time.SongClock;

/**
 * Where bar 1 must begin so that strokes fall on the beats, and which tempo they keep if it is not
 * the written one. Strokes agree with beats and their halves and quarters, or with beats and their
 * thirds. A place is told only where it leads clearly over every other one, whether strokes count
 * by their strength or alike, so that loud off-beats and shuffles move nothing. It cannot tell
 * which beat of the bar is the first, nor whether strokes that lie on the grid as it is are beats
 * or off-beats; these are left where they are.
 */
public final class BarOneFinder {
    private static final double STEP_SECONDS = 0.0005;
    private static final int LEAST_HITS = 8;

    /** The best place stands so far over any that is more than an eighth of a beat away. */
    private static final double LEADS = 0.25;

    private static final double FAR_BEATS = 0.125;

    /** A shift by so nearly a half, third or quarter of a beat goes from grid to grid. */
    private static final double SAME_GRID_BEATS = 0.02;

    private static final double MOST_OFF = 0.012;
    private static final double TEMPO_STEP_BEATS = 0.03;
    private static final double TEMPO_LEADS = 0.07;

    /** What few strokes win by chance from a tempo of their own, times the root of their number. */
    private static final double BY_CHANCE = 1.2;

    private static final double TEMPO_AGREES = 0.4;
    private static final int PHASES = 64;
    private static final int PARTS = 4;
    private static final double FEW_BETWEEN = 0.05;

    private BarOneFinder() {}

    /**
     * A proposal.
     *
     * @param originSeconds when bar 1 begins, from the start of the stems; as it is if no place
     *     leads
     * @param agreement 0 to 1: 1 if every stroke lies exactly on a beat
     * @param before the agreement as the song is now
     * @param fittingBpm the tempo of bar 1 at which the strokes would stay with the beats; empty
     *     where the written one fits as well
     * @param beatsAlone whether nothing strikes between the beats, so that what is taken for beats
     *     might as well be off-beats
     */
    public record BarOne(
            double originSeconds,
            double agreement,
            double before,
            OptionalDouble fittingBpm,
            boolean beatsAlone) {}

    /** How strokes are held against beats: what beats, halves, thirds and quarters count. */
    private enum Grid {
        STRAIGHT(3, 2, 0, 1),
        THIRDS(3, 0, 3, 0);

        private final double whole;
        private final double half;
        private final double third;
        private final double quarter;

        Grid(double whole, double half, double third, double quarter) {
            this.whole = whole;
            this.half = half;
            this.third = third;
            this.quarter = quarter;
        }

        /** What a part of a beat counts, 1 for the whole one, of all that counts. */
        double share(int part) {
            double weight =
                    switch (part) {
                        case 1 -> whole;
                        case 2 -> half;
                        case 3 -> third;
                        default -> quarter;
                    };
            return weight / (whole + half + third + quarter);
        }

        double at(double beats) {
            double sum = 0;
            for (int part = 1; part <= PARTS; part++) {
                sum += share(part) * Math.cos(2 * Math.PI * part * beats);
            }
            return sum;
        }
    }

    private static final class Strokes {
        private final double[] seconds;
        private final double[] weights;
        private final SongClock clock;
        private final Grid grid;

        Strokes(double[] seconds, double[] weights, SongClock clock, Grid grid) {
            this.seconds = seconds;
            this.weights = weights;
            this.clock = clock;
            this.grid = grid;
        }

        double agreement(double origin, double faster) {
            double sum = 0;
            double all = 0;
            for (int i = 0; i < seconds.length; i++) {
                double beats = clock.tempo().beatAt((seconds[i] - origin) * faster);
                sum += weights[i] * grid.at(beats);
                all += weights[i];
            }
            return all == 0 ? 0 : sum / all;
        }

        Strokes alike() {
            double[] ones = new double[weights.length];
            java.util.Arrays.fill(ones, 1);
            return new Strokes(seconds, ones, clock, grid);
        }

        /** The share of strokes that lie nearer to the middle between two beats than to these. */
        double between(double origin) {
            int count = 0;
            for (double s : seconds) {
                double beats = clock.tempo().beatAt(s - origin);
                count += Math.abs(beats - Math.rint(beats)) > 0.25 ? 1 : 0;
            }
            return count / (double) seconds.length;
        }

        /** The best agreement at any place if the song were faster. */
        double best(double faster) {
            double[] re = new double[PARTS + 1];
            double[] im = new double[PARTS + 1];
            double all = 0;
            for (int i = 0; i < seconds.length; i++) {
                double beats = clock.tempo().beatAt((seconds[i] - clock.originSeconds()) * faster);
                for (int part = 1; part <= PARTS; part++) {
                    double turn = 2 * Math.PI * part * beats;
                    re[part] += weights[i] * Math.cos(turn);
                    im[part] += weights[i] * Math.sin(turn);
                }
                all += weights[i];
            }
            double best = -1;
            for (int p = 0; p < PHASES && all > 0; p++) {
                double sum = 0;
                for (int part = 1; part <= PARTS; part++) {
                    double turn = 2 * Math.PI * part * p / PHASES;
                    sum +=
                            grid.share(part)
                                    * (re[part] * Math.cos(turn) + im[part] * Math.sin(turn));
                }
                best = Math.max(best, sum / all);
            }
            return best;
        }
    }

    /**
     * Looks for the place and for the tempo.
     *
     * @param hits strokes of the song in seconds
     * @param clock the song's tempo, metre and bar 1 as they are
     * @return empty for fewer than eight strokes, or where neither can be told
     */
    public static Optional<BarOne> find(List<Hits.Hit> hits, SongClock clock) {
        if (hits.size() < LEAST_HITS) {
            return Optional.empty();
        }
        Strokes straight = strokes(hits, clock, Grid.STRAIGHT);
        Strokes thirds = strokes(hits, clock, Grid.THIRDS);
        Strokes strokes = thirds.best(1) > straight.best(1) ? thirds : straight;
        for (Strokes held : List.of(straight, thirds)) {
            OptionalDouble faster = fitting(held);
            if (faster.isPresent()) {
                double bpm = faster.getAsDouble() * clock.bpmOfBar(1);
                return Optional.of(
                        new BarOne(
                                clock.originSeconds(),
                                held.best(faster.getAsDouble()),
                                held.agreement(clock.originSeconds(), 1),
                                OptionalDouble.of(bpm),
                                false));
            }
        }
        OptionalDouble shift = leading(strokes);
        if (shift.isEmpty()) {
            return Optional.empty();
        }
        double origin = clock.originSeconds() + shift.getAsDouble();
        return Optional.of(
                new BarOne(
                        origin,
                        Math.max(0, strokes.agreement(origin, 1)),
                        strokes.agreement(clock.originSeconds(), 1),
                        OptionalDouble.empty(),
                        strokes.between(origin) < FEW_BETWEEN));
    }

    private static Strokes strokes(List<Hits.Hit> hits, SongClock clock, Grid grid) {
        return new Strokes(
                hits.stream().mapToDouble(Hits.Hit::seconds).toArray(),
                hits.stream().mapToDouble(h -> Math.pow(10, h.peakDb() / 40)).toArray(),
                clock,
                grid);
    }

    /** The shift that leads, by strength and by number alike; 0 where what is fits the grid. */
    private static OptionalDouble leading(Strokes strokes) {
        double half = 30 / strokes.clock.bpmOfBar(1);
        int steps = (int) Math.ceil(half / STEP_SECONDS);
        double[] byStrength = new double[2 * steps];
        double[] byNumber = new double[2 * steps];
        Strokes alike = strokes.alike();
        double origin = strokes.clock.originSeconds();
        int best = 0;
        for (int i = 0; i < byStrength.length; i++) {
            double at = origin + (i - steps) * STEP_SECONDS;
            byStrength[i] = strokes.agreement(at, 1);
            byNumber[i] = alike.agreement(at, 1);
            best = byStrength[i] > byStrength[best] + 1e-9 ? i : best;
        }
        double beat = 2 * half;
        double shift = (best - steps) * STEP_SECONDS;
        return leads(byStrength, best, beat)
                        && leads(byNumber, best, beat)
                        && !fromGridToGrid(shift / beat)
                ? OptionalDouble.of(shift)
                : OptionalDouble.empty();
    }

    /** Whether a place stands over all that lie farther off, around the circle of one beat. */
    private static boolean leads(double[] agreement, int best, double beat) {
        int around = (int) Math.round(beat / STEP_SECONDS);
        int far = (int) Math.round(FAR_BEATS * around);
        for (int i = 0; i < agreement.length; i++) {
            int apart = Math.abs(i - best);
            if (Math.min(apart, around - apart) > far && agreement[i] > agreement[best] - LEADS) {
                return false;
            }
        }
        return true;
    }

    private static boolean fromGridToGrid(double beats) {
        double size = Math.abs(beats);
        for (double part : new double[] {0.5, 1 / 3.0, 0.25}) {
            if (Math.abs(size - part) < SAME_GRID_BEATS) {
                return true;
            }
        }
        return false;
    }

    /** By how much faster the song would have to be for strokes to stay; empty if not at all. */
    private static OptionalDouble fitting(Strokes strokes) {
        double beats = 0;
        for (double s : strokes.seconds) {
            beats = Math.max(beats, Math.abs(strokes.clock.tempo().beatAt(s)));
        }
        double step = TEMPO_STEP_BEATS / Math.max(1, beats);
        double written = strokes.best(1);
        int reach = (int) Math.min(4000, MOST_OFF / step);
        double[] found = new double[2 * reach + 1];
        int best = reach;
        for (int i = 0; i < found.length; i++) {
            found[i] = strokes.best(1 + (i - reach) * step);
            best = found[i] > found[best] ? i : best;
        }
        // Nearer than a beat over the whole song it is the same place.
        int near = (int) Math.ceil(1 / TEMPO_STEP_BEATS / 2);
        double least = Math.max(TEMPO_LEADS, BY_CHANCE / Math.sqrt(strokes.seconds.length));
        boolean leads = found[best] >= TEMPO_AGREES && found[best] - written >= least;
        for (int i = 0; i < found.length && leads; i++) {
            leads = Math.abs(i - best) <= near || found[i] <= found[best] - least / 2;
        }
        return leads ? OptionalDouble.of(1 + (best - reach) * step) : OptionalDouble.empty();
    }
}
