package orbispace.core.prove.compare;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Map;
import java.util.concurrent.CancellationException;
import orbispace.core.audio.Audio;
import orbispace.core.design.Design;
import orbispace.core.design.Fields;
import orbispace.core.design.Filter;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Space;
import orbispace.core.design.Width;
import orbispace.core.render.ImpulseResponse;
import orbispace.core.render.Job;
import orbispace.core.render.Responses;
import orbispace.core.signal.Impulse;
import orbispace.core.space.Engine;
import orbispace.core.space.ReverbKind;
import orbispace.core.space.ReverbSettings;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** A response of our own is fitted back to what it was made of. */
class ReverbFitTest {
    private static final Job STOPPED =
            new Job() {
                @Override
                public void report(double share) {}

                @Override
                public boolean cancelled() {
                    return true;
                }
            };

    private static Audio response(double decaySeconds, double width) {
        Return hall =
                Fields.hall("A", decaySeconds, Map.of("voice", 0.0))
                        .withFilterIn(Filter.OPEN)
                        .withFilterOut(Filter.OPEN)
                        .withPredelay(new MusicalTime.Millis(0));
        Return plate =
                hall.withSpace(new Space.Reverb(ReverbKind.PLATE, decaySeconds, 1.2, 0.6, 1));
        Design design = Fields.two().withReturn(plate);
        Design wide = new ReturnEdit.Widening("A", new Width(width, 0)).applyTo(design);
        return ImpulseResponse.of(wide, wide.requireReturn("A"), Responses.NONE);
    }

    @Test
    @Tag("sweep")
    void decayAndWidthOfOurOwnReverbAreFoundAgain() {
        ReverbFit fit = ReverbFit.of(response(1.6, 0.5), 0.02, Job.QUIET).orElseThrow();
        assertThat(fit.space().decaySeconds()).isCloseTo(1.6, within(0.08));
        assertThat(fit.width()).isCloseTo(0.5, within(0.12));
        assertThat(fit.worst()).isLessThan(0.08);
        assertThat(fit.predelaySeconds()).isEqualTo(0.02);
        ReverbFit mono = ReverbFit.of(response(1.6, 0), 0, Job.QUIET).orElseThrow();
        assertThat(mono.width()).isLessThan(0.01);
    }

    /** The same at a third of the rate, and of its engine alone. */
    @Test
    void aShortPlateIsFittedInDecayAndWidth() {
        double rate = 16000;
        float[][] x = Impulse.pair((int) (1.2 * rate));
        Engine.of(new ReverbSettings(ReverbKind.PLATE, 0.8, 1.2, 0.7, 1), rate)
                .process(x[0], x[1], 0, x[0].length);
        ReverbFit fit = ReverbFit.of(Audio.of(rate, x[0], x[1]), 0.015, Job.QUIET).orElseThrow();
        assertThat(fit.space().decaySeconds()).isCloseTo(0.8, within(0.06));
        assertThat(fit.width()).isCloseTo(1, within(0.2));
        assertThat(fit.residual()).isLessThan(0.06);
        assertThat(fit.worst()).isBetween(fit.residual(), 0.12);
        assertThat(Math.abs(fit.clarityOffDb())).isLessThan(2);
        float[] middle = new float[x[0].length];
        for (int i = 0; i < middle.length; i++) {
            middle[i] = (x[0][i] + x[1][i]) / 2;
        }
        Audio mono = Audio.of(rate, middle, middle.clone());
        assertThat(ReverbFit.of(mono, 0, Job.QUIET).orElseThrow().width()).isLessThan(0.01);
        float[] turned = new float[middle.length];
        for (int i = 0; i < middle.length; i++) {
            turned[i] = -middle[i];
        }
        Audio opposed = Audio.of(rate, middle, turned);
        assertThat(ReverbFit.of(opposed, 0, Job.QUIET).orElseThrow().width()).isEqualTo(2);
    }

    @Test
    void whatDoesNotRingCannotBeFittedAndWorkIsStopped() {
        assertThat(ReverbFit.of(Audio.silence(48000, 2, 48000), 0, Job.QUIET)).isEmpty();
        Audio ringing = response(1.6, 1);
        org.assertj.core.api.Assertions.assertThatThrownBy(() -> ReverbFit.of(ringing, 0, STOPPED))
                .isInstanceOf(CancellationException.class);
    }
}
