package orbispace.app.session;

import java.nio.file.Path;
import java.util.Optional;
import java.util.function.Consumer;
import orbispace.app.song.DemoFiles;
import orbispace.app.song.NewSong;
import orbispace.files.FileProblem;
import orbispace.files.project.ProjectFile;

/** Opens songs and saves the open one; a failure leaves what is open as it is. */
public final class Opening {
    static final String JOB = "open";

    private final Editor editor;
    private final Jobs jobs;
    private final KeptProject kept;
    private final Consumer<KeptProject.Opened> begin;

    /**
     * What opens songs.
     *
     * @param begin takes a song that was read in place of the open one
     */
    public Opening(Editor editor, Jobs jobs, KeptProject kept, Consumer<KeptProject.Opened> begin) {
        this.editor = editor;
        this.jobs = jobs;
        this.kept = kept;
        this.begin = begin;
    }

    /** Opens a project in the background. */
    public void open(Path path) {
        jobs.start(
                JOB,
                "Opening " + path.getFileName(),
                (job, d) -> KeptProject.read(path, job),
                begin);
    }

    /** Opens the demo song, making it first if it is not kept. */
    public void openDemo() {
        jobs.start(
                JOB,
                "Making the demo song",
                (job, d) -> DemoFiles.project(job::report),
                (Path made) -> open(made));
    }

    /** Starts a new project from material that was read, not yet kept anywhere. */
    public void begin(NewSong song) {
        begin.accept(
                new KeptProject.Opened(
                        ProjectFile.of(song.design()),
                        song.design(),
                        song.stems(),
                        null,
                        song.folder(),
                        Optional.empty()));
        song.problems().stream().findFirst().ifPresent(editor.problem()::set);
    }

    /**
     * Saves; what is open stays as it is if that fails.
     *
     * @return whether it was written; the problem says why not
     */
    public boolean save(Path path) {
        try {
            kept.save(path, editor.now());
            editor.markSaved();
            editor.problem().set("");
            return true;
        } catch (FileProblem e) {
            editor.failed(e);
            return false;
        }
    }
}
