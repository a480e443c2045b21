package orbispace.app.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import orbispace.app.Songs;
import orbispace.app.session.RecentProjects;
import orbispace.app.song.HandOver;
import orbispace.core.clear.EarWord;
import orbispace.core.design.Design;
import orbispace.core.design.Edit;
import orbispace.core.design.PlanCell;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Section;
import orbispace.core.design.SongEdit;
import orbispace.core.time.SongClock;
import orbispace.files.midi.MidiTempo;
import orbispace.files.project.ProjectFile;
import orbispace.files.sound.WavWriter;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * Three songs opened one after the other in every order while each kind of job runs, with edits in
 * between: each file holds exactly its own edits.
 *
 * <p>The property {@code orbispace.orders} sets how many of the six orders are gone through.
 */
class ThreeSongsTest {
    private static final int EDITS = 200;
    private static final int[][] ORDERS = {
        {0, 1, 2}, {2, 1, 0}, {1, 0, 2}, {0, 2, 1}, {1, 2, 0}, {2, 0, 1}
    };

    @TempDir Path folder;
    private final UiLoop ui = new UiLoop();
    private final Desk desk = new Desk(ui, RecentProjects.inMemory(), Songs.facts());
    private final Random random = new Random(16);
    private final Map<Path, Design> kept = new HashMap<>();

    @AfterEach
    void close() {
        desk.close();
    }

    private Design design() {
        return desk.frame().design().get();
    }

    private Return first() {
        return design().returns().getFirst();
    }

    /** Every kind of job that works on the open song. */
    private Map<String, Runnable> jobs(Path song) {
        Path stem = song.resolveSibling("drum.wav");
        Map<String, Runnable> all = new LinkedHashMap<>();
        all.put("solve the field", () -> desk.clear().clearing().solve(true));
        all.put("solve a return", () -> desk.clear().clearing().solve(false));
        all.put("hold", () -> desk.plan().planning().hold());
        all.put("measure the plan", () -> desk.plan().planning().measure());
        all.put("draft", () -> desk.orbit().drafting().start());
        all.put("bar one", () -> desk.song().form().proposeBarOne());
        all.put("settle filters", () -> desk.orbit().settling().filters(first()));
        all.put("settle the pair", () -> desk.orbit().settling().pair());
        all.put("convolve", () -> desk.orbit().field().convolve(first(), stem));
        all.put("bring", () -> desk.frame().bringing().bring(List.of(stem)));
        all.put("form", () -> desk.frame().bringing().takeForm(folder.resolve("form.mid")));
        all.put("room", () -> desk.clear().clearing().makeRoom());
        all.put("ear line", () -> desk.clear().clearing().balance());
        all.put("ear word", () -> desk.clear().clearing().hear(EarWord.TOO_THICK));
        all.put("findings", () -> desk.prove().proving().measure());
        all.put("throw", () -> desk.plan().throwing().throwPicked());
        all.put("track", () -> desk.frame().references().add(folder.resolve("track.wav")));
        all.put(
                "unit",
                () -> desk.orbit().units().writeSweep(song.resolveSibling("sweep.wav"), () -> {}));
        all.put(
                "hand over",
                () ->
                        desk.sheet()
                                .handingOver()
                                .start(
                                        new HandOver.Order(
                                                song.resolveSibling("out"),
                                                HandOver.Sheet.whole(List.of(".md"), List.of()),
                                                new HandOver.Printing(
                                                        true, false, WavWriter.Depth.BITS_16),
                                                HandOver.Lanes.NONE),
                                        files -> {},
                                        words -> {}));
        all.put("look again", () -> desk.frame().settle());
        return all;
    }

    private Edit edit() {
        String id = design().returns().get(random.nextInt(design().returns().size())).id();
        double x = random.nextDouble();
        return switch (random.nextInt(4)) {
            case 0 -> new ReturnEdit.Level(id, Math.rint(-200 * x) / 10);
            case 1 -> new ReturnEdit.Named(id, "Name " + random.nextInt(1000));
            case 2 -> new ReturnEdit.SendLevel(id, "pad", Math.rint(-200 * x) / 10);
            default -> {
                List<Section> sections =
                        design().song().sections().stream()
                                .map(s ->
                                        s.withPlan(
                                                s.plan()
                                                        .withCell(
                                                                id,
                                                                PlanCell.PLAIN.withLevel(
                                                                        Math.rint(-60 * x) / 10))))
                                .toList();
                yield new SongEdit(design().song().withSections(sections), "plan");
            }
        };
    }

    private void saveAndRemember(Path song) {
        assertThat(desk.frame().opening().save(song)).as(desk.frame().problem().get()).isTrue();
        kept.put(song, design());
    }

    @Test
    void eachFileHoldsExactlyItsOwnEdits() throws Exception {
        MidiTempo.write(folder.resolve("form.mid"), SongClock.constant(77, 3, 4), List.of());
        WavWriter.write(
                folder.resolve("track.wav"), Songs.lead(), WavWriter.Depth.FLOAT_32, "track");
        Path[] songs = new Path[3];
        for (int s = 0; s < 3; s++) {
            songs[s] = Songs.write(Files.createDirectories(folder.resolve("song" + s)));
            kept.put(songs[s], ProjectFile.read(songs[s]).design());
        }
        int orders = Integer.getInteger("orbispace.orders", 1);
        int visits = orders * 3 * jobs(songs[0]).size();
        int done = 0;
        for (int o = 0; o < orders; o++) {
            for (String job : jobs(songs[0]).keySet()) {
                for (int s : ORDERS[o]) {
                    Path song = songs[s];
                    desk.frame().opening().open(song);
                    ui.until(() -> song.equals(desk.frame().kept().file().get()));
                    assertThat(design()).as("%s, song %d", job, s).isEqualTo(kept.get(song));
                    boolean measured = done % 3 == 0;
                    ui.until(() -> !measured || !desk.frame().jobs().busy());
                    int edits = Math.max(1, EDITS / visits);
                    for (int e = 0; e < edits; e++) {
                        assertThat(desk.frame().edit(edit()))
                                .as(desk.frame().problem().get())
                                .isTrue();
                    }
                    ui.until(() -> !measured || desk.frame().measured().clearance().get() != null);
                    saveAndRemember(song);
                    jobs(song).getOrDefault(job, () -> {}).run();
                    done++;
                }
            }
        }
        desk.frame().opening().open(songs[0]);
        ui.until(() -> !desk.frame().jobs().busy());
        for (Path song : songs) {
            assertThat(ProjectFile.read(song).design()).isEqualTo(kept.get(song));
        }
    }
}
