package orbispace.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.NavigableMap;
import java.util.Optional;
import java.util.function.DoubleUnaryOperator;
import java.util.function.Function;
import orbispace.core.audio.Decibels;
import orbispace.core.design.Design;
import orbispace.core.design.Return;
import orbispace.core.design.Source;
import orbispace.core.design.Throw;
import orbispace.core.render.GainCurve;
import orbispace.core.render.PlanCurves;
import orbispace.core.render.PlannedCourses;
import orbispace.core.render.SourceCurves;
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
     * @param returnId letter of the return; empty for a source's own fader, pan and width
     * @param sourceId id of the source for a send or what is its own; empty for what enters or
     *     leaves the return
     * @param quantity what moves
     * @param points in order of time, at least one; between them a level runs straight in
     *     amplitude, anything else straight in itself, and two at one moment are a step
     */
    public record Lane(
            String name, String returnId, String sourceId, Quantity quantity, List<Point> points) {
        /** Keeps its own list. */
        public Lane {
            points = List.copyOf(points);
        }
    }

    /** What a lane moves. */
    public enum Quantity {
        /** A level, in dB. */
        LEVEL("dB", -72, 12),
        /** T60, in seconds; as a controller its logarithm. */
        DECAY("s", 0.1, 20),
        /** Width, in per cent. */
        WIDTH("%", 0, 200),
        /** Predelay, in milliseconds. */
        PREDELAY("ms", 0, 500),
        /** Place between the loudspeakers, in per cent to the right. */
        PAN("%", -100, 100);

        private final String unit;
        private final double least;
        private final double most;

        Quantity(String unit, double least, double most) {
            this.unit = unit;
            this.least = least;
            this.most = most;
        }

        /** Its unit. */
        public String unit() {
            return unit;
        }

        /** The value of the lowest place of a controller but silence. */
        public double least() {
            return least;
        }

        /** The value of the highest place of a controller. */
        public double most() {
            return most;
        }

        /** Where a value stands between the least and the most, 0 to 1. */
        public double share(double value) {
            double share =
                    this == DECAY
                            ? Math.log(value / least) / Math.log(most / least)
                            : (value - least) / (most - least);
            return Math.clamp(share, 0, 1);
        }
    }

    /**
     * A breakpoint.
     *
     * @param seconds from the start of the stems
     * @param beat in quarter notes from bar 1
     * @param value in the unit of its lane; {@link #SILENT_DB} for silence
     */
    public record Point(double seconds, double beat, double value) {}

    /** Keeps its own list. */
    public Automation {
        lanes = List.copyOf(lanes);
    }

    /**
     * What moves in a design: levels into and out of returns, and sends; then decay, width and
     * predelay, which step where a section begins; then faders, pans and widths of sources. A
     * thrown word that repeats in a way of its own goes to a return of its own.
     */
    public static Automation of(Design given) {
        TrailReturns trails = new TrailReturns(given);
        Design design = trails.whole();
        PlanCurves curves = new PlanCurves(design);
        List<Lane> lanes = new ArrayList<>();
        List<Lane> stepping = new ArrayList<>();
        for (Return r : design.returns()) {
            Optional<Throw> own = trails.thrownTo(r.id());
            String name =
                    own.map(Throw::returnId).orElse(r.id())
                            + " "
                            + r.name()
                            + own.map(t -> " for throw " + t.id()).orElse("");
            GainCurve level = curves.output(r, own);
            add(lanes, design, "into " + name, r.id(), "", 0, curves.input(r));
            add(lanes, design, name + " level", r.id(), "", r.levelDb(), level);
            steps(stepping, design, name, r, own);
            for (Source s : design.sources()) {
                if (curves.isSent(r, s)) {
                    String send = s.name() + " to " + name;
                    add(lanes, design, send, r.id(), s.id(), 0, curves.send(r, s));
                }
            }
        }
        lanes.addAll(stepping);
        SourceCurves sources = new SourceCurves(design);
        for (Source s : design.sources()) {
            add(lanes, design, s.name() + " fader", "", s.id(), s.gainDb(), sources.fader(s));
            moving(lanes, design, s.name() + " pan", s, Quantity.PAN, sources.pan(s));
            moving(lanes, design, s.name() + " width", s, Quantity.WIDTH, sources.spread(s));
        }
        return new Automation(lanes);
    }

    /** A level, on top of a steady one. */
    private static void add(
            List<Lane> lanes,
            Design design,
            String name,
            String returnId,
            String sourceId,
            double db,
            GainCurve curve) {
        points(
                        design,
                        curve,
                        gain ->
                                gain <= 0
                                        ? SILENT_DB
                                        : Math.max(SILENT_DB, db + Decibels.ofAmplitude(gain)))
                .ifPresent(p -> lanes.add(new Lane(name, returnId, sourceId, Quantity.LEVEL, p)));
    }

    /** What of a source runs straight, in per cent. */
    private static void moving(
            List<Lane> lanes,
            Design design,
            String name,
            Source s,
            Quantity quantity,
            GainCurve curve) {
        points(design, curve, share -> 100 * share)
                .ifPresent(p -> lanes.add(new Lane(name, "", s.id(), quantity, p)));
    }

    /** The points of a curve as a value; empty for one that stands still. */
    private static Optional<List<Point>> points(
            Design design, GainCurve curve, DoubleUnaryOperator value) {
        if (curve.isSteady()) {
            return Optional.empty();
        }
        SongClock clock = design.song().clock();
        List<Point> points = new ArrayList<>();
        for (int i = 0; i < curve.size(); i++) {
            double seconds = curve.frame(i) / design.song().sampleRateHz();
            points.add(
                    new Point(seconds, clock.beatAt(seconds), value.applyAsDouble(curve.gain(i))));
        }
        return Optional.of(points);
    }

    /** What has another value from section to section; a trail has what its throw gave it. */
    private static void steps(
            List<Lane> lanes, Design design, String name, Return r, Optional<Throw> trail) {
        if (trail.isPresent()) {
            return;
        }
        PlannedCourses works = new PlannedCourses(design);
        addSteps(lanes, design, name + " decay", r, Quantity.DECAY, works::decaySeconds);
        addSteps(lanes, design, name + " width", r, Quantity.WIDTH, works::widthPercent);
        addSteps(lanes, design, name + " predelay", r, Quantity.PREDELAY, works::predelayMillis);
    }

    private static void addSteps(
            List<Lane> lanes,
            Design design,
            String name,
            Return r,
            Quantity quantity,
            Function<Return, NavigableMap<Double, Double>> course) {
        NavigableMap<Double, Double> values = course.apply(r);
        if (values.values().stream().distinct().count() < 2) {
            return;
        }
        SongClock clock = design.song().clock();
        List<Point> points = new ArrayList<>();
        values.forEach((seconds, value) -> {
            double beat = clock.beatAt(seconds);
            if (!points.isEmpty() && points.getLast().value() != value) {
                points.add(new Point(seconds, beat, points.getLast().value()));
            }
            if (points.isEmpty() || points.getLast().value() != value) {
                points.add(new Point(seconds, beat, value));
            }
        });
        lanes.add(new Lane(name, r.id(), "", quantity, points));
    }
}
