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
import orbispace.app.draw.Pen;
import orbispace.app.draw.TimeAxis;
import orbispace.app.draw.Type;
import orbispace.app.song.Clearance;
import orbispace.app.view.control.Playhead;
import orbispace.app.view.control.ScalingCanvas;
import orbispace.app.view.frame.Screen;
import orbispace.core.clear.Diagnosis;
import orbispace.core.clear.PairView;
import orbispace.core.design.Design;
import orbispace.core.design.Return;
import orbispace.core.design.Source;
import orbispace.core.time.Span;

/** Rivers over the phrases, the chart of clashes, and presence bar by bar. */
final class ClearChart extends ScalingCanvas {
    /** Height left free below for the ear words. */
    private static final double EARS = 84;

    /** So much wider the ear words need no third row. */
    private static final double TWO_ROWS = 780;

    private static final double ROW = 28;

    private static final double TOP = 48;
    private static final double VOICE = 88;
    private static final double STRIP = SongStrips.HEIGHT;

    private final ClearModel model;
    private final Playhead playhead;
    private final Label reading;
    private final ClearWindow window = new ClearWindow();
    private final RiverRoll roll = new RiverRoll();

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
        if (e.getX() < axis(getWidth()).left()) {
            roll.turn(e.getDeltaY());
            repaint();
            e.consume();
            return;
        }
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
        String id = model.selection().returnId().get();
        Clearance c = model.measured().clearance().get();
        Optional<PairView> pair =
                c == null || !c.span().equals(model.span()) ? Optional.empty() : c.pair(id);
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
        reading.setText(new ClearReading(model, pair.get()).at(frame, band, seconds));
    }

    private List<Return> returns() {
        return model.design().get().returns();
    }

    private TimeAxis axis(double w) {
        Span span = window.of(model.span());
        return Screen.axis(span.startSeconds(), span.endSeconds(), w);
    }

    private TimeAxis songAxis(double w) {
        return Screen.axis(0, model.songSeconds(), w);
    }

    /** How much room the ear words take at the foot. */
    double ears() {
        return EARS + (getWidth() < TWO_ROWS ? ROW : 0);
    }

    private double stripTop(double h) {
        return h - ears() - STRIP - 10;
    }

    private double riverHeight(double h) {
        return roll.height(returns().size(), riversRoom(h));
    }

    private double riversRoom(double h) {
        return h - TOP - VOICE - 310 - ears();
    }

    /** How many returns are seen at a time; the wheel over their names rolls the others in. */
    private int shown(double h) {
        return roll.shown(returns().size(), riversRoom(h));
    }

    private int firstShown(double h) {
        return roll.first(returns().size(), riversRoom(h));
    }

    /** Rolls so that the chosen return is seen. */
    void showChosen() {
        List<String> ids = returns().stream().map(Return::id).toList();
        int chosen = ids.indexOf(model.selection().returnId().get());
        roll.show(chosen, ids.size(), riversRoom(getHeight()));
        repaint();
    }

    private double riversTop() {
        return TOP + 20 + VOICE;
    }

    private void pressed(MouseEvent e) {
        TimeAxis axis = axis(getWidth());
        int row = (int) Math.floor((e.getY() - riversTop()) / riverHeight(getHeight()));
        if (row >= 0 && row < shown(getHeight())) {
            int at = row + firstShown(getHeight());
            model.selection().returnId().set(returns().get(at).id());
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
        Clearance c = model.measured().clearance().get();
        ClearLegend.paint(
                pen, w, model.selection().returnId().get(), c != null && !c.before().isEmpty());
        double bottom = chartTop(h) + chartHeight(h);
        VoiceRow voice = new VoiceRow(pen, axis, model);
        voice.phrases(TOP + 20, bottom);
        BarRuler.paint(pen, design.song().clock(), axis, TOP, 20, bottom);
        voice.paint(lead.get(), riversTop(), VOICE);
        RiverRows rows = rows(pen, axis);
        int first = firstShown(h);
        double y =
                rows.paintAll(
                        returns(), first, first + shown(h), riversTop(), riverHeight(h), w - 8);
        pen.across(16, w - 16, y, pen.palette.rule);
        clashes(pen, axis, rows, h);
        marks(pen, axis, h);
        strips(pen, w, h);
        playhead.follow(axis, TOP, bottom);
    }

    private RiverRows rows(Pen pen, TimeAxis axis) {
        return new RiverRows(
                pen,
                axis,
                model.measured().clearance().get(),
                model.span(),
                model.selection().returnId().get());
    }

    /** Where the chart of clashes begins. */
    double chartTop(double h) {
        return riversTop() + riverHeight(h) * shown(h) + 22;
    }

    private double chartHeight(double h) {
        return Math.max(60, h - chartTop(h) - ears() - STRIP - 30);
    }

    private void clashes(Pen pen, TimeAxis axis, RiverRows rows, double h) {
        double top = chartTop(h);
        ClashPainter painter =
                new ClashPainter(pen, axis, top, chartHeight(h), model.span().startSeconds());
        String id = model.selection().returnId().get();
        pen.text("Clashes", 16, top + 12, Type.strong(13), pen.palette.ink);
        String name = model.design().get().findReturn(id).map(Return::name).orElse("a return");
        pen.text(name, 16, top + 30, Type.regular(11.5), pen.palette.ink3);
        pen.text("covers", 16, top + 45, Type.regular(11.5), pen.palette.ink3);
        pen.text("the source", 16, top + 60, Type.regular(11.5), pen.palette.ink3);
        painter.paint(rows.pair(id));
        rows.before(id).ifPresent(b -> rows.pair(id).ifPresent(p -> painter.paintWon(b, p)));
        model.design()
                .get()
                .findReturn(id)
                .map(r -> r.filterOut().highPass())
                .ifPresent(painter::paintHighPass);
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
}
