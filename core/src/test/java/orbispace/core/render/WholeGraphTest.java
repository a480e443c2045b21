package orbispace.core.render;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import orbispace.core.Signals;
import orbispace.core.audio.Audio;
import orbispace.core.design.Chain;
import orbispace.core.design.Design;
import orbispace.core.design.Drive;
import orbispace.core.design.Duck;
import orbispace.core.design.FieldEdit;
import orbispace.core.design.Fields;
import orbispace.core.design.Filter;
import orbispace.core.design.Gate;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Role;
import orbispace.core.design.Section;
import orbispace.core.design.Send;
import orbispace.core.design.Song;
import orbispace.core.design.Space;
import orbispace.core.design.Width;
import orbispace.core.space.CopiesSettings;
import orbispace.core.space.EchoSettings;
import orbispace.core.space.GatedSettings;
import orbispace.core.space.ReverbKind;
import orbispace.core.time.MetreMap;
import orbispace.core.time.SongClock;
import orbispace.core.time.TempoMap;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;

class WholeGraphTest {
    private static final double RATE = 48000;
    private static final int BLOCK = 256;

    private static float[] drum() {
        float[] x = Signals.noise(0.004, 3000, 9000, 4, RATE, 3);
        for (double hit = 0.5; hit < 3.6; hit += 0.5) {
            int at = (int) (hit * RATE);
            for (int i = 0; i < 9600; i++) {
                x[at + i] +=
                        (float)
                                (0.4
                                        * Math.exp(-i / 2400.0)
                                        * Math.cos(2 * Math.PI * 120 * i / RATE));
            }
        }
        return x;
    }

    private static Audio response() {
        SplittableRandom random = new SplittableRandom(4);
        float[] x = new float[30000];
        for (int i = 0; i < x.length; i++) {
            x[i] = (float) (random.nextGaussian() * Math.exp(-i / 5000.0));
        }
        return Audio.of(RATE, x);
    }

    private static final SongMaterial MATERIAL =
            new SongMaterial(
                    Map.of(
                            "voice", Signals.mono(RATE, Signals.sine(330, 0.2, 4, RATE)),
                            "drum", Signals.mono(RATE, drum())),
                    RATE,
                    new Responses(Map.of("pier.wav", Responses.Recorded.of(response()))));

    private static Return ret(String id, Chain chain, Map<String, Send> sends) {
        return new Return(id, id, sends, Map.of(), chain, -3, new Return.Timing(1, false));
    }

    private static Gate gate(String key, @Nullable MusicalTime length) {
        return new Gate(key, Filter.OPEN, -20, 4, 120, 1, 40, 25, length);
    }

    private static final MusicalTime EIGHTH = new MusicalTime.Note(Fields.note("1/8"), 0);

    /** Every kind of space and stage, with feeds. */
    private static Design design() {
        Map<String, Send> voice = Map.of("voice", Send.of(-6));
        Map<String, Send> gated = Map.of("drum", Send.of(-4).withGate(gate("", null)));
        Filter filter = new Filter(new Filter.Corner(200, 2), new Filter.Corner(6000, 2));
        Duck duck = new Duck("voice", 6, -40, 4, 6, 5, 50, 120);
        Return driven =
                ret(
                        "A",
                        Chain.of(new Space.Reverb(ReverbKind.PLATE, 0.8, 1, 0.7, 1))
                                .withDrive(new Drive(9, false))
                                .withFilterIn(filter)
                                .withDuck(duck),
                        voice);
        Return wall =
                ret(
                        "B",
                        Chain.of(new Space.Reverb(ReverbKind.ROOM, 0.9, 1, 0.8, 1))
                                .withGate(gate("drum", EIGHTH)),
                        gated);
        Return convolved =
                ret("C", Chain.of(new Space.Convolution("pier.wav", 0, 0, 1, 1, 1)), voice)
                        .withFeeds(Map.of("D", -6.0, "A", -9.0));
        Return echo =
                ret(
                        "D",
                        Chain.of(
                                        new Space.Echo(
                                                EchoSettings.Kind.PAIR,
                                                new MusicalTime.Millis(230),
                                                EIGHTH,
                                                0.4,
                                                new EchoSettings.Loop(100, 5000, 0.3, 1, 0.6),
                                                0.8))
                                .withDrive(new Drive(6, true))
                                .withWidth(new Width(1.3, 150)),
                        voice);
        Return copies =
                ret(
                        "E",
                        Chain.of(
                                new Space.Copies(
                                        List.of(
                                                new CopiesSettings.Voice(0.011, -6, -1),
                                                new CopiesSettings.Voice(0.017, 6, 1)),
                                        150,
                                        false)),
                        voice);
        Return burst =
                ret(
                        "F",
                        Chain.of(new Space.Gated(GatedSettings.Envelope.FLAT, EIGHTH, 12, 8000)),
                        gated);
        Return pressed =
                ret("G", Chain.of(new Space.Parallel(-30, 4, 6, 5, 80, 6)), gated)
                        .withFilterOut(filter);
        return new Design(
                Fields.song(120),
                List.of(Fields.source("voice", Role.LEAD), Fields.source("drum", Role.HITS)),
                List.of(driven, wall, convolved, echo, copies, burst, pressed));
    }

    @Test
    void whatIsHeardIsWhatIsPrintedWithin90Decibels() {
        Design design = design();
        Audio printed =
                new Renderer(MATERIAL, MATERIAL.frames(), new StageCache(0))
                        .render(design, Job.QUIET)
                        .mix();
        LiveMix mix =
                new LiveMix(LiveSettings.of(design, MATERIAL, LiveSettings.Hearing.PLAIN), BLOCK);
        float[][] heard = play(mix, MATERIAL.frames());
        double difference = 0;
        double power = 0;
        for (int c = 0; c < 2; c++) {
            // The last frames of a print know nothing of what would follow.
            for (int i = 0; i < printed.frames() - 64; i++) {
                double d = printed.channel(c)[i] - heard[c][i];
                difference += d * d;
                power += (double) printed.channel(c)[i] * printed.channel(c)[i];
            }
        }
        assertThat(10 * Math.log10(difference / power)).isLessThan(-90);
    }

    private static float[][] play(LiveMix mix, int frames) {
        float[][] out = new float[2][frames];
        float[] l = new float[BLOCK];
        float[] r = new float[BLOCK];
        for (int at = 0; at < frames; at += BLOCK) {
            int n = Math.min(BLOCK, frames - at);
            mix.process(at, l, r, n);
            System.arraycopy(l, 0, out[0], at, n);
            System.arraycopy(r, 0, out[1], at, n);
        }
        return out;
    }

    @Test
    void bleedNeverReachesAGatedSpace() {
        Design design = design();
        Renderer renderer = new Renderer(MATERIAL, MATERIAL.frames(), new StageCache(0));
        Audio wet = renderer.wet(design, design.requireReturn("B"), Job.QUIET);
        double hits = wet.slice((int) (0.5 * RATE), (int) (0.7 * RATE)).meanSquare();
        double between = wet.slice((int) (0.80 * RATE), (int) (0.99 * RATE)).meanSquare();
        assertThat(10 * Math.log10((between + 1e-30) / hits)).isLessThan(-40);
    }

    @Test
    void aDrivenReturnLinesUpWithItsSource() {
        float[] click = new float[24000];
        click[10000] = 0.01f;
        SongMaterial material = new SongMaterial(Map.of("voice", Signals.mono(RATE, click)), RATE);
        Chain chain =
                Chain.of(new Space.Parallel(0, 1, 0, 5, 80, 0)).withDrive(new Drive(1, false));
        Design one =
                new Design(
                        Fields.song(120),
                        List.of(Fields.source("voice", Role.LEAD)),
                        List.of(ret("A", chain, Map.of("voice", Send.of(0)))));
        Audio wet =
                new Renderer(material, 24000, new StageCache(0))
                        .wet(one, one.requireReturn("A"), Job.QUIET);
        int loudest = 0;
        for (int i = 0; i < wet.frames(); i++) {
            loudest = Math.abs(wet.channel(0)[i]) > Math.abs(wet.channel(0)[loudest]) ? i : loudest;
        }
        assertThat(loudest).isEqualTo(10000);
    }

    @Test
    void timesThatFollowTheSectionsArriveToTheSampleInEach() {
        SongClock clock =
                new SongClock(
                        TempoMap.of(
                                List.of(
                                        new TempoMap.Change(0, 120, 120),
                                        new TempoMap.Change(8, 90, 90))),
                        MetreMap.of(List.of(new MetreMap.Change(1, 4, 4))));
        Song song =
                new Song(
                        "Two tempi",
                        RATE,
                        clock,
                        List.of(new Section("One", 1, 2), new Section("Two", 3, 2)));
        float[] clicks = new float[(int) (8 * RATE)];
        clicks[24000] = 1;
        clicks[(int) (6 * RATE)] = 1;
        SongMaterial material = new SongMaterial(Map.of("voice", Signals.mono(RATE, clicks)), RATE);
        Space echo =
                Space.Echo.pingPong(new MusicalTime.Note(Fields.note("1/4"), 0), 0, 20, 20000, 1);
        Return r =
                ret("A", Chain.of(echo), Map.of("voice", Send.of(0)))
                        .withTiming(new Return.Timing(1, true));
        Design design = new Design(song, List.of(Fields.source("voice", Role.LEAD)), List.of(r));
        Audio wet =
                new Renderer(material, material.frames(), new StageCache(0))
                        .wet(design, r, Job.QUIET);
        assertThat(Math.abs(wet.channel(0)[24000 + 24000])).isGreaterThan(0.1f);
        assertThat(Math.abs(wet.channel(0)[(int) (6 * RATE) + 32000])).isGreaterThan(0.1f);
        float[][] heard =
                play(
                        new LiveMix(
                                LiveSettings.of(design, material, LiveSettings.Hearing.PLAIN),
                                BLOCK),
                        material.frames());
        int late = (int) (6 * RATE) + 32000;
        assertThat((double) heard[0][late]).isCloseTo(wet.channel(0)[late], within(1e-5));
    }

    @Test
    void returnsComeAndGoWithoutAClickWhileTailsRing() {
        Design design = design();
        LiveField field = new LiveField(BLOCK);
        LiveSettings.Hearing wetOnly =
                new LiveSettings.Hearing(
                        Map.of("voice", 0.0, "drum", 0.0), Map.of(), false, 1, null);
        SongMaterial tone =
                new SongMaterial(
                        Map.of("voice", Signals.mono(RATE, Signals.sine(220, 0.2, 8, RATE))), RATE);
        field.set(new LiveMix(LiveSettings.of(design, tone, wetOnly), BLOCK));
        float[] l = new float[BLOCK];
        float[] r = new float[BLOCK];
        int at = 0;
        for (; at < 2 * RATE; at += BLOCK) {
            field.process(at, l, r, BLOCK);
        }
        Design fewer = new FieldEdit.Remove("A").applyTo(design);
        field.set(new LiveMix(LiveSettings.of(fewer, tone, wetOnly), BLOCK));
        double steepest = 0;
        double before = l[BLOCK - 1];
        double beforeThat = l[BLOCK - 2];
        for (; at < 3 * RATE; at += BLOCK) {
            field.process(at, l, r, BLOCK);
            for (float x : l) {
                steepest = Math.max(steepest, Math.abs(x - 2 * before + beforeThat));
                beforeThat = before;
                before = x;
            }
        }
        assertThat(steepest).isLessThan(0.02);
    }

    @Test
    void feedsThatMakeACircleAreRefusedWithThePath() {
        assertThatThrownBy(() -> new ReturnEdit.Feed("A", "C", -6.0).applyTo(design()))
                .hasMessageContaining("feeds make a circle")
                .hasMessageContaining("A into C into A");
        assertThatThrownBy(() -> new ReturnEdit.Feed("A", "X", -6.0).applyTo(design()))
                .hasMessageContaining("\"X\", which does not exist");
    }

    @Test
    void playingEverythingAllocatesNothing() {
        LiveMix mix =
                new LiveMix(LiveSettings.of(design(), MATERIAL, LiveSettings.Hearing.PLAIN), BLOCK);
        float[] l = new float[BLOCK];
        float[] r = new float[BLOCK];
        int blocks = MATERIAL.frames() / BLOCK;
        for (int i = 0; i < 3 * blocks; i++) {
            mix.process(i % blocks * BLOCK, l, r, BLOCK);
        }
        var threads =
                (com.sun.management.ThreadMXBean)
                        java.lang.management.ManagementFactory.getThreadMXBean();
        long id = Thread.currentThread().threadId();
        long before = threads.getThreadAllocatedBytes(id);
        for (int i = 0; i < blocks; i++) {
            mix.process(i * BLOCK, l, r, BLOCK);
        }
        // A few bytes are the measuring's own; one object per block would be far more.
        assertThat(threads.getThreadAllocatedBytes(id) - before).isLessThan(8L * blocks);
    }
}
