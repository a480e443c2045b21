package orbispace.core.material;

import java.util.Arrays;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import orbispace.core.audio.Audio;
import orbispace.core.audio.Decibels;
import orbispace.core.audio.Quantile;

/**
 * Finds a printed room in a stereo stem whose dry sound has one place: turned so that this place is
 * one channel, the other holds nothing but the room. The power there must be that of the dry sound
 * smeared by a straight decay, and what of that is wide itself: {@code r(t) = c (sum d(t - p - s)
 * exp(-b s) + w d(t))}; the decay under which it strays least is that of the room. Unlike a fall
 * behind a stop or a stroke this tells a room from a drum that rings as long itself, and needs no
 * rests.
 *
 * <p>What is dry and wide strays least where nothing is smeared, and is not reported.
 */
final class SideRoom {
    private static final double LOUD_DB = 12;
    private static final double LEAST_SIDE_DB = -45;
    private static final double OVER_NOISE_DB = 8;
    private static final double LEAST_SECONDS = 2;
    private static final int LEAST_FRAMES = 40;
    private static final double LEAST_DECAY_SECONDS = 0.25;
    private static final double LONGEST_DECAY_SECONDS = 6;
    private static final double SHORTEST_TRIED_SECONDS = 0.08;
    private static final double[] STEPS = {1.5, 1.12, 1.03};
    private static final int[] LATE_FRAMES = {0, 1, 2, 4, 7};

    /** What of the dry sound is left in the side, to the room there, as powers. */
    private static final double[] LEFT = {0, 0.5, 2, 8};

    private static final int MOST_RATIOS = 3000;
    private static final double MOST_STRAY_DB = 5;
    private static final double BETTER = 1.5;
    private static final double BETTER_IN_BAND = 1.1;
    private static final double AGREE = 1.25;

    /** A room is as loud in both channels, chance aside: what is to be taken off the first. */
    private static final double ROOM_HERE = 1.25;

    private final double[] direct;
    private final double[] side;
    private final double floor;

    /**
     * A decay that was tried.
     *
     * @param left of the dry sound in the side, to the room
     * @param strayDb half the width of the middle two thirds of measured over expected power
     */
    private record Fit(double decaySeconds, int lateFrames, double left, double strayDb) {}

    private SideRoom(Audio[] turned, RoomBand band) {
        double[] main = band.powers(turned[0]);
        side = band.powers(turned[1]);
        floor = Quantile.of(side, 0.02) * Decibels.toPower(OVER_NOISE_DB);
        direct = new double[main.length];
        for (int i = 0; i < main.length; i++) {
            direct[i] = Math.max(0, main[i] - ROOM_HERE * side[i]);
        }
    }

    /**
     * The room that the side tells; empty for mono, for what is dry, and where it tells nothing.
     */
    static Optional<Ambience> look(Audio audio) {
        if (audio.channelCount() != 2 || audio.seconds() < LEAST_SECONDS) {
            return Optional.empty();
        }
        Audio[] turned = turned(audio);
        SideRoom all = new SideRoom(turned, RoomBand.ALL);
        if (!all.isHeard()) {
            return Optional.empty();
        }
        Fit best = all.fit(0, all.side.length);
        boolean isRoom =
                best.decaySeconds() >= LEAST_DECAY_SECONDS
                        && best.decaySeconds() <= LONGEST_DECAY_SECONDS
                        && best.strayDb() <= MOST_STRAY_DB
                        && all.isSmeared(best, BETTER)
                        && Stream.of(RoomBand.LOW, RoomBand.HIGH)
                                .map(band -> new SideRoom(turned, band))
                                .allMatch(band ->
                                        band.tellsLittle() || band.isSmeared(best, BETTER_IN_BAND));
        return isRoom ? Optional.of(all.room(best)) : Optional.empty();
    }

    /** Whether enough of the side is heard where the dry sound is loud. */
    private boolean isHeard() {
        double loud = Quantile.of(direct, 0.95) * Decibels.toPower(-LOUD_DB);
        double[] shares =
                IntStream.range(0, side.length)
                        .filter(i -> direct[i] > loud)
                        .mapToDouble(i -> side[i] / direct[i])
                        .toArray();
        return shares.length > 0
                && Quantile.of(shares, 0.5) >= Decibels.toPower(LEAST_SIDE_DB)
                && !tellsLittle();
    }

    private boolean tellsLittle() {
        return Arrays.stream(side).filter(p -> p > floor).count() < LEAST_FRAMES;
    }

    /** Whether the side is the dry sound smeared by a decay rather than the dry sound itself. */
    private boolean isSmeared(Fit fit, double better) {
        double smeared = stray(fit.decaySeconds(), fit.lateFrames(), fit.left(), 0, side.length);
        return stray(0, 0, 0, 0, side.length) >= better * smeared;
    }

    private Ambience room(Fit best) {
        double[] levels = Arrays.stream(direct).map(RoomBand::level).toArray();
        int events = Math.max(SoundEnds.stops(levels).size(), SoundEnds.strokes(levels).size());
        double wet = 2 / (1 + best.left()) * Arrays.stream(side).sum();
        double under = -Decibels.ofPower(wet / Arrays.stream(direct).sum());
        boolean sure = true;
        for (int half = 0; half < 2; half++) {
            int from = half * side.length / 2;
            double told = fit(from, from + side.length / 2).decaySeconds();
            sure &= told < AGREE * best.decaySeconds() && told * AGREE > best.decaySeconds();
        }
        return new Ambience(best.decaySeconds(), under, events, sure);
    }

    /** The two channels, turned so that the first holds the place of the loudest sound. */
    private static Audio[] turned(Audio audio) {
        float[] left = audio.channel(0);
        float[] right = audio.channel(1);
        double ll = 0;
        double rr = 0;
        double lr = 0;
        for (int i = 0; i < left.length; i++) {
            // The loud counts more than its share, as there the room is least heard.
            double weight = (double) left[i] * left[i] + (double) right[i] * right[i];
            ll += weight * left[i] * left[i];
            rr += weight * right[i] * right[i];
            lr += weight * left[i] * right[i];
        }
        double angle = Math.atan2(2 * lr, ll - rr) / 2;
        double cos = Math.cos(angle);
        double sin = Math.sin(angle);
        float[][] turned = new float[2][left.length];
        for (int i = 0; i < left.length; i++) {
            turned[0][i] = (float) (cos * left[i] + sin * right[i]);
            turned[1][i] = (float) (cos * right[i] - sin * left[i]);
        }
        return new Audio[] {
            Audio.of(audio.sampleRateHz(), turned[0]), Audio.of(audio.sampleRateHz(), turned[1])
        };
    }

    /** The decay and delay under which a stretch strays least. */
    private Fit fit(int from, int to) {
        Fit best = new Fit(0, 0, 0, Double.POSITIVE_INFINITY);
        double low = SHORTEST_TRIED_SECONDS;
        double high = 1.5 * LONGEST_DECAY_SECONDS;
        for (double step : STEPS) {
            for (double decay = low; decay <= high; decay *= step) {
                best = better(best, decay, from, to);
            }
            low = best.decaySeconds() / step;
            high = best.decaySeconds() * step;
        }
        return best;
    }

    private Fit better(Fit least, double decay, int from, int to) {
        Fit best = least;
        for (int late : LATE_FRAMES) {
            for (double left : LEFT) {
                double stray = stray(decay, late, left, from, to);
                if (stray < best.strayDb()) {
                    best = new Fit(decay, late, left, stray);
                }
            }
        }
        return best;
    }

    /** How far the side strays from the direct sound smeared by a decay; 0 s for not at all. */
    private double stray(double decaySeconds, int late, double left, int from, int to) {
        double keeps =
                decaySeconds > 0
                        ? Decibels.toPower(-60 * RoomBand.FRAME_SECONDS / decaySeconds)
                        : 0;
        int each = Math.max(1, (to - from) / MOST_RATIOS);
        double[] ratios = new double[(to - from) / each + 1];
        int n = 0;
        double smeared = 0;
        for (int i = from; i < to; i++) {
            smeared = keeps * smeared + (1 - keeps) * (i >= late ? direct[i - late] : 0);
            if (side[i] > floor && i % each == 0) {
                double expected = smeared + left * direct[i];
                ratios[n++] = RoomBand.level(side[i] / Math.max(1e-15, expected));
            }
        }
        double[] told = Arrays.copyOf(ratios, n);
        return n < LEAST_FRAMES / 2 / each
                ? Double.POSITIVE_INFINITY
                : (Quantile.of(told, 0.84) - Quantile.of(told, 0.16)) / 2;
    }
}
