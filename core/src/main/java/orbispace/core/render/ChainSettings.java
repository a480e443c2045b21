package orbispace.core.render;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import orbispace.core.audio.Decibels;
import orbispace.core.design.Design;
import orbispace.core.design.Duck;
import orbispace.core.design.Return;
import orbispace.core.design.Source;
import orbispace.core.design.Space;
import orbispace.core.dynamics.DuckerSettings;
import orbispace.core.dynamics.GainComputer;
import orbispace.core.space.EngineSettings;

/**
 * A return with every musical time worked out: what is sent, and its stages in order (filter,
 * predelay, engine, filter, ducker, level). No stage has latency: filters and duckers work forward,
 * the engines answer from their first frame.
 *
 * @param sends amplitude and pan of each source that is sent
 * @param stages always the same six kinds in the same order
 */
public record ChainSettings(Map<String, SendGain> sends, List<StageSettings> stages) {
    /** Place of the engine among the stages. */
    public static final int ENGINE = 2;

    /** Place of the filter after the engine. */
    public static final int FILTER_OUT = 3;

    /** Place of the ducker. */
    public static final int DUCKER = 4;

    /**
     * How a source enters a return: after its fader and pan.
     *
     * @param gain amplitude factor
     * @param pan -1 to 1
     */
    public record SendGain(double gain, double pan) {}

    /** Keeps its own collections. */
    public ChainSettings {
        sends = java.util.Collections.unmodifiableMap(new TreeMap<>(sends));
        stages = List.copyOf(stages);
    }

    /** Works out a return of a design. */
    public static ChainSettings of(Design design, Return r) {
        Map<String, SendGain> sends = new TreeMap<>();
        for (Source s : design.sources()) {
            Double db = r.sends().get(s.id());
            if (db != null) {
                sends.put(s.id(), new SendGain(Decibels.toAmplitude(db + s.gainDb()), s.pan()));
            }
        }
        return new ChainSettings(
                sends,
                List.of(
                        new StageSettings.Filtering(r.filterIn()),
                        new StageSettings.Predelay(
                                Math.min(
                                        StageSettings.Predelay.MAX_SECONDS,
                                        r.predelay()
                                                .seconds(design.song().clock(), r.timedAtBar()))),
                        new StageSettings.Spatial(engine(design, r)),
                        new StageSettings.Filtering(r.filterOut()),
                        ducking(design, r),
                        new StageSettings.Level(r.levelDb())));
    }

    /** The engine's settings of a return. */
    public static EngineSettings engine(Design design, Return r) {
        return switch (r.space()) {
            case Space.Hall h ->
                    new EngineSettings.Hall(h.decaySeconds(), h.lowRatio(), h.highRatio());
            case Space.PingPong p ->
                    new EngineSettings.PingPong(
                            Math.clamp(
                                    p.time().seconds(design.song().clock(), r.timedAtBar()),
                                    0.001,
                                    EngineSettings.PingPong.MAX_SECONDS),
                            p.feedback(),
                            p.loopHighPassHz(),
                            p.loopLowPassHz(),
                            p.width());
        };
    }

    private static StageSettings ducking(Design design, Return r) {
        Duck d = r.duck();
        if (d == null) {
            return new StageSettings.Ducking(null, "", 0);
        }
        double gain = design.findSource(d.keySource()).map(Source::gainDb).orElse(0.0);
        return new StageSettings.Ducking(ducker(d), d.keySource(), gain);
    }

    /** A designed ducker in seconds. */
    public static DuckerSettings ducker(Duck d) {
        return new DuckerSettings(
                new GainComputer(d.thresholdDb(), d.ratio(), d.kneeDb(), d.rangeDb()),
                d.attackMillis() / 1000,
                d.holdMillis() / 1000,
                d.releaseMillis() / 1000);
    }

    /** The first stages alone. */
    ChainSettings upTo(int stageCount) {
        return new ChainSettings(sends, stages.subList(0, stageCount));
    }

    /**
     * The linear part after the sends: both filters, predelay and engine, without ducker and level.
     */
    ChainSettings linearPart() {
        return upTo(DUCKER);
    }

    /** How long the return may sound after its input ends, in seconds. */
    public double ringSeconds() {
        double ring = 0;
        for (StageSettings stage : stages) {
            ring +=
                    switch (stage) {
                        case StageSettings.Spatial e -> e.settings().ringSeconds();
                        case StageSettings.Predelay p -> p.seconds();
                        case StageSettings.Filtering f -> 0.05;
                        case StageSettings.Ducking d -> 0;
                        case StageSettings.Level l -> 0;
                    };
        }
        return ring;
    }
}
