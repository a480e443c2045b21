package orbispace.core.material;

import java.util.Optional;

/**
 * Whether a room is printed into a stem, for stems that stop or strike four times or more in rooms
 * of 0.4 to 3 s that lie 16 dB under them or less.
 *
 * @param found the room; empty for none and where that is not told
 * @param told false where too little stops or strikes, or where what falls does so as straight and
 *     briefly as a damper or a drum of its own may, so that a short room would not be seen
 */
public record PrintedRoom(Optional<Ambience> found, boolean told) {
    /** The material for which it is tried and holds. */
    public static final String HOLDS_FOR =
            "stems that stop or strike four times, in rooms of 0.4 to 3 s to 16 dB under them";

    /** It is dry. */
    public static final PrintedRoom NONE = new PrintedRoom(Optional.empty(), true);

    /** Nothing tells whether it is dry. */
    public static final PrintedRoom NOT_SURE = new PrintedRoom(Optional.empty(), false);

    /** A room that was found. */
    static PrintedRoom of(Ambience room) {
        return new PrintedRoom(Optional.of(room), true);
    }
}
