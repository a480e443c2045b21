package orbispace.app.view.clear;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import orbispace.app.desk.ClearModel;
import orbispace.app.desk.Clearing;
import orbispace.app.draw.Palette;
import orbispace.app.song.Clearance;
import orbispace.app.view.control.Measure;
import orbispace.app.view.control.Plate;
import orbispace.app.view.control.SealMark;
import orbispace.core.clear.Diagnosis;
import orbispace.core.clear.EarLine;
import orbispace.core.clear.PairView;
import orbispace.core.clear.Proposal;
import orbispace.core.clear.ReturnCost;
import orbispace.core.clear.RoomMove;
import orbispace.core.clear.ShortCopy;
import orbispace.core.clear.Solution;
import orbispace.core.design.Design;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Source;
import orbispace.core.design.Targets;
import orbispace.core.hearing.Cover;
import orbispace.core.words.Wording;

/** The measures of the lead against the chosen return, and what would clear it. */
final class ClearInspector extends VBox {
    private final ClearModel model;
    private final MenuButton lead = new MenuButton();
    private final Label low = new Label();
    private final AskedMenu asking;
    private final RemedyMenu kinds;
    private final Label name = new Label();
    private final SealMark seal;
    private final AskedNumber askedPresence;
    private final AskedNumber askedBloom;
    private final Measure presence;
    private final Measure bloom;
    private final Label state = new Label();
    private final StateRow states = new StateRow();
    private final Label note = new Label();
    private final VBox remedies = new VBox(6);
    private final VBox roomMoves = new VBox(6);
    private final List<Applied> applied = new ArrayList<>();

    /** A remedy that was applied, and how to take it back. */
    private record Applied(Proposal proposal, ReturnEdit inverse) {}

    ClearInspector(ClearModel model) {
        this.model = model;
        getStyleClass().add("inspector");
        asking = new AskedMenu(model);
        kinds = new RemedyMenu(model);
        askedPresence = AskedNumber.presence(model);
        askedBloom = AskedNumber.bloom(model);
        presence = new Measure("PRESENCE KEPT", "%", askedPresence.field());
        bloom = new Measure("BLOOM IN GAPS", "dB", askedBloom.field());
        lead.getStyleClass().add("kind-menu");
        lead.setAccessibleText("the source that must stay clear");
        lead.getItems().add(new MenuItem(""));
        lead.setOnShowing(e -> fillSources());
        low.getStyleClass().add("caption");
        low.setWrapText(true);
        low.setMinHeight(javafx.scene.layout.Region.USE_PREF_SIZE);
        name.getStyleClass().add("row-name");
        Label against = new Label("against");
        against.getStyleClass().add("caption");
        seal = new SealMark(model.selection().returnId()::get, 12, true);
        HBox head = new HBox(7, lead, against, seal, name);
        head.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
        head.getStyleClass().add("inspector-head");
        state.getStyleClass().add("fact");
        state.setMinWidth(javafx.scene.layout.Region.USE_PREF_SIZE);
        states.setPrefSize(172, 40);
        states.setMinSize(172, 40);
        Button balance = Plate.small("Ear line", () -> model.clearing().balance());
        balance.setAccessibleText("raise it until it is just obvious, then back to felt");
        HBox stateLine = new HBox(10, state, Plate.spring(), states);
        stateLine.setAlignment(javafx.geometry.Pos.BOTTOM_LEFT);
        Label stateHead = new Label("STATE");
        stateHead.getStyleClass().add("caps");
        Label remedyHead = new Label("Remedies");
        remedyHead.getStyleClass().add("section-head");
        Button solve = Plate.small("Solve", () -> model.clearing().solve(false));
        solve.setAccessibleText("take the cheapest set for this return");
        Button all = Plate.small("All returns", () -> model.clearing().solve(true));
        all.setAccessibleText("take the cheapest set for all returns");
        HBox remedyLine = new HBox(5, remedyHead, Plate.spring(), kinds, solve, all);
        remedyLine.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
        Button room =
                Plate.small("Make room between dry sources", () -> model.clearing().makeRoom());
        room.setAccessibleText("look for room between this source and other dry ones");
        ScrollPane scroll = new ScrollPane(new VBox(6, remedies, note, roomMoves, room));
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        scroll.getStyleClass().add("cards");
        VBox.setVgrow(scroll, Priority.ALWAYS);
        note.getStyleClass().add("why");
        note.setWrapText(true);
        getChildren()
                .addAll(
                        head,
                        presence,
                        bloom,
                        new VBox(
                                2,
                                new HBox(6, stateHead, Plate.spring(), asking, balance),
                                stateLine),
                        low,
                        remedyLine,
                        scroll);
        setSpacing(7);
        model.clearing().diagnosis().addListener((o, was, is) -> refresh());
        model.clearing().earLine().addListener((o, was, is) -> refresh());
        model.clearing().solution().addListener((o, was, is) -> refresh());
        model.clearing().room().addListener((o, was, is) -> refresh());
        model.measured().clearance().addListener((o, was, is) -> refresh());
        model.selection().returnId().addListener((o, was, is) -> refresh());
        model.design().addListener((o, was, is) -> refresh());
        model.jobs().busyWith().addListener((o, was, is) -> refresh());
        refresh();
    }

    void setPalette(Palette given) {
        seal.setPalette(given);
        states.setPalette(given);
        presence.setPalette(given);
        bloom.setPalette(given);
    }

    private void refresh() {
        String id = model.selection().returnId().get();
        Clearance c = model.measured().clearance().get();
        seal.repaint();
        name.setText(model.design().get().findReturn(id).map(Return::name).orElse("no return"));
        lead.setText(model.clearing().name());
        Targets asked = model.clearing().targets(id).orElse(Targets.LEAD);
        asking.refresh();
        kinds.refresh();
        askedPresence.refresh();
        askedBloom.refresh();
        Optional<Cover> cover =
                Optional.ofNullable(c).flatMap((Clearance x) -> x.pair(id)).map(PairView::cover);
        Optional<Cover> was = lastApplied(id).map(a -> a.proposal().before());
        String returnId = id;
        presence.show(
                cover.map(Cover::presenceKept).orElse(OptionalDouble.empty()),
                was.map(Cover::presenceKept).orElse(OptionalDouble.empty()),
                v -> Wording.number(100 * v, 0),
                v -> v,
                asked.presence(),
                returnId);
        bloom.show(
                cover.map(Cover::bloomDb).orElse(OptionalDouble.empty()),
                was.map(Cover::bloomDb).orElse(OptionalDouble.empty()),
                v -> Wording.number(v, 1),
                v -> Math.clamp((v + 60) / 60, 0, 1),
                asked.bloomDb() <= Targets.ANY_BLOOM ? -1 : (asked.bloomDb() + 60) / 60,
                returnId);
        Optional<ShortCopy> copy =
                Optional.ofNullable(c)
                        .flatMap((Clearance x) -> Optional.ofNullable(x.copies().get(id)));
        state.setText(
                copy.isPresent()
                        ? "combs"
                        : cover.map(x -> x.state().name().toLowerCase(java.util.Locale.ROOT))
                                .orElse("\u2013"));
        states.show(copy.isPresent() ? Optional.empty() : cover.map(Cover::state), returnId);
        low.setText(
                copy.map(ClearInspector::comb).orElse("")
                        + cover.map(ClearInspector::supporting).orElse("")
                        + Optional.ofNullable(c)
                                .flatMap((Clearance x) -> x.cost(id))
                                .map(ClearInspector::costs)
                                .orElse(""));
        showRemedies(c, id, cover, asked);
        showRoom();
    }

    private void showRoom() {
        roomMoves.getChildren().clear();
        List<RoomMove> found = model.clearing().room().get();
        if (found == null) {
            return;
        }
        if (found.isEmpty()) {
            Label none = new Label("No small move of dry sources gains anything measurable here.");
            none.getStyleClass().add("why");
            none.setWrapText(true);
            roomMoves.getChildren().add(none);
        }
        found.forEach(m ->
                roomMoves
                        .getChildren()
                        .add(new RoomCard(m, () -> model.edit(m.edit(model.design().get())))));
    }

    private static String comb(ShortCopy copy) {
        return "A copy "
                + Wording.number(copy.millis(), 1)
                + " ms behind the dry combs with it: notches from "
                + Wording.hertz(copy.firstNotchHz())
                + " on, "
                + Wording.number(copy.rippleDb(), 1)
                + " dB deep. How much it is noticed is not judged. ";
    }

    private static String supporting(Cover c) {
        return "Clashes in "
                + Wording.percent(c.clashArea(), 0)
                + " of its cells; heard in phrases "
                + Wording.percent(c.wetShareInPhrases(), 1)
                + ", in gaps "
                + Wording.percent(c.wetShareInGaps(), 1)
                + ". ";
    }

    private static String costs(ReturnCost c) {
        return "Under 250 Hz "
                + Wording.percent(c.bandShares().get(0) + c.bandShares().get(1), 0)
                + "; makes the mix "
                + Wording.number(c.loudnessLu(), 1)
                + " LU louder, its peak "
                + Wording.number(c.truePeakDb(), 1)
                + " dB higher.";
    }

    /** Layers of one part are judged together, so the part stands once, by its group's name. */
    private void fillSources() {
        lead.getItems().clear();
        Design design = model.design().get();
        for (Source s : design.sources()) {
            if (design.layersOf(s).getFirst().equals(s)) {
                MenuItem item = new MenuItem(Clearing.partName(design, s));
                item.setOnAction(e -> model.clearing().judge(s.id()));
                lead.getItems().add(item);
            }
        }
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
                !a.proposal().edit().applyTo(model.design().get()).equals(model.design().get()));
    }

    private void showRemedies(
            @org.jspecify.annotations.Nullable Clearance c,
            String id,
            Optional<Cover> cover,
            Targets asked) {
        remedies.getChildren().clear();
        forgetUndone();
        for (Applied a : applied) {
            if (a.proposal().edit().returnId().equals(id)) {
                remedies.getChildren().add(new RemedyCard(a.proposal(), true, () -> takeBack(a)));
            }
        }
        boolean current =
                c != null
                        && c.design().equals(model.design().get())
                        && c.span().equals(model.span());
        List<Proposal> open = c == null ? List.of() : c.proposals().getOrDefault(id, List.of());
        EarLine line = model.clearing().earLine().get();
        if (line != null) {
            remedies.getChildren().add(new EarLineCard(model, line));
        }
        Diagnosis heard = model.clearing().diagnosis().get();
        if (heard != null) {
            heard.remedies()
                    .forEach(p ->
                            remedies.getChildren().add(new RemedyCard(p, false, () -> apply(p))));
        }
        if (current) {
            open.forEach(p -> remedies.getChildren().add(new RemedyCard(p, false, () -> apply(p))));
        }
        Solution solved = model.clearing().solution().get();
        if (solved != null) {
            note.setText(words(solved));
        } else if (!current) {
            note.setText(
                    model.jobs().busyWith().get().isEmpty()
                            ? ""
                            : model.jobs().busyWith().get() + " \u2026");
        } else if (open.isEmpty()) {
            note.setText(clearNote(cover, asked));
        } else {
            note.setText(
                    "Each was rendered before and after. Asked: presence "
                            + Wording.percent(asked.presence(), 0)
                            + ", worst phrase "
                            + Wording.percent(asked.worstPhrase(), 0)
                            + ".");
        }
    }

    private static String words(Solution s) {
        String steps =
                String.join(
                        "; ",
                        s.steps().stream()
                                .map(p -> p.edit().returnId() + ": " + p.change())
                                .toList());
        return s.words() + (steps.isEmpty() ? "" : " Taken in one step: " + steps + ".");
    }

    private static String clearNote(Optional<Cover> cover, Targets asked) {
        if (cover.isEmpty() || cover.get().presenceKept().isEmpty()) {
            return "It rests in this section: nothing to clear.";
        }
        return "Clear: presence "
                + Wording.percent(cover.get().presenceKept().getAsDouble(), 0)
                + ", worst phrase "
                + Wording.percent(cover.get().worstPhrase().orElse(1), 0)
                + "; asked are "
                + Wording.percent(asked.presence(), 0)
                + " and "
                + Wording.percent(asked.worstPhrase(), 0)
                + ".";
    }

    private void apply(Proposal p) {
        ReturnEdit inverse = p.edit().inverse(model.design().get());
        if (model.edit(p.edit(), p.change() + ": " + p.why())) {
            applied.add(new Applied(p, inverse));
            refresh();
        }
    }

    private void takeBack(Applied a) {
        applied.remove(a);
        model.edit(a.inverse());
        refresh();
    }
}
