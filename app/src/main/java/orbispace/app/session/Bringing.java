package orbispace.app.session;

import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import orbispace.core.design.Design;
import orbispace.core.design.Source;
import orbispace.core.design.SourcesEdit;
import orbispace.core.render.Job;
import orbispace.files.midi.MidiTempo;
import orbispace.files.project.Autosave;
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

    private final Session session;
    private final SongStems stems;
    private final ObjectProperty<Autosave.@Nullable Recovered> recovered =
            new SimpleObjectProperty<>();

    Bringing(Session session, SongStems stems) {
        this.session = session;
        this.stems = stems;
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
    void opened(KeptProject.Opened opened) {
        recovered.set(opened.recovered().orElse(null));
        if (!opened.stems().problems().isEmpty()) {
            session.problem().set(missingWords(opened.stems().problems()));
        } else if (!opened.stems().found().isEmpty()) {
            session.problem()
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
            session.replace(found.design(), "recover changes");
        }
    }

    /** Leaves the changes that a crash left for good. */
    public void leaveRecovered() {
        recovered.set(null);
        session.dropState();
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
        session.jobs()
                .start(
                        Session.OPEN,
                        "Reading the stems",
                        job -> NewSong.from(from, job),
                        session::begin,
                        session::failed);
    }

    /**
     * Takes what was dropped or chosen: a project is opened, a MIDI file gives tempo and form,
     * sound files and folders become stems, of the open song or of a new one.
     */
    public void bring(List<Path> paths) {
        Optional<Path> project = paths.stream().filter(p -> named(p, ".json")).findFirst();
        if (project.isPresent()) {
            session.open(project.get());
            return;
        }
        NewSong.Material from = NewSong.Material.of(paths);
        boolean empty = session.design().get().sources().isEmpty();
        if (empty && !from.files().isEmpty()) {
            newSong(from);
            return;
        }
        Optional.ofNullable(from.midi()).ifPresent(this::takeForm);
        if (!from.files().isEmpty()) {
            add(from.files());
        }
    }

    /** A MIDI file among paths, or directly in a folder among them. */
    static Optional<Path> midiAmong(List<Path> paths) {
        List<Path> found = new ArrayList<>();
        for (Path path : paths) {
            if (isMidi(path)) {
                found.add(path);
            } else if (Files.isDirectory(path)) {
                try (var inside = Files.list(path)) {
                    inside.filter(Bringing::isMidi).sorted().forEach(found::add);
                } catch (java.io.IOException e) {
                    // The folder is searched for sound next, which says what is wrong with it.
                    return Optional.empty();
                }
            }
        }
        return found.stream().findFirst();
    }

    static boolean isMidi(Path path) {
        return named(path, ".mid") || named(path, ".midi");
    }

    private static boolean named(Path path, String suffix) {
        return String.valueOf(path.getFileName())
                .toLowerCase(java.util.Locale.ROOT)
                .endsWith(suffix);
    }

    /** Takes tempo, metre and sections from a MIDI file into the open song. */
    public void takeForm(Path midi) {
        session.jobs()
                .start(
                        "form",
                        "Reading " + midi.getFileName(),
                        job -> MidiTempo.read(midi),
                        this::take,
                        session::failed);
    }

    private void take(MidiTempo.Form form) {
        FormFromMidi.Taken taken = FormFromMidi.of(session.design().get(), form);
        if (session.edit(taken.edit()) && !taken.unplaced().isEmpty()) {
            session.problem()
                    .set(
                            "What was planned for "
                                    + String.join(", ", taken.unplaced())
                                    + " has no section in this form; undo brings it back.");
        }
    }

    private void add(List<Path> paths) {
        Design design = session.design().get();
        Path folder = session.folder().orElse(Path.of("."));
        session.jobs()
                .start(
                        ADD,
                        "Reading the stems",
                        job -> brought(design, folder, paths, job),
                        b -> {
                            stems.takeFiles(b.sources(), b.stems());
                            session.edit(SourcesEdit.adding(session.design().get(), b.sources()));
                            b.problems().stream().findFirst().ifPresent(session.problem()::set);
                        },
                        session::failed);
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
        stems.take(session.design().get(), read);
        session.layStems();
    }

    /** Reads the stems of sources that came in by an edit, such as one that was undone. */
    void readUnread(Design design) {
        List<Source> unread = stems.unread(design);
        Optional<Path> folder = session.folder();
        if (unread.isEmpty() || folder.isEmpty()) {
            return;
        }
        session.jobs()
                .start(
                        READ,
                        "Reading the stems",
                        job -> ProjectFolder.read(folder.get(), design, unread, job),
                        read -> {
                            take(read);
                            if (!read.problems().isEmpty()) {
                                session.problem().set(missingWords(read.problems()));
                            }
                        },
                        session::failed);
    }

    /** Gives a source another file. */
    public void relink(Source source, Path file) {
        Path folder = session.folder().orElse(Path.of("."));
        stems.forgetMissing(source);
        session.edit(
                SourcesEdit.of(
                        session.design().get(),
                        source.withFile(Relocation.path(file, folder)),
                        "file"));
    }

    /**
     * Looks for all missing stems in a folder and those inside it.
     *
     * @return how many were found
     */
    public int relinkFrom(Path folder) {
        Design design = session.design().get();
        Map<String, Path> found = new LinkedHashMap<>();
        for (Source source : design.sources()) {
            if (stems.missing().containsKey(source.id())) {
                String name = String.valueOf(Path.of(source.file()).getFileName());
                ProjectFolder.search(folder, name).ifPresent(p -> found.put(source.id(), p));
            }
        }
        Path home = session.folder().orElse(Path.of("."));
        found.keySet().forEach(id -> design.findSource(id).ifPresent(stems::forgetMissing));
        if (!found.isEmpty()) {
            session.edit(
                    new SourcesEdit(
                            Relocation.found(design, found, home).sources(), "files of stems"));
        }
        return found.size();
    }
}
