package orbispace.files.sheet;

import java.nio.file.Path;
import java.util.Locale;
import orbispace.core.measure.DecayReport;
import orbispace.core.words.Wording;
import orbispace.files.AtomicFile;
import orbispace.files.FileProblem;

/** Writes a recall sheet as a printable page, as text or as a table. */
public final class SheetWriter {
    private SheetWriter() {}

    /** Writes a sheet; a PDF of it is on A4. */
    public static void write(Path file, RecallSheet sheet) throws FileProblem {
        write(file, sheet, false);
    }

    /**
     * Writes a sheet in the form that the file's ending names: .pdf, .html, .md or .csv.
     *
     * @param letter whether a PDF is on Letter instead of A4
     * @throws FileProblem in one line, for another ending or if it cannot be written
     */
    public static void write(Path file, RecallSheet sheet, boolean letter) throws FileProblem {
        String name = file.toString().toLowerCase(Locale.ROOT);
        if (name.endsWith(".pdf")) {
            AtomicFile.write(
                    file,
                    temporary ->
                            java.nio.file.Files.write(temporary, PdfSheet.bytes(sheet, letter)));
        } else if (name.endsWith(".html")) {
            AtomicFile.writeText(file, HtmlSheet.of(sheet));
        } else if (name.endsWith(".md")) {
            AtomicFile.writeText(file, TextSheet.of(sheet));
        } else if (name.endsWith(".csv")) {
            AtomicFile.writeText(file, TableSheet.of(file, sheet));
        } else {
            throw new FileProblem(
                    file
                            + ": a sheet is written as .pdf, .html, .md or .csv; choose one of"
                            + " these endings");
        }
    }

    /** The measured decay of a return in words. */
    static String measured(RecallSheet.ReturnCard card) {
        StringBuilder out = new StringBuilder();
        for (RecallSheet.Band band : card.measured()) {
            out.append(out.isEmpty() ? "" : ", ")
                    .append(Wording.hertz(band.centreHz()))
                    .append(' ');
            out.append(band.words(Wording.seconds(band.seconds())));
        }
        return out.append("; holds for ").append(DecayReport.HOLDS_FOR).toString();
    }

    static String escaped(String text) {
        return text.replace("&", "&amp;")
                .replace("<", "&lt;")
                .replace(">", "&gt;")
                .replace("\"", "&quot;");
    }
}
