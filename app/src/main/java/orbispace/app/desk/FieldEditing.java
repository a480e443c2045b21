package orbispace.app.desk;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import orbispace.app.measuring.Measurements;
import orbispace.app.session.Editor;
import orbispace.app.session.Jobs;
import orbispace.app.session.KeptProject;
import orbispace.app.session.Selection;
import orbispace.app.session.SongStems;
import orbispace.app.song.Relocation;
import orbispace.app.song.SpaceKinds;
import orbispace.core.design.AimsEdit;
import orbispace.core.design.Design;
import orbispace.core.design.Edit;
import orbispace.core.design.EditsTogether;
import orbispace.core.design.FieldEdit;
import orbispace.core.design.Filter;
import orbispace.core.design.Gate;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Purpose;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Role;
import orbispace.core.design.Source;
import orbispace.core.design.Space;
import orbispace.core.material.GateKey;
import orbispace.core.time.NoteValue;
import orbispace.files.sound.ResponseFiles;
import org.jspecify.annotations.Nullable;

/** Adds, copies, moves and removes returns, and gives them gates and impulse responses. */
public final class FieldEditing {
    private static final double USUAL_THRESHOLD_DB = -30;
    private static final double USUAL_HYSTERESIS_DB = 4;

    private final Editor editor;
    private final Selection selection;
    private final Jobs jobs;
    private final Measurements measured;
    private final KeptProject kept;
    private final SongStems stems;

    /** Edits the field of a song. */
    public FieldEditing(
            Editor editor,
            Selection selection,
            Jobs jobs,
            Measurements measured,
            KeptProject kept,
            SongStems stems) {
        this.editor = editor;
        this.selection = selection;
        this.jobs = jobs;
        this.measured = measured;
        this.kept = kept;
        this.stems = stems;
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

    /** Makes another kind of space of a return; one that was called by its kind still is. */
    public void become(Return r, SpaceKinds kind) {
        Edit space = new ReturnEdit.Spatial(r.id(), kind.from(r.space()), "space");
        boolean byKind =
                SpaceKinds.of(r.space()).filter(k -> k.label().equals(r.name())).isPresent();
        editor.edit(
                byKind
                        ? new EditsTogether(
                                List.of(space, new ReturnEdit.Named(r.id(), kind.label())),
                                space.subject())
                        : space);
    }

    /** Says what a return is for; null for what it seems to be for. */
    public void purpose(Return r, @Nullable Purpose purpose) {
        editor.edit(
                new AimsEdit(design().aims().purposed(r.id(), purpose), "purpose of " + r.id()));
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
        return measured.map(m -> Gate.of(m, key, attackMillis, 40, releaseMillis, null))
                .orElseGet(() ->
                        new Gate(
                                key,
                                Filter.OPEN,
                                USUAL_THRESHOLD_DB,
                                USUAL_HYSTERESIS_DB,
                                120,
                                attackMillis,
                                40,
                                releaseMillis,
                                null));
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
