package orbispace.app.desk;

import java.nio.file.Path;
import java.util.List;
import java.util.Map;
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
import orbispace.app.session.KeptProject;
import orbispace.app.session.OfSong;
import orbispace.app.session.Selection;
import orbispace.app.session.SongStems;
import orbispace.app.song.Relocation;
import orbispace.app.song.SpaceKinds;
import orbispace.core.design.Design;
import orbispace.core.design.FieldEdit;
import orbispace.core.design.Filter;
import orbispace.core.design.Gate;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Role;
import orbispace.core.design.Source;
import orbispace.core.design.Space;
import orbispace.core.material.GateKey;
import orbispace.core.prove.compare.FieldSettlement;
import orbispace.core.prove.compare.Settlement;
import orbispace.core.render.Depth;
import orbispace.core.render.SongMaterial;
import orbispace.core.time.NoteValue;
import orbispace.files.sound.ResponseFiles;
import org.jspecify.annotations.Nullable;

/** Adds, copies, moves and removes returns, and gives them gates and impulse responses. */
public final class FieldEditing implements OfSong {
    private static final double USUAL_THRESHOLD_DB = -30;
    private static final double USUAL_HYSTERESIS_DB = 4;

    private final Editor editor;
    private final Selection selection;
    private final Jobs jobs;
    private final Measurements measured;
    private final ComparedPair compared;
    private final KeptProject kept;
    private final SongStems stems;
    private final ObservableMap<String, Depth> depths = FXCollections.observableHashMap();
    private final ObservableMap<String, String> settled = FXCollections.observableHashMap();

    private final ObjectProperty<@Nullable FieldSettlement> pair = new SimpleObjectProperty<>();

    /** Edits the field of a song. */
    public FieldEditing(
            Editor editor,
            Selection selection,
            Jobs jobs,
            Measurements measured,
            ComparedPair compared,
            KeptProject kept,
            SongStems stems) {
        this.editor = editor;
        this.selection = selection;
        this.jobs = jobs;
        this.measured = measured;
        this.compared = compared;
        this.kept = kept;
        this.stems = stems;
    }

    @Override
    public void begin(Design given) {
        depths.clear();
        unsettle();
    }

    private Design design() {
        return editor.now();
    }

    /** Adds a return of a kind behind the others and chooses it. */
    public void add(SpaceKinds kind) {
        FieldEdit.freeLetter(design()).ifPresent(id -> addReturn(kind.asReturn(design(), id)));
    }

    /** Whether another return can be added. */
    public boolean hasRoom() {
        return FieldEdit.freeLetter(design()).isPresent();
    }

    private void addReturn(Return added) {
        if (editor.edit(new FieldEdit.Add(added, design().returns().size()))) {
            selection.returnId().set(added.id());
        }
    }

    /** Copies a return with its sends and chooses the copy. */
    public void duplicate(Return r) {
        FieldEdit.freeLetter(design()).ifPresent(id -> addReturn(r.called(id, r.name() + " copy")));
    }

    /** Moves a return up or down the order. */
    public void move(Return r, int by) {
        int index = design().returns().indexOf(r) + by;
        if (index >= 0 && index < design().returns().size()) {
            editor.edit(new FieldEdit.Move(r.id(), index));
        }
    }

    /** Takes a return away and chooses its neighbour. */
    public void remove(Return r) {
        int index = design().returns().indexOf(r);
        if (editor.edit(new FieldEdit.Remove(r.id())) && !design().returns().isEmpty()) {
            int next = Math.min(index, design().returns().size() - 1);
            selection.returnId().set(design().returns().get(next).id());
        }
    }

    /** Makes another kind of space of a return. */
    public void become(Return r, SpaceKinds kind) {
        editor.edit(new ReturnEdit.Spatial(r.id(), kind.from(r.space()), "space"));
    }

    /** Reads an impulse response and makes a convolution of a return. */
    public void convolve(Return r, Path file) {
        double rate = design().song().sampleRateHz();
        jobs.start(
                "response",
                "Reading " + file.getFileName(),
                (job, d) -> ResponseFiles.read(file, rate),
                (read, d) -> {
                    String name =
                            kept.folder()
                                    .map(f -> Relocation.path(file, f))
                                    .orElse(file.toAbsolutePath().toString());
                    stems.takeResponse(name, read);
                    editor.edit(
                            new ReturnEdit.Spatial(
                                    r.id(), new Space.Convolution(name, 0, 0, 1, 1, 1), "space"));
                });
    }

    /** The source of hits that is sent most into a return. */
    private Optional<Source> hits(Return r) {
        return design().sources().stream()
                .filter(s -> s.role() == Role.HITS && r.sends().containsKey(s.id()))
                .max(
                        java.util.Comparator.comparingDouble(
                                s -> r.sendDb(s.id()).orElse(Double.NEGATIVE_INFINITY)));
    }

    /** What parts the hits of a source from its bleed, as measured. */
    private Optional<GateKey> key(Source source) {
        return Optional.ofNullable(measured.materials().get(source.id()))
                .flatMap(m -> m.facts().gate());
    }

    /**
     * Puts a gate behind the space that ends one beat after each hit of what is sent, with the
     * threshold between its hits and its bleed; or one that follows the space's own sound.
     */
    public void gateReturn(Return r) {
        MusicalTime beat = new MusicalTime.Note(NoteValue.parse("1/4").orElseThrow(), 0);
        Gate gate =
                hits(r).map(s -> gate(s.id(), key(s), 1, 15).withLength(beat))
                        .orElseGet(() -> gate("", Optional.empty(), 2, 120));
        editor.edit(new ReturnEdit.Gating(r.id(), gate));
    }

    /** Lets only the hits of a send pass, with the threshold between them and the bleed. */
    public void gateSend(Return r, String sourceId) {
        var send = r.sends().get(sourceId);
        Optional<Source> source = design().findSource(sourceId);
        if (send != null && source.isPresent()) {
            Gate gate = gate("", key(source.get()), 0.5, 30);
            editor.edit(new ReturnEdit.Sending(r.id(), sourceId, send.withGate(gate)));
        }
    }

    private static Gate gate(
            String key, Optional<GateKey> measured, double attackMillis, double releaseMillis) {
        Filter filter =
                measured.map(k -> new Filter(corner(k.keyHighPassHz()), corner(k.keyLowPassHz())))
                        .orElse(Filter.OPEN);
        return new Gate(
                key,
                filter,
                Math.rint(measured.map(GateKey::thresholdDb).orElse(USUAL_THRESHOLD_DB) * 10) / 10,
                Math.rint(measured.map(GateKey::hysteresisDb).orElse(USUAL_HYSTERESIS_DB) * 10)
                        / 10,
                120,
                attackMillis,
                40,
                releaseMillis,
                null);
    }

    private static Filter.@Nullable Corner corner(double hz) {
        return hz <= 0 ? null : new Filter.Corner(hz, 4);
    }

    /** How far back each source stands, by source, as measured last. */
    public ObservableMap<String, Depth> depths() {
        return depths;
    }

    /** What settling a question about a return said, by its letter. */
    public ObservableMap<String, String> settled() {
        return settled;
    }

    /** Measures again how far back the sources stand. */
    void measureDepths() {
        SongMaterial material = stems.material();
        jobs.start(
                "depth",
                "Measuring depth",
                (job, now) -> Depth.of(now, material, job),
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
        Map<String, Double> levels = Depth.sendsFor(design(), source, depth, criticalDistances);
        if (levels.isEmpty()) {
            return false;
        }
        Design placed = design();
        for (Map.Entry<String, Double> e : levels.entrySet()) {
            placed = new ReturnEdit.SendLevel(e.getKey(), source, e.getValue()).applyTo(placed);
        }
        return editor.edit(new FieldEdit.Adopt(placed.returns(), "depth of " + source));
    }

    /** Renders a return with its filters before and after the space, and subtracts the two. */
    public void settleFilters(Return r) {
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
                    if (design().findReturn(r.id()).equals(Optional.of(r))) {
                        settled.put(r.id(), result.words());
                    }
                });
    }

    /** What settling the field before against the field now said; null before it was asked. */
    public ReadOnlyObjectProperty<@Nullable FieldSettlement> pair() {
        return pair;
    }

    /** Renders the field before and the field as it is, and subtracts the two. */
    public void settlePair() {
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
    public void unsettle() {
        pair.set(null);
        settled.clear();
    }

    /** The feeds that would not make a circle: returns that may be fed into this one. */
    public List<Return> possibleFeeds(Return r) {
        return design().returns().stream()
                .filter(f -> !f.id().equals(r.id()))
                .filter(f -> accepts(new ReturnEdit.Feed(r.id(), f.id(), -12.0)))
                .toList();
    }

    private boolean accepts(ReturnEdit edit) {
        try {
            return !edit.applyTo(design()).equals(design());
        } catch (IllegalArgumentException circle) {
            return false;
        }
    }
}
