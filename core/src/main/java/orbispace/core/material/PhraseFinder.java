package orbispace.core.material;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.IntPredicate;
import orbispace.core.audio.Audio;
import orbispace.core.audio.Decibels;
import orbispace.core.audio.Quantile;
import orbispace.core.signal.Biquad;
import orbispace.core.signal.FilterDesign;
import orbispace.core.signal.FilteredPower;
import orbispace.core.time.Span;

/**
 * Finds the phrases of a voice or lead in its level from 120 Hz to 8 kHz, frame by frame of 10 ms.
 *
 * <p>A frame sounds if it stands 4 dB over the rests and at most 21 dB under the loudest 50 ms
 * within 0.8 s, so that a breath before a phrase is not sung and a soft verse is. A short sound far
 * under its neighbours is a breath wherever it stands. Where the level drops steeply and then only
 * falls, a printed room rings on after the voice has stopped. Phrases last at least 120 ms, gaps at
 * least 150 ms, or 280 where something soft goes on in them.
 *
 * <p>Edges lie within 20 ms for voices 10 dB or more over their noise, with breaths from 20 dB
 * down; a printed room may move ends by 0.1 s, which is told. A sound whose loud and soft parts lie
 * less than 6 dB apart is one phrase if it lies above -70 dBFS, and none below.
 */
public final class PhraseFinder {
    private static final double FRAME_SECONDS = 0.01;
    private static final double LEAST_PHRASE_SECONDS = 0.12;
    private static final double LEAST_GAP_SECONDS = 0.15;
    private static final double SOFT_GAP_SECONDS = 0.28;
    private static final int CONSONANT_FRAMES = 10;
    private static final int CLOSURE_FRAMES = 8;
    private static final double HYSTERESIS_DB = 1;
    private static final double DEEPEST_DB = 60;
    private static final double LEAST_CONTRAST_DB = 6;
    private static final double SILENCE_DB = -70;
    private static final double REST_SHARE = 0.05;
    private static final double OVER_RESTS_DB = 4;
    private static final double UNDER_NEAR_DB = 21;
    private static final double NEAR_SECONDS = 0.8;
    private static final double BREATH_UNDER_DB = 16;
    private static final double BREATH_SECONDS = 0.7;
    private static final double NEIGHBOUR_SECONDS = 2.5;

    /** Of so many phrases more must end in a tail for a room to be there. */
    private static final double IN_ROOM = 0.5;

    private PhraseFinder() {}

    /** Finds the phrases of a stem of any rate and length. */
    public static Phrases find(Audio audio) {
        int frame = Math.max(1, (int) Math.round(FRAME_SECONDS * audio.sampleRateHz()));
        double frameSeconds = frame / audio.sampleRateHz();
        double[] levels = levels(audio, frame);
        double loud = loudDb(levels);
        for (int i = 0; i < levels.length; i++) {
            levels[i] = Math.max(levels[i], loud - DEEPEST_DB);
        }
        double rests = levels.length == 0 ? loud : Quantile.of(levels, REST_SHARE);
        if (loud <= SILENCE_DB || loud - rests < LEAST_CONTRAST_DB) {
            List<Span> whole =
                    loud > SILENCE_DB ? List.of(new Span(0, audio.seconds())) : List.of();
            return Phrases.found(whole, List.of(), new Phrases.Levels(rests, loud, loud));
        }
        double[] limits = limits(levels, rests);
        boolean[] sounds = sounding(levels, limits);
        double silent = rests + OVER_RESTS_DB;
        boolean[] rings = RoomTails.silence(levels, limits, silent, sounds, frameSeconds);
        boolean[] rest = new boolean[levels.length];
        for (int i = 0; i < rest.length; i++) {
            rest[i] = levels[i] <= silent || rings[i];
        }
        // A word may end in a soft sound, a closure and its release.
        addConsonants(rest, sounds);
        addConsonants(rest, sounds);
        List<Span> runs = withoutBreaths(runs(sounds), levels, frameSeconds);
        Phrases found = join(runs, rest, frameSeconds, levels(levels, sounds));
        return IN_ROOM * found.spans().size() < runs(rings).size() ? found.inRoom() : found;
    }

    private static double[] levels(Audio audio, int frame) {
        double rate = audio.sampleRateHz();
        List<Biquad> weighting = new ArrayList<>(FilterDesign.highPass(120, 2, rate));
        weighting.addAll(FilterDesign.lowPass(8000, 2, rate));
        double[] power = FilteredPower.of(audio, weighting, frame);
        for (int i = 0; i < power.length; i++) {
            power[i] = Math.max(-150, Decibels.ofPower(power[i]));
        }
        return power;
    }

    /** The level at which the energy is, however small a share of the time it takes. */
    private static double loudDb(double[] levels) {
        double first = 0;
        double second = 0;
        for (double db : levels) {
            double power = Decibels.toPower(db);
            first += power;
            second += power * power;
        }
        return first == 0 ? Double.NEGATIVE_INFINITY : Decibels.ofPower(second / first);
    }

    /** From which level each frame sounds, by the rests and by the loudest that is near. */
    private static double[] limits(double[] levels, double rests) {
        double[] limits = loudestNear(levels);
        for (int i = 0; i < limits.length; i++) {
            limits[i] = Math.max(rests + OVER_RESTS_DB, limits[i] - UNDER_NEAR_DB);
        }
        return limits;
    }

    private static boolean[] sounding(double[] levels, double[] limits) {
        boolean[] sounds = new boolean[levels.length];
        boolean on = false;
        for (int i = 0; i < levels.length; i++) {
            on = levels[i] > limits[i] + (on ? -HYSTERESIS_DB : HYSTERESIS_DB);
            sounds[i] = on;
        }
        return sounds;
    }

    /**
     * What is softer, and over within a tenth of a second, is a consonant of the run at whose edge
     * it is, also after a brief closure.
     */
    private static void addConsonants(boolean[] rest, boolean[] sounds) {
        boolean[] were = sounds.clone();
        for (int i = 1; i < were.length; i++) {
            if (were[i - 1] != were[i]) {
                int step = were[i] ? -1 : 1;
                int at = were[i] ? i - 1 : i;
                int begins = after(at, step, k -> rest[k] && !were[k], were.length);
                int ends = after(begins, step, k -> !rest[k] && !were[k], were.length);
                int closed = Math.abs(begins - at);
                int sounded = Math.abs(ends - begins);
                boolean alone = ends >= 0 && ends < were.length && !were[ends];
                if (closed <= CLOSURE_FRAMES && sounded <= CONSONANT_FRAMES && alone) {
                    for (int k = at; k != ends && sounded > 0; k += step) {
                        sounds[k] = true;
                    }
                }
            }
        }
    }

    /** The first frame in a direction for which something does not hold. */
    private static int after(int from, int step, IntPredicate holds, int frames) {
        int at = from;
        while (at >= 0 && at < frames && holds.test(at)) {
            at += step;
        }
        return at;
    }

    /** The highest mean over 50 ms within reach of each frame. */
    private static double[] loudestNear(double[] levels) {
        int reach = (int) Math.round(NEAR_SECONDS / FRAME_SECONDS);
        double[] means = new double[levels.length];
        for (int i = 0; i < means.length; i++) {
            int from = Math.max(0, i - 2);
            int to = Math.min(means.length, i + 3);
            means[i] = Arrays.stream(levels, from, to).average().orElse(levels[i]);
        }
        double[] near = new double[levels.length];
        for (int i = 0; i < near.length; i++) {
            near[i] =
                    Arrays.stream(
                                    means,
                                    Math.max(0, i - reach),
                                    Math.min(means.length, i + reach + 1))
                            .max()
                            .orElse(levels[i]);
        }
        return near;
    }

    /** A run of frames that sound. */
    private record Run(int from, int to) {}

    private static List<Run> runs(boolean[] sounds) {
        List<Run> runs = new ArrayList<>();
        int start = -1;
        for (int i = 0; i <= sounds.length; i++) {
            boolean on = i < sounds.length && sounds[i];
            if (start < 0 && on) {
                start = i;
            } else if (start >= 0 && !on) {
                runs.add(new Run(start, i));
                start = -1;
            }
        }
        return runs;
    }

    /** Leaves out what is short and far under a neighbour. */
    private static List<Span> withoutBreaths(List<Run> runs, double[] levels, double frameSeconds) {
        List<Span> kept = new ArrayList<>();
        double[] peak = runs.stream().mapToDouble(r -> peakDb(levels, r)).toArray();
        for (int i = 0; i < runs.size(); i++) {
            Run run = runs.get(i);
            boolean brief = (run.to - run.from) * frameSeconds < BREATH_SECONDS;
            boolean under = false;
            for (int k = 0; k < runs.size() && brief; k++) {
                int apart = Math.max(runs.get(k).from - run.to, run.from - runs.get(k).to);
                under |=
                        apart * frameSeconds < NEIGHBOUR_SECONDS
                                && peak[i] < peak[k] - BREATH_UNDER_DB;
            }
            if (!under) {
                kept.add(new Span(run.from * frameSeconds, run.to * frameSeconds));
            }
        }
        return kept;
    }

    private static double peakDb(double[] levels, Run run) {
        return Quantile.of(Arrays.copyOfRange(levels, run.from, run.to), 0.9);
    }

    /** Mean levels of the frames that rest and of those that sound, and their middle. */
    private static Phrases.Levels levels(double[] levels, boolean[] sounds) {
        double[] sum = new double[2];
        int[] count = new int[2];
        for (int i = 0; i < levels.length; i++) {
            int at = sounds[i] ? 1 : 0;
            sum[at] += levels[i];
            count[at]++;
        }
        double speaking = sum[1] / Math.max(1, count[1]);
        double floor = count[0] == 0 ? speaking - DEEPEST_DB : sum[0] / count[0];
        return new Phrases.Levels(floor, (floor + speaking) / 2, speaking);
    }

    /** Whether a gap is a closed or soft sound inside a phrase: brief, and no rest. */
    private static boolean isInside(Span gap, boolean[] rest, double frameSeconds) {
        if (gap.seconds() >= SOFT_GAP_SECONDS) {
            return false;
        }
        int from = (int) Math.round(gap.startSeconds() / frameSeconds);
        int to = (int) Math.round(gap.endSeconds() / frameSeconds);
        int quiet = 0;
        int longest = 0;
        for (int i = from; i < to; i++) {
            quiet = rest[i] ? quiet + 1 : 0;
            longest = Math.max(longest, quiet);
        }
        return longest * frameSeconds < LEAST_GAP_SECONDS - FRAME_SECONDS / 2;
    }

    private static Phrases join(
            List<Span> runs, boolean[] rest, double frameSeconds, Phrases.Levels levels) {
        List<Span> phrases = new ArrayList<>();
        List<Span> inner = new ArrayList<>();
        for (Span run : runs) {
            if (phrases.isEmpty()) {
                phrases.add(run);
                continue;
            }
            Span before = phrases.getLast();
            Span gap = new Span(before.endSeconds(), run.startSeconds());
            if (isInside(gap, rest, frameSeconds)) {
                inner.add(gap);
                phrases.set(phrases.size() - 1, new Span(before.startSeconds(), run.endSeconds()));
            } else {
                phrases.add(run);
            }
        }
        phrases.removeIf(p -> p.seconds() < LEAST_PHRASE_SECONDS);
        return Phrases.found(phrases, inner, levels);
    }
}
