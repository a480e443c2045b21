package orbispace.core.material;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import orbispace.core.audio.Audio;
import orbispace.core.audio.Decibels;
import orbispace.core.audio.Line;
import orbispace.core.audio.Quantile;

/**
 * Finds whether a stem is already wet: after a sustained sound stops, a dry stem falls away as fast
 * as its player lets go; a wet one falls a few decibels and then along the straight decay of a
 * room.
 *
 * <p>A stop counts if the quarter second before it was steady within 5 dB, the level then drops by
 * at least 8 dB in a tenth of a second, and what follows falls straight (correlation over 0.9 in
 * steps of 50 ms) for a fifth of a second at least, clearly slower than the drop. Sounds that ring
 * by themselves from their stroke, such as bars and strings, have no such knee and are not
 * reported. Where a stem has two channels that differ, {@link SideRoom} tells more, and where it
 * stops or strikes often enough, {@link PooledTail}.
 */
public final class AmbienceFinder {
    private static final double FRAME_SECONDS = 0.01;
    private static final double STEADY_SECONDS = 0.25;
    private static final double STEADY_DB = 5;
    private static final double DROP_SECONDS = 0.1;
    private static final double LEAST_DROP_DB = 8;
    private static final double TAIL_SECONDS = 0.8;
    private static final double LEAST_KNEE = 1.1;
    private static final double LEAST_RISE_DB = 5;
    private static final double LEAST_TAIL_SECONDS = 0.2;
    private static final double LEAST_RANGE_DB = 6;
    private static final double LEAST_DECAY_SECONDS = 0.25;
    private static final double LONGEST_DECAY_SECONDS = 10;
    private static final double STRAIGHT = 0.9;
    private static final double AGREE = 0.35;

    /** From so many stops on their decay is sure. */
    private static final int ENOUGH = 4;

    private AmbienceFinder() {}

    private record Fall(double decaySeconds, double underDb) {}

    /** The room in a stem of any rate and length; empty if it is dry or that is not told. */
    public static Optional<Ambience> find(Audio audio) {
        return look(audio).found();
    }

    /** Looks for the room in a stem of any rate and length. */
    public static PrintedRoom look(Audio audio) {
        double[] powers = powers(audio);
        if (powers.length < 60) {
            return PrintedRoom.NOT_SURE;
        }
        Optional<Ambience> beside = SideRoom.look(audio);
        if (beside.isPresent()) {
            return PrintedRoom.of(beside.get());
        }
        double[] levels = decibels(powers);
        double[] smooth = decibels(smoothed(powers));
        double loud = Quantile.of(levels, 0.95);
        double floor = Math.max(Quantile.of(levels, 0.02) + 10, loud - 70);
        List<Fall> falls = new ArrayList<>();
        int stops = 0;
        int steady = (int) Math.round(STEADY_SECONDS / FRAME_SECONDS);
        for (int i = steady; i + 30 < levels.length; i++) {
            if (levels[i] > loud - 25 && stopsAt(levels, i, steady)) {
                stops += rests(smooth, i) ? 1 : 0;
                fall(levels, smooth, i, floor).ifPresent(falls::add);
                i += (int) Math.round(DROP_SECONDS / FRAME_SECONDS);
            }
        }
        PrintedRoom pooled = PooledTail.look(audio);
        if (pooled.found().isPresent()) {
            return pooled;
        }
        return agreed(falls, stops).map(PrintedRoom::of).orElse(pooled);
    }

    /** Whether a steady sound ends here: the frame is the last within 3 dB of what came before. */
    private static boolean stopsAt(double[] levels, int i, int steady) {
        double before = mean(levels, i - steady, i);
        if (levels[i] < before - 3 || levels[i + 1] >= before - 3) {
            return false;
        }
        for (int k = i - steady; k < i; k++) {
            if (Math.abs(levels[k] - before) > STEADY_DB) {
                return false;
            }
        }
        int drop = (int) Math.round(DROP_SECONDS / FRAME_SECONDS);
        return levels[i + drop] < before - LEAST_DROP_DB;
    }

    /** Whether nothing new sounds for as long after a stop as a tail needs to be seen. */
    private static boolean rests(double[] smooth, int stop) {
        int from = stop + (int) Math.round(1.2 * DROP_SECONDS / FRAME_SECONDS);
        int to = from + (int) Math.round(1.5 * LEAST_TAIL_SECONDS / FRAME_SECONDS);
        for (int i = from; i < Math.min(to, smooth.length); i++) {
            if (smooth[i] > smooth[stop] - LEAST_DROP_DB / 2) {
                return false;
            }
        }
        return true;
    }

    /** The straight decay after a stop, if there is one. */
    private static Optional<Fall> fall(double[] levels, double[] smooth, int stop, double floor) {
        int steady = (int) Math.round(STEADY_SECONDS / FRAME_SECONDS);
        double before = mean(levels, stop - steady, stop);
        int from = stop + (int) Math.round(1.2 * DROP_SECONDS / FRAME_SECONDS);
        int most = Math.min(levels.length, from + (int) Math.round(TAIL_SECONDS / FRAME_SECONDS));
        int end = from;
        double lowest = Double.POSITIVE_INFINITY;
        while (end < most && smooth[end] > floor && smooth[end] < lowest + LEAST_RISE_DB) {
            lowest = Math.min(lowest, smooth[end]);
            end++;
        }
        if ((end - from) * FRAME_SECONDS < LEAST_TAIL_SECONDS) {
            return Optional.empty();
        }
        Line line = Line.through(smooth, from, end);
        double perSecond = line.slope() / FRAME_SECONDS;
        double decay = -60 / perSecond;
        double atStop = line.at(stop);
        double dropPerSecond = (before - smooth[from]) / (1.2 * DROP_SECONDS);
        boolean room =
                perSecond < 0
                        && decay >= LEAST_DECAY_SECONDS
                        && decay <= LONGEST_DECAY_SECONDS
                        && line.correlation() < -STRAIGHT
                        && line.at(from) - line.at(end) >= LEAST_RANGE_DB
                        && before - atStop >= LEAST_DROP_DB / 2
                        && -perSecond * LEAST_KNEE < dropPerSecond;
        return room ? Optional.of(new Fall(decay, before - atStop)) : Optional.empty();
    }

    /** Most stops must show a room, and most of those the same one. */
    private static Optional<Ambience> agreed(List<Fall> falls, int stops) {
        if (falls.isEmpty() || 3 * falls.size() < stops) {
            return Optional.empty();
        }
        double middle = Quantile.of(falls.stream().map(Fall::decaySeconds).toList(), 0.5);
        List<Fall> same =
                falls.stream()
                        .filter(f -> Math.abs(f.decaySeconds() / middle - 1) < AGREE)
                        .toList();
        if (2 * same.size() < falls.size()) {
            return Optional.empty();
        }
        return Optional.of(
                new Ambience(
                        Quantile.of(same.stream().map(Fall::decaySeconds).toList(), 0.5),
                        Quantile.of(same.stream().map(Fall::underDb).toList(), 0.5),
                        same.size(),
                        same.size() >= ENOUGH));
    }

    private static double[] powers(Audio audio) {
        int frame = Math.max(1, (int) Math.round(FRAME_SECONDS * audio.sampleRateHz()));
        double[] powers = new double[audio.frames() / frame];
        for (int c = 0; c < audio.channelCount(); c++) {
            float[] x = audio.channel(c);
            for (int f = 0; f < powers.length; f++) {
                double sum = 0;
                for (int k = f * frame; k < (f + 1) * frame; k++) {
                    sum += (double) x[k] * x[k];
                }
                powers[f] += sum / frame;
            }
        }
        return powers;
    }

    /** Means over two frames to either side. */
    private static double[] smoothed(double[] powers) {
        double[] out = new double[powers.length];
        for (int i = 0; i < out.length; i++) {
            int from = Math.max(0, i - 2);
            int to = Math.min(powers.length, i + 3);
            out[i] = mean(powers, from, to);
        }
        return out;
    }

    private static double[] decibels(double[] powers) {
        return Arrays.stream(powers).map(p -> Math.max(-150, Decibels.ofPower(p))).toArray();
    }

    private static double mean(double[] values, int from, int to) {
        return Arrays.stream(values, from, to).average().orElse(0);
    }
}
