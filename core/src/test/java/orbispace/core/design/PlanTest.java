package orbispace.core.design;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;

class PlanTest {
    private static final PlanCell SOFT = PlanCell.PLAIN.withLevel(-6);

    private static Design planned() {
        Design d = Fields.two();
        Section one = d.song().sections().getFirst();
        SectionPlan plan =
                SectionPlan.NONE
                        .withCell("A", SOFT)
                        .withCell("B", SOFT.withMuted(true))
                        .withSend("A", "bed", -3)
                        .withSend("A", "voice", 2);
        return d.withSong(
                        d.song()
                                .withSections(
                                        List.of(one.withPlan(plan), d.song().sections().getLast())))
                .withThrown(
                        List.of(
                                Throw.of("t1", "voice", "A", 1, 2, -3),
                                Throw.of("t2", "voice", "B", 3, 4, -3)));
    }

    private static SectionPlan plan(Design d) {
        return d.song().sections().getFirst().plan();
    }

    @Test
    void whatDoesNotDifferIsNotKept() {
        SectionPlan plan = SectionPlan.NONE.withCell("A", SOFT).withSend("A", "voice", -2);
        assertThat(plan.withCell("A", PlanCell.PLAIN).withSend("A", "voice", 0))
                .isEqualTo(SectionPlan.NONE);
        assertThat(PlanCell.PLAIN.withLevel(-0.0).isPlain()).isTrue();
        assertThat(plan.cell("Z")).isEqualTo(PlanCell.PLAIN);
        assertThat(plan.sendDb("A", "nobody")).isZero();
    }

    @Test
    void outOfRangeIsRefusedInWords() {
        assertThatThrownBy(() -> SOFT.withLevel(30)).hasMessageContaining("level offset 30.0");
        assertThatThrownBy(() -> SOFT.withDecay(0)).hasMessageContaining("decay scale");
        assertThatThrownBy(() -> SOFT.withWidth(3)).hasMessageContaining("width scale");
        assertThatThrownBy(() -> SOFT.withRamp(-1)).hasMessageContaining("ramp");
        assertThatThrownBy(() -> SectionPlan.NONE.withSend("A", "voice", -99))
                .hasMessageContaining("send offset");
        assertThatThrownBy(() -> Throw.of("t", "voice", "A", 4, 4, 0))
                .hasMessageContaining("ends at beat 4.0");
        assertThatThrownBy(() -> Throw.of("t", "voice", "A", 4, 5, 30))
                .hasMessageContaining("level of a throw");
        assertThatThrownBy(() -> Throw.of("t 1", "voice", "A", 4, 5, 0))
                .hasMessageContaining("throw id");
        assertThatThrownBy(() ->
                        Throw.of("t", "voice", "A", 4, 6, 0)
                                .withRide(List.of(new Throw.RidePoint(7, 0))))
                .hasMessageContaining("outside it");
        assertThatThrownBy(() -> Throw.of("t", "voice", "A", 4, 6, 0).withFades(0, 5))
                .hasMessageContaining("fade");
    }

    @Test
    void aReturnThatGoesTakesItsCellsAlongAndLeavesItsThrows() {
        Design d = planned();
        Design without = new FieldEdit.Remove("B").applyTo(d);
        assertThat(plan(without).cells()).containsOnlyKeys("A");
        assertThat(without.thrown()).hasSize(2);
        assertThat(without.lostThrows()).extracting(Throw::id).containsExactly("t2");
    }

    @Test
    void aSourceThatGoesTakesItsSendOffsetsAlong() {
        Design d = planned();
        Design without = SourcesEdit.without(d, d.findSource("bed").orElseThrow()).applyTo(d);
        assertThat(plan(without).sendsDb()).isEqualTo(Map.of("A", Map.of("voice", 2.0)));
        assertThat(without.thrown()).isEqualTo(d.thrown());
    }

    @Test
    void editsOfTheFormKeepWhatIsPlanned() {
        Design d = planned();
        SectionPlan plan = plan(d);
        assertThat(Form.rename(d.song(), 0, "Refrain").sections().getFirst().plan())
                .isEqualTo(plan);
        assertThat(Form.kind(d.song(), 0, SectionKind.SOLO).sections().getFirst().plan())
                .isEqualTo(plan);
        assertThat(Form.swapNames(d.song(), 0).sections().getFirst().plan()).isEqualTo(plan);
        assertThat(d.song().sections().getFirst().over(1, 2).plan()).isEqualTo(plan);
    }

    @Test
    void throwsAreAddedChangedAndTakenAwayByTheirIds() {
        Design d = planned();
        assertThat(ThrowsEdit.freshId(d)).isEqualTo("t3");
        Throw more = Throw.of("t3", "bed", "A", 0, 1, 0);
        Design with = ThrowsEdit.adding(d, more).applyTo(d);
        assertThat(with.thrown()).hasSize(3);
        Design louder = ThrowsEdit.changing(with, more.withLevel(3).to("B")).applyTo(with);
        assertThat(louder.thrown().getLast().levelDb()).isEqualTo(3);
        assertThat(louder.thrown().getLast().returnId()).isEqualTo("B");
        assertThat(ThrowsEdit.without(louder, "t1").applyTo(louder).thrown())
                .extracting(Throw::id)
                .containsExactly("t2", "t3");
        assertThatThrownBy(() -> ThrowsEdit.adding(with, more).applyTo(with))
                .hasMessageContaining("two throws are called \"t3\"");
        Throw ride =
                more.withRide(List.of(new Throw.RidePoint(0.2, -3), new Throw.RidePoint(0.9, 0)));
        assertThat(ride.over(0.5, 1).ride()).containsExactly(new Throw.RidePoint(0.9, 0));
    }

    @Test
    void withoutItsPlanAFieldIsAsItWas() {
        assertThat(planned().unplanned()).isEqualTo(Fields.two());
    }

    @Test
    void aimsOfWhatIsGoneAreForgottenAndLocksAreKeptByReturn() {
        Aims aims =
                Aims.NONE
                        .wanting("voice", "A", Targets.WASHED)
                        .wanting("bed", "B", Targets.LEAD)
                        .locking("A", Setting.DECAY, true)
                        .locking("B", Setting.DUCK, true);
        Design d = planned().withAims(aims);
        Design without = new FieldEdit.Remove("B").applyTo(d);
        assertThat(without.aims().wanted()).hasSize(1);
        assertThat(without.aims().locked()).isEqualTo(Map.of("A", Set.of(Setting.DECAY)));
        assertThat(aims.wanting("voice", "A", null).of("voice", "A")).isEmpty();
        assertThat(aims.locking("A", Setting.DECAY, false).lockedOf("A")).isEmpty();
        HearingLevel soft = new HearingLevel(70, java.util.OptionalDouble.of(20));
        assertThat(aims.hearing(soft).hearing().roomPower()).isEqualTo(100);
        assertThatThrownBy(() -> new HearingLevel(120, java.util.OptionalDouble.empty()))
                .hasMessageContaining("listening level");
    }
}
