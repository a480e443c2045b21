package orbispace.core.clear;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import orbispace.core.hearing.Borders;
import orbispace.core.hearing.Cover;
import orbispace.core.hearing.CoverMeter;
import orbispace.core.hearing.Excitation;
import orbispace.core.hearing.HearingModel;
import orbispace.core.hearing.Passages;
import orbispace.core.time.Span;

/**
 * One pair in full: its measures, its cells and its river.
 *
 * @param cover the measures
 * @param meter answers for single frames and cells
 * @param river the wet over time
 * @param sibilanceDb 5 to 9 kHz of the wet over the dry's while it speaks; empty for none
 */
public record PairView(Cover cover, CoverMeter meter, River river, OptionalDouble sibilanceDb) {
    private static final double LEAST_PART_SECONDS = 0.5;

    private static final double SIBILANT_FROM_HZ = 5000;
    private static final double SIBILANT_TO_HZ = 9000;

    private static final double COVERS_BELOW = 0.8;

    static PairView of(
            Excitation dry, Excitation wet, Excitation rest, double roomPower, Passages passages) {
        CoverMeter meter = new CoverMeter(dry, wet, rest, roomPower, passages);
        return new PairView(
                meter.cover(),
                meter,
                river(dry, wet, passages, meter),
                sibilance(dry, wet, passages));
    }

    /** The same, its state told by other borders. */
    PairView by(Borders borders) {
        return new PairView(cover.by(borders), meter, river, sibilanceDb);
    }

    private static OptionalDouble sibilance(Excitation dry, Excitation wet, Passages passages) {
        double over = 0;
        double under = 0;
        for (int b = 0; b < HearingModel.BANDS; b++) {
            double hz = HearingModel.centreHz(b);
            if (hz >= SIBILANT_FROM_HZ && hz <= SIBILANT_TO_HZ) {
                int band = b;
                over += passages.speaking().stream().mapToDouble(f -> wet.at(f, band)).sum();
                under += passages.speaking().stream().mapToDouble(f -> dry.at(f, band)).sum();
            }
        }
        return over <= 0 || under <= 0
                ? OptionalDouble.empty()
                : OptionalDouble.of(10 * Math.log10(over / under));
    }

    private static River river(
            Excitation dry, Excitation wet, Passages passages, CoverMeter meter) {
        double speaking =
                passages.speaking().stream().mapToDouble(f -> power(dry, f)).average().orElse(0);
        float[] level = new float[wet.frames()];
        River.Course[] course = new River.Course[wet.frames()];
        for (int f = 0; f < level.length; f++) {
            double p = power(wet, f);
            level[f] =
                    (float)
                            (p > 0 && speaking > 0
                                    ? 10 * Math.log10(p / speaking)
                                    : Double.NEGATIVE_INFINITY);
            if (!passages.speaking().get(f)) {
                course[f] = River.Course.BLOOMS;
            } else {
                course[f] =
                        meter.keptAt(f) < COVERS_BELOW ? River.Course.COVERS : River.Course.UNDER;
            }
        }
        return new River(wet.framesPerSecond(), level, course);
    }

    private static double power(Excitation e, int frame) {
        double sum = 0;
        for (int b = 0; b < HearingModel.BANDS; b++) {
            sum += e.at(frame, b);
        }
        return sum;
    }

    /** Where a source speaks; one that has no phrases, such as a drum, where it is loud. */
    static Passages passages(Excitation dry, List<Span> phrases, Span span) {
        return phrases.isEmpty()
                ? Passages.ofLoudness(dry)
                : Passages.ofPhrases(inside(phrases, span), dry.frames(), dry.framesPerSecond());
    }

    /** The parts of phrases that lie in a stretch, counted from its beginning. */
    static List<Span> inside(List<Span> phrases, Span span) {
        List<Span> inside = new ArrayList<>();
        for (Span phrase : phrases) {
            double begins = Math.max(phrase.startSeconds(), span.startSeconds());
            double ends = Math.min(phrase.endSeconds(), span.endSeconds());
            // The first breath of a phrase that belongs to the next section is no phrase of this.
            if (ends - begins >= Math.min(LEAST_PART_SECONDS, phrase.seconds() / 2)) {
                inside.add(new Span(begins - span.startSeconds(), ends - span.startSeconds()));
            }
        }
        return inside;
    }
}
