package orbispace.app.session;

import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.beans.property.SimpleStringProperty;
import javafx.beans.property.StringProperty;
import orbispace.core.clear.CoverAnalysis;
import orbispace.core.clear.Diagnosis;
import orbispace.core.clear.EarLine;
import orbispace.core.clear.EarTable;
import orbispace.core.clear.EarWord;
import orbispace.core.clear.Question;
import orbispace.core.clear.RemedyFinder;
import orbispace.core.clear.RoomFinder;
import orbispace.core.clear.RoomMove;
import orbispace.core.clear.Solution;
import orbispace.core.clear.Solver;
import orbispace.core.design.AimsEdit;
import orbispace.core.design.Design;
import orbispace.core.design.HearingLevel;
import orbispace.core.design.Role;
import orbispace.core.design.Setting;
import orbispace.core.design.Source;
import orbispace.core.design.Targets;
import orbispace.core.material.Phrases;
import orbispace.core.render.Job;
import org.jspecify.annotations.Nullable;

/** Keeping a source clear: who is judged, what is barred, ear words, and whole solutions. */
public final class Clearing implements OfSong {
    private static final Phrases NONE = new Phrases(List.of(), List.of(), -120, -60, -20);

    private final Session session;
    private final StringProperty sourceId = new SimpleStringProperty("");
    private final ObjectProperty<Set<Setting>> barred = new SimpleObjectProperty<>(Set.of());
    private final ObjectProperty<@Nullable Diagnosis> diagnosis = new SimpleObjectProperty<>();
    private final ObjectProperty<@Nullable Solution> solution = new SimpleObjectProperty<>();

    private final ObjectProperty<@Nullable List<RoomMove>> room = new SimpleObjectProperty<>();
    private final ObjectProperty<@Nullable EarLine> earLine = new SimpleObjectProperty<>();

    Clearing(Session session) {
        this.session = session;
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
        session.measure();
    }

    /** Judges another source. */
    public void judge(String id) {
        sourceId.set(id);
        diagnosis.set(null);
        session.measure();
    }

    /** The source that is judged; empty if nothing leads and none is chosen. */
    public Optional<Source> source() {
        Design design = session.design().get();
        return design.findSource(sourceId.get())
                .or(() -> design.sourcesOf(Role.LEAD).stream().findFirst());
    }

    /** The design as it stands. */
    Design design() {
        return session.design().get();
    }

    /** Whether enough is known of a source to judge it. */
    boolean isMeasured(Source source) {
        return session.measured().materials().containsKey(source.id());
    }

    /** The analysis of the section, to be asked for in a job: it may have to copy sound. */
    private Optional<Supplier<CoverAnalysis>> analysis() {
        return session.measured().analysis(design(), session.span());
    }

    /** The field with which this one is compared. */
    Design before() {
        return session.pair().before().get();
    }

    /** Where the judged source, with all layers of its part, speaks; no phrases for one without. */
    public Phrases phrases() {
        return source().flatMap(
                        s -> Optional.ofNullable(session.measured().materials().get(s.id())))
                .flatMap(Material::phrases)
                .orElse(NONE);
    }

    /** What the judged source is called: as the part that it is a layer of, or by itself. */
    public String name() {
        return source().map(s -> partName(design(), s)).orElse("the source");
    }

    /** What a source is called when it is judged with its layers. */
    public static String partName(Design design, Source s) {
        return design.layersOf(s).size() > 1 ? s.group() : s.name();
    }

    /** What is asked of the judged source against a return: as chosen, or by role. */
    public Optional<Targets> targets(String returnId) {
        Design design = design();
        return source().flatMap(
                        s -> design.findReturn(returnId).map(r -> Targets.asked(design, s, r)));
    }

    /** Whether something else than the default of its role is asked of the judged source. */
    public boolean asksOwn(String returnId) {
        return source().flatMap(s -> design().aims().of(s.id(), returnId)).isPresent();
    }

    /** Wants something of the judged source and a return; null for the default of its role. */
    public void want(String returnId, @Nullable Targets targets) {
        source().ifPresent(s ->
                session.edit(
                        new AimsEdit(
                                design().aims().wanting(s.id(), returnId, targets),
                                "what is asked of " + s.name() + " and " + returnId)));
    }

    /** Locks a setting of a return against remedies, or frees it. */
    public void lock(String returnId, Setting setting, boolean lock) {
        session.edit(
                new AimsEdit(
                        design().aims().locking(returnId, setting, lock),
                        setting.label() + " of " + returnId + (lock ? " locked" : " freed")));
    }

    /** Listens at another level or in another room. */
    public void listen(HearingLevel level) {
        session.edit(new AimsEdit(design().aims().hearing(level), "listening level"));
    }

    private Optional<Question> question() {
        String id = session.selection().returnId().get();
        return session.design().get().findReturn(id).isEmpty()
                ? Optional.empty()
                : source().map(s ->
                        new Question(
                                session.design().get(), s, id, phrases(), session.span(), false));
    }

    /** Asks what the measures say to a word about the chosen return. */
    public void hear(EarWord word) {
        Optional<Question> q = question();
        Optional<Supplier<CoverAnalysis>> analysis = analysis();
        if (q.isEmpty() || analysis.isEmpty()) {
            return;
        }
        Targets targets = targets(q.get().returnId()).orElse(Targets.LEAD);
        session.jobs()
                .start(
                        "ear",
                        "Looking for what is \u201c" + word.label() + "\u201d",
                        job ->
                                new EarTable(analysis.get().get())
                                        .diagnose(word, q.get(), targets, job),
                        diagnosis::set,
                        session::failed);
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
        session.jobs()
                .start(
                        "ear line",
                        "Raising it until it is obvious, and back",
                        job -> EarLine.of(analysis.get().get(), q.get(), job),
                        found -> earLine.set(found.orElse(null)),
                        session::failed);
    }

    /** Takes the word back. */
    public void unhear() {
        session.jobs().cancel("ear");
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
        session.jobs()
                .start(
                        "solve",
                        all ? "Clearing the whole field" : "Clearing this return",
                        (Job job) -> {
                            RemedyFinder finder =
                                    new RemedyFinder(analysis.get().get(), targets, out);
                            Solver solver = new Solver(finder);
                            return all
                                    ? solver.solveField(q.get(), job)
                                    : solver.solve(q.get(), job);
                        },
                        found -> take(found, q.get().design()),
                        session::failed);
    }

    /** Moves that make room between the judged source and others; null before they were sought. */
    public ReadOnlyObjectProperty<@Nullable List<RoomMove>> room() {
        return room;
    }

    /** Looks for room between the judged source and the other dry ones. */
    public void makeRoom() {
        Optional<Source> judged = source();
        Optional<Supplier<CoverAnalysis>> analysis = analysis();
        if (judged.isEmpty() || analysis.isEmpty()) {
            return;
        }
        Question q = new Question(design(), judged.get(), "", phrases(), session.span(), false);
        session.jobs()
                .start(
                        "room",
                        "Looking for room between dry sources",
                        job -> RoomFinder.find(analysis.get().get(), q, job),
                        room::set,
                        session::failed);
    }

    private void take(Solution found, Design base) {
        Design meanwhile = design();
        if (found.steps().isEmpty()) {
            solution.set(meanwhile.equals(base) ? found : null);
        } else if (session.adopt(base, found.design(), "clearing", found.words())) {
            if (meanwhile.equals(base)) {
                solution.set(found);
            } else {
                session.problem()
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
