package orbispace.files.sheet;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import orbispace.core.design.Design;
import orbispace.files.project.ProjectFileTest;
import org.junit.jupiter.api.Test;

/** How a sheet lies on its pages, told from where every text is written. */
class SheetLayoutTest {
    private static final float WIDTH = 500;
    private static final float HEIGHT = 700;

    private record Written(int page, String text, float x, float base, float right) {}

    /** Pages that only remember. */
    private static final class Remembered implements SheetPages {
        final List<Written> all = new ArrayList<>();
        private int page;
        private float y = MARGIN;

        @Override
        public float width() {
            return WIDTH;
        }

        @Override
        public float y() {
            return y;
        }

        @Override
        public void down(float points) {
            y += points;
        }

        @Override
        public void need(float points) {
            if (y + points > HEIGHT - MARGIN) {
                page++;
                y = MARGIN;
            }
        }

        @Override
        public void text(String text, float x, float base, float points, boolean bold, float grey) {
            all.add(new Written(page, text, x, base, x + width(text, points, bold)));
        }

        @Override
        public float width(String text, float points, boolean bold) {
            return 0.52f * points * text.length();
        }

        @Override
        public void line(float x1, float y1, float x2, float y2, float thick, float grey) {}

        @Override
        public void path(float[] xs, float[] ys, boolean closed, float thick, float grey) {}

        @Override
        public void dash(float[] pattern) {}

        @Override
        public void circle(float x, float y, float r, boolean filled, float grey) {}

        @Override
        public void tint(int rgb) {}
    }

    private static RecallSheet sheet(int returns) {
        Design design = ProjectFileTest.design();
        RecallSheet one = RecallSheet.of(design, 95, Map.of());
        List<RecallSheet.ReturnCard> many =
                IntStream.range(0, returns)
                        .mapToObj(i -> one.returns().get(i % one.returns().size()))
                        .toList();
        return new RecallSheet(
                one.title(),
                one.summary(),
                one.tempo(),
                one.noteNames(),
                one.sections(),
                one.sources(),
                many,
                List.of(new RecallSheet.Line("A: combs", "meant so, ".repeat(40).strip())),
                true,
                design);
    }

    private static List<Written> laid(RecallSheet sheet) throws IOException {
        Remembered pages = new Remembered();
        SheetLayout.draw(sheet, pages);
        return pages.all;
    }

    @Test
    void nothingLiesOutsideTheMarginsHoweverManyReturnsThereAre() throws IOException {
        for (int returns : new int[] {0, 1, 2, 5, 8}) {
            List<Written> all = laid(sheet(returns));
            assertThat(all)
                    .as(returns + " returns")
                    .allSatisfy(w -> {
                        assertThat(w.x()).isGreaterThanOrEqualTo(SheetPages.MARGIN - 0.5f);
                        assertThat(w.right())
                                .as(w.text())
                                .isLessThanOrEqualTo(SheetPages.MARGIN + WIDTH + 1);
                        assertThat(w.base()).isLessThanOrEqualTo(HEIGHT - SheetPages.MARGIN + 14);
                    });
        }
        assertThat(laid(sheet(8)).getLast().page()).isGreaterThan(1);
    }

    @Test
    void aValueIsNeverTornFromItsLabelAndKeepsAllOfItsWords() throws IOException {
        RecallSheet sheet = sheet(8);
        List<Written> all = laid(sheet);
        String lines = "meant so, ".repeat(40).strip();
        int label =
                IntStream.range(0, all.size())
                        .filter(i -> all.get(i).text().equals("A: combs"))
                        .findFirst()
                        .orElseThrow();
        StringBuilder value = new StringBuilder();
        for (int i = label + 1; i < all.size(); i++) {
            assertThat(all.get(i).page()).isEqualTo(all.get(label).page());
            value.append(value.isEmpty() ? "" : " ").append(all.get(i).text());
        }
        assertThat(value).hasToString(lines);
    }

    @Test
    void onlyWhatIsAskedForIsLaidAndTheHeadAlways() throws IOException {
        RecallSheet sheet = sheet(2);
        List<String> texts =
                laid(sheet.only(EnumSet.of(SheetPart.SOURCES))).stream()
                        .map(Written::text)
                        .toList();
        assertThat(texts)
                .contains("RECALL SHEET", "Ferry", "SOURCES")
                .doesNotContain("NOTE VALUES, ms", "AROUND THE DRY SOUND", "ACCEPTED");
        List<String> none =
                laid(sheet.only(EnumSet.noneOf(SheetPart.class))).stream()
                        .map(Written::text)
                        .toList();
        assertThat(none).containsExactly("RECALL SHEET", sheet.title(), sheet.summary());
    }
}
