package orbispace.bench.draft;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import orbispace.bench.truth.Sounds;

/**
 * A drum kit on nine microphones that hear each other: what a microphone does not stand at reaches
 * it later and fainter.
 */
final class MadeKit {
    private static final List<String> MICROPHONES =
            List.of(
                    "Kick in",
                    "Kick out",
                    "Snare top",
                    "Snare bot",
                    "HH",
                    "Rack tom",
                    "Floor tom",
                    "OH L",
                    "OH R");

    /** Bleed of kick, snare, hat and tom into each microphone, in dB; 0 where it stands. */
    private static final double[][] HEARS_DB = {
        {0, -22, -34, -24},
        {-2, -20, -32, -22},
        {-20, 0, -18, -16},
        {-18, -2, -22, -18},
        {-30, -16, 0, -26},
        {-20, -15, -24, -6},
        {-18, -17, -28, 0},
        {-14, -8, -10, -10},
        {-14, -9, -13, -10},
    };

    private final Map<String, float[]> stems = new LinkedHashMap<>();
    private final Random random;

    MadeKit(double seconds, Random random) {
        this.random = random;
        for (String name : MICROPHONES) {
            float[] x = new float[Players.frames(seconds)];
            Sounds.hiss(x, 2e-5, random);
            stems.put(name, x);
        }
    }

    Map<String, float[]> stems() {
        return stems;
    }

    /** Strikes: 0 kick, 1 snare, 2 hat, 3 floor tom. */
    void strike(int drum, double at, double level) {
        float[] stroke = new float[Players.frames(0.8)];
        Random seed = new Random(random.nextLong());
        switch (drum) {
            case 0 -> Sounds.kick(stroke, 0, level, seed);
            case 1 -> Sounds.snare(stroke, 0, level, seed);
            case 2 -> Sounds.metal(stroke, 0, 0.3 * level, 0.05, seed);
            default -> Players.pluck(stroke, 0, 82, 0.18, 0.5 * level, seed);
        }
        for (int m = 0; m < MICROPHONES.size(); m++) {
            double db = HEARS_DB[m][drum];
            // A third of a metre for every 6 dB, as in the open.
            int late = Players.frames(0.001 * -db / 6);
            add(
                    java.util.Objects.requireNonNull(stems.get(MICROPHONES.get(m))),
                    stroke,
                    at,
                    late,
                    Sounds.amplitude(db));
        }
    }

    private static void add(float[] x, float[] stroke, double at, int late, double gain) {
        int from = Players.frames(at) + late;
        for (int i = 0; i < stroke.length && from + i < x.length; i++) {
            x[from + i] += (float) (gain * stroke[i]);
        }
    }
}
