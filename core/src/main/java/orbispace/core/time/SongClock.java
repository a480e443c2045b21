package orbispace.core.time;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * Tempo and metre together: where bars lie, and how long a note value is at a bar.
 *
 * @param tempo beats to seconds
 * @param metre bars to beats
 * @param originSeconds when bar 1 begins, from the start of the stems; -600 to 600
 */
public record SongClock(TempoMap tempo, MetreMap metre, double originSeconds) {
    private static final double MOST_ORIGIN_SECONDS = 600;

    /** Checks the range. */
    public SongClock {
        if (!(Math.abs(originSeconds) <= MOST_ORIGIN_SECONDS)) {
            throw new IllegalArgumentException(
                    "bar 1 at " + originSeconds + " s is outside -600 to 600");
        }
    }

    /** A clock whose bar 1 begins with the stems. */
    public SongClock(TempoMap tempo, MetreMap metre) {
        this(tempo, metre, 0);
    }

    /**
     * A note value with its lengths at one place of the song.
     *
     * @param value the note value
     * @param quarters its length in quarters
     * @param nominalMillis length at the tempo in force there
     * @param actualMillis length when the tempo changes inside it
     */
    public record NoteLength(
            NoteValue value, double quarters, double nominalMillis, double actualMillis) {
        /** How often the nominal length fits into a second. */
        public double hertz() {
            return 1000 / nominalMillis;
        }
    }

    /**
     * The note value nearest to a time.
     *
     * @param value the note value
     * @param millis its nominal length
     * @param offsetMillis the time minus the note value
     */
    public record Nearest(NoteValue value, double millis, double offsetMillis) {
        /** The offset as a share of the note value, in percent. */
        public double offsetPercent() {
            return 100 * offsetMillis / millis;
        }
    }

    /** A constant tempo and metre. */
    public static SongClock constant(double bpm, int beatsPerBar, int beatUnit) {
        return new SongClock(TempoMap.constant(bpm), MetreMap.constant(beatsPerBar, beatUnit));
    }

    /** The same with bar 1 at another time. */
    public SongClock startingAt(double otherOriginSeconds) {
        return new SongClock(tempo, metre, otherOriginSeconds);
    }

    /** Seconds from the start of the stems to a beat. */
    public double secondsAt(double beat) {
        return originSeconds + tempo.secondsAt(beat);
    }

    /** The beat reached at a time from the start of the stems. */
    public double beatAt(double seconds) {
        return tempo.beatAt(seconds - originSeconds);
    }

    /** Seconds at which a bar starts. */
    public double secondsOfBar(int bar) {
        return secondsAt(metre.beatOfBar(bar));
    }

    /** The bar that is sounding at a time. */
    public int barAtSeconds(double seconds) {
        return metre.barAt(beatAt(seconds));
    }

    /** Tempo at the start of a bar. */
    public double bpmOfBar(int bar) {
        return tempo.bpmAt(metre.beatOfBar(bar));
    }

    /** A note value's lengths when it starts with a bar. */
    public NoteLength length(NoteValue value, int bar) {
        double beat = metre.beatOfBar(bar);
        double quarters = value.quarters(metre.at(bar).quartersPerBar());
        double actual = tempo.secondsAt(beat + quarters) - tempo.secondsAt(beat);
        return new NoteLength(
                value, quarters, quarters * 60_000 / tempo.bpmAt(beat), actual * 1000);
    }

    /** Every note value at a bar, shortest first. */
    public List<NoteLength> lengths(int bar) {
        List<NoteLength> lengths = new ArrayList<>();
        for (NoteValue value : NoteValue.all()) {
            lengths.add(length(value, bar));
        }
        lengths.sort(Comparator.comparingDouble(NoteLength::quarters));
        return List.copyOf(lengths);
    }

    /**
     * The note value nearest in ratio to a time at a bar.
     *
     * @param millis above 0
     */
    public Nearest nearest(double millis, int bar) {
        if (!(millis > 0 && millis < 1e9)) {
            throw new IllegalArgumentException("time " + millis + " ms is not above 0");
        }
        NoteLength best =
                lengths(bar).stream()
                        .min(
                                Comparator.comparingDouble(
                                        n -> Math.abs(Math.log(millis / n.nominalMillis()))))
                        .orElseThrow();
        return new Nearest(best.value(), best.nominalMillis(), millis - best.nominalMillis());
    }
}
