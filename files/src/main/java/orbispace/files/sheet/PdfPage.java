package orbispace.files.sheet;

import java.io.Closeable;
import java.io.IOException;
import java.io.InputStream;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDType0Font;

/**
 * Draws onto pages of a PDF, one below the other, with the fonts that ship with the program. Places
 * are in points from the upper left corner.
 */
final class PdfPage implements SheetPages, Closeable {
    private static final String FONTS = "/orbispace/files/fonts/ibm-plex-sans-latin-";
    private static final float FOOT = 26;

    private final PDDocument document = new PDDocument();
    private final PDRectangle size;
    private final PDType0Font regular;
    private final PDType0Font strong;
    private final String foot;
    private PDPageContentStream content;
    private int pages;

    private float y;
    private int rgb;

    PdfPage(PDRectangle size, String foot) throws IOException {
        this.size = size;
        this.foot = foot;
        regular = font("400-normal");
        strong = font("600-normal");
        content = begin();
    }

    private PDType0Font font(String name) throws IOException {
        try (InputStream in = PdfPage.class.getResourceAsStream(FONTS + name + ".ttf")) {
            if (in == null) {
                throw new IOException("the font " + name + " is missing");
            }
            return PDType0Font.load(document, in, true);
        }
    }

    private PDPageContentStream begin() throws IOException {
        PDPage page = new PDPage(size);
        document.addPage(page);
        pages++;
        y = MARGIN;
        return new PDPageContentStream(document, page);
    }

    @Override
    public float width() {
        return size.getWidth() - 2 * MARGIN;
    }

    @Override
    public void need(float height) throws IOException {
        if (y + height > size.getHeight() - MARGIN) {
            finish();
            content = begin();
        }
    }

    private void finish() throws IOException {
        float at = size.getHeight() - FOOT;
        int inked = rgb;
        tint(SheetInks.BLACK);
        text(foot, MARGIN, at, 8, false, 0.45f);
        String number = String.valueOf(pages);
        text(number, size.getWidth() - MARGIN - width(number, 8, false), at, 8, false, 0.45f);
        content.close();
        tint(inked);
    }

    @Override
    public void text(String text, float x, float base, float points, boolean bold, float grey)
            throws IOException {
        content.beginText();
        content.setNonStrokingColor(red(grey), green(grey), blue(grey));
        content.setFont(bold ? strong : regular, points);
        content.newLineAtOffset(x, size.getHeight() - base);
        // In two pieces the letters f and i stay letters that can be searched and copied.
        for (String piece : writable(text, bold).split("(?<=f)(?=[il])")) {
            content.showText(piece);
        }
        content.endText();
    }

    @Override
    public float width(String text, float points, boolean bold) throws IOException {
        return (bold ? strong : regular).getStringWidth(writable(text, bold)) / 1000 * points;
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
    public void tint(int given) {
        rgb = given;
    }

    private float red(float grey) {
        return Ink.mixed(rgb, 16, grey);
    }

    private float green(float grey) {
        return Ink.mixed(rgb, 8, grey);
    }

    private float blue(float grey) {
        return Ink.mixed(rgb, 0, grey);
    }

    /** Signs that the font lacks become question marks. */
    private String writable(String text, boolean bold) {
        StringBuilder out = new StringBuilder();
        text.codePoints()
                .forEach(c -> {
                    String sign = Character.toString(c);
                    try {
                        (bold ? strong : regular).encode(sign);
                        out.append(sign);
                    } catch (IOException | IllegalArgumentException e) {
                        out.append('?');
                    }
                });
        return out.toString();
    }

    @Override
    public void line(float x1, float y1, float x2, float y2, float thick, float grey)
            throws IOException {
        content.setStrokingColor(red(grey), green(grey), blue(grey));
        content.setLineWidth(thick);
        content.moveTo(x1, size.getHeight() - y1);
        content.lineTo(x2, size.getHeight() - y2);
        content.stroke();
    }

    @Override
    public void path(float[] xs, float[] ys, boolean closed, float thick, float grey)
            throws IOException {
        content.setStrokingColor(red(grey), green(grey), blue(grey));
        content.setLineWidth(thick);
        content.moveTo(xs[0], size.getHeight() - ys[0]);
        for (int i = 1; i < xs.length; i++) {
            content.lineTo(xs[i], size.getHeight() - ys[i]);
        }
        if (closed) {
            content.closePath();
        }
        content.stroke();
    }

    @Override
    public void dash(float[] pattern) throws IOException {
        content.setLineDashPattern(pattern, 0);
    }

    @Override
    public void circle(float x, float cy, float r, boolean filled, float grey) throws IOException {
        float k = 0.5523f * r;
        float top = size.getHeight() - cy;
        content.moveTo(x + r, top);
        content.curveTo(x + r, top + k, x + k, top + r, x, top + r);
        content.curveTo(x - k, top + r, x - r, top + k, x - r, top);
        content.curveTo(x - r, top - k, x - k, top - r, x, top - r);
        content.curveTo(x + k, top - r, x + r, top - k, x + r, top);
        if (filled) {
            content.setNonStrokingColor(red(grey), green(grey), blue(grey));
            content.fill();
        } else {
            content.setStrokingColor(red(grey), green(grey), blue(grey));
            content.setLineWidth(0.8f);
            content.stroke();
        }
    }

    /** Finishes the last page and answers the document's bytes. */
    byte[] bytes() throws IOException {
        finish();
        var out = new java.io.ByteArrayOutputStream();
        document.getDocumentInformation().setTitle(foot);
        document.getDocumentInformation().setCreator("Orbispace");
        document.save(out);
        return out.toByteArray();
    }

    @Override
    public void close() throws IOException {
        document.close();
    }
}
