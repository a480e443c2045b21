package orbispace.core.draft;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.SplittableRandom;
import orbispace.core.audio.Audio;
import orbispace.core.clear.CoverAnalysis;
import orbispace.core.clear.Question;
import orbispace.core.clear.RemedyFinder;
import orbispace.core.clear.Solution;
import orbispace.core.clear.Solver;
import orbispace.core.design.Design;
import orbispace.core.design.FieldEdit;
import orbispace.core.design.Filter;
import orbispace.core.design.Return;
import orbispace.core.design.Role;
import orbispace.core.design.Section;
import orbispace.core.design.Song;
import orbispace.core.design.Source;
import orbispace.core.design.Space;
import orbispace.core.design.StemKind;
import orbispace.core.design.Targets;
import orbispace.core.hearing.Cover;
import orbispace.core.hearing.Ear;
import orbispace.core.hearing.WetState;
import orbispace.core.intake.Backbeat;
import orbispace.core.material.GateKeyFinder;
import orbispace.core.material.HitFinder;
import orbispace.core.material.Hits;
import orbispace.core.material.PhraseFinder;
import orbispace.core.material.Phrases;
import orbispace.core.render.Job;
import orbispace.core.render.Renderer;
import orbispace.core.render.SongMaterial;
import orbispace.core.render.StageCache;
import orbispace.core.time.Fit;
import orbispace.core.time.SongClock;
import orbispace.core.time.Span;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

class DrafterTest {
    private static final double RATE = 24000;
    private static final double SECONDS = 16;

    /** A tone with harmonics and soft edges, as a voice or a string has. */
    private static void tone(float[] x, double from, double seconds, double hz, double level) {
        int start = (int) (from * RATE);
        int frames = (int) (seconds * RATE);
        for (int i = 0; i < frames && start + i < x.length; i++) {
            double t = i / RATE;
            double edge = Math.min(1, Math.min(t, seconds - t) / 0.04);
            double y = 0;
            for (int h = 1; h < 9; h++) {
                y += Math.sin(2 * Math.PI * hz * h * t + h * h) / h;
            }
            x[start + i] += (float) (level * edge * y);
        }
    }

    private static void strike(float[] x, double from, double hz, double ring, double level) {
        int start = (int) (from * RATE);
        for (int i = 0; start + i < x.length && i < 4 * ring * RATE; i++) {
            double t = i / RATE;
            x[start + i] +=
                    (float)
                            (level
                                    * Math.exp(-t / ring)
                                    * (Math.sin(2 * Math.PI * hz * t)
                                            + 0.4 * Math.sin(2 * Math.PI * 2.7 * hz * t)));
        }
    }

    private static float[] silence() {
        return new float[(int) (SECONDS * RATE)];
    }

    private static Source source(String id, Role role) {
        return new Source(id, id, id + ".wav", role, 0, 0);
    }

    private record Made(Design design, SongMaterial material, SongFacts facts, Phrases phrases) {}

    private static Made made(double bpm, Map<String, float[]> stems, List<Source> sources) {
        Map<String, Audio> audio = new java.util.LinkedHashMap<>();
        stems.forEach((id, x) -> audio.put(id, Audio.of(RATE, x)));
        SongClock clock = SongClock.constant(bpm, 4, 4);
        Song song = new Song("Made", RATE, clock, List.of(new Section("All", 1, 8)));
        Phrases phrases = PhraseFinder.find(java.util.Objects.requireNonNull(audio.get("voice")));
        Audio drum = audio.get("drum");
        Hits hits = drum == null ? new Hits(List.of(), List.of()) : HitFinder.find(drum);
        Map<String, orbispace.core.material.GateKey> gates = new java.util.HashMap<>();
        if (drum != null) {
            GateKeyFinder.find(drum, hits).ifPresent(g -> gates.put("drum", g));
        }
        SongFacts facts =
                new SongFacts(
                                1,
                                OptionalDouble.of(phrases.gapSeconds(0.5)),
                                OptionalDouble.of(phrases.gapSeconds(0.25)),
                                hits.hits().size() < 2
                                        ? OptionalDouble.empty()
                                        : OptionalDouble.of(hits.intervalSeconds(0.5)),
                                gates)
                        .withBackbeat(
                                drum == null
                                        ? Optional.empty()
                                        : Optional.of(
                                                new Backbeat("drum", List.of("drum"), 8, true)));
        return new Made(
                new Design(song, sources, List.of()),
                new SongMaterial(audio, RATE),
                facts,
                phrases);
    }

    /** 120 bpm: a kick on each beat, quieter ticks between, a busy voice with short rests. */
    private static Made dance() {
        float[] drum = silence();
        float[] voice = silence();
        float[] bed = silence();
        SplittableRandom random = new SplittableRandom(3);
        for (double t = 0.25; t < SECONDS - 0.6; t += 0.5) {
            strike(drum, t, 70, 0.06, 0.5);
            int at = (int) ((t + 0.25) * RATE);
            for (int i = 0; i < 900; i++) {
                drum[at + i] += (float) (0.04 * random.nextGaussian() * Math.exp(-i / 250.0));
            }
        }
        for (double t = 0.5; t < SECONDS - 2; t += 2) {
            tone(voice, t, 1.35, 330, 0.06);
        }
        for (double t = 0; t < SECONDS; t += 2) {
            tone(bed, t, 1.95, 220, 0.015);
            tone(bed, t, 1.95, 277, 0.015);
        }
        return made(
                120,
                Map.of("drum", drum, "voice", voice, "bed", bed),
                List.of(
                        source("voice", Role.LEAD),
                        source("drum", Role.HITS),
                        source("bed", Role.HARMONY_BED)));
    }

    /** 60 bpm: a sparse voice over piano-like tones, nothing struck. */
    private static Made sparse() {
        float[] voice = silence();
        float[] keys = silence();
        for (double t = 1; t < SECONDS - 4; t += 5) {
            tone(voice, t, 2.2, 294, 0.06);
        }
        for (double t = 0; t < SECONDS - 1; t += 1) {
            strike(keys, t, 196 * Math.pow(2, (t % 4) / 6), 0.7, 0.06);
        }
        return made(
                60,
                Map.of("voice", voice, "keys", keys),
                List.of(source("voice", Role.LEAD), source("keys", Role.COLOUR)));
    }

    private static void isSensible(Made song) {
        Renderer renderer =
                new Renderer(song.material(), song.material().frames(), new StageCache(2L << 30));
        CoverAnalysis analysis = new CoverAnalysis(renderer, -20, Ear.QUIET_ROOM_POWER);
        Span span = new Span(0, SECONDS);
        double gap = song.phrases().gapSeconds(0.5);
        Source voice = song.design().findSource("voice").orElseThrow();
        for (FieldDraft draft : Drafter.drafts(song.design(), song.facts())) {
            Design with = new FieldEdit.Adopt(draft.returns(), draft.name()).applyTo(song.design());
            List<Return> set = felt(analysis, with, span);
            Design finished = new Design(with.song(), with.sources(), set);
            for (Return r : set) {
                WetState state =
                        analysis.pair(finished, voice, r, song.phrases().spans(), span, Job.QUIET)
                                .cover()
                                .state();
                assertThat(state)
                        .as("%s of %s", r.name(), draft.name())
                        .isIn(WetState.HIDDEN, WetState.FELT);
                if (r.space() instanceof Space.Reverb reverb && r.gate() == null) {
                    double down = 60 * gap / reverb.decaySeconds();
                    double least = draft.school().equals(Optional.of(School.LATE)) ? 19 : 29;
                    assertThat(down).as("%s at the gap", r.name()).isGreaterThan(least);
                }
                if (r.space() instanceof Space.Echo echo) {
                    double spacing = echo.time().seconds(with.song().clock(), r.timedAtBar());
                    assertThat(Fit.repeatsEndSeconds(spacing, echo.feedback(), 30))
                            .as("repeats within the gap")
                            .isLessThanOrEqualTo(Math.max(spacing, gap));
                }
                assertThat(draft.reasons().get(r.id())).isNotBlank();
            }
            assertThat(set).anyMatch(r -> r.space() instanceof Space.Echo);
        }
    }

    /** A draft without its filters and too loud by 6 dB, given to the solver. */
    private static void isCleared(Made song) {
        Renderer renderer =
                new Renderer(song.material(), song.material().frames(), new StageCache(2L << 30));
        CoverAnalysis analysis = new CoverAnalysis(renderer, -20, Ear.QUIET_ROOM_POWER);
        Span span = new Span(0, SECONDS);
        FieldDraft draft = Drafter.drafts(song.design(), song.facts()).get(1);
        Design with = new FieldEdit.Adopt(draft.returns(), draft.name()).applyTo(song.design());
        List<Return> loud =
                felt(analysis, with, span).stream()
                        .map(r -> r.withFilterIn(Filter.OPEN).withFilterOut(Filter.OPEN))
                        .map(r -> r.withDuck(null).withLevel(r.levelDb() + 6))
                        .toList();
        Design bare = new Design(with.song(), with.sources(), loud);
        Source voice = bare.findSource("voice").orElseThrow();
        Question q = new Question(bare, voice, "A", song.phrases(), span, false);
        Solution s = new Solver(new RemedyFinder(analysis, Targets.LEAD)).solveField(q, Job.QUIET);
        assertThat(s.after().cover().presenceKept().orElseThrow()).isGreaterThanOrEqualTo(0.85);
        assertThat(s.after().cover().worstPhrase().orElseThrow()).isGreaterThanOrEqualTo(0.80);
        Question hall = q.of(s.design()).about("B");
        Cover left =
                analysis.pair(
                                s.design(),
                                voice,
                                hall.ret(),
                                song.phrases().spans(),
                                span,
                                Job.QUIET)
                        .cover();
        assertThat(left.state()).isNotEqualTo(WetState.HIDDEN);
        assertThat(left.bloomDb()).isPresent();
        assertThat(s.steps()).allMatch(p -> p.cost().total() >= 0);
    }

    private static List<Return> felt(CoverAnalysis analysis, Design design, Span span) {
        Map<String, Double> shares = new java.util.TreeMap<>();
        design.returns().forEach(r -> shares.put(r.id(), WetState.FELT.aimShare()));
        return new StateLevels(analysis, span, Job.QUIET).leveled(design, shares).returns();
    }

    @Test
    @Tag("sweep")
    void theSolverClearsADraftThatIsBareAndLoudOnBothSongs() {
        isCleared(dance());
        isCleared(sparse());
    }

    @Test
    void aDanceLikeSongGetsShortSpacesAndAGatedDrum() {
        Made song = dance();
        isSensible(song);
        List<FieldDraft> drafts = Drafter.drafts(song.design(), song.facts());
        assertThat(drafts).hasSize(4);
        for (FieldDraft draft : drafts) {
            Return gated =
                    draft.returns().stream()
                            .filter(r -> r.gate() != null)
                            .findFirst()
                            .orElseThrow();
            assertThat(gated.sends()).containsOnlyKeys("drum");
            double threshold =
                    java.util.Objects.requireNonNull(
                                    gated.sends().values().iterator().next().gate())
                            .thresholdDb();
            assertThat(threshold).isBetween(-25.0, -8.0);
        }
    }

    @Test
    void aSparseSongGetsLongSpacesAndNoGate() {
        Made song = sparse();
        isSensible(song);
        for (FieldDraft draft : Drafter.drafts(song.design(), song.facts())) {
            assertThat(draft.returns()).noneMatch(r -> r.gate() != null);
        }
        FieldDraft shared = Drafter.drafts(song.design(), song.facts()).getFirst();
        assertThat(shared.returns().getFirst().space())
                .isInstanceOfSatisfying(
                        Space.Reverb.class, r -> assertThat(r.decaySeconds()).isGreaterThan(2));
    }

    @Test
    void bassAndWetStemsStayOutAndNothingIsSentIntoNothing() {
        Source wet = source("pad", Role.HARMONY_BED).withWet(true);
        Design design =
                new Design(
                        sparse().design().song(),
                        List.of(source("bass", Role.BASS), wet),
                        List.of());
        SongFacts none = TimeProposalsTest.NOTHING_KNOWN;
        for (FieldDraft draft : Drafter.drafts(design, none)) {
            assertThat(draft.returns()).isEmpty();
        }
    }

    @Test
    void whatIsASpaceAlreadyHearsAWholeKitOrIsEmptyIsSentNowhereAndNamed() {
        List<Source> sources =
                List.of(
                        source("voice", Role.LEAD),
                        source("room", Role.HITS).withKind(StemKind.ROOM),
                        source("over", Role.HITS).withKind(StemKind.OVERHEAD),
                        source("print", Role.COLOUR).withKind(StemKind.EFFECT),
                        source("hush", Role.COLOUR),
                        source("line", Role.COLOUR).withKind(StemKind.DIRECT));
        Song song =
                new Song(
                        "Made",
                        RATE,
                        SongClock.constant(120, 4, 4),
                        List.of(new Section("All", 1, 8)));
        SongFacts facts =
                new SongFacts(
                        1,
                        OptionalDouble.of(1),
                        OptionalDouble.of(1),
                        OptionalDouble.empty(),
                        Map.of(),
                        java.util.Set.of("hush"),
                        java.util.Set.of(),
                        java.util.Optional.empty());
        for (FieldDraft draft : Drafter.drafts(new Design(song, sources, List.of()), facts)) {
            assertThat(draft.returns())
                    .allSatisfy(r ->
                            assertThat(r.sends().keySet())
                                    .doesNotContain("room", "over", "print", "hush"));
            assertThat(draft.returns()).anyMatch(r -> r.sends().containsKey("line"));
            assertThat(draft.idea())
                    .endsWith(
                            "Sent nowhere: hush (empty); over (overhead); room (room); print"
                                    + " (effect).");
        }
    }
}
