package orbispace.app.view;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import orbispace.app.draw.Palette;
import orbispace.app.session.Clearance;
import orbispace.app.session.Session;
import orbispace.core.clear.PairView;
import orbispace.core.clear.Proposal;
import orbispace.core.clear.Targets;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.hearing.Cover;
import orbispace.files.Wording;

/** The measures of the lead against the chosen return, and what would clear it. */
final class ClearInspector extends VBox {
    private final Session session;
    private final Label lead = new Label();
    private final Label name = new Label();
    private final SealMark seal;
    private final Measure presence = new Measure("PRESENCE KEPT", "%");
    private final Measure bloom = new Measure("BLOOM IN GAPS", "dB");
    private final Label state = new Label();
    private final StateRow states = new StateRow();
    private final Label note = new Label();
    private final VBox remedies = new VBox(6);
    private final List<Applied> applied = new ArrayList<>();

    /** A remedy that was applied, and how to take it back. */
    private record Applied(Proposal proposal, ReturnEdit inverse) {}

    ClearInspector(Session session) {
        this.session = session;
        getStyleClass().add("inspector");
        lead.getStyleClass().add("row-name");
        name.getStyleClass().add("row-name");
        Label against = new Label("against");
        against.getStyleClass().add("caption");
        seal = new SealMark(session.selection().returnId()::get, 12, true);
        HBox head = new HBox(7, lead, against, seal, name);
        head.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
        head.getStyleClass().add("inspector-head");
        state.getStyleClass().add("fact");
        state.setMinWidth(javafx.scene.layout.Region.USE_PREF_SIZE);
        states.setPrefSize(172, 40);
        states.setMinSize(172, 40);
        HBox stateLine = new HBox(10, state, Plate.spring(), states);
        stateLine.setAlignment(javafx.geometry.Pos.BOTTOM_LEFT);
        Label stateHead = new Label("STATE");
        stateHead.getStyleClass().add("caps");
        Label remedyHead = new Label("Remedies");
        remedyHead.getStyleClass().add("section-head");
        note.getStyleClass().add("why");
        note.setWrapText(true);
        getChildren()
                .addAll(
                        head,
                        presence,
                        bloom,
                        new VBox(2, stateHead, stateLine),
                        remedyHead,
                        remedies,
                        note);
        setSpacing(10);
        session.measured().clearance().addListener((o, was, is) -> refresh());
        session.selection().returnId().addListener((o, was, is) -> refresh());
        session.design().addListener((o, was, is) -> refresh());
        session.jobs().busyWith().addListener((o, was, is) -> refresh());
        refresh();
    }

    void setPalette(Palette given) {
        seal.setPalette(given);
        states.setPalette(given);
        presence.scale.setPalette(given);
        bloom.scale.setPalette(given);
    }

    private void refresh() {
        String id = session.selection().returnId().get();
        Clearance c = session.measured().clearance().get();
        seal.repaint();
        name.setText(session.design().get().findReturn(id).map(Return::name).orElse("no return"));
        lead.setText(c == null ? "Lead" : c.source().name());
        Optional<Cover> cover =
                Optional.ofNullable(c).flatMap((Clearance x) -> x.pair(id)).map(PairView::cover);
        Optional<Cover> was = lastApplied(id).map(a -> a.proposal().before());
        String returnId = id;
        presence.show(
                cover.map(Cover::presenceKept).orElse(OptionalDouble.empty()),
                was.map(Cover::presenceKept).orElse(OptionalDouble.empty()),
                v -> Wording.number(100 * v, 0),
                v -> v,
                Targets.LEAD.presence(),
                returnId);
        bloom.show(
                cover.map(Cover::bloomDb).orElse(OptionalDouble.empty()),
                was.map(Cover::bloomDb).orElse(OptionalDouble.empty()),
                v -> Wording.number(v, 1),
                v -> Math.clamp((v + 60) / 60, 0, 1),
                -1,
                returnId);
        state.setText(
                cover.map(x -> x.state().name().toLowerCase(java.util.Locale.ROOT))
                        .orElse("\u2013"));
        states.show(cover.map(Cover::state), returnId);
        showRemedies(c, id, cover);
    }

    private Optional<Applied> lastApplied(String id) {
        forgetUndone();
        return applied.stream()
                .filter(a -> a.proposal().edit().returnId().equals(id))
                .reduce((a, b) -> b);
    }

    /** A remedy that undo, or another edit, has taken back is no longer on. */
    private void forgetUndone() {
        applied.removeIf(a ->
                !a.proposal()
                        .edit()
                        .applyTo(session.design().get())
                        .equals(session.design().get()));
    }

    private void showRemedies(
            @org.jspecify.annotations.Nullable Clearance c, String id, Optional<Cover> cover) {
        remedies.getChildren().clear();
        forgetUndone();
        for (Applied a : applied) {
            if (a.proposal().edit().returnId().equals(id)) {
                remedies.getChildren().add(new RemedyCard(a.proposal(), true, () -> takeBack(a)));
            }
        }
        boolean current =
                c != null
                        && c.design().equals(session.design().get())
                        && c.span().equals(session.span());
        List<Proposal> open = c == null ? List.of() : c.proposals().getOrDefault(id, List.of());
        if (current) {
            open.forEach(p -> remedies.getChildren().add(new RemedyCard(p, false, () -> apply(p))));
        }
        if (!current) {
            note.setText(
                    session.jobs().busyWith().get().isEmpty()
                            ? ""
                            : session.jobs().busyWith().get() + " \u2026");
        } else if (open.isEmpty()) {
            note.setText(clearNote(cover));
        } else {
            note.setText(
                    "Each was rendered before and after. Asked: presence "
                            + Wording.percent(Targets.LEAD.presence(), 0)
                            + ", worst phrase "
                            + Wording.percent(Targets.LEAD.worstPhrase(), 0)
                            + ".");
        }
    }

    private String clearNote(Optional<Cover> cover) {
        if (cover.isEmpty() || cover.get().presenceKept().isEmpty()) {
            return "The lead rests in this section: nothing to clear.";
        }
        return "Clear: presence "
                + Wording.percent(cover.get().presenceKept().getAsDouble(), 0)
                + ", worst phrase "
                + Wording.percent(cover.get().worstPhrase().orElse(1), 0)
                + "; asked are "
                + Wording.percent(Targets.LEAD.presence(), 0)
                + " and "
                + Wording.percent(Targets.LEAD.worstPhrase(), 0)
                + ".";
    }

    private void apply(Proposal p) {
        ReturnEdit inverse = p.edit().inverse(session.design().get());
        if (session.edit(p.edit())) {
            applied.add(new Applied(p, inverse));
            refresh();
        }
    }

    private void takeBack(Applied a) {
        applied.remove(a);
        session.edit(a.inverse());
        refresh();
    }
}
