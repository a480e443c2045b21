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
import orbispace.core.space.ReverbKind;
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

    @Test
    void whatDoesNotRingCannotBeFittedAndWorkIsStopped() {
        assertThat(ReverbFit.of(Audio.silence(48000, 2, 48000), 0, Job.QUIET)).isEmpty();
        Audio ringing = response(1.6, 1);
        org.assertj.core.api.Assertions.assertThatThrownBy(() -> ReverbFit.of(ringing, 0, STOPPED))
                .isInstanceOf(CancellationException.class);
    }
}
