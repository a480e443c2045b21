package orbispace.core.clear.room;

import java.util.BitSet;
import java.util.stream.IntStream;
import orbispace.core.audio.Audio;
import orbispace.core.hearing.Ear;
import orbispace.core.hearing.Excitation;
import orbispace.core.hearing.HearingModel;

/**
 * Excitation of the left and the right ear, each by its own channel, as in headphones. What is said
 * of two ears is said of the better one in each band, which is what panning apart can win: maskers
 * at both sides that share no band are then no worse than both at one.
 */
record TwoEars(Excitation left, Excitation right) {
    /** Both channels of a sound as two ears. */
    static TwoEars of(Audio audio, Ear ear) {
        double rate = audio.sampleRateHz();
        return new TwoEars(
                ear.hear(Audio.of(rate, audio.channel(0))),
                ear.hear(Audio.of(rate, audio.channel(1))));
    }

    /** Some of its frames alone. */
    TwoEars only(BitSet frames) {
        return new TwoEars(left.only(frames), right.only(frames));
    }

    /** This less a part of it. */
    TwoEars minus(TwoEars part) {
        return new TwoEars(left.minus(part.left), right.minus(part.right));
    }

    /** The same, each ear at a gain. */
    TwoEars times(double leftGain, double rightGain) {
        return new TwoEars(left.times(leftGain * leftGain), right.times(rightGain * rightGain));
    }

    /** Both sounds together. */
    TwoEars plus(TwoEars other) {
        return new TwoEars(left.plus(other.left), right.plus(other.right));
    }

    /** Loudness beside a masker at the better ear of each band, summed over some frames. */
    double heard(TwoEars masker, double roomPower, BitSet frames) {
        return IntStream.of(frames.stream().toArray())
                .parallel()
                .mapToDouble(f -> {
                    double sum = 0;
                    for (int b = 0; b < HearingModel.BANDS; b++) {
                        sum +=
                                Math.max(
                                        partial(left, masker.left, roomPower, f, b),
                                        partial(right, masker.right, roomPower, f, b));
                    }
                    return sum;
                })
                .sum();
    }

    /** What another masker takes of each band's loudness beside a first, over some frames. */
    double[] lossPerBand(TwoEars rest, TwoEars other, double roomPower, BitSet frames) {
        double[] loss = new double[HearingModel.BANDS];
        for (int f = frames.nextSetBit(0); f >= 0; f = frames.nextSetBit(f + 1)) {
            for (int b = 0; b < loss.length; b++) {
                loss[b] += lost(left, rest.left, other.left, roomPower, f, b);
                loss[b] += lost(right, rest.right, other.right, roomPower, f, b);
            }
        }
        return loss;
    }

    /** Loudness in each band beside a masker, summed over both ears and some frames. */
    double[] heardPerBand(TwoEars masker, double roomPower, BitSet frames) {
        double[] heard = new double[HearingModel.BANDS];
        for (int f = frames.nextSetBit(0); f >= 0; f = frames.nextSetBit(f + 1)) {
            for (int b = 0; b < heard.length; b++) {
                heard[b] += partial(left, masker.left, roomPower, f, b);
                heard[b] += partial(right, masker.right, roomPower, f, b);
            }
        }
        return heard;
    }

    private static double partial(Excitation s, Excitation m, double room, int f, int b) {
        return HearingModel.partialLoudness(b, s.at(f, b), m.at(f, b) + room);
    }

    private static double lost(
            Excitation s, Excitation rest, Excitation other, double room, int f, int b) {
        double m = rest.at(f, b) + room;
        return HearingModel.partialLoudness(b, s.at(f, b), m)
                - HearingModel.partialLoudness(b, s.at(f, b), m + other.at(f, b));
    }
}
