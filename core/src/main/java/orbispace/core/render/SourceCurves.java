package orbispace.core.render;

import java.util.List;
import java.util.function.ToDoubleFunction;
import orbispace.core.audio.Decibels;
import orbispace.core.design.Design;
import orbispace.core.design.Source;
import orbispace.core.design.SourceCell;

/**
 * What the sections make of sources: fader, pan and width over the frames of a song. A fader goes
 * straight in dB, a pan and a width straight in themselves, within the ramp of the section that is
 * entered.
 */
public final class SourceCurves {
    private final PlanStretches stretches;

    /** The curves of a design. */
    public SourceCurves(Design design) {
        this(new PlanStretches(design));
    }

    SourceCurves(PlanStretches stretches) {
        this.stretches = stretches;
    }

    /**
     * A source over the song.
     *
     * @param fader factor on its fader
     * @param stand where it stands
     */
    public record Course(GainCurve fader, Stand stand) {
        /** Left gain of a sound over the song, on top of what is steady. */
        GainCurve left(orbispace.core.audio.Audio audio) {
            return stand.left(audio).times(fader);
        }

        /** Right gain, as {@link #left}. */
        GainCurve right(orbispace.core.audio.Audio audio) {
            return stand.right(audio).times(fader);
        }
    }

    /** A source over the song. */
    public Course of(Source s) {
        if (!differs(s)) {
            return new Course(GainCurve.EVEN, Stand.at(s.pan()));
        }
        return new Course(fader(s), new Stand(pan(s), spread(s)));
    }

    /** All that makes the dry sound of some sources: equal where they sound alike. */
    public static List<Object> placed(Design design, List<Source> sources) {
        SourceCurves curves = new SourceCurves(design);
        return sources.stream()
                .<Object>map(s -> List.of(s.id(), s.gainDb(), curves.of(s)))
                .toList();
    }

    private boolean differs(Source s) {
        return stretches.any(p -> !p.source(s.id()).isPlain());
    }

    /** Factor on the fader of a source. */
    public GainCurve fader(Source s) {
        PlanLine line = PlanLine.level(stretches.rate(), 1);
        return curve(s, line, c -> Decibels.toAmplitude(c.faderDb()));
    }

    /** Position of a source, -1 to 1. */
    public GainCurve pan(Source s) {
        PlanLine line = PlanLine.straight(stretches.rate(), s.pan());
        return curve(s, line, c -> c.pan(s.pan()));
    }

    /** Factor on the width of a source. */
    public GainCurve spread(Source s) {
        return curve(s, PlanLine.straight(stretches.rate(), 1), SourceCell::widthScale);
    }

    private GainCurve curve(Source s, PlanLine line, ToDoubleFunction<SourceCell> value) {
        for (int i = 0; differs(s) && i < stretches.all().size(); i++) {
            SourceCell cell = stretches.all().get(i).plan().source(s.id());
            int ramp = stretches.ramp(i, cell.rampBeats());
            line.to(value.applyAsDouble(cell), stretches.begin(i), ramp, i == 0);
        }
        GainCurve curve = line.curve();
        return curve.isSteady() ? GainCurve.of(curve.gain(0)) : curve;
    }
}
