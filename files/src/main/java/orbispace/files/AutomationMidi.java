package orbispace.files;

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

/**
 * Automation as a Standard MIDI File of type 1: tempo, metre and section names on the first track,
 * one track per lane after it. Tick 0 is bar 1; what lies before it is written there.
 *
 * <p>A value stands for a level: 0 for silence, then straight in dB from {@link #LOWEST_DB} to
 * {@link #HIGHEST_DB} at the highest value. With fine values a controller is sent with its fine
 * part 32 numbers above it.
 */
public final class AutomationMidi {
    /** Ticks per quarter note. */
    public static final int TICKS = MidiTempo.PPQ;

    /** The level that value 1 stands for. */
    public static final double LOWEST_DB = -72;

    /** The level that the highest value stands for. */
    public static final double HIGHEST_DB = 12;

    private static final int GRID = 10;
    private static final int FINE_OFFSET = 32;

    private final Song song;
    private final int firstController;
    private final boolean fine;

    /**
     * A writer.
     *
     * @param song whose time it takes
     * @param firstController number of the first lane's controller; the others follow, 0 to 119, or
     *     to 31 with fine values
     * @param fine whether levels have 14 bits instead of 7
     */
    public AutomationMidi(Song song, int firstController, boolean fine) {
        this.song = song;
        this.firstController = firstController;
        this.fine = fine;
    }

    /** The controller of a lane. */
    public int controller(int lane) {
        int most = fine ? FINE_OFFSET : 120;
        return Math.floorMod(firstController + lane, most);
    }

    /** Writes the lanes. */
    public void write(Automation automation, Path file) throws FileProblem {
        try {
            Sequence sequence = new Sequence(Sequence.PPQ, TICKS);
            Track time = sequence.createTrack();
            text(time, 0x03, 0, song.title());
            MidiTempo.writeTime(time, song.clock(), song.sections());
            for (int i = 0; i < automation.lanes().size(); i++) {
                lane(sequence.createTrack(), automation.lanes().get(i), i);
            }
            AtomicFile.write(file, part -> MidiSystem.write(sequence, 1, part.toFile()));
        } catch (InvalidMidiDataException e) {
            throw FileProblem.writing(file, new IOException(e));
        }
    }

    private void lane(Track track, Automation.Lane lane, int index)
            throws InvalidMidiDataException {
        text(track, 0x03, 0, lane.name());
        List<Automation.Point> points = lane.points();
        int last = -1;
        for (int i = 0; i < points.size(); i++) {
            long tick = tick(points.get(i).beat());
            last = event(track, index, tick, value(points.get(i).levelDb()), last);
            if (i + 1 < points.size()) {
                last = between(track, index, points.get(i), points.get(i + 1), last);
            }
        }
    }

    /** Values on the way from one point to the next, straight in amplitude, on a fine grid. */
    private int between(Track track, int index, Automation.Point a, Automation.Point b, int before)
            throws InvalidMidiDataException {
        int last = before;
        double from = amplitude(a.levelDb());
        double to = amplitude(b.levelDb());
        if (from == to) {
            return last;
        }
        long end = tick(b.beat());
        for (long t = tick(a.beat()) + GRID; t < end; t += GRID) {
            double seconds = song.clock().secondsAt(t / (double) TICKS);
            double share = (seconds - a.seconds()) / (b.seconds() - a.seconds());
            double level = Decibels.ofAmplitude(Math.max(1e-9, from + share * (to - from)));
            last = event(track, index, t, value(level), last);
        }
        return last;
    }

    private static double amplitude(double db) {
        return db <= Automation.SILENT_DB ? 0 : Decibels.toAmplitude(db);
    }

    /** The value that stands for a level. */
    public int value(double levelDb) {
        int most = fine ? 16383 : 127;
        if (levelDb < LOWEST_DB) {
            return 0;
        }
        double share = (levelDb - LOWEST_DB) / (HIGHEST_DB - LOWEST_DB);
        return Math.clamp(Math.round(1 + share * (most - 1)), 1, most);
    }

    /** The level that a value stands for. */
    public double levelDb(int value) {
        int most = fine ? 16383 : 127;
        return value == 0
                ? Automation.SILENT_DB
                : LOWEST_DB + (value - 1.0) / (most - 1) * (HIGHEST_DB - LOWEST_DB);
    }

    private int event(Track track, int lane, long tick, int value, int last)
            throws InvalidMidiDataException {
        if (value == last) {
            return last;
        }
        int controller = controller(lane);
        int coarse = fine ? value >> 7 : value;
        track.add(
                new MidiEvent(
                        new ShortMessage(ShortMessage.CONTROL_CHANGE, 0, controller, coarse),
                        tick));
        if (fine) {
            track.add(
                    new MidiEvent(
                            new ShortMessage(
                                    ShortMessage.CONTROL_CHANGE,
                                    0,
                                    controller + FINE_OFFSET,
                                    value & 127),
                            tick));
        }
        return value;
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
