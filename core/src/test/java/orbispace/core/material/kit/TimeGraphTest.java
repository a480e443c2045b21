package orbispace.core.material.kit;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;

class TimeGraphTest {
    private static final DrumParts PARTS =
            new DrumParts(List.of("snare", "kick", "kick", "tom", "overhead"));
    private static final List<Double> ENERGY = List.of(5.0, 4.0, 3.0, 2.0, 9.0);
    private static final double NATURAL = 24;

    private static TimeGraph graph(double tom) {
        TimeGraph graph = new TimeGraph(PARTS, ENERGY, NATURAL);
        graph.bothWays(0, 1, 11, 0.9);
        graph.bothWays(0, 2, -6, 0.9);
        graph.bothWays(2, 1, 26, 0.9);
        graph.bothWays(3, 0, tom, 0.9);
        graph.bothWays(3, 1, tom + 9, 0.9);
        graph.bothWays(4, 0, 98, 0.9);
        graph.oneWay(4, 3, 120, 0.9);
        return graph;
    }

    @Test
    void whereMicrophonesStandIsNotLate() {
        TimeGraph graph = graph(-7);
        double[] offsets = graph.offsets();
        assertThat(Math.round(offsets[0])).as("the loudest that hears and is heard").isZero();
        assertThat(Math.round(offsets[4])).isBetween(95L, 110L);
        assertThat(graph.isKnown(4)).isFalse();
        int[] late = graph.late(offsets);
        assertThat(late[1]).as("the louder of the kick's two").isZero();
        assertThat(late[2]).as("26 frames, told by their own drum").isEqualTo(26);
        assertThat(late[3]).isZero();
        assertThat(late[4]).isZero();
    }

    @Test
    void whatNoDistanceExplainsIsLateAsAWhole() {
        TimeGraph graph = graph(300);
        int[] late = graph.late(graph.offsets());
        assertThat(late[3]).isBetween(294, 302);
        assertThat(late[1]).isZero();
    }

    @Test
    void stemsOfOneDrumAreToldAgainstTheLoudestOfThem() {
        TimeGraph graph = graph(0);
        assertThat(graph.anchor(2)).isEqualTo(1);
        assertThat(graph.anchor(1)).isEqualTo(1);
        assertThat(graph.reference()).isZero();
    }
}
