package orbispace.files.midi;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.NavigableMap;
import java.util.TreeMap;
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
import orbispace.files.AtomicFile;
import orbispace.files.FileProblem;
import orbispace.files.sound.Chunks;

/**
 * Tempo, metre and sections from a Standard MIDI File of format 0 or 1, and back.
 *
 * <p>Markers and cue points become sections that end where the next begins. Ritardandi are written
 * as a tempo every sixteenth that keeps every bar in place.
 */
public final class MidiTempo {
    private static final int TEMPO = 0x51;
    private static final int METRE = 0x58;
    private static final int MARKER = 0x06;
    private static final int CUE = 0x07;
    static final int PPQ = 960;
    private static final double RAMP_STEP_BEATS = 0.25;
    private static final double DEFAULT_BPM = 120;

    private MidiTempo() {}

    /**
     * What a file says.
     *
     * @param clock tempo and metre; 120 bpm and 4/4 where it says none
     * @param sections from its markers
     */
    public record Form(SongClock clock, List<Section> sections) {
        /** Keeps its own list. */
        public Form {
            sections = List.copyOf(sections);
        }
    }

    /**
     * Reads a file.
     *
     * @throws FileProblem in one line
     */
    public static Form read(Path file) throws FileProblem {
        if (!Files.isRegularFile(file)) {
            throw FileProblem.reading(file, new IOException("not a regular file"));
        }
        try {
            requireWhole(file);
            Sequence sequence = MidiSystem.getSequence(file.toFile());
            if (sequence.getResolution() < 1) {
                throw new FileProblem(file + ": divides time by nothing; export it again");
            }
            return form(file, sequence);
        } catch (InvalidMidiDataException | IllegalArgumentException e) {
            throw new FileProblem(file + ": is not a whole Standard MIDI File; export it again", e);
        } catch (OutOfMemoryError e) {
            throw new FileProblem(file + ": promises more than it can hold; export it again", e);
        } catch (IOException e) {
            throw e instanceof java.io.EOFException
                    ? new FileProblem(file + ": is cut off; export it again", e)
                    : FileProblem.reading(file, e);
        }
    }

    /** The reader of the platform takes a file that ends early for a whole one. */
    private static void requireWhole(Path file) throws IOException {
        try (FileChannel channel = FileChannel.open(file)) {
            if (!Chunks.id(Chunks.bytes(channel, 0, 4)).equals("MThd")) {
                throw new FileProblem(file + ": is not a Standard MIDI File; export it again");
            }
            long at = 0;
            while (at + 8 <= channel.size()) {
                ByteBuffer head = Chunks.bytes(channel, at, 8).order(ByteOrder.BIG_ENDIAN);
                at += 8 + (head.getInt(4) & 0xFFFFFFFFL);
            }
            if (at > channel.size()) {
                throw new FileProblem(file + ": is cut off; export it again");
            }
        }
    }

    /** What the meta events of a file say, each at its tick. */
    private record Marks(
            NavigableMap<Long, Double> tempi,
            NavigableMap<Long, int[]> metres,
            NavigableMap<Long, String> markers) {}

    /** Beats of ticks. */
    private interface Ruler {
        double beat(long tick);
    }

    private static Form form(Path file, Sequence sequence) throws FileProblem {
        Marks marks = new Marks(new TreeMap<>(), new TreeMap<>(), new TreeMap<>());
        for (Track track : sequence.getTracks()) {
            for (int i = 0; i < track.size(); i++) {
                MidiEvent event = track.get(i);
                if (event.getMessage() instanceof MetaMessage meta) {
                    take(file, meta, event.getTick(), marks);
                }
            }
        }
        List<TempoMap.Change> tempi = new ArrayList<>();
        tempi.add(TempoMap.Change.step(0, DEFAULT_BPM));
        Ruler ruler = ruler(sequence, marks, tempi);
        TreeMap<Double, String> markers = new TreeMap<>();
        marks.markers().forEach((tick, name) -> markers.put(ruler.beat(tick), name));
        MetreMap metre = metre(marks.metres(), ruler);
        int endBar = metre.barAt(ruler.beat(sequence.getTickLength()) - 1e-6) + 1;
        return new Form(new SongClock(TempoMap.of(tempi), metre), sections(markers, metre, endBar));
    }

    /**
     * Fills in the tempo map and answers what maps ticks to beats. With a PPQ division ticks are
     * beats; with an SMPTE division they are seconds, and the tempo events say how many beats pass.
     */
    private static Ruler ruler(Sequence sequence, Marks marks, List<TempoMap.Change> tempi) {
        float frames = sequence.getDivisionType();
        if (frames == Sequence.PPQ) {
            double ppq = sequence.getResolution();
            marks.tempi().forEach((tick, bpm) -> tempi.add(TempoMap.Change.step(tick / ppq, bpm)));
            return tick -> tick / ppq;
        }
        // 30 drop-frame counts 29.97 frames a second.
        double perSecond =
                sequence.getResolution()
                        * (frames == Sequence.SMPTE_30DROP ? 30000.0 / 1001 : frames);
        double beat = 0;
        double last = 0;
        double bpm = DEFAULT_BPM;
        for (var entry : marks.tempi().entrySet()) {
            double seconds = entry.getKey() / perSecond;
            beat += (seconds - last) * bpm / 60;
            last = seconds;
            bpm = entry.getValue();
            tempi.add(TempoMap.Change.step(beat, bpm));
        }
        TempoMap map = TempoMap.of(tempi);
        return tick -> map.beatAt(tick / perSecond);
    }

    private static void take(Path file, MetaMessage meta, long tick, Marks marks)
            throws FileProblem {
        byte[] data = meta.getData();
        if (meta.getType() == TEMPO && data.length >= 3) {
            int micros = ((data[0] & 0xFF) << 16) | ((data[1] & 0xFF) << 8) | (data[2] & 0xFF);
            double bpm = micros == 0 ? 0 : 60e6 / micros;
            if (bpm < 5 || bpm > 1000) {
                throw new FileProblem(file + ": has a tempo outside 5 to 1000 bpm at tick " + tick);
            }
            marks.tempi().put(tick, bpm);
        } else if (meta.getType() == METRE && data.length >= 2) {
            marks.metres().put(tick, new int[] {data[0], 1 << data[1]});
        } else if (meta.getType() == MARKER || meta.getType() == CUE) {
            marks.markers().put(tick, new String(data, StandardCharsets.UTF_8).strip());
        }
    }

    /** A metre that changes inside a bar counts from the beginning of that bar. */
    private static MetreMap metre(NavigableMap<Long, int[]> metres, Ruler ruler) {
        List<MetreMap.Change> changes = new ArrayList<>();
        changes.add(new MetreMap.Change(1, 4, 4));
        double start = 0;
        for (var entry : metres.entrySet()) {
            MetreMap.Change last = changes.getLast();
            double into = Math.max(0, ruler.beat(entry.getKey()) - start);
            int bars = (int) Math.floor(into / last.quartersPerBar() + 1e-9);
            if (bars == 0) {
                changes.removeLast();
            }
            start += bars * last.quartersPerBar();
            changes.add(
                    new MetreMap.Change(
                            last.bar() + bars, entry.getValue()[0], entry.getValue()[1]));
        }
        return MetreMap.of(changes);
    }

    private static List<Section> sections(
            NavigableMap<Double, String> markers, MetreMap metre, int endBar) {
        TreeMap<Integer, String> byBar = new TreeMap<>();
        markers.forEach((beat, name) -> byBar.put(metre.barAt(beat + 1e-6), name));
        List<Section> sections = new ArrayList<>();
        for (var entry : byBar.entrySet()) {
            Integer next = byBar.higherKey(entry.getKey());
            int end = next == null ? Math.max(endBar, entry.getKey() + 1) : next;
            sections.add(new Section(entry.getValue(), entry.getKey(), end - entry.getKey()));
        }
        return sections;
    }

    /** Writes tempo, metre and the sections as markers. */
    public static void write(Path file, SongClock clock, List<Section> sections)
            throws FileProblem {
        try {
            Sequence sequence = new Sequence(Sequence.PPQ, PPQ);
            Track track = sequence.createTrack();
            writeTime(track, clock, sections);
            AtomicFile.write(file, temporary -> MidiSystem.write(sequence, 0, temporary.toFile()));
        } catch (InvalidMidiDataException e) {
            throw new FileProblem(file + ": the tempo map cannot be written as MIDI", e);
        }
    }

    /** Writes metre, tempo and the sections as markers onto a track of {@link #PPQ} ticks. */
    static void writeTime(Track track, SongClock clock, List<Section> sections)
            throws InvalidMidiDataException {
        for (MetreMap.Change m : clock.metre().changes()) {
            byte[] data = {
                (byte) m.beatsPerBar(), (byte) Integer.numberOfTrailingZeros(m.beatUnit()), 24, 8
            };
            add(track, METRE, data, clock.metre().beatOfBar(m.bar()));
        }
        writeTempi(track, clock.tempo());
        for (Section s : sections) {
            add(
                    track,
                    MARKER,
                    s.name().getBytes(StandardCharsets.UTF_8),
                    clock.metre().beatOfBar(s.firstBar()));
        }
        if (!sections.isEmpty()) {
            add(track, 0x01, new byte[0], clock.metre().beatOfBar(sections.getLast().endBar()));
        }
    }

    private static void writeTempi(Track track, TempoMap tempo) throws InvalidMidiDataException {
        List<TempoMap.Change> changes = tempo.changes();
        for (int i = 0; i < changes.size(); i++) {
            TempoMap.Change c = changes.get(i);
            if (c.bpm() == c.endBpm() || i + 1 == changes.size()) {
                addTempo(track, c.beat(), c.bpm());
                continue;
            }
            double end = changes.get(i + 1).beat();
            for (double beat = c.beat(); beat < end - 1e-9; beat += RAMP_STEP_BEATS) {
                double to = Math.min(end, beat + RAMP_STEP_BEATS);
                addTempo(
                        track,
                        beat,
                        60 * (to - beat) / (tempo.secondsAt(to) - tempo.secondsAt(beat)));
            }
        }
    }

    private static void addTempo(Track track, double beat, double bpm)
            throws InvalidMidiDataException {
        int micros = (int) Math.round(60e6 / bpm);
        add(
                track,
                TEMPO,
                new byte[] {(byte) (micros >> 16), (byte) (micros >> 8), (byte) micros},
                beat);
    }

    private static void add(Track track, int type, byte[] data, double beat)
            throws InvalidMidiDataException {
        track.add(new MidiEvent(new MetaMessage(type, data, data.length), Math.round(beat * PPQ)));
    }
}
