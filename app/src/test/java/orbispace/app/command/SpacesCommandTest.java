package orbispace.app.command;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Random;
import orbispace.app.Songs;
import orbispace.core.audio.Audio;
import orbispace.core.design.Design;
import orbispace.core.design.Gate;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Space;
import orbispace.files.project.ProjectFile;
import orbispace.files.sound.SoundReader;
import orbispace.files.sound.WavWriter;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

class SpacesCommandTest extends CommandCase {
    private Path project(ReturnEdit... edits) throws IOException {
        Path file = Songs.write(folder);
        ProjectFile project = ProjectFile.read(file);
        Design design = project.design();
        for (ReturnEdit edit : edits) {
            design = edit.applyTo(design);
        }
        project.write(file, design);
        return file;
    }

    private void writeResponse() throws IOException {
        float[] x = new float[12000];
        Random random = new Random(1);
        for (int i = 0; i < x.length; i++) {
            x[i] = (float) (random.nextGaussian() * Math.exp(-i / 3000.0) / 4);
        }
        WavWriter.write(
                folder.resolve("pier.wav"), Audio.of(44100, x), WavWriter.Depth.BITS_24, "");
    }

    @Test
    void spacesAreMeasuredAgainstTheirSetting() {
        Outcome o = run(new FakeWindows(false), "measure", "spaces", "--decay", "1.2", "--json");
        assertThat(o.status()).isZero();
        JsonNode spaces = o.json().path("spaces");
        assertThat(spaces.size()).isEqualTo(5);
        for (JsonNode space : spaces) {
            for (JsonNode band : space.path("bands")) {
                double hz = band.path("centreHz").asDouble();
                double set = band.path("setSeconds").asDouble();
                double share = hz >= 500 && hz <= 2000 ? 0.05 : 0.1;
                if (hz >= 125 && hz != 250 && hz != 4000) {
                    assertThat(band.path("t30Seconds").asDouble())
                            .as("%s %s", space.path("kind"), hz)
                            .isCloseTo(set, within(share * set));
                }
            }
            assertThat(space.path("sidebandDb").asDouble()).isNegative();
        }
    }

    @Test
    void theTableIsOneLineForEachKindAndDecay() {
        Outcome o = run(new FakeWindows(false), "measure", "spaces", "--decay", "0.3,0.6");
        // Two tables of a head and ten lines, and the nearest kinds at each decay.
        assertThat(o.out().lines()).hasSize(12 + 12 + 2);
        assertThat(o.out()).contains("| plate | 0.6 |");
    }

    @Test
    void decaysThatCannotBeSetAreRefusedInOneLine() {
        Outcome o = run(new FakeWindows(false), "measure", "spaces", "--decay", "0.05");
        assertThat(o.status()).isEqualTo(1);
        assertThat(o.err().lines()).hasSize(1);
        assertThat(o.err()).contains("decay 0.05 is outside 0.1 to 20");
    }

    @Test
    void aLongTailIsPrintedUntilItIsGoneAndThenZero() throws IOException {
        Path file = project(new ReturnEdit.Decay("A", 12));
        Path to = folder.resolve("prints");
        String command = "render " + file + " --return A --bits 32f --out " + to;
        assertThat(run(new FakeWindows(false), command.split(" ")).status()).isZero();
        Audio print = SoundReader.read(to.resolve("A-hall.wav"));
        assertThat(print.seconds()).isGreaterThan(Songs.SECONDS + 20);
        double rate = print.sampleRateHz();
        int frames = print.frames();
        Audio end = print.slice(frames - (int) (3.5 * rate), frames - (int) (3 * rate));
        Audio song = print.slice(0, (int) (Songs.SECONDS * rate));
        double down = 10 * Math.log10(song.meanSquare() / end.meanSquare());
        assertThat(down).isBetween(90.0, 125.0);
        assertThat(print.channel(0)[frames - 1]).isZero();
        assertThat(print.channel(1)[frames - 1]).isZero();
    }

    @Test
    void aConvolutionIsPrintedAndItsResponseIsThatOfItsFile() throws IOException {
        writeResponse();
        Path file =
                project(
                        new ReturnEdit.Spatial(
                                "A", new Space.Convolution("pier.wav", 0, 0, 1, 1, 1), "space"));
        Path to = folder.resolve("prints");
        Outcome o =
                run(
                        new FakeWindows(false),
                        "render",
                        file.toString(),
                        "--out",
                        to.toString(),
                        "--return",
                        "A",
                        "--json");
        assertThat(o.status()).isZero();
        assertThat(Files.exists(Path.of(o.json().path("files").path(0).asString()))).isTrue();
        Path ir = folder.resolve("ir.wav");
        Outcome r =
                run(
                        new FakeWindows(false),
                        "response",
                        file.toString(),
                        "--return",
                        "A",
                        "--out",
                        ir.toString());
        assertThat(r.status()).isZero();
        assertThat(SoundReader.read(ir).seconds()).isGreaterThan(12000 / 44100.0);
    }

    @Test
    void aResponseThatIsNotThereIsNamed() throws IOException {
        Path file =
                project(
                        new ReturnEdit.Spatial(
                                "A", new Space.Convolution("gone.wav", 0, 0, 1, 1, 1), "space"));
        for (String command : new String[] {"render", "sheet"}) {
            String out = folder.resolve(command.equals("sheet") ? "s.html" : "p").toString();
            Outcome o = run(new FakeWindows(false), command, file.toString(), "--out", out);
            assertThat(o.status()).as(command).isEqualTo(1);
            assertThat(o.err()).contains("gone.wav");
            assertThat(o.err().lines()).hasSize(1);
        }
    }

    @Test
    void aSheetTellsGatesAndFeeds() throws IOException {
        Gate gate =
                new Gate(
                        "drum",
                        orbispace.core.design.Filter.OPEN,
                        -20,
                        4,
                        120,
                        2,
                        0,
                        25,
                        orbispace.core.design.MusicalTime.parse("1/8").orElseThrow());
        Path file = project(new ReturnEdit.Gating("A", gate), new ReturnEdit.Feed("A", "B", -9.0));
        Path sheet = folder.resolve("sheet.md");
        Outcome o =
                run(new FakeWindows(false), "sheet", file.toString(), "--out", sheet.toString());
        assertThat(o.status()).isZero();
        String text = Files.readString(sheet);
        assertThat(text).contains("opens at", "250.0 ms (1/8 at bar", "Fed by", "B \u22129");
    }

    @Test
    void aFeedThatMakesACircleIsRefusedWithItsPath() throws IOException {
        Path file = project(new ReturnEdit.Feed("A", "B", -9.0));
        String text = Files.readString(file);
        int echo = text.indexOf("\"id\" : \"B\"");
        String broken =
                text.substring(0, echo)
                        + text.substring(echo)
                                .replaceFirst(
                                        "\"filterIn\"", "\"feedsDb\" : {\"A\" : -3}, \"filterIn\"");
        Files.writeString(file, broken);
        Outcome o =
                run(
                        new FakeWindows(false),
                        "render",
                        file.toString(),
                        "--out",
                        folder.resolve("p").toString());
        assertThat(o.status()).isEqualTo(1);
        assertThat(o.err()).contains("feeds make a circle", "A into B into A");
        assertThat(o.err().lines()).hasSize(1);
    }

    @Test
    void clearMeasuresEveryPairAndProposesWithCosts() throws IOException {
        Path project = Songs.write(folder);
        JsonNode j = run("clear", project.toString(), "--json").json();
        assertThat(j.path("pairs").size()).isEqualTo(6);
        JsonNode first = j.path("pairs").get(0);
        assertThat(first.path("presenceKept").asDouble()).isBetween(0.0, 1.0);
        assertThat(first.has("bloomDb")).isTrue();
        assertThat(first.path("state").asString()).isIn("hidden", "felt", "heard", "obvious");
        assertThat(j.path("room").isArray()).isTrue();
        for (JsonNode m : j.path("room")) {
            assertThat(m.path("after").path("firstKept").asDouble())
                    .isGreaterThan(m.path("before").path("firstKept").asDouble());
        }
        for (JsonNode p : j.path("proposals")) {
            assertThat(p.path("why").asString()).isNotBlank();
            assertThat(p.path("before").has("worstPhrase")).isTrue();
            assertThat(p.path("after").has("clashArea")).isTrue();
            assertThat(p.path("cost").path("total").isNumber()).isTrue();
        }
    }

    @Test
    void clearAppliesIntoANewProjectAndNeverOverAnOldOne() throws IOException {
        Path project = Songs.write(folder);
        String before = java.nio.file.Files.readString(project);
        Path cleared = folder.resolve("elsewhere").resolve("cleared.orbispace.json");
        JsonNode j =
                run("clear", project.toString(), "--apply", cleared.toString(), "--json").json();
        assertThat(j.path("solution").path("words").asString()).isNotBlank();
        assertThat(java.nio.file.Files.readString(project)).isEqualTo(before);
        JsonNode again = run("clear", cleared.toString(), "--json").json();
        assertThat(again.path("pairs").size()).isEqualTo(6);
        assertOneLine(
                run("clear", project.toString(), "--apply", project.toString()),
                1,
                "is there already",
                "--overwrite");
        assertOneLine(run("clear", project.toString(), "--apply", "x.json"), 2, "orbispace.json");
        assertOneLine(run("clear", project.toString(), "--bar", "magic"), 2, "magic");
        assertOneLine(run("clear", project.toString(), "--section", "Coda"), 1, "Coda");
    }

    @Test
    void automationIsWrittenAsLanesTablesAndWords() throws IOException {
        Path project = Songs.write(folder);
        JsonNode none =
                run(
                                "automation",
                                project.toString(),
                                "--out",
                                folder.resolve("n.mid").toString(),
                                "--json")
                        .json();
        assertThat(none.path("lanes").size()).isZero();
        String text = java.nio.file.Files.readString(project);
        int end = text.lastIndexOf('}');
        java.nio.file.Files.writeString(
                project,
                text.substring(0, end)
                        + ", \"throws\": [{\"id\": \"t1\", \"source\": \"lead-voice\","
                        + " \"return\": \"A\", \"fromBeat\": 2, \"toBeat\": 3,"
                        + " \"levelDb\": 0}, {\"id\": \"t2\", \"source\": \"lead-voice\","
                        + " \"return\": \"Z\", \"fromBeat\": 2, \"toBeat\": 3,"
                        + " \"levelDb\": 0}]}");
        Path csv = folder.resolve("a.csv");
        JsonNode j =
                run(
                                "automation",
                                project.toString(),
                                "--out",
                                csv.toString(),
                                "--words",
                                folder.resolve("words").toString(),
                                "--json")
                        .json();
        assertThat(j.path("lanes").size()).isEqualTo(1);
        assertThat(j.path("lanes").get(0).path("controller").asInt()).isEqualTo(20);
        assertThat(j.path("notHeard").get(0).asString()).isEqualTo("t2");
        assertThat(j.path("words").size()).isEqualTo(2);
        assertThat(java.nio.file.Files.readAllLines(csv)).hasSizeGreaterThan(4);
        assertThat(run("automation", project.toString(), "--out", csv.toString()).out())
                .contains("not heard: throw t2");
        assertOneLine(run("automation", project.toString(), "--out", "x.txt"), 2, ".mid");
        assertOneLine(
                run("automation", project.toString(), "--out", "x.mid", "--controller", "120"),
                2,
                "0 to 119");
    }

    @Test
    void controllersAreChosenLaneByLane() throws IOException {
        Path project = Songs.write(folder);
        Path planned = folder.resolve("planned.orbispace.json");
        Path midi = folder.resolve("lanes.mid");
        run("plan", project.toString(), "--lay", "open-up", "--out", planned.toString());
        String text = java.nio.file.Files.readString(project);
        java.nio.file.Files.writeString(
                project,
                text.substring(0, text.lastIndexOf('}'))
                        + ", \"throws\": [{\"id\": \"t1\", \"source\": \"lead-voice\","
                        + " \"return\": \"A\", \"fromBeat\": 2, \"toBeat\": 3,"
                        + " \"levelDb\": 0}]}");
        String lane =
                run("automation", project.toString(), "--out", midi.toString(), "--json")
                        .json()
                        .path("lanes")
                        .get(0)
                        .path("name")
                        .asString();
        JsonNode j =
                run(
                                "automation",
                                project.toString(),
                                "--out",
                                midi.toString(),
                                "--lane",
                                lane + "=7:14",
                                "--json")
                        .json();
        assertThat(j.path("lanes").get(0).path("controller").asInt()).isEqualTo(7);
        assertThat(j.path("lanes").get(0).path("fine").asBoolean()).isTrue();
        assertOneLine(
                run("automation", project.toString(), "--out", midi.toString(), "--lane", "x=1"),
                2,
                "no such lane");
        assertOneLine(
                run(
                        "automation",
                        project.toString(),
                        "--out",
                        midi.toString(),
                        "--lane",
                        lane + "=many"),
                2,
                "controller number");
    }

    @Test
    void thePlanIsMeasuredLaidAndWritten() throws IOException {
        Path project = Songs.write(folder);
        Path planned = folder.resolve("planned.orbispace.json");
        JsonNode j =
                run(
                                "plan",
                                project.toString(),
                                "--lay",
                                "hold",
                                "--out",
                                planned.toString(),
                                "--json")
                        .json();
        assertThat(j.path("sections").size()).isEqualTo(1);
        JsonNode first = j.path("sections").get(0);
        assertThat(first.path("drySones").asDouble()).isPositive();
        assertThat(first.path("returns").get(0).path("wetShare").asDouble()).isBetween(0.0, 1.0);
        assertThat(j.path("ideas").size()).isPositive();
        assertThat(planned).exists();
        assertThat(run("plan", planned.toString()).out())
                .contains("arrangement", "could be thrown");
        assertOneLine(run("plan", project.toString(), "--lay", "wide"), 2, "none of open-up");
        assertOneLine(
                run("plan", project.toString(), "--out", planned.toString()), 2, "needs --lay");
        assertOneLine(
                run("plan", project.toString(), "--lay", "none", "--out", planned.toString()),
                1,
                "is there already");
    }

    @Test
    void aUnitIsMeasuredByAnExchangeOfFiles() throws IOException {
        String sweep = folder.resolve("sweep.wav").toString();
        String recording = folder.resolve("recording.wav").toString();
        String response = folder.resolve("response.wav").toString();
        run("sweep", "--out", sweep, "--seconds", "1", "--rate", "24000");
        run("sweep", "--out", recording, "--through-simulated-unit", sweep);
        String[] capture = {
            "capture", "--sweep", sweep, "--recording", recording, "--out", response, "--label", "2"
        };
        JsonNode j = run(with(capture, "--fit", "--json")).json();
        assertThat(j.path("latencySamples").asInt()).isEqualTo(211);
        assertThat(j.path("inverted").asBoolean()).isTrue();
        assertThat(j.path("driftPpm").asDouble())
                .isCloseTo(12, org.assertj.core.api.Assertions.within(0.01));
        assertThat(j.path("repeatDb").asDouble()).isLessThan(-20);
        assertThat(j.path("trueSeconds").asDouble()).isBetween(1.7, 1.85);
        assertThat(j.path("bands").size()).isEqualTo(8);
        assertThat(j.path("fit").path("worstPercent").asDouble()).isLessThan(15);
        assertThat(java.nio.file.Path.of(response)).exists();
        assertThat(run(capture).out())
                .contains("upside down", "clocks  12.0 ppm apart", "label 2.00 s, truth 1.");
        assertOneLine(
                run("capture", "--sweep", sweep, "--recording", sweep, "--out", sweep),
                2,
                "is an input");
        Path song = Songs.write(folder);
        assertThat(song).exists();
        String voice = folder.resolve("lead-voice.wav").toString();
        assertOneLine(
                run("capture", "--sweep", sweep, "--recording", voice, "--out", response),
                1,
                "does not hold this sweep");
        assertOneLine(
                run(
                        "capture",
                        "--sweep",
                        voice.replace("voice", "x"),
                        "--recording",
                        voice,
                        "--out",
                        response),
                1,
                "lead-x.wav");
        assertOneLine(run("sweep", "--out", "x.mp3"), 2, ".wav");
    }

    private static String[] with(String[] args, String... more) {
        String[] all = java.util.Arrays.copyOf(args, args.length + more.length);
        System.arraycopy(more, 0, all, args.length, more.length);
        return all;
    }

    @Test
    void findingsAreListedAndSnapshotsCompared() throws IOException {
        Path project = Songs.write(folder);
        JsonNode j = run("check", project.toString(), "--json").json();
        for (JsonNode f : j.path("findings")) {
            assertThat(f.path("rule").asString()).matches("[a-z-]+");
            assertThat(f.path("severity").asString()).isIn("act", "weigh", "know");
            assertThat(f.path("evidence").asString()).isNotEmpty();
        }
        assertThat(j.path("findings").size()).isPositive();
        assertThat(run("check", project.toString()).status()).isZero();
        assertThat(run("check", project.toString(), "--strict").status()).isEqualTo(1);
        Path kept = folder.resolve("kept.orbispace.json");
        run("snapshot", project.toString(), "--name", "first", "--out", kept.toString());
        assertThat(run("snapshot", kept.toString()).out()).contains("first");
        JsonNode same =
                run("compare", kept.toString(), "--a", "first", "--b", "now", "--json").json();
        assertThat(same.path("gainDb").asDouble()).isZero();
        assertThat(same.path("residualDb").isNull()).isTrue();
        Path laid = folder.resolve("laid.orbispace.json");
        Path louder = folder.resolve("louder.orbispace.json");
        java.nio.file.Files.writeString(
                louder,
                java.nio.file.Files.readString(kept)
                        .replaceFirst("\"levelDb\" : [-0-9.]+", "\"levelDb\" : 0"));
        JsonNode other =
                run("compare", louder.toString(), "--a", "first", "--b", "now", "--json").json();
        assertThat(other.path("loudnessB").asDouble())
                .isNotEqualTo(other.path("loudnessA").asDouble());
        assertThat(other.path("residualDb").isNumber()).isTrue();
        assertThat(laid).doesNotExist();
        assertOneLine(
                run("compare", kept.toString(), "--a", "none", "--b", "now"), 1, "it has first");
        assertOneLine(
                run("snapshot", kept.toString(), "--name", "First", "--out", laid.toString()),
                1,
                "already");
    }

    @Test
    void everythingIsHandedOverInOneFolder() throws IOException {
        Path project = Songs.write(folder);
        Path to = folder.resolve("out");
        JsonNode j =
                run("handover", project.toString(), "--out", to.toString(), "--letter", "--json")
                        .json();
        java.util.List<String> names = new java.util.ArrayList<>();
        j.path("files").forEach(f -> names.add(to.relativize(Path.of(f.asString())).toString()));
        assertThat(names)
                .contains(
                        "recall-sheet.letter.pdf",
                        "recall-sheet.csv",
                        "mix.wav",
                        "automation.mid",
                        "manifest.csv",
                        "read-me.html")
                .anyMatch(n -> n.startsWith("responses/A-"));
        for (String name : names) {
            assertThat(to.resolve(name)).exists();
        }
        String page = java.nio.file.Files.readString(to.resolve("read-me.html"));
        assertThat(page).contains("mix.wav", "lined up").doesNotContain("http");
        assertOneLine(
                run("handover", project.toString(), "--out", to.toString(), "--bits", "20"),
                2,
                "is not 16, 24 or 32f");
    }
}
