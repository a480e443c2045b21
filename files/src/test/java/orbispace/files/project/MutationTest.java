package orbispace.files.project;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import orbispace.core.audio.Audio;
import orbispace.core.design.Design;
import orbispace.core.design.Filter;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Return;
import orbispace.core.design.Role;
import orbispace.core.design.Section;
import orbispace.core.design.Song;
import orbispace.core.design.Source;
import orbispace.core.design.Space;
import orbispace.core.design.Throw;
import orbispace.core.design.ThrowsEdit;
import orbispace.core.prove.log.LogEntry;
import orbispace.core.prove.log.Logbook;
import orbispace.core.render.Job;
import orbispace.core.time.SongClock;
import orbispace.files.FileProblem;
import orbispace.files.midi.MidiTempo;
import orbispace.files.sound.ResponseFiles;
import orbispace.files.sound.SoundFiles;
import orbispace.files.sound.SoundReader;
import orbispace.files.sound.WavWriter;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * Files in which anything may have been changed are read or refused in one line, and never bring
 * the program down.
 *
 * <p>The property {@code orbispace.mutations} sets how many are tried on each reader.
 */
class MutationTest {
    @TempDir Path folder;

    @FunctionalInterface
    private interface Reader {
        void read(Path file) throws Exception;
    }

    @SuppressWarnings("ArrayRecordComponent") // Never compared.
    private record Case(byte[] whole, Reader reader) {}

    private static short[] ramp(int frames) {
        short[] x = new short[frames];
        for (int i = 0; i < frames; i++) {
            x[i] = (short) (9000 * Math.sin(i * 0.05));
        }
        return x;
    }

    private static byte[] bytes(Path file) throws Exception {
        return Files.readAllBytes(file);
    }

    /** A FLAC file with a block of comments, a picture and a table before its sound. */
    private static byte[] taggedFlac() {
        byte[] plain = SoundFiles.flac(new short[][] {ramp(2000)}, 2000);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        out.writeBytes(Arrays.copyOf(plain, 4));
        out.writeBytes(new byte[] {0, 0, 0, 34});
        out.writeBytes(Arrays.copyOfRange(plain, 8, 42));
        for (int type : new int[] {4, 6, 3}) {
            byte[] body = new byte[54];
            body[0] = 4;
            System.arraycopy("mole".getBytes(StandardCharsets.US_ASCII), 0, body, 4, 4);
            out.writeBytes(new byte[] {(byte) (type == 3 ? type | 128 : type), 0, 0, 54});
            out.writeBytes(body);
        }
        out.writeBytes(Arrays.copyOfRange(plain, 42, plain.length));
        return out.toByteArray();
    }

    private Map<String, Case> cases() throws Exception {
        Map<String, Case> cases = new TreeMap<>();
        Path wav = folder.resolve("x.wav");
        float[] x = new float[2000];
        for (int i = 0; i < x.length; i++) {
            x[i] = (float) (0.3 * Math.exp(-i / 300.0) * Math.cos(i * 0.1));
        }
        WavWriter.write(wav, Audio.of(48000, x, x.clone()), WavWriter.Depth.BITS_24, "mole");
        cases.put("wav", new Case(bytes(wav), SoundReader::read));
        cases.put("response", new Case(bytes(wav), f -> ResponseFiles.read(f, 44100)));
        cases.put(
                "aiff",
                new Case(SoundFiles.aiff(1, 16, 44100, "NONE", new byte[4000]), SoundReader::read));
        cases.put("rf64", new Case(SoundFiles.rf64(48000, ramp(900), 1800), SoundReader::read));
        cases.put("flac", new Case(taggedFlac(), f -> SoundReader.read(f, true)));
        cases.put("flac response", new Case(taggedFlac(), f -> ResponseFiles.read(f, 48000)));
        Path midi = folder.resolve("x.mid");
        MidiTempo.write(
                midi,
                SongClock.constant(96, 3, 4),
                List.of(new Section("Quay", 1, 4), new Section("Pier", 5, 4)));
        cases.put("midi", new Case(bytes(midi), MidiTempo::read));
        Path project = folder.resolve("x.orbispace.json");
        ProjectFile file = ProjectFile.of(design()).withReferences(List.of("track.wav"));
        Logbook log =
                Logbook.EMPTY.with(LogEntry.note(java.time.Instant.EPOCH, "Fog on the pier."));
        file = file.withLogbook(log).write(project, design());
        cases.put("project", new Case(bytes(project), this::open));
        Autosave.keep(project, file, design());
        cases.put(
                "state",
                new Case(
                        bytes(Autosave.fileOf(project)),
                        f -> {
                            Files.copy(
                                    f,
                                    Autosave.fileOf(project),
                                    java.nio.file.StandardCopyOption.REPLACE_EXISTING);
                            Autosave.find(project, ProjectFile.read(project));
                        }));
        LogJournal.keep(project, file);
        cases.put(
                "journal",
                new Case(
                        bytes(LogJournal.fileOf(project)),
                        f -> {
                            Files.copy(
                                    f,
                                    LogJournal.fileOf(project),
                                    java.nio.file.StandardCopyOption.REPLACE_EXISTING);
                            LogJournal.find(project, ProjectFile.read(project));
                        }));
        return cases;
    }

    /** As the window opens a project: with all its stems. */
    private void open(Path file) throws FileProblem {
        ProjectFile read = ProjectFile.read(file);
        ProjectFolder.Stems stems = ProjectFolder.read(folder, read.design(), Job.QUIET);
        stems.material(read.design());
        stems.problems().values().forEach(MutationTest::assertOneLine);
    }

    private static Design design() {
        Source voice =
                new Source("voice", "Voice", "x.wav", Role.LEAD, 0, 0)
                        .withPlacement(orbispace.core.design.Placement.AS_IS.shifted(100));
        Return hall =
                Return.of(
                        "A",
                        "Long pier",
                        Map.of("voice", -6.0),
                        Filter.OPEN,
                        new MusicalTime.Millis(20),
                        Space.hall(1.5, 1, 0.7),
                        Filter.OPEN,
                        null,
                        -3,
                        1);
        Return wall =
                hall.called("B", "Wall").withSpace(new Space.Convolution("x.wav", 0, 0, 1, 1, 1));
        Design design =
                new Design(
                        new Song(
                                "Harbour",
                                48000,
                                SongClock.constant(84, 4, 4),
                                List.of(new Section("Verse", 1, 4))),
                        List.of(voice),
                        List.of(hall, wall));
        return ThrowsEdit.adding(design, Throw.of("t1", "voice", "A", 1, 2, -4)).applyTo(design);
    }

    private static byte[] mutated(byte[] whole, Random random) {
        byte[] x = whole.clone();
        int changes = 1 + random.nextInt(4);
        for (int c = 0; c < changes; c++) {
            // Faults of headers tell most, so half of all changes are there.
            int at = random.nextInt(random.nextBoolean() ? Math.min(200, x.length) : x.length);
            switch (random.nextInt(6)) {
                case 0 -> x[at] = (byte) random.nextInt(256);
                case 1 -> x[at] ^= (byte) (1 << random.nextInt(8));
                case 2 -> {
                    byte fill = (byte) (random.nextBoolean() ? 255 : 127);
                    Arrays.fill(x, at, Math.min(x.length, at + 1 + random.nextInt(4)), fill);
                }
                case 3 -> x = Arrays.copyOf(x, Math.max(1, at));
                case 4 -> {
                    byte[] longer = new byte[x.length + 1 + random.nextInt(8)];
                    System.arraycopy(x, 0, longer, 0, at);
                    System.arraycopy(x, at, longer, longer.length - (x.length - at), x.length - at);
                    x = longer;
                }
                default -> digits(x, at, random);
            }
        }
        return x;
    }

    /** In a text a number becomes another, which a random byte seldom does. */
    private static void digits(byte[] x, int at, Random random) {
        for (int i = at; i < x.length; i++) {
            if (x[i] >= '0' && x[i] <= '9') {
                x[i] = (byte) "0123456789e-.".charAt(random.nextInt(13));
                if (random.nextInt(3) == 0) {
                    return;
                }
            }
        }
    }

    private static void assertOneLine(String message) {
        assertThat(message).isNotBlank();
        assertThat(message.codePoints().noneMatch(Character::isISOControl)).as(message).isTrue();
    }

    @Test
    void whateverIsChangedInAFileItIsReadOrRefusedInOneLine() throws Exception {
        int count = Integer.getInteger("orbispace.mutations", 150);
        List<String> wrong = new ArrayList<>();
        for (Map.Entry<String, Case> c : cases().entrySet()) {
            Random random = new Random(c.getKey().hashCode());
            for (int i = 0; i < count && wrong.size() < 20; i++) {
                Path file = folder.resolve("mutated");
                Files.write(file, mutated(c.getValue().whole(), random));
                try {
                    c.getValue().reader().read(file);
                } catch (FileProblem e) {
                    assertOneLine(String.valueOf(e.getMessage()));
                } catch (Exception | OutOfMemoryError | StackOverflowError e) {
                    wrong.add(c.getKey() + " " + i + ": " + e);
                }
            }
        }
        assertThat(wrong).isEmpty();
    }

    @Test
    void flacCommentsOfAnyLengthAskForNoMemory() throws Exception {
        byte[] lying = taggedFlac();
        // The comment's own count of bytes: 2 GB.
        int at = 42 + 4;
        lying[at + 3] = 127;
        lying[at + 2] = (byte) 255;
        Path file = folder.resolve("lying.flac");
        Files.write(file, lying);
        assertThat(SoundReader.read(file).frames()).isEqualTo(2000);
    }

    @Test
    void messagesAreOneLineWhateverTheFileHolds() throws Exception {
        Path project = folder.resolve("p.orbispace.json");
        ProjectFile.of(design()).write(project, design());
        String text = Files.readString(project);
        List<String> bad =
                List.of(
                        text.replace(
                                "\"role\" : \"lead\"", "\"role\" : \"le\\nad\\u0007\\u2028x\""),
                        text.replace("\"file\" : \"x.wav\"", "\"file\" : \"x\\u0000.wav\""),
                        text.replace("\"file\" : \"x.wav\"", "\"file\" : \"../../x.wav\""),
                        text.replace("\"shiftFrames\" : 100", "\"shiftFrames\" : 2000000000"),
                        text.replace("\"shiftFrames\" : 100", "\"shiftFrames\" : 1.5"),
                        text.replace("\"bars\" : 4", "\"bars\" : 400000"),
                        text.replace("48000.0", "48000.4"),
                        text.replaceFirst("\\{", "{\"references\": [\"../../etc/track.wav\"],"),
                        text.replaceFirst("\\{", "{\"references\": [\"a\\\\u0000b\"],"));
        for (String changed : bad) {
            assertThat(changed).isNotEqualTo(text);
            Files.writeString(project, changed);
            FileProblem problem = null;
            try {
                open(project);
            } catch (FileProblem e) {
                problem = e;
            }
            assertThat(problem).as(changed.substring(0, 200)).isNotNull();
            String message = String.valueOf(java.util.Objects.requireNonNull(problem).getMessage());
            assertOneLine(message);
            assertThat(message).contains("p.orbispace.json: ");
        }
    }

    @Test
    void aShiftFarBeyondTheSongLeavesTheStemOutAndSaysWhy() throws Exception {
        cases();
        Design far =
                orbispace.core.design.SourcesEdit.of(
                                design(),
                                design().sources()
                                        .getFirst()
                                        .withPlacement(
                                                orbispace.core.design.Placement.AS_IS.shifted(
                                                        90_000_000)),
                                "shift")
                        .applyTo(design());
        ProjectFolder.Stems stems = ProjectFolder.read(folder, far, Job.QUIET);
        assertThat(stems.stems()).isEmpty();
        assertThat(stems.problems().get("voice")).contains("90000000 frames", "after the song");
    }
}
