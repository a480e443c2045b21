package orbispace.core.draft;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import orbispace.core.design.Design;
import orbispace.core.design.Gate;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Role;
import orbispace.core.design.Space;
import orbispace.core.time.Fit;
import orbispace.core.time.NoteValue;
import orbispace.core.words.Wording;

/**
 * The times that this song asks of one return: a predelay that parts the space from the consonant,
 * or starts a later layer when the earlier one has spoken; a decay that clears the next phrase or
 * hit; feedback whose repeats end in the gap; a gate that shuts on a note before the next hit. What
 * is already so is not proposed.
 */
public final class TimeProposals {
    /** A consonant lasts about this long, so its space should start after it. */
    private static final double CONSONANT_MILLIS = 45;

    private static final double LEAST_PREDELAY_MILLIS = 20;
    private static final double MOST_PREDELAY_MILLIS = 90;
    private static final double SAME = 0.02;

    /** A layer is an earlier one if its decay is at most this share of the other's. */
    private static final double SHORTER = 0.6;

    private final Design design;
    private final Return r;
    private final SongFacts facts;
    private final double predelay;

    private TimeProposals(Design design, Return r, SongFacts facts) {
        this.design = design;
        this.r = r;
        this.facts = facts;
        predelay = seconds(r.predelay());
    }

    /** What is proposed for a return, none for what nothing was measured of. */
    public static List<TimeProposal> of(Design design, Return r, SongFacts facts) {
        TimeProposals p = new TimeProposals(design, r, facts);
        return Stream.of(p.separation(), p.stagger(), p.gap(), p.hit(), p.repeats(), p.wall())
                .flatMap(Optional::stream)
                .toList();
    }

    private double seconds(MusicalTime time) {
        return time.seconds(design.song().clock(), facts.bar());
    }

    private boolean takes(Role role) {
        return design.sourcesOf(role).stream().anyMatch(s -> r.sends().containsKey(s.id()));
    }

    private boolean isTail(Return other) {
        return other.space().traits().nature().isDense();
    }

    private static boolean same(double a, double b) {
        return Math.abs(a - b) <= SAME * Math.max(Math.abs(a), Math.abs(b));
    }

    private Optional<TimeProposal> separation() {
        if (!isTail(r) || !(takes(Role.LEAD) || takes(Role.BACKING))) {
            return Optional.empty();
        }
        return NoteValue.all().stream()
                .map(v -> new MusicalTime.Note(v, 0))
                .filter(n -> 1000 * seconds(n) >= LEAST_PREDELAY_MILLIS)
                .filter(n -> 1000 * seconds(n) <= MOST_PREDELAY_MILLIS)
                .min(
                        Comparator.comparingDouble(
                                n -> Math.abs(Math.log(1000 * seconds(n) / CONSONANT_MILLIS))))
                .filter(n -> !same(seconds(n), predelay))
                .map(n ->
                        proposal(
                                TimeProposal.Subject.PREDELAY,
                                Wording.format(
                                        "%s, %.0f ms: after the consonant",
                                        n.label(), 1000 * seconds(n)),
                                Wording.format(
                                        "%s = %.1f ms at %.0f bpm, the note value nearest to the"
                                                + " %.0f ms that a consonant takes: the word is out"
                                                + " before its space answers",
                                        n.label(),
                                        1000 * seconds(n),
                                        design.song().clock().bpmOfBar(facts.bar()),
                                        CONSONANT_MILLIS),
                                new ReturnEdit.Predelay(r.id(), n, facts.bar())));
    }

    /** Whether a gate ends the tail, so that its decay does not. */
    private boolean isGated() {
        return r.gate() != null && r.gate().length() != null;
    }

    /** The decay of a space that is one reverb. */
    private static Optional<Double> decayOf(Return other) {
        return other.space() instanceof Space.Reverb v
                ? Optional.of(v.decaySeconds())
                : Optional.empty();
    }

    private Optional<TimeProposal> stagger() {
        Optional<Double> decay = isGated() ? Optional.empty() : decayOf(r);
        Optional<Return> first =
                design.returns().stream()
                        .filter(o -> o.sends().keySet().stream().anyMatch(r.sends()::containsKey))
                        .filter(o -> decayOf(o).isPresent() && decay.isPresent())
                        .filter(o -> decayOf(o).orElse(0.0) <= SHORTER * decay.orElse(0.0))
                        .min(Comparator.comparingDouble(o -> decayOf(o).orElse(0.0)));
        if (first.isEmpty()) {
            return Optional.empty();
        }
        double starts = seconds(first.get().predelay());
        double rings = decayOf(first.get()).orElse(0.0);
        double spoken = Fit.spokenSeconds(starts, rings, Drafter.SPOKEN_DB);
        if (same(spoken, predelay)) {
            return Optional.empty();
        }
        return Optional.of(
                proposal(
                        TimeProposal.Subject.PREDELAY,
                        Wording.format(
                                "%.0f ms: when %s has spoken", 1000 * spoken, first.get().id()),
                        Wording.format(
                                "%s starts at %.0f ms and is %.0f dB down after %.0f + %.0f \u00d7"
                                    + " %.0f / 60 = %.0f ms; a layer that starts then is heard as a"
                                    + " second one",
                                first.get().name(),
                                1000 * starts,
                                Drafter.SPOKEN_DB,
                                1000 * starts,
                                1000 * rings,
                                Drafter.SPOKEN_DB,
                                1000 * spoken),
                        new ReturnEdit.Predelay(
                                r.id(),
                                new MusicalTime.Millis(Math.rint(1000 * spoken)),
                                r.timedAtBar())));
    }

    private Optional<TimeProposal> gap() {
        return takes(Role.LEAD) && facts.gapSeconds().isPresent()
                ? clearing(facts.gapSeconds().getAsDouble(), "gap", Drafter.GAP_DOWN_DB)
                : Optional.empty();
    }

    private Optional<TimeProposal> hit() {
        return takes(Role.HITS) && facts.hitSeconds().isPresent()
                ? clearing(facts.hitSeconds().getAsDouble(), "next hit", Drafter.HIT_DOWN_DB)
                : Optional.empty();
    }

    private Optional<TimeProposal> clearing(double event, String what, double downDb) {
        Optional<Double> now = decayOf(r);
        if (isGated() || now.isEmpty() || event <= predelay + 0.05) {
            return Optional.empty();
        }
        double decay = Math.rint(100 * Fit.decayThatClears(event, predelay, downDb)) / 100;
        if (same(decay, now.get()) || decay < 0.1 || decay > 20) {
            return Optional.empty();
        }
        return Optional.of(
                proposal(
                        TimeProposal.Subject.SPACE,
                        Wording.format("%.2f s: %.0f dB down at the %s", decay, downDb, what),
                        Wording.format(
                                "60 \u00d7 (%.2f s %s \u2212 %.0f ms) / %.0f dB = %.2f s",
                                event, what, 1000 * predelay, downDb, decay),
                        new ReturnEdit.Decay(r.id(), decay)));
    }

    private Optional<TimeProposal> repeats() {
        if (!(r.space() instanceof Space.Echo echo) || facts.gapSeconds().isEmpty()) {
            return Optional.empty();
        }
        double gap = facts.gapSeconds().getAsDouble();
        double spacing = seconds(echo.time());
        double fits = Math.min(0.95, Fit.feedbackOfWholeRepeats(spacing, gap, Drafter.GAP_DOWN_DB));
        if (Math.abs(fits - echo.feedback()) < 0.01) {
            return Optional.empty();
        }
        return Optional.of(
                proposal(
                        TimeProposal.Subject.SPACE,
                        Wording.format("feedback %.0f %%: repeats end in the gap", 100 * fits),
                        Wording.format(
                                "%.0f whole repeats of %.0f ms fall into the %.2f s gap;"
                                    + " 10^(\u2212%.0f / (20 \u00d7 %.0f)) = %.2f leaves the last"
                                    + " %.0f dB down",
                                Math.max(1, Math.floor(gap / spacing)),
                                1000 * spacing,
                                gap,
                                Drafter.GAP_DOWN_DB,
                                Math.max(1, Math.floor(gap / spacing)),
                                fits,
                                Drafter.GAP_DOWN_DB),
                        new ReturnEdit.Feedback(r.id(), fits)));
    }

    private Optional<TimeProposal> wall() {
        Gate gate = r.gate();
        if (gate == null || facts.hitSeconds().isEmpty()) {
            return Optional.empty();
        }
        double hit = facts.hitSeconds().getAsDouble();
        List<String> longestFirst = new ArrayList<>(List.of("1/4", "1/8.", "1/8", "1/16.", "1/16"));
        return longestFirst.stream()
                .map(t -> new MusicalTime.Note(NoteValue.parse(t).orElseThrow(), 0))
                .filter(n -> seconds(n) <= hit)
                .findFirst()
                .filter(n -> gate.length() == null || !same(seconds(gate.length()), seconds(n)))
                .map(n ->
                        proposal(
                                TimeProposal.Subject.GATE,
                                Wording.format(
                                        "%s, %.0f ms: shut before the next hit",
                                        n.label(), 1000 * seconds(n)),
                                Wording.format(
                                        "hits are %.0f ms apart; %s = %.0f ms is the longest of"
                                                + " 1/4, 1/8., 1/8, 1/16. and 1/16 that is over by"
                                                + " then",
                                        1000 * hit, n.label(), 1000 * seconds(n)),
                                new ReturnEdit.Gating(r.id(), gate.withLength(n))));
    }

    private static TimeProposal proposal(
            TimeProposal.Subject subject, String label, String why, ReturnEdit edit) {
        return new TimeProposal(subject, label, why, edit);
    }
}
