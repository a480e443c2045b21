package orbispace.core.render;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;
import orbispace.core.design.Design;
import orbispace.core.design.Section;
import orbispace.core.design.SectionPlan;
import orbispace.core.time.SongClock;

/** The sections of a song, with what lies between and behind them, on its frames. */
final class PlanStretches {
    private static final double LEAST_RAMP_SECONDS = 0.005;

    private final SongClock clock;
    private final double rate;
    private final List<Stretch> all = new ArrayList<>();

    /** A section, or what lies between two. */
    record Stretch(int bar, double beat, SectionPlan plan, boolean isSection) {}

    PlanStretches(Design design) {
        clock = design.song().clock();
        rate = design.song().sampleRateHz();
        int bar = Integer.MIN_VALUE;
        for (Section s : design.song().sections()) {
            if (bar != Integer.MIN_VALUE && s.firstBar() > bar) {
                all.add(new Stretch(bar, beat(bar), SectionPlan.NONE, false));
            }
            all.add(new Stretch(s.firstBar(), beat(s.firstBar()), s.plan(), true));
            bar = s.endBar();
        }
        if (bar != Integer.MIN_VALUE) {
            all.add(new Stretch(bar, beat(bar), SectionPlan.NONE, false));
        }
    }

    private double beat(int bar) {
        return clock.metre().beatOfBar(bar);
    }

    /** All of them, in order. */
    List<Stretch> all() {
        return List.copyOf(all);
    }

    /** Whether the plan of any is so. */
    boolean any(Predicate<SectionPlan> plan) {
        return all.stream().anyMatch(s -> plan.test(s.plan()));
    }

    double rate() {
        return rate;
    }

    int frame(double beat) {
        return (int) Math.round(clock.secondsAt(beat) * rate);
    }

    /** Where a stretch begins. */
    int begin(int index) {
        return frame(all.get(index).beat());
    }

    /**
     * How long a change of so many beats takes that begins with a stretch, in frames: at least 5
     * ms, cut where the next stretch begins.
     */
    int ramp(int index, double beats) {
        int from = begin(index);
        int wanted = frame(all.get(index).beat() + beats) - from;
        int least = (int) Math.round(LEAST_RAMP_SECONDS * rate);
        int most = index + 1 < all.size() ? begin(index + 1) - from : Integer.MAX_VALUE;
        return Math.clamp(Math.max(least, wanted), 1, Math.max(1, most));
    }
}
