package orbispace.core.clear;

import java.util.BitSet;
import java.util.List;
import orbispace.core.dynamics.DuckBand;
import orbispace.core.hearing.Excitation;
import orbispace.core.hearing.Passages;
import orbispace.core.time.Span;

/** When and where in the spectrum the source of a question speaks. */
public final class Speaking {
    private Speaking() {}

    /** The frames in which it speaks within its stretch. */
    public static BitSet frames(CoverAnalysis analysis, Question q) {
        Excitation dry = dry(analysis, q);
        boolean anywhere =
                q.phrases().spans().stream()
                        .noneMatch(s -> s.endSeconds() > analysis.startSeconds());
        Passages passages = anywhere ? Passages.ofLoudness(dry) : passages(analysis, q, dry);
        BitSet frames = (BitSet) passages.speaking().clone();
        int from = Math.clamp(analysis.frameAt(q.span().startSeconds()), 0, dry.frames());
        frames.clear(0, from);
        frames.clear(
                Math.clamp(analysis.frameAt(q.span().endSeconds()), from, dry.frames()),
                dry.frames() + 1);
        return frames;
    }

    /** The band in which it is heard. */
    static DuckBand band(CoverAnalysis analysis, Question q) {
        Excitation dry = dry(analysis, q);
        return KeyBand.of(dry, passages(analysis, q, dry));
    }

    private static Excitation dry(CoverAnalysis analysis, Question q) {
        return analysis.song().part(q.design(), q.design().layersOf(q.source()));
    }

    private static Passages passages(CoverAnalysis analysis, Question q, Excitation dry) {
        double by = analysis.startSeconds();
        List<Span> spans =
                q.phrases().spans().stream()
                        .filter(s -> s.endSeconds() > by)
                        .map(s -> new Span(Math.max(0, s.startSeconds() - by), s.endSeconds() - by))
                        .toList();
        return Passages.ofPhrases(spans, dry.frames(), analysis.framesPerSecond());
    }
}
