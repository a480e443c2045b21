package orbispace.app.song;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import orbispace.core.audio.Audio;
import orbispace.core.design.Chain;
import orbispace.core.design.Design;
import orbispace.core.design.Return;
import orbispace.core.design.Song;
import orbispace.core.design.Space;
import orbispace.core.design.Width;
import orbispace.core.render.Responses;
import orbispace.core.time.SongClock;
import org.junit.jupiter.api.Test;

class SheetsTest {
    @Test
    void aReturnThatAnswersNothingIsOnTheSheetWithoutADecay() {
        float[] left = new float[4800];
        float[] right = new float[4800];
        left[10] = 0.5f;
        right[10] = -0.5f;
        Space opposed = new Space.Convolution("opposed.wav", 0, 0, 1, 1, 1);
        Return folded =
                new Return(
                        "A",
                        "Folded",
                        Map.of(),
                        Map.of(),
                        Chain.of(opposed).withWidth(new Width(0, 0)),
                        0,
                        new Return.Timing(1, false));
        Design design =
                new Design(
                        new Song("Quay", 48000, SongClock.constant(120, 4, 4), List.of()),
                        List.of(),
                        List.of(folded));
        Responses responses =
                new Responses(
                        Map.of("opposed.wav", Responses.Recorded.of(Audio.of(48000, left, right))));
        assertThat(Sheets.measured(design, responses, 10).returns()).hasSize(1);
    }
}
