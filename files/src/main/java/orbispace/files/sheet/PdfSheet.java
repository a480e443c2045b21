package orbispace.files.sheet;

import java.io.IOException;
import org.apache.pdfbox.pdmodel.common.PDRectangle;

/** A recall sheet as a PDF that reads as well in grey: pictures as vectors, fonts inside. */
final class PdfSheet {
    private PdfSheet() {}

    /** The document of a sheet on A4 or Letter. */
    static byte[] bytes(RecallSheet sheet, boolean letter) throws IOException {
        PDRectangle size = letter ? PDRectangle.LETTER : PDRectangle.A4;
        try (PdfPage page = new PdfPage(size, sheet.title() + ": recall sheet")) {
            SheetLayout.draw(sheet, page);
            return page.bytes();
        }
    }
}
