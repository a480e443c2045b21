package orbispace.core.render;

import java.util.List;
import java.util.Optional;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.ToDoubleFunction;
import orbispace.core.audio.Decibels;
import orbispace.core.design.Chain;
import orbispace.core.design.Design;
import orbispace.core.design.PlanCell;
import orbispace.core.design.Return;
import orbispace.core.design.SectionPlan;
import orbispace.core.design.Send;
import orbispace.core.design.Source;
import orbispace.core.design.Throw;

/**
 * The plan of a song as gains over its frames.
 *
 * <p>A level that is carried over an edge is laid on what is sent into the return, so that tails
 * ring on as loud as they were; one that is faded or cut is laid on what comes out. What is carried
 * after that enters with the factor that brings it to its level, except into a chain that hears how
 * loud it is entered (a drive, a gate that listens to what it gates, saturation, a compressor):
 * there what comes out goes to the new level with the ramp instead, the tail before it too. Every
 * change takes at least 5 ms. Ramps are straight in dB.
 */
public final class PlanCurves {
    private final Design design;
    private final double rate;
    private final PlanStretches stretches;

    /** Gains of a return on its way in and on its way out. */
    record Levels(GainCurve in, GainCurve out) {
        static final Levels EVEN = new Levels(GainCurve.EVEN, GainCurve.EVEN);
    }

    /** The plan of a design. */
    public PlanCurves(Design design) {
        this.design = design;
        stretches = new PlanStretches(design);
        rate = stretches.rate();
    }

    private int frame(double beat) {
        return stretches.frame(beat);
    }

    /** Open until a trail is shut, which takes as long as the throw's own shutting. */
    GainCurve shut(Throw t) {
        Double until = t.trail().untilBeat();
        if (until == null) {
            return GainCurve.EVEN;
        }
        int end = frame(until);
        int fade = Math.max(1, (int) Math.round(t.fadeOutMillis() / 1000 * rate));
        TreeMap<Integer, Double> points = new TreeMap<>();
        points.put(end - fade, 1.0);
        points.put(end, 0.0);
        return GainCurve.through(points);
    }

    /** The gains of a return's level over the song. */
    Levels levels(Return r) {
        if (!differs(r)) {
            return Levels.EVEN;
        }
        PlanLine in = PlanLine.level(rate, 1);
        PlanLine out = PlanLine.level(rate, 1);
        for (int i = 0; i < stretches.all().size(); i++) {
            PlanCell cell = stretches.all().get(i).plan().cell(r.id());
            double wanted = cell.muted() ? 0 : Decibels.toAmplitude(cell.levelDb());
            boolean first = i == 0;
            PlanCell.Edge edge = first ? PlanCell.Edge.CARRIED : cell.edge();
            double input = wanted;
            double output = 1;
            switch (edge) {
                case CARRIED -> {
                    boolean before = out.value() != 0 && out.value() != 1;
                    output = before ? out.value() : 1;
                    if (before && wanted > 0 && hearsLevel(r)) {
                        output = Math.min(1, wanted);
                    }
                    input = wanted / output;
                }
                case FADED, CUT -> {
                    input = cell.muted() ? 0 : 1;
                    output = wanted;
                }
            }
            int from = stretches.begin(i);
            int ramp = stretches.ramp(i, edge == PlanCell.Edge.CUT ? 0 : cell.rampBeats());
            in.to(input, from, ramp, first);
            out.to(output, from, ramp, first);
        }
        return new Levels(in.curve(), out.curve());
    }

    /** Whether a return sounds otherwise, not only louder, when more is sent into it. */
    private static boolean hearsLevel(Return r) {
        Chain c = r.chain();
        boolean driven = c.drive() != null && c.drive().driveDb() > 0;
        boolean gated = c.gate() != null && c.gate().key().isEmpty();
        return driven || gated || c.space().traits().hearsLevel();
    }

    /** The plan's gain of what enters a return, over the song. */
    public GainCurve input(Return r) {
        return levels(r).in();
    }

    /** The plan's gain of what leaves a return, over the song. */
    public GainCurve output(Return r) {
        return levels(r).out();
    }

    /** The same of a return that may be there for one throw, and is shut when its trail is. */
    public GainCurve output(Return r, Optional<Throw> own) {
        return levels(r).out().times(own.map(this::shut).orElse(GainCurve.EVEN));
    }

    /** How open a throw is over the song: 0 outside, 1 inside its fades. */
    public GainCurve window(Throw t) {
        return thrown(GainCurve.of(0), t.withLevel(0).withRide(List.of()));
    }

    /**
     * The gain of a send over the song, its level included; steady if neither plan nor throws
     * change it.
     */
    public GainCurve send(Return r, Source s) {
        Send send = r.sends().get(s.id());
        double level = send == null ? 0 : Decibels.toAmplitude(send.levelDb());
        PlanLine line = PlanLine.level(rate, level);
        boolean planned = send != null && stretches.any(p -> p.sendDb(r.id(), s.id()) != 0);
        for (int i = 0; planned && i < stretches.all().size(); i++) {
            SectionPlan here = stretches.all().get(i).plan();
            double wanted = level * Decibels.toAmplitude(here.sendDb(r.id(), s.id()));
            int ramp = stretches.ramp(i, here.cell(r.id()).rampBeats());
            line.to(wanted, stretches.begin(i), ramp, i == 0);
        }
        GainCurve curve = planned ? line.curve() : GainCurve.of(level);
        for (Throw t : design.thrown()) {
            if (t.sourceId().equals(s.id()) && t.returnId().equals(r.id())) {
                curve = thrown(curve, t);
            }
        }
        return curve;
    }

    /** Whether a source is sent to a return at any time. */
    public boolean isSent(Return r, Source s) {
        return r.sends().containsKey(s.id())
                || design.thrown().stream()
                        .anyMatch(t -> t.sourceId().equals(s.id()) && t.returnId().equals(r.id()));
    }

    /** A curve with a throw laid over it: it leaves it, rides, and comes back to it. */
    private GainCurve thrown(GainCurve base, Throw t) {
        int from = frame(t.fromBeat());
        int to = Math.max(from + 2, frame(t.toBeat()));
        int in = fade(t.fadeInMillis(), to - from);
        int out = fade(t.fadeOutMillis(), to - from);
        TreeSet<Integer> frames = new TreeSet<>(List.of(from, from + in, to - out, to));
        for (int i = 0; i < base.size(); i++) {
            frames.add(base.frame(i));
        }
        GainCurve ride = ride(t);
        for (int i = 0; i < ride.size(); i++) {
            if (ride.frame(i) > from && ride.frame(i) < to) {
                frames.add(ride.frame(i));
            }
        }
        ToDoubleFunction<Integer> open =
                f ->
                        f <= from || f >= to
                                ? 0
                                : Math.min(
                                        1,
                                        Math.min(
                                                (f - from) / (double) in, (to - f) / (double) out));
        TreeMap<Integer, Double> points = new TreeMap<>();
        for (int f : frames) {
            double w = open.applyAsDouble(f);
            points.put(f, (1 - w) * base.at(f) + w * ride.at(f));
        }
        return GainCurve.through(points);
    }

    private int fade(double millis, int frames) {
        return Math.clamp(Math.round(millis / 1000 * rate), 1, Math.max(1, frames / 2));
    }

    private GainCurve ride(Throw t) {
        if (t.ride().isEmpty()) {
            return GainCurve.of(Decibels.toAmplitude(t.levelDb()));
        }
        PlanLine line = PlanLine.level(rate, 1);
        for (int i = 0; i < t.ride().size(); i++) {
            Throw.RidePoint p = t.ride().get(i);
            double gain = Decibels.toAmplitude(p.levelDb());
            if (i == 0) {
                line.to(gain, frame(p.beat()), 1, true);
            } else {
                int from = frame(t.ride().get(i - 1).beat());
                line.to(gain, from, Math.max(1, frame(p.beat()) - from), false);
            }
        }
        return line.curve();
    }

    /** Sections and what lies between and behind them. */
    PlanStretches stretches() {
        return stretches;
    }

    /** Whether a return is anywhere other than it is otherwise. */
    boolean differs(Return r) {
        return stretches.any(p -> !p.cell(r.id()).isPlain());
    }
}
