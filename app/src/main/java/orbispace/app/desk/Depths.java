package orbispace.app.desk;

import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.OptionalDouble;
import java.util.function.Function;
import java.util.stream.Collectors;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.SimpleObjectProperty;
import orbispace.app.measuring.Measurements;
import orbispace.app.session.Editor;
import orbispace.app.session.Jobs;
import orbispace.app.session.OfSong;
import orbispace.app.session.SongStems;
import orbispace.app.session.Stretch;
import orbispace.core.clear.HeardDepth;
import orbispace.core.design.Design;
import orbispace.core.design.FieldEdit;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Source;
import orbispace.core.render.Depth;
import orbispace.core.render.DepthMeter;
import orbispace.core.render.SongMaterial;
import orbispace.core.time.Span;
import org.jspecify.annotations.Nullable;

/** How far back each source stands, measured in the background, and moved by hand. */
public final class Depths implements OfSong {
    private final Editor editor;
    private final Jobs jobs;
    private final SongStems stems;
    private final Stretch stretch;
    private final Measurements measured;
    private final ObjectProperty<@Nullable HeardDepth> heard = new SimpleObjectProperty<>();
    private final BooleanProperty wanted = new SimpleBooleanProperty(false);
    private DepthMeter meter = new DepthMeter();

    /** Depths of a song. */
    public Depths(
            Editor editor, Jobs jobs, SongStems stems, Stretch stretch, Measurements measured) {
        this.editor = editor;
        this.jobs = jobs;
        this.stems = stems;
        this.stretch = stretch;
        this.measured = measured;
        wanted.addListener((o, was, is) -> measure());
    }

    @Override
    public void begin(Design given) {
        heard.set(null);
        meter = new DepthMeter();
    }

    /** How far back each source stands, as heard last in the section; null before. */
    public ReadOnlyObjectProperty<@Nullable HeardDepth> heard() {
        return heard;
    }

    /** Whether anyone looks: in a song of many stems each has to be heard by itself for it. */
    public BooleanProperty wanted() {
        return wanted;
    }

    /** Hears again how far back the sources stand, once the section was heard and if one looks. */
    void measure() {
        if (!wanted.get()) {
            heard.set(null);
            return;
        }
        SongMaterial material = stems.material();
        DepthMeter known = meter;
        Span span = stretch.span();
        measured.analysis(editor.now(), span)
                .ifPresent(analysis ->
                        jobs.start(
                                "depth",
                                "Measuring depth",
                                (job, now) ->
                                        HeardDepth.of(
                                                analysis.get(),
                                                now,
                                                known.measure(now, material, job),
                                                span,
                                                job),
                                (found, now) -> heard.set(found)));
    }

    /** How far back some sources stand together: the middle one of those that are sent. */
    public OptionalDouble distance(List<Source> together) {
        double[] all =
                together.stream().flatMapToDouble(s -> distance(s).stream()).sorted().toArray();
        return all.length == 0 ? OptionalDouble.empty() : OptionalDouble.of(all[all.length / 2]);
    }

    private OptionalDouble distance(Source s) {
        HeardDepth now = heard.get();
        return now == null ? OptionalDouble.empty() : now.distance(s.id());
    }

    /**
     * Puts sources at a distance, loudness of the wet over that of the dry, each keeping its own
     * from the others, in one step.
     *
     * @return false if they are sent nowhere, or not measured yet
     */
    public boolean place(List<Source> together, double wanted) {
        OptionalDouble now = distance(together);
        if (now.isEmpty() || !(wanted > 0)) {
            return false;
        }
        double factor = wanted / now.getAsDouble();
        HeardDepth of = Objects.requireNonNull(heard.get());
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
