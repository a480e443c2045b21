package orbispace.core.prove.court;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import orbispace.core.audio.Audio;
import orbispace.core.clear.CoverAnalysis;
import orbispace.core.design.Design;
import orbispace.core.design.Purpose;
import orbispace.core.design.Return;
import orbispace.core.design.Role;
import orbispace.core.design.Section;
import orbispace.core.design.Song;
import orbispace.core.design.Source;
import orbispace.core.draft.School;
import orbispace.core.hearing.Cover;
import orbispace.core.hearing.Ear;
import orbispace.core.hearing.WetState;
import orbispace.core.material.Silhouette;
import orbispace.core.material.StemFacts;
import orbispace.core.material.kit.KitFinder;
import orbispace.core.prove.Severity;
import orbispace.core.prove.stem.KitFound;
import orbispace.core.render.Job;
import orbispace.core.render.Renderer;
import orbispace.core.render.SongMaterial;
import orbispace.core.render.StageCache;
import orbispace.core.time.Span;
import org.junit.jupiter.api.Test;

/** A voice over a bed, with a kick and a snare on two microphones that hear each other. */
class CourtTest {
    private static final double RATE = 24000;
    private static final double SECONDS = 25;
    private static final Map<String, Audio> AUDIO = audio();
    private static final Design SONG =
            new Design(
                    new Song(
                            "Tide",
                            RATE,
                            orbispace.core.time.SongClock.constant(120, 4, 4),
                            List.of(new Section("All", 1, 12))),
                    List.of(
                            source("voice", Role.LEAD),
                            source("pad", Role.HARMONY_BED),
                            source("kick", Role.HITS),
                            source("snare-top", Role.HITS),
                            source("snare-bot", Role.HITS)),
                    List.of());
    private static final Renderer RENDERER = renderer();
    private static final CoverAnalysis ANALYSIS =
            new CoverAnalysis(RENDERER, -20, Ear.QUIET_ROOM_POWER);
    private static final List<Passed> PASSED =
            new Court(SONG, ANALYSIS, RENDERER, facts(), Job.QUIET).all(1);

    private static Source source(String id, Role role) {
        return new Source(id, id.replace('-', ' '), id + ".wav", role, 0, 0);
    }

    private static Renderer renderer() {
        SongMaterial material = new SongMaterial(AUDIO, RATE);
        return new Renderer(material, material.frames(), new StageCache(1L << 29));
    }

    private static Map<String, Audio> audio() {
        SplittableRandom random = new SplittableRandom(7);
        int n = (int) (SECONDS * RATE);
        float[] voice = new float[n];
        float[] pad = new float[n];
        float[] kick = new float[n];
        float[] snare = new float[n];
        for (double t = 0.5; t < SECONDS - 3; t += 3.2) {
            for (int i = 0; i < 1.8 * RATE; i++) {
                double s = i / RATE;
                double syllable = Math.min(1, Math.min(s % 0.3, 0.3 - s % 0.3) / 0.03);
                double y = 0;
                for (int k = 1; k < 12; k++) {
                    y += Math.sin(2 * Math.PI * 190 * k * s) / k;
                }
                voice[(int) (t * RATE) + i] += (float) (0.07 * syllable * y);
            }
        }
        for (int i = 0; i < n; i++) {
            double s = i / RATE;
            pad[i] = (float) (0.02 * (Math.sin(1382 * s) + Math.sin(1741 * s)));
            kick[i] = (float) (1e-5 * random.nextGaussian());
            snare[i] = (float) (1e-5 * random.nextGaussian());
        }
        for (int beat = 0; beat < 2 * SECONDS - 3; beat++) {
            float[] drum = beat % 2 == 0 ? kick : snare;
            for (int i = 0; i < 0.3 * RATE; i++) {
                double s = i / RATE;
                double low = Math.sin(2 * Math.PI * (beat % 2 == 0 ? 60 : 190) * s);
                double noise = random.nextGaussian() * Math.exp(-s / 0.03);
                drum[(int) (0.5 * beat * RATE) + 30 + i] +=
                        (float) (0.4 * Math.exp(-s / 0.06) * (low + 0.5 * noise));
            }
        }
        Map<String, Audio> all = new LinkedHashMap<>();
        all.put("voice", Audio.of(RATE, voice));
        all.put("pad", Audio.of(RATE, pad));
        all.put("kick", mixed(kick, snare, 0.1));
        all.put("snare-top", mixed(snare, kick, 0.1));
        all.put("snare-bot", mixed(snare, kick, 0.15));
        return all;
    }

    private static Audio mixed(float[] own, float[] other, double bleed) {
        float[] x = own.clone();
        for (int i = 60; i < x.length; i++) {
            x[i] += (float) (bleed * other[i - 60]);
        }
        return Audio.of(RATE, x);
    }

    private static Map<String, StemFacts> facts() {
        Map<String, StemFacts> facts = new HashMap<>();
        AUDIO.forEach((id, a) -> {
            boolean hits = !id.equals("voice") && !id.equals("pad");
            facts.put(
                    id, StemFacts.measure(a, Silhouette.of(a), new StemFacts.Wanted(!hits, hits)));
        });
        List<String> kit = List.of("kick", "snare-top", "snare-bot");
        KitFound found =
                new KitFound(
                        kit,
                        KitFinder.find(
                                kit.stream().map(AUDIO::get).toList(),
                                List.of("kick", "snare", "snare")));
        facts.replaceAll(found::facts);
        return facts;
    }

    @Test
    void noDraftLeavesAnythingToActOnOrWeighAndEachReachesWhatIsAsked() {
        assertThat(PASSED)
                .extracting(p -> p.school().orElseThrow())
                .containsExactly(School.values());
        for (Passed p : PASSED) {
            assertThat(p.left(Severity.ACT) + p.left(Severity.WEIGH)).as(p.draft().name()).isZero();
            assertThat(p.cleared()).isTrue();
            assertThat(p.presence()).isGreaterThanOrEqualTo(0.85);
            assertThat(p.verdicts()).isNotEmpty();
            for (Verdict v : p.verdicts()) {
                assertThat(v.met()).as(v.why()).isTrue();
                assertThat(v.ret().levelDb()).as("nothing stands at a cap").isLessThanOrEqualTo(0);
                assertThat(v.why()).contains("% of the loudness: " + v.reached().label());
            }
        }
    }

    @Test
    void theStatesThatAreToldAreThoseOfTheEarAtItsFullRate() {
        Span whole = new Span(0, SECONDS);
        Source voice = SONG.sources().getFirst();
        for (Passed p : PASSED) {
            for (Verdict v : p.verdicts()) {
                Cover full =
                        ANALYSIS.pair(p.design(), voice, v.ret(), List.of(), whole, Job.QUIET)
                                .cover();
                assertThat(full.wetShare()).isCloseTo(v.share(), within(0.04 * v.share() + 2e-4));
                assertThat(WetState.of(full.wetShare())).isEqualTo(v.asked());
            }
        }
    }

    private static Return drums(Passed p) {
        return p.verdicts().stream()
                .filter(v -> v.purpose() == Purpose.DRUMS)
                .findFirst()
                .orElseThrow()
                .ret();
    }

    @Test
    void theDrumSpaceHearsTheBackbeatAloneAndNoBleed() {
        for (Passed p : PASSED) {
            Return drums = drums(p);
            assertThat(drums.sends()).containsOnlyKeys("snare-top", "snare-bot");
            Audio wet = RENDERER.wet(p.design(), drums, Job.QUIET);
            double strokes = 0;
            double bleed = 0;
            for (int beat = 4; beat < 40; beat++) {
                int from = (int) ((0.5 * beat + 0.02) * RATE);
                double power = wet.slice(from, from + (int) (0.2 * RATE)).meanSquare();
                if (beat % 2 == 1) {
                    strokes += power;
                } else {
                    bleed += power;
                }
            }
            assertThat(10 * Math.log10(bleed / strokes)).isLessThan(-40);
        }
    }

    @Test
    void theBestHasFewestFaultsAndSaysByWhatRule() {
        BestDraft best = BestDraft.of(PASSED).orElseThrow();
        double most = PASSED.stream().mapToDouble(Passed::worstPhrase).max().orElseThrow();
        assertThat(best.passed().worstPhrase()).isCloseTo(most, within(0.0101));
        assertThat(best.rule()).contains("0 findings left and states missed", "of 4 drafts");
        assertThat(BestDraft.of(List.of())).isEmpty();
    }

    @Test
    void oneSchoolAloneComesOutAsItDoesAmongAll() {
        Passed late = new Court(SONG, ANALYSIS, RENDERER, facts(), Job.QUIET).one(School.LATE, 1);
        assertThat(late.design()).isEqualTo(PASSED.getLast().design());
    }
}
