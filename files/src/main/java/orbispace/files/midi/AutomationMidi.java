package orbispace.files.midi;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import javax.sound.midi.InvalidMidiDataException;
import javax.sound.midi.MetaMessage;
import javax.sound.midi.MidiEvent;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;
import orbispace.core.audio.Decibels;
import orbispace.core.design.Song;
import orbispace.core.plan.Automation;
import orbispace.files.AtomicFile;
import orbispace.files.FileProblem;
import orbispace.files.midi.ControllerTable.Controller;

/**
 * Automation as a Standard MIDI File of type 1: tempo, metre and section names on the first track,
 * one track per lane after it. Tick 0 is bar 1; what lies before it is written there.
 *
 * <p>A decay stands by its logarithm from 0.1 to 20 s, a width from 0 to 200 %, a predelay from 0
 * to 500 ms; they step. Any other value stands for a level: 0 for silence, then straight in dB from
 * {@link #LOWEST_DB} to {@link #HIGHEST_DB} at the highest value. A controller of 14 bits is sent
 * with its fine part 32 numbers above it.
 */
public final class AutomationMidi {
    /** Ticks per quarter note. */
    public static final int TICKS = MidiTempo.PPQ;

    /** The level that value 1 stands for. */
    public static final double LOWEST_DB = -72;

    /** The level that the highest value stands for. */
    public static final double HIGHEST_DB = 12;

    private static final int GRID = 10;

    private final Song song;
    private final ControllerTable table;

    /**
     * A writer.
     *
     * @param song whose time it takes
     * @param table which controller carries which lane
     */
    public AutomationMidi(Song song, ControllerTable table) {
        this.song = song;
        this.table = table;
    }

    /** Writes the lanes. */
    public void write(Automation automation, Path file) throws FileProblem {
        try {
            Sequence sequence = new Sequence(Sequence.PPQ, TICKS);
            Track time = sequence.createTrack();
            text(time, 0x03, 0, song.title());
            MidiTempo.writeTime(time, song.clock(), song.sections());
            for (int i = 0; i < automation.lanes().size(); i++) {
                Automation.Lane lane = automation.lanes().get(i);
                lane(sequence.createTrack(), lane, table.of(i, lane.name()));
            }
            AtomicFile.write(file, part -> MidiSystem.write(sequence, 1, part.toFile()));
        } catch (InvalidMidiDataException e) {
            throw FileProblem.writing(file, new IOException(e));
        }
    }

    private void lane(Track track, Automation.Lane lane, Controller to)
            throws InvalidMidiDataException {
        text(track, 0x03, 0, lane.name());
        List<Automation.Point> points = lane.points();
        int last = -1;
        for (int i = 0; i < points.size(); i++) {
            long tick = tick(points.get(i).beat());
            last =
                    event(
                            track,
                            to,
                            tick,
                            value(lane.quantity(), points.get(i).value(), to.fine()),
                            last);
            if (i + 1 < points.size() && lane.quantity() == Automation.Quantity.LEVEL) {
                last = between(track, to, points.get(i), points.get(i + 1), last);
            }
        }
    }

    /** Values on the way from one point to the next, straight in amplitude, on a fine grid. */
    private int between(
            Track track, Controller on, Automation.Point a, Automation.Point b, int before)
            throws InvalidMidiDataException {
        int last = before;
        double from = amplitude(a.value());
        double to = amplitude(b.value());
        if (from == to) {
            return last;
        }
        long end = tick(b.beat());
        for (long t = tick(a.beat()) + GRID; t < end; t += GRID) {
            double seconds = song.clock().secondsAt(t / (double) TICKS);
            double share = (seconds - a.seconds()) / (b.seconds() - a.seconds());
            double level = Decibels.ofAmplitude(Math.max(1e-9, from + share * (to - from)));
            last = event(track, on, t, value(level, on.fine()), last);
        }
        return last;
    }

    private static double amplitude(double db) {
        return db <= Automation.SILENT_DB ? 0 : Decibels.toAmplitude(db);
    }

    /** The value that stands for something that moves: of other than levels 0 is the least. */
    public static int value(Automation.Quantity quantity, double value, boolean fine) {
        return quantity == Automation.Quantity.LEVEL
                ? value(value, fine)
                : (int) Math.round(quantity.share(value) * (fine ? 16383 : 127));
    }

    /** The value that stands for a level. */
    public static int value(double levelDb, boolean fine) {
        int most = fine ? 16383 : 127;
        if (levelDb < LOWEST_DB) {
            return 0;
        }
        double share = (levelDb - LOWEST_DB) / (HIGHEST_DB - LOWEST_DB);
        return Math.clamp(Math.round(1 + share * (most - 1)), 1, most);
    }

    /** The level that a value stands for. */
    public static double levelDb(int value, boolean fine) {
        int most = fine ? 16383 : 127;
        return value == 0
                ? Automation.SILENT_DB
                : LOWEST_DB + (value - 1.0) / (most - 1) * (HIGHEST_DB - LOWEST_DB);
    }

    private static int event(Track track, Controller on, long tick, int value, int last)
            throws InvalidMidiDataException {
        if (value == last) {
            return last;
        }
        change(track, on.number(), on.fine() ? value >> 7 : value, tick);
        if (on.fine()) {
            change(track, on.number() + ControllerTable.FINE_OFFSET, value & 127, tick);
        }
        return value;
    }

    private static void change(Track track, int number, int value, long tick)
            throws InvalidMidiDataException {
        track.add(
                new MidiEvent(
                        new ShortMessage(ShortMessage.CONTROL_CHANGE, 0, number, value), tick));
    }

    private static long tick(double beat) {
        return Math.max(0, Math.round(beat * TICKS));
    }

    private static void text(Track track, int type, long tick, String text)
            throws InvalidMidiDataException {
        byte[] data = text.getBytes(StandardCharsets.UTF_8);
        track.add(new MidiEvent(new MetaMessage(type, data, data.length), tick));
    }
}
