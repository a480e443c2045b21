package orbispace.core.measure;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import orbispace.core.audio.Audio;
import orbispace.core.audio.Decibels;

/**
 * What a sound does to the width of what sounds beside it, and what that costs in mono, over its
 * level.
 *
 * @param points by rising level
 * @param best the place to take; empty if none opens by 3 degrees at a price that is borne
 */
public record WidthCurve(List<Point> points, Optional<Point> best) {
    /** What mono may lose by it in all, dB. */
    public static final double MONO_DB = 0.5;

    /** What mono may lose by it in any twelfth of an octave, dB. */
    public static final double NOTCH_DB = 3;

    /** How much stronger the whole may become by it, dB. */
    public static final double LOUDER_DB = 1;

    /** A level higher up is worth it only for more than this. */
    private static final double LEAST_DEGREES = 1;

    private static final double FROM_DB = -24;
    private static final double TO_DB = 12;
    private static final double STEP_DB = 1.5;

    /** Twelfths that lie further under the strongest are not heard out of the others. */
    private static final double FAINT_DB = 40;

    /** Keeps its own list. */
    public WidthCurve {
        points = List.copyOf(points);
    }

    /**
     * A level.
     *
     * @param db over the level that was measured
     * @param opens what is wider
     * @param monoDb how much more mono loses, of all
     * @param notchDb how much more mono loses in the twelfth of an octave that loses most by it
     * @param louderDb how much stronger the whole is with it
     */
    public record Point(double db, Widening opens, double monoDb, double notchDb, double louderDb) {
        /** Whether mono and the balance bear it. */
        public boolean borne() {
            return monoDb <= MONO_DB && notchDb <= NOTCH_DB && louderDb <= LOUDER_DB;
        }
    }

    /**
     * The curve from 24 dB under to 12 dB over the level of a sound.
     *
     * @param mix with the sound in it
     * @param opener the sound, at the level that it has in the mix
     */
    public static WidthCurve of(Audio mix, Audio opener) {
        Opening opening = Opening.of(mix, opener, 0, mix.frames());
        FoldSums one = FoldSums.of(mix.plus(opener, -1));
        FoldSums other = FoldSums.of(opener);
        FoldSums sum = FoldSums.of(mix);
        MonoFold before = MonoFold.of(one);
        List<Point> points = new ArrayList<>();
        for (double db = FROM_DB; db <= TO_DB; db += STEP_DB) {
            FoldSums then = FoldSums.together(one, other, sum, Decibels.toAmplitude(db));
            MonoFold fold = MonoFold.of(then);
            double mono = fold.wholeLossDb().orElse(MonoFold.DEEPEST_DB);
            double was = before.wholeLossDb().orElse(0);
            points.add(
                    new Point(
                            db,
                            opening.at(db),
                            mono - was,
                            deepened(before, fold, loud(then)),
                            Decibels.ofPower(then.power() / Math.max(1e-30, one.power()))));
        }
        return new WidthCurve(points, best(points));
    }

    /** Powers of the twelfths relative to the strongest, dB. */
    private static List<Double> loud(FoldSums sums) {
        List<Double> powers = MonoFold.perTwelfth(sums, sums.both);
        double most = powers.stream().mapToDouble(p -> p).max().orElse(0);
        return powers.stream().map(p -> Decibels.ofPower(p / Math.max(most, 1e-30))).toList();
    }

    private static double deepened(MonoFold before, MonoFold fold, List<Double> loud) {
        double most = 0;
        for (int b = 0; b < fold.bands().size(); b++) {
            if (loud.get(b) > -FAINT_DB) {
                double was = before.bands().get(b).lossDb().orElse(0);
                most = Math.max(most, fold.bands().get(b).lossDb().orElse(0) - was);
            }
        }
        return most;
    }

    /** The softest level that opens nearly as far as any that mono bears. */
    private static Optional<Point> best(List<Point> points) {
        double most =
                points.stream()
                        .filter(Point::borne)
                        .mapToDouble(p -> p.opens().degrees())
                        .max()
                        .orElse(0);
        return points.stream()
                .filter(Point::borne)
                .filter(p -> p.opens().degrees() >= Widening.FELT_DEGREES)
                .filter(p -> p.opens().degrees() >= most - LEAST_DEGREES)
                .findFirst();
    }
}
