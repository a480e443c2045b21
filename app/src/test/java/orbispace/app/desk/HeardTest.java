package orbispace.app.desk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import orbispace.app.listen.Transport;
import orbispace.core.audio.Audio;
import orbispace.core.design.Design;
import orbispace.core.design.Filter;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Return;
import orbispace.core.design.Role;
import orbispace.core.design.Section;
import orbispace.core.design.Song;
import orbispace.core.design.Source;
import orbispace.core.design.Space;
import orbispace.core.design.Throw;
import orbispace.core.render.ListeningSet;
import orbispace.core.render.SongMaterial;
import orbispace.core.time.SongClock;
import orbispace.files.FileProblem;
import orbispace.files.sound.SoundReader;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.api.parallel.Execution;
import org.junit.jupiter.api.parallel.ExecutionMode;

/** What is really heard, written to a tape instead of a sound card. */
@Execution(ExecutionMode.SAME_THREAD)
class HeardTest {
    private static final double RATE = 48000;
    private static final double LEVEL = 0.1;

    @TempDir Path folder;

    @AfterEach
    void noTape() {
        System.clearProperty("orbispace.tape");
    }

    private static Audio tone(double hz, double level) {
        float[] x = new float[(int) (8 * RATE)];
        for (int i = 0; i < x.length; i++) {
            x[i] = (float) (level * Math.sin(2 * Math.PI * hz * i / RATE));
        }
        return Audio.of(RATE, x, x);
    }

    private static Design design(double gainDb) {
        Source source = new Source("tone", "Tone", "tone.wav", Role.LEAD, gainDb, 0);
        List<Section> none = List.of();
        return new Design(
                new Song("Buoys", RATE, SongClock.constant(120, 4, 4), none),
                List.of(source),
                List.of());
    }

    /** Waits until the song has come so far, however slow the machine is. */
    private static void playTo(Transport transport, double seconds) throws InterruptedException {
        for (int i = 0; i < 6000 && transport.position().get() < seconds; i++) {
            Thread.sleep(10);
            transport.refresh();
        }
        assertThat(transport.position().get()).isGreaterThanOrEqualTo(seconds);
    }

    /** Amplitude of a tone in a stretch of what was played. */
    private static double amplitude(Audio played, double hz, double from, double to) {
        double re = 0;
        double im = 0;
        int first = (int) (from * RATE);
        int last = (int) (to * RATE);
        for (int i = first; i < last; i++) {
            double a = 2 * Math.PI * hz * i / RATE;
            re += played.channel(0)[i] * Math.cos(a);
            im += played.channel(0)[i] * Math.sin(a);
        }
        return 2 * Math.hypot(re, im) / (last - first);
    }

    @Test
    void aSetIsSoloedTheRestDimmedAndWhatIsMutedSendsNothing()
            throws InterruptedException, FileProblem {
        Path tape = folder.resolve("solo.wav");
        System.setProperty("orbispace.tape", tape.toString());
        List<Source> sources = new ArrayList<>();
        Map<String, Audio> audio = new HashMap<>();
        double[] hertz = {400, 700, 1100};
        for (double hz : hertz) {
            String id = "tone" + (int) hz;
            sources.add(new Source(id, id, id + ".wav", Role.COLOUR, 0, 0));
            audio.put(id, tone(hz, LEVEL));
        }
        Design dry =
                new Design(
                        new Song("Buoys", RATE, SongClock.constant(120, 4, 4), List.of()),
                        sources,
                        List.of());
        Transport transport = new Transport();
        transport.begin(new SongMaterial(audio, RATE));
        transport
                .set()
                .set(
                        ListeningSet.ALL
                                .solo(Set.of("tone400", "tone700"), true)
                                .mute(Set.of("tone700"), true));
        transport.hear(dry, 0);
        transport.togglePlaying();
        playTo(transport, 3);
        transport.close();
        Audio played = SoundReader.read(tape);
        double end = played.seconds();
        assertThat(amplitude(played, 400, end - 0.6, end - 0.1)).isCloseTo(LEVEL, within(0.002));
        assertThat(amplitude(played, 700, end - 0.6, end - 0.1)).isLessThan(1e-4);
        assertThat(amplitude(played, 1100, end - 0.6, end - 0.1))
                .isCloseTo(LEVEL * Math.pow(10, Transport.USUAL_DIM_DB / 20), within(0.0005));
        transport.hearAll();
        assertThat(transport.set().get().isAll()).isTrue();

        Design wet =
                dry.withReturns(
                                List.of(
                                        Return.of(
                                                "A",
                                                "Hall",
                                                Map.of("tone400", 0.0, "tone1100", 0.0),
                                                Filter.OPEN,
                                                new MusicalTime.Millis(0),
                                                Space.hall(1, 1, 1),
                                                Filter.OPEN,
                                                null,
                                                0,
                                                1)))
                        .withThrown(List.of(Throw.of("t1", "tone400", "A", 0, 16, 6)));
        assertThat(wetAmplitude(wet, audio, Set.of(), "wet.wav")).isGreaterThan(1e-3);
        assertThat(wetAmplitude(wet, audio, Set.of("tone400"), "muted.wav")).isLessThan(1e-5);
    }

    /** How loud the first tone is in the returns alone. */
    private double wetAmplitude(
            Design wet, Map<String, Audio> audio, Set<String> muted, String name)
            throws InterruptedException, FileProblem {
        Path tape = folder.resolve(name);
        System.setProperty("orbispace.tape", tape.toString());
        Transport transport = new Transport();
        transport.begin(new SongMaterial(audio, RATE));
        transport.wetOnly().set(true);
        transport.set().set(ListeningSet.ALL.mute(muted, true));
        transport.hear(wet, 0);
        transport.togglePlaying();
        playTo(transport, 3);
        transport.close();
        Audio played = SoundReader.read(tape);
        return amplitude(played, 400, played.seconds() - 0.6, played.seconds() - 0.1);
    }

    @Test
    void flippingToATrackAndBackIsHeardEquallyLoudAndWithoutAClick()
            throws InterruptedException, FileProblem {
        Path tape = folder.resolve("played.wav");
        System.setProperty("orbispace.tape", tape.toString());
        Transport transport = new Transport();
        transport.begin(new SongMaterial(Map.of("tone", tone(400, LEVEL)), RATE));
        assertThat(transport.outputName().get()).isEqualTo("tape");
        transport.hear(design(0), 0);
        transport.togglePlaying();
        playTo(transport, 3);
        // The track is 6 dB louder and turned down by as much.
        SongMaterial track = new SongMaterial(Map.of("tone", tone(700, 2 * LEVEL)), RATE);
        transport.hearTrack(design(0), track, 20 * Math.log10(0.5));
        playTo(transport, 4);
        transport.hear(design(0), 0);
        playTo(transport, 5);
        transport.close();
        Audio played = SoundReader.read(tape);
        double end = played.seconds();
        assertThat(amplitude(played, 400, end - 0.6, end - 0.1)).isCloseTo(LEVEL, within(0.002));
        double most = 0;
        double loudest = 0;
        float[] x = played.channel(0);
        for (int i = 1; i < x.length; i++) {
            most = Math.max(most, Math.abs(x[i] - x[i - 1]));
            loudest = Math.max(loudest, Math.abs(x[i]));
        }
        // The steepest step of the higher tone; while both sound, of the two together.
        double steepest = LEVEL * 2 * Math.PI * (400 + 700) / RATE;
        assertThat(most).isLessThan(1.3 * steepest);
        assertThat(loudest).isLessThan(2.05 * LEVEL);
        double heard = 0;
        for (double at = 2.2; at < end - 1; at += 0.1) {
            heard = Math.max(heard, amplitude(played, 700, at, at + 0.1));
        }
        assertThat(heard).isCloseTo(LEVEL, within(0.004));
    }
}
