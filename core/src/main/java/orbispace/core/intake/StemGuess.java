package orbispace.core.intake;

import java.util.List;
import java.util.function.Supplier;
import orbispace.core.design.Role;
import orbispace.core.design.Source;
import orbispace.core.design.StemKind;
import orbispace.core.material.Spectrum;
import orbispace.core.material.StemFacts;

/**
 * What a stem is likely to be, from its name or, where that tells nothing, from its sound.
 *
 * @param role in the song
 * @param kind how it was taken
 */
public record StemGuess(Role role, StemKind kind) {
    private static final double LOW_HZ = 200;
    private static final double BASS_SHARE = 0.8;
    private static final double STROKES_CREST_DB = 18;
    private static final double BED_CREST_DB = 14;
    private static final double BED_SHARE = 0.75;

    /**
     * Guesses.
     *
     * @param name what the stem is called
     * @param facts measures it; asked only where the name tells nothing
     * @param before the sources before it; of several leads only the first is one
     */
    public static StemGuess of(String name, Supplier<StemFacts> facts, List<Source> before) {
        StemName read = StemName.of(name);
        StemKind kind = read.kind().orElse(StemKind.CLOSE);
        Role role = read.role().orElseGet(() -> bySound(facts.get()));
        boolean hasLead = before.stream().anyMatch(s -> s.role() == Role.LEAD);
        if (role == Role.LEAD && hasLead) {
            role = Role.BACKING;
        }
        if (!kind.isSent() && role != Role.HITS) {
            // The room of a voice, or its printed space, is not the voice.
            role = Role.COLOUR;
        }
        return new StemGuess(role, kind);
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
