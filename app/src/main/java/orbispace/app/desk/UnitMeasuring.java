package orbispace.app.desk;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.SimpleObjectProperty;
import orbispace.app.session.Editor;
import orbispace.app.session.Jobs;
import orbispace.app.session.KeptProject;
import orbispace.app.session.OfSong;
import orbispace.app.song.Prints;
import orbispace.app.song.Unit;
import orbispace.core.design.Design;
import orbispace.core.design.FieldEdit;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Width;
import orbispace.core.measure.Sweep;
import orbispace.core.measure.UnitReport;
import orbispace.core.prove.compare.ReverbFit;
import orbispace.files.FileProblem;
import orbispace.files.sound.WavWriter;
import org.jspecify.annotations.Nullable;

/** Measures a unit by a sweep, and takes it into the field: itself, or our reverb set like it. */
public final class UnitMeasuring implements OfSong {
    /** Name of the job that measures. */
    public static final String JOB = "unit";

    private static final String FOLDER = "units";
    private static final double SWEEP_SECONDS = 10;

    private final Editor editor;
    private final Jobs jobs;
    private final KeptProject kept;
    private final FieldEditing field;
    private final BooleanProperty open = new SimpleBooleanProperty(false);
    private final ObjectProperty<@Nullable Measured> measured = new SimpleObjectProperty<>();

    /**
     * A unit that was measured.
     *
     * @param name what people call it
     * @param report what the sweep told
     * @param fit our reverb set like it; empty before it was asked for
     */
    public record Measured(String name, UnitReport report, Optional<ReverbFit> fit) {}

    /** Measures units for a song. */
    public UnitMeasuring(Editor editor, Jobs jobs, KeptProject kept, FieldEditing field) {
        this.editor = editor;
        this.jobs = jobs;
        this.kept = kept;
        this.field = field;
    }

    @Override
    public void begin(Design given) {
        jobs.cancel(JOB);
        open.set(false);
        measured.set(null);
    }

    /** Whether a unit is being measured, so that its panel is seen. */
    public BooleanProperty open() {
        return open;
    }

    /** What was measured last; null for nothing. */
    public ReadOnlyObjectProperty<@Nullable Measured> measured() {
        return measured;
    }

    /** Where a sweep for this song is written if nothing else is said; empty without a folder. */
    public Optional<Path> usualSweep() {
        return kept.folder().map(f -> f.resolve(FOLDER).resolve("sweep.wav"));
    }

    /** Writes a sweep at the song's rate, to be played through a unit. */
    public void writeSweep(Path file, Runnable done) {
        double rate = editor.now().song().sampleRateHz();
        jobs.start(
                JOB,
                "Writing the sweep",
                (job, d) -> written(file, rate),
                (f, d) -> {
                    editor.problem().set("");
                    done.run();
                });
    }

    private static Path written(Path file, double rate) throws FileProblem {
        Path folder = file.toAbsolutePath().getParent();
        if (folder != null) {
            Prints.makeFolder(folder);
        }
        WavWriter.write(
                file,
                new Sweep(rate, SWEEP_SECONDS).audio(),
                WavWriter.Depth.FLOAT_32,
                "exponential sine sweep");
        return file;
    }

    /** Measures a unit with a sweep; one that is not there yet is written first. */
    public void measure(String name, Path sweep, Unit unit) {
        double rate = editor.now().song().sampleRateHz();
        jobs.start(
                JOB,
                "Measuring " + name,
                (job, d) -> {
                    if (!Files.exists(sweep)) {
                        written(sweep, rate);
                    }
                    return new Measured(name, unit.measured(sweep), Optional.empty());
                },
                (m, d) -> {
                    editor.problem().set("");
                    measured.set(m);
                });
    }

    /** Sets our reverb so that it decays like the unit. */
    public void fit() {
        Measured now = measured.get();
        if (now == null) {
            return;
        }
        jobs.start(
                JOB,
                "Fitting our reverb",
                (job, d) -> ReverbFit.of(now.report().response(), 0, job),
                (fit, d) -> {
                    measured.set(new Measured(now.name(), now.report(), fit));
                    if (fit.isEmpty()) {
                        editor.problem()
                                .set(
                                        "The unit's decay could not be measured in enough"
                                                + " octaves to be fitted.");
                    }
                });
    }

    /** Writes the unit's response beside the song and makes a convolution of a return. */
    public void use(Return r) {
        Measured now = measured.get();
        Optional<Path> folder = kept.folder();
        if (now == null) {
            return;
        }
        if (folder.isEmpty()) {
            editor.problem().set("Open or save a song first; the response is kept beside it.");
            return;
        }
        jobs.start(
                JOB,
                "Writing the response",
                (job, d) -> response(folder.get().resolve(FOLDER), now),
                (file, d) -> field.convolve(r, file));
    }

    /** A file of its own for each measurement; none is ever written over. */
    private static Path response(Path folder, Measured unit) throws FileProblem {
        Prints.makeFolder(folder);
        String name = Prints.plainName(unit.name());
        Path file = folder.resolve(name + ".wav");
        for (int n = 2; Files.exists(file); n++) {
            file = folder.resolve(name + "-" + n + ".wav");
        }
        WavWriter.write(
                file,
                unit.report().response(),
                WavWriter.Depth.FLOAT_32,
                "impulse response of " + unit.name());
        return file;
    }

    /** Gives a return our reverb as it was fitted, with its width, in one step. */
    public void useFit(Return r) {
        Measured now = measured.get();
        if (now == null || now.fit().isEmpty()) {
            return;
        }
        ReverbFit fit = now.fit().get();
        Width width = r.chain().width().withFactor(fit.width());
        Design design = editor.now().withReturn(r.withSpace(fit.space()));
        List<Return> returns = new ReturnEdit.Widening(r.id(), width).applyTo(design).returns();
        editor.edit(new FieldEdit.Adopt(returns, "reverb like " + now.name()));
    }
}
