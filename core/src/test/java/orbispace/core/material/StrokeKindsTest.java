package orbispace.core.material;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Events of known levels and shapes, so that every border can be reckoned. */
class StrokeKindsTest {
    private final List<Hits.Hit> events = new ArrayList<>();
    private final List<double[]> shapes = new ArrayList<>();

    /** So many events of a level whose two bands both lie so far from the pattern. */
    private void add(int count, double peakDb, double apartDb) {
        for (int i = 0; i < count; i++) {
            events.add(new Hits.Hit(events.size(), peakDb, peakDb - 10));
            shapes.add(new double[] {apartDb - 10, -apartDb - 10});
        }
    }

    private String alike() {
        StringBuilder text = new StringBuilder();
        StrokeKinds kinds = StrokeKinds.of(events, shapes);
        assertThat(kinds.own().size() + kinds.other().size()).isEqualTo(events.size());
        events.forEach(event -> text.append(kinds.own().contains(event) ? 'o' : '.'));
        return kinds.sure() ? text.toString() : text + "?";
    }

    @Test
    void kindsLieFourDecibelsApartOrMore() {
        add(8, -6, 0);
        add(8, -20, 4);
        assertThat(alike()).isEqualTo("oooooooo........");
        shapes.subList(8, 16).forEach(shape -> shape[0] -= 0.01);
        assertThat(alike()).isEqualTo("oooooooooooooooo");
    }

    private void beside(double peakDb) {
        events.clear();
        shapes.clear();
        add(8, -6, 0);
        add(8, peakDb, 8);
    }

    @Test
    void bleedLiesThreeDecibelsLowerOrMoreAndIsSureFromFourAndAHalf() {
        beside(-10.5);
        assertThat(alike()).isEqualTo("oooooooo........");
        beside(-10.4);
        assertThat(alike()).isEqualTo("oooooooo........?");
        beside(-9);
        assertThat(alike()).isEqualTo("oooooooo........?");
        beside(-8.9);
        assertThat(alike()).isEqualTo("oooooooooooooooo?");
        beside(-7);
        assertThat(alike()).isEqualTo("oooooooooooooooo?");
        beside(-6.9);
        assertThat(alike()).isEqualTo("oooooooooooooooo");
    }

    /** Its louder part counts: where three of eight are nearly as loud, all may be strokes. */
    @Test
    void bleedIsJudgedByItsLouderPart() {
        add(8, -6, 0);
        add(5, -30, 8);
        add(3, -8, 8);
        assertThat(alike()).isEqualTo("oooooooooooooooo?");
    }

    @Test
    void theMostUnlikeGoFirstAndThenThoseThatAreLessSo() {
        add(8, -6, 0);
        add(6, -20, 12);
        add(6, -22, 30);
        assertThat(alike()).isEqualTo("oooooooo............");
    }

    @Test
    void ofFewEventsNoKindsAreTold() {
        add(4, -6, 0);
        add(3, -20, 12);
        assertThat(alike()).isEqualTo("ooooooo");
        add(1, -20, 12);
        assertThat(alike()).isEqualTo("oooo....");
    }

    /** By sums of squares alone the one between would be a stroke, by a hair. */
    @Test
    void theBorderLiesInTheWidestGapOfThoseThatPartWell() {
        add(8, -6, 0);
        add(1, -20, 2.4);
        for (int i = 0; i < 12; i++) {
            add(1, -20, 4 + i / 5.5);
        }
        assertThat(alike()).isEqualTo("oooooooo.............");
    }

    /** Of twenty the five loudest have the pattern, of which three are alike; of four, none. */
    @Test
    void thePatternIsThatOfTheLoudestQuarter() {
        add(1, -1, 0);
        add(2, -2, 9);
        add(2, -3, 0);
        add(5, -5, 0);
        add(10, -30, 9);
        assertThat(alike()).isEqualTo("o..ooooooo..........");
    }
}
