package orbispace.core.measure;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import orbispace.core.audio.Audio;

/**
 * How wide a sound is per octave, and what that risks in mono.
 *
 * @param bands octaves from 63 Hz to 16 kHz, as far as the sample rate reaches
 */
public record WidthReport(List<Band> bands) {
    /** Keeps its own list. */
    public WidthReport {
        bands = List.copyOf(bands);
    }

    /**
     * An octave.
     *
     * @param centreHz its middle
     * @param degrees the angle within which the middle 75 % of its energy lie; empty for silence
     * @param notchDb the deepest loss in mono in any twelfth of an octave inside; empty for silence
     * @param monoFoldLossDb what mono costs in all of it; empty for silence and where it cancels
     */
    public record Band(
            double centreHz,
            OptionalDouble degrees,
            OptionalDouble notchDb,
            OptionalDouble monoFoldLossDb) {}

    /** Measures a sound of any rate and length; a mono sound has two equal channels. */
    public static WidthReport of(Audio audio) {
        MonoFold fold = MonoFold.of(audio);
        List<Band> bands = new ArrayList<>();
        for (StereoReport.Band b : StereoReport.of(audio).bands()) {
            OptionalDouble notch =
                    fold.bands().stream()
                            .filter(f -> f.centreHz() >= b.centreHz() / Math.sqrt(2))
                            .filter(f -> f.centreHz() < b.centreHz() * Math.sqrt(2))
                            .flatMapToDouble(f -> f.lossDb().stream())
                            .max();
            bands.add(new Band(b.centreHz(), b.spreadDegrees(), notch, b.monoFoldLossDb()));
        }
        return new WidthReport(bands);
    }

    /** What is wider than in another sound, octave by octave. */
    public Widening over(WidthReport without) {
        List<Widening.Gain> gains = new ArrayList<>();
        for (int i = 0; i < Math.min(bands.size(), without.bands.size()); i++) {
            OptionalDouble with = bands.get(i).degrees();
            OptionalDouble was = without.bands.get(i).degrees();
            gains.add(
                    new Widening.Gain(
                            bands.get(i).centreHz(),
                            with.isPresent() && was.isPresent()
                                    ? OptionalDouble.of(with.getAsDouble() - was.getAsDouble())
                                    : OptionalDouble.empty()));
        }
        return new Widening(gains);
    }
}
