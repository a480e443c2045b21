package orbispace.core.clear.room;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import orbispace.core.audio.Audio;
import orbispace.core.audio.Pan;
import orbispace.core.clear.CoverAnalysis;
import orbispace.core.design.Design;
import orbispace.core.design.Source;
import orbispace.core.design.Tone;
import orbispace.core.render.Job;

/** Sources rendered and heard as they would be, from what is laid into the song. */
final class ChangedSound {
    private final CoverAnalysis analysis;
    private final Design design;
    private final BitSet frames;
    private final Job job;
    private final Map<Source, TwoEars> heard = new HashMap<>();
    private final Map<Source, SidePowers> powers = new HashMap<>();

    ChangedSound(CoverAnalysis analysis, Design design, BitSet frames, Job job) {
        this.analysis = analysis;
        this.design = design;
        this.frames = frames;
        this.job = job;
    }

    /** What is heard of some sources together. */
    TwoEars ears(List<Source> as) {
        TwoEars sum = null;
        for (Source s : as) {
            TwoEars own = heard.computeIfAbsent(s, this::hear);
            sum = sum == null ? own : sum.plus(own);
        }
        if (sum == null) {
            throw new IllegalArgumentException("no source to hear");
        }
        return sum;
    }

    private TwoEars hear(Source as) {
        job.check();
        return TwoEars.of(sound(as), analysis.ear()).only(frames);
    }

    /** A source at its fader as it would be. */
    Audio sound(Source as) {
        Source was = design.findSource(as.id()).orElseThrow();
        List<Tone.Bell> more = new ArrayList<>(as.tone().bells());
        more.removeAll(was.tone().bells());
        double before = was.tone().width();
        double width = before <= 0 ? 1 : as.tone().width() / before;
        Audio dry = analysis.renderer().dry(design, was.withPan(width == 1 ? as.pan() : 0));
        Audio toned = new Tone(width, more).of(dry);
        return width == 1 ? toned : leant(toned, as.pan());
    }

    /** A sound of two channels leant to a side: after its width, as in the song. */
    private static Audio leant(Audio sound, double pan) {
        float[] left = sound.channel(0).clone();
        float[] right = sound.channel(1).clone();
        float l = (float) Pan.balanceLeft(pan);
        float r = (float) Pan.balanceRight(pan);
        for (int i = 0; i < left.length; i++) {
            left[i] *= l;
            right[i] *= r;
        }
        return Audio.of(sound.sampleRateHz(), left, right);
    }

    /** Left and right of some sources, as far as they have nothing in common. */
    SidePowers apart(List<Source> as) {
        return as.stream()
                .map(s -> powers.computeIfAbsent(s, k -> SidePowers.of(sound(k))))
                .reduce(SidePowers.none(), SidePowers::plus);
    }

    /** Left and right of some sources together. */
    SidePowers powers(List<Source> as) {
        float[] left = new float[analysis.renderer().frames()];
        float[] right = new float[left.length];
        for (Source s : as) {
            job.check();
            Audio sound = sound(s);
            for (int i = 0; i < left.length; i++) {
                left[i] += sound.channel(0)[i];
                right[i] += sound.channel(1)[i];
            }
        }
        return SidePowers.of(Audio.of(analysis.renderer().material().sampleRateHz(), left, right));
    }
}
