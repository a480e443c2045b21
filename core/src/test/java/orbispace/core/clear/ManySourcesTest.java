package orbispace.core.clear;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import orbispace.core.Signals;
import orbispace.core.audio.Audio;
import orbispace.core.audio.Decibels;
import orbispace.core.design.Design;
import orbispace.core.design.Fields;
import orbispace.core.design.Role;
import orbispace.core.design.Source;
import orbispace.core.measure.LoudnessMeter;
import orbispace.core.render.Job;
import orbispace.core.render.Renderer;
import orbispace.core.render.SongMaterial;
import orbispace.core.render.StageCache;
import orbispace.core.time.Span;
import org.junit.jupiter.api.Test;

/** Songs of so many sources, or so long, that not all is heard one by one and at once. */
class ManySourcesTest {
    private static final double RATE = 16000;

    private static Renderer renderer(Map<String, Audio> audio) {
        SongMaterial material = new SongMaterial(audio, RATE);
        return new Renderer(material, material.frames(), new StageCache(1L << 27));
    }

    /** A voice beside a noise that so many others play one after the other. */
    private static double presence(int others) {
        Map<String, Audio> audio = new HashMap<>();
        List<Source> sources = new ArrayList<>();
        audio.put("voice", Signals.mono(RATE, Signals.noise(0.05, 300, 3000, 4, RATE, 1)));
        sources.add(Fields.source("voice", Role.LEAD));
        float[] noise = Signals.noise(0.02, 200, 4000, 4, RATE, 2);
        for (int i = 0; i < others; i++) {
            String id = "other" + i;
            float[] turn = new float[noise.length];
            int from = noise.length * i / others;
            System.arraycopy(noise, from, turn, from, noise.length * (i + 1) / others - from);
            audio.put(id, Signals.mono(RATE, turn));
            sources.add(Fields.source(id, Role.HARMONY_BED));
        }
        Design design =
                new Design(
                        Fields.song(120, RATE),
                        sources,
                        List.of(Fields.hall("A", 1.5, Map.of("voice", 0.0))));
        CoverAnalysis analysis = new CoverAnalysis(renderer(audio), -20, 10);
        return analysis.pair(
                        design,
                        sources.getFirst(),
                        design.returns().getFirst(),
                        List.of(new Span(0, 3)),
                        new Span(0, 4),
                        Job.QUIET)
                .cover()
                .presenceKept()
                .orElseThrow();
    }

    @Test
    void aSongOfManySourcesIsHeardAsOneOfFewThatSoundAlike() {
        assertThat(presence(30)).isCloseTo(presence(6), within(0.02)).isBetween(0.4, 0.8);
    }

    @Test
    void whatIsLeftOfManyIsTheSumOfTheOthers() {
        Map<String, Audio> audio = new HashMap<>();
        List<Source> sources = new ArrayList<>();
        for (int i = 0; i < 20; i++) {
            audio.put("s" + i, Signals.mono(RATE, Signals.noise(0.1, 100, 6000, 0.5, RATE, i)));
            sources.add(Fields.source("s" + i, Role.COLOUR));
        }
        Design design = new Design(Fields.song(120, RATE), sources, List.of());
        Renderer renderer = renderer(audio);
        float[] less = renderer.dryBut(design, sources.subList(3, 4)).channel(0);
        List<Source> others = new ArrayList<>(sources);
        others.remove(3);
        float[] sum = renderer.dry(design, others).channel(0);
        for (int i = 0; i < sum.length; i++) {
            assertThat(less[i]).isCloseTo(sum[i], within(1e-5f));
        }
    }

    @Test
    void theLevelOfALongMixIsEstimatedFromStretchesOfIt() {
        float[] x = Signals.noise(0.1, 100, 6000, 120, RATE, 3);
        // Verses and choruses: 6 dB up every other 15 s.
        for (int i = 0; i < x.length; i++) {
            x[i] *= (float) Decibels.toAmplitude((int) (i / RATE / 15) % 2 == 0 ? -12 : -6);
        }
        Audio whole = Signals.mono(RATE, x);
        Design design =
                new Design(
                        Fields.song(120, RATE),
                        List.of(Fields.source("all", Role.LEAD)),
                        List.of());
        Renderer renderer = renderer(Map.of("all", whole));
        double real = LoudnessMeter.measure(renderer.dryMix(design)).integratedLufs().orElseThrow();
        assertThat(ListeningLevel.estimate(renderer, design, Job.QUIET).orElseThrow())
                .isCloseTo(real, within(0.5));
        assertThat(
                        ListeningLevel.estimate(
                                renderer(Map.of("all", whole.slice(0, (int) (20 * RATE)))),
                                design,
                                Job.QUIET))
                .isPresent();
    }
}
