package orbispace.core.render;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import orbispace.core.Signals;
import orbispace.core.audio.Audio;
import orbispace.core.design.Design;
import orbispace.core.design.Duck;
import orbispace.core.design.Fields;
import orbispace.core.design.Return;
import orbispace.core.design.Role;
import orbispace.core.design.Section;
import orbispace.core.design.SectionKind;
import orbispace.core.design.SectionPlan;
import orbispace.core.design.Send;
import orbispace.core.design.Song;
import orbispace.core.design.Source;
import orbispace.core.design.SourceCell;
import orbispace.core.time.SongClock;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Three sections of two seconds each; a voice of one channel, a pad of two. */
class SourceCurvesTest {
    private static final double RATE = 24000;
    private static final int BLOCK = 256;
    private static final float[] LEFT = Signals.noise(0.1, 100, 5000, 7, RATE, 1);
    private static final float[] RIGHT = Signals.noise(0.1, 100, 5000, 7, RATE, 2);
    private static final SongMaterial SONG =
            new SongMaterial(
                    Map.of(
                            "voice",
                            Signals.mono(RATE, Signals.sine(330, 0.2, 7, RATE)),
                            "pad",
                            Audio.of(RATE, LEFT, RIGHT)),
                    RATE);

    private static Design design(List<Return> returns, SectionPlan... plans) {
        List<Section> sections = new ArrayList<>();
        for (int i = 0; i < plans.length; i++) {
            sections.add(new Section("S" + i, i + 1, 1, SectionKind.OTHER, plans[i]));
        }
        return new Design(
                new Song("Moves", RATE, SongClock.constant(120, 4, 4), sections),
                List.of(
                        Fields.source("voice", Role.LEAD).withPan(-0.2).withGain(-3),
                        Fields.source("pad", Role.HARMONY_BED)),
                returns);
    }

    private static Design middle(List<Return> returns, String id, SourceCell cell) {
        return design(
                returns, SectionPlan.NONE, SectionPlan.NONE.withSource(id, cell), SectionPlan.NONE);
    }

    private static Renderer renderer() {
        return new Renderer(SONG, SONG.frames(), new StageCache(0));
    }

    private static Audio dry(Design d, String id) {
        return renderer().dry(d, d.findSource(id).orElseThrow());
    }

    private static double db(Audio a, int channel, double from, double to) {
        Audio one = Signals.mono(RATE, a.channel(channel));
        return 10
                * Math.log10(
                        one.slice((int) (from * RATE), (int) (to * RATE)).meanSquare() + 1e-20);
    }

    @Test
    void aFaderMovesWithinItsBeatsStraightInDecibelsAndComesBack() {
        Design d = middle(List.of(), "voice", SourceCell.PLAIN.withFader(-12).withRamp(2));
        Source voice = d.sources().getFirst();
        GainCurve fader = new SourceCurves(d).fader(voice);
        double[][] levels = {{1, 0}, {2, 0}, {2.25, -3}, {2.5, -6}, {3, -12}, {3.9, -12}, {4.1, 0}};
        for (double[] l : levels) {
            assertThat(20 * Math.log10(fader.at((int) (l[0] * RATE))))
                    .as("at %s s", l[0])
                    .isCloseTo(l[1], within(0.1));
        }
        Audio moved = dry(d, "voice");
        Audio still = dry(d.unplanned(), "voice");
        for (int c = 0; c < 2; c++) {
            assertThat(db(moved, c, 3, 4) - db(still, c, 3, 4)).isCloseTo(-12, within(0.01));
            assertThat(db(moved, c, 4.01, 7)).isCloseTo(db(still, c, 4.01, 7), within(0.01));
        }
        assertThat(renderer().dryMix(d)).isNotEqualTo(renderer().dryMix(d.unplanned()));
    }

    @Test
    void aSourceOfOneChannelIsPannedByItsOwnLawAndNoFurtherThanToTheSide() {
        Design d = middle(List.of(), "voice", SourceCell.PLAIN.withPan(0.7));
        Audio moved = dry(d, "voice");
        Audio there = dry(d.unplanned(), "voice");
        Design stands = middle(List.of(), "voice", SourceCell.PLAIN);
        Source right = stands.sources().getFirst().withPan(0.5);
        Audio wanted = renderer().dry(stands, right);
        for (int c = 0; c < 2; c++) {
            assertThat(db(moved, c, 2.01, 4)).isCloseTo(db(wanted, c, 2.01, 4), within(0.01));
            assertThat(db(moved, c, 0, 2)).isCloseTo(db(there, c, 0, 2), within(0.01));
        }
        Audio far = dry(middle(List.of(), "voice", SourceCell.PLAIN.withPan(2)), "voice");
        assertThat(db(far, 0, 2.01, 4)).isLessThan(-120);
    }

    @Test
    void aSourceOfTwoChannelsIsNarrowedToItsMiddleAndWidened() {
        Audio narrow = dry(middle(List.of(), "pad", SourceCell.PLAIN.withWidth(0)), "pad");
        Audio wide = dry(middle(List.of(), "pad", SourceCell.PLAIN.withWidth(2)), "pad");
        for (int i = (int) (2.01 * RATE); i < 4 * RATE; i++) {
            float middle = (LEFT[i] + RIGHT[i]) / 2;
            assertThat(narrow.channel(0)[i]).isCloseTo(middle, within(1e-6f));
            assertThat(narrow.channel(1)[i]).isEqualTo(narrow.channel(0)[i]);
            assertThat(wide.channel(0)[i]).isCloseTo(2 * LEFT[i] - middle, within(1e-6f));
        }
    }

    @Test
    void aSendFollowsTheFaderUnlessItIsTakenBeforeItAndThePlaceInAnyCase() {
        Return after = Fields.echo("A", "1/16", 0, Map.of("voice", 0.0));
        Return before = after.withSends(Map.of("voice", new Send(0, true, null)));
        SourceCell cell = SourceCell.PLAIN.withFader(-9).withPan(-0.8);
        for (Return r : List.of(after, before)) {
            Design d = middle(List.of(r), "voice", cell);
            Audio moved = renderer().after(renderer().chain(d, r), 0, Job.QUIET);
            Audio still = renderer().after(renderer().chain(d.unplanned(), r), 0, Job.QUIET);
            double fader = r.equals(after) ? -9 : 0;
            assertThat(moved.slice((int) (2.01 * RATE), (int) (4 * RATE)).meanSquare())
                    .isCloseTo(
                            Math.pow(10, fader / 10)
                                    * still.slice((int) (2.01 * RATE), (int) (4 * RATE))
                                            .meanSquare(),
                            within(1e-5));
            assertThat(db(moved, 1, 2.01, 4)).isLessThan(-120);
            assertThat(db(moved, 1, 4.01, 6)).isCloseTo(db(still, 1, 4.01, 6), within(0.01));
        }
    }

    @Test
    void aDuckerHearsItsKeyAsLoudAsItsFaderMakesIt() {
        Duck duck = new Duck("voice", 30, -60, 2, 0, 1, 0, 50);
        Return r = Fields.hall("A", 0.3, Map.of("pad", 0.0)).withDuck(duck);
        Design d = middle(List.of(r), "voice", SourceCell.PLAIN.withFader(-20));
        Audio moved = renderer().wet(d, r, Job.QUIET);
        Audio still = renderer().wet(d.unplanned(), r, Job.QUIET);
        // Half of 20 dB less over the threshold at 2:1.
        assertThat(db(moved, 0, 2.6, 4) - db(still, 0, 2.6, 4)).isCloseTo(10, within(0.3));
        assertThat(db(moved, 0, 5, 6) - db(still, 0, 5, 6)).isCloseTo(0, within(0.1));
    }

    private static Design random(int seed) {
        SplittableRandom random = new SplittableRandom(seed);
        SectionPlan[] plans = new SectionPlan[3];
        for (int i = 0; i < plans.length; i++) {
            plans[i] = SectionPlan.NONE;
            for (String id : List.of("voice", "pad")) {
                plans[i] =
                        plans[i].withSource(
                                id,
                                new SourceCell(
                                        -random.nextInt(20),
                                        2 * random.nextDouble() - 1,
                                        2 * random.nextDouble(),
                                        random.nextInt(3)));
            }
        }
        Return hall =
                Fields.hall("A", 0.4, Map.of("voice", -3.0, "pad", -6.0))
                        .withDuck(new Duck("voice", 12, -40, 4, 0, 5, 0, 80));
        Return echo =
                Fields.echo("B", "1/8", 0.3, Map.of())
                        .withSends(Map.of("pad", Send.of(-6), "voice", new Send(-2, true, null)));
        return design(List.of(hall, echo), plans);
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4, 5, 6})
    void whatIsHeardIsWhatIsPrinted(int seed) {
        Design d = random(seed);
        Audio printed = renderer().render(d, Job.QUIET).mix();
        LiveMix mix = new LiveMix(LiveSettings.of(d, SONG, LiveSettings.Hearing.PLAIN), BLOCK);
        float[] l = new float[BLOCK];
        float[] r = new float[BLOCK];
        double difference = 0;
        for (int at = 0; at + BLOCK <= SONG.frames(); at += BLOCK) {
            mix.process(at, l, r, BLOCK);
            for (int i = 0; i < BLOCK; i++) {
                difference += Math.pow(l[i] - printed.channel(0)[at + i], 2);
                difference += Math.pow(r[i] - printed.channel(1)[at + i], 2);
            }
        }
        double power = 2.0 * SONG.frames() * printed.meanSquare();
        assertThat(10 * Math.log10(difference / power + 1e-30)).isLessThan(-90);
        Renderer part = renderer().window(1.5, 5);
        Audio dry = part.dryMix(d);
        Audio whole = renderer().dryMix(d);
        for (int i = 0; i < dry.frames(); i++) {
            assertThat(dry.channel(1)[i]).isEqualTo(whole.channel(1)[part.firstFrame() + i]);
        }
    }

    @Test
    void whatIsChangedWhileItPlaysGoesOverAndEndsWhereItShould() {
        Design before = design(List.of(), SectionPlan.NONE, SectionPlan.NONE, SectionPlan.NONE);
        Design after =
                design(
                        List.of(),
                        SectionPlan.NONE.withSource("pad", new SourceCell(-6, -0.5, 0.2, 0)),
                        SectionPlan.NONE.withSource("voice", new SourceCell(-6, 0.9, 1, 2)),
                        SectionPlan.NONE);
        LiveMix mix = new LiveMix(LiveSettings.of(before, SONG, LiveSettings.Hearing.PLAIN), BLOCK);
        LiveSettings moved = LiveSettings.of(after, SONG, LiveSettings.Hearing.PLAIN);
        assertThat(mix.takes(moved)).isTrue();
        Audio was = renderer().dryMix(before);
        Audio is = renderer().dryMix(after);
        float[] l = new float[BLOCK];
        float[] r = new float[BLOCK];
        for (int at = 0; at + BLOCK <= 2 * RATE; at += BLOCK) {
            if (at == 40 * BLOCK) {
                mix.set(moved);
            }
            mix.process(at, l, r, BLOCK);
            for (int i = 0; i < BLOCK; i++) {
                float first = was.channel(0)[at + i];
                float last = is.channel(0)[at + i];
                // What glides and what is faded over are on their way at different paces.
                boolean under = at >= 40 * BLOCK && at < 100 * BLOCK;
                float over = under ? 0.06f : 1e-4f;
                float from = at < 100 * BLOCK ? first : last;
                float to = at < 40 * BLOCK ? first : last;
                assertThat(l[i])
                        .as("frame %s", at + i)
                        .isBetween(Math.min(from, to) - over, Math.max(from, to) + over);
            }
        }
    }
}
