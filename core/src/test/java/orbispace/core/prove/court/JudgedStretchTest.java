package orbispace.core.prove.court;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import orbispace.core.audio.Audio;
import orbispace.core.design.Design;
import orbispace.core.design.Fields;
import orbispace.core.design.Role;
import orbispace.core.draft.FieldDraft;
import orbispace.core.material.Phrases;
import orbispace.core.material.Silhouette;
import orbispace.core.material.StemFacts;
import orbispace.core.time.Span;
import org.junit.jupiter.api.Test;

class JudgedStretchTest {
    private static final Design SONG =
            new Design(Fields.song(120), List.of(Fields.source("voice", Role.LEAD)), List.of());

    private static JudgedStretch of(double seconds, Span... sung) {
        Audio silence = Audio.of(24000, new float[24000]);
        StemFacts facts =
                StemFacts.measure(
                                silence, Silhouette.of(silence), new StemFacts.Wanted(false, false))
                        .withPhrases(Phrases.at(List.of(sung)));
        return JudgedStretch.of(SONG, Map.of("voice", facts), seconds);
    }

    private static FieldDraft said(JudgedStretch stretch) {
        return stretch.said(
                new FieldDraft(
                        java.util.Optional.empty(),
                        "x",
                        "Idea.",
                        List.of(),
                        Map.of(),
                        Map.of(),
                        Map.of()));
    }

    @Test
    void aShortSongIsJudgedWholeAndALongOneWhereMostIsSung() {
        JudgedStretch whole = of(100, new Span(3, 5));
        assertThat(whole.isAll()).isTrue();
        assertThat(whole.span()).isEqualTo(new Span(0, 100));
        assertThat(said(whole).idea()).isEqualTo("Idea.");
        JudgedStretch part = of(300, new Span(10, 40), new Span(160, 220));
        assertThat(part.isAll()).isFalse();
        assertThat(part.span()).isEqualTo(new Span(130, 220));
        assertThat(said(part).idea())
                .isEqualTo("Idea. Judged from 130 to 220 s, where most is sung.");
        assertThat(of(300).span()).isEqualTo(new Span(0, 90));
    }
}
