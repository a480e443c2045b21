package orbispace.app.session;

import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import orbispace.core.design.Design;
import org.jspecify.annotations.Nullable;

/**
 * The two fields that are heard against each other: one before, and the field as it stands or
 * another one that was kept.
 */
public final class ComparedPair implements OfSong {
    private static final String OPENED = "As opened";
    private static final String NOW = "As it stands";

    private final Editor editor;
    private final Runnable changed;
    private final Runnable measure;
    private final ObjectProperty<Design> before;
    private final ObjectProperty<@Nullable Design> other = new SimpleObjectProperty<>();

    private String firstName = OPENED;
    private String otherName = NOW;

    /**
     * A field under the name by which it is chosen.
     *
     * @param name what people call it
     * @param design the field
     */
    public record Named(String name, Design design) {}

    /**
     * The pair of a song.
     *
     * @param changed told when one of the two is another
     * @param measure measures the two anew
     */
    public ComparedPair(Editor editor, Runnable changed, Runnable measure) {
        this.editor = editor;
        this.changed = changed;
        this.measure = measure;
        before = new SimpleObjectProperty<>(editor.now());
    }

    /** The first of the two. */
    public ReadOnlyObjectProperty<Design> before() {
        return before;
    }

    /** The second of the two, if it is not the field as it stands. */
    public ReadOnlyObjectProperty<@Nullable Design> other() {
        return other;
    }

    /** The second of the two. */
    public Design after() {
        Design kept = other.get();
        return kept == null ? editor.now() : kept;
    }

    /** Whether there is nothing to hear a difference of. */
    public boolean same() {
        return before.get().equals(after());
    }

    @Override
    public void begin(Design given) {
        firstName = OPENED;
        before.set(given);
        other.set(null);
    }

    /** What the first of the two is called. */
    public String firstName() {
        return firstName;
    }

    /** What the second of the two is called. */
    public String otherName() {
        if (same()) {
            return "The same";
        }
        return other.get() == null ? NOW : otherName;
    }

    /** Whoever works on the field wants to hear it. */
    public void changed() {
        other.set(null);
        changed.run();
    }

    /** Takes the field as it stands as the one before. */
    public void keepAsBefore() {
        first(new Named("As it stood", editor.now()));
    }

    /** Hears another field before from now on. */
    public void first(Named named) {
        firstName = named.name();
        before.set(named.design());
        remeasure();
    }

    /** Hears another field after from now on; null for the field as it stands. */
    public void second(@Nullable Named named) {
        otherName = named == null ? NOW : named.name();
        other.set(named == null ? null : named.design());
        remeasure();
    }

    private void remeasure() {
        changed.run();
        measure.run();
    }
}
