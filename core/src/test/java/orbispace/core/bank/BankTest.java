package orbispace.core.bank;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.OptionalDouble;
import orbispace.core.design.Design;
import orbispace.core.design.Fields;
import orbispace.core.design.Filter;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Purpose;
import orbispace.core.design.Return;
import orbispace.core.design.Role;
import orbispace.core.design.Source;
import orbispace.core.design.Space;
import orbispace.core.draft.FieldDraft;
import orbispace.core.draft.SongFacts;
import orbispace.core.hearing.WetState;
import orbispace.core.time.Fit;
import orbispace.core.time.NoteValue;
import org.junit.jupiter.api.Test;

/** Fields kept from one song and laid on others of another tempo, with other gaps and strokes. */
class BankTest {
    private static final List<Source> SOURCES =
            List.of(
                    Fields.source("voice", Role.LEAD),
                    Fields.source("pad", Role.HARMONY_BED),
                    Fields.source("drum", Role.HITS));

    private static SongEvents song(double bpm, double gap, double hit, List<Return> returns) {
        SongFacts facts =
                new SongFacts(
                        1,
                        OptionalDouble.of(gap),
                        OptionalDouble.of(gap / 2),
                        hit > 0 ? OptionalDouble.of(hit) : OptionalDouble.empty(),
                        Map.of());
        return new SongEvents(new Design(Fields.song(bpm), SOURCES, returns), Map.of(), facts);
    }

    private static final List<Return> FIELD =
            List.of(
                    Fields.hall("A", 0.6, Map.of("drum", -8.0, "pad", -10.0))
                            .called("A", "Loft")
                            .withPredelay(new MusicalTime.Millis(6)),
                    Fields.hall("B", 2.4, Map.of("voice", -6.0, "pad", -9.0))
                            .called("B", "Pier")
                            .withPredelay(new MusicalTime.Note(note("1/64"), 3)),
                    Fields.echo("C", "1/8.", 0.4, Map.of("voice", -12.0)).called("C", "Buoy"));

    private static NoteValue note(String text) {
        return NoteValue.parse(text).orElseThrow();
    }

    private static double down(SongEvents song, Return r, double event) {
        double decay = ((Space.Reverb) r.space()).decaySeconds();
        return -Fit.tailLevelDb(
                event, r.predelay().seconds(song.design().song().clock(), 1), decay);
    }

    @Test
    void theDecibelsAtGapsAndStrokesAreThoseOfTheSongItComesFrom() {
        SongEvents from = song(84, 1.4, 0.5, FIELD);
        BankEntry entry = Keeping.of("Field", from, FIELD);
        for (double[] other : new double[][] {{141.3, 0.8, 0.21}, {62, 3.1, 0.97}}) {
            SongEvents to = song(other[0], other[1], other[2], List.of());
            FieldDraft laid = Laying.of(entry, to);
            assertThat(laid.returns())
                    .extracting(Return::name)
                    .containsExactly("Loft", "Pier", "Buoy");
            assertThat(down(to, laid.returns().get(0), other[2]))
                    .isCloseTo(down(from, FIELD.get(0), 0.5), within(0.5));
            assertThat(down(to, laid.returns().get(1), other[1]))
                    .isCloseTo(down(from, FIELD.get(1), 1.4), within(0.5));
            assertThat(laid.returns().get(1).predelay()).isEqualTo(FIELD.get(1).predelay());
            assertThat(laid.purposes())
                    .isEqualTo(Map.of("A", Purpose.NEAR, "B", Purpose.FAR, "C", Purpose.ECHO));
            assertThat(laid.returns().get(1).sendDb("pad").orElseThrow())
                    .isCloseTo(
                            laid.returns().get(1).sendDb("voice").orElseThrow() - 3, within(1e-9));
            assertThat(laid.reasons().get("B")).contains("dB down at the gap of", "as kept");
        }
    }

    @Test
    void theLastWholeRepeatInTheGapIsAsFarDown() {
        SongEvents from = song(84, 1.4, 0.5, FIELD);
        Relations kept = Keeping.of(from, FIELD.get(2));
        // 3/16 at 84 bpm are 536 ms: two whole repeats, 2 x 20 lg 0.4 = -15.9 dB.
        assertThat(kept.repeatsDownDb().orElseThrow()).isCloseTo(15.92, within(0.01));
        BankEntry entry = new BankEntry("Echo", "Tide", List.of(kept));
        SongEvents to = song(62, 3.1, 0.9, List.of());
        Space.Echo laid = (Space.Echo) Laying.of(entry, to).returns().getFirst().space();
        // 726 ms: four whole repeats.
        assertThat(-80 * Math.log10(laid.feedback())).isCloseTo(15.92, within(1.0));
    }

    @Test
    void whatTheSongForcesToDifferIsSaid() {
        BankEntry entry = Keeping.of("Field", song(84, 1.4, 0.5, FIELD), FIELD);
        FieldDraft still = Laying.of(entry, song(84, 1.4, 0, List.of()));
        assertThat(still.reasons().get("A")).contains("this song forces: no stroke is known here");
        SongEvents bare =
                new SongEvents(
                        new Design(Fields.song(84), SOURCES.subList(2, 3), List.of()),
                        Map.of(),
                        song(84, 1.4, 0.5, List.of()).facts());
        FieldDraft few = Laying.of(entry, bare);
        assertThat(few.returns()).extracting(Return::id).containsExactly("A");
        assertThat(few.idea()).contains("Left out: Pier: nothing in this song has a role");
        assertThat(few.reasons().get("A")).contains("nothing here is harmony bed");
        FieldDraft slow = Laying.of(entry, song(84, 30, 0.5, List.of()));
        assertThat(slow.reasons().get("B")).contains("at the end of what a decay may be");
    }

    @Test
    void aHabitThatIsPlantedInThreeSongsShowsInTheFourth() {
        List<BankEntry> songs = new ArrayList<>();
        double[][] finished = {{90, 1.2}, {110, 0.9}, {75, 1.6}};
        for (double[] song : finished) {
            // 40 dB down at the gap, 60 ms after the consonant, highs at 0.35.
            double decay = Fit.decayThatClears(song[1], 0.105, 40);
            Return late =
                    Fields.hall("A", decay, Map.of("voice", -8.0))
                            .called("A", "Tail")
                            .withSpace(Space.hall(decay, 1, 0.35))
                            .withPredelay(new MusicalTime.Millis(105));
            Design named = song(song[0], song[1], 0, List.of(late)).design();
            Design far = named.withAims(named.aims().purposed("A", Purpose.FAR));
            SongEvents events =
                    new SongEvents(far, Map.of(), song(song[0], song[1], 0, List.of()).facts());
            songs.add(Keeping.of("song", events, List.of(late)));
        }
        BankEntry manner = Manner.of(songs);
        assertThat(manner.from()).isEqualTo("3 finished songs");
        SongEvents fourth = song(128, 1, 0.3, List.of());
        FieldDraft laid = Laying.of(manner, fourth);
        Return tail = laid.returns().getFirst();
        Space.Reverb space = (Space.Reverb) tail.space();
        assertThat(down(fourth, tail, 1)).isCloseTo(40, within(0.5));
        assertThat(1000 * tail.predelay().seconds(fourth.design().song().clock(), 1))
                .isCloseTo(105, within(0.1));
        assertThat(space.highRatio()).isCloseTo(0.35, within(1e-9));
        assertThat(laid.reasons().get("A"))
                .contains("you usually let it fall by 40.0 dB there")
                .contains("you usually begin 60.0 ms after the consonant")
                .contains("highs ×0.35 (you usually let highs last 0.35 times as long");
    }

    @Test
    void whatFewerThanHalfOfTheSongsHaveIsNoHabit() {
        SongEvents with = song(84, 1.4, 0.5, FIELD);
        SongEvents without = song(84, 1.4, 0.5, FIELD.subList(0, 1));
        BankEntry all = Keeping.of("all", with, FIELD);
        BankEntry one = Keeping.of("one", without, FIELD.subList(0, 1));
        assertThat(Manner.of(List.of(all, one, one)).returns())
                .extracting(Relations::purpose)
                .containsExactly(Purpose.NEAR);
        assertThat(Manner.of(List.of(all, one)).returns()).hasSize(3);
    }

    @Test
    void keptIsWhatIsAskedHowSendsStandAndWhereCornersLie() {
        Return filtered =
                FIELD.get(1)
                        .withFilterOut(
                                new Filter(new Filter.Corner(200, 2), new Filter.Corner(6000, 2)));
        Relations r = Keeping.of(song(84, 1.4, 0.5, List.of(filtered)), filtered);
        assertThat(r.asked()).isEqualTo(WetState.FELT);
        assertThat(r.senders())
                .containsExactly(
                        new Relations.Sender(Role.LEAD, 0, false),
                        new Relations.Sender(Role.HARMONY_BED, -3, false));
        assertThat(r.highPass()).as("nothing is known of the spectrum").isEmpty();
        Return laid =
                Laying.of(new BankEntry("x", "y", List.of(r)), song(60, 1, 1, List.of()))
                        .returns()
                        .getFirst();
        assertThat(Objects.requireNonNull(laid.filterOut().highPass()).hz()).isEqualTo(200);
    }
}
