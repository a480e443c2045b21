package orbispace.core.prove.rule;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import orbispace.core.Signals;
import orbispace.core.audio.Audio;
import orbispace.core.clear.CoverAnalysis;
import orbispace.core.design.Design;
import orbispace.core.design.Duck;
import orbispace.core.design.Fields;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Return;
import orbispace.core.design.Role;
import orbispace.core.design.Space;
import orbispace.core.design.Width;
import orbispace.core.material.Silhouette;
import orbispace.core.material.StemFacts;
import orbispace.core.prove.Finding;
import orbispace.core.prove.compare.ReverbFit;
import orbispace.core.render.Job;
import orbispace.core.render.Renderer;
import orbispace.core.render.Responses;
import orbispace.core.render.SongMaterial;
import orbispace.core.render.StageCache;
import orbispace.core.space.CopiesSettings;
import orbispace.core.space.EchoSettings;
import orbispace.core.space.ReverbKind;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** Syllables of 180 ms with rests of 90, two seconds of them and one of rest, through returns. */
class FieldSurveyTest {
    private static final double RATE = 48000;
    private static final double SECONDS = 9;
    private static final SongMaterial MATERIAL = material();
    private static final Renderer RENDERER =
            new Renderer(MATERIAL, MATERIAL.frames(), new StageCache(1L << 28));
    private static final CoverAnalysis ANALYSIS = new CoverAnalysis(RENDERER, -20, 10);
    private static final Map<String, StemFacts> STEMS = stems();

    private static SongMaterial material() {
        float[] voice = Signals.noise(0.01, 100, 10000, SECONDS, RATE, 1);
        for (int i = 0; i < voice.length; i++) {
            double t = i / RATE % 3;
            voice[i] *= t < 2 && t % 0.27 < 0.18 ? 1 : 1e-4f;
        }
        return new SongMaterial(
                Map.of("voice", Signals.mono(RATE, voice)),
                RATE,
                new Responses(Map.of("pier.wav", Responses.Recorded.of(response(0.9f, 0.05f)))));
    }

    /** A response that begins with so much of the dry sound. */
    private static Audio response(float direct, float tail) {
        float[] h = Signals.scaled(Signals.decay(0.5, -200, 0.6, RATE, 5), tail);
        h[0] += direct;
        return Audio.of(RATE, h);
    }

    private static Map<String, StemFacts> stems() {
        Map<String, StemFacts> stems = new HashMap<>();
        MATERIAL.audio()
                .forEach((id, a) ->
                        stems.put(
                                id,
                                StemFacts.measure(
                                        a, Silhouette.of(a), new StemFacts.Wanted(true, false))));
        return stems;
    }

    private static Design design(Return... returns) {
        return new Design(
                Fields.song(120), List.of(Fields.source("voice", Role.LEAD)), List.of(returns));
    }

    private static Return hall(double levelDb) {
        return Fields.hall("A", 1, Map.of("voice", 0.0)).withLevel(levelDb);
    }

    private static ReturnFacts facts(Return r) {
        return new FieldSurvey(ANALYSIS, RENDERER)
                .measure(design(r), STEMS, Job.QUIET)
                .values()
                .iterator()
                .next();
    }

    private static List<Finding> findings(Design design) {
        return FieldFindings.of(
                new FieldFacts(
                        design,
                        STEMS,
                        new FieldSurvey(ANALYSIS, RENDERER).measure(design, STEMS, Job.QUIET),
                        List.of(),
                        List.of()));
    }

    private static List<String> rules(Return r) {
        return findings(design(r)).stream().map(Finding::rule).toList();
    }

    @Test
    void costShareAndEnvelopeFollowTheLevelOfTheReturn() {
        ReturnFacts loud = facts(hall(0));
        ReturnFacts soft = facts(hall(-12));
        assertThat(loud.cost().loudnessLu()).isGreaterThan(soft.cost().loudnessLu());
        assertThat(loud.wetShare().orElseThrow()).isGreaterThan(soft.wetShare().orElseThrow());
        assertThat(loud.envelope()).hasSize((int) (SECONDS / ReturnFacts.STEP_SECONDS));
        double ratio = loud.envelope().get(10) / soft.envelope().get(10);
        assertThat(10 * Math.log10(ratio)).isCloseTo(12, within(0.01));
        assertThat(SameJob.correlation(loud.envelope(), soft.envelope()))
                .isCloseTo(1, within(1e-4));
        assertThat(loud.copies()).isEmpty();
        assertThat(loud.ducking()).isEmpty();
        assertThat(loud.directShare()).isZero();
    }

    @Test
    void aReturnThatIsTurnedAllTheWayDownIsHiddenAndOneThatShoutsIsObvious() {
        assertThat(rules(hall(-60))).contains("hidden").doesNotContain("headroom-cost");
        assertThat(rules(hall(12))).contains("too-obvious", "headroom-cost");
    }

    @Test
    @Tag("sweep")
    void theFirstCureOfWhatIsHiddenOrTooObviousIsTheRightAmount() {
        for (double level : new double[] {-60, -45, 12}) {
            Design design = design(hall(level));
            Finding found =
                    findings(design).stream()
                            .filter(f -> List.of("hidden", "too-obvious").contains(f.rule()))
                            .findFirst()
                            .orElseThrow();
            Design cured = found.remedies().getFirst().edit().applyTo(design);
            assertThat(findings(cured))
                    .as("%s from %.0f dB", found.remedies().getFirst().label(), level)
                    .noneMatch(f -> List.of("hidden", "too-obvious").contains(f.rule()));
        }
    }

    private static Finding found(Design design, String rule) {
        return findings(design).stream()
                .filter(f -> f.rule().equals(rule))
                .findFirst()
                .orElseThrow();
    }

    private static double brings(Finding finding) {
        return finding.brings().orElseThrow().amount();
    }

    private static Return pressed(Return r, String rule) {
        Design design = design(r);
        return found(design, rule)
                .remedies()
                .getFirst()
                .edit()
                .applyTo(design)
                .returns()
                .getFirst();
    }

    @Test
    void whatAPressIsSaidToBringIsThereOnceItIsPressed() {
        Return quiet = hall(-45);
        double more = pressedShare(quiet, "hidden");
        assertThat(more)
                .isGreaterThan(1)
                .isCloseTo(brings(found(design(quiet), "hidden")), within(0.15));
        Return loud = hall(12);
        assertThat(-pressedShare(loud, "too-obvious"))
                .isGreaterThan(5)
                .isCloseTo(brings(found(design(loud), "too-obvious")), within(0.15));
        Return wide = hall(-6).withChain(hall(0).chain().withWidth(new Width(1.9, 0)));
        assertThat(fold(wide) - fold(pressed(wide, "mono-loss")))
                .isCloseTo(brings(found(design(wide), "mono-loss")), within(0.05));
        Return copy = at(new Space.Reverb(ReverbKind.ROOM, 0.1, 1, 1, 0.5), 0);
        assertThat(ripple(copy) - ripple(pressed(copy, "short-offset")))
                .isCloseTo(brings(found(design(copy), "short-offset")), within(0.1));
    }

    private static double pressedShare(Return r, String rule) {
        return 100
                * (facts(pressed(r, rule)).wetShare().orElseThrow()
                        - facts(r).wetShare().orElseThrow());
    }

    private static double fold(Return r) {
        return facts(r).stereo().monoFoldLossDb().orElseThrow();
    }

    private static double ripple(Return r) {
        return Objects.requireNonNull(facts(r).copies().get("voice")).rippleDb();
    }

    /** A space that answers 2 ms after the dry sound. */
    private static Return at(Space space, double levelDb) {
        return hall(levelDb).withPredelay(new MusicalTime.Millis(2)).withSpace(space);
    }

    @Test
    @Tag("sweep")
    void copiesOfAnyKindThatCombAreNeverCalledNotHeard() {
        for (boolean centre : new boolean[] {true, false}) {
            Space copies =
                    new Space.Copies(
                            List.of(
                                    new CopiesSettings.Voice(0.013, -6, -1),
                                    new CopiesSettings.Voice(0.019, 6, 1)),
                            150,
                            centre);
            assertThat(facts(at(copies, -30)).copies()).containsOnlyKeys("voice");
            assertThat(rules(at(copies, -30))).doesNotContain("hidden");
            assertThat(rules(at(copies, 0))).contains("short-offset");
        }
        Space closet = new Space.Reverb(ReverbKind.ROOM, 0.1, 1, 1, 0.5);
        assertThat(facts(at(closet, -30)).copies())
                .as("early sound alone")
                .containsOnlyKeys("voice");
    }

    @Test
    void aShortEchoIsACopyThatCombs() {
        Return echo = Fields.echo("A", "1/4", 0, Map.of("voice", 0.0));
        Space.Echo space = (Space.Echo) echo.space();
        Return copy =
                echo.withSpace(
                        space.withTime(new MusicalTime.Millis(12))
                                .withKind(EchoSettings.Kind.SINGLE));
        assertThat(facts(copy).copies()).containsOnlyKeys("voice");
        assertThat(Objects.requireNonNull(facts(copy).copies().get("voice")).firstNotchHz())
                .isCloseTo(41.7, within(0.5));
        assertThat(rules(copy)).contains("short-offset").doesNotContain("hidden");
        assertThat(facts(echo).copies()).isEmpty();
    }

    @Test
    void aResponseThatBeginsWithTheDrySoundIsPartlyWetUntilItStartsLater() {
        Return wet = hall(-6).withSpace(new Space.Convolution("pier.wav", 0, 0, 1, 1, 1));
        assertThat(facts(wet).directShare()).isGreaterThan(0.2);
        assertThat(rules(wet)).contains("partly-wet");
        Return later = hall(-6).withSpace(new Space.Convolution("pier.wav", 2, 0, 1, 1, 1));
        assertThat(rules(later)).doesNotContain("partly-wet");
    }

    @Test
    void aDuckerThatChattersOrNeverOpensIsFoundAndItsRemedyCalmsIt() {
        Return fast = hall(-6).withDuck(new Duck("voice", 18, -50, 20, 3, 1, 0, 20));
        Return slow = hall(-6).withDuck(new Duck("voice", 12, -50, 20, 3, 5, 1500, 3000));
        Return calm = hall(-6).withDuck(new Duck("voice", 6, -50, 20, 3, 5, 150, 150));
        assertThat(rules(fast)).contains("ducker-chatters");
        assertThat(rules(slow)).contains("ducker-never-opens");
        assertThat(rules(calm)).noneMatch(r -> r.startsWith("ducker"));
        Design design = design(fast);
        Finding found =
                findings(design).stream()
                        .filter(f -> f.rule().equals("ducker-chatters"))
                        .findFirst()
                        .orElseThrow();
        Return mended = found.remedies().getFirst().edit().applyTo(design).requireReturn("A");
        assertThat(rules(mended)).doesNotContain("ducker-chatters");
    }

    @Test
    @Tag("sweep")
    void ourReverbIsFoundAgainFromItsOwnResponse() {
        Return known = hall(0).withFilterOut(orbispace.core.design.Filter.OPEN);
        Audio response =
                orbispace.core.render.ImpulseResponse.of(
                        design(known.withPredelay(new MusicalTime.Millis(0))),
                        known.withPredelay(new MusicalTime.Millis(0)),
                        Responses.NONE);
        ReverbFit fit = ReverbFit.of(response, 0.02, Job.QUIET).orElseThrow();
        assertThat(fit.space().decaySeconds()).isCloseTo(1, within(0.06));
        assertThat(fit.worst()).isLessThan(0.08);
        assertThat(fit.predelaySeconds()).isEqualTo(0.02);
        assertThat(ReverbFit.of(Audio.silence(RATE, 1, 48000), 0, Job.QUIET)).isEmpty();
    }
}
