package orbispace.core.render;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import orbispace.core.audio.Decibels;
import orbispace.core.design.Filter;
import orbispace.core.design.Width;
import orbispace.core.dynamics.Drive;
import orbispace.core.dynamics.DriveCurve;
import orbispace.core.dynamics.DuckerSettings;
import orbispace.core.dynamics.GateSettings;
import orbispace.core.signal.Biquad;
import orbispace.core.signal.FilterDesign;
import orbispace.core.space.EngineSettings;
import org.jspecify.annotations.Nullable;

/** What one stage of a chain does, in seconds and hertz; equal settings make equal sound. */
public sealed interface StageSettings {

    /** True if the stage leaves every sound as it is. */
    boolean passesAll();

    /** How late the sound comes out of the stage, in frames. */
    default int latencyFrames() {
        return 0;
    }

    /** What the stage listens to beside its own sound; null for nothing. */
    default @Nullable Key key() {
        return null;
    }

    /**
     * What a gate or a ducker listens to.
     *
     * @param gains amplitude factor on the mean of both channels of each source; none for the
     *     stage's own sound
     * @param filter what of it is heard
     * @param windows where each source is heard, for those that are not heard everywhere
     * @param faders course of each source's fader, for those that have one
     */
    record Key(
            Map<String, Double> gains,
            Filter filter,
            Map<String, KeyWindow> windows,
            Map<String, GainCurve> faders) {
        /** Keeps its own maps. */
        public Key {
            gains = Collections.unmodifiableMap(new TreeMap<>(gains));
            windows = Collections.unmodifiableMap(new TreeMap<>(windows));
            Map<String, GainCurve> moving = new TreeMap<>(faders);
            moving.values().removeIf(GainCurve::isEven);
            faders = Collections.unmodifiableMap(moving);
        }

        /** A key whose sources are heard everywhere. */
        public Key(Map<String, Double> gains, Filter filter) {
            this(gains, filter, Map.of(), Map.of());
        }

        /** Where a source is heard. */
        KeyWindow window(String sourceId) {
            return windows.getOrDefault(sourceId, KeyWindow.OPEN);
        }

        /** The course of a source's fader. */
        GainCurve fader(String sourceId) {
            return faders.getOrDefault(sourceId, GainCurve.EVEN);
        }

        /** Whether it is the sound of the stage itself. */
        public boolean own() {
            return gains.isEmpty();
        }

        /** The sections of its filter at a rate. */
        public List<Biquad> sections(double sampleRateHz) {
            return StageSettings.sections(filter, sampleRateHz);
        }
    }

    /** A filter. */
    record Filtering(Filter filter) implements StageSettings {
        /** The most sections a filter slot can need. */
        static final int MOST_SECTIONS = 8 + Filter.MOST_BANDS;

        @Override
        public boolean passesAll() {
            return filter.equals(Filter.OPEN);
        }

        /** The sections of the filter at a rate. */
        public List<Biquad> sections(double sampleRateHz) {
            return StageSettings.sections(filter, sampleRateHz);
        }
    }

    /** A curve; nothing at 0 dB. */
    record Driving(double driveDb, DriveCurve curve) implements StageSettings {
        @Override
        public boolean passesAll() {
            return driveDb == 0;
        }

        @Override
        public int latencyFrames() {
            return passesAll() ? 0 : Drive.LATENCY_FRAMES;
        }
    }

    /** A plain delay. */
    record Predelay(double seconds) implements StageSettings {
        /** The longest predelay. */
        static final double MAX_SECONDS = 2;

        @Override
        public boolean passesAll() {
            return seconds == 0;
        }
    }

    /** The space itself. */
    record Spatial(EngineSettings settings) implements StageSettings {
        @Override
        public boolean passesAll() {
            return false;
        }
    }

    /**
     * A gate.
     *
     * @param settings threshold and times; null for none
     * @param key what opens it
     */
    record Gating(@Nullable GateSettings settings, @Nullable Key key) implements StageSettings {
        @Override
        public boolean passesAll() {
            return settings == null;
        }
    }

    /**
     * A ducker.
     *
     * @param settings curve and times; null for none
     * @param key what turns it down
     */
    record Ducking(@Nullable DuckerSettings settings, @Nullable Key key) implements StageSettings {
        @Override
        public boolean passesAll() {
            return settings == null || settings.curve().rangeDb() == 0;
        }
    }

    /** Width and where the lows stay. */
    record Widening(Width width) implements StageSettings {
        @Override
        public boolean passesAll() {
            return width.equals(Width.PLAIN);
        }
    }

    /**
     * What a return passes together with others.
     *
     * @param trimDb level
     * @param width factor on the difference of both channels, 0 to 4
     */
    record Bus(double trimDb, double width) implements StageSettings {
        @Override
        public boolean passesAll() {
            return trimDb == 0 && width == 1;
        }

        double gain() {
            return Decibels.toAmplitude(trimDb);
        }
    }

    /** The level of the return, with what the plan makes of it over the song. */
    record Level(double levelDb, GainCurve curve) implements StageSettings {
        @Override
        public boolean passesAll() {
            return levelDb == 0 && curve.isEven();
        }

        double gain() {
            return Decibels.toAmplitude(levelDb);
        }
    }

    private static List<Biquad> sections(Filter filter, double sampleRateHz) {
        List<Biquad> sections = new ArrayList<>();
        if (filter.highPass() != null) {
            sections.addAll(
                    FilterDesign.highPass(
                            filter.highPass().hz(), filter.highPass().poles(), sampleRateHz));
        }
        if (filter.lowPass() != null) {
            sections.addAll(
                    FilterDesign.lowPass(
                            filter.lowPass().hz(), filter.lowPass().poles(), sampleRateHz));
        }
        for (Filter.Band b : filter.bands()) {
            sections.add(
                    switch (b.kind()) {
                        case BELL -> FilterDesign.bell(b.hz(), b.gainDb(), b.q(), sampleRateHz);
                        case LOW_SHELF -> FilterDesign.lowShelf(b.hz(), b.gainDb(), sampleRateHz);
                        case HIGH_SHELF -> FilterDesign.highShelf(b.hz(), b.gainDb(), sampleRateHz);
                    });
        }
        return sections;
    }
}
