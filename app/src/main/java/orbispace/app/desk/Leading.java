package orbispace.app.desk;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import orbispace.app.measuring.Measurements;
import orbispace.app.session.Editor;
import orbispace.app.session.Jobs;
import orbispace.app.session.OfSong;
import orbispace.app.song.ClearSong;
import orbispace.core.clear.LeadFinder;
import orbispace.core.design.Design;
import orbispace.core.design.Form;
import orbispace.core.design.Song;
import orbispace.core.design.SongEdit;
import orbispace.core.material.Phrases;
import orbispace.core.render.Renderer;

/** Who stands in front in each section: proposed from what is heard, taken in one step, or set. */
public final class Leading implements OfSong {
    private final Editor editor;
    private final Jobs jobs;
    private final Measurements measured;
    private final SimpleObjectProperty<List<LeadFinder.Proposed>> proposed =
            new SimpleObjectProperty<>(List.of());

    /** Leads of a song. */
    Leading(Editor editor, Jobs jobs, Measurements measured) {
        this.editor = editor;
        this.jobs = jobs;
        this.measured = measured;
    }

    @Override
    public void begin(Design given) {
        proposed.set(List.of());
    }

    /** What was proposed last, one for each section in which anything may lead. */
    public ReadOnlyObjectProperty<List<LeadFinder.Proposed>> proposed() {
        return proposed;
    }

    /** Listens in the background for who stands in front, section by section. */
    public void propose() {
        if (measured.renderer().isEmpty() || editor.now().song().sections().isEmpty()) {
            return;
        }
        Renderer renderer = measured.renderer().get();
        Map<String, Phrases> phrases = new HashMap<>();
        measured.materials().forEach((id, m) -> m.phrases().ifPresent(p -> phrases.put(id, p)));
        jobs.start(
                "leads",
                "Listening for who leads",
                (job, d) ->
                        LeadFinder.find(
                                ClearSong.heardDry(d, renderer, job).coarse(), d, phrases, job),
                proposed::set);
    }

    /** Takes all that is proposed, in one step. */
    public void take() {
        Song song = editor.now().song();
        for (LeadFinder.Proposed p : proposed.get()) {
            if (p.section() < song.sections().size()) {
                song = Form.lead(song, p.section(), p.lead().id());
            }
        }
        if (editor.edit(new SongEdit(song, "who leads"))) {
            proposed.set(List.of());
        }
    }
}
