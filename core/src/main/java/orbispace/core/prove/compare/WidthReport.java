package orbispace.core.prove.compare;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import orbispace.core.audio.Audio;
import orbispace.core.hearing.WetState;
import orbispace.core.measure.StereoReport;

/**
 * How wide a sound is per octave, and what that risks in mono.
 *
 * @param bands octaves from 63 Hz to 16 kHz, as far as the sample rate reaches
 */
public record WidthReport(List<Band> bands) {
    private static final double FELT_DEGREES = 3;
    private static final double HEARD_DEGREES = 8;
    private static final double OBVIOUS_DEGREES = 20;

    /** A state is reached in two octaves or more. */
    private static final int OCTAVES = 2;

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

    /**
     * What is wider.
     *
     * @param centreHz the middle of the octave
     * @param degrees how much; less than 0 for narrower; empty if either is silent there
     */
    public record Gain(double centreHz, OptionalDouble degrees) {}

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
    public List<Gain> gainedOver(WidthReport without) {
        List<Gain> gains = new ArrayList<>();
        for (int i = 0; i < Math.min(bands.size(), without.bands.size()); i++) {
            OptionalDouble with = bands.get(i).degrees();
            OptionalDouble was = without.bands.get(i).degrees();
            gains.add(
                    new Gain(
                            bands.get(i).centreHz(),
                            with.isPresent() && was.isPresent()
                                    ? OptionalDouble.of(with.getAsDouble() - was.getAsDouble())
                                    : OptionalDouble.empty()));
        }
        return gains;
    }

    /**
     * What degrees gained make of a return: 3 in two octaves or more are felt, 8 heard, 20 obvious.
     */
    public static WetState state(List<Gain> gains) {
        if (inOctaves(gains, OBVIOUS_DEGREES)) {
            return WetState.OBVIOUS;
        }
        if (inOctaves(gains, HEARD_DEGREES)) {
            return WetState.HEARD;
        }
        return inOctaves(gains, FELT_DEGREES) ? WetState.FELT : WetState.HIDDEN;
    }

    private static boolean inOctaves(List<Gain> gains, double degrees) {
        return gains.stream().filter(g -> g.degrees().orElse(0) >= degrees).count() >= OCTAVES;
    }
}
