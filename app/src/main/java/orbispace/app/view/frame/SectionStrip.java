package orbispace.app.view.frame;

import javafx.scene.Cursor;
import javafx.scene.input.MouseEvent;
import javafx.scene.paint.Color;
import orbispace.app.desk.FrameModel;
import orbispace.app.draw.Pen;
import orbispace.app.draw.Type;
import orbispace.app.view.control.ScalingCanvas;
import orbispace.core.design.Design;
import orbispace.core.design.Section;
import orbispace.core.time.Span;
import orbispace.core.words.Wording;

/** The sections to scale of bars; click goes there and chooses, a drag repeats. */
final class SectionStrip extends ScalingCanvas {
    private final FrameModel model;
    private double pressedBar = 1;

    SectionStrip(FrameModel model) {
        this.model = model;
        setMouseTransparent(false);
        setCursor(Cursor.HAND);
        setAccessibleText("sections of the song");
        addEventHandler(MouseEvent.MOUSE_PRESSED, this::pressed);
        addEventHandler(MouseEvent.MOUSE_DRAGGED, this::dragged);
        model.transport().loop().addListener((o, was, is) -> repaint());
        model.selection().window().addListener((o, was, is) -> repaint());
    }

    private int lastBar() {
        var sections = model.design().get().song().sections();
        var clock = model.design().get().song().clock();
        return sections.isEmpty()
                ? clock.barAtSeconds(model.songSeconds()) + 1
                : sections.getLast().endBar();
    }

    private double x(double bar, double w) {
        return 1 + (w - 2) * (bar - 1) / Math.max(1, lastBar() - 1);
    }

    private double barAt(double x) {
        return Math.clamp(1 + (x - 1) / (getWidth() - 2) * (lastBar() - 1), 1, lastBar());
    }

    private void pressed(MouseEvent e) {
        pressedBar = barAt(e.getX());
        Section hit =
                model.design().get().song().sections().stream()
                        .filter(s -> pressedBar >= s.firstBar() && pressedBar < s.endBar())
                        .findFirst()
                        .orElse(null);
        boolean again = hit != null && hit.equals(model.selection().section().get());
        model.selection().section().set(again && e.getClickCount() == 2 ? null : hit);
        model.transport().seek(seconds(pressedBar));
    }

    /** Repeats the bars under the hand; with Shift they are what is seen on the Song screen. */
    private void dragged(MouseEvent e) {
        double bar = barAt(e.getX());
        int from = (int) Math.floor(Math.min(bar, pressedBar));
        int to = (int) Math.ceil(Math.max(bar, pressedBar));
        if (Math.abs(bar - pressedBar) > 0.5 && to > from) {
            Span bars = new Span(Math.max(0, seconds(from)), Math.max(0.1, seconds(to)));
            if (e.isShiftDown()) {
                model.selection().window().set(bars);
            } else {
                model.transport().loopOver(bars);
            }
        }
    }

    private double seconds(double bar) {
        var clock = model.design().get().song().clock();
        int whole = (int) Math.floor(bar);
        double beat =
                clock.metre().beatOfBar(whole)
                        + (bar - whole) * clock.metre().at(whole).quartersPerBar();
        return clock.secondsAt(beat);
    }

    private double barAtSeconds(double seconds) {
        var clock = model.design().get().song().clock();
        double beat = clock.beatAt(seconds);
        int bar = clock.metre().barAt(beat);
        return bar + (beat - clock.metre().beatOfBar(bar)) / clock.metre().at(bar).quartersPerBar();
    }

    @Override
    protected void paint(Pen pen, double w, double h) {
        Design design = model.design().get();
        var clock = design.song().clock();
        Section chosen = model.selection().section().get();
        for (Section s : design.song().sections()) {
            double left = x(s.firstBar(), w);
            double right = x(s.endBar(), w);
            boolean on = s.equals(chosen);
            if (on) {
                pen.g.setFill(pen.palette.card);
                pen.g.fillRect(left, 3, right - left, 36);
            }
            pen.upright(left, 3, 39, on ? pen.palette.ink : pen.palette.rule);
            var font = on ? Type.strong(11.5) : Type.regular(11.5);
            pen.text(
                    Pen.shortened(s.name(), right - left - 8, font),
                    left + 5,
                    16,
                    font,
                    on ? pen.palette.ink : pen.palette.ink2);
            String bpm = Wording.number(clock.bpmOfBar(s.firstBar()), 0);
            if (Pen.width(bpm, Type.strong(11.5)) < right - left - 6) {
                pen.text(
                        bpm,
                        left + 5,
                        32,
                        Type.strong(11.5),
                        on ? pen.palette.time : pen.palette.ink3);
            }
        }
        bars(pen, w);
        window(pen, w);
        loop(pen, w);
        caret(pen, w);
    }

    private void bars(Pen pen, double w) {
        int last = lastBar();
        int step = Math.max(1, (last - 1) / 40);
        pen.g.setFill(pen.palette.ink);
        for (int bar = 1; bar < last; bar += step) {
            double left = x(bar, w);
            double width = x(Math.min(last, bar + step), w) - left;
            if ((bar - 1) / step % 2 == 0) {
                pen.g.fillRect(left, 40, width, 4);
            }
        }
        pen.g.setStroke(pen.palette.ink);
        pen.g.setLineWidth(1);
        pen.g.strokeRect(1.5, 39.5, w - 3, 5);
    }

    private void caret(Pen pen, double w) {
        double x = Math.min(w - 2, x(barAtSeconds(model.transport().position().get()), w));
        pen.g.setFill(pen.palette.time);
        pen.g.fillPolygon(new double[] {x - 5, x + 5, x}, new double[] {54, 54, 46}, 3);
        pen.line(x, 36, x, 48, pen.palette.time, 1.6);
    }

    /** A bracket over what is seen on the Song screen. */
    private void window(Pen pen, double w) {
        Span seen = model.selection().window().get();
        if (seen != null) {
            bracket(pen, seen, w, new double[] {1.5, 1, 6}, pen.palette.ink);
        }
    }

    private void loop(Pen pen, double w) {
        Span loop = model.transport().loop().get();
        if (loop != null) {
            bracket(pen, loop, w, new double[] {49, 45, 51}, pen.palette.time);
        }
    }

    /** A line over a stretch with a stroke at either end; heights of line, stroke's ends. */
    private void bracket(Pen pen, Span span, double w, double[] ys, Color ink) {
        double left = x(barAtSeconds(span.startSeconds()), w);
        double right = Math.min(w - 1, x(barAtSeconds(span.endSeconds()), w));
        pen.line(left, ys[0], right, ys[0], ink, 1.6);
        pen.line(left, ys[1], left, ys[2], ink, 1.6);
        pen.line(right, ys[1], right, ys[2], ink, 1.6);
    }
}
