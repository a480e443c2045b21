package orbispace.core.candidate;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import orbispace.core.Signals;
import orbispace.core.audio.Audio;
import orbispace.core.clear.CoverAnalysis;
import orbispace.core.design.Design;
import orbispace.core.design.Fields;
import orbispace.core.design.Return;
import orbispace.core.design.Role;
import orbispace.core.design.Space;
import orbispace.core.render.Job;
import orbispace.core.render.LiveField;
import orbispace.core.render.LiveMix;
import orbispace.core.render.LiveSettings;
import orbispace.core.render.Renderer;
import orbispace.core.render.SongMaterial;
import orbispace.core.render.StageCache;
import orbispace.core.time.Span;
import org.junit.jupiter.api.Test;

class EqualShareTest {
    private static final double RATE = 48000;
    private static final double SECONDS = 3;
    private static final Span ALL = new Span(0, SECONDS);

    private static final Map<String, Audio> STEMS =
            Map.of(
                    "voice", bursts(300, 4000, 1),
                    "keys", bursts(200, 2000, 2));

    /** Half a second on, a quarter off. */
    private static Audio bursts(double low, double high, int seed) {
        float[] x = Signals.noise(0.003, low, high, SECONDS, RATE, seed);
        for (int i = 0; i < x.length; i++) {
            x[i] *= i / 12000 % 3 == 2 ? 0 : 1;
        }
        return Signals.mono(RATE, x);
    }

    private static Design design(Return r) {
        Return echo = Fields.echo("B", "1/8", 0.3, Map.of("keys", -12.0)).withLevel(-9);
        return new Design(
                Fields.song(120),
                List.of(Fields.source("voice", Role.LEAD), Fields.source("keys", Role.BACKING)),
                List.of(r, echo));
    }

    private static Renderer renderer() {
        return new Renderer(
                new SongMaterial(STEMS, RATE), (int) (SECONDS * RATE), new StageCache(1L << 28));
    }

    private static List<Candidate> bench(Design design, String id) {
        EqualShare share = new EqualShare(new CoverAnalysis(renderer(), -20, 10), design, id, ALL);
        List<Candidate> all = new ArrayList<>();
        all.add(share.asItStands(Job.QUIET));
        double wanted = all.getFirst().share();
        for (Candidate.Tried t : CandidateIdeas.of(design, design.requireReturn(id))) {
            all.add(share.at(t, wanted, Job.QUIET));
        }
        return all;
    }

    @Test
    void allCandidatesHaveOneWetShareMeasuredAnew() {
        Design design = design(Fields.hall("A", 1.2, Map.of("voice", -6.0, "keys", -9.0)));
        List<Candidate> all = bench(design, "A");
        all.addAll(bench(design, "B"));
        assertThat(all).hasSizeGreaterThanOrEqualTo(13);
        for (Candidate c : all) {
            double wanted = c.ret().id().equals("A") ? all.getFirst().share() : share(all, "B");
            Design tried = design.withReturn(c.ret());
            CoverAnalysis anew = new CoverAnalysis(renderer(), -20, 10);
            double measured =
                    anew.pair(
                                    tried,
                                    tried.sources().getFirst(),
                                    c.ret(),
                                    List.of(ALL),
                                    ALL,
                                    Job.QUIET)
                            .cover()
                            .wetShare();
            assertThat(measured).as(c.name()).isCloseTo(c.share(), within(1e-6));
            assertThat(measured).as(c.name()).isCloseTo(wanted, within(EqualShare.CLOSE));
            assertThat(c.reached()).isTrue();
        }
        assertThat(all.stream().map(c -> c.ret().levelDb()).distinct().count()).isGreaterThan(6);
    }

    private static double share(List<Candidate> all, String id) {
        return all.stream().filter(c -> c.ret().id().equals(id)).findFirst().orElseThrow().share();
    }

    @Test
    void whatNoLevelMakesLoudEnoughIsSaid() {
        Design design = design(Fields.hall("A", 1.2, Map.of("voice", -6.0)));
        EqualShare share = new EqualShare(new CoverAnalysis(renderer(), -20, 10), design, "A", ALL);
        Return faint = Fields.hall("A", 1.2, Map.of("voice", -80.0));
        Candidate c = share.at(new Candidate.Tried("faint", faint), 0.05, Job.QUIET);
        assertThat(c.reached()).isFalse();
        assertThat(c.ret().levelDb()).isCloseTo(12, within(0.02));
        assertThat(c.words()).contains("no level makes it as loud as asked");
    }

    @Test
    void ideasAreOtherKindsAndLengthsAndNotesThatDifferFromWhatStands() {
        Design design = design(Fields.hall("A", 1.2, Map.of("voice", -6.0)));
        List<Candidate.Tried> hall = CandidateIdeas.of(design, design.requireReturn("A"));
        assertThat(hall.stream().map(Candidate.Tried::name))
                .containsExactly(
                        "room", "chamber", "plate", "vast", "decay \u00d70.7", "decay \u00d71.4");
        for (Candidate.Tried t : hall.subList(0, 4)) {
            assertThat(((Space.Reverb) t.ret().space()).decaySeconds()).isEqualTo(1.2);
            assertThat(t.ret().sends()).isEqualTo(design.requireReturn("A").sends());
        }
        List<Candidate.Tried> echo = CandidateIdeas.of(design, design.requireReturn("B"));
        assertThat(echo.stream().map(Candidate.Tried::name))
                .containsExactlyInAnyOrder("echo", "stereo echo", "1/16.", "1/4t", "1/8t", "1/8.");
    }

    @Test
    void eightCandidatesFlipUnderTheDryWithoutAGapOrAClick() {
        float[] tone = Signals.sine(330, 0.2, SECONDS, RATE);
        SongMaterial material =
                new SongMaterial(
                        Map.of("voice", Signals.mono(RATE, tone), "keys", Signals.mono(RATE, tone)),
                        RATE);
        Design design = design(Fields.hall("A", 0.8, Map.of("voice", -24.0)));
        List<Candidate> eight = new ArrayList<>(bench(design, "A"));
        eight.add(new Candidate("again", eight.get(2).ret().withLevel(-4), 0, true));
        int block = 256;
        LiveSettings.Hearing plain = new LiveSettings.Hearing(Map.of(), Map.of(), false, 1, null);
        List<LiveMix> mixes =
                eight.stream()
                        .map(c ->
                                new LiveMix(
                                        LiveSettings.of(
                                                design.withReturn(c.ret()), material, plain),
                                        block))
                        .toList();
        LiveField field = new LiveField(block);
        float[] l = new float[block];
        float[] r = new float[block];
        double most = 0;
        double last = 0;
        int blocks = (int) (SECONDS * RATE / block) - 1;
        for (int b = 0; b < blocks; b++) {
            field.set(mixes.get(b / 60 % mixes.size()));
            field.process(b * block, l, r, block);
            double power = 0;
            for (int i = 0; i < block; i++) {
                most = b > 20 ? Math.max(most, Math.abs(l[i] - last)) : most;
                last = l[i];
                power += l[i] * l[i] / block;
            }
            if (b > 20) {
                // Two sources of 0.2 in the middle: the dry alone has 0.02 on each side.
                assertThat(10 * Math.log10(power / 0.04)).as("block %d", b).isGreaterThan(-1.5);
            }
        }
        double steepest = 2 * Math.PI * 330 / RATE * 0.2 * Math.sqrt(2);
        assertThat(most).isLessThan(1.6 * steepest);
    }
}
