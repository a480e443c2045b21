package orbispace.core.clear;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import orbispace.core.Signals;
import orbispace.core.audio.Audio;
import orbispace.core.design.Chain;
import orbispace.core.design.Design;
import orbispace.core.design.Duck;
import orbispace.core.design.Fields;
import orbispace.core.design.Filter;
import orbispace.core.design.Filter.Corner;
import orbispace.core.design.Gate;
import orbispace.core.design.Kept;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Purpose;
import orbispace.core.design.Return;
import orbispace.core.design.Role;
import orbispace.core.design.Send;
import orbispace.core.design.Setting;
import orbispace.core.design.Space;
import orbispace.core.design.Targets;
import orbispace.core.design.Width;
import orbispace.core.dynamics.DuckBand;
import orbispace.core.material.PhraseFinder;
import orbispace.core.material.Phrases;
import orbispace.core.render.Job;
import orbispace.core.render.Renderer;
import orbispace.core.render.Responses;
import orbispace.core.render.SongMaterial;
import orbispace.core.render.StageCache;
import orbispace.core.space.CopiesSettings;
import orbispace.core.space.ReverbKind;
import orbispace.core.time.Span;
import org.junit.jupiter.api.Test;

/** Each word on a design made to deserve it, and on one that is clean. */
class EarTableTest {
    private static final double RATE = 48000;
    private static final double SECONDS = 9;
    private static final SongMaterial MATERIAL = material();
    private static final Phrases PHRASES =
            PhraseFinder.find(java.util.Objects.requireNonNull(MATERIAL.audio().get("voice")));
    private static final CoverAnalysis ANALYSIS =
            new CoverAnalysis(
                    new Renderer(MATERIAL, MATERIAL.frames(), new StageCache(1L << 28)), -20, 10);
    private static final EarTable TABLE = new EarTable(ANALYSIS);

    /** Syllables of 180 ms with rests of 90, two seconds of them and one of rest. */
    private static SongMaterial material() {
        float[] voice = Signals.noise(0.01, 100, 10000, SECONDS, RATE, 1);
        for (int i = 0; i < voice.length; i++) {
            double t = i / RATE % 3;
            boolean sung = t < 2 && t % 0.27 < 0.18;
            voice[i] *= sung ? 1 : 1e-4f;
        }
        float[] left = Signals.noise(0.01, 100, 10000, 0.2, RATE, 2);
        float[] right = left.clone();
        for (int i = 0; i < right.length; i++) {
            right[i] = -left[i];
        }
        return new SongMaterial(
                Map.of("voice", Signals.mono(RATE, voice)),
                RATE,
                new Responses(
                        Map.of("opposed.wav", Responses.Recorded.of(Audio.of(RATE, left, right)))));
    }

    private static final Filter TIDY = new Filter(new Corner(350, 4), new Corner(4000, 4));

    /** A felt hall that is over when the voice returns. */
    private static Return clean() {
        Chain chain =
                Chain.of(new Space.Reverb(ReverbKind.HALL, 1.2, 1, 0.6, 1))
                        .withPredelay(new MusicalTime.Millis(40))
                        .withFilterOut(TIDY);
        return ret(chain, -20);
    }

    private static Return ret(Chain chain, double levelDb) {
        return new Return(
                "A",
                "Tried",
                Map.of("voice", Send.of(0)),
                Map.of(),
                chain,
                levelDb,
                new Return.Timing(1, false));
    }

    private static Diagnosis ask(EarWord word, Return r) {
        Design design =
                new Design(
                        Fields.song(120), List.of(Fields.source("voice", Role.LEAD)), List.of(r));
        return TABLE.diagnose(word, question(design), Targets.LEAD, Job.QUIET);
    }

    private static Question question(Design design) {
        return new Question(
                design, design.sources().getFirst(), "A", PHRASES, new Span(0, SECONDS), false);
    }

    private static void deserves(EarWord word, Return r, String evidence) {
        Diagnosis d = ask(word, r);
        assertThat(d.supported()).as("%s: %s", word.label(), d.evidence()).isTrue();
        assertThat(d.evidence()).contains(evidence);
        assertThat(d.remedies()).as(word.label()).isNotEmpty();
    }

    private static Return filtered(Filter filter) {
        return ret(clean().chain().withFilterOut(filter), -8);
    }

    @Test
    void aCleanReturnDeservesNoneOfThem() {
        for (EarWord word : EarWord.values()) {
            Diagnosis d = ask(word, clean());
            assertThat(d.supported()).as("%s: %s", word.label(), d.evidence()).isFalse();
            assertThat(d.evidence()).as(word.label()).isNotBlank();
        }
    }

    @Test
    void wordsAboutColourNameTheirBand() {
        deserves(
                EarWord.TOO_THICK, filtered(new Filter(null, new Corner(700, 4))), "20 and 250 Hz");
        deserves(
                EarWord.BOXY,
                filtered(new Filter(new Corner(240, 8), new Corner(620, 8))),
                "250 and 600 Hz");
        deserves(EarWord.SIZZLY, filtered(new Filter(new Corner(3000, 4), null)), "7000 and 16000");
        deserves(EarWord.SHARP, filtered(new Filter(new Corner(2000, 4), null)), "5 and 9 kHz");
        assertThat(
                        ask(
                                        EarWord.BOXY,
                                        filtered(
                                                new Filter(new Corner(240, 8), new Corner(620, 8))))
                                .lowHz())
                .isEqualTo(250);
    }

    @Test
    void wordsAboutTimeNameTheRest() {
        Return longTail = ret(clean().chain().withSpace(Space.hall(5, 1, 0.7)), -10);
        deserves(EarWord.TOO_LONG, longTail, "median rest");
        deserves(EarWord.CROWDING, ret(longTail.chain(), 0), "as phrases begin");
        Gate wall =
                new Gate("voice", Filter.OPEN, -40, 4, 120, 1, 40, 10, new MusicalTime.Millis(200));
        deserves(EarWord.STOPS_DEAD, ret(longTail.chain().withGate(wall), -10), "cut");
        Space rattle = Space.Echo.pingPong(new MusicalTime.Millis(45), 0.7, 100, 8000, 0.5);
        deserves(EarWord.FLUTTERY, ret(Chain.of(rattle), -10), "every 45 ms");
    }

    @Test
    void wordsAboutPlaceAndShareNameTheShare() {
        deserves(EarWord.WASHED_OUT, ret(clean().chain(), 4), "important cells clash");
        deserves(EarWord.TOO_OBVIOUS, ret(clean().chain(), 4), "felt was asked");
        deserves(EarWord.LOST, ret(clean().chain(), -45), "hidden");
        deserves(EarWord.TOO_NEAR, ret(clean().chain(), -45), "hidden");
        deserves(
                EarWord.TOO_FAR,
                ret(clean().chain().withPredelay(new MusicalTime.Millis(0)), 0),
                "answers after 0 ms");
    }

    @Test
    void wordsAboutWhatIsMissingNameItAndBringItBack() {
        Return dull = filtered(new Filter(null, new Corner(900, 4)));
        deserves(EarWord.DULL, dull, "2500 and 16000 Hz");
        assertThat(ask(EarWord.DULL, dull).remedies())
                .anyMatch(p -> p.change().equals("Low-pass at 1.8 kHz"))
                .anyMatch(p -> p.change().startsWith("Highs"));
        Return thin = filtered(new Filter(new Corner(2000, 4), null));
        deserves(EarWord.THIN, thin, "20 and 600 Hz");
        assertThat(ask(EarWord.THIN, thin).remedies())
                .anyMatch(p -> p.change().equals("High-pass at 1410 Hz"));
        deserves(
                EarWord.NARROW,
                ret(clean().chain().withWidth(new Width(0.1, 0)), -10),
                "both sides correlate");
        deserves(EarWord.TOO_SHORT, ret(Chain.of(Space.hall(0.4, 1, 1)), -10), "median rest");
        Return faint = ret(clean().chain(), -45);
        deserves(EarWord.UNFINISHED, faint, "in the rests it has");
        assertThat(ask(EarWord.UNFINISHED, faint).remedies())
                .anyMatch(p -> p.change().startsWith("Decay 1.20 to 1.70"));
    }

    @Test
    void whatIsMarkedToBeKeptIsLostToNoRemedy() {
        Return loud = ret(clean().chain(), 4);
        Design design =
                new Design(
                        Fields.song(120),
                        List.of(Fields.source("voice", Role.LEAD)),
                        List.of(loud));
        Span all = new Span(0, SECONDS);
        Question q = question(design);
        RemedyFinder finder = new RemedyFinder(ANALYSIS, Targets.LEAD, java.util.Set.of());
        List<Proposal> free = finder.propose(q, Job.QUIET);
        double share = free.getFirst().before().wetShare();
        double gaps = free.getFirst().before().wetShareInGaps();
        assertThat(free).anyMatch(p -> p.after().wetShare() < 0.8 * share);
        Design guarded = design.withAims(design.aims().keeping("A", new Kept(all, share, gaps)));
        List<Proposal> kept = finder.propose(q.of(guarded), Job.QUIET);
        assertThat(kept.size()).isLessThan(free.size());
        assertThat(kept).allMatch(p -> p.after().wetShare() >= 0.85 * share);
        assertThat(kept).allMatch(p -> p.after().wetShareInGaps() >= 0.85 * gaps);
        Diagnosis d = TABLE.diagnose(EarWord.TOO_OBVIOUS, q.of(guarded), Targets.LEAD, Job.QUIET);
        assertThat(d.supported()).isTrue();
        assertThat(d.remedies()).isEmpty();
        // Marked elsewhere, what is here before a change is what counts.
        Design other =
                design.withAims(
                        design.aims().keeping("A", new Kept(new Span(60, 70), 0.001, 0.001)));
        assertThat(finder.propose(q.of(other), Job.QUIET))
                .allMatch(p -> p.after().wetShare() >= 0.85 * share);
        assertThat(guarded.withReturns(List.of()).aims().kept()).isEmpty();
    }

    @Test
    void theHissOfADrumSpaceIsDuckedWhereItHissesAndItsTopStays() {
        Return hissing = filtered(new Filter(new Corner(2000, 4), null));
        Design plain =
                new Design(
                        Fields.song(120),
                        List.of(Fields.source("voice", Role.LEAD)),
                        List.of(hissing));
        Design drums = plain.withAims(plain.aims().purposed("A", Purpose.DRUMS));
        RemedyFinder finder = new RemedyFinder(ANALYSIS, Targets.LEAD, java.util.Set.of());
        List<Proposal> free = finder.propose(question(plain), Job.QUIET);
        assertThat(free).anyMatch(p -> p.kind() == Setting.LOW_PASS);
        List<Proposal> kept = finder.propose(question(drums), Job.QUIET);
        assertThat(kept).noneMatch(p -> p.kind() == Setting.LOW_PASS);
        assertThat(kept.stream().map(p -> p.edit().applyTo(drums).requireReturn("A").duck()))
                .anyMatch(d -> d != null && new DuckBand(4500, 10_000).equals(d.band()));
    }

    @Test
    void whoIsNotInTheRoomOfTheOthersIsApart() {
        Return room = Fields.hall("A", 1, Map.of("other", -12.0, "third", -8.0, "far", -20.0));
        Design design =
                new Design(
                        Fields.song(120),
                        List.of(
                                Fields.source("voice", Role.LEAD),
                                Fields.source("other", Role.BACKING),
                                Fields.source("third", Role.BACKING),
                                Fields.source("far", Role.BACKING)),
                        List.of(room));
        Question q = question(design);
        Diagnosis d = TABLE.diagnose(EarWord.APART, q, Targets.LEAD, Job.QUIET);
        assertThat(d.supported()).isTrue();
        assertThat(d.evidence()).isEqualTo("3 others stand in this space; voice does not");
        Design sent = d.remedies().getFirst().edit().applyTo(design);
        assertThat(sent.requireReturn("A").sends().get("voice")).isEqualTo(Send.of(-12));
    }

    @Test
    void wordsAboutMovementAndPhaseNameTheStage() {
        Duck nervous = new Duck("voice", 18, -50, 20, 3, 1, 0, 20);
        deserves(EarWord.PUMPING, ret(clean().chain().withDuck(nervous), -6), "times a second");
        Space copies =
                new Space.Copies(
                        List.of(
                                new CopiesSettings.Voice(0.006, -5, -1),
                                new CopiesSettings.Voice(0.009, 5, 1)),
                        150,
                        true);
        deserves(EarWord.PHASEY, ret(Chain.of(copies), -8), "notches");
        Return wide = ret(clean().chain().withWidth(new Width(2, 0)), -10);
        deserves(EarWord.PHASEY, wide, "folded to mono it loses");
    }

    @Test
    void whatCancelsInMonoOrIsSilentIsSaidWithoutANumberThatNobodyMeasured() {
        Diagnosis cancels = ask(EarWord.PHASEY, opposed(1));
        assertThat(cancels.supported()).isTrue();
        assertThat(cancels.evidence()).contains("its sides cancel").doesNotContain("dB");
        Diagnosis silent = ask(EarWord.PHASEY, opposed(0));
        assertThat(silent.supported()).isFalse();
        assertThat(silent.evidence()).contains("answers nothing");
        assertThat(ask(EarWord.SHARP, opposed(0)).evidence())
                .contains("nothing while the source speaks");
        assertThat(ask(EarWord.TOO_LONG, opposed(0)).evidence())
                .contains("nothing is left when the median rest");
    }

    /** A response whose right side is its left turned over; of no width, nothing of it is left. */
    private static Return opposed(double width) {
        Space space = new Space.Convolution("opposed.wav", 0, 0, 1, 1, 1);
        return ret(Chain.of(space).withWidth(new Width(width, 0)), -10);
    }

    @Test
    void remediesAreRenderedAndAnswerTheirWord() {
        Diagnosis d = ask(EarWord.TOO_OBVIOUS, ret(clean().chain(), 4));
        Proposal level = d.remedies().getFirst();
        assertThat(level.after().wetShare()).isLessThan(level.before().wetShare());
        Diagnosis calmer =
                ask(
                        EarWord.PUMPING,
                        ret(
                                clean().chain()
                                        .withDuck(new Duck("voice", 18, -50, 20, 3, 1, 0, 20)),
                                -6));
        Design design =
                new Design(
                        Fields.song(120),
                        List.of(Fields.source("voice", Role.LEAD)),
                        List.of(
                                ret(
                                        clean().chain()
                                                .withDuck(
                                                        new Duck(
                                                                "voice", 18, -50, 20, 3, 1, 0, 20)),
                                        -6)));
        Proposal hold =
                calmer.remedies().stream()
                        .filter(p -> p.change().contains("hold"))
                        .findFirst()
                        .orElseThrow();
        Return after = hold.edit().applyTo(design).requireReturn("A");
        assertThat(ask(EarWord.PUMPING, after).supported()).isFalse();
    }

    private static DuckCourse course(Duck duck) {
        Design design =
                new Design(
                        Fields.song(120),
                        List.of(Fields.source("voice", Role.LEAD)),
                        List.of(ret(clean().chain().withDuck(duck), -6)));
        Question q = question(design);
        return DuckCourse.of(ANALYSIS, q).orElseThrow();
    }

    @Test
    void aDuckerThatChattersAndOneThatNeverOpensAreSeen() {
        assertThat(course(new Duck("voice", 18, -50, 20, 3, 1, 0, 20)).fault())
                .isEqualTo("chatters");
        assertThat(course(new Duck("voice", 12, -50, 20, 3, 5, 1500, 3000)).fault())
                .isEqualTo("never opens");
        DuckCourse calm = course(new Duck("voice", 6, -50, 20, 3, 5, 150, 150));
        assertThat(calm.fault()).isEmpty();
        int middle = (int) (1.0 * calm.framesPerSecond());
        assertThat(calm.gainDb(middle)).isBetween(-6.3, -5.0);
        assertThat(calm.gainDb((int) (2.9 * calm.framesPerSecond()))).isGreaterThan(-0.5);
    }

    @Test
    void whatIsLostOrTooObviousIsBroughtToWhatWasAskedInOnePress() {
        for (double level : new double[] {-45, 12}) {
            Return r = ret(clean().chain(), level);
            EarWord word = level < 0 ? EarWord.LOST : EarWord.TOO_OBVIOUS;
            Diagnosis d = ask(word, r);
            assertThat(d.remedies().getFirst().after().state())
                    .as("%s", d.remedies().getFirst().change())
                    .isEqualTo(Targets.LEAD.state());
        }
    }
}
