package orbispace.core.candidate;

import java.util.ArrayList;
import java.util.List;
import orbispace.core.design.Design;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Return;
import orbispace.core.design.Space;
import orbispace.core.design.SpaceTraits;
import orbispace.core.design.SplitPair;
import orbispace.core.space.EchoSettings;
import orbispace.core.space.GatedSettings;
import orbispace.core.space.ReverbKind;
import orbispace.core.time.NoteValue;
import orbispace.core.words.Wording;

/**
 * What may be tried in place of a return: its other kinds at the same decay, its own kind shorter
 * and longer, echoes on the note values next to theirs.
 */
public final class CandidateIdeas {
    private static final double SHORTER = 0.7;
    private static final double LONGER = 1.4;
    private static final int NEAREST = 4;
    private static final List<String> NOTES =
            List.of("1/16", "1/8t", "1/16.", "1/8", "1/4t", "1/8.", "1/4", "1/2t", "1/4.", "1/2");

    private CandidateIdeas() {}

    /** What to try for a return; empty for an engine of which there is one way only. */
    public static List<Candidate.Tried> of(Design design, Return r) {
        return switch (r.space()) {
            case Space.Reverb v -> reverbs(r, v);
            case Space.Echo e -> echoes(design, r, e);
            case Space.Gated g -> gated(r, g);
            case Space.Convolution c -> lengths(r, c);
            case SplitPair s -> lengths(r, s);
            case Space.Copies d -> List.of();
            case Space.Parallel p -> List.of();
        };
    }

    private static List<Candidate.Tried> reverbs(Return r, Space.Reverb v) {
        List<Candidate.Tried> all = new ArrayList<>();
        for (ReverbKind kind : ReverbKind.values()) {
            if (kind != v.kind()) {
                Space other =
                        new Space.Reverb(
                                kind, v.decaySeconds(), v.lowRatio(), v.highRatio(), v.size());
                all.add(new Candidate.Tried(kind.label(), r.withSpace(other)));
            }
        }
        all.addAll(lengths(r, v));
        return all;
    }

    private static List<Candidate.Tried> lengths(Return r, Space space) {
        List<Candidate.Tried> all = new ArrayList<>();
        for (double factor : new double[] {SHORTER, LONGER}) {
            all.add(
                    new Candidate.Tried(
                            Wording.format("decay \u00d7%.1f", factor),
                            r.withSpace(SpaceTraits.ringing(space, factor))));
        }
        return all;
    }

    private static List<Candidate.Tried> echoes(Design design, Return r, Space.Echo e) {
        List<Candidate.Tried> all = new ArrayList<>();
        for (EchoSettings.Kind kind : EchoSettings.Kind.values()) {
            if (kind != e.kind() && !kind.walks()) {
                all.add(new Candidate.Tried(kind.label(), r.withSpace(e.withKind(kind))));
            }
        }
        double now = e.time().seconds(design.song().clock(), r.timedAtBar());
        NOTES.stream()
                .map(n -> NoteValue.parse(n).orElseThrow())
                .map(n -> new MusicalTime.Note(n, 0))
                .filter(n -> away(design, r, n, now) > 0.01)
                .sorted(
                        java.util.Comparator.comparingDouble(
                                (MusicalTime.Note n) -> away(design, r, n, now)))
                .limit(NEAREST)
                .forEach(n -> all.add(new Candidate.Tried(n.label(), r.withSpace(e.withTime(n)))));
        return all;
    }

    /** How far a note value lies from a time, in octaves. */
    private static double away(Design design, Return r, MusicalTime.Note n, double seconds) {
        double note = n.seconds(design.song().clock(), r.timedAtBar());
        return Math.abs(Math.log(note / seconds) / Math.log(2));
    }

    private static List<Candidate.Tried> gated(Return r, Space.Gated g) {
        List<Candidate.Tried> all = new ArrayList<>();
        for (GatedSettings.Envelope envelope : GatedSettings.Envelope.values()) {
            if (envelope != g.envelope()) {
                Space other = new Space.Gated(envelope, g.length(), g.fallMillis(), g.brightHz());
                all.add(new Candidate.Tried(envelope.label(), r.withSpace(other)));
            }
        }
        return all;
    }
}
