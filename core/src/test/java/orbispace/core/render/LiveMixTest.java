package orbispace.core.render;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.lang.management.ManagementFactory;
import java.util.Map;
import orbispace.core.Elsewhere;
import orbispace.core.Signals;
import orbispace.core.audio.Audio;
import orbispace.core.design.Design;
import orbispace.core.design.Duck;
import orbispace.core.design.Edit;
import orbispace.core.design.Fields;
import orbispace.core.design.Filter;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.ReturnEdit;
import orbispace.core.render.LiveSettings.Hearing;
import org.junit.jupiter.api.Test;

class LiveMixTest {
    private static final double RATE = 48000;
    private static final int BLOCK = 256;

    private final SongMaterial material =
            new SongMaterial(
                    Map.of(
                            "voice", Signals.mono(RATE, Signals.sine(330, 0.2, 4, RATE)),
                            "bed", Signals.mono(RATE, Signals.noise(0.003, 100, 3000, 4, RATE, 2))),
                    RATE);
    private final Design design =
            new ReturnEdit.Ducking("A", new Duck("voice", 4, -50, 8, 6, 5, 50, 100))
                    .applyTo(Fields.two());

    private LiveMix mix(Design of, Hearing hearing) {
        return new LiveMix(LiveSettings.of(of, material, hearing), BLOCK);
    }

    private static float[][] play(LiveMix mix, int from, int frames) {
        float[][] out = new float[2][frames];
        float[] l = new float[BLOCK];
        float[] r = new float[BLOCK];
        for (int at = 0; at < frames; at += BLOCK) {
            int n = Math.min(BLOCK, frames - at);
            mix.process(from + at, l, r, n);
            System.arraycopy(l, 0, out[0], at, n);
            System.arraycopy(r, 0, out[1], at, n);
        }
        return out;
    }

    @Test
    void whatIsHeardIsWhatIsPrinted() {
        Audio printed =
                new Renderer(material, material.frames(), new StageCache(0))
                        .render(design, Job.QUIET)
                        .mix();
        float[][] heard = play(mix(design, Hearing.PLAIN), 0, material.frames());
        double difference = 0;
        double power = 0;
        for (int i = 0; i < printed.frames(); i++) {
            difference += Math.pow(heard[0][i] - printed.channel(0)[i], 2);
            power += Math.pow(printed.channel(0)[i], 2);
        }
        assertThat(10 * Math.log10(difference / power + 1e-30)).isLessThan(-90);
    }

    @Test
    void stemsThatAreStoredSoundAsThoseInMemoryAlsoAcrossAJump() {
        Map<String, Audio> elsewhere = new java.util.HashMap<>();
        material.audio().forEach((id, a) -> elsewhere.put(id, Elsewhere.stored(a)));
        SongMaterial stored = new SongMaterial(elsewhere, RATE);
        LiveMix held = mix(design, Hearing.PLAIN);
        LiveMix other = new LiveMix(LiveSettings.of(design, stored, Hearing.PLAIN), BLOCK);
        for (int from : new int[] {0, 100_000, 3 * 1024 - 40, 191_000}) {
            assertThat(play(other, from, 6000)).isDeepEqualTo(play(held, from, 6000));
        }
        Audio printed =
                new Renderer(stored, 99_999, new StageCache(0)).render(design, Job.QUIET).mix();
        Audio plain =
                new Renderer(material, 99_999, new StageCache(0)).render(design, Job.QUIET).mix();
        assertThat(printed.channel(0)).containsExactly(plain.channel(0));
    }

    @Test
    void aStoredStemIsReadOnceHoweverManyReturnsHearIt() {
        Elsewhere voice =
                new Elsewhere(java.util.Objects.requireNonNull(material.audio().get("voice")));
        Map<String, Audio> stems = new java.util.HashMap<>(material.audio());
        stems.put("voice", Audio.stored(RATE, voice));
        SongMaterial stored = new SongMaterial(stems, RATE);
        play(new LiveMix(LiveSettings.of(design, stored, Hearing.PLAIN), BLOCK), 0, 48_000);
        assertThat(voice.frames).isBetween(48_000L, 56_000L);
    }

    @Test
    void everyEditIsTakenWithoutAClick() {
        Duck quiet = new Duck("voice", 20, -60, 20, 0, 1, 50, 100);
        Design sineOnly =
                new ReturnEdit.SendLevel("A", "bed", null)
                        .applyTo(
                                new ReturnEdit.Ducking("A", quiet.withRange(0))
                                        .applyTo(Fields.two()));
        Edit[] edits = {
            new ReturnEdit.Decay("A", 3),
            new ReturnEdit.Predelay("A", new MusicalTime.Millis(95), 1),
            new ReturnEdit.EchoTime("B", new MusicalTime.Millis(333), 1),
            new ReturnEdit.FilterOut("A", new Filter(new Filter.Corner(600, 4), null)),
            new ReturnEdit.FilterOut("A", Filter.OPEN),
            new ReturnEdit.Level("A", -30),
            new ReturnEdit.SendLevel("B", "voice", null),
            new ReturnEdit.Feedback("B", 0.9),
            new ReturnEdit.EchoWidth("B", 0),
            new ReturnEdit.Ducking("A", quiet),
        };
        SongMaterial sine =
                new SongMaterial(
                        Map.of("voice", Signals.mono(RATE, Signals.sine(330, 0.2, 4, RATE))), RATE);
        for (Edit edit : edits) {
            LiveMix mix = new LiveMix(LiveSettings.of(sineOnly, sine, Hearing.PLAIN), BLOCK);
            play(mix, 0, 2 * (int) RATE);
            mix.set(LiveSettings.of(edit.applyTo(sineOnly), sine, Hearing.PLAIN));
            float[][] after = play(mix, 2 * (int) RATE, (int) RATE);
            double steepest = 0;
            for (int i = 2; i < after[0].length; i++) {
                // A click is a corner: the second difference of a sine of this level stays small.
                double corner = after[0][i] - 2.0 * after[0][i - 1] + after[0][i - 2];
                steepest = Math.max(steepest, Math.abs(corner));
            }
            assertThat(steepest).as(edit.subject()).isLessThan(0.004);
        }
    }

    @Test
    void anEditIsHeardWithinAHundredMillis() {
        LiveMix mix = mix(design, Hearing.PLAIN);
        play(mix, 0, (int) RATE);
        mix.set(LiveSettings.of(design, material, new Hearing(Map.of(), Map.of(), false, 0, null)));
        float[][] after = play(mix, (int) RATE, (int) (0.2 * RATE));
        double power = 0;
        for (int i = (int) (0.1 * RATE); i < after[0].length; i++) {
            power += after[0][i] * after[0][i];
        }
        assertThat(power).isLessThan(1e-6);
    }

    @Test
    void soloDimsTheOthersButKeepsTheirReturns() {
        Hearing solo =
                new Hearing(Map.of("bed", 0.125), Map.of("A", 0.0, "B", 0.0), false, 1, null);
        LiveMix mix = mix(design, solo);
        float[][] out = play(mix, 0, 4800);
        Audio bed = java.util.Objects.requireNonNull(material.audio().get("bed"));
        Audio voice = java.util.Objects.requireNonNull(material.audio().get("voice"));
        double half = Math.sqrt(0.5);
        for (int i = 1000; i < 4800; i += 111) {
            double expected = half * (voice.channel(0)[i] + 0.125 * bed.channel(0)[i]);
            assertThat((double) out[0][i]).isCloseTo(expected, within(1e-5));
        }
    }

    @Test
    void monoFoldsBothSidesToTheirMean() {
        LiveMix mix = mix(design, new Hearing(Map.of(), Map.of(), true, 1, null));
        float[][] out = play(mix, 0, (int) RATE);
        assertThat(out[0]).isEqualTo(out[1]);
    }

    @Test
    void returnsRingOnAfterTheSong() {
        LiveMix mix = mix(design, Hearing.PLAIN);
        play(mix, 0, material.frames());
        float[][] tail = play(mix, material.frames(), 4800);
        double power = 0;
        for (float x : tail[0]) {
            power += x * x;
        }
        assertThat(power).isGreaterThan(1e-4);
    }

    @Test
    void processingAllocatesNothing() {
        LiveMix mix = mix(design, Hearing.PLAIN);
        float[] l = new float[BLOCK];
        float[] r = new float[BLOCK];
        LiveSettings[] settings = {
            LiveSettings.of(new ReturnEdit.Decay("A", 2).applyTo(design), material, Hearing.PLAIN),
            LiveSettings.of(
                    new ReturnEdit.Predelay("A", new MusicalTime.Millis(5), 1).applyTo(design),
                    material,
                    Hearing.PLAIN)
        };
        var threads = (com.sun.management.ThreadMXBean) ManagementFactory.getThreadMXBean();
        long id = Thread.currentThread().threadId();
        for (int i = 0; i < 400; i++) {
            mix.set(settings[i % 2]);
            mix.process(i * BLOCK, l, r, BLOCK);
        }
        long allocated = 0;
        for (LiveSettings taken : settings) {
            mix.set(taken);
            long before = threads.getThreadAllocatedBytes(id);
            for (int i = 0; i < 200; i++) {
                mix.process(i * BLOCK, l, r, BLOCK);
            }
            allocated += threads.getThreadAllocatedBytes(id) - before;
        }
        // The measuring itself may take a few bytes; 400 blocks that allocated anything would take
        // far more.
        assertThat(allocated).isLessThan(4000);
    }

    @Test
    void aChangedShapeNeedsAnotherMix() {
        LiveMix mix = mix(design, Hearing.PLAIN);
        Design longer = new ReturnEdit.Decay("A", 2).applyTo(design);
        assertThat(mix.takes(LiveSettings.of(longer, material, Hearing.PLAIN))).isTrue();
        Design oneReturn =
                new Design(design.song(), design.sources(), design.returns().subList(0, 1));
        assertThat(mix.takes(LiveSettings.of(oneReturn, material, Hearing.PLAIN))).isFalse();
    }
}
