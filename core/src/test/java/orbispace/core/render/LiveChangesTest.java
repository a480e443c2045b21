package orbispace.core.render;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.TreeMap;
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
import orbispace.core.design.PlanCell;
import orbispace.core.design.Return;
import orbispace.core.design.Role;
import orbispace.core.design.Section;
import orbispace.core.design.SectionKind;
import orbispace.core.design.SectionPlan;
import orbispace.core.design.Send;
import orbispace.core.design.Song;
import orbispace.core.design.Space;
import orbispace.core.design.SplitPair;
import orbispace.core.design.Throw;
import orbispace.core.design.ThrowsEdit;
import orbispace.core.design.Width;
import orbispace.core.dynamics.DriveCurve;
import orbispace.core.space.CopiesSettings;
import orbispace.core.space.EchoSettings;
import orbispace.core.space.GatedSettings;
import orbispace.core.space.ReverbKind;
import orbispace.core.time.SongClock;
import org.junit.jupiter.api.Test;

/** What is heard while the field is changed under way: no click, no lost tail, no other sound. */
class LiveChangesTest {
    private static final double RATE = 48000;
    private static final int BLOCK = 256;

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
                    Map.of("voice", Signals.mono(RATE, Signals.sine(220, 0.2, 8, RATE))),
                    RATE,
                    new Responses(Map.of("pier.wav", Responses.Recorded.of(response()))));
    private static final LiveSettings.Hearing WET =
            new LiveSettings.Hearing(Map.of("voice", 0.0), Map.of(), false, 1, null);

    private static Return ret(String id, Space space) {
        return new Return(
                id,
                id,
                Map.of("voice", Send.of(-6)),
                Map.of(),
                Chain.of(space),
                -3,
                new Return.Timing(1, false));
    }

    private static Design design(List<Section> sections, Return... returns) {
        return new Design(
                new Song("Changes", RATE, SongClock.constant(120, 4, 4), sections),
                List.of(Fields.source("voice", Role.LEAD)),
                List.of(returns));
    }

    private static final Space PIER = new Space.Convolution("pier.wav", 0, 0, 1, 1, 1);
    private static final Space WALL =
            new Space.Gated(GatedSettings.Envelope.FLAT, new MusicalTime.Millis(300), 20, 8000);
    private static final Space HALL = Space.hall(1.2, 1, 0.7);

    private static LiveMix mix(Design design) {
        return new LiveMix(LiveSettings.of(design, MATERIAL, WET), BLOCK);
    }

    /** A field that is played block by block, with what was heard. */
    private static final class Played {
        final LiveField field = new LiveField(BLOCK);
        final List<float[]> blocks = new ArrayList<>();
        LiveSettings heard;
        int at;

        Played(Design design) {
            heard = LiveSettings.of(design, MATERIAL, WET);
            field.set(new LiveMix(heard, BLOCK));
        }

        /** As a player does it: what was worked out before is taken over. */
        void become(Design design) {
            heard = LiveSettings.of(design, MATERIAL, WET, heard);
            field.set(new LiveMix(heard, BLOCK));
        }

        float[] until(double seconds) {
            int from = at;
            float[] l = new float[BLOCK];
            float[] r = new float[BLOCK];
            while (at < seconds * RATE) {
                field.process(at, l, r, BLOCK);
                blocks.add(l.clone());
                at += BLOCK;
            }
            float[] out = new float[at - from];
            for (int i = 0; i < out.length; i++) {
                out[i] = blocks.get((from + i) / BLOCK)[(from + i) % BLOCK];
            }
            return out;
        }
    }

    private static double differenceDb(float[] heard, Audio printed, int from) {
        double difference = 0;
        double power = 1e-30;
        for (int i = 0; i < heard.length; i++) {
            double d = heard[i] - printed.channel(0)[from + i];
            difference += d * d;
            power += (double) printed.channel(0)[from + i] * printed.channel(0)[from + i];
        }
        return 10 * Math.log10(difference / power + 1e-30);
    }

    private static Audio print(Design design) {
        Renderer renderer = new Renderer(MATERIAL, MATERIAL.frames(), new StageCache(0));
        List<Audio> wets =
                design.returns().stream().map(r -> renderer.wet(design, r, Job.QUIET)).toList();
        return Mixdown.sum(wets.getFirst(), wets.subList(1, wets.size()));
    }

    private static double steepest(float[] x) {
        double steepest = 0;
        for (int i = 2; i < x.length; i++) {
            steepest = Math.max(steepest, Math.abs(x[i] - 2.0 * x[i - 1] + x[i - 2]));
        }
        return steepest;
    }

    @Test
    void aConvolutionSoundsAsBeforeWhenAnotherReturnComes() {
        for (Space space : List.of(PIER, WALL)) {
            Design one = design(List.of(), ret("A", space));
            Design two = new FieldEdit.Add(ret("B", HALL), 1).applyTo(one);
            Design quiet = two.withReturn(two.requireReturn("B").withSends(Map.of()));
            Played played = new Played(one);
            played.until(2);
            played.become(quiet);
            float[] after = played.until(3);
            Audio printed = print(one);
            double loudest = -200;
            for (int at = 0; at + 4800 < after.length; at += 4800) {
                float[] part = java.util.Arrays.copyOfRange(after, at, at + 4800);
                loudest = Math.max(loudest, differenceDb(part, printed, 2 * (int) RATE + at));
            }
            // A steady tone in a steady space: handing over changes nothing that can be heard.
            assertThat(loudest).as(space.toString()).isLessThan(-110);
        }
    }

    @Test
    void flippingBetweenFieldsLeavesEachAsItsPrint() {
        Design one = design(List.of(), ret("A", PIER));
        Design other = design(List.of(), ret("A", PIER), ret("B", WALL));
        Played played = new Played(one);
        played.until(1);
        for (int flip = 0; flip < 6; flip++) {
            played.become(flip % 2 == 0 ? other : one);
            played.until(1 + 0.2 * (flip + 1));
        }
        played.until(4.0);
        int from = played.at;
        assertThat(differenceDb(played.until(5), print(one), from)).isLessThan(-90);
    }

    @Test
    void aSecondChangeOfStructureKeepsTheTailThatTheFirstLeft() {
        Design hall = design(List.of(), ret("A", Space.hall(4, 1, 1)));
        Design echo = design(List.of(), ret("B", WALL));
        Design none = new Design(hall.song(), hall.sources(), List.of());
        Played once = new Played(hall);
        once.until(2);
        once.become(none);
        once.until(2.1);
        float[] tail = once.until(3);
        Played twice = new Played(hall);
        twice.until(2);
        twice.become(echo.withReturns(List.of(ret("B", WALL).withSends(Map.of()))));
        twice.until(2.05);
        twice.become(none);
        twice.until(2.1);
        float[] kept = twice.until(3);
        for (int i = 0; i < tail.length; i += 97) {
            assertThat(Math.abs(kept[i] - tail[i])).isLessThan(1e-4f);
        }
    }

    @Test
    void theLastThrowGoesWithoutABurst() {
        Return quiet = ret("A", HALL).withSends(Map.of("voice", Send.of(-60)));
        Design plain = design(List.of(), quiet);
        Throw thrown = Throw.of("t1", "voice", "A", 12, 13, -20);
        Design with = ThrowsEdit.adding(plain, thrown).applyTo(plain);
        LiveMix mix = mix(with);
        play(mix, 0, 2 * (int) RATE);
        mix.set(LiveSettings.of(plain, MATERIAL, WET));
        float[] after = play(mix, 2 * (int) RATE, (int) RATE);
        double peak = 0;
        for (float x : after) {
            peak = Math.max(peak, Math.abs(x));
        }
        // A tone of -14 dBFS, sent at -60 dB and returned at -3 dB.
        assertThat(20 * Math.log10(peak)).isLessThan(-68);
    }

    private static float[] play(LiveMix mix, int from, int frames) {
        float[] out = new float[frames];
        float[] l = new float[BLOCK];
        float[] r = new float[BLOCK];
        for (int at = 0; at < frames; at += BLOCK) {
            int n = Math.min(BLOCK, frames - at);
            mix.process(from + at, l, r, n);
            System.arraycopy(l, 0, out, at, n);
        }
        return out;
    }

    private static Section section(int bar, PlanCell cell) {
        return new Section(
                "S" + bar, bar, 1, SectionKind.OTHER, SectionPlan.NONE.withCell("A", cell));
    }

    @Test
    void aPlannedLevelIsChangedUnderWayWithoutAClick() {
        for (PlanCell.Edge edge : PlanCell.Edge.values()) {
            PlanCell loud = PlanCell.PLAIN.withEdge(edge).withLevel(6);
            Design before = design(List.of(section(1, loud), section(2, loud)), ret("A", HALL));
            Design after =
                    design(
                            List.of(section(1, loud), section(2, loud.withLevel(-30))),
                            ret("A", HALL));
            LiveMix mix = mix(before);
            play(mix, 0, 3 * (int) RATE);
            float[] last = play(mix, 3 * (int) RATE, BLOCK);
            mix.set(LiveSettings.of(after, MATERIAL, WET));
            float[] next = play(mix, 3 * (int) RATE + BLOCK, 9600);
            assertThat(steepest(joined(last, next))).as(edge.label()).isLessThan(0.004);
        }
    }

    @Test
    void aSendIsTakenOutUnderWayWithoutAClickOrABurst() {
        Design before = design(List.of(), ret("A", HALL).withSends(Map.of("voice", Send.of(-40))));
        Design after = before.withReturn(ret("A", HALL).withSends(Map.of()));
        LiveMix mix = mix(before);
        double loudest = 0;
        for (float x : play(mix, 0, 2 * (int) RATE)) {
            loudest = Math.max(loudest, Math.abs(x));
        }
        mix.set(LiveSettings.of(after, MATERIAL, WET));
        for (float x : play(mix, 2 * (int) RATE, 9600)) {
            assertThat((double) Math.abs(x)).isLessThan(1.3 * loudest);
        }
    }

    @Test
    void aJumpToAnotherPlaceMakesNoClick() {
        LiveMix mix =
                new LiveMix(
                        LiveSettings.of(
                                design(List.of(), ret("A", HALL), ret("B", PIER)),
                                MATERIAL,
                                LiveSettings.Hearing.PLAIN),
                        BLOCK);
        play(mix, 0, 2 * (int) RATE);
        float[] before = play(mix, 2 * (int) RATE, 512);
        float[] after = play(mix, 5 * (int) RATE + 30, 9600);
        assertThat(steepest(joined(before, after))).isLessThan(0.004);
    }

    private static float[] joined(float[] a, float[] b) {
        float[] both = java.util.Arrays.copyOf(a, a.length + b.length);
        System.arraycopy(b, 0, both, a.length, b.length);
        return both;
    }

    @Test
    void aTailOfTwentySecondsRingsToItsEndAtAnyRate() {
        SongMaterial material =
                new SongMaterial(Map.of("voice", Signals.mono(96000, new float[96000])), 96000);
        Design design =
                new Design(
                        new Song("Long", 96000, SongClock.constant(120, 4, 4), List.of()),
                        List.of(Fields.source("voice", Role.LEAD)),
                        List.of(ret("A", Space.hall(20, 1, 1))));
        LiveMix mix = new LiveMix(LiveSettings.of(design, material, WET), BLOCK);
        assertThat(mix.ringFrames() / 96000.0).isGreaterThan(20 * 90 / 60.0);
    }

    @Test
    void whatFollowsAFadedSectionEntersNoLouderThanItIsAskedFor() {
        PlanCell faded = PlanCell.PLAIN.withEdge(PlanCell.Edge.FADED).withLevel(-20);
        PlanCell carried = PlanCell.PLAIN.withLevel(-2);
        for (Drive drive : List.of(new Drive(12, false), new Drive(12, true))) {
            Return driven = ret("A", HALL).withChain(Chain.of(HALL).withDrive(drive));
            Design design =
                    design(
                            List.of(
                                    section(1, PlanCell.PLAIN),
                                    section(2, faded),
                                    section(3, carried)),
                            driven);
            GainCurve in = new PlanCurves(design).input(design.requireReturn("A"));
            for (int i = 0; i < in.size(); i++) {
                assertThat(in.gain(i)).isLessThanOrEqualTo(1.0001);
            }
        }
    }

    private static Space.Echo echo(double millis, double wow, double glide, double saturation) {
        return new Space.Echo(
                EchoSettings.Kind.PAIR,
                new MusicalTime.Millis(millis),
                new MusicalTime.Millis(1.3 * millis),
                0.5,
                new EchoSettings.Loop(100 + millis, 5000, saturation, wow, 0.6, glide),
                0.8);
    }

    private static Space copies(double millis, double cents) {
        return new Space.Copies(
                List.of(
                        new CopiesSettings.Voice(millis / 1000, -cents, -1),
                        new CopiesSettings.Voice(1.5 * millis / 1000, cents, 1)),
                100 + millis,
                false);
    }

    /** Every kind of space and stage, before and after a change. */
    private static Map<String, Chain[]> changes() {
        Space room = new Space.Reverb(ReverbKind.ROOM, 1, 1, 0.7, 1);
        Space longer = new Space.Reverb(ReverbKind.ROOM, 3, 1.3, 0.4, 1);
        Map<String, Chain[]> all = new TreeMap<>();
        all.put("reverb", chains(room, longer));
        all.put("echo", chains(echo(230, 0, 0, 0.1), echo(170, 1, 0, 0.4)));
        all.put("gliding echo", chains(echo(230, 2, 90, 0.2), echo(170, 1, 90, 0.05)));
        all.put("plain echo", chains(echo(230, 0, 0, 0), echo(170, 1, 0, 0)));
        all.put("copies", chains(copies(12, 0), copies(14, 0)));
        all.put("detuned copies", chains(copies(12, 7), copies(30, 9)));
        all.put("convolution", chains(PIER, new Space.Convolution("pier.wav", 0, 0, 1, 0.6, 1)));
        all.put(
                "gated",
                chains(
                        WALL,
                        new Space.Gated(
                                GatedSettings.Envelope.RISING,
                                new MusicalTime.Millis(200),
                                20,
                                3000)));
        all.put(
                "split",
                chains(
                        new SplitPair((Space.Reverb) room, (Space.Reverb) room, 1),
                        new SplitPair((Space.Reverb) longer, (Space.Reverb) room, 0.3)));
        all.put(
                "parallel",
                chains(
                        new Space.Parallel(-30, 4, 6, 5, 80, 6),
                        new Space.Parallel(-20, 8, 0, 1, 300, 0)));
        Chain plain = Chain.of(room);
        all.put("drive", chains(plain.withDrive(new Drive(9, false)), new Drive(20, false)));
        all.put("drive behind", chains(plain.withDrive(new Drive(9, true)), new Drive(2, true)));
        Drive bent = new Drive(9, false);
        all.put("curve", chains(plain.withDrive(bent), bent.along(DriveCurve.ASYMMETRIC)));
        all.put(
                "pan",
                new Chain[] {
                    plain.withWidth(new Width(1, 0, -0.8)), plain.withWidth(new Width(1, 0, 0.6))
                });
        Filter shelves =
                Filter.OPEN.withBands(
                        List.of(
                                new Filter.Band(Filter.Kind.LOW_SHELF, 200, -6, 1),
                                new Filter.Band(Filter.Kind.BELL, 1500, 8, 0.7)));
        all.put("bands", new Chain[] {plain, plain.withFilterIn(shelves).withFilterOut(shelves)});
        Filter filter = new Filter(new Filter.Corner(200, 2), new Filter.Corner(6000, 4));
        all.put("filter", new Chain[] {plain, plain.withFilterIn(filter).withFilterOut(filter)});
        all.put(
                "width",
                new Chain[] {
                    plain.withWidth(new Width(1.5, 150)), plain.withWidth(new Width(0.2, 300))
                });
        all.put(
                "predelay",
                new Chain[] {
                    plain.withPredelay(new MusicalTime.Millis(10)),
                    plain.withPredelay(new MusicalTime.Millis(35.3))
                });
        all.put(
                "gate",
                new Chain[] {
                    plain.withGate(new Gate("", Filter.OPEN, -40, 4, 60, 1, 40, 25, null)),
                    plain.withGate(new Gate("", Filter.OPEN, -10, 4, 30, 5, 10, 90, null))
                });
        all.put(
                "ducker",
                new Chain[] {
                    plain.withDuck(new Duck("voice", 6, -40, 4, 6, 5, 50, 120)),
                    plain.withDuck(new Duck("voice", 12, -50, 2, 0, 1, 10, 20))
                });
        return all;
    }

    private static Chain[] chains(Space before, Space after) {
        return new Chain[] {Chain.of(before), Chain.of(after)};
    }

    private static Chain[] chains(Chain before, Drive after) {
        return new Chain[] {before, before.withDrive(after)};
    }

    @Test
    void theSoundIsTheSameInBlocksOfAnySizeWhileItGlides() {
        changes()
                .forEach((name, chains) -> {
                    Return r = ret("A", HALL);
                    Design before = design(List.of(), r.withChain(chains[0]));
                    Design after = before.withReturn(r.withChain(chains[1]).withLevel(-9));
                    float[] whole = glide(before, after, 1000);
                    for (int block : new int[] {1, 64, 333}) {
                        float[] cut = glide(before, after, block);
                        double difference = 0;
                        double power = 0;
                        for (int i = 0; i < whole.length; i++) {
                            difference += Math.pow(whole[i] - cut[i], 2);
                            power += Math.pow(whole[i], 2);
                        }
                        assertThat(10 * Math.log10(difference / power + 1e-30))
                                .as("%s in blocks of %d", name, block)
                                .isLessThan(-110);
                    }
                });
    }

    private static float[] glide(Design before, Design after, int block) {
        LiveMix mix = new LiveMix(LiveSettings.of(before, MATERIAL, WET), 1000);
        float[] out = new float[48000];
        float[] l = new float[1000];
        float[] r = new float[1000];
        boolean changed = false;
        for (int at = 0; at < out.length; ) {
            // A second change comes while the first is under way.
            boolean first = at >= 24000 && !changed;
            if (first || at == 24500) {
                mix.set(LiveSettings.of(first ? after : before, MATERIAL, WET));
                changed = true;
            }
            int edge = at < 24000 ? 24000 : at < 24500 ? 24500 : out.length;
            int n = Math.min(block, edge - at);
            mix.process(at, l, r, n);
            System.arraycopy(l, 0, out, at, n);
            at += n;
        }
        return out;
    }
}
