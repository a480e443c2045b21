package orbispace.core.design;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.OptionalDouble;
import java.util.Set;
import org.junit.jupiter.api.Test;

class GroupsTest {
    private static Source voice(String id, double gainDb, double pan, String group) {
        return new Source(id, id, id + ".wav", Role.BACKING, gainDb, pan).withGroup(group);
    }

    private final Design design = design();

    private static Design design() {
        Design two = Fields.two();
        Return a = two.requireReturn("A").withSends(Map.of("l", Send.of(-12), "r", Send.of(-9)));
        Return b = two.requireReturn("B").withSends(Map.of("lead", Send.of(-6))).withDuck(null);
        return new Design(
                two.song(),
                List.of(
                        voice("lead", 0, 0, ""),
                        voice("l", -3, -1, "choir"),
                        voice("r", -4, 1, "choir"),
                        voice("low", -6, 0.2, "choir"),
                        voice("gang", 1, 0, "crowd")),
                List.of(a.withDuck(null), b));
    }

    private static Source source(Design design, String id) {
        return design.findSource(id).orElseThrow();
    }

    @Test
    void aFaderMovesItsMembersAndKeepsTheirDistances() {
        Design louder = new GroupEdit.Fader("choir", 2).applyTo(design);
        assertThat(source(louder, "l").gainDb()).isEqualTo(-1);
        assertThat(source(louder, "low").gainDb()).isEqualTo(-4);
        assertThat(source(louder, "lead").gainDb()).isZero();
        assertThat(Groups.of(louder).require("choir").faderDb()).isEqualTo(2);
        assertThat(new GroupEdit.Fader("choir", 0).applyTo(louder).sources())
                .isEqualTo(design.sources());
    }

    @Test
    void aGroupLeansAndComesBackThoughAPairStandsAtTheSides() {
        Design right = new GroupEdit.Lean("choir", 0.5).applyTo(design);
        assertThat(source(right, "l").pan()).isZero();
        assertThat(source(right, "r").pan()).isEqualTo(1);
        assertThat(source(right, "low").pan()).isEqualTo(0.6, within(1e-12));
        Design left = new GroupEdit.Lean("choir", -0.95).applyTo(right);
        assertThat(source(left, "l").pan()).isEqualTo(-1, within(1e-12));
        Design back = new GroupEdit.Lean("choir", 0).applyTo(left);
        for (Source s : design.sources()) {
            assertThat(source(back, s.id()).pan()).isEqualTo(s.pan(), within(1e-9));
        }
        assertThatThrownBy(() -> new GroupEdit.Lean("choir", 1).applyTo(design))
                .hasMessageContaining("lean of group choir");
    }

    @Test
    void aSendReachesAllMembersAndEachKeepsItsOffset() {
        Return a = design.requireReturn("A");
        assertThat(Groups.of(design).sendDb("choir", a)).hasValue(-9);
        Design up = new GroupEdit.SendLevel("choir", "A", -6.0).applyTo(design);
        assertThat(up.requireReturn("A").sendDb("l")).hasValue(-9);
        assertThat(up.requireReturn("A").sendDb("r")).hasValue(-6);
        assertThat(up.requireReturn("A").sendDb("low")).as("stepped out").isEmpty();
        Design fresh = new GroupEdit.SendLevel("choir", "B", -20.0).applyTo(up);
        assertThat(fresh.requireReturn("B").sends()).containsOnlyKeys("lead", "l", "r", "low");
        Design none = new GroupEdit.SendLevel("choir", "A", null).applyTo(fresh);
        assertThat(none.requireReturn("A").sends()).isEmpty();
        assertThat(Groups.of(none).sendDb("choir", none.requireReturn("A"))).isEmpty();
    }

    @Test
    void aGroupThatIsHeldFollowsTheOneThatHoldsIt() {
        Design nested = new GroupEdit.Within("choir", "crowd").applyTo(design);
        assertThat(Groups.of(nested).members("crowd"))
                .extracting(Source::id)
                .containsExactly("gang", "l", "r", "low");
        assertThat(nested.keySources("crowd")).hasSize(4);
        Design louder = new GroupEdit.Fader("crowd", 3).applyTo(nested);
        assertThat(source(louder, "low").gainDb()).isEqualTo(-3);
        assertThat(source(louder, "gang").gainDb()).isEqualTo(4);
        Design leaning =
                new GroupEdit.Lean("choir", 0.3)
                        .applyTo(new GroupEdit.Lean("crowd", -0.4).applyTo(nested));
        Group inner = new Group("choir", "", 0, 0.3);
        Group outer = new Group("crowd", "", 0, -0.4);
        assertThat(source(leaning, "low").pan())
                .isEqualTo(outer.leaning(inner.leaning(0.2)), within(1e-12));
        Design upright = new GroupEdit.Lean("crowd", 0).applyTo(leaning);
        assertThat(source(upright, "low").pan()).isEqualTo(inner.leaning(0.2), within(1e-12));
    }

    @Test
    void noGroupHoldsItselfOrIsHeldTwoDeep() {
        assertThatThrownBy(() -> new GroupEdit.Within("choir", "choir").applyTo(design))
                .hasMessage("group \"choir\" would hold itself");
        Design nested = new GroupEdit.Within("choir", "crowd").applyTo(design);
        assertThatThrownBy(() -> new GroupEdit.Within("crowd", "choir").applyTo(nested))
                .hasMessageContaining("holds groups itself");
        assertThatThrownBy(() -> new GroupEdit.Within("crowd", "all").applyTo(nested))
                .hasMessageContaining("one deep");
        assertThatThrownBy(() -> design.withGroups(List.of(new Group("x", "nowhere", 0, 0))))
                .hasMessageContaining("which does not exist");
        assertThatThrownBy(() -> design.withGroups(List.of(Group.plain("x"), Group.plain("x"))))
                .hasMessage("two groups are called \"x\"");
    }

    @Test
    void sourcesThatJoinGetTheSendsOfTheGroupAndStayWhereTheyAreHeard() {
        Design joined = new GroupEdit.Join(Set.of("lead", "gang"), "choir").applyTo(design);
        assertThat(joined.requireReturn("A").sendDb("lead")).hasValue(-9);
        assertThat(source(joined, "gang").gainDb()).isEqualTo(1);
        assertThat(Groups.of(joined).find("crowd")).isEmpty();
        Design left = new GroupEdit.Join(Set.of("lead"), "").applyTo(joined);
        assertThat(source(left, "lead").group()).isEmpty();
        assertThat(left.requireReturn("A").sendDb("lead")).hasValue(-9);
    }

    @Test
    void whatAGroupKeysFollowsItsNameAndOutlivesIt() {
        Design ducked =
                new ReturnEdit.Ducking("B", new Duck("choir", 4, -50, 8, 6, 5, 50, 100))
                        .applyTo(design);
        Design named = new GroupEdit.Named("choir", "hymn").applyTo(ducked);
        assertThat(keyOf(named)).isEqualTo("hymn");
        assertThat(source(named, "l").group()).isEqualTo("hymn");
        Design gone = new GroupEdit.Dissolve("hymn").applyTo(named);
        assertThat(keyOf(gone)).isEqualTo("l");
        assertThat(source(gone, "l").group()).isEmpty();
        assertThatThrownBy(() -> new GroupEdit.Named("choir", "crowd").applyTo(design))
                .hasMessage("there is a group \"crowd\" already");
    }

    @Test
    void whatIsPickedMovesTogether() {
        Design sent =
                new GroupEdit.SendTogether(Set.of("l", "r", "lead"), "A", -6.0).applyTo(design);
        assertThat(sent.requireReturn("A").sendDb("l")).hasValue(-9);
        assertThat(sent.requireReturn("A").sendDb("lead")).isEmpty();
        Design faded = new GroupEdit.FadeTogether(Set.of("l", "lead"), -2).applyTo(design);
        assertThat(source(faded, "l").gainDb()).isEqualTo(-5);
        assertThat(source(faded, "r").gainDb()).isEqualTo(-4);
    }

    @Test
    void aListFoldsGroupsAndWhatTheyHold() {
        Design nested = new GroupEdit.Within("choir", "crowd").applyTo(design);
        assertThat(rows(nested, Set.of())).containsExactly("lead", "l", "r", "low", "gang");
        assertThat(rows(nested, Set.of("choir"))).containsExactly("lead", "choir (3)", "gang");
        assertThat(rows(nested, Set.of("choir", "crowd"))).containsExactly("lead", "crowd (4)");
    }

    private static String keyOf(Design design) {
        return Objects.requireNonNull(design.requireReturn("B").duck()).keySource();
    }

    private static List<String> rows(Design design, Set<String> folded) {
        return Groups.of(design).rows(design.sources(), folded).stream()
                .map(Groups.Row::name)
                .toList();
    }

    @Test
    void sourcesAreSentLikeAnother() {
        Design like = new GroupEdit.SendLike(Set.of("l", "low"), "lead").applyTo(design);
        assertThat(like.requireReturn("B").sendDb("low")).hasValue(-6);
        assertThat(like.requireReturn("A").sends()).containsOnlyKeys("r");
        assertThat(like.requireReturn("B").sendDb("lead")).isEqualTo(OptionalDouble.of(-6));
    }
}
