package orbispace.core.intake;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import orbispace.core.design.Role;
import orbispace.core.design.StemKind;

/**
 * What the name of a stem says in the trade's short forms: words at their borders, in any case,
 * with digits and take marks.
 *
 * @param role if the name tells it
 * @param kind if the name tells it
 * @param side if the name has one
 * @param part the instrument or voice in one word, such as snare; empty if it is not known
 * @param isDouble whether it says to be another take of a part
 * @param withoutSide the name in lower case without its side; what two sides of one take share
 */
public record StemName(
        Optional<Role> role,
        Optional<StemKind> kind,
        Optional<Side> side,
        String part,
        boolean isDouble,
        String withoutSide) {

    /** A side that a name sets. */
    public enum Side {
        /** Left. */
        LEFT("left"),
        /** Right. */
        RIGHT("right");

        private final String label;

        Side(String label) {
            this.label = label;
        }

        /** The side in words. */
        public String label() {
            return label;
        }
    }

    private static final Set<String> ONE_DRUM = Set.of("kick", "snare", "hat", "overhead", "room");

    /** Where a word ends: at what is no letter, at a digit, and before a capital. */
    private static final Pattern WORD =
            Pattern.compile("\\p{Lu}+(?!\\p{Ll})|\\p{Lu}?\\p{Ll}+|\\d+");

    /** Short words that a side is written on to, as in ohL, and the ones that end so themselves. */
    private static final Pattern GLUED =
            Pattern.compile(
                    "(oh|ovh|rm|room|amb|gtr|agt|egt|pno|piano|key|keys|str|bv|bgv|dbl)([lr])");

    private static final Set<String> OF_A_KIT =
            Set.of("kick", "snare", "hat", "tom", "cymbal", "overhead", "kit");

    /** Reads a name without the ending of its file. */
    public static StemName of(String name) {
        List<String> words = new ArrayList<>();
        Optional<Side> side = Optional.empty();
        Matcher found = WORD.matcher(name);
        while (found.find()) {
            String word = found.group().toLowerCase(Locale.ROOT);
            Matcher glued = GLUED.matcher(word);
            String end = glued.matches() ? glued.group(2) : word;
            Optional<Side> here = side(end);
            if (here.isPresent()) {
                side = here;
            }
            if (glued.matches()) {
                words.add(glued.group(1));
            } else if (here.isEmpty()) {
                words.add(word);
            }
        }
        return read(words, side);
    }

    /** Whether it names a part of a drum kit. */
    public boolean isOfAKit() {
        return OF_A_KIT.contains(part);
    }

    /** What decides the role of a stem of this name: name or sound. */
    public String ground() {
        return role.isPresent() ? "name" : "sound";
    }

    /**
     * The drum that its microphone stands at, or overhead or room: stems of one word hear the same;
     * empty if the word may stand for several, as toms and cymbals may.
     */
    public String drum() {
        return ONE_DRUM.contains(part) ? part : "";
    }

    private static Optional<Side> side(String word) {
        return switch (word) {
            case "l", "left", "lft" -> Optional.of(Side.LEFT);
            case "r", "right", "rgt" -> Optional.of(Side.RIGHT);
            default -> Optional.empty();
        };
    }

    private static StemName read(List<String> words, Optional<Side> side) {
        NameWords.Meaning best = NameWords.Meaning.NONE;
        Optional<StemKind> kind = Optional.empty();
        boolean again = false;
        for (int i = 0; i < words.size(); i++) {
            String next = i + 1 < words.size() ? words.get(i + 1) : "";
            NameWords.Meaning together = NameWords.exactly(words.get(i) + " " + next);
            NameWords.Meaning meaning =
                    together.strength() > 0 ? together : NameWords.of(words.get(i));
            best = meaning.strength() > best.strength() ? meaning : best;
            if (meaning.kind() != null) {
                // A room or an effect of something is that first, whatever else it is.
                StemKind said = meaning.kind();
                kind = kind.filter(k -> !k.isSent()).or(() -> Optional.of(said));
            }
            again |= NameWords.isDouble(words.get(i));
            i += together.strength() > 0 ? 1 : 0;
        }
        Optional<Role> role = Optional.ofNullable(best.role());
        if (again && role.equals(Optional.of(Role.LEAD))) {
            role = Optional.of(Role.BACKING);
        }
        return new StemName(role, kind, side, best.part(), again, String.join(" ", words));
    }
}
