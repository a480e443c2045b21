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
        for (boolean own : StrokeKinds.alike(events, shapes)) {
            text.append(own ? 'o' : '.');
        }
        return text.toString();
    }

    @Test
    void kindsLieFourDecibelsApartOrMore() {
        add(8, -6, 0);
        add(8, -20, 4);
        assertThat(alike()).isEqualTo("oooooooo........");
        shapes.subList(8, 16).forEach(shape -> shape[0] -= 0.01);
        assertThat(alike()).isEqualTo("oooooooooooooooo");
    }

    @Test
    void bleedLiesFourAndAHalfDecibelsLowerOrMore() {
        add(8, -6, 0);
        add(8, -10.5, 8);
        assertThat(alike()).isEqualTo("oooooooo........");
        events.clear();
        shapes.clear();
        add(8, -6, 0);
        add(8, -10.4, 8);
        assertThat(alike()).isEqualTo("oooooooooooooooo");
    }

    /** Its louder part counts: where three of eight are nearly as loud, all may be strokes. */
    @Test
    void bleedIsJudgedByItsLouderPart() {
        add(8, -6, 0);
        add(5, -30, 8);
        add(3, -8, 8);
        assertThat(alike()).isEqualTo("oooooooooooooooo");
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
}
