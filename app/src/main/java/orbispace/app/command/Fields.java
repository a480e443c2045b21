package orbispace.app.command;

import orbispace.core.prove.Finding;
import orbispace.core.prove.court.Passed;
import orbispace.core.prove.court.Verdict;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Fields that were made for a song, with what became of each return, as they are printed. */
final class Fields {
    private Fields() {}

    /** Returns and what is found about them. */
    static void write(ObjectNode document, Passed passed) {
        ArrayNode returns = document.putArray("returns");
        for (Verdict v : passed.verdicts()) {
            returns.addObject()
                    .put("id", v.ret().id())
                    .put("name", v.ret().name())
                    .put("purpose", v.purpose().label())
                    .put("kind", v.ret().space().kindLabel())
                    .put("levelDb", v.ret().levelDb())
                    .put("asked", v.asked().label())
                    .put("reached", v.reached().label())
                    .put("wetShare", v.share())
                    .put("why", v.why());
        }
        ArrayNode findings = document.putArray("findings");
        for (Finding f : passed.left()) {
            findings.addObject()
                    .put("rule", f.rule())
                    .put("severity", f.severity().label())
                    .put("subject", f.subject())
                    .put("evidence", f.evidence());
        }
    }

    /** The same for people. */
    static void lines(Output output, Passed passed) {
        output.line("%s", passed.draft().idea());
        for (Verdict v : passed.verdicts()) {
            output.line(
                    "%s %-16s %-12s %-10s %s where %s is asked",
                    v.ret().id(),
                    v.ret().name(),
                    v.purpose().label(),
                    v.ret().space().kindLabel(),
                    v.reached().label(),
                    v.asked().label());
            output.line("  %s", v.why());
        }
        for (Finding f : passed.left()) {
            output.line("%s: %s: %s", f.severity().label(), f.subject(), f.evidence());
        }
    }
}
