package orbispace.core.ears;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.SplittableRandom;
import orbispace.core.design.Design;
import orbispace.core.design.Duck;
import orbispace.core.design.Fields;
import orbispace.core.design.Filter;
import orbispace.core.design.Return;
import orbispace.core.design.Space;
import orbispace.core.prove.compare.BlindTrial;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class BeliefTest {
    private static final Return HALL =
            Fields.hall("A", 2, Map.of("voice", -6.0))
                    .withDuck(new Duck("voice", 8, -30, 4, 6, 10, 100, 200, null));
    private static final Return ROOM = Fields.hall("C", 0.6, Map.of("bed", -3.0, "voice", -20.0));
    private static final Return ECHO = Fields.echo("B", "1/4", 0.4, Map.of("voice", -12.0));
    private static final Design DESIGN =
            Fields.two().withReturns(List.of(HALL.withFilterOut(Filter.OPEN), ECHO, ROOM));

    private static Return hall(Design d) {
        return d.requireReturn("A");
    }

    private static Belief.Two two(Belief belief) {
        Return of = belief == Belief.ON_THE_GRID ? ECHO : hall(DESIGN);
        return belief.two(DESIGN, of).orElseThrow();
    }

    private static double duck(Return r) {
        Duck duck = r.duck();
        return duck == null ? 0 : duck.rangeDb();
    }

    private static double seconds(Design d) {
        return ((Space.Echo) d.requireReturn("B").space()).time().seconds(d.song().clock(), 1);
    }

    private static double decay(Return r) {
        return r.space().traits().decaySeconds().orElseThrow();
    }

    /** By how much the two differ in what the belief is about: the second less the first. */
    private static double apart(Belief belief, Design a, Design b) {
        Return one = hall(a);
        Return two = hall(b);
        return switch (belief) {
            case STEP -> two.levelDb() - one.levelDb();
            case FILTER_ORDER -> one.filterIn().equals(two.filterOut()) ? 1 : 0;
            case ON_THE_GRID -> seconds(b) / seconds(a);
            case ONE_SPACE -> b.returns().size() - a.returns().size();
            case PREDELAY ->
                    two.predelay().seconds(b.song().clock(), 1)
                            - one.predelay().seconds(a.song().clock(), 1);
            case WIDER -> two.chain().width().factor() - one.chain().width().factor();
            case DUCKING -> duck(two) - duck(one);
            case MONO_LOWS -> two.chain().width().monoBelowHz() - one.chain().width().monoBelowHz();
            case LONGER -> decay(two) / decay(one);
            case HIGHS ->
                    two.filterOut().lowPass() == null
                            ? Objects.requireNonNull(one.filterOut().lowPass()).hz()
                            : 0;
        };
    }

    private static double said(Belief belief) {
        return switch (belief) {
            case STEP -> 2;
            case FILTER_ORDER, ONE_SPACE -> 1;
            case ON_THE_GRID -> 1.03;
            case PREDELAY -> 0.02;
            case WIDER -> -0.4;
            case DUCKING -> 3;
            case MONO_LOWS -> -150;
            case LONGER -> 1.1;
            case HIGHS -> 8000;
        };
    }

    @ParameterizedTest
    @EnumSource(Belief.class)
    void theTwoDifferByWhatIsSaidAndInNothingElse(Belief belief) {
        Belief.Two two = two(belief);
        assertThat(apart(belief, two.a(), two.b())).isCloseTo(said(belief), within(1e-9));
        String about = belief == Belief.ON_THE_GRID ? "B" : "A";
        if (belief != Belief.ONE_SPACE) {
            // Every other return is as it was.
            for (Design d : List.of(two.a(), two.b())) {
                assertThat(d.returns().stream().filter(r -> !r.id().equals(about)).toList())
                        .isEqualTo(
                                DESIGN.returns().stream()
                                        .filter(r -> !r.id().equals(about))
                                        .toList());
                assertThat(d.sources()).isEqualTo(DESIGN.sources());
            }
        }
        assertThat(two.first()).isNotEqualTo(two.second());
    }

    @Test
    void oneSpaceTakesAllThatWentIntoAnyTail() {
        Belief.Two two = two(Belief.ONE_SPACE);
        assertThat(two.a().returns()).extracting(Return::id).containsExactly("A", "B");
        assertThat(hall(two.a()).sends().keySet()).containsExactlyInAnyOrder("voice", "bed");
        assertThat(hall(two.a()).sendDb("voice").orElseThrow()).isEqualTo(-6);
        assertThat(two.b()).isEqualTo(DESIGN);
        assertThat(Belief.ONE_SPACE.two(DESIGN.withReturns(List.of(HALL)), HALL)).isEmpty();
    }

    @Test
    void whatAReturnLacksIsNotPutOnTrial() {
        assertThat(Belief.ON_THE_GRID.two(DESIGN, HALL)).isEmpty();
        assertThat(Belief.LONGER.two(DESIGN, ECHO)).isEmpty();
        assertThat(Belief.STEP.two(DESIGN, HALL.withLevel(23))).isEmpty();
        assertThat(Arrays.stream(Belief.values()).map(Belief::label).distinct()).hasSize(10);
    }

    @Test
    void aReturnWithoutADuckerGivesWayToWhoLeads() {
        Design plain = DESIGN.withReturn(HALL.withDuck(null));
        Belief.Two two = Belief.DUCKING.two(plain, hall(plain)).orElseThrow();
        assertThat(hall(two.a()).duck()).isNull();
        assertThat(duck(hall(two.b()))).isEqualTo(3);
    }

    /** 10 of 12 come by guessing in (66 + 12 + 1) of 4096 trials, either side in twice as many. */
    @Test
    void roundsAndChanceAreSaidBefore() {
        assertThat(Belief.STEP.before())
                .contains("12 rounds", "right in 6", "from 10 right on", "1.9 % of trials");
        assertThat(Belief.WIDER.before())
                .contains("12 rounds", "from 10 for one", "3.9 % of trials");
    }

    @ParameterizedTest
    @EnumSource(BlindTrial.Kind.class)
    void whoGuessesIsFoundOutAsOftenAsIsSaid(BlindTrial.Kind kind) {
        SplittableRandom random = new SplittableRandom(6);
        int through = 0;
        int runs = 20000;
        for (int i = 0; i < runs; i++) {
            BlindTrial trial = new BlindTrial(kind, Belief.ROUNDS, random);
            while (!trial.finished()) {
                trial.answer(random.nextBoolean(), 1);
            }
            through += trial.result().orElseThrow().significant() ? 1 : 0;
        }
        double sides = kind == BlindTrial.Kind.WHICH ? 1 : 2;
        assertThat((double) through / runs).isCloseTo(sides * 79 / 4096, within(0.004));
    }

    @Test
    void aVerdictNamesTheTwo() {
        BlindTrial trial = new BlindTrial(BlindTrial.Kind.PREFERENCE, 12, new SplittableRandom(2));
        while (!trial.finished()) {
            trial.answer(true, 2);
        }
        assertThat(Belief.WIDER.words(two(Belief.WIDER), trial.result().orElseThrow()))
                .isEqualTo(
                        "\u201cwider than 100 % is better\u201d: 140 % wide liked better in 12 of"
                                + " 12; guessing does as well in 0.0 % of trials. 140 % wide is"
                                + " liked better.");
    }
}
