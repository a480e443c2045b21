package orbispace.core.intake;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import orbispace.core.design.Role;
import orbispace.core.design.Source;
import orbispace.core.design.StemKind;

/**
 * Which stems belong together: those of one kit, the lead and its doubles, the voices behind it,
 * the sides of one take and stems of one family of instruments, if there are two or more.
 */
public final class GroupProposal {
    private static final String KIT = "Kit";

    /** Names of groups by the part that names tell. */
    private static final Map<String, String> FAMILIES =
            Map.of(
                    "bass", "Bass",
                    "percussion", "Percussion",
                    "guitar", "Guitars",
                    "piano", "Piano",
                    "keys", "Keys",
                    "synth", "Synths",
                    "strings", "Strings",
                    "winds", "Winds",
                    "effect", "Effects");

    private GroupProposal() {}

    /**
     * Proposes groups.
     *
     * @param sources in order
     * @param kit ids of those that share strokes; empty to go by names alone
     * @return the name of its group by source; sources that stand alone are left out
     */
    public static Map<String, String> of(List<Source> sources, Set<String> kit) {
        Map<String, List<String>> members = new LinkedHashMap<>();
        Map<String, List<String>> takes = new LinkedHashMap<>();
        for (Source s : sources) {
            StemName name = StemName.of(s.name());
            String group = kit.contains(s.id()) ? KIT : group(s, name);
            if (!group.isEmpty()) {
                members.computeIfAbsent(group, g -> new ArrayList<>()).add(s.id());
            } else if (name.side().isPresent()) {
                takes.computeIfAbsent(title(name.withoutSide()), t -> new ArrayList<>())
                        .add(s.id());
            }
        }
        Map<String, String> groups = new LinkedHashMap<>();
        members.forEach((name, ids) -> put(groups, name, ids));
        takes.forEach((name, ids) -> put(groups, name, ids));
        return groups;
    }

    private static void put(Map<String, String> groups, String name, List<String> ids) {
        if (ids.size() > 1) {
            ids.forEach(id -> groups.put(id, name));
        }
    }

    private static String group(Source s, StemName name) {
        if (s.role() == Role.LEAD || (s.role() == Role.BACKING && name.isDouble())) {
            return "Lead";
        }
        if (s.role() == Role.BACKING) {
            return "Backing voices";
        }
        boolean kitRoom = s.kind() == StemKind.ROOM && s.role() == Role.HITS;
        return name.isOfAKit() || kitRoom ? KIT : FAMILIES.getOrDefault(name.part(), "");
    }

    private static String title(String words) {
        return words.isEmpty()
                ? words
                : words.substring(0, 1).toUpperCase(java.util.Locale.ROOT) + words.substring(1);
    }
}
