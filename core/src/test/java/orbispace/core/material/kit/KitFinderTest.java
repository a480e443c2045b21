package orbispace.core.material.kit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import orbispace.core.audio.Audio;
import orbispace.core.audio.Decibels;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** With {@code -Dorbispace.kits=30} it looks at thirty kits. */
class KitFinderTest {
    private static final int KITS = Integer.getInteger("orbispace.kits", 3);
    private static final int LOUDEST = 4;

    private record Played(MadeKit made, Kit kit) {}

    private static final List<Played> PLAYED = new ArrayList<>();

    @BeforeAll
    static void play() {
        for (int seed = 1; seed <= KITS; seed++) {
            MadeKit made = new MadeKit(seed, -6 - seed % 4 * 4, seed % 5, 10 * seed);
            PLAYED.add(new Played(made, KitFinder.find(made.audio, made.parts())));
        }
    }

    private static long near(List<Double> times, double at) {
        return times.stream().filter(t -> Math.abs(t - at) < 0.02).count();
    }

    private static List<Double> own(Kit kit, int stem) {
        return kit.stems().get(stem).own().stream().map(KitStem.Stroke::seconds).toList();
    }

    @Test
    void strokesOfAKitAreToldFromBleedInAllOfItsMicrophones() {
        long strokes = 0;
        long found = 0;
        long claimed = 0;
        long wrong = 0;
        for (Played p : PLAYED) {
            for (int d = 0; d < p.made.strokes.size(); d++) {
                List<Double> truth = p.made.strokes.get(d);
                List<Double> own = own(p.kit, d);
                strokes += truth.size();
                found += truth.stream().filter(t -> near(own, t) > 0).count();
                claimed += own.size();
                wrong += own.stream().filter(t -> near(truth, t) == 0).count();
            }
        }
        assertThat(found / (double) strokes).isGreaterThan(0.97);
        assertThat(wrong / (double) claimed).isLessThan(0.015);
    }

    @Test
    void theHitClockIsThatOfTheBusiestOwnStrokes() {
        for (Played p : PLAYED) {
            assertThat(p.kit.hitClockSeconds().orElse(0))
                    .as("two steps of %s s", p.made.stepSeconds)
                    .isCloseTo(2 * p.made.stepSeconds, within(0.03 * p.made.stepSeconds));
        }
    }

    @Test
    void stemsThatHearEachOtherAreLinedUpToASampleHoweverFarTheyStood() {
        int told = 0;
        int right = 0;
        for (Played p : PLAYED) {
            int reference = p.made.lateAgainst(p.kit);
            for (int d = 0; d < p.made.strokes.size(); d++) {
                Kit.Line line = p.kit.lines().get(d);
                int truth = p.made.late[d] - reference;
                told += line.known() ? 1 : 0;
                right += line.known() && Math.abs(line.samples() - truth) <= 1 ? 1 : 0;
            }
        }
        assertThat(told).isGreaterThan(3 * PLAYED.size());
        assertThat(right).isEqualTo(told);
    }

    @Test
    void drumsThatStillRingFromTheStrokeBeforeAreNotToldToLieAtOnce() {
        // Strokes follow each other in an eighth of a second, and ring for three of them.
        MadeKit made = new MadeKit(29, -10, 4, 290);
        Kit kit = KitFinder.find(made.audio, made.parts());
        assertThat(kit.lines().get(4).samples() - kit.lines().get(1).samples())
                .as("the floor tom beside the snare")
                .isCloseTo(290, within(1));
    }

    /** Two drums in line, 90 frames apart, and a cymbal that has no microphone. */
    private static List<Audio> besideACymbal() {
        java.util.SplittableRandom random = new java.util.SplittableRandom(9);
        float[][] stems = new float[2][(int) (30 * MadeKit.RATE)];
        for (int stroke = 0; stroke < 56; stroke++) {
            int at = (int) ((0.3 + 0.5 * stroke + 0.002 * random.nextDouble()) * MadeKit.RATE);
            int struck = stroke % 2;
            double hz = struck == 0 ? 70 : 190;
            double before = 0;
            for (int i = 0; i < 9000; i++) {
                double t = i / MadeKit.RATE;
                double noise = 2 * random.nextDouble() - 1;
                double drum =
                        Math.exp(-t / 0.06)
                                * (Math.sin(2 * Math.PI * hz * t)
                                        + 0.1 * Math.exp(-t / 0.01) * (noise + before));
                double cymbal = 0.02 * Math.exp(-t / 0.15) * (noise - before);
                before = noise;
                stems[struck][at + i] += (float) (0.4 * drum);
                stems[1 - struck][at + i + 90] += (float) (0.06 * drum);
                stems[0][at + i + 140] += (float) cymbal;
                stems[1][at + i + 20] += (float) cymbal;
            }
        }
        for (float[] stem : stems) {
            for (int i = 0; i < stem.length; i++) {
                stem[i] += (float) (1e-5 * (2 * random.nextDouble() - 1));
            }
        }
        return List.of(Audio.of(MadeKit.RATE, stems[0]), Audio.of(MadeKit.RATE, stems[1]));
    }

    @Test
    void aCymbalWithoutAMicrophoneDoesNotSayHowTheDrumsLie() {
        Kit kit = KitFinder.find(besideACymbal(), List.of("kick", "snare"));
        // The cymbal comes 120 frames apart: nothing is told rather than that.
        assertThat(kit.lines())
                .filteredOn(Kit.Line::known)
                .allMatch(l -> Math.abs(l.samples()) <= 1);
        assertThat(kit.combed(List.of(0.0, 0.0))).isZero();
    }

    /** A snare from above and from below, one upside down, and a kick. */
    private static List<Audio> fromBothSides(boolean above) {
        SplittableRandom random = new SplittableRandom(5);
        float[][] stems = new float[3][30 * 44100];
        for (int stroke = 0; stroke < 56; stroke++) {
            int from = 4410 + stroke * 22050;
            boolean kick = stroke % 2 == 0;
            for (int i = 0; i < 9000; i++) {
                double t = i / 44100.0;
                double noise = 2 * random.nextDouble() - 1;
                double drum =
                        Math.exp(-t / 0.06)
                                * (Math.sin(2 * Math.PI * (kick ? 60 : 190) * t) + 0.3 * noise);
                stems[0][from + i] += (float) ((above ? -1 : 1) * (kick ? 0.04 : 0.5) * drum);
                stems[1][from + i + 30] += (float) ((above ? 1 : -1) * (kick ? 0.03 : 0.3) * drum);
                stems[2][from + i + (kick ? 0 : 60)] += (float) ((kick ? 0.5 : 0.05) * drum);
            }
        }
        return List.of(
                Audio.of(44100, stems[0]), Audio.of(44100, stems[1]), Audio.of(44100, stems[2]));
    }

    @Test
    void oneOfTwoStemsOfADrumIsTurnedAndNotBoth() {
        for (boolean above : new boolean[] {false, true}) {
            Kit kit = KitFinder.find(fromBothSides(above), List.of("snare", "snare", "kick"));
            assertThat(kit.lines()).extracting(Kit.Line::known).containsOnly(true);
            assertThat(kit.lines().get(0).inverted()).isNotEqualTo(kit.lines().get(1).inverted());
            assertThat(Math.abs(kit.lines().get(1).late() - kit.lines().get(0).late()))
                    .isEqualTo(30);
            assertThat(kit.combed(List.of(0.0, 0.0, 0.0))).isCloseTo(0.6, within(0.03));
        }
    }

    @Test
    void aGateIsProposedThatPartsOwnStrokesFromAllBleed() {
        Played p = PLAYED.get(1);
        KitStem snare = p.kit.stems().get(1);
        assertThat(snare.own().stream().filter(KitStem.Stroke::ghost).count()).isGreaterThan(5);
        double threshold = snare.gate().orElseThrow().thresholdDb();
        assertThat(snare.own())
                .filteredOn(s -> !s.ghost())
                .allMatch(s -> s.peakDb() > threshold || !snare.gate().orElseThrow().isPlain());
        assertThat(snare.bleed()).isNotEmpty().allMatch(b -> b.from() != 1);
    }

    @Test
    void stemsWithoutSharedStrokesAreNoKitAndASilentOneHarmsNothing() {
        MadeKit made = PLAYED.getFirst().made;
        assertThat(PLAYED.getFirst().kit.sharing()).hasSizeGreaterThan(LOUDEST);
        Audio silence = Audio.of(MadeKit.RATE, new float[made.audio.getFirst().frames()]);
        Kit kit = KitFinder.find(List.of(made.audio.get(1), silence), List.of("snare", ""));
        assertThat(kit.sharing()).isEmpty();
        assertThat(kit.stems().get(1).own()).isEmpty();
        assertThat(kit.stems().getFirst().bleed())
                .as("what is none of the stems'")
                .allMatch(b -> b.from() < 0);
        assertThat(IntStream.range(0, 2).map(i -> kit.lines().get(i).samples()).sum()).isZero();
    }

    /** A snare, and a hat that comes with each of its strokes and once between them. */
    private static List<Audio> hatUnderSnare(double bleedDb) {
        int frames = 30 * 44100;
        SplittableRandom random = new SplittableRandom(3);
        float[] snare = new float[frames];
        float[] hat = new float[frames];
        float bleed = (float) Decibels.toAmplitude(bleedDb);
        for (int stroke = 0; stroke < 56; stroke++) {
            int from = 4410 + stroke * 22050;
            double low = 0;
            for (int i = 0; i < 20000 && from + i + 40 < frames; i++) {
                double noise = 2 * random.nextDouble() - 1;
                double hiss = 2 * random.nextDouble() - 1;
                low += 0.35 * (hiss - low);
                double t = i / 44100.0;
                float struck = (float) (stroke % 2 == 0 ? 0.5 * Math.exp(-t / 0.07) * noise : 0);
                float shut = (float) (0.1 * Math.exp(-t / 0.03) * (hiss - low));
                snare[from + i] += struck + 0.1f * shut;
                hat[from + i] += shut;
                hat[from + i + 40] += bleed * struck;
            }
        }
        return List.of(Audio.of(44100, snare), Audio.of(44100, hat));
    }

    @Test
    void strokesThatAlwaysComeWithBleedAreFoundBeneathIt() {
        // The snare never comes without the hat: by level its bleed is all that is heard there.
        Kit kit = KitFinder.find(hatUnderSnare(-24), List.of("snare", "hat"));
        assertThat(kit.stems().get(1).own()).hasSizeBetween(54, 56);
        assertThat(kit.stems().get(0).own()).hasSizeBetween(28, 29);
    }

    @Test
    void levinsonSolvesASymmetricSystemOfShiftedRows() {
        double[] row = {4, 1.5, -0.5, 0.25};
        double[] x = {1, -2, 0.5, 3};
        double[] wanted = new double[4];
        for (int i = 0; i < 4; i++) {
            for (int j = 0; j < 4; j++) {
                wanted[i] += row[Math.abs(i - j)] * x[j];
            }
        }
        assertThat(ShortFilter.levinson(row, wanted)).containsExactly(x, within(1e-9));
    }
}
