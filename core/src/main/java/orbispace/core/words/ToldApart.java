package orbispace.core.words;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Names made short so that they can still be told apart. A name that fits stays whole; of others
 * the words are cut to their beginnings, sides and numbers stay; what still is the same loses the
 * words that all of them share, and in the end is counted.
 */
public final class ToldApart {
    private ToldApart() {}

    /**
     * Short names.
     *
     * @param names those that stand side by side
     * @param letters how many letters there is room for, at least 4
     * @return each name with its short one, all different
     */
    public static Map<String, String> of(List<String> names, int letters) {
        Set<String> all = new LinkedHashSet<>(names);
        Map<String, List<String>> byShort = new LinkedHashMap<>();
        for (String name : all) {
            byShort.computeIfAbsent(fitted(words(name), letters), s -> new ArrayList<>()).add(name);
        }
        Map<String, String> made = new HashMap<>();
        Set<String> taken = new LinkedHashSet<>(byShort.keySet());
        byShort.forEach((brief, same) -> {
            if (same.size() == 1) {
                made.put(same.getFirst(), brief);
            } else {
                part(same, letters, taken, made);
            }
        });
        return made;
    }

    private static void part(
            List<String> same, int letters, Set<String> taken, Map<String, String> made) {
        Set<String> shared = new LinkedHashSet<>(words(same.getFirst()));
        same.forEach(name -> shared.retainAll(words(name)));
        for (String name : same) {
            List<String> own = new ArrayList<>(words(name));
            own.removeAll(shared);
            String brief = fitted(own.isEmpty() ? words(name) : own, letters);
            String single = brief;
            for (int n = 2; !taken.add(single); n++) {
                String count = " " + n;
                single =
                        brief.substring(0, Math.min(brief.length(), letters - count.length()))
                                + count;
            }
            made.put(name, single);
        }
    }

    private static List<String> words(String name) {
        return List.of(name.strip().split("[\\s_]+"));
    }

    private static String fitted(List<String> words, int letters) {
        for (int most = letters; most > 0; most--) {
            StringBuilder brief = new StringBuilder();
            for (String word : words) {
                boolean whole = word.length() <= 2 || Character.isDigit(word.charAt(0));
                brief.append(brief.isEmpty() ? "" : " ")
                        .append(word, 0, whole ? word.length() : Math.min(most, word.length()));
            }
            if (brief.length() <= letters) {
                return brief.toString();
            }
        }
        String joined = String.join(" ", words);
        return joined.substring(0, Math.min(letters, joined.length()));
    }
}
