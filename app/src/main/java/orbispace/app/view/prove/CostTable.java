package orbispace.app.view.prove;

import java.util.List;
import java.util.OptionalDouble;
import javafx.scene.input.ScrollEvent;
import javafx.scene.text.TextAlignment;
import orbispace.app.desk.Elsewhere;
import orbispace.app.desk.ProveModel;
import orbispace.app.desk.Proving;
import orbispace.app.draw.Hatch;
import orbispace.app.draw.Pen;
import orbispace.app.draw.Type;
import orbispace.app.view.control.ScalingCanvas;
import orbispace.core.clear.PlaceCost;
import orbispace.core.design.Return;
import orbispace.core.prove.rule.ReturnFacts;
import orbispace.core.words.Wording;

/**
 * What each return costs: loudness, peak, low end, and what folding to mono takes of it, with the
 * width that it gives; or what it leaves of the judged source where the mix will be heard.
 */
final class CostTable extends ScalingCanvas {
    private static final double NAME = 112;
    private static final double TABS = 240;
    private static final double ROOMY = 30;
    private static final double LIMIT_DB = 1;
    private static final double LEAST_ROW = 26;
    private static final double MONO_LIMIT_DB = 4.5;
    private static final double LOW_LIMIT = 0.02;
    private static final List<String> HEADS =
            List.of("LOUDNESS", "PEAK", "LOW END", "IN MONO", "OPENS");
    private static final List<String> BRIEF = List.of("LOUD", "PEAK", "LOW", "MONO", "OPENS");
    private static final List<String> BRIEF_PLACES = List.of("PHONES", "PAIR", "SMALL", "SIDE");
    private static final double NARROW = 68;
    private static final List<String> PLACES =
            List.of("HEADPHONES", "SPEAKERS", "SMALL ONE", "SIDE SEAT");

    private final ProveModel model;
    private double rolled;
    private boolean elsewhere;

    CostTable(ProveModel model) {
        this.model = model;
        setMouseTransparent(false);
        addEventHandler(
                ScrollEvent.SCROLL,
                e -> {
                    rolled -= e.getDeltaY();
                    repaint();
                    e.consume();
                });
    }

    /** Shows what it costs, or how it stands where the mix will be heard. */
    void showElsewhere(boolean is) {
        elsewhere = is;
        repaint();
    }

    /** Whether it shows how returns stand where the mix will be heard. */
    boolean isElsewhere() {
        return elsewhere;
    }

    @Override
    protected void paint(Pen pen, double w, double h) {
        Elsewhere.Known there = model.elsewhere().known().get();
        String caption =
                elsewhere
                        ? (there == null ? "the source" : there.source()) + " kept; mix wider by"
                        : "less without it; low end: under 80 Hz";
        pen.text(
                Pen.cut(caption, w - TABS, Type.regular(11.5)),
                w,
                14,
                Type.regular(11.5),
                pen.palette.ink3,
                TextAlignment.RIGHT);
        List<String> heads = elsewhere ? PLACES : HEADS;
        double column = (w - NAME) / heads.size();
        if (column < NARROW) {
            heads = elsewhere ? BRIEF_PLACES : BRIEF;
        }
        for (int i = 0; i < heads.size(); i++) {
            pen.text(heads.get(i), NAME + i * column, 34, Type.strong(10.5), pen.palette.ink2);
        }
        pen.across(0, w, 41, pen.palette.ink);
        Proving.Proven known = model.proving().proven().get();
        if (elsewhere ? there == null : known == null) {
            pen.text("is being measured", 0, 60, Type.regular(12.5), pen.palette.ink3);
            return;
        }
        int count = model.design().get().returns().size();
        double row = Math.clamp((h - 44) / Math.max(1, count), LEAST_ROW, 40);
        rolled = Math.clamp(rolled, 0, Math.max(0, count * row - (h - 44)));
        pen.g.save();
        pen.g.beginPath();
        pen.g.rect(0, 42, w + 1, h - 42);
        pen.g.clip();
        double y = 42 - rolled;
        for (Return r : model.design().get().returns()) {
            pen.seal(r.id(), 12, y + row / 2, 10, false);
            pen.named(r.name(), 28, y + row / 2 + 4, NAME - 36);
            if (elsewhere && there != null) {
                places(pen, r, there.costs().getOrDefault(r.id(), List.of()), y, row, column);
            } else if (known != null && known.returns().get(r.id()) != null) {
                row(pen, r, known.returns().get(r.id()), y, row, column);
            }
            y += row;
            pen.across(0, w, y, pen.palette.hair);
        }
        pen.g.restore();
        double share = (h - 44) / (count * row);
        if (share < 1) {
            double from = 44 + rolled * share;
            pen.line(w - 2, from, w - 2, from + (h - 44) * share, pen.palette.ink3, 3);
        }
    }

    private static void row(
            Pen pen, Return r, ReturnFacts facts, double y, double row, double column) {
        double lu = facts.cost().loudnessLu();
        cell(pen, r, 0, y, row, column, Wording.signed(lu) + " LU", lu, LIMIT_DB, 2);
        double peak = facts.cost().truePeakDb();
        cell(pen, r, 1, y, row, column, Wording.signed(peak) + " dB", peak, LIMIT_DB, 2);
        double low = facts.cost().bandShares().getFirst();
        cell(pen, r, 2, y, row, column, Wording.percent(low, 1), low, LOW_LIMIT, 0.1);
        OptionalDouble mono = facts.stereo().monoFoldLossDb();
        String words = mono.isEmpty() ? "all gone" : Wording.number(-mono.getAsDouble(), 1) + " dB";
        cell(pen, r, 3, y, row, column, words, mono.orElse(0), MONO_LIMIT_DB, 9);
        opens(pen, 4, facts.opens().degrees(), y, row, column);
    }

    /** What the mix gains in width costs nothing: a number without a limit. */
    private static void opens(
            Pen pen, int index, double degrees, double y, double row, double column) {
        pen.text(
                Wording.number(degrees, 0) + "\u00b0",
                NAME + index * column,
                y + row / 2 + (row < ROOMY ? 1 : 0),
                Type.strong(12.5),
                pen.palette.ink);
    }

    private void places(
            Pen pen, Return r, List<PlaceCost> costs, double y, double row, double column) {
        double asked = model.presenceAsked(r.id());
        for (int i = 0; i < costs.size(); i++) {
            PlaceCost c = costs.get(i);
            double kept = c.presenceKept().orElse(1);
            String words =
                    (c.presenceKept().isEmpty() ? "unheard" : Wording.percent(kept, 0))
                            + ", "
                            + Wording.number(c.openedDegrees(), 0)
                            + "\u00b0";
            cell(pen, r, i, y, row, column, words, 1 - kept, 1 - asked, 2 * (1 - asked));
        }
    }

    /** A number with its bar in the return's hatch, cross-hatched beyond the limit. */
    private static void cell(
            Pen pen,
            Return r,
            int index,
            double y,
            double row,
            double column,
            String words,
            double value,
            double limit,
            double full) {
        double x = NAME + index * column;
        double room = column - 14;
        boolean over = value > limit;
        pen.text(
                words,
                x,
                y + row / 2 + (row < ROOMY ? 1 : 0),
                Type.strong(12.5),
                over ? pen.palette.warn : pen.palette.ink);
        double high = row < ROOMY ? 4 : 9;
        bar(pen, r, x, y + row / 2 + 5, room, high, value, limit, full);
    }

    private static void bar(
            Pen pen,
            Return r,
            double x,
            double top,
            double room,
            double high,
            double value,
            double limit,
            double full) {
        double wide = room * Math.clamp(value / full, 0, 1);
        double edge = room * limit / full;
        if (wide >= 1) {
            Hatch.ofReturn(
                    pen.g,
                    r.id(),
                    pen.palette.ofReturn(r.id()),
                    Hatch.Area.rectangle(x, top, Math.min(wide, edge), high));
            if (wide > edge) {
                Hatch.cross(
                        pen.g,
                        pen.palette.warn,
                        Hatch.Area.rectangle(x + edge, top, wide - edge, high));
            }
        }
        pen.g.setLineDashes(2, 3);
        pen.line(x + edge, top, x + edge, top + high + 2, pen.palette.ink3, 1);
        pen.g.setLineDashes();
    }
}
