package orbispace.core.material.kit;

import java.util.List;
import java.util.OptionalDouble;
import java.util.function.BiPredicate;
import orbispace.core.audio.Decibels;

/**
 * What the stems of a kit hold together.
 *
 * @param stems in the order they were given
 * @param sharing indices of the stems that share strokes with others
 * @param lines how they lie in time, in the same order
 * @param heard how loud they hear each other's strokes, as they lie
 * @param hitClockSeconds from stroke to stroke of the busiest own strokes; empty for fewer than two
 */
public record Kit(
        List<KitStem> stems,
        List<Integer> sharing,
        List<Line> lines,
        List<Heard> heard,
        OptionalDouble hitClockSeconds) {
    /**
     * Where a stem lies in time.
     *
     * @param samples later than the stem with the most energy of its own; negative if earlier
     * @param known whether it and others hear each other, so that how far the microphones stood
     *     apart is not in it
     * @param inverted whether it is upside down against the loudest stem of its drum, or of the kit
     * @param late what of this no place of a microphone explains; 0 for a stem that is in line
     */
    public record Line(int samples, boolean known, boolean inverted, int late) {
        /** Whether something is to be put right. */
        public boolean isOff() {
            return late != 0 || (known && inverted);
        }
    }

    /**
     * How loud one stem hears the strokes of another.
     *
     * @param stem that hears
     * @param struck whose strokes they are
     * @param db against how loud they are in their own stem
     */
    public record Heard(int stem, int struck, double db) {}

    /** The material for which it is tried and holds. */
    public static final String HOLDS_FOR =
            "kits with 8 strokes and more of each drum, bleed from 6 dB down";

    /** What is no farther apart than this lies in line: its first notch is over 8 kHz. */
    public static final int IN_LINE_SAMPLES = 2;

    /** Keeps its own list. */
    public Kit {
        stems = List.copyOf(stems);
        sharing = List.copyOf(sharing);
        lines = List.copyOf(lines);
        heard = List.copyOf(heard);
    }

    /**
     * The loudest sound that comes twice in the sum of two stems of which one is late: the fainter
     * time against the louder, 0 to 1; 0 if no stem is late.
     *
     * @param faders of the stems, dB
     */
    public double combed(List<Double> faders) {
        return loudest(faders, (x, y) -> lines.get(x).late() != lines.get(y).late());
    }

    /**
     * The same of two stems of which one is upside down.
     *
     * @param faders of the stems, dB
     */
    public double cancelled(List<Double> faders) {
        return loudest(faders, (x, y) -> turned(x) != turned(y));
    }

    private boolean turned(int stem) {
        return lines.get(stem).known() && lines.get(stem).inverted();
    }

    private double loudest(List<Double> faders, BiPredicate<Integer, Integer> pair) {
        return heard.stream()
                .filter(h -> lines.get(h.stem).known() && lines.get(h.struck).known())
                .filter(h -> pair.test(h.stem, h.struck))
                .mapToDouble(h -> -Math.abs(h.db + faders.get(h.stem) - faders.get(h.struck)))
                .map(Decibels::toAmplitude)
                .max()
                .orElse(0);
    }
}
