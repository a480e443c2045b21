package orbispace.app.view.chain;

import java.util.ArrayList;
import java.util.List;
import orbispace.app.knob.ReturnEdits;
import orbispace.core.design.Space;
import orbispace.core.space.EchoSettings;

/**
 * A card of a kind of space: what stands on it.
 *
 * @param head its name
 * @param plot what its small plot shows
 * @param explained whether the reason stands under it
 * @param numbers its numbers by name, as {@link ReturnEdits} knows them
 */
public record SpaceCard(String head, Plot plot, boolean explained, List<String> numbers) {
    /** What a small plot shows. */
    enum Plot {
        /** Energy still to come. */
        DECAY,
        /** Single arrivals on their sides. */
        ARRIVALS,
        /** Nothing that was measured. */
        NONE
    }

    private static SpaceCard decay(String head, String... numbers) {
        return new SpaceCard(head, Plot.DECAY, true, List.of(numbers));
    }

    private static SpaceCard arrivals(String head, boolean explained, String... numbers) {
        return new SpaceCard(head, Plot.ARRIVALS, explained, List.of(numbers));
    }

    /** The cards of a space, in the order in which they stand. */
    public static List<SpaceCard> of(Space space) {
        return switch (space) {
            case Space.Reverb r -> List.of(decay("SPACE", "decay", "lows", "highs", "size"));
            case Space.Gated g ->
                    List.of(decay("GATED SPACE", "gated: length", "gated: fall", "gated: bright"));
            case Space.Convolution c ->
                    List.of(
                            decay(
                                    "IMPULSE RESPONSE",
                                    "response: decay",
                                    "response: lows",
                                    "response: highs",
                                    "response: start",
                                    "response: keep"));
            case Space.Echo e -> echo(e.kind());
            case Space.Doubler d -> doubler(d.copies().size());
            case Space.Split s ->
                    List.of(decay("PAIR", "pair: left", "pair: right", "pair: sides"));
            case Space.Parallel p ->
                    List.of(
                            new SpaceCard(
                                    "COMPRESSOR",
                                    Plot.NONE,
                                    true,
                                    List.of(
                                            "press: over",
                                            "press: ratio",
                                            "press: make-up",
                                            "press: attack",
                                            "press: release")));
        };
    }

    private static List<SpaceCard> echo(EchoSettings.Kind kind) {
        List<SpaceCard> cards = new ArrayList<>();
        switch (kind) {
            case SINGLE -> cards.add(arrivals("ECHO", true, "echo time", "feedback"));
            case PING_PONG -> cards.add(arrivals("ECHO", true, "echo time", "feedback", "sides"));
            case PAIR -> {
                cards.add(arrivals("ECHO", false, "echo time", "right time"));
                cards.add(arrivals("REPEATS", true, "feedback", "sides"));
            }
        }
        cards.add(
                arrivals(
                        "LOOP",
                        false,
                        "loop: high-pass",
                        "loop: low-pass",
                        "loop: bend",
                        "loop: wow",
                        "new time: glide"));
        return cards;
    }

    private static List<SpaceCard> doubler(int copies) {
        List<SpaceCard> cards = new ArrayList<>();
        for (int v = 1; v <= copies; v++) {
            String copy = "copy " + v + ": ";
            cards.add(arrivals("COPY " + v, false, copy + "later", copy + "cents", copy + "side"));
        }
        cards.add(arrivals("COPIES", true, "copies: no lows under"));
        return cards;
    }
}
