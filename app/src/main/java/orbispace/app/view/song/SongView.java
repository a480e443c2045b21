package orbispace.app.view.song;

import javafx.collections.MapChangeListener;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.Region;
import orbispace.app.desk.SongModel;
import orbispace.app.draw.Palette;
import orbispace.app.draw.Pen;
import orbispace.app.draw.Type;
import orbispace.app.view.control.Plate;
import orbispace.app.view.control.Playhead;
import orbispace.app.view.control.ScalingCanvas;
import orbispace.app.view.frame.FileMenu;
import orbispace.app.view.frame.Screen;
import orbispace.core.design.Design;

/** The materials: what is in the song, what was found in it, and its tempo and form. */
public final class SongView extends Screen<SongModel> {
    private static final double HEAD = 46;
    private static final double FORM_HEIGHT = 126;
    private static final double STRIP_HEIGHT = 186;
    private static final double LOW_STRIP_HEIGHT = 128;
    private static final int MANY_LANES = 14;

    private final Legend legend = new Legend();
    private final FormLane form;
    private final SongLanes lanes;
    private final SongStrip strip;
    private final Playhead playhead;
    private final SongInspector inspector;

    public SongView(SongModel model, FileMenu files) {
        super(model, "Song");
        inspector = new SongInspector(model, files);
        form = new FormLane(model, inspector::rename);
        lanes = new SongLanes(model, form::axis);
        strip = new SongStrip(model);
        playhead = new Playhead(model.transport().position());
        fill(legend, form, lanes, strip, playhead);
        model.design().addListener((o, was, is) -> refreshWhenSeen());
        model.selection().sourceId().addListener((o, was, is) -> refreshWhenSeen());
        model.selection().picked().addListener((o, was, is) -> refreshWhenSeen());
        model.selection().folded().addListener((o, was, is) -> refreshWhenSeen());
        model.selection().section().addListener((o, was, is) -> strip.repaint());
        model.selection().window().addListener((o, was, is) -> refreshWhenSeen());
        model.measured().survey().findings().addListener((o, was, is) -> lanes.repaint());
        model.measured().survey().found().addListener((o, was, is) -> refreshWhenSeen());
        model.stems()
                .missing()
                .addListener((MapChangeListener<Object, Object>) c -> refreshWhenSeen());
        addEventHandler(KeyEvent.KEY_PRESSED, this::key);
        refreshWhenSeen();
    }

    private void key(KeyEvent e) {
        if (e.getCode() == javafx.scene.input.KeyCode.C && !e.isShortcutDown()) {
            model.transport().clicking().set(!model.transport().clicking().get());
            e.consume();
        }
    }

    @Override
    public void refresh() {
        Design design = model.design().get();
        int stems = design.sources().size();
        long seconds = Math.round(model.songSeconds());
        caption(
                stems == 0
                        ? "nothing brought yet"
                        : stems
                                + (stems == 1 ? " stem, " : " stems, ")
                                + seconds / 60
                                + " min "
                                + seconds % 60
                                + " s");
        form.repaint();
        lanes.repaint();
        strip.repaint();
        legend.repaint();
        requestLayout();
    }

    @Override
    protected void layoutChildren() {
        double w = getWidth();
        double h = getHeight();
        int stems = model.design().get().sources().size();
        double low = stems > MANY_LANES ? LOW_STRIP_HEIGHT : STRIP_HEIGHT;
        double top = HEAD + FORM_HEIGHT;
        double room = Math.max(40, h - top - low - 14);
        Plate.place(legend, 0, 0, w, HEAD);
        Plate.place(form, 0, HEAD, w, FORM_HEIGHT);
        Plate.place(lanes, 0, top, w, room);
        Plate.place(strip, 0, top + room + 14, w, low);
        Plate.place(playhead, 0, 0, w, h);
        playhead.follow(form.axis(), HEAD + FormLane.RULER_TOP, top + Math.max(20, lanes.bottom()));
        super.layoutChildren();
    }

    @Override
    public Region inspector() {
        return inspector;
    }

    @Override
    public void setPalette(Palette palette) {
        for (ScalingCanvas c : new ScalingCanvas[] {legend, form, lanes, strip}) {
            c.setPalette(palette);
        }
        inspector.setPalette(palette);
        playhead.setColor(palette.time);
    }

    @Override
    public String keys() {
        return "In the stems: Up and Down choose; Enter folds a group; + and \u2212 or the wheel"
                + " zoom, Left and Right or Shift with the wheel scroll, Z shows the loop or"
                + " section, Home all. A click on a phrase repeats it. On the ruler: Page Up and"
                + " Down choose an edge or a tempo, arrows move it (Shift fine, Ctrl coarse), X"
                + " splits at the playhead, T sets a tempo there, Delete joins or removes, F2"
                + " renames. C: click on the beats.";
    }

    /** What the marks in the lanes mean. */
    private final class Legend extends ScalingCanvas {
        @Override
        protected void paint(Pen pen, double w, double h) {
            if (model.design().get().sources().isEmpty()) {
                return;
            }
            double y = 30;
            double x = w - 16;
            for (String name : new String[] {"bleed", "hit", "phrase", "mean, peak"}) {
                double width = Pen.width(name, Type.regular(11.5));
                pen.text(name, x - width, y, Type.regular(11.5), pen.palette.ink2);
                x -= width + 10;
                x -= sign(pen, name, x, y) + 16;
            }
        }

        private double sign(Pen pen, String name, double x, double y) {
            switch (name) {
                case "bleed" -> pen.line(x, y - 5, x, y, pen.palette.ink2, 1);
                case "hit" -> pen.line(x, y - 10, x, y, pen.palette.ink, 2.2);
                case "phrase" -> {
                    pen.g.setGlobalAlpha(0.12);
                    pen.g.setFill(pen.palette.ink);
                    pen.g.fillRect(x - 18, y - 10, 20, 11);
                    pen.g.setGlobalAlpha(1);
                    return 18;
                }
                default -> {
                    for (int i = 0; i < 10; i++) {
                        double tall = 3 + 7 * Math.abs(Math.sin(i * 0.9));
                        pen.line(x - 2 * i, y, x - 2 * i, y - tall, pen.palette.ink, 1);
                    }
                    return 20;
                }
            }
            return 0;
        }
    }
}
