package orbispace.core.draft;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import orbispace.core.Signals;
import orbispace.core.clear.CoverAnalysis;
import orbispace.core.design.Design;
import orbispace.core.design.Fields;
import orbispace.core.design.Filter;
import orbispace.core.design.Gate;
import orbispace.core.design.Return;
import orbispace.core.design.Role;
import orbispace.core.design.Source;
import orbispace.core.design.Space;
import orbispace.core.hearing.WetState;
import orbispace.core.intake.Backbeat;
import orbispace.core.material.GateKey;
import orbispace.core.material.Hits;
import orbispace.core.render.Job;
import orbispace.core.render.Renderer;
import orbispace.core.render.SongMaterial;
import orbispace.core.render.StageCache;
import orbispace.core.space.EchoSettings;
import orbispace.core.space.ReverbKind;
import orbispace.core.time.Span;
import org.junit.jupiter.api.Test;

/** The drafts of a song at 120 bpm, each number worked out by the formula that it follows. */
class DraftNumbersTest {
    private static final Design DESIGN =
            new Design(
                    Fields.song(120),
                    List.of(
                            Fields.source("voice", Role.LEAD),
                            Fields.source("choir", Role.BACKING),
                            Fields.source("pad", Role.HARMONY_BED),
                            Fields.source("bell", Role.COLOUR),
                            Fields.source("drum", Role.HITS),
                            Fields.source("bass", Role.BASS)),
                    List.of());

    private static SongFacts facts(double gap, double hit, double separationDb) {
        GateKey key = new GateKey(-18, 2, 0, 400, separationDb, new Hits(List.of(), List.of()));
        return new SongFacts(
                        1,
                        OptionalDouble.of(gap),
                        OptionalDouble.of(gap / 2),
                        OptionalDouble.of(hit),
                        Map.of("drum", key))
                .withBackbeat(Optional.of(new Backbeat("drum", List.of("drum"), 12, true)));
    }

    private static List<FieldDraft> drafts() {
        return Drafter.drafts(DESIGN, facts(1.2, 0.4, 12));
    }

    private static Return named(FieldDraft draft, String name) {
        return draft.returns().stream()
                .filter(r -> r.name().equals(name))
                .findFirst()
                .orElseThrow();
    }

    private static void isReverb(
            Return r, ReverbKind kind, double decay, double high, double predelaySeconds) {
        Space.Reverb space = (Space.Reverb) r.space();
        assertThat(space.kind()).isEqualTo(kind);
        assertThat(space.decaySeconds()).isCloseTo(decay, within(1e-9));
        assertThat(space.highRatio()).isEqualTo(high);
        assertThat(space.lowRatio()).isEqualTo(1);
        assertThat(space.size()).isEqualTo(1);
        assertThat(r.predelay().seconds(DESIGN.song().clock(), 1))
                .isCloseTo(predelaySeconds, within(1e-9));
        assertThat(r.levelDb()).isEqualTo(-8);
        assertThat(r.filterOut())
                .isEqualTo(new Filter(new Filter.Corner(220, 2), new Filter.Corner(6500, 2)));
        assertThat(r.timedAtBar()).isEqualTo(1);
    }

    private static void isSent(Return r, Map<String, Double> levels) {
        assertThat(r.sends()).containsOnlyKeys(levels.keySet());
        levels.forEach((id, db) -> assertThat(r.sendDb(id)).hasValue(db));
    }

    @Test
    void oneSharedHallIsThirtyDecibelsDownAtTheGap() {
        FieldDraft draft = drafts().get(0);
        assertThat(draft.returns()).extracting(Return::id).containsExactly("A", "B", "C");
        Return hall = named(draft, "Shared hall");
        // 60 (1.2 - 0.03125) / 30 = 2.3375, down to the next twentieth.
        isReverb(hall, ReverbKind.HALL, 2.3, 0.6, 0.03125);
        isSent(
                hall,
                Map.of("voice", -12.0, "choir", -8.0, "pad", -10.0, "bell", -10.0, "drum", -16.0));
        assertThat(draft.reasons().get("A"))
                .contains("1.20 s gap", "31 ms", "30 dB", "allows 2.34 s", "set 2.30 s");
    }

    @Test
    void aRoomClearsTheNextHitAndAHallStartsWhenItHasSpoken() {
        FieldDraft draft = drafts().get(1);
        // 60 (0.4 - 0.006) / 40 = 0.591.
        isReverb(named(draft, "Near room"), ReverbKind.ROOM, 0.55, 0.8, 0.006);
        isSent(
                named(draft, "Near room"),
                Map.of("voice", -12.0, "choir", -10.0, "pad", -10.0, "bell", -9.0, "drum", -9.0));
        // It has fallen by 10 dB after 6 ms + 0.55 s / 6 = 97.7 ms; 60 (1.2 - 0.0977) / 30 = 2.2.
        isReverb(named(draft, "Long hall"), ReverbKind.HALL, 2.2, 0.6, 0.098);
        isSent(
                named(draft, "Long hall"),
                Map.of("voice", -10.0, "choir", -8.0, "pad", -12.0, "bell", -11.0));
        assertThat(draft.reasons().get("B")).contains("starts 98 ms later", "10 dB down");
    }

    @Test
    void eachDepthHasASpaceOfItsOwn() {
        FieldDraft draft = drafts().get(2);
        // 60 (1.2 - 0.0625) / 45 = 1.52, but 1.2 at most.
        isReverb(named(draft, "Near plate"), ReverbKind.PLATE, 1.2, 0.8, 0.0625);
        isSent(named(draft, "Near plate"), Map.of("voice", -10.0));
        isReverb(named(draft, "Middle chamber"), ReverbKind.CHAMBER, 0.55, 0.75, 0.01);
        isSent(named(draft, "Middle chamber"), Map.of("bell", -8.0, "drum", -10.0));
        isReverb(named(draft, "Far hall"), ReverbKind.HALL, 2.4, 0.5, 0);
        isSent(named(draft, "Far hall"), Map.of("choir", -6.0, "pad", -6.0));
        FieldDraft tight = Drafter.drafts(DESIGN, facts(0.6, 0.4, 12)).get(2);
        // 60 (0.6 - 0.0625) / 45 = 0.717.
        isReverb(named(tight, "Near plate"), ReverbKind.PLATE, 0.7, 0.8, 0.0625);
    }

    @Test
    void decaysKeepWithinTheirLimitsInSongsOfAnyRest() {
        List<FieldDraft> roomy = Drafter.drafts(DESIGN, facts(9, 5, 12));
        isReverb(named(roomy.get(0), "Shared hall"), ReverbKind.HALL, 2.6, 0.6, 0.03125);
        isReverb(named(roomy.get(1), "Near room"), ReverbKind.ROOM, 0.8, 0.8, 0.006);
        assertThat(((Space.Reverb) named(roomy.get(1), "Long hall").space()).decaySeconds())
                .isEqualTo(3);
        isReverb(named(roomy.get(2), "Middle chamber"), ReverbKind.CHAMBER, 0.9, 0.75, 0.01);
        List<FieldDraft> busy = Drafter.drafts(DESIGN, facts(0.02, 0.02, 12));
        // A twentieth of a second after the predelay at least: 60 x 0.05 / 40 = 0.075, 0.1 at
        // least.
        isReverb(named(busy.get(1), "Near room"), ReverbKind.ROOM, 0.1, 0.8, 0.006);
        isReverb(named(busy.get(0), "Shared hall"), ReverbKind.HALL, 0.1, 0.6, 0.03125);
    }

    @Test
    void whatWasNotMeasuredIsTakenAsUsual() {
        SongFacts none = TimeProposalsTest.NOTHING_KNOWN;
        List<FieldDraft> drafts = Drafter.drafts(DESIGN, none);
        isReverb(named(drafts.get(0), "Shared hall"), ReverbKind.HALL, 2.3, 0.6, 0.03125);
        // Nothing strikes: 60 (1.2 - 0.006) / 40 = 1.79, but 0.8 at most.
        isReverb(named(drafts.get(1), "Near room"), ReverbKind.ROOM, 0.8, 0.8, 0.006);
        assertThat(drafts.get(0).returns()).noneMatch(r -> r.gate() != null);
    }

    private static Space.Echo echo(double gap) {
        Return r = named(Drafter.drafts(DESIGN, facts(gap, 0.4, 12)).getFirst(), "Echo");
        assertThat(r.sends()).containsOnlyKeys("voice");
        assertThat(r.sendDb("voice")).hasValue(-14.0);
        assertThat(r.levelDb()).isEqualTo(-8);
        assertThat(r.filterOut())
                .isEqualTo(new Filter(new Filter.Corner(250, 2), new Filter.Corner(4500, 2)));
        Space.Echo echo = (Space.Echo) r.space();
        Space.Echo alternating = Space.Echo.pingPong(echo.time(), echo.feedback(), 150, 5000, 0.7);
        boolean one = echo.feedback() < 0.3;
        assertThat(echo)
                .isEqualTo(one ? alternating.withKind(EchoSettings.Kind.SINGLE) : alternating);
        return echo;
    }

    private static double spacing(double gap) {
        return echo(gap).time().seconds(DESIGN.song().clock(), 1);
    }

    @Test
    void theEchoIsTheLongestNoteOfWhichTwoFitIntoTheGap() {
        assertThat(spacing(1.51)).isCloseTo(0.75, within(1e-9));
        assertThat(spacing(1.49)).isCloseTo(0.5, within(1e-9));
        assertThat(spacing(1.01)).isCloseTo(0.5, within(1e-9));
        assertThat(spacing(0.99)).isCloseTo(0.375, within(1e-9));
        assertThat(spacing(0.74)).isCloseTo(0.25, within(1e-9));
        assertThat(spacing(0.3)).isCloseTo(0.375, within(1e-9));
        // Two whole repeats of half a second: 10^(-30 / 40), rounded down to a hundredth.
        assertThat(echo(1.2).feedback()).isEqualTo(0.17);
        assertThat(echo(9).feedback()).isEqualTo(0.45);
    }

    @Test
    void aDrumIsGatedWhereHitsStandSixDecibelsOverTheBleed() {
        assertThat(gated(0.4, 5.9)).isEmpty();
        Return drum = gated(0.4, 6).getFirst();
        assertThat(drum.sendDb("drum")).hasValue(-6.0);
        assertThat(drum.levelDb()).isEqualTo(-8);
        assertThat(drum.space()).isEqualTo(new Space.Reverb(ReverbKind.CHAMBER, 1.2, 0.8, 0.8, 1));
        assertThat(drum.filterIn()).isEqualTo(new Filter(new Filter.Corner(120, 2), null));
        FieldDraft draft = drafts().getFirst();
        assertThat(draft.reasons().get("C"))
                .isEqualTo(
                        "drum: the backbeat, 12 strokes on it; opens at \u221218.0 dBFS in drum,"
                                + " between strokes and bleed that are 12.0 dB apart; ends after"
                                + " 1/8 = 250 ms");
        assertThat(draft.reasons().get("B"))
                .startsWith("1/4 = 500 ms; feedback 0.17 is 30 dB down");
        Gate send = Objects.requireNonNull(Objects.requireNonNull(drum.sends().get("drum")).gate());
        assertThat(send.thresholdDb()).isEqualTo(-18);
        assertThat(send.attackMillis()).isEqualTo(0.5);
        assertThat(send.holdMillis()).isEqualTo(50);
        assertThat(send.releaseMillis()).isEqualTo(60);
        Gate wall = Objects.requireNonNull(drum.gate());
        assertThat(wall.attackMillis()).isEqualTo(2);
        assertThat(wall.releaseMillis()).isEqualTo(25);
        assertThat(wall.holdMillis()).isEqualTo(50);
        assertThat(wall.key()).isEqualTo("drum");
        assertThat(length(0.47)).isEqualTo("1/8");
        assertThat(length(0.48)).isEqualTo("1/4");
    }

    private static List<Return> gated(double hit, double separationDb) {
        return Drafter.drafts(DESIGN, facts(1.2, hit, separationDb)).getFirst().returns().stream()
                .filter(r -> r.gate() != null)
                .toList();
    }

    private static String length(double hit) {
        Gate gate = Objects.requireNonNull(gated(hit, 9).getFirst().gate());
        return Objects.requireNonNull(gate.length()).label();
    }

    /** Two seconds of a voice in a room; nothing else sounds. */
    private static double levelFor(WetState state, double sendDb, Role role) {
        return levelFor(state, sendDb, role, 0.6);
    }

    private static double levelFor(WetState state, double sendDb, Role role, double decay) {
        double rate = 24000;
        float[] x = Signals.noise(0.01, 200, 6000, 4, rate, 1);
        for (int i = 0; i < x.length; i++) {
            x[i] *= i / rate % 1 < 0.6 ? 1 : 0;
        }
        SongMaterial material = new SongMaterial(Map.of("voice", Signals.mono(rate, x)), rate);
        CoverAnalysis analysis =
                new CoverAnalysis(
                        new Renderer(material, material.frames(), new StageCache(1L << 26)),
                        -20,
                        10);
        Source source = Fields.source("voice", role);
        Design design =
                new Design(
                        new orbispace.core.design.Song(
                                "Tide", rate, Fields.song(120).clock(), List.of()),
                        List.of(source),
                        List.of(Fields.hall("A", decay, Map.of("voice", sendDb))));
        List<Span> phrases = List.of(new Span(0, 0.6), new Span(1, 1.6), new Span(2, 2.6));
        Span span = new Span(0, 4);
        Return set =
                new StateLevels(analysis, span, Job.QUIET)
                        .leveled(design, Map.of("A", state.aimShare()))
                        .requireReturn("A");
        assertThat(2 * set.levelDb()).isEqualTo(Math.rint(2 * set.levelDb()));
        if (set.levelDb() > -60 && set.levelDb() < 24) {
            double share = share(analysis, design.withReturn(set), source, phrases, span);
            double louder =
                    share(
                            analysis,
                            design.withReturn(set.withLevel(set.levelDb() + 0.5)),
                            source,
                            phrases,
                            span);
            double softer =
                    share(
                            analysis,
                            design.withReturn(set.withLevel(set.levelDb() - 0.5)),
                            source,
                            phrases,
                            span);
            double[] off =
                    Arrays.stream(new double[] {softer, share, louder})
                            .map(s -> Math.abs(s - state.aimShare()))
                            .toArray();
            assertThat(off[1]).isLessThan(off[0] + 1e-3).isLessThan(off[2] + 1e-3);
        }
        return set.levelDb();
    }

    private static double share(
            CoverAnalysis analysis, Design design, Source s, List<Span> phrases, Span span) {
        Return r = design.requireReturn("A");
        return analysis.pair(design, s, r, phrases, span, Job.QUIET).cover().wetShare();
    }

    @Test
    void aReturnGoesToTheHalfDecibelAtWhichItIsAsNoticedAsAsked() {
        double felt = levelFor(WetState.FELT, -8, Role.LEAD);
        double heard = levelFor(WetState.HEARD, -8, Role.LEAD);
        assertThat(heard).isGreaterThan(felt + 3);
        assertThat(levelFor(WetState.FELT, -8, Role.COLOUR)).isEqualTo(felt);
        assertThat(levelFor(WetState.OBVIOUS, -80, Role.LEAD)).isCloseTo(24, within(0.6));
        assertThat(levelFor(WetState.HIDDEN, 24, Role.LEAD)).isBetween(-60.0, -40.0);
        // A loud long hall is hidden only under the range.
        assertThat(levelFor(WetState.HIDDEN, 24, Role.LEAD, 8)).isEqualTo(-60);
    }
}
