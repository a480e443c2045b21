package orbispace.app.view.song;

import javafx.scene.text.TextAlignment;
import orbispace.app.draw.Pen;
import orbispace.app.draw.Type;
import orbispace.app.view.control.ScalingCanvas;
import orbispace.core.material.Spectrum;
import org.jspecify.annotations.Nullable;

/** A stem's spectrum in third octaves as uprights, 50 dB from the loudest to the ground. */
final class SpectrumPlot extends ScalingCanvas {
    private static final double RANGE_DB = 50;

    private @Nullable Spectrum shown;

    void show(@Nullable Spectrum spectrum) {
        shown = spectrum;
        repaint();
    }

    @Override
    protected void paint(Pen pen, double w, double h) {
        Spectrum s = shown;
        if (s == null) {
            return;
        }
        double base = h - 15;
        double loudest = s.levelsDb().stream().mapToDouble(Double::doubleValue).max().orElse(0);
        double step = (w - 2) / Spectrum.BANDS;
        for (int b = 0; b < Spectrum.BANDS; b++) {
            double share = Math.clamp(1 + (s.levelsDb().get(b) - loudest) / RANGE_DB, 0, 1);
            double x = 1 + (b + 0.5) * step;
            if (share > 0) {
                pen.line(x, base, x, base - (base - 4) * share, pen.palette.ink, step * 0.55);
            }
        }
        pen.across(0, w, base, pen.palette.ink);
        label(pen, "63", 4, step, base);
        label(pen, "250", 10, step, base);
        label(pen, "1k", 16, step, base);
        label(pen, "4k", 22, step, base);
        pen.text("16k Hz", w, base + 12, Type.regular(11), pen.palette.ink3, TextAlignment.RIGHT);
    }

    private static void label(Pen pen, String text, int band, double step, double base) {
        double x = 1 + (band + 0.5) * step;
        pen.text(text, x, base + 12, Type.regular(11), pen.palette.ink3, TextAlignment.CENTER);
    }
}
