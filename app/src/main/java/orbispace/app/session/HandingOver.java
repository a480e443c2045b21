package orbispace.app.session;

import java.nio.file.Path;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.collections.FXCollections;
import javafx.collections.ObservableSet;
import orbispace.core.design.Design;
import orbispace.core.measure.DecayReport;
import orbispace.core.render.SongMaterial;
import orbispace.files.sheet.RecallSheet;
import orbispace.files.sheet.SheetPart;

/** The recall sheet of the open song, and its hand-over in the background. */
public final class HandingOver {
    private final Session session;
    private final ObservableSet<SheetPart> parts =
            FXCollections.observableSet(EnumSet.allOf(SheetPart.class));

    HandingOver(Session session) {
        this.session = session;
    }

    /** The recall sheet as far as it is measured. */
    public RecallSheet sheet() {
        Map<String, DecayReport> decays = new HashMap<>();
        session.measured()
                .pictures()
                .forEach((id, p) -> p.report().ifPresent(r -> decays.put(id, r)));
        return RecallSheet.of(session.design().get(), session.songSeconds(), decays)
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
        Proving proving = session.proving();
        return proving.accepted().stream()
                .map(f ->
                        new RecallSheet.Line(
                                f.subject().isEmpty() ? f.flag() : f.subject() + ": " + f.flag(),
                                f.evidence() + " Accepted: " + proving.reason(f).orElse("")))
                .toList();
    }

    /** Hands over in the background. */
    public void start(HandOver.Order order, Consumer<List<Path>> done, Consumer<String> failed) {
        Design now = session.design().get();
        Optional<SongMaterial> material = session.material();
        if (material.isEmpty()) {
            failed.accept("There is no sound to print; open a song first.");
            return;
        }
        session.jobs()
                .startBeyondSong(
                        HandOver.JOB,
                        "Handing over",
                        job -> HandOver.write(now, material.get(), order, job),
                        handed -> {
                            done.accept(handed.files());
                            if (!handed.warning().isEmpty()) {
                                session.problem().set(handed.warning());
                            }
                        },
                        e -> failed.accept(String.valueOf(e.getMessage())));
    }
}
