package orbispace.app.song;

import java.io.IOException;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.OptionalDouble;
import orbispace.core.audio.Audio;
import orbispace.core.measure.Loudness;
import orbispace.core.measure.LoudnessMeter;
import orbispace.core.render.Job;
import orbispace.core.words.Wording;
import orbispace.files.AtomicFile;
import orbispace.files.FileProblem;
import orbispace.files.sound.SoundReader;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;

/** What is in a folder that is handed over: read back from the files, with a page about them. */
final class Manifest {
    private final List<Item> items = new ArrayList<>();
    private final Path folder;

    /** One file as it was read back. */
    private record Item(
            String name,
            String what,
            long bytes,
            String sha256,
            OptionalDouble seconds,
            OptionalDouble lufs,
            OptionalDouble truePeakDbtp) {}

    private Manifest(Path folder) {
        this.folder = folder;
    }

    /** Reads files back and writes a table and a page about them; answers both. */
    static List<Path> write(Path folder, String title, List<Path> files, Job job)
            throws FileProblem {
        Manifest manifest = new Manifest(folder);
        for (Path file : files) {
            job.check();
            manifest.items.add(manifest.item(file));
        }
        Path table = folder.resolve("manifest.csv");
        Path page = folder.resolve("read-me.html");
        try {
            AtomicFile.writeText(table, manifest.table());
            AtomicFile.writeText(page, manifest.page(title));
        } catch (IOException e) {
            throw FileProblem.writing(folder, e);
        }
        return List.of(table, page);
    }

    private Item item(Path file) throws FileProblem {
        String name = folder.relativize(file).toString();
        try {
            byte[] bytes = Files.readAllBytes(file);
            String sha =
                    HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(bytes));
            if (!name.endsWith(".wav")) {
                OptionalDouble none = OptionalDouble.empty();
                return new Item(name, what(name), bytes.length, sha, none, none, none);
            }
            Audio audio = SoundReader.read(file);
            Loudness loudness = LoudnessMeter.measure(audio);
            return new Item(
                    name,
                    what(name),
                    bytes.length,
                    sha,
                    OptionalDouble.of(audio.seconds()),
                    loudness.integratedLufs(),
                    loudness.truePeakDbtp());
        } catch (IOException e) {
            throw FileProblem.reading(file, e);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("every Java platform has SHA-256", e);
        }
    }

    private static String what(String name) {
        if (name.startsWith("responses")) {
            return "impulse response of a return, unit energy in, before gate, ducker and level";
        }
        if (name.startsWith("words")) {
            return "thrown word, lined up with the song";
        }
        if (name.startsWith("recall-sheet")) {
            return "the numbers to dial the field in again";
        }
        if (name.startsWith("automation")) {
            return "plan and throws over the song's bars";
        }
        if (name.startsWith("sections")) {
            return "the same for one section, stamped with where it lies in the song";
        }
        return name.equals("mix.wav")
                ? "dry sources and all returns"
                : "print of a return at its level, lined up with the song to the sample";
    }

    private String table() throws IOException {
        StringWriter out = new StringWriter();
        try (CSVPrinter csv = new CSVPrinter(out, CSVFormat.RFC4180)) {
            csv.printRecord("file", "what", "bytes", "seconds", "LUFS", "dBTP", "SHA-256");
            for (Item i : items) {
                csv.printRecord(
                        i.name(),
                        i.what(),
                        i.bytes(),
                        number(i.seconds()),
                        number(i.lufs()),
                        number(i.truePeakDbtp()),
                        i.sha256());
            }
        }
        return out.toString();
    }

    private static String number(OptionalDouble value) {
        return value.isEmpty() ? "" : Wording.format("%.3f", value.getAsDouble());
    }

    private String page(String title) {
        StringBuilder out =
                new StringBuilder(
                        "<!doctype html>\n<html lang=\"en\"><head><meta charset=\"utf-8\"><title>");
        String safe = escaped(title);
        out.append(safe).append(": what is here</title></head><body>\n<h1>").append(safe);
        out.append(
                "</h1>\n"
                    + "<p>Lay every print at the start of the song: they are lined up to the"
                    + " sample, and the mix is the sum of the dry sources and the printed returns."
                    + " The recall sheet says how to build the same field elsewhere.</p>\n"
                    + "<table><tr><th>File</th><th>What it"
                    + " is</th><th>LUFS</th><th>dBTP</th></tr>\n");
        for (Item i : items) {
            out.append("<tr><td>").append(escaped(i.name()));
            out.append("</td><td>").append(escaped(i.what()));
            out.append("</td><td>").append(number(i.lufs()));
            out.append("</td><td>").append(number(i.truePeakDbtp())).append("</td></tr>\n");
        }
        return out.append("</table>\n</body></html>\n").toString();
    }

    private static String escaped(String text) {
        return text.replace("&", "&amp;").replace("<", "&lt;").replace(">", "&gt;");
    }
}
