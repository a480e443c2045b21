package orbispace.app.song;

import java.util.Optional;
import java.util.OptionalDouble;
import orbispace.core.design.Role;
import orbispace.core.design.Source;
import orbispace.core.material.Hits;
import orbispace.core.material.Phrases;
import orbispace.core.material.Silhouette;
import orbispace.core.material.StemFacts;

/**
 * What was measured of one stem as it lies in the song.
 *
 * @param silhouette its level over time
 * @param facts everything else
 */
public record Material(Silhouette silhouette, StemFacts facts) {

    /** What is looked for in a stem of a role. */
    public static StemFacts.Wanted wanted(Role role) {
        boolean mayLead = role != Role.HITS && role != Role.BASS;
        return new StemFacts.Wanted(mayLead, role == Role.HITS);
    }

    /** Whether a source is a voice, of which phrases are picked; of a bed or a colour bars are. */
    public static boolean isSung(Source source) {
        return source.role() == Role.LEAD || source.role() == Role.BACKING;
    }

    /** Its loudness. */
    public OptionalDouble integratedLufs() {
        return facts.integratedLufs();
    }

    /** Where it sings or plays, for all that may lead. */
    public Optional<Phrases> phrases() {
        return facts.phrases();
    }

    /** Its strokes, for hits. */
    public Optional<Hits> hits() {
        return facts.hits();
    }
}
