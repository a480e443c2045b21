package orbispace.core.render;

import java.util.List;
import orbispace.core.audio.Audio;
import orbispace.core.design.Design;
import orbispace.core.design.Return;
import orbispace.core.design.Space;
import orbispace.core.design.SpaceTraits;
import orbispace.core.measure.SideEnergy;
import orbispace.core.signal.Impulse;

/**
 * The impulse response of a return's linear part: filters, predelay, engine and width, without
 * sends, feeds, drive, gate, ducker and level. The impulse has energy 1 and comes from the middle.
 */
public final class ImpulseResponse {
    private static final double LONGEST_SECONDS = 40;

    private ImpulseResponse() {}

    /**
     * What a response follows from; equal recipes make equal responses.
     *
     * @param sampleRateHz of the song
     * @param stages what the impulse passes, in order
     * @param seconds how long it rings, to about -100 dB
     */
    public record Recipe(double sampleRateHz, List<StageSettings> stages, double seconds) {
        /** Keeps its own list. */
        public Recipe {
            stages = List.copyOf(stages);
        }
    }

    /** The recipe of a return as the plan leaves it alone. */
    public static Recipe recipe(Design design, Return r, Responses responses) {
        ChainSettings chain = new ChainWorks(design.unplanned(), responses).of(r);
        List<StageSettings> stages =
                chain.stages().subList(0, ChainSettings.OWN).stream()
                        .map(Timeline::first)
                        .filter(s -> isLinear(s) && !s.passesAll())
                        .toList();
        double seconds = Math.min(LONGEST_SECONDS, chain.ringSeconds());
        return new Recipe(design.song().sampleRateHz(), stages, seconds);
    }

    /** The response of a return as the plan leaves it alone, as long as it rings. */
    public static Audio of(Design design, Return r, Responses responses) {
        return of(recipe(design, r, responses));
    }

    /** The response of a recipe. */
    public static Audio of(Recipe recipe) {
        int frames = (int) Math.ceil(recipe.seconds() * recipe.sampleRateHz());
        return through(recipe, Impulse.pair(frames));
    }

    /**
     * On which side a recipe answers.
     *
     * @param fromSeconds when its space begins
     */
    public static SideEnergy sides(Recipe recipe, double fromSeconds) {
        int frames = (int) ((fromSeconds + SideEnergy.SECONDS) * recipe.sampleRateHz());
        return new SideEnergy(
                through(recipe, Impulse.side(0, frames)),
                through(recipe, Impulse.side(1, frames)),
                fromSeconds);
    }

    private static Audio through(Recipe recipe, float[][] response) {
        double rate = recipe.sampleRateHz();
        int frames = response[0].length;
        Block block = new Block(response[0], response[1]);
        for (StageSettings settings : recipe.stages()) {
            Stage.of(Timeline.of(settings), rate).process(block, 0, frames);
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
            case StageSettings.Bus b -> false;
            case StageSettings.Level l -> false;
        };
    }
}
