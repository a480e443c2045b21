package orbispace.core.design;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import orbispace.core.time.NoteValue;
import org.junit.jupiter.api.Test;

class RebaseTest {
    private static final Design BASE = Fields.two();

    private static Design planned(Design design, int section, PlanCell cell) {
        List<Section> sections = new ArrayList<>(design.song().sections());
        Section s = sections.get(section);
        sections.set(section, s.withPlan(s.plan().withCell("A", cell)));
        return design.withSong(design.song().withSections(sections));
    }

    @Test
    void whatEitherSideChangedIsKept() {
        Design made = new ReturnEdit.Level("A", -9).applyTo(BASE);
        made = new ReturnEdit.Feedback("B", 0.2).applyTo(made);
        made = planned(made, 0, PlanCell.PLAIN.withLevel(-4));
        Design now = new ReturnEdit.Named("A", "Quay").applyTo(BASE);
        now = new ReturnEdit.SendLevel("A", "bed", null).applyTo(now);
        now = planned(now, 0, PlanCell.PLAIN.withMuted(true));
        now = planned(now, 1, PlanCell.PLAIN.withLevel(2));
        Design both = Rebase.onto(now, BASE, made);
        Return a = both.requireReturn("A");
        assertThat(a.levelDb()).isEqualTo(-9);
        assertThat(a.name()).isEqualTo("Quay");
        assertThat(a.sendDb("bed")).isEmpty();
        assertThat(((Space.Echo) both.requireReturn("B").space()).feedback()).isEqualTo(0.2);
        PlanCell cell = both.song().sections().getFirst().plan().cell("A");
        assertThat(cell).isEqualTo(PlanCell.PLAIN.withLevel(-4).withMuted(true));
        assertThat(both.song().sections().get(1).plan().cell("A").levelDb()).isEqualTo(2);
    }

    @Test
    void whatBothChangedOtherwiseIsRefusedByName() {
        Design made = new ReturnEdit.Level("A", -9).applyTo(BASE);
        Design now = new ReturnEdit.Level("A", -12).applyTo(BASE);
        assertThatThrownBy(() -> Rebase.onto(now, BASE, made))
                .hasMessage("level of A was changed meanwhile");
        Design gone = new FieldEdit.Remove("A").applyTo(BASE);
        assertThatThrownBy(() -> Rebase.onto(gone, BASE, made))
                .hasMessage("return A was removed meanwhile");
        Design note =
                new ReturnEdit.Predelay(
                                "A",
                                new MusicalTime.Note(NoteValue.parse("1/64").orElseThrow(), 0),
                                1)
                        .applyTo(BASE);
        assertThat(Rebase.onto(note, BASE, note)).isEqualTo(note);
    }

    @Test
    void returnsThatCameOrWentMeanwhileStaySo() {
        Design made = new ReturnEdit.Level("A", -9).applyTo(BASE);
        Return added = Fields.hall("C", 1, java.util.Map.of());
        Design now = new FieldEdit.Remove("B").applyTo(new FieldEdit.Add(added, 0).applyTo(BASE));
        Design both = Rebase.onto(now, BASE, made);
        assertThat(both.returns()).extracting(Return::id).containsExactly("C", "A");
        assertThat(both.requireReturn("A").levelDb()).isEqualTo(-9);
    }

    @Test
    void editsOfOtherNumbersCommute() {
        SplittableRandom random = new SplittableRandom(5);
        for (int i = 0; i < 200; i++) {
            ReturnEdit mine = edit(random, random.nextInt(5));
            ReturnEdit theirs = edit(random, random.nextInt(5));
            if (mine.getClass() == theirs.getClass()) {
                continue;
            }
            Design both = Rebase.onto(theirs.applyTo(BASE), BASE, mine.applyTo(BASE));
            assertThat(both).isEqualTo(mine.applyTo(theirs.applyTo(BASE)));
        }
    }

    private static ReturnEdit edit(SplittableRandom random, int kind) {
        double x = random.nextDouble();
        return switch (kind) {
            case 0 -> new ReturnEdit.Level("A", -20 * x);
            case 1 -> new ReturnEdit.Decay("A", 0.5 + x);
            case 2 -> new ReturnEdit.Predelay("A", new MusicalTime.Millis(100 * x), 1);
            case 3 -> new ReturnEdit.Named("A", "name " + x);
            default -> new ReturnEdit.SendLevel("A", "voice", -20 * x);
        };
    }
}
