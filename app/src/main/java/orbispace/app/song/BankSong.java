package orbispace.app.song;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import orbispace.core.audio.Audio;
import orbispace.core.bank.BankEntry;
import orbispace.core.bank.Keeping;
import orbispace.core.bank.Laying;
import orbispace.core.bank.Manner;
import orbispace.core.bank.SongEvents;
import orbispace.core.design.Design;
import orbispace.core.design.Return;
import orbispace.core.draft.SongFacts;
import orbispace.core.material.StemFacts;
import orbispace.core.prove.court.Court;
import orbispace.core.prove.court.Passed;
import orbispace.core.render.Job;
import orbispace.core.render.Renderer;
import orbispace.files.FileProblem;
import orbispace.files.project.FactsCache;
import orbispace.files.project.ProjectFile;
import orbispace.files.project.ProjectFolder;

/** Keeps the field of a song as relations, and lays kept ones on it, without a window. */
public final class BankSong {
    private static final int BAR = 1;

    private final Design design;
    private final MeasuredSong song;
    private final SongEvents events;
    private final Job job;

    /** Measures a song as far as it is not known. */
    public BankSong(Design design, ProjectFolder.Stems stems, FactsCache cache, Job job) {
        this.design = design;
        this.job = job;
        song = MeasuredSong.of(design, stems, cache, job);
        events = events(design, song);
    }

    private static SongEvents events(Design design, MeasuredSong song) {
        return events(design, song.facts(), song.material().audio());
    }

    /** What relations relate to in a song whose stems are known. */
    public static SongEvents events(
            Design design, Map<String, StemFacts> stems, Map<String, Audio> audio) {
        return new SongEvents(
                design, stems, SongFacts.of(design, stems, BAR).listening(design, stems, audio));
    }

    /** The field of another project, as relations. */
    public static BankEntry field(Path project, FactsCache cache, Job job) throws FileProblem {
        Design other = ProjectFile.read(project).design();
        if (other.returns().isEmpty()) {
            throw new FileProblem(project + ": has no return");
        }
        Path folder = Objects.requireNonNull(project.toAbsolutePath().getParent());
        ProjectFolder.Stems stems = ProjectFolder.readStems(folder, other, job);
        return new BankSong(other, stems, cache, job).kept(other.song().title(), Optional.empty());
    }

    /** What is usually done in some finished projects. */
    public static BankEntry manner(List<Path> projects, FactsCache cache, Job job)
            throws FileProblem {
        List<BankEntry> songs = new ArrayList<>();
        for (Path finished : projects) {
            job.check();
            songs.add(field(finished, cache, job));
        }
        return Manner.of(songs);
    }

    /** All returns, or one, as an entry of a bank. */
    public BankEntry kept(String name, Optional<Return> one) {
        return Keeping.of(name, events, one.map(List::of).orElse(design.returns()));
    }

    /** An entry laid on the song, at the levels of the states that it asks. */
    public Passed laid(BankEntry entry) {
        Renderer renderer = song.renderer();
        Court court =
                new Court(
                        design,
                        ClearSong.heardDry(design, renderer, job),
                        renderer,
                        song.facts(),
                        job);
        return court.laid(Laying.of(entry, events));
    }

    /** A bank with an entry more, in place of one of the same name. */
    public static List<BankEntry> with(List<BankEntry> bank, BankEntry entry) {
        List<BankEntry> all = new ArrayList<>(bank);
        all.removeIf(e -> e.name().equalsIgnoreCase(entry.name()));
        all.add(entry);
        return all;
    }
}
