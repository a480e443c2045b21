package orbispace.core.clear;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import orbispace.core.audio.Audio;
import orbispace.core.design.Design;
import orbispace.core.design.Return;
import orbispace.core.design.Source;
import orbispace.core.hearing.Excitation;
import orbispace.core.measure.Opening;
import orbispace.core.render.EarPlace;
import orbispace.core.render.HeardBand;
import orbispace.core.render.HeardThrough;
import orbispace.core.render.Job;
import orbispace.core.render.Renderer;

/**
 * What a return costs and gives where the mix will be heard. The whole mix is as loud there as it
 * is as it stands.
 *
 * @param place where
 * @param presenceKept how much of the judged source's loudness the return leaves there; empty if
 *     nothing of it is heard there
 * @param openedDegrees what the return makes wider of the mix there, in two octaves or more
 */
public record PlaceCost(HeardThrough place, OptionalDouble presenceKept, double openedDegrees) {
    private static final int BLOCK = 4096;

    /**
     * Every return in every place, by the letter of the return.
     *
     * @param q who is judged, and in which stretch
     */
    public static Map<String, List<PlaceCost>> of(CoverAnalysis analysis, Question q, Job job) {
        Map<String, List<PlaceCost>> costs = new LinkedHashMap<>();
        q.design().returns().forEach(r -> costs.put(r.id(), new ArrayList<>()));
        for (HeardThrough place : HeardThrough.values()) {
            new There(analysis, q, place, job)
                    .costs()
                    .forEach((id, c) -> costs.computeIfPresent(id, (i, all) -> with(all, c)));
            job.check();
        }
        return costs;
    }

    private static List<PlaceCost> with(List<PlaceCost> all, PlaceCost next) {
        all.add(next);
        return all;
    }

    /** A song in one place. */
    private static final class There {
        private final CoverAnalysis analysis;
        private final Question q;
        private final HeardThrough place;
        private final Audio part;
        private final Audio others;
        private final Map<String, Audio> wets = new LinkedHashMap<>();
        private final Audio mix;

        There(CoverAnalysis analysis, Question q, HeardThrough place, Job job) {
            this.analysis = analysis;
            this.q = q;
            this.place = place;
            Renderer renderer = analysis.renderer();
            Design design = q.design();
            List<Source> layers = design.layersOf(q.source());
            Audio whole = Openings.cut(renderer, renderer.render(design, job).mix(), q.span());
            double power = whole.meanSquare();
            double there = heard(whole, 1).meanSquare();
            double gain = there > 0 ? Math.sqrt(power / there) : 1;
            mix = heard(whole, gain);
            part = heard(Openings.cut(renderer, renderer.dry(design, layers), q.span()), gain);
            others = heard(Openings.cut(renderer, renderer.dryBut(design, layers), q.span()), gain);
            for (Return r : design.returns()) {
                job.check();
                Audio wet = Openings.cut(renderer, renderer.wet(design, r, job), q.span());
                wets.put(r.id(), heard(wet, gain));
            }
        }

        private Audio heard(Audio sound, double gain) {
            Audio scaled = gain == 1 ? sound : sound.scaled(gain);
            if (place == HeardThrough.HEADPHONES) {
                return scaled;
            }
            EarPlace ear = new EarPlace(sound.sampleRateHz(), BLOCK);
            ear.set(place, HeardBand.ALL);
            float[] left = new float[BLOCK];
            float[] right = new float[BLOCK];
            float[][] all = new float[2][scaled.frames()];
            for (int at = 0; at < scaled.frames(); at += BLOCK) {
                int n = Math.min(BLOCK, scaled.frames() - at);
                scaled.read(at, n, left, right);
                ear.process(left, right, n);
                System.arraycopy(left, 0, all[0], at, n);
                System.arraycopy(right, 0, all[1], at, n);
            }
            return Audio.of(sound.sampleRateHz(), all);
        }

        Map<String, PlaceCost> costs() {
            Map<String, Excitation> heard = new LinkedHashMap<>();
            wets.forEach((id, wet) -> heard.put(id, analysis.ear().hear(wet)));
            Excitation dry = analysis.ear().hear(part);
            Excitation rest = analysis.ear().hear(others);
            Map<String, PlaceCost> costs = new LinkedHashMap<>();
            heard.forEach((id, wet) -> {
                Excitation beside = rest;
                for (Map.Entry<String, Excitation> other : heard.entrySet()) {
                    beside = other.getKey().equals(id) ? beside : beside.plus(other.getValue());
                }
                OptionalDouble kept =
                        analysis.within(dry, wet, beside, q.phrases().spans(), q.span())
                                .cover()
                                .presenceKept();
                Audio own = java.util.Objects.requireNonNull(wets.get(id));
                double opened = Opening.of(mix, own, 0, mix.frames()).at(0).degrees();
                costs.put(id, new PlaceCost(place, kept, opened));
            });
            return costs;
        }
    }
}
