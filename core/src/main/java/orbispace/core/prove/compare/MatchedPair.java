package orbispace.core.prove.compare;

import java.util.OptionalDouble;
import orbispace.core.audio.Audio;
import orbispace.core.measure.Loudness;
import orbispace.core.measure.LoudnessMeter;

/**
 * Two sounds made equally loud (ITU-R BS.1770, integrated with both gates over all that is
 * compared). The softer is raised to the louder as far as its true peak stays at or under -1 dBTP;
 * what is missing then is taken from the louder.
 *
 * @param lufsA loudness of the first as it is; empty for silence
 * @param lufsB loudness of the second
 * @param gainADb what the first is turned by
 * @param gainBDb what the second is turned by
 */
public record MatchedPair(
        OptionalDouble lufsA, OptionalDouble lufsB, double gainADb, double gainBDb) {
    private static final double HIGHEST_DBTP = -1;

    /** Matches two sounds; one that is silent leaves both as they are. */
    public static MatchedPair of(Audio a, Audio b) {
        return of(LoudnessMeter.measure(a), LoudnessMeter.measure(b));
    }

    /** Matches two sounds by their measures. */
    public static MatchedPair of(Loudness a, Loudness b) {
        if (a.integratedLufs().isEmpty() || b.integratedLufs().isEmpty()) {
            return new MatchedPair(a.integratedLufs(), b.integratedLufs(), 0, 0);
        }
        double apart = a.integratedLufs().getAsDouble() - b.integratedLufs().getAsDouble();
        double raised = Math.abs(apart);
        Loudness softer = apart > 0 ? b : a;
        double room = Math.max(0, HIGHEST_DBTP - softer.truePeakDbtp().orElse(-100));
        double up = Math.min(raised, room);
        double down = up - raised;
        return apart > 0
                ? new MatchedPair(a.integratedLufs(), b.integratedLufs(), down, up)
                : new MatchedPair(a.integratedLufs(), b.integratedLufs(), up, down);
    }

    /** What the second is turned by against the first, in dB. */
    public double gainDb() {
        return gainBDb - gainADb;
    }
}
