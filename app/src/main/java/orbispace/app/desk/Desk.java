package orbispace.app.desk;

import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executor;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.SimpleBooleanProperty;
import orbispace.app.listen.Ears;
import orbispace.app.listen.Transport;
import orbispace.app.measuring.Drafting;
import orbispace.app.measuring.Measurements;
import orbispace.app.measuring.Referencing;
import orbispace.app.measuring.Survey;
import orbispace.app.session.Bringing;
import orbispace.app.session.ComparedPair;
import orbispace.app.session.Editor;
import orbispace.app.session.Jobs;
import orbispace.app.session.KeptProject;
import orbispace.app.session.LogKeeping;
import orbispace.app.session.OfSong;
import orbispace.app.session.Opening;
import orbispace.app.session.RecentProjects;
import orbispace.app.session.Selection;
import orbispace.app.session.SongStems;
import orbispace.app.session.Stretch;
import orbispace.core.design.Design;
import orbispace.core.design.Section;
import orbispace.files.project.FactsCache;
import org.jspecify.annotations.Nullable;

/**
 * Where everything that works on a song is put together: what each part needs is handed to it here,
 * and nowhere else. The window takes from it the model of each screen. Used on the interface thread
 * only.
 */
public final class Desk {
    private static final String REST = "rest";
    private static final long REST_MILLIS = 200;

    private final List<OfSong> ofSong = new ArrayList<>();
    private final Editor editor = new Editor();
    private final SongStems stems = new SongStems();
    private final Transport transport = new Transport();
    private final Selection selection = ofSong(new Selection());
    private final Stretch stretch = new Stretch(editor, selection, stems::seconds);
    private final KeptProject kept;
    private final Jobs jobs;
    private final Measurements measured;
    private final Ears ears;
    private final ComparedPair pair;
    private final LogKeeping log;
    private final Opening opening;
    private final Bringing bringing;
    private final FormEditing form;
    private final FieldEditing field;
    private final Drafting drafting;
    private final Clearing clearing;
    private final Planning planning;
    private final Throwing throwing;
    private final Proving proving;
    private final Referencing references;
    private final HandingOver handingOver;
    private final UnitMeasuring units;
    private final Listening listening;
    private final BooleanProperty wantsRemedies = new SimpleBooleanProperty(false);
    private @Nullable Design givenUp;

    /**
     * A desk with no song on it.
     *
     * @param interfaceThread runs what changes its values
     * @param recent where opened projects are remembered
     * @param facts where what is measured of stems is kept
     */
    public Desk(Executor interfaceThread, RecentProjects recent, FactsCache facts) {
        kept =
                new KeptProject(
                        editor.now(),
                        recent,
                        e ->
                                interfaceThread.execute(() ->
                                        editor.problem()
                                                .set("Changes are not kept: " + e.getMessage())));
        jobs = new Jobs(interfaceThread, editor);
        Survey survey = new Survey(jobs, facts, editor.problem()::set);
        measured = new Measurements(jobs, survey, editor.problem()::set);
        ears = new Ears(transport, measured.mix(), recent, Clock.systemUTC());
        pair = ofSong(new ComparedPair(editor, this::pairChanged, this::measure));
        log =
                ofSong(
                        new LogKeeping(
                                editor,
                                jobs,
                                kept,
                                pair,
                                measured.mix(),
                                ears::judged,
                                Clock.systemUTC()));
        opening = new Opening(editor, jobs, kept, this::begin);
        bringing = ofSong(new Bringing(editor, jobs, kept, stems, opening, this::layStems));
        form = ofSong(new FormEditing(editor, selection, stretch, jobs, survey));
        field = ofSong(new FieldEditing(editor, selection, jobs, measured, pair, kept, stems));
        drafting = ofSong(new Drafting(editor, selection, stretch, jobs, measured));
        clearing =
                ofSong(
                        new Clearing(
                                editor, selection, stretch, jobs, measured, pair, this::measure));
        planning = ofSong(new Planning(editor, selection, jobs, measured, clearing));
        Picking picking = new Picking(editor, stretch, survey, clearing, transport.position());
        throwing =
                ofSong(
                        new Throwing(
                                editor, selection, stretch, jobs, measured, stems, clearing,
                                picking));
        proving =
                ofSong(
                        new Proving(
                                editor,
                                jobs,
                                measured,
                                throwing,
                                pair,
                                transport,
                                log,
                                ears,
                                Clock.systemUTC()));
        references = ofSong(new Referencing(editor, stretch, jobs, measured, kept));
        handingOver = new HandingOver(editor, stretch, jobs, measured, proving, stems);
        units = ofSong(new UnitMeasuring(editor, jobs, kept, field));
        listening = new Listening(transport, measured.mix(), pair, references, stretch);
        editor.follow(following());
        selection.section().addListener((o, was, is) -> sectionChosen());
        wantsRemedies.addListener((o, was, is) -> measure());
    }

    /** What begins and ends with a song stands in one list; it comes into it as it is made. */
    private <T extends OfSong> T ofSong(T part) {
        ofSong.add(part);
        return part;
    }

    private Editor.Following following() {
        return new Editor.Following() {
            @Override
            public void beforeChange() {
                log.tellReason();
            }

            @Override
            public void changed() {
                Desk.this.changed();
            }

            @Override
            public void stays() {
                jobs.cancel(REST);
                measure();
            }

            @Override
            public void inHand() {
                jobs.after(REST, REST_MILLIS, Desk.this::measure);
            }

            @Override
            public void beforeProposal() {
                log.log();
            }

            @Override
            public void because(String why) {
                log.because(why);
            }
        };
    }

    /** What has to follow every change of the design: state kept, stems laid, sound. */
    private void changed() {
        Design now = editor.now();
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

    /** Something else is compared: what was said of the two is no more, nor what was tried. */
    private void pairChanged() {
        field.unsettle();
        proving.pairChanged();
    }

    /** Lays the stems as the design has them, if that has changed, and surveys what is new. */
    private void layStems() {
        if (stems.lay(editor.now())) {
            transport.renew(stems.material());
            measured.renew(stems.material());
            listening.hear();
        }
        measured.survey().update(editor.now(), stems, this::measure);
    }

    /** Measures what has changed, or depends on another choice. */
    private void measure() {
        measured.update(
                editor.now(),
                pair,
                stretch.span(),
                wantsRemedies.get() ? Optional.of(clearing.barred().get()) : Optional.empty(),
                clearing,
                field::measureDepths);
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

    private void begin(KeptProject.Opened opened) {
        Design given = opened.design();
        jobs.endSong();
        leave();
        kept.begin(opened);
        stems.begin(given, opened.stems());
        editor.problem().set("");
        opened.stems().responses().problems().values().stream()
                .findFirst()
                .ifPresent(editor.problem()::set);
        ofSong.forEach(part -> part.begin(given));
        transport.hearingBefore().set(false);
        transport.begin(stems.material());
        measured.survey().clear();
        measured.begin(stems.material());
        editor.begin(given, opened.file() != null && given.equals(opened.project().design()));
        measured.survey().update(given, stems, this::measure);
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
        givenUp = editor.now();
    }

    /** The open song is left: its log is whole, and a state that nobody misses goes. */
    private void leave() {
        log.log();
        boolean missed = editor.dirty().get() && !editor.now().equals(givenUp);
        if (!missed && bringing.recovered().get() == null) {
            kept.dropState();
        }
        givenUp = null;
    }

    /** Stops the background work and the sound; nothing is kept of a project that is saved. */
    public void close() {
        leave();
        jobs.close();
        transport.close();
        kept.close();
    }

    private ScreenModel.Common common() {
        return new ScreenModel.Common(editor, selection, stretch, transport, measured);
    }

    /** The model of the frame around the screens. */
    public FrameModel frame() {
        return new FrameModel(
                common(), jobs, opening, bringing, kept, pair, references, ears, this::giveUp);
    }

    /** The model of the Song screen. */
    public SongModel song() {
        return new SongModel(common(), form, stems);
    }

    /** The model of the Orbit. */
    public OrbitModel orbit() {
        return new OrbitModel(common(), field, drafting, pair, units, jobs);
    }

    /** The model of the inspector of a return. */
    public ChainModel chain() {
        return new ChainModel(common(), field, units);
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
        return new ProveModel(common(), proving, pair, log, references, ears, stems);
    }

    /** The model of the Sheet. */
    public SheetModel sheet() {
        return new SheetModel(common(), handingOver, log, proving, jobs, kept, stems);
    }
}
