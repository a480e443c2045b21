package orbispace.app.view.orbit;

import javafx.collections.MapChangeListener;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.text.TextAlignment;
import orbispace.app.desk.OrbitModel;
import orbispace.app.draw.OrbitPainter;
import orbispace.app.draw.OrbitScene;
import orbispace.app.draw.Palette;
import orbispace.app.draw.Pen;
import orbispace.app.draw.PolarAxis;
import orbispace.app.draw.ProfilePainter;
import orbispace.app.draw.Type;
import orbispace.app.view.control.OneOf;
import orbispace.app.view.control.Plate;
import orbispace.app.view.control.ScalingCanvas;
import orbispace.app.view.frame.Inspector;
import orbispace.app.view.frame.Screen;
import org.jspecify.annotations.Nullable;

/** Time: everything that follows the dry sound, in one picture. */
public final class OrbitView extends Screen<OrbitModel> {
    private static final double LEGEND_WIDE = 190;
    private static final double LEGEND_HIGH = 108;
    private static final double LEGEND_CLEAR = 16;
    private static final double WIDE_PROFILE = 380;
    private static final double LOWER_HEIGHT = 282;
    private static final double LIST_WIDTH = 488;
    private static final double BESIDE = 516;

    private final Behind behind = new Behind();
    private final Chart chart = new Chart();
    private final OrbitHandles handles;
    private final ReturnList list;
    private final Inspector inspector;
    private final Label why = new Label();
    private final DraftsPanel drafts;
    private final BenchPanel bench;
    private final BankMenu bank;
    private final UnitPanel unit;
    private final DepthPanel depth;
    private final SendMatrix sends;
    private final PairPanel pair;
    private final EventsMenu events;
    private final KnownRings rings;
    private final OneOf below = new OneOf();
    private final HBox tabs = new HBox(4);

    public OrbitView(OrbitModel model, Inspector inspector) {
        super(model, "Orbit");
        handles = new OrbitHandles(model);
        list = new ReturnList(model);
        this.inspector = inspector;
        why.getStyleClass().add("why");
        why.textProperty().bind(handles.why());
        drafts = new DraftsPanel(model);
        bench = new BenchPanel(model);
        bank = new BankMenu(model);
        unit = new UnitPanel(model);
        depth = new DepthPanel(model);
        sends = new SendMatrix(model);
        pair = new PairPanel(model);
        events = new EventsMenu(model);
        rings = new KnownRings(model);
        tab("profile", "energy still to come, under the dry voice", null);
        tab("sends", "every source into every return", sends);
        tab("depth", "the sources from near to far", depth);
        tab("pair", "the field before against the field as it is", pair);
        below.choose(0);
        fill(
                behind, chart, why, handles, list, depth, sends, pair, tabs, events, bank, bench,
                drafts, unit);
        model.drafting().drafts().addListener((o, was, is) -> requestLayout());
        handles.held().addListener((o, was, is) -> chart.repaint());
        model.design().addListener((o, was, is) -> refreshWhenSeen());
        model.selection().returnId().addListener((o, was, is) -> refreshWhenSeen());
        model.selection().section().addListener((o, was, is) -> refreshWhenSeen());
        model.selection().events().addListener((o, was, is) -> refreshWhenSeen());
        model.measured()
                .pictures()
                .addListener((MapChangeListener<Object, Object>) c -> refreshWhenSeen());
        model.measured().survey().found().addListener((o, was, is) -> refreshWhenSeen());
        refreshWhenSeen();
    }

    /** A tab of the lower right; its panel is seen while it is chosen. */
    private void tab(String text, String accessible, @Nullable Region panel) {
        ToggleButton tab = Plate.toggle(text, accessible);
        tab.getStyleClass().add("small");
        below.add(tab, chart::repaint);
        tabs.getChildren().add(tab);
        if (panel != null) {
            panel.visibleProperty().bind(tab.selectedProperty());
        }
    }

    private boolean profiles() {
        return below.chosen() == 0;
    }

    @Override
    public void refresh() {
        caption(section());
        behind.repaintIfChanged();
        chart.repaint();
        requestLayout();
    }

    /** No further than where the disc's own words begin. */
    @Override
    protected double nextRoom() {
        return Math.clamp(getWidth() / 4, 150, 260);
    }

    private PolarAxis axis() {
        double cy = getHeight() - LOWER_HEIGHT;
        double radius = Math.max(60, Math.min(getWidth() / 2 - 42, cy - 42));
        return new PolarAxis(getWidth() / 2, cy, radius);
    }

    /** Whether the words about the lines stand clear of the disc. */
    private boolean hasLegend() {
        PolarAxis axis = axis();
        double dx = getWidth() / 2 - LEGEND_WIDE;
        double dy = getHeight() - LOWER_HEIGHT - LEGEND_HIGH;
        return Math.hypot(dx, dy) > axis.radius() + LEGEND_CLEAR;
    }

    private OrbitScene scene() {
        return new OrbitScene(
                model.design().get(),
                model.measured().pictures(),
                rings.now(),
                model.selection().returnId().get(),
                model.selection().bar());
    }

    @Override
    protected void layoutChildren() {
        double w = getWidth();
        double h = getHeight();
        Plate.place(behind, 0, 0, w, h);
        Plate.place(chart, 0, 0, w, h);
        Plate.place(why, w / 2 + 14, h - LOWER_HEIGHT + 22, w / 2 - 30, 18);
        Plate.place(handles, 0, 0, w, h);
        handles.layoutOn(axis());
        Plate.place(list, 16, h - LOWER_HEIGHT + 52, LIST_WIDTH, LOWER_HEIGHT - 60);
        for (Region panel : new Region[] {depth, sends, pair}) {
            Plate.place(panel, BESIDE, h - LOWER_HEIGHT + 80, w - BESIDE - 16, LOWER_HEIGHT - 88);
        }
        Plate.place(tabs, BESIDE, h - LOWER_HEIGHT + 52, 240, 22);
        Plate.place(events, w - 190, hasLegend() ? 86 : 8, 174, 22);
        Plate.place(bank, 16, h - LOWER_HEIGHT + 22, 78, 20);
        Plate.place(bench, 0, h - LOWER_HEIGHT + 46, w, LOWER_HEIGHT - 46);
        Plate.place(drafts, 0, 0, w, h);
        Plate.place(unit, 0, 0, w, h);
        super.layoutChildren();
    }

    @Override
    public Region inspector() {
        return inspector;
    }

    @Override
    public void setPalette(Palette palette) {
        behind.setPalette(palette);
        chart.setPalette(palette);
        handles.setPalette(palette);
        list.setPalette(palette);
        bench.setPalette(palette);
        drafts.setPalette(palette);
        unit.setPalette(palette);
        depth.setPalette(palette);
        sends.setPalette(palette);
        inspector.setPalette(palette);
    }

    @Override
    public String keys() {
        return "Tab: next handle, return or number. Arrows: one step, Shift fine, Ctrl coarse."
                + " Enter or a digit: type the value. Drag: snaps to note values, Alt frees."
                + " Double click on a section: the whole song.";
    }

    /** Disc and the returns that are not chosen: left alone while a hand moves the chosen one. */
    private final class Behind extends ScalingCanvas {
        private Object drawn = "";

        void repaintIfChanged() {
            Object now = scene().behind();
            if (!now.equals(drawn)) {
                drawn = now;
                repaint();
            }
        }

        @Override
        protected void paint(Pen pen, double w, double h) {
            new OrbitPainter(pen, axis(), scene()).paintBehind();
        }
    }

    /** The chosen return and the profile. */
    private final class Chart extends ScalingCanvas {
        @Override
        protected void paint(Pen pen, double w, double h) {
            OrbitScene scene = scene();
            PolarAxis axis = axis();
            new OrbitPainter(pen, axis, scene).paintChosen(handles.held().get());
            if (hasLegend()) {
                legend(pen, w);
            }
            double top = h - LOWER_HEIGHT + 76;
            double left = BESIDE;
            pen.across(16, w - 16, h - LOWER_HEIGHT + 46, pen.palette.hair);
            if (!profiles()) {
                return;
            }
            if (w - BESIDE < WIDE_PROFILE) {
                new ProfilePainter(pen, scene, left, top, w - left - 52, h - top - 20).paint();
                return;
            }
            pen.text(
                    "energy still to come",
                    w - 16,
                    top - 10,
                    Type.regular(11.5),
                    pen.palette.ink3,
                    TextAlignment.RIGHT);
            new ProfilePainter(pen, scene, left, top, w - left - 52, h - top - 20).paint();
        }

        private void legend(Pen pen, double w) {
            double x = w - 16;
            String[] names = {
                "clock time",
                "note value",
                "event, with its spread",
                "side it leans to",
                "level as it lands"
            };
            for (int i = 0; i < names.length; i++) {
                double y = 18 + 15 * i;
                pen.text(
                        names[i],
                        x - 36,
                        y,
                        Type.regular(11.5),
                        pen.palette.ink2,
                        TextAlignment.RIGHT);
                switch (i) {
                    case 0 -> pen.across(x - 28, x, y - 4, pen.palette.rule);
                    case 1 -> {
                        pen.g.setLineDashes(5, 4);
                        pen.across(x - 28, x, y - 4, pen.palette.time);
                        pen.g.setLineDashes();
                    }
                    case 2 -> {
                        pen.g.setGlobalAlpha(0.14);
                        pen.g.setFill(pen.palette.ink);
                        pen.g.fillRect(x - 28, y - 9, 28, 9);
                        pen.g.setGlobalAlpha(1);
                    }
                    case 3 -> {
                        pen.line(x - 28, y - 1, x - 14, y - 6, pen.palette.ink, 1.4);
                        pen.line(x - 14, y - 6, x, y - 4, pen.palette.ink, 1.4);
                    }
                    default -> {
                        double[] xs = {x - 26, x, x - 5, x, x - 26};
                        double[] ys = {y - 9, y - 9, y - 5, y, y};
                        pen.g.setStroke(pen.palette.ink);
                        pen.g.setLineWidth(1);
                        pen.g.strokePolygon(xs, ys, 5);
                    }
                }
            }
        }
    }
}
