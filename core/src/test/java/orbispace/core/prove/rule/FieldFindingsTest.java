package orbispace.core.prove.rule;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeMap;
import orbispace.core.audio.Polarity;
import orbispace.core.clear.ShortCopy;
import orbispace.core.design.Chain;
import orbispace.core.design.Design;
import orbispace.core.design.Fields;
import orbispace.core.design.Filter;
import orbispace.core.design.Gate;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Return;
import orbispace.core.design.Role;
import orbispace.core.design.Section;
import orbispace.core.design.Send;
import orbispace.core.design.Source;
import orbispace.core.design.Space;
import orbispace.core.design.Throw;
import orbispace.core.material.Ambience;
import orbispace.core.material.GateKey;
import orbispace.core.material.Hits;
import orbispace.core.material.LineUp;
import orbispace.core.material.PrintedEcho;
import orbispace.core.material.StemFacts;
import orbispace.core.measure.StereoReport;
import orbispace.core.measure.Widening;
import orbispace.core.plan.ThrowConflict;
import orbispace.core.plan.Words;
import orbispace.core.prove.Finding;
import orbispace.core.prove.Severity;
import orbispace.core.prove.stem.SharedSound;
import orbispace.core.render.Responses;
import org.junit.jupiter.api.Test;

/** Each rule against a design that triggers it and one that just does not. */
class FieldFindingsTest extends RuleCase {
    @Test
    void aCleanFieldHasNoFindings() {
        voiceSings();
        returns.put("A", good());
        assertThat(rules(design(voiceHall(1.2)))).isEmpty();
    }

    @Test
    void ambienceIsDoubledOnlyWhereAWetStemIsSentToATail() {
        stems.put(
                "pad",
                stem(Optional.of(new Ambience(0.9, 14, 5)), Optional.empty(), Optional.empty()));
        Design sent = design(Fields.hall("A", 1, Map.of("pad", -6.0)));
        assertThat(rules(sent)).containsExactly("ambience-doubled");
        assertFirstRemedyClears(sent, "ambience-doubled");
        assertThat(findings(sent).getFirst().severity()).isEqualTo(Severity.WEIGH);
        stems.put(
                "pad",
                stem(
                        Optional.of(new Ambience(0.9, 14, 5, false)),
                        Optional.empty(),
                        Optional.empty()));
        assertThat(findings(sent).getFirst().severity())
                .as("a room that is not sure is no reason to act")
                .isEqualTo(Severity.KNOW);
        assertThat(findings(sent).getFirst().evidence()).contains("may hold a room of 0.90 s");
        assertThat(rules(design(Fields.hall("A", 1, Map.of("voice", -6.0))))).isEmpty();
        Source marked = Fields.source("voice", Role.LEAD).withWet(true);
        Design plain = design(Fields.hall("A", 1, Map.of("voice", -6.0)));
        List<Source> sources = new ArrayList<>(plain.sources());
        sources.set(0, marked);
        assertThat(rules(plain.withSources(sources))).containsExactly("ambience-doubled");
    }

    @Test
    void anEchoNearOneThatIsPrintedAlreadyStumbles() {
        StemFacts plain = stem(Optional.empty(), Optional.empty(), Optional.empty());
        stems.put("pad", withEcho(plain, new PrintedEcho(0.46, 9)));
        // A quarter at 120 bpm is 500 ms.
        Design near = design(Fields.echo("A", "1/4", 0.1, Map.of("pad", -8.0)));
        assertThat(rules(near)).containsExactly("echo-doubled");
        assertFirstRemedyClears(near, "echo-doubled");
        assertThat(rules(design(Fields.echo("A", "1/4", 0.1, Map.of("drum", -8.0)))))
                .doesNotContain("echo-doubled");
        for (double apart : new double[] {0.43, 0.4985}) {
            stems.put("pad", withEcho(plain, new PrintedEcho(apart, 9)));
            assertThat(rules(near)).as("%s s", apart).doesNotContain("echo-doubled");
        }
    }

    private static StemFacts withEcho(StemFacts f, PrintedEcho echo) {
        return new StemFacts(
                f.check(),
                f.spectrum(),
                f.integratedLufs(),
                f.peakDbfs(),
                f.crestDb(),
                f.soundingShare(),
                f.lastSoundSeconds(),
                f.room(),
                Optional.of(echo),
                f.phrases(),
                f.hits(),
                f.gate());
    }

    @Test
    void aResponseThatHoldsTheDrySoundIsPartlyWet() {
        Return c = voiceHall(1).withSpace(new Space.Convolution("pier.wav", 0, 0, 1, 1, 1));
        for (double share : new double[] {0.3, 0.15}) {
            ReturnFacts g = good();
            returns.put(
                    "A",
                    new ReturnFacts(
                            g.cost(),
                            g.stereo(),
                            g.envelope(),
                            g.wetShare(),
                            Widening.NONE,
                            OptionalDouble.empty(),
                            share,
                            Optional.empty(),
                            Map.of()));
            assertThat(rules(design(c)).contains("partly-wet")).isEqualTo(share > 0.2);
        }
    }

    @Test
    void lowsInTheWetAreFoundFromTwoPercentOn() {
        returns.put("A", facts(0.021, 0, OptionalDouble.of(3), 0.015, 1f));
        assertThat(rules(design(voiceHall(1)))).containsExactly("wet-lows");
        assertThat(findings(design(voiceHall(1))).getFirst().remedies().getFirst().label())
                .isEqualTo("high-pass at 225 Hz, 24 dB/oct");
        returns.put("A", facts(0.019, 0, OptionalDouble.of(3), 0.015, 1f));
        assertThat(rules(design(voiceHall(1)))).isEmpty();
    }

    @Test
    void aDecayIsTooLongForTheGapOrTheHit() {
        voiceSings();
        // (1.2 s - predelay of 20 ms) x 60 / 20 = 3.5 s; a seventh more is let pass.
        Design longer = design(voiceHall(4.3));
        assertThat(rules(longer)).containsExactly("decay-too-long");
        assertFirstRemedyClears(longer, "decay-too-long");
        // 60 dB in 4.3 s: 16.5 dB in 1.18 s; in 3.54 s: 20.0.
        assertThat(findings(longer).getFirst().brings().orElseThrow().words())
                .isEqualTo("3.5 dB less at the next phrase");
        assertThat(rules(design(voiceHall(3.4)))).isEmpty();
        Hits beats =
                new Hits(
                        List.of(
                                new Hits.Hit(0, -6, -9),
                                new Hits.Hit(0.5, -6, -9),
                                new Hits.Hit(1, -6, -9)),
                        List.of());
        GateKey key = new GateKey(-20, 4, 0, 0, 12, beats);
        stems.put("drum", stem(Optional.empty(), Optional.empty(), Optional.of(key)));
        Return drums = Fields.hall("A", 2.5, Map.of("drum", -8.0));
        assertThat(rules(design(drums))).containsExactly("decay-too-long");
        assertThat(rules(design(drums.withSpace(Fields.hall("A", 1.2, Map.of()).space()))))
                .isEmpty();
    }

    @Test
    void anEchoBetweenThreeAndTwelvePercentOffIsFound() {
        for (double[] off : new double[][] {{0, 0}, {1.02, 0}, {1.06, 1}, {0.96, 1}}) {
            double millis = off[0] == 0 ? 500 : 500 * off[0];
            Return echo = Fields.echo("A", "1/4", 0.1, Map.of("pad", -8.0));
            Space.Echo space = (Space.Echo) echo.space();
            Design design = design(echo.withSpace(space.withTime(new MusicalTime.Millis(millis))));
            assertThat(rules(design).contains("echo-off-grid"))
                    .as("" + millis)
                    .isEqualTo(off[1] == 1);
            if (off[1] == 1) {
                assertFirstRemedyClears(design, "echo-off-grid");
            }
        }
    }

    @Test
    void repeatsThatOutlastTheGapAreFound() {
        voiceSings();
        Design over = design(Fields.echo("A", "1/4", 0.5, Map.of("voice", -8.0)));
        assertThat(rules(over)).containsExactly("repeats-run-on");
        assertFirstRemedyClears(over, "repeats-run-on");
        assertThat(rules(design(Fields.echo("A", "1/4", 0.1, Map.of("voice", -8.0))))).isEmpty();
    }

    @Test
    void aGateMustPartHitsFromBleed() {
        Hits events =
                new Hits(List.of(new Hits.Hit(0, -10, -9)), List.of(new Hits.Hit(0.2, -26, -30)));
        GateKey key = new GateKey(-20, 4, 0, 0, 12, events);
        stems.put("drum", stem(Optional.empty(), Optional.empty(), Optional.of(key)));
        for (double threshold : new double[] {-20, -25.9, -27, -13}) {
            Gate gate = new Gate("", Filter.OPEN, threshold, 4, 90, 1, 60, 60, null);
            Return r = Fields.hall("A", 0.6, Map.of());
            r = r.withSends(Map.of("drum", Send.of(-6).withGate(gate)));
            boolean wrong = Math.abs(threshold + 20) > 6;
            Design design = design(r);
            assertThat(rules(design).contains("gate-cannot-part"))
                    .as("" + threshold)
                    .isEqualTo(wrong);
            if (wrong) {
                assertFirstRemedyClears(design, "gate-cannot-part");
            }
        }
        Gate open = new Gate("", Filter.OPEN, -27, 4, 90, 1, 60, 60, null);
        Return r = Fields.hall("A", 0.6, Map.of());
        Design design = design(r.withSends(Map.of("drum", Send.of(-6).withGate(open))));
        assertThat(findings(design).getFirst().severity()).isEqualTo(Severity.ACT);
        Hits doubted = new Hits(events.hits(), events.bleed(), false);
        GateKey doubtful = new GateKey(-20, 4, 0, 0, 12, doubted);
        stems.put("drum", stem(Optional.empty(), Optional.empty(), Optional.of(doubtful)));
        assertThat(findings(design).getFirst().severity()).isEqualTo(Severity.WEIGH);
    }

    @Test
    void whatIsHiddenOrObviousIsFound() {
        Map<Double, String> cases = new TreeMap<>();
        cases.put(0.0069, "hidden");
        cases.put(0.0071, "");
        cases.put(0.099, "");
        cases.put(0.101, "too-obvious");
        cases.forEach((share, rule) -> {
            returns.put("A", facts(0, 0, OptionalDouble.of(3), share, 1f));
            List<String> found = rules(design(voiceHall(1)));
            assertThat(found).as("" + share).isEqualTo(rule.isEmpty() ? List.of() : List.of(rule));
        });
    }

    @Test
    void whatOpensTheMixIsNeverCalledNotHeard() {
        for (double degrees : new double[] {2.9, 3.1, 8, 40}) {
            Widening opens =
                    new Widening(
                            List.of(
                                    new Widening.Gain(500, OptionalDouble.of(degrees)),
                                    new Widening.Gain(1000, OptionalDouble.of(degrees))));
            ReturnFacts g = facts(0, 0, OptionalDouble.of(3), 0.002, 1f);
            returns.put(
                    "A",
                    new ReturnFacts(
                            g.cost(),
                            g.stereo(),
                            g.envelope(),
                            g.wetShare(),
                            opens,
                            g.askedLevelDb(),
                            0,
                            Optional.empty(),
                            Map.of()));
            Design design = design(voiceHall(1));
            assertThat(rules(design)).containsExactly(degrees < 3 ? "hidden" : "width-alone");
            boolean said =
                    findings(design).stream()
                            .anyMatch(f -> (f.flag() + f.evidence()).contains("not heard"));
            assertThat(said).isEqualTo(degrees < 3);
        }
    }

    @Test
    void monoMustNotCostMoreThanFourAndAHalfDecibels() {
        returns.put("A", facts(0, 0, OptionalDouble.of(4.6), 0.015, 1f));
        assertThat(rules(design(voiceHall(1)))).containsExactly("mono-loss");
        returns.put("A", facts(0, 0, OptionalDouble.of(4.4), 0.015, 1f));
        assertThat(rules(design(voiceHall(1)))).isEmpty();
        ReturnFacts g = good();
        StereoReport notched =
                new StereoReport(
                        OptionalDouble.of(0.4),
                        OptionalDouble.of(2),
                        List.of(
                                new StereoReport.Band(
                                        1000,
                                        OptionalDouble.of(-0.8),
                                        OptionalDouble.of(9.5),
                                        OptionalDouble.empty(),
                                        OptionalDouble.empty())));
        returns.put(
                "A",
                new ReturnFacts(
                        g.cost(),
                        notched,
                        g.envelope(),
                        g.wetShare(),
                        Widening.NONE,
                        OptionalDouble.empty(),
                        0,
                        Optional.empty(),
                        Map.of()));
        assertThat(rules(design(voiceHall(1)))).containsExactly("mono-notch");
    }

    @Test
    void aShortCopyCombsFromThreeDecibelsOn() {
        ReturnFacts g = good();
        for (double ripple : new double[] {3.5, 2.5}) {
            returns.put(
                    "A",
                    new ReturnFacts(
                            g.cost(),
                            g.stereo(),
                            g.envelope(),
                            g.wetShare(),
                            Widening.NONE,
                            OptionalDouble.empty(),
                            0,
                            Optional.empty(),
                            Map.of("voice", new ShortCopy(12, ripple))));
            assertThat(rules(design(voiceHall(1))).contains("short-offset")).isEqualTo(ripple > 3);
        }
    }

    @Test
    void twoSpacesThatRiseAndFallTogetherDoOneJob() {
        returns.put("A", good());
        returns.put("B", good());
        Return twin = Fields.hall("B", 1.1, Map.of("pad", -8.0));
        Design same = design(Fields.hall("A", 1, Map.of("pad", -8.0)), twin);
        assertThat(rules(same)).containsExactly("same-job");
        assertFirstRemedyClears(same, "same-job");
        assertThat(
                        rules(
                                design(
                                        Fields.hall("A", 1, Map.of("pad", -8.0)),
                                        Fields.hall("B", 1.4, Map.of("pad", -8.0)))))
                .isEmpty();
        returns.put("B", facts(0, 0, OptionalDouble.of(3), 0.015, 0.1f, 1f, 0.2f, 0.9f));
        assertThat(rules(same)).isEmpty();
    }

    @Test
    void aLaterLayerWaitsUntilTheFirstHasSpoken() {
        Return near = Fields.hall("A", 0.6, Map.of("voice", -8.0));
        near = near.withPredelay(new MusicalTime.Millis(0));
        Return far = Fields.hall("B", 2, Map.of("voice", -8.0));
        // The near one is 6 dB down after 0.6 s x 6 / 60 = 60 ms.
        Design early = design(near, far.withPredelay(new MusicalTime.Millis(50)));
        assertThat(rules(early)).containsExactly("layers-too-close");
        assertFirstRemedyClears(early, "layers-too-close");
        assertThat(rules(design(near, far.withPredelay(new MusicalTime.Millis(60))))).isEmpty();
    }

    @Test
    void anEchoLivesInTheSpaceOfItsSource() {
        Return echo = Fields.echo("B", "1/4", 0.1, Map.of("voice", -12.0));
        Design apart = design(voiceHall(1), echo);
        assertThat(rules(apart)).containsExactly("echo-out-of-place");
        assertFirstRemedyClears(apart, "echo-out-of-place");
        assertThat(rules(design(voiceHall(1), Fields.echo("B", "1/4", 0.1, Map.of("pad", -9.0)))))
                .isEmpty();
    }

    @Test
    void aPreFaderSendOfASourceThatIsTurnedDownIsFound() {
        Return r = voiceHall(1);
        r = r.withSends(Map.of("voice", Send.of(-8).withPreFader(true)));
        for (double gain : new double[] {-13, -11}) {
            Design design = design(r);
            List<Source> sources = new ArrayList<>(design.sources());
            sources.set(0, sources.getFirst().withGain(gain));
            assertThat(rules(design.withSources(sources)).contains("pre-fader-left"))
                    .isEqualTo(gain < -12);
        }
    }

    @Test
    void headroomCostsUpToOneDecibel() {
        returns.put("A", facts(0, 1.1, OptionalDouble.of(3), 0.015, 1f));
        assertThat(rules(design(voiceHall(1)))).containsExactly("headroom-cost");
        returns.put("A", facts(0, 0.9, OptionalDouble.of(3), 0.015, 1f));
        assertThat(rules(design(voiceHall(1)))).isEmpty();
    }

    @Test
    void copiesThatDoNotLieOnEachOtherAreFound() {
        pairs.add(new SharedSound("voice", "pad", new LineUp(120, Polarity.SAME, 0.9, 0.8)));
        assertThat(rules(design(voiceHall(1)))).containsExactly("unaligned");
    }

    @Test
    void aSongOfThreeSectionsShouldMoveSomewhere() {
        Design still = design(voiceHall(1)).unplanned();
        assertThat(rules(still)).containsExactly("nothing-changes");
        List<Section> two = still.song().sections().subList(0, 2);
        assertThat(rules(still.withSong(still.song().withSections(two)))).isEmpty();
    }

    @Test
    void throwsThatRunOnAreFoundAndMended() {
        voiceSings();
        Design design =
                design(Fields.echo("A", "1/4", 0.6, Map.of()))
                        .withThrown(List.of(Throw.of("t1", "voice", "A", 2, 4, -3)));
        conflicts =
                ThrowConflict.of(design, Responses.NONE, Map.of("voice", Words.of(PHRASES)), 12);
        assertThat(rules(design)).containsExactly("throw-runs-on");
        Finding found = findings(design).getFirst();
        Design mended = found.remedies().getFirst().edit().applyTo(design);
        assertThat(ThrowConflict.of(mended, Responses.NONE, Map.of("voice", Words.of(PHRASES)), 12))
                .isEmpty();
    }

    @Test
    void whatMustBeDoneComesFirst() {
        stems.put(
                "pad",
                stem(Optional.of(new Ambience(0.9, 14, 5)), Optional.empty(), Optional.empty()));
        pairs.add(new SharedSound("voice", "pad", new LineUp(120, Polarity.SAME, 0.9, 0.8)));
        List<Finding> found =
                findings(design(Fields.hall("A", 1, Map.of("pad", -6.0))).unplanned());
        assertThat(found).extracting(Finding::severity).isSorted();
        assertThat(found).hasSize(3);
        assertThat(Chain.of(Fields.hall("A", 1, Map.of()).space()).gate()).isNull();
    }
}
