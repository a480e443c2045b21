package orbispace.app.desk;

import java.nio.file.Path;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.collections.FXCollections;
import javafx.collections.ObservableSet;
import orbispace.app.measuring.Measurements;
import orbispace.app.session.Editor;
import orbispace.app.session.Jobs;
import orbispace.app.session.SongStems;
import orbispace.app.session.Stretch;
import orbispace.app.song.HandOver;
import orbispace.core.measure.DecayReport;
import orbispace.core.render.SongMaterial;
import orbispace.files.sheet.RecallSheet;
import orbispace.files.sheet.SheetPart;

/** The recall sheet of the open song, and its hand-over in the background. */
public final class HandingOver {
    private final Editor editor;
    private final Stretch stretch;
    private final Jobs jobs;
    private final Measurements measured;
    private final Proving proving;
    private final SongStems stems;
    private final ObservableSet<SheetPart> parts =
            FXCollections.observableSet(EnumSet.allOf(SheetPart.class));

    /** Hands a song over. */
    public HandingOver(
            Editor editor,
            Stretch stretch,
            Jobs jobs,
            Measurements measured,
            Proving proving,
            SongStems stems) {
        this.editor = editor;
        this.stretch = stretch;
        this.jobs = jobs;
        this.measured = measured;
        this.proving = proving;
        this.stems = stems;
    }

    /** The recall sheet as far as it is measured. */
    public RecallSheet sheet() {
        Map<String, DecayReport> decays = new HashMap<>();
        measured.pictures().forEach((id, p) -> p.report().ifPresent(r -> decays.put(id, r)));
        return RecallSheet.of(editor.now(), stretch.songSeconds(), decays)
                .withFindings(findings())
                .only(parts);
    }

    /** What the sheet holds; all of it at first. */
    public ObservableSet<SheetPart> parts() {
        return parts;
    }

    /** The sheet to be written in some forms. */
    public HandOver.Sheet sheet(List<String> endings) {
        return new HandOver.Sheet(endings, parts, findings());
    }

    private List<RecallSheet.Line> findings() {
        return proving.accepted().stream()
                .map(f ->
                        new RecallSheet.Line(
                                f.subject().isEmpty() ? f.flag() : f.subject() + ": " + f.flag(),
                                f.evidence() + " Accepted: " + proving.reason(f).orElse("")))
                .toList();
    }

    /** Hands over in the background. */
    public void start(HandOver.Order order, Consumer<List<Path>> done, Consumer<String> failed) {
        Optional<SongMaterial> material = stems.sound();
        if (material.isEmpty()) {
            failed.accept("There is no sound to print; open a song first.");
            return;
        }
        jobs.startBeyondSong(
                HandOver.JOB,
                "Handing over",
                (job, now) -> HandOver.write(now, material.get(), order, job),
                handed -> {
                    done.accept(handed.files());
                    if (!handed.warning().isEmpty()) {
                        editor.problem().set(handed.warning());
                    }
                },
                e -> failed.accept(String.valueOf(e.getMessage())));
    }
}
