package orbispace.app.view.prove;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.scene.text.TextAlignment;
import orbispace.app.draw.Pen;
import orbispace.app.draw.Type;
import orbispace.app.view.control.ScalingCanvas;
import orbispace.core.measure.MonoFold;
import orbispace.core.words.Wording;

/** What folding to mono costs, as a comb that hangs from 0 dB; red only where a notch is. */
final class MonoComb extends ScalingCanvas {
    private static final double LEFT = 34;
    private static final double FOOT = 18;
    private static final double FROM_HZ = 50;
    private static final double TO_HZ = 16000;
    private static final double VOICE_FROM_HZ = 200;
    private static final double VOICE_TO_HZ = 4500;
    private static final double LEAST_DEPTH_DB = 6;

    private Optional<MonoFold> fold = Optional.empty();

    void show(Optional<MonoFold> given) {
        fold = given;
        repaint();
    }

    @Override
    protected void paint(Pen pen, double w, double h) {
        if (fold.isEmpty()) {
            pen.text("is being measured", LEFT, 24, Type.regular(12.5), pen.palette.ink3);
            return;
        }
        double floor = h - FOOT;
        double depth = depth(fold.get());
        ground(pen, w, floor, depth);
        List<MonoFold.Notch> notches = fold.get().notches();
        for (MonoFold.Band b : fold.get().bands()) {
            OptionalDouble loss = b.lossDb();
            if (loss.isPresent()) {
                boolean core =
                        notches.stream()
                                .anyMatch(n -> Math.abs(Math.log(b.centreHz() / n.hz())) < 0.1);
                double x = x(b.centreHz(), w);
                double y = 1 + loss.getAsDouble() / depth * (floor - 1);
                pen.line(x, 1, x, y, core ? pen.palette.warn : pen.palette.ink, core ? 2.4 : 1.6);
            }
        }
        notches.stream()
                .max(java.util.Comparator.comparingDouble(MonoFold.Notch::lossDb))
                .ifPresent(n -> flag(pen, n, w, floor / depth));
    }

    /** How far down the scale reaches: whole steps of 3 dB, past the deepest. */
    private static double depth(MonoFold fold) {
        double deepest =
                fold.bands().stream().mapToDouble(b -> b.lossDb().orElse(0)).max().orElse(0);
        return 3 * Math.ceil((Math.max(LEAST_DEPTH_DB, deepest) + 0.5) / 3);
    }

    private static double x(double hz, double w) {
        return LEFT + (w - LEFT) * Math.log(hz / FROM_HZ) / Math.log(TO_HZ / FROM_HZ);
    }

    private static void ground(Pen pen, double w, double floor, double depth) {
        pen.g.setFill(pen.palette.disc);
        pen.g.fillRect(LEFT, 0, w - LEFT, floor);
        pen.g.setGlobalAlpha(0.08);
        pen.g.setFill(pen.palette.ink);
        double from = x(VOICE_FROM_HZ, w);
        pen.g.fillRect(from, 0, x(VOICE_TO_HZ, w) - from, floor);
        pen.g.setGlobalAlpha(1);
        pen.text("voice", from + 4, floor - 5, Type.regular(11), pen.palette.ink3);
        double step = depth > 12 ? 6 : 3;
        for (double db = 0; db <= depth; db += step) {
            double y = 1 + db / depth * (floor - 1);
            pen.across(LEFT, w, y, db == 0 ? pen.palette.ink : pen.palette.hair);
            pen.text(
                    db == 0 ? "0 dB" : Wording.number(-db, 0),
                    LEFT - 5,
                    Math.max(11, y + 4),
                    Type.regular(11),
                    pen.palette.ink2,
                    TextAlignment.RIGHT);
        }
        for (double hz : new double[] {100, 1000, 10000}) {
            pen.upright(x(hz, w), floor, floor + 4, pen.palette.ink2);
            pen.text(
                    Wording.hertz(hz),
                    x(hz, w),
                    floor + 15,
                    Type.regular(11),
                    pen.palette.ink2,
                    TextAlignment.CENTER);
        }
    }

    private static void flag(Pen pen, MonoFold.Notch n, double w, double perDb) {
        String words = Wording.number(-n.lossDb(), 1) + " dB at " + Wording.hertz(n.hz());
        double x = x(n.hz(), w);
        double y = 1 + n.lossDb() * perDb;
        double room = Pen.width(words, Type.strong(11.5)) + 26;
        double cloth = x + room < w ? x + 6 : x - room;
        pen.flag(x, y, cloth, Math.max(20, y - 6), words, pen.palette.warn);
    }
}
