package orbispace.core.prove.rule;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import orbispace.core.Signals;
import orbispace.core.clear.CoverAnalysis;
import orbispace.core.clear.DuckCourse;
import orbispace.core.clear.Question;
import orbispace.core.clear.ReturnCost;
import orbispace.core.clear.ShortCopy;
import orbispace.core.design.Design;
import orbispace.core.design.Duck;
import orbispace.core.design.Fields;
import orbispace.core.design.Filter;
import orbispace.core.design.Gate;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Return;
import orbispace.core.design.Role;
import orbispace.core.design.Send;
import orbispace.core.design.Song;
import orbispace.core.design.Source;
import orbispace.core.design.Space;
import orbispace.core.design.Throw;
import orbispace.core.design.Width;
import orbispace.core.material.Ambience;
import orbispace.core.material.GateKey;
import orbispace.core.material.Hits;
import orbispace.core.material.Phrases;
import orbispace.core.measure.StereoReport;
import orbispace.core.measure.Widening;
import orbispace.core.plan.ThrowConflict;
import orbispace.core.prove.Finding;
import orbispace.core.prove.Remedy;
import orbispace.core.prove.Severity;
import orbispace.core.render.Renderer;
import orbispace.core.render.SongMaterial;
import orbispace.core.render.StageCache;
import orbispace.core.time.SongClock;
import orbispace.core.time.Span;
import org.junit.jupiter.api.Test;

/** What findings tell, to the last digit, and the very borders from which they do. */
class FindingWordsTest extends RuleCase {
    private static final OptionalDouble NONE = OptionalDouble.empty();

    private Finding only(Design design) {
        List<Finding> found = findings(design);
        assertThat(found).hasSize(1);
        return found.getFirst();
    }

    private void tells(Design design, Severity severity, String evidence, String... remedies) {
        Finding found = only(design);
        assertThat(found.evidence()).isEqualTo(evidence);
        assertThat(found.severity()).isEqualTo(severity);
        assertThat(found.remedies()).extracting(Remedy::label).containsExactly(remedies);
        assertThat(found.seconds()).isEmpty();
    }

    private static ReturnFacts measured(
            StereoReport stereo, double share, OptionalDouble asked, double direct, double ripple) {
        ReturnFacts good = good();
        return new ReturnFacts(
                good.cost(),
                stereo,
                good.envelope(),
                OptionalDouble.of(share),
                Widening.NONE,
                asked,
                direct,
                Optional.empty(),
                ripple == 0 ? Map.of() : Map.of("voice", new ShortCopy(12, ripple)));
    }

    @Test
    void aDecayIsToldWithTheLevelThatIsLeftAndTheOneThatFits() {
        voiceSings();
        // 60 x (1.2 - 0.02) / 4.3 = 16.5 dB; 60 x 1.18 / 20 = 3.54 s, let pass up to 4.071 s.
        tells(
                design(voiceHall(4.3)),
                Severity.WEIGH,
                "Hall A is only 16 dB down at the next phrase, 1.20 s later; its decay is 4.30 s.",
                "decay 3.54 s");
        assertThat(rules(design(voiceHall(4.07)))).isEmpty();
        assertThat(rules(design(voiceHall(4.08)))).containsExactly("decay-too-long");
        Return late = voiceHall(4.3);
        for (double millis : new double[] {1169, 1171}) {
            Design design = design(late.withPredelay(new MusicalTime.Millis(millis)));
            assertThat(rules(design)).hasSize(millis < 1170 ? 1 : 0);
        }
        Return gated =
                late.withChain(late.chain().withGate(Gate.of(key(12), "drum", 1, 50, 50, null)));
        assertThat(rules(design(gated))).isEmpty();
    }

    private static GateKey key(double separation) {
        List<Hits.Hit> hits = new ArrayList<>();
        for (int i = 0; i < 3; i++) {
            hits.add(new Hits.Hit(0.5 * i, -6, -9));
        }
        return new GateKey(
                -20, 4, 0, 0, separation, new Hits(hits, List.of(new Hits.Hit(0.2, -26, -30))));
    }

    @Test
    void hitsClearAsPhrasesDo() {
        stems.put("drum", stem(Optional.empty(), Optional.empty(), Optional.of(key(12))));
        Return drums = Fields.hall("A", 2.5, Map.of("drum", -8.0));
        // 60 x (0.5 - 0.02) / 2.5 = 11.5 dB; 60 x 0.48 / 20 = 1.44 s, let pass up to 1.656 s.
        tells(
                design(drums),
                Severity.WEIGH,
                "Hall A is only 12 dB down at the next hit, 0.50 s later; its decay is 2.50 s.",
                "decay 1.44 s");
        assertThat(rules(design(Fields.hall("A", 1.65, Map.of("drum", -8.0))))).isEmpty();
        assertThat(rules(design(Fields.hall("A", 1.66, Map.of("drum", -8.0))))).hasSize(1);
    }

    private static Design echoOf(double millis) {
        Return echo = Fields.echo("A", "1/4", 0.1, Map.of("pad", -8.0));
        Space.Echo space = (Space.Echo) echo.space();
        return design(echo.withSpace(space.withTime(new MusicalTime.Millis(millis))));
    }

    @Test
    void anEchoIsToldWithTheNoteThatItMisses() {
        tells(
                echoOf(530),
                Severity.WEIGH,
                "Echo A repeats every 530 ms, 6.0 % off 1/4 (500 ms).",
                "lock to 1/4");
        assertThat(rules(echoOf(514.9))).isEmpty();
        assertThat(rules(echoOf(515.1))).hasSize(1);
        assertThat(rules(echoOf(80))).hasSize(1);
        assertThat(rules(echoOf(79.9))).isEmpty();
    }

    @Test
    void repeatsAreToldWithTheFeedbackThatFits() {
        voiceSings();
        // 1, .5, .25, .125 and .0625 lie over -30 dB; of two whole repeats 10^(-30/40) fits.
        tells(
                design(Fields.echo("A", "1/4", 0.5, Map.of("voice", -8.0))),
                Severity.WEIGH,
                "5 repeats of Echo A end 2.50 s after the word; the median gap is 1.20 s.",
                "feedback 0.17");
        assertThat(rules(design(Fields.echo("A", "1/4", 0.17, Map.of("voice", -8.0))))).isEmpty();
        assertThat(rules(design(Fields.echo("A", "1/4", 0.18, Map.of("voice", -8.0))))).hasSize(1);
    }

    @Test
    void lowsAreToldAndCutSteeperEachTime() {
        returns.put("A", facts(0.1, 0, OptionalDouble.of(3), 0.015, 1f));
        Return r = voiceHall(1);
        tells(
                design(r),
                Severity.ACT,
                "10 % of the energy of Hall A lies under 80 Hz.",
                "high-pass at 225 Hz, 24 dB/oct");
        Return open = r.withFilterOut(Filter.OPEN);
        assertThat(only(design(open)).remedies().getFirst().label())
                .isEqualTo("high-pass at 120 Hz, 12 dB/oct");
        Return steep = r.withFilterOut(new Filter(new Filter.Corner(300, 8), null));
        assertThat(only(design(steep)).remedies().getFirst().label())
                .isEqualTo("high-pass at 400 Hz, 48 dB/oct");
        returns.put("A", facts(0.099, 0, OptionalDouble.of(3), 0.015, 1f));
        assertThat(only(design(r)).severity()).isEqualTo(Severity.WEIGH);
        returns.put("A", facts(0.02, 0, OptionalDouble.of(3), 0.015, 1f));
        assertThat(rules(design(r))).containsExactly("wet-lows");
    }

    @Test
    void headroomIsToldAndTheLevelThatFreesIt() {
        returns.put("A", facts(0, 1.2, OptionalDouble.of(3), 0.015, 1f));
        // -3 dB less twice 1.2, to the half decibel.
        tells(
                design(voiceHall(1)),
                Severity.WEIGH,
                "With Hall A the mix is 1.2 LU louder and peaks 0.6 dB higher.",
                "level −5.5 dB");
        assertThat(only(design(voiceHall(1))).flag()).isEqualTo("costs 1.2 dB");
        ReturnFacts good = good();
        ReturnFacts peaks =
                new ReturnFacts(
                        new ReturnCost("x", good.cost().bandShares(), 0.2, 1.1),
                        good.stereo(),
                        good.envelope(),
                        good.wetShare(),
                        Widening.NONE,
                        NONE,
                        0,
                        Optional.empty(),
                        Map.of());
        returns.put("A", peaks);
        assertThat(only(design(voiceHall(1))).flag()).isEqualTo("costs 1.1 dB");
        returns.put("A", facts(0, 1, OptionalDouble.of(3), 0.015, 1f));
        assertThat(rules(design(voiceHall(1)))).isEmpty();
    }

    private static Design layers(double near, double far, double millis) {
        return design(
                Fields.hall("A", near, Map.of("voice", -8.0))
                        .withPredelay(new MusicalTime.Millis(0)),
                Fields.hall("B", far, Map.of("voice", -8.0))
                        .withPredelay(new MusicalTime.Millis(millis)));
    }

    @Test
    void layersAreToldWithBothTimes() {
        tells(
                layers(0.6, 2, 50),
                Severity.KNOW,
                "Hall B starts after 50 ms; Hall A is 6 dB down only after 60 ms.",
                "predelay 60 ms");
        assertThat(rules(layers(0.6, 1, 50))).hasSize(1);
        assertThat(rules(layers(0.6, 0.99, 50))).isEmpty();
        assertThat(rules(layers(0.6, 2, 59.1))).isEmpty();
        assertThat(rules(layers(0.6, 2, 58.9))).hasSize(1);
        // A tenth of 1.8 s would be 180 ms; more than 150 is not asked.
        assertThat(rules(layers(1.8, 3.4, 148))).hasSize(1);
        assertThat(rules(layers(1.8, 3.4, 150))).isEmpty();
    }

    private static StereoReport stereo(
            double correlation, OptionalDouble loss, double bandHz, double bandLoss) {
        return new StereoReport(
                OptionalDouble.of(correlation),
                loss,
                List.of(
                        new StereoReport.Band(
                                bandHz, NONE, OptionalDouble.of(bandLoss), NONE, NONE)));
    }

    private List<String> mono(double correlation, OptionalDouble loss, double hz, double notch) {
        returns.put("A", measured(stereo(correlation, loss, hz, notch), 0.015, NONE, 0, 0));
        return rules(design(voiceHall(1)));
    }

    @Test
    void monoIsToldWithWhatItCostsAndWhere() {
        assertThat(mono(0, OptionalDouble.of(4.5), 1000, 0)).isEmpty();
        assertThat(mono(0, OptionalDouble.of(4.6), 1000, 0)).containsExactly("mono-loss");
        tells(
                design(voiceHall(1)),
                Severity.WEIGH,
                "Folded to mono, Hall A loses 4.6 dB.",
                "width 70 %");
        Return hall = voiceHall(1);
        Return wide = hall.withChain(hall.chain().withWidth(new Width(1.5, 120)));
        assertThat(only(design(wide)).remedies().getFirst().label()).isEqualTo("width 105 %");
        assertThat(mono(-1, NONE, 1000, 0)).containsExactly("mono-loss");
        assertThat(only(design(voiceHall(1))).evidence())
                .isEqualTo("Folded to mono, nothing of Hall A is left.");
        assertThat(mono(-0.98, NONE, 1000, 0)).isEmpty();
        assertThat(mono(0, OptionalDouble.of(3), 1000, 9)).isEmpty();
        for (double hz : new double[] {125, 200, 250, 4000, 4500, 8000}) {
            boolean voice = hz > 150 && hz < 5000;
            assertThat(mono(0, OptionalDouble.of(3), hz, 9.6)).hasSize(voice ? 1 : 0);
        }
        assertThat(mono(0, OptionalDouble.of(3), 1000, 9.6)).containsExactly("mono-notch");
        assertThat(only(design(voiceHall(1))).evidence())
                .isEqualTo("Folded to mono, Hall A loses 10 dB around 1000 Hz.");
    }

    @Test
    void aResponseIsTrimmedByTwoMilliseconds() {
        Return c = voiceHall(1).withSpace(new Space.Convolution("pier.wav", 5, 0, 1, 1, 1));
        returns.put("A", measured(good().stereo(), 0.015, NONE, 0.3, 0));
        tells(
                design(c),
                Severity.ACT,
                "30 % of what Hall A makes comes within 2 ms of the dry sound.",
                "start the response 2 ms later");
        Design mended = only(design(c)).remedies().getFirst().edit().applyTo(design(c));
        assertThat(mended.requireReturn("A").space())
                .isEqualTo(new Space.Convolution("pier.wav", 7, 0, 1, 1, 1));
        returns.put("A", measured(good().stereo(), 0.015, NONE, 0.2, 0));
        assertThat(rules(design(c))).isEmpty();
        returns.put("A", measured(good().stereo(), 0.015, NONE, 0.3, 0));
        assertThat(rules(design(voiceHall(1)))).isEmpty();
    }

    private static Design twins(double a, double b, double millis) {
        return design(
                Fields.hall("A", a, Map.of("pad", -8.0)),
                Fields.hall("B", b, Map.of("pad", -8.0))
                        .withPredelay(new MusicalTime.Millis(millis)));
    }

    @Test
    void twoThatDoOneJobAreToldWithTheirLikeness() {
        returns.put("A", good());
        returns.put("B", good());
        tells(
                twins(1, 1.1, 20),
                Severity.WEIGH,
                "Hall A and Hall B rise and fall together (1.00), with decays of 1.00 and 1.10 s.",
                "take B out");
        assertThat(rules(twins(1, 1.299, 45))).hasSize(1);
        assertThat(rules(twins(1.301, 1, 20))).isEmpty();
        assertThat(rules(twins(1, 1, 46))).isEmpty();
        // By hand: deviations 1, 0, -1 and 1, -1, 0 of the means.
        assertThat(SameJob.correlation(List.of(3f, 2f, 1f), List.of(4f, 2f, 3f))).isEqualTo(0.5);
        assertThat(SameJob.correlation(List.of(1f, 1f), List.of(4f, 2f))).isZero();
    }

    @Test
    void whatIsHiddenOrObviousIsToldWithTheLevelThatWouldBeRight() {
        returns.put("A", measured(good().stereo(), 0.0069, OptionalDouble.of(-4.5), 0, 0));
        tells(
                design(voiceHall(1)),
                Severity.WEIGH,
                "Hall A has 0.69 % of the loudness; under 0.7 % it is not missed when muted.",
                "level −4.5 dB",
                "take it out");
        returns.put("A", measured(good().stereo(), 0.0069, NONE, 0, 0));
        assertThat(only(design(voiceHall(1))).evidence())
                .endsWith("No level of the return alone makes it heard as asked.");
        assertThat(only(design(voiceHall(1))).remedies()).hasSize(1);
        returns.put("A", measured(good().stereo(), 0.12, OptionalDouble.of(-4.5), 0, 0));
        tells(
                design(voiceHall(1)),
                Severity.WEIGH,
                "Hall A has 12 % of the loudness where felt, up to 3 %, is asked.",
                "level −4.5 dB");
        returns.put("A", measured(good().stereo(), 0.12, NONE, 0, 0));
        assertThat(only(design(voiceHall(1))).remedies().getFirst().label())
                .isEqualTo("level −7.0 dB");
    }

    private Finding gated(double threshold, double separation) {
        stems.put("drum", stem(Optional.empty(), Optional.empty(), Optional.of(key(separation))));
        return only(drumGate(threshold));
    }

    private static Design drumGate(double threshold) {
        Gate gate = new Gate("", Filter.OPEN, threshold, 4, 90, 1, 60, 60, null);
        Return r = Fields.hall("A", 0.6, Map.of());
        return design(r.withSends(Map.of("drum", Send.of(-6).withGate(gate))));
    }

    @Test
    void aGateIsToldWithTheLevelThatParts() {
        Finding low = gated(-27, 12);
        assertThat(low.evidence())
                .isEqualTo(
                        "The gate of Hall A opens at −27.0 dB; the hits of drum lie 12.0 dB over"
                                + " its bleed, and −20.0 dB parts them.");
        assertThat(low.severity()).isEqualTo(Severity.ACT);
        assertThat(low.flag()).isEqualTo("lets bleed in");
        assertThat(low.remedies().getFirst().label()).isEqualTo("threshold −20.0 dB");
        assertThat(gated(-13, 12).flag()).isEqualTo("misses hits");
        assertThat(rules(drumGate(-26))).isEmpty();
        assertThat(rules(drumGate(-14))).isEmpty();
        Finding none = gated(-20, 5.9);
        assertThat(none.evidence())
                .isEqualTo("No level parts the hits of drum from its bleed by 6 dB.");
        assertThat(none.severity()).isEqualTo(Severity.WEIGH);
        assertThat(none.remedies()).isEmpty();
    }

    @Test
    void aShortCopyIsToldWithItsNotches() {
        returns.put("A", measured(good().stereo(), 0.015, NONE, 0, 3.5));
        tells(
                design(voiceHall(1)),
                Severity.WEIGH,
                "Hall A is a copy of voice 12.0 ms later: notches from 42 Hz on, 3.5 dB deep.",
                "level −11.0 dB");
        returns.put("A", measured(good().stereo(), 0.015, NONE, 0, 3));
        assertThat(rules(design(voiceHall(1)))).hasSize(1);
        returns.put("A", measured(good().stereo(), 0.015, NONE, 0, 2.99));
        assertThat(rules(design(voiceHall(1)))).isEmpty();
    }

    private static Design with(Design design, int index, Source source) {
        List<Source> sources = new ArrayList<>(design.sources());
        sources.set(index, source);
        return design.withSources(sources);
    }

    @Test
    void sendsThatAreLeftAreTold() {
        Return r = voiceHall(1);
        Design design = design(r.withSends(Map.of("voice", Send.of(-8).withPreFader(true))));
        Source voice = design.sources().getFirst();
        tells(
                with(design, 0, voice.withGain(-12)),
                Severity.WEIGH,
                "voice is turned down to −12.0 dB, but Hall A still takes it before its fader at"
                        + " −8.0 dB.",
                "send it behind its fader");
        stems.put(
                "pad",
                stem(Optional.of(new Ambience(0.9, 14, 5)), Optional.empty(), Optional.empty()));
        Design pad = design(Fields.hall("A", 1, Map.of("pad", -6.0)));
        tells(
                pad,
                Severity.WEIGH,
                "pad holds a room of 0.90 s, 14 dB under it, and is sent to Hall A at −6.0 dB.",
                "do not send it",
                "send it at −18.0 dB");
        Source marked = Fields.source("voice", Role.LEAD).withWet(true);
        assertThat(only(with(design(voiceHall(1)), 0, marked)).evidence())
                .isEqualTo("voice is marked as wet, and is sent to Hall A at −8.0 dB.");
    }

    @Test
    void anEchoGoesToTheSpaceThatTheLeadIsSentToMost() {
        Return echo = Fields.echo("C", "1/4", 0.1, Map.of("voice", -12.0));
        Return more = Fields.hall("B", 1, Map.of("voice", -9.0)).withLevel(0);
        Design apart = design(voiceHall(1).withLevel(-2), more, echo);
        tells(
                apart,
                Severity.KNOW,
                "Echo C repeats voice, which lives in Hall B, but does not enter it.",
                "feed C into B at −9.0 dB");
    }

    @Test
    void aStillSongIsToldHowManySectionsItHas() {
        assertThat(only(design(voiceHall(1)).unplanned()).evidence())
                .isEqualTo("None of 3 sections changes level, decay or mute of any return.");
    }

    @Test
    void throwsStandWhereTheyAreThrownAndWeighByTheirFault() {
        for (ThrowConflict.Kind kind : ThrowConflict.Kind.values()) {
            Throw thrown = Throw.of("t1", "voice", "A", 6, 7, -3);
            Design design =
                    design(Fields.echo("A", "1/4", 0.1, Map.of())).withThrown(List.of(thrown));
            conflicts = List.of(new ThrowConflict(kind, thrown, "told"));
            Finding found = only(design);
            // Six beats of half a second from the start.
            assertThat(found.seconds()).hasValue(3);
            assertThat(found.evidence()).isEqualTo("told");
            Severity severity =
                    switch (kind) {
                        case LOST, BEYOND -> Severity.ACT;
                        case SILENT, MUTED, RUNS_ON, NO_GAP -> Severity.WEIGH;
                        case TWO_AT_ONCE, TEMPO -> Severity.KNOW;
                    };
            assertThat(found.severity()).as(kind.label()).isEqualTo(severity);
            assertThat(found.remedies().getLast().label()).isEqualTo("take the throw away");
            Design without = found.remedies().getLast().edit().applyTo(design);
            assertThat(without.thrown()).isEmpty();
        }
    }

    /** What a ducker does to syllables of 180 ms with rests of 90, two seconds in three. */
    private static Optional<DuckCourse> course(Duck duck) {
        double rate = 24000;
        float[] voice = Signals.noise(0.01, 200, 6000, 6, rate, 1);
        for (int i = 0; i < voice.length; i++) {
            double t = i / rate % 3;
            voice[i] *= t < 2 && t % 0.27 < 0.18 ? 1 : 1e-4f;
        }
        SongMaterial material = new SongMaterial(Map.of("voice", Signals.mono(rate, voice)), rate);
        CoverAnalysis analysis =
                new CoverAnalysis(
                        new Renderer(material, material.frames(), new StageCache(1L << 26)),
                        -20,
                        10);
        Design design =
                new Design(
                        new Song("Quay", rate, SongClock.constant(120, 4, 4), List.of()),
                        List.of(Fields.source("voice", Role.LEAD)),
                        List.of(voiceHall(1).withDuck(duck)));
        Phrases sung = Phrases.at(List.of(new Span(0, 1.98), new Span(3, 4.98)));
        return DuckCourse.of(
                analysis,
                new Question(
                        design, design.sources().getFirst(), "A", sung, new Span(0, 6), false));
    }

    private void ducks(Duck duck) {
        ReturnFacts good = good();
        returns.put(
                "A",
                new ReturnFacts(
                        good.cost(),
                        good.stereo(),
                        good.envelope(),
                        good.wetShare(),
                        Widening.NONE,
                        NONE,
                        0,
                        course(duck),
                        Map.of()));
    }

    @Test
    void aDuckerIsSlowedByTwiceOrQuickenedToTwoFifths() {
        Duck nervous = new Duck("voice", 18, -50, 20, 3, 1, 0, 20);
        ducks(nervous);
        Finding chatters = only(design(voiceHall(1).withDuck(nervous)));
        assertThat(chatters.rule()).isEqualTo("ducker-chatters");
        double swings = course(nervous).orElseThrow().swingsPerSecond();
        assertThat(chatters.evidence())
                .isEqualTo(
                        "The ducker of Hall A chatters: %.1f swings of 3 dB a second in phrases."
                                .formatted(swings));
        assertThat(chatters.remedies().getFirst().label()).isEqualTo("hold 80 ms, release 300 ms");
        Duck slower = nervous.withTimes(50, 170);
        assertThat(only(design(voiceHall(1).withDuck(slower))).remedies().getFirst().label())
                .isEqualTo("hold 100 ms, release 340 ms");
        Duck sleepy = new Duck("voice", 18, -50, 20, 3, 1, 2000, 5000);
        ducks(sleepy);
        Finding shut = only(design(voiceHall(1).withDuck(sleepy)));
        assertThat(shut.rule()).isEqualTo("ducker-never-opens");
        assertThat(shut.evidence())
                .isEqualTo("The ducker of Hall A never opens in the gaps of the lead.");
        assertThat(shut.remedies().getFirst().label()).isEqualTo("hold 800 ms, release 2000 ms");
        Duck brief = sleepy.withTimes(100, 120);
        assertThat(only(design(voiceHall(1).withDuck(brief))).remedies().getFirst().label())
                .isEqualTo("hold 40 ms, release 60 ms");
    }
}
