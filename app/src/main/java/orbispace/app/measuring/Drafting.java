package orbispace.app.measuring;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import orbispace.app.session.Editor;
import orbispace.app.session.Jobs;
import orbispace.app.session.OfSong;
import orbispace.app.session.Selection;
import orbispace.app.song.ClearSong;
import orbispace.app.song.Material;
import orbispace.app.song.ReturnPicture;
import orbispace.core.clear.CoverAnalysis;
import orbispace.core.design.Design;
import orbispace.core.design.Edit;
import orbispace.core.design.FieldEdit;
import orbispace.core.design.Return;
import orbispace.core.draft.FieldDraft;
import orbispace.core.draft.SongFacts;
import orbispace.core.material.StemFacts;
import orbispace.core.prove.court.BestDraft;
import orbispace.core.prove.court.Court;
import orbispace.core.prove.court.Passed;
import orbispace.core.render.Job;
import orbispace.core.render.Renderer;
import orbispace.core.render.Responses;

/** Drafts whole fields from what is known of the song, with levels really measured. */
public final class Drafting implements OfSong {
    private final Editor editor;
    private final Selection selection;
    private final Jobs jobs;
    private final Measurements measured;
    private final SimpleObjectProperty<List<Drafted>> drafts =
            new SimpleObjectProperty<>(List.of());
    private boolean waits;

    /**
     * A draft with the measured responses of its returns.
     *
     * @param passed the field and what became of it before the court
     * @param pictures by letter
     */
    public record Drafted(Passed passed, Map<String, ReturnPicture> pictures) {
        /** Keeps its own map. */
        public Drafted {
            pictures = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(pictures));
        }

        /** A draft with the responses of its returns measured. */
        public static Drafted of(Passed passed, Job job) {
            Map<String, ReturnPicture> pictures = new LinkedHashMap<>();
            for (Return r : passed.design().returns()) {
                job.check();
                pictures.put(r.id(), ReturnPicture.measure(passed.design(), r, Responses.NONE));
            }
            return new Drafted(passed, pictures);
        }

        /** The field. */
        public FieldDraft draft() {
            return passed.draft();
        }

        /** The song with it. */
        public Design design() {
            return passed.design();
        }
    }

    /** Drafts of a song. */
    public Drafting(Editor editor, Selection selection, Jobs jobs, Measurements measured) {
        this.editor = editor;
        this.selection = selection;
        this.jobs = jobs;
        this.measured = measured;
        measured.mix().addListener((o, was, is) -> startIfMeasured());
        measured.survey().found().addListener((o, was, is) -> startIfMeasured());
    }

    /** Drafts once the mix and all stems are measured, such as those of a new song. */
    public void startWhenMeasured() {
        waits = true;
        startIfMeasured();
    }

    private void startIfMeasured() {
        boolean known =
                editor.now().sources().stream()
                        .allMatch(s -> measured.materials().containsKey(s.id()));
        if (waits && known && measured.mix().get() != null && possible()) {
            waits = false;
            start();
        }
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
        waits = false;
        close();
    }

    /** Whether enough is known to draft anything. */
    public boolean possible() {
        return measured.renderer().isPresent() && !editor.now().sources().isEmpty();
    }

    /** Drafts a field of every school in the background. */
    public void start() {
        Map<String, StemFacts> stems = new HashMap<>();
        measured.materials().forEach((id, m) -> stems.put(id, m.facts()));
        int bar = selection.bar();
        var renderer = measured.renderer();
        if (renderer.isEmpty()) {
            return;
        }
        Renderer given = renderer.get();
        jobs.start(
                "drafts",
                "Drafting four fields",
                (job, d) -> made(d, given, stems, bar, job),
                drafts::set);
    }

    private static List<Drafted> made(
            Design design, Renderer renderer, Map<String, StemFacts> stems, int bar, Job job) {
        CoverAnalysis analysis = ClearSong.heardDry(design, renderer, job);
        return new Court(design, analysis, renderer, stems, job)
                .all(bar).stream().map(p -> Drafted.of(p, job)).toList();
    }

    /** Shows fields that were laid on the song by others, to be adopted or not. */
    public void show(List<Drafted> laid) {
        drafts.set(laid);
    }

    /** What drafts ask of a song, from what was measured. */
    public static SongFacts facts(Design design, Map<String, Material> measured, int bar) {
        Map<String, StemFacts> stems = new HashMap<>();
        measured.forEach((id, m) -> stems.put(id, m.facts()));
        return SongFacts.of(design, stems, bar);
    }

    /** The one of the drafts that serves the material best; empty before they were made. */
    public Optional<BestDraft> best() {
        return BestDraft.of(drafts.get().stream().map(Drafted::passed).toList());
    }

    /** Takes a draft as the field, in one step, and chooses its first return. */
    public void adopt(Drafted drafted) {
        Edit adopt =
                new FieldEdit.Adopt(
                        drafted.draft().returns(),
                        drafted.draft().name(),
                        drafted.draft().purposes());
        if (editor.edit(adopt, "draft: " + drafted.draft().idea())) {
            drafted.draft().returns().stream()
                    .findFirst()
                    .ifPresent(r -> selection.returnId().set(r.id()));
            close();
        }
    }
}
