package orbispace.app.draw;

import javafx.scene.paint.Color;
import orbispace.core.clear.River;

/**
 * Draws a return as a river in dB: solid where it blooms in a gap, its own hatch under the voice,
 * cross-hatched where it covers it.
 */
public final class RiverPainter {
    private static final double DEEPEST_DB = -42;
    private static final double SHORTEST_RUN = 5;

    private final Pen pen;
    private final River river;
    private final TimeAxis axis;
    private final String returnId;
    private final double middle;
    private final double height;
    private final double start;

    /**
     * A painter of one river.
     *
     * @param startSeconds the moment of its first frame
     */
    public RiverPainter(
            Pen pen,
            River river,
            TimeAxis axis,
            String returnId,
            double middle,
            double height,
            double startSeconds) {
        this.start = startSeconds;
        this.pen = pen;
        this.river = river;
        this.axis = axis;
        this.returnId = returnId;
        this.middle = middle;
        this.height = height;
    }

    /** Draws everything. */
    public void paint() {
        int n = (int) axis.width();
        double[] half = new double[n];
        River.Course[] course = new River.Course[n];
        for (int i = 0; i < n; i++) {
            sample(i, half, course);
        }
        pen.across(axis.left(), axis.right(), middle, pen.palette.hair);
        joinShortRuns(course);
        int start = 0;
        for (int i = 1; i <= n; i++) {
            if (i == n || course[i] != course[start]) {
                run(start, i, half, course[start]);
                start = i;
            }
        }
    }

    /** Draws its edges alone, dashed: what it was before. */
    public void outline() {
        int n = (int) axis.width() / 2;
        double[] half = new double[2 * n];
        River.Course[] course = new River.Course[2 * n];
        double[] xs = new double[n];
        double[] upper = new double[n];
        double[] lower = new double[n];
        for (int i = 0; i < n; i++) {
            sample(2 * i, half, course);
            xs[i] = axis.left() + 2 * i;
            upper[i] = middle - half[2 * i];
            lower[i] = middle + half[2 * i];
        }
        pen.g.setStroke(pen.palette.ink);
        pen.g.setLineWidth(1);
        pen.g.setLineDashes(3, 3);
        pen.g.strokePolyline(xs, upper, n);
        pen.g.strokePolyline(xs, lower, n);
        pen.g.setLineDashes();
    }

    private void sample(int i, double[] half, River.Course[] course) {
        double seconds = axis.seconds(axis.left() + i) - start;
        double next = axis.seconds(axis.left() + i + 1) - start;
        int from =
                Math.clamp(
                        (int) (seconds * river.framesPerSecond()),
                        0,
                        Math.max(0, river.frames() - 1));
        int to =
                Math.clamp(
                        (int) Math.ceil(next * river.framesPerSecond()),
                        from + 1,
                        Math.max(from + 1, river.frames()));
        double db = Double.NEGATIVE_INFINITY;
        course[i] = River.Course.BLOOMS;
        for (int f = from; f < Math.min(to, river.frames()); f++) {
            db = Math.max(db, river.levelDb(f));
            if (f == from || river.course(f) == River.Course.COVERS) {
                course[i] = river.course(f);
            }
        }
        half[i] = Math.max(0, (db - DEEPEST_DB) / -DEEPEST_DB) * height / 2;
        half[i] = Math.min(half[i], height / 2);
    }

    private static void joinShortRuns(River.Course[] course) {
        int start = 0;
        for (int i = 1; i <= course.length; i++) {
            if (i == course.length || course[i] != course[start]) {
                if (i - start < SHORTEST_RUN && start > 0) {
                    java.util.Arrays.fill(course, start, i, course[start - 1]);
                }
                start = i;
            }
        }
    }

    private void run(int from, int to, double[] half, River.Course course) {
        int count = to - from + (to < half.length ? 1 : 0);
        double[] xs = new double[2 * count];
        double[] ys = new double[2 * count];
        double most = 0;
        for (int k = 0; k < count; k++) {
            double x = axis.left() + from + k;
            double h = half[from + k];
            most = Math.max(most, h);
            xs[k] = x;
            ys[k] = middle - h;
            xs[2 * count - 1 - k] = x;
            ys[2 * count - 1 - k] = middle + h;
        }
        if (most < 0.6) {
            return;
        }
        Color color = pen.palette.ofReturn(returnId);
        Hatch.Area area =
                new Hatch.Area(
                        (int) Math.round(axis.left()) + from,
                        java.util.Arrays.copyOf(ys, count),
                        lower(half, from, count));
        switch (course) {
            case BLOOMS -> {
                pen.g.setFill(color);
                pen.g.fillPolygon(xs, ys, xs.length);
            }
            case UNDER -> Hatch.ofReturn(pen.g, returnId, color, area);
            case COVERS -> Hatch.cross(pen.g, pen.palette.warn, area);
        }
        pen.g.setStroke(course == River.Course.COVERS ? pen.palette.warn : color);
        pen.g.setLineWidth(1.1);
        pen.g.strokePolyline(
                java.util.Arrays.copyOf(xs, count), java.util.Arrays.copyOf(ys, count), count);
        pen.g.strokePolyline(
                java.util.Arrays.copyOfRange(xs, count, 2 * count),
                java.util.Arrays.copyOfRange(ys, count, 2 * count),
                count);
    }

    private double[] lower(double[] half, int from, int count) {
        double[] lower = new double[count];
        for (int k = 0; k < count; k++) {
            lower[k] = middle + half[from + k];
        }
        return lower;
    }
}
