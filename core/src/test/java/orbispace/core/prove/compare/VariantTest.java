package orbispace.core.prove.compare;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import orbispace.core.design.Design;
import orbispace.core.design.Drive;
import orbispace.core.design.Fields;
import orbispace.core.design.Filter;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Width;
import orbispace.core.prove.Finding;
import orbispace.core.prove.Remedy;
import orbispace.core.prove.Severity;
import org.junit.jupiter.api.Test;

class VariantTest {
    private static final Design FIELD = Fields.two();

    private static Design without(String label) {
        return Variant.without(FIELD).stream()
                .filter(v -> v.label().equals(label))
                .findFirst()
                .orElseThrow()
                .design();
    }

    @Test
    void eachReturnAndEachStageThatDoesSomethingIsLeftOutAlone() {
        for (var r : FIELD.returns()) {
            Design other = without("without " + r.id() + " " + r.name());
            assertThat(other.findReturn(r.id())).isEmpty();
            assertThat(other.returns()).hasSize(FIELD.returns().size() - 1);
        }
        assertThat(Variant.without(FIELD)).allMatch(v -> !v.design().equals(FIELD));
        assertThat(Variant.without(FIELD).stream().map(Variant::label)).doesNotHaveDuplicates();
    }

    @Test
    void aStageIsListedOnceItIsThere() {
        String id = FIELD.returns().getFirst().id();
        String label = "without the drive of " + id;
        assertThat(Variant.without(FIELD)).noneMatch(v -> v.label().equals(label));
        Design driven = new ReturnEdit.Driving(id, new Drive(6, false)).applyTo(FIELD);
        Variant undriven =
                Variant.without(driven).stream()
                        .filter(v -> v.label().equals(label))
                        .findFirst()
                        .orElseThrow();
        assertThat(undriven.design()).isEqualTo(FIELD);
    }

    @Test
    void aRemedyIsPutInWithoutPressingIt() {
        String id = FIELD.returns().getFirst().id();
        Remedy lower = new Remedy("level -20 dB", new ReturnEdit.Level(id, -20));
        Finding found = new Finding("r", Severity.WEIGH, id, "f", "e", "w", List.of(lower));
        Variant with = Variant.with(FIELD, List.of(found)).getFirst();
        assertThat(with.label()).isEqualTo("with level -20 dB, " + id);
        assertThat(with.design().requireReturn(id).levelDb()).isEqualTo(-20);
    }

    @Test
    void everyStageOfAChainCanBeLeftOutByItself() {
        Design whole = FIELD;
        for (orbispace.core.design.Edit e :
                List.of(
                        new ReturnEdit.Widening("A", new Width(0.6, 120)),
                        new ReturnEdit.FilterIn("A", new Filter(new Filter.Corner(90, 2), null)),
                        new ReturnEdit.Driving("A", new Drive(4, true)))) {
            whole = e.applyTo(whole);
        }
        List<Variant> all = Variant.without(whole);
        for (String stage :
                List.of("width", "filter before", "drive", "predelay", "filter after")) {
            Variant v =
                    all.stream()
                            .filter(x -> x.label().equals("without the " + stage + " of A"))
                            .findFirst()
                            .orElseThrow();
            assertThat(v.design().requireReturn("B")).isEqualTo(whole.requireReturn("B"));
            assertThat(v.design().requireReturn("A")).isNotEqualTo(whole.requireReturn("A"));
        }
        Design narrow =
                all.stream()
                        .filter(x -> x.label().equals("without the width of A"))
                        .findFirst()
                        .orElseThrow()
                        .design();
        assertThat(narrow.requireReturn("A").chain().width()).isEqualTo(Width.PLAIN);
        assertThat(narrow.requireReturn("A").filterIn())
                .isEqualTo(whole.requireReturn("A").filterIn());
    }
}
