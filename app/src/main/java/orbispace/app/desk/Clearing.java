package orbispace.app.desk;

import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.beans.property.SimpleStringProperty;
import javafx.beans.property.StringProperty;
import orbispace.app.measuring.Judged;
import orbispace.app.measuring.Measurements;
import orbispace.app.session.ComparedPair;
import orbispace.app.session.Editor;
import orbispace.app.session.Jobs;
import orbispace.app.session.OfSong;
import orbispace.app.session.Selection;
import orbispace.app.session.Stretch;
import orbispace.app.song.Material;
import orbispace.core.clear.CoverAnalysis;
import orbispace.core.clear.Diagnosis;
import orbispace.core.clear.EarLine;
import orbispace.core.clear.EarTable;
import orbispace.core.clear.EarWord;
import orbispace.core.clear.Question;
import orbispace.core.clear.RemedyFinder;
import orbispace.core.clear.Solution;
import orbispace.core.clear.Solver;
import orbispace.core.clear.room.DryRoom;
import orbispace.core.clear.room.RoomPlan;
import orbispace.core.design.Design;
import orbispace.core.design.Leads;
import orbispace.core.design.Setting;
import orbispace.core.design.Source;
import orbispace.core.design.Targets;
import orbispace.core.material.Phrases;
import org.jspecify.annotations.Nullable;

/** Keeping a source clear: who is judged, what is barred, ear words, and whole solutions. */
public final class Clearing implements OfSong, Judged {

    private final Editor editor;
    private final Selection selection;
    private final Stretch stretch;
    private final Jobs jobs;
    private final Measurements measured;
    private final ComparedPair pair;
    private final Runnable measure;
    private final Asking asking;
    private final StringProperty sourceId = new SimpleStringProperty("");
    private final ObjectProperty<Set<Setting>> barred = new SimpleObjectProperty<>(Set.of());
    private final ObjectProperty<@Nullable Diagnosis> diagnosis = new SimpleObjectProperty<>();
    private final ObjectProperty<@Nullable Solution> solution = new SimpleObjectProperty<>();

    private final ObjectProperty<@Nullable RoomPlan> room = new SimpleObjectProperty<>();
    private final ObjectProperty<@Nullable EarLine> earLine = new SimpleObjectProperty<>();

    /** Keeps a source of a song clear. */
    public Clearing(
            Editor editor,
            Selection selection,
            Stretch stretch,
            Jobs jobs,
            Measurements measured,
            ComparedPair pair,
            Runnable measure) {
        this.editor = editor;
        this.selection = selection;
        this.stretch = stretch;
        this.jobs = jobs;
        this.measured = measured;
        this.pair = pair;
        this.measure = measure;
        asking = new Asking(editor, this::source);
    }

    /** What is asked of it. */
    public Asking asking() {
        return asking;
    }

    @Override
    public Optional<Targets> targets(String returnId) {
        return asking.targets(returnId);
    }

    /** Id of the source that is judged; empty for the first lead. */
    public StringProperty sourceId() {
        return sourceId;
    }

    /** Remedies that are not to be proposed. */
    public ReadOnlyObjectProperty<Set<Setting>> barred() {
        return barred;
    }

    /** What the last ear word was answered; null for none. */
    public ReadOnlyObjectProperty<@Nullable Diagnosis> diagnosis() {
        return diagnosis;
    }

    /** What the solver did last; null for nothing. */
    public ReadOnlyObjectProperty<@Nullable Solution> solution() {
        return solution;
    }

    /** Bars a kind of remedy, or lets it in again. */
    public void bar(Setting kind, boolean out) {
        Set<Setting> now = EnumSet.noneOf(Setting.class);
        now.addAll(barred.get());
        if (out) {
            now.add(kind);
        } else {
            now.remove(kind);
        }
        barred.set(Set.copyOf(now));
        measure.run();
    }

    /** Judges another source. */
    public void judge(String id) {
        sourceId.set(id);
        diagnosis.set(null);
        measure.run();
    }

    /** The source that is judged: the chosen one, or who leads the section. */
    @Override
    public Optional<Source> source() {
        Design design = editor.now();
        return design.findSource(sourceId.get()).or(() -> Leads.at(design, stretch.span()));
    }

    /** The design as it stands. */
    Design design() {
        return editor.now();
    }

    /** Whether enough is known of a source to judge it. */
    @Override
    public boolean isMeasured(Source source) {
        return measured.materials().containsKey(source.id());
    }

    /** The analysis of the section, to be asked for in a job: it may have to copy sound. */
    private Optional<Supplier<CoverAnalysis>> analysis() {
        return measured.analysis(design(), stretch.span());
    }

    /** The field with which this one is compared. */
    @Override
    public Design before() {
        return pair.before().get();
    }

    /** Where the judged source, with all layers of its part, speaks; no phrases for one without. */
    @Override
    public Phrases phrases() {
        return source().flatMap(s -> Optional.ofNullable(measured.materials().get(s.id())))
                .flatMap(Material::phrases)
                .orElse(Phrases.NONE);
    }

    /** What the judged source is called: as the part that it is a layer of, or by itself. */
    public String name() {
        return source().map(s -> partName(design(), s)).orElse("the source");
    }

    /** What a source is called when it is judged with its layers. */
    public static String partName(Design design, Source s) {
        return design.layersOf(s).size() > 1 ? s.group() : s.name();
    }

    private Optional<Question> question() {
        String id = selection.returnId().get();
        return editor.now().findReturn(id).isEmpty()
                ? Optional.empty()
                : source().map(s ->
                        new Question(editor.now(), s, id, phrases(), stretch.span(), false));
    }

    /** Asks what the measures say to a word about the chosen return. */
    public void hear(EarWord word) {
        Optional<Question> q = question();
        Optional<Supplier<CoverAnalysis>> analysis = analysis();
        if (q.isEmpty() || analysis.isEmpty()) {
            return;
        }
        Targets targets = targets(q.get().returnId()).orElse(Targets.LEAD);
        jobs.start(
                "ear",
                "Looking for what is \u201c" + word.label() + "\u201d",
                (job, d) ->
                        new EarTable(analysis.get().get()).diagnose(word, q.get(), targets, job),
                (found, d) -> diagnosis.set(found));
    }

    /** The chosen return balanced by ear line; null before it was asked. */
    public ReadOnlyObjectProperty<@Nullable EarLine> earLine() {
        return earLine;
    }

    /** Balances the chosen return by ear line. */
    public void balance() {
        Optional<Question> q = question();
        Optional<Supplier<CoverAnalysis>> analysis = analysis();
        if (q.isEmpty() || analysis.isEmpty()) {
            return;
        }
        jobs.start(
                "ear line",
                "Raising it until it is obvious, and back",
                (job, d) -> EarLine.of(analysis.get().get(), q.get(), job),
                (found, d) -> earLine.set(found.orElse(null)));
    }

    /** Takes the word back. */
    public void unhear() {
        jobs.cancel("ear");
        diagnosis.set(null);
    }

    /** Clears the judged source of the chosen return, or of all of them, in one step. */
    public void solve(boolean all) {
        Optional<Question> q = question();
        Optional<Supplier<CoverAnalysis>> analysis = analysis();
        if (q.isEmpty() || analysis.isEmpty()) {
            return;
        }
        Targets targets =
                all
                        ? Targets.of(q.get().source().role())
                        : targets(q.get().returnId()).orElse(Targets.LEAD);
        Set<Setting> out = barred.get();
        jobs.start(
                "solve",
                all ? "Clearing the whole field" : "Clearing this return",
                (job, d) -> {
                    RemedyFinder finder = new RemedyFinder(analysis.get().get(), targets, out);
                    Solver solver = new Solver(finder);
                    return all ? solver.solveField(q.get(), job) : solver.solve(q.get(), job);
                },
                (found, base) -> take(found, base));
    }

    /** What makes room for the judged source between the others; null before it was sought. */
    public ReadOnlyObjectProperty<@Nullable RoomPlan> room() {
        return room;
    }

    /** Looks for room between the judged source and the other dry ones. */
    public void makeRoom() {
        Optional<Source> judged = source();
        Optional<Supplier<CoverAnalysis>> analysis = analysis();
        if (judged.isEmpty() || analysis.isEmpty()) {
            return;
        }
        Question q = new Question(design(), judged.get(), "", phrases(), stretch.span(), false);
        jobs.start(
                "room",
                "Looking for room between dry sources",
                (job, d) -> DryRoom.find(analysis.get().get(), q, job),
                (found, d) -> room.set(found));
    }

    private void take(Solution found, Design base) {
        Design meanwhile = design();
        if (found.steps().isEmpty()) {
            solution.set(meanwhile.equals(base) ? found : null);
        } else if (editor.adopt(base, found.design(), "clearing", found.words())) {
            if (meanwhile.equals(base)) {
                solution.set(found);
            } else {
                editor.problem()
                        .set("Cleared beside what was changed meanwhile; ask again what is met.");
            }
        }
    }

    @Override
    public void begin(Design given) {
        sourceId.set("");
        barred.set(Set.of());
        changed();
    }

    /** A change makes words and solutions old. */
    void changed() {
        diagnosis.set(null);
        solution.set(null);
        earLine.set(null);
        room.set(null);
    }
}
