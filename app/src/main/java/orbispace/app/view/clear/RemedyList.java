package orbispace.app.view.clear;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.VBox;
import orbispace.app.desk.ClearModel;
import orbispace.app.draw.Palette;
import orbispace.app.song.Clearance;
import orbispace.app.view.control.Plate;
import orbispace.core.clear.Diagnosis;
import orbispace.core.clear.EarLine;
import orbispace.core.clear.PairView;
import orbispace.core.clear.Proposal;
import orbispace.core.clear.Solution;
import orbispace.core.clear.room.RoomPlan;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Targets;
import orbispace.core.hearing.Cover;
import orbispace.core.words.Wording;
import org.jspecify.annotations.Nullable;

/** The remedies that are on, those that are proposed, and room between dry sources. */
final class RemedyList extends VBox {
    private final ClearModel model;
    private final Label note = new Label();
    private final VBox remedies = new VBox(6);
    private final VBox roomMoves = new VBox(6);
    private final List<Applied> applied = new ArrayList<>();
    private final Runnable changed;
    private Palette palette = Palette.DAY;

    /** A remedy that was applied, and how to take it back. */
    private record Applied(Proposal proposal, ReturnEdit inverse) {}

    /**
     * A list of remedies.
     *
     * @param changed told when one was put on or taken back
     */
    RemedyList(ClearModel model, Runnable changed) {
        super(6);
        this.model = model;
        this.changed = changed;
        Button room =
                Plate.small("Make room between dry sources", () -> model.clearing().makeRoom());
        room.setAccessibleText("look for room between this source and other dry ones");
        note.getStyleClass().add("why");
        note.setWrapText(true);
        getChildren().addAll(remedies, note, room, roomMoves);
    }

    /** How far to scroll so that room between dry sources is seen from its beginning. */
    double roomAt(ScrollPane scroll) {
        scroll.applyCss();
        scroll.layout();
        double hidden = getHeight() - scroll.getViewportBounds().getHeight();
        return hidden <= 0 ? 0 : Math.clamp(roomMoves.getBoundsInParent().getMinY() / hidden, 0, 1);
    }

    /** How a pair stood before the last remedy that is on. */
    Optional<Cover> before(String id) {
        forgetUndone();
        return applied.stream()
                .filter(a -> a.proposal().edit().returnId().equals(id))
                .reduce((a, b) -> b)
                .map(a -> a.proposal().before());
    }

    /** A remedy that undo, or another edit, has taken back is no longer on. */
    private void forgetUndone() {
        applied.removeIf(a ->
                !a.proposal().edit().applyTo(model.design().get()).equals(model.design().get()));
    }

    /** Shows what is on, and what can be done about a return. */
    void show(@Nullable Clearance c, String id) {
        List<Proposal> open = c == null ? List.of() : c.proposals().getOrDefault(id, List.of());
        boolean current =
                c != null
                        && c.design().equals(model.design().get())
                        && c.span().equals(model.span());
        showCards(id, current ? open : List.of());
        note.setText(note(c, id, current, open.isEmpty()));
        showRoom();
    }

    private void showCards(String id, List<Proposal> open) {
        List<Node> cards = new ArrayList<>();
        forgetUndone();
        for (Applied a : applied) {
            if (a.proposal().edit().returnId().equals(id)) {
                cards.add(new RemedyCard(a.proposal(), true, true, () -> takeBack(a)));
            }
        }
        EarLine line = model.clearing().earLine().get();
        if (line != null) {
            cards.add(new EarLineCard(model, line));
        }
        Diagnosis heard = model.clearing().diagnosis().get();
        List<Proposal> proposed = new ArrayList<>(heard == null ? List.of() : heard.remedies());
        proposed.addAll(open);
        String said = "";
        for (Proposal p : proposed) {
            cards.add(new RemedyCard(p, false, !p.why().equals(said), () -> apply(p)));
            said = p.why();
        }
        remedies.getChildren().setAll(cards);
    }

    private String note(@Nullable Clearance c, String id, boolean current, boolean none) {
        Targets asked = model.clearing().asking().targets(id).orElse(Targets.LEAD);
        Solution solved = model.clearing().solution().get();
        String busy = model.jobs().busyWith().get();
        if (solved != null) {
            return words(solved);
        }
        if (c == null || !current) {
            return busy.isEmpty() ? "" : busy + " \u2026";
        }
        if (none) {
            return clearNote(c.pair(id).map(PairView::cover), asked);
        }
        return "Each was rendered before and after. Asked: presence "
                + Wording.percent(asked.presence(), 0)
                + ", worst phrase "
                + Wording.percent(asked.worstPhrase(), 0)
                + ".";
    }

    void setPalette(Palette given) {
        palette = given;
        showRoom();
    }

    private void showRoom() {
        roomMoves.getChildren().clear();
        RoomPlan found = model.clearing().room().get();
        if (found != null) {
            roomMoves
                    .getChildren()
                    .add(
                            new RoomCard(
                                    found,
                                    palette,
                                    () -> model.edit(found.edit(model.design().get()))));
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
            changed.run();
        }
    }

    private void takeBack(Applied a) {
        applied.remove(a);
        model.edit(a.inverse());
        changed.run();
    }
}
