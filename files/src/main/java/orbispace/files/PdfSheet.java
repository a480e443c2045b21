package orbispace.files;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.pdmodel.common.PDRectangle;

/** A recall sheet as a PDF in black and white: pictures as vectors, fonts inside. */
final class PdfSheet {
    private static final float LABEL = 92;
    private static final float LINE = 13;
    private static final float BARS_WIDTH = 120;
    private static final float BARS_HEIGHT = 46;
    private static final int MOST_ROWS = 12;

    private final PdfPage page;
    private final RecallSheet sheet;

    private PdfSheet(PdfPage page, RecallSheet sheet) {
        this.page = page;
        this.sheet = sheet;
    }

    /** The document of a sheet on A4 or Letter. */
    static byte[] bytes(RecallSheet sheet, boolean letter) throws IOException {
        PDRectangle size = letter ? PDRectangle.LETTER : PDRectangle.A4;
        try (PdfPage page = new PdfPage(size, sheet.title() + ": recall sheet")) {
            new PdfSheet(page, sheet).write();
            return page.bytes();
        }
    }

    private void write() throws IOException {
        head();
        notes();
        if (!sheet.returns().isEmpty()) {
            pictures();
        }
        for (RecallSheet.ReturnCard card : sheet.returns()) {
            card(card);
        }
    }

    private void head() throws IOException {
        page.text("RECALL SHEET", PdfPage.MARGIN, page.y + 8, 8, true, 0.35f);
        page.text(sheet.title(), PdfPage.MARGIN, page.y + 30, 20, true, 0);
        page.text(sheet.summary(), PdfPage.MARGIN, page.y + 46, 10, false, 0.25f);
        page.y += 56;
        rule(1.2f);
    }

    private void rule(float thick) throws IOException {
        page.line(PdfPage.MARGIN, page.y, PdfPage.MARGIN + page.width(), page.y, thick, 0.2f);
        page.y += 4;
    }

    private void notes() throws IOException {
        float column = (page.width() - 210) / sheet.noteNames().size();
        page.need(LINE * 3);
        page.text("NOTE VALUES, ms", PdfPage.MARGIN, page.y + 10, 8, true, 0.35f);
        right("bpm", PdfPage.MARGIN + 200, 9, false);
        for (int i = 0; i < sheet.noteNames().size(); i++) {
            right(sheet.noteNames().get(i), PdfPage.MARGIN + 210 + (i + 1) * column, 9, true);
        }
        page.y += LINE + 2;
        for (RecallSheet.SectionRow row : sheet.sections()) {
            page.need(LINE + 2);
            page.line(PdfPage.MARGIN, page.y, PdfPage.MARGIN + page.width(), page.y, 0.4f, 0.7f);
            page.text(row.name(), PdfPage.MARGIN, page.y + 10, 9, true, 0);
            right(row.bars(), PdfPage.MARGIN + 160, 9, false);
            right(Wording.number(row.bpm(), 1), PdfPage.MARGIN + 200, 9, true);
            for (int i = 0; i < row.millis().size(); i++) {
                right(
                        Wording.number(row.millis().get(i), 1),
                        PdfPage.MARGIN + 210 + (i + 1) * column,
                        9,
                        false);
            }
            page.y += LINE + 1;
        }
        page.y += 10;
    }

    private void right(String text, float x, float points, boolean bold) throws IOException {
        page.text(text, x - page.width(text, points, bold), page.y + 10, points, bold, 0);
    }

    private void pictures() throws IOException {
        float half = page.width() / 2 - 12;
        float high = Math.max(half / 2 + 16, Math.min(MOST_ROWS, sheet.returns().size()) * 22 + 20);
        page.need(high + 30);
        PdfPictures pictures = new PdfPictures(page, sheet.design());
        page.text("AROUND THE DRY SOUND", PdfPage.MARGIN, page.y + 8, 8, true, 0.35f);
        page.text("OVER THE SONG", PdfPage.MARGIN + half + 24, page.y + 8, 8, true, 0.35f);
        pictures.orbit(PdfPage.MARGIN, page.y + 16, half, half / 2 + 14);
        pictures.plan(PdfPage.MARGIN + half + 24, page.y + 16, half, high);
        page.y += high + 26;
    }

    private void card(RecallSheet.ReturnCard card) throws IOException {
        float room = page.width() - (card.measured().isEmpty() ? 0 : BARS_WIDTH + 20);
        List<Row> rows = new ArrayList<>();
        for (RecallSheet.Line line : card.lines()) {
            rows.add(new Row(line.label(), wrapped(line.value(), room - LABEL)));
        }
        page.need(Math.min(rows.stream().mapToInt(r -> r.lines().size()).sum(), 12) * LINE + 34);
        rule(0.6f);
        page.circle(PdfPage.MARGIN + 9, page.y + 12, 9, false, 0);
        page.text(
                card.id(),
                PdfPage.MARGIN + 9 - page.width(card.id(), 9, true) / 2,
                page.y + 15.5f,
                9,
                true,
                0);
        page.text(card.name(), PdfPage.MARGIN + 26, page.y + 16, 12, true, 0);
        page.text(
                card.kind(),
                PdfPage.MARGIN + 34 + page.width(card.name(), 12, true),
                page.y + 16,
                9,
                false,
                0.35f);
        bars(card);
        page.y += 26;
        for (Row row : rows) {
            row(row);
        }
        page.y += 10;
    }

    /** A label with its value over one or more lines. */
    private record Row(String label, List<String> lines) {}

    private void row(Row row) throws IOException {
        page.need(LINE);
        page.text(row.label(), PdfPage.MARGIN, page.y + 9, 9, false, 0.35f);
        for (int i = 0; i < row.lines().size(); i++) {
            if (i > 0) {
                page.need(LINE);
            }
            page.text(row.lines().get(i), PdfPage.MARGIN + LABEL, page.y + 9, 9, false, 0);
            page.y += LINE;
        }
    }

    private List<String> wrapped(String text, float room) throws IOException {
        List<String> lines = new ArrayList<>();
        StringBuilder line = new StringBuilder();
        for (String word : text.split(" ")) {
            String longer = line.isEmpty() ? word : line + " " + word;
            if (!line.isEmpty() && page.width(longer, 9, false) > room) {
                lines.add(line.toString());
                line = new StringBuilder(word);
            } else {
                line = new StringBuilder(longer);
            }
        }
        lines.add(line.toString());
        return lines;
    }

    /** The measured decay of each octave as a bar with its number. */
    private void bars(RecallSheet.ReturnCard card) throws IOException {
        if (card.measured().isEmpty()) {
            return;
        }
        float left = PdfPage.MARGIN + page.width() - BARS_WIDTH;
        float base = page.y + BARS_HEIGHT + 12;
        double most =
                card.measured().stream().mapToDouble(RecallSheet.Band::seconds).max().orElse(1);
        float wide = BARS_WIDTH / card.measured().size();
        page.text("measured T30, s", left, page.y + 8, 7.5f, false, 0.35f);
        for (int i = 0; i < card.measured().size(); i++) {
            RecallSheet.Band band = card.measured().get(i);
            float high = (float) ((BARS_HEIGHT - 12) * band.seconds() / Math.max(1e-6, most));
            float x = left + i * wide;
            page.path(
                    new float[] {x + 1, x + wide - 2, x + wide - 2, x + 1},
                    new float[] {base - high, base - high, base, base},
                    true,
                    0.7f,
                    0);
            for (float up = 2; up < high; up += 2.4f) {
                page.line(x + 1, base - up, x + wide - 2, base - up, 0.25f, 0.3f);
            }
            String hz =
                    band.centreHz() >= 1000
                            ? Math.round(band.centreHz() / 1000) + "k"
                            : String.valueOf(Math.round(band.centreHz()));
            centred(hz, x + wide / 2, base + 7, 5.5f);
            centred(
                    band.seconds() > 0 ? Wording.number(band.seconds(), 2) : "?",
                    x + wide / 2,
                    base - high - 2,
                    5.5f);
        }
    }

    private void centred(String text, float x, float base, float points) throws IOException {
        page.text(text, x - page.width(text, points, false) / 2, base, points, false, 0.2f);
    }
}
