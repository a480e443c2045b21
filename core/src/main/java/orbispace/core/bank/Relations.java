package orbispace.core.bank;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import orbispace.core.design.Chain;
import orbispace.core.design.Purpose;
import orbispace.core.design.Role;
import orbispace.core.hearing.WetState;

/**
 * A return as what its numbers mean.
 *
 * @param name what people call it
 * @param purpose what it is for
 * @param chain the engine and whatever has no relation to the song; its times and corners are those
 *     of the song that it comes from
 * @param senders who is sent, the one sent most first
 * @param decay how far its tail is down at an event; empty for a space that does not decay as set
 * @param predelay when it begins
 * @param repeatsDownDb how far the last whole repeat within the gap is down, in dB; empty for no
 *     echo
 * @param gateBeats how long its gate stays open, in beats; empty for none
 * @param highPass the high-pass behind the space over the 5 % point of its senders' energy
 * @param lowPass the low-pass behind the space over their 95 % point
 * @param asked how much of it should be noticed
 * @param duckDb by how much it gives way; empty for no ducker
 * @param duckedBy the role of what it gives way to
 * @param usually what the engineer usually does, by the name of a relation; empty where it is not
 *     learnt
 */
public record Relations(
        String name,
        Purpose purpose,
        Chain chain,
        List<Sender> senders,
        Optional<Down> decay,
        Predelay predelay,
        OptionalDouble repeatsDownDb,
        OptionalDouble gateBeats,
        OptionalDouble highPass,
        OptionalDouble lowPass,
        WetState asked,
        OptionalDouble duckDb,
        Role duckedBy,
        Map<String, String> usually) {
    /** What a tail has to have fallen by. */
    public enum Event {
        /** The lead's median gap. */
        GAP("gap"),
        /** The median time to the next stroke. */
        STROKE("stroke");

        private final String label;

        Event(String label) {
            this.label = label;
        }

        /** It in a word, as files have it. */
        public String label() {
            return label;
        }
    }

    /**
     * How far a tail is down.
     *
     * @param event when
     * @param db positive
     */
    public record Down(Event event, double db) {}

    /**
     * When a space begins: a note value, or so long after the consonant.
     *
     * @param note a note value's name, or empty
     * @param offsetMillis from the note value
     * @param afterConsonantMillis after the consonant's end, where it is no note value
     */
    public record Predelay(String note, double offsetMillis, double afterConsonantMillis) {}

    /**
     * What is sent.
     *
     * @param role of the sources
     * @param underDb how far under the loudest send, 0 or less
     * @param gated whether bleed is kept out of the send
     */
    public record Sender(Role role, double underDb, boolean gated) {}

    /** Keeps its own collections. */
    public Relations {
        senders = List.copyOf(senders);
        usually = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(usually));
    }
}
