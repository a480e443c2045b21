package orbispace.core.plan;

import java.util.ArrayList;
import java.util.List;
import orbispace.core.audio.Audio;
import orbispace.core.design.Design;
import orbispace.core.design.Source;
import orbispace.core.design.Throw;
import orbispace.core.render.GainCurve;
import orbispace.core.render.PlanCurves;
import orbispace.core.render.SongMaterial;

/** Thrown words cut out of their sources, for those who give them a track of their own. */
public final class ThrownWords {
    private ThrownWords() {}

    /**
     * One word, as long as its stem and silent but for the word.
     *
     * @param thrown the throw that it is of
     * @param audio at the stem's own level, with the throw's fades
     */
    public record Word(Throw thrown, Audio audio) {}

    /** The words of a design that have their source; none is changed in level. */
    public static List<Word> of(Design design, SongMaterial material) {
        List<Word> words = new ArrayList<>();
        PlanCurves curves = new PlanCurves(design);
        for (Throw t : design.thrown()) {
            Source source = design.findSource(t.sourceId()).orElse(null);
            Audio stem = material.audio().get(t.sourceId());
            if (source != null && stem != null) {
                words.add(new Word(t, cut(stem, curves.window(t))));
            }
        }
        return words;
    }

    private static Audio cut(Audio stem, GainCurve window) {
        float[][] channels = new float[stem.channelCount()][];
        for (int c = 0; c < channels.length; c++) {
            channels[c] = stem.channel(c).clone();
            window.applyTo(channels[c]);
        }
        return Audio.of(stem.sampleRateHz(), channels);
    }
}
