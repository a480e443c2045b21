package orbispace.core.clear.room;

import java.util.BitSet;
import orbispace.core.audio.Audio;
import orbispace.core.audio.Pan;
import orbispace.core.clear.CoverAnalysis;
import orbispace.core.design.Design;
import orbispace.core.design.Source;
import orbispace.core.hearing.Ear;
import orbispace.core.hearing.Excitation;
import orbispace.core.render.Renderer;

/**
 * A dry source as two ears have it wherever it is put: excitation and power are linear, so that a
 * pan or a width is no more than gains of what was heard once.
 */
final class SourceSound {
    private final Source source;
    private final boolean mono;
    private final TwoEars centred;
    private final Excitation both;
    private final SidePowers powers;

    private SourceSound(
            Source source, boolean mono, TwoEars centred, Excitation both, SidePowers powers) {
        this.source = source;
        this.mono = mono;
        this.centred = centred;
        this.both = both;
        this.powers = powers;
    }

    /**
     * Hears a source.
     *
     * @param design of which it is a source; none moves in it
     * @param frames the frames of the ear that are kept
     */
    static SourceSound of(CoverAnalysis analysis, Design design, Source source, BitSet frames) {
        Renderer renderer = analysis.renderer();
        Audio laid = renderer.material().audio().get(source.id());
        boolean mono = laid == null || laid.channelCount() == 1;
        Audio sound = renderer.dry(design, source.withPan(0));
        Ear ear = analysis.ear();
        SidePowers powers = SidePowers.of(sound);
        if (mono) {
            Excitation one = ear.hear(Audio.of(sound.sampleRateHz(), sound.channel(0)));
            Excitation few = one.only(frames);
            return new SourceSound(source, true, new TwoEars(few, few), few.times(4), powers);
        }
        float[] sum = sound.channel(0).clone();
        for (int i = 0; i < sum.length; i++) {
            sum[i] += sound.channel(1)[i];
        }
        Excitation both = ear.hear(Audio.of(sound.sampleRateHz(), sum)).only(frames);
        TwoEars ears = TwoEars.of(sound, ear).only(frames);
        return new SourceSound(source, false, ears, both, powers);
    }

    /** The source as it stands. */
    Source source() {
        return source;
    }

    /** Whether it has one channel. */
    boolean isMono() {
        return mono;
    }

    /** Its excitation at another pan and width. */
    TwoEars ears(Source as) {
        double width = width(as);
        if (mono || width == 1) {
            return centred.times(left(as), right(as));
        }
        double own = (1 + width) / 2;
        double other = (1 - width) / 2;
        Excitation l = centred.left();
        Excitation r = centred.right();
        return new TwoEars(mixed(l, r, own, other), mixed(r, l, own, other))
                .times(left(as), right(as));
    }

    /** A channel and a smaller part of the other; what both have in common is in their sum. */
    private Excitation mixed(Excitation more, Excitation less, double own, double other) {
        return more.times(own * (own - other))
                .plus(both.times(own * other))
                .minus(less.times(other * (own - other)));
    }

    /** Its powers at another pan and width. */
    SidePowers powers(Source as) {
        return powers.at(left(as), right(as), mono ? 1 : width(as));
    }

    private double width(Source as) {
        double was = source.tone().width();
        return was <= 0 ? 1 : as.tone().width() / was;
    }

    private double left(Source as) {
        return mono ? Pan.left(as.pan()) / Pan.left(0) : Pan.balanceLeft(as.pan());
    }

    private double right(Source as) {
        return mono ? Pan.right(as.pan()) / Pan.right(0) : Pan.balanceRight(as.pan());
    }
}
