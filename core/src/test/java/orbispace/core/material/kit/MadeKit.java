package orbispace.core.material.kit;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import orbispace.core.audio.Audio;
import orbispace.core.audio.Decibels;

/** A kit played by code: drums with ghosts, flams and open hats, on microphones that hear all. */
final class MadeKit {
    static final double RATE = 44100;
    private static final int DRUMS = 5;
    private static final int BARS = 14;
    private static final List<String> NAMES =
            List.of("kick", "snare", "hat", "tom", "floor tom", "overhead", "room");

    final List<Audio> audio = new ArrayList<>();

    /** The strokes of each drum. */
    final List<List<Double>> strokes = new ArrayList<>();

    /** How many frames later the stem of each microphone lies. */
    final int[] late = new int[NAMES.size()];

    final double stepSeconds;
    private final SplittableRandom random;
    private final int frames;

    /**
     * Plays.
     *
     * @param loudestBleedDb how much softer than its own drum a close microphone hears others at
     *     least
     * @param lateStem the microphone whose stem lies later, and by how much
     */
    MadeKit(long seed, double loudestBleedDb, int lateStem, int lateFrames) {
        random = new SplittableRandom(seed);
        stepSeconds = 60 / (80 + 70 * random.nextDouble()) / 4;
        frames = (int) ((BARS * 16 * stepSeconds + 1) * RATE);
        late[lateStem] = lateFrames;
        float[][] drums = new float[DRUMS][frames];
        for (int d = 0; d < DRUMS; d++) {
            strokes.add(new ArrayList<>());
        }
        play(drums);
        for (int m = 0; m < NAMES.size(); m++) {
            audio.add(microphone(drums, m, loudestBleedDb));
        }
    }

    List<String> parts() {
        return NAMES.stream()
                .map(n -> n.equals("floor tom") ? "" : n)
                .map(n -> n.equals("tom") ? "" : n)
                .toList();
    }

    /** How late the stem lies against which a kit tells the others. */
    int lateAgainst(Kit kit) {
        for (int m = 0; m < late.length; m++) {
            if (kit.lines().get(m).samples() == 0) {
                return late[m];
            }
        }
        return 0;
    }

    private void play(float[][] drums) {
        for (int step = 0; step < BARS * 16; step++) {
            int in = step % 16;
            boolean fill = step / 16 % 3 == 2 && in >= 8;
            if (in == 0 || in == 8 || (in % 2 == 0 && random.nextDouble() < 0.15)) {
                strike(drums, 0, step, 0);
            }
            if (fill) {
                strike(drums, in < 12 ? 3 : 4, step, 0);
                continue;
            }
            if (in == 4 || in == 12) {
                strike(drums, 1, step, 0);
            } else if (in % 2 == 1 && random.nextDouble() < 0.25) {
                strike(drums, 1, step, -15 - 3 * random.nextDouble());
            }
            if (in % 2 == 0) {
                strike(drums, 2, step, in % 4 == 0 ? 0 : -4);
            }
        }
    }

    private void strike(float[][] drums, int drum, int step, double db) {
        double at = 0.2 + step * stepSeconds + 0.003 * (random.nextDouble() - 0.5);
        strokes.get(drum).add(at);
        double level = 0.4 * Decibels.toAmplitude(db + 3 * (random.nextDouble() - 0.5));
        boolean open = drum == 2 && random.nextDouble() < 0.12;
        int from = (int) (at * RATE);
        double low = 0;
        for (int i = 0; i < 1.6 * RATE && from + i < frames; i++) {
            double t = i / RATE;
            double noise = 2 * random.nextDouble() - 1;
            low += 0.35 * (noise - low);
            double x =
                    switch (drum) {
                        case 0 ->
                                Math.exp(-t / 0.07)
                                                * Math.sin(
                                                        2
                                                                * Math.PI
                                                                * (55 * t
                                                                        + 2
                                                                                * (1
                                                                                        - Math.exp(
                                                                                                -t
                                                                                                        / 0.02))))
                                        + 0.25 * Math.exp(-t / 0.003) * noise;
                        case 1 ->
                                0.6 * Math.exp(-t / 0.05) * Math.sin(2 * Math.PI * 190 * t)
                                        + 0.6 * Math.exp(-t / 0.07) * noise;
                        case 2 -> 0.5 * Math.exp(-t / (open ? 0.2 : 0.03)) * (noise - low);
                        case 3 ->
                                Math.exp(-t / 0.13) * Math.sin(2 * Math.PI * 118 * t)
                                        + 0.15 * Math.exp(-t / 0.006) * noise;
                        default ->
                                Math.exp(-t / 0.17) * Math.sin(2 * Math.PI * 78 * t)
                                        + 0.15 * Math.exp(-t / 0.006) * noise;
                    };
            drums[drum][from + i] += (float) (level * x);
        }
    }

    private Audio microphone(float[][] drums, int m, double loudestBleedDb) {
        float[] out = new float[frames];
        for (int d = 0; d < DRUMS; d++) {
            boolean own = d == m;
            double db = own ? 0 : loudestBleedDb - (loudestBleedDb + 24) * random.nextDouble();
            // Two microphones hear each other's drums over one distance.
            double far = own ? 0 : 0.0006 + 0.0005 * ((d + m) * 7 % 5 + Math.abs(d - m) % 3);
            double dull = own ? 1 : 0.4 + 0.4 * random.nextDouble();
            if (m >= DRUMS) {
                db = -6 - 6 * random.nextDouble();
                far = m == DRUMS ? 0.003 + 0.0004 * d : 0.012;
            }
            int delay = (int) Math.round(far * RATE) + late[m];
            double smooth = 0;
            double gain = Decibels.toAmplitude(db);
            for (int i = 0; i + delay < frames; i++) {
                smooth += dull * (drums[d][i] - smooth);
                out[i + delay] += (float) (gain * smooth);
            }
        }
        for (int i = 0; i < frames; i++) {
            out[i] += (float) (2e-4 * (2 * random.nextDouble() - 1));
        }
        return Audio.of(RATE, out);
    }
}
