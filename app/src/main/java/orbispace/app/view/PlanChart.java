package orbispace.app.view;

import java.util.List;
import java.util.Optional;
import javafx.scene.Cursor;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.text.TextAlignment;
import orbispace.app.draw.BarRuler;
import orbispace.app.draw.Hatch;
import orbispace.app.draw.Pen;
import orbispace.app.draw.SilhouettePainter;
import orbispace.app.draw.TimeAxis;
import orbispace.app.draw.Type;
import orbispace.app.session.Material;
import orbispace.app.session.Session;
import orbispace.core.audio.Decibels;
import orbispace.core.design.Design;
import orbispace.core.design.PlanCell;
import orbispace.core.design.Return;
import orbispace.core.design.Section;
import orbispace.core.design.Source;
import orbispace.core.design.Space;
import orbispace.core.design.Throw;
import orbispace.core.render.GainCurve;
import orbispace.core.render.PlanCurves;
import orbispace.core.time.Span;
import orbispace.files.Wording;

/** Sections across, returns down: a tide line for each level, and the words that are thrown. */
final class PlanChart extends ScalingCanvas {
    private static final double LABELS = Screen.LABELS;
    private static final double TOP = 76;
    private static final double VOICE = 96;
    private static final double HIGHEST_DB = 8;
    private static final double LOWEST_DB = -26;
    private static final double SHORT_NAME = 50;
    private static final int MOST_BEADS = 8;
    private static final double HATCH = 0.5;

    private final Session session;
    private final Playhead playhead;

    PlanChart(Session session, Playhead playhead) {
        this.session = session;
        this.playhead = playhead;
        setMouseTransparent(false);
        setCursor(Cursor.HAND);
        setFocusTraversable(true);
        setAccessibleText("sections and returns");
        addEventHandler(MouseEvent.MOUSE_PRESSED, this::pressed);
        addEventHandler(KeyEvent.KEY_PRESSED, this::key);
    }

    private List<Return> returns() {
        return session.design().get().returns();
    }

    private List<Section> sections() {
        return session.design().get().song().sections();
    }

    private TimeAxis axis(double w) {
        return new TimeAxis(0, session.songSeconds(), 16 + LABELS, w - 32 - LABELS);
    }

    private double rowHeight(double h) {
        return Math.clamp((h - TOP - VOICE - 24) / Math.max(1, returns().size()), 40, 120);
    }

    private void pressed(MouseEvent e) {
        requestFocus();
        TimeAxis axis = axis(getWidth());
        int row = (int) Math.floor((e.getY() - TOP) / rowHeight(getHeight()));
        if (row >= 0 && row < returns().size()) {
            session.selection().returnId().set(returns().get(row).id());
        }
        if (e.getX() > axis.left()) {
            double seconds = axis.seconds(e.getX());
            session.transport().seek(seconds);
            sections().stream()
                    .filter(s -> session.design().get().song().span(s).contains(seconds))
                    .findFirst()
                    .ifPresent(s -> session.selection().section().set(s));
        }
    }

    private void key(KeyEvent e) {
        switch (e.getCode()) {
            case UP -> row(-1);
            case DOWN -> row(1);
            case LEFT -> column(-1);
            case RIGHT -> column(1);
            default -> {
                return;
            }
        }
        e.consume();
    }

    private void row(int by) {
        List<String> ids = returns().stream().map(Return::id).toList();
        int next = ids.indexOf(session.selection().returnId().get()) + by;
        if (next >= 0 && next < ids.size()) {
            session.selection().returnId().set(ids.get(next));
        }
    }

    private void column(int by) {
        int now = session.planning().section().map(s -> index(s)).orElse(0);
        if (now + by >= 0 && now + by < sections().size()) {
            session.selection().section().set(sections().get(now + by));
        }
    }

    private int index(Section s) {
        for (int i = 0; i < sections().size(); i++) {
            if (sections().get(i).firstBar() == s.firstBar()) {
                return i;
            }
        }
        return 0;
    }

    @Override
    void paint(Pen pen, double w, double h) {
        Design design = session.design().get();
        TimeAxis axis = axis(w);
        if (sections().isEmpty() || returns().isEmpty()) {
            pen.text(
                    sections().isEmpty()
                            ? "Lay out sections on Song, and plan the field over them here."
                            : "Draft or add a return on Orbit, and plan it over the sections here.",
                    w / 2,
                    h / 2,
                    Type.regular(14),
                    pen.palette.ink2,
                    TextAlignment.CENTER);
            return;
        }
        double bottom = TOP + rowHeight(h) * returns().size();
        BarRuler.paint(pen, design.song().clock(), axis, 48, 12, bottom);
        PlanCurves curves = new PlanCurves(design);
        double y = TOP;
        for (Return r : returns()) {
            lane(pen, axis, curves, r, y, rowHeight(h));
            y += rowHeight(h);
        }
        pen.across(16, w - 16, y, pen.palette.rule);
        columns(pen, axis, bottom + VOICE);
        chosen(pen, axis, h);
        voice(pen, axis, bottom + VOICE);
        playhead.follow(axis, TOP, bottom + VOICE);
    }

    private void columns(Pen pen, TimeAxis axis, double bottom) {
        for (Section s : sections()) {
            Span span = session.design().get().song().span(s);
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

    private void lane(
            Pen pen, TimeAxis axis, PlanCurves curves, Return r, double top, double height) {
        boolean isChosen = r.id().equals(session.selection().returnId().get());
        pen.across(16, axis.right(), top, pen.palette.rule);
        pen.seal(r.id(), 28, top + height / 2, 12, isChosen);
        pen.text(r.name(), 46, top + height / 2 + 4, Type.strong(13), pen.palette.ink);
        double base = top + height - 6;
        tide(pen, axis, curves, r, top + 16, base);
        for (Section s : sections()) {
            cell(pen, axis, r, s, top, base);
        }
    }

    /**
     * The level over the song, hatched down to the bottom of its lane; nothing while it is shut.
     */
    private void tide(
            Pen pen, TimeAxis axis, PlanCurves curves, Return r, double top, double base) {
        GainCurve in = curves.input(r);
        GainCurve out = curves.output(r);
        double rate = session.design().get().song().sampleRateHz();
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

    private void cell(Pen pen, TimeAxis axis, Return r, Section s, double top, double base) {
        Span span = session.design().get().song().span(s);
        double x = axis.x(span.startSeconds());
        double end = axis.x(span.endSeconds());
        PlanCell cell = s.plan().cell(r.id());
        String words = fitting(cell, end - x - 8);
        if (!words.isEmpty()) {
            pen.haloed(
                    words,
                    x + 5,
                    top + 13,
                    Type.strong(11),
                    pen.palette.ink,
                    pen.palette.paper,
                    TextAlignment.LEFT);
        }
        if (cell.muted()) {
            return;
        }
        if (r.space() instanceof Space.Reverb reverb) {
            double tail = axis.x(span.startSeconds() + cell.decayScale() * reverb.decaySeconds());
            pen.line(x + 1, base - 14, Math.min(end, tail), base, pen.palette.ink, 1.4);
        } else if (r.space() instanceof Space.Echo echo) {
            boolean follows =
                    cell.tempo() == PlanCell.Tempo.FOLLOWS
                            || (cell.tempo() == PlanCell.Tempo.AS_RETURN
                                    && r.timing().followsSections());
            int bar = follows ? s.firstBar() : r.timedAtBar();
            double step = echo.time().seconds(session.design().get().song().clock(), bar);
            for (int k = 1; k <= MOST_BEADS; k++) {
                double at = axis.x(span.startSeconds() + k * step);
                double size = 4 * Math.pow(Math.max(0.1, echo.feedback()), (k - 1) / 2.0);
                if (at < end && size > 0.8) {
                    pen.circle(at, base - 8, size, pen.palette.ink, null, 0);
                }
            }
            String millis = Wording.number(1000 * step, 0) + " ms";
            double taken = words.isEmpty() ? 0 : Pen.width(words, Type.strong(11)) + 8;
            if (Pen.width(millis, Type.regular(11)) + taken < end - x - 12) {
                pen.haloed(
                        millis,
                        end - 5,
                        top + 13,
                        Type.regular(11),
                        pen.palette.time,
                        pen.palette.paper,
                        TextAlignment.RIGHT);
            }
        }
    }

    /** What differs, or of that the level alone, or nothing where there is no room. */
    private static String fitting(PlanCell cell, double room) {
        String words = words(cell);
        if (Pen.width(words, Type.strong(11)) <= room) {
            return words;
        }
        String level =
                cell.muted()
                        ? "\u00d7"
                        : (cell.levelDb() > 0 ? "+" : "") + Wording.number(cell.levelDb(), 0);
        boolean says = cell.muted() || Math.abs(cell.levelDb()) >= 0.5;
        return says && Pen.width(level, Type.strong(11)) <= room ? level : "";
    }

    /** What differs in a cell, in a few signs. */
    static String words(PlanCell cell) {
        if (cell.muted()) {
            return "muted";
        }
        StringBuilder words = new StringBuilder();
        if (cell.levelDb() != 0) {
            words.append(cell.levelDb() > 0 ? "+" : "")
                    .append(Wording.number(cell.levelDb(), 1))
                    .append(" dB ");
        }
        if (cell.decayScale() != 1) {
            words.append("decay \u00d7").append(Wording.number(cell.decayScale(), 2)).append(' ');
        }
        if (cell.widthScale() != 1) {
            words.append("width \u00d7").append(Wording.number(cell.widthScale(), 2));
        }
        return words.toString().strip();
    }

    private void chosen(Pen pen, TimeAxis axis, double h) {
        int row =
                returns().stream()
                        .map(Return::id)
                        .toList()
                        .indexOf(session.selection().returnId().get());
        Optional<Section> section = session.planning().section();
        if (row < 0 || section.isEmpty()) {
            return;
        }
        Span span = session.design().get().song().span(section.get());
        double x = axis.x(span.startSeconds());
        pen.g.setStroke(pen.palette.ink);
        pen.g.setLineWidth(isFocused() ? 2.4 : 1.6);
        pen.g.strokeRect(
                x, TOP + row * rowHeight(h) + 1, axis.x(span.endSeconds()) - x, rowHeight(h) - 2);
    }

    private void voice(Pen pen, TimeAxis axis, double base) {
        Optional<Source> lead = session.clearing().source();
        if (lead.isEmpty()) {
            return;
        }
        pen.text(lead.get().name(), 16, base - 34, Type.strong(13), pen.palette.ink);
        pen.text("and what is thrown", 16, base - 18, Type.regular(11.5), pen.palette.ink3);
        Material m = session.measured().materials().get(lead.get().id());
        if (m != null) {
            double full = m.silhouette().peak(0, m.silhouette().seconds());
            SilhouettePainter.paint(pen, m.silhouette(), axis, base, VOICE - 44, full);
        }
        var clock = session.design().get().song().clock();
        for (Throw t : session.design().get().thrown()) {
            double x = axis.x(clock.secondsAt(t.fromBeat()));
            double to = Math.max(x + 2, axis.x(clock.secondsAt(t.toBeat())));
            boolean heard = session.design().get().findReturn(t.returnId()).isPresent();
            var color = heard ? pen.palette.ofReturn(t.returnId()) : pen.palette.warn;
            pen.line(x, base, x, base - VOICE + 26, color, 1.4);
            pen.g.setFill(color);
            pen.g.fillRect(x, base - VOICE + 34, to - x, 3);
            pen.seal(t.returnId(), x, base - VOICE + 20, 8, true);
        }
    }
}
