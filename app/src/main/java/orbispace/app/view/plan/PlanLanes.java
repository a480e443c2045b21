package orbispace.app.view.plan;

import java.util.List;
import javafx.scene.text.TextAlignment;
import orbispace.app.desk.PlanMeasured;
import orbispace.app.desk.PlanModel;
import orbispace.app.draw.Hatch;
import orbispace.app.draw.Pen;
import orbispace.app.draw.TimeAxis;
import orbispace.app.draw.Type;
import orbispace.core.audio.Decibels;
import orbispace.core.design.Return;
import orbispace.core.design.Section;
import orbispace.core.design.Song;
import orbispace.core.plan.BoundaryClash;
import orbispace.core.render.GainCurve;
import orbispace.core.render.PlanCurves;
import orbispace.core.time.Span;
import orbispace.core.words.Wording;
import org.jspecify.annotations.Nullable;

/** Draws the lanes of the plan: names, tide lines, tails and beads, clashes at edges. */
final class PlanLanes {
    private static final double HIGHEST_DB = 8;
    private static final double LOWEST_DB = -26;
    private static final double SHORT_NAME = 50;
    private static final double HATCH = 0.5;
    private static final double TIDE_BELOW = 16;
    private static final double BASE_ABOVE = 6;
    private static final double CLASH_SECONDS = 2;

    private final Pen pen;
    private final TimeAxis axis;
    private final PlanModel model;
    private final PlanCurves curves;

    PlanLanes(Pen pen, TimeAxis axis, PlanModel model) {
        this.pen = pen;
        this.axis = axis;
        this.model = model;
        curves = new PlanCurves(model.design().get());
    }

    private Song song() {
        return model.design().get().song();
    }

    private List<Section> sections() {
        return song().sections();
    }

    /** How many dB a lane of a height shows per pixel. */
    static double dbPerPixel(double height) {
        return (HIGHEST_DB - LOWEST_DB) / Math.max(1, height - TIDE_BELOW - BASE_ABOVE);
    }

    /** How dense the arrangement of each section is, as bars under the lanes. */
    void arrangement(@Nullable PlanMeasured known, double top, double height) {
        pen.text("Arrangement", 16, top + height / 2 + 4, Type.strong(11.5), pen.palette.ink2);
        if (known == null || known.sones().size() != sections().size()) {
            pen.text(
                    "is being measured",
                    axis.left() + 4,
                    top + height / 2 + 4,
                    Type.regular(11.5),
                    pen.palette.ink3);
            return;
        }
        double most = known.sones().stream().mapToDouble(x -> x).max().orElse(1);
        for (int i = 0; i < sections().size(); i++) {
            Span span = song().span(sections().get(i));
            double x = axis.x(span.startSeconds());
            double room = axis.x(span.endSeconds()) - x - 8;
            double sones = known.sones().get(i);
            double high = (height - 15) * sones / Math.max(1e-9, most);
            double base = top + height - 1;
            pen.g.setGlobalAlpha(0.3);
            pen.g.setFill(pen.palette.ink3);
            pen.g.fillRect(x, base - high, room + 8, high);
            pen.g.setGlobalAlpha(1);
            pen.line(x, base - high, x + room + 8, base - high, pen.palette.ink2, 1);
            String words = Wording.number(sones, 0) + (room > 70 ? " sones" : "");
            if (Pen.width(words, Type.regular(11)) < room) {
                pen.text(words, x + 5, base - high - 3, Type.regular(11), pen.palette.ink2);
            }
        }
    }

    /** Tails that cover what is sung behind an edge. */
    void clashes(List<BoundaryClash> clashes, Return r, double top, double base) {
        for (BoundaryClash c : clashes) {
            if (c.returnId().equals(r.id()) && sections().contains(c.section())) {
                Span span = song().span(c.section());
                double x = axis.x(span.startSeconds());
                double end =
                        axis.x(Math.min(span.endSeconds(), span.startSeconds() + CLASH_SECONDS));
                Hatch.cross(
                        pen.g, pen.palette.warn, Hatch.Area.rectangle(x, base - 18, end - x, 18));
                pen.haloed(
                        Wording.percent(c.kept(), 0),
                        x + 3,
                        base - 21,
                        Type.strong(11),
                        pen.palette.warn,
                        pen.palette.paper,
                        TextAlignment.LEFT);
            }
        }
    }

    /** Names and edges of the sections. */
    void columns(double bottom) {
        for (Section s : sections()) {
            Span span = song().span(s);
            double x = axis.x(span.startSeconds());
            double room = axis.x(span.endSeconds()) - x - 8;
            pen.upright(x, 62, bottom, pen.palette.rule);
            String name =
                    room < SHORT_NAME
                            ? Pen.shortened(s.name(), room, Type.strong(11.5))
                            : Pen.cut(s.name(), room, Type.strong(11.5));
            pen.text(name, x + 5, 72, Type.strong(11.5), pen.palette.ink2);
        }
    }

    /** One return over the song. */
    void lane(Return r, double top, double height) {
        boolean isChosen = r.id().equals(model.selection().returnId().get());
        pen.across(16, axis.right(), top, pen.palette.rule);
        pen.seal(r.id(), 28, top + height / 2, 12, isChosen);
        pen.named(r.name(), 46, top + height / 2 + 4, axis.left() - 50);
        double base = top + height - BASE_ABOVE;
        tide(r, top + TIDE_BELOW, base);
        CellPainter cells = new CellPainter(pen, axis, song());
        for (Section s : sections()) {
            cells.paint(r, s, top, base);
        }
    }

    /**
     * The level over the song, hatched down to the bottom of its lane; nothing while it is shut.
     */
    private void tide(Return r, double top, double base) {
        GainCurve in = curves.input(r);
        GainCurve out = curves.output(r);
        double rate = song().sampleRateHz();
        int n = (int) axis.width();
        double[] upper = new double[n];
        double[] lower = new double[n];
        double[] xs = new double[n];
        for (int i = 0; i < n; i++) {
            xs[i] = axis.left() + i;
            int frame = (int) (axis.seconds(xs[i]) * rate);
            double gain = in.at(frame) * out.at(frame);
            double db = gain <= 0 ? LOWEST_DB : Decibels.ofAmplitude(gain);
            double share = Math.clamp((db - LOWEST_DB) / (HIGHEST_DB - LOWEST_DB), 0, 1);
            upper[i] = base - share * (base - top);
            lower[i] = base;
        }
        pen.g.setGlobalAlpha(HATCH);
        Hatch.ofReturn(
                pen.g,
                r.id(),
                pen.palette.ofReturn(r.id()),
                new Hatch.Area((int) Math.round(axis.left()), upper, lower));
        pen.g.setGlobalAlpha(1);
        pen.g.setStroke(pen.palette.ofReturn(r.id()));
        pen.g.setLineWidth(1.8);
        pen.g.strokePolyline(xs, upper, n);
        double zero = base - -LOWEST_DB / (HIGHEST_DB - LOWEST_DB) * (base - top);
        pen.g.setLineDashes(2, 4);
        pen.across(axis.left(), axis.right(), zero, pen.palette.ink3);
        pen.g.setLineDashes();
    }
}
