package orbispace.core.draft;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import orbispace.core.design.Design;
import orbispace.core.design.Fields;
import orbispace.core.design.Filter;
import orbispace.core.design.Gate;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Return;
import orbispace.core.design.Role;
import orbispace.core.design.Space;
import orbispace.core.time.Fit;
import org.junit.jupiter.api.Test;

class TimeProposalsTest {
    /** 120 bpm: a quarter is 500 ms. The lead rests for 1.2 s, hits are 400 ms apart. */
    private static final SongFacts FACTS =
            new SongFacts(
                    1,
                    OptionalDouble.of(1.2),
                    OptionalDouble.of(0.9),
                    OptionalDouble.of(0.4),
                    Map.of());

    static final SongFacts NOTHING_KNOWN =
            new SongFacts(
                    1,
                    OptionalDouble.empty(),
                    OptionalDouble.empty(),
                    OptionalDouble.empty(),
                    Map.of());

    private static Design with(Return... returns) {
        return new Design(
                Fields.song(120),
                List.of(Fields.source("voice", Role.LEAD), Fields.source("drum", Role.HITS)),
                List.of(returns));
    }

    private static Return taken(Design design, String id, TimeProposal p) {
        return p.edit().applyTo(design).requireReturn(id);
    }

    private static TimeProposal only(List<TimeProposal> all, String word) {
        return all.stream().filter(p -> p.label().contains(word)).findFirst().orElseThrow();
    }

    private static double decay(Return r) {
        return r.space() instanceof Space.Reverb v ? v.decaySeconds() : 0;
    }

    @Test
    void aDecayThatClearsTheGapIsThirtyDecibelsDownWhenTheVoiceReturns() {
        Design design = with(Fields.hall("A", 3, Map.of("voice", -8.0)));
        TimeProposal p =
                only(TimeProposals.of(design, design.requireReturn("A"), FACTS), "at the gap");
        double decay = decay(taken(design, "A", p));
        assertThat(Fit.tailLevelDb(1.2, 0.02, decay)).isCloseTo(-30, within(0.1));
        assertThat(p.why()).contains("1.20 s gap").contains("20 ms");
    }

    @Test
    void aSpaceOfHitsClearsTheNextHitInstead() {
        Design design = with(Fields.hall("A", 3, Map.of("drum", -8.0)));
        List<TimeProposal> all = TimeProposals.of(design, design.requireReturn("A"), FACTS);
        double decay = decay(taken(design, "A", only(all, "at the next hit")));
        assertThat(Fit.tailLevelDb(0.4, 0.02, decay)).isCloseTo(-40, within(0.4));
        assertThat(all).noneMatch(p -> p.label().contains("gap"));
    }

    @Test
    void whatIsAlreadySoIsNotProposed() {
        Design design = with(Fields.hall("A", 3, Map.of("voice", -8.0)));
        for (TimeProposal p : TimeProposals.of(design, design.requireReturn("A"), FACTS)) {
            Return after = taken(design, "A", p);
            assertThat(TimeProposals.of(design.withReturn(after), after, FACTS))
                    .noneMatch(again -> again.label().equals(p.label()));
        }
    }

    @Test
    void thePredelayPartsTheSpaceFromTheConsonantOnANote() {
        Design design = with(Fields.hall("A", 3, Map.of("voice", -8.0)));
        TimeProposal p =
                only(TimeProposals.of(design, design.requireReturn("A"), FACTS), "consonant");
        MusicalTime set = taken(design, "A", p).predelay();
        assertThat(set).isInstanceOf(MusicalTime.Note.class);
        assertThat(1000 * set.seconds(design.song().clock(), 1)).isBetween(30.0, 65.0);
    }

    @Test
    void aLaterLayerStartsWhenTheEarlierOneHasFallenByTenDecibels() {
        Design design =
                with(
                        Fields.hall("A", 0.6, Map.of("voice", -8.0)),
                        Fields.hall("B", 2.4, Map.of("voice", -8.0)));
        TimeProposal p =
                only(TimeProposals.of(design, design.requireReturn("B"), FACTS), "has spoken");
        double start = taken(design, "B", p).predelay().seconds(design.song().clock(), 1);
        assertThat(Fit.tailLevelDb(start, 0.02, 0.6)).isCloseTo(-10, within(0.1));
        assertThat(TimeProposals.of(design, design.requireReturn("A"), FACTS))
                .noneMatch(q -> q.label().contains("has spoken"));
    }

    @Test
    void repeatsEndInTheGap() {
        Design design = with(Fields.echo("A", "1/4", 0.8, Map.of("voice", -8.0)));
        TimeProposal p =
                only(TimeProposals.of(design, design.requireReturn("A"), FACTS), "feedback");
        Space space = taken(design, "A", p).space();
        double feedback = space instanceof Space.Echo e ? e.feedback() : 1;
        assertThat(Fit.repeatsEndSeconds(0.5, feedback, 30)).isLessThanOrEqualTo(1.2);
        assertThat(Fit.repeatsEndSeconds(0.5, feedback + 0.02, 30)).isGreaterThan(1.0);
    }

    @Test
    void aGateShutsOnTheLongestNoteBeforeTheNextHit() {
        Gate gate = new Gate("drum", Filter.OPEN, -20, 4, 120, 1, 40, 20, null);
        Return plain = Fields.hall("A", 1, Map.of("drum", -8.0));
        Return gated = plain.withChain(plain.chain().withGate(gate));
        Design design = with(gated);
        TimeProposal p = only(TimeProposals.of(design, gated, FACTS), "shut before");
        MusicalTime length =
                java.util.Objects.requireNonNull(
                        java.util.Objects.requireNonNull(taken(design, "A", p).gate()).length());
        assertThat(length.label()).isEqualTo("1/8.");
    }

    @Test
    void nothingIsProposedFromWhatWasNotMeasured() {
        Design design =
                with(
                        Fields.hall("A", 3, Map.of("drum", -8.0)),
                        Fields.echo("B", "1/4", 0.8, Map.of("voice", -8.0)));
        assertThat(TimeProposals.of(design, design.requireReturn("A"), NOTHING_KNOWN)).isEmpty();
        assertThat(TimeProposals.of(design, design.requireReturn("B"), NOTHING_KNOWN)).isEmpty();
    }

    private static void says(TimeProposal p, String label, String why) {
        assertThat(p.label()).isEqualTo(label);
        assertThat(p.why()).startsWith(why);
    }

    @Test
    void eachProposalTellsItsFormulaWithTheNumbersOfTheSong() {
        Design design =
                with(
                        Fields.hall("A", 0.6, Map.of("voice", -8.0)),
                        Fields.hall("B", 3, Map.of("voice", -8.0)),
                        Fields.echo("C", "1/4", 0.8, Map.of("voice", -8.0)));
        List<TimeProposal> b = TimeProposals.of(design, design.requireReturn("B"), FACTS);
        says(
                only(b, "at the gap"),
                "2.36 s: 30 dB down at the gap",
                "60 \u00d7 (1.20 s gap \u2212 20 ms) / 30 dB = 2.36 s");
        says(
                only(b, "consonant"),
                "1/64., 47 ms: after the consonant",
                "1/64. = 46.9 ms at 120 bpm, the note value nearest to the 45 ms");
        says(
                only(b, "has spoken"),
                "120 ms: when A has spoken",
                "Hall A starts at 20 ms and is 10 dB down after 20 + 600 \u00d7 10 / 60 = 120 ms");
        says(
                only(TimeProposals.of(design, design.requireReturn("C"), FACTS), "feedback"),
                "feedback 17 %: repeats end in the gap",
                "2 whole repeats of 500 ms fall into the 1.20 s gap; 10^(\u221230 / (20 \u00d7 2))"
                        + " = 0.17 leaves the last 30 dB down");
        Gate gate = new Gate("drum", Filter.OPEN, -20, 4, 120, 1, 40, 20, null);
        Return hit = Fields.hall("A", 1, Map.of("drum", -8.0));
        Return gated = hit.withChain(hit.chain().withGate(gate));
        says(
                only(TimeProposals.of(with(gated), gated, FACTS), "shut before"),
                "1/8., 375 ms: shut before the next hit",
                "hits are 400 ms apart; 1/8. = 375 ms is the longest of");
    }

    @Test
    void whatIsWithinTwoPercentIsAlreadySo() {
        assertThat(clears(2.36 * 1.019)).isFalse();
        assertThat(clears(2.36 * 1.022)).isTrue();
        assertThat(clears(2.36 / 1.019)).isFalse();
        assertThat(clears(2.36 / 1.022)).isTrue();
        assertThat(repeats(0.17 + 0.009)).isFalse();
        assertThat(repeats(0.17 + 0.011)).isTrue();
    }

    private static boolean clears(double decay) {
        Design design = with(Fields.hall("A", decay, Map.of("voice", -8.0)));
        return TimeProposals.of(design, design.requireReturn("A"), FACTS).stream()
                .anyMatch(p -> p.label().contains("at the gap"));
    }

    private static boolean repeats(double feedback) {
        Design design = with(Fields.echo("A", "1/4", feedback, Map.of("voice", -8.0)));
        return TimeProposals.of(design, design.requireReturn("A"), FACTS).stream()
                .anyMatch(p -> p.label().contains("feedback"));
    }

    @Test
    void aLayerIsAnEarlierOneFromThreeFifthsOfTheDecayDown() {
        assertThat(staggers(0.599)).isTrue();
        assertThat(staggers(0.601)).isFalse();
    }

    private static boolean staggers(double share) {
        Design design =
                with(
                        Fields.hall("A", 2 * share, Map.of("voice", -8.0)),
                        Fields.hall("B", 2, Map.of("voice", -8.0)));
        return TimeProposals.of(design, design.requireReturn("B"), FACTS).stream()
                .anyMatch(p -> p.label().contains("has spoken"));
    }

    @Test
    void aWallTakesANoteAsLongAsTheHitsAreApart() {
        Gate gate = new Gate("drum", Filter.OPEN, -20, 4, 120, 1, 40, 20, null);
        Return hit = Fields.hall("A", 1, Map.of("drum", -8.0));
        Return gated = hit.withChain(hit.chain().withGate(gate));
        for (double[] pair : new double[][] {{0.5, 500}, {0.499, 375}, {0.25, 250}, {0.13, 125}}) {
            SongFacts facts =
                    new SongFacts(
                            1,
                            OptionalDouble.empty(),
                            OptionalDouble.empty(),
                            OptionalDouble.of(pair[0]),
                            Map.of());
            assertThat(only(TimeProposals.of(with(gated), gated, facts), "shut before").label())
                    .contains(String.format(java.util.Locale.ROOT, " %.0f ms", pair[1]));
        }
    }
}
