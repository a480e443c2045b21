package orbispace.core.render;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.concurrent.CancellationException;
import orbispace.core.Signals;
import orbispace.core.audio.Audio;
import orbispace.core.design.Design;
import orbispace.core.design.Duck;
import orbispace.core.design.Fields;
import orbispace.core.design.Filter;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Role;
import orbispace.core.measure.DecayMeter;
import org.junit.jupiter.api.Test;

class RenderTest {
    private static final double RATE = 48000;
    private static final StageCache NO_CACHE = new StageCache(0);

    private static SongMaterial material(double seconds) {
        return new SongMaterial(
                Map.of(
                        "voice",
                                Signals.mono(
                                        RATE, Signals.noise(0.01, 200, 6000, seconds, RATE, 1)),
                        "bed",
                                Signals.mono(
                                        RATE, Signals.noise(0.005, 100, 3000, seconds, RATE, 2))),
                RATE);
    }

    private static Audio wet(Design design, SongMaterial material, String id) {
        Renderer renderer = new Renderer(material, material.frames(), NO_CACHE);
        return renderer.wet(design, design.requireReturn(id), Job.QUIET);
    }

    private static double differenceDb(Audio a, Audio b) {
        double difference = 0;
        double power = 0;
        for (int c = 0; c < 2; c++) {
            for (int i = 0; i < a.frames(); i++) {
                difference += Math.pow(a.channel(c)[i] - b.channel(c)[i], 2);
                power += Math.pow(a.channel(c)[i], 2);
            }
        }
        return 10 * Math.log10(difference / power + 1e-30);
    }

    @Test
    void theFirstArrivalOfAnEchoStandsWhereTheTempoPutsIt() {
        float[] click = new float[3 * (int) RATE];
        click[4800] = 1;
        for (double bpm : new double[] {84, 88, 141.3}) {
            Design design =
                    new Design(
                            Fields.song(bpm),
                            List.of(Fields.source("voice", Role.LEAD)),
                            List.of(Fields.echo("A", "1/4.", 0.3, Map.of("voice", 0.0))));
            Audio wet =
                    wet(
                            design,
                            new SongMaterial(Map.of("voice", Signals.mono(RATE, click)), RATE),
                            "A");
            int peak = 0;
            for (int i = 0; i < wet.frames(); i++) {
                peak = Math.abs(wet.channel(0)[i]) > Math.abs(wet.channel(0)[peak]) ? i : peak;
            }
            double expected = 4800 + 1.5 * 60 / bpm * RATE;
            assertThat((double) peak).isCloseTo(expected, within(1.0));
        }
    }

    @Test
    void sendsPansAndLevelsAddUpLinearly() {
        SongMaterial material = material(1);
        Design design = Fields.two();
        Audio wet = wet(design, material, "B");
        Audio louder = wet(new ReturnEdit.Level("B", 6).applyTo(design), material, "B");
        assertThat(differenceDb(louder, wet.scaled(Math.pow(10, 6 / 20.0)))).isLessThan(-100);
        Audio sent =
                wet(new ReturnEdit.SendLevel("B", "voice", -4.0).applyTo(design), material, "B");
        assertThat(differenceDb(sent, wet.scaled(Math.pow(10, 6 / 20.0)))).isLessThan(-100);
    }

    @Test
    void theMixIsTheSumOfDryAndReturns() {
        SongMaterial material = material(1);
        Rendering r =
                new Renderer(material, material.frames(), NO_CACHE).render(Fields.two(), Job.QUIET);
        Audio a = java.util.Objects.requireNonNull(r.wets().get("A"));
        Audio b = java.util.Objects.requireNonNull(r.wets().get("B"));
        for (int i = 0; i < material.frames(); i += 97) {
            float sum = r.dry().channel(0)[i] + a.channel(0)[i] + b.channel(0)[i];
            assertThat(r.mix().channel(0)[i]).isCloseTo(sum, within(1e-6f));
        }
        assertThat(r.wets().keySet()).containsExactly("A", "B");
    }

    @Test
    void cachedStagesGiveTheSameSoundAndOnlyWhatFollowsAChangeIsRenderedAgain() {
        SongMaterial material = material(1);
        StageCache cache = new StageCache(1L << 30);
        Renderer renderer = new Renderer(material, material.frames(), cache);
        Design design = Fields.two();
        Audio first = renderer.wet(design, design.requireReturn("A"), Job.QUIET);
        assertThat(renderer.wet(design, design.requireReturn("A"), Job.QUIET)).isSameAs(first);
        ChainSettings chain = new ChainWorks(design, Responses.NONE).of(design.requireReturn("A"));
        Audio afterEngine = renderer.after(chain, ChainSettings.ENGINE + 1, Job.QUIET);
        Design changed = new ReturnEdit.Level("A", -9).applyTo(design);
        ChainSettings changedChain =
                new ChainWorks(changed, Responses.NONE).of(changed.requireReturn("A"));
        assertThat(renderer.after(changedChain, ChainSettings.ENGINE + 1, Job.QUIET))
                .isSameAs(afterEngine);
        Audio again = renderer.wet(changed, changed.requireReturn("A"), Job.QUIET);
        assertThat(differenceDb(again, wet(changed, material, "A"))).isLessThan(-140);
        Design longer = new ReturnEdit.Decay("A", 2).applyTo(design);
        ChainSettings longerChain =
                new ChainWorks(longer, Responses.NONE).of(longer.requireReturn("A"));
        assertThat(renderer.after(longerChain, ChainSettings.ENGINE + 1, Job.QUIET))
                .isNotSameAs(afterEngine);
    }

    @Test
    void theCacheForgetsTheLongestUnusedFirst() {
        StageCache cache = new StageCache(3 * 4 * 1000);
        Audio sound = Audio.silence(RATE, 1, 1000);
        cache.keep("a", sound);
        cache.keep("b", Audio.silence(RATE, 1, 1000));
        cache.keep("c", Audio.silence(RATE, 1, 1000));
        assertThat(cache.find("a")).contains(sound);
        cache.keep("d", Audio.silence(RATE, 1, 1000));
        assertThat(cache.find("b")).isEmpty();
        assertThat(cache.find("a")).isPresent();
    }

    @Test
    void aDuckerTurnsTheReturnDownWhileItsKeySounds() {
        float[] key = new float[3 * (int) RATE];
        float[] half = Signals.noise(0.02, 200, 6000, 1, RATE, 5);
        System.arraycopy(half, 0, key, 0, half.length);
        SongMaterial material =
                new SongMaterial(
                        Map.of(
                                "voice", Signals.mono(RATE, key),
                                "bed",
                                        Signals.mono(
                                                RATE, Signals.noise(0.01, 100, 3000, 3, RATE, 6))),
                        RATE);
        Design open =
                new Design(
                        Fields.song(120),
                        List.of(
                                Fields.source("voice", Role.LEAD),
                                Fields.source("bed", Role.HARMONY_BED)),
                        List.of(Fields.hall("A", 0.5, Map.of("bed", -6.0))));
        Design ducked =
                new ReturnEdit.Ducking("A", new Duck("voice", 9, -50, 8, 6, 5, 50, 100))
                        .applyTo(open);
        Audio before = wet(open, material, "A");
        Audio after = wet(ducked, material, "A");
        assertThat(levelDb(after, 0.3, 0.9) - levelDb(before, 0.3, 0.9)).isCloseTo(-9, within(0.1));
        assertThat(levelDb(after, 2, 2.9) - levelDb(before, 2, 2.9)).isCloseTo(0, within(0.1));
    }

    private static double levelDb(Audio a, double from, double to) {
        return 10 * Math.log10(a.slice((int) (from * RATE), (int) (to * RATE)).meanSquare());
    }

    @Test
    void theImpulseResponseIsThatOfTheLinearPart() {
        Design design = Fields.two();
        Return hall = design.requireReturn("A");
        Audio response = ImpulseResponse.of(design, hall, Responses.NONE);
        assertThat(DecayMeter.measure(response).predelaySeconds()).isCloseTo(0.02, within(0.001));
        Design other = new ReturnEdit.Level("A", -20).applyTo(design);
        Audio same = ImpulseResponse.of(other, other.requireReturn("A"), Responses.NONE);
        assertThat(same.channel(0)).isEqualTo(response.channel(0));
        var t30 = DecayMeter.measure(response).bands().get(4).t30();
        assertThat(t30.fitted().orElse(0)).isCloseTo(1.2, within(0.06));
    }

    @Test
    void aJobThatIsNoLongerWantedStops() {
        Job cancelled =
                new Job() {
                    @Override
                    public void report(double share) {}

                    @Override
                    public boolean cancelled() {
                        return true;
                    }
                };
        assertThatThrownBy(
                        () -> {
                            SongMaterial material = material(1);
                            new Renderer(material, material.frames(), NO_CACHE)
                                    .wet(Fields.two(), Fields.two().requireReturn("A"), cancelled);
                        })
                .isInstanceOf(CancellationException.class);
    }

    @Test
    void materialOfAnotherRateIsRefused() {
        assertThatThrownBy(() -> new SongMaterial(Map.of("a", Audio.silence(44100, 1, 10)), 48000))
                .hasMessageContaining("44100");
    }

    @Test
    void twoPolesMoreMakeTheFilterSteeperByTwelveDecibels() {
        var two =
                new StageSettings.Filtering(new Filter(new Filter.Corner(1000, 2), null))
                        .sections(RATE);
        var four =
                new StageSettings.Filtering(new Filter(new Filter.Corner(1000, 4), null))
                        .sections(RATE);
        double a = orbispace.core.signal.FilterDesign.magnitudeDb(two, 125, RATE);
        double b = orbispace.core.signal.FilterDesign.magnitudeDb(four, 125, RATE);
        assertThat(b - a).isCloseTo(a, within(0.3));
    }

    @Test
    void aKeyThatIsInvertedOnOneSideDucksAsMuch() {
        float[] tone = Signals.sine(500, 0.2, 2, RATE);
        float[] turned = Signals.scaled(tone, -1);
        float[] bed = Signals.noise(0.01, 100, 3000, 2, RATE, 5);
        Design ducked =
                new ReturnEdit.SendLevel("A", "voice", null)
                        .applyTo(
                                new ReturnEdit.Ducking(
                                                "A", new Duck("voice", 12, -50, 8, 0, 5, 50, 100))
                                        .applyTo(Fields.two()));
        Audio plain =
                fresh(
                        ducked,
                        new SongMaterial(
                                Map.of(
                                        "voice", Audio.of(RATE, tone, tone.clone()),
                                        "bed", Audio.of(RATE, bed)),
                                RATE),
                        "A");
        Audio wide =
                fresh(
                        ducked,
                        new SongMaterial(
                                Map.of(
                                        "voice", Audio.of(RATE, tone, turned),
                                        "bed", Audio.of(RATE, bed)),
                                RATE),
                        "A");
        assertThat(wide.meanSquare() / plain.meanSquare()).isCloseTo(1, within(1e-6));
    }

    /** The wet of A with nothing kept from other material. */
    private static Audio fresh(Design design, SongMaterial material, String id) {
        return new Renderer(material, material.frames(), new StageCache(0))
                .wet(design, design.requireReturn(id), Job.QUIET);
    }
}
