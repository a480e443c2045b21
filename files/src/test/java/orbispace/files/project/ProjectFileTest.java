package orbispace.files.project;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Random;
import orbispace.core.audio.Audio;
import orbispace.core.design.Aims;
import orbispace.core.design.Design;
import orbispace.core.design.Duck;
import orbispace.core.design.Filter;
import orbispace.core.design.GroupEdit;
import orbispace.core.design.HearingLevel;
import orbispace.core.design.Kept;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.PlanCell;
import orbispace.core.design.Purpose;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Role;
import orbispace.core.design.Section;
import orbispace.core.design.SectionPlan;
import orbispace.core.design.Setting;
import orbispace.core.design.Song;
import orbispace.core.design.Source;
import orbispace.core.design.SourceCell;
import orbispace.core.design.Space;
import orbispace.core.design.Targets;
import orbispace.core.design.Throw;
import orbispace.core.design.Trail;
import orbispace.core.design.WetBus;
import orbispace.core.design.WetBuses;
import orbispace.core.dynamics.DuckBand;
import orbispace.core.hearing.Borders;
import orbispace.core.render.Job;
import orbispace.core.time.MetreMap;
import orbispace.core.time.NoteValue;
import orbispace.core.time.SongClock;
import orbispace.core.time.Span;
import orbispace.core.time.TempoMap;
import orbispace.files.FileProblem;
import orbispace.files.sound.WavWriter;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

public class ProjectFileTest {
    @TempDir Path folder;

    public static Design design() {
        SongClock clock =
                new SongClock(
                        TempoMap.of(
                                List.of(
                                        TempoMap.Change.step(0, 84),
                                        new TempoMap.Change(16, 84, 60),
                                        TempoMap.Change.step(20, 60))),
                        MetreMap.of(
                                List.of(
                                        new MetreMap.Change(1, 4, 4),
                                        new MetreMap.Change(5, 6, 8))));
        Return hall =
                Return.of(
                        "A",
                        "Old quay",
                        Map.of("voice", -9.5, "drum", -18.0),
                        new Filter(new Filter.Corner(120, 3), null),
                        new MusicalTime.Note(NoteValue.parse("1/64").orElseThrow(), 3),
                        Space.hall(2.4, 1.2, 0.55),
                        new Filter(new Filter.Corner(220, 2), new Filter.Corner(6500, 4)),
                        new Duck("voice", 5.5, -42, 8, 6, 5, 120, 240)
                                .withBand(new DuckBand(310, 4200)),
                        -7.5,
                        3);
        Return echo =
                Return.of(
                        "B",
                        "Fog horn",
                        Map.of("voice", -14.0),
                        Filter.OPEN,
                        new MusicalTime.Millis(0),
                        Space.Echo.pingPong(new MusicalTime.Millis(333.3), 0.31, 120, 6000, 0.7),
                        Filter.OPEN,
                        null,
                        -2,
                        1);
        return new Design(
                        new Song(
                                "Ferry",
                                48000,
                                clock,
                                List.of(
                                        new Section("Verse", 1, 4)
                                                .withPlan(
                                                        SectionPlan.NONE
                                                                .withCell(
                                                                        "A",
                                                                        new PlanCell(
                                                                                -3,
                                                                                0.8,
                                                                                PlanCell.Tempo
                                                                                        .FOLLOWS,
                                                                                0.5,
                                                                                true,
                                                                                2,
                                                                                PlanCell.Edge
                                                                                        .FADED))
                                                                .withSend("B", "voice", -4.5)
                                                                .withSource(
                                                                        "drum",
                                                                        new SourceCell(
                                                                                -2, 0.3, 0.5, 4))),
                                        new Section("Chorus", 5, 2))),
                        List.of(
                                new Source("voice", "Voice", "stems/voice.wav", Role.LEAD, -1, 0.1),
                                new Source("drum", "Drum", "drum.wav", Role.HITS, 0, -0.5)),
                        List.of(hall, echo),
                        Aims.NONE
                                .wanting(
                                        "voice",
                                        "A",
                                        Targets.LEAD.withPresence(0.91).withBloom(-27))
                                .locking("B", Setting.DECAY, true)
                                .keeping("A", new Kept(new Span(4, 12.5), 0.034, 0.051))
                                .hearing(
                                        new HearingLevel(82, OptionalDouble.empty())
                                                .by(
                                                        new Borders(
                                                                -1.9,
                                                                -2.9,
                                                                -1.1,
                                                                18,
                                                                "Ada, headphones"))),
                        List.of(
                                Throw.of("t1", "voice", "B", 3, 4.5, -4)
                                        .withTrail(
                                                Trail.AS_RETURN
                                                        .withTime(new MusicalTime.Millis(320))
                                                        .withFeedback(0.4)
                                                        .withSides(Trail.Sides.ALTERNATE)
                                                        .withFilter(
                                                                Filter.OPEN.withLowPass(
                                                                        new Filter.Corner(3000, 2)))
                                                        .withFeed(-2.5)
                                                        .until(9.0)),
                                Throw.of("t2", "voice", "A", 6, 8, 0)
                                        .withFades(20, 40)
                                        .withRide(
                                                List.of(
                                                        new Throw.RidePoint(6, -9),
                                                        new Throw.RidePoint(7, 1)))))
                .withWet(
                        new WetBuses(
                                WetBus.PLAIN.withTrim(-1.5),
                                Map.of(
                                        Purpose.ECHO,
                                        new WetBus(
                                                -3,
                                                Filter.OPEN.withLowPass(new Filter.Corner(4000, 4)),
                                                0.7))));
    }

    private Path written() throws FileProblem {
        Path file = folder.resolve("ferry" + ProjectFile.SUFFIX);
        ProjectFile.of(design()).write(file, design());
        return file;
    }

    @Test
    void aBusThatIsNoneOrOutOfRangeIsOneLine() throws IOException {
        String text = Files.readString(written());
        String[][] wrong = {
            {"\"echo\" :", "\"echoes\" :", "echoes"},
            {"\"trimDb\" : -3.0", "\"trimDb\" : 30.0", "trim of wet"},
            {"\"faderDb\" : -2.0", "\"faderDb\" : -99.0", "fader offset"}
        };
        for (String[] w : wrong) {
            Path file = folder.resolve("wrong" + ProjectFile.SUFFIX);
            assertThat(text).contains(w[0]);
            Files.writeString(file, text.replace(w[0], w[1]));
            assertThatThrownBy(() -> ProjectFile.read(file))
                    .isInstanceOf(FileProblem.class)
                    .hasMessageContaining(w[2])
                    .hasMessageNotContaining("\n");
        }
    }

    @Test
    void whatIsSavedIsOpenedAgainWhole() throws IOException {
        ProjectFile read = ProjectFile.read(written());
        Design again = read.design();
        assertThat(again.sources()).isEqualTo(design().sources());
        assertThat(again.returns()).isEqualTo(design().returns());
        assertThat(again.wet()).isEqualTo(design().wet());
        assertThat(again.song().sections()).isEqualTo(design().song().sections());
        assertThat(again.song().clock().tempo().changes())
                .isEqualTo(design().song().clock().tempo().changes());
        assertThat(again.song().clock().metre().changes())
                .isEqualTo(design().song().clock().metre().changes());
        assertThat(again.song().title()).isEqualTo("Ferry");
        assertThat(again.aims()).isEqualTo(design().aims());
        assertThat(again.thrown()).isEqualTo(design().thrown());
    }

    @Test
    void aimsThatAreTakenBackLeaveTheFile() throws IOException {
        Path file = written();
        ProjectFile read = ProjectFile.read(file);
        Design plain =
                new Design(design().song(), design().sources(), design().returns(), Aims.NONE);
        read.write(file, plain);
        assertThat(Files.readString(file)).doesNotContain("aims");
        assertThat(ProjectFile.read(file).design().aims()).isEqualTo(Aims.NONE);
    }

    @Test
    void groupsAreKeptWhereTheySayMoreThanTheirNames() throws IOException {
        Path file = written();
        ProjectFile read = ProjectFile.read(file);
        assertThat(Files.readString(file)).doesNotContain("\"groups\"");
        String id = read.design().sources().getFirst().id();
        Design grouped = new GroupEdit.Join(java.util.Set.of(id), "Quay").applyTo(read.design());
        Design nested = new GroupEdit.Within("Quay", "All hands").applyTo(grouped);
        Design leaning =
                new GroupEdit.Lean("Quay", 0.25)
                        .applyTo(new GroupEdit.Fader("All hands", -2.5).applyTo(nested));
        read.write(file, leaning);
        Design again = ProjectFile.read(file).design();
        assertThat(again.groups()).hasSameElementsAs(leaning.groups());
        assertThat(again.sources()).isEqualTo(leaning.sources());
        String text = Files.readString(file);
        Files.writeString(
                file, text.replace("\"within\" : \"All hands\"", "\"within\" : \"Quay\""));
        assertThatThrownBy(() -> ProjectFile.read(file))
                .isInstanceOf(FileProblem.class)
                .hasMessageContaining("ferry")
                .hasMessageContaining("group \"Quay\" would hold itself")
                .hasMessageNotContaining("\n");
    }

    @Test
    void savingTwiceGivesTheSameBytes() throws IOException {
        Path file = written();
        byte[] first = Files.readAllBytes(file);
        ProjectFile read = ProjectFile.read(file);
        read.write(file, read.design());
        assertThat(Files.readAllBytes(file)).isEqualTo(first);
    }

    @Test
    void unknownFieldsAreKept() throws IOException {
        Path file = written();
        String text =
                Files.readString(file)
                        .replaceFirst(
                                "\"orbispace\"", "\"later\" : {\"idea\": [1, 2]},\n  \"orbispace\"")
                        .replaceFirst("\"id\" : \"voice\"", "\"id\" : \"voice\", \"takes\" : 7")
                        .replaceFirst(
                                "\"name\" : \"Old quay\"",
                                "\"name\" : \"Old quay\", \"mood\" : \"wet stone\"");
        Files.writeString(file, text);
        ProjectFile read = ProjectFile.read(file);
        Design changed = new ReturnEdit.Level("A", -3).applyTo(read.design());
        read.write(file, changed);
        assertThat(Files.readString(file))
                .contains("\"idea\"", "\"takes\" : 7", "wet stone", "\"levelDb\" : -3.0");
        assertThat(ProjectFile.read(file).design().requireReturn("A").levelDb()).isEqualTo(-3);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "\"edge\" : \"faded\"|\"edge\" : \"torn\"|song|edge \"torn\" is not known",
                "\"decayScale\" : 0.8|\"decayScale\" : 9|song|decay scale 9.0",
                "\"toBeat\" : 4.5|\"toBeat\" : 2|throws[0]|ends at beat 2.0",
                "\"id\" : \"t2\"|\"id\" : \"t1\"|design|two throws are called",
                "\"state\" : \"felt\"|\"state\" : \"loud\"|aims|state \"loud\" is not known",
                "\"presence\" : 0.91|\"presence\" : 91|aims|presence 91.0 is outside",
                "\"decay\"|\"tail\"|aims|setting \"tail\" is not known",
                "\"levelDbSpl\" : 82.0|\"levelDbSpl\" : 130|aims|listening level 130.0",
                "\"highHz\" : 4200.0|\"highHz\" : 320|returns[0]|upper edge of the duck band",
                "\"decaySeconds\" : 2.4|\"decaySeconds\" : -1|returns[0]|decay -1.0 is outside",
                "\"decaySeconds\" : 2.4|\"decaySeconds\" : \"long\"|returns[0]|\"decaySeconds\" is"
                        + " not a number",
                "\"feedback\" : 0.31|\"feedback\" : 1.2|returns[1]|grow without end",
                "\"role\" : \"lead\"|\"role\" : \"boss\"|sources[0]|\"boss\"",
                "\"note\" : \"1/64\"|\"note\" : \"1/63\"|returns[0]|no note value",
                "stems/voice.wav|../../etc/voice.wav|sources[0]|leaves the project's folder",
                "\"kind\" : \"hall\"|\"kind\" : \"cave\"|returns[0]|\"cave\"",
                "\"slopeDbPerOctave\" : 18|\"slopeDbPerOctave\" : 17|returns[0]|multiple of 6",
                "\"bpm\" : 84.0|\"bpm\" : 0|song|tempo 0.0",
                "\"sampleRateHz\" : 48000.0|\"sampleRateHz\" : 10|song|sample rate",
                "\"orbispace\" : 3|\"orbispace\" : 99|format version|99",
                "\"keySource\" : \"voice\"|\"keySource\" : \"ghost\"|ducker of A|ghost",
            })
    void aFaultNamesTheFieldInTheFile(String good, String bad, String where, String what)
            throws IOException {
        Path file = written();
        String text = Files.readString(file);
        assertThat(text).contains(good);
        Files.writeString(file, text.replace(good, bad));
        assertThatThrownBy(() -> ProjectFile.read(file))
                .isInstanceOf(FileProblem.class)
                .hasMessageContaining("ferry")
                .hasMessageContaining(where)
                .hasMessageContaining(what)
                .hasMessageNotContaining("\n");
    }

    @Test
    void whatIsNoProjectIsRefused() throws IOException {
        Path words = folder.resolve("words.json");
        Files.writeString(words, "hello");
        Path list = folder.resolve("list.json");
        Files.writeString(list, "[1,2,3]");
        Path other = folder.resolve("other.json");
        Files.writeString(other, "{\"name\": 1}");
        Path deep = folder.resolve("deep.json");
        Files.writeString(deep, "[".repeat(100_000));
        Path bytes = folder.resolve("bytes.json");
        Files.write(bytes, new byte[] {(byte) 0xC3, 0x28, (byte) 0xFF, 0});
        for (Path file :
                List.of(words, list, other, deep, bytes, folder, folder.resolve("gone.json"))) {
            assertThatThrownBy(() -> ProjectFile.read(file))
                    .as(file.toString())
                    .isInstanceOf(FileProblem.class)
                    .hasMessageNotContaining("\n");
        }
    }

    @Test
    void mutatedProjectsAreReadOrRefusedButNeverBreak() throws IOException {
        byte[] bytes = Files.readAllBytes(written());
        Random random = new Random(17);
        Path file = folder.resolve("mutant.json");
        for (int round = 0; round < 400; round++) {
            byte[] mutant =
                    java.util.Arrays.copyOf(
                            bytes, round % 5 == 0 ? random.nextInt(bytes.length) : bytes.length);
            for (int k = 0; k < 1 + random.nextInt(4) && mutant.length > 0; k++) {
                mutant[random.nextInt(mutant.length)] = (byte) (32 + random.nextInt(96));
            }
            Files.write(file, mutant);
            try {
                assertThat(ProjectFile.read(file).design()).isNotNull();
            } catch (FileProblem e) {
                assertThat(e.getMessage()).contains("mutant.json").doesNotContain("\n");
            }
        }
    }

    @Test
    void stemsThatAreMissingOrAtAnotherRateAreNamedAndTheRestIsRead() throws IOException {
        Files.createDirectories(folder.resolve("stems"));
        WavWriter.write(
                folder.resolve("stems/voice.wav"),
                Audio.silence(48000, 1, 480),
                WavWriter.Depth.BITS_16,
                "");
        ProjectFolder.Stems stems = ProjectFolder.read(folder, design(), Job.QUIET);
        assertThat(stems.material(design()).audio()).containsOnlyKeys("voice");
        assertThat(stems.problems()).containsOnlyKeys("drum");
        assertThat(stems.problems().get("drum")).contains("drum.wav", "no such file");
        assertThatThrownBy(() -> ProjectFolder.readAll(folder, design()))
                .hasMessageContaining("drum.wav");
        WavWriter.write(
                folder.resolve("drum.wav"),
                Audio.silence(44100, 1, 441),
                WavWriter.Depth.BITS_16,
                "");
        Audio drum =
                java.util.Objects.requireNonNull(
                        ProjectFolder.readAll(folder, design()).audio().get("drum"));
        assertThat(drum.sampleRateHz()).isEqualTo(48000);
        assertThat(drum.frames()).isEqualTo(480);
        assertThat(ProjectFolder.lengthSeconds(folder, design())).isEqualTo(0.01);
    }
}
