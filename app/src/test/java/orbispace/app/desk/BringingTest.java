package orbispace.app.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Objects;
import orbispace.app.Songs;
import orbispace.app.session.RecentProjects;
import orbispace.app.song.Material;
import orbispace.core.audio.Audio;
import orbispace.core.design.Design;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Role;
import orbispace.core.design.Source;
import orbispace.core.design.SourcesEdit;
import orbispace.core.prove.Finding;
import orbispace.core.time.SongClock;
import orbispace.files.midi.MidiTempo;
import orbispace.files.project.Autosave;
import orbispace.files.project.ProjectFile;
import orbispace.files.sound.WavWriter;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class BringingTest {
    @TempDir Path folder;

    private final UiLoop ui = new UiLoop();
    private Desk desk = new Desk(ui, RecentProjects.inMemory(), Songs.facts());
    private Path project = Path.of(".");

    @BeforeEach
    void write() throws IOException {
        project = Songs.write(folder);
    }

    @AfterEach
    void close() {
        desk.close();
    }

    private void settle() throws InterruptedException {
        ui.until(() ->
                !desk.frame().jobs().busy() && !desk.frame().design().get().sources().isEmpty());
    }

    private Source source(String id) {
        return desk.frame().design().get().findSource(id).orElseThrow();
    }

    private Path copyOfDrum(String name, int later, float gain) throws IOException {
        float[] x = Songs.drum().channel(0);
        float[] y = new float[x.length];
        for (int i = later; i < y.length; i++) {
            y[i] = gain * x[i - later];
        }
        Path file = folder.resolve(name);
        WavWriter.write(file, Audio.of(Songs.RATE, y), WavWriter.Depth.FLOAT_32, "");
        return file;
    }

    @Test
    void filesOfAnyKindAndAMidiFileBecomeASongInOneStep() throws Exception {
        Path midi = folder.resolve("form.mid");
        MidiTempo.write(midi, SongClock.constant(96, 3, 4), List.of());
        Files.writeString(folder.resolve("broken.wav"), "words");
        desk.frame()
                .bringing()
                .bring(
                        List.of(
                                folder.resolve("drum.wav"),
                                folder.resolve("lead-voice.wav"),
                                folder.resolve("broken.wav"),
                                midi));
        settle();
        Design design = desk.frame().design().get();
        assertThat(design.sources()).hasSize(2);
        assertThat(design.sources().getFirst().role()).isEqualTo(Role.LEAD);
        assertThat(design.song().clock().bpmOfBar(1)).isEqualTo(96);
        assertThat(desk.frame().problem().get()).contains("broken.wav");
        assertThat(desk.frame().measured().materials()).hasSize(2);
    }

    @Test
    void moreStemsJoinTheOpenSongAndAreUndoneWithIt() throws Exception {
        desk.frame().opening().open(project);
        settle();
        desk.frame().bringing().bring(List.of(copyOfDrum("drum two.wav", 300, -1)));
        settle();
        assertThat(source("drum-two").role()).isEqualTo(Role.HITS);
        ui.until(() -> !desk.frame().measured().survey().findings().get().isEmpty());
        Finding found =
                desk.frame().measured().survey().findings().get().stream()
                        .filter(f -> f.rule().equals("unaligned"))
                        .findFirst()
                        .orElseThrow();
        assertThat(found.flag()).isEqualTo("300 late, inverted");
        desk.frame().edit(found.remedies().getFirst().edit());
        settle();
        assertThat(source("drum-two").placement().shiftFrames()).isEqualTo(-300);
        assertThat(desk.frame().measured().survey().findings().get())
                .noneMatch(f -> f.flag().contains("late"));
        desk.frame().editor().undo();
        desk.frame().editor().undo();
        settle();
        assertThat(desk.frame().design().get().findSource("drum-two")).isEmpty();
        desk.frame().editor().redo();
        settle();
        assertThat(desk.frame().measured().materials()).containsKey("drum-two");
    }

    @Test
    void stemsAreNotJudgedAnewWhileAReturnIsMoved() throws Exception {
        desk.frame().opening().open(project);
        settle();
        desk.frame().bringing().bring(List.of(copyOfDrum("drum two.wav", 300, -1)));
        settle();
        var survey = desk.frame().measured().survey();
        ui.until(() -> !survey.findings().get().isEmpty());
        settle();
        List<Finding> judged = survey.findings().get();
        desk.frame().edit(new ReturnEdit.Level("A", -7));
        settle();
        assertThat(survey.findings().get()).isSameAs(judged);
        desk.frame()
                .edit(
                        SourcesEdit.of(
                                desk.frame().design().get(),
                                source("drum").withRole(Role.COLOUR),
                                "role"));
        settle();
        assertThat(survey.findings().get()).isNotSameAs(judged);
    }

    @Test
    void aRemedyKeepsTheStepsMadeSinceItWasFound() throws Exception {
        copyOfDrum("drum two.wav", 300, 1);
        desk.frame()
                .bringing()
                .bring(List.of(folder.resolve("drum.wav"), folder.resolve("drum two.wav")));
        settle();
        ui.until(() -> !desk.frame().measured().survey().findings().get().isEmpty());
        // A change of role is measured in the background; the remedy is pressed meanwhile.
        Source drum = source("drum");
        desk.frame()
                .edit(
                        SourcesEdit.of(
                                desk.frame().design().get(), drum.withRole(Role.COLOUR), "role"));
        desk.frame()
                .edit(
                        desk.frame()
                                .measured()
                                .survey()
                                .findings()
                                .get()
                                .getFirst()
                                .remedies()
                                .getFirst()
                                .edit());
        assertThat(source("drum").role()).isEqualTo(Role.COLOUR);
        assertThat(source("drum-two").placement().shiftFrames()).isEqualTo(-300);
    }

    @Test
    void aProjectSavedElsewhereFindsItsStemsAfterUndoToo() throws Exception {
        desk.frame().opening().open(project);
        settle();
        desk.frame().edit(new ReturnEdit.Level("A", -9));
        Path elsewhere =
                Files.createDirectories(folder.resolve("kept")).resolve("f.orbispace.json");
        assertThat(desk.frame().opening().save(elsewhere)).isTrue();
        desk.frame().editor().undo();
        settle();
        assertThat(desk.frame().opening().save(elsewhere)).isTrue();
        desk.frame().edit(new ReturnEdit.Level("A", -13));
        desk.close();
        desk = new Desk(ui, RecentProjects.inMemory(), Songs.facts());
        desk.frame().opening().open(elsewhere);
        settle();
        assertThat(desk.song().stems().missing()).isEmpty();
        assertThat(desk.frame().measured().materials()).hasSize(3);
        desk.frame().bringing().takeRecovered();
        settle();
        assertThat(desk.frame().design().get().requireReturn("A").levelDb()).isEqualTo(-13);
        assertThat(desk.song().stems().missing()).isEmpty();
    }

    @Test
    void aMissingStemIsSearchedForAndRelinked(@TempDir Path away) throws Exception {
        Path inside = Files.createDirectories(folder.resolve("takes"));
        Files.move(folder.resolve("pad.wav"), inside.resolve("pad.wav"));
        Files.move(folder.resolve("drum.wav"), away.resolve("drum.wav"));
        desk.frame().opening().open(project);
        settle();
        assertThat(source("pad").file()).isEqualTo(Path.of("takes", "pad.wav").toString());
        assertThat(desk.frame().editor().dirty().get()).isTrue();
        assertThat(desk.song().stems().missing()).containsOnlyKeys("drum");
        assertThat(desk.frame().problem().get()).contains("drum.wav");
        assertThat(desk.frame().measured().materials()).containsOnlyKeys("lead-voice", "pad");
        assertThat(desk.frame().bringing().relinkFrom(inside)).isZero();
        assertThat(desk.frame().bringing().relinkFrom(away)).isEqualTo(1);
        ui.until(() -> desk.frame().measured().materials().containsKey("drum"));
        assertThat(desk.song().stems().missing()).isEmpty();
        desk.frame().bringing().relink(source("pad"), folder.resolve("lead-voice.wav"));
        settle();
        assertThat(source("pad").file()).isEqualTo("lead-voice.wav");
        desk.frame().editor().undo();
        settle();
        assertThat(desk.song().stems().missing()).isEmpty();
    }

    @Test
    void changesThatWereNeverSavedAreOfferedAndTakenUp() throws Exception {
        desk.frame().opening().open(project);
        settle();
        desk.frame().edit(new ReturnEdit.Level("A", -11));
        desk.close();
        desk = new Desk(ui, RecentProjects.inMemory(), Songs.facts());
        desk.frame().opening().open(project);
        settle();
        assertThat(desk.frame().bringing().recovered().get()).isNotNull();
        assertThat(desk.frame().design().get().requireReturn("A").levelDb()).isNotEqualTo(-11);
        desk.frame().bringing().takeRecovered();
        settle();
        assertThat(desk.frame().design().get().requireReturn("A").levelDb()).isEqualTo(-11);
        assertThat(desk.frame().editor().undoLabel().get()).isEqualTo("recover changes");
        assertThat(desk.frame().opening().save(project)).isTrue();
        desk.close();
        assertThat(Autosave.fileOf(project)).doesNotExist();
        assertThat(ProjectFile.previousOf(project)).exists();
        desk = new Desk(ui, RecentProjects.inMemory(), Songs.facts());
        desk.frame().opening().open(project);
        settle();
        assertThat(desk.frame().bringing().recovered().get()).isNull();
    }

    @Test
    void anEditBeforeTheChoiceLeavesWhatWasRecoveredBesideIt() throws Exception {
        Design design = ProjectFile.read(project).design();
        Design other = new ReturnEdit.Level("A", -20).applyTo(design);
        Autosave.keep(project, ProjectFile.read(project), other);
        desk.frame().opening().open(project);
        settle();
        desk.frame().edit(new ReturnEdit.Level("B", -20));
        desk.close();
        assertThat(folder.resolve("ferry.orbispace.recovered.json")).exists();
        assertThat(ProjectFile.read(Autosave.fileOf(project)).design().requireReturn("B").levelDb())
                .isEqualTo(-20);
        desk.frame().bringing().leaveRecovered();
    }

    @Test
    void layersOfOnePartAreJudgedTogether() throws Exception {
        desk.frame().opening().open(project);
        settle();
        int alone = phrases("lead-voice");
        Source lead = source("lead-voice").withGroup("Front");
        Source pad = source("pad").withGroup("Front").withGain(24);
        List<Source> grouped =
                desk.frame().design().get().sources().stream()
                        .map(s ->
                                s.id().equals("pad") ? pad : s.id().equals("lead-voice") ? lead : s)
                        .toList();
        desk.frame().edit(new SourcesEdit(grouped, "group"));
        settle();
        // The pad sounds through the voice's rests: together they are one phrase.
        assertThat(phrases("lead-voice")).isLessThan(alone);
        desk.frame()
                .edit(
                        SourcesEdit.of(
                                desk.frame().design().get(), lead.withRole(Role.BASS), "role"));
        settle();
        assertThat(material("lead-voice").phrases()).isEmpty();
    }

    private Material material(String id) {
        return Objects.requireNonNull(desk.frame().measured().materials().get(id));
    }

    private int phrases(String id) {
        return material(id).phrases().orElseThrow().spans().size();
    }
}
