package orbispace.core.design;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import orbispace.core.time.SongClock;
import orbispace.core.time.TempoMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class FormTest {
    private final Song song =
            new Song(
                    "Ferry",
                    48000,
                    SongClock.constant(120, 4, 4),
                    List.of(
                            new Section("Intro", 1, 4),
                            new Section("Verse 1", 5, 8),
                            new Section("Outro", 13, 4)));

    private static String bars(Song song) {
        return String.join(
                " ",
                song.sections().stream()
                        .map(s -> s.name() + ":" + s.firstBar() + "-" + (s.endBar() - 1))
                        .toList());
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "1|7|Intro:1-6 Verse 1:7-12 Outro:13-16",
                "1|2|Intro:1-1 Verse 1:2-12 Outro:13-16",
                // An edge stops before it would swallow a section.
                "1|1|Intro:1-1 Verse 1:2-12 Outro:13-16",
                "1|40|Intro:1-11 Verse 1:12-12 Outro:13-16",
                "0|3|Intro:3-4 Verse 1:5-12 Outro:13-16",
                "3|21|Intro:1-4 Verse 1:5-12 Outro:13-20",
                "3|2|Intro:1-4 Verse 1:5-12 Outro:13-13",
            })
    void anEdgeMovesByBarsAndNeverSwallowsASection(int edge, int bar, String expected) {
        assertThat(bars(Form.edge(song, edge, bar))).isEqualTo(expected);
    }

    @Test
    void aSongThatIsFasterIsSoInEachOfItsTempi() {
        Song glides = Form.glide(song, 16, 32, 90);
        Song faster = Form.faster(glides, 1.001);
        for (double beat : new double[] {0, 20, 31, 40}) {
            double before = glides.clock().tempo().bpmAt(beat);
            assertThat(faster.clock().tempo().bpmAt(beat))
                    .isCloseTo(1.001 * before, org.assertj.core.api.Assertions.within(1e-6));
        }
        assertThat(bars(faster)).isEqualTo(bars(song));
    }

    @Test
    void anEdgeThatTouchesNothingLeavesTheSectionBefore() {
        Song gap =
                song.withSections(List.of(new Section("Intro", 1, 2), new Section("Verse", 5, 4)));
        assertThat(bars(Form.edge(gap, 1, 4))).isEqualTo("Intro:1-2 Verse:4-8");
        assertThat(bars(Form.edge(gap, 1, 3))).isEqualTo("Intro:1-2 Verse:3-8");
    }

    @Test
    void sectionsAreSplitJoinedRenamedAndTheirNamesExchanged() {
        Song split = Form.split(song, 1, 9);
        assertThat(bars(split)).isEqualTo("Intro:1-4 Verse 1:5-8 Verse 1 b:9-12 Outro:13-16");
        assertThat(split.sections().get(2).kind()).isEqualTo(SectionKind.VERSE);
        assertThat(bars(Form.split(split, 2, 11))).contains("Verse 1 b:9-10 Verse 1 c:11-12");
        assertThat(bars(Form.join(split, 1))).isEqualTo(bars(song));
        assertThat(bars(Form.swapNames(song, 0))).startsWith("Verse 1:1-4 Intro:5-12");
        Song named = Form.rename(song, 1, "  Refrain of gulls ");
        assertThat(named.sections().get(1).name()).isEqualTo("Refrain of gulls");
        assertThat(named.sections().get(1).kind()).isEqualTo(SectionKind.CHORUS);
        Song chosen = Form.kind(song, 1, SectionKind.BREAK);
        assertThat(Form.rename(chosen, 1, "Chorus").sections().get(1).kind())
                .as("a chosen kind stays")
                .isEqualTo(SectionKind.BREAK);
    }

    @Test
    void whatMakesNoSongIsRefusedInWords() {
        assertThatThrownBy(() -> Form.split(song, 1, 5)).hasMessageContaining("bars 5 to 12");
        assertThatThrownBy(() -> Form.join(song, 2)).hasMessageContaining("none after it");
        assertThatThrownBy(() -> Form.rename(song, 0, " ")).hasMessageContaining("needs a name");
        assertThatThrownBy(() -> Form.swapNames(song, 2)).hasMessageContaining("exchange");
        assertThatThrownBy(() -> Form.tempo(song, 0, 4)).hasMessageContaining("5 to 1000");
        assertThatThrownBy(() -> Form.metre(song, 3, 4, 5)).hasMessageContaining("denominator");
        assertThatThrownBy(() -> Form.barOneAt(song, 601)).hasMessageContaining("600");
        assertThatThrownBy(() -> Form.glide(song, 8, 8, 60)).hasMessageContaining("end after it");
    }

    @Test
    void tempoHoldsFromItsBeatAndAGlideReachesItsEnd() {
        Song changed = Form.tempo(song, 16, 90);
        assertThat(changed.clock().bpmOfBar(4)).isEqualTo(120);
        assertThat(changed.clock().bpmOfBar(5)).isEqualTo(90);
        Song eased = Form.glide(changed, 48, 56, 60);
        assertThat(eased.clock().tempo().bpmAt(52)).isCloseTo(75, within(1e-9));
        assertThat(eased.clock().tempo().bpmAt(56)).isEqualTo(60);
        // A glide that is linear in beats from 90 to 60 takes 8 ln(90/60) / 30 minutes.
        double took = eased.clock().secondsAt(56) - eased.clock().secondsAt(48);
        assertThat(took).isCloseTo(60 * 8 * Math.log(1.5) / 30, within(1e-9));
        assertThat(Form.withoutTempo(eased, 56).clock().tempo().bpmAt(55)).isEqualTo(90);
        assertThat(Form.withoutTempo(changed, 16).clock()).isEqualTo(song.clock());
        assertThat(Form.withoutTempo(song, 0).clock().bpmOfBar(1)).isEqualTo(120);
    }

    @Test
    void aTempoMovedAtAGlideKeepsWhereItGoesAndWhatLedThere() {
        Song eased = Form.glide(song, 48, 56, 60);
        Song start = Form.tempo(eased, 48, 100);
        assertThat(start.clock().tempo().bpmAt(48)).isEqualTo(100);
        assertThat(start.clock().tempo().bpmAt(52)).isCloseTo(80, within(1e-9));
        Song end = Form.tempo(eased, 56, 80);
        assertThat(end.clock().tempo().bpmAt(52)).isCloseTo(100, within(1e-9));
        Song cut = Form.tempo(eased, 52, 50);
        assertThat(cut.clock().tempo().bpmAt(50)).isCloseTo(105, within(1e-9));
        assertThat(cut.clock().tempo().bpmAt(53)).isEqualTo(50);
    }

    @Test
    void metreAndBarOneMoveTheBars() {
        Song waltz = Form.metre(song, 5, 3, 4);
        assertThat(waltz.clock().secondsOfBar(6) - waltz.clock().secondsOfBar(5)).isEqualTo(1.5);
        assertThat(Form.withoutMetre(waltz, 5).clock().metre().changes()).hasSize(1);
        Song late = Form.barOneAt(song, 0.25);
        assertThat(late.clock().secondsOfBar(2)).isEqualTo(2.25);
        assertThat(late.clock().barAtSeconds(2.2)).isEqualTo(1);
        assertThat(late.clock().barAtSeconds(2.3)).isEqualTo(2);
        assertThat(late.span(late.sections().get(1)).startSeconds()).isEqualTo(8.25);
        TempoMap.Change first = late.clock().tempo().changes().getFirst();
        assertThat(late.clock().secondsAt(first.beat())).isEqualTo(0.25);
    }
}
