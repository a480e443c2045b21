package orbispace.app.view;

import javafx.collections.MapChangeListener;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.Region;
import orbispace.app.draw.Palette;
import orbispace.app.draw.Pen;
import orbispace.app.draw.SheetPainter;
import orbispace.app.draw.Type;
import orbispace.app.session.Session;
import orbispace.files.RecallSheet;

/** Hand-over: the recall sheet as it prints, and what is written where. */
final class SheetView extends Screen {
    private static final double PAGE_WIDTH = 620;

    private final Page page = new Page();
    private final ScrollPane scroll = new ScrollPane(page);
    private final SheetInspector inspector;

    SheetView(Session session) {
        super(session, "Sheet");
        inspector = new SheetInspector(session);
        scroll.getStyleClass().add("desk");
        caption("as it will print");
        fill(scroll);
        session.design().addListener((o, was, is) -> refreshWhenSeen());
        session.measured()
                .pictures()
                .addListener((MapChangeListener<Object, Object>) c -> refreshWhenSeen());
        session.measured()
                .materials()
                .addListener((MapChangeListener<Object, Object>) c -> refreshWhenSeen());
        refreshWhenSeen();
    }

    @Override
    void refresh() {
        page.setPrefHeight(page.heightOf(session.handingOver().sheet()) + 48);
        page.repaint();
    }

    @Override
    protected void layoutChildren() {
        Plate.place(scroll, 16, 50, getWidth() - 32, getHeight() - 62);
        page.setPrefWidth(getWidth() - 50);
        super.layoutChildren();
    }

    @Override
    Region inspector() {
        return inspector;
    }

    @Override
    void setPalette(Palette palette) {
        page.setPalette(palette);
    }

    @Override
    String keys() {
        return "Tab and Space: choose what to hand over. Page Up and Page Down: move the sheet.";
    }

    /** Paper on a desk. The paper stays paper by night too, since it shows the print. */
    private final class Page extends ScalingCanvas {
        private double heightOf(RecallSheet sheet) {
            return new SheetPainter(sheet, PAGE_WIDTH).height();
        }

        @Override
        void paint(Pen pen, double w, double h) {
            RecallSheet sheet = session.handingOver().sheet();
            double left = Math.max(8, (w - PAGE_WIDTH) / 2);
            double height = Math.max(heightOf(sheet), h - 48);
            pen.g.setFill(Palette.DAY.card);
            pen.g.fillRect(left, 20, PAGE_WIDTH, height);
            pen.g.setStroke(pen.palette.rule);
            pen.g.setLineWidth(1);
            pen.g.strokeRect(left + 0.5, 20.5, PAGE_WIDTH - 1, height - 1);
            pen.g.save();
            pen.g.translate(left, 20);
            new SheetPainter(sheet, PAGE_WIDTH).paint(new Pen(pen.g, Palette.DAY));
            pen.g.restore();
            if (sheet.returns().isEmpty()) {
                pen.text("No returns yet.", left + 40, 160, Type.regular(13), Palette.DAY.ink2);
            }
        }
    }
}
