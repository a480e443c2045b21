package orbispace.core.draft;

import java.util.Arrays;
import java.util.Optional;

/** A way of laying out a field that engineers hold to. */
public enum School {
    /** Everything in one space. */
    SHARED("shared", "One shared space", "Everything stands in one hall; sends tell the depth."),
    /** A short space and a long one behind it. */
    LAYERS("layers", "Short and long", "A room glues, a hall that starts later opens behind it."),
    /** A space for each depth of the stage. */
    DEPTHS("depths", "One space per depth", "Lead near, colours between, bed and backing far."),
    /** A long dark space after the words, which sounds dry. */
    LATE(
            "late",
            "Long, dark and late",
            "The lead sounds dry; a long dark hall answers after its consonants and gives way to"
                    + " its words.");

    private final String label;
    private final String title;
    private final String idea;

    School(String label, String title, String idea) {
        this.label = label;
        this.title = title;
        this.idea = idea;
    }

    /** Its name on the command line. */
    public String label() {
        return label;
    }

    /** Its name on screens. */
    public String title() {
        return title;
    }

    /** How it works, in one line. */
    public String idea() {
        return idea;
    }

    /** The school of a name. */
    public static Optional<School> of(String label) {
        return Arrays.stream(values()).filter(s -> s.label.equals(label)).findFirst();
    }
}
