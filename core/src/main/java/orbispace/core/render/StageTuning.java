package orbispace.core.render;

import orbispace.core.design.Width;
import orbispace.core.dynamics.DriveCurve;
import orbispace.core.dynamics.Ducker;
import orbispace.core.dynamics.DuckerSettings;
import orbispace.core.dynamics.GateSettings;
import orbispace.core.signal.Biquad;
import orbispace.core.signal.Cascade;
import orbispace.core.signal.StereoWidth;
import orbispace.core.space.EngineTuning;
import org.jspecify.annotations.Nullable;

/** Settings of a stage worked out for one sample rate, ready for the audio thread. */
@SuppressWarnings("ArrayRecordComponent") // Only compared by what they were made from.
sealed interface StageTuning {

    /** Packed filter sections. */
    record Filtering(double[] packed) implements StageTuning {}

    /** How far a curve is driven. */
    record Driving(double driveDb, DriveCurve curve) implements StageTuning {}

    /** Delay in frames. */
    record Predelay(double frames) implements StageTuning {}

    /** The engine's own. */
    record Spatial(EngineTuning tuning) implements StageTuning {}

    /** Threshold and times; null for none. */
    record Gating(@Nullable GateSettings settings) implements StageTuning {}

    /** Curve and times; null for none. */
    record Ducking(@Nullable DuckerSettings settings, @Nullable Biquad section)
            implements StageTuning {}

    /** Factor of the side, its filter, and where all of it goes. */
    record Widening(Width width, double[] packed) implements StageTuning {
        boolean plain() {
            return width.equals(Width.PLAIN);
        }
    }

    /** Amplitude factors of the middle and of the side. */
    record Bus(float middle, float side) implements StageTuning {}

    /** Amplitude factor, and one over the song. */
    record Level(float gain, GainCurve curve) implements StageTuning {}

    /** The same for one stage alone, with the working memory that its engine needs. */
    default StageTuning own() {
        return this instanceof Spatial s ? new Spatial(s.tuning().own()) : this;
    }

    /** Works out settings. */
    static StageTuning of(StageSettings settings, double rate) {
        return switch (settings) {
            case StageSettings.Filtering f ->
                    new Filtering(
                            Cascade.pack(f.sections(rate), StageSettings.Filtering.MOST_SECTIONS));
            case StageSettings.Driving d -> new Driving(d.driveDb(), d.curve());
            case StageSettings.Predelay p -> new Predelay(p.seconds() * rate);
            case StageSettings.Spatial e -> new Spatial(e.settings().tuning(rate));
            case StageSettings.Gating g -> new Gating(g.settings());
            case StageSettings.Ducking d ->
                    new Ducking(d.settings(), Ducker.section(d.settings(), rate));
            case StageSettings.Widening w ->
                    new Widening(w.width(), StereoWidth.packed(w.width().monoBelowHz(), rate));
            case StageSettings.Bus b -> new Bus((float) b.gain(), (float) (b.width() * b.gain()));
            case StageSettings.Level l -> new Level((float) l.gain(), l.curve());
        };
    }
}
