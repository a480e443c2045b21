package orbispace.app.session;

import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import orbispace.core.design.Design;
import orbispace.core.measure.DecayReport;
import orbispace.core.render.SongMaterial;
import orbispace.files.RecallSheet;

/** The recall sheet of the open song, and its hand-over in the background. */
public final class HandingOver {
    private final Session session;

    HandingOver(Session session) {
        this.session = session;
    }

    /** The recall sheet as far as it is measured. */
    public RecallSheet sheet() {
        Map<String, DecayReport> decays = new HashMap<>();
        session.measured()
                .pictures()
                .forEach((id, p) -> p.report().ifPresent(r -> decays.put(id, r)));
        return RecallSheet.of(session.design().get(), session.songSeconds(), decays);
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
                .start(
                        HandOver.JOB,
                        "Handing over",
                        job -> HandOver.write(now, material.get(), order, job),
                        done,
                        e -> failed.accept(String.valueOf(e.getMessage())));
    }
}
