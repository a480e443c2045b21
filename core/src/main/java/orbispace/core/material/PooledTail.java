package orbispace.core.material;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.IntStream;
import orbispace.core.audio.Audio;
import orbispace.core.audio.Line;
import orbispace.core.audio.Quantile;

/**
 * Finds a printed room in how a stem falls after all its stops, or after all its strokes: the
 * median, hundredth by hundredth of a second, of the levels behind them. A room shows as a fall
 * that goes over into a slower, straight one. Chance makes single falls of a few partials crooked;
 * the median of many is not. Behind strokes, whose own ring may bend as well, two bands must tell
 * the same decay.
 */
final class PooledTail {
    private static final int LEAST_EVENTS = 4;

    private static final int STILL = 18;
    private static final double STILL_SLOPE = 0.1;
    private static final double STILL_NEAR_DB = 4;
    private static final double OVER_NOISE_DB = 8;

    private static final int LEAST_LATE = 12;
    private static final double LEAST_RANGE_DB = 8;

    /** So much of what is seen of a fall lies before the end of its straight stretch. */
    private static final double LEAST_SEEN = 0.75;

    private static final double STRAIGHT_DB = 0.8;
    private static final double CHANCE_DB = 2;
    private static final double KNEE = 1.45;
    private static final int STEEP_FRAMES = 4;
    private static final double LEAST_UNDER_DB = 3.5;
    private static final double MOST_UNDER_DB = 32;
    private static final double LEAST_DECAY_SECONDS = 0.3;
    private static final double LONGEST_DECAY_SECONDS = 6;
    private static final double SAME_DECAY = 1.3;

    /** Halves of the events differ by this factor at most where the decay is sure. */
    private static final double AGREE = 1.25;

    private static final int GONE = 20;
    private static final double GONE_DB = 60;
    private static final double DEEP_DB = 40;

    private PooledTail() {}

    /** Looks for the room behind all stops, or behind all strokes where no stop tells. */
    static PrintedRoom look(Audio audio) {
        double[] levels = RoomBand.ALL.levels(audio);
        List<Integer> stops = SoundEnds.stops(levels);
        List<Integer> strokes = SoundEnds.strokes(levels);
        Optional<Ambience> found =
                judged(stops, half -> room(levels, half))
                        .or(() -> judged(strokes, half -> behindStrokes(audio, half)));
        if (found.isPresent()) {
            return PrintedRoom.of(found.get());
        }
        List<Integer> events = stops.size() < LEAST_EVENTS ? strokes : stops;
        return fallsAtOnce(levels, events) ? PrintedRoom.NONE : PrintedRoom.NOT_SURE;
    }

    /**
     * Whether sound is gone 0.2 s after most events: 60 dB down, or under a floor that lies 40 dB
     * under it. What falls less fast by itself would hide a short room.
     */
    private static boolean fallsAtOnce(double[] levels, List<Integer> events) {
        double floor = floor(levels);
        List<Double> drops = new ArrayList<>();
        for (int event : events) {
            if (SoundEnds.nextSound(levels, event) > event + GONE) {
                double drop = levels[event] - levels[event + GONE];
                boolean under = levels[event + GONE] < floor && drop > DEEP_DB;
                drops.add(under ? Math.max(drop, GONE_DB) : drop);
            }
        }
        return drops.size() >= LEAST_EVENTS && Quantile.of(drops, 0.5) >= GONE_DB;
    }

    /** The room behind events, sure if it is found behind every other of them as well. */
    private static Optional<Ambience> judged(
            List<Integer> events, Function<List<Integer>, Optional<Ambience>> by) {
        Optional<Ambience> all = by.apply(events);
        if (all.isEmpty()) {
            return all;
        }
        double decay = all.get().decaySeconds();
        for (int first = 0; first < 2; first++) {
            int odd = first;
            List<Integer> half =
                    IntStream.range(0, events.size())
                            .filter(i -> i % 2 == odd)
                            .mapToObj(events::get)
                            .toList();
            double told = by.apply(half).map(Ambience::decaySeconds).orElse(0.0);
            if (told * AGREE < decay || told > AGREE * decay) {
                return all.map(Ambience::unsure);
            }
        }
        return all;
    }

    private static Optional<Ambience> behindStrokes(Audio audio, List<Integer> strokes) {
        Optional<Ambience> low = room(RoomBand.LOW.levels(audio), strokes);
        Optional<Ambience> high = room(RoomBand.HIGH.levels(audio), strokes);
        if (low.isEmpty() || high.isEmpty()) {
            return Optional.empty();
        }
        double one = low.get().decaySeconds();
        double two = high.get().decaySeconds();
        return Math.max(one, two) > SAME_DECAY * Math.min(one, two)
                ? Optional.empty()
                : Optional.of(
                        new Ambience(
                                Math.sqrt(one * two),
                                (low.get().underDb() + high.get().underDb()) / 2,
                                strokes.size()));
    }

    /** The room in the median fall: its straight stretch of most range for what it strays. */
    private static Optional<Ambience> room(double[] levels, List<Integer> events) {
        if (events.size() < LEAST_EVENTS) {
            return Optional.empty();
        }
        double[] fall = median(levels, events, floor(levels));
        double tolerance = STRAIGHT_DB + CHANCE_DB / Math.sqrt(events.size());
        Optional<Ambience> best = Optional.empty();
        double most = 0;
        int least = Math.max(LEAST_LATE + 3, (int) (LEAST_SEEN * fall.length));
        for (int end = fall.length; end >= least; end -= 3) {
            int from = 3;
            Line late = Line.through(fall, from, end);
            while (late.deviation() > tolerance && from + LEAST_LATE < end) {
                from++;
                late = Line.through(fall, from, end);
            }
            double worth = (late.at(from) - late.at(end)) / (STRAIGHT_DB + late.deviation());
            if (late.deviation() <= tolerance && worth > most) {
                Optional<Ambience> found =
                        room(fall, Math.min(from + 2, end - LEAST_LATE), end, events.size());
                most = found.isPresent() ? worth : most;
                best = found.isPresent() ? found : best;
            }
        }
        return best;
    }

    private static Optional<Ambience> room(double[] fall, int from, int end, int events) {
        Line late = Line.through(fall, from, end);
        double decay = -60 * RoomBand.FRAME_SECONDS / late.slope();
        double early = 0;
        for (int k = 0; k < from && k + STEEP_FRAMES < end; k++) {
            early = Math.max(early, (fall[k] - fall[k + STEEP_FRAMES]) / STEEP_FRAMES);
        }
        double under = fall[0] - late.at(0);
        boolean is =
                late.slope() < 0
                        && decay >= LEAST_DECAY_SECONDS
                        && decay <= LONGEST_DECAY_SECONDS
                        && late.at(from) - late.at(end) >= LEAST_RANGE_DB
                        && early >= -KNEE * late.slope()
                        && under >= LEAST_UNDER_DB
                        && under <= MOST_UNDER_DB;
        return is ? Optional.of(new Ambience(decay, under, events)) : Optional.empty();
    }

    /**
     * The level over which a tail is its own: 8 dB over the noise, where some third of a second
     * stands still near the least that there is; else just over that.
     */
    private static double floor(double[] levels) {
        double least = Quantile.of(levels, 0.02);
        for (int i = 0; i + STILL <= levels.length; i += STILL / 3) {
            Line line = Line.through(levels, i, i + STILL);
            if (Math.abs(line.slope()) < STILL_SLOPE
                    && line.at(i + STILL / 2) < least + STILL_NEAR_DB) {
                return least + OVER_NOISE_DB;
            }
        }
        return least + 1;
    }

    /**
     * The median level at each frame after the events, re the level at them, as long as half of
     * those that are still heard alone are over the floor. What is under it counts as low.
     */
    private static double[] median(double[] levels, List<Integer> events, double floor) {
        List<Integer> ends = events.stream().map(i -> SoundEnds.nextSound(levels, i)).toList();
        List<Double> fall = new ArrayList<>();
        for (int k = 0; k < SoundEnds.LONGEST; k++) {
            List<Double> here = new ArrayList<>();
            int under = 0;
            for (int n = 0; n < events.size(); n++) {
                int at = events.get(n) + k;
                if (at < ends.get(n) && at < levels.length) {
                    here.add(levels[at] - levels[events.get(n)]);
                    under += levels[at] < floor ? 1 : 0;
                }
            }
            if (here.size() < LEAST_EVENTS || 3 * under > here.size()) {
                break;
            }
            fall.add(Quantile.of(here, 0.5));
        }
        return fall.stream().mapToDouble(d -> d).toArray();
    }
}
