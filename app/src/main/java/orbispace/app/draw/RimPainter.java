package orbispace.app.draw;

import java.util.ArrayList;
import java.util.List;
import java.util.TreeMap;
import javafx.scene.shape.ArcType;
import orbispace.core.design.Source;

/** The rim of the disc, with where the dry sources lie. */
final class RimPainter {
    private static final double SAME_PLACE_DEGREES = 6;
    private static final double LONGEST_NAMES = 170;
    private static final double UPRIGHT_DEGREES = 78;

    private final Pen pen;
    private final PolarAxis axis;
    private final DiscPen disc;
    private final List<Source> sources;

    RimPainter(Pen pen, PolarAxis axis, List<Source> sources) {
        this.pen = pen;
        this.axis = axis;
        this.sources = List.copyOf(sources);
        disc = new DiscPen(pen, axis);
    }

    /** Paints it. */
    void paint() {
        double r = axis.radius();
        disc.arc(r, pen.palette.ink, 1);
        disc.arc(r + 6, pen.palette.ink, 1);
        for (int i = 0; i < 12; i += 2) {
            pen.g.setStroke(pen.palette.ink);
            pen.g.setLineWidth(4);
            double m = r + 3;
            double from = 180 - (i + 0.5) * 15;
            pen.g.strokeArc(
                    axis.centreX() - m,
                    axis.centreY() - m,
                    2 * m,
                    2 * m,
                    from - 7.5,
                    15,
                    ArcType.OPEN);
        }
        disc.arc(r + 10, pen.palette.ink, 1);
        for (int degrees : new int[] {-60, -30, 30, 60}) {
            String name = (degrees < 0 ? "L " : "R ") + Math.abs(degrees);
            disc.along(
                    name,
                    r - 15,
                    degrees - Math.toDegrees(14 / r),
                    Type.regular(11),
                    pen.palette.ink3);
        }
        paintSources();
    }

    /** Where the dry sources lie; those of one place share a label. */
    private void paintSources() {
        TreeMap<Long, List<Source>> places = new TreeMap<>();
        for (Source source : sources) {
            long place = Math.round(90 * source.pan() / SAME_PLACE_DEGREES);
            places.computeIfAbsent(place, k -> new ArrayList<>()).add(source);
        }
        double lastRight = Double.NEGATIVE_INFINITY;
        double lastY = Double.NaN;
        for (List<Source> place : places.values()) {
            double degrees = 90 * place.getFirst().pan();
            double r = axis.radius() + 10;
            triangle(axis.x(r + 3, degrees), axis.y(r + 3, degrees), degrees);
            String name = placeName(place);
            double w = Pen.width(name, Type.regular(11.5));
            if (Math.abs(degrees) > UPRIGHT_DEGREES) {
                upright(name, degrees, w);
                continue;
            }
            double x = axis.x(r + 13, degrees) - toItsLeft(degrees, w);
            double y = axis.y(r + 13, degrees) + 4;
            double free = Math.abs(y - lastY) < 13 ? lastRight + 8 : x;
            pen.text(name, Math.max(x, free), y, Type.regular(11.5), pen.palette.ink2);
            lastRight = Math.max(x, free) + w;
            lastY = y;
        }
    }

    /** At either end there is no room beside the rim: the name climbs along it. */
    private void upright(String name, double degrees, double width) {
        boolean left = degrees < 0;
        double r = axis.radius() + 14;
        pen.g.save();
        pen.g.translate(axis.x(r, degrees), axis.y(r, degrees) - 12);
        pen.g.rotate(left ? -90 : 90);
        pen.text(name, left ? 0 : -width, 0, Type.regular(11.5), pen.palette.ink2);
        pen.g.restore();
    }

    /** How much of a name lies left of the point that it is written at. */
    private static double toItsLeft(double degrees, double width) {
        if (degrees < -5) {
            return width;
        }
        return degrees <= 2 ? width / 2 : 0;
    }

    private static String placeName(List<Source> place) {
        String names = String.join("   ", place.stream().map(Source::name).toList());
        return Pen.width(names, Type.regular(11.5)) <= LONGEST_NAMES
                ? names
                : place.size() + " stems";
    }

    private void triangle(double x, double y, double degrees) {
        pen.g.save();
        pen.g.translate(x, y);
        pen.g.rotate(degrees);
        pen.g.setFill(pen.palette.ink);
        pen.g.fillPolygon(new double[] {-3.5, 3.5, 0}, new double[] {-6, -6, 0}, 3);
        pen.g.restore();
    }
}
