package orbispace.core.design;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import orbispace.core.audio.Audio;
import orbispace.core.material.PrintedRoom;
import orbispace.core.material.Spectrum;
import orbispace.core.material.StemCheck;
import orbispace.core.material.StemFacts;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

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

    /** Facts of a stem with its power below 200 Hz or above, a crest and a share of sounding. */
    private static StemFacts facts(boolean low, double crestDb, double share) {
        List<Double> levels =
                IntStream.range(0, Spectrum.BANDS)
                        .mapToObj(b -> (Spectrum.centreHz(b) <= 200) == low ? -20.0 : -60.0)
                        .toList();
        return new StemFacts(
                new StemCheck(0, 0, 0, false),
                new Spectrum(levels),
                OptionalDouble.of(-20),
                -3,
                crestDb,
                share,
                10,
                PrintedRoom.NONE,
                Optional.empty(),
                Optional.empty(),
                Optional.empty());
    }

    @ParameterizedTest
    @CsvSource({
        "Lead Vox, LEAD",
        "back vocals hi, BACKING",
        "Kick In, HITS",
        "Tambourine, HITS",
        "Upright Bass, BASS",
        "Bass drum, HITS",
        "Piano L, HARMONY_BED",
        "Bells, COLOUR"
    })
    void rolesAreGuessedFromNames(String name, Role role) {
        assertThat(RoleGuess.of(name, () -> facts(false, 16, 0.5), List.of())).isEqualTo(role);
    }

    @Test
    void whereTheNameTellsNothingTheSoundDoes() {
        assertThat(RoleGuess.of("Track 7", () -> facts(true, 12, 0.9), List.of()))
                .isEqualTo(Role.BASS);
        assertThat(RoleGuess.of("Track 7", () -> facts(false, 24, 0.3), List.of()))
                .isEqualTo(Role.HITS);
        assertThat(RoleGuess.of("Track 7", () -> facts(false, 10, 0.95), List.of()))
                .isEqualTo(Role.HARMONY_BED);
        assertThat(RoleGuess.of("Track 7", () -> facts(false, 15, 0.4), List.of()))
                .isEqualTo(Role.COLOUR);
        assertThat(
                        RoleGuess.of(
                                "Vox 2",
                                () -> facts(false, 15, 0.4),
                                List.of(Fields.source("vox", Role.LEAD))))
                .as("one song has one lead")
                .isEqualTo(Role.BACKING);
    }
}
