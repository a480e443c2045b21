package orbispace.core.measure;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * How far two spaces of one decay are from each other, in steps that are just noticed: early decay
 * time (5 percent), clarity C80 (1 dB) and centre time (10 ms) as in ISO 3382-1, when they are
 * dense (10 ms), what their sides have in common (0.075 as of the interaural one there), and their
 * rise (3 ms); the root of the mean square.
 */
public record KindDistance(SpaceSurvey one, SpaceSurvey other, double steps) {
    private static final double EARLY_DECAY = 0.05;
    private static final double CLARITY_DB = 1;
    private static final double CENTRE_SECONDS = 0.01;
    private static final double DENSE_SECONDS = 0.01;
    private static final double CORRELATION = 0.075;
    private static final double RISE_SECONDS = 0.003;

    /** The distance of two. */
    public static KindDistance of(SpaceSurvey one, SpaceSurvey other) {
        BandDecay a = one.report().broadband();
        BandDecay b = other.report().broadband();
        double early = a.early().fitted().orElse(0);
        double[] steps = {
            (early - b.early().fitted().orElse(0)) / (EARLY_DECAY * early),
            (a.clarity80Db() - b.clarity80Db()) / CLARITY_DB,
            (a.centreSeconds() - b.centreSeconds()) / CENTRE_SECONDS,
            (dense(one) - dense(other)) / DENSE_SECONDS,
            (one.quality().correlation() - other.quality().correlation()) / CORRELATION,
            (one.start().riseSeconds() - other.start().riseSeconds()) / RISE_SECONDS
        };
        double sum = 0;
        for (double step : steps) {
            sum += step * step;
        }
        return new KindDistance(one, other, Math.sqrt(sum / steps.length));
    }

    private static double dense(SpaceSurvey s) {
        return s.quality().denseSeconds().orElse(0.2);
    }

    /** The two of one decay that are nearest to each other, by decay. */
    public static List<KindDistance> nearest(List<SpaceSurvey> all) {
        List<KindDistance> nearest = new ArrayList<>();
        for (double decay :
                all.stream().mapToDouble(SpaceSurvey::decaySeconds).distinct().toArray()) {
            List<SpaceSurvey> alike = all.stream().filter(s -> s.decaySeconds() == decay).toList();
            KindDistance least = nearest(alike, null);
            if (least != null) {
                nearest.add(least);
            }
        }
        return nearest;
    }

    private static @Nullable KindDistance nearest(
            List<SpaceSurvey> alike, @Nullable KindDistance none) {
        KindDistance least = none;
        for (int i = 0; i < alike.size(); i++) {
            for (int j = 0; j < i; j++) {
                KindDistance d = of(alike.get(j), alike.get(i));
                least = least == null || d.steps < least.steps ? d : least;
            }
        }
        return least;
    }
}
