package orbispace.core.render;

import java.util.NavigableMap;
import java.util.TreeMap;
import java.util.function.ToDoubleFunction;
import orbispace.core.design.Design;
import orbispace.core.design.Return;
import orbispace.core.design.Song;
import orbispace.core.design.SpaceTraits;

/** What of a return steps from section to section: decay, width and predelay. */
public final class PlannedCourses {
    private final Song song;
    private final ChainWorks works;

    /** Courses of the returns of a design. */
    public PlannedCourses(Design design) {
        song = design.song();
        works = new ChainWorks(design, Responses.NONE);
    }

    /** T60 of a return by where it begins, in seconds; empty for what is no tail. */
    public NavigableMap<Double, Double> decaySeconds(Return r) {
        NavigableMap<Double, Double> course = new TreeMap<>();
        for (PlanStretches.Stretch stretch : works.plan().stretches().all()) {
            double scale = stretch.plan().cell(r.id()).decayScale();
            SpaceTraits.ringing(r.space(), scale)
                    .traits()
                    .decaySeconds()
                    .ifPresent(d -> course.put(song.clock().secondsOfBar(stretch.bar()), d));
        }
        return course;
    }

    /** Width of a return in per cent by where it begins, in seconds. */
    public NavigableMap<Double, Double> widthPercent(Return r) {
        return course(
                r,
                ChainSettings.WIDTH,
                s -> s instanceof StageSettings.Widening w ? 100 * w.width().factor() : 100);
    }

    /** Predelay of a return in milliseconds by where it begins, in seconds. */
    public NavigableMap<Double, Double> predelayMillis(Return r) {
        return course(
                r,
                ChainSettings.PREDELAY,
                s -> s instanceof StageSettings.Predelay p ? 1000 * p.seconds() : 0);
    }

    private NavigableMap<Double, Double> course(
            Return r, int stage, ToDoubleFunction<StageSettings> value) {
        NavigableMap<Double, Double> course = new TreeMap<>();
        for (Timeline.Step step : works.stages(r, GainCurve.EVEN).get(stage).steps()) {
            course.put(step.frame() / song.sampleRateHz(), value.applyAsDouble(step.settings()));
        }
        return course;
    }
}
