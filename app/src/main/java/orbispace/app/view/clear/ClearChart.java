package orbispace.app.view.clear;

import java.util.List;
import java.util.Optional;
import javafx.scene.Cursor;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.input.ScrollEvent;
import javafx.scene.text.TextAlignment;
import orbispace.app.desk.ClearModel;
import orbispace.app.draw.BarRuler;
import orbispace.app.draw.ClashPainter;
import orbispace.app.draw.Hatch;
import orbispace.app.draw.Pen;
import orbispace.app.draw.RiverPainter;
import orbispace.app.draw.SilhouettePainter;
import orbispace.app.draw.TimeAxis;
import orbispace.app.draw.Type;
import orbispace.app.song.Clearance;
import orbispace.app.song.Material;
import orbispace.app.view.control.Playhead;
import orbispace.app.view.control.ScalingCanvas;
import orbispace.app.view.frame.Screen;
import orbispace.core.clear.Diagnosis;
import orbispace.core.clear.DuckCourse;
import orbispace.core.clear.PairView;
import orbispace.core.clear.River;
import orbispace.core.design.Design;
import orbispace.core.design.Filter;
import orbispace.core.design.Return;
import orbispace.core.design.Source;
import orbispace.core.hearing.HearingModel;
import orbispace.core.material.Phrases;
import orbispace.core.time.Span;
import orbispace.core.words.Wording;

/** Rivers over the phrases, the chart of clashes, and presence bar by bar. */
final class ClearChart extends ScalingCanvas {
    /** Height left free below for the ear words. */
    static final double EARS = 84;

    private static final double LABELS = Screen.LABELS;
    private static final double TOP = 48;
    private static final double VOICE = 88;
    private static final double STRIP = SongStrips.HEIGHT;
    private static final double MOST_DUCK_DB = 15;

    private final ClearModel model;
    private final Playhead playhead;
    private final Label reading;
    private final ClearWindow window = new ClearWindow();

    ClearChart(ClearModel model, Playhead playhead, Label reading) {
        this.model = model;
        this.playhead = playhead;
        this.reading = reading;
        setMouseTransparent(false);
        setCursor(Cursor.CROSSHAIR);
        addEventHandler(MouseEvent.MOUSE_PRESSED, this::pressed);
        addEventHandler(MouseEvent.MOUSE_MOVED, this::pointed);
        addEventHandler(MouseEvent.MOUSE_EXITED, e -> reading.setText(""));
        addEventHandler(ScrollEvent.SCROLL, this::wheel);
        addEventHandler(KeyEvent.KEY_PRESSED, this::key);
        setFocusTraversable(true);
        setAccessibleText("rivers and clashes of the section");
    }

    private void wheel(ScrollEvent e) {
        window.wheel(e, axis(getWidth()));
        repaint();
        e.consume();
    }

    private void key(KeyEvent e) {
        if (e.getCode() == KeyCode.UP || e.getCode() == KeyCode.DOWN) {
            choose(e.getCode() == KeyCode.UP ? -1 : 1);
            e.consume();
        } else if (window.key(e, model.transport().position().get())) {
            repaint();
            e.consume();
        }
    }

    private void choose(int step) {
        List<String> ids = returns().stream().map(Return::id).toList();
        int next = ids.indexOf(model.selection().returnId().get()) + step;
        if (next >= 0 && next < ids.size()) {
            model.selection().returnId().set(ids.get(next));
        }
    }

    /** Shows the section of a bar and goes there. */
    void go(int bar) {
        Design design = model.design().get();
        design.song().sections().stream()
                .filter(s -> bar >= s.firstBar() && bar < s.endBar())
                .findFirst()
                .ifPresent(s -> model.selection().section().set(s));
        model.transport().seek(design.song().clock().secondsOfBar(bar));
    }

    /** Says which return takes what from the source at the pointer. */
    private void pointed(MouseEvent e) {
        double h = getHeight();
        TimeAxis axis = axis(getWidth());
        Optional<PairView> pair = pair(model.selection().returnId().get());
        boolean inside =
                e.getX() > axis.left()
                        && e.getX() < axis.right()
                        && e.getY() > chartTop(h)
                        && e.getY() < chartTop(h) + chartHeight(h);
        if (!inside || pair.isEmpty()) {
            reading.setText("");
            return;
        }
        double seconds = axis.seconds(e.getX());
        int frame =
                (int)
                        ((seconds - model.span().startSeconds())
                                * pair.get().river().framesPerSecond());
        int band = ClashPainter.bandAt(e.getY(), chartTop(h), chartHeight(h));
        reading.setText(words(pair.get(), frame, band, seconds));
    }

    private String words(PairView pair, int frame, int band, double seconds) {
        if (frame < 0 || frame >= pair.river().frames()) {
            return "";
        }
        Design design = model.design().get();
        String id = model.selection().returnId().get();
        String name = design.findReturn(id).map(Return::name).orElse("the return");
        String source = model.clearing().source().map(Source::name).orElse("the source");
        String place =
                "Bar "
                        + design.song().clock().barAtSeconds(seconds)
                        + ", "
                        + Wording.hertz(HearingModel.centreHz(band))
                        + ": ";
        boolean speaks = pair.river().course(frame) != River.Course.BLOOMS;
        if (!speaks) {
            return place + source + " rests; " + name + " is heard by itself.";
        }
        return place
                + name
                + (pair.meter().clashAt(frame, band)
                        ? " takes more than a fifth of " + source + " here"
                        : " leaves " + source + " alone here")
                + "; "
                + Wording.percent(pair.meter().keptAt(frame), 0)
                + " of its loudness is left at this moment.";
    }

    private List<Return> returns() {
        return model.design().get().returns();
    }

    private TimeAxis axis(double w) {
        Span span = window.of(model.span());
        return new TimeAxis(span.startSeconds(), span.endSeconds(), 16 + LABELS, w - 32 - LABELS);
    }

    private TimeAxis songAxis(double w) {
        return new TimeAxis(0, model.songSeconds(), 16 + LABELS, w - 32 - LABELS);
    }

    private double stripTop(double h) {
        return h - EARS - STRIP - 10;
    }

    private double riverHeight(double h) {
        return Math.clamp((h - TOP - VOICE - 310 - EARS) / Math.max(1, returns().size()), 34, 92);
    }

    private double riversTop() {
        return TOP + 20 + VOICE;
    }

    private void pressed(MouseEvent e) {
        TimeAxis axis = axis(getWidth());
        int row = (int) Math.floor((e.getY() - riversTop()) / riverHeight(getHeight()));
        if (row >= 0 && row < returns().size()) {
            model.selection().returnId().set(returns().get(row).id());
        }
        if (e.getY() >= stripTop(getHeight()) && e.getX() > axis.left()) {
            go(
                    model.design()
                            .get()
                            .song()
                            .clock()
                            .barAtSeconds(songAxis(getWidth()).seconds(e.getX())));
        } else if (e.getX() > axis.left()) {
            model.transport().seek(axis.seconds(e.getX()));
            boolean cell = e.getY() > chartTop(getHeight()) && !model.transport().playing().get();
            if (cell) {
                model.transport().togglePlaying();
            }
        }
    }

    @Override
    protected void paint(Pen pen, double w, double h) {
        Design design = model.design().get();
        TimeAxis axis = axis(w);
        Optional<Source> lead = model.clearing().source();
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
        marks(pen, axis, h);
        strips(pen, w, h);
        playhead.follow(axis, TOP, bottom);
    }

    /** Where the chart of clashes begins. */
    double chartTop(double h) {
        return riversTop() + riverHeight(h) * returns().size() + 22;
    }

    private double chartHeight(double h) {
        return Math.max(60, h - chartTop(h) - EARS - STRIP - 30);
    }

    private void legend(Pen pen, double w) {
        Clearance c = model.measured().clearance().get();
        boolean changed = c != null && !c.before().isEmpty();
        String[] names = {
            "blooms in a gap", "under the dry", "covers the dry", "before, \u2022 won back"
        };
        double x = w - 16;
        String id =
                model.selection().returnId().get().isEmpty()
                        ? "A"
                        : model.selection().returnId().get();
        for (int i = changed ? 3 : 2; i >= 0; i--) {
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
                case 3 -> {
                    pen.g.setLineDashes(3, 3);
                    pen.line(x, 26, x + 26, 26, pen.palette.ink, 1);
                    pen.g.setLineDashes();
                }
                default ->
                        Hatch.cross(pen.g, pen.palette.warn, Hatch.Area.rectangle(x, 20, 26, 12));
            }
            x -= 18;
        }
    }

    private Optional<Phrases> found() {
        return Optional.of(model.clearing().phrases());
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
        pen.text(model.clearing().name(), 16, base - 46, Type.strong(13), pen.palette.ink);
        pen.text("dry, the key", 16, base - 30, Type.regular(11.5), pen.palette.ink3);
        Material m = model.measured().materials().get(lead.id());
        if (m != null) {
            double full = m.silhouette().peak(0, m.silhouette().seconds());
            SilhouettePainter.paint(pen, m.silhouette(), axis, base, VOICE - 12, full);
        }
    }

    private void river(Pen pen, TimeAxis axis, Return r, double top, double height) {
        boolean chosen = r.id().equals(model.selection().returnId().get());
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
        pair.ifPresent(p -> painter(pen, axis, r, p, middle, height).paint());
        before(r.id()).ifPresent(p -> painter(pen, axis, r, p, middle, height).outline());
        ducked(pen, axis, r.id(), top, height);
    }

    private RiverPainter painter(
            Pen pen, TimeAxis axis, Return r, PairView pair, double middle, double height) {
        return new RiverPainter(
                pen, pair.river(), axis, r.id(), middle, height - 12, model.span().startSeconds());
    }

    /** The pair of a return as it was, if that was another. */
    private Optional<PairView> before(String id) {
        return Optional.ofNullable(model.measured().clearance().get())
                .filter((Clearance c) -> c.span().equals(model.span()))
                .flatMap(c -> Optional.ofNullable(c.before().get(id)));
    }

    /** The ducker's gain over the river: a line that hangs from its top, 3 dB to a fifth of it. */
    private void ducked(Pen pen, TimeAxis axis, String id, double top, double height) {
        Clearance c = model.measured().clearance().get();
        DuckCourse course = c == null || !c.span().equals(model.span()) ? null : c.ducks().get(id);
        if (course == null || course.frames() == 0) {
            return;
        }
        int columns = (int) axis.width() / 2;
        double[] xs = new double[columns];
        double[] ys = new double[columns];
        for (int i = 0; i < columns; i++) {
            xs[i] = axis.left() + 2 * i;
            double seconds = axis.seconds(xs[i]) - model.span().startSeconds();
            int frame = (int) Math.min(course.frames() - 1.0, seconds * course.framesPerSecond());
            double down = Math.min(MOST_DUCK_DB, -course.gainDb(Math.max(0, frame)));
            ys[i] = top + 3 + down / MOST_DUCK_DB * (height - 6);
        }
        pen.g.setStroke(pen.palette.ink);
        pen.g.setLineWidth(1.2);
        pen.g.strokePolyline(xs, ys, columns);
        if (!course.fault().isEmpty()) {
            double x = axis.right() - 90;
            pen.flag(x, top + height - 6, x, top + 16, course.fault(), pen.palette.warn);
        }
    }

    /** The pair as it was measured over this very stretch; nothing while another is still shown. */
    private Optional<PairView> pair(String id) {
        return Optional.ofNullable(model.measured().clearance().get())
                .filter((Clearance c) -> c.span().equals(model.span()))
                .flatMap(c -> c.pair(id));
    }

    private void clashes(Pen pen, TimeAxis axis, double h) {
        double top = chartTop(h);
        ClashPainter painter =
                new ClashPainter(pen, axis, top, chartHeight(h), model.span().startSeconds());
        String id = model.selection().returnId().get();
        pen.text("Clashes", 16, top + 12, Type.strong(13), pen.palette.ink);
        String name = model.design().get().findReturn(id).map(Return::name).orElse("a return");
        pen.text(name, 16, top + 30, Type.regular(11.5), pen.palette.ink3);
        pen.text("covers", 16, top + 45, Type.regular(11.5), pen.palette.ink3);
        pen.text("the source", 16, top + 60, Type.regular(11.5), pen.palette.ink3);
        painter.paint(pair(id));
        before(id).ifPresent(b -> pair(id).ifPresent(p -> painter.paintWon(b, p)));
        model.design()
                .get()
                .findReturn(id)
                .map(r -> r.filterOut().highPass())
                .ifPresent(c -> corner(pen, painter, axis, c));
    }

    /** Where an ear word may live. */
    private void marks(Pen pen, TimeAxis axis, double h) {
        Diagnosis d = model.clearing().diagnosis().get();
        if (d != null && d.supported()) {
            new EarMarks(pen, axis, chartTop(h), chartHeight(h)).paint(d, model.span());
        }
    }

    /** The whole song, all returns together. */
    private void strips(Pen pen, double w, double h) {
        new SongStrips(pen, songAxis(w), stripTop(h))
                .paint(
                        model.measured().clearance().get(),
                        model.design().get(),
                        window.of(model.span()));
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
