package orbispace.app.session;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Objects;
import java.util.Random;
import orbispace.app.Songs;
import orbispace.core.audio.Audio;
import orbispace.core.design.Gate;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Space;
import orbispace.files.FileProblem;
import orbispace.files.sound.WavWriter;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class FieldEditingTest {
    @TempDir Path folder;

    private final UiLoop ui = new UiLoop();
    private final Session session = new Session(ui, RecentProjects.inMemory(), Songs.facts());
    private Path project = Path.of(".");

    @BeforeEach
    void open() throws IOException, InterruptedException {
        project = Songs.write(folder);
        session.open(project);
        settle();
    }

    @AfterEach
    void close() {
        session.close();
    }

    private void settle() throws InterruptedException {
        ui.until(() -> session.measured().clearance().get() != null && !session.jobs().busy());
    }

    private Return ret(String id) {
        return session.design().get().requireReturn(id);
    }

    private String order() {
        return String.join("", session.design().get().returns().stream().map(Return::id).toList());
    }

    @Test
    void returnsAreAddedCopiedMovedAndRemovedInStepsThatCanBeUndone() {
        session.field().add(SpaceKinds.DOUBLER);
        assertThat(order()).isEqualTo("ABC");
        assertThat(session.selection().returnId().get()).isEqualTo("C");
        session.field().duplicate(ret("A"));
        assertThat(ret("D").sends()).isEqualTo(ret("A").sends());
        session.field().move(ret("D"), -3);
        assertThat(order()).isEqualTo("DABC");
        session.field().move(ret("D"), -1);
        assertThat(order()).isEqualTo("DABC");
        session.field().remove(ret("B"));
        assertThat(order()).isEqualTo("DAC");
        for (int i = 0; i < 4; i++) {
            session.undo();
        }
        assertThat(order()).isEqualTo("AB");
    }

    @Test
    void everyKindCanBeHadAndMeasuredAndEightAreTheMost() throws InterruptedException {
        for (SpaceKinds kind : SpaceKinds.values()) {
            session.field().become(ret("A"), kind);
            assertThat(SpaceKinds.of(ret("A").space())).contains(kind);
        }
        settle();
        while (session.field().hasRoom()) {
            session.field().add(SpaceKinds.ROOM);
        }
        session.field().add(SpaceKinds.ROOM);
        assertThat(order()).isEqualTo("ABCDEFGH");
        settle();
        assertThat(session.measured().pictures()).hasSize(8);
    }

    @Test
    void aGateTakesItsThresholdFromTheHits() {
        session.edit(new ReturnEdit.SendLevel("A", "drum", -6.0));
        session.field().gateReturn(ret("A"));
        Gate gate = Objects.requireNonNull(ret("A").gate());
        assertThat(gate.key()).isEqualTo("drum");
        assertThat(gate.length()).isNotNull();
        session.field().gateSend(ret("A"), "drum");
        assertThat(Objects.requireNonNull(ret("A").sends().get("drum")).gate()).isNotNull();
    }

    @Test
    void anImpulseResponseIsReadAndKeptWithTheProject()
            throws InterruptedException, FileProblem, IOException {
        float[] x = new float[24000];
        Random random = new Random(1);
        for (int i = 0; i < x.length; i++) {
            x[i] = (float) (random.nextGaussian() * Math.exp(-i / 4000.0) / 4);
        }
        Path file = folder.resolve("pier.wav");
        WavWriter.write(file, Audio.of(48000, x), WavWriter.Depth.BITS_24, "response");
        session.field().convolve(ret("A"), file);
        settle();
        assertThat(ret("A").space())
                .isInstanceOfSatisfying(
                        Space.Convolution.class, c -> assertThat(c.file()).isEqualTo("pier.wav"));
        ReturnPicture picture = Objects.requireNonNull(session.measured().pictures().get("A"));
        assertThat(picture.decaySeconds()).isCloseTo(6.91 * 4000 / 48000, within(0.06));
        session.save(project);
        settle();
        Files.delete(file);
        session.open(project);
        settle();
        assertThat(session.problem().get()).contains("pier.wav");
        assertThat(session.measured().mix().get()).isNotNull();
        session.field().convolve(ret("B"), folder.resolve("nothing.wav"));
        settle();
        assertThat(session.problem().get()).contains("nothing.wav");
        assertThat(ret("B").space()).isInstanceOf(Space.Echo.class);
    }

    @Test
    void aDistanceMovesAllSendsInOneStepAndFiltersAreSettled() throws InterruptedException {
        double now =
                Objects.requireNonNull(session.field().depths().get("lead-voice"))
                        .criticalDistances()
                        .orElseThrow();
        assertThat(session.field().place("lead-voice", 2 * now)).isTrue();
        settle();
        assertThat(
                        Objects.requireNonNull(session.field().depths().get("lead-voice"))
                                .criticalDistances()
                                .orElseThrow())
                .isCloseTo(2 * now, within(0.03 * now));
        session.undo();
        settle();
        assertThat(session.field().place("no-one", 1)).isFalse();
        session.field().settleFilters(ret("A"));
        settle();
        assertThat(session.field().settled().get("A")).contains("The same sound");
    }

    @Test
    void draftsAreComparedAndOneIsAdoptedInOneStep() throws InterruptedException {
        session.drafting().start();
        ui.until(() -> session.drafting().drafts().get().size() == 3);
        var drafted = session.drafting().drafts().get().get(1);
        assertThat(drafted.pictures()).hasSameSizeAs(drafted.draft().returns());
        String before = order();
        session.drafting().adopt(drafted);
        assertThat(session.design().get().returns()).isEqualTo(drafted.draft().returns());
        assertThat(session.drafting().drafts().get()).isEmpty();
        session.undo();
        assertThat(order()).isEqualTo(before);
    }
}
