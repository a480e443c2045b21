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

    private static final SongFacts NOTHING_KNOWN =
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
}
