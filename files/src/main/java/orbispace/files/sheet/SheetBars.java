package orbispace.files.sheet;

import java.io.IOException;
import orbispace.core.words.Wording;

/** The measured decay of each octave as a bar with its number. */
final class SheetBars {
    private static final float HATCH = 2.4f;

    private final SheetPages page;

    SheetBars(SheetPages page) {
        this.page = page;
    }

    /** Draws the bars of a return, if it was measured, from the place of the next line. */
    void draw(RecallSheet.ReturnCard card, float left, float width, float height)
            throws IOException {
        if (card.measured().isEmpty()) {
            return;
        }
        float base = page.y() + height + 12;
        double most =
                card.measured().stream().mapToDouble(RecallSheet.Band::seconds).max().orElse(1);
        float wide = width / card.measured().size();
        page.text("T30 of 0.15 to 10 s; open: not sure", left, page.y() + 8, 7.5f, false, 0.35f);
        for (int i = 0; i < card.measured().size(); i++) {
            RecallSheet.Band band = card.measured().get(i);
            float high = (float) ((height - 12) * band.seconds() / Math.max(1e-6, most));
            bar(band, left + i * wide, wide, base, high);
        }
    }

    private void bar(RecallSheet.Band band, float x, float wide, float base, float high)
            throws IOException {
        float right = x + wide - 2;
        float[] xs = {x + 1, right, right, x + 1};
        float[] ys = {base - high, base - high, base, base};
        page.path(xs, ys, true, 0.7f, 0);
        for (float up = 2; up < high && band.sure(); up += HATCH) {
            page.line(x + 1, base - up, right, base - up, 0.25f, 0.3f);
        }
        String hz =
                band.centreHz() >= 1000
                        ? Math.round(band.centreHz() / 1000) + "k"
                        : String.valueOf(Math.round(band.centreHz()));
        centred(hz, x + wide / 2, base + 7);
        String number = Wording.number(band.seconds(), 2);
        String seconds = band.seconds() > 0 ? number : "\u2013";
        centred(seconds, x + wide / 2, base - high - 2);
    }

    private void centred(String text, float x, float base) throws IOException {
        page.text(text, x - page.width(text, 5.5f, false) / 2, base, 5.5f, false, 0.2f);
    }
}
