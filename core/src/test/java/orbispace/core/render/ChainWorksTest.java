package orbispace.core.render;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Objects;
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
import orbispace.core.design.Source;
import orbispace.core.design.SourcesEdit;
import orbispace.core.design.Space;
import orbispace.core.space.EchoSettings;
import orbispace.core.space.GatedSettings;
import orbispace.core.space.ReverbKind;
import orbispace.core.time.MetreMap;
import orbispace.core.time.SongClock;
import orbispace.core.time.TempoMap;
import org.junit.jupiter.api.Test;

class ChainWorksTest {
    private static final MusicalTime QUARTER = new MusicalTime.Note(Fields.note("1/4"), 0);

    private static Song twoTempi() {
        SongClock clock =
                new SongClock(
                        TempoMap.of(
                                List.of(
                                        new TempoMap.Change(0, 120, 120),
                                        new TempoMap.Change(8, 60, 60))),
                        MetreMap.of(List.of(new MetreMap.Change(1, 4, 4))));
        return new Song(
                "Two", 48000, clock, List.of(new Section("One", 1, 2), new Section("Two", 3, 2)));
    }

    private static Design design(Return... returns) {
        Source voice = Fields.source("voice", Role.LEAD);
        Source double1 = Fields.source("double", Role.LEAD).withGroup("leads");
        Source double2 = Fields.source("triple", Role.LEAD).withGroup("leads");
        return new Design(twoTempi(), List.of(voice, double1, double2), List.of(returns));
    }

    private static Return ret(Chain chain, boolean follows) {
        return new Return(
                "A",
                "A",
                Map.of("voice", Send.of(-6)),
                Map.of(),
                chain,
                -3,
                new Return.Timing(1, follows));
    }

    private static ChainSettings works(Return r) {
        return new ChainWorks(design(r), Responses.NONE).of(r);
    }

    @Test
    void timesAreThoseOfTheReturnsBarOrOfEachSection() {
        Chain echo = Chain.of(Space.Echo.pingPong(QUARTER, 0.3, 100, 8000, 1));
        ChainSettings fixed = works(ret(echo, false));
        assertThat(fixed.stages().get(ChainSettings.ENGINE).steady()).isTrue();
        ChainSettings following = works(ret(echo, true));
        Timeline engine = following.stages().get(ChainSettings.ENGINE);
        assertThat(engine.steps()).hasSize(2);
        assertThat(engine.steps().get(1).frame()).isEqualTo(4 * 48000);
        assertThat(spacing(engine, 0)).isEqualTo(0.5);
        assertThat(spacing(engine, 1)).isEqualTo(1.0);
        assertThat(engine.indexAt(4 * 48000 - 1)).isZero();
        assertThat(engine.indexAt(4 * 48000)).isEqualTo(1);
        assertThat(engine.nextChange(0)).isEqualTo(4 * 48000);
        assertThat(engine.nextChange(4 * 48000)).isEqualTo(Integer.MAX_VALUE);
    }

    private static double spacing(Timeline engine, int step) {
        return engine.steps().get(step).settings() instanceof StageSettings.Spatial s
                        && s.settings() instanceof EchoSettings e
                ? e.leftSeconds()
                : 0;
    }

    @Test
    void plainMillisecondsDoNotChangeWithTheSections() {
        Chain chain =
                Chain.of(Space.Echo.pingPong(new MusicalTime.Millis(300), 0, 100, 8000, 1))
                        .withPredelay(new MusicalTime.Millis(20));
        ChainSettings following = works(ret(chain, true));
        assertThat(following.stages()).allMatch(Timeline::steady);
    }

    @Test
    void aGatesHoldIsWhatAttackAndReleaseLeaveOfItsLength() {
        Gate gate = new Gate("voice", Filter.OPEN, -20, 4, 120, 2, 0, 25, QUARTER);
        ChainSettings chain = works(ret(Chain.of(Space.hall(1, 1, 1)).withGate(gate), true));
        Timeline stage = chain.stages().get(ChainSettings.GATE);
        assertThat(hold(stage, 0)).isCloseTo(0.5 - 0.027, within(1e-9));
        assertThat(hold(stage, 1)).isCloseTo(1.0 - 0.027, within(1e-9));
        Gate tiny = new Gate("", Filter.OPEN, -20, 4, 120, 20, 0, 25, new MusicalTime.Millis(10));
        ChainSettings shortest = works(ret(Chain.of(Space.hall(1, 1, 1)).withGate(tiny), false));
        assertThat(hold(shortest.stages().get(ChainSettings.GATE), 0)).isZero();
    }

    private static double hold(Timeline stage, int step) {
        return stage.steps().get(step).settings() instanceof StageSettings.Gating g
                ? Objects.requireNonNull(g.settings()).holdSeconds()
                : -1;
    }

    @Test
    void aKeyMayBeAGroup() {
        Duck duck = new Duck("leads", 6, -40, 4, 6, 5, 50, 100);
        ChainSettings chain = works(ret(Chain.of(Space.hall(1, 1, 1)).withDuck(duck), false));
        StageSettings.Key key =
                Objects.requireNonNull(chain.stages().get(ChainSettings.DUCKER).first().key());
        assertThat(key.gains()).containsOnlyKeys("double", "triple");
    }

    @Test
    void sendsTapBeforeOrAfterTheGainAndAGateListensToItsSource() {
        Source loud = Fields.source("voice", Role.LEAD).withGain(6);
        Gate gate = new Gate("", Filter.OPEN, -20, 4, 120, 1, 40, 25, null);
        Return pre =
                ret(Chain.of(Space.hall(1, 1, 1)), false)
                        .withSends(Map.of("voice", new Send(-6, true, gate)));
        Design d = new Design(twoTempi(), List.of(loud), List.of(pre));
        ChainSettings.SendGain send =
                Objects.requireNonNull(
                        new ChainWorks(d, Responses.NONE).of(pre).sends().get("voice"));
        assertThat(20 * Math.log10(send.gain() * send.curve().at(0))).isCloseTo(-6, within(1e-6));
        var gating = Objects.requireNonNull(send.gate());
        assertThat(Objects.requireNonNull(gating.key()).gains()).containsOnlyKeys("voice");
        Return post = pre.withSends(Map.of("voice", Send.of(-6)));
        ChainSettings.SendGain after =
                Objects.requireNonNull(
                        new ChainWorks(d.withReturn(post), Responses.NONE)
                                .of(post)
                                .sends()
                                .get("voice"));
        assertThat(20 * Math.log10(after.gain() * after.curve().at(0))).isCloseTo(0, within(1e-6));
    }

    @Test
    void latencyIsKnownAndRingsAddUp() {
        Chain chain = Chain.of(Space.hall(1, 1, 1)).withDrive(new Drive(6, true));
        ChainSettings driven = works(ret(chain, false));
        assertThat(driven.latencyBefore(driven.stages().size())).isEqualTo(34);
        assertThat(driven.latencyBefore(ChainSettings.ENGINE)).isZero();
        Return fed = ret(Chain.of(Space.hall(2, 1, 1)), false).called("B", "B");
        Return into = ret(chain, false).withFeeds(Map.of("B", -6.0));
        Design d = design(into, fed);
        double alone = works(ret(chain, false)).ringSeconds();
        assertThat(new ChainWorks(d, Responses.NONE).of(into).ringSeconds())
                .isGreaterThan(alone + 2);
    }

    @Test
    void aMissingResponseLeavesTheSoundAsItIs() {
        Return r = ret(Chain.of(new Space.Convolution("gone.wav", 0, 0, 1, 1, 1)), false);
        var response = ImpulseResponse.of(design(r), r, Responses.NONE);
        assertThat(response.channel(0)[0]).isCloseTo((float) Math.sqrt(0.5), within(1e-5f));
        assertThat(Responses.NONE.files()).isEmpty();
    }

    @Test
    void gatedLengthsAreKeptWithinWhatCanBeMade() {
        MusicalTime long1 = new MusicalTime.Note(Fields.note("4 bars"), 0);
        Space gated = new Space.Gated(GatedSettings.Envelope.FLAT, long1, 15, 9000);
        Timeline stage = works(ret(Chain.of(gated), false)).stages().get(ChainSettings.ENGINE);
        assertThat(stage.first())
                .isInstanceOfSatisfying(
                        StageSettings.Spatial.class,
                        s ->
                                assertThat(((GatedSettings) s.settings()).lengthSeconds())
                                        .isEqualTo(4));
    }

    @Test
    void takingASourceOutTakesItsGatesAlong() {
        Gate gate = new Gate("voice", Filter.OPEN, -20, 4, 120, 1, 40, 25, null);
        Return r =
                ret(Chain.of(Space.hall(1, 1, 1)).withGate(gate), false)
                        .withSends(
                                Map.of(
                                        "double", Send.of(-6).withGate(gate),
                                        "voice", Send.of(-6)));
        Design d = design(r);
        Design without = SourcesEdit.without(d, d.findSource("voice").orElseThrow()).applyTo(d);
        Return left = without.requireReturn("A");
        assertThat(left.gate()).isNull();
        assertThat(left.sends()).containsOnlyKeys("double");
        assertThat(Objects.requireNonNull(left.sends().get("double")).gate()).isNull();
    }

    @Test
    void editsOfAReturnAreTakenBackByTheirInverse() {
        Return r = ret(Chain.of(Space.hall(1, 1, 1)), false);
        Return other = r.called("B", "B");
        Design d = design(r, other);
        Gate gate = new Gate("", Filter.OPEN, -20, 4, 120, 1, 40, 25, null);
        List<ReturnEdit> edits =
                List.of(
                        new ReturnEdit.Spatial(
                                "A", new Space.Reverb(ReverbKind.PLATE, 2, 1, 1, 1), "space"),
                        new ReturnEdit.Driving("A", new Drive(6, false)),
                        new ReturnEdit.Gating("A", gate),
                        new ReturnEdit.Widening("A", new orbispace.core.design.Width(1.2, 100)),
                        new ReturnEdit.Timed("A", new Return.Timing(3, true)),
                        new ReturnEdit.Feed("A", "B", -9.0),
                        new ReturnEdit.Sending("A", "voice", new Send(-3, true, gate)),
                        new ReturnEdit.SendLevel("A", "double", -20.0),
                        new ReturnEdit.Named("A", "Quay"));
        for (ReturnEdit edit : edits) {
            Design changed = edit.applyTo(d);
            assertThat(changed).as(edit.subject()).isNotEqualTo(d);
            assertThat(edit.inverse(d).applyTo(changed)).as(edit.subject()).isEqualTo(d);
        }
    }

    @Test
    void aFieldHasNoMoreThanSixteenReturnsAndLettersAreSingle() {
        Design d = design(ret(Chain.of(Space.hall(1, 1, 1)), false));
        for (String id : "BCDEFGHIJKLMNOP".split("")) {
            assertThat(FieldEdit.freeLetter(d)).contains(id);
            d = new FieldEdit.Add(d.returns().getFirst().called(id, id), 99).applyTo(d);
        }
        assertThat(FieldEdit.freeLetter(d)).isEmpty();
        Design full = d;
        Return more = full.returns().getFirst().called("Q", "Q");
        assertThatThrownBy(() -> new FieldEdit.Add(more, 0).applyTo(full))
                .hasMessageContaining("at most 16 returns");
        Return same = full.returns().getFirst();
        assertThatThrownBy(() -> new FieldEdit.Adopt(List.of(same, same), "twice").applyTo(full))
                .hasMessageContaining("two returns are called \"A\"");
        assertThat(new FieldEdit.Move("P", 0).applyTo(full).returns().getFirst().id())
                .isEqualTo("P");
    }
}
