package orbispace.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import orbispace.core.audio.Decibels;
import orbispace.core.design.Design;
import orbispace.core.design.Return;
import orbispace.core.design.Source;
import orbispace.core.design.Throw;
import orbispace.core.render.GainCurve;
import orbispace.core.render.PlanCurves;
import orbispace.core.render.TrailReturns;
import orbispace.core.time.SongClock;

/**
 * The plan and the throws as lanes of breakpoints that can be drawn into any mixing environment.
 *
 * @param lanes what moves, in order of returns
 */
public record Automation(List<Lane> lanes) {
    /** The level that stands for silence. */
    public static final double SILENT_DB = -96;

    /**
     * One thing that moves.
     *
     * @param name in words
     * @param returnId letter of the return
     * @param sourceId id of the source for a send; empty for what enters or leaves the return
     * @param points in order of time, at least one; between them it runs straight in amplitude
     */
    public record Lane(String name, String returnId, String sourceId, List<Point> points) {
        /** Keeps its own list. */
        public Lane {
            points = List.copyOf(points);
        }
    }

    /**
     * A breakpoint.
     *
     * @param seconds from the start of the stems
     * @param beat in quarter notes from bar 1
     * @param levelDb {@link #SILENT_DB} for silence
     */
    public record Point(double seconds, double beat, double levelDb) {}

    /** Keeps its own list. */
    public Automation {
        lanes = List.copyOf(lanes);
    }

    /**
     * What moves in a design: levels into and out of returns, and sends. A thrown word that repeats
     * in a way of its own goes to a return of its own.
     */
    public static Automation of(Design given) {
        TrailReturns trails = new TrailReturns(given);
        Design design = trails.whole();
        PlanCurves curves = new PlanCurves(design);
        List<Lane> lanes = new ArrayList<>();
        for (Return r : design.returns()) {
            Optional<Throw> own = trails.thrownTo(r.id());
            String name =
                    own.map(Throw::returnId).orElse(r.id())
                            + " "
                            + r.name()
                            + own.map(t -> " for throw " + t.id()).orElse("");
            GainCurve level = curves.output(r, own);
            add(lanes, design, "into " + name, r, "", 0, curves.input(r));
            add(lanes, design, name + " level", r, "", r.levelDb(), level);
            for (Source s : design.sources()) {
                if (curves.isSent(r, s)) {
                    String send = s.name() + " to " + name;
                    add(lanes, design, send, r, s.id(), 0, curves.send(r, s));
                }
            }
        }
        return new Automation(lanes);
    }

    private static void add(
            List<Lane> lanes,
            Design design,
            String name,
            Return r,
            String sourceId,
            double db,
            GainCurve curve) {
        if (curve.isSteady()) {
            return;
        }
        SongClock clock = design.song().clock();
        List<Point> points = new ArrayList<>();
        for (int i = 0; i < curve.size(); i++) {
            double seconds = curve.frame(i) / design.song().sampleRateHz();
            double level =
                    curve.gain(i) <= 0
                            ? SILENT_DB
                            : Math.max(SILENT_DB, db + Decibels.ofAmplitude(curve.gain(i)));
            points.add(new Point(seconds, clock.beatAt(seconds), level));
        }
        lanes.add(new Lane(name, r.id(), sourceId, points));
    }
}
