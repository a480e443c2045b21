package orbispace.core.hearing;

import java.util.Locale;

/** How much of a return is noticed, by its wet share. */
public enum WetState {
    /** Under 0.7 % of the loudness. */
    HIDDEN(0, 0.005),
    /** 0.7 to 3 %: missed when muted, not noticed as an effect. */
    FELT(0.007, 0.015),
    /** 3 to 10 %. */
    HEARD(0.03, 0.055),
    /** Over 10 %. */
    OBVIOUS(0.10, 0.14);

    private static final double HYSTERESIS = 1.15;

    private final double fromShare;
    private final double aimShare;

    WetState(double fromShare, double aimShare) {
        this.fromShare = fromShare;
        this.aimShare = aimShare;
    }

    /** It in a word. */
    public String label() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** The wet share at which the state begins. */
    public double fromShare() {
        return fromShare;
    }

    /** The wet share to aim at for this state. */
    public double aimShare() {
        return aimShare;
    }

    /** The state of a wet share (0 to 1) with nothing known before. */
    public static WetState of(double share) {
        WetState state = HIDDEN;
        for (WetState candidate : values()) {
            if (share >= candidate.fromShare) {
                state = candidate;
            }
        }
        return state;
    }

    /** The higher of two. */
    public WetState or(WetState other) {
        return other.compareTo(this) > 0 ? other : this;
    }

    /** The next state with hysteresis: up above 1.15 of a threshold, down below it over 1.15. */
    public WetState next(double share) {
        WetState up = of(share / HYSTERESIS);
        WetState down = of(share * HYSTERESIS);
        if (up.compareTo(this) > 0) {
            return up;
        }
        return down.compareTo(this) < 0 ? down : this;
    }
}
