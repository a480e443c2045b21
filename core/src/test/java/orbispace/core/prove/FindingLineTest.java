package orbispace.core.prove;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import orbispace.core.design.Design;
import orbispace.core.design.Fields;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Role;
import orbispace.core.design.Source;
import orbispace.core.design.SourcesEdit;
import org.junit.jupiter.api.Test;

class FindingLineTest {
    private final Design design =
            new Design(
                    Fields.song(100),
                    List.of(
                            Fields.source("a", Role.LEAD),
                            Fields.source("b", Role.BACKING),
                            Fields.source("c", Role.BACKING)),
                    List.of(Fields.hall("A", 2, Map.of("a", -10.0, "b", -12.0))));

    private Finding late(String id, int frames, Severity severity) {
        Source moved = design.findSource(id).orElseThrow();
        return new Finding(
                "unaligned",
                severity,
                id,
                frames + " late",
                id + " is late",
                "it combs",
                List.of(
                        new Remedy(
                                "shift",
                                SourcesEdit.of(
                                        design,
                                        moved.withPlacement(moved.placement().shifted(-frames)),
                                        "line-up"))));
    }

    private static Finding hidden(String id) {
        return new Finding(
                "hidden",
                Severity.WEIGH,
                id,
                "not heard",
                id + " is not heard",
                "why",
                List.of(new Remedy("level", new ReturnEdit.Level(id, -1))));
    }

    private static Finding know(String rule) {
        return new Finding(rule, Severity.KNOW, "a", rule, rule + " is so", "why", List.of());
    }

    @Test
    void kindsAreOneLineEachAndAllThatIsOnlyToKnowIsTheLast() {
        List<Finding> all =
                List.of(
                        know("rate"),
                        hidden("A"),
                        late("b", 20, Severity.WEIGH),
                        late("c", 400, Severity.ACT).bringing(Brings.ripple(0.9)),
                        know("length"),
                        hidden("B"),
                        know("bleed"));
        List<FindingLine> lines = FindingLine.of(all);
        assertThat(lines).hasSize(3);
        assertThat(lines.get(0).title(id -> id)).isEqualTo("unaligned, 2 times");
        assertThat(lines.get(0).severity()).isEqualTo(Severity.ACT);
        assertThat(lines.get(0).first().subject()).isEqualTo("c");
        assertThat(lines.get(1).title(id -> id)).isEqualTo("not heard, 2 times");
        assertThat(lines.get(1).subjects(id -> "return " + id)).isEqualTo("return A, return B");
        assertThat(lines.get(2).title(id -> id)).isEqualTo("3 to know");
        assertThat(FindingLine.ranked(all)).hasSameElementsAs(all).hasSize(7);
        assertThat(FindingLine.ranked(all).getFirst().subject()).isEqualTo("c");
    }

    @Test
    void ofEqualSeverityWhatBringsMostComesFirst() {
        Finding little = hidden("A").bringing(Brings.lessRipple(0.5));
        Finding none = late("b", 20, Severity.WEIGH);
        Finding much =
                new Finding("kit", Severity.WEIGH, "a", "kit", "kit", "why", List.of())
                        .bringing(Brings.lessRipple(6));
        assertThat(FindingLine.of(List.of(none, little, much)))
                .extracting(l -> l.first().rule())
                .containsExactly("kit", "hidden", "unaligned");
    }

    @Test
    void theRippleIsThatOfASoundThatComesTwice() {
        double b = 0.5;
        // At its crests the sum is 1 + b, in its notches 1 - b.
        double crest = 0;
        double notch = 9;
        for (double phase = 0; phase < 2 * Math.PI; phase += 1e-3) {
            double sum = Math.hypot(1 + b * Math.cos(phase), b * Math.sin(phase));
            crest = Math.max(crest, sum);
            notch = Math.min(notch, sum);
        }
        assertThat(Brings.ripple(b).amount())
                .isEqualTo(20 * Math.log10(crest / notch), within(0.01));
        assertThat(Brings.ripple(1).amount()).isEqualTo(30);
    }

    @Test
    void aWordAsksForWhatIsSaidForASubjectOrForItsGroup() {
        Finding hidden = hidden("A");
        assertThat(hidden.isAbout("", List.of())).isTrue();
        assertThat(hidden.isAbout(" a ", List.of())).as("its subject").isTrue();
        assertThat(hidden.isAbout("NOT HEARD", List.of())).isTrue();
        assertThat(hidden.isAbout("voices", List.of("Alto", "Backing voices"))).isTrue();
        assertThat(hidden.isAbout("kit", List.of("Alto", "Backing voices"))).isFalse();
    }

    @Test
    void unlikeThingsThatAreOnlyWorthKnowingHaveNoCommonPress() {
        Finding echo = late("b", 20, Severity.KNOW);
        FindingLine line = FindingLine.of(List.of(echo, know("rate"))).getFirst();
        assertThat(line.isFolded()).isTrue();
        assertThat(line.settled()).isZero();
        assertThat(FindingLine.of(List.of(echo)).getFirst().settled()).isEqualTo(1);
    }

    @Test
    void onePressSettlesAllOfAKindThoughEachWasProposedAlone() {
        List<Finding> all = new ArrayList<>();
        all.add(late("b", 20, Severity.ACT));
        all.add(late("c", 400, Severity.ACT));
        all.add(late("c", 999, Severity.ACT));
        FindingLine line = FindingLine.of(all).getFirst();
        Design settled = line.edit("line up").applyTo(design);
        assertThat(settled.findSource("b").orElseThrow().placement().shiftFrames()).isEqualTo(-20);
        assertThat(settled.findSource("c").orElseThrow().placement().shiftFrames())
                .as("the first proposal for a stem counts")
                .isEqualTo(-400);
        Design both =
                FindingLine.of(
                                List.of(
                                        hidden("A"),
                                        new Finding(
                                                "hidden",
                                                Severity.WEIGH,
                                                "A",
                                                "f",
                                                "e",
                                                "w",
                                                List.of(
                                                        new Remedy(
                                                                "send",
                                                                new ReturnEdit.SendLevel(
                                                                        "A", "a", null))))))
                        .getFirst()
                        .edit("both")
                        .applyTo(design);
        assertThat(both.requireReturn("A").levelDb()).isEqualTo(-1);
        assertThat(both.requireReturn("A").sends()).containsOnlyKeys("b");
    }
}
