package orbispace.app.view;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.input.ScrollEvent;
import orbispace.app.draw.LanePainter;
import orbispace.app.draw.Pen;
import orbispace.app.draw.TimeAxis;
import orbispace.app.draw.TimeWindow;
import orbispace.app.session.Material;
import orbispace.app.session.Session;
import orbispace.core.design.Design;
import orbispace.core.design.Source;
import orbispace.core.material.Phrases;
import orbispace.core.prove.Finding;
import orbispace.core.time.Span;

/**
 * The stems over time, one lane each; layers of one part fold into one lane. The wheel zooms and
 * scrolls in time, over the names it scrolls the lanes.
 */
final class SongLanes extends ScalingCanvas {
    private static final double LEAST_LANE = 14;
    private static final double MOST_LANE = 66;
    private static final double CHOSEN_LANE = 46;
    private static final double ZOOM = 1.25;

    private final Session session;
    private final Supplier<TimeAxis> axis;
    private final Set<String> folded = new HashSet<>();
    private double scrolled;
    private double draggedFrom = Double.NaN;

    SongLanes(Session session, Supplier<TimeAxis> axis) {
        this.session = session;
        this.axis = axis;
        setMouseTransparent(false);
        setFocusTraversable(true);
        setAccessibleText("stems over time; up and down choose a stem");
        addEventHandler(MouseEvent.MOUSE_PRESSED, this::pressed);
        addEventHandler(MouseEvent.MOUSE_DRAGGED, this::dragged);
        addEventHandler(ScrollEvent.SCROLL, this::wheel);
        addEventHandler(KeyEvent.KEY_PRESSED, this::key);
    }

    /** One lane: a source, and how many layers are folded into it. */
    private record Row(Source source, int layers, boolean groupHead) {}

    private List<Row> rows() {
        Design design = session.design().get();
        List<Row> rows = new ArrayList<>();
        Set<String> seen = new HashSet<>();
        for (Source source : design.sources()) {
            int layers = design.layersOf(source).size();
            boolean head = layers > 1 && seen.add(source.group());
            if (layers == 1 || head) {
                rows.add(new Row(source, layers, head));
                if (head && !folded.contains(source.group())) {
                    design.layersOf(source).stream()
                            .skip(1)
                            .forEach(s -> rows.add(new Row(s, layers, false)));
                }
            }
        }
        return rows;
    }

    private boolean chosen(Row row) {
        String id = session.selection().sourceId().get();
        return row.source().id().equals(id)
                || (row.groupHead()
                        && folded.contains(row.source().group())
                        && session.design().get().layersOf(row.source()).stream()
                                .anyMatch(s -> s.id().equals(id)));
    }

    /** Height of each lane: equal, but the chosen one keeps enough to be read. */
    private double[] heights(List<Row> rows) {
        double[] heights = new double[rows.size()];
        double room = Math.max(1, getHeight());
        double even = Math.clamp(room / Math.max(1, rows.size() + 0.6), LEAST_LANE, MOST_LANE);
        if (even < CHOSEN_LANE && !rows.isEmpty()) {
            even = Math.max(LEAST_LANE, (room - CHOSEN_LANE) / Math.max(1, rows.size() - 1));
        }
        for (int i = 0; i < heights.length; i++) {
            boolean lead = i == 0 && even > 40;
            heights[i] =
                    lead ? even * 1.6 : chosen(rows.get(i)) ? Math.max(even, CHOSEN_LANE) : even;
        }
        return heights;
    }

    private static double sum(double[] heights) {
        double sum = 0;
        for (double h : heights) {
            sum += h;
        }
        return sum;
    }

    /** Where the lowest lane ends. */
    double bottom() {
        return Math.min(getHeight(), sum(heights(rows())) - scrolled);
    }

    private Optional<Row> rowAt(double y) {
        List<Row> rows = rows();
        double[] heights = heights(rows);
        double top = -scrolled;
        for (int i = 0; i < rows.size(); i++) {
            if (y >= top && y < top + heights[i]) {
                return Optional.of(rows.get(i));
            }
            top += heights[i];
        }
        return Optional.empty();
    }

    private void pressed(MouseEvent e) {
        requestFocus();
        draggedFrom = e.getX();
        double seconds = axis.get().seconds(e.getX());
        rowAt(e.getY())
                .ifPresent(row -> {
                    if (row.groupHead() && e.getX() < 32) {
                        toggle(row);
                    }
                    session.selection().sourceId().set(row.source().id());
                    if (e.getX() > axis.get().left()) {
                        loopPhrase(row.source(), seconds);
                    }
                });
        if (e.getX() > axis.get().left()) {
            session.transport().seek(seconds);
        }
    }

    /** A drag over the lanes moves what is seen, as a hand moves paper. */
    private void dragged(MouseEvent e) {
        TimeWindow seen = window();
        if (!seen.isAll() && e.getX() > axis.get().left()) {
            show(seen.scrolled((draggedFrom - e.getX()) * seen.seconds() / axis.get().width()));
        }
        draggedFrom = e.getX();
    }

    private void loopPhrase(Source source, double seconds) {
        Optional.ofNullable(session.measured().materials().get(source.id()))
                .flatMap(Material::phrases)
                .map(Phrases::spans)
                .flatMap(p -> p.stream().filter(s -> s.contains(seconds)).findFirst())
                .ifPresent(session::loopOver);
    }

    private void toggle(Row row) {
        String group = row.source().group();
        if (!folded.remove(group)) {
            folded.add(group);
        }
        repaint();
    }

    private TimeWindow window() {
        return TimeWindow.of(session.selection().window().get(), session.songSeconds());
    }

    private void show(TimeWindow window) {
        session.selection().window().set(window.isAll() ? null : window.span());
    }

    private void wheel(ScrollEvent e) {
        if (e.getX() < axis.get().left()) {
            scrolled -= e.getDeltaY();
            repaint();
        } else if (e.isShiftDown() || Math.abs(e.getDeltaX()) > Math.abs(e.getDeltaY())) {
            double by = e.getDeltaX() == 0 ? e.getDeltaY() : e.getDeltaX();
            show(window().scrolled(-by / 400 * window().seconds()));
        } else if (e.getDeltaY() != 0) {
            double at = axis.get().seconds(e.getX());
            show(window().zoomed(at, e.getDeltaY() > 0 ? ZOOM : 1 / ZOOM));
        }
        e.consume();
    }

    private void key(KeyEvent e) {
        boolean known = true;
        switch (e.getCode()) {
            case UP -> choose(-1);
            case DOWN -> choose(1);
            case ENTER ->
                    rows().stream()
                            .filter(r -> chosen(r) && r.layers() > 1)
                            .findFirst()
                            .ifPresent(this::toggle);
            case LEFT -> show(window().scrolled(-window().seconds() / 8));
            case RIGHT -> show(window().scrolled(window().seconds() / 8));
            case HOME -> session.selection().window().set(null);
            default -> known = zoomKey(e);
        }
        if (known) {
            e.consume();
        }
    }

    private boolean zoomKey(KeyEvent e) {
        double at = session.transport().position().get();
        TimeWindow seen = window();
        double kept = at >= seen.fromSeconds() && at <= seen.toSeconds() ? at : middle(seen);
        if (e.getText().equals("+") || e.getCode() == KeyCode.PLUS || e.getText().equals("=")) {
            show(seen.zoomed(kept, ZOOM));
        } else if (e.getText().equals("-") || e.getCode() == KeyCode.MINUS) {
            show(seen.zoomed(kept, 1 / ZOOM));
        } else if (e.getCode() == KeyCode.Z && !e.isShortcutDown()) {
            Span loop = session.transport().loop().get();
            Span to = loop == null ? session.span() : loop;
            show(TimeWindow.of(to, session.songSeconds()));
        } else {
            return false;
        }
        return true;
    }

    private static double middle(TimeWindow seen) {
        return (seen.fromSeconds() + seen.toSeconds()) / 2;
    }

    private void choose(int step) {
        List<Row> rows = rows();
        int at = -1;
        for (int i = 0; i < rows.size(); i++) {
            at = chosen(rows.get(i)) ? i : at;
        }
        int next = at + step;
        if (next >= 0 && next < rows.size()) {
            session.selection().sourceId().set(rows.get(next).source().id());
            reveal(next);
        }
    }

    private void reveal(int index) {
        double[] heights = heights(rows());
        double top = 0;
        for (int i = 0; i < index; i++) {
            top += heights[i];
        }
        scrolled = Math.min(top, Math.max(scrolled, top + heights[index] - getHeight()));
    }

    @Override
    void paint(Pen pen, double w, double h) {
        List<Row> rows = rows();
        if (rows.isEmpty()) {
            return;
        }
        double[] heights = heights(rows);
        scrolled = Math.clamp(scrolled, 0, Math.max(0, sum(heights) - h));
        LanePainter painter = new LanePainter(pen, axis.get());
        double top = -scrolled;
        for (int i = 0; i < rows.size(); i++) {
            if (top + heights[i] > 0 && top < h) {
                painter.paint(lane(rows.get(i)), top, heights[i]);
            }
            top += heights[i];
        }
        pen.across(16, axis.get().right(), Math.min(h - 1, top), pen.palette.rule);
        if (sum(heights) > h + 1) {
            double share = h / sum(heights);
            pen.line(w - 8, scrolled * share, w - 8, (scrolled + h) * share, pen.palette.ink3, 3);
        }
    }

    private LanePainter.Lane lane(Row row) {
        Source source = row.source();
        boolean closed = row.groupHead() && folded.contains(source.group());
        List<Source> covered = closed ? session.design().get().layersOf(source) : List.of(source);
        List<Finding> findings =
                session.measured().survey().findings().get().stream()
                        .filter(f -> covered.stream().anyMatch(s -> s.id().equals(f.subject())))
                        .toList();
        String name =
                closed
                        ? String.format(Locale.ROOT, "%s (%d)", source.group(), row.layers())
                        : source.name();
        return new LanePainter.Lane(
                source,
                name,
                session.measured().materials().get(source.id()),
                session.stems().missing().getOrDefault(source.id(), ""),
                findings,
                chosen(row),
                row.groupHead() ? (closed ? -1 : 1) : 0);
    }
}
