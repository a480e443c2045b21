package orbispace.app.song;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import orbispace.core.design.Design;
import orbispace.core.design.Return;
import orbispace.core.design.Throw;
import orbispace.core.plan.Automation;
import orbispace.core.plan.ThrownWords;
import orbispace.core.render.ImpulseResponse;
import orbispace.core.render.Job;
import orbispace.core.render.SongMaterial;
import orbispace.files.FileProblem;
import orbispace.files.midi.AutomationCsv;
import orbispace.files.midi.AutomationMidi;
import orbispace.files.midi.ControllerTable;
import orbispace.files.sheet.RecallSheet;
import orbispace.files.sheet.SheetPart;
import orbispace.files.sheet.SheetWriter;
import orbispace.files.sound.WavWriter;

/** Writes what is carried away: recall sheets and prints. */
public final class HandOver {
    /** Name of the job that hands over. */
    public static final String JOB = "hand over";

    private HandOver() {}

    /**
     * What to write.
     *
     * @param folder where to
     * @param sheet the recall sheet
     * @param prints returns and mix
     * @param lanes automation
     */
    public record Order(Path folder, Sheet sheet, Printing prints, Lanes lanes) {}

    /**
     * The recall sheet.
     *
     * @param endings its forms, such as {@code .html}; none for no sheet
     * @param parts what it holds
     * @param findings what was accepted
     */
    public record Sheet(
            List<String> endings, Set<SheetPart> parts, List<RecallSheet.Line> findings) {
        /** Keeps its own collections. */
        public Sheet {
            endings = List.copyOf(endings);
            parts = Set.copyOf(parts);
            findings = List.copyOf(findings);
        }

        /** A whole sheet in some forms. */
        public static Sheet whole(List<String> endings, List<RecallSheet.Line> findings) {
            return new Sheet(endings, EnumSet.allOf(SheetPart.class), findings);
        }
    }

    /**
     * Printed returns and mix.
     *
     * @param wanted whether there are any
     * @param bySection whether each section is printed as well
     * @param depth how they are written
     */
    public record Printing(boolean wanted, boolean bySection, WavWriter.Depth depth) {}

    /**
     * What of the plan and the throws to write.
     *
     * @param endings forms of the automation, {@code .mid} or {@code .csv}
     * @param controllers which controller carries which lane
     * @param words whether thrown words are cut into stems of their own
     */
    public record Lanes(List<String> endings, ControllerTable controllers, boolean words) {
        /** Nothing. */
        public static final Lanes NONE = new Lanes(List.of(), ControllerTable.USUAL, false);

        /** Keeps its own list. */
        public Lanes {
            endings = List.copyOf(endings);
        }
    }

    /**
     * What was handed over.
     *
     * @param files all of them
     * @param warning what is to be said of them, in one line; empty for nothing
     */
    public record Handed(List<Path> files, String warning) {
        /** Keeps its own list. */
        public Handed {
            files = List.copyOf(files);
        }
    }

    /** Writes everything; answers the files. */
    public static Handed write(Design design, SongMaterial material, Order order, Job job)
            throws FileProblem {
        Prints.makeFolder(order.folder());
        List<Path> files = new ArrayList<>();
        String warning = "";
        if (!order.sheet().endings().isEmpty()) {
            RecallSheet sheet =
                    Sheets.measured(
                                    design,
                                    material.responses(),
                                    material.frames() / material.sampleRateHz())
                            .withFindings(order.sheet().findings())
                            .only(order.sheet().parts());
            for (String ending : order.sheet().endings()) {
                job.check();
                Path file = order.folder().resolve("recall-sheet" + ending);
                SheetWriter.write(file, sheet, ending.startsWith(".letter"));
                files.add(file);
            }
        }
        if (order.prints().wanted()) {
            Prints.Order prints =
                    new Prints.Order(
                            order.folder(),
                            order.prints().depth(),
                            Optional.empty(),
                            Optional.empty(),
                            order.prints().bySection());
            Prints.Result printed = Prints.print(design, material, prints, job);
            files.addAll(printed.files());
            warning = printed.warning();
            files.addAll(responses(design, material, order.folder().resolve("responses"), job));
        }
        lanes(design, order, files);
        if (order.lanes().words()) {
            files.addAll(words(design, material, order.folder().resolve("words"), job));
        }
        files.addAll(Manifest.write(order.folder(), design.song().title(), files, job));
        return new Handed(files, warning);
    }

    private static List<Path> responses(Design design, SongMaterial material, Path folder, Job job)
            throws FileProblem {
        List<Path> files = new ArrayList<>();
        for (Return r : design.returns()) {
            job.check();
            if (ImpulseResponse.tellsAll(r.space())) {
                Prints.makeFolder(folder);
                Path file = folder.resolve(Prints.fileName(r));
                WavWriter.write(
                        file,
                        ImpulseResponse.of(design, r, material.responses()),
                        WavWriter.Depth.FLOAT_32,
                        "impulse response of return " + r.id());
                files.add(file);
            }
        }
        return files;
    }

    private static void lanes(Design design, Order order, List<Path> files) throws FileProblem {
        Automation automation = Automation.of(design);
        for (String ending : order.lanes().endings()) {
            Path file = order.folder().resolve("automation" + ending);
            if (ending.equals(".mid")) {
                new AutomationMidi(design.song(), order.lanes().controllers())
                        .write(automation, file);
            } else {
                AutomationCsv.write(design.song(), automation, file);
            }
            files.add(file);
        }
    }

    /** Writes each thrown word as a stem of its own, lined up with the song; answers the files. */
    public static List<Path> words(Design design, SongMaterial material, Path folder, Job job)
            throws FileProblem {
        List<Path> files = new ArrayList<>();
        for (ThrownWords.Word word : ThrownWords.of(design, material)) {
            job.check();
            Prints.makeFolder(folder);
            Throw t = word.thrown();
            Path file = folder.resolve(t.sourceId() + "-" + t.id() + ".wav");
            WavWriter.write(
                    file,
                    word.audio(),
                    WavWriter.Depth.FLOAT_32,
                    "thrown word of " + t.sourceId() + " for return " + t.returnId());
            files.add(file);
        }
        return files;
    }
}
