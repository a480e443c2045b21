package orbispace.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import orbispace.core.audio.Audio;
import orbispace.core.design.Design;
import orbispace.core.design.Fields;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.PlanCell;
import orbispace.core.design.Role;
import orbispace.core.design.Section;
import orbispace.core.design.SectionKind;
import orbispace.core.design.SectionPlan;
import orbispace.core.design.Song;
import orbispace.core.design.Space;
import orbispace.core.design.Throw;
import orbispace.core.design.Trail;
import orbispace.core.material.Hits;
import orbispace.core.material.Phrases;
import orbispace.core.material.Silhouette;
import orbispace.core.render.ChainWorks;
import orbispace.core.render.Responses;
import orbispace.core.space.GatedSettings;
import orbispace.core.time.MetreMap;
import orbispace.core.time.SongClock;
import orbispace.core.time.Span;
import orbispace.core.time.TempoMap;
import org.junit.jupiter.api.Test;

/** Three phrases of two words; at 120 bpm, from bar 5 on (8 s) at 80. */
class ThrowCourseTest {
    private static final double SONG_END = 16;
    private static final Phrases PHRASES =
            Phrases.found(
                    List.of(new Span(1, 2), new Span(4, 5), new Span(5.3, 6), new Span(9, 10)),
                    List.of(new Span(1.4, 1.5), new Span(4.4, 4.5), new Span(9.6, 9.7)),
                    new Phrases.Levels(-80, -50, -20));
    private static final Words WORDS = Words.of(PHRASES);

    private static Design design(double feedback, Throw... thrown) {
        SongClock clock =
                new SongClock(
                        TempoMap.of(
                                List.of(
                                        TempoMap.Change.step(0, 120),
                                        TempoMap.Change.step(16, 80))),
                        MetreMap.constant(4, 4));
        List<Section> sections =
                List.of(
                        new Section("Verse", 1, 2, SectionKind.VERSE),
                        new Section(
                                "Stop",
                                3,
                                2,
                                SectionKind.OTHER,
                                SectionPlan.NONE.withCell("D", PlanCell.PLAIN.withMuted(true))));
        return new Design(
                        new Song("Tide", 48000, clock, sections),
                        List.of(Fields.source("voice", Role.LEAD)),
                        List.of(
                                Fields.hall("B", 3, Map.of("voice", -8.0)),
                                Fields.echo("C", "1/4", feedback, Map.of()),
                                Fields.echo("D", "1/4", 0.2, Map.of())))
                .withThrown(List.of(thrown));
    }

    /** A throw over seconds of the first four bars. */
    private static Throw thrown(String id, String to, double from, double until) {
        return Throw.of(id, "voice", to, 2 * from, 2 * until, -4);
    }

    private static ThrowCourse course(Design design) {
        return ThrowCourse.of(
                        design,
                        Responses.NONE,
                        design.thrown().getFirst(),
                        PHRASES.spans(),
                        SONG_END)
                .orElseThrow();
    }

    private static List<ThrowConflict.Kind> conflicts(Design design) {
        return ThrowConflict.of(design, Responses.NONE, Map.of("voice", WORDS), SONG_END).stream()
                .map(ThrowConflict::kind)
                .toList();
    }

    @Test
    void phrasesAndWordsAreChosenGrownAndShrunk() {
        assertThat(WORDS.words())
                .containsExactly(
                        new Span(1, 1.4),
                        new Span(1.5, 2),
                        new Span(4, 4.4),
                        new Span(4.5, 5),
                        new Span(5.3, 6),
                        new Span(9, 9.6),
                        new Span(9.7, 10));
        assertThat(WORDS.phraseAt(1.7)).contains(new Span(1, 2));
        assertThat(WORDS.phraseAt(2.5)).contains(new Span(4, 5));
        assertThat(WORDS.wordAt(1.7)).contains(new Span(1.5, 2));
        assertThat(WORDS.wordAt(11)).isEmpty();
        assertThat(WORDS.step(new Span(1, 2), 1)).isEqualTo(new Span(4, 5));
        assertThat(WORDS.step(new Span(1.5, 2), 1)).isEqualTo(new Span(4, 4.4));
        assertThat(WORDS.step(new Span(1.5, 2), -1)).isEqualTo(new Span(1, 1.4));
        assertThat(WORDS.step(new Span(1, 1.4), -1)).isEqualTo(new Span(1, 1.4));
        assertThat(WORDS.shrunk(new Span(1, 2))).isEqualTo(new Span(1.5, 2));
        assertThat(WORDS.shrunk(new Span(1.5, 2))).isEqualTo(new Span(1.5, 2));
        assertThat(WORDS.grown(new Span(1.5, 2))).isEqualTo(new Span(1.5, 4.4));
        assertThat(WORDS.grown(new Span(9.7, 10))).isEqualTo(new Span(9, 10));
        assertThat(WORDS.edges(new Span(1, 2))).containsExactly(1.0, 1.4, 1.5, 2.0);
    }

    /** A phrase of three syllables, the last with a short stop after it. */
    private static Silhouette sung() {
        float[] x = new float[3 * 48000];
        double[][] syllables = {
            {0.5, 0.9, 0.2}, {0.95, 1.4, 0.1}, {1.45, 2.0, 0.15}, {2.04, 2.07, 0.1}
        };
        for (double[] s : syllables) {
            for (int i = (int) (s[0] * 48000); i < s[1] * 48000; i++) {
                x[i] = (float) (s[2] * Math.sin(2 * Math.PI * 300 * i / 48000));
            }
        }
        return Silhouette.of(Audio.of(48000, x));
    }

    @Test
    void wordsArePartedWhereTheLevelDipsBetweenSyllables() {
        Phrases phrase =
                Phrases.found(
                        List.of(new Span(0.5, 2.07)), List.of(), new Phrases.Levels(-80, -50, -20));
        List<Span> words = Words.of(phrase, sung()).words();
        assertThat(words).hasSize(3);
        assertThat(words.get(0).endSeconds()).isCloseTo(0.925, within(0.03));
        assertThat(words.get(1).endSeconds()).isCloseTo(1.425, within(0.03));
        assertThat(words.get(2).endSeconds()).isEqualTo(2.07);
        assertThat(sung().power(0.6, 0.8)).isCloseTo(0.02, within(1e-3));
        assertThat(sung().power(2.5, 2.9)).isZero();
        assertThat(sung().power(5, 6)).isZero();
    }

    @Test
    void barsAndQuartersStandForWordsWhereThereAreNone() {
        Words bars = Words.of(SongClock.constant(120, 3, 4), 4);
        assertThat(bars.phrases()).hasSize(3).first().isEqualTo(new Span(0, 1.5));
        assertThat(bars.words()).hasSize(9).last().isEqualTo(new Span(4, 4.5));
    }

    @Test
    void strokesOfADrumAreChosenLikeWords() {
        Words strokes =
                Words.of(
                        new Hits(
                                List.of(
                                        new Hits.Hit(1, -6, -10),
                                        new Hits.Hit(1.1, -6, -10),
                                        new Hits.Hit(2, -6, -10)),
                                List.of()));
        assertThat(strokes.words())
                .containsExactly(new Span(1, 1.1), new Span(1.1, 1.35), new Span(2, 2.25));
        assertThat(strokes.step(new Span(1, 1.1), 1)).isEqualTo(new Span(1.1, 1.35));
    }

    @Test
    void repeatsFallByTheFeedbackAndThoseInTheNextPhraseAreTold() {
        ThrowCourse course = course(design(0.5, thrown("t1", "C", 1.5, 2)));
        assertThat(course.spacingSeconds()).isCloseTo(0.5, within(1e-9));
        assertThat(course.gap()).isEqualTo(new Span(2, 4));
        // 30 dB at 6.02 dB each.
        assertThat(course.arrivals()).hasSize(5);
        assertThat(course.arrivals().get(1).span().startSeconds()).isCloseTo(2.5, within(1e-9));
        assertThat(course.arrivals().get(2).levelDb()).isCloseTo(-12.04, within(0.01));
        assertThat(course.runningOn()).isEqualTo(1);
        assertThat(course.endSeconds()).isCloseTo(4.5, within(1e-9));
    }

    @Test
    void theFittingFeedbackEndsTheTrailInTheGapAtTwoTempi() {
        for (double[] word : new double[][] {{1.5, 2}, {5.5, 6}}) {
            Throw t = thrown("t1", "C", word[0], word[1]);
            Trail note = Trail.AS_RETURN.withTime(new MusicalTime.Note(Fields.note("1/4"), 0));
            Design loose = design(0.9, t.withTrail(note));
            double fitting = course(loose).fittingFeedback();
            ThrowCourse fitted = course(design(0.9, t.withTrail(note.withFeedback(fitting))));
            assertThat(fitted.runningOn()).isZero();
            assertThat(fitted.endSeconds()).isLessThanOrEqualTo(fitted.gap().endSeconds() + 1e-9);
            assertThat(fitted.endSeconds() + fitted.spacingSeconds())
                    .isGreaterThan(fitted.gap().endSeconds());
        }
        Throw slow = Throw.of("t1", "voice", "C", 17.5, 18, -4);
        assertThat(
                        course(
                                        design(
                                                0.5,
                                                slow.withTrail(
                                                        Trail.AS_RETURN.withTime(
                                                                new MusicalTime.Note(
                                                                        Fields.note("1/4"), 0)))))
                                .spacingSeconds())
                .isCloseTo(0.75, within(1e-9));
    }

    @Test
    void aTailCountsAsOneAndAShutTrailEndsThere() {
        Design tail = design(0.2, thrown("t1", "B", 1.5, 2));
        // Half of a T60 of 3 s, and the hall's predelay.
        assertThat(course(tail).endSeconds()).isBetween(3.5, 3.6);
        assertThat(course(tail).runningOn()).isZero();
        Throw shut = thrown("t1", "C", 1.5, 2).withTrail(Trail.AS_RETURN.until(6.0));
        assertThat(course(design(0.8, shut)).endSeconds()).isCloseTo(3, within(1e-9));
    }

    @Test
    void eachConflictIsFoundAndACleanThrowHasNone() {
        assertThat(conflicts(design(0.1, thrown("t1", "C", 1.5, 2)))).isEmpty();
        assertThat(conflicts(design(0.6, thrown("t1", "C", 1.5, 2))))
                .containsExactly(ThrowConflict.Kind.RUNS_ON);
        assertThat(conflicts(design(0.0, thrown("t1", "C", 4.5, 5))))
                .containsExactly(ThrowConflict.Kind.RUNS_ON, ThrowConflict.Kind.NO_GAP);
        assertThat(conflicts(design(0.1, thrown("t1", "X", 1.5, 2))))
                .containsExactly(ThrowConflict.Kind.LOST);
        assertThat(conflicts(design(0.0, Throw.of("t1", "voice", "C", 40, 41, -4))))
                .contains(ThrowConflict.Kind.BEYOND, ThrowConflict.Kind.SILENT);
        assertThat(conflicts(design(0.0, thrown("t1", "C", 2.5, 3))))
                .containsExactly(ThrowConflict.Kind.SILENT);
        assertThat(conflicts(design(0.0, thrown("t1", "D", 5.5, 6))))
                .containsExactly(ThrowConflict.Kind.MUTED);
        assertThat(conflicts(design(0.4, thrown("t1", "C", 5.5, 6))))
                .containsExactly(ThrowConflict.Kind.TEMPO);
        Design two = design(0.3, thrown("t1", "C", 1, 1.4), thrown("t2", "C", 1.5, 2));
        assertThat(conflicts(two))
                .containsExactly(ThrowConflict.Kind.TWO_AT_ONCE, ThrowConflict.Kind.TWO_AT_ONCE);
        Design oneWordTwice = design(0.1, thrown("t1", "C", 1.5, 2), thrown("t2", "B", 1.5, 2));
        assertThat(conflicts(oneWordTwice)).isEmpty();
    }

    @Test
    void ideasAreLastWordsBeforeLongAndEmptyGaps() {
        List<ThrowIdea> even = ThrowIdea.of(WORDS, SONG_END, gap -> 0.01);
        assertThat(even).hasSize(3);
        assertThat(even.getFirst().word()).isEqualTo(new Span(9.7, 10));
        assertThat(even.get(1).word()).isEqualTo(new Span(5.3, 6));
        List<ThrowIdea> busy =
                ThrowIdea.of(WORDS, SONG_END, gap -> gap.startSeconds() < 3 ? 1e-6 : 0.1);
        assertThat(busy.getFirst().word()).isEqualTo(new Span(1.5, 2));
        assertThat(busy.getFirst().quieterDb()).isGreaterThan(20);
    }

    @Test
    void aPhraseThatBeginsThirtyMillisecondsBeforeTheWordEndsIsTheNextOne() {
        assertThat(nextAfter(1.971)).contains(new Span(1.971, 3));
        assertThat(nextAfter(1.969)).isEmpty();
    }

    private static java.util.Optional<Span> nextAfter(double start) {
        Design design = design(0.2, thrown("t1", "C", 1.5, 2));
        return ThrowCourse.of(
                        design,
                        Responses.NONE,
                        design.thrown().getFirst(),
                        List.of(new Span(start, 3)),
                        SONG_END)
                .orElseThrow()
                .next();
    }

    @Test
    void whatReachesThirtyMillisecondsIntoThePhraseDoesNotRunOnYet() {
        // One repeat from 2 to 2.5 s.
        assertThat(runningOn(2.471)).isZero();
        assertThat(runningOn(2.469)).isEqualTo(1);
        // A gap as long as a repeat less 30 ms still has room for it.
        assertThat(before(2.471).hasRoom()).isTrue();
        assertThat(before(2.469).hasRoom()).isFalse();
        assertThat(before(2.469).fittingFeedback()).isZero();
    }

    private static ThrowCourse before(double next) {
        Design design = design(0, thrown("t1", "C", 1.5, 2));
        return ThrowCourse.of(
                        design,
                        Responses.NONE,
                        design.thrown().getFirst(),
                        List.of(new Span(1, 2), new Span(next, 3)),
                        SONG_END)
                .orElseThrow();
    }

    private static int runningOn(double next) {
        return before(next).runningOn();
    }

    @Test
    void aTailIsOverWhenItHasFallenByThirtyDecibels() {
        ThrowCourse tail = course(design(0.2, thrown("t1", "B", 1.5, 2)));
        assertThat(tail.spacingSeconds()).isZero();
        assertThat(tail.feedback()).isZero();
        assertThat(tail.arrivals()).hasSize(1);
        double predelay = tail.arrivals().getFirst().span().startSeconds() - 1.5;
        assertThat(tail.endSeconds()).isCloseTo(2 + predelay + 1.5, within(1e-9));
        assertThat(tail.arrivals().getFirst().levelDb()).isZero();
        ThrowCourse shut =
                course(
                        design(
                                0.2,
                                thrown("t1", "B", 1.5, 2).withTrail(Trail.AS_RETURN.until(5.0))));
        assertThat(shut.endSeconds()).isCloseTo(2.5, within(1e-9));
        ThrowCourse last = course(design(0.2, thrown("t1", "C", 9.7, 10)));
        assertThat(last.next()).isEmpty();
        assertThat(last.gap().endSeconds()).isEqualTo(SONG_END);
        assertThat(last.runningOn()).isZero();
    }

    @Test
    void conflictsAreToldInSecondsOfTheSong() {
        assertThat(evidence(design(0.6, thrown("t1", "C", 1.5, 2))))
                .containsExactly("3 of 7 repeats reach into the next phrase, by 1.50 s.");
        assertThat(evidence(design(0.5, thrown("t1", "C", 1.5, 2))))
                .containsExactly("1 of 5 repeats reaches into the next phrase, by 0.50 s.");
        assertThat(evidence(design(0.0, thrown("t1", "C", 2.5, 3))))
                .containsExactly("No word of voice lies at 2.50 to 3.00 s.");
        assertThat(evidence(design(0.0, thrown("t1", "C", 4.5, 5))))
                .contains("The gap of 0.30 s is shorter than one repeat of 0.50 s.");
        assertThat(evidence(design(0.0, Throw.of("t1", "voice", "C", 23.2, 24.03, -4))))
                .noneMatch(e -> e.contains("song ends"));
        assertThat(evidence(design(0.2, thrown("t1", "B", 4.5, 5))))
                .containsExactly("Its tail reaches into the next phrase, by 1.22 s.");
        assertThat(evidence(design(0.4, thrown("t1", "C", 5.5, 6))))
                .containsExactly(
                        "The tempo goes from 120.00 to 80.00 bpm while it sounds; its repeats keep"
                                + " theirs.");
    }

    private static List<String> evidence(Design design) {
        return ThrowConflict.of(design, Responses.NONE, Map.of("voice", WORDS), SONG_END).stream()
                .map(ThrowConflict::evidence)
                .toList();
    }

    @Test
    void aThrowLiesBeyondTheSongByMoreThanAMillisecond() {
        assertThat(beyond(-0.0015, 1)).isFalse();
        assertThat(beyond(-0.0025, 1)).isTrue();
        // 16 s are beat 16 at 120 and 32 / 3 beats at 80.
        double end = 16 + 32 / 3.0;
        assertThat(beyond(end - 1, end + 0.001)).isFalse();
        assertThat(beyond(end - 1, end + 0.002)).isTrue();
    }

    private static boolean beyond(double from, double to) {
        return conflicts(design(0, Throw.of("t1", "voice", "C", from, to, -4)))
                .contains(ThrowConflict.Kind.BEYOND);
    }

    @Test
    void aTempoChangesByMoreThanHalfAPercentToBeTold() {
        assertThat(conflicts(turning(120.59))).doesNotContain(ThrowConflict.Kind.TEMPO);
        assertThat(conflicts(turning(120.61))).contains(ThrowConflict.Kind.TEMPO);
        assertThat(conflicts(turning(119.39))).contains(ThrowConflict.Kind.TEMPO);
    }

    /** A throw whose repeats cross from 120 bpm to another tempo. */
    private static Design turning(double bpm) {
        Design usual = design(0.4, thrown("t1", "C", 5.5, 6));
        SongClock clock =
                new SongClock(
                        TempoMap.of(
                                List.of(
                                        TempoMap.Change.step(0, 120),
                                        TempoMap.Change.step(13, bpm))),
                        MetreMap.constant(4, 4));
        return usual.withSong(new Song("Tide", 48000, clock, usual.song().sections()));
    }

    @Test
    void aSpaceThatIsNoReverbIsOverAfterHalfOfItsRinging() {
        Design gated =
                new Design(
                                design(0).song(),
                                design(0).sources(),
                                List.of(
                                        Fields.hall("B", 1, Map.of())
                                                .withSpace(
                                                        new Space.Gated(
                                                                GatedSettings.Envelope.FLAT,
                                                                new MusicalTime.Millis(400),
                                                                20,
                                                                8000))))
                        .withThrown(List.of(thrown("t1", "B", 1.5, 2)));
        ThrowCourse course = course(gated);
        double rings =
                ((GatedSettings)
                                new ChainWorks(gated, Responses.NONE)
                                        .engineOf(gated.thrown().getFirst()))
                        .ringSeconds();
        assertThat(course.endSeconds())
                .isCloseTo(
                        2 + course.arrivals().getFirst().span().startSeconds() - 1.5 + rings / 2,
                        within(1e-9));
    }
}
