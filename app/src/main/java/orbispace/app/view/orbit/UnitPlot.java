package orbispace.app.view.orbit;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.scene.text.TextAlignment;
import orbispace.app.draw.Pen;
import orbispace.app.draw.Type;
import orbispace.app.view.control.ScalingCanvas;
import orbispace.core.measure.BandDecay;
import orbispace.core.measure.DecayTime;
import orbispace.core.measure.UnitReport;
import orbispace.core.words.Wording;

/** A unit's decay per octave to scale, against what its panel says. */
final class UnitPlot extends ScalingCanvas {
    private static final double LEFT = 46;
    private static final double FOOT = 40;

    private Optional<UnitReport> report = Optional.empty();
    private OptionalDouble label = OptionalDouble.empty();

    void show(Optional<UnitReport> given, OptionalDouble said) {
        report = given;
        label = said;
        repaint();
    }

    @Override
    protected void paint(Pen pen, double w, double h) {
        if (report.isEmpty()) {
            return;
        }
        List<BandDecay> bands = report.get().decay().bands();
        double most = 0.1 + label.orElse(0);
        for (BandDecay b : bands) {
            most = Math.max(most, seconds(b));
        }
        most *= 1.12;
        double floor = h - FOOT;
        scale(pen, w, floor, most);
        if (label.isPresent()) {
            double y = floor - label.getAsDouble() * floor / most;
            pen.g.setLineDashes(5, 4);
            pen.across(LEFT, w, y, pen.palette.ink);
            pen.g.setLineDashes();
            pen.text("panel", w, y - 4, Type.regular(11.5), pen.palette.ink2, TextAlignment.RIGHT);
        }
        double column = (w - LEFT) / Math.max(1, bands.size());
        for (int i = 0; i < bands.size(); i++) {
            bar(pen, bands.get(i), LEFT + i * column, column, floor, floor / most);
        }
        if (bands.stream().anyMatch(b -> b.t30() instanceof DecayTime.NotSure)) {
            pen.text(
                    "in brackets: not sure, bent or scattered by chance",
                    w,
                    h - 4,
                    Type.regular(11.5),
                    pen.palette.ink2,
                    TextAlignment.RIGHT);
        }
    }

    private static String words(DecayTime time) {
        return switch (time) {
            case DecayTime.Measured(double s) -> Wording.number(s, 2);
            case DecayTime.NotSure(double s, DecayTime.Doubt d) -> "(" + Wording.number(s, 2) + ")";
            case DecayTime.TooNoisy n -> "noisy";
            case DecayTime.TooShort t -> "short";
        };
    }

    private static double seconds(BandDecay band) {
        return band.t30().fitted().orElse(0);
    }

    private static void scale(Pen pen, double w, double floor, double most) {
        double step = most > 2.5 ? 1 : 0.5;
        if (most > 6) {
            step = 2;
        }
        for (double s = step; s < most; s += step) {
            double y = floor - s * floor / most;
            pen.across(LEFT, w, y, pen.palette.hair);
            pen.text(
                    Wording.number(s, 1) + " s",
                    LEFT - 6,
                    y + 4,
                    Type.regular(11.5),
                    pen.palette.ink2,
                    TextAlignment.RIGHT);
        }
        pen.across(LEFT, w, floor, pen.palette.ink);
    }

    private static void bar(
            Pen pen, BandDecay band, double x, double column, double floor, double perSecond) {
        double wide = Math.min(44, column - 14);
        double left = x + (column - wide) / 2;
        double seconds = seconds(band);
        double top = floor - seconds * perSecond;
        boolean sure = band.t30() instanceof DecayTime.Measured;
        if (seconds > 0) {
            for (double at = left; at <= left + wide && sure; at += 3) {
                pen.upright(at, top, floor, pen.palette.ink2);
            }
            pen.line(left, top, left + wide, top, pen.palette.ink, 2);
        }
        String words = words(band.t30());
        var font = sure ? Type.strong(12.5) : Type.regular(11.5);
        double room = Pen.width(words, font) + 6;
        pen.g.setFill(pen.palette.card);
        pen.g.fillRect(x + (column - room) / 2, top - 16, room, 14);
        pen.text(
                words,
                x + column / 2,
                Math.min(top, floor) - 5,
                font,
                pen.palette.ink,
                TextAlignment.CENTER);
        pen.text(
                Wording.hertz(band.nominalHz()),
                x + column / 2,
                floor + 15,
                Type.regular(11.5),
                pen.palette.ink2,
                TextAlignment.CENTER);
    }
}
