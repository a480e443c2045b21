package orbispace.app.view.chain;

import java.util.List;
import javafx.scene.paint.Color;
import orbispace.app.draw.Hatch;
import orbispace.app.draw.Pen;
import orbispace.app.song.ReturnPicture;
import orbispace.core.design.Design;
import orbispace.core.design.Drive;
import orbispace.core.design.Filter;
import orbispace.core.design.Gate;
import orbispace.core.design.Return;
import orbispace.core.design.Send;
import orbispace.core.design.Source;
import orbispace.core.render.ChainWorks;
import orbispace.core.render.StageSettings;
import orbispace.core.signal.FilterDesign;
import org.jspecify.annotations.Nullable;

/** The tiny plots of the chain's cards, 54 by 30 pixels, from computed and measured values. */
final class ChainPlots {
    private static final double W = 54;
    private static final double H = 28;

    private ChainPlots() {}

    static void sends(Pen pen, Return r, Design design) {
        double x = 2;
        double step = Math.min(9, (W - 4) / Math.max(1, design.sources().size()));
        for (Source s : design.sources()) {
            Send send = r.sends().get(s.id());
            double h = send == null ? 2 : Math.max(2, H * (1 + send.levelDb() / 36));
            pen.g.setFill(send == null ? pen.palette.rule : pen.palette.ink);
            pen.g.fillRect(x, H - h, step - 3, h);
            x += step;
        }
        pen.across(0, W, H, pen.palette.ink);
    }

    private static final int HARMONICS = 8;

    static void filter(Pen pen, String id, Filter filter, double rate) {
        Color color = pen.palette.ofReturn(id);
        var sections = new StageSettings.Filtering(filter).sections(rate);
        double[] xs = new double[(int) W];
        double[] ys = new double[(int) W];
        for (int i = 0; i < xs.length; i++) {
            double hz = 20 * Math.pow(1000, i / (W - 1));
            double db = FilterDesign.magnitudeDb(sections, Math.min(hz, 0.49 * rate), rate);
            xs[i] = i;
            ys[i] = Math.min(H, 6 - db * 22 / 36);
        }
        pen.across(0, W, H, pen.palette.rule);
        pen.g.setStroke(color);
        pen.g.setLineWidth(1.4);
        pen.g.strokePolyline(xs, ys, xs.length);
    }

    static void predelay(Pen pen, Return r, @Nullable ReturnPicture picture) {
        Color color = pen.palette.ofReturn(r.id());
        pen.across(0, W, H, pen.palette.rule);
        pen.line(2, 2, 2, H, pen.palette.ink, 2);
        if (picture == null) {
            return;
        }
        double start = 2 + Math.min(34, picture.curve().onsetSeconds() * 1000 * 0.3);
        for (int i = 0; i < 5; i++) {
            double h = (H - 4) * Math.pow(0.72, i);
            pen.line(start + 4 + 4 * i, H - h, start + 4 + 4 * i, H, color, 1.4);
        }
        pen.g.setLineDashes(2, 2);
        pen.line(3, H / 2, start + 3, H / 2, pen.palette.ink3, 1);
        pen.g.setLineDashes();
    }

    static void decay(Pen pen, String id, @Nullable ReturnPicture picture) {
        pen.across(0, W, H, pen.palette.rule);
        if (picture == null) {
            return;
        }
        double[] xs = new double[(int) W + 2];
        double[] ys = new double[(int) W + 2];
        int n = 0;
        for (int i = 0; i < W; i++) {
            double t = picture.predelaySeconds() + i / W * picture.decaySeconds() * 1.1;
            double db = Math.max(-60, picture.curve().levelDbAt(t));
            xs[n] = i;
            ys[n++] = 2 - db * (H - 2) / 60;
        }
        pen.g.setStroke(pen.palette.ofReturn(id));
        pen.g.setLineWidth(1.4);
        pen.g.strokePolyline(xs, ys, n);
    }

    static void arrivals(Pen pen, String id, @Nullable ReturnPicture picture) {
        pen.across(0, W, H / 2, pen.palette.rule);
        if (picture == null || picture.arrivals().isEmpty()) {
            return;
        }
        double last = picture.arrivals().getLast().seconds();
        for (ReturnPicture.Arrival a : picture.arrivals()) {
            double x = 2 + (W - 8) * a.seconds() / last;
            double h = (H / 2 - 1) * Math.max(0.08, 1 + a.levelDb() / 60);
            double up = a.bearingDegrees() < 0 ? -h : h;
            pen.line(x, H / 2, x, H / 2 + up, pen.palette.ofReturn(id), 1.4);
            pen.circle(x, H / 2 + up, 1.8, pen.palette.ofReturn(id), null, 0);
        }
    }

    static void duck(Pen pen, Return r) {
        pen.across(0, W, H, pen.palette.rule);
        Color color = pen.palette.ofReturn(r.id());
        if (r.duck() == null) {
            pen.across(0, W, 5, color);
            return;
        }
        var settings = ChainWorks.ducker(r.duck());
        double depth = Math.min(20, 2 * settings.curve().rangeDb() + 3);
        double[] xs = new double[(int) W];
        double[] ys = new double[(int) W];
        double keyEnds = 20;
        for (int i = 0; i < xs.length; i++) {
            double t = (i - keyEnds) * 0.03 - settings.holdSeconds();
            double fallen = t <= 0 ? 1 : Math.exp(-t / settings.releaseSeconds());
            double share = i < 5 ? 0 : fallen;
            xs[i] = i;
            ys[i] = 5 + depth * share;
        }
        pen.g.setStroke(color);
        pen.g.setLineWidth(1.4);
        pen.g.strokePolyline(xs, ys, xs.length);
    }

    /** The harmonics that it gives a sine, over 60 dB. */
    static void drive(Pen pen, Return r) {
        pen.across(0, W, H, pen.palette.rule);
        Drive drive = r.chain().drive();
        pen.line(3, 0, 3, H, pen.palette.ink, 2);
        if (drive == null) {
            return;
        }
        List<Double> harmonics = drive.curve().harmonicsDb(drive.driveDb(), HARMONICS);
        for (int i = 0; i < HARMONICS; i++) {
            double high = H * Math.max(0, 1 + harmonics.get(i) / 60);
            double x = 3 + (i + 1) * (W - 6) / HARMONICS;
            if (high > 0.5) {
                pen.line(x, H - high, x, H, pen.palette.ofReturn(r.id()), 2);
            }
        }
    }

    /** Opening, hold and release over one and a half beats at the return's tempo. */
    static void gate(Pen pen, Return r, Design design) {
        pen.across(0, W, H, pen.palette.rule);
        Gate gate = r.gate();
        if (gate == null) {
            return;
        }
        double beat = 60 / design.song().clock().bpmOfBar(r.timedAtBar());
        double perPixel = 1.5 * beat / W;
        double attack = gate.attackMillis() / 1000 / perPixel;
        double release = gate.releaseMillis() / 1000 / perPixel;
        double end =
                gate.length() == null
                        ? beat / perPixel
                        : gate.length().seconds(design.song().clock(), r.timedAtBar()) / perPixel;
        double[] xs = {0, 2, 2 + attack, Math.max(2 + attack, end - release), end, W};
        double[] ys = {H, H, 4, 4, H, H};
        pen.g.setStroke(pen.palette.ofReturn(r.id()));
        pen.g.setLineWidth(1.4);
        pen.g.strokePolyline(xs, ys, xs.length);
        pen.upright(2 + beat / perPixel, 2, H, pen.palette.time);
    }

    static void width(Pen pen, Return r) {
        pen.across(0, W, H - 2, pen.palette.rule);
        double half = Math.min(1, r.chain().width().factor() / 2) * (W / 2 - 3);
        Color color = pen.palette.ofReturn(r.id());
        double mono = r.chain().width().monoBelowHz();
        double foot = mono == 0 ? H - 2 : H - 2 - Math.min(1, mono / 500) * (H - 10);
        pen.line(W / 2 - half, 4, W / 2 + half, 4, color, 1.4);
        pen.line(W / 2 - half, 4, W / 2 - half, foot, color, 1.4);
        pen.line(W / 2 + half, 4, W / 2 + half, foot, color, 1.4);
        if (mono > 0) {
            pen.line(W / 2 - half, foot, W / 2, foot, color, 1.4);
            pen.line(W / 2, foot, W / 2 + half, foot, color, 1.4);
            pen.line(W / 2, foot, W / 2, H - 2, color, 1.4);
        }
    }

    static void level(Pen pen, Return r) {
        double h = Math.clamp(H * (1 + r.levelDb() / 36), 1, H);
        pen.g.setFill(pen.palette.ink);
        pen.g.fillRect(10, 0, 12, H);
        Hatch.ofReturn(
                pen.g,
                r.id(),
                pen.palette.ofReturn(r.id()),
                Hatch.Area.rectangle(30, H - h, 12, h));
        pen.g.setStroke(pen.palette.ofReturn(r.id()));
        pen.g.setLineWidth(1);
        pen.g.strokeRect(30.5, Math.floor(H - h) + 0.5, 12, h - 1);
        pen.across(0, W, H, pen.palette.ink);
    }
}
