package orbispace.files.sheet;

import java.io.IOException;
import java.io.StringWriter;
import java.nio.file.Path;
import orbispace.core.words.Wording;
import orbispace.files.FileProblem;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;

/** A recall sheet as a table that any spreadsheet opens as it is. */
final class TableSheet {
    private TableSheet() {}

    /** The table of a sheet; the file is named if it fails. */
    static String of(Path file, RecallSheet sheet) throws FileProblem {
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
            sections(csv, sheet);
            returns(csv, sheet);
            for (RecallSheet.Line line : sheet.findings()) {
                csv.printRecord("accepted", cell(line.label()), cell(line.value()));
            }
        } catch (IOException e) {
            throw FileProblem.writing(file, e);
        }
        return out.toString();
    }

    private static void sections(CSVPrinter csv, RecallSheet sheet) throws IOException {
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
    }

    private static void returns(CSVPrinter csv, RecallSheet sheet) throws IOException {
        for (RecallSheet.ReturnCard card : sheet.returns()) {
            csv.printRecord(card.id(), "name", cell(card.name()));
            csv.printRecord(card.id(), "kind", card.kind());
            for (RecallSheet.Line line : card.lines()) {
                csv.printRecord(card.id(), cell(line.label()), cell(line.value()));
            }
            for (RecallSheet.Band band : card.measured()) {
                csv.printRecord(
                        card.id(),
                        "T30 at "
                                + Wording.hertz(band.centreHz())
                                + " in s"
                                + (band.sure() ? "" : ", not sure"),
                        band.seconds() == 0 ? "not measured" : plain(band.seconds()));
            }
        }
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
        return Wording.format("%.3f", value);
    }
}
