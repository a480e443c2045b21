package orbispace.files.midi;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Random;
import javax.sound.midi.InvalidMidiDataException;
import javax.sound.midi.MetaMessage;
import javax.sound.midi.MidiEvent;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.Track;
import orbispace.core.design.Section;
import orbispace.core.time.MetreMap;
import orbispace.core.time.SongClock;
import orbispace.core.time.TempoMap;
import orbispace.files.FileProblem;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class MidiTempoTest {
    @TempDir Path folder;

    private static void meta(Track track, int type, byte[] data, long tick)
            throws InvalidMidiDataException {
        track.add(new MidiEvent(new MetaMessage(type, data, data.length), tick));
    }

    private static byte[] micros(double bpm) {
        int m = (int) Math.round(60e6 / bpm);
        return new byte[] {(byte) (m >> 16), (byte) (m >> 8), (byte) m};
    }

    @Test
    void readsTempoMetreAndMarkersAfterSeveralChanges() throws Exception {
        Sequence sequence = new Sequence(Sequence.PPQ, 480);
        Track tempo = sequence.createTrack();
        Track notes = sequence.createTrack();
        meta(tempo, 0x58, new byte[] {4, 2, 24, 8}, 0);
        meta(tempo, 0x51, micros(100), 0);
        meta(tempo, 0x58, new byte[] {3, 2, 24, 8}, 4L * 4 * 480);
        meta(tempo, 0x51, micros(120), 4L * 4 * 480);
        meta(tempo, 0x51, micros(80), (16 + 6) * 480L);
        meta(notes, 0x06, "Verse".getBytes(StandardCharsets.UTF_8), 0);
        meta(notes, 0x07, "Chorus".getBytes(StandardCharsets.UTF_8), 16L * 480);
        meta(notes, 0x01, new byte[0], 28L * 480);
        Path file = folder.resolve("song.mid");
        MidiSystem.write(sequence, 1, file.toFile());

        MidiTempo.Form form = MidiTempo.read(file);
        SongClock clock = form.clock();
        assertThat(clock.metre().at(5).beatsPerBar()).isEqualTo(3);
        assertThat(clock.secondsOfBar(5)).isCloseTo(16 * 0.6, within(1e-4));
        assertThat(clock.secondsOfBar(7)).isCloseTo(16 * 0.6 + 6 * 0.5, within(1e-4));
        assertThat(clock.secondsOfBar(8)).isCloseTo(16 * 0.6 + 6 * 0.5 + 3 * 0.75, within(1e-4));
        assertThat(clock.bpmOfBar(7)).isCloseTo(80, within(1e-3));
        assertThat(form.sections())
                .containsExactly(new Section("Verse", 1, 4), new Section("Chorus", 5, 4));
    }

    @Test
    void whatIsWrittenIsReadAgainRitardandoIncluded() throws IOException {
        SongClock clock =
                new SongClock(
                        TempoMap.of(
                                List.of(
                                        TempoMap.Change.step(0, 84),
                                        new TempoMap.Change(16, 88, 52),
                                        TempoMap.Change.step(24, 52))),
                        MetreMap.constant(4, 4));
        List<Section> sections = List.of(new Section("A", 1, 4), new Section("B", 5, 2));
        Path file = folder.resolve("out.mid");
        MidiTempo.write(file, clock, sections);
        MidiTempo.Form read = MidiTempo.read(file);
        for (int bar = 1; bar <= 7; bar++) {
            assertThat(read.clock().secondsOfBar(bar))
                    .isCloseTo(clock.secondsOfBar(bar), within(1e-4));
        }
        assertThat(read.sections()).isEqualTo(sections);
    }

    @Test
    void aFileWithoutTempoIsAt120InFourFour() throws Exception {
        Sequence sequence = new Sequence(Sequence.PPQ, 96);
        sequence.createTrack();
        Path file = folder.resolve("plain.mid");
        MidiSystem.write(sequence, 0, file.toFile());
        MidiTempo.Form form = MidiTempo.read(file);
        assertThat(form.clock().bpmOfBar(9)).isEqualTo(120);
        assertThat(form.sections()).isEmpty();
    }

    private static void meta(javax.sound.midi.Track track, int type, long tick, int... data)
            throws Exception {
        byte[] bytes = new byte[data.length];
        for (int i = 0; i < data.length; i++) {
            bytes[i] = (byte) data[i];
        }
        track.add(
                new javax.sound.midi.MidiEvent(
                        new javax.sound.midi.MetaMessage(type, bytes, bytes.length), tick));
    }

    @Test
    void filmFramesAreSecondsAndTheTempoSaysHowManyBeatsPass() throws Exception {
        // 25 frames of 40 ticks: a tick is a millisecond.
        Sequence frames = new Sequence(Sequence.SMPTE_25, 40);
        javax.sound.midi.Track track = frames.createTrack();
        meta(track, 0x51, 0, 0x07, 0xA1, 0x20);
        meta(track, 0x51, 4000, 0x0F, 0x42, 0x40);
        meta(track, 0x58, 8000, 3, 2, 24, 8);
        meta(track, 0x06, 4000, 'B');
        meta(track, 0x06, 14000, 'C');
        Path film = folder.resolve("film.mid");
        MidiSystem.write(frames, 0, film.toFile());
        SongClock clock = MidiTempo.read(film).clock();
        // Two bars of four at 120 in 4 s, one at 60 to 8 s, then bars of three in 3 s.
        assertThat(clock.secondsOfBar(3)).isCloseTo(4, within(1e-9));
        assertThat(clock.secondsOfBar(4)).isCloseTo(8, within(1e-9));
        assertThat(clock.secondsOfBar(6)).isCloseTo(14, within(1e-9));
        assertThat(MidiTempo.read(film).sections())
                .containsExactly(new Section("B", 3, 3), new Section("C", 6, 1));
    }

    @Test
    void tenThousandChangesOfTempoAndMetreAreRead() throws Exception {
        Sequence sequence = new Sequence(Sequence.PPQ, 480);
        javax.sound.midi.Track track = sequence.createTrack();
        for (int i = 0; i < 10_000; i++) {
            meta(track, 0x51, 480L * 4 * i, 0x07, 0xA1, i & 0xFF);
            meta(track, 0x58, 480L * 4 * i, 4, 2, 24, 8);
        }
        Path file = folder.resolve("many.mid");
        MidiSystem.write(sequence, 0, file.toFile());
        MidiTempo.Form form = MidiTempo.read(file);
        assertThat(form.clock().tempo().changes()).hasSize(10_000);
        assertThat(form.clock().secondsOfBar(10_000)).isCloseTo(9999 * 2, within(6.0));
    }

    @Test
    void brokenFilesAreRefusedInOneLine() throws Exception {
        Path text = folder.resolve("words.mid");
        Files.writeString(text, "not music");
        Path empty = Files.createFile(folder.resolve("empty.mid"));
        Path cut = folder.resolve("cut.mid");
        MidiTempo.write(cut, SongClock.constant(96, 4, 4), List.of());
        Files.write(cut, java.util.Arrays.copyOf(Files.readAllBytes(cut), 30));
        for (Path file : List.of(text, empty, cut, folder, folder.resolve("gone.mid"))) {
            assertThatThrownBy(() -> MidiTempo.read(file))
                    .as(file.toString())
                    .isInstanceOf(FileProblem.class)
                    .hasMessageContaining(String.valueOf(file.getFileName()))
                    .hasMessageNotContaining("\n");
        }
    }

    @Test
    void mutatedFilesAreReadOrRefusedButNeverBreak() throws IOException {
        Path good = folder.resolve("good.mid");
        MidiTempo.write(good, SongClock.constant(96, 4, 4), List.of(new Section("A", 1, 8)));
        byte[] bytes = Files.readAllBytes(good);
        Random random = new Random(5);
        Path file = folder.resolve("mutant.mid");
        for (int round = 0; round < 300; round++) {
            byte[] mutant =
                    java.util.Arrays.copyOf(
                            bytes, round % 4 == 0 ? random.nextInt(bytes.length) : bytes.length);
            for (int k = 0; k < 1 + random.nextInt(4) && mutant.length > 0; k++) {
                mutant[random.nextInt(mutant.length)] = (byte) random.nextInt();
            }
            Files.write(file, mutant);
            try {
                assertThat(MidiTempo.read(file).clock()).isNotNull();
            } catch (FileProblem e) {
                assertThat(e.getMessage()).contains("mutant.mid").doesNotContain("\n");
            }
        }
    }
}
