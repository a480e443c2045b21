package orbispace.app.view;

import javafx.scene.Cursor;
import javafx.scene.input.MouseEvent;
import orbispace.app.draw.Pen;
import orbispace.app.draw.Type;
import orbispace.app.session.Session;
import orbispace.core.design.Design;
import orbispace.core.design.Section;
import orbispace.files.Wording;

/** The sections to scale of bars; click goes there and chooses, a drag repeats. */
final class SectionStrip extends ScalingCanvas {
    private final Session session;

    SectionStrip(Session session) {
        this.session = session;
        setMouseTransparent(false);
        setCursor(Cursor.HAND);
        setAccessibleText("sections of the song");
        addEventHandler(MouseEvent.MOUSE_PRESSED, this::pressed);
    }

    private int lastBar() {
        var sections = session.design().get().song().sections();
        var clock = session.design().get().song().clock();
        return sections.isEmpty()
                ? clock.barAtSeconds(session.songSeconds()) + 1
                : sections.getLast().endBar();
    }

    private double x(double bar, double w) {
        return 1 + (w - 2) * (bar - 1) / Math.max(1, lastBar() - 1);
    }

    private void pressed(MouseEvent e) {
        double bar = 1 + (e.getX() - 1) / (getWidth() - 2) * (lastBar() - 1);
        Design design = session.design().get();
        var clock = design.song().clock();
        Section hit =
                design.song().sections().stream()
                        .filter(s -> bar >= s.firstBar() && bar < s.endBar())
                        .findFirst()
                        .orElse(null);
        session.selection()
                .section()
                .set(
                        hit != null
                                        && hit.equals(session.selection().section().get())
                                        && e.getClickCount() == 2
                                ? null
                                : hit);
        int whole = (int) Math.floor(bar);
        double beat =
                clock.metre().beatOfBar(whole)
                        + (bar - whole) * clock.metre().at(whole).quartersPerBar();
        session.transport().seek(clock.tempo().secondsAt(beat));
    }

    @Override
    void paint(Pen pen, double w, double h) {
        Design design = session.design().get();
        var clock = design.song().clock();
        Section chosen = session.selection().section().get();
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
            pen.text(
                    Wording.number(clock.bpmOfBar(s.firstBar()), 0),
                    left + 5,
                    32,
                    Type.strong(11.5),
                    on ? pen.palette.time : pen.palette.ink3);
        }
        bars(pen, w);
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
        var clock = session.design().get().song().clock();
        double seconds = session.transport().position().get();
        double beat = clock.tempo().beatAt(seconds);
        int bar = clock.metre().barAt(beat);
        double part =
                (beat - clock.metre().beatOfBar(bar)) / clock.metre().at(bar).quartersPerBar();
        double x = Math.min(w - 2, x(bar + part, w));
        pen.g.setFill(pen.palette.time);
        pen.g.fillPolygon(new double[] {x - 5, x + 5, x}, new double[] {54, 54, 46}, 3);
        pen.line(x, 36, x, 48, pen.palette.time, 1.6);
    }
}
