package orbispace.app.view.frame;

import orbispace.app.desk.FrameModel;
import orbispace.app.draw.Pen;
import orbispace.app.song.MixMeasure;
import orbispace.app.view.control.ScalingCanvas;
import orbispace.core.measure.Loudness;

/** Loudness on a scale of -36 to 0, with the true peak as an upright. */
final class LevelBar extends ScalingCanvas {
    private final FrameModel model;

    LevelBar(FrameModel model) {
        this.model = model;
    }

    @Override
    protected void paint(Pen pen, double w, double h) {
        pen.across(0, w, 6, pen.palette.ink);
        for (int i = 0; i <= 12; i++) {
            double x = (w - 1) * i / 12;
            pen.upright(x, i % 4 == 0 ? 1 : 3, 6, pen.palette.ink);
        }
        MixMeasure mix = model.measured().mix().get();
        if (mix == null) {
            return;
        }
        Loudness heard = model.transport().hearingBefore().get() ? mix.before() : mix.other();
        double l = Math.clamp((heard.integratedLufs().orElse(-36) + 36) / 36, 0, 1);
        double p = Math.clamp((heard.truePeakDbtp().orElse(-36) + 36) / 36, 0, 1);
        pen.g.setFill(pen.palette.ink);
        pen.g.fillRect(0, 10, l * w, 4);
        boolean over = heard.truePeakDbtp().orElse(-36) > -1;
        pen.line(p * (w - 1), 2, p * (w - 1), 17, over ? pen.palette.warn : pen.palette.ink, 1.6);
    }
}
