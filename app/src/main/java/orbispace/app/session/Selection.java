package orbispace.app.session;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.beans.property.SimpleStringProperty;
import javafx.beans.property.StringProperty;
import orbispace.app.song.EventChoice;
import orbispace.app.song.FormItem;
import orbispace.core.design.Design;
import orbispace.core.design.Group;
import orbispace.core.design.Groups;
import orbispace.core.design.Section;
import orbispace.core.time.Span;
import org.jspecify.annotations.Nullable;

/** What of the song is chosen: a section, a return, a source. */
public final class Selection implements OfSong {
    private static final int MANY = 24;

    private final ObjectProperty<@Nullable Section> section = new SimpleObjectProperty<>();
    private final ObjectProperty<@Nullable Span> window = new SimpleObjectProperty<>();
    private final ObjectProperty<@Nullable FormItem> form = new SimpleObjectProperty<>();
    private final ObjectProperty<EventChoice> events =
            new SimpleObjectProperty<>(EventChoice.USUAL);
    private final StringProperty returnId = new SimpleStringProperty("");
    private final StringProperty wanted = new SimpleStringProperty("");
    private final StringProperty sourceId = new SimpleStringProperty("");
    private final ObjectProperty<Set<String>> picked = new SimpleObjectProperty<>(Set.of());
    private final ObjectProperty<Set<String>> folded = new SimpleObjectProperty<>(Set.of());

    /** Nothing is chosen yet. */
    public Selection() {
        sourceId.addListener((o, was, is) -> {
            if (!picked.get().contains(is)) {
                picked.set(is.isEmpty() ? Set.of() : Set.of(is));
            }
        });
    }

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

    /** All sources that are picked, the chosen one among them. */
    public ReadOnlyObjectProperty<Set<String>> picked() {
        return picked;
    }

    /** Picks sources; the first is chosen unless the chosen one is among them. */
    public void pick(List<String> ids) {
        picked.set(Set.copyOf(ids));
        if (!ids.contains(sourceId.get())) {
            sourceId.set(ids.isEmpty() ? "" : ids.getFirst());
        }
    }

    /** Picks sources beside those that are, or lets them go if they all are picked already. */
    public void pickAlso(List<String> ids) {
        Set<String> all = new LinkedHashSet<>(picked.get());
        if (!all.containsAll(ids)) {
            all.addAll(ids);
        } else if (all.size() > ids.size()) {
            ids.forEach(all::remove);
        }
        pick(List.copyOf(all));
    }

    /** The names of the groups that are folded, on every screen. */
    public ReadOnlyObjectProperty<Set<String>> folded() {
        return folded;
    }

    /** Folds a group, or opens it again. */
    public void toggleFolded(String group) {
        Set<String> all = new LinkedHashSet<>(folded.get());
        if (!all.remove(group)) {
            all.add(group);
        }
        folded.set(Set.copyOf(all));
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
        String first = design.sources().stream().findFirst().map(s -> s.id()).orElse("");
        sourceId.set(first);
        picked.set(first.isEmpty() ? Set.of() : Set.of(first));
        folded.set(foldedAtFirst(design));
    }

    /** A long session begins with its groups folded. */
    private static Set<String> foldedAtFirst(Design design) {
        if (design.sources().size() < MANY) {
            return Set.of();
        }
        Groups groups = Groups.of(design);
        return groups.all().stream()
                .map(Group::name)
                .filter(g -> groups.members(g).size() > 1)
                .collect(Collectors.toUnmodifiableSet());
    }
}
