package orbispace.app.view.chain;

import java.util.ArrayList;
import java.util.List;
import orbispace.core.design.CopyKnob;
import orbispace.core.design.Knob;
import orbispace.core.design.Space;
import orbispace.core.design.SpaceKnob;
import orbispace.core.space.EchoSettings;

/**
 * A card of a kind of space: what stands on it.
 *
 * @param head its name
 * @param plot what its small plot shows
 * @param explained whether the reason stands under it
 * @param numbers its numbers by name, in their order
 */
public record SpaceCard(String head, Plot plot, boolean explained, List<Knob> numbers) {
    /** What a small plot shows. */
    enum Plot {
        /** Energy still to come. */
        DECAY,
        /** Single arrivals on their sides. */
        ARRIVALS,
        /** Nothing that was measured. */
        NONE
    }

    private static SpaceCard decay(String head, Knob... numbers) {
        return new SpaceCard(head, Plot.DECAY, true, List.of(numbers));
    }

    private static SpaceCard arrivals(String head, boolean explained, Knob... numbers) {
        return new SpaceCard(head, Plot.ARRIVALS, explained, List.of(numbers));
    }

    /** The cards of a space, in the order in which they stand. */
    public static List<SpaceCard> of(Space space) {
        return switch (space) {
            case Space.Reverb r ->
                    List.of(
                            decay(
                                    "SPACE",
                                    SpaceKnob.DECAY,
                                    SpaceKnob.LOWS,
                                    SpaceKnob.HIGHS,
                                    SpaceKnob.SIZE));
            case Space.Gated g ->
                    List.of(
                            decay(
                                    "GATED SPACE",
                                    SpaceKnob.GATED_LENGTH,
                                    SpaceKnob.GATED_FALL,
                                    SpaceKnob.GATED_BRIGHT));
            case Space.Convolution c ->
                    List.of(
                            decay(
                                    "IMPULSE RESPONSE",
                                    SpaceKnob.RESPONSE_DECAY,
                                    SpaceKnob.RESPONSE_LOWS,
                                    SpaceKnob.RESPONSE_HIGHS,
                                    SpaceKnob.RESPONSE_START,
                                    SpaceKnob.RESPONSE_KEEP));
            case Space.Echo e -> echo(e.kind());
            case Space.Doubler d -> copies(d);
            case Space.Split s ->
                    List.of(
                            decay(
                                    "PAIR",
                                    SpaceKnob.PAIR_LEFT,
                                    SpaceKnob.PAIR_RIGHT,
                                    SpaceKnob.PAIR_SIDES));
            case Space.Parallel p ->
                    List.of(
                            new SpaceCard(
                                    "COMPRESSOR",
                                    Plot.NONE,
                                    true,
                                    List.of(
                                            SpaceKnob.PRESS_OVER,
                                            SpaceKnob.PRESS_RATIO,
                                            SpaceKnob.PRESS_MAKE_UP,
                                            SpaceKnob.PRESS_ATTACK,
                                            SpaceKnob.PRESS_RELEASE)));
        };
    }

    private static List<SpaceCard> echo(EchoSettings.Kind kind) {
        List<SpaceCard> cards = new ArrayList<>();
        switch (kind) {
            case SINGLE ->
                    cards.add(arrivals("ECHO", true, SpaceKnob.ECHO_TIME, SpaceKnob.FEEDBACK));
            case PING_PONG ->
                    cards.add(
                            arrivals(
                                    "ECHO",
                                    true,
                                    SpaceKnob.ECHO_TIME,
                                    SpaceKnob.FEEDBACK,
                                    SpaceKnob.SIDES));
            case PAIR -> {
                cards.add(arrivals("ECHO", false, SpaceKnob.ECHO_TIME, SpaceKnob.RIGHT_TIME));
                cards.add(arrivals("REPEATS", true, SpaceKnob.FEEDBACK, SpaceKnob.SIDES));
            }
        }
        cards.add(
                arrivals(
                        "LOOP",
                        false,
                        SpaceKnob.LOOP_HIGH_PASS,
                        SpaceKnob.LOOP_LOW_PASS,
                        SpaceKnob.LOOP_BEND,
                        SpaceKnob.LOOP_WOW,
                        SpaceKnob.GLIDE));
        return cards;
    }

    private static List<SpaceCard> copies(Space.Doubler d) {
        List<SpaceCard> cards = new ArrayList<>();
        List<CopyKnob> all = CopyKnob.of(d);
        for (int copy = 0; copy < d.copies().size(); copy++) {
            int index = copy;
            Knob[] own = all.stream().filter(k -> k.index() == index).toArray(Knob[]::new);
            cards.add(arrivals("COPY " + (copy + 1), false, own));
        }
        cards.add(arrivals("COPIES", true, SpaceKnob.COPIES_HIGH_PASS));
        return cards;
    }
}
