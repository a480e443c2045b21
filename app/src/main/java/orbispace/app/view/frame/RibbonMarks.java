package orbispace.app.view.frame;

import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.scene.shape.ArcType;
import javafx.scene.text.TextAlignment;
import orbispace.app.draw.Pen;
import orbispace.app.draw.Type;
import orbispace.app.view.control.ScalingCanvas;

/** The small drawings of the ribbon: the name, play, loop. */
final class RibbonMarks {
    private RibbonMarks() {}

    static final class Logo extends ScalingCanvas {
        @Override
        protected void paint(Pen pen, double w, double h) {
            double cx = w / 2;
            for (double r : new double[] {6, 12, 18}) {
                pen.g.setStroke(pen.palette.ink);
                pen.g.setLineWidth(r == 18 ? 1.6 : 1.1);
                pen.g.strokeArc(cx - r, 28 - r, 2 * r, 2 * r, 0, 180, ArcType.OPEN);
            }
            pen.line(cx - 21, 28, cx + 21, 28, pen.palette.ink, 1.4);
            pen.line(cx, 28, cx + 9, 12, pen.palette.time, 1.4);
            pen.circle(cx, 28, 2.4, pen.palette.ink, null, 0);
            pen.text("ORBISPACE", cx, 45, Type.strong(9.5), pen.palette.ink, TextAlignment.CENTER);
        }
    }

    static final class PlayIcon extends ScalingCanvas {
        private final ReadOnlyBooleanProperty playing;

        @Override
        protected void paint(Pen pen, double w, double h) {
            pen.circle(14, 14, 13, pen.palette.ink, null, 0);
            pen.g.setFill(pen.palette.paper);
            if (playing.get()) {
                pen.g.fillRect(9.5, 9, 3, 10);
                pen.g.fillRect(15.5, 9, 3, 10);
            } else {
                pen.g.fillPolygon(new double[] {10.5, 10.5, 20}, new double[] {8.5, 19.5, 14}, 3);
            }
        }

        PlayIcon(ReadOnlyBooleanProperty playing) {
            this.playing = playing;
            setPrefSize(28, 28);
            setMinSize(28, 28);
        }
    }

    static final class LoopIcon extends ScalingCanvas {
        private final ReadOnlyBooleanProperty looping;

        LoopIcon(ReadOnlyBooleanProperty looping) {
            this.looping = looping;
            setPrefSize(28, 28);
            setMinSize(28, 28);
        }

        @Override
        protected void paint(Pen pen, double w, double h) {
            boolean on = looping.get();
            var ink = on ? pen.palette.time : pen.palette.ink2;
            pen.g.setStroke(ink);
            pen.g.setLineWidth(on ? 2 : 1.4);
            pen.g.strokeArc(5, 9, 18, 11, 70, 320, ArcType.OPEN);
            pen.g.setFill(ink);
            pen.g.fillPolygon(new double[] {14, 14, 20}, new double[] {5, 12, 8.5}, 3);
        }
    }
}
