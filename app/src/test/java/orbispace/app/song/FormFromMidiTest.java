package orbispace.app.song;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import orbispace.core.design.Design;
import orbispace.core.design.Filter;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.PlanCell;
import orbispace.core.design.Return;
import orbispace.core.design.Section;
import orbispace.core.design.SectionPlan;
import orbispace.core.design.Song;
import orbispace.core.design.Space;
import orbispace.core.space.ReverbKind;
import orbispace.core.time.SongClock;
import orbispace.files.midi.MidiTempo;
import org.junit.jupiter.api.Test;

class FormFromMidiTest {
    private static final SongClock CLOCK = SongClock.constant(120, 4, 4);

    private static SectionPlan level(double db) {
        return SectionPlan.NONE.withCell("A", PlanCell.PLAIN.withLevel(db));
    }

    private static Design design(Section... sections) {
        Song song = new Song("Ferry", 48000, CLOCK, List.of(sections));
        return new Design(
                song,
                List.of(),
                List.of(
                        Return.of(
                                "A",
                                "Hall",
                                Map.of(),
                                Filter.OPEN,
                                new MusicalTime.Millis(20),
                                new Space.Reverb(ReverbKind.HALL, 2, 1, 0.7, 1),
                                Filter.OPEN,
                                null,
                                0,
                                1)));
    }

    private static FormFromMidi.Taken taken(Design design, Section... sections) {
        return FormFromMidi.of(design, new MidiTempo.Form(CLOCK, List.of(sections)));
    }

    private static double level(Song song, int section) {
        return song.sections().get(section).plan().cell("A").levelDb();
    }

    @Test
    void plansFollowTheNamesOfSectionsInOrder() {
        Design design =
                design(
                        new Section("Verse", 1, 4),
                        new Section("Chorus", 5, 4).withPlan(level(-1)),
                        new Section("Verse", 9, 4).withPlan(level(-2)),
                        new Section("End", 13, 2).withPlan(level(-3)));
        FormFromMidi.Taken taken =
                taken(
                        design,
                        new Section("Verse", 1, 2),
                        new Section("Verse", 3, 6),
                        new Section("chorus", 9, 4),
                        new Section("Bridge", 13, 4));
        Song song = taken.edit().song();
        assertThat(level(song, 0)).isZero();
        assertThat(level(song, 1)).isEqualTo(-2);
        assertThat(level(song, 2)).isEqualTo(-1);
        // The last has another name and begins where the end did.
        assertThat(level(song, 3)).isEqualTo(-3);
        assertThat(taken.unplaced()).isEmpty();
    }

    @Test
    void plansWithoutAPlaceAreTold() {
        Design design =
                design(new Section("Verse", 1, 4), new Section("Coda", 5, 4).withPlan(level(-1)));
        FormFromMidi.Taken taken = taken(design, new Section("Verse", 1, 8));
        assertThat(taken.unplaced()).containsExactly("Coda");
        FormFromMidi.Taken none = taken(design);
        assertThat(none.edit().song().sections()).isEqualTo(design.song().sections());
        assertThat(none.unplaced()).isEmpty();
    }
}
