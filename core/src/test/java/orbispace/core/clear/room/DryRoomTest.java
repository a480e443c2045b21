package orbispace.core.clear.room;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import orbispace.core.Signals;
import orbispace.core.audio.Audio;
import orbispace.core.clear.CoverAnalysis;
import orbispace.core.clear.Question;
import orbispace.core.design.Design;
import orbispace.core.design.Fields;
import orbispace.core.design.Filter;
import orbispace.core.design.Role;
import orbispace.core.design.Source;
import orbispace.core.design.StemKind;
import orbispace.core.design.Tone;
import orbispace.core.material.Phrases;
import orbispace.core.render.Job;
import orbispace.core.render.Renderer;
import orbispace.core.render.SongMaterial;
import orbispace.core.render.StageCache;
import orbispace.core.signal.Fft;
import orbispace.core.time.Span;
import org.junit.jupiter.api.Test;

class DryRoomTest {
    private static final double RATE = 48000;
    private static final double SECONDS = 4;
    private static final Map<String, Audio> STEMS = new HashMap<>();

    static {
        STEMS.put("voice", noise(0.004, 300, 4000, 1));
        STEMS.put("keys", turns(2, 0));
        STEMS.put("organ", turns(3, 1));
        STEMS.put("bass", noise(0.004, 40, 110, 4));
        STEMS.put("piano", noise(0.001, 600, 1100, 12));
        STEMS.put("violins", noise(0.001, 2800, 4600, 13));
        STEMS.put("flute", noise(0.001, 1400, 2200, 14));
        STEMS.put("deep", noise(0.004, 40, 120, 5));
        STEMS.put("Kick in", noise(0.002, 700, 6000, 6));
        STEMS.put("Room", noise(0.002, 700, 6000, 7));
        STEMS.put("Gtr L", turns(8, 0));
        STEMS.put("Gtr R", turns(9, 1));
        float[] left = Signals.noise(0.004, 700, 6000, SECONDS, RATE, 10);
        float[] right = Signals.noise(0.004, 700, 6000, SECONDS, RATE, 11);
        STEMS.put("strings", Audio.of(RATE, left, right));
        STEMS.put("pad", Audio.of(RATE, right, left));
    }

    private static Audio noise(double power, double low, double high, int seed) {
        return Signals.mono(RATE, Signals.noise(power, low, high, SECONDS, RATE, seed));
    }

    /** A noise in every second eighth of a second: two of them take turns. */
    private static Audio turns(int seed, int turn) {
        float[] all = Signals.noise(0.006, 700, 6000, SECONDS, RATE, seed);
        for (int i = 0; i < all.length; i++) {
            all[i] *= i / 6000 % 2 == turn ? 1 : 0;
        }
        return Signals.mono(RATE, all);
    }

    private static Design song(Source... sources) {
        return new Design(Fields.song(120), List.of(sources), List.of());
    }

    private static Source source(String name, Role role) {
        return new Source(
                name.toLowerCase(java.util.Locale.ROOT).replace(' ', '-'),
                name,
                name + ".wav",
                role,
                0,
                0);
    }

    private static final Source VOICE = source("voice", Role.LEAD);
    private static final Source KEYS = source("keys", Role.HARMONY_BED);
    private static final Source ORGAN = source("organ", Role.HARMONY_BED);

    private static Renderer renderer(Design design) {
        Map<String, Audio> laid = new TreeMap<>();
        for (Source s : design.sources()) {
            laid.put(s.id(), s.laid(Objects.requireNonNull(STEMS.get(s.name()))));
        }
        return new Renderer(
                new SongMaterial(laid, RATE), (int) (SECONDS * RATE), new StageCache(1L << 28));
    }

    private static RoomPlan plan(Design design) {
        Phrases all =
                Phrases.found(
                        List.of(new Span(0, SECONDS)),
                        List.of(),
                        new Phrases.Levels(-80, -50, -20));
        Question q =
                new Question(
                        design, design.sources().getFirst(), "", all, new Span(0, SECONDS), false);
        return DryRoom.find(new CoverAnalysis(renderer(design), -20, 10), q, Job.QUIET);
    }

    private static Design applied(Design design, RoomPlan plan) {
        return plan.edit(design).applyTo(design);
    }

    private static Source in(Design design, String id) {
        return design.findSource(id).orElseThrow();
    }

    /** Right less left of all sources in a third of an octave, by one transform of everything. */
    private static double apartDb(Design design, double hz) {
        Audio all = renderer(design).dry(design, design.sources());
        double[] power = new double[2];
        int length = 1 << 18;
        for (int c = 0; c < 2; c++) {
            double[] packed = new double[length];
            for (int i = 0; i < Math.min(length, all.frames()); i++) {
                packed[i] = all.channel(c)[i];
            }
            new Fft(length).forward(packed);
            int from = (int) Math.ceil(hz * Math.pow(10, -0.05) * length / RATE);
            int to = (int) (hz * Math.pow(10, 0.05) * length / RATE);
            for (int k = from; k <= to; k++) {
                power[c] += packed[2 * k] * packed[2 * k] + packed[2 * k + 1] * packed[2 * k + 1];
            }
        }
        return 10 * Math.log10(power[1] / power[0]);
    }

    private static void isBalanced(Design design, RoomPlan plan) {
        for (RoomPlan.Third t : plan.thirds()) {
            if (t.afterDb().isPresent() && t.hz() > 390 && t.hz() < 5100) {
                double apart = apartDb(design, t.hz());
                assertThat(t.afterDb().getAsDouble()).isCloseTo(apart, within(0.5));
                assertThat(apart).as("%.0f Hz", t.hz()).isBetween(-1.6, 1.6);
            }
        }
    }

    @Test
    void thoseThatShareNoBandDoNotAllLeanToOneSide() {
        Design design =
                song(
                        VOICE,
                        source("piano", Role.HARMONY_BED),
                        source("violins", Role.HARMONY_BED),
                        source("flute", Role.HARMONY_BED));
        Design moved = applied(design, plan(design));
        List<Double> pans = moved.sources().stream().map(Source::pan).filter(p -> p != 0).toList();
        double sum = pans.stream().mapToDouble(p -> p).sum();
        double most = pans.stream().mapToDouble(Math::abs).max().orElse(0);
        assertThat(pans).hasSizeGreaterThan(1);
        assertThat(Math.abs(sum)).as("%s", pans).isLessThanOrEqualTo(most + 1e-9);
    }

    @Test
    void twoThatFightWithTheLeadGoToBothSidesAndEveryThirdStaysInBalance() {
        Design design = song(VOICE, KEYS, ORGAN, source("bass", Role.BASS));
        RoomPlan plan = plan(design);
        Design moved = applied(design, plan);
        double keys = in(moved, "keys").pan();
        double organ = in(moved, "organ").pan();
        assertThat(keys * organ).isNegative();
        assertThat(Math.abs(keys)).isGreaterThanOrEqualTo(0.2);
        isBalanced(moved, plan);
        assertThat(plan.kept().getFirst().after())
                .isGreaterThan(plan.kept().getFirst().before() + 0.03);
        assertThat(in(moved, "voice").pan()).isZero();
        assertThat(in(moved, "bass")).isEqualTo(in(design, "bass"));
        assertThat(plan.edit(design).subject()).isEqualTo("room for voice");
    }

    @Test
    void whatThePlanPromisesIsWhatIsHeardWhenItIsDone() {
        Design design = song(VOICE, KEYS, ORGAN);
        RoomPlan plan = plan(design);
        assertThat(plan.isEmpty()).isFalse();
        Design moved = applied(design, plan);
        RoomPlan again = plan(moved);
        for (RoomPlan.Kept k : plan.kept()) {
            again.kept().stream()
                    .filter(n -> n.source().id().equals(k.source().id()))
                    .filter(n ->
                            moved.findSource(n.source().id())
                                    .orElseThrow()
                                    .tone()
                                    .bells()
                                    .isEmpty())
                    .forEach(n -> assertThat(n.before()).isCloseTo(k.after(), within(0.02)));
        }
        assertThat(again.apartBeforeDb()).isCloseTo(plan.apartDb(), within(1e-3));
    }

    @Test
    void oneAloneWithNothingAgainstItIsCutWhereItCoversAndNotThrownAside() {
        Design design = song(VOICE, KEYS);
        RoomPlan plan = plan(design);
        Design moved = applied(design, plan);
        isBalanced(moved, plan);
        assertThat(Math.abs(in(moved, "keys").pan())).isLessThan(0.3);
        List<Tone.Bell> cuts = in(moved, "keys").tone().bells();
        assertThat(cuts).isNotEmpty();
        assertThat(cuts).allMatch(b -> b.gainDb() == -3 && b.hz() > 300 && b.hz() < 4500);
        for (Tone.Bell lift : in(moved, "voice").tone().bells()) {
            assertThat(lift.gainDb()).isBetween(0.5, 3.0);
            assertThat(cuts).anyMatch(c -> c.hz() == lift.hz());
        }
    }

    @Test
    void kitsRoomsAndWhatIsLowStayWhereTheyAre() {
        Design design =
                song(
                        VOICE,
                        source("Kick in", Role.HITS),
                        source("Room", Role.HITS).withKind(StemKind.ROOM),
                        source("deep", Role.COLOUR),
                        KEYS,
                        ORGAN);
        Design moved = applied(design, plan(design));
        for (String id : List.of("kick-in", "room", "deep")) {
            assertThat(in(moved, id).pan()).as(id).isZero();
        }
        assertThat(in(moved, "keys").pan()).isNotZero();
    }

    @Test
    void aPairIsOpenedEvenlyItsLeftToTheLeft() {
        Design design =
                song(VOICE, source("Gtr R", Role.HARMONY_BED), source("Gtr L", Role.HARMONY_BED));
        RoomPlan plan = plan(design);
        Design moved = applied(design, plan);
        assertThat(in(moved, "gtr-l").pan()).isNegative();
        assertThat(in(moved, "gtr-r").pan()).isEqualTo(-in(moved, "gtr-l").pan());
        isBalanced(moved, plan);
        assertThat(in(moved, "gtr-l").tone()).isEqualTo(in(moved, "gtr-r").tone());
    }

    @Test
    void wideStemsAreLeantAndNarrowedAgainstEachOther() {
        Design design =
                song(VOICE, source("strings", Role.HARMONY_BED), source("pad", Role.HARMONY_BED));
        RoomPlan plan = plan(design);
        Design moved = applied(design, plan);
        isBalanced(moved, plan);
        for (String id : List.of("strings", "pad")) {
            assertThat(Math.abs(in(moved, id).pan())).isLessThanOrEqualTo(0.4);
            assertThat(in(moved, id).tone().width()).isBetween(0.5, 1.0);
        }
    }

    @Test
    void thoseThatDoNotFightAreLeftAlone() {
        RoomPlan low = plan(song(VOICE, source("bass", Role.BASS)));
        assertThat(low.isEmpty()).isTrue();
        assertThat(low.words()).contains("no small move of dry sources gains a point");
        assertThat(plan(song(VOICE, KEYS.withGain(-40))).isEmpty()).isTrue();
    }

    @Test
    void excitationAndPowerOfAWideSourceFollowFromWhatWasHeardOnce() {
        Source strings = source("strings", Role.HARMONY_BED);
        Source leant = strings.withPan(0.4).withTone(Tone.AS_IS.withWidth(0.5));
        Design design = song(VOICE, strings);
        CoverAnalysis analysis = new CoverAnalysis(renderer(design), -20, 10);
        java.util.BitSet frames = new java.util.BitSet();
        frames.set(20, 60);
        SourceSound once = SourceSound.of(analysis, design, strings, frames);
        TwoEars heard = new ChangedSound(analysis, design, frames, Job.QUIET).ears(List.of(leant));
        TwoEars thought = once.ears(leant);
        SidePowers powers =
                new ChangedSound(analysis, design, frames, Job.QUIET).powers(List.of(leant));
        for (int b = 12; b < 30; b++) {
            double sum = 0;
            double by = 0;
            for (int f = 0; f < 40; f++) {
                sum += thought.left().at(f, b);
                by += heard.left().at(f, b);
            }
            assertThat(10 * Math.log10(sum / by)).isCloseTo(0, within(0.4));
        }
        for (int b = 8; b < 14; b++) {
            assertThat(once.powers(leant).balanceDb(b).orElseThrow())
                    .isCloseTo(powers.balanceDb(b).orElseThrow(), within(0.05));
        }
    }

    @Test
    void aBellIsHeardAtItsPlaceAndNowhereElseAndWidthLeavesTheMiddle() {
        Source dipped =
                VOICE.withTone(
                        new Tone(
                                1,
                                List.of(
                                        Tone.Bell.of(Filter.Band.dip(1000, 3, 1)),
                                        new Tone.Bell(8000, 2, 0.5))));
        for (double hz : new double[] {100, 1000, 8000}) {
            Audio tone = Signals.mono(RATE, Signals.sine(hz, 0.5, 1, RATE));
            double db = 10 * Math.log10(dipped.laid(tone).meanSquare() / tone.meanSquare());
            assertThat(db).isCloseTo(hz == 1000 ? -3 : hz == 8000 ? 2 : 0, within(0.05));
        }
        float[] one = Signals.sine(500, 0.5, 0.1, RATE);
        Audio wide = Audio.of(RATE, one, new float[one.length]);
        Audio half = Tone.AS_IS.withWidth(0.5).of(wide);
        assertThat(half.channel(0)[20]).isCloseTo(0.75f * one[20], within(1e-6f));
        assertThat(half.channel(1)[20]).isCloseTo(0.25f * one[20], within(1e-6f));
        assertThat(Tone.AS_IS.withWidth(0).of(Audio.of(RATE, one, one)).channel(0)[7])
                .isEqualTo(one[7]);
    }
}
