package orbispace.core.clear;

import java.util.Objects;
import java.util.Optional;
import orbispace.core.design.Duck;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Setting;
import orbispace.core.words.Wording;

/** A change that might clear a source, before it is rendered. */
record Candidate(
        Setting kind,
        ReturnEdit edit,
        String change,
        String why,
        double octaves,
        double duckDb,
        double levelDb,
        double decayShare) {

    /** One that costs nothing but perhaps bloom. */
    static Candidate of(Setting kind, ReturnEdit edit, String change, String why) {
        return new Candidate(kind, edit, change, why, 0, 0, 0, 0);
    }

    Candidate costingOctaves(double value) {
        return new Candidate(kind, edit, change, why, value, duckDb, levelDb, decayShare);
    }

    Candidate costingDuck(double db) {
        return new Candidate(kind, edit, change, why, octaves, db, levelDb, decayShare);
    }

    Candidate costingLevel(double db) {
        return new Candidate(kind, edit, change, why, octaves, duckDb, db, decayShare);
    }

    Candidate costingDecay(double share) {
        return new Candidate(kind, edit, change, why, octaves, duckDb, levelDb, share);
    }

    /** Half of what a proposal does to a return; empty for what has no half. */
    static Optional<Candidate> halved(Proposal p, Return r) {
        return switch (p.edit()) {
            case ReturnEdit.Level e -> {
                double half = Math.rint(r.levelDb() + e.levelDb()) / 2;
                yield half >= r.levelDb()
                        ? Optional.empty()
                        : Optional.of(
                                of(
                                                p.kind(),
                                                new ReturnEdit.Level(r.id(), half),
                                                "Return "
                                                        + level(r.levelDb())
                                                        + " to "
                                                        + level(half)
                                                        + " dB",
                                                p.why())
                                        .costingLevel(r.levelDb() - half));
            }
            case ReturnEdit.Ducking e -> halvedDuck(p, r, Objects.requireNonNull(e.duck()));
            default -> Optional.empty();
        };
    }

    private static Optional<Candidate> halvedDuck(Proposal p, Return r, Duck whole) {
        double old = r.duck() == null ? 0 : r.duck().rangeDb();
        double range = Math.rint(whole.rangeDb() + old) / 2;
        double share = p.cost().duckDb() / Math.max(0.1, whole.rangeDb() - old);
        return range <= old
                ? Optional.empty()
                : Optional.of(
                        of(
                                        p.kind(),
                                        new ReturnEdit.Ducking(r.id(), whole.withRange(range)),
                                        Wording.format(
                                                "Duck %.1f dB%s, release %.0f ms",
                                                range,
                                                DuckRule.where(whole.band()),
                                                whole.releaseMillis()),
                                        p.why())
                                .costingDuck(share * (range - old)));
    }

    /** A level with a true minus. */
    static String level(double db) {
        return Wording.format("%.1f", db).replace('-', '\u2212');
    }
}
