package orbispace.app.draw;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.text.TextAlignment;
import orbispace.files.RecallSheet;
import orbispace.files.Wording;

/** Draws the recall sheet as it prints. */
public final class SheetPainter {
    private static final double MARGIN = 40;
    private static final double LINE = 17;
    private static final double LABEL = 96;

    private final RecallSheet sheet;
    private final double width;

    /** A painter of a page of this width. */
    public SheetPainter(RecallSheet sheet, double width) {
        this.sheet = sheet;
        this.width = width;
    }

    /** How tall the page has to be. */
    public double height() {
        double y = 130 + 20 * sheet.sections().size() + 30;
        for (RecallSheet.ReturnCard card : sheet.returns()) {
            y += cardHeight(card);
        }
        return y + 40;
    }

    private double textWidth(RecallSheet.ReturnCard card) {
        return width - 2 * MARGIN - 34 - LABEL - (card.measured().isEmpty() ? 0 : 176);
    }

    private double cardHeight(RecallSheet.ReturnCard card) {
        double lines = 0;
        for (RecallSheet.Line line : card.lines()) {
            lines += wrapped(line.value(), textWidth(card)).size();
        }
        return Math.max(120, 44 + LINE * lines + 18);
    }

    /** Draws the page with its corner at the origin. */
    public void paint(Pen pen) {
        Palette p = pen.palette;
        pen.text("RECALL SHEET", MARGIN, 42, Type.strong(10.5), p.ink2);
        pen.text(sheet.title(), MARGIN, 68, Type.strong(20), p.ink);
        pen.text(sheet.summary(), MARGIN, 88, Type.regular(12.5), p.ink2);
        pen.across(MARGIN, width - MARGIN, 100, p.ink);
        pen.across(MARGIN, width - MARGIN, 103, p.rule);
        double y = table(pen, 122);
        for (RecallSheet.ReturnCard card : sheet.returns()) {
            y = card(pen, card, y);
        }
    }

    private double table(Pen pen, double top) {
        Palette p = pen.palette;
        double first = 128;
        double step = (width - 2 * MARGIN - first) / (sheet.noteNames().size() + 1);
        pen.text("NOTE VALUES, MS", MARGIN, top, Type.strong(10.5), p.ink2);
        pen.text(
                "bpm",
                MARGIN + first + step - 6,
                top,
                Type.regular(11.5),
                p.ink3,
                TextAlignment.RIGHT);
        for (int i = 0; i < sheet.noteNames().size(); i++) {
            pen.text(
                    sheet.noteNames().get(i),
                    MARGIN + first + step * (i + 2) - 6,
                    top,
                    Type.strong(11.5),
                    p.time,
                    TextAlignment.RIGHT);
        }
        double y = top + 20;
        for (RecallSheet.SectionRow row : sheet.sections()) {
            pen.across(MARGIN, width - MARGIN, y - 14, p.hair);
            pen.text(row.name(), MARGIN, y, Type.strong(11.5), p.ink);
            pen.text(
                    row.bars(),
                    MARGIN + first - 10,
                    y,
                    Type.regular(11.5),
                    p.ink3,
                    TextAlignment.RIGHT);
            pen.text(
                    Wording.number(row.bpm(), 0),
                    MARGIN + first + step - 6,
                    y,
                    Type.strong(11.5),
                    p.time,
                    TextAlignment.RIGHT);
            for (int i = 0; i < row.millis().size(); i++) {
                pen.text(
                        Wording.number(row.millis().get(i), 1),
                        MARGIN + first + step * (i + 2) - 6,
                        y,
                        Type.regular(11.5),
                        p.ink,
                        TextAlignment.RIGHT);
            }
            y += 20;
        }
        return y + 4;
    }

    private double card(Pen pen, RecallSheet.ReturnCard card, double top) {
        Palette p = pen.palette;
        pen.across(MARGIN, width - MARGIN, top, p.rule);
        pen.seal(card.id(), MARGIN + 12, top + 24, 12, true);
        pen.text(card.name(), MARGIN + 34, top + 28, Type.strong(14), p.ink);
        pen.text(
                card.kind(),
                MARGIN + 42 + Pen.width(card.name(), Type.strong(14)),
                top + 28,
                Type.regular(11.5),
                p.ink3);
        double y = top + 50;
        for (RecallSheet.Line line : card.lines()) {
            pen.text(line.label(), MARGIN + 34, y, Type.regular(11.5), p.ink3);
            for (String part : wrapped(line.value(), textWidth(card))) {
                pen.text(part, MARGIN + 34 + LABEL, y, Type.regular(11.5), p.ink);
                y += LINE;
            }
        }
        if (!card.measured().isEmpty()) {
            bands(pen, card, width - MARGIN - 152, top + 34);
        }
        return top + cardHeight(card);
    }

    /** Measured decay per octave, to scale, in the return's hatch. */
    private static void bands(Pen pen, RecallSheet.ReturnCard card, double x, double top) {
        double longest =
                card.measured().stream().mapToDouble(RecallSheet.Band::seconds).max().orElse(1);
        double h = 60;
        for (int i = 0; i < card.measured().size(); i++) {
            RecallSheet.Band band = card.measured().get(i);
            double tall = longest <= 0 ? 0 : h * band.seconds() / longest;
            double bx = x + i * 17;
            Hatch.ofReturn(
                    pen.g,
                    card.id(),
                    pen.palette.ofReturn(card.id()),
                    Hatch.Area.rectangle(bx, top + h - tall, 13, tall));
            pen.g.setStroke(pen.palette.ofReturn(card.id()));
            pen.g.setLineWidth(1);
            pen.g.strokeRect(
                    Math.floor(bx) + 0.5, Math.floor(top + h - tall) + 0.5, 13, Math.max(0, tall));
        }
        pen.across(x - 2, x + 136, top + h, pen.palette.ink);
        pen.text(
                "measured T30, 63 Hz to 8 kHz",
                x - 2,
                top + h + 15,
                Type.regular(11),
                pen.palette.ink3);
        pen.text(
                Wording.seconds(longest) + " at most",
                x - 2,
                top - 8,
                Type.strong(11.5),
                pen.palette.ink);
    }

    private static List<String> wrapped(String text, double room) {
        List<String> lines = new ArrayList<>();
        StringBuilder line = new StringBuilder();
        for (String word : text.split(" ")) {
            String longer = line.isEmpty() ? word : line + " " + word;
            if (!line.isEmpty() && Pen.width(longer, Type.regular(11.5)) > room) {
                lines.add(line.toString());
                line = new StringBuilder(word);
            } else {
                line = new StringBuilder(longer);
            }
        }
        lines.add(line.toString());
        return lines;
    }
}
