package orbispace.core.design;

import static org.assertj.core.api.Assertions.assertThat;

import orbispace.core.space.EchoSettings;
import org.junit.jupiter.api.Test;

class EchoKnobTest {
    private final Design design = Fields.two();

    private EchoSettings.Loop turned(EchoKnob knob, double value) {
        Return echo = design.requireReturn("B");
        Edit edit = knob.valued(new Knob.At(design, 1), echo, value).orElseThrow();
        return ((Space.Echo) edit.applyTo(design).requireReturn("B").space()).loop();
    }

    @Test
    void eachNumberOfTheLoopTurnsItselfAndNothingElse() {
        EchoSettings.Loop was = ((Space.Echo) design.requireReturn("B").space()).loop();
        assertThat(turned(EchoKnob.LOOP_HIGH_PASS, 300)).isEqualTo(was.withHighPass(300));
        assertThat(turned(EchoKnob.LOOP_HIGH_PASS, 300).highPassHz()).isEqualTo(300);
        assertThat(turned(EchoKnob.LOOP_LOW_PASS, 3000)).isEqualTo(was.withLowPass(3000));
        assertThat(turned(EchoKnob.LOOP_LOW_PASS, 3000).lowPassHz()).isEqualTo(3000);
        assertThat(turned(EchoKnob.LOOP_BEND, 0.4)).isEqualTo(was.withSaturation(0.4));
        assertThat(turned(EchoKnob.LOOP_BEND, 0.4).saturation()).isEqualTo(0.4);
        assertThat(turned(EchoKnob.LOOP_WOW, 2)).isEqualTo(was.withWow(2));
        assertThat(turned(EchoKnob.LOOP_WOW, 2).wowMillis()).isEqualTo(2);
    }
}
