package orbispace.app.listen;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import orbispace.core.audio.Audio;
import orbispace.core.design.Chain;
import orbispace.core.design.Design;
import orbispace.core.design.Return;
import orbispace.core.design.Role;
import orbispace.core.design.Send;
import orbispace.core.design.Song;
import orbispace.core.design.Source;
import orbispace.core.design.Space;
import orbispace.core.render.LiveSettings;
import orbispace.core.render.SongMaterial;
import orbispace.core.time.SongClock;
import orbispace.core.time.Span;
import org.junit.jupiter.api.Test;

class DeckTest {
    private static final double RATE = 48000;
    private static final int FRAMES = 4 * 48000;

    private static float[] click(int at) {
        float[] x = new float[FRAMES];
        x[at] = 1;
        return x;
    }

    private static LiveSettings hall(float[] sound, double levelDb) {
        Return hall =
                new Return(
                        "A",
                        "Hall",
                        Map.of("voice", Send.of(0)),
                        Map.of(),
                        Chain.of(Space.hall(3, 1, 1)),
                        levelDb,
                        new Return.Timing(1, false));
        Design design =
                new Design(
                        new Song("Deck", RATE, SongClock.constant(120, 4, 4), List.of()),
                        List.of(new Source("voice", "Voice", "v.wav", Role.LEAD, 0, 0)),
                        List.of(hall));
        SongMaterial material = new SongMaterial(Map.of("voice", Audio.of(RATE, sound)), RATE);
        return LiveSettings.of(design, material, LiveSettings.Hearing.PLAIN);
    }

    /** Plays for a while; the loudest sample of it. */
    private static double peak(Deck deck, double seconds) {
        float[] l = new float[Deck.BLOCK_FRAMES];
        float[] r = new float[Deck.BLOCK_FRAMES];
        double peak = 0;
        for (int at = 0; at < seconds * RATE; ) {
            int n = deck.make(l, r);
            for (int i = 0; i < n; i++) {
                peak = Math.max(peak, Math.max(Math.abs(l[i]), Math.abs(r[i])));
            }
            at += n;
        }
        return peak;
    }

    @Test
    void whatRangWhenPlayingStoppedIsNotHeardAgain() {
        Deck deck = new Deck(RATE);
        deck.hear(hall(click(24000), 0), FRAMES);
        deck.setPlaying(true);
        assertThat(peak(deck, 0.7)).isGreaterThan(0.01);
        deck.setPlaying(false);
        peak(deck, 0.1);
        assertThat(peak(deck, 0.1)).isZero();
        deck.seek(2);
        deck.setPlaying(true);
        assertThat(peak(deck, 0.5)).isLessThan(1e-6);
    }

    @Test
    void aSeekIsNeverLostAndIsShownAtOnce() {
        Deck deck = new Deck(RATE);
        deck.hear(hall(new float[FRAMES], 0), FRAMES);
        deck.setPlaying(true);
        peak(deck, 0.2);
        deck.seek(1);
        assertThat(deck.positionSeconds()).isEqualTo(1);
        float[] block = new float[Deck.BLOCK_FRAMES];
        deck.make(block, block.clone());
        // While one jump goes over into its place, another one waits for it.
        deck.seek(3);
        for (int i = 0; i < 3; i++) {
            deck.make(block, block.clone());
        }
        assertThat(deck.positionSeconds()).isBetween(3.0, 3.05);
    }

    @Test
    void playingEndsBehindTheSongAndStaysEnded() {
        Deck deck = new Deck(RATE);
        deck.hear(hall(new float[FRAMES], 0), FRAMES);
        deck.seek(3.9);
        deck.setPlaying(true);
        peak(deck, 6.3);
        assertThat(deck.playing()).isFalse();
        // A change that is heard meanwhile starts nothing.
        deck.hear(hall(new float[FRAMES], -6), FRAMES);
        peak(deck, 0.1);
        assertThat(deck.playing()).isFalse();
        assertThat(deck.positionSeconds()).isZero();
    }

    @Test
    void noJumpNorStartGoesOverMinusOneDecibel() {
        float[] loud = new float[FRAMES];
        for (int i = 0; i < FRAMES; i++) {
            loud[i] = (float) (1.4 * Math.signum(Math.sin(2 * Math.PI * 50 * i / RATE)));
        }
        Deck deck = new Deck(RATE);
        deck.hear(hall(loud, 12), FRAMES);
        deck.setPlaying(true);
        double peak = peak(deck, 2.5);
        for (int i = 0; i < 20; i++) {
            deck.seek(0.1 + 0.1234 * i);
            peak = Math.max(peak, peak(deck, 0.05));
        }
        deck.setPlaying(false);
        peak = Math.max(peak, peak(deck, 0.05));
        assertThat(peak).isBetween(0.8, 0.8911);
    }

    @Test
    void aLoopReturnsToItsBeginning() {
        Deck deck = new Deck(RATE);
        deck.hear(hall(new float[FRAMES], 0), FRAMES);
        deck.setLoop(new Span(1, 1.5));
        deck.setPlaying(true);
        for (int i = 0; i < 30; i++) {
            peak(deck, 0.1);
            assertThat(deck.positionSeconds()).isBetween(0.998, 1.5);
        }
    }
}
