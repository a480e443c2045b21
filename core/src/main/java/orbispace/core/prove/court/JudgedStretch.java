package orbispace.core.prove.court;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import orbispace.core.design.Design;
import orbispace.core.design.Leads;
import orbispace.core.draft.FieldDraft;
import orbispace.core.material.Phrases;
import orbispace.core.material.StemFacts;
import orbispace.core.time.Span;
import orbispace.core.words.Wording;

/**
 * The stretch of a song by which drafts are judged: all of it up to 100 s, else the 90 s in which
 * its leads speak most, the first of those alike.
 *
 * @param span in seconds of the song
 * @param isAll whether that is the whole song
 */
record JudgedStretch(Span span, boolean isAll) {
    private static final double ALL_SECONDS = 100;
    private static final double MOST_SECONDS = 90;
    private static final double STEP_SECONDS = 5;

    static JudgedStretch of(Design song, Map<String, StemFacts> stems, double seconds) {
        if (seconds <= ALL_SECONDS) {
            return new JudgedStretch(new Span(0, seconds), true);
        }
        Span best = new Span(0, MOST_SECONDS);
        double most = -1;
        for (double from = 0; from + MOST_SECONDS <= seconds; from += STEP_SECONDS) {
            Span tried = new Span(from, from + MOST_SECONDS);
            double sung = Leads.all(song).stream().mapToDouble(l -> sung(l, stems, tried)).sum();
            if (sung > most + 1e-9) {
                most = sung;
                best = tried;
            }
        }
        return new JudgedStretch(best, false);
    }

    private static double sung(Leads.Led lead, Map<String, StemFacts> stems, Span within) {
        List<Span> phrases =
                Optional.ofNullable(stems.get(lead.source().id()))
                        .flatMap(StemFacts::phrases)
                        .map(Phrases::spans)
                        .orElse(List.of());
        return new Leads.Led(lead.source(), List.of(within))
                .within(lead.within(phrases)).stream().mapToDouble(Span::seconds).sum();
    }

    /** A field that says by which stretch it is judged, where that is not all. */
    FieldDraft said(FieldDraft field) {
        return isAll
                ? field
                : field.saying(
                        Wording.format(
                                " Judged from %.0f to %.0f s, where most is sung.",
                                span.startSeconds(), span.endSeconds()));
    }
}
