package orbispace.demo;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.Executor;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.DoubleConsumer;
import java.util.function.Supplier;
import orbispace.core.audio.Audio;
import orbispace.core.design.Chain;
import orbispace.core.design.Design;
import orbispace.core.design.Filter;
import orbispace.core.design.Filter.Corner;
import orbispace.core.design.Gate;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Return;
import orbispace.core.design.Role;
import orbispace.core.design.Send;
import orbispace.core.design.Song;
import orbispace.core.design.Source;
import orbispace.core.design.Space;
import orbispace.core.space.ReverbKind;
import orbispace.core.time.NoteValue;
import orbispace.core.time.SongClock;

/** "Harbour at Low Tide": its stems, its form, and a field to begin with. */
public final class HarbourSong {
    /** Title of the song. */
    public static final String TITLE = "Harbour at Low Tide";

    /** Changes whenever the stems sound different, so that kept ones are made anew. */
    public static final int EDITION = 1;

    private HarbourSong() {}

    /** Tempo and metre. */
    public static SongClock clock() {
        return HarbourScore.CLOCK;
    }

    /**
     * Makes all six stems, mono at 48 kHz, by source id.
     *
     * @param executor where the instruments play side by side
     * @param progress takes the share that is done; called from several threads
     */
    public static Map<String, Audio> stems(Executor executor, DoubleConsumer progress) {
        AtomicInteger done = new AtomicInteger();
        Map<String, CompletableFuture<float[]>> playing = new LinkedHashMap<>();
        Map<String, Supplier<float[]>> players = new LinkedHashMap<>();
        CompletableFuture<float[]> shaker =
                CompletableFuture.supplyAsync(() -> new Shaker().play(), executor);
        players.put("voice", () -> new Voice().play());
        players.put("concertina", () -> new Concertina().play());
        players.put("marimba", () -> new Marimba().play());
        players.put("bass", () -> new BowedBass().play());
        players.put("drum", () -> new FrameDrum().play(shaker.join()));
        players.put("shaker", shaker::join);
        players.forEach((id, player) ->
                playing.put(
                        id,
                        CompletableFuture.supplyAsync(
                                () -> {
                                    float[] stem = player.get();
                                    progress.accept(
                                            done.incrementAndGet() / (double) players.size());
                                    return stem;
                                },
                                executor)));
        Map<String, Audio> stems = new LinkedHashMap<>();
        playing.forEach((id, stem) -> stems.put(id, Audio.of(Shape.RATE, stem.join())));
        return stems;
    }

    /** The sources, whose files are named as in a project. */
    private static List<Source> sources() {
        return List.of(
                new Source("voice", "Alto voice", "alto-voice.wav", Role.LEAD, 0, 0),
                new Source(
                        "concertina", "Concertina", "concertina.wav", Role.HARMONY_BED, 0, -0.40),
                new Source("marimba", "Marimba", "marimba.wav", Role.COLOUR, 0, 0.45),
                new Source("bass", "Bowed bass", "bowed-bass.wav", Role.BASS, 0, 0.05),
                new Source("drum", "Frame drum", "frame-drum.wav", Role.HITS, 0, -0.12),
                new Source("shaker", "Shaker", "shaker.wav", Role.HITS, 0, 0.60));
    }

    /**
     * The field to begin with: a short room, a hall, a dotted-quarter echo and a gated space for
     * the drum, placed but not yet cleared.
     */
    public static Design design() {
        Song song = new Song(TITLE, Shape.RATE, HarbourScore.CLOCK, HarbourScore.SECTIONS);
        return new Design(
                song, sources(), List.of(netLoft(), longPier(), bellBuoy(), slackWater()));
    }

    private static Return netLoft() {
        return Return.of(
                "A",
                "Net loft",
                Map.of(
                        "voice",
                        -12.0,
                        "concertina",
                        -9.0,
                        "marimba",
                        -9.0,
                        "drum",
                        -8.0,
                        "shaker",
                        -9.0),
                Filter.OPEN,
                new MusicalTime.Millis(6),
                new Space.Reverb(ReverbKind.ROOM, 0.55, 1, 0.8, 1),
                new Filter(new Corner(150, 2), new Corner(7000, 2)),
                null,
                -8,
                3);
    }

    /** The drum without what its microphone hears of the shaker, ending after an eighth. */
    private static Return slackWater() {
        MusicalTime eighth = new MusicalTime.Note(NoteValue.parse("1/8").orElseThrow(), 0);
        Gate atTheSend = new Gate("", Filter.OPEN, -20, 4, 120, 0.5, 60, 60, null);
        Gate wall = new Gate("drum", Filter.OPEN, -20, 4, 120, 2, 0, 25, eighth);
        return new Return(
                "D",
                "Slack water",
                Map.of("drum", Send.of(-4).withGate(atTheSend)),
                Map.of(),
                Chain.of(new Space.Reverb(ReverbKind.CHAMBER, 1.2, 1, 0.8, 1)).withGate(wall),
                -3,
                new Return.Timing(11, false));
    }

    private static Return longPier() {
        return Return.of(
                "B",
                "Long pier",
                Map.of("voice", -10.0, "concertina", -12.0, "marimba", -11.0, "drum", -13.0),
                Filter.OPEN,
                new MusicalTime.Note(NoteValue.parse("1/64").orElseThrow(), 0),
                Space.hall(2.1, 1.1, 0.6),
                new Filter(null, new Corner(6500, 2)),
                null,
                -1.5,
                3);
    }

    private static Return bellBuoy() {
        return Return.of(
                "C",
                "Bell buoy",
                Map.of("voice", -14.0, "marimba", -12.0),
                Filter.OPEN,
                new MusicalTime.Millis(0),
                Space.Echo.pingPong(
                        new MusicalTime.Note(NoteValue.parse("1/4.").orElseThrow(), 0),
                        0.31,
                        120,
                        6000,
                        0.7),
                new Filter(new Corner(250, 2), new Corner(4500, 2)),
                null,
                -2,
                3);
    }
}
