package orbispace.app.session;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import orbispace.core.clear.CoverAnalysis;
import orbispace.core.design.Design;
import orbispace.core.design.PlanCell;
import orbispace.core.design.Section;
import orbispace.core.design.SectionPlan;
import orbispace.core.design.Song;
import orbispace.core.design.SongEdit;
import orbispace.core.design.Source;
import orbispace.core.design.Throw;
import orbispace.core.design.ThrowsEdit;
import orbispace.core.material.Phrases;
import orbispace.core.plan.Hold;
import orbispace.core.plan.PlanTemplate;
import orbispace.core.time.Span;

/** The field over the song: cells of sections, templates, and thrown words. */
public final class Planning {
    private static final double USUAL_THROW_DB = -4;

    private final Session session;

    Planning(Session session) {
        this.session = session;
    }

    private Design design() {
        return session.design().get();
    }

    private List<Section> sections() {
        return design().song().sections();
    }

    /** The chosen section; the first if none is chosen, empty for a song without. */
    public Optional<Section> section() {
        Section chosen = session.selection().section().get();
        return chosen == null ? sections().stream().findFirst() : Optional.of(chosen);
    }

    /** The chosen return in the chosen section. */
    public PlanCell cell() {
        return section()
                .map(s -> s.plan().cell(session.selection().returnId().get()))
                .orElse(PlanCell.PLAIN);
    }

    /** Changes the chosen return in the chosen section. */
    public void change(UnaryOperator<PlanCell> change, String what) {
        String id = session.selection().returnId().get();
        Optional<Section> here = section();
        if (here.isEmpty() || design().findReturn(id).isEmpty()) {
            return;
        }
        try {
            PlanCell cell = change.apply(here.get().plan().cell(id));
            plan(
                    here.get(),
                    here.get().plan().withCell(id, cell),
                    what + " of " + id + " in " + here.get().name());
        } catch (IllegalArgumentException e) {
            session.problem().set(String.valueOf(e.getMessage()));
        }
    }

    /** Gives a section the plan of the chosen one. */
    public void copyTo(Section other) {
        section()
                .ifPresent(
                        s -> plan(other, s.plan(), "plan of " + s.name() + " for " + other.name()));
    }

    private void plan(Section section, SectionPlan plan, String subject) {
        List<Section> all = new ArrayList<>(sections());
        all.replaceAll(s -> s.firstBar() == section.firstBar() ? s.withPlan(plan) : s);
        session.edit(new SongEdit(design().song().withSections(all), subject));
    }

    /** Lays a ready-made plan over the song. */
    public void lay(PlanTemplate template) {
        session.edit(new SongEdit(template.applyTo(design()), "plan \"" + template.label() + "\""));
    }

    /** Takes the plan away. */
    public void clear() {
        session.edit(
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
        Design now = design();
        Optional<CoverAnalysis> analysis = session.measured().analysis();
        if (analysis.isEmpty() || now.sources().isEmpty()) {
            session.problem().set("The song is not measured yet; try again in a moment.");
            return;
        }
        session.jobs()
                .start(
                        "hold",
                        "Holding the field over the sections",
                        job -> Hold.of(analysis.get(), now, job),
                        (Song held) -> session.edit(new SongEdit(held, "plan \"hold\"")),
                        session::failed);
    }

    /**
     * The phrase of the first lead at the playhead, or the next one.
     *
     * @return empty if nothing leads or nothing follows
     */
    public Optional<Span> phraseAhead() {
        double at = session.transport().position().get();
        return session.clearing()
                .source()
                .flatMap(s -> Optional.ofNullable(session.measured().materials().get(s.id())))
                .flatMap(Material::phrases)
                .map(Phrases::spans)
                .flatMap(spans ->
                        spans.stream().filter(p -> p.endSeconds() > at + 1e-3).findFirst());
    }

    /** Throws that phrase to the chosen return. */
    public void throwPhrase() {
        Optional<Source> source = session.clearing().source();
        String id = session.selection().returnId().get();
        Optional<Span> phrase = phraseAhead();
        if (source.isEmpty() || phrase.isEmpty() || design().findReturn(id).isEmpty()) {
            session.problem()
                    .set("There is no phrase at the playhead or after it, or no return is chosen.");
            return;
        }
        var clock = design().song().clock();
        Throw thrown =
                Throw.of(
                        ThrowsEdit.freshId(design()),
                        source.get().id(),
                        id,
                        clock.beatAt(phrase.get().startSeconds()),
                        clock.beatAt(phrase.get().endSeconds()),
                        USUAL_THROW_DB);
        session.edit(ThrowsEdit.adding(design(), thrown));
    }

    /** Changes a throw. */
    public void change(Throw changed) {
        session.edit(ThrowsEdit.changing(design(), changed));
    }

    /** Takes a throw away. */
    public void remove(Throw thrown) {
        session.edit(ThrowsEdit.without(design(), thrown.id()));
    }
}
