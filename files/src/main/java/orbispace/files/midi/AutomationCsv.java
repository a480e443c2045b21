package orbispace.files.midi;

import java.io.IOException;
import java.io.StringWriter;
import java.nio.file.Path;
import orbispace.core.design.Song;
import orbispace.core.plan.Automation;
import orbispace.core.words.Wording;
import orbispace.files.AtomicFile;
import orbispace.files.FileProblem;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;

/** Automation as a table: a row for each breakpoint of each lane. */
public final class AutomationCsv {
    private AutomationCsv() {}

    /**
     * Writes the lanes of a song; between two rows a level runs straight in amplitude, anything
     * else straight in itself.
     */
    public static void write(Song song, Automation automation, Path file) throws FileProblem {
        AtomicFile.writeText(file, text(song, automation));
    }

    private static String text(Song song, Automation automation) throws FileProblem {
        StringWriter out = new StringWriter();
        try (CSVPrinter csv = new CSVPrinter(out, CSVFormat.RFC4180)) {
            csv.printRecord(
                    "lane",
                    "return",
                    "source",
                    "seconds",
                    "bar",
                    "beat in bar",
                    "dB",
                    "value",
                    "unit");
            for (Automation.Lane lane : automation.lanes()) {
                boolean level = lane.quantity() == Automation.Quantity.LEVEL;
                for (Automation.Point p : lane.points()) {
                    int bar = song.clock().barAtSeconds(p.seconds());
                    double into = p.beat() - song.clock().metre().beatOfBar(bar);
                    csv.printRecord(
                            lane.name(),
                            lane.returnId(),
                            lane.sourceId(),
                            number("%.6f", p.seconds()),
                            bar,
                            number("%.4f", into + 1),
                            level ? decibels(p) : "",
                            level ? "" : number("%.3f", p.value()),
                            level ? "" : lane.quantity().unit());
                }
            }
        } catch (IOException e) {
            throw new FileProblem("the automation cannot be written", e);
        }
        return out.toString();
    }

    private static String decibels(Automation.Point p) {
        return p.value() <= Automation.SILENT_DB ? "silent" : number("%.3f", p.value());
    }

    private static String number(String format, double value) {
        return Wording.format(format, value);
    }
}
