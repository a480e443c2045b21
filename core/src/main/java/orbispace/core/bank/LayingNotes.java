package orbispace.core.bank;

import java.util.ArrayList;
import java.util.List;

/** What is said while a return is laid: why its numbers are what they are, and what is forced. */
final class LayingNotes {
    private final List<String> reasons = new ArrayList<>();
    private final List<String> forced = new ArrayList<>();

    /** A number's reason. */
    void because(String reason) {
        reasons.add(reason);
    }

    /** What the song forces to differ from what was kept. */
    void forced(String what) {
        forced.add(what);
    }

    /** Everything that is forced. */
    String allForced() {
        return String.join("; ", forced);
    }

    /** What is usually done where a relation comes from a habit; empty where it does not. */
    static String usual(Relations r, String relation) {
        String usually = r.usually().get(relation);
        return usually == null ? "" : " (you usually " + usually + ")";
    }

    /** All reasons, and what is forced. */
    String words() {
        List<String> all = new ArrayList<>(reasons);
        if (!forced.isEmpty()) {
            all.add("this song forces: " + allForced());
        }
        return String.join("; ", all);
    }
}
