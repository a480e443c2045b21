package orbispace.app.desk;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import orbispace.app.measuring.Judged;
import orbispace.app.measuring.Measurements;
import orbispace.app.session.Editor;
import orbispace.app.session.Jobs;
import orbispace.app.session.OfSong;
import orbispace.app.session.Selection;
import orbispace.core.clear.CoverAnalysis;
import orbispace.core.design.Design;
import orbispace.core.design.PlanCell;
import orbispace.core.design.Section;
import orbispace.core.design.SectionPlan;
import orbispace.core.design.Song;
import orbispace.core.design.SongEdit;
import orbispace.core.design.Source;
import orbispace.core.plan.BoundaryClash;
import orbispace.core.plan.Hold;
import orbispace.core.plan.PlanTemplate;
import orbispace.core.time.Span;
import org.jspecify.annotations.Nullable;

/** The field over the song: cells of sections, templates, and thrown words. */
public final class Planning implements OfSong {
    private static final String JOB = "plan";
    private static final String HOLD = "hold";
    private static final long PAUSE_MILLIS = 400;

    private final Editor editor;
    private final Selection selection;
    private final Jobs jobs;
    private final Measurements measures;
    private final Judged judging;
    private final ObjectProperty<Set<Integer>> along = new SimpleObjectProperty<>(Set.of());
    private final ObjectProperty<@Nullable PlanMeasured> measured = new SimpleObjectProperty<>();
    private SectionPlan kept = SectionPlan.NONE;

    /** Plans a song. */
    public Planning(
            Editor editor, Selection selection, Jobs jobs, Measurements measures, Judged judging) {
        this.editor = editor;
        this.selection = selection;
        this.jobs = jobs;
        this.measures = measures;
        this.judging = judging;
    }

    @Override
    public void begin(Design given) {
        along.set(Set.of());
        measured.set(null);
        kept = SectionPlan.NONE;
    }

    private Design design() {
        return editor.now();
    }

    private List<Section> sections() {
        return design().song().sections();
    }

    /** The chosen section; the first if none is chosen, empty for a song without. */
    public Optional<Section> section() {
        Section chosen = selection.section().get();
        return chosen == null ? sections().stream().findFirst() : Optional.of(chosen);
    }

    /** The chosen return in the chosen section. */
    public PlanCell cell() {
        return section().map(s -> s.plan().cell(selection.returnId().get())).orElse(PlanCell.PLAIN);
    }

    /** First bars of the sections that are chosen along with the one that is shown. */
    public ReadOnlyObjectProperty<Set<Integer>> along() {
        return along;
    }

    /** Chooses these sections along with the one that is shown. */
    public void chooseAlong(Set<Integer> firstBars) {
        along.set(Set.copyOf(firstBars));
    }

    /** Chooses a section, alone. */
    public void choose(Section section) {
        along.set(Set.of());
        selection.section().set(section);
    }

    /** Chooses a section along with those that are, or leaves it out again. */
    public void toggle(Section section) {
        int bar = section.firstBar();
        if (section().filter(s -> s.firstBar() == bar).isPresent()) {
            return;
        }
        Set<Integer> bars = new TreeSet<>(along.get());
        if (!bars.remove(bar)) {
            bars.add(bar);
        }
        along.set(Set.copyOf(bars));
    }

    /** Chooses all sections. */
    public void chooseAll() {
        along.set(sections().stream().map(Section::firstBar).collect(Collectors.toSet()));
    }

    /** Whether a section is chosen, alone or along. */
    public boolean isChosen(Section s) {
        return along.get().contains(s.firstBar())
                || section().filter(c -> c.firstBar() == s.firstBar()).isPresent();
    }

    /** Changes the chosen return in all chosen sections. */
    public void change(UnaryOperator<PlanCell> change, String what) {
        String id = selection.returnId().get();
        if (design().findReturn(id).isPresent()) {
            plan(p -> p.withCell(id, change.apply(p.cell(id))), what + " of " + id, null);
        }
    }

    /** The same by hand: all changes of a gesture are one step. */
    public void drag(UnaryOperator<PlanCell> change, Object gesture) {
        String id = selection.returnId().get();
        if (design().findReturn(id).isPresent()) {
            plan(p -> p.withCell(id, change.apply(p.cell(id))), "level of " + id, gesture);
        }
    }

    /** Sends a source more or less into the chosen return in all chosen sections. */
    public void changeSends(List<String> sourceIds, double byDb) {
        String id = selection.returnId().get();
        plan(
                p -> {
                    SectionPlan plan = p;
                    for (String s : sourceIds) {
                        plan = plan.withSend(id, s, Math.rint(10 * (p.sendDb(id, s) + byDb)) / 10);
                    }
                    return plan;
                },
                "send of " + String.join(", ", sourceIds) + " into " + id,
                null);
    }

    private void plan(UnaryOperator<SectionPlan> change, String what, @Nullable Object gesture) {
        try {
            List<Section> all = new ArrayList<>(sections());
            all.replaceAll(s -> isChosen(s) ? s.withPlan(change.apply(s.plan())) : s);
            long n = all.stream().filter(this::isChosen).count();
            String where = n == 1 ? section().map(Section::name).orElse("") : n + " sections";
            SongEdit edit = new SongEdit(design().song().withSections(all), what + " in " + where);
            editor.change(edit, gesture);
        } catch (IllegalArgumentException e) {
            editor.problem().set(String.valueOf(e.getMessage()));
        }
    }

    /** Gives a section the plan of the chosen one. */
    public void copyTo(Section other) {
        section()
                .ifPresent(s -> {
                    List<Section> all = new ArrayList<>(sections());
                    all.replaceAll(
                            x -> x.firstBar() == other.firstBar() ? x.withPlan(s.plan()) : x);
                    editor.edit(
                            new SongEdit(
                                    design().song().withSections(all),
                                    "plan of " + s.name() + " for " + other.name()));
                });
    }

    /** Keeps the plan of the chosen section, to lay it over others. */
    public void copy() {
        section().ifPresent(s -> kept = s.plan());
    }

    /** Lays the kept plan over all chosen sections. */
    public void paste() {
        plan(p -> kept, "copied plan", null);
    }

    /** Lays a ready-made plan over the song. */
    public void lay(PlanTemplate template) {
        PlanMeasured known = measured.get();
        Set<String> hidden = known == null ? Set.of() : Hold.hidden(known.states());
        Song planned = template.applyTo(design(), hidden);
        editor.edit(new SongEdit(planned, "plan \"" + template.label() + "\""));
    }

    /** Takes the plan away. */
    public void clear() {
        editor.edit(
                new SongEdit(
                        design().song()
                                .withSections(
                                        sections().stream()
                                                .map(s -> s.withPlan(SectionPlan.NONE))
                                                .toList()),
                        "no plan"));
    }

    /** Solves the offsets that keep every return as audible in all sections. */
    public void hold() {
        Optional<CoverAnalysis> analysis = measures.analysis();
        if (analysis.isEmpty() || design().sources().isEmpty()) {
            editor.problem().set("The song is not measured yet; try again in a moment.");
            return;
        }
        jobs.start(
                HOLD,
                "Holding the field over the sections",
                (job, now) -> Hold.of(analysis.get(), now, job),
                (held, now) ->
                        editor.adopt(
                                now,
                                now.withSong(held),
                                "plan \"hold\"",
                                "every return as audible in all sections"));
    }

    /** What was measured last; null for nothing. */
    public ReadOnlyObjectProperty<@Nullable PlanMeasured> measured() {
        return measured;
    }

    /** Measures the plan in the background, if that is not done. */
    public void measure() {
        Design now = design();
        PlanMeasured known = measured.get();
        Optional<CoverAnalysis> analysis = measures.analysis();
        boolean busy = jobs.awaits(JOB) || jobs.awaits(HOLD);
        if (busy
                || analysis.isEmpty()
                || now.sources().isEmpty()
                || (known != null && isCurrent(known))) {
            return;
        }
        jobs.after(JOB, PAUSE_MILLIS, () -> start(analysis.get()));
    }

    /** Whether what was measured is about the design as it stands and who is judged in it. */
    public boolean isCurrent(PlanMeasured known) {
        return known.design().equals(design()) && known.sourceId().equals(judged());
    }

    private String judged() {
        return judging.source().map(Source::id).orElse("");
    }

    private void start(CoverAnalysis analysis) {
        Optional<Source> source = judging.source();
        String judged = judged();
        List<Span> phrases = judging.phrases().spans();
        jobs.start(
                JOB,
                "Measuring the plan",
                (job, now) -> {
                    var shares = Hold.shares(analysis, now, job);
                    return new PlanMeasured(
                            now,
                            judged,
                            shares,
                            Hold.states(analysis, now, shares, job),
                            Hold.density(analysis, now),
                            source.isEmpty() || phrases.isEmpty()
                                    ? List.of()
                                    : BoundaryClash.of(analysis, now, source.get(), phrases, job));
                },
                (found, now) -> measured.set(found));
    }
}
