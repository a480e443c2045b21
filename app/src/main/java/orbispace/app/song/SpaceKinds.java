package orbispace.app.song;

import java.util.List;
import java.util.Optional;
import orbispace.core.design.Design;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Return;
import orbispace.core.design.Space;
import orbispace.core.design.SplitPair;
import orbispace.core.space.CopiesSettings;
import orbispace.core.space.EchoSettings;
import orbispace.core.space.GatedSettings;
import orbispace.core.space.ReverbCharacter;
import orbispace.core.space.ReverbKind;
import orbispace.core.time.NoteValue;

/** The kinds of space that a return may have, and each made from what the return has now. */
public enum SpaceKinds {
    /** Close walls. */
    ROOM("Room"),
    /** A hard, bright box. */
    CHAMBER("Chamber"),
    /** Dense at once. */
    PLATE("Plate"),
    /** Builds up. */
    HALL("Hall"),
    /** Builds up slowly. */
    VAST("Vast"),
    /** Ends like a wall, even until then. */
    GATED("Gated, flat"),
    /** Ends like a wall, falling until then. */
    GATED_FALLING("Gated, falling"),
    /** Ends like a wall, rising until then. */
    GATED_RISING("Gated, rising"),
    /** One echo where the send was. */
    ECHO("Echo"),
    /** An echo on each side. */
    STEREO_ECHO("Stereo echo"),
    /** Left, right, left. */
    PING_PONG("Ping-pong echo"),
    /** From the middle to the left. */
    WALK_LEFT("Echo walking left"),
    /** From the middle to the right. */
    WALK_RIGHT("Echo walking right"),
    /** Short detuned copies. */
    COPIES("Copies"),
    /** The same without anything in the middle. */
    COPIES_SIDES("Copies, sides only"),
    /** Two mono spaces apart. */
    SPLIT("Split pair"),
    /** A compressor. */
    PARALLEL("Parallel");

    private static final double USUAL_DECAY_SECONDS = 1.4;

    private final String label;

    SpaceKinds(String label) {
        this.label = label;
    }

    /** Its name on screen. */
    public String label() {
        return label;
    }

    /** The kind of a space; empty for a convolution, which needs a file. */
    public static Optional<SpaceKinds> of(Space space) {
        return switch (space) {
            case Space.Reverb r -> Optional.of(valueOf(r.kind().name()));
            case Space.Gated g ->
                    Optional.of(
                            switch (g.envelope()) {
                                case FLAT -> GATED;
                                case FALLING -> GATED_FALLING;
                                case RISING -> GATED_RISING;
                            });
            case Space.Convolution c -> Optional.empty();
            case Space.Echo e ->
                    Optional.of(
                            switch (e.kind()) {
                                case SINGLE -> ECHO;
                                case PAIR -> STEREO_ECHO;
                                case PING_PONG -> PING_PONG;
                                case WALK_LEFT -> WALK_LEFT;
                                case WALK_RIGHT -> WALK_RIGHT;
                            });
            case Space.Copies d -> Optional.of(d.centre() ? COPIES : COPIES_SIDES);
            case SplitPair s -> Optional.of(SPLIT);
            case Space.Parallel p -> Optional.of(PARALLEL);
        };
    }

    /** A space of this kind that keeps of another what it can: decay, time, feedback. */
    public Space from(Space now) {
        return switch (this) {
            case ROOM, CHAMBER, PLATE, HALL, VAST -> reverb(ReverbKind.valueOf(name()), now);
            case GATED -> gated(GatedSettings.Envelope.FLAT, now);
            case GATED_FALLING -> gated(GatedSettings.Envelope.FALLING, now);
            case GATED_RISING -> gated(GatedSettings.Envelope.RISING, now);
            case ECHO -> echo(EchoSettings.Kind.SINGLE, now);
            case STEREO_ECHO -> echo(EchoSettings.Kind.PAIR, now);
            case PING_PONG -> echo(EchoSettings.Kind.PING_PONG, now);
            case WALK_LEFT -> echo(EchoSettings.Kind.WALK_LEFT, now);
            case WALK_RIGHT -> echo(EchoSettings.Kind.WALK_RIGHT, now);
            case COPIES -> copies(true, now);
            case COPIES_SIDES -> copies(false, now);
            case SPLIT -> {
                Space.Reverb like = reverb(ReverbKind.ROOM, now);
                Space.Reverb other =
                        new Space.Reverb(
                                ReverbKind.PLATE,
                                like.decaySeconds(),
                                like.lowRatio(),
                                like.highRatio(),
                                1);
                yield new SplitPair(like, other, 0.9);
            }
            case PARALLEL -> new Space.Parallel(-30, 4, 6, 10, 120, 6);
        };
    }

    private static Space.Reverb reverb(ReverbKind kind, Space now) {
        return now instanceof Space.Reverb r
                ? new Space.Reverb(
                        kind,
                        r.decaySeconds(),
                        r.lowRatio(),
                        r.highRatio(),
                        r.size(),
                        ReverbCharacter.of(kind)
                                .withMovement(r.character().movementSeconds())
                                .withDistance(r.character().distance()))
                : new Space.Reverb(kind, USUAL_DECAY_SECONDS, 1, 0.6, 1);
    }

    private static Space gated(GatedSettings.Envelope envelope, Space now) {
        return now instanceof Space.Gated g
                ? new Space.Gated(envelope, g.length(), g.fallMillis(), g.brightHz())
                : new Space.Gated(envelope, note("1/4"), 15, 9000);
    }

    private static Space echo(EchoSettings.Kind kind, Space now) {
        if (now instanceof Space.Echo e) {
            MusicalTime right =
                    kind == EchoSettings.Kind.PAIR && e.kind() != kind
                            ? note("1/8.")
                            : e.rightTime();
            return new Space.Echo(kind, e.time(), right, e.feedback(), e.loop(), e.width());
        }
        return new Space.Echo(
                kind,
                note("1/4"),
                kind == EchoSettings.Kind.PAIR ? note("1/8.") : note("1/4"),
                0.3,
                EchoSettings.Loop.filters(120, 6000),
                0.8);
    }

    private static Space copies(boolean centre, Space now) {
        return now instanceof Space.Copies d
                ? new Space.Copies(d.copies(), d.highPassHz(), centre)
                : new Space.Copies(
                        List.of(
                                new CopiesSettings.Voice(0.013, -7, -1),
                                new CopiesSettings.Voice(0.019, 7, 1)),
                        180,
                        centre);
    }

    private static MusicalTime note(String text) {
        return new MusicalTime.Note(NoteValue.parse(text).orElseThrow(), 0);
    }

    /** A new return of this kind without sends, timed like another. */
    public Return asReturn(Design design, String id) {
        int bar = design.returns().isEmpty() ? 1 : design.returns().getFirst().timedAtBar();
        return Return.of(
                id,
                label,
                java.util.Map.of(),
                orbispace.core.design.Filter.OPEN,
                new MusicalTime.Millis(this == PARALLEL ? 0 : 12),
                from(new Space.Parallel(-30, 4, 6, 10, 120, 6)),
                orbispace.core.design.Filter.OPEN,
                null,
                -6,
                bar);
    }
}
