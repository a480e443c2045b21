package orbispace.app.session;

import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Executor;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.StringProperty;
import orbispace.core.design.Design;
import orbispace.core.design.Edit;
import orbispace.core.design.Section;
import orbispace.core.design.Song;
import orbispace.core.render.SongMaterial;
import orbispace.core.time.SongClock;
import orbispace.core.time.Span;
import orbispace.files.FileProblem;
import orbispace.files.project.FactsCache;
import orbispace.files.project.ProjectFile;
import org.jspecify.annotations.Nullable;

/**
 * The open project: its design and history, where it is kept, what is chosen, and the measuring and
 * listening that follow every change. Used on the interface thread only.
 */
public final class Session {
    static final String OPEN = "open";

    private final List<OfSong> ofSong = new ArrayList<>();
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
    private final Changes changes;
    private final Proving proving;
    private final Ears ears;
    private final HandingOver handingOver;
    private final UnitMeasuring units;
    private final Referencing references;
    private final Listening listening;
    private final Editing editing = new Editing(blank());
    private final ComparedPair pair;
    private final Selection selection;
    private final StringProperty problem = new OneLine();
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
        pair = ofSong(new ComparedPair(this, blank()));
        selection = ofSong(new Selection());
        kept =
                new KeptProject(
                        blank(),
                        recent,
                        e ->
                                interfaceThread.execute(() ->
                                        problem.set("Changes are not kept: " + e.getMessage())));
        jobs = new Jobs(interfaceThread);
        measured = new Measurements(jobs, new Survey(jobs, facts, problem::set), problem::set);
        bringing = ofSong(new Bringing(this, stems));
        form = ofSong(new FormEditing(this));
        field = ofSong(new FieldEditing(this));
        drafting = ofSong(new Drafting(this));
        clearing = ofSong(new Clearing(this));
        planning = ofSong(new Planning(this));
        throwing = ofSong(new Throwing(this));
        log = ofSong(new LogKeeping(this, kept, Clock.systemUTC()));
        changes = new Changes(editing, log, jobs, problem, this::changed, this::measure);
        proving = ofSong(new Proving(this, log, Clock.systemUTC()));
        ears = new Ears(transport, measured, recent, Clock.systemUTC());
        handingOver = new HandingOver(this);
        units = ofSong(new UnitMeasuring(this));
        references = ofSong(new Referencing(this, kept));
        listening = new Listening(transport, measured, pair, references, this::span);
        selection.section().addListener((o, was, is) -> sectionChosen());
        wantsRemedies.addListener((o, was, is) -> measure());
    }

    /** What begins and ends with a song stands in one list; it comes into it as it is made. */
    private <T extends OfSong> T ofSong(T part) {
        ofSong.add(part);
        return part;
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
        return changes.edit(edit);
    }

    /**
     * Makes a change that was proposed; the log will say why.
     *
     * @return false if it was refused
     */
    public boolean edit(Edit edit, String why) {
        return changes.edit(edit, why);
    }

    /**
     * Makes a change that belongs to a gesture; it is heard at once and measured when the hand
     * rests, or by {@link #settle}.
     */
    public boolean drag(Edit edit, Object gesture) {
        return changes.drag(edit, gesture);
    }

    /** Ends a gesture: what it changed is measured at once. */
    public void settle() {
        changes.settle();
    }

    /** Takes the last step back. */
    public void undo() {
        changes.undo();
    }

    /** Brings the last undone step back. */
    public void redo() {
        changes.redo();
    }

    /** Takes what was worked out in the background, as {@link Changes#adopt} says. */
    boolean adopt(Design base, Design made, String label, String why) {
        return changes.adopt(base, made, label, why);
    }

    /** Takes another design as a step of its own. */
    void replace(Design other, String label) {
        changes.replace(other, label);
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
        if (!jobs.awaits(Changes.REST)) {
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
        stems.begin(given, opened.stems());
        material = stems.material(given);
        problem.set("");
        opened.stems().responses().problems().values().stream().findFirst().ifPresent(problem::set);
        ofSong.forEach(part -> part.begin(given));
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
