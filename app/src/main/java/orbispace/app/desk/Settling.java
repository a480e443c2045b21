package orbispace.app.desk;

import java.util.Optional;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.collections.FXCollections;
import javafx.collections.ObservableMap;
import orbispace.app.measuring.Measurements;
import orbispace.app.session.ComparedPair;
import orbispace.app.session.Editor;
import orbispace.app.session.Jobs;
import orbispace.app.session.OfSong;
import orbispace.core.design.Design;
import orbispace.core.design.Return;
import orbispace.core.prove.compare.FieldSettlement;
import orbispace.core.prove.compare.Settlement;
import org.jspecify.annotations.Nullable;

/** Questions about the field that are settled by rendering two of it and subtracting them. */
public final class Settling implements OfSong {
    private final Editor editor;
    private final Jobs jobs;
    private final Measurements measured;
    private final ComparedPair compared;
    private final ObservableMap<String, String> settled = FXCollections.observableHashMap();
    private final ObjectProperty<@Nullable FieldSettlement> pair = new SimpleObjectProperty<>();

    /** Questions about a song. */
    public Settling(Editor editor, Jobs jobs, Measurements measured, ComparedPair compared) {
        this.editor = editor;
        this.jobs = jobs;
        this.measured = measured;
        this.compared = compared;
    }

    @Override
    public void begin(Design given) {
        forget();
    }

    /** What settling a question about a return said, by its letter. */
    public ObservableMap<String, String> byReturn() {
        return settled;
    }

    /** Renders a return with its filters before and after the space, and subtracts the two. */
    public void filters(Return r) {
        var renderer = measured.renderer();
        if (renderer.isEmpty()) {
            return;
        }
        Return swapped = r.withFilterIn(r.filterOut()).withFilterOut(r.filterIn());
        jobs.start(
                "settle",
                "Settling before or after",
                (job, now) ->
                        Settlement.of(
                                renderer.get().wet(now, r, job),
                                renderer.get().wet(now.withReturn(swapped), swapped, job)),
                (result, now) -> {
                    // Of a return that was changed meanwhile it says nothing.
                    if (editor.now().findReturn(r.id()).equals(Optional.of(r))) {
                        settled.put(r.id(), result.words());
                    }
                });
    }

    /** What settling the field before against the field now said; null before it was asked. */
    public ReadOnlyObjectProperty<@Nullable FieldSettlement> ofPair() {
        return pair;
    }

    /** Renders the field before and the field as it is, and subtracts the two. */
    public void pair() {
        var renderer = measured.renderer();
        if (renderer.isEmpty()) {
            return;
        }
        Design now = compared.after();
        Design before = compared.before().get();
        jobs.start(
                "settle pair",
                "Settling before against after",
                (job, d) ->
                        FieldSettlement.of(
                                renderer.get().render(before, job),
                                renderer.get().render(now, job)),
                (found, d) -> pair.set(found));
    }

    /** Forgets what was settled of a field that is no more. */
    public void forget() {
        pair.set(null);
        settled.clear();
    }
}
