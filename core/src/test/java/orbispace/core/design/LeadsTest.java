package orbispace.core.design;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import orbispace.core.time.Span;
import org.junit.jupiter.api.Test;

/** Who stands in front, section by section; at 120 bpm a bar of four takes two seconds. */
class LeadsTest {
    private static final Section FIRST = new Section("Verse", 1, 4);
    private static final Section SECOND = new Section("Solo", 5, 2).ledBy("horn");
    private static final Section THIRD = new Section("Last", 7, 6).ledBy("horn");

    private static Design of(Section... sections) {
        return new Design(
                Fields.song(120).withSections(List.of(sections)),
                List.of(
                        Fields.source("bed", Role.HARMONY_BED),
                        Fields.source("voice", Role.LEAD),
                        Fields.source("horn", Role.COLOUR)),
                List.of());
    }

    private static String id(java.util.Optional<Source> s) {
        return s.map(Source::id).orElse("none");
    }

    @Test
    void whoHasTheRoleLeadsWhereNoSectionSaysOtherwise() {
        Design plain = of(FIRST);
        assertThat(id(Leads.main(plain))).isEqualTo("voice");
        assertThat(id(Leads.of(plain, FIRST))).isEqualTo("voice");
        assertThat(Leads.all(plain))
                .singleElement()
                .satisfies(l ->
                        assertThat(l.within(List.of(new Span(3, 5))))
                                .containsExactly(new Span(3, 5)));
    }

    @Test
    void aSectionNamesItsOwnAndWhoLeadsLongestLeadsTheSong() {
        Design two = of(FIRST, SECOND);
        assertThat(id(Leads.of(two, SECOND))).isEqualTo("horn");
        assertThat(id(Leads.main(two))).as("8 s of 12").isEqualTo("voice");
        assertThat(id(Leads.main(of(FIRST, SECOND, THIRD)))).as("16 s of 24").isEqualTo("horn");
        assertThat(id(Leads.at(two, new Span(7, 12)))).isEqualTo("horn");
        assertThat(id(Leads.at(two, new Span(4, 9)))).isEqualTo("voice");
        assertThat(id(Leads.at(two, new Span(40, 50)))).as("after all sections").isEqualTo("voice");
        Leads.Led horn = Leads.all(two).getLast();
        assertThat(horn.within(List.of(new Span(6, 9), new Span(11, 20))))
                .containsExactly(new Span(8, 9), new Span(11, 12));
    }

    @Test
    void aLeadThatIsTakenOutLeadsNoMore() {
        Design without = of(FIRST, SECOND).withSources(List.of(Fields.source("voice", Role.LEAD)));
        assertThat(without.song().sections().getLast().lead()).isEmpty();
        assertThat(id(Leads.of(without, without.song().sections().getLast()))).isEqualTo("voice");
    }

    @Test
    void aSectionKeepsItsLeadWhateverElseChanges() {
        assertThat(SECOND.over(9, 12).named("Break", SectionKind.BREAK).lead()).isEqualTo("horn");
        assertThat(SECOND.withPlan(SectionPlan.NONE).lead()).isEqualTo("horn");
    }
}
