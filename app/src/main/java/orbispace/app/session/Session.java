package orbispace.app.session;

import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Executor;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.SimpleStringProperty;
import javafx.beans.property.StringProperty;
import orbispace.core.design.Design;
import orbispace.core.design.Edit;
import orbispace.core.design.Rebase;
import orbispace.core.design.Section;
import orbispace.core.design.Song;
import orbispace.core.render.SongMaterial;
import orbispace.core.time.SongClock;
import orbispace.core.time.Span;
import orbispace.files.FactsCache;
import orbispace.files.FileProblem;
import orbispace.files.ProjectFile;
import orbispace.files.Wording;
import org.jspecify.annotations.Nullable;

/**
 * The open project: its design and history, where it is kept, what is chosen, and the measuring and
 * listening that follow every change. Used on the interface thread only.
 */
public final class Session {
    static final String OPEN = "open";

    private static final String REST = "rest";
    private static final long REST_MILLIS = 200;

    private final Jobs jobs;
    private final Measurements measured;
    private final Transport transport = new Transport();
    private final KeptProject kept;
    private final SongStems stems = new SongStems();
    private final Bringing bringing;
    private final FormEditing form;
    private final FieldEditing field;
    private final Drafting drafting;
    private final Clearing clearing;
    private final Planning planning;
    private final Throwing throwing;
    private final LogKeeping log;
    private final Proving proving;
    private final Ears ears;
    private final HandingOver handingOver;
    private final UnitMeasuring units;
    private final Referencing references;
    private final Listening listening;
    private final Editing editing = new Editing(blank());
    private final ComparedPair pair = new ComparedPair(this, blank());
    private final Selection selection = new Selection();
    private final StringProperty problem =
            new SimpleStringProperty("") {
                @Override
                public void set(String words) {
                    super.set(Wording.oneLine(words));
                }
            };
    private final BooleanProperty wantsRemedies = new SimpleBooleanProperty(false);
    private SongMaterial material = new SongMaterial(Map.of(), 48000);
    private @Nullable Design givenUp;

    /**
     * An empty session.
     *
     * @param interfaceThread runs what changes its values
     * @param recent where opened projects are remembered
     * @param facts where what is measured of stems is kept
     */
    public Session(Executor interfaceThread, RecentProjects recent, FactsCache facts) {
        kept =
                new KeptProject(
                        blank(),
                        recent,
                        e ->
                                interfaceThread.execute(() ->
                                        problem.set("Changes are not kept: " + e.getMessage())));
        jobs = new Jobs(interfaceThread);
        measured = new Measurements(jobs, new Survey(jobs, facts, problem::set), problem::set);
        bringing = new Bringing(this, stems);
        form = new FormEditing(this);
        field = new FieldEditing(this);
        drafting = new Drafting(this);
        clearing = new Clearing(this);
        planning = new Planning(this);
        throwing = new Throwing(this);
        log = new LogKeeping(this, kept, Clock.systemUTC());
        proving = new Proving(this, log, Clock.systemUTC());
        ears = new Ears(transport, measured, recent, Clock.systemUTC());
        handingOver = new HandingOver(this);
        units = new UnitMeasuring(this);
        references = new Referencing(this, kept);
        listening = new Listening(transport, measured, pair, references, this::span);
        selection.section().addListener((o, was, is) -> sectionChosen());
        wantsRemedies.addListener((o, was, is) -> measure());
    }

    static Design blank() {
        Song song = new Song("Untitled", 48000, SongClock.constant(120, 4, 4), List.of());
        return new Design(song, List.of(), List.of());
    }

    /** The design as it stands. */
    public ReadOnlyObjectProperty<Design> design() {
        return editing.design();
    }

    /** The two designs that are heard against each other. */
    public ComparedPair pair() {
        return pair;
    }

    /** Where the project is kept; null before it is. */
    public ReadOnlyObjectProperty<@Nullable Path> file() {
        return kept.file();
    }

    /** What is chosen. */
    public Selection selection() {
        return selection;
    }

    /** One line about what went wrong last; empty for nothing. */
    public StringProperty problem() {
        return problem;
    }

    /** What undo takes back; empty for nothing. */
    public ReadOnlyStringProperty undoLabel() {
        return editing.undoLabel();
    }

    /** What redo brings back; empty for nothing. */
    public ReadOnlyStringProperty redoLabel() {
        return editing.redoLabel();
    }

    /** Whether there are changes that are not saved. */
    public ReadOnlyBooleanProperty dirty() {
        return editing.dirty();
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

    /** Bringing stems, finding missing ones, taking up what a crash left. */
    public Bringing bringing() {
        return bringing;
    }

    /** Adding, moving and removing returns, and what they are. */
    public FieldEditing field() {
        return field;
    }

    /** Keeping a source clear. */
    public Clearing clearing() {
        return clearing;
    }

    /** The field over the song's sections. */
    public Planning planning() {
        return planning;
    }

    /** What was listened to, for the ears' sake. */
    public Ears ears() {
        return ears;
    }

    /** The log and the snapshots. */
    public LogKeeping log() {
        return log;
    }

    /** Findings and blind trials. */
    public Proving proving() {
        return proving;
    }

    /** Throwing words. */
    public Throwing throwing() {
        return throwing;
    }

    /** Drafting whole fields. */
    public Drafting drafting() {
        return drafting;
    }

    /** Changing sections, tempo and metre. */
    public FormEditing form() {
        return form;
    }

    /** The recall sheet and the hand-over. */
    public HandingOver handingOver() {
        return handingOver;
    }

    /** Finished tracks that the mix is held against. */
    public Referencing references() {
        return references;
    }

    /** Measuring units. */
    public UnitMeasuring units() {
        return units;
    }

    /** Listening. */
    public Transport transport() {
        return transport;
    }

    /** Projects opened before. */
    public RecentProjects recent() {
        return kept.recent();
    }

    /** The chosen stretch of the song. */
    public Span span() {
        Section chosen = selection.section().get();
        Design now = editing.design().get();
        return chosen == null ? new Span(0, songSeconds()) : now.song().span(chosen);
    }

    /** Length of the song in seconds: its stems, or its sections where they are longer. */
    public double songSeconds() {
        return measured.songSeconds(editing.design().get());
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
     * Makes a change that was proposed; the log will say why.
     *
     * @return false if it was refused
     */
    public boolean edit(Edit edit, String why) {
        log.log();
        boolean taken = edit(edit);
        if (taken) {
            log.because(why);
        }
        return taken;
    }

    /**
     * Makes a change that belongs to a gesture; it is heard at once and measured when the hand
     * rests, or by {@link #settle}.
     */
    public boolean drag(Edit edit, Object gesture) {
        boolean taken = apply(edit, gesture);
        if (taken) {
            jobs.after(REST, REST_MILLIS, this::measure);
        }
        return taken;
    }

    /** Ends a gesture: what it changed is measured at once. */
    public void settle() {
        jobs.cancel(REST);
        measure();
    }

    private boolean apply(Edit edit, @Nullable Object gesture) {
        log.tellReason();
        try {
            editing.apply(edit, gesture);
            problem.set("");
            changed();
            return true;
        } catch (IllegalArgumentException e) {
            problem.set(String.valueOf(e.getMessage()));
            return false;
        }
    }

    /** Takes the last step back. */
    public void undo() {
        editing.undo();
        changed();
        measure();
    }

    /** Brings the last undone step back. */
    public void redo() {
        editing.redo();
        changed();
        measure();
    }

    /**
     * Takes what was worked out in the background for a design as one step: laid over the design as
     * it stands, so that what was done meanwhile stays.
     *
     * @param base the design that it was worked out for
     * @param why the log will say it
     * @return false if both changed the same number; {@link #problem} then says which
     */
    boolean adopt(Design base, Design made, String label, String why) {
        try {
            Design result = Rebase.onto(design().get(), base, made);
            log.log();
            replace(result, label);
            log.because(why);
            return true;
        } catch (IllegalArgumentException e) {
            problem.set("Not taken over (" + label + "): " + e.getMessage() + "; ask again.");
            return false;
        }
    }

    /** Takes another design as a step of its own. */
    void replace(Design other, String label) {
        log.tellReason();
        editing.replace(other, label);
        changed();
        measure();
    }

    /** What has to follow every change of the design: state kept, stems laid, sound. */
    private void changed() {
        Design now = editing.design().get();
        selection.follow(now);
        field.unsettle();
        pair.changed();
        clearing.changed();
        log.changed();
        if (bringing.recovered().get() != null) {
            kept.setStateAside();
        }
        kept.keepState(now);
        bringing.readUnread(now);
        layStems();
        listening.hear();
    }

    /** Lays the stems as the design has them, if that has changed, and surveys what is new. */
    void layStems() {
        Design now = editing.design().get();
        if (stems.laidOtherwise(now)) {
            material = stems.material(now);
            transport.renew(material);
            measured.renew(material);
            listening.hear();
        }
        measured.survey().update(now, stems, material, this::measure);
    }

    /** Measures what has changed, or depends on another choice. */
    void measure() {
        measured.update(
                editing.design().get(),
                pair,
                span(),
                wantsRemedies.get() ? Optional.of(clearing.barred().get()) : Optional.empty(),
                clearing,
                () -> field.measureDepths(material));
    }

    /**
     * Another section is chosen, or a hand moves its edges; then the rest of the hand is awaited.
     */
    private void sectionChosen() {
        listening.loop();
        if (!jobs.awaits(REST)) {
            measure();
        }
    }

    /** Repeats a stretch of its own, such as a phrase, until the section or the loop is changed. */
    public void loopOver(Span span) {
        listening.loopOver(span);
    }

    /** Opens a project in the background; a failure leaves what is open as it is. */
    public void open(Path path) {
        jobs.start(
                OPEN,
                "Opening " + path.getFileName(),
                job -> KeptProject.read(path, job),
                opened -> {
                    begin(opened);
                    bringing.opened(opened);
                },
                this::failed);
    }

    /** Opens the demo song, making it first if it is not kept. */
    public void openDemo() {
        jobs.start(
                OPEN,
                "Making the demo song",
                job -> DemoFiles.project(job::report),
                this::open,
                this::failed);
    }

    /** Starts a new project from material that was read, not yet kept anywhere. */
    public void begin(NewSong song) {
        begin(
                new KeptProject.Opened(
                        ProjectFile.of(song.design()),
                        song.design(),
                        song.stems(),
                        null,
                        song.folder(),
                        Optional.empty()));
        song.problems().stream().findFirst().ifPresent(problem::set);
    }

    void failed(Exception e) {
        problem.set(String.valueOf(e.getMessage()));
    }

    private void begin(KeptProject.Opened opened) {
        Design given = opened.design();
        jobs.endSong();
        leave();
        kept.begin(opened);
        bringing.begin();
        stems.begin(given, opened.stems());
        material = stems.material(given);
        problem.set("");
        opened.stems().responses().problems().values().stream().findFirst().ifPresent(problem::set);
        pair.begin(given);
        selection.begin(given);
        clearing.begin();
        planning.begin();
        drafting.close();
        form.begin();
        field.begin();
        throwing.begin();
        log.begin(given);
        proving.begin();
        references.begin();
        units.begin();
        transport.hearingBefore().set(false);
        transport.begin(material);
        measured.survey().clear();
        measured.begin(material);
        editing.begin(given, opened.file() != null && given.equals(opened.project().design()));
        measured.survey().update(given, stems, material, this::measure);
        listening.hear();
        List<Section> sections = given.song().sections();
        selection
                .section()
                .set(sections.isEmpty() ? null : sections.get(sections.size() > 1 ? 1 : 0));
    }

    /** Forgets the state kept beside the project. */
    void dropState() {
        kept.dropState();
    }

    /** Nobody will miss the changes that were made so far; those that are made from now on, yes. */
    public void giveUp() {
        givenUp = design().get();
    }

    /** The open song is left: its log is whole, and a state that nobody misses goes. */
    private void leave() {
        log.log();
        boolean missed = dirty().get() && !design().get().equals(givenUp);
        if (!missed && bringing.recovered().get() == null) {
            dropState();
        }
        givenUp = null;
    }

    /** The folder in which the stems are looked for; empty before a project is open. */
    public Optional<Path> folder() {
        return kept.folder();
    }

    /** The sound of the open project. */
    public Optional<SongMaterial> material() {
        return measured.renderer().map(r -> r.material());
    }

    /** The stems of the open song. */
    public SongStems stems() {
        return stems;
    }

    /**
     * Saves; what is open stays as it is if that fails.
     *
     * @return whether it was written; {@link #problem} says why not
     */
    public boolean save(Path path) {
        try {
            kept.save(path, editing.design().get());
            editing.markSaved();
            problem.set("");
            return true;
        } catch (FileProblem e) {
            problem.set(String.valueOf(e.getMessage()));
            return false;
        }
    }

    /** Stops the background work and the sound; nothing is kept of a project that is saved. */
    public void close() {
        leave();
        jobs.close();
        transport.close();
        kept.close();
    }
}
