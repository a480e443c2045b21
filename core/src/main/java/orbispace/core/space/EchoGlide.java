package orbispace.core.space;

import orbispace.core.signal.DelayLine;

/** How far a line of an echo still is from its new time, in frames. */
final class EchoGlide {
    private double target;
    private double off;
    private double step;

    /** Frames that are still off. */
    double off() {
        return off;
    }

    /** Gives a line its time: at once and made up for by what is off, or by a cross-fade. */
    void aim(DelayLine line, double frames, double glideFrames) {
        if (glideFrames > 0 && frames != target) {
            off += target - frames;
            step = Math.abs(off) / glideFrames;
            line.setDelay(frames, true);
        } else if (glideFrames <= 0) {
            line.setDelay(frames, false);
        }
        target = frames;
    }

    /** What is off now; it becomes less by a step. */
    double next() {
        double now = off;
        off = Math.abs(off) <= step ? 0 : off - Math.signum(off) * step;
        return now;
    }

    void settle(double frames) {
        target = frames;
        off = 0;
    }
}
