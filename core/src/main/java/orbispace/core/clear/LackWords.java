package orbispace.core.clear;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import orbispace.core.design.Filter;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Send;
import orbispace.core.design.Setting;
import orbispace.core.design.Source;
import orbispace.core.design.Space;
import orbispace.core.design.Width;
import orbispace.core.hearing.WetState;
import orbispace.core.space.EchoSettings;
import orbispace.core.words.Wording;

/** What the measures say to words about what is missing. */
final class LackWords {
    private static final double DULL_FROM_HZ = 2500;
    private static final double DULL_SHARE = 0.08;
    private static final double THIN_TO_HZ = 600;
    private static final double THIN_SHARE = 0.05;
    private static final double HIGHEST_HZ = 16000;
    private static final double LOWEST_HZ = 20;
    private static final double NARROW_CORRELATION = 0.9;
    private static final double SHORT_DOWN_DB = 55;
    private static final double LONGER = 1.4;
    private static final double HALF_OCTAVE = Math.sqrt(2);

    private LackWords() {}

    static EarRow dull(EarEvidence e) {
        double share = e.spectrum.shareBetween(DULL_FROM_HZ, HIGHEST_HZ);
        boolean is = share < DULL_SHARE;
        List<Candidate> answers = new ArrayList<>();
        Filter f = e.ret().filterOut();
        if (is && f.lowPass() != null) {
            answers.add(
                    lowPass(
                            e,
                            new Filter.Corner(
                                    Math.min(20000, 100 * Math.rint(f.lowPass().hz() / 50)),
                                    f.lowPass().poles())));
        }
        if (is && e.ret().space() instanceof Space.Reverb v && v.highRatio() < 1) {
            double highs = Math.rint(100 * Math.min(1, v.highRatio() * LONGER)) / 100;
            answers.add(
                    Candidate.of(
                            Setting.SPACE,
                            new ReturnEdit.DecayRatios(e.ret().id(), v.lowRatio(), highs),
                            Wording.format("Highs \u00d7%.2f to \u00d7%.2f", v.highRatio(), highs),
                            "its highs ring as long as they need to be heard"));
        }
        return band(e, is, share, DULL_FROM_HZ, HIGHEST_HZ, DULL_SHARE, answers);
    }

    private static Candidate lowPass(EarEvidence e, Filter.Corner corner) {
        return Candidate.of(
                Setting.LOW_PASS,
                new ReturnEdit.FilterOut(e.ret().id(), e.ret().filterOut().withLowPass(corner)),
                Wording.format("Low-pass at %.1f kHz", corner.hz() / 1000),
                "an octave more of its highs");
    }

    static EarRow thin(EarEvidence e) {
        double share = e.spectrum.shareBetween(LOWEST_HZ, THIN_TO_HZ);
        Filter f = e.ret().filterOut();
        boolean is = share < THIN_SHARE;
        List<Candidate> answers = new ArrayList<>();
        if (is && f.highPass() != null) {
            double hz = Math.max(20, 10 * Math.rint(f.highPass().hz() / HALF_OCTAVE / 10));
            answers.add(
                    Candidate.of(
                            Setting.HIGH_PASS,
                            new ReturnEdit.FilterOut(
                                    e.ret().id(),
                                    f.withHighPass(new Filter.Corner(hz, f.highPass().poles()))),
                            Wording.format("High-pass at %.0f Hz", hz),
                            "half an octave more of its body"));
        }
        return band(e, is, share, LOWEST_HZ, THIN_TO_HZ, THIN_SHARE, answers);
    }

    private static EarRow band(
            EarEvidence e,
            boolean is,
            double share,
            double low,
            double high,
            double limit,
            List<Candidate> answers) {
        return new EarRow(
                is,
                Wording.format(
                        "%.0f %% of this return lies between %.0f and %.0f Hz; under %.0f %% it is"
                                + " missed",
                        100 * share, low, high, 100 * limit),
                low,
                high,
                e.worstPhrases(),
                answers);
    }

    static EarRow narrow(EarEvidence e) {
        OptionalDouble correlation = e.stereo().correlation();
        boolean is = correlation.isPresent() && correlation.getAsDouble() > NARROW_CORRELATION;
        return new EarRow(
                is,
                correlation.isEmpty()
                        ? "one side is silent"
                        : Wording.format(
                                "both sides correlate by %.2f; over %.1f they are heard as one"
                                        + " place",
                                correlation.getAsDouble(), NARROW_CORRELATION),
                0,
                0,
                List.of(),
                is ? List.of(wider(e.ret())) : List.of());
    }

    /** Its sides apart: by its width where it has any, and else by another kind. */
    private static Candidate wider(Return r) {
        Width now = r.chain().width();
        if (r.space() instanceof Space.Echo echo) {
            return Candidate.of(
                    Setting.SPACE,
                    new ReturnEdit.Spatial(
                            r.id(),
                            echo.withKind(EchoSettings.Kind.PING_PONG).withWidth(1),
                            "kind"),
                    "Arrivals left and right in turns",
                    "each arrival has a side");
        }
        double factor = Math.clamp(now.factor() * LONGER, 1, 2);
        return Candidate.of(
                Setting.WIDTH,
                new ReturnEdit.Widening(r.id(), now.withFactor(factor)),
                Wording.format("Width %.0f to %.0f %%", 100 * now.factor(), 100 * factor),
                "more of what differs between its sides");
    }

    static EarRow apart(EarEvidence e) {
        Source own = e.question.source();
        Return r = e.ret();
        double[] others =
                r.sends().entrySet().stream()
                        .filter(s -> !s.getKey().equals(own.id()))
                        .mapToDouble(s -> s.getValue().levelDb())
                        .sorted()
                        .toArray();
        Send send = r.sends().get(own.id());
        boolean is = send == null && others.length > 0 && r.space().traits().nature().isPlace();
        List<Candidate> answers = new ArrayList<>();
        if (is) {
            double level = others[others.length / 2];
            answers.add(
                    Candidate.of(
                            Setting.LEVEL,
                            new ReturnEdit.SendLevel(r.id(), own.id(), level),
                            Wording.format("Send %s at %s dB", own.name(), Candidate.level(level)),
                            "as much as the middle one of the others: they stand in one room"));
        }
        return new EarRow(
                is,
                Wording.format(
                        "%d other%s stand%s in this space; %s %s",
                        others.length,
                        others.length == 1 ? "" : "s",
                        others.length == 1 ? "s" : "",
                        own.name(),
                        send == null ? "does not" : "does as well"),
                0,
                0,
                List.of(),
                answers);
    }

    static EarRow tooShort(EarEvidence e) {
        OptionalDouble down = e.downAtGapDb();
        boolean gap = e.gapSeconds() > 0;
        boolean is = gap && (down.isEmpty() || down.getAsDouble() > SHORT_DOWN_DB);
        return new EarRow(
                is,
                !gap
                        ? "no rest of the source is known that the tail could fill"
                        : Wording.format(
                                "%s when the median rest of %.2f s ends; from %.0f dB on it is gone"
                                        + " long before",
                                down.isEmpty()
                                        ? "nothing is left"
                                        : Wording.format("%.0f dB down", down.getAsDouble()),
                                e.gapSeconds(),
                                SHORT_DOWN_DB),
                0,
                0,
                e.gapsHere(),
                is ? longer(e) : List.of());
    }

    static EarRow unfinished(EarEvidence e) {
        double share = e.standing.cover().wetShareInGaps();
        boolean gap = !e.gapsHere().isEmpty();
        boolean is = gap && share < e.standing.cover().borders().from(WetState.FELT);
        List<Candidate> answers = new ArrayList<>();
        if (is) {
            answers.addAll(longer(e));
            answers.addAll(EarAnswers.noticedAs(e, WetState.FELT));
        }
        return new EarRow(
                is,
                gap
                        ? Wording.format(
                                "in the rests it has %.2f %% of the loudness; under %.1f %% a"
                                        + " phrase ends in nothing",
                                100 * share, 100 * e.standing.cover().borders().from(WetState.FELT))
                        : "the source does not rest here",
                0,
                0,
                e.gapsHere(),
                answers);
    }

    /** A longer tail, or more repeats. */
    private static List<Candidate> longer(EarEvidence e) {
        Return r = e.ret();
        if (r.space() instanceof Space.Reverb v) {
            double decay = Math.min(20, Math.ceil(20 * LONGER * v.decaySeconds() - 1e-6) / 20);
            return List.of(
                    Candidate.of(
                            Setting.DECAY,
                            new ReturnEdit.Decay(r.id(), decay),
                            Wording.format("Decay %.2f to %.2f s", v.decaySeconds(), decay),
                            "the tail reaches further into the rest"));
        }
        if (r.space() instanceof Space.Echo echo) {
            double feedback = Math.min(0.9, Math.rint(100 * (echo.feedback() + 0.15)) / 100);
            return List.of(
                    Candidate.of(
                            Setting.FEEDBACK,
                            new ReturnEdit.Feedback(r.id(), feedback),
                            Wording.format(
                                    "Feedback %.0f to %.0f %%",
                                    100 * echo.feedback(), 100 * feedback),
                            "its repeats reach further into the rest"));
        }
        return List.of();
    }
}
