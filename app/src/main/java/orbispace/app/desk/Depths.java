package orbispace.app.desk;

import java.util.Map;
import javafx.collections.FXCollections;
import javafx.collections.ObservableMap;
import orbispace.app.session.Editor;
import orbispace.app.session.Jobs;
import orbispace.app.session.OfSong;
import orbispace.app.session.SongStems;
import orbispace.core.design.Design;
import orbispace.core.design.FieldEdit;
import orbispace.core.design.ReturnEdit;
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

    /**
     * Puts a source at a distance: all of its sends move alike, in one step.
     *
     * @return false if it is sent nowhere, or not measured yet
     */
    public boolean place(String source, double criticalDistances) {
        Depth depth = depths.get(source);
        if (depth == null || !(criticalDistances > 0)) {
            return false;
        }
        Map<String, Double> levels = Depth.sendsFor(editor.now(), source, depth, criticalDistances);
        if (levels.isEmpty()) {
            return false;
        }
        Design placed = editor.now();
        for (Map.Entry<String, Double> e : levels.entrySet()) {
            placed = new ReturnEdit.SendLevel(e.getKey(), source, e.getValue()).applyTo(placed);
        }
        return editor.edit(new FieldEdit.Adopt(placed.returns(), "depth of " + source));
    }
}
