package orbispace.core.render;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import orbispace.core.Signals;
import orbispace.core.audio.Audio;
import orbispace.core.design.Design;
import orbispace.core.design.Fields;
import orbispace.core.design.Role;
import orbispace.core.render.Listen.SoloWet;
import org.junit.jupiter.api.Test;

/** What is heard while something is soloed or muted, as it is played. */
class ListenTest {
    private static final double RATE = 48000;
    private static final int FRAMES = 187 * 256;
    private static final int BLOCK = 256;
    private static final Design SONG =
            new Design(
                    Fields.song(120),
                    List.of(
                            Fields.source("voice", Role.LEAD),
                            Fields.source("organ", Role.HARMONY_BED)),
                    List.of(
                            Fields.hall("A", 0.4, Map.of("voice", 0.0, "organ", 0.0)),
                            Fields.hall("B", 0.3, Map.of("organ", 0.0))));
    private static final Map<String, Audio> STEMS = Map.of("voice", noise(1), "organ", noise(2));

    private static Audio noise(int seed) {
        return Signals.mono(RATE, Signals.noise(0.01, 300, 3000, FRAMES / RATE, RATE, seed));
    }

    private static SongMaterial material(String... silent) {
        Map<String, Audio> stems = new HashMap<>(STEMS);
        for (String id : silent) {
            stems.put(id, Signals.mono(RATE, new float[FRAMES]));
        }
        return new SongMaterial(stems, RATE);
    }

    private static float[] played(Listen how, SongMaterial material, Map<String, Double> parts) {
        LiveMix mix =
                new LiveMix(
                        LiveSettings.of(SONG, material, how.hearing(SONG, parts, false, 1, null)),
                        BLOCK);
        float[] left = new float[FRAMES];
        float[] l = new float[BLOCK];
        for (int at = 0; at + BLOCK <= FRAMES; at += BLOCK) {
            mix.process(at, l, new float[BLOCK], BLOCK);
            System.arraycopy(l, 0, left, at, BLOCK);
        }
        return left;
    }

    private static float[] played(ListeningSet set, boolean wetOnly, SoloWet wet, double dimDb) {
        return played(new Listen(set, wetOnly, false, wet, dimDb), material(), Map.of());
    }

    /** How far two sounds lie apart under the second, dB. */
    private static double apartDb(float[] one, float[] other) {
        double apart = 1e-30;
        double power = 1e-30;
        for (int i = 0; i < one.length; i++) {
            apart += Math.pow(one[i] - other[i], 2);
            power += Math.pow(other[i], 2);
        }
        return 10 * Math.log10(apart / power);
    }

    private static float[] sum(float[] one, float[] other, double gain) {
        float[] sum = one.clone();
        for (int i = 0; i < sum.length; i++) {
            sum[i] += (float) (gain * other[i]);
        }
        return sum;
    }

    private static final ListeningSet VOICE = ListeningSet.ALL.solo(Set.of("voice"), true);
    private static final Listen PLAIN =
            new Listen(ListeningSet.ALL, false, false, SoloWet.OWN, Listen.SILENT_DB);

    @Test
    void aSoloedSourceIsHeardWithItsOwnWetAsIfTheOthersWereNotThere() {
        float[] alone = played(PLAIN, material("organ"), Map.of());
        assertThat(apartDb(played(VOICE, false, SoloWet.OWN, Listen.SILENT_DB), alone))
                .isLessThan(-100);
        float[] rest = played(PLAIN, material("voice"), Map.of());
        float[] dimmed = sum(alone, rest, Math.pow(10, -18 / 20.0));
        assertThat(apartDb(played(VOICE, false, SoloWet.OWN, -18), dimmed)).isLessThan(-100);
    }

    @Test
    void aSoloedSourceIsHeardDryOrWithAllWet() {
        float[] dry = played(VOICE, false, SoloWet.DRY, Listen.SILENT_DB);
        float[] stem = Objects.requireNonNull(STEMS.get("voice")).channel(0);
        double gain = dry[24000] / stem[24000];
        float[] scaled = sum(new float[FRAMES], stem, gain);
        assertThat(apartDb(dry, scaled)).isLessThan(-90);
        float[] all = played(VOICE, false, SoloWet.ALL, Listen.SILENT_DB);
        float[] wet = played(ListeningSet.ALL, true, SoloWet.OWN, -18);
        assertThat(apartDb(all, sum(dry, wet, 1))).isLessThan(-100);
    }

    @Test
    void whoIsMutedIsAsIfNotThere() {
        float[] muted =
                played(ListeningSet.ALL.mute(Set.of("organ"), true), false, SoloWet.OWN, -18);
        assertThat(apartDb(muted, played(PLAIN, material("organ"), Map.of()))).isLessThan(-100);
        float[] back =
                played(
                        ListeningSet.ALL.mute(Set.of("organ"), true).mute(Set.of("organ"), false),
                        false,
                        SoloWet.OWN,
                        -18);
        assertThat(apartDb(back, played(PLAIN, material(), Map.of()))).isLessThan(-100);
    }

    @Test
    void anySetOfReturnsIsSoloedWithTheOthersTurnedDownOrMuted() {
        float[] all = played(ListeningSet.ALL, true, SoloWet.OWN, -18);
        float[] a = played(ListeningSet.ALL.muteReturn("B", true), true, SoloWet.OWN, -18);
        float[] b = played(ListeningSet.ALL.muteReturn("A", true), true, SoloWet.OWN, -18);
        assertThat(apartDb(sum(a, b, 1), all)).isLessThan(-100);
        float[] solo = played(ListeningSet.ALL.soloReturn("A", true), true, SoloWet.OWN, -18);
        assertThat(apartDb(solo, sum(a, b, Math.pow(10, -18 / 20.0)))).isLessThan(-100);
        float[] both =
                played(
                        ListeningSet.ALL.soloReturn("A", true).soloReturn("B", true),
                        true,
                        SoloWet.OWN,
                        -18);
        assertThat(apartDb(both, all)).isLessThan(-100);
        Listen alone =
                new Listen(
                        ListeningSet.ALL.soloReturn("A", true),
                        false,
                        true,
                        SoloWet.OWN,
                        Listen.SILENT_DB);
        assertThat(apartDb(played(alone, material(), Map.of()), a)).isLessThan(-100);
    }

    @Test
    void aPartIsLouderWithItsWetAndNothingElse() {
        float[] twice = played(PLAIN, material(), Map.of("voice", 2.0));
        float[] once = played(PLAIN, material(), Map.of());
        assertThat(apartDb(twice, sum(once, played(PLAIN, material("organ"), Map.of()), 1)))
                .isLessThan(-100);
    }

    @Test
    void aFieldWithoutReturnsIsTheSumOfItsSources() {
        Design dry = SONG.withReturns(List.of());
        LiveMix mix =
                new LiveMix(
                        LiveSettings.of(
                                dry, material(), PLAIN.hearing(dry, Map.of(), false, 1, null)),
                        BLOCK);
        float[] left = new float[FRAMES];
        float[] l = new float[BLOCK];
        for (int at = 0; at + BLOCK <= FRAMES; at += BLOCK) {
            mix.process(at, l, new float[BLOCK], BLOCK);
            System.arraycopy(l, 0, left, at, BLOCK);
        }
        Audio sum = new Renderer(material(), FRAMES, new StageCache(0)).dryMix(SONG);
        assertThat(apartDb(left, sum.channel(0))).isLessThan(-90);
    }

    @Test
    void aSetIsToldInWords() {
        ListeningSet set = VOICE.mute(Set.of("organ"), true).muteReturn("B", true);
        assertThat(set.words(id -> id.equals("voice") ? "Alto voice" : id))
                .isEqualTo("solo Alto voice; mute organ; mute B");
        assertThat(ListeningSet.ALL.words(id -> id)).isEqualTo("all");
        assertThat(set.isAll()).isFalse();
        assertThat(PLAIN.hearing(SONG, Map.of(), true, 0.5, null).outputGain())
                .isCloseTo(0.5, within(0.0));
    }
}
