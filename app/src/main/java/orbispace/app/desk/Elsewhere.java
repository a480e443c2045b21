package orbispace.app.desk;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.SimpleObjectProperty;
import orbispace.app.measuring.Measurements;
import orbispace.app.session.OfSong;
import orbispace.core.clear.CoverAnalysis;
import orbispace.core.clear.PlaceCost;
import orbispace.core.clear.Question;
import orbispace.core.design.Design;
import orbispace.core.design.Targets;
import orbispace.core.time.Span;
import org.jspecify.annotations.Nullable;

/** What each return costs where the mix will be heard, over the section, while one looks at it. */
public final class Elsewhere implements OfSong {
    private final OpenSong song;
    private final Measurements measured;
    private final Clearing clearing;
    private final BooleanProperty wanted = new SimpleBooleanProperty(false);
    private final ObjectProperty<@Nullable Known> known = new SimpleObjectProperty<>();

    /**
     * What was measured.
     *
     * @param source name of who was judged
     * @param costs by the letter of the return, in the order of the places
     */
    public record Known(String source, Map<String, List<PlaceCost>> costs) {}

    Elsewhere(OpenSong song, Clearing clearing) {
        this.song = song;
        this.clearing = clearing;
        measured = song.measured();
        measured.clearance().addListener((o, was, is) -> measure());
        wanted.addListener((o, was, is) -> measure());
    }

    /** Whether anyone looks at it. */
    public BooleanProperty wanted() {
        return wanted;
    }

    /** What was measured last; null while nothing is known. */
    public ReadOnlyObjectProperty<@Nullable Known> known() {
        return known;
    }

    @Override
    public void begin(Design given) {
        known.set(null);
    }

    /** What is asked of the judged source against a return. */
    Optional<Targets> targets(String returnId) {
        return clearing.targets(returnId);
    }

    private void measure() {
        song.jobs().cancel("places");
        Design now = song.editor().now();
        Span span = song.stretch().span();
        Optional<Supplier<CoverAnalysis>> analysis = measured.analysis(now, span);
        if (!wanted.get() || analysis.isEmpty() || clearing.source().isEmpty()) {
            known.set(null);
            return;
        }
        String name = clearing.name();
        Question q =
                new Question(now, clearing.source().get(), "", clearing.phrases(), span, false);
        song.jobs()
                .start(
                        "places",
                        "Listening elsewhere",
                        (job, d) -> new Known(name, PlaceCost.of(analysis.get().get(), q, job)),
                        (found, d) -> known.set(found));
    }
}
