package orbispace.core.render;

import java.util.List;
import java.util.Map;
import orbispace.core.audio.Audio;
import orbispace.core.audio.Decibels;
import orbispace.core.design.Design;
import orbispace.core.design.Source;
import orbispace.core.dynamics.GateSettings;
import org.jspecify.annotations.Nullable;

/**
 * Everything that a {@link LiveMix} needs to know, worked out into plain arrays so that the audio
 * thread only reads.
 */
public final class LiveSettings {
    private static final GainCurve SILENT = GainCurve.of(0);
    private static final LiveStand.Course STILL =
            new LiveStand.Course(GainCurve.EVEN, GainCurve.EVEN, GainCurve.EVEN);

    final LiveGraph graph;
    final SongMaterial material;
    final float[][] dryGains;
    final LiveStand.Course[] dryCourses;
    final float[][][] sendGains;
    final @Nullable GateSettings[][] sendGates;
    final GainCurve[][] sendCurves;
    final LiveStand.Course[][] sendCourses;
    final float[][] feedGains;
    final StageTuning[][][] tunings;
    final float[][] earGains;
    final GainCurve[][] earFaders;
    final float[] returnGains;
    final boolean mono;
    final float outputGain;
    final @Nullable ClickTrack click;

    /**
     * What is heard of a design.
     *
     * @param dimmed factor on each source's dry sound by id; missing ones are 1
     * @param sent factor on what each source sends by id; missing ones are 1
     * @param returnGains factor on each return by id; missing ones are 1
     * @param mono whether both channels are folded to one
     * @param outputGain factor on everything, such as the match of before and after
     * @param click heard over it; null for none
     */
    public record Hearing(
            Map<String, Double> dimmed,
            Map<String, Double> sent,
            Map<String, Double> returnGains,
            boolean mono,
            double outputGain,
            @Nullable ClickTrack click) {
        /** Everything at its own level. */
        public static final Hearing PLAIN = new Hearing(Map.of(), Map.of(), false, 1, null);

        /** The same with everything sent as it is. */
        public Hearing(
                Map<String, Double> dimmed,
                Map<String, Double> returnGains,
                boolean mono,
                double outputGain,
                @Nullable ClickTrack click) {
            this(dimmed, Map.of(), returnGains, mono, outputGain, click);
        }
    }

    private LiveSettings(
            Design design, SongMaterial material, Hearing hearing, @Nullable LiveSettings before) {
        this.material = material;
        graph = new LiveGraph(design, material.responses());
        List<Source> sources = design.sources();
        dryGains = new float[sources.size()][];
        dryCourses = new LiveStand.Course[sources.size()];
        SourceCurves curves = new SourceCurves(design);
        for (int s = 0; s < dryGains.length; s++) {
            Source source = sources.get(s);
            SourceCurves.Course course = curves.of(source);
            Audio audio = audio(material, source.id());
            double factor = hearing.dimmed().getOrDefault(source.id(), 1.0);
            double gain = factor * Decibels.toAmplitude(source.gainDb());
            dryGains[s] = gains(audio, gain, course.stand());
            dryCourses[s] = LiveStand.Course.dry(audio, course);
        }
        int returns = graph.order.length;
        sendGains = new float[returns][sources.size()][2];
        sendGates = new GateSettings[returns][sources.size()];
        sendCurves = new GainCurve[returns][graph.sources.size()];
        sendCourses = new LiveStand.Course[returns][graph.sources.size()];
        feedGains = new float[returns][returns];
        tunings = new StageTuning[returns][][];
        earGains = new float[graph.ears.size()][];
        earFaders = new GainCurve[graph.ears.size()][];
        returnGains = new float[returns];
        for (int r = 0; r < returns; r++) {
            workOut(r, hearing, before);
        }
        mono = hearing.mono();
        outputGain = (float) hearing.outputGain();
        click = hearing.click();
    }

    /** Works out a design over its material. */
    public static LiveSettings of(Design design, SongMaterial material, Hearing hearing) {
        return new LiveSettings(design, material, hearing, null);
    }

    /** Works out a design, taking over what has not changed since other settings. */
    public static LiveSettings of(
            Design design, SongMaterial material, Hearing hearing, @Nullable LiveSettings before) {
        return new LiveSettings(design, material, hearing, before);
    }

    private void workOut(int r, Hearing hearing, @Nullable LiveSettings before) {
        ChainSettings chain = graph.chains.get(r);
        for (int s = 0; s < graph.sources.size(); s++) {
            String id = graph.sources.get(s);
            ChainSettings.SendGain send = chain.sends().get(id);
            sendCurves[r][s] = send == null ? SILENT : send.curve();
            sendCourses[r][s] = STILL;
            if (send != null) {
                Audio audio = audio(material, id);
                double factor = hearing.sent().getOrDefault(id, 1.0);
                sendGains[r][s] = gains(audio, factor * send.gain(), send.stand());
                sendCourses[r][s] = LiveStand.Course.sent(audio, send.stand());
                sendGates[r][s] = send.gate() == null ? null : send.gate().settings();
                hear(graph.sendEars[r][s], send.gate() == null ? null : send.gate().key());
            }
        }
        chain.feeds()
                .forEach((id, feed) ->
                        feedGains[r][graph.returns.indexOf(id)] = (float) feed.gain());
        tunings[r] = new StageTuning[chain.stages().size()][];
        for (int i = 0; i < tunings[r].length; i++) {
            Timeline stage = chain.stages().get(i);
            hear(graph.stageEars[r][i], stage.first().key());
            tunings[r][i] = known(r, i, stage, before);
        }
        String id = graph.parents.get(r);
        returnGains[r] = (float) (double) hearing.returnGains().getOrDefault(id, 1.0);
    }

    private StageTuning[] known(int r, int i, Timeline stage, @Nullable LiveSettings before) {
        if (before != null && before.material.sampleRateHz() == material.sampleRateHz()) {
            int was = before.graph.returns.indexOf(graph.returns.get(r));
            if (was >= 0 && before.graph.chains.get(was).stages().get(i).equals(stage)) {
                return before.tunings[was][i];
            }
        }
        return stage.steps().stream()
                .map(s -> StageTuning.of(s.settings(), material.sampleRateHz()))
                .toArray(StageTuning[]::new);
    }

    private void hear(int ear, StageSettings.@Nullable Key key) {
        if (ear >= 0 && key != null) {
            List<String> ids = graph.ears.get(ear).sources();
            earGains[ear] = new float[ids.size()];
            earFaders[ear] = ids.stream().map(key::fader).toArray(GainCurve[]::new);
            for (int s = 0; s < ids.size(); s++) {
                earGains[ear][s] = key.gains().getOrDefault(ids.get(s), 0.0).floatValue();
            }
        }
    }

    /** Whether a mix made for these settings can take others, which are of the same stems. */
    @SuppressWarnings("ReferenceEquality") // Other material is another object.
    public boolean fits(LiveSettings other) {
        return material == other.material && graph.signature().equals(other.graph.signature());
    }

    /** The stem of a source; silence for one that is not there. */
    static Audio audio(SongMaterial material, String id) {
        Audio audio = material.audio().get(id);
        return audio == null ? Audio.silence(material.sampleRateHz(), 1, 0) : audio;
    }

    private static float[] gains(Audio audio, double gain, Stand stand) {
        return new float[] {
            (float) (gain * stand.leftGain(audio)), (float) (gain * stand.rightGain(audio))
        };
    }
}
