package orbispace.app.view.clear;

import orbispace.app.desk.ClearModel;
import orbispace.app.draw.Pen;
import orbispace.app.draw.SilhouettePainter;
import orbispace.app.draw.TimeAxis;
import orbispace.app.draw.Type;
import orbispace.app.song.Material;
import orbispace.core.design.Source;
import orbispace.core.time.Span;

/** The judged source over the rivers: its level, and where it speaks. */
final class VoiceRow {
    private final Pen pen;
    private final TimeAxis axis;
    private final ClearModel model;

    VoiceRow(Pen pen, TimeAxis axis, ClearModel model) {
        this.pen = pen;
        this.axis = axis;
        this.model = model;
    }

    /** Marks its phrases through all rows. */
    void phrases(double top, double bottom) {
        for (Span phrase : model.clearing().phrases().spans()) {
            double from = Math.max(axis.left(), axis.x(phrase.startSeconds()));
            double to = Math.min(axis.right(), axis.x(phrase.endSeconds()));
            if (to > from) {
                pen.g.setGlobalAlpha(0.05);
                pen.g.setFill(pen.palette.ink);
                pen.g.fillRect(from, top, to - from, bottom - top);
                pen.g.setGlobalAlpha(1);
                pen.g.setLineDashes(1, 3);
                pen.upright(from, top, bottom, pen.palette.ink3);
                pen.upright(to, top, bottom, pen.palette.ink3);
                pen.g.setLineDashes();
            }
        }
    }

    /** Paints its level over a line. */
    void paint(Source lead, double base, double height) {
        pen.named(model.clearing().name(), 16, base - 46, axis.left() - 26);
        pen.text("dry, the key", 16, base - 30, Type.regular(11.5), pen.palette.ink3);
        Material m = model.measured().materials().get(lead.id());
        if (m != null) {
            double full = m.silhouette().peak(0, m.silhouette().seconds());
            SilhouettePainter.paint(pen, m.silhouette(), axis, base, height - 12, full);
        }
    }
}
