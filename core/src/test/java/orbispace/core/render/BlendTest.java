package orbispace.core.render;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import orbispace.core.Signals;
import orbispace.core.audio.Audio;
import orbispace.core.design.Blend;
import orbispace.core.design.BlendEdit;
import orbispace.core.design.Design;
import orbispace.core.design.Fields;
import orbispace.core.design.Return;
import orbispace.core.design.Role;
import orbispace.core.design.Send;
import orbispace.core.design.Throw;
import org.junit.jupiter.api.Test;

/** Two sources into a hall that lets the dry through, and one of them into an echo as well. */
class BlendTest {
    private static final double RATE = 24000;
    private static final SongMaterial SONG =
            new SongMaterial(
                    Map.of(
                            "voice",
                            Signals.mono(RATE, Signals.noise(0.1, 100, 8000, 3, RATE, 1)),
                            "pad",
                            Signals.mono(RATE, Signals.noise(0.1, 100, 5000, 3, RATE, 2))),
                    RATE);

    private static Design design() {
        return new Design(
                        Fields.song(120, RATE),
                        List.of(
                                Fields.source("voice", Role.LEAD).withGain(-4).withPan(-0.3),
                                Fields.source("pad", Role.HARMONY_BED).withGain(-6)),
                        List.of(
                                Fields.hall("A", 1, Map.of())
                                        .withSends(
                                                Map.of(
                                                        "voice",
                                                        Send.of(-3),
                                                        "pad",
                                                        new Send(-8, true, null)))
                                        .withLevel(-1),
                                Fields.echo("B", "1/8", 0.3, Map.of("voice", -6.0))))
                .withThrown(List.of(Throw.of("t", "voice", "B", 1, 2, 0)));
    }

    private static Renderer renderer() {
        return new Renderer(SONG, SONG.frames(), new StageCache(0));
    }

    private static Audio scaled(Audio a, double gain) {
        return a.plus(a, gain - 1);
    }

    @Test
    void aBlendTakenInSoundsAsItDidWithTheDryThatLeaked() {
        Design d = design();
        Return hall = d.requireReturn("A");
        for (Blend.Law law : Blend.Law.values()) {
            Blend blend = new Blend(0.3, law);
            // The unit lets the sources through where they are sent, at their own places.
            double voice = blend.dryGain() * Math.pow(10, (-3 - 1) / 20.0);
            double pad = blend.dryGain() * Math.pow(10, (-8 - 1 + 6) / 20.0);
            Audio was =
                    renderer()
                            .dryMix(d)
                            .plus(renderer().dry(d, d.sources().get(0)), voice)
                            .plus(renderer().dry(d, d.sources().get(1)), pad)
                            .plus(renderer().wet(d, hall, Job.QUIET), blend.wetGain())
                            .plus(renderer().wet(d, d.requireReturn("B"), Job.QUIET), 1);
            Design taken = new BlendEdit("A", blend, true).applyTo(d);
            Audio is = renderer().render(taken, Job.QUIET).mix();
            double error = is.plus(was, -1).meanSquare() / was.meanSquare();
            assertThat(10 * Math.log10(error)).as(law.label()).isLessThan(-110);
            assertThat(blend.raisedDb(d, hall).get("voice"))
                    .isCloseTo(20 * Math.log10(1 + voice), within(1e-9));
            Design spaceAlone = new BlendEdit("A", blend, false).applyTo(d);
            assertThat(spaceAlone.sources()).isEqualTo(d.sources());
            Audio wet = renderer().wet(spaceAlone, spaceAlone.requireReturn("A"), Job.QUIET);
            Audio wanted = scaled(renderer().wet(d, hall, Job.QUIET), blend.wetGain());
            assertThat(
                            10
                                    * Math.log10(
                                            wet.plus(wanted, -1).meanSquare() / wet.meanSquare()
                                                    + 1e-30))
                    .isLessThan(-110);
        }
    }

    @Test
    void lawsAreThoseOfUnits() {
        assertThat(new Blend(0.25, Blend.Law.STRAIGHT).dryGain()).isEqualTo(0.75);
        Blend even = new Blend(0.5, Blend.Law.EVEN_POWER);
        assertThat(even.wetGain()).isCloseTo(Math.sqrt(0.5), within(1e-12));
        assertThat(even.dryGain()).isCloseTo(Math.sqrt(0.5), within(1e-12));
        Blend whole = new Blend(0.5, Blend.Law.WHOLE_IN_THE_MIDDLE);
        assertThat(whole.wetGain()).isEqualTo(1);
        assertThat(whole.dryGain()).isEqualTo(1);
        Blend wet = new Blend(1, Blend.Law.EVEN_POWER);
        assertThat(wet.raisedDb(design(), design().requireReturn("A")).get("voice"))
                .isCloseTo(0, within(1e-9));
        assertThatThrownBy(() -> new Blend(0, Blend.Law.STRAIGHT))
                .isInstanceOf(IllegalArgumentException.class);
    }
}
