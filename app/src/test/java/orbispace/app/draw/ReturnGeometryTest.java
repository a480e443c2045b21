package orbispace.app.draw;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import orbispace.app.song.ReturnPicture;
import orbispace.core.design.Chain;
import orbispace.core.design.Design;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Return;
import orbispace.core.design.Role;
import orbispace.core.design.Send;
import orbispace.core.design.Song;
import orbispace.core.design.Source;
import orbispace.core.design.Space;
import orbispace.core.render.Responses;
import orbispace.core.space.ReverbKind;
import orbispace.core.time.SongClock;
import org.junit.jupiter.api.Test;

class ReturnGeometryTest {
    private static final Source LEFT = new Source("left", "Left", "l.wav", Role.HARMONY_BED, 0, -1);
    private static final Source RIGHT =
            new Source("right", "Right", "r.wav", Role.HARMONY_BED, 0, 1);

    private static Design field(Map<String, Send> sends, double predelayMillis) {
        Chain hall =
                Chain.of(new Space.Reverb(ReverbKind.HALL, 2, 1, 0.6, 1))
                        .withPredelay(new MusicalTime.Millis(predelayMillis));
        Return r = new Return("A", "Hall", sends, Map.of(), hall, 0, new Return.Timing(1, false));
        Song song = new Song("Sides", 24000, SongClock.constant(120, 4, 4), List.of());
        return new Design(song, List.of(LEFT, RIGHT), List.of(r));
    }

    private static ReturnGeometry geometry(Design now, Design measured) {
        ReturnPicture picture =
                ReturnPicture.measure(measured, measured.requireReturn("A"), Responses.NONE);
        return ReturnGeometry.of(now, now.requireReturn("A"), picture);
    }

    @Test
    void aPlaceIsDrawnOnTheSideOfItsSendersAtFirst() {
        Design left = field(Map.of("left", Send.of(-10)), 40);
        ReturnGeometry g = geometry(left, left);
        assertThat(g.bearingDegrees(0.055)).isBetween(-45.0, -25.0);
        assertThat(g.bearingDegrees(0.02)).isZero();
        assertThat(g.bearingDegrees(0.5)).isZero();
        Design both = field(Map.of("left", Send.of(-10), "right", Send.of(-10)), 40);
        assertThat(geometry(both, both).bearingDegrees(0.055)).isCloseTo(0, within(3.0));
    }

    @Test
    void aSendThatMovesAndAPredelayAreFollowedBeforeTheyAreMeasured() {
        Design before = field(Map.of("left", Send.of(-10)), 40);
        Design now = field(Map.of("left", Send.of(-40), "right", Send.of(-10)), 120);
        assertThat(geometry(now, before).bearingDegrees(0.135)).isBetween(25.0, 45.0);
    }
}
