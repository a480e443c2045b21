package orbispace.core.intake;

import java.util.HashMap;
import java.util.Map;
import java.util.Set;
import orbispace.core.design.Role;
import orbispace.core.design.StemKind;
import org.jspecify.annotations.Nullable;

/** The words that stems are named by. */
final class NameWords {
    /** Words that stand for an instrument, over those that only say more about one. */
    private static final int INSTRUMENT = 3;

    private static final int VOICE = 2;
    private static final int GENERAL = 1;

    /**
     * What a word means.
     *
     * @param role null if it tells none
     * @param kind null if it tells none
     * @param part in one word; empty if it names none
     * @param strength which of several meanings counts; 0 for none
     */
    record Meaning(@Nullable Role role, @Nullable StemKind kind, String part, int strength) {
        static final Meaning NONE = new Meaning(null, null, "", 0);
    }

    /** Words long enough to be known by their beginning, as in guitars or vocalist. */
    private static final int BEGINNING = 4;

    private static final Set<String> DOUBLES =
            Set.of("dbl", "double", "doubled", "dub", "adt", "dt", "trpl", "triple");

    private static final Map<String, Meaning> WORDS = words();

    private NameWords() {}

    static boolean isDouble(String word) {
        return DOUBLES.contains(word);
    }

    /** What a word, or two, mean as they stand. */
    static Meaning exactly(String words) {
        return WORDS.getOrDefault(words, Meaning.NONE);
    }

    /** What a word means, in the plural or by its beginning as well. */
    static Meaning of(String word) {
        Meaning exact = WORDS.get(word);
        if (exact == null && word.endsWith("s")) {
            exact = WORDS.get(word.substring(0, word.length() - 1));
        }
        if (exact != null) {
            return exact;
        }
        Meaning best = Meaning.NONE;
        int longest = 0;
        for (Map.Entry<String, Meaning> e : WORDS.entrySet()) {
            String known = e.getKey();
            if (known.length() >= BEGINNING && known.length() > longest && word.startsWith(known)) {
                best = e.getValue();
                longest = known.length();
            }
        }
        return best;
    }

    private static Map<String, Meaning> words() {
        Map<String, Meaning> words = new HashMap<>();
        voices(words);
        kit(words);
        low(words);
        harmony(words);
        others(words);
        return words;
    }

    private static void put(
            Map<String, Meaning> into,
            @Nullable Role role,
            @Nullable StemKind kind,
            String part,
            int strength,
            String... words) {
        for (String word : words) {
            into.put(word, new Meaning(role, kind, part, strength));
        }
    }

    private static void voices(Map<String, Meaning> w) {
        String part = "voice";
        put(w, Role.LEAD, null, part, GENERAL, "lead", "ld", "lv", "main", "solo");
        put(w, Role.LEAD, StemKind.CLOSE, part, VOICE, "vox", "voc", "vocal", "voice", "vo");
        put(w, Role.LEAD, StemKind.CLOSE, part, VOICE, "sing", "rap", "lv", "ldv", "ldvox");
        put(w, Role.BACKING, StemKind.CLOSE, part, INSTRUMENT, "bv", "bgv", "bkv", "bvox");
        put(w, Role.BACKING, StemKind.CLOSE, part, INSTRUMENT, "harm", "harmony", "stack");
        put(w, Role.BACKING, StemKind.CLOSE, part, INSTRUMENT, "choir", "gang", "adlib", "lib");
        put(w, Role.BACKING, StemKind.CLOSE, part, INSTRUMENT, "back", "backing", "ooh", "aah");
        put(w, Role.BACKING, StemKind.CLOSE, part, INSTRUMENT, "crowd", "shout", "bkg", "bg");
    }

    private static void kit(Map<String, Meaning> w) {
        int s = INSTRUMENT;
        StemKind close = StemKind.CLOSE;
        put(
                w,
                Role.HITS,
                close,
                "kick",
                s + 1,
                "kik",
                "kick",
                "bd",
                "kck",
                "bass drum",
                "sub kick");
        put(w, Role.HITS, close, "kick", s + 1, "kick sub", "kik sub", "bassdrum", "kickdrum");
        put(w, Role.HITS, close, "snare", s + 1, "sn", "snr", "sna", "snare", "sd", "rim");
        put(w, Role.HITS, close, "hat", s + 1, "hh", "hat", "hihat", "hi hat", "hats", "hht");
        put(w, Role.HITS, close, "tom", s + 1, "tom", "rack", "floor", "ft", "flr");
        put(w, Role.HITS, close, "cymbal", s + 1, "ride", "crash", "cym", "cymbal", "china", "rd");
        put(w, Role.HITS, null, "kit", s, "drum", "kit", "dr", "drm", "beat", "loop");
        put(w, Role.HITS, close, "percussion", s, "shk", "shaker", "tamb", "conga", "clap", "clp");
        put(w, Role.HITS, close, "percussion", s, "perc", "bongo", "cowbell", "snap", "cajon");
        put(w, Role.HITS, StemKind.OVERHEAD, "overhead", s + 2, "oh", "ohs", "overhead", "ovh");
        put(w, Role.HITS, StemKind.ROOM, "room", GENERAL, "rm", "room", "amb", "ambient");
        put(w, Role.HITS, StemKind.ROOM, "room", GENERAL, "ambience", "mono room", "crush");
    }

    private static void low(Map<String, Meaning> w) {
        put(w, Role.BASS, null, "bass", INSTRUMENT, "bs", "bass", "bas", "bss", "upright");
        put(w, Role.BASS, StemKind.DIRECT, "bass", VOICE, "sub");
        put(w, null, StemKind.DIRECT, "", GENERAL, "di");
        put(w, null, StemKind.CLOSE, "", GENERAL, "amp", "cab", "mic", "top", "bot", "btm");
    }

    private static void harmony(Map<String, Meaning> w) {
        Role bed = Role.HARMONY_BED;
        int s = INSTRUMENT;
        put(w, bed, StemKind.CLOSE, "guitar", s, "gtr", "gt", "ac", "agt", "egt", "guitar", "git");
        put(w, bed, StemKind.CLOSE, "guitar", s, "acoustic", "acg", "elg", "gtrs", "acgtr", "eg");
        put(w, bed, StemKind.CLOSE, "piano", s, "pno", "piano", "upright piano", "grand");
        put(w, bed, StemKind.DIRECT, "keys", s, "key", "keys", "org", "organ");
        put(w, bed, StemKind.DIRECT, "keys", s, "ep", "harmonium", "harpsichord");
        put(w, bed, StemKind.DIRECT, "synth", s, "syn", "synth", "pad", "arp", "seq", "pluck");
        put(w, bed, StemKind.CLOSE, "strings", s, "str", "string", "vln", "vla", "vc", "violin");
        put(w, bed, StemKind.CLOSE, "strings", s, "viola", "cello", "concertina", "accordion");
    }

    private static void others(Map<String, Meaning> w) {
        int s = INSTRUMENT;
        Role colour = Role.COLOUR;
        put(w, colour, StemKind.CLOSE, "winds", s, "sax", "tpt", "trp", "trumpet", "tbn");
        put(w, colour, StemKind.CLOSE, "winds", s, "trombone", "hn", "horn", "fl", "flute", "clar");
        put(w, colour, StemKind.CLOSE, "winds", s, "brass", "oboe", "bassoon");
        put(w, colour, StemKind.CLOSE, "winds", s, "harmonica", "clarinet", "whistle");
        put(w, colour, StemKind.CLOSE, "guitar", s, "lead gtr", "ld gtr", "gtr solo", "solo gtr");
        put(w, colour, StemKind.EFFECT, "effect", s - 1, "fx", "efx", "sfx", "riser", "imp");
        put(w, colour, StemKind.EFFECT, "effect", s - 1, "impact", "noise", "sweep", "whoosh");
        put(w, null, StemKind.EFFECT, "effect", GENERAL, "verb", "rvb", "reverb", "dly", "delay");
        put(w, null, StemKind.EFFECT, "effect", GENERAL, "echo", "slap", "print", "throw", "wet");
    }
}
