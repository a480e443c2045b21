package orbispace.core.clear;

import java.util.List;
import java.util.Set;
import orbispace.core.audio.Audio;
import orbispace.core.audio.Decibels;
import orbispace.core.design.Design;
import orbispace.core.design.Source;
import orbispace.core.hearing.Excitation;
import orbispace.core.hearing.HearingModel;
import orbispace.core.render.Job;
import orbispace.core.render.Renderer;
import orbispace.core.time.Span;

/**
 * Two fields matched by one part of them: the part with what it makes in the returns is turned down
 * where it is louder, until its partial loudness beside everything else over a stretch is that of
 * the other field. What is better is then not merely a part that got louder.
 */
public final class PartMatch {
    private static final double LEAST_DB = -24;
    private static final double STEP_DB = 0.005;

    private PartMatch() {}

    /**
     * How far the part is turned down on either side.
     *
     * @param beforeDb on the first side, 0 or less
     * @param afterDb on the second side, 0 or less
     * @param reached whether both are then as loud
     */
    public record Gains(double beforeDb, double afterDb, boolean reached) {
        /** Nothing is turned down. */
        public static final Gains NONE = new Gains(0, 0, false);
    }

    /**
     * Matches a part of two fields.
     *
     * @param part ids of its sources
     */
    public static Gains between(
            CoverAnalysis analysis,
            Design before,
            Design after,
            Set<String> part,
            Span span,
            Job job) {
        Part first = Part.of(analysis, before, part, span, job);
        Part second = Part.of(analysis, after, part, span, job);
        double one = first.sones(0);
        double other = second.sones(0);
        if (one <= 0 || other <= 0) {
            return Gains.NONE;
        }
        return one > other ? gains(first.down(other), true) : gains(second.down(one), false);
    }

    private static Gains gains(double db, boolean first) {
        boolean reached = db > LEAST_DB;
        return first ? new Gains(db, 0, reached) : new Gains(0, db, reached);
    }

    /** A part of a field and what sounds beside it. */
    private record Part(Excitation own, Excitation beside, double roomPower) {
        static Part of(CoverAnalysis analysis, Design design, Set<String> ids, Span span, Job job) {
            List<Source> sources =
                    design.sources().stream().filter(s -> ids.contains(s.id())).toList();
            if (sources.isEmpty()) {
                Excitation none = analysis.slice(analysis.song().silence(), span);
                return new Part(none, none, 0);
            }
            Design own = OwnWet.sending(design, ids, true);
            Design others = OwnWet.sending(design, ids, false);
            Renderer renderer = analysis.renderer();
            Audio alone = renderer.with(renderer.dry(design, sources), own, job);
            Audio rest = renderer.with(renderer.dryBut(design, sources), others, job);
            return new Part(
                    analysis.slice(analysis.ear().hear(alone), span),
                    analysis.slice(analysis.ear().hear(rest), span),
                    design.aims().hearing().roomPower());
        }

        double sones(double db) {
            double power = Decibels.toPower(db);
            double sum = 0;
            for (int f = 0; f < own.frames(); f++) {
                for (int b = 0; b < HearingModel.BANDS; b++) {
                    double masker = beside.at(f, b) + roomPower;
                    sum += HearingModel.partialLoudness(b, power * own.at(f, b), masker);
                }
            }
            return sum;
        }

        /** How far down it has as many sones as asked. */
        double down(double sones) {
            double low = LEAST_DB;
            double high = 0;
            while (high - low > STEP_DB) {
                double middle = (low + high) / 2;
                if (sones(middle) > sones) {
                    high = middle;
                } else {
                    low = middle;
                }
            }
            return low <= LEAST_DB ? LEAST_DB : (low + high) / 2;
        }
    }
}
