package orbispace.core.clear;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import orbispace.core.Signals;
import orbispace.core.audio.Audio;
import orbispace.core.design.Design;
import orbispace.core.design.Fields;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Role;
import orbispace.core.design.SourcesEdit;
import orbispace.core.hearing.Ear;
import orbispace.core.hearing.Excitation;
import orbispace.core.hearing.HearingModel;
import orbispace.core.render.Job;
import orbispace.core.render.Renderer;
import orbispace.core.render.SongMaterial;
import orbispace.core.render.StageCache;
import orbispace.core.time.Span;
import org.junit.jupiter.api.Test;

class PartMatchTest {
    private static final double RATE = 48000;
    private static final double SECONDS = 0.5;
    private static final Span ALL = new Span(0, SECONDS);
    private static final double ROOM = 10;
    private static final List<String> IDS = List.of("voice", "harmony", "organ", "drum");

    private static SongMaterial material(Random random) {
        Map<String, Audio> stems = new java.util.TreeMap<>();
        for (String id : IDS) {
            double low = 150 * Math.pow(2, 4 * random.nextDouble());
            double power = 0.02 * Math.pow(10, -1.5 * random.nextDouble());
            float[] x = Signals.noise(power, low, 4 * low, SECONDS, RATE, random.nextInt(1 << 20));
            int period = 3000 + random.nextInt(6000);
            for (int i = 0; i < x.length; i++) {
                x[i] *= i % period < period / 2 ? 1 : 0.05f;
            }
            stems.put(id, Signals.mono(RATE, x));
        }
        return new SongMaterial(stems, RATE);
    }

    private static Design song() {
        return new Design(
                Fields.song(120),
                IDS.stream().map(id -> Fields.source(id, Role.LEAD)).toList(),
                List.of(
                        Fields.hall("A", 0.5, Map.of("voice", -9.0, "organ", -6.0)),
                        Fields.hall("B", 0.3, Map.of("voice", -12.0, "harmony", -9.0))));
    }

    private static Design changed(Design from, Random random) {
        Design to = from;
        for (Return r : from.returns()) {
            for (String id : r.sends().keySet()) {
                double db = -24 + 24 * random.nextDouble();
                to = new ReturnEdit.SendLevel(r.id(), id, db).applyTo(to);
            }
        }
        for (String id : IDS) {
            to = at(to, id, 6 - 12 * random.nextDouble());
        }
        return to;
    }

    private static Design at(Design design, String id, double db) {
        return new SourcesEdit(
                        design.sources().stream()
                                .map(s -> s.id().equals(id) ? s.withGain(db) : s)
                                .toList(),
                        id)
                .applyTo(design);
    }

    /** The field with a part of it at another fader; all sends lie behind it. */
    private static Design faded(Design design, Set<String> part, double db) {
        Design to = design;
        for (String id : part) {
            to = at(to, id, design.findSource(id).orElseThrow().gainDb() + db);
        }
        return to;
    }

    /** Partial loudness of a part, by rendering it with nothing else, and everything without it. */
    private static double sones(SongMaterial material, Design design, Set<String> part) {
        Ear ear = new Ear(RATE, 98);
        Excitation own = ear.hear(mix(material, design, part, true));
        Excitation beside = ear.hear(mix(material, design, part, false));
        double sum = 0;
        for (int f = 0; f < own.frames(); f++) {
            for (int b = 0; b < HearingModel.BANDS; b++) {
                sum += HearingModel.partialLoudness(b, own.at(f, b), beside.at(f, b) + ROOM_POWER);
            }
        }
        return sum;
    }

    private static final double ROOM_POWER = song().aims().hearing().roomPower();

    private static Audio mix(SongMaterial m, Design design, Set<String> part, boolean these) {
        Map<String, Audio> stems = new java.util.TreeMap<>(m.audio());
        for (String id : IDS) {
            if (part.contains(id) != these) {
                stems.put(id, Signals.mono(RATE, new float[(int) (SECONDS * RATE)]));
            }
        }
        SongMaterial few = new SongMaterial(stems, RATE);
        return new Renderer(few, (int) (SECONDS * RATE), new StageCache(0))
                .render(design, Job.QUIET)
                .mix();
    }

    @Test
    void ofAHundredPairsThePartIsAsLoudOnBothSides() {
        List<Integer> apart = new ArrayList<>();
        int turned = 0;
        for (int seed = 0; seed < 100; seed++) {
            Random random = new Random(seed);
            SongMaterial material = material(random);
            Set<String> part = seed % 3 == 0 ? Set.of("voice", "harmony") : Set.of("voice");
            Design before = changed(song(), random);
            Design after = changed(song(), random);
            CoverAnalysis analysis =
                    new CoverAnalysis(
                            new Renderer(
                                    material, (int) (SECONDS * RATE), new StageCache(1L << 26)),
                            -20,
                            ROOM_POWER);
            PartMatch.Gains gains =
                    PartMatch.between(analysis, before, after, part, ALL, Job.QUIET);
            assertThat(gains.reached()).isTrue();
            assertThat(Math.max(gains.beforeDb(), gains.afterDb())).isZero();
            boolean first = gains.beforeDb() < 0;
            turned += first ? 1 : 0;
            double db = first ? gains.beforeDb() : gains.afterDb();
            Design loud = first ? before : after;
            double wanted = sones(material, first ? after : before, part);
            boolean within =
                    sones(material, faded(loud, part, db - 0.1), part) < wanted
                            && sones(material, faded(loud, part, db + 0.1), part) > wanted;
            if (!within) {
                apart.add(seed);
            }
        }
        assertThat(apart).isEmpty();
        assertThat(turned).isBetween(20, 80);
    }

    @Test
    void aPartThatIsNotThereIsNotMatched() {
        SongMaterial material = material(new Random(1));
        CoverAnalysis analysis =
                new CoverAnalysis(
                        new Renderer(material, (int) (SECONDS * RATE), new StageCache(0)),
                        -20,
                        ROOM);
        assertThat(PartMatch.between(analysis, song(), song(), Set.of("nobody"), ALL, Job.QUIET))
                .isEqualTo(PartMatch.Gains.NONE);
        PartMatch.Gains same =
                PartMatch.between(analysis, song(), song(), Set.of("voice"), ALL, Job.QUIET);
        assertThat(same.afterDb()).isGreaterThan(-0.01);
        assertThat(same.reached()).isTrue();
    }
}
