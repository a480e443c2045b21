package orbispace.app.view.control;

import javafx.scene.shape.ArcType;
import orbispace.app.draw.Pen;
import orbispace.core.design.Design;
import orbispace.core.design.Return;
import orbispace.core.render.ChainWorks;
import orbispace.core.render.Responses;

/** A coin with a milled edge and a field in small: from when to when each return sounds. */
public final class SnapshotCoin {
    private static final double FIRST_SECONDS = 0.02;
    private static final double LONGEST_SECONDS = 6;
    private static final int TEETH = 44;

    private SnapshotCoin() {}

    /** A coin as a node of its own. */
    public static ScalingCanvas of(Design design, Responses responses, double radius) {
        ScalingCanvas coin =
                new ScalingCanvas() {
                    @Override
                    protected void paint(Pen pen, double w, double h) {
                        SnapshotCoin.paint(pen, w / 2, h / 2, radius, design, responses);
                    }
                };
        coin.setMinSize(2 * radius + 4, 2 * radius + 4);
        coin.setPrefSize(2 * radius + 4, 2 * radius + 4);
        coin.setMaxSize(2 * radius + 4, 2 * radius + 4);
        return coin;
    }

    /** Draws a coin about a point. */
    public static void paint(
            Pen pen, double cx, double cy, double r, Design design, Responses responses) {
        pen.circle(cx, cy, r, pen.palette.card, pen.palette.ink, 1.2);
        for (int i = 0; i < TEETH; i++) {
            double a = 2 * Math.PI * i / TEETH;
            double from = r - 2.6;
            pen.line(
                    cx + from * Math.cos(a),
                    cy + from * Math.sin(a),
                    cx + r * Math.cos(a),
                    cy + r * Math.sin(a),
                    pen.palette.ink,
                    0.8);
        }
        double disc = r - 4;
        pen.circle(cx, cy, disc, pen.palette.disc, pen.palette.ink, 0.8);
        double base = cy + 0.45 * disc;
        double reach = 1.2 * disc;
        for (Return of : design.returns()) {
            fan(pen, cx, base, reach, of, design, responses);
        }
        pen.line(cx - 0.8 * disc, base, cx + 0.8 * disc, base, pen.palette.ink, 0.8);
    }

    private static void fan(
            Pen pen,
            double cx,
            double base,
            double reach,
            Return of,
            Design design,
            Responses responses) {
        double ring;
        try {
            ring = new ChainWorks(design.unplanned(), responses).of(of).ringSeconds();
        } catch (IllegalArgumentException missing) {
            // Its impulse response is not there: nothing is known of how long it rings.
            return;
        }
        double predelay = of.predelay().seconds(design.song().clock(), of.timedAtBar());
        double half = Math.clamp(40 * of.chain().width().factor(), 8, 80);
        pen.g.setStroke(pen.palette.ofReturn(of.id()));
        pen.g.setLineWidth(1);
        double inner = reach * share(predelay);
        double outer = Math.max(inner + 1.5, reach * share(predelay + ring));
        for (double at = outer; at >= inner; at -= 3) {
            pen.g.strokeArc(cx - at, base - at, 2 * at, 2 * at, 90 - half, 2 * half, ArcType.OPEN);
        }
    }

    private static double share(double seconds) {
        return Math.log1p(Math.min(LONGEST_SECONDS, seconds) / FIRST_SECONDS)
                / Math.log1p(LONGEST_SECONDS / FIRST_SECONDS);
    }
}
