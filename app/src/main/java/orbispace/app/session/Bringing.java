package orbispace.app.session;

import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import orbispace.app.song.FormFromMidi;
import orbispace.app.song.NewSong;
import orbispace.app.song.Relocation;
import orbispace.core.design.Design;
import orbispace.core.design.Source;
import orbispace.core.design.SourcesEdit;
import orbispace.core.render.Job;
import orbispace.files.midi.MidiTempo;
import orbispace.files.project.Autosave;
import orbispace.files.project.FactsCache;
import orbispace.files.project.ProjectFolder;
import orbispace.files.sound.StemFiles;
import org.jspecify.annotations.Nullable;

/**
 * How sound comes into the song: new songs from files, more stems into an open one, missing files
 * found again, and changes that a crash left.
 */
public final class Bringing implements OfSong {
    private static final String READ = "read stems";
    private static final String ADD = "add stems";

    private final Editor editor;
    private final Jobs jobs;
    private final KeptProject kept;
    private final Opening opening;
    private final Runnable lay;
    private final SongStems stems;
    private final FactsCache facts;
    private final Runnable made;
    private final ObjectProperty<Autosave.@Nullable Recovered> recovered =
            new SimpleObjectProperty<>();

    /**
     * What brings sound into a song.
     *
     * @param facts keeps what is measured of stems
     * @param lay lays the stems of the song again
     * @param made told when a song was made of stems
     */
    public Bringing(
            Editor editor,
            Jobs jobs,
            KeptProject kept,
            SongStems stems,
            FactsCache facts,
            Opening opening,
            Runnable lay,
            Runnable made) {
        this.editor = editor;
        this.jobs = jobs;
        this.kept = kept;
        this.stems = stems;
        this.facts = facts;
        this.opening = opening;
        this.lay = lay;
        this.made = made;
    }

    private record Brought(
            List<Source> sources, ProjectFolder.Stems stems, List<String> problems) {}

    /** Changes of the open project that were never saved; null for none. */
    public ReadOnlyObjectProperty<Autosave.@Nullable Recovered> recovered() {
        return recovered;
    }

    @Override
    public void begin(Design given) {
        recovered.set(null);
    }

    /** A project was opened: tell what is missing, and what a crash left. */
    public void opened(KeptProject.Opened opened) {
        recovered.set(opened.recovered().orElse(null));
        if (!opened.stems().problems().isEmpty()) {
            editor.problem().set(missingWords(opened.stems().problems()));
        } else if (!opened.stems().found().isEmpty()) {
            editor.problem()
                    .set(
                            "Found "
                                    + opened.stems().found().size()
                                    + " of the stems elsewhere in the folder; save to keep that.");
        }
    }

    private static String missingWords(Map<String, String> problems) {
        String first = problems.values().iterator().next();
        return problems.size() == 1
                ? first
                : problems.size() + " stems could not be read, such as " + first;
    }

    /** Takes up the changes that a crash left, as one step. */
    public void takeRecovered() {
        Autosave.Recovered found = recovered.get();
        if (found != null) {
            recovered.set(null);
            editor.replace(found.design(), "recover changes");
        }
    }

    /** Leaves the changes that a crash left for good. */
    public void leaveRecovered() {
        recovered.set(null);
        kept.dropState();
    }

    /** When the changes that a crash left were made. */
    public Optional<FileTime> recoveredTime() {
        return Optional.ofNullable(recovered.get()).map(Autosave.Recovered::time);
    }

    /** Whether they were made to the file as it is, and not to an earlier version of it. */
    public boolean recoveredIsCurrent() {
        Autosave.Recovered found = recovered.get();
        return found != null && found.current();
    }

    /** Begins a new song in the background; a failure leaves what is open as it is. */
    public void newSong(NewSong.Material from) {
        jobs.start(
                Opening.JOB,
                "Reading the stems",
                (job, d) -> NewSong.from(from, facts, job),
                (NewSong song) -> {
                    opening.begin(song);
                    made.run();
                });
    }

    /**
     * Takes what was dropped or chosen: a project is opened, a MIDI file gives tempo and form,
     * sound files and folders become stems, of the open song or of a new one.
     */
    public void bring(List<Path> paths) {
        Optional<Path> project = paths.stream().filter(p -> NewSong.named(p, ".json")).findFirst();
        if (project.isPresent()) {
            opening.open(project.get());
            return;
        }
        NewSong.Material from = NewSong.Material.of(paths);
        boolean empty = editor.now().sources().isEmpty();
        if (empty && !from.files().isEmpty()) {
            newSong(from);
            return;
        }
        Optional.ofNullable(from.midi()).ifPresent(this::takeForm);
        if (!from.files().isEmpty()) {
            add(from.files());
        }
    }

    /** Takes tempo, metre and sections from a MIDI file into the open song. */
    public void takeForm(Path midi) {
        jobs.start(
                "form",
                "Reading " + midi.getFileName(),
                (job, d) -> MidiTempo.read(midi),
                (MidiTempo.Form form) -> take(form));
    }

    private void take(MidiTempo.Form form) {
        FormFromMidi.Taken taken = FormFromMidi.of(editor.now(), form);
        if (editor.edit(taken.edit()) && !taken.unplaced().isEmpty()) {
            editor.problem()
                    .set(
                            "What was planned for "
                                    + String.join(", ", taken.unplaced())
                                    + " has no section in this form; undo brings it back.");
        }
    }

    private void add(List<Path> paths) {
        Path folder = kept.folder().orElse(Path.of("."));
        jobs.start(
                ADD,
                "Reading the stems",
                (job, design) -> brought(design, folder, paths, job),
                (b, design) -> {
                    stems.takeFiles(b.sources(), b.stems());
                    editor.edit(SourcesEdit.adding(editor.now(), b.sources()));
                    b.problems().stream().findFirst().ifPresent(editor.problem()::set);
                });
    }

    private static Brought brought(Design design, Path folder, List<Path> paths, Job job)
            throws orbispace.files.FileProblem {
        List<Path> files = StemFiles.gather(paths);
        StemFiles.Result read = StemFiles.read(files, design.song().sampleRateHz(), job);
        List<String> problems =
                files.stream().map(read.problems()::get).filter(Objects::nonNull).toList();
        if (read.stems().isEmpty()) {
            throw new orbispace.files.FileProblem(
                    problems.isEmpty()
                            ? "there is no sound file among what was brought"
                            : problems.getFirst());
        }
        Map<String, StemFiles.Stem> byId = new LinkedHashMap<>();
        List<Source> sources = NewSong.sources(read, folder, design.sources(), byId);
        return new Brought(
                List.copyOf(sources), new ProjectFolder.Stems(byId, Map.of(), Map.of()), problems);
    }

    private void take(ProjectFolder.Stems read) {
        stems.take(editor.now(), read);
        lay.run();
    }

    /** Reads the stems of sources that came in by an edit, such as one that was undone. */
    public void readUnread(Design design) {
        List<Source> unread = stems.unread(design);
        Optional<Path> folder = kept.folder();
        if (unread.isEmpty() || folder.isEmpty()) {
            return;
        }
        jobs.start(
                READ,
                "Reading the stems",
                (job, d) -> ProjectFolder.read(folder.get(), design, unread, job),
                (ProjectFolder.Stems read) -> {
                    take(read);
                    if (!read.problems().isEmpty()) {
                        editor.problem().set(missingWords(read.problems()));
                    }
                });
    }

    /** Gives a source another file. */
    public void relink(Source source, Path file) {
        Path folder = kept.folder().orElse(Path.of("."));
        stems.forgetMissing(source);
        editor.edit(
                SourcesEdit.of(
                        editor.now(), source.withFile(Relocation.path(file, folder)), "file"));
    }

    /**
     * Looks for all missing stems in a folder and those inside it.
     *
     * @return how many were found
     */
    public int relinkFrom(Path folder) {
        Design design = editor.now();
        Map<String, Path> found = new LinkedHashMap<>();
        for (Source source : design.sources()) {
            if (stems.missing().containsKey(source.id())) {
                String name = String.valueOf(Path.of(source.file()).getFileName());
                ProjectFolder.search(folder, name).ifPresent(p -> found.put(source.id(), p));
            }
        }
        Path home = kept.folder().orElse(Path.of("."));
        found.keySet().forEach(id -> design.findSource(id).ifPresent(stems::forgetMissing));
        if (!found.isEmpty()) {
            editor.edit(
                    new SourcesEdit(
                            Relocation.found(design, found, home).sources(), "files of stems"));
        }
        return found.size();
    }
}
