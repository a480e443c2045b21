package orbispace.app.session;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Objects;
import orbispace.app.Songs;
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
    private Session session = new Session(ui, RecentProjects.inMemory(), Songs.facts());
    private Path project = Path.of(".");

    @BeforeEach
    void write() throws IOException {
        project = Songs.write(folder);
    }

    @AfterEach
    void close() {
        session.close();
    }

    private void settle() throws InterruptedException {
        ui.until(() -> !session.jobs().busy() && !session.design().get().sources().isEmpty());
    }

    private Source source(String id) {
        return session.design().get().findSource(id).orElseThrow();
    }

    private Path copyOfDrum(String name, int later, float gain) throws IOException {
        float[] x = Songs.drum().channel(0);
        float[] y = new float[x.length];
        for (int i = later; i < y.length; i++) {
            y[i] = gain * x[i - later];
        }
        Path file = folder.resolve(name);
        WavWriter.write(file, Audio.of(48000, y), WavWriter.Depth.FLOAT_32, "");
        return file;
    }

    @Test
    void filesOfAnyKindAndAMidiFileBecomeASongInOneStep() throws Exception {
        Path midi = folder.resolve("form.mid");
        MidiTempo.write(midi, SongClock.constant(96, 3, 4), List.of());
        Files.writeString(folder.resolve("broken.wav"), "words");
        session.bringing()
                .bring(
                        List.of(
                                folder.resolve("drum.wav"),
                                folder.resolve("lead-voice.wav"),
                                folder.resolve("broken.wav"),
                                midi));
        settle();
        Design design = session.design().get();
        assertThat(design.sources()).hasSize(2);
        assertThat(design.sources().getFirst().role()).isEqualTo(Role.LEAD);
        assertThat(design.song().clock().bpmOfBar(1)).isEqualTo(96);
        assertThat(session.problem().get()).contains("broken.wav");
        assertThat(session.measured().materials()).hasSize(2);
    }

    @Test
    void moreStemsJoinTheOpenSongAndAreUndoneWithIt() throws Exception {
        session.open(project);
        settle();
        session.bringing().bring(List.of(copyOfDrum("drum two.wav", 300, -1)));
        settle();
        assertThat(source("drum-two").role()).isEqualTo(Role.HITS);
        ui.until(() -> !session.measured().survey().findings().get().isEmpty());
        Finding found =
                session.measured().survey().findings().get().stream()
                        .filter(f -> f.rule().equals("unaligned"))
                        .findFirst()
                        .orElseThrow();
        assertThat(found.flag()).isEqualTo("300 late, inverted");
        session.edit(found.remedies().getFirst().edit());
        settle();
        assertThat(source("drum-two").placement().shiftFrames()).isEqualTo(-300);
        assertThat(session.measured().survey().findings().get())
                .noneMatch(f -> f.flag().contains("late"));
        session.undo();
        session.undo();
        settle();
        assertThat(session.design().get().findSource("drum-two")).isEmpty();
        session.redo();
        settle();
        assertThat(session.measured().materials()).containsKey("drum-two");
    }

    @Test
    void aRemedyKeepsTheStepsMadeSinceItWasFound() throws Exception {
        copyOfDrum("drum two.wav", 300, 1);
        session.bringing()
                .bring(List.of(folder.resolve("drum.wav"), folder.resolve("drum two.wav")));
        settle();
        ui.until(() -> !session.measured().survey().findings().get().isEmpty());
        // A change of role is measured in the background; the remedy is pressed meanwhile.
        Source drum = source("drum");
        session.edit(SourcesEdit.of(session.design().get(), drum.withRole(Role.COLOUR), "role"));
        session.edit(
                session.measured()
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
        session.open(project);
        settle();
        session.edit(new ReturnEdit.Level("A", -9));
        Path elsewhere =
                Files.createDirectories(folder.resolve("kept")).resolve("f.orbispace.json");
        assertThat(session.save(elsewhere)).isTrue();
        session.undo();
        settle();
        assertThat(session.save(elsewhere)).isTrue();
        session.edit(new ReturnEdit.Level("A", -13));
        session.close();
        session = new Session(ui, RecentProjects.inMemory(), Songs.facts());
        session.open(elsewhere);
        settle();
        assertThat(session.stems().missing()).isEmpty();
        assertThat(session.measured().materials()).hasSize(3);
        session.bringing().takeRecovered();
        settle();
        assertThat(session.design().get().requireReturn("A").levelDb()).isEqualTo(-13);
        assertThat(session.stems().missing()).isEmpty();
    }

    @Test
    void aMissingStemIsSearchedForAndRelinked() throws Exception {
        Path inside = Files.createDirectories(folder.resolve("takes"));
        Files.move(folder.resolve("pad.wav"), inside.resolve("pad.wav"));
        Path away = Files.createTempDirectory("orbispace-away");
        Files.move(folder.resolve("drum.wav"), away.resolve("drum.wav"));
        session.open(project);
        settle();
        assertThat(source("pad").file()).isEqualTo(Path.of("takes", "pad.wav").toString());
        assertThat(session.dirty().get()).isTrue();
        assertThat(session.stems().missing()).containsOnlyKeys("drum");
        assertThat(session.problem().get()).contains("drum.wav");
        assertThat(session.measured().materials()).containsOnlyKeys("lead-voice", "pad");
        assertThat(session.bringing().relinkFrom(inside)).isZero();
        assertThat(session.bringing().relinkFrom(away)).isEqualTo(1);
        ui.until(() -> session.measured().materials().containsKey("drum"));
        assertThat(session.stems().missing()).isEmpty();
        session.bringing().relink(source("pad"), folder.resolve("lead-voice.wav"));
        settle();
        assertThat(source("pad").file()).isEqualTo("lead-voice.wav");
        session.undo();
        settle();
        assertThat(session.stems().missing()).isEmpty();
    }

    @Test
    void changesThatWereNeverSavedAreOfferedAndTakenUp() throws Exception {
        session.open(project);
        settle();
        session.edit(new ReturnEdit.Level("A", -11));
        session.close();
        session = new Session(ui, RecentProjects.inMemory(), Songs.facts());
        session.open(project);
        settle();
        assertThat(session.bringing().recovered().get()).isNotNull();
        assertThat(session.design().get().requireReturn("A").levelDb()).isNotEqualTo(-11);
        session.bringing().takeRecovered();
        settle();
        assertThat(session.design().get().requireReturn("A").levelDb()).isEqualTo(-11);
        assertThat(session.undoLabel().get()).isEqualTo("recover changes");
        assertThat(session.save(project)).isTrue();
        session.close();
        assertThat(Autosave.fileOf(project)).doesNotExist();
        assertThat(ProjectFile.previousOf(project)).exists();
        session = new Session(ui, RecentProjects.inMemory(), Songs.facts());
        session.open(project);
        settle();
        assertThat(session.bringing().recovered().get()).isNull();
    }

    @Test
    void anEditBeforeTheChoiceLeavesWhatWasRecoveredBesideIt() throws Exception {
        Design design = ProjectFile.read(project).design();
        Design other = new ReturnEdit.Level("A", -20).applyTo(design);
        Autosave.keep(project, ProjectFile.read(project), other);
        session.open(project);
        settle();
        session.edit(new ReturnEdit.Level("B", -20));
        session.close();
        assertThat(folder.resolve("ferry.orbispace.recovered.json")).exists();
        assertThat(ProjectFile.read(Autosave.fileOf(project)).design().requireReturn("B").levelDb())
                .isEqualTo(-20);
        session.bringing().leaveRecovered();
    }

    @Test
    void layersOfOnePartAreJudgedTogether() throws Exception {
        session.open(project);
        settle();
        int alone = phrases("lead-voice");
        Source lead = source("lead-voice").withGroup("Front");
        Source pad = source("pad").withGroup("Front").withGain(24);
        List<Source> grouped =
                session.design().get().sources().stream()
                        .map(s ->
                                s.id().equals("pad") ? pad : s.id().equals("lead-voice") ? lead : s)
                        .toList();
        session.edit(new SourcesEdit(grouped, "group"));
        settle();
        // The pad sounds through the voice's rests: together they are one phrase.
        assertThat(phrases("lead-voice")).isLessThan(alone);
        session.edit(SourcesEdit.of(session.design().get(), lead.withRole(Role.COLOUR), "role"));
        settle();
        assertThat(material("lead-voice").phrases()).isEmpty();
    }

    private Material material(String id) {
        return Objects.requireNonNull(session.measured().materials().get(id));
    }

    private int phrases(String id) {
        return material(id).phrases().orElseThrow().spans().size();
    }
}
