package orbispace.app.command;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import orbispace.app.Songs;
import orbispace.core.audio.Audio;
import orbispace.core.design.Design;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Section;
import orbispace.core.design.Song;
import orbispace.core.prove.log.LogEntry;
import orbispace.core.prove.log.LogMeasures;
import orbispace.core.prove.log.Snapshot;
import orbispace.core.time.MetreMap;
import orbispace.core.time.SongClock;
import orbispace.core.time.TempoMap;
import orbispace.files.midi.MidiTempo;
import orbispace.files.project.LogJournal;
import orbispace.files.project.ProjectFile;
import orbispace.files.sound.SoundReader;
import orbispace.files.sound.WavWriter;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

class CommandLineTest extends CommandCase {
    @Test
    void timesGivesEveryNoteValueAtATempo() {
        JsonNode j = run("times", "--bpm", "96", "--near", "320", "--json").json();
        assertThat(j.path("bpm").asDouble()).isEqualTo(96);
        assertThat(j.path("bar").asInt()).isEqualTo(1);
        JsonNode quarter = null;
        for (JsonNode n : j.path("noteValues")) {
            quarter = n.path("name").asString().equals("1/4") ? n : quarter;
        }
        assertThat(quarter).isNotNull();
        assertThat(java.util.Objects.requireNonNull(quarter).path("nominalMillis").asDouble())
                .isEqualTo(625);
        assertThat(quarter.path("hertz").asDouble()).isEqualTo(1.6);
        assertThat(j.path("nearest").path("name").asString()).isEqualTo("1/8");
        assertThat(j.path("nearest").path("offsetMillis").asDouble()).isCloseTo(7.5, within(1e-9));
        assertThat(j.path("nearest").path("offsetPercent").asDouble()).isCloseTo(2.4, within(1e-9));
    }

    @Test
    void timesFindsTheDecayThatClears() {
        JsonNode byNote =
                run(
                                "--json",
                                "times",
                                "--bpm",
                                "120",
                                "--clear-by",
                                "30",
                                "--within",
                                "1/4",
                                "--predelay",
                                "20")
                        .json();
        assertThat(byNote.path("decaySeconds").asDouble()).isCloseTo(60 * 0.48 / 30, within(1e-9));
        JsonNode byMillis =
                run("times", "--json", "--bpm", "120", "--clear-by", "40", "--within", "700")
                        .json();
        assertThat(byMillis.path("decaySeconds").asDouble()).isCloseTo(1.05, within(1e-9));
        assertThat(run("times", "--bpm", "120", "--clear-by", "30", "--within", "1/4").out())
                .contains("decay that clears: 1.000 s");
    }

    @Test
    void timesIsRightAtABarAfterSeveralTempoChanges() throws IOException {
        SongClock clock =
                new SongClock(
                        TempoMap.of(
                                List.of(
                                        TempoMap.Change.step(0, 84),
                                        TempoMap.Change.step(8, 120),
                                        TempoMap.Change.step(19, 63.5))),
                        MetreMap.of(
                                List.of(
                                        new MetreMap.Change(1, 4, 4),
                                        new MetreMap.Change(4, 7, 8))));
        Path midi = folder.resolve("t.mid");
        MidiTempo.write(midi, clock, List.of(new Section("A", 1, 9)));
        JsonNode third = run("times", "--midi", midi.toString(), "--bar", "3", "--json").json();
        assertThat(third.path("bpm").asDouble()).isCloseTo(120, within(0.001));
        JsonNode seventh = run("times", "--midi", midi.toString(), "--bar", "7", "--json").json();
        assertThat(seventh.path("bpm").asDouble()).isCloseTo(63.5, within(0.001));
        for (JsonNode n : seventh.path("noteValues")) {
            if (n.path("name").asString().equals("1 bar")) {
                assertThat(n.path("nominalMillis").asDouble())
                        .isCloseTo(3.5 * 60_000 / 63.5, within(0.05));
            }
        }
    }

    @Test
    void usageErrorsAreOneLineThatPointsAtHelp() {
        assertOneLine(run("times"), 2, "--bpm", "--help");
        assertOneLine(run("times", "--bpm", "fast"), 2, "fast", "--help");
        assertOneLine(run("times", "--bpm", "0"), 2, "outside 5 to 1000");
        assertOneLine(run("times", "--bpm", "90", "--meter", "four"), 2, "four");
        assertOneLine(run("times", "--bpm", "90", "--clear-by", "30"), 2, "--within");
        assertOneLine(
                run("times", "--bpm", "90", "--within", "soon", "--clear-by", "3"), 2, "soon");
        assertOneLine(run("times", "--nonsense"), 2, "--nonsense");
        assertOneLine(run("measure"), 2, "measure what");
        assertOneLine(run("measure", "loudness"), 2, "FILE");
        assertOneLine(run("measure", "cover"), 2, "--dry");
        assertOneLine(run("render", "x"), 2, "--out");
        assertOneLine(run("test"), 2, "./orbispace test");
    }

    @ParameterizedTest
    @ValueSource(strings = {"loudness", "decay", "loudness-sones"})
    void badFilesAreOneLineThatNamesThem(String measure) throws IOException {
        Path words = folder.resolve("words.wav");
        Files.writeString(words, "no sound");
        assertOneLine(run("measure", measure, words.toString()), 1, "words.wav", "WAV");
        assertOneLine(
                run("measure", measure, folder.resolve("gone.wav").toString(), "--json"),
                1,
                "gone.wav",
                "no such file");
        assertOneLine(run("measure", measure, folder.toString()), 1, "folder");
    }

    @Test
    void loudnessMeasuresAndLeavesUndefinedNull() throws IOException {
        Path sine = folder.resolve("sine.wav");
        float[] x = new float[48000 * 5];
        for (int i = 0; i < x.length; i++) {
            x[i] = (float) (0.1 * Math.sin(2 * Math.PI * 1000 * i / 48000.0));
        }
        WavWriter.write(sine, Audio.of(48000, x, x.clone()), WavWriter.Depth.BITS_24, "");
        JsonNode j = run("measure", "loudness", sine.toString(), "--json").json();
        assertThat(j.path("integratedLufs").asDouble()).isCloseTo(-20, within(0.1));
        assertThat(j.path("truePeakDbtp").asDouble()).isCloseTo(-20, within(0.1));
        assertThat(j.propertyNames())
                .contains(
                        "momentaryMaxLufs",
                        "shortTermMaxLufs",
                        "loudnessRangeLu",
                        "samplePeakDbfs");
        Path brief = folder.resolve("brief.wav");
        WavWriter.write(brief, Audio.of(48000, new float[1000]), WavWriter.Depth.BITS_16, "");
        JsonNode none = run("measure", "loudness", brief.toString(), "--json").json();
        assertThat(none.path("integratedLufs").isNull()).isTrue();
        assertThat(run("measure", "loudness", brief.toString()).out()).contains("undefined");
    }

    @Test
    void sonesAddUpOverTheBands() throws IOException {
        Path tone = folder.resolve("tone.wav");
        float[] x = new float[96000];
        double a = Math.sqrt(2) * Math.pow(10, (60 - 98) / 20.0);
        for (int i = 0; i < x.length; i++) {
            x[i] = (float) (a * Math.sin(2 * Math.PI * 1000 * i / 48000.0));
        }
        WavWriter.write(tone, Audio.of(48000, x), WavWriter.Depth.FLOAT_32, "");
        JsonNode j = run("measure", "loudness-sones", tone.toString(), "--json").json();
        assertThat(j.path("sones").asDouble()).isCloseTo(3.96, within(0.12));
        double sum = 0;
        for (JsonNode n : j.path("specificSones")) {
            sum += n.asDouble();
        }
        assertThat(j.path("specificSones").size()).isEqualTo(40);
        assertThat(sum).isCloseTo(j.path("sones").asDouble(), within(1e-9));
    }

    @Test
    void coverOfACopyIsWhatTheFormulaSays() throws IOException {
        Path dry = folder.resolve("dry.wav");
        Path wet = folder.resolve("wet.wav");
        Audio lead = Songs.lead();
        WavWriter.write(dry, lead, WavWriter.Depth.FLOAT_32, "");
        WavWriter.write(wet, lead.scaled(Math.pow(10, -0.5)), WavWriter.Depth.FLOAT_32, "");
        JsonNode j =
                run(
                                "measure",
                                "cover",
                                "--dry",
                                dry.toString(),
                                "--wet",
                                wet.toString(),
                                "--room-db",
                                "off",
                                "--phrases",
                                "0.2-1.8,3.2-4.8",
                                "--json")
                        .json();
        assertThat(j.path("presenceKept").asDouble()).isCloseTo(0.767, within(0.01));
        assertThat(j.path("clashArea").asDouble()).isGreaterThan(0.9);
        assertThat(j.path("state").asString()).isIn("hidden", "felt");
        assertThat(j.propertyNames())
                .contains(
                        "worstPhrase",
                        "wetShare",
                        "wetShareInPhrases",
                        "wetShareInGaps",
                        "bloomDb");
        assertThat(run("measure", "cover", "--dry", dry.toString(), "--wet", wet.toString()).out())
                .contains("presence kept");
        assertOneLine(
                run(
                        "measure",
                        "cover",
                        "--dry",
                        dry.toString(),
                        "--wet",
                        wet.toString(),
                        "--phrases",
                        "2"),
                2,
                "START-END");
        assertOneLine(
                run(
                        "measure",
                        "cover",
                        "--dry",
                        dry.toString(),
                        "--wet",
                        wet.toString(),
                        "--room-db",
                        "loud"),
                2,
                "loud");
        Path other = folder.resolve("other.wav");
        WavWriter.write(other, Audio.of(44100, new float[44100]), WavWriter.Depth.BITS_16, "");
        assertOneLine(
                run("measure", "cover", "--dry", dry.toString(), "--wet", other.toString()),
                1,
                "44100");
    }

    @Test
    void snapshotsThatWereTakenSinceTheProjectWasSavedAreComparedToo() throws IOException {
        Path project = Songs.write(folder);
        ProjectFile file = ProjectFile.read(project);
        Design softer = new ReturnEdit.Level("A", -30).applyTo(file.design());
        Snapshot snapshot =
                new Snapshot("Ebb", "", java.time.Instant.EPOCH, softer, LogMeasures.NONE);
        LogJournal.keep(project, file.withLogbook(file.logbook().with(snapshot)));
        JsonNode j =
                run("compare", project.toString(), "--a", "Ebb", "--b", "now", "--json").json();
        assertThat(j.has("residualDb")).isTrue();
    }

    @Test
    void printsThatClipSayByHowMuchAndOfferFloats() throws IOException {
        Path project = Songs.write(folder);
        ProjectFile file = ProjectFile.read(project);
        Design loud = new ReturnEdit.Level("A", 24).applyTo(file.design());
        loud = new ReturnEdit.SendLevel("A", "lead-voice", 24.0).applyTo(loud);
        file.write(project, loud);
        String[] render = {"render", project.toString(), "--out", folder.resolve("o").toString()};
        Outcome said = run(render);
        assertThat(said.out()).contains("mix.wav", "dBFS", "--bits 32f").contains("cut off");
        JsonNode j =
                run("render", project.toString(), "--out", folder.resolve("p").toString(), "--json")
                        .json();
        assertThat(j.path("clippedDbfs").size()).isEqualTo(2);
        assertThat(j.path("clippedDbfs").iterator().next().asDouble()).isPositive();
        JsonNode floats =
                run(
                                "render",
                                project.toString(),
                                "--out",
                                folder.resolve("q").toString(),
                                "--bits",
                                "32f",
                                "--json")
                        .json();
        assertThat(floats.has("clippedDbfs")).isFalse();
        assertThat(SoundReader.read(folder.resolve("q").resolve("mix.wav")).peak())
                .isGreaterThan(1.5);
    }

    @Test
    void renderPrintsReturnsAndMixInLineWithTheSources() throws IOException {
        Path project = Songs.write(folder);
        Path out = folder.resolve("prints");
        JsonNode j =
                run(
                                "render",
                                project.toString(),
                                "--out",
                                out.toString(),
                                "--bits",
                                "32f",
                                "--json")
                        .json();
        assertThat(j.path("files").size()).isEqualTo(3);
        assertThat(j.path("timesRealtime").asDouble()).isPositive();
        Audio mix = SoundReader.read(out.resolve("mix.wav"));
        Audio hall = SoundReader.read(out.resolve("A-hall.wav"));
        Audio echo = SoundReader.read(out.resolve("B-echo.wav"));
        double half = Math.sqrt(0.5);
        int at = 48000;
        double dry =
                half
                        * (Songs.lead().channel(0)[at]
                                + Songs.pad().channel(0)[at]
                                + Songs.drum().channel(0)[at]);
        assertThat((double) mix.channel(0)[at])
                .isCloseTo(dry + hall.channel(0)[at] + echo.channel(0)[at], within(1e-4));
        assertThat(hall.seconds()).isGreaterThan(Songs.SECONDS + 1);

        JsonNode one =
                run(
                                "render",
                                project.toString(),
                                "--out",
                                out.toString(),
                                "--return",
                                "B",
                                "--section",
                                "Bars 1\u20135",
                                "--json")
                        .json();
        assertThat(one.path("files").size()).isEqualTo(1);
        assertThat(SoundReader.read(out.resolve("B-echo.wav")).seconds())
                .isCloseTo(10, within(0.001));
        assertOneLine(
                run("render", project.toString(), "--out", out.toString(), "--return", "Z"),
                1,
                "no return \"Z\"",
                "A, B");
        assertOneLine(
                run("render", project.toString(), "--out", out.toString(), "--section", "Coda"),
                1,
                "no section \"Coda\"");
        assertOneLine(
                run("render", project.toString(), "--out", out.toString(), "--bits", "12"),
                2,
                "12");
        Files.delete(folder.resolve("pad.wav"));
        assertOneLine(run("render", project.toString(), "--out", out.toString()), 1, "pad.wav");
    }

    @Test
    void responseMeasuresAsItIsSet() throws IOException {
        Path project = Songs.write(folder);
        Path ir = folder.resolve("ir.wav");
        assertThat(
                        run("response", project.toString(), "--return", "A", "--out", ir.toString())
                                .status())
                .isZero();
        JsonNode j = run("measure", "decay", ir.toString(), "--json").json();
        assertThat(j.path("predelayMillis").asDouble()).isCloseTo(1000 * 0.0625 * 0.5, within(1.0));
        for (JsonNode band : j.path("bands")) {
            double hz = band.path("centreHz").asDouble();
            if (hz >= 500 && hz <= 2000) {
                assertThat(band.path("t30Seconds").asDouble()).isCloseTo(1.8, within(0.09));
                assertThat(band.path("reliable").asBoolean()).isTrue();
            }
        }
        assertThat(j.path("broadband").propertyNames())
                .contains("edtSeconds", "t20Seconds", "c50Db", "c80Db", "d50");
        assertThat(run("measure", "decay", ir.toString()).out()).contains("broadband", "1000 Hz");
    }

    @Test
    void sheetIsWrittenInThreeForms() throws IOException {
        Path project = Songs.write(folder);
        for (String ending : List.of("html", "md", "csv")) {
            Path sheet = folder.resolve("sheet." + ending);
            assertThat(run("sheet", project.toString(), "--out", sheet.toString()).status())
                    .isZero();
            assertThat(Files.readString(sheet)).contains("decay 1.80 s");
        }
        assertOneLine(
                run("sheet", project.toString(), "--out", folder.resolve("sheet.txt").toString()),
                1,
                ".html, .md or .csv");
        assertOneLine(
                run("sheet", folder.resolve("none.json").toString(), "--out", "x.md"),
                1,
                "none.json");
    }

    @Test
    void aSheetLeavesOutWhatIsNotWantedAndTellsWhatWasAccepted() throws IOException {
        Path project = Songs.write(folder);
        ProjectFile read = ProjectFile.read(project);
        LogEntry accepted =
                new LogEntry(
                        Instant.parse("2026-11-14T11:20:00Z"),
                        "accepted: hidden of A",
                        "0.1 % of the loudness.",
                        "",
                        "the quay is meant to be far",
                        LogMeasures.NONE,
                        LogMeasures.NONE);
        read.withLogbook(read.logbook().with(accepted)).write(project, read.design());
        Path sheet = folder.resolve("sheet.md");
        assertThat(run("sheet", project.toString(), "--out", sheet.toString()).status()).isZero();
        assertThat(Files.readString(sheet))
                .contains("## Accepted", "hidden of A: 0.1 % of the loudness. Accepted: the quay")
                .contains("lead-voice.wav", "metre 4/4");
        assertThat(
                        run(
                                        "sheet",
                                        project.toString(),
                                        "--out",
                                        sheet.toString(),
                                        "--without",
                                        "FINDINGS,SOURCES,TEMPO,MEASURED")
                                .status())
                .isZero();
        assertThat(Files.readString(sheet))
                .contains("decay 1.80 s")
                .doesNotContain("Accepted", "lead-voice.wav", "metre", "T30");
        assertOneLine(
                run("sheet", project.toString(), "--out", sheet.toString(), "--without", "TEA"),
                2,
                "TEA");
        Path pdf = folder.resolve("sheet.pdf");
        assertThat(run("sheet", project.toString(), "--out", pdf.toString(), "--letter").status())
                .isZero();
        assertThat(Files.size(pdf)).isGreaterThan(10_000);
    }

    @Test
    void sectionsArePrintedWhereTheyLieInTheSong() throws IOException {
        Path project = Songs.write(folder);
        ProjectFile read = ProjectFile.read(project);
        Design design = read.design();
        Song song =
                design.song()
                        .withSections(
                                List.of(
                                        new Section("Ebb & flow", 1, 2),
                                        new Section("Slack", 3, 1)));
        read.write(project, design.withSong(song));
        Path out = folder.resolve("out");
        Outcome o =
                run(
                        "render",
                        project.toString(),
                        "--out",
                        out.toString(),
                        "--by-section",
                        "--json");
        assertThat(o.status()).isZero();
        Path part = out.resolve("sections/02-slack/mix.wav");
        assertThat(out.resolve("sections/01-ebb-flow/mix.wav")).exists();
        Audio slack = SoundReader.read(part);
        assertThat(slack.seconds()).isEqualTo(2);
        // The time stamp of the broadcast chunk: two bars of two seconds at 48 kHz.
        long stamp =
                java.nio.ByteBuffer.wrap(Files.readAllBytes(part))
                        .order(java.nio.ByteOrder.LITTLE_ENDIAN)
                        .getLong(20 + 338);
        assertThat(stamp).isEqualTo((long) (4 * Songs.RATE));
        assertThat(o.json().path("files").size()).isEqualTo(9);
    }

    @Test
    void withADisplayItOpensWindowsAndWithoutItSaysSo() {
        FakeWindows with = new FakeWindows(true);
        assertThat(run(with).status()).isZero();
        assertThat(run(with, "song.orbispace.json").status()).isEqualTo(1);
        assertThat(run(with, "demo").status()).isZero();
        assertThat(with.opened).containsExactly("project none", "demo");
        FakeWindows without = new FakeWindows(false);
        assertOneLine(run(without), 1, "no display");
        Outcome demo = run(without, "demo");
        assertThat(demo.status()).isZero();
        assertThat(demo.err()).contains("no display").contains("tour");
        assertThat(run(without, "demo", "--tour", folder.toString()).status()).isZero();
        assertThat(without.opened).containsExactly("tour orbispace-tour", "tour " + folder);
    }

    @Test
    void helpIsEverywhere() {
        for (String[] command :
                List.of(
                        new String[] {"--help"},
                        new String[] {"times", "--help"},
                        new String[] {"measure", "--help"},
                        new String[] {"measure", "cover", "--help"},
                        new String[] {"render", "--help"},
                        new String[] {"demo", "--help"})) {
            Outcome o = run(command);
            assertThat(o.status()).isZero();
            assertThat(o.out()).contains("Usage:");
        }
        assertThat(run("--version").out()).contains("Orbispace");
    }
}
