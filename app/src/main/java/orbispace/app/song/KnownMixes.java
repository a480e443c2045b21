package orbispace.app.song;

import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Supplier;
import orbispace.core.design.Design;
import orbispace.core.measure.Loudness;
import orbispace.core.render.SongMaterial;
import orbispace.core.time.Span;
import orbispace.files.project.ContentOf;
import orbispace.files.project.FactsCache;
import orbispace.files.project.ProjectFile;

/** The loudness of mixes that were rendered before, kept by all that made them. */
public final class KnownMixes {
    private final FactsCache cache;
    private final String stems;

    /**
     * What is known of a song's mixes.
     *
     * @param cache keeps it
     * @param material the song's sound
     * @param content tells what each stem holds
     */
    public KnownMixes(FactsCache cache, Design song, SongMaterial material, ContentOf content) {
        // What a measured response holds is not known by its name.
        this.cache = material.responses().files().isEmpty() ? cache : FactsCache.NONE;
        StringBuilder key = new StringBuilder().append(material.frames());
        song.sources().forEach(s -> key.append(s.id()).append(content.of(s)));
        stems = key.toString();
    }

    /** The loudness of a whole mix. */
    private record Whole(Loudness loudness) {}

    /**
     * How loud a mix is.
     *
     * @param whole all of it
     * @param partLufs a stretch of it; empty for silence
     */
    record Measured(Loudness whole, OptionalDouble partLufs) {}

    /** The loudness of a design's mix, if it was measured before. */
    public Optional<Loudness> loudness(Design design) {
        return cache.known(key(design), Whole.class).map(Whole::loudness);
    }

    /** The loudness of a design's mix and of a stretch of it. */
    Measured of(Design design, Span span, Supplier<Measured> measure) {
        String key = key(design);
        return cache.of(
                key + span,
                Measured.class,
                () -> {
                    Measured found = measure.get();
                    cache.keep(key, new Whole(found.whole()));
                    return found;
                });
    }

    private String key(Design design) {
        return stems + ProjectFile.contentOf(design);
    }
}
