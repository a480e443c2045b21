package orbispace.app.session;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import orbispace.core.design.Design;
import orbispace.core.render.Job;
import orbispace.core.render.SongMaterial;
import orbispace.files.FileProblem;
import orbispace.files.RecallSheet;
import orbispace.files.SheetWriter;
import orbispace.files.WavWriter;

/** Writes what is carried away: recall sheets and prints. */
public final class HandOver {
    /** Name of the job that hands over. */
    public static final String JOB = "hand over";

    private HandOver() {}

    /**
     * What to write.
     *
     * @param folder where to
     * @param sheetEndings forms of the recall sheet, such as {@code .html}
     * @param prints whether returns and mix are printed
     * @param depth how prints are written
     */
    public record Order(
            Path folder, List<String> sheetEndings, boolean prints, WavWriter.Depth depth) {
        /** Keeps its own list. */
        public Order {
            sheetEndings = List.copyOf(sheetEndings);
        }
    }

    /** Writes everything; answers the files. */
    static List<Path> write(Design design, SongMaterial material, Order order, Job job)
            throws FileProblem {
        Prints.makeFolder(order.folder());
        List<Path> files = new ArrayList<>();
        if (!order.sheetEndings().isEmpty()) {
            RecallSheet sheet =
                    Sheets.measured(
                            design,
                            material.responses(),
                            material.frames() / material.sampleRateHz());
            for (String ending : order.sheetEndings()) {
                job.check();
                Path file = order.folder().resolve("recall-sheet" + ending);
                SheetWriter.write(file, sheet);
                files.add(file);
            }
        }
        if (order.prints()) {
            Prints.Order prints =
                    new Prints.Order(
                            order.folder(), order.depth(), Optional.empty(), Optional.empty());
            files.addAll(Prints.print(design, material, prints, job).files());
        }
        return files;
    }
}
