package orbispace.core.prove.rule;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import orbispace.core.Signals;
import orbispace.core.clear.CoverAnalysis;
import orbispace.core.clear.Question;
import orbispace.core.clear.RemedyFinder;
import orbispace.core.clear.Solution;
import orbispace.core.clear.Solver;
import orbispace.core.design.Design;
import orbispace.core.design.Fields;
import orbispace.core.design.Return;
import orbispace.core.design.Role;
import orbispace.core.design.Setting;
import orbispace.core.design.Targets;
import orbispace.core.hearing.Borders;
import orbispace.core.hearing.WetState;
import orbispace.core.material.Phrases;
import orbispace.core.material.Silhouette;
import orbispace.core.material.StemFacts;
import orbispace.core.prove.Finding;
import orbispace.core.render.Job;
import orbispace.core.render.Renderer;
import orbispace.core.render.SongMaterial;
import orbispace.core.render.StageCache;
import orbispace.core.time.Span;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** One's own borders move what is said of states, and nothing else, on two songs. */
class OwnBordersActTest {
    private static final double RATE = 24000;
    private static final double SECONDS = 9;
    private static final Span ALL = new Span(0, SECONDS);
    private static final Borders FINER = new Borders(-3, -4, -2, 14, "Ada, headphones");

    /** By its loudness; what opens the mix all the same is told otherwise. */
    private static final Set<String> NOT_HEARD = Set.of("hidden", "width-alone");

    /** Two songs, each with a return that the model calls hidden and Ada's ears do not. */
    static final class Tune {
        final double decaySeconds;
        final SongMaterial material;
        final Renderer renderer;
        final Map<String, StemFacts> stems = new HashMap<>();

        Tune(double every, double speaks, double highHz, double decaySeconds) {
            this.decaySeconds = decaySeconds;
            float[] voice = Signals.noise(0.01, 150, highHz, SECONDS, RATE, 1);
            for (int i = 0; i < voice.length; i++) {
                voice[i] *= i / RATE % every < speaks ? 1 : 1e-4f;
            }
            float[] bed = Signals.noise(2e-4, 60, 2000, SECONDS, RATE, 2);
            material =
                    new SongMaterial(
                            Map.of(
                                    "voice", Signals.mono(RATE, voice),
                                    "bed", Signals.mono(RATE, bed)),
                            RATE);
            renderer = new Renderer(material, material.frames(), new StageCache(1L << 28));
            material.audio()
                    .forEach((id, a) ->
                            stems.put(
                                    id,
                                    StemFacts.measure(
                                            a,
                                            Silhouette.of(a),
                                            new StemFacts.Wanted(true, false))));
        }

        private Return hall(double levelDb) {
            return Fields.hall("A", decaySeconds, Map.of("voice", -6.0)).withLevel(levelDb);
        }

        /** The hall at the level at which it has half a percent of the loudness. */
        Design design() {
            Design at = design(-20);
            double level =
                    orbispace.core.clear.ShareLevel.of(
                            analysis(at), question(at), 0.005, -60, 0, Job.QUIET);
            return design(level);
        }

        Design design(double levelDb) {
            return new Design(
                    Fields.song(120, RATE),
                    List.of(
                            Fields.source("voice", Role.LEAD),
                            Fields.source("bed", Role.HARMONY_BED)),
                    List.of(hall(levelDb)));
        }

        CoverAnalysis analysis(Design design) {
            return new CoverAnalysis(renderer, -20, design.aims().hearing());
        }

        Question question(Design design) {
            Phrases phrases =
                    java.util.Objects.requireNonNull(stems.get("voice")).phrases().orElseThrow();
            return new Question(design, design.sources().getFirst(), "A", phrases, ALL, false);
        }

        List<Finding> findings(Design design) {
            return FieldFindings.of(
                    new FieldFacts(
                            design,
                            stems,
                            new FieldSurvey(analysis(design), renderer)
                                    .measure(design, stems, Job.QUIET),
                            List.of(),
                            List.of()));
        }
    }

    /** Words over a bed, in a hall. */
    private static final Tune WORDS = new Tune(3, 2, 8000, 1.8);

    /** Short calls in a small room. */
    private static final Tune CALLS = new Tune(1.5, 0.5, 6000, 0.6);

    static Stream<Tune> tunes() {
        return Stream.of(WORDS, CALLS);
    }

    private static Design by(Borders borders, Design design) {
        return design.withAims(design.aims().hearing(design.aims().hearing().by(borders)));
    }

    private static Set<String> rules(List<Finding> findings) {
        return findings.stream().map(Finding::rule).collect(Collectors.toCollection(TreeSet::new));
    }

    @ParameterizedTest
    @MethodSource("tunes")
    void whatIsNotHeardFollowsTheEarsAndNothingElseDoes(Tune tune) {
        Design design = tune.design();
        List<Finding> model = tune.findings(design);
        List<Finding> own = tune.findings(by(FINER, design));
        assertThat(rules(model)).containsAnyElementsOf(NOT_HEARD);
        assertThat(rules(own)).doesNotContainAnyElementsOf(NOT_HEARD);
        assertThat(own)
                .isEqualTo(model.stream().filter(f -> !NOT_HEARD.contains(f.rule())).toList());
    }

    @Test
    void whatIsSaidNamesTheBorderAndWhoseItIs() {
        Design design = WORDS.design();
        Design softer = WORDS.design(design.requireReturn("A").levelDb() - 12);
        Finding still =
                WORDS.findings(by(FINER, softer)).stream()
                        .filter(f -> f.rule().equals("hidden"))
                        .findFirst()
                        .orElseThrow();
        assertThat(still.evidence())
                .contains("under 0.4 % it is not missed")
                .contains("; borders by the ears of Ada, headphones, \u22123.0 dB");
    }

    @ParameterizedTest
    @MethodSource("tunes")
    void takenBackEverythingIsAsItWasToTheLastBit(Tune tune) {
        Design design = tune.design();
        Design back = by(Borders.MODEL, by(FINER, design));
        assertThat(back).isEqualTo(design);
        assertThat(tune.findings(back)).isEqualTo(tune.findings(design));
        float[] before = tune.renderer.render(design, Job.QUIET).mix().channel(0);
        float[] own = tune.renderer.render(by(FINER, design), Job.QUIET).mix().channel(0);
        assertThat(Arrays.equals(before, own)).isTrue();
    }

    @ParameterizedTest
    @MethodSource("tunes")
    void theSolversFeltFollowsAndTheSharesThemselvesDoNot(Tune tune) {
        Design buried = tune.design(-50);
        Solution model = solve(tune, buried);
        Solution own = solve(tune, by(FINER, buried));
        double felt = model.after().cover().wetShare();
        assertThat(felt).isCloseTo(WetState.FELT.aimShare(), within(0.002));
        assertThat(own.after().cover().wetShare()).isCloseTo(felt / 2, within(0.001));
        assertThat(own.after().cover().state()).isEqualTo(WetState.FELT);
        assertThat(own.before().cover().by(Borders.MODEL)).isEqualTo(model.before().cover());
    }

    private static Solution solve(Tune tune, Design design) {
        RemedyFinder finder =
                new RemedyFinder(tune.analysis(design), Targets.LEAD, Set.of(Setting.DUCK));
        return new Solver(finder).solve(tune.question(design), Job.QUIET);
    }

    @Test
    void statesOfSectionsFollowTheEars() {
        Design design = WORDS.design();
        assertThat(state(design)).isEqualTo(WetState.HIDDEN);
        assertThat(state(by(FINER, design))).isEqualTo(WetState.FELT);
    }

    private static WetState state(Design design) {
        return WORDS.analysis(design).standing(WORDS.question(design), Job.QUIET).cover().state();
    }
}
