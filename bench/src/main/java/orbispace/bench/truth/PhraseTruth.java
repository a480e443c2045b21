package orbispace.bench.truth;

import java.io.PrintStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import orbispace.core.audio.Audio;
import orbispace.core.material.PhraseFinder;
import orbispace.core.time.Span;

/** Phrases of made voices, over noise, with breaths, soft verses, long rests and rooms. */
final class PhraseTruth {
    private static final double NEAR_SECONDS = 0.02;
    private static final int NONE = 0;

    private PhraseTruth() {}

    /**
     * What is sung.
     *
     * @param noiseDb under the voice
     * @param breathDb of breaths re the voice; 0 for none
     * @param softDb by how much the second half is softer; 0 for none
     * @param share of the stem that is sung; 0 for most of it
     * @param roomDb of a printed room re the voice; 0 for none
     * @param roomSeconds its decay
     */
    private record Row(
            String name,
            double noiseDb,
            double breathDb,
            double softDb,
            double share,
            double roomDb,
            double roomSeconds) {}

    private static final List<Row> ROWS =
            List.of(
                    new Row("noise 60 dB under", 60, NONE, NONE, 0, NONE, 0),
                    new Row("noise 20 dB under", 20, NONE, NONE, 0, NONE, 0),
                    new Row("noise 10 dB under", 10, NONE, NONE, 0, NONE, 0),
                    new Row("breaths at -20 dB", 60, -20, NONE, 0, NONE, 0),
                    new Row("breaths at -26 dB", 50, -26, NONE, 0, NONE, 0),
                    new Row("sings 4 % of its stem", 60, -24, NONE, 0.043, NONE, 0),
                    new Row("second half 30 dB softer", 30, -24, -30, 0, NONE, 0),
                    new Row("room at -8 dB, 0.5 s", 60, NONE, NONE, 0, -8, 0.5),
                    new Row("room at -10 dB, 1.5 s", 60, NONE, NONE, 0, -10, 1.5),
                    new Row("room at -10 dB, 3 s", 60, NONE, NONE, 0, -10, 3),
                    new Row("room at -16 dB, 2 s", 60, NONE, NONE, 0, -16, 2),
                    new Row("room at -14 dB, 0.8 s, breaths", 60, -24, NONE, 0, -14, 0.8));

    /** What came of a row. */
    private static final class Tally {
        private int sung;
        private int near;
        private int missing;
        private int extra;
        private final List<Double> late = new ArrayList<>();
    }

    static void print(int seeds, PrintStream out) {
        out.println("| Voice | Phrases | Within 20 ms | Missed | Too many | Ends late by, 95 % |");
        out.println("| --- | --- | --- | --- | --- | --- |");
        for (Row row : ROWS) {
            Tally tally = new Tally();
            for (int seed = 0; seed < seeds; seed++) {
                for (boolean pitched : new boolean[] {true, false}) {
                    sing(row, pitched, new Random(31L * seed + 7), tally);
                }
            }
            tally.late.sort(null);
            double late =
                    tally.late.isEmpty() ? 0 : tally.late.get((int) (0.95 * tally.late.size()));
            out.printf(
                    Locale.ROOT,
                    "| %s | %d | %.0f %% | %d | %d | %.0f ms |%n",
                    row.name,
                    tally.sung,
                    100.0 * tally.near / tally.sung,
                    tally.missing,
                    tally.extra,
                    1000 * late);
        }
    }

    private static void sing(Row row, boolean pitched, Random random, Tally tally) {
        double length = row.share > 0 ? 90 : 40;
        float[] voice = Sounds.vowel((int) (length * Sounds.RATE), pitched, random);
        float[] x = new float[voice.length];
        List<Span> sung = new ArrayList<>();
        double at = 1;
        double all = 0;
        while (at < length - 5) {
            double lasts = 0.6 + 2.2 * random.nextDouble();
            double rest = 0.45 + 1.4 * random.nextDouble();
            if (row.share > 0 && all + lasts > row.share * length) {
                break;
            }
            boolean soft = row.softDb < 0 && at > length / 2;
            double level =
                    Sounds.amplitude((soft ? row.softDb : 0) + 3 * (random.nextDouble() - 0.5));
            syllables(x, voice, at, lasts, level, random);
            Span phrase = new Span(at, at + lasts);
            if (row.breathDb < 0) {
                double breath = 0.2 + 0.3 * random.nextDouble();
                double from = at - breath - 0.02 - 0.1 * random.nextDouble();
                if (sung.isEmpty() || from > sung.getLast().endSeconds() + 0.1) {
                    double soundness = 0.1 * level * Sounds.amplitude(row.breathDb);
                    Sounds.breath(x, from, breath, soundness, random);
                }
            }
            sung.add(phrase);
            all += lasts;
            at += lasts + rest + (row.share > 0 ? 8 * random.nextDouble() : 0);
        }
        if (row.roomDb < 0) {
            Sounds.room(x, row.roomDb, row.roomSeconds, random);
        }
        Sounds.hiss(x, 0.1 * Sounds.amplitude(row.softDb - row.noiseDb), random);
        compare(sung, PhraseFinder.find(Audio.of(Sounds.RATE, x)).spans(), tally);
    }

    private static void syllables(
            float[] x, float[] voice, double at, double lasts, double level, Random random) {
        double syllable = 0.16 + 0.1 * random.nextDouble();
        int from = (int) (at * Sounds.RATE);
        int to = (int) ((at + lasts) * Sounds.RATE);
        for (int i = from; i < to; i++) {
            double edge = Math.min(1, Math.min(i - from, to - i) / (0.008 * Sounds.RATE));
            double part = (i - from) / Sounds.RATE % syllable / syllable;
            double envelope = edge * (0.75 + 0.25 * Math.cos(2 * Math.PI * part));
            x[i] += (float) (level * envelope * voice[i]);
        }
    }

    private static void compare(List<Span> sung, List<Span> found, Tally tally) {
        List<Span> left = new ArrayList<>(found);
        for (Span phrase : sung) {
            tally.sung++;
            Span same = null;
            for (Span f : left) {
                double both =
                        Math.min(f.endSeconds(), phrase.endSeconds())
                                - Math.max(f.startSeconds(), phrase.startSeconds());
                same = both > phrase.seconds() / 2 ? f : same;
            }
            if (same == null) {
                tally.missing++;
                continue;
            }
            left.remove(same);
            double start = same.startSeconds() - phrase.startSeconds();
            double end = same.endSeconds() - phrase.endSeconds();
            tally.late.add(end);
            boolean near = Math.abs(start) <= NEAR_SECONDS && Math.abs(end) <= NEAR_SECONDS;
            tally.near += near ? 1 : 0;
        }
        tally.extra += left.size();
    }
}
