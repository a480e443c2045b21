package orbispace.core.design;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Supplier;
import orbispace.core.material.Spectrum;
import orbispace.core.material.StemFacts;

/** What a stem is likely to be, from its name or, where that tells nothing, from its sound. */
public final class RoleGuess {
    private static final double LOW_HZ = 200;
    private static final double BASS_SHARE = 0.8;
    private static final double STROKES_CREST_DB = 18;
    private static final double BED_CREST_DB = 14;
    private static final double BED_SHARE = 0.75;

    /** The words by which a name is known; the longest one that is in it counts. */
    private static final Map<String, Role> WORDS =
            Map.ofEntries(
                    Map.entry("back", Role.BACKING),
                    Map.entry("bv", Role.BACKING),
                    Map.entry("choir", Role.BACKING),
                    Map.entry("harmon", Role.BACKING),
                    Map.entry("double", Role.BACKING),
                    Map.entry("ooh", Role.BACKING),
                    Map.entry("vo", Role.LEAD),
                    Map.entry("lead", Role.LEAD),
                    Map.entry("sing", Role.LEAD),
                    Map.entry("rap", Role.LEAD),
                    Map.entry("bass", Role.BASS),
                    Map.entry("sub", Role.BASS),
                    Map.entry("drum", Role.HITS),
                    Map.entry("kick", Role.HITS),
                    Map.entry("snare", Role.HITS),
                    Map.entry("hat", Role.HITS),
                    Map.entry("tom", Role.HITS),
                    Map.entry("clap", Role.HITS),
                    Map.entry("perc", Role.HITS),
                    Map.entry("shaker", Role.HITS),
                    Map.entry("tamb", Role.HITS),
                    Map.entry("cymbal", Role.HITS),
                    Map.entry("overhead", Role.HITS),
                    Map.entry("pad", Role.HARMONY_BED),
                    Map.entry("key", Role.HARMONY_BED),
                    Map.entry("organ", Role.HARMONY_BED),
                    Map.entry("string", Role.HARMONY_BED),
                    Map.entry("piano", Role.HARMONY_BED),
                    Map.entry("acoustic", Role.HARMONY_BED),
                    Map.entry("concertina", Role.HARMONY_BED));

    private RoleGuess() {}

    /**
     * Guesses a role.
     *
     * @param name what the stem is called
     * @param facts measures it; asked only where the name tells nothing
     * @param before the sources before it; of several leads only the first is one
     */
    public static Role of(String name, Supplier<StemFacts> facts, List<Source> before) {
        String lower = name.toLowerCase(Locale.ROOT);
        Role guessed =
                WORDS.entrySet().stream()
                        .filter(e -> lower.contains(e.getKey()))
                        .max(
                                java.util.Comparator.comparingInt(
                                                (Map.Entry<String, Role> e) -> e.getKey().length())
                                        .thenComparing(Map.Entry::getKey))
                        .map(Map.Entry::getValue)
                        .orElseGet(() -> bySound(facts.get()));
        boolean hasLead = before.stream().anyMatch(s -> s.role() == Role.LEAD);
        return guessed == Role.LEAD && hasLead ? Role.BACKING : guessed;
    }

    private static Role bySound(StemFacts facts) {
        if (lowShare(facts.spectrum()) > BASS_SHARE && facts.crestDb() < STROKES_CREST_DB) {
            return Role.BASS;
        }
        if (facts.crestDb() > STROKES_CREST_DB) {
            return Role.HITS;
        }
        return facts.crestDb() < BED_CREST_DB && facts.soundingShare() > BED_SHARE
                ? Role.HARMONY_BED
                : Role.COLOUR;
    }

    /** Share of the power in third octaves up to 200 Hz. */
    private static double lowShare(Spectrum spectrum) {
        double low = 0;
        double all = 1e-30;
        for (int b = 0; b < Spectrum.BANDS; b++) {
            double power = Math.pow(10, spectrum.levelsDb().get(b) / 10);
            all += power;
            low += Spectrum.centreHz(b) <= LOW_HZ ? power : 0;
        }
        return low / all;
    }
}
