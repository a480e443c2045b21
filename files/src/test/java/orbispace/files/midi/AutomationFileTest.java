package orbispace.files.midi;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import javax.sound.midi.InvalidMidiDataException;
import javax.sound.midi.MetaMessage;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;
import orbispace.core.design.Design;
import orbispace.core.design.PlanCell;
import orbispace.core.design.Return;
import orbispace.core.design.Section;
import orbispace.core.design.SectionPlan;
import orbispace.core.design.Song;
import orbispace.core.design.Source;
import orbispace.core.design.Throw;
import orbispace.core.design.Trail;
import orbispace.core.plan.Automation;
import orbispace.core.time.MetreMap;
import orbispace.core.time.SongClock;
import orbispace.core.time.TempoMap;
import orbispace.files.project.ProjectFileTest;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Tempo changes and a ritardando lie between the lanes' points. */
class AutomationFileTest {
    @TempDir Path folder;

    private static Design design() {
        Design field = ProjectFileTest.design();
        SongClock clock =
                new SongClock(
                        TempoMap.of(
                                List.of(
                                        TempoMap.Change.step(0, 84),
                                        new TempoMap.Change(8, 84, 60),
                                        TempoMap.Change.step(12, 97.3))),
                        MetreMap.of(List.of(new MetreMap.Change(1, 4, 4))));
        PlanCell softer = PlanCell.PLAIN.withLevel(-6).withEdge(PlanCell.Edge.FADED).withRamp(1);
        Song song =
                new Song(
                        "Ferry",
                        48000,
                        clock,
                        List.of(
                                new Section("Verse", 1, 2),
                                new Section("Chorus", 3, 3)
                                        .withPlan(SectionPlan.NONE.withCell("A", softer))));
        List<Source> sources = field.sources();
        List<Return> returns = field.returns();
        return new Design(song, sources, returns)
                .withThrown(List.of(Throw.of("t1", "drum", "B", 13.25, 14.5, -3)));
    }

    /** Seconds of each tick, by the tempo of the file alone. */
    private static double seconds(Track time, long tick) {
        TreeMap<Long, Integer> tempo = new TreeMap<>();
        for (int i = 0; i < time.size(); i++) {
            if (time.get(i).getMessage() instanceof MetaMessage m && m.getType() == 0x51) {
                byte[] d = m.getData();
                tempo.put(
                        time.get(i).getTick(),
                        (d[0] & 255) << 16 | (d[1] & 255) << 8 | (d[2] & 255));
            }
        }
        double sum = 0;
        long at = 0;
        int micros = 500000;
        for (Map.Entry<Long, Integer> e : tempo.entrySet()) {
            if (e.getKey() >= tick) {
                break;
            }
            sum += (e.getKey() - at) * micros / 1e6 / AutomationMidi.TICKS;
            at = e.getKey();
            micros = e.getValue();
        }
        return sum + (tick - at) * micros / 1e6 / AutomationMidi.TICKS;
    }

    private Sequence written(boolean fine) throws IOException, InvalidMidiDataException {
        Path file = folder.resolve("ferry.mid");
        new AutomationMidi(design().song(), new ControllerTable(20, fine, Map.of()))
                .write(Automation.of(design()), file);
        return MidiSystem.getSequence(file.toFile());
    }

    @Test
    void everyPointIsReadBackAtItsMomentThroughTempoChanges()
            throws IOException, InvalidMidiDataException {
        Sequence sequence = written(true);
        Track time = sequence.getTracks()[0];
        List<Automation.Lane> lanes = Automation.of(design()).lanes();
        assertThat(sequence.getTracks()).hasSize(lanes.size() + 1);
        for (int lane = 0; lane < lanes.size(); lane++) {
            java.util.NavigableMap<Long, Integer> values =
                    values(sequence.getTracks()[lane + 1], 20 + lane);
            for (Automation.Point p : lanes.get(lane).points()) {
                long tick = Math.round(p.beat() * AutomationMidi.TICKS);
                assertThat(seconds(time, tick))
                        .as(lanes.get(lane).name() + " at beat " + p.beat())
                        .isCloseTo(p.seconds(), within(0.00075));
                int value = values.floorEntry(tick).getValue();
                assertThat(AutomationMidi.levelDb(value, true)).isCloseTo(p.value(), within(0.01));
            }
        }
    }

    private static java.util.NavigableMap<Long, Integer> values(Track track, int controller) {
        TreeMap<Long, Integer> coarse = new TreeMap<>();
        for (int i = 0; i < track.size(); i++) {
            if (track.get(i).getMessage() instanceof ShortMessage m
                    && m.getCommand() == ShortMessage.CONTROL_CHANGE) {
                long tick = track.get(i).getTick();
                int before = coarse.getOrDefault(tick, 0);
                coarse.put(
                        tick,
                        m.getData1() == controller
                                ? m.getData2() << 7 | (before & 127)
                                : (before & ~127) | m.getData2());
            }
        }
        return coarse;
    }

    @Test
    void theFileCarriesTempoMetreAndTheNamesOfSections()
            throws IOException, InvalidMidiDataException {
        Track time = written(false).getTracks()[0];
        StringBuilder names = new StringBuilder();
        for (int i = 0; i < time.size(); i++) {
            if (time.get(i).getMessage() instanceof MetaMessage m && m.getType() == 0x06) {
                names.append(new String(m.getData(), java.nio.charset.StandardCharsets.UTF_8))
                        .append(' ')
                        .append(time.get(i).getTick())
                        .append(' ');
            }
        }
        assertThat(names.toString()).isEqualTo("Verse 0 Chorus 7680 ");
        SongClock clock = design().song().clock();
        for (double beat : new double[] {4, 8, 9.5, 12, 16}) {
            assertThat(seconds(time, Math.round(beat * AutomationMidi.TICKS)))
                    .isCloseTo(clock.secondsAt(beat), within(1e-5));
        }
        MidiTempo.Form read = MidiTempo.read(folder.resolve("ferry.mid"));
        assertThat(read.clock().secondsAt(16)).isCloseTo(clock.secondsAt(16), within(1e-4));
    }

    @Test
    void valuesAndLevelsAreEachOthersInverse() {
        for (int v = 0; v < 128; v++) {
            assertThat(AutomationMidi.value(AutomationMidi.levelDb(v, false), false)).isEqualTo(v);
        }
        assertThat(AutomationMidi.value(99, false)).isEqualTo(127);
    }

    @Test
    void lanesTakeTheControllersChosenForThemAndTheOthersFollowInOrder()
            throws IOException, InvalidMidiDataException {
        List<String> lanes =
                Automation.of(design()).lanes().stream().map(Automation.Lane::name).toList();
        ControllerTable table =
                new ControllerTable(110, false, Map.of())
                        .with(lanes.getLast(), new ControllerTable.Controller(7, true));
        assertThat(table.of(0, lanes.getFirst()).number()).isEqualTo(110);
        assertThat(table.of(11, "other").number()).isEqualTo(1);
        assertThat(table.shared(lanes)).isEmpty();
        assertThat(
                        table.with(lanes.getFirst(), new ControllerTable.Controller(39, false))
                                .shared(lanes))
                .containsExactly(39);
        Path file = folder.resolve("chosen.mid");
        new AutomationMidi(design().song(), table).write(Automation.of(design()), file);
        Track last = MidiSystem.getSequence(file.toFile()).getTracks()[lanes.size()];
        Set<Integer> numbers = new TreeSet<>();
        for (int i = 0; i < last.size(); i++) {
            if (last.get(i).getMessage() instanceof ShortMessage m) {
                numbers.add(m.getData1());
            }
        }
        assertThat(numbers).containsExactly(7, 39);
        assertThatThrownBy(() -> new ControllerTable.Controller(32, true))
                .hasMessageContaining("0 to 31");
    }

    @Test
    void aThrowThatRepeatsInItsOwnWayHasALaneAndAReturnOfItsOwn() {
        Throw own =
                design().thrown()
                        .getFirst()
                        .withTrail(Trail.AS_RETURN.withFeedback(0.5).until(15.5));
        List<Automation.Lane> lanes = Automation.of(design().withThrown(List.of(own))).lanes();
        assertThat(lanes)
                .anyMatch(l -> l.name().equals("Drum to B Fog horn for throw t1"))
                .noneMatch(l -> l.name().equals("Drum to B Fog horn"));
        Automation.Lane shut =
                lanes.stream()
                        .filter(l -> l.name().equals("B Fog horn for throw t1 level"))
                        .findFirst()
                        .orElseThrow();
        assertThat(shut.points().getLast().value()).isEqualTo(Automation.SILENT_DB);
        assertThat(shut.points().getLast().beat()).isCloseTo(15.5, within(1e-3));
    }

    @Test
    void theTableHasARowForEachPoint() throws IOException {
        Path file = folder.resolve("ferry.csv");
        AutomationCsv.write(design().song(), Automation.of(design()), file);
        List<String> lines = Files.readAllLines(file);
        int points =
                Automation.of(design()).lanes().stream().mapToInt(l -> l.points().size()).sum();
        assertThat(lines).hasSize(points + 1);
        assertThat(lines.getFirst())
                .isEqualTo("lane,return,source,seconds,bar,beat in bar,dB,value,unit");
        assertThat(lines)
                .anyMatch(
                        l -> l.startsWith("Drum to B Fog horn,B,drum,") && l.endsWith("-3.000,,"));
        assertThat(lines).anyMatch(l -> l.endsWith("silent,,"));
    }
}
