package orbispace.app.draw;

import java.util.List;
import java.util.function.DoubleUnaryOperator;
import javafx.scene.text.TextAlignment;
import orbispace.app.song.FormItem;
import orbispace.core.design.Song;
import orbispace.core.time.TempoMap;
import orbispace.core.words.Wording;
import org.jspecify.annotations.Nullable;

/**
 * The line of the tempo over the song: a node at each change, with its tempo where there is room.
 */
final class TempoLine {
    private static final double LEAST_NODE = 10;
    private static final double CHAIN = 24;
    private static final double LEAST_LABEL = 34;

    private final Pen pen;
    private final TimeAxis axis;
    private final Song song;
    private final double bottom;
    private final DoubleUnaryOperator height;
    private double lastLabel = Double.NEGATIVE_INFINITY;
    private double lastNode = Double.NEGATIVE_INFINITY;
    private double before = Double.NEGATIVE_INFINITY;
    private String lastText = "";

    /**
     * A line.
     *
     * @param bottom where its lane ends
     * @param height where a tempo lies
     */
    TempoLine(Pen pen, TimeAxis axis, Song song, double bottom, DoubleUnaryOperator height) {
        this.pen = pen;
        this.axis = axis;
        this.song = song;
        this.bottom = bottom;
        this.height = height;
    }

    private double y(double bpm) {
        return height.applyAsDouble(bpm);
    }

    /** Paints it with one change chosen; call once. */
    void paint(@Nullable FormItem item) {
        List<TempoMap.Change> changes = song.clock().tempo().changes();
        for (int i = 0; i < changes.size(); i++) {
            TempoMap.Change c = changes.get(i);
            double x = axis.x(song.clock().secondsAt(c.beat()));
            boolean last = i + 1 == changes.size();
            double end =
                    last ? axis.right() : axis.x(song.clock().secondsAt(changes.get(i + 1).beat()));
            stretch(c, last ? null : changes.get(i + 1), x, end);
            node(c, new FormItem.Tempo(c.beat()).equals(item), x, end);
        }
    }

    /** The tempo from one change to the next, and the step there. */
    private void stretch(TempoMap.Change c, TempoMap.@Nullable Change next, double x, double end) {
        double to = next == null ? c.bpm() : c.endBpm();
        pen.line(x, y(c.bpm()), Math.min(end, axis.right()), y(to), pen.palette.time, 1.8);
        if (next != null && next.bpm() != to) {
            pen.line(end, y(to), end, y(next.bpm()), pen.palette.time, 1.2);
        }
        if (to != c.bpm()) {
            for (double at = x; at < end; at += 4) {
                pen.line(
                        at,
                        y(c.bpm() + (to - c.bpm()) * (at - x) / (end - x)),
                        at,
                        bottom,
                        pen.palette.time.deriveColor(0, 1, 1, 0.4),
                        1);
            }
        }
    }

    private void node(TempoMap.Change c, boolean chosen, double x, double end) {
        if (!chosen && x - lastNode < LEAST_NODE) {
            before = x;
            return;
        }
        lastNode = x;
        pen.circle(
                x,
                y(c.bpm()),
                chosen ? 4.5 : 3,
                chosen ? pen.palette.time : pen.palette.paper,
                pen.palette.time,
                1.4);
        String label = Wording.number(c.bpm(), 0);
        boolean told = label.equals(lastText);
        boolean chained = x - before < CHAIN && end - x < CHAIN;
        before = x;
        if (!told && !chained && x - lastLabel > LEAST_LABEL && x < axis.right() - 24) {
            lastText = label;
            lastLabel = x;
            label(label, x, y(c.bpm()));
        }
    }

    private void label(String label, double x, double y) {
        pen.haloed(
                label,
                x + 5,
                y + 14 > bottom - 2 ? y - 6 : y + 14,
                Type.strong(11.5),
                pen.palette.time,
                pen.palette.paper,
                TextAlignment.LEFT);
    }
}
