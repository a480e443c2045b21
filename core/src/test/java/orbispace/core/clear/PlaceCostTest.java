package orbispace.core.clear;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Objects;
import orbispace.core.Signals;
import orbispace.core.design.Design;
import orbispace.core.design.Fields;
import orbispace.core.design.Role;
import orbispace.core.design.Song;
import orbispace.core.material.Phrases;
import orbispace.core.render.HeardThrough;
import orbispace.core.render.Job;
import orbispace.core.render.Renderer;
import orbispace.core.render.SongMaterial;
import orbispace.core.render.StageCache;
import orbispace.core.time.Span;
import org.junit.jupiter.api.Test;

class PlaceCostTest {
    private static final double RATE = 24000;
    private static final Span SPAN = new Span(1, 4);

    /** A voice from 300 Hz to 4 kHz, and a bass whose hall lies under all that one hears small. */
    private static final SongMaterial MATERIAL =
            new SongMaterial(
                    Map.of(
                            "voice",
                            Signals.mono(RATE, Signals.noise(0.02, 300, 4000, 5, RATE, 1)),
                            "bass",
                            Signals.mono(RATE, Signals.noise(0.06, 50, 140, 5, RATE, 2))),
                    RATE);

    private static final CoverAnalysis ANALYSIS =
            new CoverAnalysis(
                    new Renderer(MATERIAL, MATERIAL.frames(), new StageCache(1L << 27)), -20, 10);

    private static Question question() {
        Design design =
                new Design(
                        new Song("Quay", RATE, Fields.song(120).clock(), List.of()),
                        List.of(
                                Fields.source("voice", Role.LEAD),
                                Fields.source("bass", Role.BASS)),
                        List.of(
                                Fields.hall("A", 1.2, Map.of("voice", 6.0)),
                                Fields.hall("B", 1.2, Map.of("bass", 6.0))));
        return new Question(design, design.sources().getFirst(), "", Phrases.NONE, SPAN, false);
    }

    private static PlaceCost in(List<PlaceCost> all, HeardThrough place) {
        return all.stream().filter(c -> c.place() == place).findFirst().orElseThrow();
    }

    @Test
    void eachPlaceIsMeasuredAsItIsHeardThere() {
        Question q = question();
        Map<String, List<PlaceCost>> all = PlaceCost.of(ANALYSIS, q, Job.QUIET);
        for (String id : List.of("A", "B")) {
            assertThat(all.get(id))
                    .extracting(PlaceCost::place)
                    .containsExactly(HeardThrough.values());
            PlaceCost here = Objects.requireNonNull(all.get(id)).getFirst();
            // As it is, it is what the section says.
            Question about = q.about(id);
            double kept = ANALYSIS.view(about, Job.QUIET).cover().presenceKept().orElseThrow();
            assertThat(here.presenceKept().orElseThrow()).isCloseTo(kept, within(0.01));
            assertThat(here.openedDegrees())
                    .isCloseTo(
                            ANALYSIS.opens(q.design(), about.ret(), SPAN, Job.QUIET).degrees(),
                            within(0.5));
        }
        List<PlaceCost> hall = Objects.requireNonNull(all.get("A"));
        // One loudspeaker has no width, and the head closes a pair of them.
        assertThat(in(hall, HeardThrough.SMALL_SPEAKER).openedDegrees()).isLessThan(0.01);
        assertThat(in(hall, HeardThrough.LOUDSPEAKERS).openedDegrees())
                .isBetween(1.0, hall.getFirst().openedDegrees());
        // What lies under 140 Hz covers nothing where nothing is heard of it.
        List<PlaceCost> low = Objects.requireNonNull(all.get("B"));
        double small = in(low, HeardThrough.SMALL_SPEAKER).presenceKept().orElseThrow();
        assertThat(small).isGreaterThan(low.getFirst().presenceKept().orElseThrow() - 1e-3);
        assertThat(small).isGreaterThan(0.995);
    }
}
