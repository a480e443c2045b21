package orbispace.app.session;

import java.util.Optional;
import java.util.OptionalDouble;
import orbispace.core.audio.Audio;
import orbispace.core.design.Role;
import orbispace.core.design.Source;
import orbispace.core.material.HitFinder;
import orbispace.core.material.Hits;
import orbispace.core.material.PhraseFinder;
import orbispace.core.material.Phrases;
import orbispace.core.material.Silhouette;
import orbispace.core.measure.LoudnessMeter;

/**
 * What was measured of one stem.
 *
 * @param silhouette its level over time
 * @param integratedLufs its loudness
 * @param peakDbfs its highest sample
 * @param phrases where it sings, for leads and backing
 * @param hits its strokes, for hits and colour
 */
public record Material(
        Silhouette silhouette,
        OptionalDouble integratedLufs,
        double peakDbfs,
        Optional<Phrases> phrases,
        Optional<Hits> hits) {

    /** Measures a stem by its role. */
    public static Material measure(Source source, Audio audio) {
        boolean sings = source.role() == Role.LEAD || source.role() == Role.BACKING;
        boolean strikes = source.role() == Role.HITS || source.role() == Role.COLOUR;
        return new Material(
                Silhouette.of(audio),
                LoudnessMeter.integratedLufs(audio),
                20 * Math.log10(Math.max(1e-9, audio.peak())),
                sings ? Optional.of(PhraseFinder.find(audio)) : Optional.empty(),
                strikes ? Optional.of(HitFinder.find(audio)) : Optional.empty());
    }
}
