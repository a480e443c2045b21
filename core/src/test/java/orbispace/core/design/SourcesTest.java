package orbispace.core.design;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import orbispace.core.audio.Audio;
import org.junit.jupiter.api.Test;

class SourcesTest {
    private static final Audio STEM = Audio.of(48000, new float[] {0.1f, 0.2f, 0.3f, 0.4f});

    /** A voice and a bed; the voice ducks the hall. */
    private static Design field() {
        Design two = Fields.two();
        Duck duck = new Duck("voice", 6, -30, 4, 6, 10, 100, 300);
        return two.withReturn(two.requireReturn("A").withDuck(duck));
    }

    @Test
    void aStemIsLaidLaterEarlierTurnedTrimmedAndCentred() {
        assertThat(Placement.AS_IS.of(STEM)).isSameAs(STEM);
        assertThat(Placement.AS_IS.shifted(2).of(STEM).channel(0))
                .containsExactly(0, 0, 0.1f, 0.2f, 0.3f, 0.4f);
        assertThat(Placement.AS_IS.shifted(-3).of(STEM).channel(0)).containsExactly(0.4f);
        assertThat(Placement.AS_IS.shifted(-9).of(STEM).frames()).isZero();
        assertThat(Placement.AS_IS.turned().of(STEM).channel(0)[1]).isEqualTo(-0.2f);
        assertThat(Placement.AS_IS.turned().turned()).isEqualTo(Placement.AS_IS);
        assertThat(Placement.AS_IS.keeping(2).shifted(1).of(STEM).channel(0))
                .containsExactly(0, 0.1f, 0.2f);
        assertThat(Placement.AS_IS.without(0.1).of(STEM).channel(0)[1])
                .isCloseTo(0.1f, within(1e-6f));
        assertThatThrownBy(() -> Placement.AS_IS.without(2)).hasMessageContaining("offset");
        assertThatThrownBy(() -> Placement.AS_IS.keeping(-1)).hasMessageContaining("length");
    }

    @Test
    void aSourceTakenOutTakesItsSendsAndTheDuckersItKeysWithIt() {
        Design design = field();
        String lead = design.sourcesOf(Role.LEAD).getFirst().id();
        assertThat(design.returns()).anyMatch(r -> r.sends().containsKey(lead));
        SourcesEdit out = SourcesEdit.without(design, design.findSource(lead).orElseThrow());
        Design without = out.applyTo(design);
        assertThat(without.findSource(lead)).isEmpty();
        assertThat(without.returns()).noneMatch(r -> r.sends().containsKey(lead));
        assertThat(without.returns())
                .noneMatch(r -> {
                    Duck duck = r.duck();
                    return duck != null && duck.keySource().equals(lead);
                });
        assertThat(out.subject()).startsWith("take out");
        Design back =
                SourcesEdit.adding(without, List.of(Fields.source(lead, Role.LEAD)))
                        .applyTo(without);
        assertThat(back.sources().getLast().id()).isEqualTo(lead);
    }

    @Test
    void layersOfOnePartAreFoundTogether() {
        Design design = field();
        Source voice = design.sources().getFirst();
        assertThat(design.layersOf(voice)).containsExactly(voice);
        List<Source> grouped = design.sources().stream().map(s -> s.withGroup("Band")).toList();
        Design with = new SourcesEdit(grouped, "group").applyTo(design);
        assertThat(with.layersOf(grouped.getLast())).isEqualTo(grouped);
    }
}
