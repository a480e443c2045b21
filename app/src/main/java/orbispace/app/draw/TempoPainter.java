package orbispace.app.draw;

import java.util.List;
import javafx.scene.text.TextAlignment;
import orbispace.app.song.FormItem;
import orbispace.core.design.Section;
import orbispace.core.design.Song;
import orbispace.core.time.TempoMap;
import orbispace.core.words.Wording;
import org.jspecify.annotations.Nullable;

/**
 * Draws sections and tempo: a line with nodes at its changes, a ritardando as a slope with
 * uprights.
 */
public final class TempoPainter {
    private static final double EDGE_LINE = 36;
    private static final double LEAST_NODE = 10;
    private static final double CHAIN = 24;

    private final Pen pen;
    private final Song song;
    private final TimeAxis axis;
    private final double top;
    private final double height;
    private final Places places;

    /** Where edges and tempo changes lie in a lane, shared by drawing and pointer. */
    public static final class Places {
        private final Song song;
        private final TimeAxis axis;
        private final double top;
        private final double height;
        private final double slowest;
        private final double fastest;

        /** Places in a lane. */
        public Places(Song song, TimeAxis axis, double top, double height) {
            this.song = song;
            this.axis = axis;
            this.top = top;
            this.height = height;
            List<TempoMap.Change> changes = song.clock().tempo().changes();
            slowest =
                    changes.stream()
                            .mapToDouble(c -> Math.min(c.bpm(), c.endBpm()))
                            .min()
                            .orElse(60);
            fastest =
                    changes.stream()
                            .mapToDouble(c -> Math.max(c.bpm(), c.endBpm()))
                            .max()
                            .orElse(60);
        }

        /** The edge before a bar: x, y. */
        public double[] edge(int bar) {
            return new double[] {axis.x(song.clock().secondsOfBar(bar)), top + EDGE_LINE};
        }

        /** The node of a tempo change: x, y. */
        public double[] tempo(TempoMap.Change c) {
            return new double[] {axis.x(song.clock().secondsAt(c.beat())), y(c.bpm())};
        }

        private double y(double bpm) {
            double range = Math.max(8, fastest - slowest);
            return top + height - 8 - (height - EDGE_LINE - 20) * (bpm - slowest) / range;
        }
    }

    /** A painter of a lane. */
    public TempoPainter(Pen pen, Song song, TimeAxis axis, double top, double height) {
        this.pen = pen;
        this.song = song;
        this.axis = axis;
        this.top = top;
        this.height = height;
        places = new Places(song, axis, top, height);
    }

    /** Draws everything, with one section and one edge or tempo chosen. */
    public void paint(@Nullable Section chosen, @Nullable FormItem item) {
        double lane = top + EDGE_LINE;
        pen.text("Tempo", 18, top + 14, Type.strong(13), pen.palette.ink);
        var metre = song.clock().metre().at(1);
        pen.text(
                metre.beatsPerBar() + "/" + metre.beatUnit(),
                18,
                top + 30,
                Type.regular(11.5),
                pen.palette.ink3);
        for (Section s : song.sections()) {
            double x = axis.x(song.span(s).startSeconds());
            double right = axis.x(song.span(s).endSeconds());
            boolean on = s.equals(chosen);
            if (on) {
                pen.g.setFill(pen.palette.card);
                pen.g.fillRect(x, top, right - x, height);
            }
            pen.upright(x, top, top + height, pen.palette.rule);
            pen.text(
                    Pen.shortened(s.name(), right - x - 8, Type.strong(11.5)),
                    x + 5,
                    top + 12,
                    on ? Type.strong(11.5) : Type.regular(11.5),
                    on ? pen.palette.ink : pen.palette.ink2);
            pen.text(
                    s.firstBar() + "\u2013" + (s.endBar() - 1),
                    x + 5,
                    top + 27,
                    Type.regular(11.5),
                    pen.palette.ink3);
        }
        pen.across(axis.left(), axis.right(), lane, pen.palette.ink);
        for (int i = 0; i < song.sections().size(); i++) {
            diamond(
                    places.edge(song.sections().get(i).firstBar()),
                    new FormItem.Edge(i).equals(item));
        }
        if (!song.sections().isEmpty()) {
            diamond(
                    places.edge(song.sections().getLast().endBar()),
                    new FormItem.Edge(song.sections().size()).equals(item));
        }
        line(item);
        pen.across(axis.left(), axis.right(), top + height, pen.palette.ink);
    }

    private void diamond(double[] place, boolean chosen) {
        double r = chosen ? 6 : 4;
        double[] xs = {place[0] - r, place[0], place[0] + r, place[0]};
        double[] ys = {place[1], place[1] - r, place[1], place[1] + r};
        pen.g.setFill(chosen ? pen.palette.ink : pen.palette.paper);
        pen.g.fillPolygon(xs, ys, 4);
        pen.g.setStroke(pen.palette.ink);
        pen.g.setLineWidth(1);
        pen.g.strokePolygon(xs, ys, 4);
    }

    private double y(double bpm) {
        return places.y(bpm);
    }

    private void line(@Nullable FormItem item) {
        List<TempoMap.Change> changes = song.clock().tempo().changes();
        double lastLabel = Double.NEGATIVE_INFINITY;
        double lastNode = Double.NEGATIVE_INFINITY;
        double before = Double.NEGATIVE_INFINITY;
        String lastText = "";
        for (int i = 0; i < changes.size(); i++) {
            TempoMap.Change c = changes.get(i);
            double x = axis.x(song.clock().secondsAt(c.beat()));
            boolean last = i + 1 == changes.size();
            double end =
                    last ? axis.right() : axis.x(song.clock().secondsAt(changes.get(i + 1).beat()));
            double to = last ? c.bpm() : c.endBpm();
            pen.line(x, y(c.bpm()), Math.min(end, axis.right()), y(to), pen.palette.time, 1.8);
            if (!last && changes.get(i + 1).bpm() != to) {
                pen.line(end, y(to), end, y(changes.get(i + 1).bpm()), pen.palette.time, 1.2);
            }
            if (to != c.bpm()) {
                for (double at = x; at < end; at += 4) {
                    pen.line(
                            at,
                            y(c.bpm() + (to - c.bpm()) * (at - x) / (end - x)),
                            at,
                            top + height,
                            pen.palette.time.deriveColor(0, 1, 1, 0.4),
                            1);
                }
            }
            boolean chosen = new FormItem.Tempo(c.beat()).equals(item);
            if (!chosen && x - lastNode < LEAST_NODE) {
                before = x;
                continue;
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
            if (!told && !chained && x - lastLabel > 34 && x < axis.right() - 24) {
                lastText = label;
                double low = y(c.bpm()) + 14;
                pen.haloed(
                        label,
                        x + 5,
                        low > top + height - 2 ? y(c.bpm()) - 6 : low,
                        Type.strong(11.5),
                        pen.palette.time,
                        pen.palette.paper,
                        TextAlignment.LEFT);
                lastLabel = x;
            }
        }
    }
}
