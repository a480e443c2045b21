package orbispace.core.render;

import java.util.ArrayList;
import java.util.List;
import orbispace.core.audio.Decibels;
import orbispace.core.design.Filter;
import orbispace.core.dynamics.DuckerSettings;
import orbispace.core.signal.Biquad;
import orbispace.core.signal.FilterDesign;
import orbispace.core.space.EngineSettings;
import org.jspecify.annotations.Nullable;

/** What one stage of a chain does, in seconds and hertz; equal settings make equal sound. */
public sealed interface StageSettings {

    /** True if the stage leaves every sound as it is. */
    boolean passesAll();

    /** A filter. */
    record Filtering(Filter filter) implements StageSettings {
        /** The most sections a filter slot can need. */
        static final int MOST_SECTIONS = 8;

        @Override
        public boolean passesAll() {
            return filter.equals(Filter.OPEN);
        }

        /** The sections of the filter at a rate. */
        public List<Biquad> sections(double sampleRateHz) {
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
            return sections;
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
     * A ducker.
     *
     * @param settings curve and times; null for none
     * @param keySource the source that turns it down
     * @param keyGainDb fader of that source
     */
    record Ducking(@Nullable DuckerSettings settings, String keySource, double keyGainDb)
            implements StageSettings {
        @Override
        public boolean passesAll() {
            return settings == null || settings.curve().rangeDb() == 0;
        }
    }

    /** The level of the return. */
    record Level(double levelDb) implements StageSettings {
        @Override
        public boolean passesAll() {
            return levelDb == 0;
        }

        double gain() {
            return Decibels.toAmplitude(levelDb);
        }
    }
}
