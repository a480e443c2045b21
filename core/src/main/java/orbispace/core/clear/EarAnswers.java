package orbispace.core.clear;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import orbispace.core.design.Filter;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Setting;
import orbispace.core.design.Space;
import orbispace.core.hearing.WetState;
import orbispace.core.time.Fit;
import orbispace.core.words.Wording;

/** The changes that answer ear words, with the size of their step. */
final class EarAnswers {
    private EarAnswers() {}

    static Candidate highPass(EarEvidence e) {
        Filter f = e.ret().filterOut();
        double from = f.highPass() == null ? 125 : f.highPass().hz();
        int poles = f.highPass() == null ? 2 : f.highPass().poles();
        double hz = Math.rint(Math.min(500, 1.4 * from) / 10) * 10;
        return Candidate.of(
                        Setting.HIGH_PASS,
                        new ReturnEdit.FilterOut(
                                e.ret().id(), f.withHighPass(new Filter.Corner(hz, poles))),
                        Wording.format("High-pass at %.0f Hz", hz),
                        "half an octave less at the low end")
                .costingOctaves(0.5);
    }

    /** A dip, or where both bands are taken a softer return. */
    static Candidate dip(EarEvidence e, double hz) {
        if (!e.ret().filterOut().hasRoomFor(hz)) {
            return level(e, -2);
        }
        return Candidate.of(
                        Setting.DIP,
                        new ReturnEdit.FilterOut(
                                e.ret().id(),
                                e.ret().filterOut().withBell(Filter.Band.dip(hz, 3, 1))),
                        Wording.format("Dip %.0f Hz by 3 dB, 1 octave wide", hz),
                        "takes the box out and leaves the rest")
                .costingOctaves(0.5);
    }

    static Candidate lowPass(EarEvidence e, double factor) {
        Filter f = e.ret().filterOut();
        double from = f.lowPass() == null ? 9000 : f.lowPass().hz();
        int poles = f.lowPass() == null ? 2 : f.lowPass().poles();
        double hz = Math.rint(from * factor / 100) * 100;
        return Candidate.of(
                        Setting.LOW_PASS,
                        new ReturnEdit.FilterOut(
                                e.ret().id(), f.withLowPass(new Filter.Corner(hz, poles))),
                        Wording.format("Low-pass at %.1f kHz", hz / 1000),
                        "the highs of the return, not of the voice")
                .costingOctaves(-Math.log(factor) / Math.log(2));
    }

    static Candidate lowPassBefore(EarEvidence e) {
        Filter f = e.ret().filterIn();
        return Candidate.of(
                        Setting.LOW_PASS,
                        new ReturnEdit.FilterIn(
                                e.ret().id(), f.withLowPass(new Filter.Corner(5000, 2))),
                        "Low-pass before the space at 5.0 kHz",
                        "the space never hears the sting")
                .costingOctaves(1);
    }

    static Candidate level(EarEvidence e, double by) {
        double level = Math.clamp(e.ret().levelDb() + by, -90, 24);
        return Candidate.of(
                        Setting.LEVEL,
                        new ReturnEdit.Level(e.ret().id(), level),
                        "Return "
                                + Candidate.level(e.ret().levelDb())
                                + " to "
                                + Candidate.level(level)
                                + " dB",
                        by < 0 ? "less of all of it" : "more of all of it")
                .costingLevel(Math.max(0, -by));
    }

    /** The level at which it is noticed as much as asked; nothing where no level does that. */
    static List<Candidate> noticedAs(EarEvidence e, WetState state) {
        OptionalDouble level = e.levelFor(state);
        return level.isEmpty()
                ? List.of()
                : List.of(level(e, level.getAsDouble() - e.ret().levelDb()));
    }

    static Candidate predelay(EarEvidence e, double millis) {
        return Candidate.of(
                Setting.PREDELAY,
                new ReturnEdit.Predelay(
                        e.ret().id(),
                        new MusicalTime.Millis(Math.rint(millis)),
                        e.ret().timedAtBar()),
                Wording.format("Predelay %.0f to %.0f ms", e.predelayMillis(), millis),
                "the word is out before its space answers, so it comes forward");
    }

    static Optional<Candidate> shorter(EarEvidence e, double factor) {
        if (!(e.ret().space() instanceof Space.Reverb v)) {
            return Optional.empty();
        }
        double decay = Math.max(0.1, Math.floor(20 * factor * v.decaySeconds() + 1e-6) / 20);
        return Optional.of(
                Candidate.of(
                                Setting.DECAY,
                                e.locked(Setting.LEVEL)
                                        ? new ReturnEdit.Decay(e.ret().id(), decay)
                                        : ReturnEdit.Shorten.of(e.ret(), decay),
                                Wording.format(
                                        "Decay %.2f to %.2f s%s",
                                        v.decaySeconds(),
                                        decay,
                                        e.locked(Setting.LEVEL) ? "" : ", its beginning as loud"),
                                "a shorter tail of the same beginning")
                        .costingDecay(1 - decay / v.decaySeconds()));
    }

    static Optional<Candidate> fewerRepeats(EarEvidence e) {
        if (!(e.ret().space() instanceof Space.Echo echo) || e.gapSeconds() <= 0) {
            return Optional.empty();
        }
        double spacing =
                echo.time().seconds(e.question.design().song().clock(), e.ret().timedAtBar());
        double fits = Fit.feedbackOfWholeRepeats(spacing, e.gapSeconds(), TailWords.GAP_DOWN_DB);
        return fits >= echo.feedback()
                ? Optional.empty()
                : Optional.of(
                        Candidate.of(
                                        Setting.FEEDBACK,
                                        new ReturnEdit.Feedback(e.ret().id(), fits),
                                        Wording.format(
                                                "Feedback %.0f to %.0f %%",
                                                100 * echo.feedback(), 100 * fits),
                                        "its repeats end in the rest")
                                .costingDecay(1 - fits / echo.feedback()));
    }

    static Candidate narrower(EarEvidence e) {
        Return r = e.ret();
        if (r.space() instanceof Space.Copies d && d.centre()) {
            return Candidate.of(
                    Setting.SPACE,
                    new ReturnEdit.Spatial(
                            r.id(), new Space.Copies(d.copies(), d.highPassHz(), false), "centre"),
                    "Copies without their centre",
                    "in mono the copies vanish instead of combing with the dry");
        }
        double factor = Math.min(0.6, r.chain().width().factor() * 0.6);
        return Candidate.of(
                Setting.WIDTH,
                new ReturnEdit.Widening(r.id(), r.chain().width().withFactor(factor)),
                Wording.format("Width to %.0f %%", 100 * factor),
                "less that cancels when both sides are one");
    }

    static Optional<Candidate> softer(EarEvidence e) {
        Return r = e.ret();
        if (r.gate() != null) {
            double release = Math.max(120, 4 * r.gate().releaseMillis());
            var gate = r.gate().withTimes(r.gate().attackMillis(), r.gate().holdMillis(), release);
            return Optional.of(
                    Candidate.of(
                            Setting.GATE,
                            new ReturnEdit.Gating(r.id(), gate),
                            Wording.format(
                                    "Gate release %.0f to %.0f ms",
                                    r.gate().releaseMillis(), release),
                            "it closes like a door and not like a wall"));
        }
        return r.space() instanceof Space.Gated g
                ? Optional.of(
                        Candidate.of(
                                Setting.SPACE,
                                new ReturnEdit.Spatial(r.id(), g.withFall(120), "fall"),
                                Wording.format("Fall %.0f to 120 ms", g.fallMillis()),
                                "it closes like a door and not like a wall"))
                : Optional.empty();
    }
}
