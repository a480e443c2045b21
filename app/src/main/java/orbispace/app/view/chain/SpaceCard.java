package orbispace.app.view.chain;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import orbispace.core.design.CopyKnob;
import orbispace.core.design.EchoKnob;
import orbispace.core.design.Knob;
import orbispace.core.design.PairKnob;
import orbispace.core.design.PressKnob;
import orbispace.core.design.ResponseKnob;
import orbispace.core.design.Space;
import orbispace.core.design.SplitPair;
import orbispace.core.design.TailKnob;
import orbispace.core.space.EchoSettings;
import orbispace.core.space.ReverbKind;

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
            case Space.Reverb r -> List.of(reverb(r.kind()));
            case Space.Gated g ->
                    List.of(
                            decay(
                                    "GATED SPACE",
                                    TailKnob.GATED_LENGTH,
                                    TailKnob.GATED_FALL,
                                    TailKnob.GATED_BRIGHT));
            case Space.Convolution c ->
                    List.of(
                            decay(
                                    "IMPULSE RESPONSE",
                                    ResponseKnob.DECAY,
                                    ResponseKnob.LOWS,
                                    ResponseKnob.HIGHS,
                                    ResponseKnob.START,
                                    ResponseKnob.KEEP));
            case Space.Echo e -> echo(e.kind());
            case Space.Copies d -> copies(d);
            case SplitPair s -> pair(s);
            case Space.Parallel p -> List.of(compressor());
        };
    }

    /** What both have, and then each. */
    private static List<SpaceCard> pair(SplitPair s) {
        List<SpaceCard> cards = new ArrayList<>();
        cards.add(decay("PAIR", TailKnob.PAIR_LEFT, TailKnob.PAIR_RIGHT, TailKnob.PAIR_SIDES));
        for (boolean left : new boolean[] {true, false}) {
            String kind = s.space(left).kind().label().toUpperCase(Locale.ROOT);
            cards.add(
                    new SpaceCard(
                            (left ? "LEFT: " : "RIGHT: ") + kind,
                            Plot.NONE,
                            false,
                            List.copyOf(PairKnob.of(left))));
        }
        return cards;
    }

    private static SpaceCard reverb(ReverbKind kind) {
        List<Knob> knobs =
                new ArrayList<>(
                        List.of(
                                TailKnob.DECAY,
                                TailKnob.LOWS,
                                TailKnob.HIGHS,
                                TailKnob.SIZE,
                                TailKnob.DENSITY,
                                TailKnob.BUILD_UP,
                                TailKnob.MOVEMENT));
        if (kind.hasWalls()) {
            knobs.add(TailKnob.DISTANCE);
        }
        return new SpaceCard("SPACE", Plot.DECAY, true, knobs);
    }

    private static SpaceCard compressor() {
        return new SpaceCard(
                "COMPRESSOR",
                Plot.NONE,
                true,
                List.of(
                        PressKnob.OVER,
                        PressKnob.RATIO,
                        PressKnob.MAKE_UP,
                        PressKnob.ATTACK,
                        PressKnob.RELEASE));
    }

    private static List<SpaceCard> echo(EchoSettings.Kind kind) {
        List<SpaceCard> cards = new ArrayList<>();
        switch (kind) {
            case SINGLE -> cards.add(arrivals("ECHO", true, EchoKnob.ECHO_TIME, EchoKnob.FEEDBACK));
            case PING_PONG, WALK_LEFT, WALK_RIGHT ->
                    cards.add(
                            arrivals(
                                    "ECHO",
                                    true,
                                    EchoKnob.ECHO_TIME,
                                    EchoKnob.FEEDBACK,
                                    EchoKnob.SIDES));
            case PAIR -> {
                cards.add(arrivals("ECHO", false, EchoKnob.ECHO_TIME, EchoKnob.RIGHT_TIME));
                cards.add(arrivals("REPEATS", true, EchoKnob.FEEDBACK, EchoKnob.SIDES));
            }
        }
        cards.add(
                arrivals(
                        "LOOP",
                        false,
                        EchoKnob.LOOP_HIGH_PASS,
                        EchoKnob.LOOP_LOW_PASS,
                        EchoKnob.LOOP_BEND,
                        EchoKnob.LOOP_WOW,
                        EchoKnob.GLIDE));
        return cards;
    }

    private static List<SpaceCard> copies(Space.Copies d) {
        List<SpaceCard> cards = new ArrayList<>();
        List<CopyKnob> all = CopyKnob.of(d);
        for (int copy = 0; copy < d.copies().size(); copy++) {
            int index = copy;
            Knob[] own = all.stream().filter(k -> k.index() == index).toArray(Knob[]::new);
            cards.add(arrivals("COPY " + (copy + 1), false, own));
        }
        cards.add(arrivals("COPIES", true, EchoKnob.COPIES_HIGH_PASS));
        return cards;
    }
}
