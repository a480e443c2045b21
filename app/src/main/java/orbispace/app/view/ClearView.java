package orbispace.app.view;

import java.util.List;
import java.util.Optional;
import javafx.scene.Cursor;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Region;
import javafx.scene.text.TextAlignment;
import orbispace.app.draw.BarRuler;
import orbispace.app.draw.ClashPainter;
import orbispace.app.draw.Hatch;
import orbispace.app.draw.Palette;
import orbispace.app.draw.Pen;
import orbispace.app.draw.RiverPainter;
import orbispace.app.draw.SilhouettePainter;
import orbispace.app.draw.TimeAxis;
import orbispace.app.draw.Type;
import orbispace.app.session.Clearance;
import orbispace.app.session.FieldEvents;
import orbispace.app.session.Material;
import orbispace.app.session.Session;
import orbispace.core.clear.PairView;
import orbispace.core.design.Design;
import orbispace.core.design.Filter;
import orbispace.core.design.Return;
import orbispace.core.design.Role;
import orbispace.core.design.Source;
import orbispace.core.material.Phrases;
import orbispace.core.time.Span;
import orbispace.files.Wording;

/** Room for the dry: what each return does to the lead, over a section. */
final class ClearView extends Screen {
    private static final double TOP = 48;
    private static final double VOICE = 100;

    private final Playhead playhead;
    private final Chart chart = new Chart();
    private final ClearInspector inspector;

    ClearView(Session session) {
        super(session, "Clear");
        playhead = new Playhead(session.transport().position());
        inspector = new ClearInspector(session);
        fill(chart, playhead);
        session.selection().section().addListener((o, was, is) -> refreshWhenSeen());
        session.design().addListener((o, was, is) -> refreshWhenSeen());
        session.selection().returnId().addListener((o, was, is) -> refreshWhenSeen());
        session.measured().clearance().addListener((o, was, is) -> refreshWhenSeen());
        refreshWhenSeen();
    }

    @Override
    void refresh() {
        caption(section());
        chart.repaint();
    }

    @Override
    protected void layoutChildren() {
        Plate.place(chart, 0, 0, getWidth(), getHeight());
        super.layoutChildren();
    }

    @Override
    Region inspector() {
        return inspector;
    }

    @Override
    void setPalette(Palette palette) {
        chart.setPalette(palette);
        playhead.setColor(palette.time);
        inspector.setPalette(palette);
    }

    @Override
    void shown(boolean front) {
        super.shown(front);
        if (front) {
            session.wantsRemedies().set(true);
        }
    }

    @Override
    String keys() {
        return "Click on a river: choose the return. Click in the chart: hear that moment. Tab and"
                + " Enter: apply or undo a remedy. Ctrl+Z: undo anything.";
    }

    private final class Chart extends ScalingCanvas {
        Chart() {
            setMouseTransparent(false);
            setCursor(Cursor.CROSSHAIR);
            addEventHandler(MouseEvent.MOUSE_PRESSED, this::pressed);
        }

        private List<Return> returns() {
            return session.design().get().returns();
        }

        private TimeAxis axis(double w) {
            Span span = session.span();
            return new TimeAxis(
                    span.startSeconds(), span.endSeconds(), 16 + LABELS, w - 32 - LABELS);
        }

        private double riverHeight(double h) {
            return Math.clamp((h - TOP - VOICE - 300) / Math.max(1, returns().size()), 44, 92);
        }

        private double riversTop() {
            return TOP + 20 + VOICE;
        }

        private void pressed(MouseEvent e) {
            TimeAxis axis = axis(getWidth());
            int row = (int) Math.floor((e.getY() - riversTop()) / riverHeight(getHeight()));
            if (row >= 0 && row < returns().size()) {
                session.selection().returnId().set(returns().get(row).id());
            }
            if (e.getX() > axis.left()) {
                session.transport().seek(axis.seconds(e.getX()));
            }
        }

        @Override
        void paint(Pen pen, double w, double h) {
            Design design = session.design().get();
            TimeAxis axis = axis(w);
            Optional<Source> lead = design.sourcesOf(Role.LEAD).stream().findFirst();
            if (design.sources().isEmpty()) {
                return;
            }
            if (lead.isEmpty()) {
                pen.text(
                        "Give one source the role lead, and Orbispace measures what covers it.",
                        w / 2,
                        h / 2,
                        Type.regular(14),
                        pen.palette.ink2,
                        TextAlignment.CENTER);
                return;
            }
            legend(pen, w);
            double bottom = chartTop(h) + chartHeight(h);
            phrases(pen, axis, TOP + 20, bottom);
            BarRuler.paint(pen, design.song().clock(), axis, TOP, 20, bottom);
            voice(pen, axis, lead.get());
            double y = riversTop();
            for (Return r : returns()) {
                river(pen, axis, r, y, riverHeight(h));
                y += riverHeight(h);
            }
            pen.across(16, w - 16, y, pen.palette.rule);
            clashes(pen, axis, h);
            playhead.follow(axis, TOP, bottom);
        }

        private double chartTop(double h) {
            return riversTop() + riverHeight(h) * returns().size() + 22;
        }

        private double chartHeight(double h) {
            return Math.max(80, h - chartTop(h) - 30);
        }

        private void legend(Pen pen, double w) {
            String[] names = {"blooms in a gap", "under the voice", "covers the voice"};
            double x = w - 16;
            String id =
                    session.selection().returnId().get().isEmpty()
                            ? "A"
                            : session.selection().returnId().get();
            for (int i = 2; i >= 0; i--) {
                double width = Pen.width(names[i], Type.regular(11.5));
                pen.text(names[i], x - width, 30, Type.regular(11.5), pen.palette.ink2);
                x -= width + 34;
                switch (i) {
                    case 0 -> {
                        pen.g.setFill(pen.palette.ofReturn(id));
                        pen.g.fillRect(x, 20, 26, 12);
                    }
                    case 1 ->
                            Hatch.ofReturn(
                                    pen.g,
                                    id,
                                    pen.palette.ofReturn(id),
                                    Hatch.Area.rectangle(x, 20, 26, 12));
                    default ->
                            Hatch.cross(
                                    pen.g, pen.palette.warn, Hatch.Area.rectangle(x, 20, 26, 12));
                }
                x -= 18;
            }
        }

        private Optional<Phrases> found() {
            return FieldEvents.lead(session.design().get(), session.measured().materials());
        }

        private void phrases(Pen pen, TimeAxis axis, double top, double bottom) {
            for (Span phrase : found().map(Phrases::spans).orElse(List.of())) {
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

        private void voice(Pen pen, TimeAxis axis, Source lead) {
            double base = TOP + 20 + VOICE;
            pen.text(lead.name(), 16, base - 46, Type.strong(13), pen.palette.ink);
            pen.text("dry, the key", 16, base - 30, Type.regular(11.5), pen.palette.ink3);
            Material m = session.measured().materials().get(lead.id());
            if (m != null) {
                double full = m.silhouette().peak(0, m.silhouette().seconds());
                SilhouettePainter.paint(pen, m.silhouette(), axis, base, VOICE - 12, full);
            }
        }

        private void river(Pen pen, TimeAxis axis, Return r, double top, double height) {
            boolean chosen = r.id().equals(session.selection().returnId().get());
            double middle = top + height / 2;
            if (chosen) {
                pen.clipped(
                        8.5,
                        Math.floor(top) + 4.5,
                        LABELS + 2,
                        height - 9,
                        5,
                        pen.palette.card,
                        pen.palette.ofReturn(r.id()));
            }
            pen.across(16, axis.right(), top, pen.palette.rule);
            pen.seal(r.id(), 28, middle, 12, chosen);
            pen.text(r.name(), 46, middle - 1, Type.strong(13), pen.palette.ink);
            Optional<PairView> pair = pair(r.id());
            String kept =
                    pair.flatMap(p ->
                                    p.cover().presenceKept().isPresent()
                                            ? Optional.of(p.cover().presenceKept().getAsDouble())
                                            : Optional.empty())
                            .map(v -> "kept " + Wording.percent(v, 0))
                            .orElse("measuring");
            pen.text(kept, 46, middle + 14, Type.regular(11.5), pen.palette.ink3);
            pair.ifPresent(p ->
                    new RiverPainter(pen, p.river(), axis, r.id(), middle, height - 12).paint());
        }

        /**
         * The pair as it was measured over this very stretch; nothing while another is still shown.
         */
        private Optional<PairView> pair(String id) {
            return Optional.ofNullable(session.measured().clearance().get())
                    .filter((Clearance c) -> c.span().equals(session.span()))
                    .flatMap(c -> c.pair(id));
        }

        private void clashes(Pen pen, TimeAxis axis, double h) {
            double top = chartTop(h);
            ClashPainter painter = new ClashPainter(pen, axis, top, chartHeight(h));
            String id = session.selection().returnId().get();
            pen.text("Clashes", 16, top + 12, Type.strong(13), pen.palette.ink);
            String name =
                    session.design().get().findReturn(id).map(Return::name).orElse("a return");
            pen.text(name, 16, top + 30, Type.regular(11.5), pen.palette.ink3);
            pen.text("covers", 16, top + 45, Type.regular(11.5), pen.palette.ink3);
            pen.text("the voice", 16, top + 60, Type.regular(11.5), pen.palette.ink3);
            painter.paint(pair(id));
            session.design()
                    .get()
                    .findReturn(id)
                    .map(r -> r.filterOut().highPass())
                    .ifPresent(c -> corner(pen, painter, axis, c));
        }

        private void corner(Pen pen, ClashPainter painter, TimeAxis axis, Filter.Corner corner) {
            double y = painter.y(Math.max(50, corner.hz()));
            pen.g.setLineDashes(6, 4);
            pen.across(axis.left(), axis.right(), y, pen.palette.ink2);
            pen.g.setLineDashes();
            pen.haloed(
                    "high-pass " + Wording.hertz(corner.hz()),
                    axis.right() - 6,
                    y - 4,
                    Type.regular(11.5),
                    pen.palette.ink2,
                    pen.palette.disc,
                    TextAlignment.RIGHT);
        }
    }
}
