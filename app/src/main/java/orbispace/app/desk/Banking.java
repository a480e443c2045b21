package orbispace.app.desk;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.SimpleStringProperty;
import javafx.beans.property.StringProperty;
import orbispace.app.measuring.Drafting;
import orbispace.app.measuring.Measurements;
import orbispace.app.session.Editor;
import orbispace.app.session.Jobs;
import orbispace.app.session.OfSong;
import orbispace.app.song.BankSong;
import orbispace.app.song.ClearSong;
import orbispace.app.song.OwnPlace;
import orbispace.core.bank.BankEntry;
import orbispace.core.bank.Keeping;
import orbispace.core.bank.Laying;
import orbispace.core.bank.SongEvents;
import orbispace.core.design.Design;
import orbispace.core.design.Purpose;
import orbispace.core.design.Purposes;
import orbispace.core.design.Return;
import orbispace.core.material.StemFacts;
import orbispace.core.prove.court.Court;
import orbispace.core.prove.court.Passed;
import orbispace.core.render.Job;
import orbispace.core.render.Renderer;
import orbispace.files.FileProblem;
import orbispace.files.project.BankFile;
import orbispace.files.project.FactsCache;

/**
 * Keeps returns and fields as relations, and lays kept ones, another project's, or what is usually
 * done, on the song. What is laid is shown as a draft is: with its reasons, to be adopted or not.
 */
public final class Banking implements OfSong {
    private final Editor editor;
    private final Jobs jobs;
    private final Measurements measured;
    private final Drafting drafting;
    private final Benching bench;
    private final FactsCache facts;
    private final StringProperty said = new SimpleStringProperty("");
    private Path file = OwnPlace.bank();

    /** A bank for the returns of a song. */
    public Banking(
            Editor editor,
            Jobs jobs,
            Measurements measured,
            Drafting drafting,
            Benching bench,
            FactsCache facts) {
        this.editor = editor;
        this.jobs = jobs;
        this.measured = measured;
        this.drafting = drafting;
        this.bench = bench;
        this.facts = facts;
    }

    @Override
    public void begin(Design given) {
        said.set("");
    }

    /** What was kept last, and where; empty for nothing. */
    public ReadOnlyStringProperty said() {
        return said;
    }

    /** The bank that is kept into. */
    public Path file() {
        return file;
    }

    /** Keeps into another bank from now on; it is made with the first that is kept. */
    public void use(Path bank) {
        file = bank;
    }

    /** What is in the engineer's own bank; a file that cannot be read is said and left alone. */
    public List<BankEntry> own() {
        try {
            return Files.exists(file) ? BankFile.read(file) : List.of();
        } catch (FileProblem e) {
            editor.failed(e);
            return List.of();
        }
    }

    /** Everything that can be laid, the engineer's own first. */
    public List<BankEntry> entries() {
        List<BankEntry> all = new java.util.ArrayList<>(own());
        all.addAll(BankFile.startingPoints());
        return all;
    }

    /** Single returns in it that are for the same as the return on the bench. */
    public List<BankEntry> forBench() {
        Design now = editor.now();
        Optional<Purpose> purpose =
                now.findReturn(bench.returnId().get()).map(r -> Purposes.of(now, r));
        return entries().stream()
                .filter(e -> !e.isField() && !e.returns().isEmpty())
                .filter(e -> purpose.equals(Optional.of(e.returns().getFirst().purpose())))
                .toList();
    }

    /** What relations relate to, worked out in a job. */
    private SongEvents events(Design design, Renderer renderer, Map<String, StemFacts> stems) {
        return BankSong.events(design, stems, renderer.material().audio());
    }

    private Map<String, StemFacts> stems() {
        Map<String, StemFacts> stems = new HashMap<>();
        measured.materials().forEach((id, m) -> stems.put(id, m.facts()));
        return stems;
    }

    /** Keeps a return under its name, or the whole field under the song's. */
    public void keep(Optional<Return> one) {
        Optional<Renderer> renderer = measured.renderer();
        List<Return> returns = one.map(List::of).orElse(editor.now().returns());
        if (renderer.isEmpty() || returns.isEmpty()) {
            editor.problem().set("There is no return to keep.");
            return;
        }
        Map<String, StemFacts> stems = stems();
        Path to = file;
        jobs.start(
                "bank",
                "Keeping as relations",
                (job, d) -> {
                    String name = one.map(Return::name).orElse(d.song().title());
                    BankEntry entry = Keeping.of(name, events(d, renderer.get(), stems), returns);
                    List<BankEntry> there = Files.exists(to) ? BankFile.read(to) : List.of();
                    Path folder = to.toAbsolutePath().getParent();
                    if (folder != null) {
                        Files.createDirectories(folder);
                    }
                    BankFile.write(to, BankSong.with(there, entry));
                    return entry;
                },
                kept -> said.set("Kept \u201c" + kept.name() + "\u201d in " + to.getFileName()));
    }

    /** Where an entry comes from. */
    private interface Source {
        BankEntry entry(Job job) throws FileProblem;
    }

    /** Lays an entry on the song and shows it. */
    public void lay(BankEntry entry) {
        lay("Laying " + entry.name(), job -> entry);
    }

    /** Lays the field of another project. */
    public void layFrom(Path project) {
        lay("Measuring " + project.getFileName(), job -> BankSong.field(project, facts, job));
    }

    /** Lays what is usually done in some finished projects. */
    public void layManner(List<Path> projects) {
        lay("Learning from finished songs", job -> BankSong.manner(projects, facts, job));
    }

    private void lay(String words, Source source) {
        Optional<Renderer> renderer = measured.renderer();
        if (renderer.isEmpty()) {
            editor.problem().set("A song with stems is needed to lay a field on.");
            return;
        }
        Map<String, StemFacts> stems = stems();
        Renderer given = renderer.get();
        jobs.start(
                "bank",
                words,
                (job, d) -> {
                    BankEntry entry = source.entry(job);
                    Passed laid =
                            new Court(d, ClearSong.heardDry(d, given, job), given, stems, job)
                                    .laid(Laying.of(entry, events(d, given, stems)));
                    if (laid.verdicts().isEmpty()) {
                        throw new FileProblem("Nothing of " + entry.name() + " fits this song.");
                    }
                    return Drafting.Drafted.of(laid, job);
                },
                laid -> drafting.show(List.of(laid)));
    }

    /** Lays a single return and puts it on the bench. */
    public void toBench(BankEntry entry) {
        Optional<Renderer> renderer = measured.renderer();
        if (renderer.isEmpty()) {
            return;
        }
        Map<String, StemFacts> stems = stems();
        jobs.start(
                "bank",
                "Laying " + entry.name(),
                (job, d) -> Laying.of(entry, events(d, renderer.get(), stems)).returns(),
                laid -> {
                    if (laid.isEmpty()) {
                        editor.problem().set("Nothing of " + entry.name() + " fits this song.");
                    } else {
                        bench.put(entry.name(), laid.getFirst());
                    }
                });
    }
}
