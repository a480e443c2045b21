package orbispace.app.view.sheet;

import java.io.IOException;
import java.io.UncheckedIOException;
import javafx.collections.MapChangeListener;
import javafx.collections.SetChangeListener;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.Region;
import orbispace.app.desk.SheetModel;
import orbispace.app.draw.Palette;
import orbispace.app.draw.Pen;
import orbispace.app.draw.PenPages;
import orbispace.app.view.control.Plate;
import orbispace.app.view.control.ScalingCanvas;
import orbispace.app.view.frame.Screen;
import orbispace.files.sheet.RecallSheet;
import orbispace.files.sheet.SheetLayout;

/** Hand-over: the recall sheet as it prints, and what is written where. */
public final class SheetView extends Screen<SheetModel> {
    private final Page page = new Page();
    private final ScrollPane scroll = new ScrollPane(page);
    private final SheetInspector inspector;

    public SheetView(SheetModel model) {
        super(model, "Sheet");
        inspector = new SheetInspector(model);
        scroll.getStyleClass().add("desk");
        caption("as it will print");
        fill(scroll);
        model.design().addListener((o, was, is) -> refreshWhenSeen());
        model.measured()
                .pictures()
                .addListener((MapChangeListener<Object, Object>) c -> refreshWhenSeen());
        model.measured().survey().found().addListener((o, was, is) -> refreshWhenSeen());
        model.handingOver().parts().addListener((SetChangeListener<Object>) c -> refreshWhenSeen());
        model.log().book().addListener((o, was, is) -> refreshWhenSeen());
        model.proving().proven().addListener((o, was, is) -> refreshWhenSeen());
        refreshWhenSeen();
    }

    @Override
    public void refresh() {
        page.setPrefHeight(page.heightOf(model.handingOver().sheet()));
        page.repaint();
    }

    @Override
    protected void layoutChildren() {
        Plate.place(scroll, 16, 50, getWidth() - 32, getHeight() - 62);
        page.setPrefWidth(getWidth() - 50);
        super.layoutChildren();
    }

    @Override
    public Region inspector() {
        return inspector;
    }

    @Override
    public void setPalette(Palette palette) {
        page.setPalette(palette);
        inspector.setPalette(palette);
    }

    @Override
    public String keys() {
        return "Tab and Space: choose what to hand over. Page Up and Page Down: move the sheet.";
    }

    /** Pages on a desk. They stay paper by night too, since they show the print. */
    private final class Page extends ScalingCanvas {
        private static final double SCALE = 1.08;

        double heightOf(RecallSheet sheet) {
            PenPages counted = new PenPages(null);
            draw(sheet, counted);
            return 20 + SCALE * counted.count() * (PenPages.PAGE_HEIGHT + PenPages.GAP);
        }

        private static void draw(RecallSheet sheet, PenPages pages) {
            try {
                SheetLayout.draw(sheet, pages);
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }

        @Override
        protected void paint(Pen pen, double w, double h) {
            pen.g.save();
            pen.g.translate(Math.max(8, (w - SCALE * PenPages.PAGE_WIDTH) / 2), 20);
            pen.g.scale(SCALE, SCALE);
            draw(model.handingOver().sheet(), new PenPages(new Pen(pen.g, Palette.DAY)));
            pen.g.restore();
        }
    }
}
