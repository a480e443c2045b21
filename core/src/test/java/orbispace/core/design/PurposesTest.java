package orbispace.core.design;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import orbispace.core.hearing.WetState;
import orbispace.core.space.GatedSettings;
import org.junit.jupiter.api.Test;

/** What returns are for, and what follows from it. */
class PurposesTest {
    private static final Source VOICE = Fields.source("voice", Role.LEAD);
    private static final Source DRUM = Fields.source("drum", Role.HITS);
    private static final Source PAD = Fields.source("pad", Role.HARMONY_BED);

    private static Design of(Return r) {
        return new Design(Fields.song(120), List.of(VOICE, DRUM, PAD), List.of(r));
    }

    private static Purpose guess(Return r) {
        return Purposes.of(of(r), r);
    }

    private static Return hall(double decay, String source) {
        return Fields.hall("A", decay, Map.of(source, -6.0));
    }

    @Test
    void whatAllMayLeaveTogetherIsTheProductOfWhatEachMay() {
        Design two =
                new Design(
                        Fields.song(120),
                        List.of(Fields.source("voice", Role.LEAD)),
                        List.of(
                                Fields.hall("A", 1, Map.of("voice", -6.0)),
                                Fields.hall("B", 2, Map.of("voice", -9.0))));
        Source voice = two.sources().getFirst();
        double a = Targets.asked(two, voice, two.requireReturn("A")).worstPhrase();
        double b = Targets.asked(two, voice, two.requireReturn("B")).worstPhrase();
        assertThat(a).isGreaterThan(0.5);
        assertThat(Targets.leftByAll(two, voice)).isCloseTo(a * b, within(1e-12));
        assertThat(Targets.leftByAll(two.withReturns(List.of()), voice)).isEqualTo(1);
    }

    @Test
    void aShortTailIsNearALongOneFarAndOneOfStrokesIsOfDrums() {
        assertThat(guess(hall(0.6, "voice"))).isEqualTo(Purpose.NEAR);
        assertThat(guess(hall(1.09, "pad"))).isEqualTo(Purpose.NEAR);
        assertThat(guess(hall(1.11, "pad"))).isEqualTo(Purpose.FAR);
        assertThat(guess(hall(2, "drum"))).isEqualTo(Purpose.DRUMS);
        Space wall =
                new Space.Gated(GatedSettings.Envelope.FLAT, new MusicalTime.Millis(200), 30, 9000);
        assertThat(guess(hall(1, "voice").withSpace(wall))).isEqualTo(Purpose.DRUMS);
        Return both = Fields.hall("A", 2, Map.of("drum", -6.0, "voice", -9.0));
        assertThat(guess(both)).as("the voice is a main sender too").isEqualTo(Purpose.FAR);
        Return mostly = Fields.hall("A", 2, Map.of("drum", -6.0, "voice", -11.0));
        assertThat(guess(mostly)).isEqualTo(Purpose.DRUMS);
    }

    @Test
    void anEchoIsOneUnlessItComesOnceAndAtOnce() {
        Return echo = Fields.echo("A", "1/4", 0.3, Map.of("voice", -6.0));
        assertThat(guess(echo)).isEqualTo(Purpose.ECHO);
        Space.Echo slap = ((Space.Echo) echo.space()).withFeedback(0);
        assertThat(guess(echo.withSpace(slap.withTime(new MusicalTime.Millis(34)))))
                .isEqualTo(Purpose.WIDTH);
        assertThat(guess(echo.withSpace(slap.withTime(new MusicalTime.Millis(36)))))
                .isEqualTo(Purpose.ECHO);
        Space.Parallel pressed = new Space.Parallel(-30, 8, 6, 5, 80, 6);
        assertThat(guess(echo.withSpace(pressed))).isEqualTo(Purpose.THICKENING);
    }

    @Test
    void aNameThatSaysItGoesBeforeTheEngine() {
        assertThat(guess(hall(2, "voice").called("A", "Throw fx"))).isEqualTo(Purpose.EFFECT);
        assertThat(guess(hall(2, "voice").called("A", "Widener"))).isEqualTo(Purpose.WIDTH);
        assertThat(guess(hall(2, "voice").called("A", "Parallel"))).isEqualTo(Purpose.THICKENING);
        assertThat(guess(hall(2, "voice").called("A", "Washington"))).isEqualTo(Purpose.FAR);
    }

    @Test
    void whatIsSetGoesBeforeWhatIsGuessedAndGoesWithItsReturn() {
        Return r = hall(2, "voice");
        Design set = of(r).withAims(of(r).aims().purposed("A", Purpose.EFFECT));
        assertThat(Purposes.of(set, r)).isEqualTo(Purpose.EFFECT);
        assertThat(Purposes.set(set, r)).contains(Purpose.EFFECT);
        Design freed = set.withAims(set.aims().purposed("A", null));
        assertThat(Purposes.of(freed, r)).isEqualTo(Purpose.FAR);
        Design gone = new FieldEdit.Remove("A").applyTo(set);
        assertThat(gone.aims().purposes()).isEmpty();
    }

    @Test
    void eachIsJudgedByWhoHasToBearIt() {
        Optional<Source> lead = Optional.of(VOICE);
        Return far = hall(2, "pad");
        assertThat(Purposes.judge(of(far), far, lead)).contains(VOICE);
        assertThat(Purposes.judge(of(far), far, Optional.empty())).contains(PAD);
        Return drums = hall(2, "drum");
        assertThat(Purposes.judge(of(drums), drums, lead)).contains(DRUM);
        Return echo = Fields.echo("A", "1/4", 0.3, Map.of("pad", -6.0));
        assertThat(Purposes.judge(of(echo), echo, lead)).contains(PAD);
        Return empty = Fields.echo("A", "1/4", 0.3, Map.of());
        assertThat(Purposes.judge(of(empty), empty, lead)).contains(VOICE);
    }

    @Test
    void whatIsAskedFollowsThePurpose() {
        Return r = hall(2, "voice");
        Map<Purpose, WetState> asked =
                Map.of(
                        Purpose.NEAR, WetState.FELT,
                        Purpose.FAR, WetState.FELT,
                        Purpose.DRUMS, WetState.HEARD,
                        Purpose.ECHO, WetState.FELT,
                        Purpose.WIDTH, WetState.FELT,
                        Purpose.THICKENING, WetState.FELT,
                        Purpose.EFFECT, WetState.OBVIOUS);
        asked.forEach((purpose, state) -> {
            Design d = of(r).withAims(of(r).aims().purposed("A", purpose));
            Targets t = Targets.of(d, VOICE, r);
            assertThat(t.state()).as(purpose.label()).isEqualTo(state);
            boolean mayHide = purpose == Purpose.WIDTH || purpose == Purpose.THICKENING;
            assertThat(t.accepts(WetState.HIDDEN)).as(purpose.label()).isEqualTo(mayHide);
            boolean tamed = t.presence() > 0;
            assertThat(tamed).as(purpose.label()).isEqualTo(purpose != Purpose.EFFECT);
            assertThat(purpose.allows(Setting.LOW_PASS)).isEqualTo(purpose != Purpose.DRUMS);
            assertThat(purpose.allows(Setting.DUCK)).isTrue();
        });
    }
}
