package orbispace.core.prove.court;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import orbispace.core.clear.CoverAnalysis;
import orbispace.core.design.Design;
import orbispace.core.design.Leads;
import orbispace.core.design.Purposes;
import orbispace.core.design.Return;
import orbispace.core.design.Source;
import orbispace.core.design.Targets;
import orbispace.core.draft.FieldDraft;
import orbispace.core.hearing.Cover;
import orbispace.core.hearing.WetState;
import orbispace.core.render.Job;
import orbispace.core.time.Span;
import orbispace.core.words.Wording;

/** Says of every return of a field what was asked of it and what was reached. */
final class Verdicts {
    /** Why a return is noticed less than asked where nothing else stands against it. */
    static final String TOO_SOFT = "no level up to 24 dB makes more of it beside what else sounds";

    private Verdicts() {}

    /**
     * The verdicts.
     *
     * @param design the field as it is heard
     * @param written the same sound as it is written down, with other levels and sends
     * @param reasons why a return may be noticed less than asked, by letter
     */
    static List<Verdict> of(
            CoverAnalysis analysis,
            Design design,
            Design written,
            FieldDraft draft,
            Map<String, String> reasons,
            Span span,
            Job job) {
        List<Verdict> verdicts = new ArrayList<>();
        for (Return r : design.returns()) {
            Source judge =
                    Purposes.judge(design, r, Leads.main(design))
                            .orElse(design.sources().getFirst());
            Targets asked = Targets.asked(design, judge, r);
            Return as = written.requireReturn(r.id());
            Cover cover = analysis.pair(design, judge, r, List.of(), span, job).cover();
            double share = cover.wetShare();
            WetState opens = analysis.opens(design, r, span, job).state();
            WetState loud = cover.state();
            WetState reached = loud == WetState.HIDDEN ? opens : loud;
            boolean met = asked.accepts(loud);
            String why =
                    draft.reasons().getOrDefault(r.id(), "")
                            + Wording.text(
                                    "; at %.1f dB it has %.1f %% of the loudness: %s",
                                    as.levelDb(), 100 * share, said(loud, reached))
                            + (met
                                    ? ""
                                    : ", not "
                                            + asked.state().label()
                                            + ": "
                                            + reasons.getOrDefault(r.id(), unsaid(share)));
            verdicts.add(
                    new Verdict(
                            as, Purposes.of(design, r), asked.state(), reached, share, met, why));
        }
        return verdicts;
    }

    private static String said(WetState loud, WetState reached) {
        return reached.label() + (reached == loud ? "" : " by its width");
    }

    private static String unsaid(double share) {
        return share <= 0 ? "nothing that is sent into it sounds" : TOO_SOFT;
    }
}
