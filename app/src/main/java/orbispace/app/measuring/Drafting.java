package orbispace.app.measuring;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import orbispace.app.session.Editor;
import orbispace.app.session.Jobs;
import orbispace.app.session.OfSong;
import orbispace.app.session.Selection;
import orbispace.app.session.Stretch;
import orbispace.app.song.FieldEvents;
import orbispace.app.song.Material;
import orbispace.app.song.ReturnPicture;
import orbispace.core.clear.CoverAnalysis;
import orbispace.core.design.Design;
import orbispace.core.design.Edit;
import orbispace.core.design.FieldEdit;
import orbispace.core.design.Return;
import orbispace.core.design.Role;
import orbispace.core.draft.Drafter;
import orbispace.core.draft.FieldDraft;
import orbispace.core.draft.SongFacts;
import orbispace.core.draft.StateLevels;
import orbispace.core.hearing.Ear;
import orbispace.core.hearing.WetState;
import orbispace.core.material.GateKey;
import orbispace.core.material.Hits;
import orbispace.core.material.Phrases;
import orbispace.core.render.Job;
import orbispace.core.time.Span;

/** Drafts whole fields from what is known of the song, with levels really measured. */
public final class Drafting implements OfSong {
    private static final double LISTENING_LUFS = -20;

    private final Editor editor;
    private final Selection selection;
    private final Stretch stretch;
    private final Jobs jobs;
    private final Measurements measured;
    private final SimpleObjectProperty<List<Drafted>> drafts =
            new SimpleObjectProperty<>(List.of());

    /**
     * A draft with the measured responses of its returns.
     *
     * @param draft the field
     * @param design the song with it
     * @param pictures by letter
     */
    public record Drafted(FieldDraft draft, Design design, Map<String, ReturnPicture> pictures) {
        /** Keeps its own map. */
        public Drafted {
            pictures = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(pictures));
        }
    }

    /** Drafts of a song. */
    public Drafting(
            Editor editor, Selection selection, Stretch stretch, Jobs jobs, Measurements measured) {
        this.editor = editor;
        this.selection = selection;
        this.stretch = stretch;
        this.jobs = jobs;
        this.measured = measured;
    }

    /** The drafts as they are ready; none before they were asked for. */
    public ReadOnlyObjectProperty<List<Drafted>> drafts() {
        return drafts;
    }

    /** Forgets the drafts. */
    public void close() {
        drafts.set(List.of());
    }

    @Override
    public void begin(Design given) {
        close();
    }

    /** Whether enough is known to draft anything. */
    public boolean possible() {
        return measured.renderer().isPresent() && !editor.now().sources().isEmpty();
    }

    /** Drafts three fields in the background. */
    public void start() {
        Design design = editor.now();
        SongFacts facts = facts(design, measured.materials(), selection.bar());
        List<Span> phrases =
                FieldEvents.lead(design, measured.materials())
                        .map(Phrases::spans)
                        .orElse(List.of());
        Span span = stretch.span();
        var renderer = measured.renderer();
        if (renderer.isEmpty()) {
            return;
        }
        var given = renderer.get();
        jobs.start(
                "drafts",
                "Drafting three fields",
                (job, d) -> {
                    CoverAnalysis analysis =
                            new CoverAnalysis(given, LISTENING_LUFS, Ear.QUIET_ROOM_POWER);
                    return made(design, facts, analysis, phrases, span, job);
                },
                drafts::set);
    }

    private List<Drafted> made(
            Design design,
            SongFacts facts,
            CoverAnalysis analysis,
            List<Span> phrases,
            Span span,
            Job job) {
        List<Drafted> made = new ArrayList<>();
        List<FieldDraft> fields = Drafter.drafts(design, facts);
        for (FieldDraft field : fields) {
            Design with = design.withReturns(field.returns());
            List<Return> set = StateLevels.of(analysis, with, phrases, span, WetState.FELT, job);
            Design finished = design.withReturns(set);
            Map<String, ReturnPicture> pictures = new LinkedHashMap<>();
            for (Return r : set) {
                job.check();
                pictures.put(
                        r.id(),
                        ReturnPicture.measure(finished, r, orbispace.core.render.Responses.NONE));
            }
            made.add(new Drafted(field.withReturns(set), finished, pictures));
            job.report(made.size() / (double) fields.size());
        }
        return made;
    }

    /** What drafts ask of a song, from what was measured. */
    public static SongFacts facts(Design design, Map<String, Material> measured, int bar) {
        Optional<Phrases> lead =
                FieldEvents.lead(design, measured).filter(p -> !p.gaps().isEmpty());
        Optional<Hits> hits =
                FieldEvents.hitsSource(design, measured)
                        .flatMap(s -> Optional.ofNullable(measured.get(s.id())))
                        .flatMap(Material::hits);
        Map<String, GateKey> gates = new HashMap<>();
        design.sourcesOf(Role.HITS)
                .forEach(s ->
                        Optional.ofNullable(measured.get(s.id()))
                                .flatMap(m -> m.facts().gate())
                                .ifPresent(g -> gates.put(s.id(), g)));
        Set<String> silent = new HashSet<>();
        measured.forEach((id, m) -> {
            if (m.facts().check().silent()) {
                silent.add(id);
            }
        });
        return new SongFacts(
                bar,
                of(lead.map(p -> p.gapSeconds(0.5))),
                of(lead.map(p -> p.gapSeconds(0.25))),
                of(hits.map(h -> h.intervalSeconds(0.5))),
                gates,
                silent);
    }

    private static OptionalDouble of(Optional<Double> value) {
        return value.map(OptionalDouble::of).orElse(OptionalDouble.empty());
    }

    /** Takes a draft as the field, in one step, and chooses its first return. */
    public void adopt(Drafted drafted) {
        Edit adopt = new FieldEdit.Adopt(drafted.draft().returns(), drafted.draft().name());
        if (editor.edit(adopt, "draft: " + drafted.draft().idea())) {
            drafted.draft().returns().stream()
                    .findFirst()
                    .ifPresent(r -> selection.returnId().set(r.id()));
            close();
        }
    }
}
