package orbispace.core.render;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import orbispace.core.Signals;
import orbispace.core.audio.Audio;
import orbispace.core.design.Design;
import orbispace.core.design.Duck;
import orbispace.core.design.Fields;
import orbispace.core.design.Leads;
import orbispace.core.design.Return;
import orbispace.core.design.Role;
import orbispace.core.design.Section;
import orbispace.core.design.Song;
import orbispace.core.time.SongClock;
import orbispace.core.time.Span;
import org.junit.jupiter.api.Test;

/** A ducker keyed by the lead hears whoever leads where they lead, and nowhere else. */
class LeadKeyTest {
    private static final double RATE = 48000;
    private static final double SECONDS = 8;
    private static final SongMaterial MATERIAL =
            new SongMaterial(
                    Map.of(
                            "bed",
                            Signals.mono(RATE, Signals.noise(0.01, 200, 6000, SECONDS, RATE, 1)),
                            "early",
                            half(0),
                            "late",
                            half(1)),
                    RATE);

    /** A tone in one half of the song alone. */
    private static Audio half(int which) {
        float[] tone = Signals.sine(500, 0.3, SECONDS, RATE);
        for (int i = 0; i < tone.length; i++) {
            tone[i] *= 2 * i / tone.length == which ? 1 : 0;
        }
        return Signals.mono(RATE, tone);
    }

    private static Design song(String first, String second) {
        Duck duck = new Duck(Leads.KEY, 12, -50, 20, 0, 1, 0, 50);
        Return hall = Fields.hall("A", 0.5, Map.of("bed", -6.0)).withDuck(duck);
        return new Design(
                new Song(
                        "Turns",
                        RATE,
                        SongClock.constant(120, 4, 4),
                        List.of(
                                new Section("One", 1, 2).ledBy(first),
                                new Section("Two", 3, 2).ledBy(second))),
                List.of(
                        Fields.source("bed", Role.HARMONY_BED),
                        Fields.source("early", Role.LEAD),
                        Fields.source("late", Role.COLOUR)),
                List.of(hall));
    }

    private static Audio wet(Design design) {
        Renderer renderer = new Renderer(MATERIAL, MATERIAL.frames(), new StageCache(0));
        return renderer.wet(design, design.requireReturn("A"), Job.QUIET);
    }

    private static double db(Audio audio, double from, double to) {
        Audio part = audio.slice((int) (from * RATE), (int) (to * RATE));
        return 10 * Math.log10(part.meanSquare());
    }

    @Test
    void whoSoundsWhereAnotherLeadsDucksNothing() {
        Audio open = wet(song("late", "early"));
        Audio ducked = wet(song("early", "late"));
        for (double from : new double[] {1, 2.5, 5, 6.5}) {
            assertThat(db(open, from, from + 1) - db(ducked, from, from + 1))
                    .as("from %.1f s", from)
                    .isCloseTo(12, within(0.5));
        }
        Design one = song("", "");
        assertThat(one.keySpans(Leads.KEY)).isEmpty();
        assertThat(one.keySpans("early")).isEmpty();
        assertThat(db(wet(one), 5, 7)).isCloseTo(db(open, 5, 7), within(0.1));
        assertThat(song("early", "late").keySpans(Leads.KEY))
                .containsEntry("early", List.of(new Span(0, 4)))
                .containsEntry("late", List.of(new Span(4, 8)));
        assertThat(song("early", "early").keySpans(Leads.KEY))
                .containsEntry("early", List.of(new Span(0, 8)));
    }

    @Test
    void aStretchAndThePlayedMixHearTheSameKeyAsTheWholePrint() {
        Design design = song("early", "early");
        Audio whole = wet(design);
        Renderer window =
                new Renderer(MATERIAL, MATERIAL.frames(), new StageCache(0)).window(3, 6.5);
        Audio part = window.wet(design, design.requireReturn("A"), Job.QUIET);
        int offset = window.firstFrame();
        assertThat(difference(part, whole, offset, (int) RATE)).isLessThan(-60);
        LiveSettings.Hearing wetAlone =
                new LiveSettings.Hearing(
                        Map.of("bed", 0.0, "early", 0.0, "late", 0.0), Map.of(), false, 1, null);
        int block = 256;
        LiveMix mix = new LiveMix(LiveSettings.of(design, MATERIAL, wetAlone), block);
        float[] l = new float[block];
        float[] r = new float[block];
        float[] left = new float[MATERIAL.frames()];
        for (int at = 0; at + block <= left.length; at += block) {
            mix.process(at, l, r, block);
            System.arraycopy(l, 0, left, at, block);
        }
        assertThat(difference(Audio.of(RATE, left), whole, 0, 0)).isLessThan(-90);
    }

    @Test
    void aWindowIsAskedForInSecondsOfTheSongAlsoOfAWindow() {
        Renderer song = new Renderer(MATERIAL, MATERIAL.frames(), new StageCache(0));
        Renderer once = song.window(3, 7);
        Renderer twice = once.window(4, 6);
        assertThat(twice.firstFrame()).isEqualTo(song.window(4, 6).firstFrame());
        assertThat(twice.frames()).isEqualTo(song.window(4, 6).frames());
        Design design = song("early", "early");
        assertThat(difference(twice.dryMix(design), song.dryMix(design), twice.firstFrame(), 0))
                .isLessThan(-120);
        assertThat(once.window(0, 100).frames()).isEqualTo(once.frames());
    }

    /** How far what differs lies under what is heard, dB, from a frame of the part on. */
    private static double difference(Audio part, Audio whole, int offset, int from) {
        double apart = 0;
        double power = 1e-30;
        int n = Math.min(part.frames(), whole.frames() - offset) - 512;
        for (int i = from; i < n; i++) {
            double x = whole.channel(0)[offset + i];
            double d = part.channel(0)[i] - x;
            apart += d * d;
            power += x * x;
        }
        return 10 * Math.log10(apart / power + 1e-30);
    }
}
