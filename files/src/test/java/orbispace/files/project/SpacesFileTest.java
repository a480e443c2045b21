package orbispace.files.project;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import orbispace.core.audio.Audio;
import orbispace.core.design.Chain;
import orbispace.core.design.Design;
import orbispace.core.design.Drive;
import orbispace.core.design.Filter;
import orbispace.core.design.Gate;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Return;
import orbispace.core.design.Send;
import orbispace.core.design.Space;
import orbispace.core.design.SplitPair;
import orbispace.core.design.Width;
import orbispace.core.dynamics.DriveCurve;
import orbispace.core.space.CopiesSettings;
import orbispace.core.space.EchoSettings;
import orbispace.core.space.GatedSettings;
import orbispace.core.space.ReverbCharacter;
import orbispace.core.space.ReverbKind;
import orbispace.core.time.NoteValue;
import orbispace.files.FileProblem;
import orbispace.files.sheet.ReturnWording;
import orbispace.files.sound.ResponseFiles;
import orbispace.files.sound.SoundReader;
import orbispace.files.sound.WavWriter;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class SpacesFileTest {
    private static final MusicalTime EIGHTH =
            new MusicalTime.Note(NoteValue.parse("1/8").orElseThrow(), 2);

    @TempDir Path folder;

    private static final Space.Reverb ROOM =
            new Space.Reverb(
                    ReverbKind.ROOM, 0.6, 1, 0.8, 0.7, new ReverbCharacter(0.5, 0.05, 0.0002, 1.5));

    private static Design everything() {
        List<Space> spaces =
                List.of(
                        ROOM,
                        new Space.Gated(GatedSettings.Envelope.RISING, EIGHTH, 12, 8000),
                        new Space.Convolution("pier.wav", 3, 900, 1, 0.8, 1.2),
                        new Space.Echo(
                                EchoSettings.Kind.PAIR,
                                EIGHTH,
                                new MusicalTime.Millis(230),
                                0.4,
                                new EchoSettings.Loop(100, 5000, 0.3, 1, 0.6, 250),
                                0.8),
                        new Space.Copies(
                                List.of(
                                        new CopiesSettings.Voice(0.011, -6, -1),
                                        new CopiesSettings.Voice(0.017, 6, 0.5, 0.0012, 0.7)),
                                150,
                                false),
                        new SplitPair(
                                ROOM,
                                ROOM.withDecay(1.4),
                                new SplitPair.Place(15, -0.4),
                                new SplitPair.Place(0, 0.9)),
                        new Space.Parallel(-30, 4, 6, 5, 80, 6));
        Filter key = new Filter(null, new Filter.Corner(400, 4));
        Gate gate = new Gate("", key, -20, 4, 120, 1, 40, 25, null);
        List<Return> returns = new ArrayList<>();
        for (int i = 0; i < spaces.size(); i++) {
            String id = String.valueOf((char) ('A' + i));
            Chain chain =
                    Chain.of(spaces.get(i))
                            .withFilterOut(
                                    i == 3
                                            ? Filter.OPEN.withBands(
                                                    List.of(
                                                            Filter.Band.dip(420, 3, 1.2),
                                                            new Filter.Band(
                                                                    Filter.Kind.HIGH_SHELF,
                                                                    6000,
                                                                    4.5,
                                                                    1)))
                                            : Filter.OPEN)
                            .withDrive(
                                    i % 2 == 0
                                            ? new Drive(6, i % 4 == 0, DriveCurve.ASYMMETRIC)
                                            : null)
                            .withGate(i == 1 ? gate.withLength(EIGHTH) : null)
                            .withWidth(i == 2 ? new Width(1.2, 120, -0.3) : Width.PLAIN);
            returns.add(
                    new Return(
                            id,
                            "Return " + id,
                            Map.of("voice", new Send(-6, i == 3, i == 1 ? gate : null)),
                            i == 0 ? Map.of("D", -9.0) : Map.of(),
                            chain,
                            -3,
                            new Return.Timing(2, i == 3)));
        }
        Design like = ProjectFileTest.design();
        return new Design(like.song(), like.sources(), returns);
    }

    @Test
    void everySpaceGateDriveWidthAndFeedComesBackAsItWas() throws FileProblem, IOException {
        Path file = folder.resolve("all.orbispace.json");
        ProjectFile.of(everything()).write(file, everything());
        assertThat(ProjectFile.read(file).design()).isEqualTo(everything());
        byte[] first = Files.readAllBytes(file);
        ProjectFile.read(file).write(file, everything());
        assertThat(Files.readAllBytes(file)).isEqualTo(first);
    }

    @Test
    void copiesAreReadUnderTheirEarlierNameAndWrittenUnderTheirOwn()
            throws FileProblem, IOException {
        Path file = folder.resolve("earlier.orbispace.json");
        ProjectFile.of(everything()).write(file, everything());
        String text = Files.readString(file);
        assertThat(text).contains("\"kind\" : \"copies\"").doesNotContain("doubler");
        Files.writeString(file, text.replace("\"kind\" : \"copies\"", "\"kind\" : \"doubler\""));
        assertThat(ProjectFile.read(file).design()).isEqualTo(everything());
        ProjectFile.read(file).write(file, everything());
        assertThat(Files.readString(file)).isEqualTo(text);
    }

    @Test
    void whatIsTakenOutLeavesNoTrace() throws FileProblem, IOException {
        Path file = folder.resolve("all.orbispace.json");
        ProjectFile.of(everything()).write(file, everything());
        Design plain = everything();
        for (Return r : everything().returns()) {
            plain =
                    plain.withReturn(
                            r.withChain(Chain.of(ROOM))
                                    .withFeeds(Map.of())
                                    .withSends(Map.of("voice", Send.of(-6)))
                                    .withTiming(new Return.Timing(2, false)));
        }
        ProjectFile.read(file).write(file, plain);
        assertThat(Files.readString(file))
                .doesNotContain("gate", "drive", "feedsDb", "sendOptions", "followsSections");
        assertThat(ProjectFile.read(file).design()).isEqualTo(plain);
    }

    @Test
    void faultsNameTheReturnAndTheCircle() throws FileProblem, IOException {
        Path file = folder.resolve("all.orbispace.json");
        ProjectFile.of(everything()).write(file, everything());
        String text = Files.readString(file);
        Files.writeString(file, text.replace("\"rising\"", "\"sideways\""));
        assertThatThrownBy(() -> ProjectFile.read(file))
                .hasMessageContaining("returns[1]")
                .hasMessageContaining("envelope \"sideways\" is not known");
        Files.writeString(file, text.replace("\"pier.wav\"", "\"../../pier.wav\""));
        assertThatThrownBy(() -> ProjectFile.read(file))
                .hasMessageContaining("leaves the project's folder");
        Files.writeString(file, text.replace("\"D\" : -9.0", "\"A\" : -9.0"));
        assertThatThrownBy(() -> ProjectFile.read(file))
                .hasMessageContaining("feeds make a circle: A into A");
    }

    @Test
    void aSheetSaysEnoughToBuildEveryReturnAnew() {
        Design design = everything();
        StringBuilder all = new StringBuilder();
        for (Return r : design.returns()) {
            new ReturnWording(design, r).lines().forEach(l -> all.append(l).append('\n'));
        }
        assertThat(all.toString())
                .contains("rising", "pier.wav", "40 dB in 12 ms", "saturation 30 %", "wow")
                .contains("11 ms", "cents", "nothing in the middle", "size \u00d70.70")
                .contains("Fed by", "D \u22129", "Drive before", "Drive after")
                .contains("before its gain", "mono below 120 Hz", "from each hit")
                .contains("ratio 4.0:1", "at the tempo of each section");
    }

    @Test
    void fourChannelsAreATrueStereoResponseButNoStem() throws IOException, FileProblem {
        Path file = folder.resolve("four.wav");
        Files.write(file, fourChannels());
        assertThatThrownBy(() -> SoundReader.read(file))
                .hasMessageContaining("has 4 channels; bring mono or stereo stems");
        var response = ResponseFiles.read(file, 48000);
        assertThat(response.fromLeft().channel(0)[0]).isCloseTo(0.5f, within());
        assertThat(response.fromRight().channel(1)[0]).isCloseTo(-0.25f, within());
        Path silent = folder.resolve("silent.wav");
        WavWriter.write(silent, Audio.silence(48000, 1, 100), WavWriter.Depth.BITS_24, "silence");
        assertThatThrownBy(() -> ResponseFiles.read(silent, 48000))
                .hasMessageContaining("is silent");
    }

    private static org.assertj.core.data.Offset<Float> within() {
        return org.assertj.core.api.Assertions.within(0.001f);
    }

    private static byte[] fourChannels() {
        var b = java.nio.ByteBuffer.allocate(44 + 80).order(java.nio.ByteOrder.LITTLE_ENDIAN);
        b.put("RIFF".getBytes(java.nio.charset.StandardCharsets.US_ASCII)).putInt(36 + 80);
        b.put("WAVEfmt ".getBytes(java.nio.charset.StandardCharsets.US_ASCII)).putInt(16);
        b.putShort((short) 1).putShort((short) 4).putInt(48000).putInt(48000 * 8);
        b.putShort((short) 8).putShort((short) 16);
        b.put("data".getBytes(java.nio.charset.StandardCharsets.US_ASCII)).putInt(80);
        b.putShort((short) 16384).putShort((short) 0).putShort((short) 0).putShort((short) -8192);
        return b.array();
    }
}
