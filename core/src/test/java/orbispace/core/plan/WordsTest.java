package orbispace.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import orbispace.core.audio.Audio;
import orbispace.core.material.Hits;
import orbispace.core.material.Phrases;
import orbispace.core.material.Silhouette;
import orbispace.core.time.SongClock;
import orbispace.core.time.Span;
import org.junit.jupiter.api.Test;

/** What may be chosen to be thrown, where edges lie a millisecond from each other. */
class WordsTest {
    private static final Span FIRST = new Span(1, 2);
    private static final Span SECOND = new Span(3, 4);

    private static Words words(Span... gaps) {
        return Words.of(
                Phrases.found(
                        List.of(FIRST, SECOND), List.of(gaps), new Phrases.Levels(-80, -50, -20)));
    }

    @Test
    void aGapAtTheEdgeOfAPhrasePartsNothing() {
        assertThat(words(new Span(1, 1.1)).words()).containsExactly(FIRST, SECOND);
        assertThat(words(new Span(2, 2.1)).words()).containsExactly(FIRST, SECOND);
        assertThat(words(new Span(0.5, 0.6)).words()).containsExactly(FIRST, SECOND);
        assertThat(words(new Span(1.5, 2.5)).words()).containsExactly(new Span(1, 1.5), SECOND);
        assertThat(words(new Span(1.9, 1.9995)).words()).containsExactly(new Span(1, 1.9), SECOND);
        assertThat(words(new Span(1.9, 1.998)).words())
                .containsExactly(new Span(1, 1.9), new Span(1.998, 2), SECOND);
    }

    @Test
    void aMomentBelongsToAPhraseUntilAMillisecondBeforeItsEnd() {
        Words w = words();
        assertThat(w.phraseAt(1.9985)).contains(FIRST);
        assertThat(w.phraseAt(1.9995)).contains(SECOND);
        assertThat(w.wordAt(1.9985)).contains(FIRST);
        assertThat(w.wordAt(1.9995)).contains(SECOND);
        assertThat(w.wordAt(3.9995)).isEmpty();
        assertThat(w.phraseAt(0)).contains(FIRST);
    }

    @Test
    void stepsGoFromPhraseToPhraseAndFromWordToWord() {
        Words w = words(new Span(1.4, 1.5), new Span(3.4, 3.5));
        assertThat(w.step(FIRST, 1)).isEqualTo(SECOND);
        assertThat(w.step(SECOND, -1)).isEqualTo(FIRST);
        assertThat(w.step(SECOND, 1)).isEqualTo(SECOND);
        assertThat(w.step(new Span(1.0009, 2.0009), 1)).isEqualTo(SECOND);
        assertThat(w.step(new Span(1.0011, 2), 1)).isEqualTo(new Span(1.5, 2));
        assertThat(w.step(new Span(1.5, 2), 1)).isEqualTo(new Span(3, 3.4));
        assertThat(w.step(new Span(3, 3.4), -1)).isEqualTo(new Span(1.5, 2));
    }

    @Test
    void stretchesGrowWordByWordToBothSidesAndShrinkToOne() {
        Words w = words(new Span(1.4, 1.5), new Span(3.4, 3.5));
        assertThat(w.grown(new Span(1, 1.4))).isEqualTo(FIRST);
        assertThat(w.grown(new Span(1, 1.9995))).isEqualTo(new Span(1, 3.4));
        assertThat(w.grown(new Span(3, 4))).isEqualTo(new Span(1.5, 4));
        assertThat(w.grown(new Span(1, 4))).isEqualTo(new Span(1, 4));
        assertThat(w.shrunk(new Span(1, 3.4))).isEqualTo(new Span(1.5, 3.4));
        assertThat(w.shrunk(new Span(0.9995, 1.4))).isEqualTo(new Span(0.9995, 1.4));
        assertThat(w.shrunk(new Span(1, 1.9995))).isEqualTo(new Span(1.5, 1.9995));
    }

    @Test
    void edgesInsideAStretchAreNotNearerThanAMillisecond() {
        Words w = words(new Span(1.4, 1.5), new Span(3.4, 3.5));
        assertThat(w.edges(new Span(1, 4))).containsExactly(1.0, 1.4, 1.5, 2.0, 3.0, 3.4, 3.5, 4.0);
        assertThat(w.edges(new Span(1.3995, 2.0005))).containsExactly(1.3995, 1.5, 2.0005);
        assertThat(w.edges(new Span(1.3985, 2.0015)))
                .containsExactly(1.3985, 1.4, 1.5, 2.0, 2.0015);
    }

    @Test
    void whatIsTooShortToBeAWordJoinsTheOneBeforeItIfThatIsNear() {
        assertThat(dipped(0.075, 0)).hasSize(2);
        assertThat(dipped(0.095, 0)).hasSize(3);
        // The same short part after a rest of its own stays by itself.
        assertThat(dipped(0.06, 0.3)).hasSize(3);
    }

    /** Words of a phrase of two syllables and a short third, after a rest of so long. */
    private static List<Span> dipped(double third, double rest) {
        double rate = 48000;
        float[] x = new float[3 * 48000];
        double[][] parts = {{0.5, 0.9}, {0.96, 1.5}, {1.56 + rest, 1.56 + rest + third}};
        for (double[] part : parts) {
            for (int i = (int) (part[0] * rate); i < part[1] * rate; i++) {
                x[i] = (float) (0.2 * Math.sin(2 * Math.PI * 300 * i / rate));
            }
        }
        double end = 1.56 + rest + third;
        List<Span> inner = List.of(new Span(0.9, 0.96), new Span(1.5, 1.56 + rest));
        Phrases phrase =
                Phrases.found(
                        List.of(new Span(0.5, end)), inner, new Phrases.Levels(-80, -50, -20));
        return Words.of(phrase, Silhouette.of(Audio.of(rate, x))).words();
    }

    @Test
    void aBreathIsNoWordAndNoIdea() {
        for (double breathDb : new double[] {-15, -22}) {
            double rate = 48000;
            float[] x = new float[4 * 48000];
            double[][] parts = {{0.5, 0.9}, {1.0, 1.5}, {1.7, 2.1}};
            for (int p = 0; p < parts.length; p++) {
                double level = p == 2 ? 0.2 * Math.pow(10, breathDb / 20) : 0.2;
                for (int i = (int) (parts[p][0] * rate); i < parts[p][1] * rate; i++) {
                    x[i] = (float) (level * Math.sin(2 * Math.PI * 300 * i / rate));
                }
            }
            List<Span> inner = List.of(new Span(0.9, 1.0), new Span(1.5, 1.7));
            Phrases phrase =
                    Phrases.found(
                            List.of(new Span(0.5, 2.1)), inner, new Phrases.Levels(-80, -50, -20));
            Words w = Words.of(phrase, Silhouette.of(Audio.of(rate, x)));
            boolean sung = breathDb > -18;
            assertThat(w.words()).hasSize(sung ? 3 : 2);
            assertThat(ThrowIdea.of(w, 4, gap -> 0))
                    .singleElement()
                    .satisfies(
                            i -> assertThat(i.word().startSeconds()).isEqualTo(sung ? 1.7 : 1.0));
        }
    }

    @Test
    void aStrokeLastsAQuarterOfASecondOrUntilTheNext() {
        List<Span> strokes =
                Words.of(
                                new Hits(
                                        List.of(
                                                new Hits.Hit(1, -6, -10),
                                                new Hits.Hit(1.2, -6, -10),
                                                new Hits.Hit(1.5, -6, -10)),
                                        List.of()))
                        .phrases();
        assertThat(strokes)
                .containsExactly(new Span(1, 1.2), new Span(1.2, 1.45), new Span(1.5, 1.75));
    }

    @Test
    void barsEndWithTheSongAndQuartersWithTheirBar() {
        Words bars = Words.of(SongClock.constant(120, 7, 8), 3.5);
        assertThat(bars.phrases()).containsExactly(new Span(0, 1.75), new Span(1.75, 3.5));
        assertThat(bars.words()).hasSize(8);
        assertThat(bars.words().get(3).seconds()).isCloseTo(0.25, within(1e-12));
        assertThat(Words.of(SongClock.constant(120, 4, 4), 4.002).phrases()).hasSize(3);
        assertThat(Words.of(SongClock.constant(120, 4, 4), 4.0005).phrases()).hasSize(2);
    }

    @Test
    void anIdeaScoresTheSecondsOfItsGapUpToFourAndOneMoreForEachSixDecibels() {
        Words w = new Words(List.of(FIRST, SECOND, new Span(9, 10)), List.of(FIRST, SECOND));
        List<ThrowIdea> ideas = ThrowIdea.of(w, 10.59, gap -> gap.startSeconds() < 3 ? 0.001 : 0.1);
        // Gaps of 1 s and 5 s, 20 dB apart; the last of 0.59 s is too short to be one.
        assertThat(ideas).hasSize(2);
        assertThat(ideas.getFirst().score()).isCloseTo(1 + 10 / 6.0, within(1e-3));
        assertThat(ideas.getFirst().quieterDb()).isCloseTo(10, within(1e-3));
        assertThat(ideas.getLast().score()).isCloseTo(4 - 10 / 6.0, within(1e-3));
        assertThat(ideas.getLast().gap()).isEqualTo(new Span(4, 9));
        assertThat(ThrowIdea.of(w, 10.61, gap -> 0)).hasSize(3);
        assertThat(ThrowIdea.of(w, 10.61, gap -> 0).getLast().word()).isEqualTo(new Span(9, 10));
    }
}
