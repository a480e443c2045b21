package orbispace.files.sheet;

import java.io.IOException;
import java.util.List;
import orbispace.core.words.Wording;

/** A recall sheet as one page for a browser: nothing is fetched, pictures stand inside. */
final class HtmlSheet {
    private static final String STYLE =
            """
            body{font:11pt/1.45 "IBM Plex Sans",Helvetica,Arial,sans-serif;color:#1B2A49;background:#F8F4EA;margin:2rem auto;max-width:46rem;padding:0 1rem}
            h1{font-size:20pt;margin:0}h2{font-size:13pt;margin:1.6rem 0 .3rem;border-top:1px solid #BFB8A8;padding-top:.8rem}
            p{margin:.2rem 0 .8rem;color:#47536C}table{border-collapse:collapse;width:100%;font-variant-numeric:tabular-nums}
            th,td{text-align:right;padding:.18rem .4rem;border-bottom:1px solid #D9D1C1;font-weight:400}th{color:#A03069;font-weight:600}
            td:first-child,th:first-child{text-align:left}dl{display:grid;grid-template-columns:8rem 1fr;gap:.15rem 1rem;margin:0}
            dt{color:#596277}dd{margin:0}.letter{display:inline-block;min-width:1.5em;text-align:center;border:2px double #1B2A49;border-radius:50%;margin-right:.5em}
            .pictures{display:grid;grid-template-columns:1fr 1fr;gap:1.5rem;margin:1rem 0}.pictures svg{width:100%;height:auto}
            @media print{body{background:#fff;margin:0}h2{break-after:avoid}dl{break-inside:avoid}}
            """;

    private static final float PICTURE = 300;

    private HtmlSheet() {}

    /** The page of a sheet. */
    static String of(RecallSheet sheet) {
        StringBuilder out =
                new StringBuilder(
                        "<!doctype html>\n<html lang=\"en\"><head><meta charset=\"utf-8\"><title>");
        out.append(SheetWriter.escaped(sheet.title()))
                .append(": recall sheet</title><style>\n")
                .append(STYLE);
        out.append("</style></head><body>\n<h1>")
                .append(SheetWriter.escaped(sheet.title()))
                .append("</h1>\n<p>");
        out.append(SheetWriter.escaped(sheet.summary())).append("</p>\n");
        if (!sheet.sections().isEmpty()) {
            notes(out, sheet);
        }
        if (sheet.pictured() && !sheet.returns().isEmpty()) {
            pictures(out, sheet);
        }
        for (RecallSheet.ReturnCard card : sheet.returns()) {
            out.append("<h2><span class=\"letter\">")
                    .append(SheetWriter.escaped(card.id()))
                    .append("</span>");
            out.append(SheetWriter.escaped(card.name()))
                    .append(", ")
                    .append(SheetWriter.escaped(card.kind()))
                    .append("</h2>\n<dl>\n");
            for (RecallSheet.Line line : card.lines()) {
                out.append("<dt>").append(SheetWriter.escaped(line.label())).append("</dt><dd>");
                out.append(SheetWriter.escaped(line.value())).append("</dd>\n");
            }
            if (!card.measured().isEmpty()) {
                out.append("<dt>Measured T30</dt><dd>")
                        .append(SheetWriter.escaped(SheetWriter.measured(card)))
                        .append("</dd>\n");
            }
            out.append("</dl>\n");
        }
        list(out, "Sources", sheet.sources());
        list(out, "Tempo and metre", sheet.tempo());
        list(out, "Accepted", sheet.findings());
        return out.append("</body></html>\n").toString();
    }

    private static void notes(StringBuilder out, RecallSheet sheet) {
        out.append("<table><tr><th>Section</th><th>bars</th><th>bpm</th>");
        sheet.noteNames()
                .forEach(n -> out.append("<th>").append(SheetWriter.escaped(n)).append("</th>"));
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
        out.append("<td>").append(SheetWriter.escaped(text)).append("</td>");
    }

    /** The field and the plan as vectors. */
    private static void pictures(StringBuilder out, RecallSheet sheet) {
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

    private static void list(StringBuilder out, String head, List<RecallSheet.Line> lines) {
        if (lines.isEmpty()) {
            return;
        }
        out.append("<h2>").append(head).append("</h2>\n<dl>\n");
        for (RecallSheet.Line line : lines) {
            out.append("<dt>").append(SheetWriter.escaped(line.label())).append("</dt><dd>");
            out.append(SheetWriter.escaped(line.value())).append("</dd>\n");
        }
        out.append("</dl>\n");
    }
}
