package orbispace.app.view.clear;

import javafx.scene.text.TextAlignment;
import orbispace.app.draw.Pen;
import orbispace.app.draw.PresenceStrip;
import orbispace.app.draw.TimeAxis;
import orbispace.app.draw.Type;
import orbispace.app.song.Clearance;
import orbispace.core.design.Design;
import orbispace.core.design.Targets;
import orbispace.core.time.Span;
import org.jspecify.annotations.Nullable;

/** The whole song bar by bar: what is kept of the judged source, and how dense the field is. */
final class SongStrips {
    /** Height of both. */
    static final double HEIGHT = 48;

    private static final double PRESENCE = 24;
    private static final double DENSITY = 16;

    private final Pen pen;
    private final TimeAxis axis;
    private final double top;

    SongStrips(Pen pen, TimeAxis axis, double top) {
        this.pen = pen;
        this.axis = axis;
        this.top = top;
    }

    void paint(@Nullable Clearance c, Design design, Span shown) {
        pen.text("Presence", 16, top + 10, Type.strong(11.5), pen.palette.ink);
        pen.text("bar by bar", 16, top + 23, Type.regular(11), pen.palette.ink3);
        double second = top + PRESENCE + 8;
        pen.text("Density", 16, second + 12, Type.strong(11.5), pen.palette.ink);
        if (c == null || c.presencePerBar().isEmpty()) {
            return;
        }
        double asked = Targets.leftByAll(design, c.source());
        PresenceStrip strip = new PresenceStrip(pen, axis, design.song().clock());
        strip.paint(c.presencePerBar(), asked, top, PRESENCE);
        scale("100 %", top + 5);
        scale(Math.round(100 * PresenceStrip.LEAST) + " %", top + PRESENCE + 2);
        double most = strip.paintDensity(c.song().densityPerBar(), second, DENSITY);
        scale(Math.round(100 * most) + " %", second + 6);
        pen.g.setStroke(pen.palette.ink);
        pen.g.setLineWidth(1.4);
        pen.g.strokeRect(
                axis.x(shown.startSeconds()),
                top - 2,
                axis.x(shown.endSeconds()) - axis.x(shown.startSeconds()),
                HEIGHT + 4);
    }

    private void scale(String text, double y) {
        pen.text(
                text,
                axis.left() - 8,
                y + 3,
                Type.regular(11),
                pen.palette.ink3,
                TextAlignment.RIGHT);
    }
}
