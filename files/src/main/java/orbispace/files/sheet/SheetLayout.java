package orbispace.files.sheet;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import orbispace.core.words.Wording;

/** Lays a recall sheet onto pages: the same on paper and on the screen. */
public final class SheetLayout {
    private static final float LEFT = SheetPages.MARGIN;
    private static final float LABEL = 100;
    private static final float LINE = 13;
    private static final float BARS_WIDTH = 120;
    private static final float BARS_HEIGHT = 46;
    private static final float NOTES_FROM = 210;
    private static final int MOST_ROWS = 12;
    private static final int KEPT_TOGETHER = 12;

    private final SheetPages page;
    private final RecallSheet sheet;

    private SheetLayout(SheetPages page, RecallSheet sheet) {
        this.page = page;
        this.sheet = sheet;
    }

    /** Draws a sheet. */
    public static void draw(RecallSheet sheet, SheetPages pages) throws IOException {
        new SheetLayout(pages, sheet).write();
    }

    private void write() throws IOException {
        head();
        if (!sheet.sections().isEmpty()) {
            notes();
        }
        if (sheet.pictured() && !sheet.returns().isEmpty()) {
            pictures();
        }
        for (RecallSheet.ReturnCard card : sheet.returns()) {
            card(card);
        }
        list("SOURCES", sheet.sources());
        list("TEMPO AND METRE", sheet.tempo());
        list("ACCEPTED", sheet.findings());
    }

    private void head() throws IOException {
        caps("RECALL SHEET");
        page.text(sheet.title(), LEFT, page.y() + 30, 20, true, 0);
        page.text(sheet.summary(), LEFT, page.y() + 46, 10, false, 0.25f);
        page.down(56);
        rule(1.2f);
    }

    private void caps(String text) throws IOException {
        page.text(text, LEFT, page.y() + 9, 8, true, 0.35f);
    }

    private void rule(float thick) throws IOException {
        page.line(LEFT, page.y(), LEFT + page.width(), page.y(), thick, 0.2f);
        page.down(4);
    }

    private void notes() throws IOException {
        float column = (page.width() - NOTES_FROM) / sheet.noteNames().size();
        page.need(LINE * 3);
        caps("NOTE VALUES, ms");
        right("bpm", LEFT + NOTES_FROM - 10, false);
        page.tint(SheetInks.TIME);
        for (int i = 0; i < sheet.noteNames().size(); i++) {
            right(sheet.noteNames().get(i), LEFT + NOTES_FROM + (i + 1) * column, true);
        }
        page.tint(SheetInks.BLACK);
        page.down(LINE + 2);
        for (RecallSheet.SectionRow row : sheet.sections()) {
            page.need(LINE + 2);
            page.line(LEFT, page.y(), LEFT + page.width(), page.y(), 0.4f, 0.7f);
            page.text(row.name(), LEFT, page.y() + 10, 9, true, 0);
            right(row.bars(), LEFT + 160, false);
            page.tint(SheetInks.TIME);
            right(Wording.number(row.bpm(), 1), LEFT + NOTES_FROM - 10, true);
            page.tint(SheetInks.BLACK);
            for (int i = 0; i < row.millis().size(); i++) {
                String millis = Wording.number(row.millis().get(i), 1);
                right(millis, LEFT + NOTES_FROM + (i + 1) * column, false);
            }
            page.down(LINE + 1);
        }
        page.down(10);
    }

    private void right(String text, float x, boolean bold) throws IOException {
        page.text(text, x - page.width(text, 9, bold), page.y() + 10, 9, bold, 0);
    }

    private void pictures() throws IOException {
        float half = page.width() / 2 - 12;
        float high = Math.max(half / 2 + 16, Math.min(MOST_ROWS, sheet.returns().size()) * 22 + 20);
        page.need(high + 30);
        SheetPictures pictures = new SheetPictures(page, sheet);
        caps("AROUND THE DRY SOUND");
        page.text("OVER THE SONG", LEFT + half + 24, page.y() + 9, 8, true, 0.35f);
        pictures.orbit(LEFT, page.y() + 16, half, half / 2 + 14);
        pictures.plan(LEFT + half + 24, page.y() + 16, half, high);
        page.down(high + 26);
    }

    /** A label with its value over one or more lines. */
    private record Row(String label, List<String> lines) {}

    private List<Row> rows(List<RecallSheet.Line> lines, float room) throws IOException {
        List<Row> rows = new ArrayList<>();
        for (RecallSheet.Line line : lines) {
            rows.add(new Row(line.label(), wrapped(line.value(), room - LABEL)));
        }
        return rows;
    }

    private void card(RecallSheet.ReturnCard card) throws IOException {
        float room = page.width() - (card.measured().isEmpty() ? 0 : BARS_WIDTH + 20);
        List<Row> rows = rows(card.lines(), room);
        int lines = rows.stream().mapToInt(r -> r.lines().size()).sum();
        page.need(Math.min(lines, KEPT_TOGETHER) * LINE + 34);
        rule(0.6f);
        page.tint(SheetInks.ofReturn(card.id()));
        page.circle(LEFT + 9, page.y() + 12, 9, false, 0);
        float letter = page.width(card.id(), 9, true);
        page.text(card.id(), LEFT + 9 - letter / 2, page.y() + 15.5f, 9, true, 0);
        new SheetBars(page).draw(card, LEFT + page.width() - BARS_WIDTH, BARS_WIDTH, BARS_HEIGHT);
        page.tint(SheetInks.BLACK);
        page.text(card.name(), LEFT + 26, page.y() + 16, 12, true, 0);
        float kind = LEFT + 34 + page.width(card.name(), 12, true);
        page.text(card.kind(), kind, page.y() + 16, 9, false, 0.35f);
        page.down(26);
        for (Row row : rows) {
            row(row);
        }
        page.down(10);
    }

    private void list(String head, List<RecallSheet.Line> lines) throws IOException {
        if (lines.isEmpty()) {
            return;
        }
        page.need(LINE * 3 + 10);
        rule(0.6f);
        caps(head);
        page.down(LINE + 4);
        for (Row row : rows(lines, page.width())) {
            row(row);
        }
        page.down(10);
    }

    private void row(Row row) throws IOException {
        page.need(LINE * row.lines().size());
        page.text(cut(row.label()), LEFT, page.y() + 9, 9, false, 0.35f);
        for (int i = 0; i < row.lines().size(); i++) {
            page.text(row.lines().get(i), LEFT + LABEL, page.y() + 9, 9, false, 0);
            page.down(LINE);
        }
    }

    private String cut(String label) throws IOException {
        String text = label;
        while (text.length() > 1 && page.width(text, 9, false) > LABEL - 4) {
            text = text.substring(0, text.length() - 1);
        }
        return text;
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
}
