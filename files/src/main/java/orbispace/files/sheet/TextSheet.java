package orbispace.files.sheet;

import java.util.List;
import orbispace.core.words.Wording;

/** A recall sheet as text in Markdown. */
final class TextSheet {
    private TextSheet() {}

    /** The text of a sheet. */
    static String of(RecallSheet sheet) {
        StringBuilder out =
                new StringBuilder("# ")
                        .append(sheet.title())
                        .append("\n\n")
                        .append(sheet.summary());
        if (!sheet.sections().isEmpty()) {
            notes(out, sheet);
        }
        for (RecallSheet.ReturnCard card : sheet.returns()) {
            card(out, card);
        }
        list(out, "Sources", sheet.sources());
        list(out, "Tempo and metre", sheet.tempo());
        list(out, "Accepted", sheet.findings());
        return out.append('\n').toString();
    }

    private static void list(StringBuilder out, String head, List<RecallSheet.Line> lines) {
        if (!lines.isEmpty()) {
            out.append("\n## ").append(head).append("\n\n");
            lines.forEach(l -> line(out, l));
        }
    }

    private static void line(StringBuilder out, RecallSheet.Line line) {
        out.append("- ").append(line.label()).append(": ").append(line.value()).append('\n');
    }

    private static void notes(StringBuilder out, RecallSheet sheet) {
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

    private static void card(StringBuilder out, RecallSheet.ReturnCard card) {
        out.append("\n## ").append(card.id()).append(" ").append(card.name());
        out.append(", ").append(card.kind()).append("\n\n");
        card.lines().forEach(l -> line(out, l));
        if (!card.measured().isEmpty()) {
            out.append("- Measured T30: ").append(SheetWriter.measured(card)).append('\n');
        }
    }
}
