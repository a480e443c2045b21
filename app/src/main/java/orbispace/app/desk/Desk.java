package orbispace.app.desk;

import java.time.Clock;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executor;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.SimpleBooleanProperty;
import orbispace.app.measuring.Measurements;
import orbispace.app.measuring.Referencing;
import orbispace.app.session.Bringing;
import orbispace.app.session.Editor;
import orbispace.app.session.Jobs;
import orbispace.app.session.KeptProject;
import orbispace.app.session.LogKeeping;
import orbispace.app.session.OfSong;
import orbispace.app.session.Opening;
import orbispace.app.session.RecentProjects;
import orbispace.app.session.Selection;
import orbispace.app.session.Stretch;
import orbispace.core.design.Design;
import orbispace.core.design.Section;
import orbispace.files.project.FactsCache;

/**
 * Where everything that works on a song is put together: what each part needs is handed to it here,
 * and nowhere else. The window takes from it the model of each screen. Used on the interface thread
 * only.
 */
public final class Desk {
    private final List<OfSong> ofSong = new ArrayList<>();
    private final OpenSong song;
    private final Editor editor;
    private final Selection selection;
    private final Jobs jobs;
    private final Measurements measured;
    private final LogKeeping log;
    private final Opening opening;
    private final Bringing bringing;
    private final FormEditing form;
    private final FieldEditing field;
    private final OrbitParts orbit;
    private final Leading leading;
    private final Clearing clearing;
    private final Planning planning;
    private final Throwing throwing;
    private final Proving proving;
    private final OwnEars own;
    private final Referencing references;
    private final HandingOver handingOver;
    private final UnitMeasuring units;
    private final PartMatching matching;
    private final Widths widths;
    private final Elsewhere elsewhere;
    private final Listening listening;
    private final BooleanProperty wantsRemedies = new SimpleBooleanProperty(false);
    private final Leaving leaving;

    /**
     * A desk with no song on it.
     *
     * @param interfaceThread runs what changes its values
     * @param recent where opened projects are remembered
     * @param facts where what is measured of stems is kept
     */
    public Desk(Executor interfaceThread, RecentProjects recent, FactsCache facts) {
        song = new OpenSong(interfaceThread, recent, facts, this::pairChanged, this::measure);
        editor = song.editor();
        selection = ofSong(song.selection());
        jobs = song.jobs();
        measured = song.measured();
        ofSong(song.pair());
        log = ofSong(song.log());
        Stretch stretch = song.stretch();
        opening = new Opening(editor, jobs, song.kept(), this::begin);
        bringing =
                ofSong(
                        new Bringing(
                                editor,
                                jobs,
                                song.kept(),
                                song.stems(),
                                facts,
                                opening,
                                this::layStems,
                                this::songMade));
        form = ofSong(new FormEditing(editor, selection, stretch, jobs, measured.survey()));
        field = new FieldEditing(editor, selection, jobs, measured, song.kept(), song.stems());
        orbit = OrbitParts.of(song, facts);
        orbit.all().forEach(this::ofSong);
        leading = ofSong(new Leading(editor, jobs, measured));
        Runnable measure = this::measure;
        clearing =
                ofSong(
                        new Clearing(
                                editor, selection, stretch, jobs, measured, song.pair(), measure));
        planning = ofSong(new Planning(editor, selection, jobs, measured, clearing));
        throwing = ofSong(throwing(stretch));
        proving = ofSong(new Proving(song, throwing, Clock.systemUTC()));
        references = ofSong(new Referencing(editor, stretch, jobs, measured, song.kept()));
        handingOver = new HandingOver(editor, stretch, jobs, measured, proving, song.stems());
        units = ofSong(new UnitMeasuring(editor, jobs, song.kept(), field));
        matching = ofSong(new PartMatching(song));
        widths = ofSong(new Widths(song));
        elsewhere = ofSong(new Elsewhere(song, clearing));
        own = ofSong(new OwnEars(song, proving, Clock.system(ZoneId.systemDefault())));
        listening = new Listening(song, matching, references, orbit.bench(), own);
        ofSong(song.sets());
        leaving = new Leaving(editor, log, song.kept(), bringing);
        listen();
    }

    private Throwing throwing(Stretch stretch) {
        Picking picking =
                new Picking(
                        editor, stretch, measured.survey(), clearing, song.transport().position());
        ThrowCourses courses =
                new ThrowCourses(editor, stretch, measured.survey(), song.stems(), picking);
        return new Throwing(editor, selection, stretch, jobs, measured, courses, clearing, picking);
    }

    private void listen() {
        editor.follow(new AfterChange(jobs, log, this::changed, this::measure));
        selection.section().addListener((o, was, is) -> sectionChosen());
        wantsRemedies.addListener((o, was, is) -> measure());
    }

    /** What begins and ends with a song stands in one list; it comes into it as it is made. */
    private <T extends OfSong> T ofSong(T part) {
        ofSong.add(part);
        return part;
    }

    /** What has to follow every change of the design: state kept, stems laid, sound. */
    private void changed() {
        Design now = editor.now();
        selection.follow(now);
        orbit.settling().forget();
        song.pair().changed();
        own.changed();
        clearing.changed();
        log.changed();
        if (bringing.recovered().get() != null) {
            song.kept().setStateAside();
        }
        song.kept().keepState(now);
        bringing.readUnread(now);
        layStems();
        listening.hear();
    }

    /** Something else is compared: what was said of the two is no more, nor what was tried. */
    private void pairChanged() {
        orbit.settling().forget();
        proving.pairChanged();
    }

    /** A song was made of stems: it is drafted as soon as they are measured. */
    private void songMade() {
        orbit.drafting().startWhenMeasured();
    }

    /** Lays the stems as the design has them, if that has changed, and surveys what is new. */
    private void layStems() {
        if (song.stems().lay(editor.now())) {
            song.transport().renew(song.stems().material());
            measured.renew(song.stems().material());
            listening.hear();
        }
        measured.survey().update(editor.now(), song.stems(), this::measure);
    }

    /** Measures what has changed, or depends on another choice. */
    private void measure() {
        measured.update(
                editor.now(),
                song.pair(),
                song.stretch().span(),
                wantsRemedies.get() ? Optional.of(clearing.barred().get()) : Optional.empty(),
                clearing,
                orbit.depths()::measure);
    }

    /**
     * Another section is chosen, or a hand moves its edges; then the rest of the hand is awaited.
     */
    private void sectionChosen() {
        listening.loop();
        if (!jobs.awaits(AfterChange.REST)) {
            measure();
        }
    }

    private void begin(KeptProject.Opened opened) {
        Design given = opened.design();
        jobs.endSong();
        leaving.leave();
        song.kept().begin(opened);
        song.stems().begin(given, opened.stems());
        editor.problem().set("");
        opened.stems().responses().problems().values().stream()
                .findFirst()
                .ifPresent(editor.problem()::set);
        ofSong.forEach(part -> part.begin(given));
        song.transport().hearingBefore().set(false);
        song.transport().begin(song.stems().material());
        measured.survey().clear();
        measured.begin(song.stems().material());
        editor.begin(given, opened.file() != null && given.equals(opened.project().design()));
        measured.survey().update(given, song.stems(), this::measure);
        listening.hear();
        List<Section> sections = given.song().sections();
        selection
                .section()
                .set(sections.isEmpty() ? null : sections.get(sections.size() > 1 ? 1 : 0));
        if (opened.file() != null) {
            bringing.opened(opened);
        }
    }

    /** Nobody will miss the changes that were made so far; those that are made from now on, yes. */
    public void giveUp() {
        leaving.giveUp();
    }

    /** Stops the background work and the sound; nothing is kept of a project that is saved. */
    public void close() {
        leaving.leave();
        jobs.close();
        song.transport().close();
        song.kept().close();
    }

    private ScreenModel.Common common() {
        return new ScreenModel.Common(
                editor, selection, song.stretch(), song.transport(), measured);
    }

    /** The model of the frame around the screens. */
    public FrameModel frame() {
        return new FrameModel(
                common(),
                jobs,
                opening,
                bringing,
                song.kept(),
                song.pair(),
                references,
                song.ears(),
                song.sets(),
                matching,
                orbit.bench(),
                this::giveUp);
    }

    /** The model of the Song screen. */
    public SongModel song() {
        return new SongModel(common(), form, song.stems(), leading);
    }

    /** The model of the Orbit. */
    public OrbitModel orbit() {
        return new OrbitModel(common(), field, orbit, song.pair(), units, jobs);
    }

    /** The model of the inspector of a return. */
    public ChainModel chain() {
        return new ChainModel(common(), field, orbit, units);
    }

    /** The model of the Clear screen. */
    public ClearModel clear() {
        return new ClearModel(common(), clearing, jobs, wantsRemedies);
    }

    /** The model of the Plan. */
    public PlanModel plan() {
        return new PlanModel(common(), planning, throwing, clearing);
    }

    /** The model of the Prove screen. */
    public ProveModel prove() {
        return new ProveModel(
                common(),
                song,
                proving,
                new ProveModel.Heard(matching, own),
                new ProveModel.Wide(widths, elsewhere),
                references);
    }

    /** The model of the Sheet. */
    public SheetModel sheet() {
        return new SheetModel(common(), handingOver, log, proving, jobs, song.kept(), song.stems());
    }
}
