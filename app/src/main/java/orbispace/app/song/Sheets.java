package orbispace.app.song;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import orbispace.core.audio.Audio;
import orbispace.core.design.Design;
import orbispace.core.design.Return;
import orbispace.core.measure.DecayMeter;
import orbispace.core.measure.DecayReport;
import orbispace.core.prove.log.Logbook;
import orbispace.core.render.ImpulseResponse;
import orbispace.core.render.Responses;
import orbispace.files.sheet.RecallSheet;

/** Recall sheets with every return really measured. */
public final class Sheets {
    private Sheets() {}

    /** What was found and accepted, as the log has it. */
    public static List<RecallSheet.Line> accepted(Logbook log) {
        return log.entries().stream()
                .flatMap(e ->
                        e.accepted().stream()
                                .map(what ->
                                        new RecallSheet.Line(
                                                what, e.from() + " Accepted: " + e.why())))
                .distinct()
                .toList();
    }

    /** Measures the returns of a design and writes its sheet. */
    public static RecallSheet measured(Design design, Responses responses, double lengthSeconds) {
        Map<String, DecayReport> decays = new LinkedHashMap<>();
        for (Return r : design.returns()) {
            Audio response = ImpulseResponse.of(design, r, responses);
            if (DecayMeter.canMeasure(response)) {
                decays.put(r.id(), DecayMeter.measure(response));
            }
        }
        return RecallSheet.of(design, lengthSeconds, decays);
    }
}
