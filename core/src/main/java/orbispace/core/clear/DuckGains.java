package orbispace.core.clear;

import orbispace.core.design.Design;
import orbispace.core.design.Duck;
import orbispace.core.design.ReturnEdit;
import orbispace.core.dynamics.Ducker;
import orbispace.core.dynamics.KeyPeaks;
import orbispace.core.hearing.Excitation;
import orbispace.core.render.ChainWorks;
import orbispace.core.render.Job;
import orbispace.core.render.Renderer;

/** What a ducker does to excitations: ducking by g multiplies them by g squared. */
final class DuckGains {
    private DuckGains() {}

    /** Mean power gain of a return's ducker under the window of each excitation frame. */
    static float[] of(
            CoverAnalysis analysis, Design design, String returnId, Duck duck, int frames) {
        Renderer renderer = analysis.renderer();
        Design with = new ReturnEdit.Ducking(returnId, duck).applyTo(design);
        float[] peaks = renderer.duckPeaks(with, with.requireReturn(returnId), Job.QUIET);
        double rate = renderer.material().sampleRateHz();
        float[] curve = new Ducker(ChainWorks.ducker(duck), rate).curve(peaks, peaks.length);
        double steps = rate / analysis.framesPerSecond() / KeyPeaks.STEP;
        return FrameGains.power(frames, steps, s -> curve[Math.clamp(s, 0, curve.length - 1)]);
    }

    /** A return's excitation under a ducker. */
    static Excitation under(Excitation open, Duck duck, float[] powerPerFrame) {
        return duck.band() == null
                ? open.times(powerPerFrame)
                : open.times(powerPerFrame, KeyBand.outside(duck.band()));
    }
}
