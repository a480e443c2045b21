package orbispace.core.render;

import java.util.List;
import java.util.Map;
import orbispace.core.audio.Audio;
import orbispace.core.audio.Decibels;
import orbispace.core.design.Design;
import orbispace.core.design.Duck;
import orbispace.core.design.Return;
import orbispace.core.design.Source;
import org.jspecify.annotations.Nullable;

/**
 * Everything that a {@link LiveMix} needs to know, worked out into plain arrays so that the audio
 * thread only reads.
 */
public final class LiveSettings {
    final float[][] dryGains;
    final float[][][] sendGains;
    final Stage.Tuning[][] tunings;
    final int[] keySources;
    final float[] keyGains;
    final float[] returnGains;
    final boolean mono;
    final float outputGain;
    final @Nullable ClickTrack click;

    /**
     * What is heard of a design.
     *
     * @param dimmed factor on each source's dry sound by id; missing ones are 1
     * @param returnGains factor on each return by id; missing ones are 1
     * @param mono whether both channels are folded to one
     * @param outputGain factor on everything, such as the match of before and after
     * @param click heard over it; null for none
     */
    public record Hearing(
            Map<String, Double> dimmed,
            Map<String, Double> returnGains,
            boolean mono,
            double outputGain,
            @Nullable ClickTrack click) {
        /** Everything at its own level. */
        public static final Hearing PLAIN = new Hearing(Map.of(), Map.of(), false, 1, null);
    }

    private LiveSettings(Design design, SongMaterial material, Hearing hearing) {
        List<Source> sources = design.sources();
        List<Return> returns = design.returns();
        dryGains = new float[sources.size()][];
        for (int s = 0; s < dryGains.length; s++) {
            Source source = sources.get(s);
            double factor = hearing.dimmed().getOrDefault(source.id(), 1.0);
            dryGains[s] =
                    gains(
                            material,
                            source.id(),
                            factor * Decibels.toAmplitude(source.gainDb()),
                            source.pan());
        }
        sendGains = new float[returns.size()][sources.size()][];
        tunings = new Stage.Tuning[returns.size()][];
        keySources = new int[returns.size()];
        keyGains = new float[returns.size()];
        this.returnGains = new float[returns.size()];
        for (int r = 0; r < tunings.length; r++) {
            workOut(design, r, material, hearing);
        }
        mono = hearing.mono();
        outputGain = (float) hearing.outputGain();
        click = hearing.click();
    }

    /** Works out a design over its material. */
    public static LiveSettings of(Design design, SongMaterial material, Hearing hearing) {
        return new LiveSettings(design, material, hearing);
    }

    private void workOut(Design design, int r, SongMaterial material, Hearing hearing) {
        Return ret = design.returns().get(r);
        ChainSettings chain = ChainSettings.of(design, ret);
        for (int s = 0; s < sendGains[r].length; s++) {
            String id = design.sources().get(s).id();
            ChainSettings.SendGain send = chain.sends().get(id);
            sendGains[r][s] =
                    send == null ? new float[2] : gains(material, id, send.gain(), send.pan());
        }
        tunings[r] =
                chain.stages().stream()
                        .map(s -> Stage.Tuning.of(s, material.sampleRateHz()))
                        .toArray(Stage.Tuning[]::new);
        Duck duck = ret.duck();
        keySources[r] = -1;
        for (int s = 0; duck != null && s < design.sources().size(); s++) {
            Source source = design.sources().get(s);
            if (source.id().equals(duck.keySource())) {
                keySources[r] = s;
                keyGains[r] = (float) Decibels.toAmplitude(source.gainDb()) / 2;
            }
        }
        returnGains[r] = (float) (double) hearing.returnGains().getOrDefault(ret.id(), 1.0);
    }

    private static float[] gains(SongMaterial material, String id, double gain, double pan) {
        Audio audio = material.audio().get(id);
        if (audio == null) {
            return new float[2];
        }
        return new float[] {
            (float) (gain * Renderer.leftGain(audio, pan)),
            (float) (gain * Renderer.rightGain(audio, pan))
        };
    }
}
