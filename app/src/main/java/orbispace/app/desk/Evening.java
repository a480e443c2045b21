package orbispace.app.desk;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import orbispace.core.audio.Decibels;
import orbispace.core.clear.CoverAnalysis;
import orbispace.core.clear.PartMatch;
import orbispace.core.design.Design;
import orbispace.core.ears.EarPair;
import orbispace.core.render.Job;

/**
 * Makes two fields equally loud, by the whole mix or by a part of it; the louder is turned down.
 */
final class Evening {
    private final EarPair pair;
    private final Set<String> part;
    private final Optional<Supplier<CoverAnalysis>> analysis;

    /** Two that are equally loud. */
    record Even(BlindSound base, BlindSound other) {
        /** Two as they are. */
        static Even asTheyAre(Design base, Design other) {
            return turned(base, other, 0);
        }

        private static Even turned(Design base, Design other, double gainDb) {
            return new Even(
                    new BlindSound(base, Map.of(), Math.min(0, -gainDb)),
                    new BlindSound(other, Map.of(), Math.min(0, gainDb)));
        }
    }

    /** By the whole mix. */
    Evening(EarPair pair) {
        this(pair, Set.of(), Optional.empty());
    }

    /**
     * By a part, where that can be.
     *
     * @param part ids of its sources; none for the whole mix
     * @param analysis of the stretch
     */
    Evening(EarPair pair, Set<String> part, Optional<Supplier<CoverAnalysis>> analysis) {
        this.pair = pair;
        this.part = part;
        this.analysis = analysis;
    }

    EarPair pair() {
        return pair;
    }

    /** The base and another field; by the mix where the part can not be made as loud. */
    Even of(Design other, Job job) {
        Design base = pair.base();
        if (!part.isEmpty() && analysis.isPresent()) {
            CoverAnalysis heard = analysis.get().get();
            PartMatch.Gains gains = PartMatch.between(heard, base, other, part, pair.span(), job);
            if (gains.reached()) {
                return new Even(
                        new BlindSound(base, factors(gains.beforeDb()), 0),
                        new BlindSound(other, factors(gains.afterDb()), 0));
            }
        }
        return Even.turned(base, other, pair.matchDb(other, job));
    }

    private Map<String, Double> factors(double db) {
        Map<String, Double> factors = new HashMap<>();
        part.forEach(id -> factors.put(id, Decibels.toAmplitude(db)));
        return factors;
    }
}
