package orbispace.app.draw;

import java.util.List;
import java.util.OptionalDouble;
import javafx.scene.paint.Color;
import javafx.scene.text.TextAlignment;
import orbispace.app.song.FieldEvents;
import orbispace.app.song.ReturnPicture;
import orbispace.core.design.Return;
import orbispace.core.design.Role;
import orbispace.core.design.Send;
import orbispace.core.design.Source;
import orbispace.core.measure.PolarEnergy;
import orbispace.core.words.Wording;

/**
 * Draws how far each return's energy still to come lies under the dry lead, on the Orbit's time
 * axis.
 */
public final class ProfilePainter {
    /** Times stand no nearer to each other. */
    private static final double ROOM = 30;

    private static final double DEEPEST_DB = -66;
    private static final double[] SECONDS = {0.01, 0.05, 0.2, 0.5, 1, 2, 5};

    private final Pen pen;
    private final OrbitScene scene;
    private final double left;
    private final double top;
    private final double width;
    private final double height;
    private final Palette p;

    /** A painter of a profile in a frame. */
    public ProfilePainter(
            Pen pen, OrbitScene scene, double left, double top, double width, double height) {
        this.pen = pen;
        this.scene = scene;
        this.left = left;
        this.top = top;
        this.width = width;
        this.height = height;
        this.p = pen.palette;
    }

    /** Draws everything. */
    public void paint() {
        pen.g.setFill(p.disc);
        pen.g.fillRect(left, top, width, height);
        for (double db = 0; db > DEEPEST_DB; db -= 12) {
            pen.across(left, left + width, y(db), p.hair);
            String label = db == 0 ? "0 dB" : Wording.number(db, 0);
            pen.text(label, left + width + 5, y(db) + (db == 0 ? 8 : 4), Type.regular(11), p.ink3);
        }
        double free = left - ROOM;
        for (double s : SECONDS) {
            pen.upright(x(s), top, top + height, p.hair);
            if (x(s) < free + ROOM) {
                continue;
            }
            free = x(s);
            String label =
                    s < 1
                            ? Wording.number(1000 * s, 0) + (s == 0.5 ? " ms" : "")
                            : Wording.number(s, 0) + " s";
            pen.text(
                    label, x(s), top + height + 14, Type.regular(11), p.ink3, TextAlignment.CENTER);
        }
        for (FieldEvents.Ring ring : scene.rings()) {
            pen.g.setGlobalAlpha(0.08);
            pen.g.setFill(p.ink);
            double from = x(ring.lowSeconds());
            pen.g.fillRect(from, top, Math.max(2, x(ring.highSeconds()) - from), height);
            pen.g.setGlobalAlpha(1);
        }
        for (Return r : scene.design().returns()) {
            if (!r.id().equals(scene.chosen())) {
                paintReturn(r, false);
            }
        }
        scene.design().findReturn(scene.chosen()).ifPresent(r -> paintReturn(r, true));
        pen.upright(left, top, top + height, p.ink);
        pen.across(left, left + width, top + height, p.ink);
    }

    private double x(double seconds) {
        return left + width * Math.min(1, PolarEnergy.radius(seconds));
    }

    private double y(double db) {
        return top + height * Math.clamp(db / DEEPEST_DB, 0, 1);
    }

    /**
     * Level of a return re the dry lead: its send and its own level; the lead is empty where
     * nothing is sent.
     */
    private double levelDb(Return r) {
        List<Source> leads = scene.design().sourcesOf(Role.LEAD);
        OptionalDouble send =
                leads.isEmpty() ? OptionalDouble.empty() : r.sendDb(leads.getFirst().id());
        double loudest = r.sends().values().stream().mapToDouble(Send::levelDb).max().orElse(-90);
        return send.orElse(loudest) + r.levelDb();
    }

    private void paintReturn(Return r, boolean chosen) {
        ReturnPicture picture = scene.pictures().get(r.id());
        if (picture == null) {
            return;
        }
        ReturnGeometry geometry = ReturnGeometry.of(scene.design(), r, picture);
        double level = levelDb(r) + geometry.energyDb();
        if (single(r)) {
            lollipops(r, geometry, level, chosen);
        } else {
            curve(r, geometry, level, chosen);
        }
    }

    private void curve(Return r, ReturnGeometry geometry, double level, boolean chosen) {
        Color color = p.ofReturn(r.id());
        double start = x(geometry.predelaySeconds());
        int steps = (int) Math.max(2, left + width - start);
        double[] xs = new double[steps + 2];
        double[] ys = new double[steps + 2];
        xs[0] = start;
        ys[0] = top + height;
        int n = 1;
        for (int i = 0; i < steps; i++) {
            double px = start + i;
            double db = level + geometry.tailDb(PolarEnergy.seconds((px - left) / width));
            if (!(db > DEEPEST_DB)) {
                break;
            }
            xs[n] = px;
            ys[n++] = y(db);
        }
        if (chosen) {
            hatchUnder(r, color, xs, ys, n);
        }
        pen.g.setStroke(color);
        pen.g.setLineWidth(chosen ? 1.8 : 1.3);
        pen.g.setLineDashes(chosen ? new double[0] : new double[] {5, 3});
        pen.g.strokePolyline(xs, ys, n);
        pen.g.setLineDashes();
    }

    private void hatchUnder(Return r, Color color, double[] xs, double[] ys, int n) {
        double[] upper = new double[Math.max(0, n - 1)];
        double[] lower = new double[upper.length];
        for (int i = 0; i < upper.length; i++) {
            upper[i] = ys[i + 1];
            lower[i] = top + height;
        }
        pen.g.setGlobalAlpha(0.55);
        Hatch.ofReturn(pen.g, r.id(), color, new Hatch.Area((int) Math.round(xs[0]), upper, lower));
        pen.g.setGlobalAlpha(1);
    }

    private void lollipops(Return r, ReturnGeometry geometry, double level, boolean chosen) {
        Color color = p.ofReturn(r.id());
        List<ReturnPicture.Arrival> arrivals = geometry.arrivals();
        double sum = arrivals.stream().mapToDouble(a -> Math.pow(10, a.levelDb() / 10)).sum();
        double lastLabel = -100;
        for (ReturnPicture.Arrival a : arrivals) {
            double db = level + a.levelDb() - 10 * Math.log10(sum);
            double px = x(a.seconds());
            if (db < DEEPEST_DB || a.seconds() > PolarEnergy.LONGEST_SECONDS) {
                continue;
            }
            pen.g.setLineDashes(2, 2);
            pen.line(px, y(db), px, top + height, color, 1.2);
            pen.g.setLineDashes();
            pen.circle(px, y(db), chosen ? 4 : 3.2, p.disc, color, 1.4);
            if (chosen && px > lastLabel + 22) {
                lastLabel = px;
                pen.haloed(
                        Wording.number(db, 0),
                        px,
                        y(db) - 7,
                        Type.regular(11),
                        color,
                        p.disc,
                        TextAlignment.CENTER);
            }
        }
    }

    /** Whether what comes are single arrivals. */
    private static boolean single(Return r) {
        return switch (r.space().traits().nature()) {
            case REPEATS, COPIES -> true;
            case TAIL, RESPONSE, WALL, COLOUR -> false;
        };
    }
}
