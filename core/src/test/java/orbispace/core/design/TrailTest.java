package orbispace.core.design;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import orbispace.core.space.EchoSettings;
import org.junit.jupiter.api.Test;

class TrailTest {
    private static final Space.Echo ECHO =
            (Space.Echo) Fields.echo("B", "1/4", 0.4, Map.of()).space();

    @Test
    void onlyWhatIsSetIsLaidOverAnEcho() {
        assertThat(Trail.AS_RETURN.over(ECHO)).isEqualTo(ECHO);
        Trail own =
                Trail.AS_RETURN
                        .withTime(new MusicalTime.Millis(310))
                        .withFeedback(0.1)
                        .withSides(Trail.Sides.STAY);
        Space.Echo laid = (Space.Echo) own.over(ECHO);
        assertThat(laid.time()).isEqualTo(new MusicalTime.Millis(310));
        assertThat(laid.feedback()).isEqualTo(0.1);
        assertThat(laid.kind()).isEqualTo(EchoSettings.Kind.SINGLE);
        assertThat(laid.loop()).isEqualTo(ECHO.loop());
        assertThat(own.withTime(null).withFeedback(null).withSides(Trail.Sides.AS_RETURN).isPlain())
                .isTrue();
    }

    @Test
    void anEchoThatBeginsToAlternateDoesSoHard() {
        Space.Echo single = ECHO.withKind(EchoSettings.Kind.SINGLE).withWidth(0);
        Trail sides = Trail.AS_RETURN.withSides(Trail.Sides.ALTERNATE);
        assertThat(((Space.Echo) sides.over(single)).width()).isEqualTo(1);
        assertThat(((Space.Echo) sides.over(ECHO.withWidth(0.3))).width()).isEqualTo(0.3);
        Space hall = Fields.hall("A", 1, Map.of()).space();
        assertThat(sides.over(hall)).isEqualTo(hall);
    }

    @Test
    void valuesOutOfRangeAreRefusedInWords() {
        assertThatThrownBy(() -> Trail.AS_RETURN.withFeedback(1.0))
                .hasMessageContaining("feedback");
        assertThatThrownBy(() -> Trail.AS_RETURN.withFeed(40.0)).hasMessageContaining("feed");
        assertThatThrownBy(() -> Trail.AS_RETURN.until(1e9)).hasMessageContaining("trail");
    }

    @Test
    void aThrowKeepsItsTrailThroughEveryOtherChange() {
        Trail trail = Trail.AS_RETURN.withFeedback(0.2);
        Throw t =
                Throw.of("t1", "voice", "B", 4, 6, -4)
                        .withTrail(trail)
                        .withLevel(-2)
                        .withFades(3, 30)
                        .over(4.5, 7)
                        .to("C")
                        .withRide(List.of(new Throw.RidePoint(5, -3), new Throw.RidePoint(6.5, 0)));
        assertThat(t.trail()).isEqualTo(trail);
        assertThat(t.returnId()).isEqualTo("C");
        assertThat(t.over(5.5, 7).ride()).hasSize(1);
        assertThatThrownBy(() -> t.over(8, 7)).hasMessageContaining("ends at beat");
        assertThatThrownBy(() -> t.withRide(List.of(new Throw.RidePoint(9, 0))))
                .hasMessageContaining("outside");
    }
}
