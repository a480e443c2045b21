package orbispace.app.view.orbit;

import java.util.List;
import java.util.Map;
import orbispace.app.desk.OrbitModel;
import orbispace.app.song.EventChoice;
import orbispace.app.song.FieldEvents;
import orbispace.app.song.Material;
import orbispace.core.design.Source;
import orbispace.core.time.Span;
import org.jspecify.annotations.Nullable;

/** The rings of the song's events, worked out again only where what they follow from changes. */
final class KnownRings {
    private final OrbitModel model;
    private @Nullable From from;
    private List<FieldEvents.Ring> rings = List.of();

    private record From(
            List<Source> sources,
            Map<String, Material> measured,
            EventChoice choice,
            @Nullable Span section) {
        // What was measured is a map of its own each time; to compare what it holds takes long.
        @SuppressWarnings("ReferenceEquality")
        boolean isSame(@Nullable From other) {
            return other != null
                    && measured == other.measured
                    && sources.equals(other.sources)
                    && choice.equals(other.choice)
                    && java.util.Objects.equals(section, other.section);
        }
    }

    KnownRings(OrbitModel model) {
        this.model = model;
    }

    /** The rings as they are now. */
    List<FieldEvents.Ring> now() {
        From now =
                new From(
                        model.design().get().sources(),
                        model.measured().materials(),
                        model.selection().events().get(),
                        model.span());
        if (!now.isSame(from)) {
            from = now;
            rings = FieldEvents.of(model.design().get(), now.measured, now.choice, now.section);
        }
        return rings;
    }
}
