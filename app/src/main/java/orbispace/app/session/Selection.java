package orbispace.app.session;

import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.beans.property.SimpleStringProperty;
import javafx.beans.property.StringProperty;
import orbispace.app.song.EventChoice;
import orbispace.app.song.FormItem;
import orbispace.core.design.Design;
import orbispace.core.design.Section;
import orbispace.core.time.Span;
import org.jspecify.annotations.Nullable;

/** What of the song is chosen: a section, a return, a source. */
public final class Selection implements OfSong {
    private final ObjectProperty<@Nullable Section> section = new SimpleObjectProperty<>();
    private final ObjectProperty<@Nullable Span> window = new SimpleObjectProperty<>();
    private final ObjectProperty<@Nullable FormItem> form = new SimpleObjectProperty<>();
    private final ObjectProperty<EventChoice> events =
            new SimpleObjectProperty<>(EventChoice.USUAL);
    private final StringProperty returnId = new SimpleStringProperty("");
    private final StringProperty wanted = new SimpleStringProperty("");
    private final StringProperty sourceId = new SimpleStringProperty("");

    /** The chosen section; null for the whole song. */
    public ObjectProperty<@Nullable Section> section() {
        return section;
    }

    /** Letter of the chosen return; empty for none. */
    public StringProperty returnId() {
        return returnId;
    }

    /** Id of the chosen source; empty for none. */
    public StringProperty sourceId() {
        return sourceId;
    }

    /** The stretch of the song that is seen; null for all of it. */
    public ObjectProperty<@Nullable Span> window() {
        return window;
    }

    /** What is chosen on the ruler of tempo and form; null for nothing. */
    public ObjectProperty<@Nullable FormItem> form() {
        return form;
    }

    /** Name of a screen that is to come to the front; empty for none. */
    public StringProperty wanted() {
        return wanted;
    }

    /** Which of the song's own events are shown as rings. */
    public ObjectProperty<EventChoice> events() {
        return events;
    }

    /** The bar that note values are taken at: the first of the chosen section. */
    public int bar() {
        Section chosen = section.get();
        return chosen == null ? 1 : chosen.firstBar();
    }

    /** A section whose plan is changed is another; the chosen one stays chosen by its bars. */
    public void follow(Design now) {
        Section chosen = section.get();
        if (chosen != null && !now.song().sections().contains(chosen)) {
            now.song().sections().stream()
                    .filter(s -> s.firstBar() == chosen.firstBar())
                    .findFirst()
                    .ifPresent(section::set);
        }
    }

    @Override
    public void begin(Design design) {
        section.set(null);
        window.set(null);
        form.set(null);
        events.set(EventChoice.USUAL);
        returnId.set(design.returns().stream().findFirst().map(r -> r.id()).orElse(""));
        sourceId.set(design.sources().stream().findFirst().map(s -> s.id()).orElse(""));
    }
}
