package orbispace.app.view;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import orbispace.app.draw.Palette;
import orbispace.app.draw.Pen;
import orbispace.app.session.Clearance;
import orbispace.app.session.Session;
import orbispace.core.clear.PairView;
import orbispace.core.clear.Proposal;
import orbispace.core.clear.Targets;
import orbispace.core.design.Edit;
import orbispace.core.design.Return;
import orbispace.core.hearing.Cover;
import orbispace.core.hearing.WetState;
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
    private record Applied(Proposal proposal, Edit inverse) {}

    ClearInspector(Session session) {
        this.session = session;
        getStyleClass().add("inspector");
        lead.getStyleClass().add("row-name");
        name.getStyleClass().add("row-name");
        Label against = new Label("against");
        against.getStyleClass().add("caption");
        seal = new SealMark(session.returnId()::get, 12, true);
        HBox head = new HBox(7, lead, against, seal, name);
        head.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
        head.getStyleClass().add("inspector-head");
        state.getStyleClass().add("big");
        states.setPrefSize(172, 40);
        states.setMinSize(172, 40);
        HBox stateLine = new HBox(10, state, spring(), states);
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
        session.returnId().addListener((o, was, is) -> refresh());
        session.design().addListener((o, was, is) -> refresh());
        session.jobs().busyWith().addListener((o, was, is) -> refresh());
        refresh();
    }

    private static Region spring() {
        Region spring = new Region();
        HBox.setHgrow(spring, Priority.ALWAYS);
        return spring;
    }

    void setPalette(Palette given) {
        seal.setPalette(given);
        states.setPalette(given);
        presence.scale.setPalette(given);
        bloom.scale.setPalette(given);
    }

    private void refresh() {
        String id = session.returnId().get();
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
                remedies.getChildren().add(card(a.proposal(), true, () -> takeBack(a)));
            }
        }
        boolean current =
                c != null
                        && c.design().equals(session.design().get())
                        && c.span().equals(session.span());
        List<Proposal> open = c == null ? List.of() : c.proposals().getOrDefault(id, List.of());
        if (current) {
            open.forEach(p -> remedies.getChildren().add(card(p, false, () -> apply(p))));
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
        Edit inverse = p.edit().inverse(session.design().get());
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

    private Region card(Proposal p, boolean on, Runnable press) {
        Label change = new Label(p.change());
        change.getStyleClass().add("row-name");
        change.setWrapText(true);
        Label why = new Label(p.why());
        why.getStyleClass().add("why");
        why.setWrapText(true);
        Label measures =
                new Label(
                        "presence "
                                + percent(p.before().presenceKept())
                                + " to "
                                + percent(p.after().presenceKept())
                                + " %\nbloom "
                                + level(p.before().bloomDb())
                                + " to "
                                + level(p.after().bloomDb())
                                + " dB");
        measures.getStyleClass().add("remedy-measures");
        Label cost = new Label("costs " + cost(p));
        cost.getStyleClass().add("caption");
        Button button = Plate.button(on ? "Undo" : "Apply", press);
        button.getStyleClass().add(on ? "quiet" : "strong");
        button.setAccessibleText((on ? "undo " : "apply ") + p.change());
        Label state = new Label(on ? "on" : "");
        state.getStyleClass().add("row-state");
        cost.setWrapText(true);
        HBox.setHgrow(cost, Priority.ALWAYS);
        HBox foot = new HBox(8, cost, spring(), state, button);
        foot.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
        VBox card = Plate.clip(new VBox(3, change, why, measures, foot));
        card.getStyleClass().addAll("chain-card", on ? "resting" : "open");
        return card;
    }

    private static String percent(OptionalDouble share) {
        return share.isPresent() ? Wording.number(100 * share.getAsDouble(), 0) : "\u2013";
    }

    private static String level(OptionalDouble db) {
        return db.isPresent() ? Wording.number(db.getAsDouble(), 1) : "none";
    }

    private static String cost(Proposal p) {
        List<String> parts = new ArrayList<>();
        if (p.cost().bandwidthOctaves() > 0.05) {
            parts.add(Wording.number(p.cost().bandwidthOctaves(), 1) + " octaves");
        }
        if (p.cost().duckDb() > 0.05) {
            parts.add(Wording.number(p.cost().duckDb(), 1) + " dB in phrases");
        }
        if (p.cost().bloomDb() > 0.05) {
            parts.add(Wording.number(p.cost().bloomDb(), 1) + " dB of bloom");
        }
        return parts.isEmpty() ? "nothing measurable" : String.join(", ", parts);
    }

    /** One big number with what it was, drawn to scale. */
    private static final class Measure extends VBox {
        private final Label value = new Label();
        private final Label unit = new Label();
        private final Label was = new Label();
        private final Scale scale = new Scale();

        Measure(String name, String unitText) {
            super(0);
            Label head = new Label(name);
            head.getStyleClass().add("caps");
            value.getStyleClass().add("big");
            unit.getStyleClass().add("big-unit");
            unit.setText(unitText);
            was.getStyleClass().add("caption");
            scale.setPrefSize(112, 26);
            HBox line = new HBox(4, value, unit, was, spring(), scale);
            line.setAlignment(javafx.geometry.Pos.BASELINE_LEFT);
            getChildren().addAll(head, line);
        }

        void show(
                OptionalDouble now,
                OptionalDouble before,
                java.util.function.DoubleFunction<String> words,
                java.util.function.DoubleUnaryOperator share,
                double target,
                String id) {
            value.setText(now.isPresent() ? words.apply(now.getAsDouble()) : "\u2013");
            was.setText(before.isPresent() ? "was " + words.apply(before.getAsDouble()) : "");
            scale.show(
                    now.isPresent() ? share.applyAsDouble(now.getAsDouble()) : 0,
                    before.isPresent() ? share.applyAsDouble(before.getAsDouble()) : -1,
                    target,
                    id);
        }
    }

    /** A bar from 0 to 1 with a mark for what was, and one for what is asked. */
    private static final class Scale extends ScalingCanvas {
        private double now;
        private double before = -1;
        private double target = -1;
        private String id = "A";

        void show(double given, double was, double asked, String returnId) {
            now = given;
            before = was;
            target = asked;
            id = returnId.isEmpty() ? "A" : returnId;
            repaint();
        }

        @Override
        void paint(Pen pen, double w, double h) {
            pen.across(0, w, 10, pen.palette.ink);
            for (int i = 0; i <= 10; i++) {
                pen.upright((w - 1) * i / 10, i % 5 == 0 ? 5 : 7, 10, pen.palette.ink);
            }
            pen.g.setFill(pen.palette.ofReturn(id));
            pen.g.fillRect(0, 12, now * w, 6);
            if (before >= 0) {
                double x = before * w;
                pen.g.setStroke(pen.palette.ink);
                pen.g.setLineWidth(1);
                pen.g.strokePolygon(new double[] {x - 4, x + 4, x}, new double[] {1, 1, 8}, 3);
            }
            if (target >= 0) {
                pen.line(target * w, 10, target * w, 22, pen.palette.ink, 1.2);
            }
        }
    }

    /** The four states as steps, the present one filled. */
    private static final class StateRow extends ScalingCanvas {
        private Optional<WetState> state = Optional.empty();
        private String id = "A";

        void show(Optional<WetState> given, String returnId) {
            state = given;
            id = returnId.isEmpty() ? "A" : returnId;
            repaint();
        }

        @Override
        void paint(Pen pen, double w, double h) {
            WetState[] all = WetState.values();
            for (int i = 0; i < all.length; i++) {
                double x = 8 + i * 41;
                double height = 5 + 5 * i;
                boolean on = state.isPresent() && state.get() == all[i];
                if (on) {
                    pen.g.setFill(pen.palette.ofReturn(id));
                    pen.g.fillRect(x, 24 - height, 26, height);
                } else {
                    pen.g.setStroke(pen.palette.rule);
                    pen.g.setLineWidth(1);
                    pen.g.strokeRect(x + 0.5, 24 - height + 0.5, 25, height - 1);
                }
                pen.text(
                        all[i].name().toLowerCase(java.util.Locale.ROOT),
                        x + 13,
                        37,
                        on
                                ? orbispace.app.draw.Type.strong(10.5)
                                : orbispace.app.draw.Type.regular(10.5),
                        on ? pen.palette.ink : pen.palette.ink3,
                        javafx.scene.text.TextAlignment.CENTER);
            }
        }
    }
}
