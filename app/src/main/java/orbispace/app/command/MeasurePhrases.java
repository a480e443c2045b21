package orbispace.app.command;

import orbispace.core.material.PhraseFinder;
import orbispace.core.material.Phrases;
import orbispace.core.time.Span;
import orbispace.files.FileProblem;
import picocli.CommandLine.Command;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Phrases and gaps of a voice or lead. */
@Command(
        name = "phrases",
        mixinStandardHelpOptions = true,
        description = "where a voice or lead sounds, and where it rests")
final class MeasurePhrases extends SoundFileCommand {
    MeasurePhrases(Output output) {
        super(output);
    }

    @Override
    public Integer call() throws FileProblem {
        Phrases found = PhraseFinder.find(read());
        ObjectNode document = Output.object();
        spans(document.putArray("phrases"), found.spans());
        spans(document.putArray("gaps"), found.gaps());
        if (found.gaps().isEmpty()) {
            document.putNull("medianGapSeconds");
        } else {
            document.put("medianGapSeconds", found.gapSeconds(0.5));
            document.put("lowerQuartileGapSeconds", found.gapSeconds(0.25));
            document.put("upperQuartileGapSeconds", found.gapSeconds(0.75));
        }
        spans(document.putArray("innerGaps"), found.innerGaps());
        found.levels()
                .ifPresent(l -> {
                    document.put("floorDb", l.floorDb());
                    document.put("speakingDb", l.speakingDb());
                });
        document.put("sure", found.sure());
        output.print(document, () -> lines(found), Phrases.HOLDS_FOR);
        return 0;
    }

    private static void spans(ArrayNode into, java.util.List<Span> spans) {
        for (Span span : spans) {
            into.addObject()
                    .put("startSeconds", span.startSeconds())
                    .put("endSeconds", span.endSeconds())
                    .put("seconds", span.seconds());
        }
    }

    private void lines(Phrases found) {
        for (Span span : found.spans()) {
            output.line("%9.3f to %9.3f s", span.startSeconds(), span.endSeconds());
        }
        output.line("%d phrases, %d gaps", found.spans().size(), found.gaps().size());
        if (!found.sure()) {
            output.line("not sure: a printed room rings on; ends may lie 0.1 s off");
        }
        if (!found.gaps().isEmpty()) {
            output.line(
                    "gaps: median %.3f s, quartiles %.3f and %.3f s",
                    found.gapSeconds(0.5), found.gapSeconds(0.25), found.gapSeconds(0.75));
        }
    }
}
