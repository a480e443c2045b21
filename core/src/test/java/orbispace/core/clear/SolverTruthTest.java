package orbispace.core.clear;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SplittableRandom;
import orbispace.core.Signals;
import orbispace.core.design.AimsEdit;
import orbispace.core.design.Chain;
import orbispace.core.design.Design;
import orbispace.core.design.Fields;
import orbispace.core.design.Filter;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Return;
import orbispace.core.design.Role;
import orbispace.core.design.Setting;
import orbispace.core.design.Space;
import orbispace.core.design.Targets;
import orbispace.core.hearing.Cover;
import orbispace.core.hearing.WetState;
import orbispace.core.material.PhraseFinder;
import orbispace.core.material.Phrases;
import orbispace.core.render.Job;
import orbispace.core.render.Renderer;
import orbispace.core.render.SongMaterial;
import orbispace.core.render.StageCache;
import orbispace.core.space.CopiesSettings;
import orbispace.core.space.EchoSettings;
import orbispace.core.space.ReverbKind;
import orbispace.core.time.Span;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/**
 * Whatever is asked of the solver, its words are true of the field that it leaves, measured anew.
 *
 * <p>The property {@code orbispace.asks} sets how many random asks are tried.
 */
class SolverTruthTest {
    private static final double RATE = 24000;
    private static final double SECONDS = 7;
    private static final SongMaterial MATERIAL = material();
    private static final Phrases PHRASES =
            PhraseFinder.find(java.util.Objects.requireNonNull(MATERIAL.audio().get("voice")));

    private static SongMaterial material() {
        float[] voice = Signals.noise(0.01, 200, 8000, SECONDS, RATE, 1);
        for (int i = 0; i < voice.length; i++) {
            voice[i] *= i / RATE % 3 < 2 ? 1 : 1e-4f;
        }
        return new SongMaterial(
                Map.of(
                        "voice", Signals.mono(RATE, voice),
                        "bed", Signals.mono(RATE, Signals.noise(2e-4, 60, 2000, SECONDS, RATE, 2))),
                RATE);
    }

    private static CoverAnalysis analysis() {
        return new CoverAnalysis(
                new Renderer(MATERIAL, MATERIAL.frames(), new StageCache(1L << 28)), -20, 10);
    }

    private static Design design(List<Return> returns) {
        return new Design(
                Fields.song(120, RATE),
                List.of(Fields.source("voice", Role.LEAD), Fields.source("bed", Role.HARMONY_BED)),
                returns);
    }

    private static Question question(Design design, String id, boolean together) {
        return new Question(
                design, design.sources().getFirst(), id, PHRASES, new Span(0, SECONDS), together);
    }

    private static Return bareHall(double levelDb) {
        return Fields.hall("A", 1.8, Map.of("voice", -6.0, "bed", -8.0))
                .withFilterOut(Filter.OPEN)
                .withLevel(levelDb);
    }

    private static double between(SplittableRandom random, double low, double high) {
        return low + random.nextDouble() * (high - low);
    }

    private static Space space(SplittableRandom random) {
        return switch (random.nextInt(4)) {
            case 0 -> Space.hall(between(random, 0.4, 4), 1, 0.7);
            case 1 -> new Space.Reverb(ReverbKind.PLATE, between(random, 0.4, 3), 1, 0.8, 1);
            case 2 ->
                    Space.Echo.pingPong(
                            new MusicalTime.Millis(between(random, 120, 500)),
                            between(random, 0, 0.6),
                            200,
                            5000,
                            0.8);
            default ->
                    new Space.Copies(
                            List.of(
                                    new CopiesSettings.Voice(0.013, -6, -1),
                                    new CopiesSettings.Voice(0.019, 6, 1)),
                            150,
                            false);
        };
    }

    private static Return random(SplittableRandom random, String id) {
        return Fields.hall(id, 1, Map.of("voice", between(random, -12, 0), "bed", -10.0))
                .withChain(Chain.of(space(random)))
                .withLevel(between(random, -26, 8));
    }

    private static Targets targets(SplittableRandom random) {
        WetState[] states = WetState.values();
        double presence = between(random, 0.6, 0.95);
        return new Targets(
                presence,
                presence - 0.05,
                between(random, 0.1, 0.6),
                states[random.nextInt(states.length)],
                between(random, 0.02, 0.4),
                between(random, -18, 0),
                random.nextInt(4) == 0 ? between(random, -50, -30) : Targets.ANY_BLOOM);
    }

    private static Set<Setting> some(SplittableRandom random) {
        Set<Setting> out = EnumSet.noneOf(Setting.class);
        for (Setting s : Setting.values()) {
            if (random.nextInt(5) == 0) {
                out.add(s);
            }
        }
        return out;
    }

    /** What of an ask is missed, by the definition of each target and not by the solver's. */
    private static List<String> missed(Standing s, Targets t) {
        Cover c = s.cover();
        List<String> missed = new ArrayList<>();
        if (c.presenceKept().orElse(1) < t.presence() - 0.005) {
            missed.add("presence");
        }
        if (c.worstPhrase().orElse(1) < t.worstPhrase() - 0.005) {
            missed.add("worst phrase");
        }
        if (c.clashArea() > t.clashArea() + 0.005) {
            missed.add("clash");
        }
        if (WetState.of(c.wetShare()) != t.state()) {
            missed.add(t.state().name().toLowerCase(java.util.Locale.ROOT) + " was asked");
        }
        if (s.lowShare() > t.lowShare() + 0.005) {
            missed.add("lows");
        }
        if (c.bloomDb().orElse(-60) < t.bloomDb() - 0.2) {
            missed.add("bloom");
        }
        return missed;
    }

    private static void assertTrue(Solution s, Question q, Targets t, Set<Setting> out) {
        Standing anew = analysis().standing(q.of(s.design()), Job.QUIET);
        List<String> missed = missed(anew, t);
        assertThat(s.met())
                .isEqualTo(
                        s.words().startsWith("Reached") || s.words().startsWith("Clear as it is"));
        if (s.met()) {
            assertThat(missed).as(s.words()).isEmpty();
        }
        for (String m : missed) {
            assertThat(s.words()).contains(m);
        }
        assertThat(s.steps()).noneMatch(p -> out.contains(p.kind()));
        assertThat(s.words().startsWith("Clear as it is"))
                .isEqualTo(s.met() && s.steps().isEmpty());
        if (!s.met()) {
            assertThat(s.words()).containsAnyOf("Nothing", "stopped after");
        }
    }

    @Test
    @Tag("sweep")
    void itsWordsAreTrueWhateverIsAsked() {
        int asks = Integer.getInteger("orbispace.asks", 12);
        int met = 0;
        for (int seed = 0; seed < asks; seed++) {
            SplittableRandom random = new SplittableRandom(seed);
            Design design = design(List.of(random(random, "A"), random(random, "B")));
            Set<Setting> locked = random.nextInt(3) == 0 ? some(random) : Set.of();
            for (Setting l : locked) {
                design = new AimsEdit(design.aims().locking("A", l, true), "lock").applyTo(design);
            }
            Targets targets = targets(random);
            Set<Setting> barred = random.nextInt(3) == 0 ? some(random) : Set.of();
            Question q = question(design, "A", false);
            Solution s =
                    new Solver(new RemedyFinder(analysis(), targets, barred)).solve(q, Job.QUIET);
            Set<Setting> out = EnumSet.noneOf(Setting.class);
            out.addAll(barred);
            out.addAll(locked);
            assertTrue(s, q, targets, out);
            met += s.met() ? 1 : 0;
        }
        assertThat(met).isBetween(1, asks - 1);
    }

    @Test
    void aLoudBareHallEndsFeltWhereFeltIsAsked() {
        for (double level : new double[] {-4, 6, 12}) {
            Question q = question(design(List.of(bareHall(level))), "A", false);
            Solution s = new Solver(new RemedyFinder(analysis(), Targets.LEAD)).solve(q, Job.QUIET);
            assertThat(s.after().cover().state()).as(s.words()).isEqualTo(WetState.FELT);
            assertThat(s.words()).startsWith("Reached");
        }
    }

    @Test
    void aMissedStateIsNeverCalledReached() {
        Targets obvious = new Targets(0, 0, 1, WetState.OBVIOUS, 1, 20, Targets.ANY_BLOOM);
        Question q = question(design(List.of(bareHall(-30))), "A", false);
        Set<Setting> noLevel = EnumSet.of(Setting.LEVEL);
        Solution s = new Solver(new RemedyFinder(analysis(), obvious, noLevel)).solve(q, Job.QUIET);
        assertThat(s.met()).isFalse();
        assertThat(s.words()).contains("where obvious was asked").contains("barred");
        Solution free = new Solver(new RemedyFinder(analysis(), obvious)).solve(q, Job.QUIET);
        assertThat(free.words()).as("it may be turned up").startsWith("Reached");
        assertThat(free.after().cover().state()).isEqualTo(WetState.OBVIOUS);
    }

    @Test
    void aWholeFieldNamesEachReturnThatIsNotAsAsked() {
        Return loud = bareHall(4);
        Return hidden = Fields.echo("B", "1/4", 0.3, Map.of("voice", -40.0)).withLevel(-20);
        Question q = question(design(List.of(loud, hidden)), "A", true);
        Solution s =
                new Solver(new RemedyFinder(analysis(), Targets.LEAD)).solveField(q, Job.QUIET);
        assertThat(s.met()).isFalse();
        assertThat(s.words()).contains("B hidden where felt was asked");
        assertThat(s.design().requireReturn("B").levelDb()).isEqualTo(-20);
    }

    @Test
    @Tag("sweep")
    void locksHoldWhateverRemedyWouldChangeWhatIsLocked() {
        Space.Echo echo =
                new Space.Echo(
                        EchoSettings.Kind.SINGLE,
                        new MusicalTime.Millis(60),
                        new MusicalTime.Millis(60),
                        0.7,
                        EchoSettings.Loop.filters(60, 9000),
                        0);
        Return r = bareHall(2).withChain(Chain.of(echo));
        for (Setting locked : List.of(Setting.FEEDBACK, Setting.ECHO_TIME, Setting.LEVEL)) {
            Design free = design(List.of(r));
            Design design =
                    new AimsEdit(free.aims().locking("A", locked, true), "lock").applyTo(free);
            for (EarWord word : EarWord.values()) {
                Diagnosis d =
                        new EarTable(analysis())
                                .diagnose(
                                        word,
                                        question(design, "A", false),
                                        Targets.LEAD,
                                        Job.QUIET);
                for (Proposal p : d.remedies()) {
                    assertThat(Setting.changedBy(p.edit(), design))
                            .as("%s: %s", word, p.change())
                            .doesNotContain(locked);
                }
            }
        }
        // A lock on the decay or the predelay of a reverb is none on an echo's feedback or time.
        Design other =
                new AimsEdit(design(List.of(r)).aims().locking("A", Setting.DECAY, true), "lock")
                        .applyTo(design(List.of(r)));
        Diagnosis d =
                new EarTable(analysis())
                        .diagnose(
                                EarWord.FLUTTERY,
                                question(other, "A", false),
                                Targets.LEAD,
                                Job.QUIET);
        assertThat(d.remedies()).anyMatch(p -> p.kind() == Setting.FEEDBACK);
    }
}
