package orbispace.app.command;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Random;
import orbispace.app.Songs;
import orbispace.core.audio.Audio;
import orbispace.core.design.Design;
import orbispace.core.design.Role;
import orbispace.core.design.Section;
import orbispace.core.time.SongClock;
import orbispace.files.midi.MidiTempo;
import orbispace.files.project.ProjectFile;
import orbispace.files.sound.WavWriter;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

class MaterialCommandTest extends CommandCase {
    private Path wav(String name, Audio audio) throws IOException {
        Path file = folder.resolve(name);
        WavWriter.write(file, audio, WavWriter.Depth.FLOAT_32, "");
        return file;
    }

    private static float[] noise(long seed) {
        Random random = new Random(seed);
        float[] x = new float[4 * 48000];
        for (int i = 0; i < x.length; i++) {
            x[i] = (float) (0.1 * random.nextGaussian());
        }
        return x;
    }

    private static float[] copy(float[] x, int later, float gain) {
        float[] y = new float[x.length];
        for (int i = later; i < x.length; i++) {
            y[i] = gain * x[i - later];
        }
        return y;
    }

    @Test
    void phrasesAndGapsAreMeasured() throws IOException {
        Path file = wav("lead.wav", Songs.lead());
        JsonNode j = run("measure", "phrases", file.toString(), "--json").json();
        assertThat(j.path("phrases")).hasSize(3);
        assertThat(j.path("gaps")).hasSize(2);
        JsonNode first = j.path("phrases").path(0);
        assertThat(first.path("startSeconds").asDouble()).isCloseTo(0, within(0.03));
        assertThat(first.path("endSeconds").asDouble()).isCloseTo(2, within(0.03));
        assertThat(j.path("medianGapSeconds").asDouble())
                .isEqualTo(j.path("gaps").path(0).path("seconds").asDouble(), within(0.03));
        assertThat(run("measure", "phrases", file.toString()).out()).contains("3 phrases, 2 gaps");
    }

    @Test
    void hitsBleedAndGateAreMeasured() throws IOException {
        float[] x = new float[20 * 48000];
        Random random = new Random(2);
        for (int n = 0; n < 38; n++) {
            double level = n % 2 == 0 ? 0.5 : 0.1;
            for (int i = 0; i < 6000; i++) {
                x[n * 24000 + 4800 + i] +=
                        (float)
                                (level
                                        * Math.exp(-i / 1200.0)
                                        * (Math.sin(i * 0.0236) + 0.05 * random.nextGaussian()));
            }
        }
        Path file = wav("drum.wav", Audio.of(48000, x));
        JsonNode j = run("measure", "hits", file.toString(), "--json").json();
        assertThat(j.path("hits")).hasSize(19);
        assertThat(j.path("bleed")).hasSize(19);
        assertThat(j.path("hits").path(1).path("seconds").asDouble()).isCloseTo(1.1, within(0.005));
        double separation = j.path("separationDb").asDouble();
        assertThat(separation).isBetween(8.0, 16.0);
        JsonNode gate = j.path("gate");
        assertThat(gate.path("hysteresisDb").asDouble()).isCloseTo(separation / 3, within(1e-9));
        assertThat(gate.path("thresholdDb").asDouble()).isNegative();
        assertThat(gate.path("keyHighPassHz").asDouble()).isZero();
        assertThat(gate.path("keyLowPassHz").asDouble()).isZero();
        Path quiet = wav("none.wav", Audio.silence(48000, 1, 48000));
        JsonNode none = run("measure", "hits", quiet.toString(), "--json").json();
        assertThat(none.path("gate").isNull()).isTrue();
        assertThat(none.path("separationDb").isNull()).isTrue();
    }

    /** Two drums by turns, the higher one 2 dB softer: bleed, or a second drum. */
    @Test
    void whatIsNotSureOfStrokesIsSaidWithTheMaterialItHoldsFor() throws IOException {
        float[] x = new float[14 * 48000];
        for (int n = 0; n < 24; n++) {
            double level = n % 2 == 0 ? 0.5 : 0.4;
            double hz = n % 2 == 0 ? 190 : 3100;
            for (int i = 0; i < 9000; i++) {
                x[n * 24000 + 9600 + i] =
                        (float)
                                (level
                                        * Math.exp(-i / 1400.0)
                                        * Math.sin(2 * Math.PI * hz * i / 48000));
            }
        }
        Path file = wav("two.wav", Audio.of(48000, x));
        JsonNode j = run("measure", "hits", file.toString(), "--json").json();
        assertThat(j.path("sure").asBoolean()).isFalse();
        assertThat(j.path("hits").size() + j.path("bleed").size()).isEqualTo(24);
        assertThat(j.path("holdsFor").asString()).contains("single drums");
        assertThat(run("measure", "hits", file.toString()).out())
                .contains("not sure: events of another sound", "holds for single drums");
        Path voice = wav("lead.wav", Songs.lead());
        JsonNode sung = run("measure", "phrases", voice.toString(), "--json").json();
        assertThat(sung.path("sure").asBoolean()).isTrue();
        assertThat(sung.path("holdsFor").asString()).contains("breaths");
    }

    @Test
    void stereoTellsWhatMonoCosts() throws IOException {
        Path file = wav("wide.wav", Audio.of(48000, noise(1), noise(2)));
        JsonNode j = run("measure", "stereo", file.toString(), "--json").json();
        assertThat(j.path("correlation").asDouble()).isCloseTo(0, within(0.02));
        assertThat(j.path("monoFoldLossDb").asDouble()).isCloseTo(3.01, within(0.1));
        assertThat(j.path("bands")).hasSize(9);
        float[] x = noise(1);
        Path gone = wav("gone.wav", Audio.of(48000, x, copy(x, 0, -1)));
        JsonNode none = run("measure", "stereo", gone.toString(), "--json").json();
        assertThat(none.path("monoFoldLossDb").isNull()).isTrue();
        assertThat(run("measure", "stereo", gone.toString()).out()).contains("mono costs none dB");
    }

    @Test
    void widthTellsWhatIsGainedOverTheSameWithout() throws IOException {
        float[] x = noise(1);
        Path narrow = wav("narrow.wav", Audio.of(48000, x, x.clone()));
        Path wide = wav("opened.wav", Audio.of(48000, x, noise(2)));
        JsonNode one = run("measure", "width", narrow.toString(), "--json").json();
        assertThat(one.path("bands")).hasSize(9);
        assertThat(one.path("bands").get(4).path("degrees").asDouble()).isLessThan(0.3);
        assertThat(one.path("bands").get(4).path("notchDb").asDouble()).isCloseTo(0, within(0.01));
        assertThat(one.path("gainedDegrees")).isEmpty();
        String[] against = {
            "measure", "width", wide.toString(), "--without", narrow.toString(), "--json"
        };
        JsonNode both = run(against).json();
        assertThat(both.path("gainedDegrees").get(4).path("degrees").asDouble()).isGreaterThan(40);
        assertThat(both.path("state").asString()).isEqualTo("obvious");
        assertThat(run("measure", "width", narrow.toString()).out()).contains("mono   0.00 dB");
    }

    @Test
    void lineUpIsPositiveIfTheSecondIsLater() throws IOException {
        float[] x = noise(1);
        Path a = wav("a.wav", Audio.of(48000, x));
        Path b = wav("b.wav", Audio.of(48000, copy(x, 1234, -0.5f)));
        JsonNode j = run("measure", "lineup", a.toString(), b.toString(), "--json").json();
        assertThat(j.path("delaySamples").asInt()).isEqualTo(1234);
        assertThat(j.path("inverted").asBoolean()).isTrue();
        assertThat(j.path("confidence").asDouble()).isGreaterThan(0.5);
        JsonNode back = run("measure", "lineup", b.toString(), a.toString(), "--json").json();
        assertThat(back.path("delaySamples").asInt()).isEqualTo(-1234);
        assertThat(run("measure", "lineup", a.toString(), b.toString()).out())
                .contains("1234 samples", "upside down");
        assertOneLine(run("measure", "lineup", a.toString()), 2, "--help");
    }

    @Test
    void aFolderBecomesAProjectAndItsFaultsAreTold() throws IOException {
        Path stems = Files.createDirectories(folder.resolve("stems"));
        float[] x = noise(3);
        WavWriter.write(stems.resolve("Vox.wav"), Songs.lead(), WavWriter.Depth.BITS_24, "");
        WavWriter.write(
                stems.resolve("amp a.wav"), Audio.of(48000, x), WavWriter.Depth.BITS_16, "");
        WavWriter.write(
                stems.resolve("amp b.wav"),
                Audio.of(48000, copy(x, 77, -1)),
                WavWriter.Depth.BITS_16,
                "");
        MidiTempo.write(
                stems.resolve("form.mid"),
                SongClock.constant(96, 3, 4),
                List.of(new Section("Verse", 1, 4), new Section("Chorus", 5, 4)));
        Path project = folder.resolve("tide");
        JsonNode j = run("new", project.toString(), "--stems", stems.toString(), "--json").json();
        Path file = Path.of(j.path("project").asString());
        assertThat(file).hasFileName("tide.orbispace.json");
        Design design = ProjectFile.read(file).design();
        assertThat(design.song().clock().bpmOfBar(1)).isEqualTo(96);
        assertThat(design.song().sections()).hasSize(2);
        assertThat(design.sources().getFirst().role()).isEqualTo(Role.LEAD);
        assertThat(design.returns()).isNotEmpty();
        String remedies = "";
        for (JsonNode found : j.path("findings")) {
            remedies +=
                    found.path("rule").asString().equals("unaligned")
                            ? found.path("remedy").asString()
                            : "";
        }
        assertThat(remedies).contains("\u221277 samples and invert");
        assertOneLine(
                run("new", project.toString(), "--stems", stems.toString()), 1, "there already");
        assertThat(run("render", file.toString(), "--out", folder.resolve("out").toString()))
                .as("the project's stems are found from its folder")
                .matches(o -> o.status() == 0);
    }

    @Test
    void badMaterialMakesNoProjectAndOneLine() throws IOException {
        Path good = wav("good.wav", Songs.lead());
        Path text = Files.writeString(folder.resolve("words.wav"), "only words");
        Path empty = Files.createDirectories(folder.resolve("empty"));
        Path to = folder.resolve("p");
        String dir = to.toString();
        assertOneLine(run("new", dir, "--stems", good.toString(), text.toString()), 1, "words.wav");
        assertOneLine(run("new", dir, "--stems", empty.toString()), 1, "no sound file");
        assertOneLine(
                run("new", dir, "--stems", good.toString(), "--midi", text.toString()),
                1,
                "words.wav",
                "MIDI");
        assertOneLine(run("new", dir, "--stems", good.toString(), "--bpm", "2"), 2, "5 to 1000");
        assertOneLine(run("new", dir), 2, "--stems");
        assertThat(to).doesNotExist();
    }

    @ParameterizedTest
    @ValueSource(strings = {"phrases", "hits", "stereo", "width"})
    void badSoundIsOneLineForEveryMeasure(String measure) throws IOException {
        Path text = Files.writeString(folder.resolve("words.wav"), "only words");
        assertOneLine(run("measure", measure, text.toString(), "--json"), 1, "words.wav");
        assertOneLine(run("measure", measure, folder.toString()), 1, "is a folder");
        assertOneLine(run("measure", measure), 2, "--help");
    }

    /** Two drums that hear each other, the second 60 frames late, as two microphones have them. */
    private List<Path> drums() throws IOException {
        Random random = new Random(5);
        float[][] drum = new float[2][10 * 48000];
        for (int hit = 0; hit < 18; hit++) {
            int d = hit % 3 == 2 ? 1 : 0;
            int from = 4800 + hit * 24000;
            for (int i = 0; i < 12000 && from + i < drum[d].length; i++) {
                double t = i / 48000.0;
                double tone = Math.sin(2 * Math.PI * (d == 0 ? 190 : 95) * t);
                double noise = random.nextGaussian();
                drum[d][from + i] =
                        (float) (0.3 * Math.exp(-t / 0.06) * (tone + (d == 0 ? 0.5 : 0.1) * noise));
            }
        }
        float[] snare = copy(drum[1], 100, 0.15f);
        float[] tom = copy(copy(drum[0], 100, 0.15f), 60, 1);
        for (int i = 0; i < snare.length; i++) {
            snare[i] += drum[0][i];
            tom[i] += i < 60 ? 0 : drum[1][i - 60];
        }
        return List.of(
                wav("Sn top.wav", Audio.of(48000, snare)), wav("Rack.wav", Audio.of(48000, tom)));
    }

    @Test
    void strokesAcrossAKitAreMeasuredAndItsStemsLinedUp() throws IOException {
        List<Path> drums = drums();
        String snare = drums.getFirst().toString();
        JsonNode j = run("measure", "kit", snare, drums.getLast().toString(), "--json").json();
        assertThat(j.path("stems").path(0).path("file").asString()).isEqualTo(snare);
        assertThat(j.path("stems").path(0).path("own")).hasSize(12);
        assertThat(j.path("stems").path(1).path("own")).hasSize(6);
        assertThat(j.path("stems").path(1).path("bleed").path(0).path("from").asString())
                .isEqualTo(snare);
        assertThat(j.path("hitClockSeconds").asDouble()).isEqualTo(0.5, within(0.01));
        assertThat(j.path("delays").path(0).path("samples").asInt()).isZero();
        assertThat(j.path("delays").path(1).path("samples").asInt()).isBetween(59, 61);
        assertThat(j.path("rippleDb").asDouble()).isBetween(1.0, 4.5);
        assertThat(run("measure", "kit", snare, drums.getLast().toString()).out())
                .contains("Sn top.wav", "hit clock 0.50");
        assertThat(run("measure", "kit", snare, snare).err())
                .contains("named twice")
                .hasLineCount(1);
    }

    @Test
    void aStemThatIsNamedTwiceIsTakenOnceAndThatIsSaid() throws IOException {
        String drum = drums().getFirst().toString();
        Outcome made =
                run("new", folder.resolve("once").toString(), "--json", "--stems", drum, drum);
        assertThat(made.json().path("sources")).hasSize(1);
        assertThat(made.err()).contains("named twice").hasLineCount(1);
    }

    @Test
    void aNewProjectSaysKindSideGroupAndKitOfItsStems() throws IOException {
        List<Path> drums = drums();
        Path left = wav("Agt L.wav", Audio.of(48000, noise(1)));
        Path right = wav("Agt R.wav", Audio.of(48000, noise(2)));
        Path room = wav("rm.wav", Audio.of(48000, noise(3)));
        JsonNode j =
                run(
                                "new",
                                folder.resolve("kit").toString(),
                                "--json",
                                "--stems",
                                drums.getFirst().toString(),
                                drums.getLast().toString(),
                                left.toString(),
                                right.toString(),
                                room.toString())
                        .json();
        for (JsonNode s : j.path("sources")) {
            if (s.path("id").asString().equals("agt-r")) {
                assertThat(s.path("side").asString()).isEqualTo("right");
                assertThat(s.path("group").asString()).isEqualTo("guitars");
                assertThat(s.path("ground").asString()).isEqualTo("name");
            }
            if (s.path("id").asString().equals("rm")) {
                assertThat(s.path("kind").asString()).isEqualTo("room");
            }
        }
        assertThat(j.path("kits")).hasSize(1);
        assertThat(j.path("kits").path(0).path("members")).hasSize(2);
        assertThat(j.path("findings").findValuesAsString("rule")).contains("kit");
        Path project = folder.resolve("kit").resolve("kit" + ProjectFile.SUFFIX);
        Design made = ProjectFile.read(project).design();
        assertThat(made.findSource("agt-r").orElseThrow().pan()).isEqualTo(1);
        assertThat(made.returns()).allSatisfy(r -> assertThat(r.sends()).doesNotContainKey("rm"));
        JsonNode top = run("check", project.toString(), "--top", "1", "--json").json();
        assertThat(top.path("findings")).hasSize(1);
        assertThat(top.path("more").asInt()).isPositive();
        assertThat(run("check", project.toString(), "--top", "0").err()).contains("--top 0");
    }
}
