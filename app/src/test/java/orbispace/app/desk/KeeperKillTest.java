package orbispace.app.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import orbispace.app.session.KeptProject;
import orbispace.app.session.RecentProjects;
import orbispace.app.song.NewSong;
import orbispace.core.audio.Audio;
import orbispace.core.design.Design;
import orbispace.core.design.ReturnEdit;
import orbispace.core.prove.log.LogEntry;
import orbispace.core.render.Job;
import orbispace.files.FileProblem;
import orbispace.files.project.FactsCache;
import orbispace.files.project.ProjectFile;
import orbispace.files.sound.WavWriter;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * The program is killed at any moment while it is worked with: nothing is lost but the last edit
 * and the last note. The property {@code orbispace.kills} sets how often.
 */
class KeeperKillTest {
    /** As fast as anyone presses. */
    private static final long PAUSE_NANOS = 120_000_000;

    /** So many edits at least are told before the worker is killed, however slow it is. */
    private static final int EDITS = 2;

    @TempDir Path folder;

    /** Edits, notes and saves as a person does, and tells how far it has come. */
    static final class Worker {
        public static void main(String[] args) throws Exception {
            Path project = Path.of(args[0]);
            UiLoop ui = new UiLoop();
            Desk desk =
                    new Desk(
                            ui,
                            RecentProjects.inMemory(),
                            new FactsCache(project.resolveSibling("facts")));
            desk.frame().opening().open(project);
            ui.until(() -> desk.frame().kept().file().get() != null);
            desk.frame().bringing().takeRecovered();
            for (int edit = Integer.parseInt(args[1]); ; edit++) {
                desk.frame().edit(new ReturnEdit.Named("A", "edit " + edit));
                desk.prove().log().note("note " + edit);
                if (edit % 5 == 0 && !desk.frame().opening().save(project)) {
                    throw new IOException(desk.frame().problem().get());
                }
                long rest = System.nanoTime() + PAUSE_NANOS;
                ui.until(() -> System.nanoTime() > rest);
                System.out.println(edit);
                System.out.flush();
            }
        }
    }

    private static int lastTold(Path log, int before) throws IOException {
        String text = Files.exists(log) ? Files.readString(log) : "";
        String whole = text.substring(0, text.lastIndexOf('\n') + 1).strip();
        return whole.isEmpty()
                ? before
                : Integer.parseInt(whole.substring(whole.lastIndexOf('\n') + 1));
    }

    private static int edit(Design design) {
        return Integer.parseInt("0" + design.requireReturn("A").name().replaceAll("\\D", ""));
    }

    private Process start(Path project, int first, Path told) throws IOException {
        return new ProcessBuilder(
                        Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                        "-XX:TieredStopAtLevel=1",
                        "-XX:+UseSerialGC",
                        "-Xshare:auto",
                        "-cp",
                        System.getProperty("java.class.path"),
                        Worker.class.getName(),
                        project.toString(),
                        Integer.toString(first))
                .redirectErrorStream(false)
                .redirectError(folder.resolve("errors.txt").toFile())
                .redirectOutput(told.toFile())
                .start();
    }

    @Test
    void nothingIsLostButTheLastEditAndItsNote()
            throws IOException, FileProblem, InterruptedException {
        Path stem = folder.resolve("lead-voice.wav");
        WavWriter.write(stem, Audio.of(8000, new float[1600]), WavWriter.Depth.BITS_16, "");
        NewSong song = NewSong.fromStems(java.util.List.of(stem), 120);
        Path project = folder.resolve("ferry" + ProjectFile.SUFFIX);
        ProjectFile.of(song.design()).write(project, song.design());
        Random random = new Random(11);
        Path log = folder.resolve("told.txt");
        int told = 0;
        Set<Integer> known = Set.of();
        int rounds = Integer.getInteger("orbispace.kills", 5);
        for (int round = 0; round < rounds; round++) {
            Files.deleteIfExists(log);
            int before = told;
            Process worker = start(project, told + 1, log);
            while (worker.isAlive() && lastTold(log, told) < told + EDITS) {
                Thread.sleep(5);
            }
            Thread.sleep(random.nextInt(300));
            worker.destroyForcibly().waitFor();
            assertThat(worker.exitValue())
                    .as(Files.readString(folder.resolve("errors.txt")))
                    .isNotEqualTo(1);
            told = lastTold(log, told);
            KeptProject.Opened opened = KeptProject.read(project, Job.QUIET);
            int kept =
                    opened.recovered()
                            .map(r -> edit(r.design()))
                            .orElseGet(() -> edit(opened.project().design()));
            Set<Integer> noted =
                    opened.project().logbook().entries().stream()
                            .map(LogEntry::what)
                            .filter(w -> w.startsWith("note "))
                            .map(w -> Integer.valueOf(w.substring(5)))
                            .collect(Collectors.toSet());
            assertThat(kept).as("edits, round %d", round).isBetween(told - 1, told + 1);
            for (int n = before + 1; n < told; n++) {
                assertThat(noted).as("notes, round %d", round).contains(n);
            }
            assertThat(noted).as("notes before, round %d", round).containsAll(known);
            known = noted;
        }
        assertThat(told).isGreaterThanOrEqualTo(EDITS * rounds);
    }
}
