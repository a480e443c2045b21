package orbispace.app.view.orbit;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.TimeoutException;
import javafx.scene.control.TextField;
import orbispace.app.Songs;
import orbispace.app.song.Prints;
import orbispace.app.view.WindowCase;
import orbispace.core.design.Return;
import orbispace.core.design.Space;
import orbispace.core.measure.Sweep;
import orbispace.demo.SimulatedUnit;
import orbispace.files.FileProblem;
import orbispace.files.sound.SoundReader;
import orbispace.files.sound.WavWriter;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

class UnitScreenTest extends WindowCase {
    @BeforeEach
    void orbit() {
        robot.interact(() -> {
            window.show("Orbit");
            desk.frame().selection().returnId().set("A");
            desk.orbit().units().open().set(true);
        });
        settle();
    }

    private void fill(String accessible, String text) {
        TextField field = (TextField) called(accessible);
        robot.interact(() -> field.setText(text));
    }

    private Return a() {
        return design().requireReturn("A");
    }

    /** A sweep that is shorter than what the window writes. */
    private void shortSweep(Path sweep, double seconds) throws FileProblem {
        Prints.makeFolder(java.util.Objects.requireNonNull(sweep.getParent()));
        WavWriter.write(
                sweep,
                new Sweep(design().song().sampleRateHz(), seconds).audio(),
                WavWriter.Depth.FLOAT_32,
                "");
    }

    @Test
    void theSimulatedUnitIsMeasuredAndItsResponseTakenIntoAReturn() throws FileProblem {
        shortSweep(folder.resolve("units/sweep.wav"), 1);
        press("Try a simulated unit");
        until(() -> desk.orbit().units().measured().get() != null);
        fill("decay that the unit's panel says", "2.0 s");
        assertThat(labels())
                .contains(SimulatedUnit.LATENCY_SAMPLES + " samples, 8.79 ms", "upside down")
                .anyMatch(l -> l.startsWith("2.00 s, 1"));
        press("Use its response in A");
        until(() -> a().space() instanceof Space.Convolution);
        assertThat(((Space.Convolution) a().space()).file()).isEqualTo("units/simulated-unit.wav");
        assertThat(labels()).contains("12.0 ppm apart, undone; let one clock serve both");
        settle();
        press("Use its response in A");
        until(() -> secondFile().endsWith("unit-2.wav"));
    }

    @Test
    void anotherSongHasItsOwnSweepAndNothingOfTheLastUnit()
            throws IOException, TimeoutException, FileProblem {
        shortSweep(folder.resolve("units/sweep.wav"), 1);
        press("Try a simulated unit");
        until(() -> desk.orbit().units().measured().get() != null);
        Path former = folder;
        open();
        orbit();
        assertThat(desk.orbit().units().measured().get()).isNull();
        press("Write it");
        Path sweep = folder.resolve("units/sweep.wav");
        until(() -> Files.exists(sweep) && !desk.frame().jobs().busy());
        assertThat(Sweep.of(SoundReader.read(sweep))).isEqualTo(new Sweep(Songs.RATE, 10));
        assertThat(folder).isNotEqualTo(former);
    }

    private String secondFile() {
        return a().space() instanceof Space.Convolution c ? c.file() : "";
    }

    @Test
    void aRecordingOfTheWrittenSweepIsMeasuredAndOurReverbSetLikeIt() throws FileProblem {
        Path sweep = folder.resolve("out/sweep.wav");
        shortSweep(sweep, 2);
        fill("sweep to play", sweep.toString());
        Path came = folder.resolve("plate-in-the-loft.wav");
        WavWriter.write(
                came, SimulatedUnit.record(SoundReader.read(sweep)), WavWriter.Depth.FLOAT_32, "");
        fill("recording of the sweep", came.toString());
        press("Measure it");
        until(() -> desk.orbit().units().measured().get() != null);
        assertThat(labels()).contains("plate-in-the-loft");
        press("Set our reverb like it");
        until(() -> fitted());
        press("Use that reverb in A");
        assertThat(a().space()).isInstanceOf(Space.Reverb.class);
        assertThat(((Space.Reverb) a().space()).decaySeconds()).isBetween(1.5, 2.1);
        assertThat(a().chain().width().factor()).isBetween(0.8, 1.5);
        robot.interact(desk.frame().editor()::undo);
    }

    private boolean fitted() {
        var now = desk.orbit().units().measured().get();
        return now != null && now.fit().isPresent();
    }

    @Test
    void whatIsNoRecordingOfTheSweepIsSaidAndNothingChanges() throws FileProblem {
        shortSweep(folder.resolve("units/sweep.wav"), 2);
        var before = design();
        fill("recording of the sweep", folder.resolve("pad.wav").toString());
        press("Measure it");
        until(() -> desk.frame().problem().get().contains("ends after"));
        fill("recording of the sweep", "");
        press("Measure it");
        assertThat(desk.frame().problem().get()).contains("Say where the file is");
        assertThat(design()).isEqualTo(before);
        press("Back to the field");
        assertThat(desk.orbit().units().open().get()).isFalse();
    }
}
