package orbispace.core.render;

import orbispace.core.audio.Audio;
import orbispace.core.audio.Pan;

/**
 * Where a source stands between the loudspeakers over the song, and how wide.
 *
 * @param pan its position, -1 (left) to 1 (right)
 * @param spread factor on the difference of its channels
 */
public record Stand(GainCurve pan, GainCurve spread) {
    /** At one place throughout, as wide as it is. */
    static Stand at(double pan) {
        return new Stand(GainCurve.of(pan), GainCurve.EVEN);
    }

    /** Whether it ever walks; otherwise its gains are plain factors. */
    boolean walks() {
        return !pan.isSteady();
    }

    /** Left factor of a sound at the beginning; 1 where it walks, since its curve says it all. */
    double leftGain(Audio audio) {
        return walks() ? 1 : leftAt(audio, pan.gain(0));
    }

    /** Right factor, as {@link #leftGain}. */
    double rightGain(Audio audio) {
        return walks() ? 1 : rightAt(audio, pan.gain(0));
    }

    private static double leftAt(Audio audio, double pan) {
        return audio.channelCount() == 1 ? Pan.left(pan) : Pan.balanceLeft(pan);
    }

    private static double rightAt(Audio audio, double pan) {
        return audio.channelCount() == 1 ? Pan.right(pan) : Pan.balanceRight(pan);
    }

    /** Left gain of a sound over the song where it walks; even otherwise. */
    GainCurve left(Audio audio) {
        return walks() ? pan.mapped(p -> leftAt(audio, p)) : GainCurve.EVEN;
    }

    /** Right gain, as {@link #left}. */
    GainCurve right(Audio audio) {
        return walks() ? pan.mapped(p -> rightAt(audio, p)) : GainCurve.EVEN;
    }
}
