package orbispace.core.render;

import orbispace.core.audio.Audio;
import orbispace.core.design.Design;
import orbispace.core.design.Return;
import orbispace.core.design.Space;
import orbispace.core.design.SpaceTraits;
import orbispace.core.signal.Impulse;

/**
 * The impulse response of a return's linear part: filters, predelay, engine and width, without
 * sends, feeds, drive, gate, ducker and level. The impulse has energy 1 and comes from the middle.
 */
public final class ImpulseResponse {
    private static final double LONGEST_SECONDS = 40;

    private ImpulseResponse() {}

    /** The response as the plan leaves it alone, as long as it rings (to about -100 dB). */
    public static Audio of(Design design, Return r, Responses responses) {
        ChainSettings chain = new ChainWorks(design.unplanned(), responses).of(r);
        double rate = design.song().sampleRateHz();
        int frames = (int) Math.ceil(Math.min(LONGEST_SECONDS, chain.ringSeconds()) * rate);
        float[][] response = Impulse.pair(frames);
        Block block = new Block(response[0], response[1]);
        for (Timeline timeline : chain.stages()) {
            StageSettings settings = timeline.first();
            if (isLinear(settings) && !settings.passesAll()) {
                Stage.of(Timeline.of(settings), rate).process(block, 0, frames);
            }
        }
        return Audio.of(rate, response);
    }

    /** Whether the response tells all of what a space does. */
    public static boolean tellsAll(Space space) {
        return space.traits().nature() != SpaceTraits.Nature.COLOUR;
    }

    private static boolean isLinear(StageSettings settings) {
        return switch (settings) {
            case StageSettings.Filtering f -> true;
            case StageSettings.Predelay p -> true;
            case StageSettings.Spatial s -> true;
            case StageSettings.Widening w -> true;
            case StageSettings.Driving d -> false;
            case StageSettings.Gating g -> false;
            case StageSettings.Ducking d -> false;
            case StageSettings.Level l -> false;
        };
    }
}
