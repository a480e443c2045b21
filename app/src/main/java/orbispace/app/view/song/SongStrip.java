package orbispace.app.view.song;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.text.TextAlignment;
import orbispace.app.desk.SongModel;
import orbispace.app.draw.NoteTable;
import orbispace.app.draw.Pen;
import orbispace.app.draw.Type;
import orbispace.app.song.FieldEvents;
import orbispace.app.song.Material;
import orbispace.app.view.control.ScalingCanvas;
import orbispace.core.design.Section;
import orbispace.core.design.Source;
import orbispace.core.material.GateKey;
import orbispace.core.material.Hits;
import orbispace.core.material.Phrases;
import orbispace.core.time.Span;
import orbispace.core.words.Wording;
import org.jspecify.annotations.Nullable;

/** What the song allows: hit intervals, phrase gaps, note values. */
final class SongStrip extends ScalingCanvas {
    private static final double TALL = 150;

    private final SongModel model;
    private Pen pen = new Pen(new javafx.scene.canvas.Canvas().getGraphicsContext2D(), palette());
    private double bars;

    SongStrip(SongModel model) {
        this.model = model;
    }

    @Override
    protected void paint(Pen given, double w, double height) {
        if (model.design().get().sources().isEmpty()) {
            return;
        }
        pen = given;
        bars = height > TALL ? 70 : 26;
        double width = w - 32;
        double left = 16;
        pen.text("What the song allows", left, 12, Type.strong(13), pen.palette.ink);
        double column = Math.min(230, width * 0.26);
        hits(left, 34, column);
        pen.upright(left + column + 12, 24, height - 20, pen.palette.rule);
        gaps(left + column + 24, 34, column);
        pen.upright(left + 2 * column + 36, 24, height - 20, pen.palette.rule);
        new NoteTable(pen, left + 2 * column + 48, width - 2 * column - 48)
                .paint(
                        model.design().get().song(),
                        model.selection().section().get(),
                        34,
                        height - 34);
    }

    private void hits(double x, double y, double w) {
        Section section = model.selection().section().get();
        String name = section == null ? "" : section.name();
        Span here = section == null ? null : model.design().get().song().span(section);
        Optional<Source> source = clock(here);
        boolean told = source.flatMap(s -> strokes(s, here)).isPresent();
        Span within = told ? here : null;
        source = told ? source : clock(null);
        Optional<Hits> found = source.flatMap(s -> strokes(s, within));
        pen.text(
                within == null
                        ? "HIT INTERVAL"
                        : Pen.cut("HIT INTERVAL, " + name, w, Type.strong(10.5)),
                x,
                y,
                Type.strong(10.5),
                pen.palette.ink2);
        if (source.isEmpty() || found.isEmpty()) {
            pen.text(
                    "no source with the role hits",
                    x,
                    y + 20,
                    Type.regular(11.5),
                    pen.palette.ink3);
            return;
        }
        hits(source.get(), found.get(), x, y, w);
    }

    private Optional<Source> clock(@Nullable Span within) {
        return FieldEvents.hitsSource(model.design().get(), model.measured().materials(), within);
    }

    private Optional<Hits> strokes(Source source, @Nullable Span within) {
        return Optional.ofNullable(model.measured().materials().get(source.id()))
                .flatMap(Material::hits)
                .map(h -> within == null ? h : h.within(within))
                .filter(h -> h.hits().size() > 2);
    }

    private void hits(Source source, Hits h, double x, double y, double w) {
        List<Double> intervals = new ArrayList<>();
        for (int i = 1; i < h.hits().size(); i++) {
            intervals.add(h.hits().get(i).seconds() - h.hits().get(i - 1).seconds());
        }
        big(
                Wording.number(1000 * h.intervalSeconds(0.5), 0),
                "ms",
                "median, " + source.name(),
                x,
                y + 24);
        histogram(intervals, 2, x, y + 38 + bars, w, bars);
        double half = h.intervalSeconds(0.5);
        mark(half, 2, x, y + 38 + bars, w);
        Optional<GateKey> gate =
                Optional.ofNullable(model.measured().materials().get(source.id()))
                        .flatMap(m -> m.facts().gate());
        String separation =
                h.hits().size()
                        + gate.map(g ->
                                        " hits; bleed "
                                                + Wording.number(g.separationDb(), 1)
                                                + " dB below"
                                                + (g.isPlain() ? "" : " in the key"))
                                .orElse(" hits, no bleed found");
        note(separation, x, y);
    }

    private void gaps(double x, double y, double w) {
        pen.text("PHRASE GAP", x, y, Type.strong(10.5), pen.palette.ink2);
        Optional<Phrases> found =
                FieldEvents.lead(model.design().get(), model.measured().materials());
        if (found.isEmpty() || found.get().gaps().isEmpty()) {
            pen.text("no lead with rests", x, y + 20, Type.regular(11.5), pen.palette.ink3);
            return;
        }
        Phrases p = found.get();
        List<Double> lengths = p.gaps().stream().map(Span::seconds).toList();
        big(Wording.number(p.gapSeconds(0.5), 2), "s", "median of " + lengths.size(), x, y + 24);
        double most = Math.max(2, Math.ceil(lengths.stream().max(Double::compare).orElse(2.0)));
        pen.g.setGlobalAlpha(0.1);
        pen.g.setFill(pen.palette.ink);
        double from = x + w * p.gapSeconds(0.25) / most;
        pen.g.fillRect(from, y + 38, Math.max(2, x + w * p.gapSeconds(0.75) / most - from), bars);
        pen.g.setGlobalAlpha(1);
        histogram(lengths, most, x, y + 38 + bars, w, bars);
        mark(p.gapSeconds(0.5), most, x, y + 38 + bars, w);
        note(
                "half lie from "
                        + Wording.number(p.gapSeconds(0.25), 2)
                        + " to "
                        + Wording.number(p.gapSeconds(0.75), 2)
                        + " s",
                x,
                y);
    }

    /** A line under a histogram, where there is room for it. */
    private void note(String text, double x, double y) {
        if (bars > 40) {
            pen.text(text, x, y + 68 + bars, Type.regular(11.5), pen.palette.ink3);
        }
    }

    private void big(String value, String unit, String words, double x, double y) {
        pen.text(value, x, y, Type.strong(17), pen.palette.ink);
        double w = Pen.width(value, Type.strong(17));
        pen.text(unit, x + w + 4, y, Type.regular(12.5), pen.palette.ink2);
        pen.text(
                words,
                x + w + 10 + Pen.width(unit, Type.regular(12.5)),
                y,
                Type.regular(11.5),
                pen.palette.ink3);
    }

    private void histogram(
            List<Double> values, double most, double x, double base, double w, double h) {
        int bins = 30;
        int[] count = new int[bins];
        int tallest = 1;
        for (double v : values) {
            int b = Math.clamp((int) (v / most * bins), 0, bins - 1);
            tallest = Math.max(tallest, ++count[b]);
        }
        double step = w / bins;
        for (int b = 0; b < bins; b++) {
            double tall = h * count[b] / tallest;
            if (count[b] > 0) {
                pen.g.setStroke(pen.palette.ink);
                pen.g.setLineWidth(1);
                pen.g.strokeRect(
                        Math.floor(x + b * step) + 0.5,
                        Math.floor(base - tall) + 0.5,
                        step - 1,
                        tall);
                for (double u = 2; u < step - 1; u += 2) {
                    pen.line(
                            Math.floor(x + b * step) + u + 0.5,
                            base - tall,
                            Math.floor(x + b * step) + u + 0.5,
                            base,
                            pen.palette.ink3,
                            0.6);
                }
            }
        }
        scale(most, x, base, w);
    }

    private void scale(double most, double x, double base, double w) {
        pen.across(x, x + w, base, pen.palette.ink);
        for (int i = 0; i <= 4; i++) {
            double v = most * i / 4;
            String label = Wording.number(v, v % 1 == 0 ? 0 : 1) + (i == 4 ? " s" : "");
            pen.text(
                    label,
                    x + w * i / 4,
                    base + 14,
                    Type.regular(11),
                    pen.palette.ink3,
                    switch (i) {
                        case 0 -> TextAlignment.LEFT;
                        case 4 -> TextAlignment.RIGHT;
                        default -> TextAlignment.CENTER;
                    });
        }
    }

    private void mark(double value, double most, double x, double base, double w) {
        double at = x + w * Math.min(1, value / most);
        pen.line(at, base - bars - 4, at, base, pen.palette.ink, 2);
    }
}
