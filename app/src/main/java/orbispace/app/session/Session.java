package orbispace.app.session;

import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.function.Consumer;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.beans.property.SimpleStringProperty;
import javafx.beans.property.StringProperty;
import orbispace.core.design.Design;
import orbispace.core.design.Edit;
import orbispace.core.design.History;
import orbispace.core.design.Section;
import orbispace.core.design.Song;
import orbispace.core.measure.DecayReport;
import orbispace.core.render.SongMaterial;
import orbispace.core.time.SongClock;
import orbispace.core.time.Span;
import orbispace.files.FileProblem;
import orbispace.files.ProjectFile;
import orbispace.files.ProjectFolder;
import orbispace.files.RecallSheet;
import org.jspecify.annotations.Nullable;

/**
 * The open project: its design and history, where it is kept, what is chosen, and the measuring and
 * listening that follow every change. Used on the interface thread only.
 */
public final class Session {
    private final Jobs jobs;
    private final Measurements measured;
    private final Transport transport = new Transport();
    private final RecentProjects recent;
    private final ObjectProperty<Design> design = new SimpleObjectProperty<>(blank());
    private final ObjectProperty<Design> before = new SimpleObjectProperty<>(blank());
    private final ObjectProperty<@Nullable Path> file = new SimpleObjectProperty<>();
    private final ObjectProperty<@Nullable Section> section = new SimpleObjectProperty<>();
    private final StringProperty returnId = new SimpleStringProperty("");
    private final StringProperty sourceId = new SimpleStringProperty("");
    private final StringProperty problem = new SimpleStringProperty("");
    private final StringProperty undoLabel = new SimpleStringProperty("");
    private final StringProperty redoLabel = new SimpleStringProperty("");
    private final BooleanProperty dirty = new SimpleBooleanProperty(false);
    private final BooleanProperty wantsRemedies = new SimpleBooleanProperty(false);
    private History history = new History(blank());
    private ProjectFile project = ProjectFile.of(blank());
    private Design saved = blank();
    private @Nullable Path folder;

    /**
     * An empty session.
     *
     * @param interfaceThread runs what changes its values
     * @param recent where opened projects are remembered
     */
    public Session(Executor interfaceThread, RecentProjects recent) {
        this.recent = recent;
        jobs = new Jobs(interfaceThread);
        measured = new Measurements(jobs, problem::set);
        transport.hearingBefore().addListener((o, was, is) -> listen());
        transport.mono().addListener((o, was, is) -> listen());
        transport.soloReturn().addListener((o, was, is) -> listen());
        transport.soloSource().addListener((o, was, is) -> listen());
        transport.looping().addListener((o, was, is) -> loop());
        measured.mix().addListener((o, was, is) -> listen());
        section.addListener((o, was, is) -> {
            loop();
            measure();
        });
        wantsRemedies.addListener((o, was, is) -> measure());
    }

    private static Design blank() {
        Song song = new Song("Untitled", 48000, SongClock.constant(120, 4, 4), List.of());
        return new Design(song, List.of(), List.of());
    }

    /** The design as it stands. */
    public ReadOnlyObjectProperty<Design> design() {
        return design;
    }

    /** The design it is compared with. */
    public ReadOnlyObjectProperty<Design> before() {
        return before;
    }

    /** Where the project is kept; null before it is. */
    public ReadOnlyObjectProperty<@Nullable Path> file() {
        return file;
    }

    /** The chosen section; null for the whole song. */
    public ObjectProperty<@Nullable Section> section() {
        return section;
    }

    /** Letter of the chosen return; empty for none. */
    public StringProperty returnId() {
        return returnId;
    }

    /** Id of the chosen source; empty for none. */
    public StringProperty sourceId() {
        return sourceId;
    }

    /** One line about what went wrong last; empty for nothing. */
    public StringProperty problem() {
        return problem;
    }

    /** What undo takes back; empty for nothing. */
    public StringProperty undoLabel() {
        return undoLabel;
    }

    /** What redo brings back; empty for nothing. */
    public StringProperty redoLabel() {
        return redoLabel;
    }

    /** Whether there are changes that are not saved. */
    public ReadOnlyBooleanProperty dirty() {
        return dirty;
    }

    /** Whether remedies should be found; they take longer than measuring. */
    public BooleanProperty wantsRemedies() {
        return wantsRemedies;
    }

    /** Work in the background. */
    public Jobs jobs() {
        return jobs;
    }

    /** What was measured. */
    public Measurements measured() {
        return measured;
    }

    /** Listening. */
    public Transport transport() {
        return transport;
    }

    /** Projects opened before. */
    public RecentProjects recent() {
        return recent;
    }

    /** The chosen stretch of the song. */
    public Span span() {
        Section chosen = section.get();
        Design now = design.get();
        return chosen == null ? new Span(0, songSeconds()) : now.song().span(chosen);
    }

    /** Length of the song in seconds: its stems, or its sections where they are longer. */
    public double songSeconds() {
        Design now = design.get();
        double form =
                now.song().sections().isEmpty()
                        ? 0
                        : now.song().span(now.song().sections().getLast()).endSeconds();
        double stems =
                measured.renderer().map(r -> r.frames() / now.song().sampleRateHz()).orElse(0.0);
        return Math.max(1, Math.max(form, stems));
    }

    /** The bar that note values are taken at: the first of the chosen section. */
    public int bar() {
        Section chosen = section.get();
        return chosen == null ? 1 : chosen.firstBar();
    }

    /**
     * Makes a change that is one step of its own, and measures what it does.
     *
     * @return false if it was refused; {@link #problem} then says why
     */
    public boolean edit(Edit edit) {
        boolean taken = apply(edit, null);
        if (taken) {
            measure();
        }
        return taken;
    }

    /**
     * Makes a change that belongs to a gesture; it is heard at once and measured by {@link
     * #settle}.
     */
    public boolean drag(Edit edit, Object gesture) {
        return apply(edit, gesture);
    }

    /** Ends a gesture. */
    public void settle() {
        measure();
    }

    private boolean apply(Edit edit, @Nullable Object gesture) {
        try {
            Design changed = edit.applyTo(design.get());
            problem.set("");
            history.push(changed, edit.subject(), gesture);
            show();
            return true;
        } catch (IllegalArgumentException e) {
            problem.set(String.valueOf(e.getMessage()));
            return false;
        }
    }

    /** Takes the last step back. */
    public void undo() {
        history.undo();
        show();
        measure();
    }

    /** Brings the last undone step back. */
    public void redo() {
        history.redo();
        show();
        measure();
    }

    /** Compares with the design as it stands from now on. */
    public void keepAsBefore() {
        before.set(design.get());
        measure();
    }

    private void show() {
        design.set(history.current());
        undoLabel.set(history.undoLabel().orElse(""));
        redoLabel.set(history.redoLabel().orElse(""));
        dirty.set(!history.current().equals(saved));
        listen();
    }

    private void measure() {
        measured.update(design.get(), before.get(), span(), wantsRemedies.get());
    }

    private void listen() {
        boolean hearing = transport.hearingBefore().get();
        MixMeasure mix = measured.mix().get();
        transport.hear(
                hearing ? before.get() : design.get(), mix == null ? 0 : mix.matchDb(hearing));
    }

    /** Repeats a stretch of its own, such as a phrase, until the section or the loop is changed. */
    public void loopOver(Span span) {
        transport.looping().set(true);
        transport.setLoop(span);
    }

    private void loop() {
        transport.setLoop(transport.looping().get() ? span() : null);
    }

    private record Opened(ProjectFile project, ProjectFolder.Stems stems) {}

    /** Opens a project in the background; a failure leaves what is open as it is. */
    public void open(Path path) {
        Path absolute = path.toAbsolutePath().normalize();
        Path parent = java.util.Objects.requireNonNullElse(absolute.getParent(), absolute);
        jobs.start(
                "open",
                "Opening " + absolute.getFileName(),
                job -> {
                    ProjectFile read = ProjectFile.read(absolute);
                    return new Opened(read, ProjectFolder.read(parent, read.design(), job::report));
                },
                opened -> {
                    begin(opened.project(), opened.stems().material(), absolute, parent);
                    recent.add(absolute);
                    opened.stems().problems().stream().findFirst().ifPresent(problem::set);
                },
                e -> problem.set(String.valueOf(e.getMessage())));
    }

    /** Opens the demo song, making it first if it is not kept. */
    public void openDemo() {
        jobs.start(
                "open",
                "Making the demo song",
                job -> DemoFiles.project(job::report),
                this::open,
                e -> problem.set(String.valueOf(e.getMessage())));
    }

    /** Starts a new project from material that was read, not yet kept anywhere. */
    public void begin(
            Design drafted, Map<String, orbispace.core.audio.Audio> audio, Path stemsFolder) {
        begin(
                ProjectFile.of(drafted),
                new SongMaterial(audio, drafted.song().sampleRateHz()),
                null,
                stemsFolder);
        dirty.set(true);
    }

    private void begin(
            ProjectFile given, SongMaterial material, @Nullable Path path, Path stemsFolder) {
        project = given;
        folder = stemsFolder;
        history = new History(given.design());
        saved = path == null ? blank() : given.design();
        file.set(path);
        problem.set("");
        before.set(given.design());
        section.set(null);
        returnId.set(given.design().returns().stream().findFirst().map(r -> r.id()).orElse(""));
        sourceId.set(given.design().sources().stream().findFirst().map(s -> s.id()).orElse(""));
        transport.hearingBefore().set(false);
        transport.begin(material);
        measured.begin(given.design(), material, this::measure);
        show();
        Optional<Section> second = given.design().song().sections().stream().skip(1).findFirst();
        section.set(
                second.or(() -> given.design().song().sections().stream().findFirst())
                        .orElse(null));
    }

    /** The folder in which the stems are looked for; empty before a project is open. */
    public Optional<Path> folder() {
        return Optional.ofNullable(folder);
    }

    /** The sound of the open project. */
    public Optional<SongMaterial> material() {
        return measured.renderer().map(r -> r.material());
    }

    /**
     * Saves; what is open stays as it is if that fails.
     *
     * @return whether it was written; {@link #problem} says why not
     */
    public boolean save(Path path) {
        try {
            Path absolute = path.toAbsolutePath().normalize();
            Design now = Relocation.moved(design.get(), folder, absolute.getParent());
            project = project.write(absolute, now);
            saved = design.get();
            file.set(absolute);
            dirty.set(false);
            problem.set("");
            recent.add(absolute);
            return true;
        } catch (FileProblem e) {
            problem.set(String.valueOf(e.getMessage()));
            return false;
        }
    }

    /** The recall sheet as far as it is measured. */
    public RecallSheet sheet() {
        Map<String, DecayReport> decays = new HashMap<>();
        measured.pictures().forEach((id, p) -> p.report().ifPresent(r -> decays.put(id, r)));
        return RecallSheet.of(design.get(), songSeconds(), decays);
    }

    /** Hands over in the background. */
    public void handOver(HandOver.Order order, Consumer<List<Path>> done, Consumer<String> failed) {
        Design now = design.get();
        Optional<SongMaterial> material = material();
        if (material.isEmpty()) {
            failed.accept("There is no sound to print; open a song first.");
            return;
        }
        jobs.start(
                HandOver.JOB,
                "Handing over",
                job -> HandOver.write(now, material.get(), order, job),
                done,
                e -> failed.accept(String.valueOf(e.getMessage())));
    }

    /** Stops the background work and the sound. */
    public void close() {
        jobs.close();
        transport.close();
    }
}
