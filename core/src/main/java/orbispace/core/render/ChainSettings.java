package orbispace.core.render;

import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

/**
 * A return with every musical time worked out: what is sent and fed, and its stages in order:
 * filter, drive, predelay, engine, drive, gate, filter, ducker, width, level; then what it passes
 * with the others of its purpose and with all wet: their filters, and their trims and widths as
 * one. Made by {@link ChainWorks}.
 *
 * @param sends how each source that is sent enters
 * @param feeds how each return that is fed into it enters
 * @param input gain of everything that enters, over the song
 * @param stages always the same kinds in the same order
 * @param trails what thrown words make of their own, which counts as this return's sound; each a
 *     chain beside this one
 */
public record ChainSettings(
        Map<String, SendGain> sends,
        Map<String, FeedGain> feeds,
        GainCurve input,
        List<Timeline> stages,
        List<ChainSettings> trails) {
    /** Place of the predelay among the stages. */
    public static final int PREDELAY = 2;

    /** Place of the engine. */
    public static final int ENGINE = 3;

    /** Place of the gate. */
    public static final int GATE = 5;

    /** Place of the filter after the engine. */
    public static final int FILTER_OUT = 6;

    /** Place of the ducker. */
    public static final int DUCKER = 7;

    /** Place of the width. */
    public static final int WIDTH = 8;

    /** Place of the level. */
    public static final int LEVEL = 9;

    /**
     * How many stages are the return's own, which it passes on to what it feeds; what follows it
     * passes together with others.
     */
    public static final int OWN = 10;

    /**
     * How a source enters a return: after its fader and pan, or before its fader.
     *
     * @param gain amplitude factor of the source's fader, 1 for a send before it
     * @param stand where it stands over the song
     * @param gate what lets it pass; null for none
     * @param curve its level over the song, on top of the factor, with the course of the fader
     *     unless it is taken before it
     */
    public record SendGain(
            double gain, Stand stand, StageSettings.@Nullable Gating gate, GainCurve curve) {}

    /**
     * How a return enters another.
     *
     * @param gain amplitude factor
     * @param chain the return that is fed, whole
     */
    public record FeedGain(double gain, ChainSettings chain) {}

    /** Keeps its own collections. */
    public ChainSettings {
        sends = Collections.unmodifiableMap(new TreeMap<>(sends));
        feeds = Collections.unmodifiableMap(new TreeMap<>(feeds));
        stages = List.copyOf(stages);
        trails = List.copyOf(trails);
    }

    /** The same without what thrown words make of their own. */
    ChainSettings alone() {
        return trails.isEmpty() ? this : new ChainSettings(sends, feeds, input, stages, List.of());
    }

    /** The first stages alone. */
    public ChainSettings upTo(int stageCount) {
        return new ChainSettings(sends, feeds, input, stages.subList(0, stageCount), trails);
    }

    /** All that makes its sound before its ducker: equal where they sound alike there. */
    public Object beforeDucker() {
        return List.of(upTo(DUCKER), bus());
    }

    /** What it passes together with others. */
    List<Timeline> bus() {
        return stages.subList(OWN, stages.size());
    }

    /** The engine's settings at the beginning. */
    public StageSettings.Spatial engine() {
        return (StageSettings.Spatial) stages.get(ENGINE).first();
    }

    /** What the plan makes of the return's level over the song. */
    public GainCurve plannedLevel() {
        return stages.get(LEVEL).first() instanceof StageSettings.Level l
                ? l.curve()
                : GainCurve.EVEN;
    }

    /** How late the sound leaves a stage, if nothing made up for it. */
    int latencyBefore(int stage) {
        return stages.subList(0, stage).stream().mapToInt(Timeline::latencyFrames).sum();
    }

    /** How long the return may sound after its input ends, in seconds. */
    public double ringSeconds() {
        double ring = 0;
        for (Timeline stage : stages) {
            ring += stage.steps().stream().mapToDouble(s -> ring(s.settings())).max().orElse(0);
        }
        double fed = 0;
        for (FeedGain feed : feeds.values()) {
            fed = Math.max(fed, feed.chain().ringSeconds());
        }
        double trailing = trails.stream().mapToDouble(ChainSettings::ringSeconds).max().orElse(0);
        return Math.max(ring + fed, trailing);
    }

    private static double ring(StageSettings stage) {
        return switch (stage) {
            case StageSettings.Spatial e -> e.settings().ringSeconds();
            case StageSettings.Predelay p -> p.seconds();
            case StageSettings.Filtering f -> 0.05;
            case StageSettings.Driving d -> 0;
            case StageSettings.Gating g -> 0;
            case StageSettings.Ducking d -> 0;
            case StageSettings.Widening w -> 0;
            case StageSettings.Bus b -> 0;
            case StageSettings.Level l -> 0;
        };
    }
}
