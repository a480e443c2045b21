package orbispace.app.listen;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.function.BooleanSupplier;
import orbispace.core.audio.Audio;
import orbispace.core.design.Design;
import orbispace.core.design.Role;
import orbispace.core.design.Song;
import orbispace.core.design.Source;
import orbispace.core.render.LiveSettings;
import orbispace.core.render.SongMaterial;
import orbispace.core.time.SongClock;
import org.junit.jupiter.api.Test;

/** A sound card that is changed, goes away while it plays, and comes back. */
class PlayerTest {
    private static final double RATE = 48000;
    private static final float LEVEL = 0.3f;

    /** Cards that can be pulled out. */
    private static final class Cards implements Devices {
        private final List<String> opened = Collections.synchronizedList(new ArrayList<>());
        private volatile boolean there = true;
        private volatile byte[] last = new byte[0];

        @Override
        public List<String> names() {
            return List.of("desk", "phones");
        }

        @Override
        public Output open(String name, double rate, int frames) {
            opened.add(name + " " + frames);
            Output clock = new Output.Silent(name.equals("old") ? 44100 : rate, name);
            if (!there) {
                return new Output.Silent(rate, name + " is not there");
            }
            return new Output() {
                @Override
                public String name() {
                    return name;
                }

                @Override
                public double sampleRateHz() {
                    return clock.sampleRateHz();
                }

                @Override
                public int sampleBytes() {
                    return name.equals("desk") ? 3 : 2;
                }

                @Override
                public boolean write(byte[] block, int bytes) {
                    last = java.util.Arrays.copyOf(block, bytes);
                    clock.write(block, bytes);
                    return there;
                }

                @Override
                public void close() {}
            };
        }

        /** The first sample of the last block as a share of full scale. */
        double sample(int bytes) {
            byte[] b = last;
            int v = b[bytes - 1];
            for (int i = bytes - 2; i >= 0; i--) {
                v = (v << 8) | (b[i] & 0xff);
            }
            return v / (double) ((1 << (8 * bytes - 1)) - 1);
        }
    }

    private static LiveSettings steady() {
        float[] x = new float[(int) (60 * RATE)];
        java.util.Arrays.fill(x, LEVEL);
        Source source = new Source("steady", "steady", "steady.wav", Role.COLOUR, 0, 0);
        Design design =
                new Design(
                        new Song("Mole", RATE, SongClock.constant(120, 4, 4), List.of()),
                        List.of(source),
                        List.of());
        return LiveSettings.of(
                design,
                new SongMaterial(Map.of("steady", Audio.of(RATE, x, x)), RATE),
                LiveSettings.Hearing.PLAIN);
    }

    private static void until(BooleanSupplier condition) throws InterruptedException {
        for (int i = 0; i < 3000 && !condition.getAsBoolean(); i++) {
            Thread.sleep(5);
        }
        assertThat(condition.getAsBoolean()).isTrue();
    }

    @Test
    void timeGoesOnWithoutTheCardAndItIsHeardAgainWhenItIsBack() throws InterruptedException {
        Cards cards = new Cards();
        try (Player player = new Player(RATE, new OutputChoice("desk", 1024, 0), cards)) {
            player.hear(steady(), (int) (60 * RATE));
            player.setPlaying(true);
            until(() -> player.positionSeconds() > 2.5);
            assertThat(cards.sample(3)).isCloseTo(LEVEL, within(0.001));
            assertThat(player.outputName()).isEqualTo("desk");

            player.playTo(new OutputChoice("phones", 512, 0));
            until(() -> player.outputName().equals("phones"));
            double then = player.positionSeconds();
            until(() -> player.positionSeconds() > then + 0.1);
            assertThat(cards.sample(2)).isCloseTo(LEVEL, within(0.001));

            cards.there = false;
            until(() -> player.outputName().startsWith("phones is gone"));
            double gone = player.positionSeconds();
            until(() -> player.positionSeconds() > gone + 0.2);
            assertThat(player.playing()).isTrue();
            until(() -> player.outputName().equals("phones is not there"));
            cards.there = true;
            until(() -> player.outputName().equals("phones"));
            assertThat(cards.opened.getFirst()).isEqualTo("desk 1024");
            assertThat(cards.opened.get(1)).isEqualTo("phones 512");
            assertThat(player.lateBlocks()).isNotNegative();
        }
    }

    @Test
    void aCardThatDoesNotHaveTheRateOfTheSongIsHeardAtItsOwn() throws InterruptedException {
        Cards cards = new Cards();
        try (Player player = new Player(RATE, new OutputChoice("old", 1024, 0), cards)) {
            assertThat(player.outputName()).isEqualTo("old at 44.1 kHz");
            player.hear(steady(), (int) (60 * RATE));
            player.setPlaying(true);
            until(() -> player.positionSeconds() > 2.5);
            assertThat(cards.sample(2)).isCloseTo(LEVEL, within(0.001));
            double frames = cards.last.length / 4.0;
            assertThat(frames / Deck.BLOCK_FRAMES).isCloseTo(44100 / RATE, within(0.01));
            player.playTo(new OutputChoice("desk", 1024, 96000));
            until(() -> player.outputName().equals("desk at 96.0 kHz"));
            double then = player.positionSeconds();
            until(() -> player.positionSeconds() > then + 0.2);
            assertThat(cards.sample(3)).isCloseTo(LEVEL, within(0.001));
            assertThat(cards.last.length).isEqualTo(2 * 2 * 3 * Deck.BLOCK_FRAMES);
        }
    }

    @Test
    void theMachineNamesWhatItHas() {
        assertThat(Player.devices()).doesNotHaveDuplicates();
        try (Output none = Devices.ofMachine().open("no such card", RATE, 512)) {
            assertThat(none.name()).startsWith("no such card is not there").contains("silent");
            assertThat(none.sampleBytes()).isEqualTo(2);
        }
    }

    @Test
    void theBeginningIsPlayedToNobodyUntilItIsDoneOrNotWantedAnyMore() {
        LiveSettings settings = steady();
        int frames = (int) (60 * RATE);
        int all = Warming.run(settings, RATE, frames, () -> true);
        assertThat(all).isEqualTo((int) Math.ceil(12 * RATE / Deck.BLOCK_FRAMES));
        int[] asked = new int[1];
        assertThat(Warming.run(settings, RATE, frames, () -> ++asked[0] <= 5)).isEqualTo(5);
    }
}
