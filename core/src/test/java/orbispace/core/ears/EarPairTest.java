package orbispace.core.ears;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import orbispace.core.Signals;
import orbispace.core.audio.Audio;
import orbispace.core.design.Design;
import orbispace.core.design.Fields;
import orbispace.core.design.Return;
import orbispace.core.design.Role;
import orbispace.core.hearing.Ear;
import orbispace.core.measure.LoudnessMeter;
import orbispace.core.render.Job;
import orbispace.core.render.Renderer;
import orbispace.core.render.Responses;
import orbispace.core.render.SongMaterial;
import orbispace.core.render.StageCache;
import orbispace.core.time.Span;
import org.assertj.core.data.Percentage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** A voice of noise in bursts through a hall. */
class EarPairTest {
    private static final double RATE = 48000;
    private static final Span SPAN = new Span(5, 9);
    private static final EarPair.Listener LISTENER =
            new EarPair.Listener(new Ear(RATE, 98), Ear.QUIET_ROOM_POWER);
    private static final Renderer RENDERER = renderer(true);

    private static Renderer renderer(boolean bursts) {
        float[] voice = Signals.noise(0.03, 100, 10000, 10, RATE, 1);
        for (int i = 0; bursts && i < voice.length; i++) {
            voice[i] *= i / RATE % 1 < 0.5 ? 1 : 0;
        }
        SongMaterial material =
                new SongMaterial(Map.of("voice", Signals.mono(RATE, voice)), RATE, Responses.NONE);
        return new Renderer(material, material.frames(), new StageCache(1L << 28));
    }

    private static Design design(Return... returns) {
        return new Design(
                Fields.song(120), List.of(Fields.source("voice", Role.LEAD)), List.of(returns));
    }

    private static Return hall(double levelDb) {
        return Fields.hall("A", 1.5, Map.of("voice", 0.0)).withLevel(levelDb);
    }

    private static Design louder(Design design, double db) {
        return design.withSources(
                design.sources().stream().map(s -> s.withGain(s.gainDb() + db)).toList());
    }

    /**
     * What is louder by a gain has (g^2 - 1) times its power more in every cell; beside it the
     * partial loudness of that is known, and so is its share.
     */
    @ParameterizedTest
    @ValueSource(doubles = {0.5, 0.8, 1, 2, 4})
    void theShareOfWhatIsLouderIsThatOfTheFormula(double db) {
        EarPair pair = new EarPair(renderer(false), design(), SPAN);
        double more = Math.pow(10, db / 10) - 1;
        double r = more / 0.5;
        double expected =
                Math.pow(more / (1 + more), 0.23) * more / (more + 3) * r * r / (1 + r * r);
        double share = pair.share(louder(design(), db), false, LISTENER, Job.QUIET);
        assertThat(share).isCloseTo(expected, Percentage.withPercentage(6));
    }

    @Test
    void aDecibelOfEverythingIsJustNoticedAndTheSameIsNot() {
        EarPair pair = new EarPair(renderer(false), design(), SPAN);
        double half = pair.share(louder(design(), 0.5), false, LISTENER, Job.QUIET);
        double one = pair.share(louder(design(), 1), false, LISTENER, Job.QUIET);
        assertThat(Predicted.offsetDb(half)).isNegative();
        assertThat(Predicted.offsetDb(one)).isPositive();
        assertThat(pair.share(design(), false, LISTENER, Job.QUIET)).isZero();
        // Made as loud again, nothing of it is left.
        assertThat(pair.share(louder(design(), 4), true, LISTENER, Job.QUIET)).isLessThan(1e-6);
    }

    @Test
    void aFieldIsTurnedToBeAsLoudOverTheStretchAlone() {
        Design base = design(hall(-6));
        Design longer = design(Fields.hall("A", 4, Map.of("voice", 0.0)).withLevel(0));
        EarPair pair = new EarPair(RENDERER, base, SPAN);
        double gain = pair.matchDb(longer, Job.QUIET);
        assertThat(gain).isBetween(-9.0, -0.3);
        assertThat(lufs(longer) + gain).isCloseTo(lufs(base), within(0.05));
    }

    /** A stretch that begins in a rest is filled by the tail of what came before. */
    @Test
    void theStretchBeginsWithTheTailOfWhatCameBefore() {
        Design design = design(hall(0));
        Span rest = new Span(5.6, 5.95);
        Audio whole = RENDERER.render(design, Job.QUIET).mix();
        Audio apart = new EarPair(RENDERER, design, rest).sound(design, Job.QUIET);
        float[] expected =
                whole.slice((int) Math.round(5.6 * RATE), (int) Math.round(5.95 * RATE)).channel(0);
        float[] found = apart.channel(0);
        double error = 0;
        double power = 0;
        for (int i = 0; i < expected.length; i++) {
            error += Math.pow(expected[i] - found[i], 2);
            power += Math.pow(expected[i], 2);
        }
        assertThat(power).isPositive();
        assertThat(10 * Math.log10(error / power)).isLessThan(-60);
    }

    private static double lufs(Design design) {
        Audio mix = RENDERER.render(design, Job.QUIET).mix();
        Audio over =
                mix.slice((int) (SPAN.startSeconds() * RATE), (int) (SPAN.endSeconds() * RATE));
        return LoudnessMeter.integratedLufs(over).orElseThrow();
    }

    @Test
    void theLouderAReturnTheLessOfItIsNoticed() {
        double soft = least(hall(-24));
        double loud = least(hall(-6));
        assertThat(loud).isBetween(0.4, 3.0);
        assertThat(soft).isGreaterThan(1.5 * loud);
    }

    private static double least(Return r) {
        EarPair pair = new EarPair(RENDERER, design(r), SPAN);
        return Predicted.least(pair.shares(LessonKind.LEVEL, r, LISTENER, Job.QUIET), 12)
                .orElse(Double.POSITIVE_INFINITY);
    }
}
