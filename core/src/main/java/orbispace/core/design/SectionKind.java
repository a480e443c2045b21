package orbispace.core.design;

import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;

/** What a section is in the form of a song. */
public enum SectionKind {
    /** Before anything is sung. */
    INTRO("intro"),
    /** Tells. */
    VERSE("verse"),
    /** Leads from verse to chorus. */
    LIFT("lift"),
    /** Comes back with the same words. */
    CHORUS("chorus"),
    /** Comes once and goes elsewhere. */
    BRIDGE("bridge"),
    /** Drops to little. */
    BREAK("break"),
    /** One instrument in front. */
    SOLO("solo"),
    /** The end. */
    OUTRO("outro"),
    /** Anything else. */
    OTHER("other");

    private static final Map<String, SectionKind> WORDS =
            new TreeMap<>(
                    Map.ofEntries(
                            Map.entry("intro", INTRO),
                            Map.entry("verse", VERSE),
                            Map.entry("strophe", VERSE),
                            Map.entry("pre", LIFT),
                            Map.entry("lift", LIFT),
                            Map.entry("build", LIFT),
                            Map.entry("chorus", CHORUS),
                            Map.entry("refrain", CHORUS),
                            Map.entry("hook", CHORUS),
                            Map.entry("bridge", BRIDGE),
                            Map.entry("middle", BRIDGE),
                            Map.entry("break", BREAK),
                            Map.entry("down", BREAK),
                            Map.entry("solo", SOLO),
                            Map.entry("interlude", SOLO),
                            Map.entry("outro", OUTRO),
                            Map.entry("coda", OUTRO),
                            Map.entry("end", OUTRO)));

    private final String label;

    SectionKind(String label) {
        this.label = label;
    }

    /** The kind in words. */
    public String label() {
        return label;
    }

    /** What a name sounds like; the word that comes first in it counts. */
    public static SectionKind guess(String name) {
        String lower = name.toLowerCase(Locale.ROOT);
        SectionKind best = OTHER;
        int first = Integer.MAX_VALUE;
        for (Map.Entry<String, SectionKind> word : WORDS.entrySet()) {
            int at = lower.indexOf(word.getKey());
            if (at >= 0 && at < first) {
                first = at;
                best = word.getValue();
            }
        }
        return best;
    }
}
