package orbispace.app.desk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Objects;
import java.util.Random;
import orbispace.app.Songs;
import orbispace.app.session.RecentProjects;
import orbispace.app.song.ReturnPicture;
import orbispace.app.song.SpaceKinds;
import orbispace.core.audio.Audio;
import orbispace.core.design.Gate;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Role;
import orbispace.core.design.Source;
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
    private final Desk desk = new Desk(ui, RecentProjects.inMemory(), Songs.facts());
    private Path project = Path.of(".");

    @BeforeEach
    void open() throws IOException, InterruptedException {
        project = Songs.write(folder);
        desk.orbit().depths().wanted().set(true);
        desk.frame().opening().open(project);
        settle();
    }

    @AfterEach
    void close() {
        desk.close();
    }

    private void settle() throws InterruptedException {
        ui.until(() ->
                desk.frame().measured().clearance().get() != null && !desk.frame().jobs().busy());
    }

    private Return ret(String id) {
        return desk.frame().design().get().requireReturn(id);
    }

    private String order() {
        return String.join(
                "", desk.frame().design().get().returns().stream().map(Return::id).toList());
    }

    @Test
    void returnsAreAddedCopiedMovedAndRemovedInStepsThatCanBeUndone() {
        desk.orbit().field().add(SpaceKinds.COPIES);
        assertThat(order()).isEqualTo("ABC");
        assertThat(desk.frame().selection().returnId().get()).isEqualTo("C");
        desk.orbit().field().duplicate(ret("A"));
        assertThat(ret("D").sends()).isEqualTo(ret("A").sends());
        desk.orbit().field().move(ret("D"), -3);
        assertThat(order()).isEqualTo("DABC");
        desk.orbit().field().move(ret("D"), -1);
        assertThat(order()).isEqualTo("DABC");
        desk.orbit().field().remove(ret("B"));
        assertThat(order()).isEqualTo("DAC");
        for (int i = 0; i < 4; i++) {
            desk.frame().editor().undo();
        }
        assertThat(order()).isEqualTo("AB");
    }

    @Test
    void everyKindCanBeHadAndMeasuredAndSixteenAreTheMost() throws InterruptedException {
        for (SpaceKinds kind : SpaceKinds.values()) {
            desk.orbit().field().become(ret("A"), kind);
            assertThat(SpaceKinds.of(ret("A").space())).contains(kind);
        }
        settle();
        while (desk.orbit().field().hasRoom()) {
            desk.orbit().field().add(SpaceKinds.ROOM);
        }
        desk.orbit().field().add(SpaceKinds.ROOM);
        assertThat(order()).isEqualTo("ABCDEFGHIJKLMNOP");
        settle();
        assertThat(desk.frame().measured().pictures()).hasSize(16);
    }

    @Test
    void aGateTakesItsThresholdFromTheHits() {
        desk.frame().edit(new ReturnEdit.SendLevel("A", "drum", -6.0));
        desk.orbit().field().gateReturn(ret("A"));
        Gate gate = Objects.requireNonNull(ret("A").gate());
        assertThat(gate.key()).isEqualTo("drum");
        assertThat(gate.length()).isNotNull();
        desk.orbit().field().gateSend(ret("A"), "drum");
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
        desk.orbit().field().convolve(ret("A"), file);
        settle();
        assertThat(ret("A").space())
                .isInstanceOfSatisfying(
                        Space.Convolution.class, c -> assertThat(c.file()).isEqualTo("pier.wav"));
        ReturnPicture picture = Objects.requireNonNull(desk.frame().measured().pictures().get("A"));
        assertThat(picture.decaySeconds()).isCloseTo(6.91 * 4000 / 48000, within(0.06));
        desk.frame().opening().save(project);
        settle();
        Files.delete(file);
        desk.frame().opening().open(project);
        settle();
        assertThat(desk.frame().problem().get()).contains("pier.wav");
        assertThat(desk.frame().measured().mix().get()).isNotNull();
        desk.orbit().field().convolve(ret("B"), folder.resolve("nothing.wav"));
        settle();
        assertThat(desk.frame().problem().get()).contains("nothing.wav");
        assertThat(ret("B").space()).isInstanceOf(Space.Echo.class);
    }

    @Test
    void aDistanceMovesAllSendsInOneStepAndFiltersAreSettled() throws InterruptedException {
        desk.orbit().depths().wanted().set(false);
        assertThat(desk.orbit().depths().heard().get()).isNull();
        desk.orbit().depths().wanted().set(true);
        settle();
        Source voice = source("lead-voice");
        double now = desk.orbit().depths().distance(List.of(voice)).orElseThrow();
        assertThat(desk.orbit().depths().place(List.of(voice), 2 * now)).isTrue();
        settle();
        assertThat(desk.orbit().depths().distance(List.of(voice)).orElseThrow())
                .isCloseTo(2 * now, within(0.06 * now));
        desk.frame().editor().undo();
        settle();
        Source none = new Source("no-one", "No one", "no.wav", Role.COLOUR, 0, 0);
        assertThat(desk.orbit().depths().place(List.of(none), 1)).isFalse();
        desk.orbit().settling().filters(ret("A"));
        settle();
        assertThat(desk.orbit().settling().byReturn().get("A")).contains("The same sound");
    }

    @Test
    void aGroupIsPlacedAsOneAndItsMembersKeepTheirDistances() throws InterruptedException {
        desk.frame().edit(new ReturnEdit.SendLevel("A", "pad", -9.0));
        settle();
        List<Source> both = List.of(source("lead-voice"), source("pad"));
        double voice = distance("lead-voice");
        double pad = distance("pad");
        assertThat(pad).isNotCloseTo(voice, within(0.05 * voice));
        double middle = desk.orbit().depths().distance(both).orElseThrow();
        assertThat(desk.orbit().depths().place(both, 0.7 * middle)).isTrue();
        settle();
        // Sends go by tenths of a decibel, and what one gives up covers less of the other.
        assertThat(distance("lead-voice")).isCloseTo(0.7 * voice, within(0.1 * voice));
        assertThat(distance("pad")).isCloseTo(0.7 * pad, within(0.1 * pad));
        desk.frame().editor().undo();
        settle();
        assertThat(distance("pad")).as("one step").isCloseTo(pad, within(0.03 * pad));
    }

    private Source source(String id) {
        return desk.frame().design().get().findSource(id).orElseThrow();
    }

    private double distance(String id) {
        return desk.orbit().depths().distance(List.of(source(id))).orElseThrow();
    }

    @Test
    void draftsAreComparedAndOneIsAdoptedInOneStep() throws InterruptedException {
        desk.orbit().drafting().start();
        ui.until(() -> desk.orbit().drafting().drafts().get().size() == 4);
        var drafted = desk.orbit().drafting().drafts().get().get(1);
        assertThat(drafted.pictures()).hasSameSizeAs(drafted.draft().returns());
        String before = order();
        desk.orbit().drafting().adopt(drafted);
        assertThat(desk.frame().design().get().returns()).isEqualTo(drafted.draft().returns());
        assertThat(desk.orbit().drafting().drafts().get()).isEmpty();
        desk.frame().editor().undo();
        assertThat(order()).isEqualTo(before);
    }
}
