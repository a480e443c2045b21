package orbispace.core.clear;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Setting;
import orbispace.core.design.Space;
import orbispace.core.design.Targets;
import orbispace.core.hearing.WetState;
import orbispace.core.render.Job;
import orbispace.core.time.Span;
import orbispace.core.words.Wording;

/**
 * The ear words: for each its measure, the value from which it is borne out, where it lives, and
 * the changes that answer it with the size of their step.
 *
 * <p>Limits are argued from masking and common practice, not tested on listeners.
 */
public final class EarTable {
    private static final double THICK_SHARE = 0.12;
    private static final double BOXY_SHARE = 0.42;
    private static final double SIZZLE_SHARE = 0.06;
    static final double GAP_DOWN_DB = 30;
    private static final double CROWDING_DB = -22;
    private static final double NEAR_MILLIS = 25;
    private static final double PUMPING_PER_SECOND = DuckCourse.CHATTER_PER_SECOND;
    private static final double MONO_LOSS_DB = 4.5;
    private static final double CUT_DB = -24;

    private final CoverAnalysis analysis;

    /** A table that measures with an analysis. */
    public EarTable(CoverAnalysis analysis) {
        this.analysis = analysis;
    }

    /** What an answer to a word is made of, before its remedies are rendered. */
    private record Row(
            boolean supported,
            String evidence,
            double lowHz,
            double highHz,
            List<Span> moments,
            List<Candidate> answers) {}

    /** What the measures say to a word about one return. */
    public Diagnosis diagnose(EarWord word, Question q, Targets targets, Job job) {
        EarEvidence e = new EarEvidence(q, analysis, job);
        Row row = row(word, e, targets, job);
        List<Proposal> rendered = new ArrayList<>();
        Set<Setting> locked = q.design().aims().lockedOf(q.returnId());
        for (Candidate c : row.answers()) {
            job.check();
            if (!Collections.disjoint(locked, Setting.changedBy(c.edit(), q.design()))) {
                continue;
            }
            rendered.add(RemedyFinder.rendered(analysis, q, e.standing, c, job));
        }
        rendered.sort(Comparator.comparingDouble((Proposal p) -> p.gain(targets)).reversed());
        return new Diagnosis(
                word,
                row.supported(),
                row.evidence(),
                row.lowHz(),
                row.highHz(),
                row.moments(),
                analysis.cells(q, job),
                rendered);
    }

    private Row row(EarWord word, EarEvidence e, Targets t, Job job) {
        return switch (word) {
            case TOO_THICK ->
                    share(e, 20, 250, Math.max(THICK_SHARE, t.lowShare()), EarAnswers.highPass(e));
            case BOXY -> share(e, 250, 600, BOXY_SHARE, EarAnswers.dip(e, 420));
            case SIZZLY -> share(e, 7000, 16000, SIZZLE_SHARE, EarAnswers.lowPass(e, 0.75));
            case SHARP -> sharp(e, t);
            case TOO_LONG -> tooLong(e);
            case WASHED_OUT -> washed(e, t, job);
            case TOO_FAR -> tooFar(e);
            case TOO_NEAR -> tooNear(e);
            case TOO_OBVIOUS -> noticed(e, t, true);
            case LOST -> noticed(e, t, false);
            case PUMPING -> pumping(e);
            case PHASEY -> phasey(e);
            case FLUTTERY -> fluttery(e);
            case CROWDING -> crowding(e);
            case STOPS_DEAD -> stopsDead(e);
        };
    }

    private static Row share(
            EarEvidence e, double low, double high, double limit, Candidate... answers) {
        double share = e.spectrum.shareBetween(low, high);
        return new Row(
                share > limit,
                text(
                        "%.0f %% of this return lies between %.0f and %.0f Hz; from %.0f %% on it"
                                + " is heard as such",
                        100 * share, low, high, 100 * limit),
                low,
                high,
                e.worstPhrases(),
                share > limit ? List.of(answers) : List.of());
    }

    private static Row sharp(EarEvidence e, Targets t) {
        double level = e.standing.sibilanceDb();
        boolean sharp = level > t.sibilanceDb();
        return new Row(
                sharp,
                text(
                        "between 5 and 9 kHz the wet lies %.0f dB %s the dry while it speaks; %.0f"
                                + " dB under is enough",
                        Math.abs(level), level < 0 ? "under" : "over", -t.sibilanceDb()),
                5000,
                9000,
                e.worstPhrases(),
                sharp
                        ? List.of(EarAnswers.lowPass(e, 0.7), EarAnswers.lowPassBefore(e))
                        : List.of());
    }

    private static Row tooLong(EarEvidence e) {
        double down = -e.tailAtGapDb();
        boolean is = e.gapSeconds() > 0 && down < GAP_DOWN_DB;
        return new Row(
                is,
                text(
                        "%.0f dB down when the median rest of %.2f s ends; %.0f dB leave the next"
                                + " phrase alone",
                        down, e.gapSeconds(), GAP_DOWN_DB),
                0,
                0,
                e.gapsHere(),
                is ? present(EarAnswers.shorter(e, 0.7)) : List.of());
    }

    private Row washed(EarEvidence e, Targets t, Job job) {
        boolean is = !e.standing.uncovers(t);
        List<Candidate> answers = new ArrayList<>();
        if (is) {
            new DuckRule(false)
                    .find(e.question, e.standing, t, analysis, job)
                    .ifPresent(answers::add);
            new LevelRule().find(e.question, e.standing, t, analysis, job).ifPresent(answers::add);
            EarAnswers.shorter(e, 0.7).ifPresent(answers::add);
        }
        return new Row(
                is,
                text(
                        "%s keeps %.0f %% of its loudness, %.0f %% in its worst phrase; %.0f %% of"
                                + " its important cells clash",
                        e.question.source().name(),
                        100 * e.standing.cover().presenceKept().orElse(1),
                        100 * e.standing.cover().worstPhrase().orElse(1),
                        100 * e.standing.cover().clashArea()),
                250,
                4000,
                e.worstPhrases(),
                answers);
    }

    private static Row tooFar(EarEvidence e) {
        boolean early = e.predelayMillis() < NEAR_MILLIS;
        boolean loud = e.standing.cover().state().compareTo(WetState.HEARD) >= 0;
        List<Candidate> answers = new ArrayList<>();
        if (early && e.ret().space() instanceof Space.Reverb) {
            answers.add(EarAnswers.predelay(e, e.predelayMillis() + 25));
        }
        if (loud) {
            answers.add(EarAnswers.level(e, -2));
        }
        return new Row(
                early && loud,
                text(
                        "the space answers after %.0f ms and has %.1f %% of the loudness (%s);"
                                + " within %.0f ms it moves the source back",
                        e.predelayMillis(),
                        100 * e.standing.cover().wetShare(),
                        name(e.standing.cover().state()),
                        NEAR_MILLIS),
                0,
                0,
                e.worstPhrases(),
                answers);
    }

    private static Row tooNear(EarEvidence e) {
        boolean is = e.standing.cover().state() == WetState.HIDDEN;
        return new Row(
                is,
                text(
                        "the wet has %.2f %% of the loudness; under %.1f %% it is hidden and the"
                                + " source stands at the front",
                        100 * e.standing.cover().wetShare(), 100 * WetState.FELT.fromShare()),
                0,
                0,
                List.of(),
                is ? EarAnswers.noticedAs(e, WetState.FELT) : List.of());
    }

    private static Row noticed(EarEvidence e, Targets t, boolean over) {
        WetState state = e.standing.cover().state();
        int side = state.compareTo(t.state());
        boolean is = over ? side > 0 : side < 0;
        return new Row(
                is,
                text(
                        "it has %.1f %% of the loudness and is %s; %s was asked",
                        100 * e.standing.cover().wetShare(), name(state), name(t.state())),
                0,
                0,
                e.gapsHere(),
                is ? EarAnswers.noticedAs(e, t.state()) : List.of());
    }

    private static Row pumping(EarEvidence e) {
        double swings = e.swingsPerSecond();
        boolean is = swings > PUMPING_PER_SECOND;
        List<Candidate> answers = new ArrayList<>();
        if (is && e.ret().duck() != null) {
            answers.add(DuckTimes.calmer(e.ret(), e.question.phrases().innerGaps()));
            answers.add(DuckTimes.shallower(e.ret()));
        }
        return new Row(
                is,
                e.ret().duck() == null
                        ? "there is no ducker that could pump"
                        : text(
                                "within phrases the ducker lets go by 3 dB and takes back %.1f"
                                        + " times a second; from %.1f on one hears it work",
                                swings, PUMPING_PER_SECOND),
                0,
                0,
                is ? e.phrasesHere().stream().limit(3).toList() : List.of(),
                answers);
    }

    private static Row phasey(EarEvidence e) {
        double loss = e.stereo().monoFoldLossDb().orElse(99);
        double offset = e.shortOffsetMillis();
        boolean is = loss > MONO_LOSS_DB || offset > 0;
        String evidence =
                offset > 0
                        ? text(
                                "a copy %.0f ms behind the dry makes notches at odd multiples of"
                                        + " %.0f Hz",
                                offset, 500 / offset)
                        : text(
                                "folded to mono it loses %.1f dB; sides that are unrelated lose 3,"
                                        + " from %.1f on it is hollow",
                                loss, MONO_LOSS_DB);
        double first = offset > 0 ? 500 / offset : 0;
        return new Row(
                is,
                evidence,
                first,
                4 * first,
                List.of(),
                is ? List.of(EarAnswers.narrower(e)) : List.of());
    }

    private static Row fluttery(EarEvidence e) {
        double spacing = e.flutterMillis();
        List<Candidate> answers = new ArrayList<>();
        if (spacing > 0 && e.ret().space() instanceof Space.Echo echo) {
            answers.add(
                    Candidate.of(
                            Setting.FEEDBACK,
                            new ReturnEdit.Feedback(e.ret().id(), 0.2),
                            text("Feedback %.0f to 20 %%", 100 * echo.feedback()),
                            "fewer repeats that close"));
            answers.add(
                    Candidate.of(
                            Setting.ECHO_TIME,
                            new ReturnEdit.EchoTime(
                                    e.ret().id(),
                                    new MusicalTime.Millis(120),
                                    e.ret().timedAtBar()),
                            text("Echo time %.0f to 120 ms", spacing),
                            "apart enough to be heard as echoes"));
        }
        return new Row(
                spacing > 0,
                spacing > 0
                        ? text("repeats come every %.0f ms and go on: a rattle", spacing)
                        : "reflections are dense, and no repeats come close together",
                0,
                0,
                List.of(),
                answers);
    }

    private static Row crowding(EarEvidence e) {
        double level = e.wetAtPhraseStartsDb();
        boolean is = level > CROWDING_DB;
        List<Candidate> answers = new ArrayList<>();
        if (is) {
            EarAnswers.shorter(e, 0.7).ifPresent(answers::add);
            EarAnswers.fewerRepeats(e).ifPresent(answers::add);
            answers.add(EarAnswers.level(e, -2));
        }
        return new Row(
                is,
                text(
                        "as phrases begin the wet of the last one lies %.0f dB under the voice;"
                                + " %.0f dB leave it alone",
                        -level, -CROWDING_DB),
                0,
                0,
                e.gapsHere(),
                answers);
    }

    private static Row stopsDead(EarEvidence e) {
        double cut = e.cutDb();
        boolean is = cut > CUT_DB;
        return new Row(
                is,
                is
                        ? text(
                                "the tail is cut %.0f dB under its beginning, within a few"
                                        + " hundredths of a second",
                                -cut)
                        : "nothing cuts the tail while it can be heard",
                0,
                0,
                List.of(),
                is ? present(EarAnswers.softer(e)) : List.of());
    }

    private static List<Candidate> present(Optional<Candidate> answer) {
        return answer.map(List::of).orElse(List.of());
    }

    private static String name(WetState state) {
        return state.name().toLowerCase(java.util.Locale.ROOT);
    }

    private static String text(String format, Object... values) {
        return Wording.format(format, values);
    }
}
