package orbispace.files.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.io.Reader;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import orbispace.core.design.Design;
import orbispace.core.design.Filter;
import orbispace.core.design.Gate;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Placement;
import orbispace.core.design.Return;
import orbispace.core.design.Source;
import orbispace.core.design.Space;
import orbispace.core.design.SpaceTraits;
import orbispace.core.design.Tone;
import orbispace.core.measure.DecayMeter;
import orbispace.core.measure.DecayReport;
import orbispace.core.render.ImpulseResponse;
import orbispace.core.space.EchoSettings;
import orbispace.core.time.MetreMap;
import orbispace.core.time.SongClock;
import orbispace.core.time.TempoMap;
import orbispace.core.words.Wording;
import orbispace.files.project.ProjectFileTest;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class SheetTest {
    @TempDir Path folder;

    private static RecallSheet sheet() {
        Design design = ProjectFileTest.design();
        DecayReport hall =
                DecayMeter.measure(
                        ImpulseResponse.of(
                                design,
                                design.requireReturn("A"),
                                orbispace.core.render.Responses.NONE));
        return RecallSheet.of(design, 95, Map.of("A", hall));
    }

    @Test
    void everyNumberOfTheFieldIsOnTheSheet() {
        String text = TextSheet.of(sheet());
        assertThat(text)
                .contains(
                        "Ferry",
                        "1 min 35 s",
                        "60 to 84 bpm",
                        "Old quay, hall",
                        "Voice \u22129.5 dB",
                        "Drum \u221218.0 dB",
                        "high-pass 120 Hz, 18 dB/oct",
                        "47.6 ms (1/64 + 3 ms at bar 3)",
                        "decay 2.40 s, lows \u00d71.20, highs \u00d70.55",
                        "high-pass 220 Hz, 12 dB/oct; low-pass 6.5 kHz, 24 dB/oct",
                        "5.5 dB at most between 310 Hz and 4.2 kHz (6 dB per octave outside), keyed"
                                + " by Voice over \u221242.0 dBFS",
                        "hold 120 ms, release 240 ms",
                        "\u22127.5 dB, fully wet",
                        "Measured T30",
                        "holds for responses",
                        "Fog horn, ping-pong echo",
                        "333.3 ms",
                        "31 %");
    }

    @Test
    void aGatedReturnIsToldByItsWallAndItsSpaceByItsDecay() {
        Design design = ProjectFileTest.design();
        Return hall = design.requireReturn("A");
        Gate wall =
                new Gate(
                        "",
                        new Filter(null, null),
                        -30,
                        6,
                        100,
                        1,
                        50,
                        100,
                        new MusicalTime.Millis(360));
        Return gated = hall.withChain(hall.chain().withGate(wall));
        Return shorter = gated.withSpace(SpaceTraits.ringing(gated.space(), 0.5));
        assertThat(new SpaceWording(design, gated).size())
                .isEqualTo(new SpaceWording(design, shorter).size())
                .contains("360 ms");
        assertThat(new SpaceWording(design, gated).ownSize()).isEqualTo("2.40 s");
        assertThat(new SpaceWording(design, shorter).ownSize()).isEqualTo("1.20 s");
        assertThat(new SpaceWording(design, hall).size()).isEqualTo("2.40 s");
    }

    @Test
    void aTimeIsSaidOnceAndThoseOfTwoSidesBoth() {
        Design design = ProjectFileTest.design();
        Return r = design.requireReturn("B");
        Space.Echo echo = (Space.Echo) r.space();
        MusicalTime left = new MusicalTime.Millis(55);
        Space.Echo pair = echo.withTime(left).withKind(EchoSettings.Kind.PAIR);
        assertThat(
                        size(
                                design,
                                r.withSpace(
                                        echo.withKind(EchoSettings.Kind.SINGLE).withTime(left))))
                .isEqualTo("55 ms");
        assertThat(size(design, r.withSpace(pair.withRightTime(new MusicalTime.Millis(70)))))
                .isEqualTo("55 ms | 70 ms");
        assertThat(size(design, r.withSpace(pair.withRightTime(left)))).isEqualTo("55 ms");
    }

    private static String size(Design design, Return r) {
        return new SpaceWording(design, r).size();
    }

    @Test
    void measuredTimesAreThoseOfTheResponseNotTheSetting() {
        RecallSheet.ReturnCard hall = sheet().returns().getFirst();
        double at1k =
                hall.measured().stream()
                        .filter(b -> b.centreHz() == 1000)
                        .findFirst()
                        .orElseThrow()
                        .seconds();
        assertThat(at1k).isBetween(2.28, 2.52).isNotEqualTo(2.4);
        assertThat(sheet().returns().get(1).measured()).isEmpty();
    }

    @Test
    void noteValuesFollowTheTempoOfEachSection() {
        List<RecallSheet.SectionRow> rows = sheet().sections();
        assertThat(rows.get(0).bpm()).isEqualTo(84);
        assertThat(rows.get(1).bpm()).isEqualTo(84);
        assertThat(rows.get(0).millis().get(2))
                .isCloseTo(714.2857, org.assertj.core.api.Assertions.within(1e-3));
        assertThat(rows.get(0).bars()).isEqualTo("1\u20134");
    }

    @Test
    void theTableCanBeReadByAnyProgram() throws IOException {
        Path file = folder.resolve("sheet.csv");
        SheetWriter.write(file, sheet());
        try (Reader in = Files.newBufferedReader(file)) {
            List<CSVRecord> records =
                    CSVFormat.RFC4180
                            .builder()
                            .setHeader()
                            .setSkipHeaderRecord(true)
                            .get()
                            .parse(in)
                            .getRecords();
            Map<String, String> of =
                    records.stream()
                            .collect(
                                    Collectors.toMap(
                                            r -> r.get("subject") + "|" + r.get("item"),
                                            r -> r.get("value"),
                                            (a, b) -> a));
            assertThat(of.get("Verse|1/4 in ms")).isEqualTo("714.286");
            for (CSVRecord r : records) {
                for (String cell : r) {
                    // No formula, no date, no sign that needs an encoding to be told.
                    assertThat(cell).doesNotMatch("[=+@-].*[^0-9.].*");
                    assertThat(cell).doesNotMatch("[0-9]+[/-][0-9]+");
                    assertThat(cell).matches("\\p{ASCII}*");
                }
            }
            assertThat(of.get("A|name")).isEqualTo("Old quay");
            assertThat(Double.parseDouble(of.getOrDefault("A|T30 at 1 kHz in s", "0")))
                    .isBetween(2.2, 2.6);
        }
    }

    @Test
    void thePageStandsAloneAndEscapesWhatPeopleWrite() throws IOException {
        Path file = folder.resolve("sheet.html");
        RecallSheet odd =
                new RecallSheet(
                        "<b>Tide & \"Time\"</b>",
                        "x",
                        List.of(),
                        List.of("1/4"),
                        List.of(),
                        List.of(),
                        List.of(),
                        List.of(new RecallSheet.Line("A: combs", "<i>meant</i>")),
                        true,
                        sheet().design());
        SheetWriter.write(file, odd);
        String html = Files.readString(file);
        assertThat(html)
                .contains("&lt;b&gt;Tide &amp; &quot;Time&quot;", "&lt;i&gt;meant")
                .doesNotContain("<b>Tide")
                .doesNotContain("http");
        SheetWriter.write(folder.resolve("sheet.md"), sheet());
        assertThat(folder.resolve("sheet.md")).exists();
    }

    @Test
    void otherEndingsAreRefusedWithThoseThereAre() {
        assertThatThrownBy(() -> SheetWriter.write(folder.resolve("sheet.docx"), sheet()))
                .hasMessageContaining(".pdf, .html, .md or .csv");
    }

    @Test
    void wordingUsesARealMinusAndNeverMinusZero() {
        assertThat(Wording.db(-3)).isEqualTo("\u22123.0 dB");
        assertThat(Wording.number(-0.04, 1)).isEqualTo("0.0");
        assertThat(Wording.time(0.045)).isEqualTo("45 ms");
        assertThat(Wording.time(0.0061)).isEqualTo("6.1 ms");
        assertThat(Wording.time(1.5)).isEqualTo("1.50 s");
        assertThat(Wording.hertz(310)).isEqualTo("310 Hz");
        assertThat(Wording.hertz(6500)).isEqualTo("6.5 kHz");
        assertThat(Wording.hertz(8000)).isEqualTo("8 kHz");
        assertThat(Wording.percent(0.856, 0)).isEqualTo("86 %");
        assertThat(Wording.number(Double.NEGATIVE_INFINITY, 1)).isEqualTo("\u2212\u221e");
    }

    @Test
    void planAndThrowsAreOnTheSheet() {
        String text = TextSheet.of(sheet());
        assertThat(text)
                .contains(
                        "- In Verse: muted, decay \u00d7 0.80, width \u00d7 0.50, times at the"
                                + " tempo of the section, within 2.00 quarter notes, tail before it"
                                + " faded",
                        "- In Verse: send of Voice \u22124.5 dB",
                        "- Throw: Voice, bar 1 quarter 4.00 to bar 2 quarter 1.50",
                        "send at \u22124.0 dB",
                        "a ride of 2 points (after ",
                        "), opens in 20 ms, shuts in 40 ms");
    }

    @Test
    void whatIsLeftOutIsLeftOutOfEveryForm() throws IOException {
        RecallSheet whole =
                sheet().withFindings(List.of(new RecallSheet.Line("A: combs", "meant")));
        assertThat(TextSheet.of(whole))
                .contains("## Sources", "voice.wav, lead", "## Tempo and metre", "60 bpm", "meant");
        assertThat(HtmlSheet.of(whole)).contains("<svg", "aria-label=\"the plan\"", "meant");
        RecallSheet chains = whole.only(java.util.EnumSet.of(SheetPart.RETURNS));
        for (String text :
                List.of(
                        TextSheet.of(chains),
                        HtmlSheet.of(chains),
                        TableSheet.of(folder, chains))) {
            assertThat(text)
                    .contains("decay 2.40 s", "Ferry")
                    .doesNotContain("voice.wav", "1/16", "meant", "In Verse", "T30", "<svg");
        }
        RecallSheet plan = whole.only(java.util.EnumSet.of(SheetPart.PLAN, SheetPart.THROWS));
        assertThat(TextSheet.of(plan))
                .contains("In Verse: muted", "Throw")
                .doesNotContain("decay 2.40 s", "high-pass");
        Path pdf = folder.resolve("plan.pdf");
        SheetWriter.write(pdf, plan);
        assertThat(pdfText(pdf)).contains("muted").doesNotContain("high-pass", "SOURCES");
    }

    @Test
    void tempoAndSourcesCanBeTypedInAgain() {
        Design design = ProjectFileTest.design();
        SongClock clock =
                new SongClock(
                        TempoMap.of(
                                List.of(
                                        TempoMap.Change.step(0, 96.5),
                                        new TempoMap.Change(16, 96.5, 60),
                                        TempoMap.Change.step(24, 60))),
                        MetreMap.of(
                                List.of(
                                        new MetreMap.Change(1, 4, 4),
                                        new MetreMap.Change(5, 3, 4))),
                        0.25);
        Source voice = design.findSource("voice").orElseThrow();
        Source laid =
                voice.withGroup("choir")
                        .withPan(-0.3)
                        .withPlacement(new Placement(-37, true, 0.002, 4800))
                        .withTone(
                                new Tone(
                                        0.5,
                                        List.of(
                                                new Tone.Bell(310, -3, 1),
                                                new Tone.Bell(3100, 2, 1))));
        Design other =
                design.withSong(
                                new orbispace.core.design.Song(
                                        "Ferry", 48000, clock, design.song().sections()))
                        .withSources(
                                design.sources().stream()
                                        .map(s -> s.id().equals("voice") ? laid : s)
                                        .toList());
        String text = TextSheet.of(RecallSheet.of(other, 95, Map.of()));
        assertThat(text)
                .contains(
                        "- bar 1 begins at: 0.250 s",
                        "- bar 1: metre 4/4",
                        "- bar 5: metre 3/4",
                        "- bar 1 quarter 1.00: 96.5 bpm\n",
                        "- bar 5 quarter 1.00: 96.5 bpm, evenly to 60 bpm at bar 7 quarter 3.00",
                        "group choir",
                        "30 % left",
                        "37 samples earlier, inverted, less a constant of 0.00200, its first 4800"
                                + " samples, width 50 %, 3.0 dB less at 310 Hz, 1.0 octaves wide,"
                                + " 2.0 dB more at 3.1 kHz, 1.0 octaves wide");
    }

    private static String pdfText(Path file) throws IOException {
        try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
            return new PDFTextStripper().getText(pdf);
        }
    }

    @Test
    void thePdfCarriesEveryNumberInItsOwnFontOnBothPapers() throws IOException {
        Path a4 = folder.resolve("sheet.pdf");
        Path letter = folder.resolve("letter.pdf");
        SheetWriter.write(a4, sheet());
        SheetWriter.write(letter, sheet(), true);
        String text = pdfText(a4);
        for (RecallSheet.ReturnCard card : sheet().returns()) {
            assertThat(text).contains(card.name());
            for (RecallSheet.Line line : card.lines()) {
                assertThat(text).contains(line.label());
                for (String word : line.value().split(" ")) {
                    assertThat(text).contains(word);
                }
            }
        }
        assertThat(text).contains("714.3").doesNotContain("?");
        assertThat(pdfText(letter)).contains(sheet().title());
        try (PDDocument pdf = Loader.loadPDF(a4.toFile());
                PDDocument other = Loader.loadPDF(letter.toFile())) {
            assertThat(pdf.getPage(0).getMediaBox().getWidth()).isCloseTo(595.3f, within(0.1f));
            assertThat(other.getPage(0).getMediaBox().getWidth()).isEqualTo(612f);
            for (var name : pdf.getPage(0).getResources().getFontNames()) {
                assertThat(pdf.getPage(0).getResources().getFont(name).isEmbedded()).isTrue();
            }
        }
    }
}
