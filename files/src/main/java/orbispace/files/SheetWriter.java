package orbispace.files;

import java.io.IOException;
import java.io.StringWriter;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;

/** Writes a recall sheet as a printable page, as text or as a table. */
public final class SheetWriter {
    private static final String STYLE =
            """
            body{font:11pt/1.45 "IBM Plex Sans",Helvetica,Arial,sans-serif;color:#1B2A49;background:#F8F4EA;margin:2rem auto;max-width:46rem;padding:0 1rem}
            h1{font-size:20pt;margin:0}h2{font-size:13pt;margin:1.6rem 0 .3rem;border-top:1px solid #BFB8A8;padding-top:.8rem}
            p{margin:.2rem 0 .8rem;color:#47536C}table{border-collapse:collapse;width:100%;font-variant-numeric:tabular-nums}
            th,td{text-align:right;padding:.18rem .4rem;border-bottom:1px solid #D9D1C1;font-weight:400}th{color:#A8366F;font-weight:600}
            td:first-child,th:first-child{text-align:left}dl{display:grid;grid-template-columns:8rem 1fr;gap:.15rem 1rem;margin:0}
            dt{color:#5C657A}dd{margin:0}.letter{display:inline-block;min-width:1.5em;text-align:center;border:2px double #1B2A49;border-radius:50%;margin-right:.5em}
            .pictures{display:grid;grid-template-columns:1fr 1fr;gap:1.5rem;margin:1rem 0}.pictures svg{width:100%;height:auto}
            @media print{body{background:#fff;margin:0}h2{break-after:avoid}dl{break-inside:avoid}}
            """;

    private static final float PICTURE = 300;

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
            AtomicFile.writeText(file, html(sheet));
        } else if (name.endsWith(".md")) {
            AtomicFile.writeText(file, markdown(sheet));
        } else if (name.endsWith(".csv")) {
            AtomicFile.writeText(file, csv(file, sheet));
        } else {
            throw new FileProblem(
                    file
                            + ": a sheet is written as .pdf, .html, .md or .csv; choose one of"
                            + " these endings");
        }
    }

    static String html(RecallSheet sheet) {
        StringBuilder out =
                new StringBuilder(
                        "<!doctype html>\n<html lang=\"en\"><head><meta charset=\"utf-8\"><title>");
        out.append(escaped(sheet.title())).append(": recall sheet</title><style>\n").append(STYLE);
        out.append("</style></head><body>\n<h1>")
                .append(escaped(sheet.title()))
                .append("</h1>\n<p>");
        out.append(escaped(sheet.summary())).append("</p>\n");
        if (!sheet.sections().isEmpty()) {
            htmlNotes(out, sheet);
        }
        if (sheet.pictured() && !sheet.returns().isEmpty()) {
            htmlPictures(out, sheet);
        }
        for (RecallSheet.ReturnCard card : sheet.returns()) {
            out.append("<h2><span class=\"letter\">").append(escaped(card.id())).append("</span>");
            out.append(escaped(card.name()))
                    .append(", ")
                    .append(escaped(card.kind()))
                    .append("</h2>\n<dl>\n");
            for (RecallSheet.Line line : card.lines()) {
                out.append("<dt>").append(escaped(line.label())).append("</dt><dd>");
                out.append(escaped(line.value())).append("</dd>\n");
            }
            if (!card.measured().isEmpty()) {
                out.append("<dt>Measured T30</dt><dd>")
                        .append(escaped(measured(card)))
                        .append("</dd>\n");
            }
            out.append("</dl>\n");
        }
        htmlList(out, "Sources", sheet.sources());
        htmlList(out, "Tempo and metre", sheet.tempo());
        htmlList(out, "Accepted", sheet.findings());
        return out.append("</body></html>\n").toString();
    }

    private static void htmlNotes(StringBuilder out, RecallSheet sheet) {
        out.append("<table><tr><th>Section</th><th>bars</th><th>bpm</th>");
        sheet.noteNames().forEach(n -> out.append("<th>").append(escaped(n)).append("</th>"));
        out.append("</tr>\n");
        for (RecallSheet.SectionRow row : sheet.sections()) {
            out.append("<tr>");
            cell(out, row.name());
            cell(out, row.bars());
            cell(out, Wording.number(row.bpm(), 1));
            row.millis().forEach(m -> cell(out, Wording.number(m, 1)));
            out.append("</tr>\n");
        }
        out.append("</table>\n<p>Note values in ms at the first bar of each section.</p>\n");
    }

    private static void cell(StringBuilder out, String text) {
        out.append("<td>").append(escaped(text)).append("</td>");
    }

    /** The field and the plan as vectors. */
    private static void htmlPictures(StringBuilder out, RecallSheet sheet) {
        try {
            SvgInk orbit = new SvgInk();
            new SheetPictures(orbit, sheet).orbit(0, 4, PICTURE, PICTURE / 2 + 14);
            SvgInk plan = new SvgInk();
            float rows = 26f * sheet.returns().size() + 16;
            new SheetPictures(plan, sheet).plan(0, 4, PICTURE, rows);
            out.append("<div class=\"pictures\">")
                    .append(orbit.svg(PICTURE, PICTURE / 2 + 26, "the field"))
                    .append(plan.svg(PICTURE, rows + 8, "the plan"))
                    .append("</div>\n");
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    private static void htmlList(StringBuilder out, String head, List<RecallSheet.Line> lines) {
        if (lines.isEmpty()) {
            return;
        }
        out.append("<h2>").append(head).append("</h2>\n<dl>\n");
        for (RecallSheet.Line line : lines) {
            out.append("<dt>").append(escaped(line.label())).append("</dt><dd>");
            out.append(escaped(line.value())).append("</dd>\n");
        }
        out.append("</dl>\n");
    }

    static String markdown(RecallSheet sheet) {
        StringBuilder out =
                new StringBuilder("# ")
                        .append(sheet.title())
                        .append("\n\n")
                        .append(sheet.summary());
        if (!sheet.sections().isEmpty()) {
            markdownNotes(out, sheet);
        }
        for (RecallSheet.ReturnCard card : sheet.returns()) {
            markdownCard(out, card);
        }
        markdownList(out, "Sources", sheet.sources());
        markdownList(out, "Tempo and metre", sheet.tempo());
        markdownList(out, "Accepted", sheet.findings());
        return out.append('\n').toString();
    }

    private static void markdownList(StringBuilder out, String head, List<RecallSheet.Line> lines) {
        if (!lines.isEmpty()) {
            out.append("\n## ").append(head).append("\n\n");
            lines.forEach(l -> markdownLine(out, l));
        }
    }

    private static void markdownLine(StringBuilder out, RecallSheet.Line line) {
        out.append("- ").append(line.label()).append(": ").append(line.value()).append('\n');
    }

    private static void markdownNotes(StringBuilder out, RecallSheet sheet) {
        out.append("\n\n| Section | Bars | bpm |");
        sheet.noteNames().forEach(n -> out.append(' ').append(n).append(" |"));
        out.append("\n| --- | --- | --- |")
                .append(" --- |".repeat(sheet.noteNames().size()))
                .append('\n');
        for (RecallSheet.SectionRow row : sheet.sections()) {
            out.append("| ")
                    .append(row.name().replace("|", "\\|"))
                    .append(" | ")
                    .append(row.bars());
            out.append(" | ").append(Wording.number(row.bpm(), 1)).append(" |");
            row.millis().forEach(m -> out.append(' ').append(Wording.number(m, 1)).append(" |"));
            out.append('\n');
        }
        out.append("\nNote values in ms at the first bar of each section.\n");
    }

    private static void markdownCard(StringBuilder out, RecallSheet.ReturnCard card) {
        out.append("\n## ").append(card.id()).append(" ").append(card.name());
        out.append(", ").append(card.kind()).append("\n\n");
        card.lines().forEach(l -> markdownLine(out, l));
        if (!card.measured().isEmpty()) {
            out.append("- Measured T30: ").append(measured(card)).append('\n');
        }
    }

    static String csv(Path file, RecallSheet sheet) throws FileProblem {
        StringWriter out = new StringWriter();
        try (CSVPrinter csv = new CSVPrinter(out, CSVFormat.RFC4180)) {
            csv.printRecord("subject", "item", "value");
            csv.printRecord("song", "title", cell(sheet.title()));
            csv.printRecord("song", "summary", cell(sheet.summary()));
            for (RecallSheet.Line line : sheet.tempo()) {
                csv.printRecord("tempo", cell(line.label()), cell(line.value()));
            }
            for (RecallSheet.Line line : sheet.sources()) {
                csv.printRecord("source", cell(line.label()), cell(line.value()));
            }
            for (RecallSheet.SectionRow row : sheet.sections()) {
                csv.printRecord(cell(row.name()), "bars", cell(row.bars()));
                csv.printRecord(cell(row.name()), "bpm", plain(row.bpm()));
                for (int i = 0; i < row.millis().size(); i++) {
                    csv.printRecord(
                            cell(row.name()),
                            sheet.noteNames().get(i) + " in ms",
                            plain(row.millis().get(i)));
                }
            }
            for (RecallSheet.ReturnCard card : sheet.returns()) {
                csv.printRecord(card.id(), "name", cell(card.name()));
                csv.printRecord(card.id(), "kind", card.kind());
                for (RecallSheet.Line line : card.lines()) {
                    csv.printRecord(card.id(), cell(line.label()), cell(line.value()));
                }
                for (RecallSheet.Band band : card.measured()) {
                    csv.printRecord(
                            card.id(),
                            "T30 at " + Wording.hertz(band.centreHz()) + " in s",
                            band.seconds() == 0 ? "unreliable" : plain(band.seconds()));
                }
            }
            for (RecallSheet.Line line : sheet.findings()) {
                csv.printRecord("accepted", cell(line.label()), cell(line.value()));
            }
        } catch (IOException e) {
            throw FileProblem.writing(file, e);
        }
        return out.toString();
    }

    private static String measured(RecallSheet.ReturnCard card) {
        StringBuilder out = new StringBuilder();
        for (RecallSheet.Band band : card.measured()) {
            out.append(out.isEmpty() ? "" : ", ")
                    .append(Wording.hertz(band.centreHz()))
                    .append(' ');
            out.append(band.seconds() == 0 ? "unreliable" : Wording.seconds(band.seconds()));
        }
        return out.toString();
    }

    /**
     * Words that any spreadsheet opens as they are: signs of plain ASCII where they have one, and
     * nothing that would be taken for a formula.
     */
    static String cell(String text) {
        String plain =
                text.replace("\u2212", "-")
                        .replace("\u2013", " to ")
                        .replace("\u00d7", "x")
                        .replace("\u221e", "infinite");
        return plain.matches("[=+@-].*") && !plain.matches("-?[0-9.]+") ? " " + plain : plain;
    }

    private static String plain(double value) {
        return String.format(Locale.ROOT, "%.3f", value);
    }

    static String escaped(String text) {
        return text.replace("&", "&amp;")
                .replace("<", "&lt;")
                .replace(">", "&gt;")
                .replace("\"", "&quot;");
    }
}
