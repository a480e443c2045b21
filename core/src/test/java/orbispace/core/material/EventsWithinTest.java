package orbispace.core.material;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import orbispace.core.time.Span;
import org.junit.jupiter.api.Test;

class EventsWithinTest {
    private static final Phrases PHRASES =
            Phrases.found(
                    List.of(new Span(1, 2), new Span(3, 5), new Span(7, 8)),
                    List.of(new Span(1.4, 1.5), new Span(4, 4.1)),
                    new Phrases.Levels(-80, -50, -20));

    @Test
    void phrasesBelongToTheStretchInWhichTheyBegin() {
        Phrases part = PHRASES.within(new Span(2, 7.5));
        assertThat(part.spans()).containsExactly(new Span(3, 5), new Span(7, 8));
        assertThat(part.innerGaps()).containsExactly(new Span(4, 4.1));
        assertThat(part.gapSeconds(0.5)).isEqualTo(2);
        assertThat(PHRASES.within(new Span(9, 10)).gaps()).isEmpty();
    }

    @Test
    void hitsAndBleedAreTakenAlike() {
        Hits hits =
                new Hits(
                        List.of(new Hits.Hit(1, -6, -20), new Hits.Hit(2, -7, -21)),
                        List.of(new Hits.Hit(1.5, -30, -50)));
        Hits part = hits.within(new Span(1.2, 3));
        assertThat(part.hits()).extracting(Hits.Hit::seconds).containsExactly(2.0);
        assertThat(part.bleed()).hasSize(1);
        assertThat(part.intervalSeconds(0.5)).isZero();
        // A stretch has its beginning and not its end.
        assertThat(hits.within(new Span(1, 2)).hits())
                .extracting(Hits.Hit::seconds)
                .containsExactly(1.0);
        assertThat(new Hits(hits.hits(), hits.bleed(), false).within(new Span(1, 2)).sure())
                .isFalse();
    }
}
