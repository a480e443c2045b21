package orbispace.core.render;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.BiFunction;
import orbispace.core.audio.Decibels;
import orbispace.core.design.Chain;
import orbispace.core.design.Design;
import orbispace.core.design.Drive;
import orbispace.core.design.Duck;
import orbispace.core.design.Filter;
import orbispace.core.design.Gate;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.PlanCell;
import orbispace.core.design.Purposes;
import orbispace.core.design.Return;
import orbispace.core.design.Send;
import orbispace.core.design.Source;
import orbispace.core.design.Space;
import orbispace.core.design.SpaceTraits;
import orbispace.core.design.Throw;
import orbispace.core.design.WetBus;
import orbispace.core.design.Width;
import orbispace.core.dynamics.DriveCurve;
import orbispace.core.dynamics.DuckerSettings;
import orbispace.core.dynamics.GainComputer;
import orbispace.core.dynamics.GateSettings;
import orbispace.core.space.EngineSettings;
import orbispace.core.time.SongClock;
import org.jspecify.annotations.Nullable;

/** Works out the returns of a design: note values to seconds, levels to factors. */
public final class ChainWorks {
    private final Design design;
    private final SpaceWorks spaces;
    private final SongClock clock;
    private final PlanCurves plan;
    private final SourceCurves sources;
    private final KeyWorks keys;
    private final TrailReturns trails;

    /**
     * Works for a design.
     *
     * @param design whose returns are worked out
     * @param responses the impulse responses that its convolutions name
     */
    public ChainWorks(Design design, Responses responses) {
        this.trails = new TrailReturns(design);
        this.design = trails.whole();
        this.clock = design.song().clock();
        this.plan = new PlanCurves(trails.whole());
        this.sources = new SourceCurves(plan.stretches());
        this.keys = new KeyWorks(design, sources);
        this.spaces = new SpaceWorks(clock, responses);
    }

    /** Works out a return of the design, with the trails of what is thrown to it. */
    public ChainSettings of(Return r) {
        ChainSettings alone = alone(r);
        return new ChainSettings(
                alone.sends(),
                alone.feeds(),
                alone.input(),
                alone.stages(),
                trails.of(r.id()).stream().map(this::alone).toList());
    }

    /** What the sections change. */
    PlanCurves plan() {
        return plan;
    }

    /** The design with a return for each trail. */
    Design whole() {
        return design;
    }

    /** The return whose sound a return of {@link #whole} counts as. */
    String parentOf(String returnId) {
        return trails.parentOf(returnId);
    }

    /** The settings of what makes the repeats of a throw where it begins; its return must exist. */
    public EngineSettings engineOf(Throw t) {
        return ((StageSettings.Spatial) at(t, ChainSettings.ENGINE)).settings();
    }

    /** The time before its first repeat or tail, apart from the spacing of an echo, in seconds. */
    public double predelayOf(Throw t) {
        return at(t, ChainSettings.PREDELAY) instanceof StageSettings.Predelay p ? p.seconds() : 0;
    }

    private StageSettings at(Throw t, int stage) {
        Return r = trails.madeFor(t).orElseGet(() -> design.requireReturn(t.returnId()));
        Timeline timeline = stages(r, GainCurve.EVEN).get(stage);
        double frame = clock.secondsAt(t.fromBeat()) * design.song().sampleRateHz();
        return timeline.steps().get(timeline.indexAt((int) Math.round(frame))).settings();
    }

    /** Works out a return without the trails beside it. */
    ChainSettings alone(Return r) {
        Map<String, ChainSettings.SendGain> sends = new TreeMap<>();
        for (Source s : design.sources()) {
            if (plan.isSent(r, s)) {
                Send send = r.sends().getOrDefault(s.id(), Send.of(0));
                sends.put(s.id(), sendGain(s, send, plan.send(r, s), r.timedAtBar()));
            }
        }
        Map<String, ChainSettings.FeedGain> feeds = new TreeMap<>();
        trails.feeds(r)
                .forEach((id, db) ->
                        feeds.put(
                                id,
                                new ChainSettings.FeedGain(
                                        Decibels.toAmplitude(db),
                                        alone(design.requireReturn(id)))));
        GainCurve out = plan.output(r, trails.thrownTo(r.id()));
        return new ChainSettings(sends, feeds, plan.input(r), stages(r, out), List.of());
    }

    List<Timeline> stages(Return r, GainCurve level) {
        Chain c = r.chain();
        Drive drive = c.drive();
        WetBus all = design.wet().all();
        WetBus purpose = purposeBus(r);
        return List.of(
                Timeline.of(new StageSettings.Filtering(c.filterIn())),
                Timeline.of(driving(drive, false)),
                timed(r, (bar, cell) -> new StageSettings.Predelay(predelay(c.predelay(), bar))),
                timed(r, (bar, cell) -> spatial(c.space(), bar, cell)),
                Timeline.of(driving(drive, true)),
                timed(r, (bar, cell) -> gating(c.gate(), bar)),
                Timeline.of(new StageSettings.Filtering(c.filterOut())),
                Timeline.of(ducking(c.duck())),
                timed(r, (bar, cell) -> widening(c.width(), cell)),
                Timeline.of(new StageSettings.Level(r.levelDb(), level)),
                Timeline.of(new StageSettings.Filtering(purpose.filter())),
                Timeline.of(new StageSettings.Filtering(all.filter())),
                Timeline.of(
                        new StageSettings.Bus(
                                purpose.trimDb() + all.trimDb(), purpose.width() * all.width())));
    }

    /** A trail passes what its return does. */
    private WetBus purposeBus(Return r) {
        if (design.wet().purposes().isEmpty()) {
            return WetBus.PLAIN;
        }
        Return parent = design.findReturn(trails.parentOf(r.id())).orElse(r);
        return design.wet().of(Optional.of(Purposes.of(design, parent)));
    }

    private StageSettings spatial(Space space, int bar, PlanCell cell) {
        Space scaled = SpaceTraits.ringing(space, cell.decayScale());
        return new StageSettings.Spatial(spaces.settings(scaled, bar));
    }

    private static StageSettings driving(@Nullable Drive drive, boolean afterSpace) {
        return drive == null || drive.afterSpace() != afterSpace
                ? new StageSettings.Driving(0, DriveCurve.SOFT)
                : new StageSettings.Driving(drive.driveDb(), drive.curve());
    }

    private static StageSettings widening(Width width, PlanCell cell) {
        double factor = Math.min(2, width.factor() * cell.widthScale());
        return new StageSettings.Widening(width.withFactor(factor));
    }

    /** The same throughout, or a step at each section whose tempo or plan makes it another. */
    private Timeline timed(Return r, BiFunction<Integer, PlanCell, StageSettings> at) {
        boolean follows = r.timing().followsSections() && !design.song().sections().isEmpty();
        boolean planned = plan.differs(r);
        if (!follows && !planned) {
            return Timeline.of(at.apply(r.timedAtBar(), PlanCell.PLAIN));
        }
        List<Timeline.Step> steps = new ArrayList<>();
        for (PlanStretches.Stretch stretch : plan.stretches().all()) {
            if (!stretch.isSection() && !planned) {
                continue;
            }
            PlanCell cell = stretch.plan().cell(r.id());
            StageSettings settings = at.apply(bar(r, stretch, cell), cell);
            double seconds = clock.secondsOfBar(stretch.bar());
            int frame = (int) Math.round(seconds * design.song().sampleRateHz());
            if (steps.isEmpty()) {
                steps.add(new Timeline.Step(0, settings));
            } else if (!steps.getLast().settings().equals(settings)) {
                steps.add(new Timeline.Step(frame, settings));
            }
        }
        return new Timeline(steps);
    }

    /** The bar whose tempo a return takes in a stretch. */
    private static int bar(Return r, PlanStretches.Stretch stretch, PlanCell cell) {
        boolean follows =
                switch (cell.tempo()) {
                    case AS_RETURN -> r.timing().followsSections();
                    case FOLLOWS -> true;
                    case STAYS -> false;
                };
        return follows ? stretch.bar() : r.timedAtBar();
    }

    private double predelay(MusicalTime time, int bar) {
        return Math.min(StageSettings.Predelay.MAX_SECONDS, time.seconds(clock, bar));
    }

    private ChainSettings.SendGain sendGain(Source s, Send send, GainCurve curve, int bar) {
        SourceCurves.Course course = sources.of(s);
        return new ChainSettings.SendGain(
                Decibels.toAmplitude(send.preFader() ? 0 : s.gainDb()),
                course.stand(),
                sendGating(s, send.gate(), bar),
                send.preFader() ? curve : curve.times(course.fader()));
    }

    private StageSettings.@Nullable Gating sendGating(Source s, @Nullable Gate gate, int bar) {
        if (gate == null) {
            return null;
        }
        return gate.key().isEmpty()
                ? new StageSettings.Gating(
                        gate(gate, bar),
                        new StageSettings.Key(Map.of(s.id(), 0.5), gate.keyFilter()))
                : gating(gate, bar);
    }

    private StageSettings.Gating gating(@Nullable Gate gate, int bar) {
        if (gate == null) {
            return new StageSettings.Gating(null, null);
        }
        return new StageSettings.Gating(
                gate(gate, bar), keys.key(gate.key(), gate.keyFilter(), false));
    }

    private GateSettings gate(Gate g, int bar) {
        MusicalTime length = g.length();
        double attack = g.attackMillis() / 1000;
        double release = g.releaseMillis() / 1000;
        double hold =
                length == null
                        ? g.holdMillis() / 1000
                        : GateSettings.holdSeconds(length.seconds(clock, bar), attack, release);
        return new GateSettings(
                g.thresholdDb(),
                g.hysteresisDb(),
                g.rangeDb(),
                attack,
                Math.min(30, hold),
                release,
                length != null);
    }

    private StageSettings.Ducking ducking(@Nullable Duck d) {
        return d == null
                ? new StageSettings.Ducking(null, null)
                : new StageSettings.Ducking(ducker(d), keys.key(d.keySource(), Filter.OPEN, true));
    }

    /** A designed ducker in seconds. */
    public static DuckerSettings ducker(Duck d) {
        return new DuckerSettings(
                new GainComputer(d.thresholdDb(), d.ratio(), d.kneeDb(), d.rangeDb()),
                d.attackMillis() / 1000,
                d.holdMillis() / 1000,
                d.releaseMillis() / 1000,
                d.band());
    }
}
