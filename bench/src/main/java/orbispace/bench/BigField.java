package orbispace.bench;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import orbispace.core.audio.Audio;
import orbispace.core.design.Chain;
import orbispace.core.design.Design;
import orbispace.core.design.Duck;
import orbispace.core.design.Filter;
import orbispace.core.design.Gate;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Return;
import orbispace.core.design.Role;
import orbispace.core.design.Section;
import orbispace.core.design.Send;
import orbispace.core.design.Song;
import orbispace.core.design.Source;
import orbispace.core.design.Space;
import orbispace.core.render.Responses;
import orbispace.core.render.SongMaterial;
import orbispace.core.space.ReverbKind;
import orbispace.core.time.NoteValue;
import orbispace.core.time.SongClock;

/**
 * A song of four minutes for measuring speed: eight stereo sources, each sent through a gate into
 * each of six returns (three reverbs, a convolution of four seconds, two echoes), with filters, a
 * gate and a ducker everywhere.
 */
final class BigField {
    static final double RATE = 48000;
    private static final int SOURCES = 8;

    private BigField() {}

    /** Bursts of noise, so that gates and duckers have something to do. */
    static SongMaterial material(double seconds) {
        Map<String, Audio> stems = new LinkedHashMap<>();
        for (int s = 0; s < SOURCES; s++) {
            stems.put("s" + s, Audio.of(RATE, bursts(seconds, s), bursts(seconds, s + 100)));
        }
        Random random = new Random(9);
        float[][] response = new float[2][(int) (4 * RATE)];
        for (int i = 0; i < response[0].length; i++) {
            double level = Math.pow(10, -3 * i / (3.5 * RATE));
            response[0][i] = (float) (level * random.nextGaussian());
            response[1][i] = (float) (level * random.nextGaussian());
        }
        Audio recorded = Audio.of(RATE, response);
        return new SongMaterial(
                stems, RATE, new Responses(Map.of("hall.wav", Responses.Recorded.of(recorded))));
    }

    private static float[] bursts(double seconds, int seed) {
        Random random = new Random(seed);
        float[] x = new float[(int) (seconds * RATE)];
        double period = (0.31 + 0.07 * (seed % 8)) * RATE;
        for (int i = 0; i < x.length; i++) {
            double into = i % period / period;
            x[i] = into < 0.5 ? (float) (0.1 * random.nextGaussian() * (1 - into)) : 0;
        }
        return x;
    }

    static Design design() {
        List<Source> sources = new ArrayList<>();
        for (int s = 0; s < SOURCES; s++) {
            sources.add(new Source("s" + s, "Source " + s, "s.wav", Role.COLOUR, 0, 0.2 * s - 0.7));
        }
        MusicalTime note = new MusicalTime.Note(NoteValue.parse("1/8.").orElseThrow(), 0);
        List<Return> returns = new ArrayList<>();
        returns.add(ret("A", new Space.Reverb(ReverbKind.ROOM, 0.6, 1, 0.8, 1)));
        returns.add(ret("B", new Space.Reverb(ReverbKind.PLATE, 1.6, 1, 0.7, 1)));
        returns.add(ret("C", new Space.Reverb(ReverbKind.HALL, 2.4, 1.1, 0.6, 1)));
        returns.add(ret("D", new Space.Convolution("hall.wav", 0, 0, 1, 1, 1)));
        returns.add(ret("E", Space.Echo.pingPong(note, 0.4, 120, 6000, 0.8)));
        returns.add(ret("F", Space.Echo.pingPong(new MusicalTime.Millis(230), 0.3, 120, 6000, 0)));
        Song song =
                new Song(
                        "Speed",
                        RATE,
                        SongClock.constant(100, 4, 4),
                        List.of(new Section("All", 1, 100)));
        return new Design(song, sources, returns);
    }

    private static Return ret(String id, Space space) {
        Gate send = new Gate("", Filter.OPEN, -30, 4, 120, 1, 40, 60, null);
        Map<String, Send> sends = new TreeMap<>();
        for (int s = 0; s < SOURCES; s++) {
            sends.put("s" + s, Send.of(-12).withGate(send));
        }
        Filter filter = new Filter(new Filter.Corner(180, 4), new Filter.Corner(7000, 4));
        Chain chain =
                Chain.of(space)
                        .withPredelay(new MusicalTime.Millis(23))
                        .withFilterIn(filter)
                        .withFilterOut(filter)
                        .withGate(new Gate("s0", Filter.OPEN, -40, 6, 40, 2, 200, 120, null))
                        .withDuck(new Duck("s1", 6, -40, 4, 6, 5, 80, 200));
        return new Return(
                id, "Return " + id, sends, Map.of(), chain, -6, new Return.Timing(1, false));
    }
}
