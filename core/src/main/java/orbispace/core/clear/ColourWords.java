package orbispace.core.clear;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import orbispace.core.design.Targets;
import orbispace.core.render.Job;
import orbispace.core.words.Wording;

/** What the measures say to words about colour: too much of a band, or of everything. */
final class ColourWords {
    private ColourWords() {}

    static EarRow share(
            EarEvidence e, double low, double high, double limit, Candidate... answers) {
        double share = e.spectrum.shareBetween(low, high);
        return new EarRow(
                share > limit,
                Wording.format(
                        "%.0f %% of this return lies between %.0f and %.0f Hz; from %.0f %% on it"
                                + " is heard as such",
                        100 * share, low, high, 100 * limit),
                low,
                high,
                e.worstPhrases(),
                share > limit ? List.of(answers) : List.of());
    }

    static EarRow sharp(EarEvidence e, Targets t) {
        OptionalDouble level = e.standing.sibilanceDb();
        boolean sharp = level.isPresent() && level.getAsDouble() > t.sibilanceDb();
        return new EarRow(
                sharp,
                level.isEmpty()
                        ? "between 5 and 9 kHz the wet has nothing while the source speaks"
                        : Wording.format(
                                "between 5 and 9 kHz the wet lies %.0f dB %s the dry while it"
                                        + " speaks; %.0f dB under is enough",
                                Math.abs(level.getAsDouble()),
                                level.getAsDouble() < 0 ? "under" : "over",
                                -t.sibilanceDb()),
                5000,
                9000,
                e.worstPhrases(),
                sharp
                        ? List.of(EarAnswers.lowPass(e, 0.7), EarAnswers.lowPassBefore(e))
                        : List.of());
    }

    static EarRow washed(EarEvidence e, Targets t, CoverAnalysis analysis, Job job) {
        boolean is = !e.standing.uncovers(t);
        List<Candidate> answers = new ArrayList<>();
        if (is) {
            new DuckRule(false)
                    .find(e.question, e.standing, t, analysis, job)
                    .ifPresent(answers::add);
            new LevelRule().find(e.question, e.standing, t, analysis, job).ifPresent(answers::add);
            EarAnswers.shorter(e, 0.7).ifPresent(answers::add);
        }
        return new EarRow(
                is,
                Wording.format(
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
}
