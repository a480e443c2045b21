package orbispace.app.desk;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import javafx.collections.FXCollections;
import javafx.collections.ObservableMap;
import orbispace.app.session.Editor;
import orbispace.app.session.Jobs;
import orbispace.app.session.OfSong;
import orbispace.app.session.SongStems;
import orbispace.core.design.Design;
import orbispace.core.design.FieldEdit;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Source;
import orbispace.core.render.Depth;
import orbispace.core.render.DepthMeter;
import orbispace.core.render.SongMaterial;

/** How far back each source stands, measured in the background, and moved by hand. */
public final class Depths implements OfSong {
    private final Editor editor;
    private final Jobs jobs;
    private final SongStems stems;
    private final ObservableMap<String, Depth> depths = FXCollections.observableHashMap();
    private DepthMeter meter = new DepthMeter();

    /** Depths of a song. */
    public Depths(Editor editor, Jobs jobs, SongStems stems) {
        this.editor = editor;
        this.jobs = jobs;
        this.stems = stems;
    }

    @Override
    public void begin(Design given) {
        depths.clear();
        meter = new DepthMeter();
    }

    /** How far back each source stands, by source, as measured last. */
    public ObservableMap<String, Depth> bySource() {
        return depths;
    }

    /** Measures again how far back the sources stand. */
    void measure() {
        SongMaterial material = stems.material();
        DepthMeter known = meter;
        jobs.start(
                "depth",
                "Measuring depth",
                (job, now) -> known.measure(now, material, job),
                (found, now) -> {
                    depths.keySet().retainAll(found.keySet());
                    depths.putAll(found);
                });
    }

    /** How far back some sources stand together: the middle one of those that are sent. */
    public OptionalDouble distance(List<Source> together) {
        double[] all =
                together.stream()
                        .flatMap(s -> Optional.ofNullable(depths.get(s.id())).stream())
                        .flatMapToDouble(d -> d.criticalDistances().stream())
                        .sorted()
                        .toArray();
        return all.length == 0 ? OptionalDouble.empty() : OptionalDouble.of(all[all.length / 2]);
    }

    /**
     * Puts sources at a distance, each keeping its own from the others: all of their sends move
     * alike, in one step.
     *
     * @return false if they are sent nowhere, or not measured yet
     */
    public boolean place(List<Source> together, double criticalDistances) {
        OptionalDouble now = distance(together);
        if (now.isEmpty() || !(criticalDistances > 0)) {
            return false;
        }
        double factor = criticalDistances / now.getAsDouble();
        Design placed = editor.now();
        for (Source s : together) {
            Depth depth = depths.get(s.id());
            if (depth != null && depth.criticalDistances().isPresent()) {
                double to = factor * depth.criticalDistances().getAsDouble();
                Map<String, Double> levels = Depth.sendsFor(placed, s.id(), depth, to);
                for (Map.Entry<String, Double> e : levels.entrySet()) {
                    placed =
                            new ReturnEdit.SendLevel(e.getKey(), s.id(), e.getValue())
                                    .applyTo(placed);
                }
            }
        }
        String what = together.stream().map(Source::id).collect(Collectors.joining(", "));
        return editor.edit(new FieldEdit.Adopt(placed.returns(), "depth of " + what));
    }
}
