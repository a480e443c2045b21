package orbispace.app.desk;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import javafx.collections.FXCollections;
import javafx.collections.ObservableMap;
import orbispace.app.measuring.Measurements;
import orbispace.app.session.Editor;
import orbispace.app.session.Jobs;
import orbispace.app.session.OfSong;
import orbispace.app.session.SongStems;
import orbispace.app.session.Stretch;
import orbispace.core.clear.CoverAnalysis;
import orbispace.core.clear.HeardDepth;
import orbispace.core.design.Design;
import orbispace.core.design.FieldEdit;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Source;
import orbispace.core.render.Depth;
import orbispace.core.render.DepthMeter;
import orbispace.core.render.SongMaterial;
import orbispace.core.time.Span;

/** How far back each source stands, measured in the background, and moved by hand. */
public final class Depths implements OfSong {
    private final Editor editor;
    private final Jobs jobs;
    private final SongStems stems;
    private final Stretch stretch;
    private final Measurements measured;
    private final ObservableMap<String, Depth> depths = FXCollections.observableHashMap();
    private DepthMeter meter = new DepthMeter();
    private Optional<HeardDepth> heard = Optional.empty();

    /** Depths of a song. */
    public Depths(
            Editor editor, Jobs jobs, SongStems stems, Stretch stretch, Measurements measured) {
        this.editor = editor;
        this.jobs = jobs;
        this.stems = stems;
        this.stretch = stretch;
        this.measured = measured;
    }

    @Override
    public void begin(Design given) {
        depths.clear();
        heard = Optional.empty();
        meter = new DepthMeter();
    }

    /** How far back each source stands, by source, as measured last. */
    public ObservableMap<String, Depth> bySource() {
        return depths;
    }

    /** Measures again how far back the sources stand: as heard, once the mix was. */
    void measure() {
        SongMaterial material = stems.material();
        DepthMeter known = meter;
        Span span = stretch.span();
        Optional<Supplier<CoverAnalysis>> analysis = measured.analysis(editor.now(), span);
        jobs.start(
                "depth",
                "Measuring depth",
                (job, now) -> {
                    Map<String, Depth> found = known.measure(now, material, job);
                    return new Found(
                            found,
                            analysis.map(a -> HeardDepth.of(a.get(), now, found, span, job)));
                },
                (found, now) -> {
                    heard = found.heard();
                    depths.keySet().retainAll(found.depths().keySet());
                    depths.putAll(found.depths());
                });
    }

    /** What was measured at once. */
    private record Found(Map<String, Depth> depths, Optional<HeardDepth> heard) {}

    /** How far back some sources stand together: the middle one of those that are sent. */
    public OptionalDouble distance(List<Source> together) {
        double[] all =
                together.stream().flatMapToDouble(s -> distance(s).stream()).sorted().toArray();
        return all.length == 0 ? OptionalDouble.empty() : OptionalDouble.of(all[all.length / 2]);
    }

    private OptionalDouble distance(Source s) {
        return heard.isPresent() && depths.containsKey(s.id())
                ? heard.get().distance(s.id())
                : OptionalDouble.empty();
    }

    /**
     * Puts sources at a distance, each keeping its own from the others, in one step.
     *
     * @return false if they are sent nowhere, or not measured yet
     */
    public boolean place(List<Source> together, double wanted) {
        OptionalDouble now = distance(together);
        if (now.isEmpty() || !(wanted > 0)) {
            return false;
        }
        double factor = wanted / now.getAsDouble();
        HeardDepth of = heard.orElseThrow();
        return move(
                together,
                of.design(),
                s -> of.movedFor(s.id(), factor * of.distance(s.id()).orElse(1)));
    }

    /**
     * Moves all sends of sources by some decibels, in one step.
     *
     * @return false if they are sent nowhere, or not measured yet
     */
    public boolean move(List<Source> together, double byDb) {
        return distance(together).isPresent()
                && move(together, editor.now(), s -> OptionalDouble.of(byDb));
    }

    /** Moves sends from where they are in a field. */
    private boolean move(List<Source> together, Design from, Function<Source, OptionalDouble> by) {
        Design placed = editor.now();
        for (Source s : together) {
            OptionalDouble db = by.apply(s);
            if (db.isPresent() && distance(s).isPresent()) {
                for (Map.Entry<String, Double> e :
                        Depth.sendsMoved(from, s.id(), db.getAsDouble()).entrySet()) {
                    if (placed.findReturn(e.getKey()).isPresent()) {
                        placed =
                                new ReturnEdit.SendLevel(e.getKey(), s.id(), e.getValue())
                                        .applyTo(placed);
                    }
                }
            }
        }
        String what = together.stream().map(Source::id).collect(Collectors.joining(", "));
        return editor.edit(new FieldEdit.Adopt(placed.returns(), "depth of " + what));
    }
}
