package orbispace.core.clear;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import orbispace.core.Signals;
import orbispace.core.audio.Audio;
import orbispace.core.design.Design;
import orbispace.core.design.Fields;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Role;
import orbispace.core.hearing.Excitation;
import orbispace.core.hearing.HearingModel;
import orbispace.core.render.Depth;
import orbispace.core.render.DepthMeter;
import orbispace.core.render.Job;
import orbispace.core.render.Renderer;
import orbispace.core.render.SongMaterial;
import orbispace.core.render.StageCache;
import orbispace.core.time.Span;
import org.junit.jupiter.api.Test;

class HeardDepthTest {
    private static final double RATE = 48000;
    private static final double SECONDS = 0.6;
    private static final double ROOM = 10;
    private static final Span ALL = new Span(0, SECONDS);
    private static final Map<String, Audio> STEMS =
            Map.of(
                    "voice", words(1),
                    "bed", words(2),
                    "deep", noise(0.002, 80, 250, 6),
                    "bright", noise(0.002, 3000, 7000, 7),
                    "wall", noise(0.2, 200, 5000, 3));

    private static Audio noise(double power, double low, double high, int seed) {
        return Signals.mono(RATE, Signals.noise(power, low, high, SECONDS, RATE, seed));
    }

    /** A tenth of a second on, a tenth off, so that the space is heard between. */
    private static Audio words(int seed) {
        float[] x = Signals.noise(0.002, 300, 3000, SECONDS, RATE, seed);
        for (int i = 0; i < x.length; i++) {
            x[i] *= i / 4800 % 2 == 0 ? 1 : 0;
        }
        return Signals.mono(RATE, x);
    }

    private static SongMaterial material(Design design) {
        Map<String, Audio> audio = new java.util.TreeMap<>(STEMS);
        audio.keySet().retainAll(design.sources().stream().map(s -> s.id()).toList());
        return new SongMaterial(audio, RATE);
    }

    private static CoverAnalysis analysis(Design design) {
        return new CoverAnalysis(
                new Renderer(material(design), (int) (SECONDS * RATE), new StageCache(1L << 28)),
                -20,
                ROOM);
    }

    private static HeardDepth heard(Design design) {
        Map<String, Depth> depths = new DepthMeter().measure(design, material(design), Job.QUIET);
        return HeardDepth.of(analysis(design), design, depths, ALL, Job.QUIET);
    }

    private static Design design(Map<String, Double> sends, String... sources) {
        return new Design(
                Fields.song(120),
                java.util.Arrays.stream(sources).map(s -> Fields.source(s, Role.LEAD)).toList(),
                List.of(Fields.hall("A", 0.8, sends)));
    }

    private static double sones(Excitation of, Excitation beside) {
        double sum = 0;
        for (int f = 0; f < of.frames(); f++) {
            for (int b = 0; b < HearingModel.BANDS; b++) {
                sum += HearingModel.partialLoudness(b, of.at(f, b), beside.at(f, b) + ROOM);
            }
        }
        return sum;
    }

    @Test
    void ofOneSourceItIsTheLoudnessOfTheWetOverThatOfTheDry() {
        Design design = design(Map.of("voice", -6.0), "voice");
        CoverAnalysis analysis = analysis(design);
        Excitation dry =
                analysis.slice(analysis.song().dry(design, design.sources().getFirst()), ALL);
        Excitation wet =
                analysis.slice(analysis.wet(design, design.requireReturn("A"), Job.QUIET), ALL);
        double ratio = sones(wet, dry) / sones(dry, wet);
        assertThat(dry.frames()).isLessThan(64);
        assertThat(heard(design).distance("voice").orElseThrow()).isCloseTo(ratio, within(1e-6));
    }

    @Test
    void strokesOnTheGridOfItsFramesAreNotMissed() {
        int seconds = 6;
        float[] x = Signals.noise(0.01, 300, 6000, seconds, RATE, 5);
        CoverAnalysis probe = analysis(design(Map.of("voice", -6.0), "voice"));
        double every = seconds * probe.framesPerSecond() / 64;
        int period = (int) Math.round(every * RATE / probe.framesPerSecond());
        for (int i = 0; i < x.length; i++) {
            x[i] *= i % period < period / 8 ? 1 : 0;
        }
        Span all = new Span(0, seconds);
        SongMaterial material = new SongMaterial(Map.of("voice", Signals.mono(RATE, x)), RATE);
        Design design = design(Map.of("voice", -6.0), "voice");
        CoverAnalysis analysis =
                new CoverAnalysis(
                        new Renderer(material, (int) (seconds * RATE), new StageCache(1L << 28)),
                        -20,
                        ROOM);
        Excitation dry =
                analysis.slice(analysis.song().dry(design, design.sources().getFirst()), all);
        Excitation wet =
                analysis.slice(analysis.wet(design, design.requireReturn("A"), Job.QUIET), all);
        assertThat(dry.frames()).isGreaterThan(512);
        double ratio = sones(wet, dry) / sones(dry, wet);
        Map<String, Depth> depths = new DepthMeter().measure(design, material, Job.QUIET);
        assertThat(
                        HeardDepth.of(analysis, design, depths, all, Job.QUIET)
                                .distance("voice")
                                .orElseThrow())
                .isCloseTo(ratio, within(0.1 * ratio));
    }

    @Test
    void twoThatAreSentAlikeStandAlikeAndWhatIsMaskedPushesNobodyBack() {
        HeardDepth two = heard(design(Map.of("voice", -6.0, "bed", -6.0), "voice", "bed"));
        double voice = two.distance("voice").orElseThrow();
        assertThat(two.distance("bed").orElseThrow()).isCloseTo(voice, within(0.2 * voice));
        Design walled = design(Map.of("voice", -6.0), "voice", "wall");
        Design open = design(Map.of("voice", -6.0), "voice");
        double far = heard(open).distance("voice").orElseThrow();
        double near = heard(walled).distance("voice").orElseThrow();
        assertThat(near).isLessThan(0.7 * far);
        DepthMeter meter = new DepthMeter();
        double energy = distance(meter.measure(open, material(open), Job.QUIET));
        assertThat(distance(meter.measure(walled, material(walled), Job.QUIET)))
                .isCloseTo(energy, within(1e-9));
    }

    private static double distance(Map<String, Depth> depths) {
        return java.util.Objects.requireNonNull(depths.get("voice"))
                .criticalDistances()
                .orElseThrow();
    }

    @Test
    void ofASharedReturnEachHasItsOwnBands() {
        HeardDepth shared = heard(design(Map.of("deep", -6.0, "bright", -6.0), "deep", "bright"));
        for (String one : List.of("deep", "bright")) {
            double alone =
                    heard(design(Map.of(one, -6.0), "deep", "bright")).distance(one).orElseThrow();
            assertThat(shared.distance(one).orElseThrow()).isCloseTo(alone, within(0.3 * alone));
        }
    }

    @Test
    void aDistanceThatIsSoughtIsHeardWhenTheSendsHaveMoved() {
        Design design = design(Map.of("voice", -12.0, "bed", -6.0), "voice", "bed");
        HeardDepth heard = heard(design);
        double wanted = 1.6 * heard.distance("voice").orElseThrow();
        double by = heard.movedFor("voice", wanted).orElseThrow();
        assertThat(by).isGreaterThan(1);
        Design moved = design;
        for (Map.Entry<String, Double> e : Depth.sendsMoved(design, "voice", by).entrySet()) {
            moved = new ReturnEdit.SendLevel(e.getKey(), "voice", e.getValue()).applyTo(moved);
        }
        assertThat(heard(moved).distance("voice").orElseThrow())
                .isCloseTo(wanted, within(0.05 * wanted));
    }

    @Test
    void whoIsSentNowhereHasNoDistance() {
        HeardDepth heard = heard(design(Map.of("voice", -6.0), "voice", "bed"));
        assertThat(heard.distance("bed")).isEmpty();
        assertThat(heard.movedFor("bed", 1)).isEmpty();
        assertThat(heard.distance("nobody")).isEmpty();
    }
}
