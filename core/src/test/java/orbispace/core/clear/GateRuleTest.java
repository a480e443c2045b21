package orbispace.core.clear;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import orbispace.core.Signals;
import orbispace.core.design.Design;
import orbispace.core.design.Fields;
import orbispace.core.design.Filter;
import orbispace.core.design.Gate;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Role;
import orbispace.core.design.Setting;
import orbispace.core.design.Targets;
import orbispace.core.dynamics.DuckBand;
import orbispace.core.hearing.Ear;
import orbispace.core.hearing.Passages;
import orbispace.core.material.GateKey;
import orbispace.core.material.Phrases;
import orbispace.core.render.Job;
import orbispace.core.render.Renderer;
import orbispace.core.render.SongMaterial;
import orbispace.core.render.StageCache;
import orbispace.core.time.Span;
import org.junit.jupiter.api.Test;

class GateRuleTest {
    private static final double RATE = 48000;
    private static final double SECONDS = 8;

    /** Strokes each second, with fainter ones of another instrument between them. */
    private static float[] drum() {
        float[] x = new float[(int) (SECONDS * RATE)];
        float[] stroke = Signals.noise(0.05, 200, 6000, 0.12, RATE, 5);
        for (double t = 0.25; t < SECONDS - 0.2; t += 0.5) {
            boolean hit = Math.round((t - 0.25) * 2) % 2 == 0;
            int at = (int) (t * RATE);
            for (int i = 0; i < stroke.length; i++) {
                x[at + i] += (float) ((hit ? 1 : 0.12) * stroke[i] * Math.exp(-i / (0.02 * RATE)));
            }
        }
        return x;
    }

    private static List<Proposal> proposals(Return room) {
        return new RemedyFinder(analysis(), Targets.LEAD)
                .propose(question(room), Job.QUIET).stream()
                        .filter(p -> p.kind() == Setting.GATE)
                        .toList();
    }

    private static CoverAnalysis analysis() {
        SongMaterial material =
                new SongMaterial(
                        Map.of(
                                "voice",
                                Signals.mono(
                                        RATE, Signals.noise(0.002, 200, 6000, SECONDS, RATE, 1)),
                                "drum",
                                Signals.mono(RATE, drum())),
                        RATE);
        Renderer renderer = new Renderer(material, material.frames(), new StageCache(1L << 28));
        return new CoverAnalysis(renderer, -20, 10);
    }

    private static Question question(Return room) {
        Design design =
                new Design(
                        Fields.song(120),
                        List.of(
                                Fields.source("voice", Role.LEAD),
                                Fields.source("drum", Role.HITS)),
                        List.of(room));
        Phrases phrases =
                Phrases.found(
                        List.of(new Span(0, 3.5), new Span(4.2, 7.8)),
                        List.of(),
                        new Phrases.Levels(-80, -50, -20));
        return new Question(
                design, design.sources().getFirst(), "A", phrases, new Span(0, SECONDS), false);
    }

    private static Return room(Map<String, Double> sends) {
        return Fields.hall("A", 1.6, sends).withFilterOut(Filter.OPEN).withLevel(8);
    }

    @Test
    void aSpaceOfHitsIsGatedBetweenHitsAndBleedBeforeTheNextOne() {
        List<Proposal> gates = proposals(room(Map.of("drum", 0.0)));
        assertThat(gates).hasSize(1);
        Gate gate =
                java.util.Objects.requireNonNull(
                        ((ReturnEdit.Gating) gates.getFirst().edit()).gate());
        assertThat(gate.key()).isEqualTo("drum");
        double open =
                java.util.Objects.requireNonNull(gate.length())
                        .seconds(Fields.song(120).clock(), 1);
        assertThat(open).isLessThanOrEqualTo(0.97);
        assertThat(gates.getFirst().presenceGain()).isPositive();
        assertThat(gates.getFirst().cost().decayShare()).isCloseTo(1 - open / 1.6, within(1e-6));
        assertThat(gates.getFirst().why()).contains("dB apart").contains("next hit");
    }

    @Test
    void aGateStaysOpenForTheLongestNoteThatEndsInTimeAndSaysWhereItOpens() {
        CoverAnalysis analysis = analysis();
        Standing covered =
                new Standing(
                        TriedReturn.cover(0.5, 0.5, 0.02), java.util.OptionalDouble.empty(), 0);
        GateKey key = analysis.gateKey(Fields.source("drum", Role.HITS)).orElseThrow();
        // A tail of 0.53 s leaves 30 ms behind a quarter of half a second, one of 0.52 does not.
        for (double[] c : new double[][] {{2, 750}, {0.53, 500}, {0.52, 375}, {0.3, 250}}) {
            Return room = Fields.hall("A", c[0], Map.of("drum", 0.0)).withFilterOut(Filter.OPEN);
            Candidate found =
                    new GateRule()
                            .find(question(room), covered, Targets.LEAD, analysis, Job.QUIET)
                            .orElseThrow();
            Gate gate = java.util.Objects.requireNonNull(((ReturnEdit.Gating) found.edit()).gate());
            assertThat(gate.thresholdDb()).isCloseTo(key.thresholdDb(), within(0.05 + 1e-9));
            assertThat(gate.hysteresisDb()).isCloseTo(key.hysteresisDb(), within(0.05 + 1e-9));
            assertThat(10 * gate.thresholdDb())
                    .isCloseTo(Math.rint(10 * gate.thresholdDb()), within(1e-6));
            assertThat(found.change())
                    .isEqualTo("Gate by drum, %.0f ms from each hit".formatted(c[1]));
            double interval = key.events().intervalSeconds(0.5);
            assertThat(found.why())
                    .isEqualTo(
                            ("its hits and its bleed are %.0f dB apart, the threshold of %s dBFS"
                                            + " lies between them; the next hit comes after %.0f"
                                            + " ms")
                                    .formatted(
                                            key.separationDb(),
                                            Candidate.level(gate.thresholdDb()),
                                            1000 * interval));
            assertThat(found.decayShare())
                    .isCloseTo(Math.max(0.02, 1 - c[1] / 1000 / c[0]), within(1e-9));
        }
    }

    @Test
    void aSpaceThatAVoiceSharesIsNotChopped() {
        assertThat(proposals(room(Map.of("drum", 0.0, "voice", -3.0)))).isEmpty();
        assertThat(proposals(room(Map.of("voice", 0.0)))).isEmpty();
    }

    @Test
    void aKeysBandIsWhereItIsHeard() {
        Ear ear = new Ear(RATE, 98);
        var noise = ear.hear(Signals.mono(RATE, Signals.noise(0.001, 400, 2500, 2, RATE, 3)));
        Passages all =
                Passages.ofPhrases(List.of(new Span(0, 2)), noise.frames(), ear.framesPerSecond());
        DuckBand band = KeyBand.of(noise, all);
        assertThat(band.lowHz()).isBetween(300.0, 700.0);
        assertThat(band.highHz()).isBetween(1700.0, 3200.0);
        assertThat(KeyBand.share(band)).isBetween(0.2, 0.7);
        assertThat(KeyBand.share(new DuckBand(50, 15000))).isGreaterThan(KeyBand.share(band));
        for (double outside : KeyBand.outside(band)) {
            assertThat(outside).isBetween(0.0, 1.0);
        }
        DuckBand none = KeyBand.of(noise, Passages.ofPhrases(List.of(), noise.frames(), 90));
        assertThat(none.highHz()).isGreaterThan(none.lowHz());
    }
}
