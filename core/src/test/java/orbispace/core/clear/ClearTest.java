package orbispace.core.clear;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import orbispace.core.Signals;
import orbispace.core.design.Design;
import orbispace.core.design.Duck;
import orbispace.core.design.Fields;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Role;
import orbispace.core.design.Source;
import orbispace.core.design.Targets;
import orbispace.core.hearing.Cover;
import orbispace.core.hearing.WetState;
import orbispace.core.material.PhraseFinder;
import orbispace.core.material.Phrases;
import orbispace.core.render.Job;
import orbispace.core.render.Renderer;
import orbispace.core.render.SongMaterial;
import orbispace.core.render.StageCache;
import orbispace.core.time.Span;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

class ClearTest {
    private static final double RATE = 24000;
    private static final double SECONDS = 12;
    private static final Span ALL = new Span(0, SECONDS);

    private final SongMaterial material = material();
    private final Phrases phrases =
            PhraseFinder.find(java.util.Objects.requireNonNull(material.audio().get("voice")));

    /** Two seconds of voice-like noise, one of rest, over a quiet bed. */
    private static SongMaterial material() {
        float[] voice = Signals.noise(0.01, 200, 6000, SECONDS, RATE, 1);
        for (int i = 0; i < voice.length; i++) {
            double t = i / RATE % 3;
            voice[i] *= t < 2 ? 1 : 1e-4f;
        }
        return new SongMaterial(
                Map.of(
                        "voice", Signals.mono(RATE, voice),
                        "bed", Signals.mono(RATE, Signals.noise(2e-4, 60, 2000, SECONDS, RATE, 2))),
                RATE);
    }

    private static Design design(double levelDb) {
        Return hall = Fields.hall("A", 1.5, Map.of("voice", -6.0, "bed", -2.0));
        return new Design(
                Fields.song(120, RATE),
                List.of(Fields.source("voice", Role.LEAD), Fields.source("bed", Role.HARMONY_BED)),
                List.of(hall.withLevel(levelDb)));
    }

    private CoverAnalysis analysis() {
        Renderer renderer = new Renderer(material, material.frames(), new StageCache(1L << 29));
        return new CoverAnalysis(renderer, -20, 10);
    }

    private static Source voice(Design design) {
        return design.sources().getFirst();
    }

    private Question question(Design design) {
        return new Question(design, voice(design), "A", phrases, ALL, false);
    }

    private Cover cover(CoverAnalysis analysis, Design design) {
        return analysis.pair(
                        design,
                        voice(design),
                        design.returns().getFirst(),
                        phrases.spans(),
                        ALL,
                        Job.QUIET)
                .cover();
    }

    @Test
    void aLouderReturnKeepsLessPresenceAndBloomsMore() {
        CoverAnalysis analysis = analysis();
        List<Cover> covers = new ArrayList<>();
        for (double level = -30; level <= 0; level += 6) {
            covers.add(cover(analysis, design(level)));
        }
        for (int i = 1; i < covers.size(); i++) {
            Cover quiet = covers.get(i - 1);
            Cover loud = covers.get(i);
            assertThat(loud.presenceKept().orElseThrow())
                    .isLessThanOrEqualTo(quiet.presenceKept().orElseThrow());
            assertThat(loud.wetShare()).isGreaterThanOrEqualTo(quiet.wetShare());
            assertThat(loud.clashArea()).isGreaterThanOrEqualTo(quiet.clashArea());
            assertThat(loud.bloomDb().orElse(-99))
                    .isGreaterThanOrEqualTo(quiet.bloomDb().orElse(-99));
        }
        assertThat(covers.getFirst().presenceKept().orElseThrow()).isGreaterThan(0.95);
        assertThat(covers.getLast().presenceKept().orElseThrow()).isLessThan(0.7);
    }

    @Test
    @Tag("sweep")
    void promisesOfRemediesAreWhatHappens() {
        CoverAnalysis analysis = analysis();
        for (double level : new double[] {-12, -7, -3, 0}) {
            Design design = design(level);
            RemedyFinder finder = new RemedyFinder(analysis, Targets.LEAD);
            for (Proposal p : finder.propose(question(design), Job.QUIET)) {
                Cover happened = cover(analysis(), p.edit().applyTo(design));
                assertThat(happened.presenceKept().orElseThrow())
                        .as(p.change())
                        .isCloseTo(p.after().presenceKept().orElseThrow(), within(0.005));
            }
        }
    }

    @Test
    void theDuckerReachesTheTargetAndNoDeeper() {
        CoverAnalysis analysis = analysis();
        Design design = design(-5);
        Cover before = cover(analysis, design);
        assertThat(before.presenceKept().orElseThrow()).isLessThan(Targets.LEAD.presence());
        Proposal duck = duck(analysis, design);
        assertThat(duck.after().presenceKept().orElseThrow())
                .isGreaterThanOrEqualTo(Targets.LEAD.presence() - 0.01);
        assertThat(duck.presenceGain()).isGreaterThan(0.02);
        assertThat(duck.why()).contains("median gap");
        Duck found = ((ReturnEdit.Ducking) duck.edit()).duck();
        assertThat(found).isNotNull();
        Design shallower =
                new ReturnEdit.Ducking(
                                "A",
                                java.util.Objects.requireNonNull(found)
                                        .withRange(found.rangeDb() - 1))
                        .applyTo(design);
        assertThat(found.rangeDb() % 0.5).isZero();
        Standing after = analysis.standing(question(duck.edit().applyTo(design)), Job.QUIET);
        assertThat(after.uncovers(Targets.LEAD)).isTrue();
        assertThat(analysis.standing(question(shallower), Job.QUIET).uncovers(Targets.LEAD))
                .as("a decibel less would not do")
                .isFalse();
    }

    @Test
    void whereLittleIsMissingLittleIsDucked() {
        CoverAnalysis analysis = analysis();
        double low = -18;
        double high = -5;
        while (high - low > 0.1) {
            double middle = (low + high) / 2;
            boolean clear =
                    analysis.standing(question(design(middle)), Job.QUIET).uncovers(Targets.LEAD);
            low = clear ? middle : low;
            high = clear ? high : middle;
        }
        Duck found = ((ReturnEdit.Ducking) duck(analysis, design(high + 0.4)).edit()).duck();
        assertThat(java.util.Objects.requireNonNull(found).rangeDb()).isBetween(0.5, 1.5);
    }

    @Test
    void aDuckerThatIsThereIsOnlyDeepened() {
        CoverAnalysis analysis = analysis();
        Duck found = ((ReturnEdit.Ducking) duck(analysis, design(-5)).edit()).duck();
        Duck half = java.util.Objects.requireNonNull(found).withRange(found.rangeDb() / 2);
        Design started = new ReturnEdit.Ducking("A", half).applyTo(design(-5));
        Proposal deeper = duck(analysis, started);
        Duck then = ((ReturnEdit.Ducking) deeper.edit()).duck();
        // Each search ends within its step of half a decibel.
        double range = java.util.Objects.requireNonNull(then).rangeDb();
        assertThat(range).isCloseTo(found.rangeDb(), within(0.5));
        double share = then.band() == null ? 1 : KeyBand.share(then.band());
        assertThat(deeper.cost().duckDb())
                .isCloseTo(share * (range - half.rangeDb()), within(1e-9));
    }

    private Proposal duck(CoverAnalysis analysis, Design design) {
        return new RemedyFinder(analysis, Targets.LEAD)
                .propose(question(design), Job.QUIET).stream()
                        .filter(p -> p.edit() instanceof ReturnEdit.Ducking)
                        .findFirst()
                        .orElseThrow();
    }

    @Test
    void aHighPassIsProposedWhileTooMuchLiesLowAndThenNoMore() {
        CoverAnalysis analysis = analysis();
        Design low =
                new ReturnEdit.FilterOut("A", orbispace.core.design.Filter.OPEN)
                        .applyTo(design(-14));
        Design boomy = new ReturnEdit.SendLevel("A", "voice", null).applyTo(low);
        RemedyFinder finder = new RemedyFinder(analysis, Targets.LEAD);
        Proposal highPass =
                finder.propose(question(boomy), Job.QUIET).stream()
                        .filter(p -> p.edit() instanceof ReturnEdit.FilterOut)
                        .findFirst()
                        .orElseThrow();
        assertThat(highPass.why()).contains("under 250 Hz");
        assertThat(highPass.cost().bandwidthOctaves()).isPositive();
        Design cured = highPass.edit().applyTo(boomy);
        Return hall = cured.returns().getFirst();
        boolean again =
                finder.propose(question(cured), Job.QUIET).stream()
                        .anyMatch(p -> p.edit() instanceof ReturnEdit.FilterOut);
        double corner = java.util.Objects.requireNonNull(hall.filterOut().highPass()).hz();
        assertThat(again).isEqualTo(false);
        assertThat(corner).isBetween(100.0, 400.0);
    }

    @Test
    void aFieldThatIsClearGetsNoRemedies() {
        Design clear = design(-18);
        assertThat(new RemedyFinder(analysis(), Targets.LEAD).propose(question(clear), Job.QUIET))
                .isEmpty();
    }

    @Test
    void allReturnsTogetherCoverMoreThanOne() {
        CoverAnalysis analysis = analysis();
        Design one = design(-8);
        Return echo = Fields.echo("B", "1/8", 0.4, Map.of("voice", -8.0));
        Design both =
                new Design(one.song(), one.sources(), List.of(one.returns().getFirst(), echo));
        double single =
                analysis.pair(
                                both,
                                voice(both),
                                both.returns().getFirst(),
                                phrases.spans(),
                                ALL,
                                Job.QUIET)
                        .cover()
                        .wetShareInPhrases();
        double together =
                analysis.field(both, voice(both), phrases.spans(), ALL, Job.QUIET)
                        .cover()
                        .wetShareInPhrases();
        assertThat(together).isGreaterThan(single);
    }

    @Test
    void theRiverBloomsInGapsAndRunsUnderOrOverPhrases() {
        Design design = design(-8);
        River river =
                analysis()
                        .pair(
                                design,
                                voice(design),
                                design.returns().getFirst(),
                                phrases.spans(),
                                ALL,
                                Job.QUIET)
                        .river();
        int inGap = (int) (2.5 * river.framesPerSecond());
        int inPhrase = (int) (4.0 * river.framesPerSecond());
        assertThat(river.course(inGap)).isEqualTo(River.Course.BLOOMS);
        assertThat(river.course(inPhrase)).isNotEqualTo(River.Course.BLOOMS);
        assertThat(river.levelDb(inPhrase)).isGreaterThan(river.levelDb(inGap));
    }

    @Test
    void aStretchOfTheSongIsMeasuredByItself() {
        Design design = design(-8);
        CoverAnalysis analysis = analysis();
        Span rest = new Span(2.1, 2.9);
        PairView view =
                analysis.pair(
                        design,
                        voice(design),
                        design.returns().getFirst(),
                        phrases.spans(),
                        rest,
                        Job.QUIET);
        assertThat(view.cover().presenceKept()).isEmpty();
        assertThat(view.river().frames())
                .isEqualTo((int) Math.round(0.8 * view.river().framesPerSecond()));
    }

    @Test
    void statesBeginWhereTheirSharesDo() {
        for (WetState state : WetState.values()) {
            assertThat(WetState.of(state.fromShare())).isEqualTo(state);
            assertThat(WetState.of(state.aimShare())).isEqualTo(state);
        }
    }

    @Test
    void presenceBarByBarIsThatOfTheFrames() {
        CoverAnalysis analysis = analysis();
        Design design = design(-4);
        List<OptionalDouble> bars =
                analysis.course(design, voice(design), phrases.spans(), SECONDS, Job.QUIET)
                        .presencePerBar();
        // 120 bpm: a bar is two seconds; the voice sings two of three.
        assertThat(bars).hasSize(6);
        assertThat(bars)
                .allMatch(b -> b.isEmpty() || (b.getAsDouble() > 0.2 && b.getAsDouble() < 1));
        double kept = cover(analysis, design).presenceKept().orElseThrow();
        double mean = bars.stream().flatMapToDouble(OptionalDouble::stream).average().orElseThrow();
        assertThat(mean).isCloseTo(kept, within(0.05));
        Design quiet = design(-30);
        List<OptionalDouble> better =
                analysis.course(quiet, voice(quiet), phrases.spans(), SECONDS, Job.QUIET)
                        .presencePerBar();
        for (int i = 0; i < bars.size(); i++) {
            assertThat(better.get(i).orElse(0)).isGreaterThanOrEqualTo(bars.get(i).orElse(0));
        }
    }

    @Test
    void theFieldIsDensestWhereSpacesPileUp() {
        Design thin = design(-20);
        SongCourse little =
                analysis().course(thin, voice(thin), phrases.spans(), SECONDS, Job.QUIET);
        Design thick = design(4);
        SongCourse much =
                analysis().course(thick, voice(thick), phrases.spans(), SECONDS, Job.QUIET);
        assertThat(much.densityPerBar()).hasSameSizeAs(much.presencePerBar());
        for (int bar = 0; bar < much.densityPerBar().size(); bar++) {
            assertThat(much.densityPerBar().get(bar))
                    .isBetween(0.0, 1.0)
                    .isGreaterThanOrEqualTo(little.densityPerBar().get(bar));
        }
        Design none = new Design(thin.song(), thin.sources(), List.of());
        assertThat(
                        analysis()
                                .course(none, voice(none), phrases.spans(), SECONDS, Job.QUIET)
                                .densityPerBar())
                .allMatch(d -> d == 0);
    }
}
