package orbispace.app.draw;

import java.util.List;
import orbispace.app.song.FormItem;
import orbispace.core.design.Section;
import orbispace.core.design.Song;
import orbispace.core.time.TempoMap;
import org.jspecify.annotations.Nullable;

/**
 * Draws sections and tempo: a line with nodes at its changes, a ritardando as a slope with
 * uprights.
 */
public final class TempoPainter {
    private static final double EDGE_LINE = 36;

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
            section(s, s.equals(chosen));
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
        new TempoLine(pen, axis, song, top + height, this::y).paint(item);
        pen.across(axis.left(), axis.right(), top + height, pen.palette.ink);
    }

    private void section(Section s, boolean on) {
        double x = axis.x(song.span(s).startSeconds());
        double right = axis.x(song.span(s).endSeconds());
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
}
