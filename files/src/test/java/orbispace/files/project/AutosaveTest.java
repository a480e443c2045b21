package orbispace.files.project;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import orbispace.core.design.Design;
import orbispace.core.design.Placement;
import orbispace.core.design.Role;
import orbispace.core.design.Section;
import orbispace.core.design.SectionKind;
import orbispace.core.design.Song;
import orbispace.core.design.Source;
import orbispace.core.design.SourcesEdit;
import orbispace.core.design.StemKind;
import orbispace.core.design.Tone;
import orbispace.core.time.SongClock;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class AutosaveTest {
    @TempDir Path folder;

    private static Design design(double gainDb) {
        Song song =
                new Song(
                        "Ferry",
                        48000,
                        SongClock.constant(96, 6, 8).startingAt(0.125),
                        List.of(new Section("Gulls", 1, 4, SectionKind.CHORUS)));
        Source voice =
                new Source(
                        "voice",
                        "Voice",
                        "voice.wav",
                        Role.LEAD,
                        StemKind.OVERHEAD,
                        gainDb,
                        0,
                        "Front",
                        true,
                        new Placement(-154, true, 0.01, 9000),
                        new Tone(
                                0.6,
                                List.of(new Tone.Bell(900, -2.5, 1), new Tone.Bell(2000, 1.5, 1))));
        return new Design(song, List.of(voice), List.of());
    }

    @Test
    void everythingOfSongAndSourcesComesBack() throws IOException {
        Path project = folder.resolve("ferry.orbispace.json");
        ProjectFile.of(design(-3)).write(project, design(-3));
        assertThat(ProjectFile.read(project).design()).isEqualTo(design(-3));
    }

    @Test
    void dipsOfAnEarlierFileAreReadAsCuts() throws IOException {
        Path project = folder.resolve("dips.orbispace.json");
        ProjectFile.of(design(-3)).write(project, design(-3));
        String text = Files.readString(project);
        String old =
                text.replaceAll(
                        "(?s)\"bells\" *: *\\[.*?\\]",
                        "\"dips\": [{\"hz\": 310, \"depthDb\": 3, \"octaves\": 1}]");
        assertThat(old).isNotEqualTo(text);
        Files.writeString(project, old);
        Design read = ProjectFile.read(project).design();
        assertThat(read.sources().getFirst().tone())
                .isEqualTo(new Tone(0.6, List.of(new Tone.Bell(310, -3, 1))));
    }

    @Test
    void aFileOfVersionOneIsReadAndBecomesTheNewest() throws IOException {
        Path project = folder.resolve("ferry.orbispace.json");
        Files.writeString(
                project,
                """
                {"orbispace": 1, "mood": "calm",
                 "song": {"title": "Old", "sampleRateHz": 44100,
                   "tempo": [{"beat": 0, "bpm": 90}],
                   "metre": [{"bar": 1, "beatsPerBar": 4, "beatUnit": 4}],
                   "sections": [{"name": "Chorus", "firstBar": 1, "bars": 4}]},
                 "sources": [{"id": "a", "name": "A", "file": "a.wav", "role": "lead",
                   "gainDb": 0, "pan": 0, "colour": "blue"}],
                 "returns": []}
                """);
        ProjectFile old = ProjectFile.read(project);
        Source source = old.design().sources().getFirst();
        assertThat(source.placement()).isEqualTo(Placement.AS_IS);
        assertThat(old.design().song().sections().getFirst().kind()).isEqualTo(SectionKind.CHORUS);
        old.save(project, old.design());
        assertThat(Files.readString(project))
                .contains("\"orbispace\" : 3", "\"mood\" : \"calm\"", "\"colour\" : \"blue\"");
        assertThat(Files.readString(ProjectFile.previousOf(project)))
                .as("the version before is kept")
                .contains("\"orbispace\": 1");
    }

    @Test
    void whatWasNeverSavedIsFoundByItsContent() throws IOException {
        Path project = folder.resolve("ferry.orbispace.json");
        ProjectFile file = ProjectFile.of(design(0)).write(project, design(0));
        assertThat(Autosave.find(project, file)).isEmpty();
        Autosave.keep(project, file, design(0));
        assertThat(Autosave.find(project, file)).as("nothing differs").isEmpty();
        Autosave.keep(project, file, design(-6));
        Files.setLastModifiedTime(project, FileTime.fromMillis(System.currentTimeMillis() + 9000));
        Autosave.Recovered found = Autosave.find(project, file).orElseThrow();
        assertThat(found.design()).isEqualTo(design(-6));
        assertThat(found.current()).as("whatever the clock says").isTrue();
        ProjectFile later = file.save(project, design(-3));
        assertThat(Autosave.find(project, later).orElseThrow().current())
                .as("the file has changed since")
                .isFalse();
        Files.writeString(Autosave.fileOf(project), "{ half");
        assertThat(Autosave.find(project, later)).as("no longer readable").isEmpty();
        Autosave.setAside(project);
        assertThat(folder.resolve("ferry.orbispace.recovered.json")).exists();
        Autosave.drop(project);
        assertThat(Autosave.fileOf(project)).doesNotExist();
    }

    /** Edits, keeps its state and saves until it is killed; tells each edit once it is kept. */
    static final class Worker {
        public static void main(String[] args) throws IOException {
            Path project = Path.of(args[0]);
            ProjectFile file = ProjectFile.read(project);
            Design design = file.design();
            for (int edit = Integer.parseInt(args[1]); ; edit++) {
                Source next = design.sources().getFirst().withName("edit " + edit);
                design = SourcesEdit.of(design, next, "name").applyTo(design);
                Autosave.keep(project, file, design);
                System.out.println(edit);
                System.out.flush();
                if (edit % 5 == 0) {
                    file = file.save(project, design);
                    Autosave.drop(project);
                }
            }
        }
    }

    /** The last edit that the worker told of in a whole line. */
    private static int lastTold(Path log, int before) throws IOException {
        String text = Files.exists(log) ? Files.readString(log) : "";
        String whole = text.substring(0, text.lastIndexOf('\n') + 1).strip();
        return whole.isEmpty()
                ? before
                : Integer.parseInt(whole.substring(whole.lastIndexOf('\n') + 1));
    }

    private static int edit(Design design) {
        return Integer.parseInt(design.sources().getFirst().name().replaceAll("\\D", "0"));
    }

    @Test
    void killingTheProcessNeverLosesMoreThanTheLastEdit() throws Exception {
        Path project = folder.resolve("ferry.orbispace.json");
        ProjectFile.of(design(0)).write(project, design(0));
        Random random = new Random(11);
        Path log = folder.resolve("told.txt");
        int told = 0;
        int rounds = Integer.getInteger("orbispace.kills", 6);
        for (int round = 0; round < rounds; round++) {
            Files.deleteIfExists(log);
            Process worker =
                    new ProcessBuilder(
                                    Path.of(System.getProperty("java.home"), "bin", "java")
                                            .toString(),
                                    "-XX:TieredStopAtLevel=1",
                                    "-cp",
                                    System.getProperty("java.class.path"),
                                    Worker.class.getName(),
                                    project.toString(),
                                    Integer.toString(told + 1))
                            .redirectError(ProcessBuilder.Redirect.INHERIT)
                            .redirectOutput(log.toFile())
                            .start();
            while (worker.isAlive() && lastTold(log, told) == told) {
                Thread.sleep(5);
            }
            Thread.sleep(random.nextInt(60));
            worker.destroyForcibly().waitFor();
            told = lastTold(log, told);
            ProjectFile saved = ProjectFile.read(project);
            Optional<Autosave.Recovered> found = Autosave.find(project, saved);
            int kept = Math.max(edit(saved.design()), found.map(r -> edit(r.design())).orElse(0));
            assertThat(kept).as("round %d", round).isGreaterThanOrEqualTo(told);
            assertThat(kept).isLessThanOrEqualTo(told + 1);
        }
        assertThat(told).isGreaterThan(rounds);
    }
}
