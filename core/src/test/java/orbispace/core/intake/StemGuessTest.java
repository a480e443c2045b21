package orbispace.core.intake;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.IntStream;
import orbispace.core.design.Role;
import orbispace.core.design.Source;
import orbispace.core.design.StemKind;
import orbispace.core.material.PrintedRoom;
import orbispace.core.material.Spectrum;
import orbispace.core.material.StemCheck;
import orbispace.core.material.StemFacts;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class StemGuessTest {
    private static Role role(String name) {
        return StemGuess.of(name, () -> facts(false, 16, 0.5), List.of()).role();
    }

    @ParameterizedTest
    @CsvSource(
            nullValues = "-",
            value = {
                "01_Kik In, HITS, CLOSE, -, kick",
                "KICK SUB, HITS, CLOSE, -, kick",
                "bd_out.2, HITS, CLOSE, -, kick",
                "SnrTop_t3, HITS, CLOSE, -, snare",
                "sna bot 2, HITS, CLOSE, -, snare",
                "HH, HITS, CLOSE, -, hat",
                "Rack Tom 1, HITS, CLOSE, -, tom",
                "FT, HITS, CLOSE, -, tom",
                "OHL, HITS, OVERHEAD, LEFT, overhead",
                "oh-R, HITS, OVERHEAD, RIGHT, overhead",
                "Drum Room (L), HITS, ROOM, LEFT, kit",
                "rm mono, HITS, ROOM, -, room",
                "Shk, HITS, CLOSE, -, percussion",
                "ld vox, LEAD, CLOSE, -, voice",
                "LV 2, LEAD, CLOSE, -, voice",
                "vox dbl L, BACKING, CLOSE, LEFT, voice",
                "BGV3_R, BACKING, CLOSE, RIGHT, voice",
                "Harm Stack hi, BACKING, CLOSE, -, voice",
                "Bs DI, BASS, DIRECT, -, bass",
                "bass amp, BASS, CLOSE, -, bass",
                "Sub, BASS, DIRECT, -, bass",
                "AGT-L, HARMONY_BED, CLOSE, LEFT, guitar",
                "gtr 2, HARMONY_BED, CLOSE, -, guitar",
                "gtrR, HARMONY_BED, CLOSE, RIGHT, guitar",
                "Lead Gtr, COLOUR, CLOSE, -, guitar",
                "pno, HARMONY_BED, CLOSE, -, piano",
                "syn pad wide, HARMONY_BED, DIRECT, -, synth",
                "Vln 1, HARMONY_BED, CLOSE, -, strings",
                "tpt, COLOUR, CLOSE, -, winds",
                "Riser FX, COLOUR, EFFECT, -, effect",
                "vox dly print, COLOUR, EFFECT, -, voice",
                "Vocal Room, COLOUR, ROOM, -, voice",
                "Snare Verb, HITS, EFFECT, -, snare",
            })
    void theTradesShortFormsAreRead(
            String name, Role role, StemKind kind, StemName.Side side, String part) {
        StemGuess guess =
                StemGuess.of(
                        name,
                        () -> {
                            throw new AssertionError("the name tells it");
                        },
                        List.of());
        assertThat(guess.role()).isEqualTo(role);
        assertThat(guess.kind()).isEqualTo(kind);
        StemName read = StemName.of(name);
        assertThat(read.side()).isEqualTo(Optional.ofNullable(side));
        assertThat(read.ground()).isEqualTo("name");
        assertThat(read.part()).isEqualTo(part);
    }

    @Test
    void wordsInsideOtherWordsAreNotRead() {
        for (String name : List.of("Foghorn loud", "Tidal", "Lantern", "Harbour", "Bellows 12")) {
            StemName read = StemName.of(name);
            assertThat(read.role()).as(name).isEmpty();
            assertThat(read.side()).as(name).isEmpty();
        }
        assertThat(StemName.of("Lantern").ground()).isEqualTo("sound");
    }

    private static List<Source> sources(String... names) {
        List<Source> sources = new ArrayList<>();
        for (String name : names) {
            StemGuess guess = StemGuess.of(name, () -> facts(false, 15, 0.4), sources);
            String id = "s" + sources.size();
            sources.add(
                    new Source(id, name, name + ".wav", guess.role(), 0, 0).withKind(guess.kind()));
        }
        return sources;
    }

    @Test
    void stemsOfOneKindFormGroupsAndThoseThatStandAloneDoNot() {
        List<Source> sources =
                sources(
                        "kik", "snr", "oh L", "oh R", "ld vox", "vox dbl", "bgv 1", "bgv 2", "pno",
                        "Bells L", "Bells R", "shk", "Room");
        Map<String, String> groups = GroupProposal.of(sources, Set.of());
        assertThat(groups)
                .containsEntry("s0", "Kit")
                .containsEntry("s1", "Kit")
                .containsEntry("s2", "Kit")
                .containsEntry("s12", "Kit")
                .containsEntry("s4", "Lead")
                .containsEntry("s5", "Lead")
                .containsEntry("s6", "Backing voices")
                .containsEntry("s9", "Bells")
                .containsEntry("s10", "Bells")
                .doesNotContainKeys("s8", "s11");
        assertThat(GroupProposal.of(sources, Set.of("s11", "s0")))
                .as("what shares strokes is a kit whatever it is called")
                .containsEntry("s11", "Kit");
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
        assertThat(role(name)).isEqualTo(role);
    }

    @Test
    void whereTheNameTellsNothingTheSoundDoes() {
        assertThat(StemGuess.of("Track 7", () -> facts(true, 12, 0.9), List.of()).role())
                .isEqualTo(Role.BASS);
        assertThat(StemGuess.of("Track 7", () -> facts(false, 24, 0.3), List.of()).role())
                .isEqualTo(Role.HITS);
        assertThat(StemGuess.of("Track 7", () -> facts(false, 10, 0.95), List.of()).role())
                .isEqualTo(Role.HARMONY_BED);
        assertThat(StemGuess.of("Track 7", () -> facts(false, 15, 0.4), List.of()).role())
                .isEqualTo(Role.COLOUR);
        assertThat(
                        StemGuess.of(
                                        "Vox 2",
                                        () -> facts(false, 15, 0.4),
                                        List.of(new Source("v", "Vox", "v.wav", Role.LEAD, 0, 0)))
                                .role())
                .as("one song has one lead")
                .isEqualTo(Role.BACKING);
    }
}
